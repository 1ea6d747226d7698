import { type gadgetVersions } from './versions.ts';

/* Migrations work on raw JSON and know no current type: a type that moves on must not change the past. */
type Raw = Record<string, unknown>;
const isRecord = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The pilot wrote durations as milliseconds, with fractions, under names ending in `Ms`. */
function toWholeMicroseconds(document: Raw): Raw {
  const convert = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(convert);
    if (!isRecord(value)) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => {
        const named = /^(.*[a-z])Ms$/.exec(key);
        if (!named) return [key, convert(inner)];
        if (typeof inner !== 'number' && inner !== null)
          throw new Error(`expected ${key} to be a number of milliseconds`);
        return [`${named[1]}Us`, inner === null ? null : Math.round(inner * 1_000)];
      }),
    );
  };
  return convert(document) as Raw;
}

/** Before parts had a list of their own, each control and output stood for the one thing that it was made of. */
function toPartsAndWiring(document: Raw): Raw {
  const list = (value: unknown): Raw[] => {
    if (!Array.isArray(value) || !value.every(isRecord))
      throw new Error('expected lists of controls, outputs and tasks');
    return value;
  };
  const classes: Raw = { button: 'push-button', light: 'light', text: 'character-display', tone: 'piezo' };
  const brief = isRecord(document.brief) ? document.brief : {};
  const parts = [...list(document.controls), ...list(document.outputs)].map((end, index) => ({
    id: `p${index + 1}`,
    kind: classes[String(end.kind)],
    name: end.name,
    figures: {},
    priceCents: null,
    quantity: 1,
    have: 0,
    plays: [end.id],
  }));
  return {
    ...document,
    brief: {
      ...brief,
      picture: null,
      words: [],
      tasks: list(brief.tasks).map((task) => ({ ...task, doneWhen: null, circumstances: [] })),
      wishes: {
        priceCents: null,
        runtimeHours: null,
        latencyUs: null,
        weightG: null,
        widthMm: null,
        heightMm: null,
        depthMm: null,
        caseMaterial: null,
      },
    },
    bill: { currency: 'EUR' },
    parts,
    wiring: { boardId: null, boards: [], radioOn: false, sets: [], wires: [], companions: [] },
  };
}

const uncalibrated: Raw = { lowCount: 0, highCount: 1_023 };
/** Ends of the path that parts had as figures only until then; in the order in which their class plays them. */
function feltEnds(part: Raw, nextId: () => string): Raw[] {
  const name = String(part.name);
  const clean: Raw = { captureId: null, touch: null, chatterPerMinute: 0, chatterMaxUs: 2_000 };
  const encoder = (): Raw => ({
    id: nextId(),
    kind: 'encoder',
    name,
    key: null,
    backKey: null,
    contact: {
      model: 'encoder',
      closeMaxUs: 1_500,
      openMaxUs: 2_000,
      againPerMille: 500,
      gapMedianUs: 150,
      gapSpreadPerMille: 600,
      glitchPerHour: 0,
      glitchMaxUs: 200,
      ...clean,
    },
    reading: { method: 'table', countsPerStep: 4, reversed: false, faster: null },
  });
  const knob = (suffix: string, returns: boolean, band: number): Raw => ({
    id: nextId(),
    kind: 'knob',
    name: `${name}${suffix}`.slice(0, 80),
    key: null,
    backKey: null,
    returns,
    sets: 'position',
    wiper: { bits: 10, noisePpm: 700, cracklePerMille: 0, cracklePpm: 20_000, sagPpm: 0 },
    reading: {
      everyUs: 10_000,
      filter: 'none',
      readings: 4,
      hysteresisCounts: 4,
      endBandCounts: 8,
      centreBandCounts: band,
      ...uncalibrated,
      reversed: false,
      straighten: false,
      curve: 'even',
      low: returns ? -50 : 0,
      high: returns ? 50 : 100,
      steps: 101,
    },
  });
  const codes = (): Raw => ({
    id: nextId(),
    kind: 'codes',
    name,
    key: null,
    codes: [],
    repeatsEveryUs: 110_000,
    heldGapUs: 250_000,
  });
  switch (part.kind) {
    case 'encoder':
    case 'encoder-push':
      return [encoder()];
    case 'potentiometer':
    case 'slider':
    case 'light-sensor':
      return [knob('', false, 0)];
    case 'stick':
    case 'motion-sensor':
      return [knob(' across', true, 40), knob(' along', true, 40)];
    case 'code-receiver':
      return [codes()];
    default:
      return [];
  }
}

/** Contacts chatter and spike, debouncing tells press from release, and turning is a control of its own. */
function toFeltControls(document: Raw): Raw {
  const list = (value: unknown, what: string): Raw[] => {
    if (!Array.isArray(value) || !value.every(isRecord)) throw new Error(`expected a list of ${what}`);
    return value;
  };
  const record = (value: unknown, what: string): Raw => {
    if (!isRecord(value)) throw new Error(`expected ${what}`);
    return value;
  };
  const controls = list(document.controls, 'controls').map((control): Raw => {
    const contact = record(control.contact, 'a contact');
    const { algorithm, params } = record(control.debounce, 'a debounce setting');
    const gestures = record(control.gestures, 'gestures');
    const old = record(params, 'parameters');
    const both: Record<string, Raw> = {
      stable: { ...old, releaseUs: old.settleUs },
      lockout: { ...old, releaseUs: old.lockUs },
      integrator: { ...old, pressAt: old.steps, releaseAt: 0 },
    };
    const repeat = isRecord(gestures.repeat)
      ? { ...gestures.repeat, quickenPercent: 100, fastestUs: gestures.repeat.everyUs }
      : null;
    return {
      ...control,
      contact: {
        ...contact,
        chatterPerMinute: 0,
        chatterMaxUs: 2_000,
        glitchPerHour: 0,
        glitchMaxUs: 200,
        touch: null,
        captureId: null,
      },
      debounce: { algorithm, params: both[String(algorithm)] ?? old, wholePort: false },
      gestures: { ...gestures, longerHoldsUs: [], triple: false, repeat },
      wants: { purpose: 'game', latestUs: null, wrongPerMillion: null },
    };
  });
  let last = controls.reduce(
    (most, { id }) => Math.max(most, Number(/^b(\d+)$/.exec(String(id))?.[1] ?? 0)),
    0,
  );
  const nextId = () => `b${(last += 1)}`;
  const parts = list(document.parts, 'parts').map((part): Raw => {
    const ends = feltEnds(part, nextId);
    controls.push(...ends);
    return { ...part, plays: [...(part.plays as unknown[]), ...ends.map(({ id }) => id)] };
  });
  return {
    ...document,
    hands: {
      shortestPressUs: 60_000,
      fastestRepeatUs: 100_000,
      longTapUs: 350_000,
      holdFeltUs: 500_000,
      ordinaryPressUs: 110_000,
      comfortableRepeatUs: 170_000,
      togetherUs: 40_000,
      quickTurnUs: 400_000,
    },
    controls,
    chords: [],
    captures: [],
    parts,
  };
}

/** Ends that outputs beyond light, text and tone are, for parts that had none. */
const movedEnds: Raw = {
  servo: { kind: 'servo', reachDeg: 180 },
  'vibration-motor': { kind: 'motor' },
  'midi-out': { kind: 'midi' },
  'usb-keyboard': { kind: 'typist' },
};

/** States lie in one another, variables have kinds, rules lead to several places, and more can be done. */
function toNestedFlow(document: Raw): Raw {
  const list = (value: unknown, what: string): Raw[] => {
    if (!Array.isArray(value) || !value.every(isRecord)) throw new Error(`expected a list of ${what}`);
    return value;
  };
  if (!isRecord(document.flow)) throw new Error('expected a flow');
  const { flow } = document;
  const actions = (value: unknown): Raw[] =>
    list(value, 'actions').map((action) => (action.kind === 'set' ? { ...action, index: null } : action));
  const trigger = (value: unknown): Raw => {
    if (!isRecord(value)) throw new Error('expected a trigger');
    if (value.kind !== 'after') return value;
    const { delayUs, ...rest } = value;
    return { ...rest, delay: delayUs };
  };
  const rule = ({ targetId, ...rest }: Raw): Raw => ({
    ...rest,
    trigger: trigger(rest.trigger),
    actions: actions(rest.actions),
    targetIds: targetId === null ? [] : [targetId],
    internal: false,
  });
  const outputs = list(document.outputs, 'outputs');
  let last = outputs.reduce(
    (most, { id }) => Math.max(most, Number(/^o(\d+)$/.exec(String(id))?.[1] ?? 0)),
    0,
  );
  const parts = list(document.parts, 'parts').map((part): Raw => {
    const end = movedEnds[String(part.kind)];
    if (!isRecord(end)) return part;
    last += 1;
    outputs.push({ id: `o${last}`, ...end, name: part.name });
    return { ...part, plays: [...(part.plays as unknown[]), `o${last}`] };
  });
  return {
    ...document,
    outputs,
    parts,
    flow: {
      ...flow,
      variables: list(flow.variables, 'variables').map((variable) => ({
        ...variable,
        // Words that expressions have taken for themselves since.
        name: ['elapsed', 'true', 'false'].includes(String(variable.name))
          ? `${String(variable.name)}_`
          : variable.name,
        kind: 'number',
        unit: '',
        overflow: 'hold',
        saved: null,
      })),
      states: list(flow.states, 'states').map((state) => ({
        ...state,
        kind: 'plain',
        parentId: null,
        initial: null,
        entry: actions(state.entry),
        exit: actions(state.exit),
        rules: list(state.rules, 'rules').map(rule),
      })),
      signals: [],
      timers: [],
      chance: 'noise',
      layers: [],
      ignored: [],
    },
  };
}

/* --- 4 to 5: texts that can be read, and history that leads somewhere --- */

const deepest = 60;
const half = /[\ud800-\udfff]/gu;
const turned = /[\u202a-\u202e\u2066-\u2069]/g;
const blank = /[\p{Cf}\p{Z}\p{Cc}\u115f\u1160\u2800\u3164\uffa0\ufe00-\ufe0f]/gu;

/** The same with every text made readable; a name of which nothing could be seen gets one. */
function readableIn(value: unknown, key = '', depth = 0): unknown {
  // Deeper than any document: the door says what is wrong with it.
  if (depth > deepest) return value;
  if (typeof value === 'string') {
    const text = value.replace(half, '\ufffd').replace(turned, '');
    if (key !== 'name') return text;
    const name = text.trim();
    return value !== '' && name.replace(blank, '') === '' ? 'Unnamed' : name;
  }
  if (Array.isArray(value)) return value.map((one) => readableIn(one, '', depth + 1));
  if (!isRecord(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, inner]) => [name, readableIn(inner, name, depth + 1)]),
  );
}

/** History that leads to itself, through others or not, leads to the first state instead, as where nothing is said. */
function withoutCircles(states: readonly Raw[]): Raw[] {
  const leads = new Map(
    states.flatMap((state): [string, string][] => {
      const history = state.kind === 'history' || state.kind === 'deepHistory';
      const ids = isRecord(state.initial) ? state.initial.targetIds : null;
      const [to] = Array.isArray(ids) ? (ids as unknown[]) : [];
      return history && to !== undefined ? [[String(state.id), String(to)]] : [];
    }),
  );
  const inCircle = (from: string) => {
    let at = leads.get(from);
    for (let n = 0; n < states.length && at !== undefined && at !== from; n += 1) at = leads.get(at);
    return at === from;
  };
  return states.map((state) => (inCircle(String(state.id)) ? { ...state, initial: null } : state));
}

function toReadableTexts(document: Raw): Raw {
  const readable = readableIn(document) as Raw;
  const { flow } = readable;
  if (!isRecord(flow) || !Array.isArray(flow.states) || !flow.states.every(isRecord))
    throw new Error('expected a flow with states');
  return { ...readable, flow: { ...flow, states: withoutCircles(flow.states) } };
}

/* --- 5 to 6: what the maker says of states and rules, and parts that bring their class along --- */

function toMarks(document: Raw): Raw {
  const { flow, parts } = document;
  if (!isRecord(flow)) throw new Error('expected a flow');
  if (!Array.isArray(parts) || !parts.every(isRecord)) throw new Error('expected a list of parts');
  return {
    ...document,
    parts: parts.map((part) => ({ ...part, own: null })),
    flow: { ...flow, marks: [] },
  };
}

/* --- 6 to 7: a row that shows a list has a name of its own; a lane is one of a trace --- */

/** Nothing else of a flow is of that kind. */
function listRowsIn(value: unknown, depth = 0): unknown {
  if (depth > deepest) return value;
  if (Array.isArray(value)) return value.map((one) => listRowsIn(one, depth + 1));
  if (!isRecord(value)) return value;
  const inner = Object.entries(value).map(([name, one]) => [name, listRowsIn(one, depth + 1)] as const);
  const same = Object.fromEntries(inner);
  return value.kind === 'lane' ? { ...same, kind: 'listRow' } : same;
}

const toListRows = (document: Raw): Raw => ({ ...document, flow: listRowsIn(document.flow) });

/* --- 7 to 8: displays of pixels show pages; what was written on them stays a layer of characters over those --- */

/** As the classes had it then. */
const usualPx = { widthPx: 128, heightPx: 64 };

function toPages(document: Raw): Raw {
  const { outputs, parts } = document;
  if (![outputs, parts].every((list) => Array.isArray(list) && list.every(isRecord)))
    throw new Error('expected lists of outputs and parts');
  const graphic = new Map(
    (parts as Raw[]).flatMap(({ kind, figures, plays }) =>
      String(kind).startsWith('graphic-display-') && Array.isArray(plays)
        ? (plays as unknown[]).map((id) => [id, isRecord(figures) ? figures : {}] as const)
        : [],
    ),
  );
  return {
    ...document,
    outputs: (outputs as Raw[]).map((output) => {
      const figures = output.kind === 'text' ? graphic.get(output.id) : undefined;
      if (!figures) return output;
      const { widthPx = usualPx.widthPx, heightPx = usualPx.heightPx } = figures;
      return { ...output, kind: 'screen', widthPx, heightPx, sends: 'free', update: 'whole', mostHz: 20 };
    }),
    pages: [],
  };
}

/* --- 8 to 9: settings as outlines; there were none --- */

const toMenus = (document: Raw): Raw => ({ ...document, menus: [] });

/* --- 9 to 10: pictures drawn pixel by pixel; there were none --- */

const toPictures = (document: Raw): Raw => ({ ...document, pictures: [] });

/* --- 10 to 11: displays have inks, and what is drawn has one; bars may have blocks, anything may blink, values may
       be none; characters are made of dots or segments, and those of dots have a trim; a gadget may have fonts of its
       own, and had none --- */

/** So wide they were seen in hand then. */
const usualWideMm = (widthPx: number): number => Math.max(24, Math.min(56, Math.round(widthPx * 0.4)));
/** As displays of one colour had it then. */
const usualInks = { depth: 'mono', palette: ['#141b18', '#e9f2c9'] };

const dotted = { cells: 'dots', palette: ['#bcd06a', '#1c2a12'], contrast: 50, ownCharacters: [] };
const segmented = { ...dotted, cells: 'seven', palette: ['#1b1211', '#ff5a3c'] };

function inked(element: unknown): unknown {
  if (!isRecord(element)) return element;
  const { kind } = element;
  return {
    ...element,
    blinks: 'steady',
    ink: '1',
    ...(kind === 'drawBar' && { blocks: 0 }),
    ...((kind === 'drawBar' || kind === 'drawDial') && { unknownIf: '0' }),
    ...((kind === 'drawNumber' || kind === 'drawWord') && { unknownIf: '0', instead: '--' }),
  };
}

function toInks(document: Raw): Raw {
  const { outputs, pages, parts } = document;
  if (![outputs, pages, parts].every((list) => Array.isArray(list) && list.every(isRecord)))
    throw new Error('expected lists of outputs, pages and parts');
  const inSegments = new Set(
    (parts as Raw[]).flatMap(({ kind, plays }) =>
      kind === 'seven-segment' && Array.isArray(plays) ? (plays as unknown[]) : [],
    ),
  );
  return {
    ...document,
    outputs: (outputs as Raw[]).map((output) => {
      if (output.kind === 'screen')
        return { ...output, ...usualInks, wideMm: usualWideMm(Number(output.widthPx)) };
      if (output.kind === 'text') return { ...output, ...(inSegments.has(output.id) ? segmented : dotted) };
      return output;
    }),
    pages: (pages as Raw[]).map((page) => ({
      ...page,
      elements: Array.isArray(page.elements) ? page.elements.map(inked) : page.elements,
    })),
    fonts: [],
  };
}

/* --- 11 to 12: displays may dim by themselves, and none did; numbers of menus have a format, menus an interval, bars may show how far
       they were, plots may have gaps --- */

const dimless = (output: Raw): Raw =>
  output.kind === 'screen' || output.kind === 'text' ? { ...output, dims: null } : output;

function glowing(element: unknown): unknown {
  if (!isRecord(element)) return element;
  if (element.kind === 'drawBar') return { ...element, peakMs: 0 };
  return element.kind === 'drawPlot' ? { ...element, unknownIf: '0' } : element;
}

function toGlow(document: Raw): Raw {
  const { outputs, pages, menus } = document;
  if (![outputs, pages, menus].every((list) => Array.isArray(list) && list.every(isRecord)))
    throw new Error('expected lists of outputs, pages and menus');
  return {
    ...document,
    outputs: (outputs as Raw[]).map(dimless),
    pages: (pages as Raw[]).map((page) => ({
      ...page,
      elements: Array.isArray(page.elements) ? page.elements.map(glowing) : page.elements,
    })),
    menus: (menus as Raw[]).map((menu) => ({
      ...menu,
      interval: null,
      items: Array.isArray(menu.items)
        ? menu.items.map((item: unknown) =>
            isRecord(item) && (item.kind === 'value' || item.kind === 'reading')
              ? { ...item, format: 'plain' }
              : item,
          )
        : menu.items,
    })),
  };
}

/* --- 12 to 13: what stands on pages may belong together, and nothing did; displays take a while to start, and none did; what is sent
       to displays of characters takes time, and took none --- */

const startingDisplays = new Set([
  'graphic-display-two-wire',
  'graphic-display-spi',
  'small-colour-display',
  'character-display',
  'character-display-two-wire',
]);

function toGroups(document: Raw): Raw {
  const { outputs, pages, parts } = document;
  if (![outputs, pages, parts].every((list) => Array.isArray(list) && list.every(isRecord)))
    throw new Error('expected lists of outputs, pages and parts');
  return {
    ...document,
    outputs: (outputs as Raw[]).map((output) =>
      output.kind === 'text'
        ? { ...output, wideMm: null, sends: 'free', update: 'changed', mostHz: 20 }
        : output,
    ),
    pages: (pages as Raw[]).map((page) => ({
      ...page,
      elements: Array.isArray(page.elements)
        ? page.elements.map((element: unknown) => (isRecord(element) ? { ...element, group: 0 } : element))
        : page.elements,
    })),
    parts: (parts as Raw[]).map((part) =>
      startingDisplays.has(String(part.kind)) && isRecord(part.figures)
        ? { ...part, figures: { ...part.figures, startUs: 0 } }
        : part,
    ),
  };
}

/* --- 13 to 14: MIDI takes its time on the wire, and took none; pitches are what a timer gives, and were exact --- */

function toWires(document: Raw): Raw {
  const { outputs, wiring } = document;
  if (!Array.isArray(outputs) || !outputs.every(isRecord)) throw new Error('expected a list of outputs');
  if (!isRecord(wiring) || !Array.isArray(wiring.boards) || !wiring.boards.every(isRecord))
    throw new Error('expected wiring with a list of boards');
  return {
    ...document,
    outputs: outputs.map((output: Raw) => {
      if (output.kind === 'tone') return { ...output, pitched: 'exact' };
      if (output.kind !== 'midi') return output;
      return { ...output, transport: 'free', runningStatus: false, queueBytes: 64, overload: 'wait' };
    }),
    wiring: { ...wiring, boards: wiring.boards.map((board: Raw) => ({ ...board, timers: [] })) },
  };
}

/* --- 14 to 15: lists and tables have rows, and had places alone; sounders and MIDI play notes of keys --- */

function toKeyMaps(document: Raw): Raw {
  const { outputs, flow } = document;
  if (!Array.isArray(outputs) || !outputs.every(isRecord)) throw new Error('expected a list of outputs');
  if (!isRecord(flow) || !Array.isArray(flow.variables) || !flow.variables.every(isRecord))
    throw new Error('expected a flow with a list of variables');
  return {
    ...document,
    outputs: outputs.map((output: Raw) => {
      if (output.kind === 'tone') return { ...output, takes: 'last', turnUs: 20_000, perOctave: 12 };
      return output.kind === 'midi' ? { ...output, shared: 'last' } : output;
    }),
    flow: {
      ...flow,
      variables: flow.variables.map((variable: Raw) =>
        variable.kind === 'list' || variable.kind === 'table' ? { ...variable, columns: 1 } : variable,
      ),
    },
  };
}

/* --- 15 to 16: tunes on a grid, effects, and equipment beside it; there were none. Ears come near to sounders --- */

function toTunes(document: Raw): Raw {
  const { outputs } = document;
  if (!Array.isArray(outputs) || !outputs.every(isRecord)) throw new Error('expected a list of outputs');
  return {
    ...document,
    outputs: outputs.map((output: Raw) => (output.kind === 'tone' ? { ...output, nearCm: 40 } : output)),
    effects: [],
    tunes: [],
    neighbours: [],
  };
}

/*
 * --- 16 to 17: what comes in by MIDI can go on; nothing did. Players of files can be told, and were parts alone. No
 * sounder kept the loop waiting. Notes of tunes can be quieter; all were as loud as could be ---
 */

const inEach = (whole: Raw, key: string, change: (one: Raw) => Raw): Raw => {
  const list = whole[key];
  if (!Array.isArray(list) || !list.every(isRecord)) throw new Error(`expected a list of ${key}`);
  return { ...whole, [key]: list.map(change) };
};
const asLoudAsCanBe = (tune: Raw): Raw =>
  inEach(tune, 'voices', (voice) => inEach(voice, 'notes', (note) => ({ ...note, percent: 100 })));

function toPassing(document: Raw): Raw {
  const { outputs, parts } = document;
  if (!Array.isArray(outputs) || !outputs.every(isRecord)) throw new Error('expected a list of outputs');
  if (!Array.isArray(parts) || !parts.every(isRecord)) throw new Error('expected a list of parts');
  let last = Math.max(0, ...outputs.map(({ id }) => Number(/^o(\d+)$/.exec(String(id))?.[1] ?? 0)));
  const players: Raw[] = [];
  const played = parts.map((part: Raw): Raw => {
    if (part.kind !== 'sound-player' || !Array.isArray(part.plays) || part.plays.length > 0) return part;
    const figures = isRecord(part.figures) ? part.figures : {};
    const id = `o${(last += 1)}`;
    // An order has ten bytes of ten bits. What is no number is said by the door.
    const tellUs = Math.round(100_000_000 / Math.max(1, Number(figures.baud ?? 9_600)));
    players.push({
      id,
      kind: 'player',
      name: part.name,
      files: [],
      tellUs,
      startUs: figures.startUs ?? 150_000,
    });
    return { ...part, plays: [id] };
  });
  return {
    ...inEach(document, 'tunes', asLoudAsCanBe),
    parts: played,
    outputs: [
      ...outputs.map((output: Raw) => {
        if (output.kind === 'tone') return { ...output, blocking: false };
        return output.kind === 'midi' ? { ...output, passes: 'nothing', passedChannels: [] } : output;
      }),
      ...players,
    ],
  };
}

/* --- 17 to 18: every sound of a file came from a card, and no ear was near it --- */

const toSamples = (document: Raw): Raw =>
  inEach(document, 'outputs', (output) =>
    output.kind === 'player' ? { ...output, samples: null, nearCm: 40 } : output,
  );

/** `steps[n]` leads from version n to n + 1. */
export const migrationSteps: readonly { name: keyof typeof gadgetVersions; step: (document: Raw) => Raw }[] =
  [
    { name: 'WholeMicroseconds', step: toWholeMicroseconds },
    { name: 'PartsAndWiring', step: toPartsAndWiring },
    { name: 'FeltControls', step: toFeltControls },
    { name: 'NestedFlow', step: toNestedFlow },
    { name: 'ReadableTexts', step: toReadableTexts },
    { name: 'Marks', step: toMarks },
    { name: 'ListRows', step: toListRows },
    { name: 'Pages', step: toPages },
    { name: 'Menus', step: toMenus },
    { name: 'Pictures', step: toPictures },
    { name: 'Inks', step: toInks },
    { name: 'Glow', step: toGlow },
    { name: 'Groups', step: toGroups },
    { name: 'Wires', step: toWires },
    { name: 'KeyMaps', step: toKeyMaps },
    { name: 'Tunes', step: toTunes },
    { name: 'Passing', step: toPassing },
    { name: 'Samples', step: toSamples },
  ];
