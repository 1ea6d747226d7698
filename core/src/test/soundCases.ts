import type { Gadget, OutputOf, Snag } from '../gadget/index.ts';
import { outputOf, toldGadget } from './toldGadget.ts';

export type Tone = OutputOf<'tone'>;

/** A piezo on a board that is told something. */
export function sounding(told: string, boardId: string | null, patch: Partial<Tone> = {}): Gadget {
  const piezo = { ...(outputOf('tone', 'Piezo') as Tone), ...patch };
  const gadget = toldGadget(piezo, [[10, told]]);
  return { ...gadget, wiring: { ...gadget.wiring, boardId } };
}

/** The usual first board: its tones come from a timer of eight bits. */
export const small = 'board-8bit-20';

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export const soundSnagCases: [string, string, Gadget, Partial<Snag>, boolean][] = [
  [
    'N01',
    'a pitch that eight bits come 11 cents below',
    // N 32 counts 73.5 to 74: 3,378.38 Hz.
    sounding('Piezo tune 3000 100 ms, 3400 100 ms', small),
    {
      level: 'likely',
      place: { kind: 'part', id: 'p1' },
      values: {
        name: 'Piezo',
        timer: 'T2',
        bits: 8,
        hz: 3_400,
        givesCentiHz: 337_838,
        tenthCents: -110,
        pitches: 1,
        of: 2,
      },
    },
    false,
  ],
  [
    'N02',
    'pitches that a sounder cannot give',
    sounding('Piezo tune 100 50 ms, 440 50 ms, 9000 50 ms', null),
    {
      level: 'likely',
      place: { kind: 'part', id: 'p1' },
      values: { name: 'Piezo', hz: 100, heldHz: 200, pitches: 2, lowHz: 200, highHz: 4_000 },
    },
    false,
  ],
];
