import { type gadgetVersions } from './versions.ts';

/* Migrations work on raw JSON and know no current type: a type that moves on must not change the past. */
type Raw = Record<string, unknown>;
const isRecord = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The pilot wrote durations as milliseconds, with fractions, under names ending in `Ms`. */
function toWholeMicroseconds(document: Raw): Raw {
  const convert = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(convert);
    if (!isRecord(value)) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => {
        const named = /^(.*[a-z])Ms$/.exec(key);
        if (!named) return [key, convert(inner)];
        if (typeof inner !== 'number' && inner !== null)
          throw new Error(`expected ${key} to be a number of milliseconds`);
        return [`${named[1]}Us`, inner === null ? null : Math.round(inner * 1_000)];
      }),
    );
  };
  return convert(document) as Raw;
}

/** `steps[n]` leads from version n to n + 1. */
export const migrationSteps: readonly { name: keyof typeof gadgetVersions; step: (document: Raw) => Raw }[] =
  [{ name: 'WholeMicroseconds', step: toWholeMicroseconds }];
