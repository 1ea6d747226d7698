import type { DebounceSetting, Snag } from '../gadget/index.ts';

/** The mend that gives a button this setting. */
export function debounceMend(controlId: string, debounce: DebounceSetting): NonNullable<Snag['mend']> {
  return {
    key: 'safeDebounce',
    edit: { name: 'changeControl', args: [controlId, { debounce }] },
    values: { algorithm: debounce.algorithm, ...debounce.params },
  };
}
