/** Units of time as they are typed behind a number, with how many µs they are. */
export const lengthUnits = {
  ms: 1_000,
  s: 1_000_000,
  min: 60_000_000,
  h: 3_600_000_000,
  d: 86_400_000_000,
  us: 1,
} as const;
export type LengthUnit = keyof typeof lengthUnits;

/** The first of these units in which a time is a whole number of at least two: those are easier to read. */
export const readableUnit = <U extends LengthUnit>(us: number, among: readonly U[]): U | undefined =>
  among.find((unit) => us >= 2 * lengthUnits[unit] && us % lengthUnits[unit] === 0);
