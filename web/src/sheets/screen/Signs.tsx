import { fonts, signs, specimen, type Font } from '@hum-lever/core';
import { useCallback, useMemo, useState } from 'react';
import { Pixels } from '../../outputs/screen/Pixels.tsx';
import { useStock } from '../../outputs/screen/useStock.ts';
import { WhileWriting } from '../../shared/index.ts';
import { usePictureInks } from './usePictureInks.ts';
import classes from './Screen.module.css';

/** Signs that no keyboard has, as the font draws them; those that it lacks are not offered. */
export function Signs({ font: ref, put }: { font: string; put: (sign: string) => void }) {
  const [open, setOpen] = useState(false);
  const font = useStock().font(ref);
  const offered = useMemo(() => signs.filter((sign) => font.glyph(sign) !== null), [font]);
  if (offered.length === 0) return null;
  return (
    <WhileWriting>
      {' '}
      <button type="button" className={classes.more} aria-expanded={open} onClick={() => setOpen(!open)}>
        signs
      </button>
      {open && (
        <span role="group" aria-label="Signs" className={classes.signs}>
          {offered.map((sign) => (
            <Sign key={sign} sign={sign} font={font} put={put} />
          ))}
        </span>
      )}
    </WhileWriting>
  );
}

function Sign({ sign, font, put }: { sign: string; font: Font; put: (sign: string) => void }) {
  // Larger ones would fill the sheet.
  const small = font.heightPx > 16 ? fonts['6x8'] : font;
  const bitmap = useMemo(() => specimen(small, sign), [small, sign]);
  const paint = useCallback(() => bitmap, [bitmap]);
  const { inks } = usePictureInks();
  return (
    <button type="button" className={classes.sign} aria-label={`Sign ${sign}`} onClick={() => put(sign)}>
      <span style={{ width: bitmap.widthPx * 2 }}>
        <Pixels widthPx={bitmap.widthPx} heightPx={bitmap.heightPx} bitmap={paint} inks={inks} />
      </span>
    </button>
  );
}

/** A text with a sign at its end; one that is a sign, and nothing else, becomes another. */
export const withSign = (text: string, sign: string): string => (signs.includes(text) ? sign : text + sign);
