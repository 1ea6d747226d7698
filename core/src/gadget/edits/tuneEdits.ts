import { produce, type Draft } from 'immer';
import type { SoundEffect } from '../effects.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId, nextIds } from '../ids.ts';
import type { Tune, TuneVoice } from '../tunes.schema.ts';
import { drop, dropPerformed, eachActions, EditRefused, findIn } from './help.ts';

/** The tune that has this voice. */
function tuneOfVoice(draft: Draft<Gadget>, voiceId: string): Tune {
  const tune = draft.tunes.find(({ voices }) => voices.some(({ id }) => id === voiceId));
  if (!tune) throw new EditRefused(`There is no voice "${voiceId}" any more.`);
  return tune;
}

/** What sounders play: tunes on a grid of time, and effects. */
export const tuneEdits = {
  addTune: (
    gadget: Gadget,
    { voices, ...tune }: Omit<Tune, 'id' | 'voices'> & { voices: readonly Omit<TuneVoice, 'id'>[] },
  ) =>
    produce(gadget, (draft) => {
      const ids = nextIds(gadget, 'voice', voices.length);
      draft.tunes.push({
        ...structuredClone(tune),
        id: nextId(gadget, 'tune'),
        voices: voices.map((voice, n) => ({ ...structuredClone(voice), id: ids[n]! })),
      });
    }),
  changeTune: (gadget: Gadget, id: string, patch: Partial<Omit<Tune, 'id' | 'voices'>>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.tunes, id, 'tune'), structuredClone(patch))),
  /** Takes along what plays it. */
  removeTune: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      findIn(draft.tunes, id, 'tune');
      drop(draft.tunes, (tune) => tune.id === id);
      dropPerformed(draft, (action) => action.tuneId === id);
    }),
  addVoice: (gadget: Gadget, tuneId: string, voice: Omit<TuneVoice, 'id'>) =>
    produce(gadget, (draft) => {
      const { voices } = findIn(draft.tunes, tuneId, 'tune');
      voices.push({ ...structuredClone(voice), id: nextId(gadget, 'voice') });
    }),
  changeVoice: (gadget: Gadget, id: string, patch: Partial<Omit<TuneVoice, 'id'>>) =>
    produce(gadget, (draft) => {
      const voice = findIn(tuneOfVoice(draft, id).voices, id, 'voice');
      Object.assign(voice, structuredClone(patch));
    }),
  addEffect: (gadget: Gadget, effect: Omit<SoundEffect, 'id'>) =>
    produce(gadget, (draft) => void draft.effects.push({ ...effect, id: nextId(gadget, 'effect') })),
  changeEffect: (gadget: Gadget, id: string, patch: Partial<Omit<SoundEffect, 'id'>>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.effects, id, 'effect'), patch)),
  /** Takes along what sounds it. */
  removeEffect: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      findIn(draft.effects, id, 'effect');
      drop(draft.effects, (effect) => effect.id === id);
      eachActions(draft, (actions) =>
        drop(actions, (action) => action.kind === 'effect' && action.effectId === id),
      );
    }),
  /** Takes along what plays just this one. */
  removeVoice: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(tuneOfVoice(draft, id).voices, (voice) => voice.id === id);
      dropPerformed(draft, (action) => action.voiceId === id);
    }),
};
