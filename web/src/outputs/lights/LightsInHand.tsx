import { movesAt, nameOf, pictureAt, type OutputOf, type ToldLights } from '@hum-lever/core';
import { useEffect, useRef } from 'react';
import { useIsLit } from '../../shared/index.ts';
import { virtualNowUs } from '../../workers/index.ts';
import { useOutput } from '../useOutput.ts';
import classes from './Lights.module.css';
import { paperOf } from './paper.ts';
import { placesOf } from './places.ts';
import { safely } from './safely.ts';

/** Paints what they show, as fast as is safe, and goes on while anything of it moves. */
function usePainted(told: ToldLights | undefined) {
  const figure = useRef<SVGSVGElement>(null);
  useEffect(() => {
    const shown = told && safely(told);
    let frame = 0;
    const paint = () => {
      const nowUs = virtualNowUs();
      const picture = shown ? pictureAt(shown, nowUs) : [];
      figure.current?.querySelectorAll('circle').forEach((circle, n) => {
        Object.assign(circle.style, paperOf(picture[n] ?? 0));
      });
      if (shown && movesAt(shown, nowUs)) frame = requestAnimationFrame(paint);
    };
    paint();
    return () => cancelAnimationFrame(frame);
  }, [told]);
  return figure;
}

/** Lights by number as what they are: a ring, a line, or a grid; the number of each is told where one points. */
export function LightsInHand({ output }: { output: OutputOf<'lights'> }) {
  const { id, name, count } = output;
  const told = useOutput('lights', id);
  const figure = usePainted(told);
  const pointed = useIsLit(id);
  const { width, height, places, radius } = placesOf(output);
  const resting = told ? pictureAt({ ...told, going: [] }, 0) : [];
  const lit = resting.filter((colour) => colour !== 0);
  return (
    <figure className={classes.lights} data-lit={pointed}>
      <svg
        ref={figure}
        viewBox={`0 0 ${width} ${height}`}
        style={{ width: `${width}mm`, height: `${height}mm` }}
        role="img"
        aria-label={`${name}: ${lit.length} of ${count} lit${lit.length > 0 ? `, ${[...new Set(lit.map(nameOf))].join(', ')}` : ''}`}
      >
        {places.map(({ x, y }, n) => (
          // A light is its number.
          <circle key={n} cx={x} cy={y} r={radius}>
            <title>{`${name} ${n}`}</title>
          </circle>
        ))}
      </svg>
      <figcaption>{name}</figcaption>
    </figure>
  );
}
