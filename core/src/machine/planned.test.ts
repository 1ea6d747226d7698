import { mostPlanned, schedule, StandsStill } from '../kernel/index.ts';
import { pressToLight } from '../test/fixtures.ts';
import { Machine } from './index.ts';
import { leastPlanned, tidyPlanned } from './planned.ts';
import type { MachineEvent, MachineState } from './state.ts';

const fresh = (): MachineState => new Machine(pressToLight(), 1).snapshot();
const kinds = ({ queue }: MachineState) => queue.heap.map(({ event }) => event.kind);
const plan = (state: MachineState, ...events: MachineEvent[]) =>
  events.forEach((event, n) => schedule(state.queue, 1_000 + n, event));

describe('what is planned', () => {
  it('loses what something else has overtaken, and nothing besides', () => {
    const state = fresh();
    state.queue.heap = [];
    const input = state.inputs.b1!;
    [input.changes, input.contactEdges] = [3, 5];
    state.shown.outputs.o3 = {
      kind: 'tone',
      percent: 100,
      share: 100,
      hz: 440,
      timed: null,
      order: 2,
      held: [],
      note: null,
      busy: true,
      music: null,
      tunes: 0,
    };
    plan(
      state,
      { kind: 'edge', controlId: 'b1', change: 3, level: 1 },
      { kind: 'edge', controlId: 'b1', change: 2, level: 0 },
      { kind: 'stuck', controlId: 'b1', change: 1 },
      { kind: 'cross', controlId: 'b1', contactEdge: 5 },
      { kind: 'cross', controlId: 'b1', contactEdge: 4 },
      { kind: 'output', outputId: 'o3', what: { order: 2, notes: [] } },
      { kind: 'output', outputId: 'o3', what: { order: 1, notes: [] } },
      { kind: 'output', outputId: 'o3', what: { order: 1, notes: [{ hz: 440, lengthUs: 1_000 }] } },
      { kind: 'output', outputId: 'gone', what: { order: 1, notes: [] } },
      { kind: 'touch', controlId: 'b1', touch: { what: 'down' } },
      { kind: 'disturbance', controlId: 'b1', what: 'spike', end: true, number: 0 },
      { kind: 'effect', effect: { offsetUs: 0, kind: 'output', outputId: 'o3', order: { kind: 'silence' } } },
    );
    tidyPlanned(state);
    expect(kinds(state)).toEqual(['edge', 'cross', 'output', 'output', 'touch', 'disturbance', 'effect']);
    expect(state.tidyAt).toBe(leastPlanned);
    // What is left still comes in its order.
    const times = state.queue.heap.map(({ at }) => at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });

  it('of what an edit has taken away stays until its time comes', () => {
    const state = fresh();
    state.queue.heap = [];
    plan(
      state,
      { kind: 'edge', controlId: 'gone', change: 1, level: 1 },
      { kind: 'channel', controlId: 'gone', channel: 'a', change: 1, level: 1 },
      { kind: 'cross', controlId: 'gone', contactEdge: 1 },
    );
    tidyPlanned(state);
    expect(kinds(state)).toEqual(['edge', 'channel', 'cross']);
  });

  it('beyond what can wait stands still, with what is most of it; hands keep their switch', () => {
    const state = fresh();
    state.queue.heap = [];
    const cycle = { what: 'power', event: 'cycle' } as const;
    schedule(state.queue, 999, { kind: 'touch', controlId: 'gadget', touch: cycle });
    for (let n = 0; n < mostPlanned - 10; n += 1)
      schedule(state.queue, 2_000 + n, {
        kind: 'disturbance',
        controlId: 'b1',
        what: 'spike',
        end: true,
        number: n,
      });
    for (let n = 0; n < 10; n += 1)
      schedule(state.queue, 5_000, { kind: 'effect', effect: { offsetUs: 0, kind: 'ended' } });
    let stopped: unknown;
    try {
      tidyPlanned(state);
    } catch (error) {
      stopped = error;
    }
    expect(stopped).toBeInstanceOf(StandsStill);
    expect((stopped as StandsStill).standstill).toMatchObject({
      excess: 'planned',
      cause: { kind: 'control', id: 'b1' },
      times: mostPlanned - 10,
    });
    expect(kinds(state)).toEqual(['touch']);
  });
});
