import { produce, type Draft } from 'immer';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import type { Frame, Picture } from '../pictures.schema.ts';
import { drop, dropDrawn, EditRefused, findIn, moveAt } from './help.ts';

/** The frames of a picture, of which there is one at that place. */
function framesAt(draft: Draft<Gadget>, id: string, at: number): Picture['frames'] {
  const { frames } = findIn(draft.pictures, id, 'picture');
  if (!(at in frames)) throw new EditRefused(`There is no frame ${at + 1} of that picture any more.`);
  return frames;
}

/** What is drawn pixel by pixel. */
export const pictureEdits = {
  addPicture: (gadget: Gadget, name: string, frames: Picture['frames']) =>
    produce(
      gadget,
      (draft) => void draft.pictures.push({ id: nextId(gadget, 'picture'), name, frames: [...frames] }),
    ),
  renamePicture: (gadget: Gadget, id: string, name: string) =>
    produce(gadget, (draft) => void (findIn(draft.pictures, id, 'picture').name = name)),
  /** One frame after a stroke. */
  drawFrame: (gadget: Gadget, id: string, at: number, rows: Frame) =>
    produce(gadget, (draft) => void (framesAt(draft, id, at)[at] = rows)),
  /** In front of which frame it comes; where there is none, at the end. */
  addFrame: (gadget: Gadget, id: string, at: number, rows: Frame) =>
    produce(gadget, (draft) => void findIn(draft.pictures, id, 'picture').frames.splice(at, 0, rows)),
  moveFrame: (gadget: Gadget, id: string, at: number, by: number) =>
    produce(gadget, (draft) => moveAt(framesAt(draft, id, at), at, by)),
  removeFrame: (gadget: Gadget, id: string, at: number) =>
    produce(gadget, (draft) => void framesAt(draft, id, at).splice(at, 1)),
  /** All frames by others, which may be of another size. */
  replaceFrames: (gadget: Gadget, id: string, frames: Picture['frames']) =>
    produce(gadget, (draft) => void (findIn(draft.pictures, id, 'picture').frames = [...frames])),
  /** Takes along what draws it. */
  removePicture: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      findIn(draft.pictures, id, 'picture');
      drop(draft.pictures, (picture) => picture.id === id);
      dropDrawn(draft, id);
    }),
};
