import {
  asOneEdit,
  applyEdit,
  canonicalJson,
  EditRefused,
  followed,
  freshOutput,
  type Edit,
  type End,
  type Gadget,
  type Output,
  type OwnClass,
  type OwnEnd,
  type SingleEdit,
  type Part,
  limits,
  ownPartId,
} from '../gadget/index.ts';
import { figuresOf, kindOf, type Classed, type EndKind } from '../parts/index.ts';
import { readingFigures, settingFigures } from './freshValues.ts';
import { freshButton, freshEncoder, freshKnob } from './freshControls.ts';

/** Keyboard keys in the order in which they are given to controls. */
const spareKeys = [
  ...[
    'Space',
    'KeyA',
    'KeyS',
    'KeyD',
    'KeyF',
    'KeyJ',
    'KeyK',
    'KeyL',
    'KeyQ',
    'KeyW',
    'KeyE',
    'KeyR',
    'KeyU',
  ],
  ...['KeyI', 'KeyO', 'KeyP', 'KeyZ', 'KeyX', 'KeyC', 'KeyV', 'KeyN', 'KeyM'],
];

/** The word itself, or with the least number that makes it new. */
export function numbered(word: string, taken: readonly string[]): string {
  if (!taken.includes(word)) return word;
  let n = 2;
  while (taken.includes(`${word} ${n}`)) n += 1;
  return `${word} ${n}`;
}

/** What an end is called: the part's name, and which of its ends it is where it has several. */
function endNames({ name }: Pick<Part, 'name'>, kinds: readonly EndKind[]): string[] {
  if (kinds.length === 1) return [name];
  const axes = ['across', 'along'];
  const mixed = new Set(kinds).size > 1 || kinds.every((kind) => kind === 'knob');
  if (!mixed) return kinds.map((_, n) => `${name} ${n + 1}`);
  const twoAxes = kinds.filter((kind) => kind === 'knob').length === 2;
  let axis = 0;
  return kinds.map((kind) => {
    if (kind === 'button') return `${name} push`;
    if (kind !== 'knob' || !twoAxes) return name;
    axis += 1;
    return `${name} ${axes[axis - 1]}`;
  });
}

/** Controls and outputs as new, with names of their own and keys that play nothing yet. */
function freshEnds(gadget: Gadget, part: Classed & Pick<Part, 'name'>, skip: number): End[] {
  const kinds = kindOf(part).plays(figuresOf(part));
  const values = (part.own?.plays ?? []).map((end) => (typeof end === 'string' ? null : end));
  const names = endNames(part, kinds).map((name, n) => (values[n] ? `${part.name} ${values[n].name}` : name));
  const taken = new Set(
    gadget.controls.flatMap((control) =>
      'backKey' in control ? [control.key, control.backKey] : [control.key],
    ),
  );
  const spare = spareKeys.filter((key) => !taken.has(key));
  const nextKey = () => spare.shift() ?? null;
  return kinds.slice(skip).map((kind, n): End => {
    const name = names[skip + n]!.slice(0, limits.nameChars).trimEnd();
    const value = values[skip + n];
    if (value?.kind === 'reading')
      return { ...freshKnob(part, name, nextKey(), nextKey()), ...readingFigures(value) };
    if (value) return { kind: 'setting', name, ...settingFigures(part.own!, part.figures, value) };
    switch (kind) {
      case 'button':
        return freshButton(part, name, nextKey());
      case 'encoder':
        return freshEncoder(part, name, nextKey(), nextKey());
      case 'knob':
        return freshKnob(part, name, nextKey(), nextKey());
      case 'codes':
        return { kind, name, key: nextKey(), codes: [], repeatsEveryUs: 110_000, heldGapUs: 250_000 };
      default:
        return { ...freshOutput(kind, figuresOf(part)), name } as End;
    }
  });
}

export type FreshPart = Partial<Pick<Part, 'name' | 'figures' | 'priceCents' | 'quantity' | 'have'>>;

/**
 * The edit that adds a part of that class as one takes it out of the drawer, with what it plays.
 * @throws RangeError for a class that the catalogue does not know
 */
export function addPartEdit(
  gadget: Gadget,
  kindId: string,
  given: FreshPart = {},
): Extract<Edit, { name: 'addPart' }> {
  return added(gadget, { kind: kindId, own: null }, given);
}

/** So many of one class, each named by number, as one step. @param howMany at least 1 */
export function addPartsEdit(gadget: Gadget, kindId: string, howMany: number): Edit {
  const list: Extract<Edit, { name: 'addPart' }>[] = [];
  let now = gadget;
  for (let n = 0; n < howMany; n += 1) {
    const edit = addPartEdit(now, kindId);
    list.push(edit);
    now = applyEdit(now, edit);
  }
  return asOneEdit(list);
}

/** The same for a part that brings its class along. */
export const addOwnPartEdit = (gadget: Gadget, own: OwnClass): Extract<Edit, { name: 'addPart' }> =>
  added(gadget, { kind: ownPartId, own }, {});

function added(
  gadget: Gadget,
  classed: Pick<Part, 'kind' | 'own'>,
  given: FreshPart,
): Extract<Edit, { name: 'addPart' }> {
  const name =
    given.name ??
    numbered(
      kindOf(classed).title.split(',')[0]!,
      gadget.parts.map((part) => part.name),
    );
  const part = { ...classed, figures: {}, priceCents: null, quantity: 1, have: 0, ...given, name };
  return { name: 'addPart', args: [part, freshEnds(gadget, part, 0)] };
}

/**
 * What the sheet of a part of its own says of the values that it tells and takes, as edits.
 * @param said before: those are left out
 */
function valueEdits({ own, figures, plays }: Part, said: readonly SingleEdit[] = []): SingleEdit[] {
  if (!own) return [];
  const before = new Set(said.map(canonicalJson));
  return plays
    .flatMap((id, n): SingleEdit[] => {
      const end = own.plays[n];
      if (typeof end !== 'object') return [];
      return end.kind === 'reading'
        ? [{ name: 'changeControl', args: [id, readingFigures(end)] }]
        : [{ name: 'changeOutput', args: [id, settingFigures(own, figures, end)] }];
    })
    .filter((edit) => !before.has(canonicalJson(edit)));
}

/** The edit that gives a part another class of its own; figures of its own stay where that class takes them. */
export function ownClassEdit(gadget: Gadget, part: Part, own: OwnClass): Edit {
  const { defaults, figures: schema } = kindOf({ kind: ownPartId, own });
  const figures = Object.fromEntries(
    Object.entries(part.figures).filter(
      ([name, value]) => name in defaults && schema.safeParse({ ...defaults, [name]: value }).success,
    ),
  );
  const was = part.own?.plays ?? [];
  const kindAt = (plays: readonly OwnEnd[], n: number) => {
    const end = plays[n];
    return typeof end === 'object' ? end.kind : end;
  };
  const differs = was.findIndex((_, n) => kindAt(was, n) !== kindAt(own.plays, n));
  const keep = differs < 0 ? Math.min(was.length, part.plays.length) : differs;
  const redefined: SingleEdit = {
    name: 'redefinePart',
    args: [part.id, own, figures, keep, freshEnds(gadget, { ...part, own, figures }, keep)],
  };
  // What stays takes over what its sheet says of it now.
  const now = { ...part, own, figures, plays: part.plays.slice(0, keep) };
  const following = valueEdits(now, valueEdits(part));
  return following.length === 0 ? redefined : { name: 'several', args: [[redefined, ...following]] };
}

/**
 * The edit that gives a part these figures of its own, with more or fewer keys or lights where they say so.
 * @throws EditRefused naming the figure that its class does not take
 */
export function figuresEdit(gadget: Gadget, part: Part, figures: Part['figures']): Edit {
  const kind = kindOf(part);
  const parsed = kind.figures.safeParse({ ...kind.defaults, ...figures });
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!;
    throw new EditRefused(`${path.join('.')}: ${message}`);
  }
  const count = kind.plays(parsed.data).length;
  if (count === part.plays.length) {
    const told = valueEdits({ ...part, figures }, valueEdits(part));
    if (told.length > 0)
      return { name: 'several', args: [[{ name: 'changePart', args: [part.id, { figures }] }, ...told]] };
    const following = gadget.outputs.flatMap(({ id, kind: end }): [string, Partial<Output>][] => {
      const patch = part.plays.includes(id) ? followed(end, parsed.data) : {};
      return Object.keys(patch).length > 0 ? [[id, patch]] : [];
    });
    return following.length > 0
      ? { name: 'fitPart', args: [part.id, figures, following] }
      : { name: 'changePart', args: [part.id, { figures }] };
  }
  const more = freshEnds(gadget, { ...part, figures }, part.plays.length);
  return { name: 'resizePart', args: [part.id, figures, Math.min(count, part.plays.length), more] };
}
