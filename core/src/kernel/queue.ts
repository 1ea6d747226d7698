/** A queued event is data, never a callback, so that a snapshot can hold it. */
export interface Queued<E> {
  at: number;
  seq: number;
  event: E;
}

/** The whole queue as plain data: a binary min-heap by (at, seq). */
export interface QueueState<E> {
  heap: Queued<E>[];
  nextSeq: number;
}

export function emptyQueue<E>(): QueueState<E> {
  return { heap: [], nextSeq: 0 };
}

const before = <E>(a: Queued<E>, b: Queued<E>) => a.at < b.at || (a.at === b.at && a.seq < b.seq);

/** Adds an event; among equals in time the one scheduled first comes first. O(log n). */
export function schedule<E>(queue: QueueState<E>, at: number, event: E): void {
  scheduleAs(queue, at, event, queue.nextSeq);
  queue.nextSeq += 1;
}

/** Adds an event under a number that was set aside for it: as if it had been scheduled then. O(log n). */
export function scheduleAs<E>(queue: QueueState<E>, at: number, event: E, seq: number): void {
  const { heap } = queue;
  const added = { at, seq, event };
  let hole = heap.length;
  heap.push(added);
  while (hole > 0) {
    const parent = (hole - 1) >> 1;
    if (!before(added, heap[parent]!)) break;
    heap[hole] = heap[parent]!;
    hole = parent;
  }
  heap[hole] = added;
}

/** Takes out all that is not to be kept. O(n log n): what is left of a heap is none, what is sorted is. */
export function keepOnly<E>(queue: QueueState<E>, keeps: (queued: Queued<E>) => boolean): void {
  queue.heap = queue.heap.filter(keeps).sort((a, b) => a.at - b.at || a.seq - b.seq);
}

/** When the next event is due, or Infinity. */
export function nextDue<E>(queue: QueueState<E>): number {
  return queue.heap[0]?.at ?? Infinity;
}

/** Takes the next event out, or undefined. O(log n). */
export function takeNext<E>(queue: QueueState<E>): Queued<E> | undefined {
  const { heap } = queue;
  const first = heap[0];
  const last = heap.pop();
  if (first === undefined || last === undefined || heap.length === 0) return first;
  let hole = 0;
  for (;;) {
    let child = 2 * hole + 1;
    if (child >= heap.length) break;
    if (child + 1 < heap.length && before(heap[child + 1]!, heap[child]!)) child += 1;
    if (!before(heap[child]!, last)) break;
    heap[hole] = heap[child]!;
    hole = child;
  }
  heap[hole] = last;
  return first;
}
