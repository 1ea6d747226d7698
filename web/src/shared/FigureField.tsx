import { Choice } from './Choice.tsx';
import classes from './FigureField.module.css';
import { NumberField } from './fields.tsx';

/** Units in which people think of a figure that is stored in a smaller one. */
const shown: Record<string, { unit: string; of: number; decimals: number }> = {
  mV: { unit: 'V', of: 1_000, decimals: 3 },
  µA: { unit: 'mA', of: 1_000, decimals: 3 },
  µs: { unit: 'ms', of: 1_000, decimals: 3 },
  '‰': { unit: '%', of: 10, decimals: 1 },
};

/** What a schema says of one of its fields. */
export interface FigureMeta {
  label: string;
  unit: string;
  /** Names of its values, by number; or the values that it can have with their names. */
  choices?: readonly { value: number; label: string }[] | undefined;
}

/** A figure of a part, a board or a scheme, as the label, unit and choices that its schema carries ask for. */
export function FigureField({
  label,
  unit,
  choices,
  value,
  commit,
  width = 168,
}: FigureMeta & {
  value: number;
  commit: (value: number) => string | null;
  width?: number;
}) {
  if (unit === 'yes or no')
    return (
      <label className={classes.flag}>
        <input
          type="checkbox"
          role="switch"
          checked={value === 1}
          onChange={(event) => commit(event.currentTarget.checked ? 1 : 0)}
        />{' '}
        {label}
      </label>
    );
  if (choices)
    return (
      <Choice
        visible
        label={label}
        data={[
          ...choices.map((one) => ({ value: String(one.value), label: one.label })),
          // What its sheet may know of, and we do not.
          ...(choices.some((one) => one.value === value)
            ? []
            : [{ value: String(value), label: String(value) }]),
        ]}
        value={String(value)}
        choose={(chosen) => commit(Number(chosen))}
      />
    );
  const as = shown[unit] ?? { unit, of: 1, decimals: 0 };
  return (
    <NumberField
      label={label}
      unit={as.unit}
      decimals={as.decimals}
      width={width}
      value={value / as.of}
      commit={(typed) => commit(Math.round(typed * as.of))}
    />
  );
}

/** Label, unit and choices that a schema carries for one of its fields. */
export function figureMeta(field: unknown): FigureMeta {
  const { label, unit, choices } =
    (
      field as { meta(): { label?: string; unit?: string; choices?: readonly string[] } | undefined }
    ).meta() ?? {};
  return {
    label: label ?? '',
    unit: unit ?? '',
    choices: choices?.map((name, value) => ({ value, label: name })),
  };
}
