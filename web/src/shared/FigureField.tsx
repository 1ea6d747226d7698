import { NumberField } from './fields.tsx';

/** Units in which people think of a figure that is stored in a smaller one. */
const shown: Record<string, { unit: string; of: number; decimals: number }> = {
  mV: { unit: 'V', of: 1_000, decimals: 3 },
  µA: { unit: 'mA', of: 1_000, decimals: 3 },
  µs: { unit: 'ms', of: 1_000, decimals: 3 },
  '‰': { unit: '%', of: 10, decimals: 1 },
};

/** A figure of a part, a board or a scheme, by the label and unit that its schema carries. */
export function FigureField({
  label,
  unit,
  value,
  commit,
  width = 168,
}: {
  label: string;
  unit: string;
  value: number;
  commit: (value: number) => string | null;
  width?: number;
}) {
  const as = shown[unit] ?? { unit: unit === 'yes or no' ? '' : unit, of: 1, decimals: 0 };
  return (
    <NumberField
      label={unit === 'yes or no' ? `${label} (1 yes, 0 no)` : label}
      unit={as.unit}
      decimals={as.decimals}
      width={width}
      value={value / as.of}
      commit={(typed) => commit(Math.round(typed * as.of))}
    />
  );
}

/** Label and unit that a schema carries for one of its fields. */
export function figureMeta(field: unknown): { label: string; unit: string } {
  const { label, unit } = (field as { meta(): { label?: string; unit?: string } | undefined }).meta() ?? {};
  return { label: label ?? '', unit: unit ?? '' };
}
