import type { Serial } from '../gadget/index.ts';
import { defineOutput, inBackground, noJobs, type Stage } from '../output/index.ts';
import { bytesUs, lineOut } from './frames.ts';

interface Waiting {
  readonly text: string;
  readonly bytes: number;
  readonly ended: boolean;
}

/** What goes out, what has arrived at the other end, and how many lines were lost. */
export interface SerialLine {
  kind: 'serial';
  /** The first is on its way; plain text and how many bytes it is. */
  queue: readonly Waiting[];
  /** At the other end, the latest last; the last of them may still grow. */
  lines: readonly string[];
  /** The last line has no end yet. */
  open: boolean;
  lost: number;
  /** Counts what has begun to go out. */
  order: number;
}

export type SerialEntry =
  | { lane: 'serial'; what: 'begins' | 'lost'; text: string; bytes: number }
  | { lane: 'serial'; what: 'ends'; text: string };
type Planned = { order: number };
type On = Stage<'serial', SerialEntry, Planned, null>;

/** So much of what arrived stays to be looked at. */
const keptLines = 8;
const keptChars = 255;

/** The first of the queue goes out. */
function begin(was: SerialLine, on: On): SerialLine {
  const [first] = was.queue;
  if (!first) return was;
  on.trace({
    atUs: on.nowUs,
    lane: 'serial',
    id: on.id,
    what: 'begins',
    text: first.text,
    bytes: first.bytes,
  });
  on.plan(bytesUs(first.bytes, on.output.baud), { order: was.order + 1 });
  return { ...was, order: was.order + 1 };
}

/** A piece has arrived: it goes on with the line that has no end yet. */
function arrived({ lines, open }: SerialLine, { text, ended }: Waiting): Pick<SerialLine, 'lines' | 'open'> {
  const last = open ? (lines.at(-1) ?? '') : '';
  const before = open ? lines.slice(0, -1) : lines;
  return { lines: [...before, (last + text).slice(-keptChars)].slice(-keptLines), open: !ended };
}

/** Bytes that wait behind what is on its way. */
const waitingBytes = ({ queue }: SerialLine) => queue.slice(1).reduce((sum, { bytes }) => sum + bytes, 0);
const hasRoom = (was: SerialLine, { queueBytes }: Serial, bytes: number): boolean =>
  was.queue.length === 0 || waitingBytes(was) + bytes <= queueBytes;

export const serial = defineOutput<'serial', SerialLine, SerialEntry, Planned, null>({
  kind: 'serial',
  prepare: () => null,
  dark: () => ({ kind: 'serial', queue: [], lines: [], open: false, lost: 0, order: 0 }),
  apply(was, order, on) {
    const line = lineOut(on.output, order.text, order.ended);
    // Nothing to send is nothing sent.
    if (line.bytes === 0) return was;
    if (!hasRoom(was, on.output, line.bytes)) {
      on.trace({ atUs: on.nowUs, lane: 'serial', id: on.id, what: 'lost', ...line });
      return { ...was, lost: was.lost + 1 };
    }
    const queued = { ...was, queue: [...was.queue, { ...line, ended: order.ended }] };
    return was.queue.length === 0 ? begin(queued, on) : queued;
  },
  upkeep: null,
  stirred: null,
  jobs: (was, { queue }, { output }) =>
    queue === was.queue ? noJobs : inBackground(bytesUs(queue.at(-1)!.bytes, output.baud)),
  due(was, { order }, on) {
    const [first, ...queue] = was.queue;
    if (was.order !== order || !first) return was;
    on.trace({ atUs: on.nowUs, lane: 'serial', id: on.id, what: 'ends', text: first.text });
    return begin({ ...was, ...arrived(was, first), queue }, on);
  },
  isVoid: (was, { order }) => was.order !== order || was.queue.length === 0,
  /** What was on its way never arrives. */
  powerOff({ queue: [first] }, on) {
    if (first)
      on.trace({
        atUs: on.nowUs,
        lane: 'serial',
        id: on.id,
        what: 'lost',
        text: first.text,
        bytes: first.bytes,
      });
  },
  adopt: (was) => was,
  later: (was) => was,
  loads: () => false,
  lit: null,
  held: null,
  look: ({ lines, open }) => [lines.at(-1) ?? null, open],
});
