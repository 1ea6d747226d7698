import { ActionIcon, SegmentedControl, Tooltip } from '@mantine/core';
import {
  IconChevronDown,
  IconChevronUp,
  IconMinus,
  IconPlayerPause,
  IconPlayerPlay,
  IconPlayerSkipForward,
  IconPlus,
  IconRulerMeasure,
} from '@tabler/icons-react';
import { Suspense, useState } from 'react';
import { showDuration, showMoment, onDemand, optional } from '../shared/index.ts';
import { player, traceNow, usePlayer } from '../workers/index.ts';
import { ToMoment } from './ToMoment.tsx';
import { useShape } from './useShape.ts';
import { closer, spanLimits, useView } from './useView.ts';
import classes from './Strip.module.css';

// Shut until it is wanted: what draws it comes then.
const Opened = onDemand(() => import('./Opened.tsx'));
const Why = optional(() => import('./Why.tsx'));

/** Time, as rows along the path: a line of words until one wants to see. */
export function Strip() {
  const shape = useShape();
  const { open, toggle } = shape;
  const view = useView();
  const [chosen, setChosen] = useState<number | null>(null);
  /** Stepping is about each event; otherwise what the last press came to matters more than what came last. */
  const [stepping, setStepping] = useState(false);
  const pastUs = usePlayer((state) => state.pastUs);
  // An event is chosen only as long as its moment is looked at; a machine that runs on, or begins anew, has none.
  const selected = pastUs === null ? null : chosen;
  const [marking, setMarking] = useState(false);
  const running = usePlayer((state) => state.running);
  const factor = usePlayer((state) => state.factor);
  const choose = (index: number | null) => {
    setChosen(index);
    setStepping(false);
    const at = index === null ? undefined : traceNow()[index]?.atUs;
    if (at !== undefined) player.scrub(at);
  };
  const step = () => {
    setStepping(true);
    player.step();
  };
  const resume = () => {
    setStepping(false);
    player.run();
  };
  const backToPresent = () => {
    if (pastUs !== null) player.present();
  };

  return (
    <section className={classes.strip} aria-label="Strip">
      <div className={classes.bar}>
        <Tooltip label={open ? 'Fold the strip' : 'Unfold the strip'}>
          <ActionIcon
            variant="subtle"
            aria-label={open ? 'Fold the strip' : 'Unfold the strip'}
            aria-expanded={open}
            onClick={toggle}
          >
            {open ? <IconChevronDown size={18} /> : <IconChevronUp size={18} />}
          </ActionIcon>
        </Tooltip>
        <Tooltip label={running ? 'Pause time' : 'Let time run'}>
          <ActionIcon
            variant="default"
            aria-label={running ? 'Pause time' : 'Let time run'}
            onClick={running ? player.pause : resume}
          >
            {running ? <IconPlayerPause size={16} /> : <IconPlayerPlay size={16} />}
          </ActionIcon>
        </Tooltip>
        <Tooltip label="To the next event">
          <ActionIcon variant="default" aria-label="To the next event" onClick={step}>
            <IconPlayerSkipForward size={16} />
          </ActionIcon>
        </Tooltip>
        <ToMoment />
        <SegmentedControl
          size="xs"
          aria-label="Speed of time"
          data={[
            { label: '8×', value: '8' },
            { label: '1×', value: '1' },
            { label: '¼', value: '0.25' },
            { label: '1/20', value: '0.05' },
          ]}
          value={String(factor)}
          onChange={(value) => player.setSpeed(Number(value))}
        />
        {pastUs !== null && (
          <span className={classes.past}>
            <span className="number">{showMoment(pastUs)}</span>
            <button type="button" onClick={player.goOnFromHere}>
              Go on from here
            </button>
            <button type="button" onClick={backToPresent}>
              Back to now
            </button>
          </span>
        )}
        <Said selected={selected} stepping={stepping} />
        {open && (
          <span className={classes.span}>
            <Tooltip label="Measure a stretch (or drag with Shift)">
              <ActionIcon
                variant={marking ? 'filled' : 'subtle'}
                size="sm"
                aria-label="Measure a stretch"
                aria-pressed={marking}
                onClick={() => setMarking(!marking)}
              >
                <IconRulerMeasure size={16} />
              </ActionIcon>
            </Tooltip>
            <Tooltip label="Farther (−, or the wheel)">
              <ActionIcon
                variant="subtle"
                size="sm"
                aria-label="Farther in time"
                disabled={view.spanUs >= spanLimits.mostUs}
                onClick={() => view.zoom(1 / closer, null)}
              >
                <IconMinus size={15} />
              </ActionIcon>
            </Tooltip>
            <span className="number">{showDuration(view.spanUs)}</span>
            <Tooltip label="Closer (+, or the wheel)">
              <ActionIcon
                variant="subtle"
                size="sm"
                aria-label="Closer in time"
                disabled={view.spanUs <= spanLimits.leastUs}
                onClick={() => view.zoom(closer, null)}
              >
                <IconPlus size={15} />
              </ActionIcon>
            </Tooltip>
          </span>
        )}
      </div>
      {open && (
        <Suspense fallback={<div style={{ height: shape.height }} />}>
          <Opened
            view={view}
            shape={shape}
            selected={selected}
            choose={choose}
            pauseOrRun={running ? player.pause : resume}
            backToPresent={backToPresent}
            marking={marking}
            setMarking={setMarking}
          />
        </Suspense>
      )}
    </section>
  );
}

/** What is looked at, in a sentence: what finds the words for it comes once something has happened. */
function Said(props: { selected: number | null; stepping: boolean }) {
  usePlayer((state) => state.traceVersion);
  const nothing = (
    <p className={classes.why} data-testid="why">
      <span>Nothing has happened yet. Press something in hand.</span>
    </p>
  );
  if (traceNow().length === 0) return nothing;
  return (
    <Suspense fallback={<p className={classes.why} data-testid="why" />}>
      <Why {...props} nothing={nothing} />
    </Suspense>
  );
}
