import {
  canonicalJson,
  type Derived,
  type Gadget,
  type Snag,
  type SnagLevel,
  type SnagRule,
} from '../gadget/index.ts';
import { deriveFor } from './derive.ts';
import { snagRules } from './registry.ts';

const gravity: Record<SnagLevel, number> = { stop: 0, likely: 1, note: 2 };

export interface CheckReport {
  /** Worst first, then by rule, then in document order. */
  snags: Snag[];
  /** Rules that failed themselves; they never hide the others. */
  failed: { rule: string; message: string }[];
}

/** Runs every rule on the gadget. Pure: the same document gives the same report. */
export function checkGadget(gadget: Gadget, rules: readonly SnagRule[] = snagRules): CheckReport {
  const derived: Derived = deriveFor(gadget);
  const report: CheckReport = { snags: [], failed: [] };
  for (const rule of rules) {
    try {
      report.snags.push(...rule.check(gadget, derived));
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
