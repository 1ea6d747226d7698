import { canonicalJson, limits, type Gadget } from '../gadget/index.ts';
import { readGadget, type Read } from './gadgetDocument.ts';

/** The bytes of the drawing, as they travel in a gadget's file beside the document. */
export interface FilePicture {
  sha256: string;
  base64: string;
}

/** Base64 takes four letters for three bytes; some room for JSON around it. */
const pictureChars = Math.ceil(limits.pictureBytes / 3) * 4 + 1_024;

/** A gadget's file with its drawing in it, or, without one, the plain document. */
export function printGadgetFile(gadget: Gadget, picture: FilePicture | null): string {
  return canonicalJson(picture === null ? gadget : { ...gadget, pictureFile: picture });
}

/** A gadget's file taken apart into document and drawing. Never throws. */
export function readGadgetFile(text: string): { read: Read; picture: FilePicture | null } {
  const none = (read: Read) => ({ read, picture: null });
  if (text.length > limits.documentBytes + pictureChars)
    return none({
      outcome: 'too-large',
      message: `Expected at most ${limits.documentBytes / 1_048_576} MiB and a drawing of ${limits.pictureBytes / 1_048_576} MiB, got more.`,
    });
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return none({
      outcome: 'not-json',
      message: `Expected a gadget file (JSON); reading it failed: ${(error as Error).message}.`,
    });
  }
  const held = (raw as { pictureFile?: unknown } | null)?.pictureFile;
  const withPicture = typeof raw === 'object' && raw !== null && isPicture(held);
  if (text.length - (withPicture ? held.base64.length : 0) > limits.documentBytes)
    return none({
      outcome: 'too-large',
      message: `Expected at most ${limits.documentBytes / 1_048_576} MiB, got more.`,
    });
  if (!withPicture) return none(readGadget(raw));
  const { pictureFile: _held, ...document } = raw as Record<string, unknown>;
  return { read: readGadget(document), picture: { sha256: held.sha256, base64: held.base64 } };
}

function isPicture(held: unknown): held is FilePicture {
  if (typeof held !== 'object' || held === null) return false;
  const { sha256, base64 } = held as Partial<Record<keyof FilePicture, unknown>>;
  return typeof sha256 === 'string' && typeof base64 === 'string';
}

/** A document from the text of a file, whatever drawing comes with it. Never throws. */
export function readGadgetText(text: string): Read {
  return readGadgetFile(text).read;
}
