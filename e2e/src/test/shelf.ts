import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ApiServer } from '../../../server/src/test/apiServer.ts';

/** Where the shelf with the demo lies, for the processes of all test files. */
const variable = 'HUM_LEVER_TEST_SHELF';

/**
 * Before the first test file: a shelf with the demo, and what its cards say. Each file begins with a copy: worked out
 * anew, the cards would take a core for some ten seconds beside the first tests of each.
 */
export default async function stockShelf(): Promise<void> {
  const server = await ApiServer.start({ demo: true });
  for (;;) {
    const { body } = await server.ask('GET', '/gadgets?cards=1');
    if ((body as { card: object | null }[]).every(({ card }) => card !== null)) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  await server.stop();
  process.env[variable] = server.folder;
}

/** A copy of that shelf, for a server of one's own. */
export function copyOfShelf(): string {
  const folder = mkdtempSync(join(tmpdir(), 'hum-lever-api-'));
  cpSync(process.env[variable]!, folder, { recursive: true });
  return folder;
}

/** After the last. */
export function clearShelf(): void {
  rmSync(process.env[variable]!, { recursive: true, force: true });
}
