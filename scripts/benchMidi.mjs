/** Speed of MIDI: a stream read byte by byte. */
import { performance } from 'node:perf_hooks';

/** Notes with running status, controllers, bends and a clock in between: the same bytes every time. */
function stream(bytes) {
  const wire = new Uint8Array(bytes);
  let seed = 1;
  const next = (below) => {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((seed / 2_147_483_648) * below);
  };
  let at = 0;
  const put = (...all) => {
    wire.set(all, at);
    at += all.length;
  };
  while (at < bytes - 8) {
    const kind = next(8);
    if (kind === 0) put(0xf8);
    else if (kind === 1) put(0xb0 + next(16), next(128), next(128));
    else if (kind === 2) put(0xe0 + next(16), next(128), next(128));
    else if (kind === 3) put(0xf0, next(128), next(128), 0xf7);
    else put(0x90 + next(16), next(128), next(128), next(128), next(128));
  }
  return wire;
}

export async function midiRows(row) {
  const { readStream, streamAtRest } = await import('../core/dist/midi/index.js');
  const wire = stream(20_000_000);
  let messages = 0;
  const sink = {
    message: () => (messages += 1),
    realTime: () => (messages += 1),
    exclusive: () => undefined,
  };
  readStream(wire.subarray(0, 1_000_000), streamAtRest(), sink);
  const began = performance.now();
  readStream(wire, streamAtRest(), sink);
  const seconds = (performance.now() - began) / 1_000;
  row(
    'a stream of MIDI, running status, clock and system exclusive in it',
    `${Math.round(20 / seconds)} MB/s`,
    '> 20 MB/s',
  );
}
