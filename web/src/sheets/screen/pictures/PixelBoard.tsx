import '../../../shared/styles/toggle.css';
import { ActionIcon, Checkbox, SegmentedControl } from '@mantine/core';
import { useElementSize, useViewportSize } from '@mantine/hooks';
import {
  IconArrowDown,
  IconArrowLeft,
  IconArrowRight,
  IconArrowUp,
  IconCircle,
  IconCircleFilled,
  IconColorFilter,
  IconContrast,
  IconFlipHorizontal,
  IconFlipVertical,
  IconLine,
  IconPencil,
  IconSquare,
  IconSquareFilled,
  IconTrash,
  type Icon,
} from '@tabler/icons-react';
import {
  blankFrame,
  frameBitmap,
  invertedFrame,
  mirroredFrame,
  shiftedFrame,
  stroked,
  upsideDownFrame,
  type Frame,
  type Picture,
  type Point,
  type StrokeTool,
} from '@hum-lever/core';
import { useCallback, useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { edit } from '../../../client/index.ts';
import { Pixels } from '../../../outputs/screen/Pixels.tsx';
import { Swatches } from '../../../outputs/screen/Swatches.tsx';
import { arrows, arrowStep } from '../../../shared/arrows.ts';
import { usePictureInks } from '../usePictureInks.ts';
import classes from './Pictures.module.css';

/** How much of the window's height the board may take, and how large a pixel may be. */
const mostHigh = 0.46;
const mostScale = 24;
/** Below this a grid would hide what it parts. */
const gridScale = 6;

const saidOf = (ink: number): string => (ink === 0 ? 'dark' : ink === lit ? 'lit' : `ink ${ink}`);

const tools: readonly { tool: StrokeTool; label: string; icon: Icon }[] = [
  { tool: 'pencil', label: 'Freehand', icon: IconPencil },
  { tool: 'line', label: 'Line', icon: IconLine },
  { tool: 'box', label: 'Box', icon: IconSquare },
  { tool: 'filledBox', label: 'Full box', icon: IconSquareFilled },
  { tool: 'ellipse', label: 'Ellipse', icon: IconCircle },
  { tool: 'filledEllipse', label: 'Full ellipse', icon: IconCircleFilled },
  { tool: 'fill', label: 'Fill what hangs together', icon: IconColorFilter },
];

/** What a stroke makes of pixels: the other of what is where it begins, lit, dark, or an ink of their own. */
const strokesTo = [
  { value: 'other', label: 'the other' },
  { value: 'lit', label: 'lit' },
  { value: 'dark', label: 'dark' },
] as const;
type StrokeTo = (typeof strokesTo)[number]['value'] | number;

const wholes: readonly { label: string; icon: Icon; of: (rows: Frame) => Frame }[] = [
  { label: 'Move all to the left', icon: IconArrowLeft, of: (rows) => shiftedFrame(rows, -1, 0) },
  { label: 'Move all to the right', icon: IconArrowRight, of: (rows) => shiftedFrame(rows, 1, 0) },
  { label: 'Move all up', icon: IconArrowUp, of: (rows) => shiftedFrame(rows, 0, -1) },
  { label: 'Move all down', icon: IconArrowDown, of: (rows) => shiftedFrame(rows, 0, 1) },
  { label: 'Left becomes right', icon: IconFlipHorizontal, of: mirroredFrame },
  { label: 'Top becomes bottom', icon: IconFlipVertical, of: upsideDownFrame },
  { label: 'Lit becomes dark', icon: IconContrast, of: invertedFrame },
  { label: 'Make all dark', icon: IconTrash, of: (rows) => blankFrame(rows[0]!.length, rows.length) },
];

interface Held {
  points: Point[];
  ink: number;
}
const lit = 1;

/** A frame at whole multiples of its pixels, to be drawn on by hand or by keys. */
export function PixelBoard({ picture, frame }: { picture: Picture; frame: number }) {
  const { ref, width } = useElementSize();
  const { height } = useViewportSize();
  const rows = picture.frames[frame]!;
  const [widthPx, heightPx] = [rows[0]!.length, rows.length];
  const [tool, setTool] = useState<StrokeTool>('pencil');
  const [to, setTo] = useState<StrokeTo>('other');
  const [mirrored, setMirrored] = useState({ across: false, down: false });
  const [onion, setOnion] = useState(true);
  const [held, setHeld] = useState<Held | null>(null);
  const [cursor, setCursor] = useState<Point | null>(null);
  const scale = Math.max(
    1,
    Math.min(mostScale, Math.floor(Math.min(width / widthPx, (height * mostHigh) / heightPx))),
  );

  const drawn = useMemo(
    () => (held ? stroked(rows, { tool, mirrored, ...held }) : rows),
    [held, rows, tool, mirrored],
  );
  const shown = useMemo(() => frameBitmap(drawn), [drawn]);
  const paint = useCallback(() => shown, [shown]);
  const keep = (changed: Frame) => {
    if (changed.some((row, y) => row !== rows[y]))
      edit({ name: 'drawFrame', args: [picture.id, frame, changed] });
  };
  const inkFrom = ({ x, y }: Point): number => {
    if (typeof to === 'number') return to;
    return to === 'lit' || (to === 'other' && rows[y]?.[x] === '.') ? lit : 0;
  };

  const { inks, count } = usePictureInks();
  // Those that a display has, and those that the picture has already.
  const most = Math.max(count - 1, ...shown.pixels);
  const own = inks.slice(lit + 1, most + 1).map((colour, n) => ({ ink: lit + 1 + n, colour }));

  const before = onion && frame > 0 ? picture.frames[frame - 1] : undefined;
  const under = useMemo(() => before && frameBitmap(before), [before]);

  const pixelOf = (event: PointerEvent): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    // What lies around it may be zoomed.
    const zoom = box.width / widthPx;
    return {
      x: Math.floor((event.clientX - box.left) / zoom),
      y: Math.floor((event.clientY - box.top) / zoom),
    };
  };
  const take = (event: PointerEvent) => {
    if (event.button !== 0) return;
    const point = pixelOf(event);
    event.currentTarget.setPointerCapture(event.pointerId);
    setCursor(null);
    setHeld({ points: [point], ink: inkFrom(point) });
  };
  const drag = (event: PointerEvent) => {
    if (!held) return;
    const point = pixelOf(event);
    const last = held.points.at(-1)!;
    if (point.x === last.x && point.y === last.y) return;
    // Shapes reach from where it began to where the hand is.
    const points = tool === 'pencil' ? [...held.points, point] : [held.points[0]!, point];
    setHeld({ ...held, points });
  };
  const letGo = () => {
    keep(drawn);
    setHeld(null);
  };
  const key = (event: KeyboardEvent) => {
    const at = cursor ?? { x: 0, y: 0 };
    const arrow = arrows[event.key];
    if (arrow) {
      const by = arrowStep(event.shiftKey);
      const within = (place: number, most: number) => Math.max(0, Math.min(most - 1, place));
      const next = { x: within(at.x + arrow[0] * by, widthPx), y: within(at.y + arrow[1] * by, heightPx) };
      setCursor(next);
      if (held)
        setHeld({ ...held, points: tool === 'pencil' ? [...held.points, next] : [held.points[0]!, next] });
    } else if (event.key === ' ' || event.key === 'Enter') {
      setCursor(at);
      if (held) letGo();
      else if (tool === 'fill') keep(stroked(rows, { tool, mirrored, points: [at], ink: inkFrom(at) }));
      else setHeld({ points: [at], ink: inkFrom(at) });
    } else if (event.key === 'Escape' && held) setHeld(null);
    else return;
    event.preventDefault();
  };

  return (
    <>
      <div className={classes.tools}>
        <span role="group" aria-label="Draw with" className={classes.group}>
          {tools.map(({ tool: one, label, icon: Symbol }) => (
            <ActionIcon
              key={one}
              size="md"
              variant={one === tool ? 'filled' : 'subtle'}
              aria-label={label}
              title={label}
              aria-pressed={one === tool}
              onClick={() => {
                setHeld(null);
                setTool(one);
              }}
            >
              <Symbol size={17} />
            </ActionIcon>
          ))}
        </span>
        <SegmentedControl
          size="xs"
          aria-label="What pixels become"
          data={strokesTo.map(({ value, label }) => ({ value, label }))}
          value={typeof to === 'number' ? '' : to}
          onChange={(value) => setTo(value as StrokeTo)}
        />
        {own.length > 0 && <Swatches label="Inks of their own" inks={own} chosen={to} choose={setTo} />}
        <span role="group" aria-label="All of the frame" className={classes.group}>
          {wholes.map(({ label, icon: Symbol, of }) => (
            <ActionIcon
              key={label}
              size="md"
              variant="subtle"
              aria-label={label}
              title={label}
              onClick={() => keep(of(rows))}
            >
              <Symbol size={17} />
            </ActionIcon>
          ))}
        </span>
      </div>
      <div ref={ref} className={classes.board}>
        <div
          className={classes.glass}
          style={{ width: widthPx * scale }}
          tabIndex={0}
          role="group"
          aria-label={`Frame ${frame + 1} of ${picture.name}, ${scale} times as large. Arrow keys move a mark; Space begins a stroke and ends it, Escape drops it.`}
          onKeyDown={key}
          onPointerDown={take}
          onPointerMove={drag}
          onPointerUp={letGo}
          onPointerCancel={() => setHeld(null)}
          onBlur={() => setCursor(null)}
        >
          <Pixels widthPx={widthPx} heightPx={heightPx} bitmap={paint} inks={inks} under={under} />
          {scale >= gridScale && <Grid widthPx={widthPx} heightPx={heightPx} scale={scale} />}
          {cursor && (
            <span
              className={classes.mark}
              aria-hidden
              style={{ left: cursor.x * scale, top: cursor.y * scale, width: scale, height: scale }}
            />
          )}
        </div>
        <span className={classes.says} role="status">
          {cursor && `${cursor.x}, ${cursor.y}: ${saidOf(shown.pixels[cursor.y * widthPx + cursor.x]!)}`}
        </span>
      </div>
      <div className={classes.options}>
        <Checkbox
          size="xs"
          label="Left and right alike"
          checked={mirrored.across}
          onChange={({ currentTarget: { checked } }) => setMirrored({ ...mirrored, across: checked })}
        />
        <Checkbox
          size="xs"
          label="Top and bottom alike"
          checked={mirrored.down}
          onChange={({ currentTarget: { checked } }) => setMirrored({ ...mirrored, down: checked })}
        />
        {picture.frames.length > 1 && (
          <Checkbox
            size="xs"
            label="The frame before shines through"
            checked={onion}
            onChange={({ currentTarget: { checked } }) => setOnion(checked)}
          />
        )}
      </div>
    </>
  );
}

/** Lines between pixels; every eighth stands out, as displays and their memory are counted. */
function Grid({ widthPx, heightPx, scale }: { widthPx: number; heightPx: number; scale: number }) {
  const lines = (count: number) => Array.from({ length: count - 1 }, (_, n) => n + 1);
  return (
    <svg className={classes.grid} width={widthPx * scale} height={heightPx * scale} aria-hidden>
      {lines(widthPx).map((x) => (
        <line
          key={`x${x}`}
          x1={x * scale}
          x2={x * scale}
          y1={0}
          y2="100%"
          data-eighth={x % 8 === 0 || undefined}
        />
      ))}
      {lines(heightPx).map((y) => (
        <line
          key={`y${y}`}
          y1={y * scale}
          y2={y * scale}
          x1={0}
          x2="100%"
          data-eighth={y % 8 === 0 || undefined}
        />
      ))}
    </svg>
  );
}
