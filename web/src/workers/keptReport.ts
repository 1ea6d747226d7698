import { canonicalJson, type CheckReport, type Gadget } from '@hum-lever/core';

/** Somewhere that outlives the page. */
export interface Keeper {
  get(key: string): Promise<unknown>;
  set(key: string, value: unknown): Promise<void>;
}

interface Kept {
  /** What found it: another one may find something else. */
  program: string;
  document: string;
  report: CheckReport;
}

/** So many reports are kept, each in the place that its document falls to: a bound without any keeping of accounts. */
const places = 32;
/** Documents are rarely a tenth of that; larger ones are looked at anew. */
const mostCharacters = 1_000_000;

/** FNV-1a over the characters. */
function placeOf(text: string): string {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return `place ${(hash >>> 0) % places}`;
}

/**
 * A check that remembers what it found: the same program finds the same in the same document, character by character, so
 * a gadget that is opened again is not looked at again. Where nothing can be kept, it is.
 */
export const remembering =
  (check: (gadget: Gadget) => CheckReport, program: string, keeper: Keeper) =>
  async (gadget: Gadget): Promise<CheckReport> => {
    const document = canonicalJson(gadget);
    if (document.length > mostCharacters) return check(gadget);
    const place = placeOf(document);
    const kept = (await keeper.get(place).catch(() => undefined)) as Kept | undefined;
    if (kept?.program === program && kept.document === document) return kept.report;
    const report = check(gadget);
    // A rule that broke may not break the next time.
    if (report.failed.length === 0)
      void keeper.set(place, { program, document, report } satisfies Kept).catch(() => undefined);
    return report;
  };
