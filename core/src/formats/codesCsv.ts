import type { Codes } from '../gadget/index.ts';
import { FaultList, plainCell, printRows, readRows, type CsvRead } from './csv.ts';

type Learned = Omit<Codes['codes'][number], 'id'>;

const column = { name: 'key', code: 'code', sent: 'sent ms', heard: 'heard ms' } as const;

/** A code as receivers write it: 0x1F, 1Fh or a plain number. */
function codeOf(text: string): number | null {
  const hex = /^(?:0x([0-9a-f]{1,8})|([0-9a-f]{1,8})h)$/i.exec(text);
  const value = hex ? parseInt(hex[1] ?? hex[2]!, 16) : /^\d{1,10}$/.test(text) ? Number(text) : NaN;
  return Number.isSafeInteger(value) && value <= 0xffff_ffff ? value : null;
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
    if (name === '' || name.length > 80)
      faults.add(row.number, column.name, 'expected a name of 1 to 80 characters');
    else if (code === null) faults.add(row.number, column.code, 'expected a code such as 0x1F or 31');
    else {
      const known = heard.get(name) ?? { codes: new Map<number, number>(), latencies: [], rows: 0 };
      known.codes.set(code, (known.codes.get(code) ?? 0) + 1);
      known.rows += 1;
      const [sent, came] = [row.cell(column.sent), row.cell(column.heard)].map((cell) =>
        cell === '' ? NaN : Number(cell),
      );
      if (came! >= sent!) known.latencies.push(came! - sent!);
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
