import { contactOf, undisturbed } from '../contact/index.ts';
import { defaultSetting } from '../debounce/index.ts';
import {
  emptyGadget,
  blankState,
  emptyFlow,
  type Button,
  type DebounceSetting,
  type Gadget,
  type GestureSetting,
  ownPartId,
  type OwnClass,
  type Part,
  type Rule,
  type State,
  type Variable,
  type TextDisplay,
} from '../gadget/index.ts';

/** A contact that never bounces, where a test is about something else. */
export const ideal = {
  model: 'dome',
  closeMaxUs: 0,
  openMaxUs: 0,
  againPerMille: 0,
  gapMedianUs: 100,
  gapSpreadPerMille: 0,
  ...undisturbed,
};

/** A setting; letting go is treated as pressing is, where nothing else is said. */
export function setting(algorithm: string, params: Record<string, number>): DebounceSetting {
  const usual = defaultSetting(algorithm);
  const both = params.settleUs ?? params.lockUs ?? params.waitUs;
  const alike: Record<string, number> =
    'releaseUs' in usual.params && both !== undefined ? { releaseUs: both } : {};
  if (params.steps !== undefined) Object.assign(alike, { pressAt: params.steps, releaseAt: 0 });
  return { ...usual, params: { ...usual.params, ...alike, ...params } };
}

/** Gestures of a button that listens to nothing but press, release and tap, unless something else is said. */
export const gestures = (patch: Partial<GestureSetting> = {}): GestureSetting => ({
  holdUs: null,
  longerHoldsUs: [],
  doubleWindowUs: null,
  triple: false,
  repeat: null,
  ...patch,
});

export function button(patch: Partial<Button> = {}): Button {
  return {
    id: 'b1',
    kind: 'button',
    name: 'Stir',
    key: 'Space',
    contact: contactOf('dome'),
    debounce: setting('lockout', { lockUs: 8_000 }),
    gestures: gestures(),
    wants: { purpose: 'game', latestUs: null, wrongPerMillion: null },
    ...patch,
  };
}

export function rule(id: string, patch: Partial<Rule> = {}): Rule {
  const trigger = { kind: 'gesture', controlId: 'b1', gesture: 'press' } as const;
  return { id, trigger, guard: null, actions: [], targetIds: [], internal: false, ...patch };
}

export function state(id: string, patch: Partial<State> = {}): State {
  return { ...blankState(), id, name: id, ...patch };
}

/** A number that is held inside its range and forgotten at power-off, unless something else is said. */
export const numberVariable = (
  patch: Partial<Extract<Variable, { kind: 'number' }>>,
): Extract<Variable, { kind: 'number' }> => ({
  id: 'v1',
  kind: 'number',
  name: 'count',
  saved: null,
  initial: 0,
  min: 0,
  max: 99,
  overflow: 'hold',
  unit: '',
  ...patch,
});

/** As displays of characters come: of dots, trimmed, with no character of its own. */
/** MIDI whose messages take no time. */
export const unwired = {
  transport: 'free',
  runningStatus: false,
  queueBytes: 64,
  overload: 'wait',
  shared: 'last',
  passes: 'nothing',
  passedChannels: [] as number[],
} as const;

export const dotted = {
  cells: 'dots',
  wideMm: null,
  sends: 'free',
  update: 'changed',
  mostHz: 20,
  palette: ['#bcd06a', '#1c2a12'],
  contrast: 50,
  dims: null,
  ownCharacters: [],
} satisfies Partial<TextDisplay>;

export function part(id: string, kind: string, plays: string[] = [], patch: Partial<Part> = {}): Part {
  return {
    id,
    kind,
    own: null,
    name: id,
    figures: {},
    priceCents: null,
    quantity: 1,
    have: 0,
    plays,
    ...patch,
  };
}

const usualClass = {
  button: 'push-button',
  encoder: 'encoder',
  knob: 'potentiometer',
  codes: 'code-receiver',
  light: 'light',
  text: 'character-display',
  screen: 'graphic-display-two-wire',
  tone: 'piezo',
  servo: 'servo',
  motor: 'vibration-motor',
  midi: 'midi-out',
  typist: 'usb-keyboard',
  lights: 'light-chain',
  line: 'relay-module',
  serial: 'serial-text',
  player: 'sound-player',
};

/** A module of the maker's own that takes one value over a two-wire bus. */
export const moduleClass: OwnClass = {
  title: 'Tuner',
  doc: '',
  priceCents: 400,
  lines: [
    { name: 'data', need: 'sda', maxUa: 0 },
    { name: 'clock', need: 'scl', maxUa: 0 },
  ],
  plays: [{ kind: 'setting', name: 'frequency', unit: 'MHz', low: 87, high: 108, bytes: 5 }],
  supply: { minMv: 2_700, maxMv: 5_500, typicalUa: 12_000, worstUa: 20_000 },
  address: { usual: 0x60, choices: [0x60] },
  busBaud: 100_000,
  busPullOhms: 0,
};

/** The usual part for every control and output. */
export function partsFor({ controls, outputs }: Pick<Gadget, 'controls' | 'outputs'>): Part[] {
  return [...controls, ...outputs].map(({ id, kind, name }, index) =>
    kind === 'setting'
      ? part(`p${index + 1}`, ownPartId, [id], { name, own: moduleClass })
      : part(`p${index + 1}`, usualClass[kind], [id], {
          name,
          // There from the first moment on.
          ...(kind === 'screen' && { figures: { startUs: 0 } }),
        }),
  );
}

/** A button that toggles a light: Dark and Lit, each with a text and Lit with a tone. */
export function pressToLight(patch: Partial<Button> = {}): Gadget {
  const text = (words: string) => ({ kind: 'text', outputId: 'o2', row: 0, text: words }) as const;
  const light = (mode: 'on' | 'off') => ({ kind: 'light', outputId: 'o1', light: { mode } }) as const;
  const gadget: Gadget = {
    ...emptyGadget('Press to light'),
    controls: [button(patch)],
    outputs: [
      { id: 'o1', kind: 'light', name: 'Lamp', colour: 'amber' },
      { id: 'o2', kind: 'text', name: 'Screen', columns: 8, rows: 1, ...dotted },
      {
        id: 'o3',
        kind: 'tone',
        name: 'Piezo',
        lowHz: 200,
        highHz: 4_000,
        pitched: 'exact',
        takes: 'last',
        turnUs: 20_000,
        perOctave: 12,
        blocking: false,
        nearCm: 40,
      },
    ],
    flow: {
      ...emptyFlow(),
      variables: [numberVariable({})],
      initialId: 's1',
      states: [
        state('s1', {
          name: 'Dark',
          entry: [light('off'), text('Dark')],
          rules: [
            rule('r1', {
              actions: [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' }],
              targetIds: ['s2'],
            }),
          ],
        }),
        state('s2', {
          name: 'Lit',
          entry: [
            light('on'),
            text('Lit {v1}'),
            { kind: 'tone', outputId: 'o3', hz: '440', lengthUs: 100_000 },
          ],
          rules: [rule('r2', { targetIds: ['s1'] })],
        }),
      ],
    },
  };
  return { ...gadget, parts: partsFor(gadget) };
}

/** Deep-frozen, so that a function that changes what it was given fails loudly. */
export function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) {
    Object.values(value).forEach(frozen);
    Object.freeze(value);
  }
  return value;
}
