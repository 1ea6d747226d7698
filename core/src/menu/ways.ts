import type { MenuItem, MenuItemOf, SchemeRole } from '../gadget/index.ts';
import { repeatPausesUs, strokeUs } from '../gesture/index.ts';
import type { Means } from './means.ts';
import type { Entry, Outline } from './outline.ts';
import { labelledRoles, type Saying } from './scheme.ts';
import { questionKeys } from './questions.ts';

/** Something that a hand does over and over on one control. */
export interface Stroke extends Saying {
  /** Taps, holds, detents; of a key that is kept down, what it says until it is let go. */
  times: number;
  /** Detents that come so quickly that each counts several steps: from one to the next, µs. */
  gapUs?: number;
  /** The key stays down, and says it again and again: one press. */
  keptDown?: true;
}

/** What a way costs a hand: presses, holds and detents, each counted once, and time. */
export interface Effort {
  presses: number;
  /** Keystroke-level: one decision for each change of what is done, then every stroke. Source: reckoning. */
  timeUs: number;
}

const isTurn = ({ how }: Saying) => how === 'up' || how === 'down';

/** What was done so far, with the last of it: doing that once more takes no new decision. */
interface Sum extends Effort {
  last: Stroke | null;
}
const nothingDone: Sum = { presses: 0, timeUs: 0, last: null };

/** @returns what the strokes cost one after the other */
export function effortOf(strokes: readonly Stroke[], means: Means): Effort {
  const { presses, timeUs } = sumOf(strokes, means, nothingDone);
  return { presses, timeUs };
}

/** What it comes to with these behind what was done before. */
function sumOf(strokes: readonly Stroke[], means: Means, before: Sum): Sum {
  let { presses, timeUs, last } = before;
  for (const stroke of strokes) {
    const { role, how, times, gapUs, keptDown } = stroke;
    if (times === 0) continue;
    if (last?.role !== role || last.how !== how) timeUs += strokeUs.think;
    last = stroke;
    presses += keptDown ? 1 : times;
    if (keptDown) timeUs += repeatPausesUs(means.repeat(role)!, times - 1) + strokeUs.afterHold;
    else if (isTurn(stroke)) timeUs += times * (gapUs ?? Math.max(strokeUs.step, slowest(means)));
    else if (how === 'hold') timeUs += times * (means.holdUs(role) + strokeUs.afterHold);
    else timeUs += times * strokeUs.press;
  }
  return { presses, timeUs, last };
}
/** Detents that are to count one step each come no quicker than that. */
const slowest = ({ quick }: Means): number => quick?.slowUs ?? 0;

// Written out: it is made thousands of times for a large menu.
const stroke = ({ role, how }: Saying, times = 1): Stroke[] => (times > 0 ? [{ role, how, times }] : []);

/** How to say one thing so many times: kept down or turned quickly where that takes fewer presses. */
function run(saying: Saying, times: number, means: Means, waits: boolean): Stroke[] {
  if (times <= 0) return [];
  if (isTurn(saying) && means.quick && times > means.quick.steps) {
    const { steps, gapUs } = means.quick;
    const quick = Math.floor((times - 1) / steps);
    return [
      ...stroke(saying),
      { ...saying, times: quick, gapUs },
      ...stroke(saying, times - 1 - quick * steps),
    ];
  }
  // Below that, tapping is as quick, and stops where it is meant to.
  const worthHolding = 4;
  if (saying.how === 'tap' && !waits && means.repeat(saying.role) && times >= worthHolding)
    return [{ ...saying, times, keptDown: true }];
  return stroke(saying, times);
}

/** One way to say a thing, and the other way round; how often each, at least. */
interface Steps {
  more: number;
  less: number;
  /** Which of them comes first. */
  first: 'more' | 'less';
}

const cost = ({ more, less }: Steps) => more + less;

/**
 * The fewest steps from one value to another, between ends; beyond an end it stays there (a last step that is shorter),
 * or begins at the other. null: it cannot be stepped to.
 */
export function stepsTo(
  from: number,
  to: number,
  { low, high }: { low: number; high: number },
  step: number,
  round: boolean,
  ways: { more: boolean; less: boolean },
): Steps | null {
  const found: Steps[] = [];
  const straight = (a: number, way: 1 | -1): number | null => {
    const gap = (to - a) * way;
    return gap >= 0 && gap % step === 0 ? gap / step : null;
  };
  /** How often until the end, or the other one, is come to. */
  const beyond = (a: number, way: 1 | -1): number => {
    const room = way === 1 ? high - a : a - low;
    // It lies outside: the first step leads to an end.
    if (room < 0) return 1;
    const whole = Math.floor(room / step);
    return round ? whole + 1 : room % step === 0 ? whole : whole + 1;
  };
  const can = (way: 1 | -1) => (way === 1 ? ways.more : ways.less);
  const stepsOf = (up: number, down: number, first: 1 | -1): Steps => ({
    more: up,
    less: down,
    first: first === 1 ? 'more' : 'less',
  });
  if (from === to) return stepsOf(0, 0, 1);
  if (high - low < step) {
    // Every step leads to an end.
    for (const way of [1, -1] as const) {
      const end = (way === 1) === round ? low : high;
      if (can(way) && to === end) found.push(way === 1 ? stepsOf(1, 0, 1) : stepsOf(0, 1, -1));
    }
    return found.sort((a, b) => cost(a) - cost(b))[0] ?? null;
  }
  for (const way of [1, -1] as const) {
    if (!can(way)) continue;
    const direct = straight(from, way);
    if (direct !== null) found.push(way === 1 ? stepsOf(direct, 0, 1) : stepsOf(0, direct, -1));
    // By way of an end: from there on, or back.
    const until = beyond(from, way);
    const anchor = (way === 1) === round ? low : high;
    const on = straight(anchor, way);
    if (on !== null) found.push(way === 1 ? stepsOf(until + on, 0, 1) : stepsOf(0, until + on, -1));
    const other = -way as 1 | -1;
    if (!can(other)) continue;
    const back = straight(anchor, other);
    if (back !== null) found.push(way === 1 ? stepsOf(until, back, 1) : stepsOf(back, until, -1));
    if (!round) continue;
    // Round one end, and back over it, leads to the other end.
    const again = straight(anchor === low ? high : low, other);
    if (again !== null) found.push(way === 1 ? stepsOf(until, again + 1, 1) : stepsOf(again + 1, until, -1));
  }
  return found.sort((a, b) => cost(a) - cost(b))[0] ?? null;
}

/** How a hand gets about in one menu under its scheme, beginning where the menu does. */
export class Ways {
  private readonly outline: Outline;
  private readonly means: Means;
  private readonly heldToo: ReadonlySet<SchemeRole>;
  private readonly ways = new Map<string, readonly Stroke[]>();
  /** What it takes until an item can be set. */
  private readonly opened = new Map<string, Sum>();
  constructor(outline: Outline, means: Means) {
    this.outline = outline;
    this.means = means;
    this.heldToo = outline.heldRoles;
  }

  effort(strokes: readonly Stroke[]): Effort {
    return effortOf(strokes, this.means);
  }

  private times(saying: Saying | undefined, times: number, quick = true): Stroke[] {
    if (!saying) return [];
    return quick ? run(saying, times, this.means, this.heldToo.has(saying.role)) : stroke(saying, times);
  }
  private key(at: number): Saying {
    return { role: labelledRoles(this.outline.menu.scheme)[at]!, how: 'tap' };
  }

  /** Until the item is under the cursor, beside its key or on its page, but not chosen yet. */
  private upTo(item: MenuItem): readonly Stroke[] {
    const known = this.ways.get(item.id);
    if (known) return known;
    const way = this.wayUpTo(item);
    this.ways.set(item.id, way);
    return way;
  }
  private wayUpTo(item: MenuItem): Stroke[] {
    const { outline } = this;
    if (outline.scheme.style === 'ring') {
      const { ring } = outline;
      return this.along(placeOf(ring, item), ring.length, true);
    }
    const way = [...outline.wayTo(item), item];
    return way.flatMap((one, depth) => {
      const chosen = depth < way.length - 1;
      if (outline.scheme.style === 'labelled') {
        const { page, slot } = outline.slotOf(one);
        const turns = stroke(this.key(outline.slots - 1), page);
        return chosen ? [...turns, ...stroke(this.key(slot))] : turns;
      }
      const entries = outline.entriesIn(one.parentId);
      const moves = this.along(placeOf(entries, one), entries.length, outline.goesRound);
      return chosen ? [...moves, ...stroke(outline.commands.choose!)] : moves;
    });
  }
  private along(at: number, count: number, round: boolean): Stroke[] {
    const { next, previous } = this.outline.commands;
    const back = count - at;
    if (round && previous && back < at) return this.times(previous, back);
    return this.times(next, at);
  }
  private choice(item: MenuItem): Stroke[] {
    const { outline } = this;
    if (outline.scheme.style === 'labelled') return stroke(this.key(outline.slotOf(item).slot));
    return stroke(outline.commands.choose!);
  }

  /** Until the item is open, or, where choosing it is doing it, until it would be chosen. */
  reach(item: MenuItem): readonly Stroke[] {
    return this.isDoneThere(item) ? this.upTo(item) : [...this.upTo(item), ...this.choice(item)];
  }
  /** What that costs. */
  reachEffort(item: MenuItem): Effort {
    const ring = this.outline.scheme.style === 'ring';
    const alike = this.isDoneThere(item) === ring;
    const { presses, timeUs } = alike ? this.openSum(item) : this.effort(this.reach(item));
    return { presses, timeUs };
  }
  /** Being on it is all: nothing opens. */
  private isDoneThere({ kind }: MenuItem): boolean {
    const done = kind === 'toggle' || kind === 'action' || kind === 'factory';
    return done || (this.outline.scheme.style === 'ring' && kind !== 'text');
  }

  /** Until a number is set and confirmed; null: this scheme cannot set it to that. */
  set(item: MenuItemOf<'value' | 'choice' | 'pick'>, from: number, to: number): Stroke[] | null {
    const setting = this.setting(item, from, to);
    return setting && [...this.toOpen(item), ...setting];
  }
  /** What that costs. The way to the item is the same whatever it is set to. */
  setEffort(item: MenuItemOf<'value' | 'choice' | 'pick'>, from: number, to: number): Effort | null {
    const setting = this.setting(item, from, to);
    if (!setting) return null;
    return sumOf(setting, this.means, this.openSum(item));
  }
  private openSum(item: MenuItem): Sum {
    let open = this.opened.get(item.id);
    if (!open) {
      open = sumOf(this.toOpen(item), this.means, nothingDone);
      this.opened.set(item.id, open);
    }
    return open;
  }
  /** Until an item can be set. */
  private toOpen(item: MenuItem): readonly Stroke[] {
    const ring = this.outline.scheme.style === 'ring';
    return ring ? this.upTo(item) : [...this.upTo(item), ...this.choice(item)];
  }
  private setting(item: MenuItemOf<'value' | 'choice' | 'pick'>, from: number, to: number): Stroke[] | null {
    const { outline } = this;
    const { editCommands: commands } = outline;
    const ring = outline.scheme.style === 'ring';
    const range =
      item.kind === 'pick' ? { low: 0, high: outline.offeredBy(item) - 1 } : outline.rangeOf(item);
    const step = item.kind === 'pick' ? 1 : outline.stepOf(item);
    const round = item.kind === 'pick' || outline.valuesGoRound(item);
    const steps = stepsTo(from, to, range, step, round, { more: !!commands.more, less: !!commands.less });
    if (!steps) return null;
    const more = this.times(commands.more, steps.more);
    const less = this.times(commands.less, steps.less);
    return [
      ...(steps.first === 'more' ? [...more, ...less] : [...less, ...more]),
      ...(ring ? [] : stroke(commands.done!)),
    ];
  }
  /** Until it is turned over. */
  toggle(item: MenuItemOf<'toggle'>): Stroke[] {
    return [
      ...this.upTo(item),
      ...(this.outline.scheme.style === 'ring' ? stroke(this.outline.commands.more!) : this.choice(item)),
    ];
  }

  /** Until it is done, its question answered. */
  act(item: MenuItemOf<'action' | 'factory'>): Stroke[] {
    const { outline } = this;
    const { next, choose, sure } = outline.commands;
    const asking = outline.askingOf(item);
    const there = this.upTo(item);
    if (outline.scheme.style === 'ring') return [...there, ...stroke(asking === 'hold' ? sure! : choose!)];
    const chosen = [...there, ...this.choice(item)];
    if (asking === 'nothing') return chosen;
    if (outline.scheme.style === 'labelled')
      return [...chosen, ...stroke(this.key(questionKeys(outline, item).yes))];
    return asking === 'hold'
      ? [...chosen, ...stroke(sure!)]
      : [...chosen, ...stroke(next!), ...stroke(choose!)];
  }
}

const placeOf = (entries: readonly Entry[], item: MenuItem): number =>
  entries.findIndex((entry) => entry.kind === 'item' && entry.item.id === item.id);
