import { emptyGadget, type Gadget, type SnagLevel } from '../gadget/index.ts';
import { Machine, type OutputState } from '../machine/index.ts';
import { checkGadget } from '../snag/index.ts';
import { changesBetween, type Change } from './changes.ts';

/** So many changes are told one by one. */
const mostTold = 3;

/** What is said of a gadget where it is one of many. */
export interface Card {
  /** First line of what it is for. */
  purpose: string;
  snags: Record<SnagLevel, number>;
  /** What was changed last, and how much more. */
  changes: Change[];
  more: number;
}

/**
 * Works out the card of a document: runs every snag rule, so it takes as long as that.
 * @param before the one that it was made from; null: there was none
 */
export function cardOf(gadget: Gadget, before: Gadget | null): Card {
  const snags = { stop: 0, likely: 0, note: 0 };
  for (const { level } of checkGadget(gadget).snags) snags[level] += 1;
  const changes = before ? changesBetween(before, gadget) : [];
  return {
    purpose: gadget.brief.purpose.trim().split('\n')[0]!,
    snags,
    changes: changes.slice(0, mostTold),
    more: Math.max(0, changes.length - mostTold),
  };
}

/** A gadget as it lies there, switched on and not touched. */
export interface Portrait {
  /** What of the document it is drawn from: no flow, no brief, no captures. */
  gadget: Gadget;
  outputs: Record<string, OutputState>;
}

/** Long enough for the first pictures of displays to have gone over their bus. */
const switchedOnUs = 200_000;

/** @param gadget as it is switched on; what comes later by itself is not shown */
export function portraitOf(gadget: Gadget): Portrait {
  const machine = new Machine(gadget, 1);
  machine.advanceTo(switchedOnUs);
  const { controls, outputs, parts } = gadget;
  const shown = Object.values(machine.shown.outputs).flatMap((one) =>
    one.kind === 'screen' ? one.glass.drawings : [],
  );
  // Only those that are seen: a shelf has many gadgets on it.
  const seen = new Set(shown.flatMap((one) => (one.kind === 'drawPicture' ? [one.pictureId] : [])));
  const pictures = gadget.pictures.filter(({ id }) => seen.has(id));
  const written = new Set(shown.flatMap((one) => ('font' in one ? [one.font] : [])));
  const fonts = gadget.fonts.filter(({ id }) => written.has(id));
  const empty = emptyGadget(gadget.name);
  const wiring = { ...empty.wiring, sets: gadget.wiring.sets };
  return {
    gadget: { ...empty, controls, outputs, parts, pictures, fonts, wiring },
    outputs: { ...machine.shown.outputs },
  };
}
