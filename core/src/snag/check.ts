import {
  canonicalJson,
  madeFor,
  type Derived,
  type Gadget,
  type Snag,
  type SnagLevel,
  type SnagRule,
} from '../gadget/index.ts';
import { withMenus } from '../menu/index.ts';
import { deriveFor } from './derive.ts';
import { snagRules } from './registry.ts';

const gravity: Record<SnagLevel, number> = { stop: 0, likely: 1, note: 2 };

export interface CheckReport {
  /** Worst first, then by rule, then in document order. */
  snags: Snag[];
  /** Rules that failed themselves; they never hide the others. */
  failed: { rule: string; message: string }[];
}

/**
 * A finding about what a menu came to is one about its item: there it can be mended. What would mend it in a rule that
 * no maker wrote is not offered.
 */
const aboutMenu =
  (owners: ReadonlySet<string>) =>
  (snag: Snag): Snag => {
    const ownerOf = (id: string) => {
      const owner = madeFor(id);
      return owner !== null && owners.has(owner) ? owner : null;
    };
    const owner = ownerOf(snag.place.id);
    const named = snag.mend ? (JSON.stringify(snag.mend.edit).match(/[iu]\d{1,9}[a-z_]/g) ?? []) : [];
    const mended = named.some((id) => ownerOf(id) !== null);
    if (owner === null && !mended) return snag;
    const { mend, ...rest } = snag;
    return {
      ...rest,
      place: owner === null ? snag.place : { kind: 'menu', id: owner },
      ...(mend && !mended && { mend }),
    };
  };

/** Runs every rule on the gadget, with all that its menus come to. Pure: the same document gives the same report. */
export function checkGadget(document: Gadget, rules: readonly SnagRule[] = snagRules): CheckReport {
  const gadget = withMenus(document);
  // What was opened out is a maker's own by now.
  const kept = document.menus.filter(({ openedOut }) => !openedOut);
  const place = aboutMenu(new Set(kept.flatMap(({ id, items }) => [id, ...items.map((item) => item.id)])));
  const derived: Derived = deriveFor(gadget);
  const report: CheckReport = { snags: [], failed: [] };
  for (const rule of rules) {
    try {
      report.snags.push(...rule.check(gadget, derived).map(place));
    } catch (error) {
      report.failed.push({ rule: rule.id, message: (error as Error).message });
    }
  }
  // Nothing is said twice in the same words, wherever it was found again.
  const said = new Set<string>();
  report.snags = report.snags.filter(({ rule, values }) => {
    const words = `${rule} ${canonicalJson(values)}`;
    return !said.has(words) && said.add(words);
  });
  report.snags.sort((a, b) => gravity[a.level] - gravity[b.level]);
  return report;
}
