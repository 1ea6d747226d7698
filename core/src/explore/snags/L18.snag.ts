import { buttonsHeard, expressionTexts, type SnagRule } from '../../gadget/index.ts';

/** Random numbers that begin alike every time: after a few evenings everybody knows what comes. */
export const L18: SnagRule = {
  id: 'L18',
  check(gadget) {
    const texts = expressionTexts(gadget).filter((text) => /\brandom\s*\(/.test(text));
    if (gadget.flow.chance !== 'same' || texts.length === 0) return [];
    const [button] = buttonsHeard(gadget);
    const chance = button ? 'press' : 'noise';
    return [
      {
        rule: 'L18',
        level: 'likely',
        place: { kind: 'state', id: gadget.flow.initialId! },
        values: { uses: texts.length },
        mend: { key: 'otherChance', edit: { name: 'setChance', args: [chance] }, values: { chance } },
      },
    ];
  },
};
