import { blankBitmap, render, type Bitmap, type Drawn, type Screen } from '@hum-lever/core';
import { useEffect, useRef } from 'react';
import classes from './Glass.module.css';

/** Lit and dark, as a display of one colour glows: red, green, blue. */
const lit = [0xe9, 0xf2, 0xc9];
const dark = [0x14, 0x1b, 0x18];

function paint(canvas: HTMLCanvasElement, { widthPx, heightPx, pixels }: Bitmap): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const image = context.createImageData(widthPx, heightPx);
  for (let at = 0; at < pixels.length; at += 1) {
    const [red, green, blue] = pixels[at] ? lit : dark;
    image.data[at * 4] = red!;
    image.data[at * 4 + 1] = green!;
    image.data[at * 4 + 2] = blue!;
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

/** What it lies in finds its size a moment after it is there. */
const settledMs = 300;

/** What a display shows, at its own pixels; as large as its place has it. */
export function Glass({ screen, drawn, label }: { screen: Screen; drawn: Drawn; label?: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const bitmap = useRef<Bitmap | null>(null);
  const { widthPx, heightPx } = screen;
  useEffect(() => {
    if (bitmap.current?.widthPx !== widthPx || bitmap.current.heightPx !== heightPx)
      bitmap.current = blankBitmap(widthPx, heightPx);
    render(bitmap.current, screen, drawn);
    paint(canvas.current!, bitmap.current);
  }, [screen, drawn, widthPx, heightPx]);
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
