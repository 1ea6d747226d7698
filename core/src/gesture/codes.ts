import type { CodeGesture, Codes } from '../gadget/index.ts';

/** What a receiver's codes have come to. Plain JSON. */
export interface HeardState {
  /** Code that counts as held, if any, and when it was last heard. */
  codeId: string | null;
  lastUs: number;
}

export const nothingHeard: HeardState = { codeId: null, lastUs: 0 };

export interface HeardCode {
  codeId: string;
  gesture: CodeGesture;
}

/**
 * A code arrives. The same one within the gap is the same press, still held; another one, or the same after the gap,
 * is a new press and ends what was held.
 */
export function hearCode(
  state: HeardState,
  codeId: string,
  nowUs: number,
  { heldGapUs }: Pick<Codes, 'heldGapUs'>,
): { state: HeardState; said: HeardCode[] } {
  const held = state.codeId === codeId && nowUs - state.lastUs <= heldGapUs;
  const said: HeardCode[] = [];
  if (!held && state.codeId !== null) said.push({ codeId: state.codeId, gesture: 'release' });
  said.push({ codeId, gesture: held ? 'repeat' : 'press' });
  return { state: { codeId, lastUs: nowUs }, said };
}

/** Time has come to `nowUs`: a code that was not heard again is let go. */
export function codeSilence(
  state: HeardState,
  nowUs: number,
  setting: Pick<Codes, 'heldGapUs'>,
): { state: HeardState; said: HeardCode[] } {
  const dueUs = nextSilenceUs(state, setting);
  if (dueUs === null || dueUs > nowUs) return { state, said: [] };
  return { state: nothingHeard, said: [{ codeId: state.codeId!, gesture: 'release' }] };
}

/** When a held code counts as let go, or null. */
export function nextSilenceUs(
  { codeId, lastUs }: HeardState,
  { heldGapUs }: Pick<Codes, 'heldGapUs'>,
): number | null {
  return codeId === null ? null : lastUs + heldGapUs + 1;
}
