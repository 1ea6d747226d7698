import { wrap, type Remote } from 'comlink';
import type { Lab } from './lab.worker.ts';

let remote: Remote<Lab> | undefined;

/** The lab, started at its first use. */
export function lab(): Remote<Lab> {
  remote ??= wrap<Lab>(new Worker(new URL('./lab.worker.ts', import.meta.url), { type: 'module' }));
  return remote;
}
