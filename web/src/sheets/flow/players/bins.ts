export interface Bin {
  /** Where it begins. */
  label: string;
  count: number;
}

const most = 16;

const inOrder = (values: readonly number[]) => [...values].sort((a, b) => a - b);
/** One of the values, below which that part of them lies; 0 where there is none. */
const valueAt = (sorted: readonly number[], part: number): number =>
  sorted[Math.floor((sorted.length - 1) * part)] ?? 0;

/** At most sixteen bins of one round width from the least to the greatest, and the median. */
export function binsOf(values: readonly number[]): { bins: Bin[]; median: number } {
  if (values.length === 0) return { bins: [], median: 0 };
  const sorted = inOrder(values);
  const [low, high] = [sorted[0]!, sorted.at(-1)!];
  const width = roundWidth((high - low) / most);
  const first = Math.floor(low / width);
  const bins: Bin[] = [];
  for (let at = first; at <= Math.floor(high / width); at += 1)
    bins.push({ label: String(Number((at * width).toFixed(3))), count: 0 });
  for (const value of sorted) bins[Math.floor(value / width) - first]!.count += 1;
  return { bins, median: valueAt(sorted, 0.5) };
}

/** The least of 1, 2 and 5 times a power of ten that is wide enough; 1 where all is alike. */
function roundWidth(wanted: number): number {
  if (wanted <= 0) return 1;
  const power = 10 ** Math.floor(Math.log10(wanted));
  return [1, 2, 5, 10].map((by) => by * power).find((width) => width > wanted * 0.999)!;
}

/** Below which a quarter, half and three quarters of the values lie; values themselves, none in between. */
export function quartilesOf(values: readonly number[]): [number, number, number] {
  const sorted = inOrder(values);
  return [valueAt(sorted, 0.25), valueAt(sorted, 0.5), valueAt(sorted, 0.75)];
}
