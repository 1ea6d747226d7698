import { In, type EntityManager } from 'typeorm';
import { RevisionRow } from '../store/entities.ts';

const minuteMs = 60_000;
const dayMs = 86_400_000;
/** From each age on, one revision is kept of every so long. */
const kept = [
  { ageMs: 90 * dayMs, oneInMs: 30 * dayMs },
  { ageMs: 14 * dayMs, oneInMs: 7 * dayMs },
  { ageMs: dayMs, oneInMs: dayMs },
  { ageMs: 60 * minuteMs, oneInMs: 10 * minuteMs },
  { ageMs: 0, oneInMs: 0 },
];

/** What of a revision decides whether it stays. */
export interface Aged {
  number: number;
  savedAt: string;
  named: boolean;
}

/**
 * Numbers of the revisions that age has made superfluous: never the newest, a named one, or one of `needed`; of the
 * others, the last of every span stays.
 * @param revisions in order of their numbers
 */
export function superfluous(
  revisions: readonly Aged[],
  needed: ReadonlySet<number>,
  nowMs: number,
): number[] {
  const gone: number[] = [];
  for (let at = 0; at < revisions.length - 1; at += 1) {
    const { number, savedAt, named } = revisions[at]!;
    if (named || needed.has(number)) continue;
    const savedMs = Date.parse(savedAt);
    const { oneInMs } = kept.find(({ ageMs }) => nowMs - savedMs >= ageMs) ?? kept.at(-1)!;
    if (oneInMs === 0) continue;
    const nextMs = Date.parse(revisions[at + 1]!.savedAt);
    if (Math.floor(savedMs / oneInMs) === Math.floor(nextMs / oneInMs)) gone.push(number);
  }
  return gone;
}

/** Deletes them. @param head number of the newest revision, which may not be written yet */
export async function thinRevisions(
  manager: EntityManager,
  gadgetId: string,
  head: number,
  nowMs: number,
): Promise<number> {
  const rows = await manager.find(RevisionRow, {
    select: { gadgetId: true, number: true, savedAt: true, name: true },
    where: { gadgetId },
    order: { number: 'ASC' },
  });
  const ran = (await manager.query(
    'SELECT DISTINCT revision FROM trial_run WHERE trialId IN (SELECT id FROM trial WHERE gadgetId = ?)',
    [gadgetId],
  )) as { revision: number }[];
  const needed = new Set([head, ...ran.map(({ revision }) => revision)]);
  const aged = rows.map(({ number, savedAt, name }) => ({ number, savedAt, named: name !== null }));
  const gone = superfluous(aged, needed, nowMs);
  // As many at once as the database takes in one question.
  for (let from = 0; from < gone.length; from += 500)
    await manager.delete(RevisionRow, { gadgetId, number: In(gone.slice(from, from + 500)) });
  return gone.length;
}
