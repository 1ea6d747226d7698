import { gadgetSchema, type Gadget } from '../gadget.schema.ts';
import { faultsOf } from '../open.ts';
import { briefEdits } from './briefEdits.ts';
import { feelEdits } from './feelEdits.ts';
import { flowEdits } from './flowEdits.ts';
import { flowNameEdits } from './flowNameEdits.ts';
import { withoutLost } from '../menuReferences.ts';
import { EditRefused } from './help.ts';
import { menuEdits } from './menuEdits.ts';
import { pageEdits } from './pageEdits.ts';
import { fontEdits } from './fontEdits.ts';
import { pictureEdits } from './pictureEdits.ts';
import { neighbourEdits } from './neighbourEdits.ts';
import { tuneEdits } from './tuneEdits.ts';
import { partEdits } from './partEdits.ts';
import { wiringEdits } from './wiringEdits.ts';

export { EditRefused } from './help.ts';
export type { NewMenuItem, OpenedOut } from './menuEdits.ts';
export type { End } from './partEdits.ts';

/* Every change to a document is one of these: small, named, pure. Undo, history, API and mends share them. */
type Singles = typeof briefEdits &
  typeof partEdits &
  typeof wiringEdits &
  typeof feelEdits &
  typeof flowEdits &
  typeof flowNameEdits &
  typeof pageEdits &
  typeof pictureEdits &
  typeof fontEdits &
  typeof tuneEdits &
  typeof neighbourEdits &
  typeof menuEdits;
const single: Singles = {
  ...briefEdits,
  ...partEdits,
  ...wiringEdits,
  ...feelEdits,
  ...flowEdits,
  ...flowNameEdits,
  ...pageEdits,
  ...pictureEdits,
  ...fontEdits,
  ...tuneEdits,
  ...neighbourEdits,
  ...menuEdits,
};
type SingleName = keyof Singles;
type Rest<F> = F extends (gadget: Gadget, ...rest: infer R) => unknown ? R : never;
type SingleEdit = { [K in SingleName]: { name: K; args: Rest<Singles[K]> } }[SingleName];

const run = (gadget: Gadget, { name, args }: SingleEdit): Gadget =>
  (single[name] as (gadget: Gadget, ...args: unknown[]) => Gadget)(gadget, ...args);

export const edits: Singles & {
  several: (gadget: Gadget, list: readonly SingleEdit[]) => Gadget;
} = {
  ...single,
  /** Several edits as one step of undo: a way out, an import. All or nothing. */
  several: (gadget: Gadget, list: readonly SingleEdit[]): Gadget => list.reduce(run, gadget),
};

/** What was said of a state or rule goes with it, by whatever way that goes. */
function withoutLostMarks(gadget: Gadget): Gadget {
  const { states, marks } = gadget.flow;
  if (marks.length === 0) return gadget;
  const there = new Set(states.flatMap(({ id, rules }) => [id, ...rules.map((rule) => rule.id)]));
  const kept = marks.filter(({ placeId }) => there.has(placeId));
  return kept.length === marks.length ? gadget : { ...gadget, flow: { ...gadget.flow, marks: kept } };
}

export type EditName = keyof typeof edits;

/** An edit as data: what a mend offers, what history remembers, what crosses to a worker. */
export type Edit = SingleEdit | { name: 'several'; args: [readonly SingleEdit[]] };
export type { SingleEdit };
/** The edits that one is made of. */
export const singleEdits = (edit: Edit): readonly SingleEdit[] =>
  edit.name === 'several' ? edit.args[0] : [edit];

/** The other way round: one stays what it is. @param list at least one */
export const asOneEdit = (list: readonly SingleEdit[]): Edit =>
  list.length === 1 ? list[0]! : { name: 'several', args: [list] };

/**
 * The edited document. The result is checked by the document's own schema.
 * @throws EditRefused, naming the field, when the result would not be valid.
 */
export function applyEdit(gadget: Gadget, edit: Edit): Gadget {
  const done = (edits[edit.name] as (gadget: Gadget, ...args: unknown[]) => Gadget)(gadget, ...edit.args);
  const edited = withoutLost(withoutLostMarks(done));
  const parsed = gadgetSchema.safeParse(edited);
  // What changes nothing is no change: no step of undo, no new revision.
  if (parsed.success) return JSON.stringify(edited) === JSON.stringify(gadget) ? gadget : edited;
  const faults = faultsOf(parsed.error.issues);
  throw new EditRefused(`${faults[0]!.path}: ${faults[0]!.message}`, faults);
}
