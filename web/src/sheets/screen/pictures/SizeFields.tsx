import { limits, resizedFrame, type Picture } from '@hum-lever/core';
import { edit } from '../../../client/index.ts';
import { NumberField } from '../../../shared/index.ts';
import classes from './Pictures.module.css';

/** Of all frames; what is cut off comes back by undo only. */
export function SizeFields({ picture }: { picture: Picture }) {
  const [width, height] = [picture.frames[0]![0]!.length, picture.frames[0]!.length];
  const resize = (w: number, h: number) =>
    edit({
      name: 'replaceFrames',
      args: [picture.id, picture.frames.map((rows) => resizedFrame(rows, w, h))],
    });
  return (
    <span className={classes.size}>
      <NumberField
        label=""
        aria-label="Width in pixels"
        width={70}
        min={1}
        max={limits.displayPx}
        value={width}
        commit={(w) => resize(w, height)}
      />
      ×
      <NumberField
        label=""
        aria-label="Height in pixels"
        width={70}
        min={1}
        max={limits.displayPx}
        value={height}
        commit={(h) => resize(width, h)}
      />
      pixels,
    </span>
  );
}
