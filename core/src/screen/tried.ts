import { compileFlow, freshFlow, pageNow, valuesNow, type FlowTables } from '../flow/index.ts';
import type { Control, Gadget } from '../gadget/index.ts';
import { freshWork } from '../kernel/index.ts';
import type { Drawing, Drawn } from './render.ts';

/** With which values a page is looked at. */
export type Trying =
  /** As the gadget begins, with all numbers at their least, half-way between, or at their most. */
  | 'start'
  | 'least'
  | 'middle'
  | 'most'
  /**
   * As they are somewhere: of variables by id, which states are active, and where hands have put controls (a knob in
   * thousandths of its way: its value is taken to lie evenly along that).
   */
  | {
      variables: Readonly<Record<string, number | string | number[] | string[]>>;
      stateIds: readonly string[];
      places: Readonly<Record<string, number>>;
    };

/** Two numbers of 32 bits may lie farther apart than one of them holds. */
const halfway = (low: number, high: number): number => Math.floor((low + high) / 2);

function controlAt(control: Control, trying: Trying): number {
  if (typeof trying === 'object') {
    const place = trying.places[control.id] ?? 0;
    if (control.kind !== 'knob') return control.kind === 'codes' ? 0 : Math.round(place);
    const { low, high } = control.reading;
    return low + Math.round(((high - low) * place) / 1_000);
  }
  const most = trying === 'most';
  switch (control.kind) {
    case 'button':
      return most ? 1 : 0;
    case 'knob': {
      const { low, high } = control.reading;
      return trying === 'middle' ? halfway(low, high) : Math[most ? 'max' : 'min'](low, high);
    }
    case 'encoder':
      return 0;
    case 'codes':
      return most ? control.codes.length : 0;
  }
}

function valuesTried(tables: FlowTables, trying: Trying): number[] {
  if (typeof trying === 'object') return valuesNow(tables, trying.variables);
  const values = [...tables.initialValues];
  if (trying === 'start') return values;
  const valueOf = (variable: number): number => {
    const [low, high] = [tables.low[variable]!, tables.high[variable]!];
    if (trying === 'middle') return halfway(low, high);
    return trying === 'least' ? low : high;
  };
  tables.slot.forEach((from, variable) => {
    // Texts are tried as they begin.
    if (tables.characters[variable] !== 0) return;
    values.fill(valueOf(variable), from, from + tables.size[variable]!);
  });
  return values;
}

export interface Tried {
  drawn: Drawn;
  /** Of each drawing: the place of its element on the page. */
  places: readonly number[];
}

/** By document, which never changes: while a gadget plays, a page is looked at many times a second. */
const known = new WeakMap<Gadget, FlowTables>();
function tablesOf(gadget: Gadget): FlowTables {
  const tables = known.get(gadget) ?? compileFlow(gadget).tables;
  known.set(gadget, tables);
  return tables;
}

/** What a page comes to with other values than those of the gadget in hand. Nothing is played for it. */
export function pageTried(gadget: Gadget, pageId: string, trying: Trying): Tried {
  const tables = tablesOf(gadget);
  const state = { ...freshFlow(tables, null), values: valuesTried(tables, trying) };
  const active =
    typeof trying === 'object' ? trying.stateIds : tables.initial.map((n) => tables.stateIds[n]!);
  state.active = tables.stateIds.map((id) => (active.includes(id) ? 1 : 0));
  // By itself, whatever lies over it and whenever it would.
  const alone = {
    ...tables,
    pages: tables.pages.flatMap((page) => (page.id === pageId ? [{ ...page, over: null }] : [])),
  };
  const outputId = alone.pages[0]?.outputId ?? '';
  const { orders } = pageNow(alone, state, outputId, pageId, {
    nowUs: 0,
    work: freshWork(),
    seed: 0,
    control: (number) => controlAt(gadget.controls[number]!, trying),
  });
  const places = tables.pages.find(({ id }) => id === pageId)?.places ?? [];
  return { drawn: { pageId, rows: [], drawings: orders as readonly Drawing[] }, places };
}
