import {
  checkGadget,
  emptyGadget,
  readGadgetText,
  replay,
  snagRules,
  trialSchema,
  type Gadget,
  type Snag,
} from '@hum-lever/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { mostTelling, sayingOf, sayWhy } from './index.ts';
import { mendWords, snagWords } from './snagWords.ts';

const demo = (file: string) => readFileSync(join(__dirname, '../../../demo/kettle-keeper', file), 'utf8');
const gadget = (file: string): Gadget => {
  const read = readGadgetText(demo(file));
  if (read.outcome !== 'opened') throw new Error(read.message);
  return read.gadget;
};
const faulty = gadget('1-first-evening.json');
const spoiled = /undefined|NaN|\[object|\$\{/;

describe('words', () => {
  it('are there for every rule of the core, and for no other', () => {
    expect(Object.keys(snagWords).sort()).toEqual(snagRules.map(({ id }) => id).sort());
  });

  it('say every finding of the faulty demo in full', () => {
    for (const snag of checkGadget(faulty).snags) {
      const { title, sentence, mend } = sayingOf(snag);
      expect(`${title} ${sentence} ${mend}`).not.toMatch(spoiled);
      expect(sentence).toMatch(/\.$/);
      if (snag.mend) expect(Object.keys(mendWords)).toContain(snag.mend.key);
    }
  });

  it.each<[string, Snag['values']]>([
    ['F02', { name: 'Stir', lost: 2, pressUs: 60_000, repeatUs: 100_000 }],
    ['L05', { state: 'Ready', number: 1, reason: 'guard' }],
    ['L05', { state: 'Ready', number: 2, reason: 'outlived', delayUs: 9_000, earlierUs: 5_000 }],
    ['L05', { state: 'Ready', number: 2, reason: 'unheard', gesture: 'hold', control: 'Stir' }],
    ['S01', { reason: 'row', text: 'x', row: 3, rows: 2, display: 'Screen' }],
    ['X01', { text: 'a +', message: 'cannot be read' }],
  ])('say %s with its figures', (rule, values) => {
    const { sentence } = sayingOf({ rule, level: 'note', place: { kind: 'state', id: 's1' }, values });
    expect(sentence).not.toMatch(spoiled);
  });

  it('say why for every entry of a whole run, also where the gadget has lost all parts since', () => {
    const trial = trialSchema.parse(JSON.parse(demo('trials.json'))[0]);
    const trace = replay(faulty, trial.stimuli, trial.endUs, trial.seed);
    for (const some of [faulty, emptyGadget('Bare')])
      trace.forEach((_entry, index) => expect(sayWhy(some, trace, index)).not.toMatch(spoiled));
    expect(
      trace.some(
        (entry, index) =>
          entry.lane === 'clean' && /came through once more/.test(sayWhy(faulty, trace, index)),
      ),
    ).toBe(true);
  });

  it('tell an answered gesture from one that no rule answered', () => {
    const trace = replay(
      faulty,
      [
        { atUs: 1_000, controlId: 'b1', what: 'down' },
        { atUs: 90_000, controlId: 'b1', what: 'up' },
      ],
      200_000,
      1,
    );
    const said = trace.flatMap((entry, index) =>
      entry.lane === 'gesture' ? [sayWhy(faulty, trace, index)] : [],
    );
    expect(said[0]).toBe('Stir pressed. Rule 1 of Ready answered.');
    expect(said).toContain('Stir let go. No rule answered.');
  });

  it('pick what tells most about the last press', () => {
    const play = (gadget: Gadget, heldUs: number, untilUs: number) => {
      const stimuli = [
        { atUs: 1_000, controlId: 'b1', what: 'down' as const },
        { atUs: 1_000 + heldUs, controlId: 'b1', what: 'up' as const },
      ];
      const trace = replay(gadget, stimuli, untilUs, 1);
      return sayWhy(gadget, trace, mostTelling(trace));
    };
    const sound = gadget('2-at-the-night-market.json');
    expect(play(sound, 90_000, 5_000_000)).toBe('Stir pressed. Rule 1 of Ready answered.');
    const slow = {
      ...sound,
      controls: [{ ...sound.controls[0]!, debounce: { algorithm: 'stable', params: { settleUs: 150_000 } } }],
    };
    expect(play(slow, 90_000, 5_000_000)).toMatch(/^This press of Stir was swallowed: it lasted 90\sms/);
    expect(mostTelling([])).toBe(-1);
    expect(sayWhy(sound, replay(sound, [], 1_000, 1), mostTelling(replay(sound, [], 1_000, 1)))).toBe(
      'Now in Ready.',
    );
  });
});
