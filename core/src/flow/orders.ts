import {
  fieldList,
  limits,
  type Field,
  type Length,
  type Fields,
  type OutputAction,
  type OutputActionKind,
  type OutputFields,
} from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { bare, evaluate, type Surroundings } from './evaluate.ts';
import { drawsIn, isNumber, type Code } from './expression.ts';
import { codesOfTemplate, renderTemplate, type Template } from './template.ts';
import { textAt } from './texts.ts';

/** One thing that is told to an output, with everything looked up. */
export type CompiledField =
  | { name: string; role: 'expression'; code: Code }
  /** Milliseconds; the order has them in µs. */
  | { name: string; role: 'length'; ms: Code }
  | { name: string; role: 'template'; text: Template }
  | { name: string; role: 'list' | 'rows' | 'texts'; variable: number }
  | { name: string; role: 'constant'; value: unknown };

/** What an output is told, in the order in which it is worked out. */
export interface CompiledOrder {
  kind: OutputActionKind;
  fields: readonly CompiledField[];
  /** Of one that is always the same: what it comes to. */
  known: OutputOrder | null;
  /** It draws chance, which must be drawn unseen, too: what comes after depends on how often it was. */
  draws: boolean;
}

type Worked<F extends Fields> = {
  [N in keyof F as F[N]['role'] extends keyof Renamed ? Renamed[F[N]['role']] : N]: F[N] extends {
    role: 'constant';
    schema: infer S;
  }
    ? S extends { _zod: { output: infer V } }
      ? V
      : never
    : Gives[Exclude<F[N]['role'], 'constant'>];
};
/** What a field that names a variable is called once it is worked out. */
interface Renamed {
  list: 'places';
  rows: 'rows';
  texts: 'lines';
}
interface Gives {
  expression: number;
  length: number;
  template: string;
  list: number[];
  rows: Rows;
  texts: string[];
}

/** Numbers row by row. */
export interface Rows {
  columns: number;
  cells: readonly number[];
}

/** What an output is told, worked out: whole numbers, texts, places of a list (`places`) or texts of one (`lines`), and what the document says. */
export type OrderOf<K extends OutputActionKind> = {
  [N in K]: { kind: N } & Worked<OutputFields[N]>;
}[K];
export type OutputOrder = OrderOf<OutputActionKind>;

/** A length that is worked out is held inside what those that are fixed may be. */
export const longestMs = limits.lengthUs / 1_000;

/** How a compiler reads what is written; undefined: it cannot be read. */
export interface FieldReader {
  expression(text: string): Code | undefined;
  template(text: string): Template | undefined;
  variable(id: string): number;
}

/** @returns undefined where something of it cannot be read: then nothing is told */
export function compileOrder(action: OutputAction, read: FieldReader): CompiledOrder | undefined {
  const said = action as unknown as Record<string, unknown>;
  const fields: CompiledField[] = [];
  let unread = false;
  for (const [name, { role }] of fieldList(action.kind)) {
    const field = compileField(name, role, said[name], read);
    if (field) fields.push(field);
    else unread = true;
  }
  if (unread) return undefined;
  return {
    kind: action.kind,
    fields,
    // Worked out once, and the same object each time: whoever compares what was told finds it at once.
    known: fields.every(isFixed) ? workedOut(action.kind, fields, nowhere) : null,
    draws: fields.some((field) => codesIn(field).some(drawsIn)),
  };
}

/** Whether it comes to the same whenever it is worked out. */
function isFixed(field: CompiledField): boolean {
  if (field.role === 'list' || field.role === 'rows' || field.role === 'texts') return false;
  if (field.role === 'template') return field.text.every((piece) => typeof piece === 'string');
  return codesIn(field).every(isNumber);
}
const nowhere: OrderSurroundings = {
  ...bare([]),
  tables: { slot: [], size: [], columns: [], characters: [] },
};

function compileField(
  name: string,
  role: Field['role'],
  said: unknown,
  read: FieldReader,
): CompiledField | undefined {
  switch (role) {
    case 'expression': {
      const code = read.expression(said as string);
      if (code === undefined) return undefined;
      // A number as it is written is not worked out again with every picture.
      return isNumber(code)
        ? { name, role: 'constant', value: evaluate(code, nowhere) }
        : { name, role, code };
    }
    case 'length': {
      if (typeof said === 'number') return { name, role: 'constant', value: said };
      const ms = read.expression((said as Exclude<Length, number>).ms);
      return ms && { name, role, ms };
    }
    case 'template': {
      const text = read.template(said as string);
      return text && { name, role, text };
    }
    case 'list':
      return { name: 'places', role, variable: read.variable(said as string) };
    case 'rows':
      return { name: 'rows', role, variable: read.variable(said as string) };
    case 'texts':
      return { name: 'lines', role, variable: read.variable(said as string) };
    case 'constant':
      return { name, role, value: said };
  }
}

/** Expressions that are worked out to tell it. */
function codesIn(field: CompiledField): readonly Code[] {
  if (field.role === 'expression') return [field.code];
  if (field.role === 'length') return [field.ms];
  return field.role === 'template' ? codesOfTemplate(field.text) : [];
}
export const codesOfOrder = ({ fields }: CompiledOrder): Code[] => fields.flatMap(codesIn);

/** Where an order is worked out: values, chance, and which slots are a list's. */
export interface OrderSurroundings extends Surroundings {
  readonly tables: {
    readonly slot: readonly number[];
    readonly size: readonly number[];
    readonly columns: readonly number[];
    readonly characters: readonly number[];
  };
}

/** What an order comes to now. */
export const orderNow = ({ kind, fields, known }: CompiledOrder, around: OrderSurroundings): OutputOrder =>
  known ?? workedOut(kind, fields, around);

function workedOut(
  kind: OutputActionKind,
  fields: readonly CompiledField[],
  around: OrderSurroundings,
): OutputOrder {
  const order: Record<string, unknown> = { kind };
  for (const field of fields) order[field.name] = valueOf(field, around);
  return order as unknown as OutputOrder;
}

function valueOf(field: CompiledField, around: OrderSurroundings): unknown {
  switch (field.role) {
    case 'constant':
      return field.value;
    case 'expression':
      return evaluate(field.code, around);
    case 'length':
      return clamp(evaluate(field.ms, around), 0, longestMs) * 1_000;
    case 'template':
      return renderTemplate(field.text, around);
    case 'list':
      return cellsOf(field.variable, around);
    case 'rows':
      return { columns: around.tables.columns[field.variable]!, cells: cellsOf(field.variable, around) };
    case 'texts': {
      const { slot, size, characters } = around.tables;
      const [from, length] = [slot[field.variable]!, characters[field.variable]!];
      return Array.from({ length: size[field.variable]! / length }, (_, n) =>
        textAt(around.values, from + n * length, length),
      );
    }
  }
}

function cellsOf(variable: number, { tables: { slot, size }, values }: OrderSurroundings): number[] {
  const from = slot[variable]!;
  return Array.from({ length: size[variable]! }, (_, n) => values[from + n]!);
}
