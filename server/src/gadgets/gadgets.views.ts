import type { Gadget } from '@hum-lever/core';
import type { GadgetRow, RevisionRow } from '../store/entities.ts';

/** What the API says of a gadget and of a revision; documents only where one was asked for. */
export const gadgetView = ({ id, name, head, createdAt, savedAt, binnedAt }: GadgetRow) => {
  return { id, name, revision: head, createdAt, savedAt, binnedAt };
};

export const revisionView = ({ number, name, savedAt, restoredFrom }: RevisionRow) => {
  return { revision: number, name, savedAt, restoredFrom };
};

export const documentOf = (row: RevisionRow): Gadget => JSON.parse(row.document) as Gadget;

export type GadgetView = ReturnType<typeof gadgetView>;
export type RevisionView = ReturnType<typeof revisionView>;
export type OpenGadgetView = GadgetView & { document: Gadget };
