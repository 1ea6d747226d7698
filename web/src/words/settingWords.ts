import { algorithmOf, type DebounceSetting } from '@hum-lever/core';
import { showDuration, showOhms } from '../shared/units.ts';

interface FieldMeta {
  name: string;
  label: string;
  unit: string;
}

/** An algorithm's parameters by their words and units, from its own schema. */
export function paramFields(algorithm: string): FieldMeta[] {
  return Object.entries(algorithmOf(algorithm).params.shape).map(([name, schema]) => ({
    name,
    ...(schema as unknown as { meta(): { label: string; unit: string } }).meta(),
  }));
}

/** A parameter's value with its unit. */
export function showParam(value: number, unit: string): string {
  if (unit === 'µs') return showDuration(value);
  if (unit === 'Ω') return showOhms(value);
  return unit === '‰' ? `${value / 10}\u202f%` : `${value} ${unit}`;
}

/** A method's name without its explanation: “Wait until steady”. */
export const methodName = (algorithm: string) => algorithmOf(algorithm).title.split(' (')[0]!;

/** A setting's parameters in a few words; two that are alike are said once. */
export function paramWords({ algorithm, params }: Pick<DebounceSetting, 'algorithm' | 'params'>): string {
  const fields = paramFields(algorithm);
  const values = fields.map(({ name }) => params[name] ?? 0);
  // Counts of one kind are said together: 6 / 6 / 0 samples.
  if (fields.length > 1 && fields.every(({ unit }) => unit === 'samples'))
    return `${[...new Set(values)].length === 1 ? values[0] : values.join('\u202f/\u202f')} samples`;
  return [...new Set(fields.map(({ unit }, n) => showParam(values[n]!, unit)))].join(', ');
}

/** A whole setting: “Wait until steady, 8 ms”. */
export const settingWords = (setting: Pick<DebounceSetting, 'algorithm' | 'params'>) =>
  [methodName(setting.algorithm), paramWords(setting)].filter((words) => words !== '').join(', ');
