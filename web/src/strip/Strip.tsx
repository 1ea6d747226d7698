import { ActionIcon, SegmentedControl, Tooltip } from '@mantine/core';
import { useReducedMotion } from '@mantine/hooks';
import {
  IconChevronDown,
  IconChevronUp,
  IconPlayerPause,
  IconPlayerPlay,
  IconPlayerSkipForward,
} from '@tabler/icons-react';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
} from 'react';
import { useDocument } from '../client/index.ts';
import { Choice, showMoment, StageIcon } from '../shared/index.ts';
import { mostTelling, sayWhy, stageOf } from '../words/index.ts';
import { player, thinNow, traceNow, usePlayer, virtualNowUs } from '../workers/index.ts';
import { controlsInView, isShown, lanesOf, marksIn, type Span } from './lanes.ts';
import { axisHeight, entryAt, laneHeight, labelWidth, paint, type Picture } from './paint.ts';
import classes from './Strip.module.css';

const spans = [
  { label: '100 ms', value: '100000' },
  { label: '500 ms', value: '500000' },
  { label: '2 s', value: '2000000' },
  { label: '10 s', value: '10000000' },
  { label: '60 s', value: '60000000' },
];
/** Where "now" stands in the window, so that the newest is not glued to the edge. */
const nowShare = 0.92;

/** Time, as lanes along the path. */
export function Strip({ open, toggle }: { open: boolean; toggle: () => void }) {
  const [spanUs, setSpanUs] = useState(2_000_000);
  const [chosen, setChosen] = useState<number | null>(null);
  /** Stepping is about each event; otherwise what the last press came to matters more than what came last. */
  const [stepping, setStepping] = useState(false);
  const pastUs = usePlayer((state) => state.pastUs);
  // An event is chosen only as long as its moment is looked at; a machine that runs on, or begins anew, has none.
  const selected = pastUs === null ? null : chosen;
  const running = usePlayer((state) => state.running);
  const factor = usePlayer((state) => state.factor);
  const gadget = useDocument();
  usePlayer((state) => state.traceVersion);

  const trace = traceNow();
  const entry = selected === null ? undefined : trace[selected];
  const spoken = entry ? selected! : stepping ? trace.findLastIndex(isShown) : mostTelling(trace);
  const why =
    spoken >= 0 ? sayWhy(gadget, trace, spoken) : 'Nothing has happened yet. Press something in hand.';

  const choose = (index: number | null) => {
    setChosen(index);
    setStepping(false);
    const at = index === null ? undefined : traceNow()[index]?.atUs;
    if (at !== undefined) player.scrub(at);
  };
  const walk = (by: 1 | -1) => {
    const from = selected ?? trace.length;
    for (let at = from + by; at >= 0 && at < trace.length; at += by)
      if (isShown(trace[at]!)) return choose(at);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const keys: Record<string, () => void> = {
      ArrowLeft: () => walk(-1),
      ArrowRight: () => walk(1),
      Home: () => {
        const first = trace.findIndex(isShown);
        // Where no lane shows anything, to where what is kept begins.
        if (first >= 0) choose(first);
        else player.scrub(trace[0]?.atUs ?? 0);
      },
      End: () => backToPresent(),
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
        <p className={classes.why} aria-live={entry ? 'polite' : 'off'} data-testid="why">
          {spoken >= 0 && <StageIcon stage={stageOf(trace[spoken]!)} />}
          <span>{why}</span>
        </p>
        <Choice
          label="Time shown"
          data={spans}
          value={String(spanUs)}
          choose={(chosen) => setSpanUs(Number(chosen))}
        />
      </div>
      {open && (
        <div
          className={classes.lanes}
          tabIndex={0}
          role="group"
          aria-label="Events in time. Left and right arrows walk through them, Space pauses, End comes back to now."
          onKeyDown={onKeyDown}
        >
          <Canvas spanUs={spanUs} selected={selected} choose={choose} />
        </div>
      )}
    </section>
  );
}

/** The window of time to show: the end of the present, or around a moment of the past. */
function windowNow(spanUs: number, pastUs: number | null, anchorUs: number): Span {
  if (pastUs === null) {
    const toUs = virtualNowUs() + spanUs * (1 - nowShare);
    return { fromUs: toUs - spanUs, toUs };
  }
  // Stay where we were as long as the moment is in view, so that walking does not shake the picture.
  const inView = pastUs > anchorUs - spanUs && pastUs < anchorUs;
  const toUs = inView ? anchorUs : pastUs + spanUs / 2;
  return { fromUs: toUs - spanUs, toUs };
}

function Canvas({
  spanUs,
  selected,
  choose,
}: {
  spanUs: number;
  selected: number | null;
  choose: (entry: number | null) => void;
}) {
  const gadget = useDocument();
  const canvas = useRef<HTMLCanvasElement>(null);
  const picture = useRef<Picture | null>(null);
  const anchorUs = useRef(0);
  usePlayer((state) => state.traceVersion);
  const inView = controlsInView(gadget, traceNow());
  const shownIds = inView.map(({ id }) => id).join(' ');
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the same ids are the same controls of the same gadget
  const lanes = useMemo(() => lanesOf(gadget, inView), [gadget, shownIds]);
  const still = useReducedMotion();
  const height = lanes.length * laneHeight + axisHeight;

  const draw = useCallback(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context) return;
    const { pastUs } = usePlayer.getState();
    const window = windowNow(spanUs, pastUs, anchorUs.current);
    anchorUs.current = window.toUs;
    const width = element.clientWidth;
    const ratio = devicePixelRatio;
    if (element.width !== width * ratio || element.height !== height * ratio) {
      element.width = width * ratio;
      element.height = height * ratio;
    }
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    picture.current = {
      lanes,
      marks: marksIn(gadget, traceNow(), window, thinNow()),
      window,
      width,
      selected,
    };
    paint(context, picture.current);
    const now =
      labelWidth + ((virtualNowUs() - window.fromUs) / (window.toUs - window.fromUs)) * (width - labelWidth);
    context.fillStyle = getComputedStyle(element).getPropertyValue('--ink');
    context.fillRect(now, 0, 1.5, height - axisHeight);
  }, [gadget, lanes, height, spanUs, selected]);

  useEffect(() => {
    let frame = 0;
    let drawnMs = 0;
    const loop = (atMs: number) => {
      // Thirty pictures a second are smooth enough for a strip; with reduced motion it moves in steps.
      if (atMs - drawnMs >= (still ? 250 : 33)) {
        draw();
        drawnMs = atMs;
      }
      frame = requestAnimationFrame(loop);
    };
    frame = requestAnimationFrame(loop);
    return () => cancelAnimationFrame(frame);
  }, [draw, still]);

  const moved = useRef(false);
  const timeAt = (event: PointerEvent<HTMLCanvasElement>) => {
    const { window, width } = picture.current!;
    const px = event.clientX - event.currentTarget.getBoundingClientRect().left;
    return window.fromUs + ((px - labelWidth) / (width - labelWidth)) * (window.toUs - window.fromUs);
  };
  const onPointerDown = (event: PointerEvent<HTMLCanvasElement>) => {
    moved.current = false;
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent<HTMLCanvasElement>) => {
    if (event.buttons !== 1 || (!moved.current && Math.abs(event.movementX) < 2)) return;
    moved.current = true;
    choose(null);
    player.scrub(Math.max(0, timeAt(event)));
  };
  const onPointerUp = (event: PointerEvent<HTMLCanvasElement>) => {
    if (moved.current) return;
    const box = event.currentTarget.getBoundingClientRect();
    choose(entryAt(picture.current!, event.clientX - box.left, event.clientY - box.top));
  };

  return (
    <div className={classes.canvasBox} style={{ height }}>
      <div className={classes.labels} style={{ width: labelWidth }} aria-hidden>
        {lanes.map(({ key, stage, label }) => (
          <span key={key} style={{ height: laneHeight }}>
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
