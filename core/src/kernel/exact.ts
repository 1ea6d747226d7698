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

/**
 * Sine from additions, multiplications and divisions alone, for the same reason as `exactExp`: its own series.
 * @param degree whole, any
 * @returns absolute error below 1e-12
 */
export function exactSinDegrees(degree: number): number {
  const turned = ((degree % 360) + 360) % 360;
  if (turned > 180) return -exactSinDegrees(turned - 180);
  const x = ((turned > 90 ? 180 - turned : turned) * 3.141592653589793) / 180;
  let term = x;
  let sum = x;
  for (let n = 1; n <= 10; n += 1) {
    term *= -(x * x) / (2 * n * (2 * n + 1));
    sum += term;
  }
  return sum;
}

/**
 * Natural logarithm from divisions and additions alone, for the same reason as `exactExp`. Halves or doubles x into
 * [0.75, 1.5), then sums 2·atanh((x − 1)/(x + 1)).
 * @param x in [1e-12, 1e12]
 * @returns absolute error below 1e-12
 */
export function exactLn(x: number): number {
  const ln2 = 0.6931471805599453;
  let rest = x;
  let halvings = 0;
  for (; rest >= 1.5; halvings += 1) rest /= 2;
  for (; rest < 0.75; halvings -= 1) rest *= 2;
  const ratio = (rest - 1) / (rest + 1);
  const square = ratio * ratio;
  let power = ratio;
  let sum = 0;
  for (let n = 1; n <= 31; n += 2) {
    sum += power / n;
    power *= square;
  }
  return 2 * sum + halvings * ln2;
}

/** The value, held inside [low, high]. */
export const clamp = (value: number, low: number, high: number): number =>
  value < low ? low : value > high ? high : value;
