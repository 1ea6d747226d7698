import { askAhead } from '../client/ahead.ts';
import { sheetPages } from './sheetPages.ts';

const shelf = () => import('../shelf/index.ts');
const workshop = () => import('./Workshop.tsx');
const sheetPage = () => import('./SheetPage.tsx');
const machine = async () => (await import('../workers/index.ts')).player.start();

export const pages = { shelf, workshop, sheetPage };

/**
 * Asks for all that an address will want at once, side by side: drawn one in the other, each would be asked for only
 * when the one around it is there.
 */
export function askForAll(path: string): void {
  const [, id, sheet = 'flow'] = /^\/g\/([^/]+)(?:\/([^/]+))?/.exec(path) ?? [];
  const wanted: (() => Promise<unknown>)[] =
    id === undefined
      ? [shelf]
      : [workshop, sheetPage, machine, sheetPages[sheet as keyof typeof sheetPages] ?? sheetPages.flow];
  if (id !== undefined) askAhead(id);
  // Whoever wants it in earnest hears that it cannot be had.
  for (const load of wanted) load().catch(() => undefined);
}
