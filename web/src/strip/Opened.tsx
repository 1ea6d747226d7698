import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { player, traceNow, usePlayer } from '../workers/index.ts';
import { isShown } from './laneOf.ts';
import type { Span } from './lanes.ts';
import { Lanes } from './Lanes.tsx';
import { Overview } from './Overview.tsx';
import type { useShape } from './useShape.ts';
import { Stretch } from './Stretch.tsx';
import { closer, type View } from './useView.ts';
import classes from './Strip.module.css';

interface OpenedProps {
  view: View;
  shape: ReturnType<typeof useShape>;
  /** The entry that is looked at. */
  selected: number | null;
  choose: (entry: number | null) => void;
  pauseOrRun: () => void;
  backToPresent: () => void;
  /** A drag over the strip marks a stretch. */
  marking: boolean;
  setMarking: (marking: boolean) => void;
}

/** What is seen of the strip while it is open: the whole session on a line, and the window of it in rows. */
export default function Opened({
  view,
  shape,
  selected,
  choose,
  pauseOrRun,
  backToPresent,
  marking,
  setMarking,
}: OpenedProps) {
  const [marked, mark] = useState<Span | null>(null);
  const forget = () => {
    mark(null);
    setMarking(false);
  };
  /** One end of the stretch is the moment that is looked at. */
  const markEnd = (end: keyof Span) => {
    const { pastUs, clock } = usePlayer.getState();
    const atUs = pastUs ?? clock.nowUs;
    const other = marked ?? { fromUs: atUs, toUs: atUs };
    const ends = end === 'fromUs' ? [atUs, Math.max(atUs, other.toUs)] : [Math.min(atUs, other.fromUs), atUs];
    mark({ fromUs: ends[0]!, toUs: ends[1]! });
  };
  const walk = (by: 1 | -1) => {
    const trace = traceNow();
    const from = selected ?? trace.length;
    for (let at = from + by; at >= 0 && at < trace.length; at += by)
      if (isShown(trace[at]!)) return choose(at);
  };
  const toFirst = () => {
    const trace = traceNow();
    const first = trace.findIndex(isShown);
    // Where no lane shows anything, to where what is kept begins.
    if (first >= 0) choose(first);
    else player.scrub(trace[0]?.atUs ?? 0);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const keys: Record<string, () => void> = {
      ArrowLeft: () => walk(-1),
      ArrowRight: () => walk(1),
      Home: toFirst,
      End: backToPresent,
      '+': () => view.zoom(closer, null),
      '-': () => view.zoom(1 / closer, null),
      ' ': pauseOrRun,
      '[': () => markEnd('fromUs'),
      ']': () => markEnd('toUs'),
    };
    const act = keys[event.key];
    if (!act || event.target !== event.currentTarget) return;
    event.preventDefault();
    act();
  };
  const jump = (atUs: number) => {
    choose(null);
    player.scrub(atUs);
  };
  return (
    <>
      <Edge {...shape} />
      <Overview view={view} jump={jump} />
      {(marking || marked) && <Stretch span={marked} forget={forget} />}
      <div
        className={classes.lanes}
        style={{ maxHeight: shape.height }}
        tabIndex={0}
        role="group"
        aria-label="Events in time. Left and right arrows walk through them, + and − zoom, [ and ] mark a stretch, Space pauses, End comes back to now."
        onKeyDown={onKeyDown}
      >
        <Lanes
          view={view}
          selected={selected}
          choose={choose}
          marked={marked}
          mark={mark}
          marking={marking}
        />
      </div>
    </>
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
