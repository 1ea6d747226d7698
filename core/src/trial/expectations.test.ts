import type { OutputKind } from '../gadget/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { Machine } from '../machine/index.ts';
import { runTrial, stretchTrial, trialSchema, type OutputWhat, type OutputWhatOf } from './index.ts';

/* Of every kind of output: what is told, what is then met, and what is not. A kind that is missing does not compile. */
type Case<K extends OutputKind> = {
  told: string;
  met: Said<K>[];
  missed: Said<K>[];
  figures?: Record<string, number>;
};
type Said<K extends OutputKind> = Omit<OutputWhatOf<K>, 'kind' | 'outputId'>;
const cases: { [K in OutputKind]: Case<K> } = {
  light: { told: 'Thing blink 500 ms', met: [{ mode: 'blink' }], missed: [{ mode: 'on' }] },
  text: {
    told: 'Thing row 1 "Ready 42"',
    met: [{ row: 0, text: '42' }, { row: 1, text: '' }],
    missed: [{ row: 0, text: '43' }, { row: 1, text: '42' }],
  },
  screen: {
    told: 'Thing page "Score"',
    met: [{ text: '42' }, { text: 'Ready' }],
    missed: [{ text: '43' }, { text: '' }],
  },
  tone: {
    told: 'Thing tone 440',
    met: [{ comparison: '=', hz: 440 }, { comparison: '>', hz: 0 }],
    missed: [{ comparison: '<', hz: 440 }],
  },
  servo: {
    told: 'Thing move 90',
    met: [{ comparison: '=', to: 90 }],
    missed: [{ comparison: '<', to: 90 }],
  },
  motor: { told: 'Thing move 60', met: [{ comparison: '≥', to: 60 }], missed: [{ comparison: '=', to: 61 }] },
  midi: {
    told: 'Thing noteOn 2, 60, 100',
    met: [
      { message: 'noteOn', channel: 2, first: 60, second: 100 },
      { message: 'noteOn', channel: 2, first: 60, second: null },
    ],
    missed: [
      { message: 'noteOn', channel: 1, first: 60, second: 100 },
      { message: 'noteOff', channel: 2, first: 60, second: null },
      { message: 'noteOn', channel: 2, first: 61, second: null },
      { message: 'noteOn', channel: 2, first: 60, second: 99 },
    ],
  },
  typist: {
    told: 'Thing type "next cue"',
    met: [{ what: 'types', text: 'cue' }, { what: 'types', text: '' }],
    missed: [{ what: 'types', text: 'last' }, { what: 'presses', text: '' }],
  },
  serial: { told: 'Thing say "volume 42"', met: [{ text: '42' }, { text: '' }], missed: [{ text: '43' }] },
  setting: {
    told: 'Thing give 42',
    met: [{ comparison: '=', to: 42 }, { comparison: '>', to: 41 }],
    missed: [{ comparison: '=', to: 0 }],
  },
  player: { told: 'Thing play 1', met: [{ number: 1 }], missed: [{ number: 0 }, { number: 2 }], figures: { startUs: 20_000 } },
  line: { told: 'Thing on', met: [{ level: 'on' }], missed: [{ level: 'off' }, { level: 'open' }] },
  lights: {
    told: 'Thing fill all, 3 red at 20',
    met: [{ place: 0, colour: 'red' }, { place: 2, colour: 'lit' }, { place: 3, colour: 'off' }],
    missed: [{ place: 3, colour: 'lit' }, { place: 0, colour: 'amber' }],
  },
}; // prettier-ignore

describe('what a trial can expect of an output', () => {
  it.each(Object.keys(cases) as OutputKind[])('of kind %s', (kind) => {
    const { told, met, missed, figures } = cases[kind] as Case<'light'>;
    const gadget = toldGadget(outputOf(kind, 'Thing', figures), [[100, told]]);
    const judged = (atUs: number, said: Said<'light'>[]) => {
      const expectations = said.map((one, n) => ({
        id: `e${n}`,
        what: { kind, outputId: 'o1', ...one } as OutputWhat,
        when: { kind: 'at' as const, atUs },
      }));
      const trial = { name: 'Told', seed: 1, stimuli: [], endUs: 300_000, expectations };
      expect(trialSchema.safeParse(trial).error?.issues).toBeUndefined();
      return runTrial(gadget, trial).result.expectations.map(({ passed }) => passed);
    };
    expect(judged(200_000, met)).toEqual(met.map(() => true));
    expect(judged(200_000, missed)).toEqual(missed.map(() => false));
    // Not before it was told.
    expect(judged(50_000, met.slice(0, 1))).toEqual([false]);
    // What it showed can be expected, and is then met.
    const machine = new Machine(gadget, 1);
    machine.advanceTo(300_000);
    const recording = { seed: 1, stimuli: [], endUs: 300_000 };
    const seen = stretchTrial('Seen', gadget, recording, machine.takeTrace(), 50_000, 300_000);
    expect(seen.expectations.filter(({ what }) => what.kind === kind)).not.toEqual([]);
    expect(runTrial(gadget, seen).result.passed).toBe(true);
  });
});
