import type { SheetId } from './doable.ts';

/** Where each sheet comes from. */
export const sheetPages = {
  brief: () => import('../sheets/brief/index.ts'),
  parts: () => import('../sheets/parts/index.ts'),
  wiring: () => import('../sheets/wiring/index.ts'),
  feel: () => import('../sheets/feel/index.ts'),
  flow: () => import('../sheets/flow/index.ts'),
  screen: () => import('../sheets/screen/index.ts'),
  sound: () => import('../sheets/sound/index.ts'),
  trials: () => import('../sheets/trials/index.ts'),
} satisfies Record<SheetId, () => Promise<unknown>>;
