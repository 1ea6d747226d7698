import { ActionIcon, SegmentedControl, Tooltip } from '@mantine/core';
import {
  IconChevronDown,
  IconChevronUp,
  IconMinus,
  IconPlayerPause,
  IconPlayerPlay,
  IconPlayerSkipForward,
  IconPlus,
} from '@tabler/icons-react';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useDocument } from '../client/index.ts';
import { showDuration, showMoment, StageIcon } from '../shared/index.ts';
import { mostTelling, sayWhy, stageOf } from '../words/index.ts';
import { player, traceNow, usePlayer } from '../workers/index.ts';
import { isShown } from './lanes.ts';
import { Lanes } from './Lanes.tsx';
import { Overview } from './Overview.tsx';
import { useShape } from './useShape.ts';
import { spanLimits, useView } from './useView.ts';
import classes from './Strip.module.css';

/** One step of a key or a button. */
const closer = 0.5;

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
  const running = usePlayer((state) => state.running);
  const factor = usePlayer((state) => state.factor);
  const choose = (index: number | null) => {
    setChosen(index);
    setStepping(false);
    const at = index === null ? undefined : traceNow()[index]?.atUs;
    if (at !== undefined) player.scrub(at);
  };
  const walk = (by: 1 | -1) => {
    const trace = traceNow();
    const from = selected ?? trace.length;
    for (let at = from + by; at >= 0 && at < trace.length; at += by)
      if (isShown(trace[at]!)) return choose(at);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const keys: Record<string, () => void> = {
      ArrowLeft: () => walk(-1),
      ArrowRight: () => walk(1),
      Home: () => {
        const trace = traceNow();
        const first = trace.findIndex(isShown);
        // Where no lane shows anything, to where what is kept begins.
        if (first >= 0) choose(first);
        else player.scrub(trace[0]?.atUs ?? 0);
      },
      End: () => backToPresent(),
      '+': () => view.zoom(closer, null),
      '-': () => view.zoom(1 / closer, null),
      ' ': () => (running ? player.pause() : resume()),
    };
    const act = keys[event.key];
    if (!act || event.target !== event.currentTarget) return;
    event.preventDefault();
    act();
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
      {open && <Edge {...shape} />}
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
        <Why selected={selected} stepping={stepping} />
        {open && (
          <span className={classes.span}>
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
        <>
          <Overview view={view} jump={(atUs) => (choose(null), player.scrub(atUs))} />
          <div
            className={classes.lanes}
            style={{ maxHeight: shape.height }}
            tabIndex={0}
            role="group"
            aria-label="Events in time. Left and right arrows walk through them, + and − zoom, Space pauses, End comes back to now."
            onKeyDown={onKeyDown}
          >
            <Lanes view={view} selected={selected} choose={choose} />
          </div>
        </>
      )}
    </section>
  );
}

/** The upper edge of the strip: dragged, or moved by the arrow keys. */
function Edge({ height, least, most, resize }: ReturnType<typeof useShape>) {
  const from = useRef({ y: 0, height: 0 });
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = { y: event.clientY, height };
  };
  const onPointerMove = ({ buttons, clientY }: PointerEvent) => {
    if (buttons === 1) resize(from.current.height + from.current.y - clientY);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowUp: 24, ArrowDown: -24 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    resize(height + by);
  };
  return (
    <div
      className={classes.edge}
      role="separator"
      tabIndex={0}
      aria-orientation="horizontal"
      aria-label="Height of the strip"
      aria-valuenow={height}
      aria-valuemin={least}
      aria-valuemax={most}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onKeyDown={onKeyDown}
    />
  );
}

/** Why what is looked at came about, in a sentence; otherwise what the last press came to. */
function Why({ selected, stepping }: { selected: number | null; stepping: boolean }) {
  const gadget = useDocument();
  usePlayer((state) => state.traceVersion);
  const trace = traceNow();
  const entry = selected === null ? undefined : trace[selected];
  const spoken = entry ? selected! : stepping ? trace.findLastIndex(isShown) : mostTelling(trace);
  const why =
    spoken >= 0 ? sayWhy(gadget, trace, spoken) : 'Nothing has happened yet. Press something in hand.';
  return (
    <p className={classes.why} aria-live={entry ? 'polite' : 'off'} data-testid="why">
      {spoken >= 0 && <StageIcon stage={stageOf(trace[spoken]!)} />}
      <span title={why}>{why}</span>
    </p>
  );
}
