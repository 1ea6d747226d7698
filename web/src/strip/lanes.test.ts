import {
  addPartEdit,
  readGadgetText,
  replay,
  trialSchema,
  type Control,
  type TraceEntry,
} from '@hum-lever/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isShown } from './laneOf.ts';
import { awakeIn, marksIn, type Mark } from './lanes.ts';
import { firstAt } from '../workers/index.ts';
import { entryAt, labelWidth } from './paint.ts';
import { heightOf, rowsOf } from './rows.ts';

const demo = (file: string) => readFileSync(join(__dirname, '../../../demo/kettle-keeper', file), 'utf8');
const read = readGadgetText(demo('1-first-evening.json'));
if (read.outcome !== 'opened') throw new Error(read.message);
const { gadget } = read;
const trial = trialSchema.parse(JSON.parse(demo('trials.json'))[0]);
const trace = replay(gadget, trial.stimuli, trial.endUs, trial.seed);
const rows = rowsOf(gadget, new Set(['b1']));
const inLane = (marks: Mark[], lane: string) => marks.filter((mark) => 'lane' in mark && mark.lane === lane);

describe('the strip', () => {
  it('has one row for each control that moved, and always the states and outputs', () => {
    const always = ['State', 'Stove light', 'Little screen', 'Whistle'];
    expect(rows.map(({ label }) => label)).toEqual(['Stir', ...always]);
    expect(rowsOf(gadget, new Set()).map(({ label }) => label)).toEqual(always);
    const [stir] = rows;
    expect(stir!.lanes.map(({ stage }) => stage)).toEqual(['contact', 'clean', 'gesture']);
    // They share its height, without gap or overlap, and so do all rows that of the strip.
    const lanes = rows.flatMap((row) => row.lanes);
    lanes.slice(1).forEach(({ top }, at) => expect(top).toBe(lanes[at]!.top + lanes[at]!.height));
    expect(heightOf(rows)).toBe(lanes.at(-1)!.top + lanes.at(-1)!.height);
    expect(heightOf([])).toBe(0);
  });

  it('folds away what slept through the window', () => {
    const touch = (atUs: number, controlId: string) => ({ atUs, controlId, what: 'down' as const });
    const keys = Array.from({ length: 12 }, (_, i) => ({
      ...gadget.controls[0]!,
      id: `b${i + 1}`,
      key: null,
    }));
    const keypad = { ...gadget, controls: keys };
    const played = replay(keypad, [touch(10, 'b2'), touch(20_000, 'b9'), touch(90_000, 'b4')], 99_000, 1);
    expect([...awakeIn(played, { fromUs: 0, toUs: 50_000 })].sort()).toEqual(['b2', 'b9']);
    expect([...awakeIn(played, { fromUs: 80_000, toUs: 99_000 })]).toEqual(['b4']);
    expect([...awakeIn(played, { fromUs: 60_000, toUs: 70_000 })]).toEqual([]);
    const outside: TraceEntry = { atUs: 5, sinceUs: 0, lane: 'midiIn', bytes: [0x90, 60, 1] };
    expect(rowsOf(gadget, awakeIn([outside], { fromUs: 0, toUs: 9 })).map(({ label }) => label)[0]).toBe(
      'Comes in',
    );
  });

  it('finds the first entry of a moment', () => {
    for (const atUs of [0, 1, 800_000, 5_000_000, 99_000_000]) {
      const plain = trace.findIndex(({ atUs: entryUs }) => entryUs >= atUs);
      expect(firstAt(trace, atUs)).toBe(plain < 0 ? trace.length : plain);
    }
  });

  it('fills every lasting lane of a window without gap or overlap, whatever came before it', () => {
    for (const window of [
      { fromUs: 0, toUs: 2_000_000 },
      { fromUs: 3_333_333, toUs: 4_444_444 },
      { fromUs: 9_000_000, toUs: 9_000_500 },
    ]) {
      const marks = marksIn(gadget, trace, window);
      for (const lane of ['state', 'output o2']) {
        const spans = inLane(marks, lane).flatMap((mark) => (mark.kind === 'band' ? [mark.span] : []));
        expect(spans[0]!.fromUs).toBe(window.fromUs);
        expect(spans.at(-1)!.toUs).toBe(window.toUs);
        spans.slice(1).forEach((span, i) => expect(span.fromUs).toBe(spans[i]!.toUs));
      }
      for (const mark of marks) expect('entry' in mark && isShown(trace[mark.entry]!)).toBe(true);
    }
  });

  it('shows all rows of a display as one line', () => {
    const texts = inLane(marksIn(gadget, trace, { fromUs: 0, toUs: 700_000 }), 'output o2');
    expect(texts.map((mark) => mark.kind === 'band' && mark.text)).toContain(
      'Kettle Keeper / Press to light',
    );
  });

  it('says how far a light is on, and which colour it took', () => {
    const [lit] = inLane(
      marksIn(gadget, [{ atUs: 0, lane: 'light', id: 'o1', light: { mode: 'level', levelPercent: 60 }, fromPercent: 0 }], { fromUs: 0, toUs: 100 }),
      'output o1',
    ); // prettier-ignore
    expect(lit).toMatchObject({ kind: 'band', text: '60\u202f%', dim: false });
    const level = { mode: 'level', levelPercent: 60 } as const;
    const turned = marksIn(
      gadget,
      [
        { atUs: 0, lane: 'light', id: 'o1', light: level, fromPercent: 0 },
        { atUs: 50, lane: 'colour', id: 'o1', colour: 'violet' },
        { atUs: 70, lane: 'light', id: 'o1', light: { mode: 'off' }, fromPercent: 60 },
        { atUs: 80, lane: 'power', event: 'cycle' },
        { atUs: 90, lane: 'light', id: 'o1', light: { mode: 'on' }, fromPercent: 0 },
      ],
      { fromUs: 0, toUs: 100 },
    );
    expect(inLane(turned, 'output o1').map((mark) => mark.kind === 'band' && [mark.text, mark.dim])).toEqual([
      ['60\u202f%', false],
      ['60\u202f%, violet', false],
      ['off', true],
      ['on', false],
    ]);
  });

  it('keeps what stood before the power went, until it is told dark', () => {
    const marks = marksIn(
      gadget,
      [
        { atUs: 0, lane: 'light', id: 'o1', light: { mode: 'blink', periodUs: 500_000 }, fromPercent: 0 },
        { atUs: 10, lane: 'colour', id: 'o1', colour: 'violet' },
        { atUs: 40, lane: 'power', event: 'cycle' },
        { atUs: 40, lane: 'light', id: 'o1', light: { mode: 'off' }, fromPercent: 100 },
        { atUs: 60, lane: 'light', id: 'o1', light: { mode: 'on' }, fromPercent: 0 },
      ],
      { fromUs: 0, toUs: 100 },
    );
    expect(
      inLane(marks, 'output o1').map((mark) => mark.kind === 'band' && [mark.text, mark.span.toUs]),
    ).toEqual([
      ['blink', 10],
      ['blink, violet', 40],
      ['off', 60],
      // Its colour is its own again.
      ['on', 100],
    ]);
  });
  it('marks what came twice', () => {
    const marks = marksIn(gadget, trace, { fromUs: 0, toUs: trial.endUs });
    const again = marks.filter((mark) => mark.kind === 'tick' && mark.bad);
    expect(again).toHaveLength(trace.filter((entry) => entry.lane === 'clean' && entry.extra).length);
  });

  it('shows a turn, what was counted of it and the steps, each on its lane', () => {
    const [, ends] = addPartEdit(gadget, 'encoder').args;
    const dial = { ...ends[0]!, id: 'b7', name: 'Dial' } as Control;
    const turning = { ...gadget, controls: [...gadget.controls, dial] };
    const spun = replay(
      turning,
      [{ atUs: 100_000, controlId: 'b7', what: 'turn', detents: -2, overUs: 80_000 }],
      400_000,
      1,
    );
    const ticks = marksIn(turning, spun, { fromUs: 0, toUs: 400_000 }).filter(
      (mark): mark is Extract<Mark, { kind: 'tick' }> => mark.kind === 'tick',
    );
    const on = (lane: string) => ticks.filter((tick) => tick.lane === lane).map(({ text }) => text);
    expect(on('contact b7')).toEqual(['-2']);
    expect(on('clean b7')).toHaveLength(8);
    expect(on('gesture b7')).toEqual(['down', 'down']);
    expect([...awakeIn(spun, { fromUs: 0, toUs: 400_000 })]).toEqual([dial.id]);
  });

  it('shows what comes in from outside on a lane of its own', () => {
    const came: TraceEntry[] = [
      { atUs: 1_000, sinceUs: 0, lane: 'power', event: 'wake' },
      { atUs: 2_000, sinceUs: 0, lane: 'characterIn', id: 'o1', character: 'v', place: 0 },
      { atUs: 3_000, lane: 'lineIn', id: 'o1', text: 'vol', open: true },
      { atUs: 9_000, sinceUs: 0, lane: 'lineIn', id: 'o1', text: 'volume 4' },
      { atUs: 9_500, sinceUs: 0, lane: 'midiIn', bytes: [0x90, 60, 5] },
    ];
    const ticks = marksIn(gadget, came, { fromUs: 0, toUs: 10_000 });
    expect(ticks.map((mark) => (mark.kind === 'tick' ? [mark.lane, mark.text] : []))).toEqual(
      ['woken', 'v', 'vol…', 'volume 4', '90 3c 05'].map((text) => ['outside', text]),
    );
  });

  it('finds what is pointed at, lane by lane, and nothing beside it', () => {
    const window = { fromUs: 700_000, toUs: 900_000 };
    const width = labelWidth + 1_000;
    const picture = {
      rows,
      marks: marksIn(gadget, trace, window),
      window,
      width,
      selected: null,
      marked: null,
    };
    const press = trace.findIndex((entry) => entry.lane === 'gesture');
    const x = labelWidth + ((trace[press]!.atUs - window.fromUs) / 200_000) * 1_000;
    const row = (key: string) => rows.flatMap((one) => one.lanes).find((lane) => lane.key === key)!.top + 5;
    expect(trace[entryAt(picture, x + 2, row('gesture b1'))!]).toMatchObject({
      lane: 'gesture',
      atUs: trace[press]!.atUs,
    });
    expect(trace[entryAt(picture, x + 2, row('state'))!]).toMatchObject({ lane: 'state' });
    expect(entryAt(picture, labelWidth + 20, row('gesture b1'))).toBeNull();
  });

  it('gives each region a band of its own, named by its innermost state', () => {
    const state = (id: string, parentId: string | null, kind: 'plain' | 'parallel' = 'plain') => ({
      ...gadget.flow.states[0]!, id, name: id, parentId, kind, rules: [], entry: [], exit: [],
    }); // prettier-ignore
    const states = [
      state('Off', null), state('On', null, 'parallel'), state('Lamp', 'On'), state('Dark', 'Lamp'), state('Lit', 'Lamp'),
      state('Bell', 'On'), state('Still', 'Bell'), state('Rings', 'Bell'),
    ]; // prettier-ignore
    const parallel = { ...gadget, flow: { ...gadget.flow, states } };
    const entered = (['Off', 'On', 'Lamp', 'Dark', 'Bell', 'Still', 'Rings', 'Lit', 'Off'] as const).map(
      (id, n): TraceEntry => ({ atUs: [0, 10, 10, 10, 10, 10, 30, 40, 60][n]!, lane: 'state', id }),
    );
    const marks = marksIn(parallel, entered, { fromUs: 5, toUs: 100 });
    const told = (lane: string) =>
      inLane(marks, lane).map(
        (mark) => mark.kind === 'band' && [mark.text, mark.span.fromUs, mark.span.toUs],
      );
    expect(rowsOf(parallel, new Set()).slice(0, 3).map(({ label }) => label)).toEqual(['State', 'Lamp', 'Bell']); // prettier-ignore
    expect(told('state')).toEqual([['Off', 5, 10], ['On', 10, 60], ['Off', 60, 100]]); // prettier-ignore
    expect(told('state Lamp')).toEqual([['Dark', 10, 40], ['Lit', 40, 60]]); // prettier-ignore
    expect(told('state Bell')).toEqual([['Still', 10, 30], ['Rings', 30, 60]]); // prettier-ignore
  });

  it('draws values that flicker as one band, and those that can be told apart as they are', () => {
    const value = (atUs: number, of: number): TraceEntry =>
      ({ atUs, lane: 'value', id: 'b1', value: of, count: 0, sinceUs: 0 }) as never;
    const flicker = [41, 42, 41, 42, 41, 43].map((of, n) => value(1_000 + 10 * n, of));
    const marks = inLane(
      marksIn(gadget, [...flicker, value(9_000, 50)], { fromUs: 0, toUs: 10_000 }),
      'gesture b1',
    );
    expect(marks).toMatchObject([
      { kind: 'band', text: '41 to 43', span: { fromUs: 1_000, toUs: 1_050 } },
      { kind: 'tick', text: '50', atUs: 9_000 },
    ]);
    // Magnified, each is seen.
    expect(marksIn(gadget, flicker, { fromUs: 1_000, toUs: 1_100 }).map(({ kind }) => kind)).toEqual(
      Array(6).fill('tick'),
    );
  });
});
