/** Where times lie: half are no later than the median, 99 in 100 no later than `p99Us`. */
export interface Spread {
  medianUs: number;
  p99Us: number;
  worstUs: number;
}

/**
 * The k-th smallest (from 0) of the first `count` values, by quickselect; reorders them.
 * Median-of-three pivots keep sorted input from being slow.
 */
export function selectNth(values: Float64Array, count: number, k: number): number {
  let low = 0;
  let high = count - 1;
  while (low < high) {
    const pivot = middleOf(values[low]!, values[(low + high) >> 1]!, values[high]!);
    let left = low;
    let right = high;
    while (left <= right) {
      while (values[left]! < pivot) left += 1;
      while (values[right]! > pivot) right -= 1;
      if (left > right) break;
      const swapped = values[left]!;
      values[left] = values[right]!;
      values[right] = swapped;
      left += 1;
      right -= 1;
    }
    if (k <= right) high = right;
    else if (k >= left) low = left;
    else break;
  }
  return values[k]!;
}

const middleOf = (a: number, b: number, c: number) => Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));

/** The spread of the first `count` values, which are reordered; null: there is none. */
export function spreadOf(values: Float64Array, count: number): Spread | null {
  if (count === 0) return null;
  let worstUs = 0;
  for (let n = 0; n < count; n += 1) if (values[n]! > worstUs) worstUs = values[n]!;
  return {
    p99Us: selectNth(values, count, Math.min(count - 1, Math.ceil(count * 0.99) - 1)),
    medianUs: selectNth(values, count, (count - 1) >> 1),
    worstUs,
  };
}
