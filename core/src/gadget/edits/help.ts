import type { Draft } from 'immer';
import type { Action } from '../actions.schema.ts';
import type { Trigger } from '../flow.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import type { Page } from '../pages.schema.ts';
import type { Fault } from '../open.ts';
import { layerKeyId } from '../keySets.ts';
import { drawnLists, placedActions } from '../placedActions.ts';

export type Without<T> = T extends unknown ? Omit<T, 'id'> : never;
export type Patch<T> = T extends unknown ? Partial<Omit<T, 'id' | 'kind'>> : never;

/** The edit would not leave a valid gadget, or names something that is gone. Nothing was changed. */
export class EditRefused extends Error {
  readonly faults: Fault[];
  constructor(message: string, faults: Fault[] = []) {
    super(message);
    this.faults = faults;
  }
}

export const findIn = <T extends { id: string }>(list: T[], id: string, what: string): T => {
  const found = list.find((one) => one.id === id);
  if (!found) throw new EditRefused(`There is no ${what} "${id}" any more.`);
  return found;
};

export const drop = <T>(list: T[], condemned: (one: T) => boolean) => {
  for (let i = list.length - 1; i >= 0; i -= 1) if (condemned(list[i]!)) list.splice(i, 1);
};

/** So many places on, as far as the list goes. */
export const moveAt = <T>(list: T[], from: number, by: number) => {
  const to = Math.min(list.length - 1, Math.max(0, from + by));
  list.splice(to, 0, ...list.splice(from, 1));
};

export const moveBy = <T extends { id: string }>(list: T[], id: string, by: number, what: string) =>
  moveAt(list, list.indexOf(findIn(list, id, what)), by);

export const eachActions = (draft: Draft<Gadget>, visit: (actions: Action[]) => void) => {
  for (const { actions } of [...placedActions(draft.flow), ...drawnLists(draft.pages)]) visit(actions);
};

/** Nothing shows these pages any more. */
export const dropShown = (draft: Draft<Gadget>, ids: ReadonlySet<string>) =>
  eachActions(draft, (actions) =>
    drop(actions, (action) => action.kind === 'showPage' && action.pageId !== null && ids.has(action.pageId)),
  );

/** These pages are gone. */
export const dropPages = (draft: Draft<Gadget>, gone: (page: Page) => boolean) => {
  const ids = new Set(draft.pages.filter(gone).map(({ id }) => id));
  drop(draft.pages, ({ id }) => ids.has(id));
  dropShown(draft, ids);
};

/** Nothing draws this picture any more. */
export const dropDrawn = (draft: Draft<Gadget>, pictureId: string) =>
  eachActions(draft, (actions) =>
    drop(actions, (action) => action.kind === 'drawPicture' && action.pictureId === pictureId),
  );

/** Nothing plays this tune any more, or this voice of it. */
export const dropPerformed = (
  draft: Draft<Gadget>,
  gone: (action: Extract<Action, { kind: 'perform' }>) => boolean,
) => eachActions(draft, (actions) => drop(actions, (action) => action.kind === 'perform' && gone(action)));

/** No word leads to it any more. */
export const unlink = (draft: Draft<Gadget>, id: string) => {
  for (const word of draft.brief.words) drop(word.links, (link) => link === id);
};

/** Nothing is wired from it or to it, and nothing was fitted for it. */
export const unwire = (draft: Draft<Gadget>, ownerId: string) => {
  drop(
    draft.wiring.wires,
    ({ ownerId: from, to }) => from === ownerId || (to.kind === 'terminal' && to.ownerId === ownerId),
  );
  drop(draft.wiring.companions, ({ forId }) => forId === ownerId);
};

/** Rules that wait for what is gone go, and so does what was ignored of it. */
export const dropTriggers = (draft: Draft<Gadget>, gone: (trigger: Trigger) => boolean) => {
  for (const { rules } of draft.flow.states) drop(rules, ({ trigger }) => gone(trigger));
  drop(draft.flow.ignored, ({ trigger }) => gone(trigger));
};

/** Takes along the rules that it triggers. */
export const dropChord = (draft: Draft<Gadget>, chordId: string) => {
  drop(draft.chords, ({ id }) => id === chordId);
  dropTriggers(draft, (trigger) => trigger.kind === 'chord' && trigger.chordId === chordId);
};

/** Rules that these codes trigger go. */
export const dropCodeRules = (draft: Draft<Gadget>, gone: (codeId: string) => boolean) =>
  dropTriggers(draft, (trigger) => trigger.kind === 'code' && gone(trigger.codeId));

/** A set of keys is none any more: rules that hear any of them go, and what they do in layers. */
export const dropSet = (draft: Draft<Gadget>, setId: string) => {
  dropTriggers(draft, (trigger) => trigger.kind === 'keys' && trigger.setId === setId);
  for (const { keys } of draft.flow.layers) drop(keys, (key) => layerKeyId(key) === setId);
};
