import { partOf, type Gadget, type Timer } from '../gadget/index.ts';
import { terminalsOf } from '../parts/index.ts';
import { boardOf } from './boards.ts';

/** A board's timer with the clock that it counts. */
export interface Clocked {
  clockHz: number;
  timer: Timer;
}

const takesTimer = (gadget: Gadget, outputId: string): boolean => {
  const part = partOf(gadget, outputId);
  return part !== undefined && terminalsOf(part).some(({ need }) => need === 'tone');
};

/**
 * The timer that makes the pitch of a sounder: those for tones are given out in the order of the sounders that are led
 * to one. null: no board is chosen, it has none left, or nothing is known of that one.
 */
export function toneTimerOf(gadget: Gadget, outputId: string): Clocked | null {
  const board = boardOf(gadget);
  const sounders = gadget.outputs.filter(({ id, kind }) => kind === 'tone' && takesTimer(gadget, id));
  const at = sounders.findIndex(({ id }) => id === outputId);
  const timer = at < 0 ? undefined : board?.timers.find(({ id }) => id === board.toneTimers[at]);
  return board && timer ? { clockHz: board.clockHz, timer } : null;
}
