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
  const shown = paramFields(algorithm).map(({ name, unit }) => showParam(params[name] ?? 0, unit));
  return [...new Set(shown)].join(', ');
}

/** A whole setting: “Wait until steady, 8 ms”. */
export const settingWords = (setting: Pick<DebounceSetting, 'algorithm' | 'params'>) =>
  [methodName(setting.algorithm), paramWords(setting)].filter((words) => words !== '').join(', ');
