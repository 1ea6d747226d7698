import { contactOf, switchModels, type SwitchModel } from '../contact/index.ts';
import { gridOf, type SweepPlan } from '../debounce/index.ts';
import type { Button, Gadget } from '../gadget/index.ts';
import { labSeed, trainOf } from './presses.ts';

/** What a maker wants swept. */
export interface SweepWish {
  algorithms: readonly string[];
  /** Protections tried of each, from half a millisecond to 50 ms. */
  steps: number;
  /** Letting go gets so much of the protection of pressing; 1: as much. */
  releaseShare: number;
  /** The button's own contact, or fresh ones of a class. */
  models: readonly ('own' | SwitchModel)[];
  /** Spikes on the wire; null: as the contact has them. */
  glitchPerHour: number | null;
  /** Readings come up to so much later than the period says. */
  jitterUs: number;
  presses: number;
}

export const usualWish: SweepWish = {
  algorithms: [],
  steps: 20,
  releaseShare: 1,
  models: ['own'],
  glitchPerHour: null,
  jitterUs: 0,
  presses: 2_000,
};

/** Presses times settings times switches: beyond this a sweep takes minutes. */
export const mostPresses = 20_000;

/**
 * A sweep of this button: its setting in use comes first, then the grid.
 * @throws RangeError where nothing would be swept, or jitter is not less than the period
 */
export function planSweep(gadget: Gadget, control: Button, wish: SweepWish): SweepPlan {
  const { periodUs } = gadget.loop;
  if (wish.algorithms.length === 0) throw new RangeError('expected at least one method to try');
  if (wish.models.length === 0) throw new RangeError('expected at least one switch to try them on');
  if (wish.jitterUs >= periodUs)
    throw new RangeError(`expected a delay of less than the ${periodUs} µs between readings`);
  if (wish.presses < 1 || wish.presses > mostPresses)
    throw new RangeError(`expected 1 to ${mostPresses} presses`);
  const contact = (model: 'own' | SwitchModel) => {
    const own = model === 'own' ? control.contact : contactOf(model);
    return wish.glitchPerHour === null ? own : { ...own, glitchPerHour: wish.glitchPerHour };
  };
  return {
    settings: [
      control.debounce,
      ...gridOf(wish.algorithms, periodUs, { steps: wish.steps, releaseShare: wish.releaseShare }),
    ],
    trains: wish.models.map((model) => ({
      name: model,
      train: trainOf(gadget, { contact: contact(model) }, wish.presses),
    })),
    periodUs,
    jitterUs: wish.jitterUs,
    hands: gadget.hands,
    seed: labSeed,
  };
}

/** Classes of switch that can be swept: touch pads do not bounce. */
export const sweptModels = (Object.keys(switchModels) as SwitchModel[]).filter(
  (model) => model !== 'touch' && model !== 'encoder',
);
