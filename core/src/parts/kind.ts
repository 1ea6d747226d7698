import * as z from 'zod';
import { powerEnd, signal, type OutputKind, type Terminal } from '../gadget/index.ts';

export type Figures = Record<string, number>;

/** What a part can realise of the path: ends that the machine plays. */
export type EndKind = 'button' | 'encoder' | 'knob' | 'codes' | OutputKind;

/** Sending a whole picture, in µs. */
export interface LightData {
  us: number;
  interruptsOff: boolean;
}

/** What a display of pixels has. */
export interface Pixels {
  widthPx: number;
  heightPx: number;
  /** By how many quarters it is turned from how it was made. */
  turned: number;
  /** What a pixel can look like, by the number of it in `depths`. */
  depth: number;
  /** Where the chip makes its pictures, by number: whole ones in its memory, or a tile at a time. */
  buffer: number;
  /** How many pictures the display itself keeps, by number: one, or two of which it shows one. */
  holds: number;
}

/** How a display of pixels is told what it shows. */
export interface DisplayBus {
  /** Of a whole picture. */
  frameBytes: number;
  /** Of the chip's memory in which pictures are made. */
  bufferBytes: number;
  /** Of a pixel. */
  bits: number;
  pixels: Pixels;
  /** To go to a place before something is sent from there on. */
  moveBytes: number;
  /** From power-up until it can be told anything. */
  startUs: number;
  /** How long so many bytes take that are sent together, whole µs. */
  us(bytes: number): number;
}

/** How a display of characters is told what stands on it. */
export interface CellBus {
  /** To go to a place, and for each character from there on, µs. */
  moveUs: number;
  characterUs: number;
  /** From power-up until it can be told anything. */
  startUs: number;
}

/** Where the light comes from that a display is seen by, how it is told, and what it takes. */
export interface Glow {
  /** Of something behind the pixels, whatever those show; or of the pixels themselves. */
  from: 'behind' | 'pixels';
  /** On as long as there is power; on or off; as bright as it is told; and in the colour that it is told. */
  how: (typeof glowWays)[number];
  /** Without any light, and what all of it takes beside that; µA. */
  darkUa: number;
  litUa: number;
}
export const glowWays = ['always', 'switched', 'dimmed', 'mixed'] as const;

/** Something that follows from the figures and is worth knowing. */
export interface Reading {
  id: string;
  value: number;
  unit: 'µs' | 'µA' | 'Hz' | '‰' | 'byte';
}

export const partGroups = [
  'controls',
  'sensors',
  'lights',
  'displays',
  'sound',
  'motion',
  'links',
  'memory',
  'chips',
  'power',
  'own',
] as const;

/** A light that needs its current limited from outside. */
export interface Lamp {
  terminal: string;
  forwardMv: number;
  /** Wanted, and the most that it stands; µA. */
  wantUa: number;
  maxUa: number;
  /** So many alike resistors in its way, one for each line that it lies between; without: one. */
  inSeries?: number;
}

/**
 * One class of part: what it is, its typical figures, its ends. Every figure is a field that the maker can change for
 * one part; the part's own sheet knows better. Pure functions of the figures.
 */
export interface PartKind<F extends Figures = Figures> {
  id: string;
  title: string;
  /** What it is and what to watch, in a sentence or two. */
  doc: string;
  group: (typeof partGroups)[number];
  /** Each field carries `.meta({ label, unit })`. */
  figures: z.ZodType<F> & { shape: Record<keyof F, z.ZodType> };
  defaults: F;
  /** For one, in hundredths of a usual currency. */
  priceCents: number;
  /** Where it depends on how large it is; without: that one. */
  priceFor?(figures: F): number;
  /** What follows from them that a maker would otherwise reckon by hand. */
  readings?(figures: F): Reading[];
  /** Of lights that are told over a data line: how long a whole picture takes, and whether nothing else is heard. */
  data?(figures: F): LightData;
  /** Of displays of pixels: how they are told what they show. */
  bus?(figures: F): DisplayBus;
  /** Of displays of characters with a controller of their own. */
  cells?(figures: F): CellBus;
  /** Of displays that give light. */
  glow?(figures: F): Glow;
  plays(figures: F): EndKind[];
  terminals(figures: F): Terminal[];
  /** What it draws from its supply; lights and sounders on pins draw through these, and are counted here. */
  draws(figures: F): { typicalUa: number; worstUa: number };
  /** Supply that it works from; null: it has none of its own. */
  supply(figures: F): { minMv: number; maxMv: number } | null;
  lamps?(figures: F): Lamp[];
  /** Its contact stays where it is put, and is not let go. */
  stays?: true;
  /** Its lights can be told a colour. */
  colours?: true;
  /** Memory of the board that it needs as far as known, bytes. */
  memory?(figures: F): { ram?: number; flash?: number; settings?: number };
  /** Address on a two-wire bus. */
  address?(figures: F): number;
  /** Addresses that such parts can be set to, as their sheets have them. */
  addresses?: readonly number[];
  /** Pull-ups on the module's own bus lines, Ω. */
  busPullOhms?(figures: F): number;
  /** Place on the way from the cell to the board, for parts of that way. */
  chain?: 'source' | 'fuse' | 'diode' | 'switch' | 'converter' | 'charger';
}

/** Keeps the type of the figures while they are checked, then forgets it, so that a registry can hold it. */
export function definePart<F extends Figures>(
  kind: Pick<PartKind<F>, 'figures'> & NoInfer<Omit<PartKind<F>, 'figures'>>,
): PartKind {
  return kind as unknown as PartKind;
}

const whole = (label: string, unit: string, min: number, max: number) =>
  z.number().int().min(min).max(max).meta({ label, unit });

/* Fields of figures. The unit is the one that is stored; screens may show a larger one. */
export const mv = (label: string) => whole(label, 'mV', 0, 60_000);
export const ua = (label: string) => whole(label, 'µA', 0, 20_000_000);
export const us = (label: string) => whole(label, 'µs', 0, 60_000_000);
export const ohms = (label: string) => whole(label, 'Ω', 0, 10_000_000);
export const hz = (label: string) => whole(label, 'Hz', 0, 100_000_000);
export const count = (label: string, min: number, max: number) => whole(label, '', min, max);
export const perMille = (label: string) => whole(label, '‰', 0, 1_000);
/** How loud it is at most, ten centimetres away, as its maker has it. */
export const loudDb = whole('Loudest, 10 cm away', 'dB', 20, 140);
/** One of several, by number from 0. */
export const oneOf = (label: string, choices: readonly string[]) =>
  z
    .number()
    .int()
    .min(0)
    .max(choices.length - 1)
    .meta({ label, unit: '', choices });
export const flag = (label: string) => whole(label, 'yes or no', 0, 1);

/** Supply range and currents that most modules state. */
export const supplied = {
  supplyMinMv: mv('Works from'),
  supplyMaxMv: mv('Works up to'),
  typicalUa: ua('Draws, typically'),
  worstUa: ua('Draws at worst'),
};
interface Supplied {
  supplyMinMv: number;
  supplyMaxMv: number;
  typicalUa: number;
  worstUa: number;
}
const supplyOf = ({ supplyMinMv, supplyMaxMv }: Supplied) => ({
  minMv: supplyMinMv,
  maxMv: supplyMaxMv,
});
const drawn = ({ typicalUa, worstUa }: Supplied) => ({ typicalUa, worstUa });
/** What a module with a supply of its own says of it. */
export const aModule = { draws: drawn, supply: supplyOf };
export const noSupply = () => null;
export const drawsNothing = () => ({ typicalUa: 0, worstUa: 0 });
export const powerEnds = ({ worstUa }: { worstUa: number }) => [
  powerEnd('plus', 'supply', worstUa),
  powerEnd('minus', 'ground', worstUa),
];

/** Figures of a bridged amplifier module and its speaker. */
export const amplifierFigures = {
  ...supplied,
  speakerOhms: ohms('Speaker'),
  leastOhms: ohms('Least load of the amplifier'),
  speakerMw: count('Speaker stands, mW', 10, 100_000),
  loudDb,
};
export const amplifierDefaults = {
  supplyMinMv: 2_500,
  supplyMaxMv: 5_500,
  typicalUa: 40_000,
  speakerOhms: 8,
  leastOhms: 4,
  speakerMw: 2_000,
  loudDb: 95,
};

/** What a display draws by the light that it gives. */
export const lightFigures = {
  darkUa: ua('Draws while it is dark'),
  litUa: ua('Its light draws beside that, all of it'),
};
/** The same of one with a light behind it, whose line is led to where the maker wants it. */
export const backlightFigures = {
  ...lightFigures,
  backlight: oneOf('Light behind it', [
    'always on',
    'switched by a pin',
    'dimmed by a pin',
    'mixed of three colours, dimmed by pins',
  ]),
};
interface Backlight {
  darkUa: number;
  litUa: number;
  backlight: number;
}
export const backlit = ({ darkUa, litUa, backlight }: Backlight): Glow => ({
  from: 'behind',
  how: glowWays[backlight]!,
  darkUa,
  litUa,
});
/** Its lines; what they carry is the light's own current. */
export function backlightEnds({ litUa, backlight }: Backlight): Terminal[] {
  switch (glowWays[backlight]!) {
    case 'always':
      return [];
    case 'switched':
      return [signal('backlight', 'out', { maxUa: litUa })];
    case 'dimmed':
      return [signal('backlight', 'pwm', { maxUa: litUa })];
    case 'mixed':
      return ['red', 'green', 'blue'].map((colour) =>
        signal(`backlight-${colour}`, 'pwm', { maxUa: Math.ceil(litUa / 3) }),
      );
  }
}

/** Figures of a mechanical contact. */
export const contactFigures = {
  pull: oneOf('Pull', ['fitted outside', 'up, inside', 'down, inside']),
  wakes: flag('Wakes the gadget'),
};
export const contactDefaults = { pull: 1, wakes: 0 };

/** A contact between a pin and the rail opposite its pull. */
export function contactEnds({ pull, wakes }: { pull: number; wakes: number }, name = 'contact'): Terminal[] {
  return [
    signal(name, wakes ? 'wake' : 'in', { contact: true, atBoot: pull === 2 ? 'high' : 'low' }),
    powerEnd('far', pull === 2 ? 'supply' : 'ground'),
  ];
}

/** Two-wire bus lines of a module. */
const twoWire = (baud: number): Terminal[] =>
  (['sda', 'scl'] as const).map((line) =>
    signal(line, { bus: 'i2c', line, baud }, { highPerMille: 700, drives: false }),
  );
/** Figures of a module on a two-wire bus. */
export const twoWireFigures = {
  ...supplied,
  address: count('Bus address', 8, 119),
  busBaud: hz('Bus speed'),
  busPullOhms: ohms('Pull-ups on the module (0: none)'),
};
interface TwoWire extends Supplied {
  address: number;
  busBaud: number;
  busPullOhms: number;
}
/** What follows from them. */
export const twoWireModule = {
  ...aModule,
  terminals: (figures: TwoWire) => [...twoWire(figures.busBaud), ...powerEnds(figures)],
  address: (figures: TwoWire) => figures.address,
  busPullOhms: (figures: TwoWire) => figures.busPullOhms,
};

/** An input that takes a high from so much of its supply on. */
export const listens = { highPerMille: 700 };

/** The two channels of an encoder. */
export const encoderEnds = (interrupts: number): Terminal[] =>
  ['a', 'b'].map((name) =>
    signal(`channel-${name}`, interrupts ? 'edge' : 'in', { contact: true, atBoot: 'low' }),
  );

/** A voltage divider between supply and ground, read at one or more taps. */
export const trackEnds = (trackOhms: number, taps: readonly string[]): Terminal[] => [
  ...taps.map((name) => signal(name, 'analog')),
  powerEnd('plus', 'supply', trackDraws(trackOhms, taps.length).worstUa),
  powerEnd('minus', 'ground'),
];
/** At 5 V, the most that a board here supplies a track with. */
export const trackDraws = (trackOhms: number, tracks: number) => {
  const each = trackOhms > 0 ? Math.round(5_000_000 / trackOhms) : 0;
  return { typicalUa: tracks * each, worstUa: tracks * each };
};

/** Lines of a fast serial bus that devices share. */
export const serialBus = (baud: number, lines: readonly ('mosi' | 'miso' | 'sck')[]): Terminal[] =>
  lines.map((line) => signal(line, { bus: 'spi', line, baud }, line === 'miso' ? { drives: true } : listens));

export const segmentNames = ['seg-a', 'seg-b', 'seg-c', 'seg-d', 'seg-e', 'seg-f', 'seg-g', 'seg-dp'];
/** The middle one is two, and six more lie inside. */
export const moreSegmentNames = ['seg-h', 'seg-i', 'seg-j', 'seg-k', 'seg-l', 'seg-m', 'seg-n'];
