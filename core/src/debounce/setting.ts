import type { DebounceSetting } from '../gadget/index.ts';
import type { DebounceAlgorithm } from './algorithm.ts';
import { algorithms } from './registry.ts';

/** The algorithm of that id. @throws RangeError naming those there are. */
export function algorithmOf(id: string): DebounceAlgorithm {
  const found = algorithms.find((algorithm) => algorithm.id === id);
  if (!found)
    throw new RangeError(
      `expected a debounce algorithm (${algorithms.map((a) => a.id).join(', ')}), got "${id}"`,
    );
  return found;
}

/** The algorithm's own default setting. */
export function defaultSetting(id: string): DebounceSetting {
  return { algorithm: id, params: { ...algorithmOf(id).defaults } };
}

/** Everything wrong with a setting, as field (below `debounce`) and message; empty: it can run. */
export function settingFaults(setting: DebounceSetting): { path: string; message: string }[] {
  let algorithm: DebounceAlgorithm;
  try {
    algorithm = algorithmOf(setting.algorithm);
  } catch (error) {
    return [{ path: 'algorithm', message: (error as Error).message }];
  }
  const parsed = algorithm.params.safeParse(setting.params);
  if (parsed.success) return [];
  return parsed.error.issues.map(({ path, message }) => ({
    path: ['params', ...path.map(String)].join('.'),
    message,
  }));
}
