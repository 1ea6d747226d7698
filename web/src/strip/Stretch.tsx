import { Button } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { keepTrial, nextTrialName, useGadget } from '../client/index.ts';
import { showDuration, showMoment } from '../shared/index.ts';
import { lab, player, traceNow, usePlayer } from '../workers/index.ts';
import type { Span } from './lanes.ts';
import { measure, measuredWords } from './measure.ts';
import classes from './Strip.module.css';

/** Keeps a stretch as a trial: all that hands did from power-up to its end, and what it showed expected of it. */
async function keepStretch({ fromUs, toUs }: Span): Promise<string> {
  const { id, document } = useGadget.getState();
  const inside = traceNow().filter(({ atUs }) => atUs >= fromUs && atUs <= toUs);
  const trial = await lab().stretchTrial(
    await nextTrialName(),
    document!,
    await player.collect(),
    inside,
    Math.round(fromUs),
    Math.round(toUs),
  );
  const stored = await keepTrial(trial);
  return `/g/${id!}/trials?trial=${stored.id}`;
}

/** What is told of the stretch that is marked, and what can be made of it. */
export function Stretch({ span, forget }: { span: Span | null; forget: () => void }) {
  // What happens in it may still be on its way.
  usePlayer((state) => state.traceVersion);
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  if (!span)
    return (
      <p className={classes.stretch}>
        Drag over a stretch of time to measure it; or press [ where it begins and ] where it ends.
      </p>
    );
  const make = () => {
    setBusy(true);
    setFailure(null);
    keepStretch(span)
      .then((path) => {
        forget();
        void navigate(path);
      })
      .catch((error: Error) => setFailure(error.message))
      .finally(() => setBusy(false));
  };
  return (
    <p className={classes.stretch} role="status" aria-label="The marked stretch">
      <span>
        <span className="number">{showDuration(span.toUs - span.fromUs)}</span> from{' '}
        <span className="number">{showMoment(span.fromUs)}</span>: {measuredWords(measure(traceNow(), span))}
      </span>
      {failure !== null && <span role="alert">{failure}</span>}
      <Button size="compact-xs" variant="default" loading={busy} onClick={make}>
        Make a trial of it
      </Button>
      <Button size="compact-xs" variant="subtle" onClick={forget}>
        Forget it
      </Button>
    </p>
  );
}
