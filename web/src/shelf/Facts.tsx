import { IconAlertOctagon, IconAlertTriangle, IconCheck, IconInfoCircle, IconX } from '@tabler/icons-react';
import type { Card } from '@hum-lever/core';
import type { ShelfGadget } from '../client/index.ts';
import { count } from '../shared/index.ts';
import { changeWords } from '../words/changeWords.ts';
import { showAgo } from './ago.ts';
import classes from './Shelf.module.css';

type Level = keyof Card['snags'];
const levels = [
  ['stop', IconAlertOctagon],
  ['likely', IconAlertTriangle],
  ['note', IconInfoCircle],
] as const satisfies readonly (readonly [Level, unknown])[];
const levelNouns: Record<Level, [one: string, many: string]> = {
  stop: ['stop', 'stops'],
  likely: ['likely', 'likely'],
  note: ['note', 'notes'],
};

/** What it is for, how it stands, and what was done to it last. */
export function Facts({ gadget, nowMs }: { gadget: ShelfGadget; nowMs: number }) {
  const { card, revision, savedAt, trials } = gadget;
  const known = card?.card ?? null;
  const changed = known && card!.revision === revision ? changeWords(known.changes, known.more) : '';
  return (
    <>
      {known && known.purpose !== '' && <span className={classes.purpose}>{known.purpose}</span>}
      <span className={classes.facts}>
        <Snags card={card} revision={revision} />
        <Trials {...trials} />
        <span title={`revision ${revision}`}>
          {showAgo(savedAt, nowMs)}
          {changed !== '' && <> · {changed}</>}
        </span>
      </span>
    </>
  );
}

function Snags({ card, revision }: Pick<ShelfGadget, 'card' | 'revision'>) {
  if (!card || card.revision !== revision) return <span>looking at it…</span>;
  if (!card.card) return <span>snags not counted: it took too long</span>;
  const { snags } = card.card;
  const found = levels.filter(([level]) => snags[level] > 0);
  if (found.length === 0) return <span>no snags</span>;
  return found.map(([level, Icon]) => (
    <span key={level} className={classes.fact} data-level={level}>
      <Icon size={15} stroke={1.8} aria-hidden />
      {snags[level]} {levelNouns[level][snags[level] === 1 ? 0 : 1]}
    </span>
  ));
}

function Trials({ passed, failed, older, neverRun }: ShelfGadget['trials']) {
  const all = passed + failed + neverRun;
  if (all === 0) return null;
  const Icon = failed > 0 ? IconX : IconCheck;
  return (
    <span className={classes.fact} data-level={failed > 0 ? 'stop' : undefined}>
      {passed + failed > 0 && <Icon size={15} stroke={1.8} aria-hidden />}
      {failed > 0
        ? `${failed} of ${count(all, 'trial')} ${failed === 1 ? 'fails' : 'fail'}`
        : passed > 0
          ? `${passed === all ? '' : `${passed} of `}${count(all, 'trial')} ${all === 1 ? 'passes' : 'pass'}`
          : `${count(all, 'trial')} not run yet`}
      {older > 0 && ' (before the last change)'}
    </span>
  );
}
