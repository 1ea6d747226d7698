/** Standard normal quantile of 0.975: nineteen intervals of twenty hold what they are about. */
const z = 1.959964;

/**
 * Between what a share lies that came so often in so many rounds, at 95 %. Source: Wilson's score interval.
 * @param times in [0, of]
 * @param of at least 1
 * @returns ends in [0, 1]
 */
export function shareInterval(times: number, of: number): [low: number, high: number] {
  const share = times / of;
  const spread = z * Math.sqrt((share * (1 - share) + (z * z) / (4 * of)) / of);
  const centre = share + (z * z) / (2 * of);
  const over = 1 + (z * z) / of;
  return [Math.max(0, (centre - spread) / over), Math.min(1, (centre + spread) / over)];
}

/**
 * Between what the median of all rounds there could be lies, at about 95 %: order statistics, by the normal
 * approximation of the binomial; of few values the least and the greatest.
 * @param sorted ascending, at least one
 */
export function medianInterval(sorted: readonly number[]): [low: number, high: number] {
  const { length } = sorted;
  const reach = (z * Math.sqrt(length)) / 2;
  const low = Math.floor(length / 2 - reach) - 1;
  const high = Math.ceil(length / 2 + reach);
  return [sorted[Math.max(0, low)]!, sorted[Math.min(length - 1, high)]!];
}
