import {
  allActions,
  controlsOf,
  pageTexts,
  type Gadget,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
import { settled } from './explored.ts';

/** Whether what a display shows is taken from a knob: that it flickers is said of the knob then. */
function showsKnob(gadget: Gadget, outputId: string): boolean {
  const knobs = controlsOf(gadget, 'knob').map(({ id }) => new RegExp(`\\b${id}\\b`));
  const said = [
    ...gadget.pages.filter((page) => page.outputId === outputId).flatMap(pageTexts),
    ...allActions(gadget)
      .filter((action) => 'outputId' in action && action.outputId === outputId)
      .map((action) => JSON.stringify(action)),
  ];
  return said.some((text) => knobs.some((knob) => knob.test(text)));
}

/** A text that is one and another in turn, faster than it can be read, while nobody does anything. */
export const S07: SnagRule = {
  id: 'S07',
  check(gadget, derived): Snag[] {
    const found = new Map<string, Snag>();
    for (const { states, alternating } of settled(gadget, derived))
      for (const { outputId, texts, perSecond } of alternating) {
        const key = JSON.stringify([outputId, texts]);
        if (found.has(key) || showsKnob(gadget, outputId)) continue;
        const display = gadget.outputs.find(({ id }) => id === outputId)!.name;
        const [one, other] = texts;
        const state = states.at(-1)!;
        found.set(key, {
          rule: 'S07',
          level: 'likely',
          place: { kind: 'state', id: state.id },
          values: { display, one, other, perSecond, state: state.name },
        });
      }
    return [...found.values()];
  },
};
