import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openGadget, type Button, type Gadget, type Screen } from '../gadget/index.ts';
import { replay, type Stimulus, type TraceEntry } from '../machine/index.ts';
import { bitmapArt } from '../picture/index.ts';
import { drawnBitmap, pageTried, stockOf } from '../screen/index.ts';
import { runTrial, trialSchema } from '../trial/index.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import { readGadget, readGadgetText } from './index.ts';

/* Documents of every release, as they were written then: they open, and play to the byte as they did. */

const stored = (file: string) => readFileSync(join(__dirname, '../test/stored', file), 'utf8');

/** Traces as they were written when these were made: the unit was not in the name of the time. */
function asThen(trace: readonly TraceEntry[]): string {
  return JSON.stringify(trace.map(({ atUs, ...rest }) => ({ at: atUs, ...rest })));
}

/** The stove is stirred and turned up, and switched off and on at last. */
const evening: Stimulus[] = [
  { atUs: 500_000, controlId: 'b1', what: 'down' },
  { atUs: 590_000, controlId: 'b1', what: 'up' },
  { atUs: 1_500_000, controlId: 'b2', what: 'turn', detents: 4, overUs: 300_000 },
  { atUs: 9_000_000, controlId: 'b1', what: 'down' },
  { atUs: 9_090_000, controlId: 'b1', what: 'up' },
  { atUs: 11_000_000, controlId: 'gadget', what: 'power', event: 'cycle' },
];

/** The sum of all pages, at first and at most, and of an evening with it; made when its release was the newest. */
function drawnAndPlayed(gadget: Gadget): string {
  const trace = replay(gadget, evening, 12_000_000, 5);
  const pixels = gadget.pages.flatMap(({ id, outputId }) => {
    const screen = gadget.outputs.find((output) => output.id === outputId) as Screen;
    return (['start', 'most'] as const).flatMap((trying) => {
      return bitmapArt(drawnBitmap(screen, pageTried(gadget, id, trying).drawn, stockOf(gadget)));
    });
  });
  expect(pixels).toHaveLength(384);
  return createHash('sha256')
    .update(JSON.stringify(trace) + pixels.join('\n'))
    .digest('hex');
}

describe('a gadget with one button', () => {
  it('plays its stored trials to the byte, for ever', () => {
    const read = readGadgetText(stored('kettle.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    const trials = (JSON.parse(stored('kettle.trials.json')) as unknown[]).map((trial) =>
      trialSchema.parse(trial),
    );
    const traces = trials.map((trial) => asThen(runTrial(read.gadget, trial).trace));
    // Made by the first version of the document. A difference means that gadgets made before now play otherwise.
    expect(createHash('sha256').update(traces.join('\n')).digest('hex')).toBe(stored('kettle.sha256').trim());
  });
});

describe('a document of the first release', () => {
  it('opens with a part for everything it had, and plays as it did', () => {
    const read = readGadgetText(stored('version-1.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(1);
    const { parts, controls, outputs, wiring, brief } = read.gadget;
    expect(parts.map(({ kind, plays }) => [kind, plays])).toEqual([
      ['push-button', [controls[0]!.id]],
      ...outputs.map(({ id, kind }) => [
        ({ light: 'light', text: 'character-display', tone: 'piezo' } as Record<string, string>)[kind],
        [id],
      ]),
    ]);
    expect(wiring).toEqual({
      boardId: null,
      boards: [],
      radioOn: false,
      sets: [],
      wires: [],
      companions: [],
    });
    expect(brief.tasks[0]).toMatchObject({ doneWhen: null, circumstances: [] });
    const press = [
      { atUs: 500_000, controlId: controls[0]!.id, what: 'down' as const },
      { atUs: 590_000, controlId: controls[0]!.id, what: 'up' as const },
    ];
    const trace = asThen(replay(read.gadget, press, 30_000_000, 5));
    // Made when that release was the newest. A difference means that gadgets made then play otherwise now.
    expect(createHash('sha256').update(trace).digest('hex')).toBe(stored('version-1.sha256').trim());
  });

  it('that cannot be carried over says which step failed, and keeps its hands off', () => {
    const raw = { ...(JSON.parse(stored('version-1.json')) as object), controls: 'none' };
    expect(readGadget(raw)).toMatchObject({ outcome: 'migration-failed', step: 'PartsAndWiring' });
    expect(raw.controls).toBe('none');
  });
});

describe('a document of the second release', () => {
  const read = readGadgetText(stored('version-2.json'));
  if (read.outcome !== 'opened') throw new Error(read.message);
  const { gadget } = read;

  it('opens with a control for everything that turns, and plays as it did', () => {
    expect(read.migratedFrom).toBe(2);
    const ends = (kind: string) => gadget.parts.find((part) => part.kind === kind)!.plays;
    const kindOf = (id: string) => gadget.controls.find((control) => control.id === id)!.kind;
    expect(ends('encoder-push').map(kindOf)).toEqual(['button', 'encoder']);
    expect(ends('potentiometer').map(kindOf)).toEqual(['knob']);
    const press = ['b1', 'b5', 'b13', 'b8', 'b14'].flatMap((controlId, n) => [
      { atUs: 500_000 + n * 140_000, controlId, what: 'down' as const },
      { atUs: 590_000 + n * 140_000, controlId, what: 'up' as const },
    ]);
    const trace = asThen(replay(gadget, press, 5_000_000, 5));
    // Made when that release was the newest.
    expect(createHash('sha256').update(trace).digest('hex')).toBe(stored('version-2.sha256').trim());
  });

  it('keeps each debouncing as it was, both ways alike', () => {
    const raw = JSON.parse(stored('version-2.json')) as { controls: { id: string; debounce: object }[] };
    for (const { id, debounce } of raw.controls) {
      const control = gadget.controls.find((one) => one.id === id)!;
      expect(control).toMatchObject({
        debounce,
        wants: { purpose: 'game' },
        gestures: { longerHoldsUs: [] },
      });
      const { params } = (control as Button).debounce;
      expect(params.releaseUs).toBe(params.lockUs ?? params.settleUs);
    }
  });
});

describe('a document of the third release', () => {
  const read = readGadgetText(stored('version-3.json'));
  if (read.outcome !== 'opened') throw new Error(read.message);
  const { gadget } = read;

  it('opens with flat states, numbers and ends for what moves or sends, and plays as it did', () => {
    expect(read.migratedFrom).toBe(3);
    expect(gadget.flow.states.every(({ parentId, kind }) => parentId === null && kind === 'plain')).toBe(
      true,
    );
    expect(gadget.outputs.map(({ kind }) => kind)).toContain('midi');
    const buttons = ['b1', 'b2', 'b3'].flatMap((controlId, n) => [
      { atUs: 300_000 + n * 500_000, controlId, what: 'down' as const },
      { atUs: 390_000 + n * 500_000, controlId, what: 'up' as const },
    ]);
    const hands = [
      ...buttons,
      { atUs: 4_000_000, controlId: 'b4', what: 'turn' as const, detents: 3, overUs: 200_000 },
      { atUs: 5_000_000, controlId: 'b1', what: 'down' as const },
      { atUs: 6_200_000, controlId: 'b1', what: 'up' as const },
    ];
    const trace = asThen(replay(gadget, hands, 8_000_000, 5));
    // Made when that release was the newest.
    expect(createHash('sha256').update(trace).digest('hex')).toBe(stored('version-3.sha256').trim());
  });
});

describe('a document of the fourth release', () => {
  it('plays as it did', () => {
    const read = readGadgetText(stored('version-4.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(4);
    const dial = read.gadget.controls[1]!.id;
    const hands = [
      { atUs: 300_000, controlId: 'b1', what: 'down' as const },
      { atUs: 390_000, controlId: 'b1', what: 'up' as const },
      { atUs: 4_000_000, controlId: dial, what: 'turn' as const, detents: 3, overUs: 200_000 },
      { atUs: 6_000_000, controlId: 'b1', what: 'down' as const },
      { atUs: 6_090_000, controlId: 'b1', what: 'up' as const },
    ];
    const trace = asThen(replay(read.gadget, hands, 20_000_000, 5));
    // Made when that release was the newest.
    expect(createHash('sha256').update(trace).digest('hex')).toBe(stored('version-4.sha256').trim());
  });

  it('gets texts that can be read, and history that leads somewhere', () => {
    const raw = JSON.parse(stored('version-4.json')) as {
      name: string;
      brief: { purpose: string };
      controls: { name: string }[];
      flow: { states: Record<string, unknown>[] };
    };
    raw.name = 'Kettle\ud83d';
    raw.brief.purpose = 'turned \u202egnikool';
    raw.controls[0]!.name = '\u200b\u2060';
    const home = raw.flow.states.find(({ parentId }) => parentId !== null)!.parentId;
    const history = (id: string, to: string) => ({
      ...raw.flow.states[0],
      id,
      name: id,
      kind: 'history',
      parentId: home,
      entry: [],
      exit: [],
      rules: [],
      initial: { targetIds: [to], actions: [] },
    });
    raw.flow.states.push(history('s901', 's902'), history('s902', 's901'), history('s903', 's901'));
    const read = readGadgetText(JSON.stringify(raw));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.gadget).toMatchObject({ name: 'Kettle\ufffd', brief: { purpose: 'turned gnikool' } });
    expect(read.gadget.controls[0]!.name).toBe('Unnamed');
    const begins = read.gadget.flow.states.slice(-3).map(({ initial }) => initial?.targetIds ?? null);
    expect(begins).toEqual([null, null, ['s901']]);
    // As the newest version has it, it is refused at the door.
    const circle = structuredClone(read.gadget);
    circle.flow.states.at(-1)!.initial = { targetIds: ['s903'], actions: [] };
    expect(openGadget(circle)).toMatchObject({ outcome: 'invalid' });
  });
});

describe('a document of the fifth release', () => {
  it('opens with nothing said of its states, and plays as it did', () => {
    const read = readGadgetText(stored('version-5.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect([read.migratedFrom, read.gadget.flow.marks]).toEqual([5, []]);
    const keys = ['b1', 'b5', 'b9'].flatMap((controlId, n) => [
      { atUs: 500_000 + n * 140_000, controlId, what: 'down' as const },
      { atUs: 590_000 + n * 140_000, controlId, what: 'up' as const },
    ]);
    const hands = [
      ...keys,
      { atUs: 2_000_000, controlId: 'b15', what: 'turn' as const, detents: 3, overUs: 200_000 },
      { atUs: 3_000_000, controlId: 'b16', what: 'move' as const, perMille: 900, overUs: 300_000 },
    ].sort((a, b) => a.atUs - b.atUs);
    const trace = asThen(replay(read.gadget, hands, 6_000_000, 5));
    // Made when that release was the newest.
    expect(createHash('sha256').update(trace).digest('hex')).toBe(stored('version-5.sha256').trim());
  });
});

describe('a document of the sixth release', () => {
  it('shows its lists in rows as it did, and plays as it did', () => {
    const read = readGadgetText(stored('version-6.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(6);
    expect(read.gadget.flow.states.flatMap(({ entry }) => entry)).toContainEqual(
      expect.objectContaining({ kind: 'listRow', row: 1, glyphs: ' .#' }),
    );
    const hands: Stimulus[] = [
      { atUs: 500_000, controlId: 'b1', what: 'down' },
      { atUs: 590_000, controlId: 'b1', what: 'up' },
      { atUs: 1_500_000, controlId: 'b4', what: 'turn', detents: 2, overUs: 200_000 },
      { atUs: 3_000_300, controlId: 'o4', what: 'line', text: 'dim 40' },
      { atUs: 4_000_000, controlId: 'b3', what: 'down' },
      { atUs: 5_200_000, controlId: 'b3', what: 'up' },
    ];
    const trace = replay(read.gadget, hands, 8_000_000, 5);
    expect(trace).toContainEqual({ atUs: 0, lane: 'text', id: 'o1', row: 1, text: '  .   ' });
    // Made when that release was the newest.
    const sum = createHash('sha256').update(JSON.stringify(trace)).digest('hex');
    expect(sum).toBe(stored('version-6.sha256').trim());
  });
});

describe('a document of the seventh release', () => {
  it('has its characters on a display of pixels without pages, and plays as it did', () => {
    const read = readGadgetText(stored('version-7.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(7);
    expect(read.gadget.pages).toEqual([]);
    expect(read.gadget.outputs[1]).toEqual({
      id: 'o2',
      kind: 'screen',
      name: 'Little screen',
      dims: null,
      widthPx: 128,
      heightPx: 64,
      columns: 16,
      rows: 2,
      sends: 'free',
      update: 'whole',
      mostHz: 20,
      wideMm: 51,
      depth: 'mono',
      palette: ['#141b18', '#e9f2c9'],
    });
    const trace = replay(read.gadget, evening, 12_000_000, 5);
    expect(trace.filter(({ lane }) => lane === 'text')).toHaveLength(33);
    // Made when that release was the newest.
    const sum = createHash('sha256').update(JSON.stringify(trace)).digest('hex');
    expect(sum).toBe(stored('version-7.sha256').trim());
  });
  it('keeps a character display as it is, and says which step a broken one failed in', () => {
    const raw = JSON.parse(stored('version-7.json')) as { parts: { kind: string; plays: string[] }[] };
    const parts = raw.parts.map((part) =>
      part.plays.includes('o2') ? { ...part, kind: 'character-display', figures: {} } : part,
    );
    const read = openGadget({ ...raw, parts });
    expect(read.outcome === 'opened' && read.gadget.outputs[1]!.kind).toBe('text');
    expect(openGadget({ ...raw, outputs: 'none' })).toMatchObject({
      outcome: 'migration-failed',
      step: 'Pages',
    });
  });
});

describe('a document of the eighth release', () => {
  it('has no menu, and plays as it did', () => {
    const read = readGadgetText(stored('version-8.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(8);
    expect(read.gadget.menus).toEqual([]);
    expect(read.gadget.pages).toHaveLength(3);
    const trace = replay(read.gadget, evening, 12_000_000, 5);
    expect(trace.filter(({ lane }) => lane === 'screen').length).toBeGreaterThan(10);
    // Made when that release was the newest.
    const sum = createHash('sha256').update(JSON.stringify(trace)).digest('hex');
    expect(sum).toBe(stored('version-8.sha256').trim());
  });
});

describe('a document of the ninth release', () => {
  it('has no picture, and plays as it did, through its menu', () => {
    const read = readGadgetText(stored('version-9.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(9);
    expect(read.gadget.pictures).toEqual([]);
    const setting: Stimulus[] = [
      { atUs: 500_000, controlId: 'b3', what: 'down' },
      { atUs: 2_500_000, controlId: 'b3', what: 'up' },
      { atUs: 3_000_000, controlId: 'b1', what: 'down' },
      { atUs: 3_090_000, controlId: 'b1', what: 'up' },
      { atUs: 4_000_000, controlId: 'b4', what: 'turn', detents: 2, overUs: 300_000 },
      { atUs: 5_000_000, controlId: 'b1', what: 'down' },
      { atUs: 5_090_000, controlId: 'b1', what: 'up' },
      { atUs: 6_000_000, controlId: 'b2', what: 'down' },
      { atUs: 6_090_000, controlId: 'b2', what: 'up' },
      { atUs: 11_000_000, controlId: 'gadget', what: 'power', event: 'cycle' },
    ];
    const trace = replay(read.gadget, setting, 12_000_000, 5);
    expect(trace.flatMap((entry) => (entry.lane === 'text' ? [entry.text] : []))).toContain('>Glow');
    // Made when that release was the newest.
    const sum = createHash('sha256').update(JSON.stringify(trace)).digest('hex');
    expect(sum).toBe(stored('version-9.sha256').trim());
  });
});

describe('a document of the tenth release', () => {
  it('is drawn in one ink, to the same pixels, and plays as it did', () => {
    const read = readGadgetText(stored('version-10.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(10);
    const { gadget } = read;
    expect(gadget.pages.flatMap(({ elements }) => elements)).toContainEqual(
      expect.objectContaining({ kind: 'drawBar', ink: '1', blinks: 'steady', blocks: 0 }),
    );
    expect(drawnAndPlayed(gadget)).toBe(stored('version-10.sha256').trim());
  });
});

describe('a document of the eleventh release', () => {
  it('has displays that never dim, numbers as they are, and is drawn and played as it was', () => {
    const read = readGadgetText(stored('version-11.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(11);
    const { gadget } = read;
    const elements = gadget.pages.flatMap((page) => page.elements);
    expect(elements).toContainEqual(expect.objectContaining({ kind: 'drawBar', peakMs: 0 }));
    expect(elements).toContainEqual(expect.objectContaining({ kind: 'drawPlot', unknownIf: '0' }));
    expect(gadget.menus.flatMap(({ items }) => items)).toEqual([
      expect.objectContaining({ kind: 'value', format: 'plain' }),
      expect.objectContaining({ kind: 'reading', format: 'plain' }),
    ]);
    expect(gadget.outputs).toContainEqual(expect.objectContaining({ kind: 'screen', dims: null }));
    expect(drawnAndPlayed(gadget)).toBe(stored('version-11.sha256').trim());
  });
});

describe('a document of the twelfth release', () => {
  it('opens with nothing put together and displays that are there at once, and plays and looks as it did', () => {
    const read = readGadgetText(stored('version-12.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(12);
    const { gadget } = read;
    const elements = gadget.pages.flatMap((page) => page.elements);
    expect(elements.length).toBeGreaterThan(0);
    expect(elements.every((element) => 'group' in element && element.group === 0)).toBe(true);
    const display = gadget.parts.find(({ kind }) => kind === 'graphic-display-two-wire')!;
    expect(display.figures).toEqual({ turned: 2, startUs: 0 });
    expect(drawnAndPlayed(gadget)).toBe(stored('version-12.sha256').trim());
  });
});

describe('a document of the thirteenth release', () => {
  it('opens with MIDI that takes no time on its wire, and plays as it did', () => {
    const read = readGadgetText(stored('version-13.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(13);
    const { gadget } = read;
    expect(gadget.outputs.filter(({ kind }) => kind === 'midi')).toMatchObject([
      { transport: 'free', runningStatus: false, queueBytes: 64, overload: 'wait', shared: 'last' },
    ]);
    const keys = gadget.controls.filter(({ kind }) => kind === 'button').slice(0, 6);
    const hands = keys.flatMap(({ id: controlId }, n) => [
      { atUs: 300_000 + n * 500_000, controlId, what: 'down' as const },
      { atUs: 390_000 + n * 500_000, controlId, what: 'up' as const },
    ]);
    const trace = replay(gadget, hands, 6_000_000, 5);
    expect(trace.filter(({ lane }) => lane === 'midi')).toHaveLength(12);
    // Made when that release was the newest.
    const sum = createHash('sha256').update(JSON.stringify(trace)).digest('hex');
    expect(sum).toBe(stored('version-13.sha256').trim());
  });
});

/** Twelve keys of an instrument, one after the other: what is sent and sounds, and the sum of all that happens. */
function keysPlayed(gadget: Gadget, { everyUs, heldUs }: { everyUs: number; heldUs: number }) {
  const keys = gadget.controls.filter(({ kind }) => kind === 'button').slice(0, 12);
  const hands = keys.flatMap(({ id: controlId }, n) => [
    { atUs: 300_000 + n * everyUs, controlId, what: 'down' as const },
    { atUs: 300_000 + heldUs + n * everyUs, controlId, what: 'up' as const },
  ]);
  const trace = replay(gadget, hands, 7_000_000, 5);
  return {
    midi: trace.filter(({ lane }) => lane === 'midi').length,
    tones: trace.filter(({ lane }) => lane === 'tone').length,
    // The stored one was made when its release was the newest.
    sum: createHash('sha256').update(JSON.stringify(trace)).digest('hex'),
  };
}

describe('a document of the fourteenth release', () => {
  it('opens with lists and tables of one column, and notes that end with the last key, and plays as it did', () => {
    const read = readGadgetText(stored('version-14.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(14);
    const { gadget } = read;
    const inRows = gadget.flow.variables.filter(({ kind }) => kind === 'list' || kind === 'table');
    expect(inRows.length).toBeGreaterThan(1);
    expect(inRows).toMatchObject(inRows.map(() => ({ columns: 1 })));
    expect(gadget.outputs.filter(({ kind }) => kind === 'midi')).toMatchObject([{ shared: 'last' }]);
    expect(gadget.outputs.filter(({ kind }) => kind === 'tone')).toMatchObject([
      { takes: 'last', turnUs: 20_000, perOctave: 12 },
    ]);
    expect(keysPlayed(gadget, { everyUs: 500_000, heldUs: 90_000 })).toEqual({
      midi: 48,
      tones: 24,
      sum: stored('version-14.sha256').trim(),
    });
  });
});

describe('a document of the fifteenth release', () => {
  it('opens with no tunes, and plays as it did', () => {
    const read = readGadgetText(stored('version-15.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(15);
    const { gadget } = read;
    expect(gadget.tunes).toEqual([]);
    expect(keysPlayed(gadget, { everyUs: 400_000, heldUs: 800_000 })).toEqual({
      midi: 24,
      tones: 13,
      sum: stored('version-15.sha256').trim(),
    });
  });
});

describe('a document of the seventeenth release', () => {
  it('opens with every sound of a file on a card, and plays as it did', () => {
    const read = readGadgetText(stored('version-17.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(17);
    expect(keysPlayed(read.gadget, { everyUs: 400_000, heldUs: 800_000 })).toEqual({
      midi: 24,
      tones: 13,
      sum: stored('version-17.sha256').trim(),
    });
    const { outputs, parts, ...rest } = JSON.parse(stored('version-17.json')) as Record<string, object[]>;
    const files = [{ number: 1, name: 'Thunder', lengthUs: 900_000 }];
    const told = { id: 'o99', kind: 'player', name: 'Storm', files, tellUs: 10_417, startUs: 150_000 };
    const part = {
      ...parts![0]!,
      id: 'p99',
      kind: 'sound-player',
      name: 'Storm',
      figures: {},
      plays: ['o99'],
    };
    const more = readGadgetText(JSON.stringify({ ...rest, outputs: [...outputs!, told], parts: [...parts!, part] })); // prettier-ignore
    if (more.outcome !== 'opened') throw new Error(more.message);
    expect(more.gadget.outputs.at(-1)).toEqual({ ...told, samples: null, nearCm: 40 });
  });
});

describe('a document of the sixteenth release', () => {
  it('opens with MIDI that passes nothing on, and plays as it did', () => {
    const read = readGadgetText(stored('version-16.json'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    expect(read.migratedFrom).toBe(16);
    const { gadget } = read;
    expect(gadget.outputs.filter(({ kind }) => kind === 'midi')).toMatchObject([
      { passes: 'nothing', passedChannels: [] },
    ]);
    expect(keysPlayed(gadget, { everyUs: 400_000, heldUs: 800_000 })).toEqual({
      midi: 24,
      tones: 13,
      sum: stored('version-16.sha256').trim(),
    });
  });

  it('has notes of tunes as loud as can be', () => {
    const document = JSON.parse(stored('version-16.json')) as object;
    const tune = { ...tuneOf([notesInTurn([[2, 60], [1, 64, { kind: 'slide', steps: 1 }]])]), againFrom: 0 }; // prettier-ignore
    const quiet = tune.voices.map((voice) => ({
      ...voice,
      notes: voice.notes.map(({ percent: _none, ...note }) => note),
    }));
    const read = readGadgetText(JSON.stringify({ ...document, tunes: [{ ...tune, voices: quiet }] }));
    expect(read).toMatchObject({ outcome: 'opened', gadget: { tunes: [tune] } });
    const broken = readGadgetText(JSON.stringify({ ...document, tunes: [{ ...tune, voices: 7 }] }));
    expect(broken).toMatchObject({ outcome: 'migration-failed' });
  });

  it('has players of files told as outputs of their own', () => {
    const document = JSON.parse(stored('version-16.json')) as { parts: object[] };
    const bare = { own: null, priceCents: null, quantity: 1, have: 0, plays: [] };
    const two = [
      { ...bare, id: 'p98', kind: 'sound-player', name: 'Storm', figures: {} },
      { ...bare, id: 'p99', kind: 'sound-player', name: 'Crowd', figures: { baud: 19_200, startUs: 90_000 } },
    ];
    const read = readGadgetText(JSON.stringify({ ...document, parts: [...document.parts, ...two] }));
    if (read.outcome !== 'opened') throw new Error(read.message);
    const players = read.gadget.outputs.filter(({ kind }) => kind === 'player');
    expect(players).toMatchObject([
      { name: 'Storm', files: [], tellUs: 10_417, startUs: 150_000 },
      { name: 'Crowd', files: [], tellUs: 5_208, startUs: 90_000 },
    ]);
    expect(read.gadget.parts.slice(-2).flatMap(({ plays }) => plays)).toEqual(players.map(({ id }) => id));
  });
});
