import { ownPartId, partOf, type Gadget, type OwnClass, type Part, type Terminal } from '../gadget/index.ts';
import {
  partGroups,
  type CellBus,
  type DisplayBus,
  type Figures,
  type Glow,
  type LightData,
  type PartKind,
} from './kind.ts';
import { ownKind } from './ownKind.ts';
import { partList } from './registry.ts';

/** What says of a part which class and figures it has; `own` only of those that bring their class along. */
export type Classed = Pick<Part, 'kind' | 'figures'> & Partial<Pick<Part, 'own'>>;

/** Every class of part, group by group. */
export const partKinds: readonly PartKind[] = partGroups.flatMap((group) =>
  partList.filter((kind) => kind.group === group),
);
const known = new Map(partKinds.map((kind) => [kind.id, kind]));

/** @throws RangeError for a class that the catalogue does not know; the document's door refuses those. */
export function kindOf({ kind, own = null }: { kind: string; own?: OwnClass | null }): PartKind {
  const found = own ? ownKind(own) : known.get(kind);
  if (!found) throw new RangeError(`expected a class of part, got "${kind}"`);
  return found;
}

/** All figures of one part: typical ones of its class, and its own where they differ. */
export function figuresOf(part: Classed): Figures {
  return { ...kindOf(part).defaults, ...part.figures };
}

/** Ids of the lights that can be told a colour. */
export function colouredLights({ parts }: Pick<Gadget, 'parts'>): Set<string> {
  return new Set(parts.flatMap((part) => (kindOf(part).colours ? part.plays : [])));
}

/** What sending a picture to these lights takes; null: no part of theirs is told over a data line. */
export function lightData(gadget: Pick<Gadget, 'parts'>, outputId: string): LightData | null {
  const part = partOf(gadget, outputId);
  return (part && kindOf(part).data?.(figuresOf(part))) ?? null;
}

/** How a display of pixels is told what it shows; null: not known. */
export function displayBus(gadget: Pick<Gadget, 'parts'>, outputId: string): DisplayBus | null {
  const part = partOf(gadget, outputId);
  return (part && kindOf(part).bus?.(figuresOf(part))) ?? null;
}

/** How a display of characters is told what stands on it; null: it has no controller of its own that is known. */
export function displayCells(gadget: Pick<Gadget, 'parts'>, outputId: string): CellBus | null {
  const part = partOf(gadget, outputId);
  return (part && kindOf(part).cells?.(figuresOf(part))) ?? null;
}

/** The light that a display is seen by; null: it has none that is known. */
export function displayGlow(gadget: Pick<Gadget, 'parts'>, outputId: string): Glow | null {
  const part = partOf(gadget, outputId);
  return (part && kindOf(part).glow?.(figuresOf(part))) ?? null;
}

/** How long a whole picture takes over the bus of the display, µs; null: not known. */
export function pictureUs(gadget: Pick<Gadget, 'parts'>, outputId: string): number | null {
  const bus = displayBus(gadget, outputId);
  return bus && bus.us(bus.frameBytes);
}

/** Ids of the contacts that stay where they are put. */
export function stayingContacts({ parts }: Pick<Gadget, 'parts'>): Set<string> {
  return new Set(parts.flatMap((part) => (kindOf(part).stays ? part.plays : [])));
}

/** What one costs, in hundredths of the currency: the maker's own price, or what such parts cost. */
export function priceOf(part: Classed & Pick<Part, 'priceCents'>): number {
  const kind = kindOf(part);
  return part.priceCents ?? kind.priceFor?.(figuresOf(part)) ?? kind.priceCents;
}

export function terminalsOf(part: Classed): Terminal[] {
  return kindOf(part).terminals(figuresOf(part));
}

/** What is wrong with the class of a part, its figures or what it plays, with the path inside the part. */
export function partFaults(
  part: Part,
  endKindOf: (id: string) => string | undefined,
): { path: string; message: string }[] {
  const { own } = part;
  const kind = own ? ownKind(own) : known.get(part.kind);
  if (!kind || (own !== null) !== (part.kind === ownPartId))
    return [
      {
        path: 'kind',
        message: `expected a class of the catalogue, or "${ownPartId}" with a class of its own, got "${part.kind}"`,
      },
    ];
  const parsed = kind.figures.safeParse(figuresOf(part));
  if (!parsed.success)
    return parsed.error.issues.map(({ path, message }) => ({
      path: ['figures', ...path].map(String).join('.'),
      message,
    }));
  const may = kind.plays(parsed.data);
  const plays = part.plays.map(endKindOf);
  if (plays.length === may.length && plays.every((end, index) => end === may[index])) return [];
  return [
    {
      path: 'plays',
      message: `expected ${may.length === 0 ? 'nothing' : may.join(', ')} for this class, got ${plays.join(', ') || 'nothing'}`,
    },
  ];
}
