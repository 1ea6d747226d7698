import { contactOf } from '../contact/index.ts';
import { defaultSetting } from '../debounce/index.ts';
import type { End } from '../gadget/index.ts';
import { figuresOf, kindOf, type Classed } from '../parts/index.ts';

type As<K extends End['kind']> = Extract<End, { kind: K }>;

/** A button as its class suggests: what it bounces like, and a debouncing that suits that. */
export function freshButton(part: Classed, name: string, key: string | null): As<'button'> {
  const stays = kindOf(part).stays === true;
  const model = stays ? 'toggle' : part.kind === 'touch-pad' ? 'touch' : 'snap';
  return {
    kind: 'button',
    name,
    key,
    contact: contactOf(model),
    // Clean mechanical keys fire at once, then ignore; a switch that stays has time to wait until it is steady.
    debounce: stays
      ? { algorithm: 'stable', params: { settleUs: 20_000, releaseUs: 20_000 }, wholePort: false }
      : defaultSetting('lockout'),
    gestures: { holdUs: null, longerHoldsUs: [], doubleWindowUs: null, triple: false, repeat: null },
    wants: { purpose: null, latestUs: null, wrongPerMillion: null },
  };
}

/** An encoder that is read by the table, one step for each click. */
export function freshEncoder(
  part: Classed,
  name: string,
  key: string | null,
  backKey: string | null,
): As<'encoder'> {
  const { countsPerDetent } = figuresOf(part);
  const countsPerStep = countsPerDetent === 1 ? 1 : countsPerDetent === 2 ? 2 : 4;
  return {
    kind: 'encoder',
    name,
    key,
    backKey,
    contact: contactOf('encoder'),
    reading: { method: 'table', countsPerStep, reversed: false, faster: null },
  };
}

/** Full scale of the usual converter. */
const bits = 10;

/** A knob, slider, axis or sensor in a hundred steps, with bands beyond its noise. */
export function freshKnob(
  { kind }: Classed,
  name: string,
  key: string | null,
  backKey: string | null,
): As<'knob'> {
  const returns = kind === 'stick' || kind === 'motion-sensor';
  return {
    kind: 'knob',
    name,
    key,
    backKey,
    returns,
    sets: 'position',
    wiper: { bits, noisePpm: 700, cracklePerMille: 0, cracklePpm: 20_000, sagPpm: 0 },
    reading: {
      everyUs: 10_000,
      filter: 'none',
      readings: 4,
      hysteresisCounts: 5,
      endBandCounts: 8,
      centreBandCounts: returns ? 40 : 0,
      lowCount: 0,
      highCount: 2 ** bits - 1,
      reversed: false,
      straighten: false,
      curve: 'even',
      low: returns ? -50 : 0,
      high: returns ? 50 : 100,
      steps: 101,
    },
  };
}
