import {
  algorithmOf,
  everyAlgorithm,
  gridOf,
  sweep,
  wrongCounted,
  type SweepRow,
} from '../debounce/index.ts';
import type { Button, DebounceSetting, Gadget, Purpose } from '../gadget/index.ts';
import { labSeed, trainOf } from './presses.ts';

/** The two main schools; what needs no wait at all, or parts outside the chip, is neither. */
export const schools = ['fire-then-ignore', 'wait-then-fire'] as const;
export type School = (typeof schools)[number];

export interface Limits {
  /** 99 of 100 presses are known by then. */
  latestUs: number;
  /** False and missed together, in a million presses. */
  wrongPerMillion: number;
}

/**
 * What an input is for decides what it may cost. Where a press must be quick, the first reading counts; where a
 * false one does harm, a change has to last first. All of it can be overridden for one button.
 */
export const purposeProfiles: Record<Purpose, Limits & { school: School }> = {
  game: { latestUs: 10_000, wrongPerMillion: 1_000, school: 'fire-then-ignore' },
  instrument: { latestUs: 5_000, wrongPerMillion: 1_000, school: 'fire-then-ignore' },
  menu: { latestUs: 40_000, wrongPerMillion: 1_000, school: 'wait-then-fire' },
  destructive: { latestUs: 100_000, wrongPerMillion: 200, school: 'wait-then-fire' },
  wake: { latestUs: 60_000, wrongPerMillion: 200, school: 'wait-then-fire' },
};

/** Where nothing was said: quick enough for most, and at once, as a clean mechanical key allows. */
const notSaid: Limits & { school: School } = {
  latestUs: 20_000,
  wrongPerMillion: 1_000,
  school: 'fire-then-ignore',
};
export const profileOf = (purpose: Purpose | null): Limits & { school: School } =>
  purpose === null ? notSaid : purposeProfiles[purpose];

export const limitsOf = ({ wants }: Pick<Button, 'wants'>): Limits => ({
  latestUs: wants.latestUs ?? profileOf(wants.purpose).latestUs,
  wrongPerMillion: wants.wrongPerMillion ?? profileOf(wants.purpose).wrongPerMillion,
});

/** A setting with what it does on this button's presses. */
export interface Candidate {
  setting: DebounceSetting;
  row: SweepRow;
}

export interface Recommendation extends Candidate {
  school: School;
  limits: Limits;
  /** Whether it keeps both limits; otherwise it comes closest. */
  met: boolean;
  /** The best of each school, the recommended one among them; null: the school has nothing that answers. */
  best: Record<School, (Candidate & { met: boolean }) | null>;
  /** What the setting that is in use does on the same presses. */
  now: Candidate & { met: boolean };
}

/** Never picked by itself: it stands everything still, it needs parts outside the chip, or it does nothing. */
const byHandOnly: ReadonlySet<string> = new Set(['blocking', 'rc', 'none']);
const presses = 2_000;
const steps = 24;
/** Protection beyond the least that was enough: switches differ, and wear. */
const margin = 1.2;

const keeps = ({ row }: Candidate, { latestUs, wrongPerMillion }: Limits, fastestUs: number) =>
  row.press !== null &&
  row.press.p99Us <= latestUs &&
  wrongCounted(row) * 1_000 <= wrongPerMillion &&
  row.fastestRepeatUs !== null &&
  row.fastestRepeatUs <= fastestUs;

/** How far it is from keeping the limits: 0 keeps them. */
function distance({ row }: Candidate, { latestUs, wrongPerMillion }: Limits): number {
  if (row.press === null) return Infinity;
  const late = Math.max(0, row.press.p99Us / latestUs - 1);
  return late + Math.max(0, (wrongCounted(row) * 1_000) / Math.max(1, wrongPerMillion) - 1);
}

/**
 * The best of a school: of those that keep the limits the quickest algorithm, with a little more protection than the
 * least that was enough; else the one that comes closest.
 */
function bestOf(
  all: readonly Candidate[],
  limits: Limits,
  fastestUs: number,
): (Candidate & { met: boolean }) | null {
  const kept = all.filter((one) => keeps(one, limits, fastestUs));
  if (kept.length === 0) {
    const [closest] = [...all].sort((a, b) => distance(a, limits) - distance(b, limits));
    return closest && distance(closest, limits) < Infinity ? { ...closest, met: false } : null;
  }
  const [quickest] = [...kept].sort(
    (a, b) =>
      a.row.press!.p99Us - b.row.press!.p99Us ||
      a.row.bytes - b.row.bytes ||
      a.row.operations - b.row.operations,
  );
  const same = kept.filter(({ setting }) => setting.algorithm === quickest!.setting.algorithm);
  // Settings of an algorithm come in the order of their protection.
  const least = protectionOf(same[0]!.setting);
  return {
    ...(same.find(({ setting }) => protectionOf(setting) >= margin * least) ?? same.at(-1)!),
    met: true,
  };
}

/** How much a setting protects, by its largest figure: comparable within one algorithm. */
export const protectionOf = ({ params }: DebounceSetting) => Math.max(...Object.values(params), 0);

/**
 * What to set for this button and why: a sweep of the algorithms over its own presses, held against what it is for.
 */
export function recommend(
  gadget: Pick<Gadget, 'captures' | 'hands' | 'loop'>,
  control: Button,
): Recommendation {
  const { periodUs } = gadget.loop;
  const { hands } = gadget;
  const limits = limitsOf(control);
  const { school: wanted } = profileOf(control.wants.purpose);
  const settings = [
    control.debounce,
    ...gridOf(
      everyAlgorithm.filter((id) => !byHandOnly.has(id)),
      periodUs,
      { steps },
    ),
  ];
  const trains = [{ name: control.name, train: trainOf(gadget, control, presses) }];
  const rows = [...sweep({ settings, trains, periodUs, jitterUs: 0, hands, seed: labSeed })];
  const all = rows.map((row): Candidate => ({ setting: settings[row.setting]!, row }));
  const now = all[0]!;
  const of = (school: School) =>
    bestOf(
      all.slice(1).filter(({ setting }) => algorithmOf(setting.algorithm).school === school),
      limits,
      hands.fastestRepeatUs,
    );
  const best = { 'fire-then-ignore': of('fire-then-ignore'), 'wait-then-fire': of('wait-then-fire') };
  const other = wanted === 'wait-then-fire' ? 'fire-then-ignore' : 'wait-then-fire';
  const first = best[wanted];
  const second = best[other];
  const takesOther = second !== null && (first === null || (!first.met && second.met));
  const school = takesOther ? other : wanted;
  const picked = takesOther ? second : first;
  return {
    ...(picked ?? { ...now, met: false }),
    school,
    limits,
    best,
    now: { ...now, met: keeps(now, limits, hands.fastestRepeatUs) },
  };
}
