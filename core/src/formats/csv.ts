import Papa from 'papaparse';

/** What is wrong in a table, where: rows counted as a spreadsheet does, the heading being row 1. */
export interface CsvFault {
  row: number;
  /** '' for the row as a whole. */
  column: string;
  message: string;
}

export type CsvRead<T> = { outcome: 'read'; value: T } | { outcome: 'faulty'; faults: CsvFault[] };

/** Faults beyond these are not listed: a wrong file is wrong in every row. */
const listedFaults = 40;
const maxRows = 1_000;

const maxChars = 2_000_000;
const maxLineChars = 20_000;

/** Limits that can be seen without reading the table: one row of millions of cells is no table. */
function tooLarge(text: string): CsvFault | null {
  if (text.length > maxChars)
    return { row: 1, column: '', message: `expected a table of at most ${maxChars / 1_000_000} MB` };
  const row = longRow(text, maxLineChars);
  return row === null
    ? null
    : { row, column: '', message: `expected at most ${maxLineChars} characters in a row` };
}

/** The first row that is longer than that, from 1; null: none. Looks at ends of lines alone. */
export function longRow(text: string, mostChars: number): number | null {
  let row = 1;
  for (let from = 0; from < text.length; row += 1) {
    const end = text.indexOf('\n', from);
    const to = end < 0 ? text.length : end;
    if (to - from > mostChars) return row;
    from = to + 1;
  }
  return null;
}

export class FaultList {
  readonly faults: CsvFault[] = [];
  add(row: number, column: string, message: string): void {
    if (this.faults.length < listedFaults) this.faults.push({ row, column, message });
  }
}

export interface CsvRow {
  number: number;
  cell(column: string): string;
}

/**
 * The rows of a table with a heading. Commas, semicolons and tabs are told apart by themselves.
 * @param text of the file
 * @param needed columns that must be there
 */
export function readRows(text: string, needed: readonly string[]): CsvRead<CsvRow[]> {
  const large = tooLarge(text);
  if (large) return { outcome: 'faulty', faults: [large] };
  const faulty = (row: number, column: string, message: string): CsvRead<CsvRow[]> => ({
    outcome: 'faulty',
    faults: [{ row, column, message }],
  });
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const quotes = errors.find(({ type }) => type === 'Quotes');
  if (quotes) return faulty((quotes.row ?? 0) + 1, '', 'expected every quotation mark to be closed');
  const [heading, ...rows] = data;
  if (!heading) return faulty(1, '', 'expected a heading and rows, got an empty file');
  const columns = heading.map((name) => name.trim().toLowerCase());
  const missing = needed.filter((name) => !columns.includes(name));
  if (missing.length > 0)
    return faulty(
      1,
      missing[0]!,
      `expected a column "${missing[0]}", got ${columns.join(', ').slice(0, 120)}`,
    );
  if (rows.length > maxRows) return faulty(maxRows + 2, '', `expected at most ${maxRows} rows`);
  return {
    outcome: 'read',
    value: rows.map((cells, index) => ({
      number: index + 2,
      cell: (column) => cells[columns.indexOf(column)]?.trim() ?? '',
    })),
  };
}

/** A cell that a spreadsheet could take for a formula is quoted as text, so that opening a file runs nothing. */
const harmless = (cell: string | number): string | number =>
  typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;

/** A table with a heading, quoted where it must be, lines ended as RFC 4180 has it. */
export function printRows(
  heading: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): string {
  return Papa.unparse([[...heading], ...rows.map((row) => row.map(harmless))], { newline: '\r\n' }) + '\r\n';
}

/** Takes back what `harmless` put before a cell. */
export const plainCell = (cell: string): string => cell.replace(/^'(?=[=+\-@])/, '');
