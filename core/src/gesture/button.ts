import type { GestureKind, GestureSetting } from '../gadget/index.ts';

/** One button on its way from clean level to meaning. Plain JSON; times in µs, null: not running. */
export interface ButtonState {
  down: boolean;
  /** Something longer was made of this press already, so letting go is no tap. */
  spent: boolean;
  holdAtUs: number | null;
  repeatAtUs: number | null;
  /** A tap is held back until then, in case a second press makes it a double. */
  tapAtUs: number | null;
}

export const idleButton: ButtonState = {
  down: false,
  spent: false,
  holdAtUs: null,
  repeatAtUs: null,
  tapAtUs: null,
};

interface Answer {
  state: ButtonState;
  gestures: GestureKind[];
}

/**
 * A clean change. Pressing says `press` at once; letting go says `release`, and `tap` unless the press was held,
 * repeated or the second of a double. Where a double is listened for, a tap waits for the window to pass.
 */
export function onEdge(state: ButtonState, level: 0 | 1, nowUs: number, setting: GestureSetting): Answer {
  if (level === 1) {
    const double = state.tapAtUs !== null;
    const armed: ButtonState = {
      down: true,
      spent: double,
      // The second press of a double is spoken for: it becomes neither hold nor repeat.
      holdAtUs: double || setting.holdUs === null ? null : nowUs + setting.holdUs,
      repeatAtUs: double || setting.repeat === null ? null : nowUs + setting.repeat.delayUs,
      tapAtUs: null,
    };
    return { state: armed, gestures: double ? ['press', 'double'] : ['press'] };
  }
  const waits = !state.spent && setting.doubleWindowUs !== null;
  const released = { ...idleButton, tapAtUs: waits ? nowUs + setting.doubleWindowUs! : null };
  return { state: released, gestures: state.spent || waits ? ['release'] : ['release', 'tap'] };
}

/** Time has come to `nowUs`: what is due by then. A turn that comes late says each thing once. */
export function onTime(state: ButtonState, nowUs: number, setting: GestureSetting): Answer {
  let next = state;
  const gestures: GestureKind[] = [];
  if (next.tapAtUs !== null && next.tapAtUs <= nowUs) {
    next = { ...next, tapAtUs: null };
    gestures.push('tap');
  }
  if (next.holdAtUs !== null && next.holdAtUs <= nowUs) {
    next = { ...next, holdAtUs: null, spent: true };
    gestures.push('hold');
  }
  if (next.repeatAtUs !== null && next.repeatAtUs <= nowUs) {
    const everyUs = setting.repeat?.everyUs;
    // Missed repeats are not made up for: a burst after a standstill would overshoot.
    const planned = everyUs === undefined ? null : next.repeatAtUs + everyUs;
    const repeatAtUs = planned !== null && planned <= nowUs ? nowUs + everyUs! : planned;
    next = { ...next, repeatAtUs, spent: true };
    gestures.push('repeat');
  }
  return { state: next, gestures };
}

/** When something will be due by itself, or null. */
export function nextGestureUs({ holdAtUs, repeatAtUs, tapAtUs }: ButtonState): number | null {
  const due = Math.min(holdAtUs ?? Infinity, repeatAtUs ?? Infinity, tapAtUs ?? Infinity);
  return due === Infinity ? null : due;
}

/** The gestures a button with this setting can say. */
export function gesturesOf(setting: GestureSetting): GestureKind[] {
  return [
    'press',
    'release',
    'tap',
    ...(setting.holdUs === null ? [] : (['hold'] as const)),
    ...(setting.doubleWindowUs === null ? [] : (['double'] as const)),
    ...(setting.repeat === null ? [] : (['repeat'] as const)),
  ];
}
