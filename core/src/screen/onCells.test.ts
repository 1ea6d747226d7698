import * as fc from 'fast-check';
import { readRule } from '../flow/index.ts';
import { gadgetSchema, type Gadget, type OutputAction, type TextDisplay } from '../gadget/index.ts';
import { Machine, type Stimulus, type TraceEntry } from '../machine/index.ts';
import { displayCells } from '../parts/index.ts';
import { checkGadget } from '../snag/index.ts';
import { button, numberVariable, part, rule, state } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { numberAt } from '../test/screenCases.ts';
import { outputOf, pageOf, textAt, toldGadget } from '../test/toldGadget.ts';
import { cellsWideMm } from './cells/index.ts';
import { policiesOf } from './policies.ts';
import { changedCells, measuresOf, placesOf, rowsOn } from './onCells.ts';
import type { Drawing } from './render.ts';

const made = (columns: number, rows: number, cells: TextDisplay['cells'] = 'dots') => ({
  columns,
  rows,
  cells,
});
const placed = { onlyIf: 1, blinks: 'steady', ink: 1, group: 0, x: 0, y: 0, unknownIf: 0 };
const drawing = (kind: string, patch: object): Drawing => ({ kind, ...placed, ...patch }) as Drawing;
const text = (words: string, patch: object = {}): Drawing =>
  drawing('drawText', { font: '6x8', align: 'left', inverted: false, text: words, ...patch });
const bar = (value: number, patch: object = {}): Drawing =>
  drawing('drawBar', {
    value, low: 0, high: 10, width: 12, height: 1, grows: 'right', framed: true, blocks: 0, peakMs: 0, ...patch,
  }); // prettier-ignore
/** Rows as wide as the display, so that they can be read. */
const shown = (display: ReturnType<typeof made>, drawings: Drawing[], rows: string[] = []): string[] =>
  rowsOn(display, { rows, drawings }).map((row) => row.padEnd(display.columns, ' '));

describe('a page of characters', () => {
  it('puts texts, numbers and words at their places; later over earlier', () => {
    const number = drawing('drawNumber', {
      font: '6x8', align: 'right', inverted: false, value: 7, format: 'noughts', places: 3, unit: '%', instead: '--', x: 16, y: 1,
    }); // prettier-ignore
    expect(shown(made(16, 2), [text('Kettle'), text('on', { x: 8, align: 'centre' }), number])).toEqual([
      'Kettle on       ',
      '            007%',
    ]);
    expect(shown(made(16, 2), [text('Kettle'), text('Pan', { x: 1 })])[0]).toBe('KPanle          ');
  });
  it('leaves out what is not drawn, blinks away, or lies outside', () => {
    const gone = [
      text('a', { onlyIf: 0 }),
      text('b', { off: true }),
      text('c', { y: 2 }),
      text('d', { x: -1 }),
    ];
    expect(shown(made(4, 2), gone)).toEqual(['    ', '    ']);
    expect(shown(made(4, 1), [text('abcdef', { x: -2 })])).toEqual(['cdef']);
  });
  it('fills bars place by place, in a frame or without, whichever way they grow', () => {
    expect(shown(made(12, 1), [bar(5)])).toEqual(['[#####     ]']);
    expect(shown(made(12, 1), [bar(5, { grows: 'left' })])).toEqual(['[     #####]']);
    expect(shown(made(12, 1), [bar(3, { framed: false, width: 10, peakMs: 500, values: [8] })])).toEqual([
      '###    |    ',
    ]);
    expect(shown(made(3, 4), [bar(5, { width: 1, height: 4, grows: 'up' })])).toEqual([
      '   ',
      '   ',
      '#  ',
      '#  ',
    ]);
    // Not known: empty.
    expect(shown(made(12, 1), [bar(5, { unknownIf: 1 })])).toEqual(['[          ]']);
  });
  it('marks the text of a list that its cursor is at, and keeps it in view', () => {
    const list = drawing('drawList', {
      font: '6x8', width: 8, rows: 2, lines: ['Gate', 'Lantern', 'Kettle', ''], cursor: 2,
    }); // prettier-ignore
    expect(shown(made(10, 2), [list])).toEqual([' Lantern  ', '>Kettle   ']);
  });
  it('runs a text through its window, place by place', () => {
    const running = (ranPx: number) =>
      drawing('drawRunning', { font: '6x8', width: 4, text: 'abcdef', stepMs: 100, ranPx });
    expect(shown(made(6, 1), [running(0)])).toEqual(['abcd  ']);
    expect(shown(made(6, 1), [running(4)])).toEqual(['ef    ']);
    // Three places between its end and its beginning.
    expect(shown(made(6, 1), [running(7)])).toEqual(['  ab  ']);
  });
  it('puts legends along an edge', () => {
    const legends = (edge: string) =>
      drawing('drawLegends', { font: '6x8', edge, words: ['Up', '', 'Go'], inverted: false });
    expect(shown(made(15, 2), [legends('bottom')])).toEqual(['               ', '  Up        Go ']);
    expect(shown(made(6, 3), [legends('right')])).toEqual(['    Up', '      ', '    Go']);
    expect(shown(made(6, 3), [legends('left')])).toEqual(['Up    ', '      ', 'Go    ']);
  });
  it('lies under every row that is written, which hides all of its row', () => {
    expect(shown(made(8, 2), [text('Kettle'), text('Pan', { y: 1 })], ['Hot', ''])).toEqual([
      'Hot     ',
      'Pan     ',
    ]);
  });
  it('puts points to the characters before them where those are of segments', () => {
    expect(placesOf('12.5', 'seven')).toEqual(['1', '2.', '5']);
    expect(placesOf('..', 'seven')).toEqual(['.', '.']);
    expect(placesOf('12.5', 'dots')).toEqual(['1', '2', '.', '5']);
    expect(
      rowsOn(made(4, 1, 'seven'), { rows: [], drawings: [text('12.5', { x: 4, align: 'right' })] }),
    ).toEqual([' 12.5']);
  });
  it('never stands outside of its display, whatever it is told', () => {
    const wild = fc.integer({ min: -(2 ** 31), max: 2 ** 31 - 1 });
    const any = fc.record({
      x: wild,
      y: wild,
      width: wild,
      height: wild,
      value: wild,
      low: wild,
      high: wild,
    });
    fc.assert(
      fc.property(
        any,
        fc.constantFrom('drawBar', 'drawText', 'drawRunning', 'drawList', 'drawLegends'),
        (patch, kind) => {
          const one = drawing(kind, {
          font: '6x8', align: 'right', inverted: false, text: 'Lantern', stepMs: 10, ranPx: 5, rows: 3, cursor: 1, lines: ['a', 'b'],
          edge: 'left', words: ['a', 'b'], grows: 'up', framed: true, blocks: 0, peakMs: 10, values: [3], ...patch,
        }); // prettier-ignore
          const rows = rowsOn(made(5, 2), { rows: [], drawings: [one] });
          expect(rows).toHaveLength(2);
          for (const row of rows) expect(row.length).toBeLessThanOrEqual(5);
        },
      ),
      { seed: 31, numRuns: runs(100) },
    );
  });
});

describe('what is sent of characters', () => {
  it('are runs of those that are others', () => {
    const told = (was: string[], is: string[]) => changedCells(was, is, made(8, 2));
    expect(told(['Count 9'], ['Count 10'])).toEqual({ runs: 1, characters: 2 });
    expect(told(['ab', 'cd'], ['xb', 'cy'])).toEqual({ runs: 2, characters: 2 });
    expect(told(['same'], ['same    '])).toEqual({ runs: 0, characters: 0 });
    expect(told([], ['12345678', '12345678'])).toEqual({ runs: 2, characters: 16 });
  });
});

type Patch = Partial<TextDisplay>;
/** A display of two rows of sixteen behind a bus chip; a key counts. */
function counting(elements: OutputAction[], patch: Patch = {}, figures: Record<string, number> = {}): Gadget {
  const display = { ...outputOf('text', 'Rows'), ...patch } as TextDisplay;
  const told = toldGadget(display, [], [numberVariable({ id: 'v1', name: 'count', initial: 8, max: 99 })]);
  const gadget: Gadget = {
    ...told,
    controls: [
      button({ id: 'b1', name: 'Key', contact: { ...button().contact, closeMaxUs: 0, openMaxUs: 0 } }),
    ],
    parts: [
      part('p1', 'character-display-two-wire', ['o1'], { figures: { startUs: 0, ...figures } }),
      part('p2', 'push-button', ['b1']),
    ],
    pages: elements.length === 0 ? [] : [pageOf(elements)],
  };
  const press = rule('r1', readRule('when Key press do count = count + 1', gadget));
  return { ...gadget, flow: { ...gadget.flow, states: [state('s1', { name: 'All', rules: [press] })] } };
}
const press = (atMs: number): Stimulus[] => [
  { atUs: atMs * 1_000, controlId: 'b1', what: 'down' },
  { atUs: (atMs + 90) * 1_000, controlId: 'b1', what: 'up' },
];
function play(gadget: Gadget, stimuli: Stimulus[], untilMs: number) {
  const machine = new Machine(gadget, 1);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(untilMs * 1_000);
  const trace: TraceEntry[] = machine.takeTrace();
  const state = machine.shown.outputs['o1']!;
  if (state.kind !== 'text') throw new Error('expected a display of characters');
  const display = gadget.outputs.find(({ id }) => id === 'o1') as TextDisplay;
  return {
    trace,
    rows: rowsOn(display, state.glass),
    pages: trace.filter((entry) => entry.lane === 'screen'),
  };
}
/** A character behind the chip: six bytes of nine bits, at 100 kHz. Source: reckoning, Buses and screens. */
const characterUs = 540;

describe('a display of characters with pages', () => {
  const page = [textAt('Count {v1}')];
  it('shows its first page, with the values of the moment, and another as those change', () => {
    const { rows, pages } = play(counting(page), press(100), 400);
    expect(rows).toEqual(['Count 9', '']);
    expect(pages.map((entry) => entry.lane === 'screen' && entry.texts)).toEqual([['Count 8'], ['Count 9']]);
  });
  it('takes its bus the time of what is sent: a command, and each character that is another', () => {
    const sent = (gadget: Gadget) => play(gadget, press(100), 400).pages.map(({ atUs }) => atUs);
    const gadget = counting(page, { sends: 'blocking' });
    // Seven characters, of which one is a blank as before: two runs of five and one.
    expect(displayCells(gadget, 'o1')).toEqual({ moveUs: characterUs, characterUs, startUs: 0 });
    const [first, second] = sent(gadget);
    expect(first).toBe((2 + 6) * characterUs);
    // One digit is another.
    expect((second! - (1 + 1) * characterUs) % 1_000).toBe(0);
    // All of it: two commands and 32 characters.
    expect(sent(counting(page, { sends: 'blocking', update: 'whole' }))[0]).toBe((2 + 32) * characterUs);
    expect(sent(counting(page, { sends: 'blocking' }, { startUs: 50_000 }))[0]).toBe(
      50_000 + (2 + 6) * characterUs,
    );
    // Told by nothing that takes time, it is there at once.
    expect(sent(counting(page, { sends: 'free' }))[0]).toBe(0);
  });
  it('takes as long without pages, too, where rows are written', () => {
    const gadget = counting([], { sends: 'blocking' });
    const write = rule('r1', readRule('when Key press do Rows row 1 "Hot"', gadget));
    const told = {
      ...gadget,
      flow: { ...gadget.flow, states: [state('s1', { name: 'All', rules: [write] })] },
    };
    const { trace, rows } = play(told, press(100), 400);
    expect(rows[0]).toBe('Hot');
    // "Hot" and the command in front.
    const waits = trace.flatMap((entry) => (entry.lane === 'busy' ? [entry.forUs] : []));
    expect(waits).toEqual([4 * characterUs]);
  });
  it('writes over a page, and lets it through again', () => {
    const gadget = counting(page);
    const write = (id: string, line: string) => rule(id, readRule(line, gadget));
    const rules = [
      write('r1', 'when Key press do Rows row 1 "Hot"'),
      write('r2', 'when Key release do Rows row 1 ""'),
    ];
    const told = { ...gadget, flow: { ...gadget.flow, states: [state('s1', { name: 'All', rules })] } };
    expect(play(told, press(100), 150).rows[0]).toBe('Hot');
    expect(play(told, press(100), 400).rows[0]).toBe('Count 8');
  });
  it('is dark without power, and begins with its first page again', () => {
    const cycle: Stimulus = { atUs: 300_000, controlId: 'gadget', what: 'power', event: 'cycle' };
    const texts = play(counting(page), [...press(100), cycle], 500).pages.map(
      (entry) => entry.lane === 'screen' && entry.texts.join(),
    );
    expect(texts).toEqual(['Count 8', 'Count 9', '', 'Count 8']);
  });
  it('goes on after an edit as it was, and is bare where its last page is taken away', () => {
    const machine = new Machine(counting(page), 1);
    machine.advanceTo(100_000);
    machine.adopt(counting([textAt('Now {v1}')]));
    machine.advanceTo(200_000);
    const rows = () => {
      const shownNow = machine.shown.outputs['o1']!;
      return shownNow.kind === 'text' ? rowsOn(made(16, 2), shownNow.glass) : [];
    };
    expect(rows()[0]).toBe('Now 8');
    machine.adopt(counting([]));
    machine.advanceTo(300_000);
    expect(rows().join('')).toBe('');
  });
  it('comes out the same, wherever a run is cut and goes on from JSON', () => {
    const gadget = counting([textAt('Count {v1}'), numberAt('v1', { x: '12', blinks: 'slow' })], {
      sends: 'background',
    });
    const whole = play(gadget, press(100), 900).trace;
    for (const cutMs of [1, 97, 101, 250, 600]) {
      const machine = new Machine(gadget, 1);
      for (const stimulus of press(100)) machine.stimulate(stimulus);
      machine.advanceTo(cutMs * 1_000);
      const before = machine.takeTrace();
      const again = Machine.restore(gadget, JSON.parse(JSON.stringify(machine.snapshot())) as never);
      again.advanceTo(900_000);
      expect([...before, ...again.takeTrace()]).toEqual(whole);
    }
  });
  it('has no place for what is drawn in pixels', () => {
    const box = { kind: 'drawBox', outputId: 'o1', onlyIf: '1', blinks: 'steady', group: 0, ink: '1', x: '0', y: '0', width: '4', height: '1', how: 'outline' } as const; // prettier-ignore
    const parsed = gadgetSchema.safeParse(counting([box]));
    expect(parsed.success).toBe(false);
    expect(gadgetSchema.safeParse(counting(page)).success).toBe(true);
  });
});

describe('ways to tell a display of characters', () => {
  const told = (gadget: Gadget) =>
    policiesOf(gadget, 'o1')!.all.map(({ sends, update, pageUs, changeUs, bytes }) => [
      sends,
      update,
      pageUs,
      changeUs,
      bytes,
    ]);
  it('are reckoned from what its pages can change to, and the memory to know it by', () => {
    const gadget = counting([textAt('Count {v1}')], { sends: 'blocking' });
    // All: two commands and 32 characters. Most that changes: from 8 to 99, a command and two characters.
    const [all, most] = [34 * characterUs, 3 * characterUs];
    expect(told(gadget)).toEqual([
      ['blocking', 'whole', all, all, 0],
      ['blocking', 'changed', all, most, 32],
      ['background', 'whole', all, all, 32],
      ['background', 'changed', all, most, 64],
    ]);
    // 54 a second, and no press is slept through: the first that keeps up asks least.
    expect(policiesOf(gadget, 'o1')!.best).toMatchObject({
      sends: 'blocking',
      update: 'whole',
      perSecond: 54,
    });
    // Without pages, a row.
    expect(told(counting([]))[1]).toEqual(['blocking', 'changed', all, 17 * characterUs, 32]);
    // Four rows of forty: a press would be slept through.
    const large = policiesOf(counting([], { columns: 40, rows: 4, mostHz: 5 }), 'o1')!;
    expect(large.best).toMatchObject({ sends: 'background', update: 'whole' });
  });
  it('are none where it has no controller of its own', () => {
    const gadget = counting([]);
    const digits = { ...gadget, parts: [part('p1', 'seven-segment', ['o1'])] };
    expect(policiesOf(digits, 'o1')).toBeNull();
  });
});

describe('what can be seen of it', () => {
  it('is as wide as such displays usually are, unless it is said', () => {
    const display = outputOf('text', 'Rows') as TextDisplay;
    // Sixteen characters of five dots and fifteen gaps, 0.56 mm each.
    expect(cellsWideMm(display)).toBeCloseTo(95 * 0.56, 6);
    expect(cellsWideMm({ ...display, wideMm: 64 })).toBe(64);
  });
});

describe('what is wrong with a page of characters', () => {
  const found = (elements: OutputAction[], patch: Patch = {}) =>
    checkGadget(counting(elements, patch)).snags.filter(({ rule: id }) => /^S0/.test(id));
  it('is a text that goes over the edge at its longest, by places', () => {
    expect(found([textAt('Count {v1}', '8')])).toEqual([]);
    expect(found([textAt('Count {v1}', '9')])).toMatchObject([
      { rule: 'S01', values: { reason: 'edge', length: 8, left: 9, right: 16, widthPx: 16, kind: 'text' } },
    ]);
    expect(found([textAt('Hot', '0', '2')])).toMatchObject([{ rule: 'S01', values: { reason: 'height' } }]);
  });
  it('is a character that the display has no shape for, not that a font lacks', () => {
    expect(found([textAt('Heiß')])).toMatchObject([
      { rule: 'S04', values: { characters: 'ß', font: '', cells: 'dots' } },
    ]);
  });
  it('saves the place of a point on segments', () => {
    const segments: Patch = { cells: 'seven', columns: 4, rows: 1 };
    expect(found([textAt('{v1}.5', '1')], segments)).toEqual([]);
    expect(found([textAt('{v1}55', '1')], segments)).toMatchObject([{ rule: 'S01' }]);
  });
  it('is telling all of it for longer than a press lasts', () => {
    const slow = (update: 'whole' | 'changed') =>
      counting([textAt('Hot')], { sends: 'blocking', update, columns: 40, rows: 4 });
    const told = checkGadget(slow('whole')).snags.filter(({ rule: id }) => id === 'S02');
    // 4 · (1 + 40) of 540 µs.
    expect(told).toMatchObject([{ values: { reason: 'press', pictureUs: 4 * 41 * characterUs } }]);
    expect(measuresOf({ kind: 'text', columns: 40, rows: 4 })).toEqual({ widthPx: 40, heightPx: 4 });
  });
});
