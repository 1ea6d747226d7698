import type { PointerEvent } from 'react';
import type { MapDrawing } from './layout.ts';
import type { useLook } from './useLook.ts';
import classes from './Map.module.css';

const most = { width: 150, height: 100 };

/** All of the map, small, with what is seen of it framed; a click or a drag goes there. */
export function MapOverview({
  drawing,
  active,
  look,
}: {
  drawing: MapDrawing;
  active: readonly string[];
  look: ReturnType<typeof useLook>;
}) {
  const scale = Math.min(most.width / drawing.width, most.height / drawing.height);
  const go = (event: PointerEvent<SVGSVGElement>) => {
    event.stopPropagation();
    if (event.buttons !== 1) return;
    const { left, top } = event.currentTarget.getBoundingClientRect();
    look.to((event.clientX - left) / scale, (event.clientY - top) / scale);
  };
  const { x, y, width, height } = look.seen;
  return (
    <svg
      className={classes.overview}
      width={drawing.width * scale}
      height={drawing.height * scale}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      aria-hidden
      onPointerDown={go}
      onPointerMove={go}
    >
      {drawing.boxes
        .filter(({ kind }) => kind !== 'begin' && kind !== 'tag')
        .map((box) => (
          <rect
            key={box.id}
            x={box.x}
            y={box.y}
            width={box.width}
            height={box.height}
            fill={active.includes(box.id) && !box.holds ? 'var(--stage-state)' : 'none'}
            stroke="var(--soft)"
            strokeWidth={1 / scale}
          />
        ))}
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill="none"
        stroke="var(--stage-state)"
        strokeWidth={1.5 / scale}
      />
    </svg>
  );
}
