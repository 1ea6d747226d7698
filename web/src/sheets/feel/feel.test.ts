import {
  addPartEdit,
  emptyGadget,
  replay,
  type Control,
  type Encoder,
  type Gadget,
  type Stimulus,
  type TraceEntry,
} from '@hum-lever/core';
import { buttonOf, setting } from '../../test/gadgets.ts';
import { oddsCell, oddsWords } from './oddsWords.ts';
import { madePresses, wireOf } from './press.ts';
import { outcomeSince, scenarios } from './scenarios.ts';
import { lastTurn } from './views/turn.ts';

const press = (ms: number, heldMs: number): Stimulus[] => [
  { atUs: ms * 1_000, controlId: 'b1', what: 'down' },
  { atUs: (ms + heldMs) * 1_000, controlId: 'b1', what: 'up' },
];
const run = (controls: Control[], stimuli: Stimulus[]): TraceEntry[] => {
  const gadget: Gadget = { ...emptyGadget('Feel'), controls };
  return replay(gadget, stimuli, 3_000_000, 2);
};

describe('what became of presses', () => {
  it('counts those that came through, came again, and were lost', () => {
    const slow = buttonOf({ debounce: setting('stable', { settleUs: 70_000, releaseUs: 70_000 }) });
    const trace = run([slow], [...press(100, 30), ...press(500, 200)]);
    expect(outcomeSince(trace, 'b1', 0)).toEqual({ presses: 2, through: 1, again: 0, lost: 1 });
    expect(outcomeSince(trace, 'b1', 400_000)).toMatchObject({ presses: 1, lost: 0 });
    expect(outcomeSince(trace, 'b9', 0)).toMatchObject({ presses: 0 });
    const worn = buttonOf({ debounce: setting('none', {}) });
    expect(outcomeSince(run([worn], press(100, 90)), 'b1', 0).again).toBeGreaterThan(0);
  });

  it('scenarios are hands: a burst as fast as they go, nothing pressed in a storm', () => {
    const { hands } = emptyGadget('Feel');
    const script = (id: string) => scenarios.find((one) => one.id === id)!.script(hands);
    const burst = script('burst');
    expect(burst[1]!.downMs - burst[0]!.downMs).toBe(hands.fastestRepeatUs / 1_000);
    for (const { downMs, upMs } of burst) expect(upMs - downMs).toBe(hands.shortestPressUs / 1_000);
    expect(script('double')[1]!.downMs).toBeLessThan(hands.fastestRepeatUs / 1_000);
    expect(script('storm')).toEqual([]);
  });
});

describe('presses as they were made', () => {
  const trace = run([buttonOf({})], [...press(100, 30), ...press(500, 200)]);
  it('are whole ones', () => {
    expect(madePresses(trace)).toEqual([
      { atUs: 100_000, heldUs: 30_000 },
      { atUs: 500_000, heldUs: 200_000 },
    ]);
    expect(madePresses(trace.filter(({ atUs: at }) => at < 600_000))).toHaveLength(1);
  });
  it('go out as the record of a wire', () => {
    const wire = wireOf(trace, { id: 'b1', name: 'Stir' });
    expect(wire).toMatchObject({ name: 'Stir', first: 0 });
    expect(wire.edges).toHaveLength(trace.filter(({ lane }) => lane === 'contact').length);
    expect(wire.edges.at(-1)!.level).toBe(0);
    expect(wireOf([], { id: 'b1', name: 'Stir' })).toMatchObject({ edges: [], endUs: 0 });
  });
});

describe('the last turn', () => {
  const [, ends] = addPartEdit(emptyGadget('Feel'), 'encoder').args;
  const dial = { ...(ends[0] as Omit<Encoder, 'id'>), id: 'b1' };
  const turn = (ms: number, detents: number): Stimulus => ({
    atUs: ms * 1_000,
    controlId: 'b1',
    what: 'turn',
    detents,
    overUs: 50_000,
  });
  it('gathers clicks that come close together, with what was counted of them', () => {
    const trace = run([dial], [turn(100, 1), turn(1_000, 1), turn(1_080, 1), turn(1_160, 1)]);
    expect(lastTurn(trace, 'b1', Infinity)).toMatchObject({
      fromUs: 1_000_000,
      detents: 3,
      counts: 12,
      steps: 3,
      missed: 0,
    });
    expect(lastTurn(trace, 'b1', 500_000)).toMatchObject({ fromUs: 100_000, detents: 1, steps: 1 });
    expect(lastTurn(trace, 'b1', 50_000)).toBeNull();
  });
  it('knows the levels that it began with', () => {
    const trace = run([dial], [turn(100, 1), turn(1_000, -1)]);
    const back = lastTurn(trace, 'b1', Infinity)!;
    expect([back.beforeA, back.beforeB]).toEqual([0, 0]);
    expect(back.steps).toBe(-1);
  });
});

describe('odds in words', () => {
  const none = { count: 0, of: 20_000, perMille: 0, lowPerMille: 0, highPerMille: 0.1497 };
  it('never say just none', () => {
    expect(oddsWords(none)).toMatch(/^0 of 20\s000, below 0\.02\s% with 95\s% confidence$/);
    expect(oddsCell(none)).toBe('below 0.2');
  });
  it('say between what and what', () => {
    const some = { count: 10, of: 100, perMille: 100, lowPerMille: 55.2, highPerMille: 174.4 };
    expect(oddsWords(some)).toMatch(/^10 of 100, 5\.5\s% to 17\s%$/);
    expect(oddsCell(some)).toBe('55.2–174');
  });
});
