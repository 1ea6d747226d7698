import { clamp } from '../kernel/index.ts';
import { defineOutput, inBackground, noJobs, type Stage } from '../output/index.ts';

/** What the player does, and what it has been told and has not done yet. */
export interface PlayingFile {
  kind: 'player';
  /** Number of the file that sounds; null: none. */
  number: number | null;
  again: boolean;
  /** 0 to 100. */
  percent: number;
  /** Orders on their way, or waiting behind one, the first first. */
  queue: readonly Told[];
  /** Orders for which nothing had room. */
  lost: number;
  /** Counts what was planned: what was planned before is void. */
  order: number;
  /** The same for orders on their way. */
  told: number;
}

type Told =
  { what: 'play'; number: number; again: boolean } | { what: 'stop' } | { what: 'loud'; percent: number };

export type PlayerEntry =
  /** It sounds, from its beginning, over and over or once; it has come to its end; or it was told to be still. */
  | { lane: 'player'; what: 'begins'; number: number; name: string; again: boolean }
  | { lane: 'player'; what: 'ends' | 'stops'; number: number }
  /** There is no such file; or too much waits for the line already. */
  | { lane: 'player'; what: 'missing' | 'lost'; number: number }
  | { lane: 'player'; what: 'loud'; number: number };

type Planned =
  | { what: 'there'; told: number }
  | { what: 'begins' | 'ends'; order: number; number: number; again: boolean };
type On = Stage<'player', PlayerEntry, Planned, null>;

/** So many orders wait for the line; more are lost. */
const mostWaiting = 8;

/** The next order is on its way to the player. */
function send(was: PlayingFile, on: On): PlayingFile {
  if (was.queue.length === 0) return was;
  on.plan(on.output.tellUs, { what: 'there', told: was.told + 1 });
  return { ...was, told: was.told + 1 };
}

function tell(was: PlayingFile, order: Told, on: On): PlayingFile {
  if (was.queue.length > mostWaiting) {
    on.trace({
      atUs: on.nowUs,
      lane: 'player',
      id: on.id,
      what: 'lost',
      number: 'number' in order ? order.number : 0,
    });
    return { ...was, lost: was.lost + 1 };
  }
  const now = { ...was, queue: [...was.queue, order] };
  return was.queue.length === 0 ? send(now, on) : now;
}

function still(was: PlayingFile, on: On): PlayingFile {
  if (was.number !== null)
    on.trace({ atUs: on.nowUs, lane: 'player', id: on.id, what: 'stops', number: was.number });
  return { ...was, number: null, again: false, order: was.order + 1 };
}

/** An order has come to the player. */
function obey(was: PlayingFile, order: Told, on: On): PlayingFile {
  if (order.what === 'stop') return still(was, on);
  if (order.what === 'loud') {
    if (order.percent === was.percent) return was;
    on.trace({ atUs: on.nowUs, lane: 'player', id: on.id, what: 'loud', number: order.percent });
    return { ...was, percent: order.percent };
  }
  const { number, again } = order;
  if (!on.output.files.some((file) => file.number === number)) {
    on.trace({ atUs: on.nowUs, lane: 'player', id: on.id, what: 'missing', number });
    return was;
  }
  const now = still(was, on);
  on.plan(on.output.startUs, { what: 'begins', order: now.order, number, again });
  return now;
}

/** A file sounds from its beginning. One that an edit took away is over. */
function begin(was: PlayingFile, number: number, again: boolean, on: On): PlayingFile {
  const file = on.output.files.find((one) => one.number === number);
  if (!file) return still(was, on);
  on.trace({ atUs: on.nowUs, lane: 'player', id: on.id, what: 'begins', number, name: file.name, again });
  const now = { ...was, number, again, order: was.order + 1 };
  on.plan(file.lengthUs, { what: 'ends', order: now.order, number, again });
  return now;
}

export const player = defineOutput<'player', PlayingFile, PlayerEntry, Planned, null>({
  kind: 'player',
  prepare: () => null,
  dark: () => ({
    kind: 'player',
    number: null,
    again: false,
    percent: 100,
    queue: [],
    lost: 0,
    order: 0,
    told: 0,
  }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'playFile':
        return tell(was, { what: 'play', number: order.number, again: order.again }, on);
      case 'stopFile':
        return tell(was, { what: 'stop' }, on);
      case 'loudFile':
        return tell(was, { what: 'loud', percent: clamp(order.percent, 0, 100) }, on);
    }
  },
  upkeep: null,
  stirred: null,
  jobs: (was, is, { output }) =>
    is.queue.length > was.queue.length
      ? inBackground((is.queue.length - was.queue.length) * output.tellUs)
      : noJobs,
  due(was, what, on) {
    if (what.what === 'there') {
      const [first, ...queue] = was.queue;
      if (was.told !== what.told || !first) return was;
      return send({ ...obey(was, first, on), queue }, on);
    }
    if (was.order !== what.order) return was;
    if (what.what === 'begins' || what.again) return begin(was, what.number, what.again, on);
    on.trace({ atUs: on.nowUs, lane: 'player', id: on.id, what: 'ends', number: what.number });
    return { ...was, number: null, order: was.order + 1 };
  },
  isVoid: (was, what) =>
    what.what === 'there' ? was.told !== what.told || was.queue.length === 0 : was.order !== what.order,
  powerOff: (was, on) => void still(was, on),
  adopt: (was) => was,
  later: (was) => was,
  loads: ({ number }) => number !== null,
  lit: null,
  held: null,
  look: ({ number, percent }) => (number === null ? 0 : { number, percent }),
});
