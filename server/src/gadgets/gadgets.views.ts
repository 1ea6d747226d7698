import { readGadget, type Gadget } from '@hum-lever/core';
import type { GadgetRow, RevisionRow } from '../store/entities.ts';

/** What the API says of a gadget and of a revision; documents only where one was asked for. */
export const gadgetView = ({ id, name, head, createdAt, savedAt, binnedAt }: GadgetRow) => {
  return { id, name, revision: head, createdAt, savedAt, binnedAt };
};

export const revisionView = ({ number, name, savedAt, restoredFrom, saveId }: RevisionRow) => {
  return { revision: number, name, savedAt, restoredFrom, saveId };
};

/** The document of a stored revision, brought up to date if an older Hum Lever stored it. */
export function documentOf(row: RevisionRow): Gadget {
  const opened = readGadget(JSON.parse(row.document));
  if (opened.outcome === 'opened') return opened.gadget;
  throw new Error(`revision ${row.number} of ${row.gadgetId} cannot be opened: ${opened.message}`);
}

export type GadgetView = ReturnType<typeof gadgetView>;
export type RevisionView = ReturnType<typeof revisionView>;
/** `saveId` is that of the save that made the newest revision. */
export type OpenGadgetView = GadgetView & { document: Gadget; saveId: string | null };
