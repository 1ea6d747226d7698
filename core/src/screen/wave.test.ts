import * as fc from 'fast-check';
import type { Gadget, OutputAction } from '../gadget/index.ts';
import { looksOf, Machine } from '../machine/index.ts';
import { blankBitmap, type Bitmap } from '../picture/index.ts';
import { partsFor } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { outputOf, pageOf, toldGadget } from '../test/toldGadget.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import type { Drawing } from './render.ts';
import { drawWave } from './shapes.ts';

/* What sounds, as a display of the gadget shows it. */

const rowsOf = ({ pixels, widthPx, heightPx }: Bitmap): string[] =>
  Array.from({ length: heightPx }, (_, y) =>
    [...pixels.subarray(y * widthPx, (y + 1) * widthPx)].map((ink) => (ink ? '#' : '.')).join(''),
  );
function drawn(width: number, height: number, acrossUs: number, sounds: readonly number[]): string[] {
  const bitmap = blankBitmap(width, height);
  const wave = { kind: 'drawWave', x: 0, y: 0, width, height, acrossUs } as Extract<Drawing, { kind: 'drawWave' }>;
  drawWave(bitmap, wave, sounds, 1);
  return rowsOf(bitmap);
} // prettier-ignore

describe('a wave of what sounds', () => {
  it('is up for half of each turn, with an edge between', () => {
    expect(drawn(8, 3, 1_000, [1_000, 100])).toEqual(['#####...', '....#...', '....####']);
    // Two turns.
    expect(drawn(8, 2, 1_000, [2_000, 100])).toEqual(['###.###.', '..###.##']);
  });
  it('is up for less of it where it is quieter, and low where nothing sounds', () => {
    expect(drawn(8, 2, 1_000, [1_000, 50])).toEqual(['###.....', '..######']);
    expect(drawn(4, 2, 1_000, [0, 100])).toEqual(['....', '####']);
    expect(drawn(4, 2, 1_000, [1_000, 0])).toEqual(['....', '####']);
    expect(drawn(4, 2, 1_000, [])).toEqual(['....', '####']);
  });
  it('fills its box where it goes up and down within a pixel', () => {
    expect(drawn(4, 3, 100_000, [4_000, 100])).toEqual(['####', '####', '####']);
  });
  it('is all sounders together, each with its own part of the height', () => {
    expect(drawn(8, 3, 1_000, [1_000, 100, 0, 100])).toEqual(['........', '#####...', '....####']);
    expect(drawn(8, 3, 1_000, [1_000, 100, 500, 100])).toEqual(['#####...', '....####', '........']);
  });
  it('is in each column between the least and the most that its pins are there', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 20, max: 9_000 }), fc.integer({ min: 1, max: 100 })), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 100, max: 8_000 }),
        (voices, width, acrossUs) => {
          const height = 2 * voices.length + 1;
          const rows = drawn(width, height, acrossUs, voices.flat());
          const upAt = (us: number) =>
            voices.filter(([hz, percent]) => ((us * hz) / 1_000_000) % 1 < percent / 200).length;
          const missed: unknown[] = [];
          for (let x = 0; x < width; x += 1)
            for (let n = 0; n < 50; n += 1) {
              const up = upAt(((x + (n + 0.5) / 50) * acrossUs) / width);
              const row = height - 1 - Math.round((up * (height - 1)) / voices.length);
              if (rows[row]![x] !== '#') missed.push([x, n, up]);
            }
          expect(missed).toEqual([]);
        },
      ),
      { seed: 6, numRuns: runs(150) },
    );
  }); // prettier-ignore
});

const wave: OutputAction = {
  kind: 'drawWave', outputId: 'o2', onlyIf: '1', blinks: 'steady', ink: '1', group: 0,
  x: '0', y: '0', width: '32', height: '16', acrossUs: 10_000,
}; // prettier-ignore
const steps = tuneOf([notesInTurn([[2, 69], [2, 72, null, 50]])], { heldPercent: 50 }); // prettier-ignore

/** A sounder that is told, and a display that shows what sounds. */
function shown(told: readonly (readonly [atMs: number, text: string])[], elements = [wave], mostHz = 50): Gadget {
  const gadget = toldGadget(outputOf('tone', 'Piezo'), told, [], [steps]);
  const glass = { ...outputOf('screen', 'Glass'), id: 'o2', sends: 'free', mostHz } as Gadget['outputs'][number];
  const outputs = [...gadget.outputs, glass];
  return { ...gadget, outputs, parts: partsFor({ controls: [], outputs }), pages: [{ ...pageOf(elements), outputId: 'o2' }] };
} // prettier-ignore
/** What the display shows at such moments. */
function heard(gadget: Gadget, ...atMs: number[]) {
  const machine = new Machine(gadget, 1);
  return atMs.map((ms) => {
    machine.advanceTo(ms * 1_000);
    const glass = machine.shown.outputs['o2'];
    const [drawing] = glass?.kind === 'screen' ? glass.glass.drawings : [];
    return drawing?.sounds;
  });
}

describe('a display of the gadget', () => {
  it('shows the pitch that sounds, when it is told and when it ends by itself', () => {
    const gadget = shown([[100, 'Piezo tone 440 for 200 ms'], [500, 'Piezo volume 30'], [600, 'Piezo tone 880']]); // prettier-ignore
    expect(heard(gadget, 50, 150, 350, 700)).toEqual([
      [0, 100],
      [440, 100],
      [0, 100],
      [880, 30],
    ]);
  });
  it('shows each note of a tune, and the silence between', () => {
    const gadget = shown([[0, 'Piezo perform Storm']]);
    // A step is 125 ms, and a note is held for half of its length.
    expect(heard(gadget, 60, 200, 310, 450)).toEqual([
      [440, 100],
      [0, 100],
      [523, 50],
      [0, 100],
    ]);
  });
  it('shows no more pictures than it can', () => {
    // Every 20 ms another pitch; four pictures a second.
    const told = Array.from({ length: 40 }, (_, n) => [20 * n, `Piezo tone ${200 + n}`] as const);
    const gadget = shown(told, [wave], 4);
    const machine = new Machine(gadget, 1);
    const seen = new Set<unknown>();
    for (let ms = 10; ms <= 800; ms += 5) {
      machine.advanceTo(ms * 1_000);
      const glass = machine.shown.outputs['o2'];
      if (glass?.kind === 'screen') seen.add(glass.glass.drawings[0]?.sounds?.[0]);
    }
    expect(seen.size).toBeGreaterThan(2);
    expect(seen.size).toBeLessThanOrEqual(5);
  });
  it('looks the same whatever sounds on it', () => {
    const gadget = shown([[0, 'Piezo perform Storm']]);
    const machine = new Machine(gadget, 1);
    const looks = [60, 200, 310].map((ms) => {
      machine.advanceTo(ms * 1_000);
      return JSON.stringify(looksOf(machine.shown.outputs)['o2']);
    });
    expect(new Set(looks).size).toBe(1);
  });
});
