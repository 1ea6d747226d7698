import {
  allRules,
  controlsHeard,
  isOfKeys,
  type Gadget,
  type GestureKind,
  type GestureSetting,
} from '../gadget/index.ts';
import { gesturesOf } from './button.ts';

/** Starting points for a gesture that a rule wants and its control does not listen for. */
const startingPoints = {
  hold: { holdUs: 500_000 },
  heldRelease: { holdUs: 500_000 },
  hold2: { holdUs: 500_000, longerHoldsUs: [1_500_000] },
  hold3: { holdUs: 500_000, longerHoldsUs: [1_500_000, 4_000_000] },
  double: { doubleWindowUs: 250_000 },
  triple: { doubleWindowUs: 250_000, triple: true },
  repeat: { repeat: { delayUs: 400_000, everyUs: 120_000, quickenPercent: 100, fastestUs: 120_000 } },
} as const satisfies Partial<Record<GestureKind, Partial<GestureSetting>>>;

/** The same button listening for that gesture, too; null where it does already, or has nothing to listen for it with. */
export function listeningFor(gestures: GestureSetting, gesture: GestureKind): GestureSetting | null {
  if (gesturesOf(gestures).includes(gesture) || !(gesture in startingPoints)) return null;
  const more = startingPoints[gesture as keyof typeof startingPoints];
  // What it listens for already keeps its times.
  const kept = gestures.holdUs !== null && 'holdUs' in more ? { holdUs: gestures.holdUs } : {};
  return { ...gestures, ...more, ...kept } as GestureSetting;
}

const known = new WeakMap<Gadget, Gadget>();

/**
 * The gadget as its maker means it: every button listens for what some rule waits for. That one does not is told as
 * that; what would come of the rule is judged as if it did.
 */
export function asMeant(gadget: Gadget): Gadget {
  const before = known.get(gadget);
  if (before) return before;
  let meant = gadget;
  for (const { rule } of allRules(gadget)) {
    const { trigger } = rule;
    if (!isOfKeys(trigger)) continue;
    const ids = controlsHeard(gadget, trigger);
    const controls = meant.controls.map((control) => {
      if (control.kind !== 'button' || !ids.includes(control.id)) return control;
      const gestures = listeningFor(control.gestures, trigger.gesture);
      return gestures ? { ...control, gestures } : control;
    });
    if (controls.some((control, at) => control !== meant.controls[at])) meant = { ...meant, controls };
  }
  known.set(gadget, meant);
  return meant;
}
