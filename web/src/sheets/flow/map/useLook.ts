import { useRef, useState, type PointerEvent, type RefObject, type WheelEvent } from 'react';
import { useFingers } from '../../../shared/index.ts';

/** Which part of a drawing is looked at: its middle, and how much larger than life. */
interface Look {
  x: number;
  y: number;
  scale: number;
}

interface Size {
  width: number;
  height: number;
}
/** What a frame usually is, px: for choosing between drawings. */
const usual: Size = { width: 760, height: 520 };
const margin = 14;
const closest = 3;
const farthest = 0.15;

/** How large all of a drawing can be shown, never larger than life. */
export const fitOf = ({ width, height }: Size, frame: Size = usual): number =>
  Math.min(1, frame.width / (width + 2 * margin), frame.height / (height + 2 * margin));

/** Smaller than this, the words at arrows, 12 px, would be smaller than 11 px; the frame takes a pixel or two of it. */
const readable = 0.94;

/** A middle of what is looked at, so that nothing beyond the drawing is shown while it could be filled. */
const within = (at: number, seen: number, whole: number): number =>
  seen >= whole + 2 * margin
    ? whole / 2
    : Math.max(seen / 2 - margin, Math.min(whole + margin - seen / 2, at));

/**
 * Pan and zoom by pointer, wheel and keys. Starts with all of it where that can be read, otherwise with what lies
 * around a point.
 * @param frame in which it is shown, px
 * @param element that is the frame
 */
export function useLook(
  drawing: Size,
  around: { x: number; y: number } | null,
  frame: Size,
  element: RefObject<HTMLElement | null>,
) {
  const fit = fitOf(drawing, frame);
  const whole: Look = { x: drawing.width / 2, y: drawing.height / 2, scale: fit };
  const scale = Math.max(fit, readable);
  const first: Look = {
    x: within(around?.x ?? 0, frame.width / scale, drawing.width),
    y: within(around?.y ?? 0, frame.height / scale, drawing.height),
    scale,
  };
  const [moved, setMoved] = useState<Look | null>(null);
  const look = moved ?? first;
  const from = useRef<{ x: number; y: number; look: Look; far: boolean } | null>(null);
  const pan = (dx: number, dy: number) =>
    setMoved({ ...look, x: look.x + dx / look.scale, y: look.y + dy / look.scale });
  const zoomFrom = (was: Look, by: number) =>
    setMoved({ ...was, scale: Math.min(closest, Math.max(farthest, was.scale * by)) });
  const zoom = (by: number) => zoomFrom(look, by);
  const two = useFingers(element, () => look, zoomFrom);
  const [w, h] = [frame.width / look.scale, frame.height / look.scale];
  return {
    pan,
    zoom,
    fit: () => setMoved(whole),
    /** What is looked at has its middle there. */
    to: (x: number, y: number) => setMoved({ ...look, x, y }),
    seen: { x: look.x - w / 2, y: look.y - h / 2, width: w, height: h },
    isWhole: w >= drawing.width && h >= drawing.height,
    viewBox: `${look.x - w / 2} ${look.y - h / 2} ${w} ${h}`,
    drag: {
      onPointerDown: (event: PointerEvent) => {
        if (event.isPrimary) from.current = { x: event.clientX, y: event.clientY, look, far: false };
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        const start = from.current;
        if (!start || event.buttons === 0 || !event.isPrimary) return;
        if (two.current) {
          start.far = true;
          return;
        }
        const perPx = w / event.currentTarget.clientWidth;
        const [dx, dy] = [event.clientX - start.x, event.clientY - start.y];
        // A click that trembles is still a click.
        if (!start.far && Math.hypot(dx, dy) < 5) return;
        start.far = true;
        setMoved({ ...start.look, x: start.look.x - dx * perPx, y: start.look.y - dy * perPx });
      },
      onClickCapture: (event: { stopPropagation: () => void }) => {
        if (from.current?.far) event.stopPropagation();
        from.current = null;
      },
      onWheel: (event: WheelEvent) => {
        if (event.ctrlKey || event.metaKey) zoom(event.deltaY < 0 ? 1.1 : 0.9);
      },
    },
  };
}
