import type { GestureKind, GestureSetting } from '../gadget/index.ts';

/** One button on its way from clean level to meaning. Plain JSON; times in µs, null: not running. */
export interface ButtonState {
  down: boolean;
  /** Something longer was made of this press already, so letting go is no tap. */
  spent: boolean;
  holdAtUs: number | null;
  /** Thresholds of this press that were reached. */
  holds: number;
  repeatAtUs: number | null;
  /** The pause before the next repeat but one. */
  pauseUs: number;
  /** Taps that are held back until then, in case another press makes more of them. */
  taps: number;
  tapAtUs: number | null;
}

export const idleButton: ButtonState = {
  down: false,
  spent: false,
  holdAtUs: null,
  holds: 0,
  repeatAtUs: null,
  pauseUs: 0,
  taps: 0,
  tapAtUs: null,
};

interface Answer {
  state: ButtonState;
  gestures: GestureKind[];
}

/** Hold thresholds, shortest first. */
const thresholds = ({ holdUs, longerHoldsUs }: GestureSetting) =>
  holdUs === null ? [] : [holdUs, ...longerHoldsUs];
const holdNames = ['hold', 'hold2', 'hold3'] as const;

/**
 * A clean change. Pressing says `press` at once; letting go says `release`, `heldRelease` after a hold, and `tap`
 * unless the press was held, repeated or one of several. Where more taps are listened for, a tap waits for the window
 * to pass; where a triple is, so does a double.
 */
export function onEdge(state: ButtonState, level: 0 | 1, nowUs: number, setting: GestureSetting): Answer {
  if (level === 1) {
    const taps = state.tapAtUs === null ? 0 : state.taps;
    const more = taps > 0;
    const [holdUs] = thresholds(setting);
    const armed: ButtonState = {
      down: true,
      spent: more,
      // A press that follows a tap is spoken for: it becomes neither hold nor repeat.
      holdAtUs: more || holdUs === undefined ? null : nowUs + holdUs,
      holds: 0,
      repeatAtUs: more || setting.repeat === null ? null : nowUs + setting.repeat.delayUs,
      pauseUs: setting.repeat?.everyUs ?? 0,
      taps,
      tapAtUs: null,
    };
    if (taps === 2) return { state: { ...armed, taps: 0 }, gestures: ['press', 'triple'] };
    if (taps === 1 && !setting.triple) return { state: { ...armed, taps: 0 }, gestures: ['press', 'double'] };
    return { state: armed, gestures: ['press'] };
  }
  const said: GestureKind[] = state.holds > 0 ? ['release', 'heldRelease'] : ['release'];
  const windowUs = setting.doubleWindowUs;
  // The second of a possible triple is spent too, but still waits.
  const waits = windowUs !== null && (!state.spent || state.taps > 0);
  if (waits)
    return { state: { ...idleButton, taps: state.taps + 1, tapAtUs: nowUs + windowUs }, gestures: said };
  return { state: idleButton, gestures: state.spent ? said : [...said, 'tap'] };
}

/** Time has come to `nowUs`: what is due by then. A turn that comes late says each thing once. */
export function onTime(state: ButtonState, nowUs: number, setting: GestureSetting): Answer {
  let next = state;
  const gestures: GestureKind[] = [];
  if (next.tapAtUs !== null && next.tapAtUs <= nowUs) {
    gestures.push(next.taps > 1 ? 'double' : 'tap');
    next = { ...next, tapAtUs: null, taps: 0 };
  }
  if (next.holdAtUs !== null && next.holdAtUs <= nowUs) {
    const all = thresholds(setting);
    const name = holdNames[next.holds];
    const further = all[next.holds + 1];
    const stepUs = further === undefined ? null : further - (all[next.holds] ?? 0);
    if (name) gestures.push(name);
    next = {
      ...next,
      holdAtUs: stepUs === null ? null : next.holdAtUs + stepUs,
      holds: next.holds + 1,
      spent: true,
    };
  }
  if (next.repeatAtUs !== null && next.repeatAtUs <= nowUs) {
    next = { ...next, ...nextRepeat(next.repeatAtUs, next.pauseUs, nowUs, setting.repeat), spent: true };
    gestures.push('repeat');
  }
  return { state: next, gestures };
}

/** The repeat after one that was due at `atUs`, and the pause behind it. */
function nextRepeat(
  atUs: number,
  pauseUs: number,
  nowUs: number,
  repeat: GestureSetting['repeat'],
): Pick<ButtonState, 'repeatAtUs' | 'pauseUs'> {
  if (repeat === null) return { repeatAtUs: null, pauseUs: 0 };
  const wantedUs = pauseUs || repeat.everyUs;
  // Missed repeats are not made up for: a burst after a standstill would overshoot.
  const repeatAtUs = atUs + wantedUs <= nowUs ? nowUs + wantedUs : atUs + wantedUs;
  const quickerUs = Math.floor((wantedUs * repeat.quickenPercent) / 100);
  return { repeatAtUs, pauseUs: Math.max(repeat.fastestUs, quickerUs) };
}

/**
 * How long it takes from a press to its so-manieth repeat while the key stays down, µs.
 * @param repeats at least 1; each pause is shorter than the one before it, down to the quickest
 */
export function repeatPausesUs(repeat: NonNullable<GestureSetting['repeat']>, repeats: number): number {
  let us = repeat.delayUs;
  let pauseUs = repeat.everyUs;
  for (let n = 1; n < repeats; n += 1) {
    us += pauseUs;
    pauseUs = Math.max(repeat.fastestUs, Math.floor((pauseUs * repeat.quickenPercent) / 100));
    // From here on all pauses are alike.
    if (pauseUs === repeat.fastestUs || repeat.quickenPercent === 100)
      return us + (repeats - 1 - n) * pauseUs;
  }
  return us;
}

/** When something will be due by itself, or null. */
export function nextGestureUs({ holdAtUs, repeatAtUs, tapAtUs }: ButtonState): number | null {
  const due = Math.min(holdAtUs ?? Infinity, repeatAtUs ?? Infinity, tapAtUs ?? Infinity);
  return due === Infinity ? null : due;
}

/** The gestures a button with this setting can say. */
export function gesturesOf(setting: GestureSetting): GestureKind[] {
  const holds = thresholds(setting).map((_, index) => holdNames[index]!);
  return [
    'press',
    'release',
    'tap',
    ...holds,
    ...(holds.length === 0 ? [] : (['heldRelease'] as const)),
    ...(setting.doubleWindowUs === null ? [] : (['double'] as const)),
    ...(setting.triple ? (['triple'] as const) : []),
    ...(setting.repeat === null ? [] : (['repeat'] as const)),
  ];
}

/**
 * What listening costs: how long after the clean change that completes it each gesture is said, µs. A hold counts
 * from the press, a tap from letting go.
 */
export function delaysOf(
  setting: GestureSetting,
): { gesture: GestureKind; from: 'press' | 'release'; us: number }[] {
  const windowUs = setting.doubleWindowUs ?? 0;
  const at = (gesture: GestureKind, from: 'press' | 'release', us: number) => ({ gesture, from, us });
  return gesturesOf(setting).map((gesture) => {
    switch (gesture) {
      case 'tap':
        return at(gesture, 'release', windowUs);
      case 'double':
        return setting.triple ? at(gesture, 'release', windowUs) : at(gesture, 'press', 0);
      case 'hold':
      case 'hold2':
      case 'hold3':
        return at(gesture, 'press', thresholds(setting)[holdNames.indexOf(gesture)]!);
      case 'repeat':
        return at(gesture, 'press', setting.repeat!.delayUs);
      case 'release':
      case 'heldRelease':
        return at(gesture, 'release', 0);
      default:
        return at(gesture, 'press', 0);
    }
  });
}
