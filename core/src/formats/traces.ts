import Papa from 'papaparse';
import type { WireTrace } from '../feel/index.ts';
import type { Edge } from '../gadget/index.ts';
import { longRow } from './csv.ts';

/** Units of time that records use, in µs. */
export const timeUnits = { s: 1_000_000, ms: 1_000, us: 1, ns: 0.001 } as const;
export type TimeUnit = keyof typeof timeUnits;

/** A record's wires, and in which unit its times were taken. */
export interface ReadTraces {
  wires: WireTrace[];
  unit: TimeUnit;
  /** Whether the record says its unit itself; otherwise it was guessed, and somebody has to confirm it. */
  said: boolean;
}

export type TraceRead = { outcome: 'read'; value: ReadTraces } | { outcome: 'faulty'; message: string };

const faulty = (message: string): TraceRead => ({ outcome: 'faulty', message });

const most = { bytes: 8_000_000, edges: 200_000, wires: 64, spanUs: 3_600_000_000, rowChars: 4_000 } as const;
const tooLarge = (text: string) => text.length > most.bytes;

/** A wire from its samples or changes, as they come; changes that change nothing are left out. */
class WireBuilder {
  private first: 0 | 1 | null = null;
  private level: 0 | 1 = 0;
  private readonly edges: Edge[] = [];
  readonly name: string;
  constructor(name: string) {
    this.name = name.trim().slice(0, 80) || 'wire';
  }
  add(atUs: number, level: 0 | 1): void {
    if (this.first === null) this.first = this.level = level;
    if (level === this.level) return;
    this.level = level;
    const last = this.edges.at(-1);
    // Two changes within one microsecond undo each other.
    if (last && last.atUs === Math.round(atUs)) this.edges.pop();
    else this.edges.push({ atUs: Math.round(atUs), level });
  }
  done(endUs: number): WireTrace {
    return { name: this.name, first: this.first ?? 0, edges: this.edges, endUs: Math.round(endUs) };
  }
}

function finished(builders: WireBuilder[], endUs: number, unit: TimeUnit, said: boolean): TraceRead {
  // Neither a span that is no number at all.
  if (!(endUs >= 0 && endUs <= most.spanUs))
    return faulty('expected a record of an hour at most; is the unit of time right?');
  const wires = builders.map((builder) => builder.done(endUs));
  if (wires.some(({ edges }) => edges.length > most.edges))
    return faulty(`expected at most ${most.edges} changes of a wire`);
  return { outcome: 'read', value: { wires, unit, said } };
}

/* --- VCD: value change dump, IEEE 1364 clause 18 --- */

const scales: Record<string, number> = { s: 1e6, ms: 1e3, us: 1, ns: 1e-3, ps: 1e-6, fs: 1e-9 };

/** Reads the one-bit wires of a value change dump; wider ones are passed over. Unknown and floating count as 0. */
export function readVcd(text: string): TraceRead {
  if (tooLarge(text)) return faulty('expected a record of at most 8 MB');
  const words = text.split(/\s+/).filter((word) => word !== '');
  const wires = new Map<string, WireBuilder>();
  const scopes: string[] = [];
  let scaleUs: number | null = null;
  let index = 0;
  const block = () => {
    const from = index;
    while (index < words.length && words[index] !== '$end') index += 1;
    return words.slice(from, index++);
  };
  let inHead = true;
  while (inHead && index < words.length) {
    const word = words[index]!;
    index += 1;
    if (!word.startsWith('$'))
      return faulty(`expected a "$" section before any time, got "${word.slice(0, 40)}"`);
    const body = block();
    if (word === '$timescale') {
      const scale = /^(1|10|100)(s|ms|us|ns|ps|fs)$/.exec(body.join(''));
      if (!scale) return faulty(`expected a timescale such as "1 us", got "${body.join(' ').slice(0, 40)}"`);
      scaleUs = Number(scale[1]) * scales[scale[2]!]!;
    } else if (word === '$scope') scopes.push(body[1] ?? '');
    else if (word === '$upscope') scopes.pop();
    else if (word === '$var') {
      const [, size, code, name] = body;
      if (size === '1' && code !== undefined && wires.size < most.wires)
        wires.set(code, new WireBuilder(name ?? code));
    } else if (word === '$enddefinitions') inHead = false;
  }
  if (inHead) return faulty('expected "$enddefinitions", got the end of the file');
  if (scaleUs === null) return faulty('expected a "$timescale" section');
  if (wires.size === 0) return faulty('expected at least one wire of a single bit');
  let atUs = 0;
  for (; index < words.length; index += 1) {
    const word = words[index]!;
    if (word.startsWith('#')) {
      const time = Number(word.slice(1));
      if (!/^#\d+$/.test(word) || !Number.isSafeInteger(time))
        return faulty(`expected a time such as "#120", got "${word.slice(0, 40)}"`);
      if (time * scaleUs < atUs)
        return faulty(`expected times that rise, got ${word.slice(0, 40)} after a later one`);
      atUs = time * scaleUs;
    } else if (/^[01xXzZ]./.test(word)) wires.get(word.slice(1))?.add(atUs, word[0] === '1' ? 1 : 0);
    else if (/^[bBrR]/.test(word)) index += 1;
    else if (word === '$comment') block();
    else if (!/^\$(dumpvars|dumpall|dumpon|dumpoff|end)$/.test(word))
      return faulty(`expected a change such as "1!" at that place, got "${word.slice(0, 40)}"`);
  }
  return finished([...wires.values()], atUs, 'us', true);
}

/** A value change dump of one-bit wires, in microseconds. */
export function printVcd(wires: readonly WireTrace[]): string {
  const code = (n: number) => String.fromCharCode(33 + n);
  const changes = wires
    .flatMap(({ edges }, n) => edges.map(({ atUs, level }) => ({ atUs, text: `${level}${code(n)}` })))
    .sort((a, b) => a.atUs - b.atUs);
  const lines = [
    '$timescale 1 us $end',
    '$scope module gadget $end',
    ...wires.map(({ name }, n) => `$var wire 1 ${code(n)} ${name.replace(/\s+/g, '_')} $end`),
    '$upscope $end',
    '$enddefinitions $end',
    '#0',
    '$dumpvars',
    ...wires.map(({ first }, n) => `${first}${code(n)}`),
    '$end',
  ];
  let lastUs = 0;
  for (const { atUs, text } of changes) {
    if (atUs !== lastUs) lines.push(`#${atUs}`);
    lastUs = atUs;
    lines.push(text);
  }
  const endUs = Math.max(0, ...wires.map((wire) => wire.endUs));
  if (endUs > lastUs) lines.push(`#${endUs}`);
  return `${lines.join('\n')}\n`;
}

/* --- CSV of time and level --- */

/** A unit named in a heading: "Time [s]", "time_us", "t (ms)", "Time (µs)". */
function saidUnit(heading: string): TimeUnit | null {
  const found = /(?:[[(_\s/]|^)(s|sec|seconds|ms|us|µs|μs|ns)(?:[\])\s]|$)/i.exec(heading.trim());
  if (!found) return null;
  const word = found[1]!.toLowerCase();
  return word.startsWith('sec') ? 's' : word === 'µs' || word === 'μs' ? 'us' : (word as TimeUnit);
}

/**
 * What unit bare times are in: fractions are seconds or milliseconds, by the span; whole numbers are microseconds,
 * or nanoseconds where they would run for more than ten minutes. Presses are milliseconds to seconds long.
 */
function guessedUnit(times: readonly number[]): TimeUnit {
  const span = Math.abs((times.at(-1) ?? 0) - (times[0] ?? 0));
  if (times.some((time) => !Number.isInteger(time))) return span < 600 ? 's' : 'ms';
  return span > 600_000_000 ? 'ns' : 'us';
}

const number = (cell: string | undefined) => {
  const trimmed = (cell ?? '').trim();
  const text = trimmed.includes(',') ? trimmed.replace(/^(-?\d+),(\d+)$/, '$1.$2') : trimmed;
  const value = text === '' ? NaN : Number(text);
  return Number.isFinite(value) ? value : NaN;
};

/**
 * Reads a table of times and levels: every change or every sample, one column of times and one or more of levels,
 * with or without a heading. Levels are 0 and 1, or voltages, told apart at the middle of their range.
 * @param unit as somebody has confirmed it; null: as the heading says, or guessed
 */
export function readTraceCsv(text: string, unit: TimeUnit | null = null): TraceRead {
  if (tooLarge(text)) return faulty('expected a record of at most 8 MB');
  const long = longRow(text, most.rowChars);
  if (long !== null) return faulty(`row ${long}: expected at most ${most.rowChars} characters`);
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    comments: '#',
  });
  const headed = data.findIndex((row) => row.length >= 2 && row.every((cell) => !Number.isNaN(number(cell))));
  if (headed < 0) return faulty('expected rows of a time and a level, such as "0.0013,1"');
  const heading = headed === 0 ? null : data[headed - 1]!;
  // A time that is no number of the world is no heading.
  if (/^[-+]?(inf(inity)?|nan|[\d.]+(e[-+]?\d+)?)$/i.test((heading?.[0] ?? '').trim()))
    return faulty(`row ${headed}: expected a time, got "${heading![0]!.slice(0, 40)}"`);
  const rows = data.slice(headed);
  const columns = rows[0]!.length;
  const times: number[] = [];
  const levels: number[][] = Array.from({ length: columns - 1 }, () => []);
  for (const [n, row] of rows.entries()) {
    const values = row.map(number);
    const line = headed + n + 1;
    if (row.length !== columns || values.some(Number.isNaN))
      return faulty(`row ${line}: expected ${columns} numbers, got "${row.join(', ').slice(0, 60)}"`);
    if (n > 0 && values[0]! < times[n - 1]!) return faulty(`row ${line}: expected times that rise`);
    times.push(values[0]!);
    levels.forEach((column, c) => column.push(values[c + 1]!));
  }
  const said = heading ? saidUnit(heading[0] ?? '') : null;
  const taken = unit ?? said ?? guessedUnit(times);
  const startUs = times[0]! * timeUnits[taken];
  // Before anything is made of it.
  const endUs = times.at(-1)! * timeUnits[taken] - startUs;
  if (!(endUs >= 0 && endUs <= most.spanUs)) return finished([], endUs, taken, false);
  const builders = levels.slice(0, most.wires).map((column, c) => {
    const builder = new WireBuilder(heading?.[c + 1] ?? `wire ${c + 1}`);
    let low = Infinity;
    let high = -Infinity;
    for (const value of column) {
      low = Math.min(low, value);
      high = Math.max(high, value);
    }
    // A wire that never changes is high where it is above half a volt.
    const middle = low === high ? 0.5 : (low + high) / 2;
    column.forEach((value, n) => builder.add(times[n]! * timeUnits[taken] - startUs, value > middle ? 1 : 0));
    return builder;
  });
  return finished(builders, endUs, taken, unit !== null || said !== null);
}

/** A table of times in seconds and levels, a row for every change. */
export function printTraceCsv({ name, first, edges, endUs }: WireTrace): string {
  const seconds = (us: number) => (us / 1_000_000).toFixed(6);
  const rows = [
    [seconds(0), first],
    ...edges.map(({ atUs, level }) => [seconds(atUs), level]),
    [seconds(endUs), edges.at(-1)?.level ?? first],
  ];
  return `${Papa.unparse([['Time [s]', name], ...rows], { newline: '\r\n' })}\r\n`;
}

/* --- A list of samples --- */

/** Reads zeros and ones, one a sample, with or without anything between them. @param everyUs time between samples, > 0 */
export function readSamples(text: string, everyUs: number): TraceRead {
  if (tooLarge(text)) return faulty('expected a record of at most 8 MB');
  if (!(everyUs > 0)) return faulty('expected a time between samples of more than nothing');
  const samples = text.replace(/^\uFEFF/, '').replace(/[\s,;]+/g, '');
  const wrong = /[^01]/.exec(samples);
  if (samples === '') return faulty('expected zeros and ones, got nothing');
  if (wrong) return faulty(`expected zeros and ones, got "${samples.slice(wrong.index, wrong.index + 20)}"`);
  const builder = new WireBuilder('samples');
  for (let n = 0; n < samples.length; n += 1) builder.add(n * everyUs, samples[n] === '1' ? 1 : 0);
  return finished([builder], samples.length * everyUs, 'us', true);
}

export type TraceKind = 'vcd' | 'csv' | 'samples';

/** Which of the three a file is, by what is in it. */
export function traceKindOf(text: string): TraceKind {
  const start = text.replace(/^\uFEFF/, '').trimStart();
  if (start.startsWith('$')) return 'vcd';
  // Two numbers to a line, or a heading, make a table; nothing but zeros and ones is a list.
  return /^[01\s,;]+$/.test(start) && !/^\s*\d+\s*[,;\t]\s*\d+\s*$/m.test(start.split('\n')[1] ?? '')
    ? 'samples'
    : 'csv';
}
