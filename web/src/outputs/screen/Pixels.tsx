import { useEffect, useRef } from 'react';
import { mixedColour, type Bitmap, type Colour } from '@hum-lever/core';
import classes from './Glass.module.css';

/** So far from the ground to its ink is what shines through. */
const faint = 0.25;

/** What lies in something finds its size a moment after it is there. */
const settledMs = 300;

/** Paints pixels at their own number. */
export function paint(
  canvas: HTMLCanvasElement,
  { widthPx, heightPx, pixels }: Bitmap,
  inks: readonly Colour[],
  under?: Bitmap,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const image = context.createImageData(widthPx, heightPx);
  const last = inks.length - 1;
  const ground = inks[0]!;
  const colourOf = (ink: number, beneath: number): Colour =>
    ink > 0 || beneath === 0
      ? inks[Math.min(ink, last)]!
      : mixedColour(ground, inks[Math.min(beneath, last)]!, faint);
  for (let at = 0; at < pixels.length; at += 1) {
    const [red, green, blue] = colourOf(pixels[at]!, under?.pixels[at] ?? 0);
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
  inks,
  under,
  label,
}: {
  widthPx: number;
  heightPx: number;
  /** Kept the same (`useCallback`, `useMemo`) as long as nothing looks otherwise. */
  bitmap: () => Bitmap;
  /** Colours by their number; the ground and one more at least. */
  inks: readonly Colour[];
  /** Seen faintly where nothing is lit. */
  under?: Bitmap | undefined;
  label?: string | undefined;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => paint(canvas.current!, bitmap(), inks, under), [bitmap, inks, under]);
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
