import type { Gadget } from '../gadget/index.ts';
import { Machine, type Stimulus, type TraceEntry } from '../machine/index.ts';
import { displayBus, figuresOf, kindOf } from '../parts/index.ts';
import { freshOutput } from '../gadget/index.ts';
import { paged } from '../test/screenCases.ts';
import { textAt } from '../test/toldGadget.ts';
import { policiesOf } from './policies.ts';
import { isSeenComing } from './tiles.ts';

/** 128 × 64 at 400 kHz in pieces of 16 bytes. Source: reckoning, Buses and screens. */
const pictureUs = 26_240;
/** Three bytes to tell it something, in one piece. */
const toldUs = Math.round(((9 * (3 + 2) + 2) * 1e6) / 400_000);

function seenAt(gadget: Gadget, stimuli: Stimulus[] = [], untilMs = 400): number[] {
  const machine = new Machine(gadget, 1);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(untilMs * 1_000);
  return machine
    .takeTrace()
    .filter((entry: TraceEntry) => entry.lane === 'screen' && entry.texts.length > 0)
    .map(({ atUs }) => atUs);
}
const started = (startUs: number, patch = {}) =>
  paged([textAt('Hello')], { sends: 'blocking', ...patch }, { startUs });

describe('a display that takes a while to start', () => {
  it('is told its first picture no sooner, after every power-up', () => {
    expect(seenAt(started(0))).toEqual([pictureUs]);
    expect(seenAt(started(100_000))).toEqual([100_000 + pictureUs]);
    const cycle = { atUs: 200_000, controlId: 'gadget', what: 'power', event: 'cycle' } as const;
    expect(seenAt(started(100_000), [cycle])).toEqual([100_000 + pictureUs, 300_000 + pictureUs]);
  });
  it('is waited for only where what is sent takes time', () => {
    expect(seenAt(started(100_000, { sends: 'free' }))).toEqual([0]);
    expect(seenAt(started(100_000, { sends: 'background' }))).toEqual([100_000 + pictureUs]);
  });
  it('is one as it comes out of the catalogue', () => {
    for (const kind of ['graphic-display-two-wire', 'graphic-display-spi', 'small-colour-display'])
      expect(figuresOf({ kind, figures: {} })['startUs']).toBeGreaterThanOrEqual(100_000);
  });
});

describe('a second picture that the display keeps', () => {
  const swapping = (holds: number) =>
    paged([textAt('Hello')], { sends: 'blocking', update: 'swapped' }, { holds });
  it('is sent as all of one, and a command to change over', () => {
    expect(seenAt(swapping(1))).toEqual([pictureUs + toldUs]);
  });
  it('is not seen coming; where there is none, it is', () => {
    const busOf = (holds: number) => displayBus(swapping(holds), 'o1')!;
    expect(isSeenComing(busOf(1), 'swapped')).toBe(false);
    expect(isSeenComing(busOf(0), 'swapped')).toBe(true);
    expect(isSeenComing(busOf(1), 'whole')).toBe(true);
    expect(isSeenComing(busOf(1), 'changed')).toBe(true);
  });
  it('is among the ways to send where there is one', () => {
    const ways = (holds: number) => policiesOf(swapping(holds), 'o1')!.all;
    expect(ways(0).map(({ update }) => update)).toEqual(['whole', 'changed', 'whole', 'changed']);
    expect(ways(1).map(({ update }) => update)).toEqual([
      'whole',
      'changed',
      'swapped',
      'whole',
      'changed',
      'swapped',
    ]);
    expect(ways(1)[2]).toMatchObject({
      pageUs: pictureUs + toldUs,
      changeUs: pictureUs + toldUs,
      bytes: 1_024,
    });
  });
});

describe('a row of light blocks', () => {
  const rows = { kind: 'light-rows', figures: { blocks: 4 } };
  it('is a display of its own pixels, each row of a block told its number', () => {
    const bus = kindOf(rows).bus!(figuresOf(rows));
    expect(bus).toMatchObject({ frameBytes: 32, bufferBytes: 32, bits: 1 });
    // Two bytes for each of the picture's 32, eight bits each, at 8 MHz.
    expect(bus.us(bus.frameBytes)).toBe(64);
    expect(kindOf(rows).memory!(figuresOf(rows)).ram).toBe(32);
  });
  it('comes as wide as its blocks, and stands upright where it is turned', () => {
    expect(freshOutput('screen', figuresOf(rows))).toMatchObject({
      widthPx: 32,
      heightPx: 8,
      wideMm: 128,
      depth: 'mono',
    });
    const upright = figuresOf({ ...rows, figures: { blocks: 3, turned: 1 } });
    expect(freshOutput('screen', upright)).toMatchObject({ widthPx: 8, heightPx: 24, wideMm: 32 });
  });
});
