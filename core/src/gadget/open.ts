import { gadgetSchema, type Gadget } from './gadget.schema.ts';
import { migrationSteps } from './migrations.ts';
import { currentVersion } from './versions.ts';

export interface Fault {
  /** Dotted path into the document, e.g. `flow.states.2.name`; empty for the whole. */
  path: string;
  message: string;
}

/** Distinct ends of opening a document, so that nobody is told a vague "incompatible". */
export type Opened =
  | { outcome: 'opened'; gadget: Gadget; migratedFrom: number | null }
  | { outcome: 'unknown-kind'; message: string }
  | { outcome: 'too-new'; message: string; version: number }
  | { outcome: 'migration-failed'; message: string; step: string }
  | { outcome: 'invalid'; message: string; faults: Fault[] };

/** More than these are counted, not listed: a hostile document can hold a fault in every field. */
const listedFaults = 50;

/** Zod's issues as faults with dotted paths. */
export function faultsOf(issues: readonly { path: PropertyKey[]; message: string }[]): Fault[] {
  return issues
    .slice(0, listedFaults)
    .map(({ path, message }) => ({ path: path.map(String).join('.'), message }));
}

/**
 * The one door for documents: knows the kind and version, migrates old ones step by step on a copy, then checks
 * the result strictly. Never throws; the raw input is not changed.
 */
export function openGadget(raw: unknown): Opened {
  if (typeof raw !== 'object' || raw === null || (raw as { kind?: unknown }).kind !== 'hum-lever-gadget')
    return {
      outcome: 'unknown-kind',
      message: 'Expected a Hum Lever gadget (kind "hum-lever-gadget"); this is something else.',
    };
  const { version } = raw as { version?: unknown };
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return invalid([{ path: 'version', message: `expected a whole number from 0 to ${currentVersion}` }]);
  if (version > currentVersion)
    return {
      outcome: 'too-new',
      version,
      message: `This gadget was written by a newer Hum Lever (version ${version}; this one reads up to ${currentVersion}). Update Hum Lever to open it.`,
    };

  let document = raw as Record<string, unknown>;
  for (let at = version; at < currentVersion; at += 1) {
    const { name, step } = migrationSteps[at]!;
    try {
      document = { ...step(structuredCopy(document)), version: at + 1 };
    } catch (error) {
      return {
        outcome: 'migration-failed',
        step: name,
        message: `Step "${name}" failed: ${(error as Error).message}.`,
      };
    }
  }
  const parsed = gadgetSchema.safeParse(document);
  if (!parsed.success) return invalid(faultsOf(parsed.error.issues));
  return {
    outcome: 'opened',
    gadget: parsed.data,
    migratedFrom: version === currentVersion ? null : version,
  };
}

function invalid(faults: Fault[]): Opened {
  const first = faults[0]!;
  const where = first.path === '' ? 'The document' : first.path;
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : '';
  return { outcome: 'invalid', faults, message: `${where}: ${first.message}${more}.` };
}

/** Documents are JSON, so a JSON round trip is an exact copy and needs nothing of the host. */
function structuredCopy<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T;
}
