import { blankState, emptyFlow, emptyGadget, type Gadget, type State } from '@hum-lever/core';
import Elk from 'elkjs/lib/elk.bundled.js';
import * as fc from 'fast-check';
import { chartArbitrary } from '../../../../../core/src/test/charts.ts';
import {
  drawingOf,
  graphOf,
  linesOf,
  sayingOf,
  type Box,
  type Direction,
  type MapDrawing,
} from './layout.ts';

const elk = new Elk();
const drawn = async (gadget: Gadget, direction: Direction = 'DOWN'): Promise<MapDrawing> =>
  drawingOf(gadget, await elk.layout(graphOf(gadget, direction)));

const state = (id: string, patch: Partial<State> = {}): State => ({
  ...blankState(),
  id,
  name: `State ${id}`,
  ...patch,
});
const charted = (states: State[], initialId = states[0]?.id ?? null): Gadget => ({
  ...emptyGadget('Map'),
  flow: { ...emptyFlow(), initialId, states },
});
const lead = (id: string, targetIds: string[], guard: string | null = null): State['rules'][number] => ({
  id,
  trigger: { kind: 'after', delay: 1_000_000 },
  guard,
  actions: [],
  targetIds,
  internal: false,
});

/** Elk rounds to fractions of a pixel. */
const slack = 0.5;
const inside = (box: Box, outer: Box) =>
  box.x >= outer.x - slack &&
  box.y >= outer.y - slack &&
  box.x + box.width <= outer.x + outer.width + slack &&
  box.y + box.height <= outer.y + outer.height + slack;
const apart = (a: Box, b: Box) =>
  a.x + a.width <= b.x + slack ||
  b.x + b.width <= a.x + slack ||
  a.y + a.height <= b.y + slack ||
  b.y + b.height <= a.y + slack;
const onEdge = ({ x, y }: { x: number; y: number }, box: Box) =>
  x >= box.x - slack &&
  x <= box.x + box.width + slack &&
  y >= box.y - slack &&
  y <= box.y + box.height + slack &&
  [x - box.x, x - box.x - box.width, y - box.y, y - box.y - box.height].some((d) => Math.abs(d) <= slack);

/** What must hold of any map, whatever the library makes of it. */
function check(gadget: Gadget, { boxes, arrows, width, height }: MapDrawing): void {
  const { states } = gadget.flow;
  const boxOf = new Map(boxes.map((box) => [box.id, box]));
  const whole: Box = { id: '', stateId: '', name: '', kind: 'plain', holds: true, x: 0, y: 0, width, height };
  for (const { id, parentId } of states) {
    const box = boxOf.get(id)!;
    expect([id, inside(box, parentId === null ? whole : boxOf.get(parentId)!)]).toEqual([id, true]);
    for (const other of states)
      if (other.id !== id && other.parentId === parentId)
        expect([id, other.id, apart(box, boxOf.get(other.id)!)]).toEqual([id, other.id, true]);
  }
  // One arrow for each two states that rules lead between, which says all of those rules in their order.
  const led = new Map<string, { id: string; target: string; rules: string[] }>();
  for (const { id, rules } of states)
    for (const rule of rules)
      for (const target of rule.targetIds) {
        const way = led.get(`way ${id} ${target}`) ?? { id, target, rules: [] };
        way.rules.push(rule.id);
        led.set(`way ${id} ${target}`, way);
      }
  const ways = arrows.filter(({ sayings }) => sayings.length > 0);
  expect(ways.map(({ id }) => id).sort()).toEqual([...led.keys()].sort());
  for (const [key, { id, target, rules }] of led) {
    const { points, fromId, toId, sayings } = arrows.find((arrow) => arrow.id === key)!;
    expect([fromId, sayings.map(({ ruleId }) => ruleId)]).toEqual([id, rules]);
    const end = boxOf.get(toId)!;
    // Or it ends at a tag with the state's name, beside where it began.
    expect([end.stateId, end.kind === 'tag' || end.id === target]).toEqual([target, true]);
    expect([key, onEdge(points[0]!, boxOf.get(id)!)]).toEqual([key, true]);
    expect([key, onEdge(points.at(-1)!, end)]).toEqual([key, true]);
    // Only upright and level pieces.
    for (const [n, point] of points.slice(1).entries())
      expect(
        Math.min(Math.abs(point.x - points[n]!.x), Math.abs(point.y - points[n]!.y)),
      ).toBeLessThanOrEqual(slack);
  }
}

describe('the map', () => {
  it('of nothing has nothing to show but where it would begin', async () => {
    const { boxes, arrows } = await drawn(charted([]));
    expect([boxes.map(({ kind }) => kind), arrows]).toEqual([['begin'], []]);
  });

  it('shows states in one another, where each begins, and every way that leads on', async () => {
    const gadget = charted([
      state('s1', { rules: [lead('r1', ['s3']), lead('r2', ['s2'])] }),
      state('s2', { rules: [lead('r3', ['s5'], '1 > 0')] }),
      state('s3', { parentId: 's2' }),
      state('s4', { parentId: 's2', rules: [lead('r4', ['s4'])] }),
      state('s5', { kind: 'final' }),
    ]);
    for (const direction of ['DOWN', 'RIGHT'] as const) {
      const drawing = await drawn(gadget, direction);
      check(gadget, drawing);
      const begins = drawing.arrows.filter(({ sayings }) => sayings.length === 0).map(({ id }) => id);
      expect(begins).toEqual(['begin all', 'begin s2 s3']);
      expect(drawing.boxes.find(({ id }) => id === 's2')).toMatchObject({ holds: true, name: 'State s2' });
      const { sayings, label } = drawing.arrows.find(({ id }) => id === 'way s2 s5')!;
      expect([sayings, label === null]).toEqual([[{ ruleId: 'r3', lines: ['after 1 s if 1 > 0'] }], false]);
    }
    // Downwards, what follows lies below; rightwards, beside it.
    const place = async (direction: Direction) =>
      new Map((await drawn(gadget, direction)).boxes.map((box) => [box.id, box]));
    const [down, right] = [await place('DOWN'), await place('RIGHT')];
    expect(down.get('s5')!.y).toBeGreaterThan(down.get('s2')!.y);
    expect(right.get('s5')!.x).toBeGreaterThan(right.get('s2')!.x);
  });

  it('gives a name the room that it needs', async () => {
    const long = 'Waiting for the second cue of the evening';
    const { boxes } = await drawn(charted([state('s1', { name: long }), state('s2', { name: 'A' })]));
    const width = (id: string) => boxes.find((box) => box.id === id)!.width;
    expect(width('s1')).toBeGreaterThan(7 * long.length);
    expect(width('s2')).toBe(64);
  });

  it('says what a rule waits for and when, whole words in a few lines', () => {
    const gadget = charted([
      state('s1', {
        rules: [
          lead('r1', ['s1']),
          { ...lead('r2', ['s1'], '1 > 0'), trigger: { kind: 'always' } },
          { ...lead('r3', ['s1'], '2 > 0'), trigger: { kind: 'always' } },
        ],
      }),
    ]);
    const [from] = gadget.flow.states;
    const said = from!.rules.map((rule) => sayingOf(rule, from!, gadget).lines);
    // Where the order matters, it is said; what always waits, waits for its condition.
    expect(said).toEqual([['after 1 s'], ['2. if 1 > 0'], ['3. if 2 > 0']]);
    expect(linesOf('after 10 s if heat > 90 && wind == 0')).toEqual([
      'after 10 s if heat > 90',
      '&& wind == 0',
    ]);
    const long = linesOf(Array.from({ length: 30 }, (_, n) => `word${n}`).join(' '));
    expect([long.length, long.at(-1)!.endsWith(' …')]).toEqual([3, true]);
  });

  it('leads far back by a tag, and beside by an arrow', async () => {
    const drawing = await drawn(
      charted([
        state('s1', { rules: [lead('r1', ['s2'])] }),
        state('s2', { rules: [lead('r2', ['s3']), lead('r3', ['s1'])] }),
        state('s3', { rules: [lead('r4', ['s1'])] }),
      ]),
    );
    const ends = new Map(drawing.arrows.map(({ id, toId }) => [id, toId]));
    expect(ends.get('way s2 s1')).toBe('s1');
    expect(ends.get('way s3 s1')).toBe('tag s3 s1');
    expect(drawing.boxes.find(({ kind }) => kind === 'tag')).toMatchObject({
      name: 'State s1',
      stateId: 's1',
    });
  });

  it('of any chart has every state in its place and every arrow from edge to edge', async () => {
    await fc.assert(
      fc.asyncProperty(chartArbitrary, async (gadget) => {
        check(gadget, await drawn(gadget));
      }),
      { seed: 12, numRuns: 10 },
    );
  }, 60_000);
});
