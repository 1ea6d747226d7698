import { produce, type Draft } from 'immer';
import type { Control } from '../controls.schema.ts';
import type { Output } from '../outputs.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import { layerKeyId } from '../keySets.ts';
import type { OwnClass } from '../ownClass.schema.ts';
import type { Part } from '../parts.schema.ts';
import {
  drop,
  dropChord,
  dropCodeRules,
  dropSet,
  dropTriggers,
  dropPages,
  eachActions,
  findIn,
  moveBy,
  unlink,
  unwire,
  type Patch,
  type Without,
} from './help.ts';

/** A control or output that a part brings along; its id is given on adding. */
export type End = Without<Control> | Without<Output>;

const controlKinds: ReadonlySet<string> = new Set(['button', 'encoder', 'knob', 'codes']);
const isControl = (end: End): end is Without<Control> => controlKinds.has(end.kind);

function addEnds(gadget: Gadget, draft: Draft<Gadget>, part: Draft<Part>, ends: readonly End[]): void {
  let known = gadget;
  for (const end of ends) {
    const id = nextId(known, isControl(end) ? 'control' : 'output');
    if (isControl(end)) draft.controls.push({ ...end, id } as Control);
    else draft.outputs.push({ ...end, id } as Output);
    part.plays.push(id);
    known = isControl(end)
      ? { ...known, controls: [...known.controls, { ...end, id } as Control] }
      : { ...known, outputs: [...known.outputs, { ...end, id } as Output] };
  }
}

/** Takes along the rules that these trigger and the actions that drive them. */
function dropEnds(draft: Draft<Gadget>, ids: readonly string[]): void {
  const gone = (id: string) => ids.includes(id);
  const codes = draft.controls.flatMap((one) => (one.kind === 'codes' && gone(one.id) ? one.codes : []));
  dropCodeRules(draft, (codeId) => codes.some(({ id }) => id === codeId));
  drop(draft.controls, ({ id }) => gone(id));
  drop(draft.outputs, ({ id }) => gone(id));
  dropTriggers(
    draft,
    (trigger) =>
      ('controlId' in trigger && gone(trigger.controlId)) ||
      ('outputId' in trigger && gone(trigger.outputId)),
  );
  drop(draft.flow.layers, ({ when }) => when?.kind === 'held' && gone(when.controlId));
  for (const { keys } of draft.flow.layers) drop(keys, (key) => gone(layerKeyId(key)));
  for (const { id } of draft.chords.filter(({ controlIds }) => controlIds.some(gone))) dropChord(draft, id);
  eachActions(draft, (actions) => drop(actions, (action) => 'outputId' in action && gone(action.outputId)));
  dropPages(draft, ({ outputId }) => gone(outputId));
  drop(draft.neighbours, ({ outputId }) => outputId !== null && gone(outputId));
  for (const set of draft.wiring.sets) {
    drop(set.controlIds, gone);
    drop(set.chords, (chord) => chord.some(gone));
  }
  for (const id of ids) unlink(draft, id);
  // One key alone is no set.
  const keys = new Set(draft.controls.flatMap(({ id, kind }) => (kind === 'button' ? [id] : [])));
  for (const { id, plays } of draft.parts)
    if (plays.filter((end) => keys.has(end)).length < 2) dropSet(draft, id);
}

/** A part and the one control or output that it plays carry one name. */
function shareName(draft: Draft<Gadget>, { plays }: Part, name: string): void {
  if (plays.length !== 1) return;
  const end = [...draft.controls, ...draft.outputs].find(({ id }) => id === plays[0]);
  if (end) end.name = name;
}

export const partEdits = {
  setCurrency: (gadget: Gadget, currency: string) => ({ ...gadget, bill: { ...gadget.bill, currency } }),

  addPart: (gadget: Gadget, part: Omit<Part, 'id' | 'plays'>, ends: readonly End[]) =>
    produce(gadget, (draft) => {
      const added: Part = { ...part, id: nextId(gadget, 'part'), plays: [] };
      addEnds(gadget, draft, added, ends);
      draft.parts.push(added);
    }),
  changePart: (gadget: Gadget, id: string, patch: Partial<Omit<Part, 'id' | 'plays' | 'own'>>) =>
    produce(gadget, (draft) => {
      const part = findIn(draft.parts, id, 'part');
      Object.assign(part, patch);
      if (patch.name !== undefined) shareName(draft, part, patch.name);
    }),
  /** New figures that also change how many keys or lights it has: the first `keep` stay, then come `more`. */
  resizePart: (gadget: Gadget, id: string, figures: Part['figures'], keep: number, more: readonly End[]) =>
    produce(gadget, (draft) => {
      const part = findIn(draft.parts, id, 'part');
      part.figures = { ...figures };
      dropEnds(draft, part.plays.splice(keep));
      addEnds(gadget, draft, part, more);
    }),
  /** New figures, and what the outputs that it plays take over from them. */
  fitPart: (
    gadget: Gadget,
    id: string,
    figures: Part['figures'],
    outputs: readonly (readonly [id: string, patch: Partial<Output>])[],
  ) =>
    produce(gadget, (draft) => {
      findIn(draft.parts, id, 'part').figures = { ...figures };
      for (const [outputId, patch] of outputs)
        Object.assign(findIn(draft.outputs, outputId, 'output'), patch);
    }),
  /**
   * Another class of its own: what it plays and its wires stay as far as they are there still. The first `keep` of what
   * it plays stay, then come `more`.
   */
  redefinePart: (
    gadget: Gadget,
    id: string,
    own: OwnClass,
    figures: Part['figures'],
    keep: number,
    more: readonly End[],
  ) =>
    produce(gadget, (draft) => {
      const part = findIn(draft.parts, id, 'part');
      Object.assign(part, { own, figures: { ...figures } });
      dropEnds(draft, part.plays.splice(keep));
      addEnds(gadget, draft, part, more);
      const ends = new Set([...own.lines.map(({ name }) => name), ...(own.supply ? ['plus', 'minus'] : [])]);
      const gone = (ownerId: string, terminal: string) => ownerId === id && !ends.has(terminal);
      drop(
        draft.wiring.wires,
        ({ ownerId, terminal, to }) =>
          gone(ownerId, terminal) || (to.kind === 'terminal' && gone(to.ownerId, to.terminal)),
      );
      drop(draft.wiring.companions, ({ forId, terminal }) => gone(forId, terminal));
    }),
  movePart: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => moveBy(draft.parts, id, by, 'part')),
  /** Takes along what it plays, what that triggers or shows, and its wires. */
  removePart: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      const part = findIn(draft.parts, id, 'part');
      dropEnds(draft, [...part.plays]);
      dropSet(draft, id);
      drop(draft.parts, (one) => one.id === id);
      unwire(draft, id);
      unlink(draft, id);
    }),

  changeControl: (gadget: Gadget, id: string, patch: Patch<Control>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.controls, id, 'control'), patch)),
  changeOutput: (gadget: Gadget, id: string, patch: Patch<Output>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.outputs, id, 'output'), patch)),
};
