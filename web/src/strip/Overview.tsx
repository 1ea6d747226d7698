import { useEffect, useRef, type PointerEvent } from 'react';
import { traceNow, usePlayer, virtualNowUs } from '../workers/index.ts';
import { labelWidth } from './paint.ts';
import type { View } from './useView.ts';
import classes from './Strip.module.css';

const height = 14;
/** It changes slowly: looked at anew so often. */
const everyMs = 250;

/** All of the session on one line: when something happened, and which window of it is looked at. A click jumps there. */
export function Overview({ view, jump }: { view: View; jump: (atUs: number) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { window: windowNow } = view;
  useEffect(() => {
    const draw = () => {
      const element = canvas.current;
      const context = element?.getContext('2d');
      if (!element || !context) return;
      const width = element.clientWidth;
      if (element.width !== width || element.height !== height)
        [element.width, element.height] = [width, height];
      const style = getComputedStyle(element);
      const wide = width - labelWidth;
      const totalUs = Math.max(1, sessionUs());
      const x = (us: number) => labelWidth + Math.max(0, Math.min(1, us / totalUs)) * wide;
      context.clearRect(0, 0, width, height);
      context.fillStyle = style.getPropertyValue('--stage-state');
      let lastPx = -1;
      for (const { atUs, lane } of traceNow()) {
        if (lane === 'contact' || lane === 'value') continue;
        const px = Math.round(x(atUs));
        if (px !== lastPx) context.fillRect(px, 4, 1, height - 8);
        lastPx = px;
      }
      const { fromUs, toUs } = windowNow();
      context.strokeStyle = style.getPropertyValue('--ink');
      context.strokeRect(x(fromUs) + 0.5, 1.5, Math.max(3, x(toUs) - x(fromUs) - 1), height - 3);
    };
    draw();
    const timer = setInterval(draw, everyMs);
    return () => clearInterval(timer);
  }, [windowNow]);
  const to = (event: PointerEvent<HTMLCanvasElement>) => {
    const { left, width } = event.currentTarget.getBoundingClientRect();
    const share = (event.clientX - left - labelWidth) / (width - labelWidth);
    jump(Math.max(0, Math.min(1, share)) * sessionUs());
  };
  return (
    <canvas
      ref={canvas}
      className={classes.overview}
      title="All of the session; a click jumps there"
      aria-hidden
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        to(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && to(event)}
    />
  );
}

/** Since power-up, up to now. */
function sessionUs(): number {
  const { clock, pastUs } = usePlayer.getState();
  return pastUs === null ? virtualNowUs() : Math.max(clock.nowUs, pastUs);
}
