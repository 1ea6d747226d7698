import { ConsoleLogger } from '@nestjs/common';
import type { AddressInfo } from 'node:net';
import { createApp } from './app.ts';
import { readSettings } from './settings.ts';

const settings = readSettings(process.argv.slice(2));
const app = await createApp(settings);
// Started quietly: what the framework wires up is no news. From here on, one line of JSON a request.
await app.init();
app.useLogger(new ConsoleLogger({ json: true, colors: false, logLevels: ['log', 'warn', 'error'] }));
await app.listen(settings.port, settings.host);
const { port } = app.getHttpServer().address() as AddressInfo;
// The start script and the tests wait for this line.
process.stdout.write(`listening on http://${settings.host}:${port}\n`);

// Requests under way are answered, then the database is closed. A second signal ends it at once.
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    void app.close().then(() => process.exit(0));
  });
