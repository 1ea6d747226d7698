import { limits, type OwnFont } from '../gadget/index.ts';

/** A file of a font that cannot be used, and what was expected instead. */
export class FontFileError extends Error {}

/** Bounds of what is read: a font of all common scripts in a large size has some megabytes. */
export const fontFileLimits = { bytes: 4_194_304, glyphs: 70_000 };

export interface FontWish {
  /** Characters that are wanted; null: all that there is room for. */
  characters: string | null;
}

export interface ReadFont {
  font: Omit<OwnFont, 'id'>;
  /** How many characters the file has, and which of those that were wanted it lacks. */
  inFile: number;
  lacking: string[];
  /** More were wanted than there is room for: so many were left out. */
  leftOut: number;
  /** Its characters are of several widths: here each has a cell as wide as the widest. */
  ofOneWidth: boolean;
}

interface Found {
  character: string;
  advance: number;
  box: Box;
  rows: readonly string[];
}
interface Box {
  width: number;
  height: number;
  x: number;
  y: number;
}

const numbersOf = (line: string, count: number, what: string): number[] => {
  const numbers = line
    .trim()
    .split(/\s+/)
    .slice(1, 1 + count)
    .map(Number);
  if (numbers.length < count || !numbers.every(Number.isInteger))
    throw new FontFileError(`expected ${what} as ${count} whole numbers, got "${line.slice(0, 40)}"`);
  return numbers;
};

function boxOf(line: string, what: string): Box {
  const [width, height, x, y] = numbersOf(line, 4, what) as [number, number, number, number];
  const most = 4 * limits.fontHighPx;
  if (width < 0 || height < 0 || width > most || height > most || Math.abs(x) > most || Math.abs(y) > most)
    throw new FontFileError(`expected ${what} of at most ${most} pixels, got "${line.slice(0, 40)}"`);
  return { width, height, x, y };
}

/** A row of pixels in hexadecimal digits, the highest bit at the left, in whole bytes. */
function pixelsOf(line: string, width: number): string {
  const digits = line.trim();
  if (!/^[0-9a-f]*$/i.test(digits) || digits.length < 2 * Math.ceil(width / 8))
    throw new FontFileError(
      `expected a row of ${width} pixels in hexadecimal digits, got "${line.slice(0, 40)}"`,
    );
  return Array.from({ length: width }, (_, x) =>
    (parseInt(digits[x >> 2]!, 16) & (8 >> (x & 3))) > 0 ? '#' : '.',
  ).join('');
}

/** Characters of a file, one after the other; each line is looked at once. */
class Lines {
  private at = 0;
  constructor(private readonly lines: readonly string[]) {}
  next(): string {
    if (this.at >= this.lines.length)
      throw new FontFileError('expected a whole BDF file, and it ends in the middle');
    const line = this.lines[this.at]!;
    this.at += 1;
    return line;
  }
}

function glyphOf(lines: Lines): Found | null {
  let code = -1;
  let advance = 0;
  let box: Box | null = null;
  for (;;) {
    const line = lines.next();
    const word = line.split(/\s/, 1)[0];
    if (word === 'ENCODING') [code] = numbersOf(line, 1, 'a code') as [number];
    else if (word === 'DWIDTH') [advance] = numbersOf(line, 1, 'a width') as [number];
    else if (word === 'BBX') box = boxOf(line, 'a box of a character');
    else if (word === 'ENDCHAR') return null;
    else if (word === 'BITMAP') break;
  }
  if (!box) throw new FontFileError('expected a box (BBX) in front of the pixels of a character');
  const { width, height } = box;
  const rows = Array.from({ length: height }, () => pixelsOf(lines.next(), width));
  while (lines.next().trim() !== 'ENDCHAR');
  // Codes that are none of a character are shapes without a name.
  const isCharacter = code >= 32 && code <= 0x10ffff && !(code >= 0xd800 && code <= 0xdfff);
  return isCharacter ? { character: String.fromCodePoint(code), advance, box, rows } : null;
}

/** Pixels of a character in its cell; what lies outside is cut off. */
function celled({ box, rows }: Found, width: number, height: number, baseline: number): string[] {
  const top = baseline - (box.y + box.height);
  return Array.from({ length: height }, (_, y) =>
    Array.from({ length: width }, (__, x) => rows[y - top]?.[x - box.x] ?? '.').join(''),
  );
}

/**
 * A font from a file in the bitmap distribution format, version 2.1.
 * @param text of the whole file
 * @throws FontFileError with what was expected
 */
export function readBdf(text: string, { characters }: FontWish): ReadFont {
  if (text.length > fontFileLimits.bytes)
    throw new FontFileError(`expected a file of at most ${fontFileLimits.bytes} bytes`);
  const lines = new Lines(text.split(/\r\n|\r|\n/));
  if (!/^STARTFONT\s/.test(lines.next()))
    throw new FontFileError('expected a BDF file, which begins with STARTFONT');
  let name = '';
  let bounds: Box | null = null;
  const found: Found[] = [];
  let inFile = 0;
  for (;;) {
    const line = lines.next();
    const word = line.trim().split(/\s/, 1)[0];
    if (word === 'ENDFONT') break;
    if (word === 'FONT') name = line.trim().slice(5).trim();
    if (word === 'FAMILY_NAME') name = line.trim().slice(12).replace(/"/g, '').trim() || name;
    if (word === 'FONTBOUNDINGBOX') bounds = boxOf(line, 'a box of all characters');
    if (word === 'STARTCHAR') {
      inFile += 1;
      if (inFile > fontFileLimits.glyphs)
        throw new FontFileError(`expected at most ${fontFileLimits.glyphs} characters`);
      const glyph = glyphOf(lines);
      if (glyph) found.push(glyph);
    }
  }
  if (!bounds) throw new FontFileError('expected a box of all characters (FONTBOUNDINGBOX)');
  return fitted(name, bounds, found, inFile, characters);
}

function fitted(
  name: string,
  bounds: Box,
  found: readonly Found[],
  inFile: number,
  characters: string | null,
): ReadFont {
  const byCharacter = new Map(found.map((one) => [one.character, one]));
  const wanted = characters === null ? [...byCharacter.keys()] : [...new Set(characters)];
  const there = wanted.flatMap((character) => byCharacter.get(character) ?? []);
  const kept = there.slice(0, limits.fontGlyphs);
  if (kept.length === 0)
    throw new FontFileError(
      characters === null
        ? 'expected at least one character with a code'
        : 'expected some of the characters that are wanted, and it has none of them',
    );
  const advances = new Set(kept.map(({ advance }) => advance));
  const width = Math.max(1, ...kept.map(({ advance, box }) => Math.max(advance, box.x + box.width)));
  const height = Math.max(1, bounds.height);
  if (width > limits.fontWidePx || height > limits.fontHighPx)
    throw new FontFileError(
      `expected characters of at most ${limits.fontWidePx} × ${limits.fontHighPx} pixels, and these take ${width} × ${height}`,
    );
  const baseline = bounds.y + bounds.height;
  return {
    font: {
      name: [...(name || 'Font')].slice(0, limits.nameChars).join(''),
      widthPx: width,
      heightPx: height,
      glyphs: kept.map((one) => ({ character: one.character, rows: celled(one, width, height, baseline) })),
    },
    inFile,
    lacking: characters === null ? [] : wanted.filter((character) => !byCharacter.has(character)),
    leftOut: there.length - kept.length,
    ofOneWidth: advances.size === 1,
  };
}
