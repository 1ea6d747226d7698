import { boardSchema, faultsOf, pinSchema, type Board, type BoardPin } from '../gadget/index.ts';
import { FaultList, plainCell, printRows, readRows, type CsvRead } from './csv.ts';

const heading = ['edge', 'port', 'pin', 'can'];

/** The pin table of a board: one pin a row, in the order in which they lie. */
export function printPinsCsv({ pins }: Board): string {
  return printRows(
    heading,
    pins.map(({ edge, port, name, can }) => [edge, port, name, can.join(' ')]),
  );
}

/** A pin table from a file, with every fault by row and column. */
export function readPinsCsv(text: string): CsvRead<BoardPin[]> {
  const table = readRows(text, ['pin', 'can']);
  if (table.outcome === 'faulty') return table;
  const faults = new FaultList();
  const seen = new Map<string, number>();
  const columns: Record<string, string> = { name: 'pin', edge: 'edge', port: 'port', can: 'can' };
  const pins = table.value.flatMap((row) => {
    // "+5V" was written so that a spreadsheet does not take it for a formula.
    const name = plainCell(row.cell('pin'));
    const can = row
      .cell('can')
      .split(/\s+/)
      .filter((word) => word !== '');
    const parsed = pinSchema.safeParse({
      name,
      edge: row.cell('edge') || 'left',
      port: row.cell('port'),
      can,
    });
    const twice = seen.get(name);
    if (twice !== undefined)
      faults.add(row.number, 'pin', `expected a pin once, got "${name}" as in row ${twice}`);
    seen.set(name, row.number);
    if (parsed.success) return [parsed.data];
    for (const { path, message } of parsed.error.issues) {
      const bad =
        path[0] === 'can' && typeof path[1] === 'number' ? `, got "${can[path[1]]!.slice(0, 40)}"` : '';
      faults.add(row.number, columns[String(path[0])] ?? '', message + bad);
    }
    return [];
  });
  if (pins.length === 0 && faults.faults.length === 0) faults.add(2, 'pin', 'expected at least one pin');
  return faults.faults.length > 0
    ? { outcome: 'faulty', faults: faults.faults }
    : { outcome: 'read', value: pins };
}

/** A board as a file of its own. */
export function printBoardJson(board: Board): string {
  return `${JSON.stringify(board, null, 2)}\n`;
}

const isObject = (raw: unknown): raw is object => typeof raw === 'object' && raw !== null;

/** A board from a file, or what is wrong with it, by field. */
export function readBoardJson(
  text: string,
): { outcome: 'read'; board: Board } | { outcome: 'invalid'; message: string } {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return {
      outcome: 'invalid',
      message: `Expected a board as JSON; reading it failed: ${(error as Error).message}.`,
    };
  }
  // Files of boards of whose timers nothing was written yet.
  const told = isObject(raw) && !('timers' in raw) ? { ...raw, timers: [] } : raw;
  const parsed = boardSchema.safeParse(told);
  if (parsed.success) return { outcome: 'read', board: parsed.data };
  const [first, ...more] = faultsOf(parsed.error.issues);
  const rest = more.length > 0 ? ` (and ${more.length} more)` : '';
  return { outcome: 'invalid', message: `${first!.path || 'The board'}: ${first!.message}${rest}.` };
}
