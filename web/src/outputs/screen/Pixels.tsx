import { useEffect, useRef } from 'react';
import type { Bitmap } from '@hum-lever/core';
import classes from './Glass.module.css';

/** Lit, dark, and dark where another frame is lit, as a display of one colour glows: red, green, blue. */
const colours = { lit: [0xe9, 0xf2, 0xc9], dark: [0x14, 0x1b, 0x18], faint: [0x48, 0x54, 0x4a] } as const;

/** What lies in something finds its size a moment after it is there. */
const settledMs = 300;

/** Paints pixels at their own number. */
export function paint(
  canvas: HTMLCanvasElement,
  { widthPx, heightPx, pixels }: Bitmap,
  under?: Bitmap,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const image = context.createImageData(widthPx, heightPx);
  for (let at = 0; at < pixels.length; at += 1) {
    const [red, green, blue] = colours[pixels[at] ? 'lit' : under?.pixels[at] ? 'faint' : 'dark'];
    image.data[at * 4] = red;
    image.data[at * 4 + 1] = green;
    image.data[at * 4 + 2] = blue;
    image.data[at * 4 + 3] = 255;
  }
  context.putImageData(image, 0, 0);
  sharpen(canvas);
}

/** Sharp where it is enlarged; where it is smaller than its pixels, sharp would leave some of them out. */
function sharpen(canvas: HTMLCanvasElement): void {
  const enlarged = canvas.getBoundingClientRect().width >= canvas.width;
  canvas.style.imageRendering = enlarged ? 'pixelated' : 'auto';
}

/** Pixels of that many a side, as large as their place has them; whenever `bitmap` is asked anew, they are painted. */
export function Pixels({
  widthPx,
  heightPx,
  bitmap,
  under,
  label,
}: {
  widthPx: number;
  heightPx: number;
  /** Kept the same (`useCallback`, `useMemo`) as long as nothing looks otherwise. */
  bitmap: () => Bitmap;
  /** Seen faintly where nothing is lit. */
  under?: Bitmap | undefined;
  label?: string | undefined;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => paint(canvas.current!, bitmap(), under), [bitmap, under]);
  useEffect(() => {
    const timer = setTimeout(() => sharpen(canvas.current!), settledMs);
    return () => clearTimeout(timer);
  }, [widthPx, heightPx]);
  return (
    <canvas
      ref={canvas}
      className={classes.pixels}
      width={widthPx}
      height={heightPx}
      {...(label === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
    />
  );
}
