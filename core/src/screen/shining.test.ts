import type { Gadget } from '../gadget/index.ts';
import { Machine, type Stimulus, type TraceEntry } from '../machine/index.ts';
import { blankBitmap } from '../picture/index.ts';
import { checkGadget } from '../snag/index.ts';
import { button, part } from '../test/fixtures.ts';
import { onACell, paged } from '../test/screenCases.ts';
import { outputOf, textAt, toldGadget } from '../test/toldGadget.ts';
import { displayUa, litShare } from './shining.ts';

type Told = readonly (readonly [number, string])[];

/** A display of characters whose light is led to where that figure says: always on, switched, dimmed, mixed. */
function backlit(backlight: number, told: Told, patch: object = {}): Gadget {
  const gadget = toldGadget({ ...outputOf('text', 'Rows'), ...patch } as Gadget['outputs'][number], told);
  return { ...gadget, parts: gadget.parts.map((one) => ({ ...one, figures: { backlight } })) };
}
/** With a key that is pressed at these moments, for 80 ms each. */
function withKey(gadget: Gadget): Gadget {
  const contact = { ...button().contact, closeMaxUs: 0, openMaxUs: 0 };
  return {
    ...gadget,
    controls: [button({ id: 'b1', name: 'Key', contact })],
    parts: [...gadget.parts, part('p2', 'push-button', ['b1'])],
  };
}
const pressedAt = (...ms: number[]): Stimulus[] =>
  ms.flatMap((at) => [
    { atUs: at * 1_000, controlId: 'b1', what: 'down' as const },
    { atUs: (at + 80) * 1_000, controlId: 'b1', what: 'up' as const },
  ]);

function traceOf(gadget: Gadget, untilMs: number, stimuli: readonly Stimulus[] = []): TraceEntry[] {
  const machine = new Machine(gadget, 1);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(untilMs * 1_000);
  return machine.takeTrace();
}
/** When and how its light became another: ms, percent, and its colour where that is not its own. */
const shone = (gadget: Gadget, untilMs: number, stimuli: readonly Stimulus[] = []) =>
  traceOf(gadget, untilMs, stimuli).flatMap((entry) =>
    entry.lane === 'shining'
      ? [[Math.round(entry.atUs / 1_000), entry.percent, ...(entry.colour === null ? [] : [entry.colour])]]
      : [],
  );

describe('the light of a display', () => {
  const told: Told = [
    [100, 'Rows level 40'],
    [200, 'Rows level 0'],
    [300, 'Rows level 130'],
  ];
  it('is as bright as it is told, as far as it can be', () => {
    expect(shone(backlit(2, told), 400)).toEqual([[100, 40], [200, 0], [300, 100]]); // prettier-ignore
    // Switched: anything is all of it. Always on: nothing changes it.
    expect(shone(backlit(1, told), 400)).toEqual([[200, 0], [300, 100]]); // prettier-ignore
    expect(shone(backlit(0, told), 400)).toEqual([]);
  });
  it('has a colour only where it is mixed', () => {
    const red: Told = [[100, 'Rows colour red'], [200, 'Rows level 50']]; // prettier-ignore
    expect(shone(backlit(3, red), 300)).toEqual([[100, 100, 'red'], [200, 50, 'red']]); // prettier-ignore
    expect(shone(backlit(2, red), 300)).toEqual([[200, 50]]);
  });
  it('is told when the power goes, where it was told otherwise, and comes on as ever', () => {
    const cycle: Stimulus[] = [{ atUs: 150_000, controlId: 'gadget', what: 'power', event: 'cycle' }];
    expect(shone(backlit(2, [[100, 'Rows level 40']]), 200, cycle)).toEqual([[100, 40], [150, 0]]); // prettier-ignore
    expect(shone(backlit(2, [[1_000, 'Rows level 40']]), 200, cycle)).toEqual([]);
  });
});

describe('a display that dims by itself', () => {
  const dims = { afterUs: 2_000_000, percent: 20 };
  it('does so where nothing is touched for so long, and is bright again at a touch', () => {
    const gadget = withKey(backlit(2, [], { dims }));
    expect(shone(gadget, 5_000)).toEqual([[2_000, 20]]);
    // Two seconds after it was let go; the touch itself, cleaned, brings it back.
    const lit = shone(gadget, 9_000, pressedAt(1_000, 4_000));
    expect(lit.map(([, percent]) => percent)).toEqual([20, 100, 20]);
    expect(lit[0]![0]).toBeGreaterThanOrEqual(3_080);
    expect(lit[0]![0]).toBeLessThan(3_120);
    expect(lit[1]![0]).toBeGreaterThanOrEqual(4_000);
    expect(lit[1]![0]).toBeLessThan(4_040);
  });
  it('never grows brighter by that, and keeps what it is told meanwhile', () => {
    const told: Told = [[1_000, 'Rows level 10'], [3_000, 'Rows level 60']]; // prettier-ignore
    const gadget = withKey(backlit(2, told, { dims }));
    expect(shone(gadget, 6_000, pressedAt(5_000)).map(([, percent]) => percent)).toEqual([10, 20, 60]);
  });
  it('begins to wait anew with the power', () => {
    const cycle: Stimulus[] = [{ atUs: 1_500_000, controlId: 'gadget', what: 'power', event: 'cycle' }];
    expect(shone(backlit(2, [], { dims }), 5_000, cycle)).toEqual([[3_500, 20]]);
  });
  it('dims pixels over their own bus, whatever pages do', () => {
    const glass = withKey(paged([textAt('Ready')], { dims, sends: 'blocking' }));
    expect(shone(glass, 5_000)).toEqual([[2_000, 20]]);
    // It costs nothing while it waits: no turn for its own sake in between.
    const machine = new Machine(glass, 1);
    machine.advanceTo(600_000);
    expect(machine.nextUs).toBe(2_000_000);
  });
  it('cannot where its light is always on', () => {
    expect(shone(backlit(0, [], { dims }), 5_000)).toEqual([]);
  });
});

describe('what a display draws', () => {
  it('is its share of lit pixels, or all of the light behind them', () => {
    const bitmap = blankBitmap(10, 10);
    bitmap.pixels.fill(1, 0, 25);
    const mono = [[0, 0, 0], [200, 220, 180]] as const; // prettier-ignore
    expect(litShare(bitmap, mono)).toBe(0.25);
    expect(displayUa({ from: 'pixels', how: 'dimmed', darkUa: 1_000, litUa: 24_000 }, 0.25, 100)).toBe(7_000);
    expect(displayUa({ from: 'pixels', how: 'dimmed', darkUa: 1_000, litUa: 24_000 }, 0.25, 20)).toBe(2_200);
    expect(displayUa({ from: 'behind', how: 'dimmed', darkUa: 2_000, litUa: 20_000 }, 0.25, 20)).toBe(6_000);
    // A fifth of the light of half of the pixels.
    const inks = [[0, 0, 0], [255, 255, 255], [153, 0, 0]] as const; // prettier-ignore
    bitmap.pixels.fill(2, 0, 50);
    bitmap.pixels.fill(0, 50);
    expect(litShare(bitmap, inks)).toBeCloseTo(0.1);
  });
});

describe('a display on a cell', () => {
  const found = (gadget: Gadget, id = 'S06') => checkGadget(gadget).snags.filter(({ rule }) => rule === id);
  it('is innocent without a cell, where it dims, where a rule may dim it, and where its light is faint', () => {
    expect(found(paged([textAt('Ready')]))).toEqual([]);
    expect(found(onACell(paged([textAt('Ready')], { dims: { afterUs: 9_000_000, percent: 5 } })))).toEqual(
      [],
    );
    expect(found(onACell(paged([textAt('Ready')], {}, {}, [[900, 'Glass level 30']])))).toEqual([]);
    expect(found(onACell(paged([textAt('Ready')], {}, {}, [[900, 'Glass level count']])))).toEqual([]);
    expect(found(onACell(paged([textAt('Ready')], {}, { litUa: 900 })))).toEqual([]);
    // Pixels that glow are dark where nothing stands on them.
    expect(found(onACell(paged([textAt('Ready')], {}, {}, [[900, 'Glass page none']])))).toEqual([]);
  });
  it('is guilty where all that it is told is to be bright, and where dimming does nothing', () => {
    expect(found(onACell(paged([textAt('Ready')], {}, {}, [[900, 'Glass level 100']])))).toHaveLength(1);
    expect(found(onACell(backlit(0, [[100, 'Rows level 10']])))).toHaveLength(1);
    const dims = { afterUs: 9_000_000, percent: 5 };
    expect(found(onACell(backlit(1, [], { dims })))).toHaveLength(1);
    expect(found(onACell(backlit(1, [[100, 'Rows level 0']])))).toEqual([]);
    // A light behind it goes on where nothing is written.
    expect(found(onACell(backlit(2, [[100, 'Rows row 1 ""']])))).toHaveLength(1);
  });
  it('is told what its light can do, and no more', () => {
    expect(found(backlit(0, [[100, 'Rows level 100']]), 'X02')).toEqual([]);
    expect(found(backlit(1, [[100, 'Rows level 20']]), 'X02')).toMatchObject([
      { values: { reason: 'switched' } },
    ]);
    expect(found(backlit(1, [[100, 'Rows level 0']]), 'X02')).toEqual([]);
    expect(found(backlit(2, [[100, 'Rows colour red']]), 'X02')).toMatchObject([
      { values: { reason: 'oneColour' } },
    ]);
    expect(found(backlit(3, [[100, 'Rows colour red']]), 'X02')).toEqual([]);
  });
});
