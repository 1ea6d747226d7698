import type { DebounceSetting } from '../gadget/index.ts';
import type { DebounceAlgorithm } from './algorithm.ts';
import { algorithms } from './registry.ts';

export { algorithms };
export type SomeAlgorithm = DebounceAlgorithm;

const known = new Map<string, DebounceAlgorithm>(algorithms.map((algorithm) => [algorithm.id, algorithm]));

/** The algorithm of that id. @throws RangeError naming those there are. */
export function algorithmOf(id: string): DebounceAlgorithm {
  const found = known.get(id);
  if (!found)
    throw new RangeError(`expected a debounce algorithm (${[...known.keys()].join(', ')}), got "${id}"`);
  return found;
}

/** The algorithm's own default setting. */
export function defaultSetting(id: string): DebounceSetting {
  return { algorithm: id, params: { ...algorithmOf(id).defaults }, wholePort: false };
}

/** Everything wrong with a setting, as field (below `debounce`) and message; empty: it can run. */
export function settingFaults(setting: DebounceSetting): { path: string; message: string }[] {
  let algorithm: DebounceAlgorithm;
  try {
    algorithm = algorithmOf(setting.algorithm);
  } catch (error) {
    return [{ path: 'algorithm', message: (error as Error).message }];
  }
  if (setting.wholePort && !algorithm.port)
    return [{ path: 'wholePort', message: `expected no shared timer: ${setting.algorithm} has none` }];
  const parsed = algorithm.params.safeParse(setting.params);
  if (parsed.success) return [];
  return parsed.error.issues.map(({ path, message }) => ({
    path: ['params', ...path.map(String)].join('.'),
    message,
  }));
}
