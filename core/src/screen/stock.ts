import type { Gadget, OwnFont } from '../gadget/index.ts';
import { rastersOf, type Rasters } from '../picture/index.ts';
import { fonts, ownFont, type Font, type FontName } from './fonts.ts';

/** What pages are drawn with, besides values: pictures and fonts of the gadget. */
export interface Stock {
  readonly rasters: Rasters;
  /** By its name, or the id of one of the gadget's own; one that is not there is the usual one. */
  font(ref: string): Font;
  /** As people call it. */
  fontName(ref: string): string;
}

type Stocked = Pick<Gadget, 'pictures' | 'fonts'>;

const isBuiltIn = (ref: string): ref is FontName => Object.hasOwn(fonts, ref);

/** By list of pictures and by list of fonts, which never change: a display asks again and again. */
const known = new WeakMap<Stocked['pictures'], WeakMap<Stocked['fonts'], Stock>>();

function made({ pictures, fonts: own }: Stocked): Stock {
  const byId = new Map<string, { font: Font; name: string }>(
    own.map((one: OwnFont) => [one.id, { font: ownFont(one), name: one.name }]),
  );
  return {
    rasters: rastersOf(pictures),
    font: (ref) => (isBuiltIn(ref) ? fonts[ref] : (byId.get(ref)?.font ?? fonts['6x8'])),
    fontName: (ref) => (isBuiltIn(ref) ? ref : (byId.get(ref)?.name ?? '6x8')),
  };
}

/** What a gadget's pages are drawn with. */
export function stockOf(gadget: Stocked): Stock {
  const ofPictures = known.get(gadget.pictures) ?? new WeakMap<Stocked['fonts'], Stock>();
  known.set(gadget.pictures, ofPictures);
  const stock = ofPictures.get(gadget.fonts) ?? made(gadget);
  ofPictures.set(gadget.fonts, stock);
  return stock;
}
