import { useReducedMotion } from '@mantine/hooks';
import { useCallback, useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { usePlayed } from '../client/index.ts';
import { StageIcon, useFingers } from '../shared/index.ts';
import { player, thinNow, traceNow, usePlayer, virtualNowUs } from '../workers/index.ts';
import { awakeIn, marksIn, type Span } from './lanes.ts';
import { axisHeight, entryAt, labelWidth, paint, type Picture } from './paint.ts';
import { heightOf, rowsOf } from './rows.ts';
import type { View } from './useView.ts';
import classes from './Strip.module.css';

/** Thirty pictures a second are smooth enough for a strip; with reduced motion it moves in steps. */
const pictureMs = { usual: 33, still: 250 } as const;

/** So far a pointer may move in a click, px. */
const trembles = 3;

/** Rows along the time axis, drawn as time goes on. */
export function Lanes({
  view,
  selected,
  choose,
  marked,
  mark,
  marking,
}: {
  view: View;
  selected: number | null;
  choose: (entry: number | null) => void;
  /** The stretch that is marked. */
  marked: Span | null;
  mark: (span: Span) => void;
  /** A drag marks, as it does with Shift; otherwise it goes back in time. */
  marking: boolean;
}) {
  const gadget = usePlayed();
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const picture = useRef<Picture | null>(null);
  /** Ids of what moved in the window, as one text: the same text is the same rows. */
  const [awake, setAwake] = useState('');
  const rows = useMemo(() => rowsOf(gadget, new Set(awake.split(' '))), [gadget, awake]);
  const still = useReducedMotion();
  const height = heightOf(rows) + axisHeight;
  const { window: windowNow } = view;

  const draw = useCallback(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context) return;
    const window = windowNow();
    const width = element.clientWidth;
    const ratio = devicePixelRatio;
    const size = [Math.round(width * ratio), Math.round(height * ratio)] as const;
    if (element.width !== size[0] || element.height !== size[1]) [element.width, element.height] = size;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    const marks = marksIn(gadget, traceNow(), window, thinNow());
    picture.current = { rows, marks, window, width, selected, marked };
    paint(context, picture.current);
    const now =
      labelWidth + ((virtualNowUs() - window.fromUs) / (window.toUs - window.fromUs)) * (width - labelWidth);
    context.fillStyle = getComputedStyle(element).getPropertyValue('--ink');
    context.fillRect(now, 0, 1.5, height - axisHeight);
    setAwake(awakeNow(window));
  }, [gadget, rows, height, selected, marked, windowNow]);

  useEffect(() => {
    let frame = 0;
    let drawnMs = 0;
    let drawn = '';
    const loop = (atMs: number) => {
      if (atMs - drawnMs >= (still ? pictureMs.still : pictureMs.usual)) {
        // What would look the same is not drawn again: time at rest, or less than a pixel of it.
        const { traceVersion, pastUs } = usePlayer.getState();
        const { fromUs, toUs } = windowNow();
        const pixelUs = (toUs - fromUs) / (canvas.current?.clientWidth || 1);
        const shown = `${traceVersion} ${pastUs} ${Math.round(fromUs / pixelUs)} ${canvas.current?.clientWidth}`;
        if (shown !== drawn) {
          draw();
          drawn = shown;
        }
        drawnMs = atMs;
      }
      frame = requestAnimationFrame(loop);
    };
    frame = requestAnimationFrame(loop);
    return () => cancelAnimationFrame(frame);
  }, [draw, still, windowNow]);

  // What is always there is in view; hands and the world come above it, where there is room.
  useEffect(() => {
    const scrolled = box.current?.parentElement;
    scrolled?.scrollTo({ top: scrolled.scrollHeight });
  }, [height]);

  // Time goes by under the pointer: the wheel, and two fingers, come closer there.
  const { zoom } = view;
  useEffect(() => {
    const element = canvas.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const at = timeAt(event.clientX);
      zoom(1.0015 ** (event.ctrlKey ? 4 * event.deltaY : event.deltaY), at);
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [zoom]);

  const two = useFingers(
    canvas,
    () => view.spanUs,
    (spanUs, times, { x }) => zoom(spanUs / times / view.spanUs, timeAt(x)),
  );

  const moved = useRef(false);
  /** Where the pointer came down. */
  const downX = useRef(0);
  const timeAt = (clientX: number) => {
    const { window, width } = picture.current!;
    const px = clientX - canvas.current!.getBoundingClientRect().left;
    return window.fromUs + ((px - labelWidth) / (width - labelWidth)) * (window.toUs - window.fromUs);
  };
  /** Where a stretch begins that is being marked. */
  const begunUs = useRef<number | null>(null);
  const onPointerDown = (event: PointerEvent<HTMLCanvasElement>) => {
    if (!event.isPrimary) return;
    moved.current = false;
    downX.current = event.clientX;
    begunUs.current = marking || event.shiftKey ? timeAt(event.clientX) : null;
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent<HTMLCanvasElement>) => {
    if (event.buttons !== 1 || !event.isPrimary) return;
    // A click that trembles is still a click.
    if (!moved.current && Math.abs(event.clientX - downX.current) < trembles && !two.current) return;
    moved.current = true;
    if (two.current) return;
    if (begunUs.current !== null) {
      const ends = [begunUs.current, timeAt(event.clientX)].map((us) => Math.max(0, Math.min(us, nowUs())));
      mark({ fromUs: Math.min(...ends), toUs: Math.max(...ends) });
      return;
    }
    choose(null);
    player.scrub(Math.max(0, timeAt(event.clientX)));
  };
  const onPointerUp = (event: PointerEvent<HTMLCanvasElement>) => {
    if (moved.current || !event.isPrimary) return;
    const { left, top } = event.currentTarget.getBoundingClientRect();
    choose(entryAt(picture.current!, event.clientX - left, event.clientY - top));
  };

  return (
    <div ref={box} className={classes.canvasBox} style={{ height }}>
      <div className={classes.labels} style={{ width: labelWidth }} aria-hidden>
        {rows.map(({ key, stage, label, height: high }) => (
          <span key={key} style={{ height: high }} title={label}>
            <StageIcon stage={stage} size={13} />
            <span>{label}</span>
          </span>
        ))}
      </div>
      <canvas
        ref={canvas}
        className={classes.canvas}
        style={{ height }}
        aria-hidden
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
      />
    </div>
  );
}

/** Up to where the machine has come: nothing can be marked beyond. */
const nowUs = () => usePlayer.getState().clock.nowUs;

/** What moves in the window, and what is held down just now. */
function awakeNow(window: Span): string {
  const awake = awakeIn(traceNow(), window);
  const { places } = usePlayer.getState();
  // A key that is held does nothing, and is no less awake for that; a knob stands somewhere always.
  for (const [id, place] of Object.entries(places)) if (place === 1) awake.add(id);
  return [...awake].sort().join(' ');
}
