import type { Chord } from '../gadget/index.ts';

/** Keys on their way to meaning something together. Plain JSON, by ids. */
export interface TogetherState {
  /** When each key that is down came down. */
  downUs: Record<string, number>;
  /** Presses that are held back, and until when at most. */
  pending: Record<string, number>;
  /** Keys whose press was taken by a chord: their letting go says nothing of its own. */
  taken: string[];
  /** Chords that are complete and wait for their hold. */
  armed: Record<string, number>;
}

export const nothingTogether: TogetherState = { downUs: {}, pending: {}, taken: [], armed: {} };

/** Clean changes that go on to their buttons, in order, and chords that were said. */
export interface TogetherAnswer {
  state: TogetherState;
  pass: { controlId: string; level: 0 | 1 }[];
  chords: string[];
}

const without = <T>(record: Record<string, T>, keys: readonly string[]) =>
  Object.fromEntries(Object.entries(record).filter(([key]) => !keys.includes(key)));

/** All keys are down, no further apart than the window, and in order where that matters. */
function isComplete({ controlIds, windowUs, ordered }: Chord, downUs: Record<string, number>): boolean {
  const times = controlIds.map((id) => downUs[id]);
  if (!times.every((us) => us !== undefined)) return false;
  if (Math.max(...times) - Math.min(...times) > windowUs) return false;
  return !ordered || times.every((us, n) => n === 0 || us > times[n - 1]!);
}

/**
 * A clean change of one key. Presses of keys that a waiting chord wants are held back for its window; letting go
 * before that lets them through at once.
 */
export function onKey(
  state: TogetherState,
  chords: readonly Chord[],
  controlId: string,
  level: 0 | 1,
  nowUs: number,
): TogetherAnswer {
  const mine = chords.filter(({ controlIds }) => controlIds.includes(controlId));
  if (mine.length === 0) return { state, pass: [{ controlId, level }], chords: [] };
  return level === 1 ? onPress(state, mine, controlId, nowUs) : onRelease(state, mine, controlId);
}

function onPress(
  state: TogetherState,
  mine: readonly Chord[],
  controlId: string,
  nowUs: number,
): TogetherAnswer {
  const downUs = { ...state.downUs, [controlId]: nowUs };
  const windowUs = Math.max(-1, ...mine.filter(({ waits }) => waits).map((chord) => chord.windowUs));
  let next: TogetherState = { ...state, downUs };
  const pass: TogetherAnswer['pass'] = [];
  if (windowUs >= 0) next.pending = { ...state.pending, [controlId]: nowUs + windowUs };
  else pass.push({ controlId, level: 1 });
  const chords: string[] = [];
  for (const chord of mine) {
    if (!isComplete(chord, downUs)) continue;
    if (chord.holdUs === null) {
      next = take(next, chord);
      chords.push(chord.id);
      continue;
    }
    const heldUs = nowUs + chord.holdUs;
    next = { ...next, armed: { ...next.armed, [chord.id]: heldUs } };
    // What it would take is held back until it is known.
    if (chord.waits)
      next.pending = Object.fromEntries(
        Object.entries(next.pending).map(([id, us]) => [id, chord.controlIds.includes(id) ? heldUs + 1 : us]),
      );
  }
  return { state: next, pass, chords };
}

/** The chord is said: presses that were held back for it are its own. */
function take(state: TogetherState, { controlIds, waits }: Chord): TogetherState {
  if (!waits) return state;
  const its = controlIds.filter((id) => id in state.pending);
  return { ...state, pending: without(state.pending, its), taken: [...state.taken, ...its] };
}

function onRelease(state: TogetherState, mine: readonly Chord[], controlId: string): TogetherAnswer {
  const broken = mine.filter(({ id }) => id in state.armed);
  const freed = [controlId, ...broken.flatMap(({ controlIds }) => controlIds)].filter(
    (id) => id in state.pending,
  );
  const next: TogetherState = {
    downUs: without(state.downUs, [controlId]),
    pending: without(state.pending, freed),
    taken: state.taken.filter((id) => id !== controlId),
    armed: without(
      state.armed,
      broken.map(({ id }) => id),
    ),
  };
  const pass: TogetherAnswer['pass'] = [...new Set(freed)].map((id) => ({ controlId: id, level: 1 }));
  if (!state.taken.includes(controlId)) pass.push({ controlId, level: 0 });
  return { state: next, pass, chords: [] };
}

/** Time has come to `nowUs`: chords that were held long enough, and presses whose window has passed. */
export function onWindow(state: TogetherState, chords: readonly Chord[], nowUs: number): TogetherAnswer {
  let next = state;
  const said: string[] = [];
  for (const chord of chords) {
    const dueUs = next.armed[chord.id];
    if (dueUs === undefined || dueUs > nowUs) continue;
    next = take({ ...next, armed: without(next.armed, [chord.id]) }, chord);
    said.push(chord.id);
  }
  const passed = Object.entries(next.pending).filter(([, us]) => us <= nowUs);
  if (passed.length > 0)
    next = {
      ...next,
      pending: without(
        next.pending,
        passed.map(([id]) => id),
      ),
    };
  return { state: next, pass: passed.map(([controlId]) => ({ controlId, level: 1 })), chords: said };
}

/** When something will be due by itself, or null. */
export function nextTogetherUs({ pending, armed }: TogetherState): number | null {
  const due = Math.min(Infinity, ...Object.values(pending), ...Object.values(armed));
  return due === Infinity ? null : due;
}
