import type { Encoder, Gadget, Hands, Repeat, SchemeRole } from '../gadget/index.ts';
import { quickening } from '../gesture/index.ts';
import { encoderPart } from '../parts/index.ts';

/** What the controls of a scheme are like, as far as it changes how often and how long a hand is at work. */
export interface Means {
  /** A press counts as a hold from then on, µs; by role. */
  holdUs(role: SchemeRole): number;
  /** What a key says over and over while it is down; null: nothing. */
  repeat(role: SchemeRole): Repeat | null;
  /** Turned as quickly as a hand does: so many steps a detent, so long from one to the next; null: always one. */
  quick: { steps: number; gapUs: number; slowUs: number } | null;
}

/** A hold that is felt as one, where a key has none of its own yet. */
const usualHoldUs = ({ holdFeltUs }: Hands) => holdFeltUs;

/** Quick detents, as that encoder counts them. */
export function quickOf(
  { faster }: Pick<Encoder['reading'], 'faster'>,
  detents: number,
  { quickTurnUs }: Hands,
): Means['quick'] {
  if (!faster) return null;
  const gapUs = Math.round(quickTurnUs / Math.max(1, detents));
  const steps = quickening({ faster }, gapUs);
  return steps > 1 ? { steps, gapUs, slowUs: faster.fromUs } : null;
}

/** Of the controls that play the roles; one that is not there yet is taken to be as they usually are. */
export function meansOf(
  gadget: Pick<Gadget, 'controls' | 'parts' | 'hands'>,
  keys: Partial<Record<SchemeRole, string>>,
): Means {
  const buttonOf = (role: SchemeRole) => {
    const control = gadget.controls.find(({ id }) => id === keys[role]);
    return control?.kind === 'button' ? control : undefined;
  };
  const turned = gadget.controls.find(({ id }) => id === keys.turn);
  return {
    holdUs: (role) => buttonOf(role)?.gestures.holdUs ?? usualHoldUs(gadget.hands),
    repeat: (role) => buttonOf(role)?.gestures.repeat ?? null,
    quick:
      turned?.kind === 'encoder'
        ? quickOf(turned.reading, encoderPart(gadget, turned.id).detents, gadget.hands)
        : null,
  };
}
