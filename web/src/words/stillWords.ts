import { causeValues, type Cause, type Gadget, type Snag, type Standstill } from '@hum-lever/core';
import { showDuration } from '../shared/units.ts';

/** What there was too much of. */
export function excessWords(excess: string): string {
  switch (excess) {
    case 'rounds':
      return 'Rules set one another off without end';
    case 'planned':
      return 'More is planned than can wait';
    case 'second':
      return 'More is to happen in one second than can';
    default:
      return 'More is to happen in one moment than can';
  }
}

/** What keeps it busy. */
export function causeWords({ cause, name, number }: Snag['values']): string {
  switch (cause) {
    case 'rule':
      return `rule ${number} of ${name}`;
    case 'timer':
      return `the timer ${name}`;
    case 'signal':
      return `the signal ${name}`;
    case 'control':
      return `${name}`;
    default:
      return 'the loop itself';
  }
}

type Why = Pick<Standstill, 'excess' | 'cause' | 'times' | 'sinceUs'> & { atUs: number };

/** Why the gadget stands still, and what to do. */
export function sayStill(gadget: Gadget, { excess, cause, times, sinceUs, atUs }: Why): string {
  const within = atUs > sinceUs ? ` within ${showDuration(atUs - sinceUs)}` : '';
  return `It stands still. ${excessWords(excess)}; most often it was ${causeWords(causeValues(gadget, cause))}, ${times.toLocaleString('en')} times${within}. Change that, or switch off and on.`;
}

/** How fast it plays where it cannot keep up, and what is to blame. */
export function slowWords(gadget: Gadget, { share, cause }: { share: number; cause: Cause }): string {
  const what =
    cause.kind === 'loop'
      ? 'every turn of its loop is dear'
      : `${causeWords(causeValues(gadget, cause))} keeps it busiest`;
  return `Plays ${(1 / share).toFixed(1)} times slower than it would: ${what}.`;
}
