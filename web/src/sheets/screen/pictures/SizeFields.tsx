import { limits } from '@hum-lever/core';
import { NumberField } from '../../../shared/index.ts';
import classes from './Pictures.module.css';

/** Width by height, in pixels. */
export function SizeFields({
  widthPx,
  heightPx,
  commit,
}: {
  widthPx: number;
  heightPx: number;
  /** Why it was refused; null: it is taken. */
  commit: (widthPx: number, heightPx: number) => string | null;
}) {
  const side = (label: string, value: number, of: (px: number) => string | null) => (
    <NumberField
      label=""
      aria-label={label}
      width={70}
      min={1}
      max={limits.displayPx}
      value={value}
      commit={of}
    />
  );
  return (
    <span className={classes.size}>
      {side('Width in pixels', widthPx, (px) => commit(px, heightPx))}×
      {side('Height in pixels', heightPx, (px) => commit(widthPx, px))}
    </span>
  );
}
