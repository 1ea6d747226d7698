import type { ReactNode } from 'react';
import { usePlayed } from '../client/index.ts';
import { StageIcon } from '../shared/index.ts';
import { mostTelling, sayWhy, stageOf } from '../words/index.ts';
import { traceNow, usePlayer } from '../workers/index.ts';
import { isShown } from './laneOf.ts';
import classes from './Strip.module.css';

interface Props {
  selected: number | null;
  stepping: boolean;
  /** Where nothing is worth a word. */
  nothing: ReactNode;
}

/** Why what is looked at came about, in a sentence; otherwise what the last press came to. */
export default function Why({ selected, stepping, nothing }: Props) {
  const gadget = usePlayed();
  usePlayer((state) => state.traceVersion);
  const trace = traceNow();
  const entry = selected === null ? undefined : trace[selected];
  const spoken = entry ? selected! : stepping ? trace.findLastIndex(isShown) : mostTelling(trace);
  if (spoken < 0) return nothing;
  const why = sayWhy(gadget, trace, spoken);
  return (
    <p className={classes.why} aria-live={entry ? 'polite' : 'off'} data-testid="why">
      <StageIcon stage={stageOf(trace[spoken]!)} />
      <span title={why}>{why}</span>
    </p>
  );
}
