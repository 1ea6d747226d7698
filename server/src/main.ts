import { ConsoleLogger } from '@nestjs/common';
import { createReadStream, createWriteStream } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createApp } from './app.ts';
import { Problem, type ProblemBody } from './http/problem.ts';
import { trackUnused } from './http/unused.ts';
import { readSettings } from './settings.ts';
import { ShelfService } from './shelf/shelf.service.ts';
import { FolderTaken } from './store/folderLock.ts';
import { Store } from './store/store.ts';

/** Ends with a sentence for people where they can do something about it. */
function giveUp(error: unknown): never {
  if (!(error instanceof FolderTaken || error instanceof Problem)) throw error;
  const message = error instanceof Problem ? (error.getResponse() as ProblemBody).detail : error.message;
  process.stderr.write(`${message}\n`);
  process.exit(3);
}

const settings = readSettings(process.argv.slice(2));
const app = await createApp(settings).catch(giveUp);
// Started quietly: what the framework wires up is no news. From here on, one line of JSON a request.
await app.init();
if (settings.backup !== null || settings.restore !== null) {
  const shelf = app.get(ShelfService);
  try {
    if (settings.backup !== null) {
      await shelf.backup(createWriteStream(settings.backup));
      process.stdout.write(`The shelf is in ${settings.backup}\n`);
    }
    if (settings.restore !== null) {
      const { added, same, beside } = await shelf.restore(createReadStream(settings.restore));
      process.stdout.write(
        `${added} gadgets added, ${beside} put beside others, ${same} were here already\n`,
      );
    }
  } catch (error) {
    await app.close();
    giveUp(error);
  }
  await app.close();
  process.exit(0);
}
app.useLogger(new ConsoleLogger({ json: true, colors: false, logLevels: ['log', 'warn', 'error'] }));
const dropUnused = trackUnused(app.getHttpServer() as Server);
await app.listen(settings.port, settings.host);
const { port } = app.getHttpServer().address() as AddressInfo;
const address = `http://${settings.host}:${port}`;
app.get(Store).tellAddress(address);
// The start script and the tests wait for this line.
process.stdout.write(`listening on ${address}\n`);

// Requests under way are answered, then the database is closed. A second signal ends it at once.
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    const closed = app.close();
    dropUnused();
    void closed.then(() => process.exit(0));
  });
