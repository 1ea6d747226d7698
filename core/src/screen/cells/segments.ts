/*
 * Displays whose characters are made of segments: which of them a character lights, and where they lie in its cell.
 * Our own drawing; a to g and the point are named as usual, inner ones from the upper left on.
 */

/** A letter a segment; what is none is the ground. The last column is the gap to the next cell, with the point. */
export interface SegmentShape {
  readonly art: readonly string[];
  readonly lit: Readonly<Record<string, string>>;
}

export const point = 'p';

const sevenArt = [
  '.aaaaaa...',
  'faaaaaab..',
  'ff....bb..',
  'ff....bb..',
  'ff....bb..',
  'ff....bb..',
  'fggggggb..',
  'eggggggc..',
  'ee....cc..',
  'ee....cc..',
  'ee....cc..',
  'ee....cc..',
  'eddddddcpp',
  '.dddddd.pp',
];

const sevenLit = {
  ' ': '',
  '0': 'abcdef',
  '1': 'bc',
  '2': 'abdeg',
  '3': 'abcdg',
  '4': 'bcfg',
  '5': 'acdfg',
  '6': 'acdefg',
  '7': 'abc',
  '8': 'abcdefg',
  '9': 'abcdfg',
  A: 'abcefg',
  b: 'cdefg',
  C: 'adef',
  c: 'deg',
  d: 'bcdeg',
  E: 'adefg',
  F: 'aefg',
  G: 'acdef',
  H: 'bcefg',
  h: 'cefg',
  I: 'ef',
  i: 'c',
  J: 'bcde',
  L: 'def',
  n: 'ceg',
  O: 'abcdef',
  o: 'cdeg',
  P: 'abefg',
  q: 'abcfg',
  r: 'eg',
  S: 'acdfg',
  t: 'defg',
  U: 'bcdef',
  u: 'cde',
  y: 'bcdfg',
  '-': 'g',
  _: 'd',
  '=': 'dg',
  '°': 'abfg',
  '"': 'bf',
  "'": 'f',
  '?': 'abeg',
} as const;

const fourteenArt = [
  '.aaaaaaa...',
  'fi..j..kb..',
  'f.i.j.k.b..',
  'f.i.j.k.b..',
  'f..ijk..b..',
  'f...j...b..',
  '.ggg.hhh...',
  'e...m...c..',
  'e..lmn..c..',
  'e.l.m.n.c..',
  'e.l.m.n.c..',
  'el..m..nc..',
  '.ddddddd.pp',
];

const fourteenLit = {
  ' ': '',
  '0': 'abcdefkl',
  '1': 'bck',
  '2': 'abdegh',
  '3': 'abcdh',
  '4': 'bcfgh',
  '5': 'acdfgh',
  '6': 'acdefgh',
  '7': 'abc',
  '8': 'abcdefgh',
  '9': 'abcdfgh',
  A: 'abcefgh',
  B: 'abcdhjm',
  C: 'adef',
  D: 'abcdjm',
  E: 'adefg',
  F: 'aefg',
  G: 'acdefh',
  H: 'bcefgh',
  I: 'adjm',
  J: 'bcde',
  K: 'efgkn',
  L: 'def',
  M: 'bcefik',
  N: 'bcefin',
  O: 'abcdef',
  P: 'abefgh',
  Q: 'abcdefn',
  R: 'abefghn',
  S: 'adhi',
  T: 'ajm',
  U: 'bcdef',
  V: 'efkl',
  W: 'bcefln',
  X: 'ikln',
  Y: 'ikm',
  Z: 'adkl',
  '+': 'ghjm',
  '-': 'gh',
  '*': 'ghijklmn',
  '/': 'kl',
  '\\': 'in',
  '=': 'dgh',
  _: 'd',
  '(': 'kn',
  ')': 'il',
  '?': 'abhm',
  '%': 'cfkl',
  $: 'acdfghjm',
  '°': 'abfgh',
  '"': 'fj',
  "'": 'k',
  ',': 'l',
  '|': 'jm',
} as const;

export const segmentShapes = {
  seven: { art: sevenArt, lit: sevenLit },
  fourteen: { art: fourteenArt, lit: fourteenLit },
} as const satisfies Record<string, SegmentShape>;

/** The segments of a character, or of the same letter of the other size; null: it cannot be shown. */
export function segmentsOf(character: string, kind: keyof typeof segmentShapes): string | null {
  const { lit }: SegmentShape = segmentShapes[kind];
  for (const one of [character, character.toUpperCase(), character.toLowerCase()]) {
    const segments = Object.hasOwn(lit, one) ? lit[one] : undefined;
    if (segments !== undefined) return segments;
  }
  return null;
}
