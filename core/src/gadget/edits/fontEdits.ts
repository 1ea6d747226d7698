import { produce } from 'immer';
import type { OwnFont } from '../fonts.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import { isElement, isOutputAction } from '../outputs.schema.ts';
import { drop, findIn } from './help.ts';

/** Where a font of the gadget's own is gone, its texts stand in the usual one. */
const usualFont = '6x8';

/** Fonts of the gadget's own. */
export const fontEdits = {
  addFont: (gadget: Gadget, font: Omit<OwnFont, 'id'>) =>
    produce(
      gadget,
      (draft) => void draft.fonts.push({ ...structuredClone(font), id: nextId(gadget, 'font') }),
    ),
  renameFont: (gadget: Gadget, id: string, name: string) =>
    produce(gadget, (draft) => void (findIn(draft.fonts, id, 'font').name = name)),
  /** What is written in it is written in the usual one. */
  removeFont: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      findIn(draft.fonts, id, 'font');
      drop(draft.fonts, (font) => font.id === id);
      for (const { elements } of draft.pages)
        for (const element of elements)
          if (isOutputAction(element) && isElement(element) && 'font' in element && element.font === id)
            element.font = usualFont;
    }),
};
