/** Once at its best, beside each file of the web build: what crosses the wire is not compressed anew with every request. */
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
import { at } from './common.mjs';

/** Below that, saying that it is compressed takes about as much as it saves. */
const leastBytes = 256;

const folder = at('web/dist');
const files = readdirSync(folder, { recursive: true })
  .map((name) => join(folder, String(name)))
  .filter((path) => /\.(js|css|html|svg|json)$/.test(path) && statSync(path).size >= leastBytes);
// All at once: they take turns on the threads that there are.
await Promise.all(
  files.map(async (path) => {
    const bytes = readFileSync(path);
    writeFileSync(`${path}.br`, await promisify(brotliCompress)(bytes));
    writeFileSync(`${path}.gz`, await promisify(gzip)(bytes, { level: 9 }));
  }),
);
