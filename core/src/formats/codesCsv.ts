import { nameSchema, type Codes } from '../gadget/index.ts';
import { FaultList, plainCell, printRows, readRows, type CsvRead, type CsvRow } from './csv.ts';

type Learned = Omit<Codes['codes'][number], 'id'>;

const column = { name: 'key', code: 'code', sent: 'sent ms', heard: 'heard ms' } as const;

/** A code as receivers write it: 0x1F, 1Fh or a plain number. */
function codeOf(text: string): number | null {
  const hex = /^(?:0x([0-9a-f]{1,8})|([0-9a-f]{1,8})h)$/i.exec(text);
  const value = hex ? parseInt(hex[1] ?? hex[2]!, 16) : /^\d{1,10}$/.test(text) ? Number(text) : NaN;
  return Number.isSafeInteger(value) && value <= 0xffff_ffff ? value : null;
}

/** An hour, in ms. */
const longestMs = 3_600_000;

/** A time of the log, in ms; null where there is none, or none that can be. */
function timeOf(row: CsvRow, of: string, faults: FaultList): number | null {
  const cell = row.cell(of);
  if (cell === '') return null;
  const ms = Number(cell);
  if (Math.abs(ms) <= longestMs * 1_000) return ms;
  faults.add(row.number, of, `expected a time in ms, got "${cell.slice(0, 40)}"`);
  return null;
}

const middle = (sorted: readonly number[]) => sorted[(sorted.length - 1) >> 1] ?? 0;

/**
 * Learns codes from a log: a row for each key or word that was given to the receiver, with the code that it wrote,
 * and, where they were taken, the times of both. The code that a key gave most often is its own; the others are what
 * it was taken for; its latency is the median.
 */
export function readCodesCsv(text: string): CsvRead<Learned[]> {
  const read = readRows(text, [column.name, column.code]);
  if (read.outcome === 'faulty') return read;
  const faults = new FaultList();
  const heard = new Map<string, { codes: Map<number, number>; latencies: number[]; rows: number }>();
  for (const row of read.value) {
    const name = plainCell(row.cell(column.name));
    const code = codeOf(row.cell(column.code));
    const named = nameSchema.safeParse(name);
    if (!named.success) faults.add(row.number, column.name, named.error.issues[0]!.message);
    else if (code === null) faults.add(row.number, column.code, 'expected a code such as 0x1F or 31');
    else {
      const known = heard.get(name) ?? { codes: new Map<number, number>(), latencies: [], rows: 0 };
      known.codes.set(code, (known.codes.get(code) ?? 0) + 1);
      known.rows += 1;
      const [sent, came] = [column.sent, column.heard].map((of) => timeOf(row, of, faults));
      if (sent !== null && came !== null && came! >= sent!) known.latencies.push(came! - sent!);
      heard.set(name, known);
    }
  }
  const owners = new Map<number, string>();
  const learned = [...heard].map(([name, { codes, latencies, rows }]): Learned => {
    const [code, count] = [...codes].sort((a, b) => b[1] - a[1])[0]!;
    const other = owners.get(code);
    if (other !== undefined)
      faults.add(1, column.code, `expected a code of its own for "${name}", got that of "${other}"`);
    owners.set(code, name);
    const latencyUs = Math.min(3_600_000_000, Math.round(middle(latencies.sort((a, b) => a - b)) * 1_000));
    return { name, code, wrongPerMille: Math.round((1_000 * (rows - count)) / rows), latencyUs };
  });
  if (learned.length === 0) faults.add(2, '', 'expected at least one row below the heading');
  if (learned.length > 100) faults.add(102, '', 'expected at most 100 different keys');
  return faults.faults.length > 0
    ? { outcome: 'faulty', faults: faults.faults }
    : { outcome: 'read', value: learned };
}

/** The codes that a receiver knows, as a log of one row each that can be read again. */
export function printCodesCsv({ codes }: Pick<Codes, 'codes'>): string {
  return printRows(
    [column.name, column.code, column.sent, column.heard],
    codes.map(({ name, code, latencyUs }) => [
      name,
      `0x${code.toString(16).toUpperCase()}`,
      0,
      latencyUs / 1_000,
    ]),
  );
}
