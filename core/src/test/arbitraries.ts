import * as fc from 'fast-check';
import { switchModels, contactOf, type SwitchModel } from '../contact/index.ts';
import { algorithms } from '../debounce/index.ts';
import {
  aligns,
  blinkings,
  boxKinds,
  dialKinds,
  legendEdges,
  plotKinds,
  pictureKinds,
  codeGestures,
  emptyGadget,
  fontNames,
  gestureKinds,
  growths,
  isElement,
  keyGestures,
  kindsTold,
  midiMessages,
  passings,
  syncMessages,
  numberFormats,
  type OutputAction,
  paints,
  powerEvents,
  type Action,
  type Button,
  type Control,
  type DebounceSetting,
  type Chord,
  type ContactFigures,
  type Edge,
  type Gadget,
  type GestureSetting,
  type Layer,
  type LayerKey,
  noWiring,
  type LightMode,
  type Saved,
  type Tune,
  type Rule,
  blankState,
  emptyFlow,
} from '../gadget/index.ts';
import { wholeGadget, type Stimulus } from '../machine/index.ts';
import { effectKinds } from '../notes/index.ts';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import { dotted, partsFor, numberVariable } from './fixtures.ts';

const protectUs = fc.integer({ min: 0, max: 30 }).map((n) => n * 700);

/** Any setting of any algorithm that protects for a time which is small enough to matter, apart for both ways. */
export const settingArbitrary: fc.Arbitrary<DebounceSetting> = fc
  .tuple(fc.constantFrom(...algorithms), protectUs, protectUs, fc.boolean())
  .map(([{ id, protecting, defaults, port }, pressUs, releaseUs, shared]) => ({
    algorithm: id,
    params: protecting(pressUs, releaseUs, 1_000) ?? { ...defaults },
    wholePort: shared && port !== undefined,
  }));

/** Raw edges: alternating, strictly later, from open. */
export const edgesArbitrary: fc.Arbitrary<Edge[]> = fc
  .array(fc.oneof(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1_000, max: 60_000 })), {
    maxLength: 40,
  })
  .map((gaps) => {
    let atUs = 0;
    return gaps.map((gap, index) => ({ atUs: (atUs += gap), level: index % 2 === 0 ? 1 : 0 }) as Edge);
  });

const controlIds = ['b1', 'b2', 'b3'];
const otherIds = ['b4', 'b5', 'b6'];
const stateIds = ['s1', 's2', 's3', 's4'];
const delay = fc.integer({ min: 1_000, max: 400_000 });
const expression = fc.constantFrom(
  'v1 + 1',
  'v1 - v2',
  'random(7)',
  'v1 > 3 && v2 < 2',
  '!v1',
  '1',
  '(v1 * 3) % 5',
  '0',
  'v4 == v5[0]',
  'length(v4) + v6[v2]',
);

const template = fc.constantFrom('Heat {v1}', 'plain', '{random(9)}-{v2}', '{v4}{v5[v2 % 4]}', '');
const length = fc.oneof(delay, fc.constantFrom({ ms: 'v1 * 7' }, { ms: '20 + random(40)' }, { ms: '0' }));
const rows = fc.integer({ min: 0, max: 1 });
const lightMode: fc.Arbitrary<LightMode> = fc.oneof(
  fc.record({ mode: fc.constantFrom('on' as const, 'off' as const) }),
  fc.record({ mode: fc.constant('blink' as const), periodUs: delay.map((us) => us + 9_000) }),
  fc.record({
    mode: fc.constant('fade' as const),
    levelPercent: fc.integer({ min: 0, max: 100 }),
    overUs: delay,
  }),
  fc.record({
    mode: fc.constant('pattern' as const),
    steps: fc.constantFrom('#.', '##.#', '#'),
    stepUs: delay.map((us) => us + 9_000),
  }),
);

const paint = fc.constantFrom(...paints);
const lightsRange = {
  outputId: fc.constant('o7'),
  which: fc.constantFrom('all' as const, 'one' as const, 'range' as const),
  first: fc.constantFrom('0', 'v2', '3'),
  last: fc.constantFrom('3', '7', 'v1'),
};

const ofText = { variableId: fc.constant('v4'), index: fc.constant(null) };
const ofTexts = { variableId: fc.constant('v5'), index: fc.constantFrom('v2 % 4', '0') };

const unknown = { unknownIf: fc.constantFrom('0', 'v1 < 0', '1') };
const drawnAt = {
  outputId: fc.constant('o11'),
  blinks: fc.constantFrom(...blinkings),
  group: fc.constantFrom(0, 1, 2),
  ink: fc.constantFrom('1', 'v1'),
  onlyIf: fc.oneof({ weight: 3, arbitrary: fc.constant('1') }, { weight: 1, arbitrary: expression }),
  x: fc.constantFrom('0', 'v1', '64', '2147483647'),
  y: fc.constantFrom('0', '-3', 'v2 * 8', 'elapsed(s2) / 100'),
};
const writtenAt = {
  ...drawnAt,
  font: fc.constantFrom(...fontNames, 'z1'),
  align: fc.constantFrom(...aligns),
  inverted: fc.boolean(),
};
/** Two voices with all that notes do, in two sections that come again. */
const anyTune: Tune = {
  id: 'a1',
  name: 'Storm',
  beatsPerMinute: 140,
  stepsPerBeat: 3,
  swingPercent: 62,
  heldPercent: 85,
  sections: [
    { name: 'Calm', steps: 5, times: 2 },
    { name: 'Gale', steps: 8, times: 1 },
  ],
  againFrom: 1,
  voices: [
    {
      id: 'h1',
      name: 'Melody',
      notes: [
        { at: 0, steps: 2, note: 60, percent: 100, ornament: null },
        { at: 3, steps: 4, note: 67, percent: 60, ornament: { kind: 'vibrato', cents: 40 } },
        { at: 8, steps: 5, note: 72, percent: 100, ornament: { kind: 'slide', steps: 2 } },
      ],
    },
    {
      id: 'h2',
      name: 'Bass',
      notes: [
        { at: 0, steps: 5, note: 48, percent: 100, ornament: { kind: 'arpeggio', above: [4, 7] } },
        { at: 6, steps: 6, note: 43, percent: 100, ornament: null },
      ],
    },
  ],
};
/** Notes of the list v3 or the table v6, which a key holds. */
const keyNotes = {
  outputId: fc.constant('o4'),
  key: fc.constantFrom('0', '1', 'v1', 'random(7)'),
  variableId: fc.constantFrom('v3', 'v6'),
  row: fc.constantFrom('0', '1', 'v1'),
  by: fc.constantFrom('0', '60', 'v1'),
};
const drawnSize = {
  ...drawnAt,
  width: fc.constantFrom('40', 'v1', '-2'),
  height: fc.constantFrom('6', '1', '64'),
};

/** Every kind of thing that can happen, so that none is left out of what is tried at random. */
export const actionOf = {
  set: fc.oneof(
    fc.record({ variableId: fc.constantFrom('v1', 'v2'), index: fc.constant(null), value: expression }),
    fc.record({
      variableId: fc.constant('v3'),
      index: fc.constantFrom('v2 % 4', '1', '9', null),
      value: expression,
    }),
  ),
  setText: fc.oneof(fc.record({ ...ofText, text: template }), fc.record({ ...ofTexts, text: template })),
  append: fc.oneof(fc.record({ ...ofText, text: template }), fc.record({ ...ofTexts, text: template })),
  shorten: fc.record({ ...ofText, by: expression }),
  shift: fc.record({ variableId: fc.constant('v3'), value: expression }),
  light: fc.record({ outputId: fc.constant('o1'), light: lightMode }),
  level: fc.record({ outputId: fc.constant('o1'), percent: expression }),
  colour: fc.record({
    outputId: fc.constant('o1'),
    colour: fc.constantFrom('red' as const, 'blue' as const),
  }),
  text: fc.record({ outputId: fc.constant('o2'), row: rows, text: template }),
  sprite: fc.record({
    outputId: fc.constant('o2'),
    row: fc.constantFrom('0', 'v2 % 3'),
    column: fc.constantFrom('v1', '11'),
    text: template,
  }),
  listRow: fc.record({
    outputId: fc.constant('o2'),
    row: rows,
    variableId: fc.constant('v3'),
    glyphs: fc.constantFrom(' x', '.oO'),
  }),
  tone: fc.record({
    outputId: fc.constant('o3'),
    hz: fc.constantFrom('440', '200 + v1', '0'),
    lengthUs: fc.oneof(fc.constant(0), delay),
  }),
  tune: fc.record({
    outputId: fc.constant('o3'),
    notes: fc.array(fc.record({ hz: fc.constantFrom(0, 330, 880), lengthUs: delay }), {
      minLength: 1,
      maxLength: 4,
    }),
  }),
  silence: fc.record({ outputId: fc.constant('o3') }),
  loud: fc.record({ outputId: fc.constant('o3'), percent: expression }),
  pass: fc.record({ outputId: fc.constant('o4'), what: fc.constantFrom(...passings) }),
  sync: fc.record({ outputId: fc.constant('o4'), what: fc.constantFrom(...syncMessages) }),
  fine: fc.record({
    outputId: fc.constant('o4'),
    channel: fc.integer({ min: 1, max: 16 }),
    controller: expression,
    value: expression,
  }),
  exclusive: fc.record({
    outputId: fc.constant('o4'),
    bytes: fc.array(fc.integer({ min: 0, max: 127 }), { minLength: 1, maxLength: 4 }),
  }),
  midi: fc.record({
    outputId: fc.constant('o4'),
    message: fc.constantFrom(...midiMessages),
    channel: fc.integer({ min: 1, max: 16 }),
    first: expression,
    second: expression,
  }),
  type: fc.record({ outputId: fc.constant('o5'), text: template }),
  key: fc.record({
    outputId: fc.constant('o5'),
    key: fc.constantFrom('shift', 'a', 'enter', 'left', "'é"),
    how: fc.constantFrom('down', 'up', 'tap'),
  }),
  keysUp: fc.record({ outputId: fc.constant('o5') }),
  move: fc.record({ outputId: fc.constant('o6'), to: expression }),
  paintLights: fc.record({ ...lightsRange, colour: paint, percent: expression }),
  mixLights: fc.record({ ...lightsRange, red: expression, green: fc.constant('90'), blue: expression }),
  hueLights: fc.record({ ...lightsRange, hue: fc.constantFrom('40', '90 * v2'), percent: expression }),
  fillLights: fc.record({ ...lightsRange, amount: expression, colour: paint, percent: fc.constant('100') }),
  shiftLights: fc.record({ ...lightsRange, by: expression, round: fc.boolean() }),
  patternLights: fc.record({
    ...lightsRange,
    steps: fc.constantFrom('#.', '#..#'),
    colour: paint,
    percent: fc.constant('60'),
  }),
  blinkLights: fc.record({ ...lightsRange, period: length }),
  fadeLights: fc.record({
    ...lightsRange,
    through: fc.array(paint, { minLength: 1, maxLength: 6 }),
    over: length,
  }),
  switch: fc.record({ outputId: fc.constant('o8'), to: fc.constantFrom('on', 'off', 'open') }),
  pulse: fc.record({ outputId: fc.constant('o8'), to: fc.constantFrom('on', 'off'), length }),
  burst: fc.record({ outputId: fc.constant('o8'), carrierHz: expression, length }),
  showPage: fc.record({ outputId: fc.constant('o11'), pageId: fc.constantFrom('n1', 'n2', null) }),
  drawText: fc.record({ ...writtenAt, text: template }),
  drawNumber: fc.record({
    ...writtenAt,
    value: expression,
    format: fc.constantFrom(...numberFormats),
    places: fc.integer({ min: 0, max: 12 }),
    unit: fc.constantFrom('', '°'),
    ...unknown,
    instead: fc.constantFrom('--', ''),
  }),
  drawWord: fc.record({
    ...writtenAt,
    value: expression,
    words: fc.constantFrom(['low', 'high'], ['only']),
    ...unknown,
    instead: fc.constantFrom('--', ''),
  }),
  drawList: fc.record({
    ...drawnAt,
    font: fc.constantFrom(...fontNames, 'z1'),
    width: fc.constantFrom('60', 'v1'),
    rows: fc.integer({ min: 1, max: 4 }),
    variableId: fc.constant('v5'),
    cursor: fc.constantFrom('v2', '-1', '1'),
  }),
  drawRunning: fc.record({
    ...drawnAt,
    font: fc.constantFrom(...fontNames, 'z1'),
    width: fc.constantFrom('60', 'v1'),
    text: template,
    stepMs: fc.constantFrom(10, 50),
  }),
  drawLegends: fc.record({
    outputId: fc.constant('o11'),
    onlyIf: expression,
    blinks: fc.constantFrom(...blinkings),
    group: fc.constantFrom(0, 1, 2),
    ink: fc.constantFrom('1', 'v1'),
    font: fc.constantFrom(...fontNames, 'z1'),
    edge: fc.constantFrom(...legendEdges),
    words: fc.constantFrom(['Go', '', 'Back'], ['only']),
    inverted: fc.boolean(),
  }),
  drawPlot: fc.record({
    ...drawnSize,
    value: expression,
    low: fc.constantFrom('0', '-10'),
    high: fc.constantFrom('50', 'v1'),
    everyMs: fc.constantFrom(50, 1_000),
    how: fc.constantFrom(...plotKinds),
    ...unknown,
  }),
  drawWave: fc.record({ ...drawnSize, acrossUs: fc.constantFrom(100, 10_000) }),
  drawDial: fc.record({
    ...drawnAt,
    radius: fc.constantFrom('12', 'v1'),
    value: expression,
    low: fc.constantFrom('0', '-10'),
    high: fc.constantFrom('50', 'v1'),
    how: fc.constantFrom(...dialKinds),
    ...unknown,
  }),
  drawBar: fc.record({
    ...drawnSize,
    value: expression,
    low: fc.constantFrom('0', '-10'),
    high: fc.constantFrom('50', 'v1'),
    grows: fc.constantFrom(...growths),
    framed: fc.boolean(),
    blocks: fc.constantFrom(0, 5),
    peakMs: fc.constantFrom(0, 500),
    ...unknown,
  }),
  drawPicture: fc.record({
    ...drawnAt,
    pictureId: fc.constantFrom('f1', 'f2'),
    frame: expression,
    how: fc.constantFrom(...pictureKinds),
  }),
  play: fc.record({
    ...keyNotes,
    channel: fc.integer({ min: 1, max: 16 }),
    velocity: expression,
    again: fc.constantFrom('strike' as const, 'letGo' as const),
  }),
  letGo: fc.record({ outputId: fc.constant('o4'), key: expression }),
  letAllGo: fc.record({ outputId: fc.constant('o4') }),
  sing: fc.record({ ...keyNotes, outputId: fc.constant('o3') }),
  hush: fc.record({ outputId: fc.constant('o3'), key: expression }),
  perform: fc.record({
    outputId: fc.constant('o3'),
    tuneId: fc.constant('a1'),
    voiceId: fc.constantFrom(null, 'h1', 'h2'),
    by: fc.constantFrom('0', 'v1', '-12'),
    bpm: fc.constantFrom('0', '240', 'v1 * 9'),
  }),
  pace: fc.record({
    outputId: fc.constant('o3'),
    bpm: fc.constantFrom('0', '97', '60 + v2 * 40'),
    by: fc.constantFrom('0', 'v2'),
  }),
  finish: fc.record({ outputId: fc.constant('o3') }),
  effect: fc.record({
    outputId: fc.constant('o3'),
    effectId: fc.constantFrom('e1', 'e2'),
    byCents: fc.constantFrom('0', 'random(300) - 150', 'v1 * 100'),
  }),
  drawBox: fc.record({ ...drawnSize, how: fc.constantFrom(...boxKinds) }),
  drawLine: fc.record({ ...drawnAt, toX: expression, toY: fc.constantFrom('63', 'v2') }),
  give: fc.record({ outputId: fc.constant('o10'), value: expression }),
  playFile: fc.record({ outputId: fc.constant('o12'), number: expression, again: fc.boolean() }),
  stopFile: fc.record({ outputId: fc.constant('o12') }),
  loudFile: fc.record({ outputId: fc.constant('o12'), percent: expression }),
  say: fc.record({ outputId: fc.constant('o9'), text: template, ended: fc.boolean() }),
  save: fc.constant({}),
  recall: fc.constant({}),
  start: fc.record({ timerId: fc.constantFrom('m1', 'm2'), length, every: fc.boolean() }),
  stop: fc.record({ timerId: fc.constantFrom('m1', 'm2') }),
  raise: fc.record({ signalId: fc.constantFrom('g1', 'g2'), delay: fc.option(length) }),
  cancel: fc.record({ signalId: fc.constantFrom('g1', 'g2') }),
  wait: fc.record({ lengthUs: delay }),
} satisfies { [K in Action['kind']]: fc.Arbitrary<Omit<Extract<Action, { kind: K }>, 'kind'>> };

/** As often as all others of its output's kind together: one with many actions is not drawn the more. */
const weightOf = (kind: string): number => {
  const [of] = kindsTold(kind);
  const alike = Object.keys(actionOf).filter((other) => of !== undefined && kindsTold(other)[0] === of);
  return Math.max(1, Math.round(12 / Math.max(1, alike.length)));
};
const ofKind = (kind: Action['kind']): fc.Arbitrary<Action> =>
  (actionOf[kind] as fc.Arbitrary<object>).map((rest) => ({ kind, ...rest }) as Action);
/** What stands on a page. */
export const elementArbitrary = fc.oneof(
  ...(Object.keys(actionOf) as Action['kind'][])
    .filter((kind) => isElement({ kind }))
    .map((kind) => ofKind(kind) as fc.Arbitrary<OutputAction>),
);
const actionArbitrary: fc.Arbitrary<Action> = fc.oneof(
  ...(Object.keys(actionOf) as Action['kind'][])
    .filter((kind) => !isElement({ kind }))
    .map((kind) => ({ weight: weightOf(kind), arbitrary: ofKind(kind) })),
);
export const actionsArbitrary = fc.array(actionArbitrary, { maxLength: 3 });

export const ruleArbitrary: fc.Arbitrary<Omit<Rule, 'id'>> = fc.record({
  trigger: fc.oneof(
    fc.record({
      kind: fc.constant('gesture' as const),
      controlId: fc.constantFrom(...controlIds, ...otherIds),
      gesture: fc.constantFrom(...gestureKinds),
    }),
    fc.record({
      kind: fc.constant('keys' as const),
      setId: fc.constant('k1'),
      gesture: fc.constantFrom(...keyGestures),
    }),
    fc.record({ kind: fc.constant('after' as const), delay }),
    fc.record({ kind: fc.constant('every' as const), delay: delay.map((us) => us + 20_000) }),
    fc.constant({ kind: 'turn' as const, controlId: 'b4', by: 2 }),
    fc.constant({ kind: 'chord' as const, chordId: 'c1' }),
    fc.record({
      kind: fc.constant('code' as const),
      codeId: fc.constantFrom('d1', 'd2'),
      gesture: fc.constantFrom(...codeGestures),
    }),
    fc.record({ kind: fc.constant('timer' as const), timerId: fc.constantFrom('m1', 'm2') }),
    fc.record({ kind: fc.constant('signal' as const), signalId: fc.constantFrom('g1', 'g2') }),
    fc.record({ kind: fc.constant('power' as const), what: fc.constantFrom(...powerEvents) }),
    fc.record({
      kind: fc.constant('line' as const),
      outputId: fc.constant('o9'),
      word: fc.constantFrom(null, 'volume'),
    }),
    fc.constant({ kind: 'character' as const, outputId: 'o9' }),
    fc.record({
      kind: fc.constant('midi' as const),
      message: fc.constantFrom(...midiMessages),
      channel: fc.option(fc.integer({ min: 1, max: 2 })),
      number: fc.constant(null),
    }),
    fc.record({
      kind: fc.constant('midi' as const),
      message: fc.constantFrom(...syncMessages),
      channel: fc.constant(null),
      number: fc.constant(null),
    }),
  ),
  guard: fc.option(expression),
  actions: actionsArbitrary,
  targetIds: fc.option(fc.constantFrom(...stateIds)).map((id): string[] => (id === null ? [] : [id])),
  internal: fc.constant(false),
});

/** Anything that a button can listen for, together. */
export const gesturesArbitrary: fc.Arbitrary<GestureSetting> = fc
  .record({
    holdUs: fc.option(delay),
    longer: fc.boolean(),
    doubleWindowUs: fc.option(delay),
    triple: fc.boolean(),
    repeat: fc.option(
      fc.record({
        delayUs: delay,
        everyUs: delay,
        quickenPercent: fc.constantFrom(100, 80),
        fastestUs: fc.constant(1_000),
      }),
    ),
  })
  .map(({ longer, triple, ...rest }) => ({
    ...rest,
    longerHoldsUs: longer && rest.holdUs !== null ? [rest.holdUs + 200_000, rest.holdUs + 300_000] : [],
    triple: triple && rest.doubleWindowUs !== null,
  }));

export const buttonArbitrary = (id: string): fc.Arbitrary<Button> =>
  fc.record({
    id: fc.constant(id),
    kind: fc.constant('button' as const),
    name: fc.constant(id),
    key: fc.constant(null),
    contact: fc
      .tuple(fc.constantFrom(...(Object.keys(switchModels) as SwitchModel[])), fc.boolean())
      .map(([model, spikes]) => restless(contactOf(model), spikes)),
    debounce: settingArbitrary,
    gestures: gesturesArbitrary,
    wants: fc.constant({ purpose: 'game' as const, latestUs: null, wrongPerMillion: null }),
  });

/** Contacts that chatter, and spikes on the wire, often enough to meet. */
const restless = (contact: ContactFigures, spikes: boolean): ContactFigures =>
  spikes ? { ...contact, glitchPerHour: 36_000, glitchMaxUs: 3_000, chatterPerMinute: 300 } : contact;

const othersArbitrary: fc.Arbitrary<Control[]> = fc
  .record({
    method: fc.constantFrom('table' as const, 'edge' as const),
    countsPerStep: fc.constantFrom(1 as const, 2 as const, 4 as const),
    filter: fc.constantFrom('none' as const, 'mean' as const, 'exponential' as const, 'median' as const),
    noisePpm: fc.constantFrom(0, 700, 9_000),
    hysteresisCounts: fc.constantFrom(0, 5, 20),
  })
  .map(({ method, countsPerStep, filter, noisePpm, hysteresisCounts }) => {
    const keys = { key: null, backKey: null };
    const dial = freshEncoder({ kind: 'encoder', figures: {} }, 'b4', null, null);
    const knob = freshKnob({ kind: 'potentiometer', figures: {} }, 'b5', null, null);
    const code = (id: string, number: number) => ({
      id,
      name: id,
      code: number,
      wrongPerMille: 200,
      latencyUs: 40_000,
    });
    return [
      { ...dial, ...keys, id: 'b4', reading: { ...dial.reading, method, countsPerStep } },
      {
        ...knob,
        ...keys,
        id: 'b5',
        wiper: { ...knob.wiper, noisePpm, cracklePerMille: 30, sagPpm: 5_000 },
        // Few steps: many would only make traces long.
        reading: { ...knob.reading, filter, hysteresisCounts, steps: 21 },
      },
      {
        id: 'b6',
        kind: 'codes',
        name: 'b6',
        key: null,
        codes: [code('d1', 16), code('d2', 17)],
        repeatsEveryUs: 110_000,
        heldGapUs: 150_000,
      },
    ];
  });

export const chordArbitrary: fc.Arbitrary<Chord> = fc.record({
  id: fc.constant('c1'),
  name: fc.constant('c1'),
  controlIds: fc.constantFrom(['b1', 'b2'], ['b3', 'b1']),
  windowUs: delay,
  ordered: fc.boolean(),
  holdUs: fc.option(delay),
  waits: fc.boolean(),
});

export const layerArbitrary: fc.Arbitrary<Omit<Layer, 'id' | 'name'>> = fc.record({
  when: fc.option(
    fc.oneof(
      fc.record({ kind: fc.constant('held' as const), controlId: fc.constantFrom(...controlIds) }),
      fc.constant({ kind: 'on' as const, condition: 'v1 > 0' }),
    ),
  ),
  keys: fc
    .uniqueArray(fc.constantFrom(...controlIds, 'k1'), { maxLength: 2 })
    .chain((ids) =>
      fc.tuple(
        ...ids.map((id) =>
          fc
            .record({ press: actionsArbitrary, release: actionsArbitrary })
            .map((does): LayerKey => (id === 'k1' ? { setId: id, ...does } : { controlId: id, ...does })),
        ),
      ),
    ),
});
const savedArbitrary: fc.Arbitrary<Saved | null> = fc.constantFrom<(Saved | null)[]>(
  null,
  { when: 'change' },
  { when: 'quiet', quietUs: 100_000 },
  { when: 'asked' },
);

const elementsArbitrary = fc.array(elementArbitrary, { maxLength: 3 });

/** Valid gadgets of three buttons, an encoder, a knob, a receiver, three outputs, two variables and four states with anything in them. */
export const gadgetArbitrary: fc.Arbitrary<Gadget> = fc
  .record({
    periodUs: fc.constantFrom(250, 1_000, 3_000, 17_000),
    buttons: fc.tuple(...controlIds.map(buttonArbitrary)),
    others: othersArbitrary,
    chord: chordArbitrary,
    layers: fc.array(layerArbitrary, { maxLength: 2 }),
    saved: savedArbitrary,
    elements: fc.tuple(elementsArbitrary, elementsArbitrary, elementsArbitrary),
    states: fc.tuple(
      ...stateIds.map((id) =>
        fc.record({
          id: fc.constant(id),
          name: fc.constant(id),
          entry: actionsArbitrary,
          exit: actionsArbitrary,
          rules: fc.array(ruleArbitrary, { maxLength: 5 }),
        }),
      ),
    ),
  })
  .map(({ periodUs, buttons, others, chord, layers, saved, elements, states }): Gadget => ({
    ...emptyGadget('Any'),
    loop: { periodUs },
    wiring: {
      ...noWiring,
      sets: [
        { id: 'k1', name: 'Pad', controlIds: [...controlIds], scheme: 'direct', params: {}, chords: [] },
      ],
    },
    controls: [...buttons, ...others],
    chords: [chord],
    outputs: [
      { id: 'o1', kind: 'light', name: 'Lamp', colour: 'red' },
      { id: 'o2', kind: 'text', name: 'Screen', columns: 12, rows: 2, ...dotted },
      { id: 'o3', kind: 'tone', name: 'Piezo', lowHz: 100, highHz: 5_000, pitched: 'exact', takes: 'last', turnUs: 20_000, perOctave: 12, blocking: false, nearCm: 40 },
      { id: 'o4', kind: 'midi', name: 'Out', transport: 'wire', runningStatus: true, queueBytes: 12, overload: 'merge', shared: 'last', passes: 'channels', passedChannels: [1, 2, 10] },
      { id: 'o5', kind: 'typist', name: 'Keys' },
      { id: 'o6', kind: 'servo', name: 'Arm', reachDeg: 180 },
      { id: 'o7', kind: 'lights', name: 'Ring', count: 8, shape: 'ring', columns: 1, colour: null },
      { id: 'o8', kind: 'line', name: 'Bell', switches: 'bell', inverted: false, powerUp: 'off' },
      { id: 'o9', kind: 'serial', name: 'Panel', baud: 9_600, longest: 20, queueBytes: 30, ends: 'crlf' },
      { id: 'o10', kind: 'setting', name: 'Tuner', unit: '', low: -5, high: 90, start: 1, tellUs: 700 },
      { id: 'o12', kind: 'player', name: 'Player', files: [{ number: 1, name: 'Thunder', lengthUs: 40_000 }, { number: 4, name: 'Crowd', lengthUs: 900_000 }], tellUs: 10_417, startUs: 150_000, samples: { rateHz: 8_000, bits: 8 }, nearCm: 40 },
      { id: 'o11', kind: 'screen', name: 'Glass', widthPx: 128, heightPx: 64, wideMm: 51, columns: 21, rows: 8, sends: 'blocking', update: 'changed', mostHz: 20, depth: 'colour', dims: { afterUs: 30_000_000, percent: 20 }, palette: ['#000000', '#ffffff', '#cc3300'] },
    ], // prettier-ignore
    pages: elements.map((drawn, n) => ({
      id: `n${n + 1}`,
      name: `Page ${n + 1}`,
      outputId: 'o11',
      over: n === 2 ? 'v1 > 10' : null,
      elements: drawn,
    })),
    pictures: [
      { id: 'f1', name: 'Spark', frames: [['#.#', '.#.'], ['.2.', '#.#']] },
      { id: 'f2', name: 'Dot', frames: [['#']] },
    ], // prettier-ignore
    fonts: [
      { id: 'z1', name: 'Runes', widthPx: 2, heightPx: 2, glyphs: [{ character: '1', rows: ['#.', '#.'] }] },
    ],
    neighbours: [{ id: 'l1', name: 'Storm box', outputId: 'o4', channels: [2, 10], kinds: ['notes'] }],
    effects: [
      { id: 'e1', name: 'Coin', ...effectKinds.coin },
      { id: 'e2', name: 'Hit', ...effectKinds.hit },
    ],
    tunes: [anyTune],
    flow: {
      ...emptyFlow(),
      variables: [
        numberVariable({ id: 'v1', name: 'heat', initial: 2, min: -10, max: 50, saved }),
        numberVariable({ id: 'v2', name: 'wind', initial: 0, min: 0, max: 9 }),
        {
          id: 'v3',
          kind: 'list',
          name: 'past',
          saved: null,
          initial: 0,
          min: -9,
          max: 99,
          overflow: 'hold',
          length: 4,
          columns: 1,
        },
        { id: 'v4', kind: 'text', name: 'word', saved, length: 5, initial: 'aé' },
        { id: 'v5', kind: 'texts', name: 'words', saved: null, length: 3, initials: ['one', '', 'a'] },
        { id: 'v6', kind: 'table', name: 'costs', saved: null, numbers: [3, -1, 4], columns: 1 },
      ],
      timers: [
        { id: 'm1', name: 'm1' },
        { id: 'm2', name: 'm2' },
      ],
      signals: [
        { id: 'g1', name: 'g1' },
        { id: 'g2', name: 'g2' },
      ],
      layers: layers.map((layer, n) => ({ ...layer, id: `y${n + 1}`, name: `y${n + 1}` })),
      initialId: 's1',
      states: states.map((state, s) => ({
        ...blankState(),
        ...state,
        rules: state.rules.map((rule, r) => ({ ...rule, id: `r${s * 100 + r}` })),
      })),
    },
  }))
  .map((gadget) => ({ ...gadget, parts: partsFor(gadget) }));

/** Hands on the controls of `gadgetArbitrary`, in order of time, within two seconds. */
export const stimuliArbitrary: fc.Arbitrary<Stimulus[]> = fc
  .array(
    fc.tuple(
      fc.integer({ min: 0, max: 2_000_000 }),
      fc.oneof(
        {
          weight: 6,
          arbitrary: fc.record({
            controlId: fc.constantFrom(...controlIds),
            what: fc.constantFrom('down' as const, 'up' as const),
          }),
        },
        fc.record({
          controlId: fc.constant('b4'),
          what: fc.constant('turn' as const),
          detents: fc.integer({ min: -5, max: 5 }),
          overUs: fc.integer({ min: 0, max: 300_000 }),
        }),
        fc.record({
          controlId: fc.constant('b5'),
          what: fc.constant('move' as const),
          perMille: fc.integer({ min: 0, max: 1_000 }),
          overUs: fc.integer({ min: 0, max: 300_000 }),
        }),
        fc.record({
          controlId: fc.constant('b6'),
          what: fc.constant('send' as const),
          codeId: fc.constantFrom('d1', 'd2'),
          heldUs: fc.integer({ min: 0, max: 500_000 }),
        }),
        fc.record({
          controlId: fc.constant(wholeGadget),
          what: fc.constant('power' as const),
          event: fc.constantFrom('cycle' as const, 'wake' as const, 'low' as const),
        }),
        fc.record({
          controlId: fc.constant('o9'),
          what: fc.constant('line' as const),
          text: fc.constantFrom('volume 42', 'ready', 'volume=-3 of 9'),
          ended: fc.constantFrom(false as const, undefined),
        }),
        fc.record({
          controlId: fc.constant(wholeGadget),
          what: fc.constant('midi' as const),
          bytes: fc.constantFrom([0x90, 60, 100], [0x81, 60, 0], [0xb0, 7, 99], [0xc1, 4]),
        }),
      ),
    ),
    { maxLength: 30 },
  )
  .map((stimuli) => stimuli.map(([atUs, touch]) => ({ atUs, ...touch }) as Stimulus))
  .map((stimuli) => stimuli.sort((a, b) => a.atUs - b.atUs));
