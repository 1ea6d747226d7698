import { useRef, useState, type PointerEvent, type WheelEvent } from 'react';

/** Which part of a drawing is looked at: its middle, and how much larger than life. */
interface Look {
  x: number;
  y: number;
  scale: number;
}

/** Frame of the map, px; the drawing is fitted into it. */
const frame = { width: 760, height: 400 };
const margin = 14;
const closest = 3;
const farthest = 0.15;

/** How large all of a drawing can be shown, never larger than life. */
export const fitOf = ({ width, height }: { width: number; height: number }): number =>
  Math.min(1, frame.width / (width + 2 * margin), frame.height / (height + 2 * margin));

/** Smaller than this, nothing can be read. */
const readable = 0.55;

/**
 * Pan and zoom by pointer, wheel and keys. Starts with all of it where that can be read, otherwise with what lies
 * around a point.
 */
export function useLook(drawing: { width: number; height: number }, around: { x: number; y: number } | null) {
  const fit = fitOf(drawing);
  const whole: Look = { x: drawing.width / 2, y: drawing.height / 2, scale: fit };
  const first: Look = fit < readable && around ? { ...around, scale: readable + 0.15 } : whole;
  const [moved, setMoved] = useState<Look | null>(null);
  const look = moved ?? first;
  const from = useRef<{ x: number; y: number; look: Look; far: boolean } | null>(null);
  const pan = (dx: number, dy: number) =>
    setMoved({ ...look, x: look.x + dx / look.scale, y: look.y + dy / look.scale });
  const zoom = (by: number) =>
    setMoved({ ...look, scale: Math.min(closest, Math.max(farthest, look.scale * by)) });
  const [w, h] = [frame.width / look.scale, frame.height / look.scale];
  return {
    pan,
    zoom,
    fit: () => setMoved(whole),
    viewBox: `${look.x - w / 2} ${look.y - h / 2} ${w} ${h}`,
    drag: {
      onPointerDown: (event: PointerEvent) => {
        from.current = { x: event.clientX, y: event.clientY, look, far: false };
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        const start = from.current;
        if (!start || event.buttons === 0) return;
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
