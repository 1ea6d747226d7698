import type { Stimulus, TraceEntry } from '../machine/index.ts';
import { trialLimits, type Expectation, type Trial } from './trial.schema.ts';

/** What hands did to a machine since power-up. */
export interface Recording {
  /** Seed of that machine. */
  seed: number;
  stimuli: Stimulus[];
  endUs: number;
}

/** Slack around a moment that was recorded: a hand is never twice the same, nor is a bounce. */
export const slackUs = 500_000;
/** First expectations are for looking at, not for listing everything. */
const suggested = 8;

/** Each state that was come to, in a window around its first time. */
function seenStates(trace: readonly TraceEntry[], endUs: number): Expectation[] {
  const firstAt = new Map<string, number>();
  for (const entry of trace)
    if (entry.lane === 'state' && entry.atUs > 0 && entry.atUs <= endUs && !firstAt.has(entry.id))
      firstAt.set(entry.id, entry.atUs);
  return [...firstAt].slice(0, suggested).map(([stateId, atUs], index) => ({
    id: `e${index + 1}`,
    what: { kind: 'state', stateId },
    when: { kind: 'within', fromUs: Math.max(0, atUs - slackUs), toUs: Math.min(endUs, atUs + slackUs) },
  }));
}

/** The same, if a trial can hold it. @throws RangeError where more was done than that */
export function checkedRecording(recording: Recording): Recording {
  const { stimuli } = recording;
  if (stimuli.length > trialLimits.stimuli)
    throw new RangeError(
      `expected at most ${trialLimits.stimuli / 2} presses in one recording, got ${stimuli.length / 2}`,
    );
  return recording;
}

/**
 * A recording as a trial, with what was seen as its first expectations: it passes on the gadget it was made with.
 * @param trace of the recording, from power-up
 * @throws RangeError where more was done than a trial can hold
 */
export const recordedTrial = (name: string, recording: Recording, trace: readonly TraceEntry[]): Trial => {
  const { seed, stimuli, endUs } = checkedRecording(recording);
  return { name, seed, stimuli, endUs, expectations: seenStates(trace, endUs) };
};
