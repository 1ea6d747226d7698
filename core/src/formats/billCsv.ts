import { addPartEdit, figuresEdit } from '../drawer/index.ts';
import {
  applyEdit,
  EditRefused,
  limits,
  nameSchema,
  ownPartId,
  type Gadget,
  type Part,
} from '../gadget/index.ts';
import { figuresOf, kindOf, partKinds, type Figures, type PartKind } from '../parts/index.ts';
import { billOf } from '../wiring/index.ts';
import { FaultList, plainCell, printRows, readRows, type CsvRead, type CsvRow } from './csv.ts';

const heading = ['class', 'name', 'quantity', 'have', 'each', 'currency', 'figures'];

const money = (cents: number) => (cents / 100).toFixed(2);
const said = (figures: Figures) =>
  Object.entries(figures)
    .map(([name, value]) => `${name}=${value}`)
    .join('; ');

/** The bill as a table: parts first, which can be read back, then the board and the small parts that follow from the wiring. */
export function printBillCsv(gadget: Gadget): string {
  const { currency } = gadget.bill;
  const parts = new Map(gadget.parts.map((part) => [part.id, part]));
  const { lines } = billOf(gadget);
  const inOrder = [
    ...lines.filter(({ kind }) => kind === 'part'),
    ...lines.filter(({ kind }) => kind !== 'part'),
  ];
  return printRows(
    heading,
    inOrder.map(({ kind, id, classId, name, quantity, have, eachCents, value }) => [
      kind === 'part' ? classId : `(${classId})`,
      name,
      quantity,
      have,
      money(eachCents),
      currency,
      kind === 'part'
        ? said(figuresOf(parts.get(id)!))
        : value === null || value === 0
          ? ''
          : `value=${value}`,
    ]),
  );
}

/**
 * The gadget with the parts of a table: a row of a class and name that are there already changes that part, others are
 * added. Rows in brackets follow from the wiring and are passed over. All or nothing.
 */
export function readBillCsv(
  gadget: Gadget,
  text: string,
): CsvRead<{ gadget: Gadget; added: number; changed: number }> {
  const table = readRows(text, ['class', 'name']);
  if (table.outcome === 'faulty') return table;
  const faults = new FaultList();
  let current = gadget;
  let [added, changed] = [0, 0];
  let rows = 0;
  for (const row of table.value) {
    if (row.cell('class').startsWith('(')) continue;
    rows += 1;
    if (rows > limits.parts) {
      faults.add(row.number, '', `expected at most ${limits.parts} parts`);
      break;
    }
    const read = readPart(current, row, faults);
    if (!read) continue;
    const known = current.parts.find(({ kind, name }) => kind === read.kind && name === read.name);
    try {
      if (known) {
        const { kind: _kind, figures, ...patch } = read;
        current = applyEdit(current, figuresEdit(current, known, { ...known.figures, ...figures }));
        current = applyEdit(current, { name: 'changePart', args: [known.id, patch] });
        changed += 1;
      } else {
        const { kind, ...given } = read;
        current = applyEdit(current, addPartEdit(current, kind, given));
        added += 1;
      }
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error;
      faults.add(row.number, '', error.message);
    }
  }
  return faults.faults.length > 0
    ? { outcome: 'faulty', faults: faults.faults }
    : { outcome: 'read', value: { gadget: current, added, changed } };
}

type PartRow = Pick<Part, 'kind' | 'name' | 'figures'> &
  Partial<Pick<Part, 'quantity' | 'have' | 'priceCents'>>;

/** The class that a row names; one of a part's own only where that part is here: a table does not carry it. */
function classOf({ parts }: Gadget, kind: string, name: string): PartKind | null {
  if (kind !== ownPartId) return partKinds.find(({ id }) => id === kind) ?? null;
  const part = parts.find((one) => one.kind === ownPartId && one.name === name);
  return part ? kindOf(part) : null;
}

function readPart(gadget: Gadget, row: CsvRow, faults: FaultList): PartRow | null {
  const before = faults.faults.length;
  const kind = row.cell('class');
  const name = plainCell(row.cell('name'));
  const fault = (column: string, message: string) => faults.add(row.number, column, message);
  const found = classOf(gadget, kind, name);
  if (!found) {
    fault(
      'class',
      kind === ownPartId
        ? `expected a part of your own called "${name.slice(0, 40)}" in the gadget already: a table does not carry its lines`
        : `expected a class such as "push-button", got "${kind.slice(0, 40)}"`,
    );
    return null;
  }
  const named = nameSchema.safeParse(name);
  if (!named.success) fault('name', named.error.issues[0]!.message);
  const whole = (column: string, min: number): number | undefined => {
    const cell = row.cell(column);
    if (cell === '') return undefined;
    const value = Number(cell);
    if (Number.isInteger(value) && value >= min && value <= limits.partQuantity) return value;
    fault(
      column,
      `expected a whole number from ${min} to ${limits.partQuantity}, got "${cell.slice(0, 40)}"`,
    );
    return undefined;
  };
  const quantity = whole('quantity', 1);
  const have = whole('have', 0);
  const each = row.cell('each').replace(',', '.');
  const priceCents = Math.round(Number(each) * 100);
  if (each !== '' && !(priceCents >= 0 && priceCents <= limits.priceCents))
    fault('each', `expected a price such as "1.20", got "${each.slice(0, 40)}"`);
  const figures = readFigures(found, row.cell('figures'), fault);
  if (faults.faults.length > before) return null;
  return {
    kind,
    name,
    figures,
    ...(quantity !== undefined && { quantity }),
    ...(have !== undefined && { have }),
    ...(each !== '' && { priceCents: priceCents === found.priceCents ? null : priceCents }),
  };
}

/** `forwardMv=2000; wantUa=8000`, as far as it differs from what is typical. */
function readFigures(
  { defaults, figures: schema }: PartKind,
  cell: string,
  fault: (column: string, message: string) => void,
): Figures {
  const figures: Figures = {};
  for (const piece of cell.split(';').filter((one) => one.trim() !== '')) {
    const [name = '', value = ''] = piece.split('=').map((part) => part.trim());
    if (!Object.hasOwn(defaults, name)) {
      fault(
        'figures',
        `expected one of ${Object.keys(defaults).join(', ') || 'no figures'}, got "${name.slice(0, 40)}"`,
      );
      continue;
    }
    const parsed = schema.safeParse({ ...defaults, [name]: value === '' ? NaN : Number(value) });
    if (!parsed.success) fault('figures', `${name}: ${parsed.error.issues[0]!.message}`);
    else if (parsed.data[name] !== defaults[name]) figures[name] = parsed.data[name]!;
  }
  return figures;
}
