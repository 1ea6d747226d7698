/**
 * e^x from additions and multiplications alone, so that traces agree bit for bit everywhere; the host's own `exp`
 * may round differently. Halves x until it is small, sums the series, squares back.
 * @param x in [-40, 40]
 * @returns relative error below 1e-12
 */
export function exactExp(x: number): number {
  let halvings = 0;
  let small = x;
  while (small > 0.25 || small < -0.25) {
    small /= 2;
    halvings += 1;
  }
  let term = 1;
  let sum = 1;
  for (let n = 1; n <= 14; n += 1) {
    term *= small / n;
    sum += term;
  }
  for (let i = 0; i < halvings; i += 1) sum *= sum;
  return sum;
}
