import {
  applyEdit,
  singleEdits,
  canonicalJson,
  EditRefused,
  type Control,
  type Edit,
  type Gadget,
  type Output,
  type Part,
  type SingleEdit,
} from '../gadget/index.ts';
import { figuresEdit } from './fresh.ts';

/** The same change for all that are like what was changed. */
export interface SameForAlike {
  /** What was changed, by name. */
  changed: string;
  /** Those that would become like it, by name. */
  others: string[];
  edit: Edit;
}

type Fields = Readonly<Record<string, unknown>>;
const same = (a: unknown, b: unknown): boolean => a === b || canonicalJson(a) === canonicalJson(b);
/** Fields that are not what they were; those that are gone among them. */
const differing = (was: Fields, is: Fields): string[] =>
  [...new Set([...Object.keys(was), ...Object.keys(is)])].filter((field) => !same(was[field], is[field]));

interface Found {
  others: string[];
  list: SingleEdit[];
}

/** What of a control or output is its own. */
const own: ReadonlySet<string> = new Set(['id', 'name', 'key', 'backKey']);
/** What is said field by field; everything else, such as a way of debouncing with its figures, is one thing. */
const loose: ReadonlySet<string> = new Set(['gestures', 'wants']);

/** What of an end was changed, laid over another. null: nothing that another could share. */
function changesOf<E extends Control | Output>(was: E, is: E): ((other: E) => Partial<E>) | null {
  const fields = differing(was as Fields, is as Fields).filter((field) => !own.has(field));
  if (fields.length === 0) return null;
  return (other) => {
    const patch = fields.map((field) => {
      const [before, after, others] = [was, is, other].map((end) => (end as Fields)[field]);
      if (!loose.has(field)) return [field, after];
      const inner = differing(before as Fields, after as Fields).map((one) => [one, (after as Fields)[one]]);
      return [field, { ...(others as Fields), ...Object.fromEntries(inner) }];
    });
    return Object.fromEntries(patch) as Partial<E>;
  };
}

/** Pairs of what was and is under one id, where it is another now. */
const changedIn = <T extends { id: string }>(was: readonly T[], is: readonly T[]): [T, T][] => {
  const before = new Map(was.map((one) => [one.id, one]));
  return is.flatMap((one): [T, T][] => {
    const other = before.get(one.id);
    return other && other !== one && !same(other, one) ? [[other, one]] : [];
  });
};

const classOf = ({ kind, own: described }: Part): string => canonicalJson([kind, described]);

/** The ends that parts of the same class play in its place or beside it. */
function alikeEnds(gadget: Gadget, id: string): ReadonlySet<string> {
  const part = gadget.parts.find(({ plays }) => plays.includes(id));
  if (!part) return new Set();
  const like = gadget.parts.filter((one) => classOf(one) === classOf(part));
  return new Set(like.flatMap(({ plays }) => plays).filter((end) => end !== id));
}

function forEnds<E extends Control | Output>(
  gadget: Gadget,
  ends: readonly E[],
  [was, is]: [E, E],
  editOf: (id: string, patch: Partial<E>) => SingleEdit,
): Found {
  const changes = changesOf(was, is);
  const alike = alikeEnds(gadget, is.id);
  const others: string[] = [];
  const list: SingleEdit[] = [];
  for (const end of changes ? ends : []) {
    if (!alike.has(end.id) || end.kind !== is.kind) continue;
    const patch = changes!(end);
    if (same({ ...end, ...patch }, end)) continue;
    others.push(end.name);
    list.push(editOf(end.id, patch));
  }
  return { others, list };
}

/** Figures and price, for the other parts of its class. */
function forParts(gadget: Gadget, [was, is]: [Part, Part]): Found {
  const figures = differing({ ...was.figures }, { ...is.figures });
  const price = was.priceCents !== is.priceCents;
  const others: string[] = [];
  const list: SingleEdit[] = [];
  // Only more keys or lights need ids, which those before have used up.
  let now = gadget;
  for (const part of gadget.parts) {
    if (part.id === is.id || classOf(part) !== classOf(is)) continue;
    const before = list.length;
    const wanted = { ...part.figures };
    for (const figure of figures) {
      // Back to what its class says, or to a figure of its own.
      if (is.figures[figure] === undefined) delete wanted[figure];
      else wanted[figure] = is.figures[figure];
    }
    if (!same(wanted, part.figures)) {
      const edit = figuresEdit(now, part, wanted);
      list.push(...singleEdits(edit));
      if (edit.name === 'resizePart') now = applyEdit(now, edit);
    }
    if (price && part.priceCents !== is.priceCents)
      list.push({ name: 'changePart', args: [part.id, { priceCents: is.priceCents }] });
    if (list.length > before) others.push(part.name);
  }
  return { others, list };
}

/** What was changed, and the same for those like it. null: not just one thing was. */
function sameFor(was: Gadget, is: Gadget): (Found & { changed: string }) | null {
  const parts = changedIn(was.parts, is.parts);
  const controls = changedIn(was.controls, is.controls);
  const outputs = changedIn(was.outputs, is.outputs);
  const [part] = parts;
  // Figures take along what the part plays.
  if (part) return parts.length === 1 ? { changed: part[1].name, ...forParts(is, part) } : null;
  if (controls.length + outputs.length !== 1) return null;
  const [control] = controls;
  if (control) {
    const editOf = (id: string, patch: Partial<Control>): SingleEdit => ({
      name: 'changeControl',
      args: [id, patch as never],
    });
    return { changed: control[1].name, ...forEnds(is, is.controls, control, editOf) };
  }
  const [output] = outputs as [[Output, Output]];
  const editOf = (id: string, patch: Partial<Output>): SingleEdit => ({
    name: 'changeOutput',
    args: [id, patch as never],
  });
  return { changed: output[1].name, ...forEnds(is, is.outputs, output, editOf) };
}

/**
 * After a change to one control, output or part: the same for all that come from parts of the same class and are not
 * so yet. Names, keys of the keyboard and how many of a part are bought stay each one's own.
 * @returns null where more than one was changed, or there is none like it, or the document cannot hold it
 */
export function sameForAlike(was: Gadget, is: Gadget): SameForAlike | null {
  if (was.flow !== is.flow || was.parts.length !== is.parts.length) return null;
  try {
    const found = sameFor(was, is);
    if (!found || found.list.length === 0) return null;
    const edit: Edit = { name: 'several', args: [found.list] };
    applyEdit(is, edit);
    return { changed: found.changed, others: found.others, edit };
  } catch (error) {
    if (error instanceof EditRefused) return null;
    throw error;
  }
}
