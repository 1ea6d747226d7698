import { produce } from 'immer';
import type { Capture } from '../contact.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import type { Chord } from '../gestures.schema.ts';
import type { Hands } from '../human.ts';
import { nextId, nextIds } from '../ids.ts';
import type { Codes } from '../turning.schema.ts';
import { drop, dropChord, dropCodeRules, EditRefused, findIn, type Without } from './help.ts';

export const feelEdits = {
  changeHands: (gadget: Gadget, patch: Partial<Hands>) => ({
    ...gadget,
    hands: { ...gadget.hands, ...patch },
  }),

  addChord: (gadget: Gadget, chord: Omit<Chord, 'id'>) =>
    produce(gadget, (draft) => void draft.chords.push({ ...chord, id: nextId(gadget, 'chord') })),
  changeChord: (gadget: Gadget, id: string, patch: Partial<Omit<Chord, 'id'>>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.chords, id, 'chord'), patch)),
  /** Takes along the rules that it triggers. */
  removeChord: (gadget: Gadget, id: string) => produce(gadget, (draft) => dropChord(draft, id)),

  addCapture: (gadget: Gadget, capture: Omit<Capture, 'id'>) =>
    produce(gadget, (draft) => void draft.captures.push({ ...capture, id: nextId(gadget, 'capture') })),
  changeCapture: (gadget: Gadget, id: string, patch: Partial<Omit<Capture, 'id'>>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.captures, id, 'capture'), patch)),
  /** Contacts that played it are drawn again. */
  removeCapture: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.captures, (capture) => capture.id === id);
      for (const control of draft.controls)
        if ('contact' in control && control.contact.captureId === id) control.contact.captureId = null;
    }),

  /** Replaces the codes of a receiver; one that was there keeps its id and its rules, those of one that went go. */
  setCodes: (gadget: Gadget, id: string, codes: readonly Without<Codes['codes'][number]>[]) =>
    produce(gadget, (draft) => {
      const control = findIn(draft.controls, id, 'control');
      if (control.kind !== 'codes') throw new EditRefused('Expected a receiver of codes.');
      const kept = new Map(control.codes.map(({ code, id: known }) => [code, known]));
      const fresh = nextIds(gadget, 'code', codes.length).values();
      const before = control.codes.map(({ id: known }) => known);
      control.codes = codes.map((code) => ({ ...code, id: kept.get(code.code) ?? fresh.next().value! }));
      const now = new Set(control.codes.map(({ id: known }) => known));
      dropCodeRules(draft, (codeId) => before.includes(codeId) && !now.has(codeId));
    }),
};
