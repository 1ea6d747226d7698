import { wrap, type Remote } from 'comlink';
import type { Exploring } from './explorer.worker.ts';

let remote: Remote<Exploring> | undefined;

/** Explores and plays rounds beside the lab, which goes on checking meanwhile. Started at its first use. */
export function exploring(): Remote<Exploring> {
  remote ??= wrap<Exploring>(
    new Worker(new URL('./explorer.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
