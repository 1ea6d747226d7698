import { useRef, useState, type PointerEvent, type WheelEvent } from 'react';

/** Which part of a drawing is looked at: its middle, and how much larger than life. */
interface Look {
  x: number;
  y: number;
  scale: number;
}

/** Frame of the map, px; the drawing is fitted into it. */
const frame = { width: 760, height: 520 };
const margin = 14;
const closest = 3;
const farthest = 0.15;

/** Pan and zoom by pointer, wheel and keys. Starts with all of it, never larger than life. */
export function useLook({ width, height }: { width: number; height: number }) {
  const whole: Look = {
    x: width / 2,
    y: height / 2,
    scale: Math.min(1, frame.width / (width + 2 * margin), frame.height / (height + 2 * margin)),
  };
  const [moved, setMoved] = useState<Look | null>(null);
  const look = moved ?? whole;
  const from = useRef<{ x: number; y: number; look: Look; far: boolean } | null>(null);
  const pan = (dx: number, dy: number) =>
    setMoved({ ...look, x: look.x + dx / look.scale, y: look.y + dy / look.scale });
  const zoom = (by: number) =>
    setMoved({ ...look, scale: Math.min(closest, Math.max(farthest, look.scale * by)) });
  const [w, h] = [frame.width / look.scale, frame.height / look.scale];
  return {
    pan,
    zoom,
    fit: () => setMoved(null),
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
