import { chord, rowsOf, telling, wired } from '../test/midiCases.ts';
import { tellingsOf } from './tellings.ts';

describe('what an output is told', () => {
  const rules = [
    `when Key press do ${chord(3)}; Out control 2, 7, 90`,
    'when Other press do Out program 1, 5',
  ];
  const costs = (runningStatus: boolean) => {
    const gadget = telling(rules, { runningStatus });
    return tellingsOf(gadget, { ...wired, runningStatus }).map(({ name, rule, messages }) => [
      name,
      rule,
      messages.map(({ bytes, thereUs }) => [bytes, thereUs]),
    ]);
  };

  it('stands rule by rule with its bytes and when each message is there', () => {
    expect(costs(false)).toEqual([
      ['Playing', 1, [[3, 960], [3, 1_920], [3, 2_880], [3, 3_840]]], // prettier-ignore
      ['Playing', 2, [[2, 640]]],
    ]);
    expect(costs(true)).toEqual([
      ['Playing', 1, [[3, 960], [2, 1_600], [2, 2_240], [3, 3_200]]], // prettier-ignore
      ['Playing', 2, [[2, 640]]],
    ]);
  });

  it('counts as many notes of a row as it can have, and as many that are ended', () => {
    const gadget = telling(
      [
        'when Key press do Out play 1, 0, chords[0], 100; Out program 1, 5',
        'when Key release do Out letGo 0',
        'when Other press do Out play 1, 1, chords[1], 100; Out letAllGo',
      ],
      {},
      {},
      [rowsOf(3)],
    );
    expect(
      tellingsOf(gadget, wired).map(({ messages }) => messages.map(({ action, bytes }) => [action.kind, bytes])),
    ).toEqual([
      [['play', 3], ['midi', 2]],
      [['letGo', 3], ['letGo', 3], ['letGo', 3]],
      [['play', 3], ['play', 3], ['play', 3]],
    ]); // prettier-ignore
  });

  it('says nothing of other outputs, and of lists that tell it nothing', () => {
    const gadget = telling([...rules, 'when Key release do Piezo silence']);
    expect(tellingsOf(gadget, wired)).toHaveLength(2);
    expect(tellingsOf(gadget, { ...wired, id: 'o9' })).toEqual([]);
  });
});
