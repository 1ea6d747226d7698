/** Drawing a picture anew: rows for the bench. */
import { performance } from 'node:perf_hooks';

const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1];

/** Two frames of 38 by 20 pixels, every other one lit. */
const pictures = [
  {
    id: 'f1',
    name: 'Bench',
    frames: [0, 1].map((by) =>
      Array.from({ length: 20 }, (_, y) => ((y + by) % 2 === 0 ? '#.' : '.#').repeat(19)),
    ),
  },
];

/** Thirty elements of every kind on a display of that size, in so many inks. */
function page(widthPx, heightPx, inks = 2) {
  const at = (n) => ({
    onlyIf: 1,
    blinks: 'steady',
    group: 0,
    unknownIf: 0,
    ink: 1 + (n % (inks - 1)),
    x: (n * 37) % (widthPx - 40),
    y: (n * 11) % (heightPx - 8),
  });
  const written = { font: '6x8', align: 'left', inverted: false };
  const kinds = [
    (n) => ({ kind: 'drawText', ...at(n), ...written, text: 'Kettle Keeper' }),
    (n) => ({ kind: 'drawNumber', ...at(n), ...written, font: '12x16', value: n * 999, format: 'clock', places: 0, unit: '' }),
    (n) => ({ kind: 'drawBar', ...at(n), width: 60, height: 8, value: n, low: 0, high: 30, grows: 'right', framed: true, blocks: 0, peakMs: 0, unknownIf: 0 }),
    (n) => ({ kind: 'drawBox', ...at(n), width: 40, height: 20, how: 'inverted' }),
    (n) => ({ kind: 'drawLine', ...at(n), toX: widthPx - 1, toY: heightPx - 1 }),
    (n) => ({ kind: 'drawDial', ...at(n), radius: 20, value: n, low: 0, high: 30, how: 'arc' }),
    (n) => ({ kind: 'drawDial', ...at(n), radius: 12, value: n, low: 0, high: 30, how: 'pie' }),
    (n) => ({ kind: 'drawPlot', ...at(n), width: 40, height: 16, value: n, low: 0, high: 30, everyMs: 50, unknownIf: 0, how: 'line', values: Array.from({ length: 40 }, (_, x) => (x * 7 + n) % 31) }),
    (n) => ({ kind: 'drawRunning', ...at(n), font: '6x8', width: 60, text: 'Tonight at the lantern gate', stepMs: 50, ranPx: n * 3 }),
    (n) => ({ ...at(n), kind: 'drawLegends', font: '6x8', edge: 'bottom', words: ['Back', 'Go'], inverted: true }),
    (n) => ({ kind: 'drawPicture', ...at(n), pictureId: 'f1', frame: n, how: 'over' }),
  ]; // prettier-ignore
  return Array.from({ length: 30 }, (_, n) => kinds[n % kinds.length](n));
}

/** Milliseconds that one whole picture takes. */
function pictureMs({ blankBitmap, stockOf, render, usualPalette }, widthPx, heightPx, depth) {
  const stock = stockOf({ pictures, fonts: [] });
  const bitmap = blankBitmap(widthPx, heightPx);
  const screen = {
    id: 'o1',
    kind: 'screen',
    name: 'Bench',
    widthPx,
    heightPx,
    columns: 1,
    rows: 1,
    depth,
    palette: usualPalette(depth),
  };
  const drawn = { pageId: 'n1', rows: [], drawings: page(widthPx, heightPx, usualPalette(depth).length) };
  const many = 200;
  const one = () => {
    const began = performance.now();
    for (let n = 0; n < many; n += 1) render(bitmap, screen, drawn, stock);
    return (performance.now() - began) / many;
  };
  for (let warm = 0; warm < 10; warm += 1) one();
  return median(Array.from({ length: 15 }, one));
}

/** Milliseconds to find the tiles that look otherwise, of two pictures of one page. */
function tilesMs({ blankBitmap, stockOf, render, changedRuns }, widthPx, heightPx) {
  const screen = {
    id: 'o1',
    kind: 'screen',
    name: 'Bench',
    widthPx,
    heightPx,
    columns: 1,
    rows: 1,
    depth: 'mono',
    palette: ['#000000', '#ffffff'],
  };
  const [was, is] = [0, 1].map((by) => {
    const bitmap = blankBitmap(widthPx, heightPx);
    const drawings = page(widthPx, heightPx).map((one) => ({ ...one, x: one.x + by }));
    render(bitmap, screen, { pageId: 'n1', rows: [], drawings }, stockOf({ pictures, fonts: [] }));
    return bitmap;
  });
  const many = 500;
  const one = () => {
    const began = performance.now();
    for (let n = 0; n < many; n += 1) changedRuns(was, is, { bits: 1, pixels: { turned: 0 } });
    return (performance.now() - began) / many;
  };
  for (let warm = 0; warm < 10; warm += 1) one();
  return median(Array.from({ length: 15 }, one));
}

/** @param row takes what was measured */
export async function screenRows(row) {
  const core = await import('../core/dist/index.js');
  const of = (what, width, height, depth, asked) =>
    row(what, `${pictureMs(core, width, height, depth).toFixed(3)} ms`, asked);
  of('a whole picture of 256 × 64 pixels with thirty elements', 256, 64, 'mono', '< 0.2 ms');
  of('the same of 320 × 240 pixels in eight colours', 320, 240, 'colour', '< 2 ms');
  row(
    'which tiles of 256 × 64 pixels look otherwise',
    `${tilesMs(core, 256, 64).toFixed(3)} ms`,
    '< 0.05 ms',
  );
}

if (process.argv[1] === new URL(import.meta.url).pathname)
  await screenRows((what, measured, asked) => console.log(`${what}: ${measured} (asked ${asked})`));
