import { defineOutput, noJobs, sentIsOut, withLine, type Sent, type Stage } from '../output/index.ts';
import { idleComputer, keyDown, keyUp, withText, type Computer } from './computer.ts';

/** What was typed last, and the stand-in at the other end. */
export interface Typing extends Sent<'typist'> {
  computer: Computer;
  /** Counts them. */
  taps: number;
  /** Which tap holds a key: the end of another lets nothing go. */
  tapped: Readonly<Record<string, number>>;
}

export type TypistEntry =
  { lane: 'typed'; text: string } | { lane: 'key'; key: string; down: boolean; held: number };
/** The end of a tap. */
type Planned = { key: string; tap: number };
type On = Stage<'typist', TypistEntry, Planned, null>;

/** As long as a quick tap by hand is; a computer asks its keyboard every few milliseconds. */
const tapUs = 30_000;

function press(was: Typing, key: string, on: On): Typing {
  // What is held already is held.
  if (was.computer.held.includes(key)) return was;
  const computer = keyDown(was.computer, key);
  on.trace({ atUs: on.nowUs, lane: 'key', id: on.id, key, down: true, held: computer.held.length });
  return { ...was, computer };
}
function release(was: Typing, key: string, on: On): Typing {
  if (!was.computer.held.includes(key)) return was;
  const computer = keyUp(was.computer, key);
  on.trace({ atUs: on.nowUs, lane: 'key', id: on.id, key, down: false, held: computer.held.length });
  const { [key]: _tap, ...tapped } = was.tapped;
  return { ...was, computer, tapped };
}

export const typist = defineOutput<'typist', Typing, TypistEntry, Planned, null>({
  kind: 'typist',
  prepare: () => null,
  dark: () => ({ kind: 'typist', lines: [], computer: idleComputer, taps: 0, tapped: {} }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'type':
        on.trace({ atUs: on.nowUs, lane: 'typed', id: on.id, text: order.text });
        return { ...was, ...withLine(was, order.text), computer: withText(was.computer, order.text) };
      case 'keysUp':
        return was.computer.held.reduce((now, key) => release(now, key, on), was);
      case 'key': {
        if (order.how === 'up') return release(was, order.key, on);
        const now = press(was, order.key, on);
        if (order.how === 'down' || now === was) return now;
        const tap = now.taps + 1;
        on.plan(tapUs, { key: order.key, tap });
        return { ...now, taps: tap, tapped: { ...now.tapped, [order.key]: tap } };
      }
    }
  },
  upkeep: null,
  stirred: null,
  jobs: () => noJobs,
  due: (was, { key, tap }, on) => (was.tapped[key] === tap ? release(was, key, on) : was),
  isVoid: ({ tapped }, { key, tap }) => tapped[key] !== tap,
  ...sentIsOut,
  /** A keyboard that is gone holds nothing. */
  powerOff(was, on) {
    was.computer.held.reduce((now, key) => release(now, key, on), was);
  },
  held: {
    by(said) {
      if (said.kind === 'keysUp') return { what: null, which: null, how: 'ends' };
      // A tap leaves a key as it was: up, or held by something else.
      if (said.kind !== 'key' || said.how === 'tap') return null;
      return { what: said.key, which: 0, how: said.how === 'down' ? 'begins' : 'ends' };
    },
    now: ({ computer }, key) => computer.held.includes(key),
  },
  look: ({ lines, computer }) => [lines.at(-1) ?? null, computer.held],
});
