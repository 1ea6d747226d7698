import { ActionIcon } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import {
  charactersOf,
  fontBytes,
  fontNames,
  limits,
  specimen,
  stockOf,
  type Gadget,
  type Stock,
} from '@hum-lever/core';
import { useCallback, useMemo, type ReactNode } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { Pixels } from '../../../outputs/screen/Pixels.tsx';
import { count, showBytes, TextField, usePlace } from '../../../shared/index.ts';
import { usePictureInks } from '../usePictureInks.ts';
import { BringFont } from './BringFont.tsx';
import classes from './Fonts.module.css';

/** What a font is shown with: letters, and what hangs below the line; of digits alone, those. */
const shownText = 'Kettle 45° gj';
const shownDigits = '0123456789';
const scale = 2;

/** The fonts that pages can be written in, with what each takes of the chip in this gadget. */
export function FontsView() {
  const gadget = useDocument();
  const stock = stockOf(gadget);
  return (
    <>
      <div className={classes.begin}>
        <BringFont disabled={gadget.fonts.length >= limits.fonts} />
        <span>A font in the bitmap distribution format (BDF), trimmed to what is wanted of it.</span>
      </div>
      <ul className={classes.fonts} aria-label="Fonts">
        {gadget.fonts.map(({ id }) => (
          <OwnFontRow key={id} id={id} gadget={gadget} stock={stock} />
        ))}
        {fontNames.map((name) => (
          <li key={name} aria-label={`Font ${name.replace('x', ' × ')}`}>
            <Shown gadget={gadget} stock={stock} font={name}>
              <b>{name.replace('x', ' × ')}</b>
            </Shown>
          </li>
        ))}
      </ul>
    </>
  );
}

function OwnFontRow({ id, gadget, stock }: { id: string; gadget: Gadget; stock: Stock }) {
  const font = gadget.fonts.find((one) => one.id === id)!;
  const place = usePlace(id);
  return (
    <li id={place.id} className={place.className} aria-label={`Font ${font.name}`}>
      <Shown gadget={gadget} stock={stock} font={id}>
        <TextField
          size="xs"
          aria-label={`Name of font ${font.name}`}
          value={font.name}
          commit={(name) => edit({ name: 'renameFont', args: [id, name] })}
        />
        <span>
          {font.widthPx} × {font.heightPx}, {count(font.glyphs.length, 'character')}
        </span>
        <ActionIcon
          size="sm"
          variant="subtle"
          aria-label={`Take font ${font.name} out; what is written in it stands in 6 × 8`}
          title={`Take font ${font.name} out; what is written in it stands in 6 × 8`}
          onClick={() => edit({ name: 'removeFont', args: [id] })}
        >
          <IconX size={15} />
        </ActionIcon>
      </Shown>
    </li>
  );
}

function Shown({
  gadget,
  stock,
  font: ref,
  children,
}: {
  gadget: Gadget;
  stock: Stock;
  font: string;
  children: ReactNode;
}) {
  const font = stock.font(ref);
  const own = gadget.fonts.find(({ id }) => id === ref);
  const text = useMemo(() => {
    const has = (one: string) => [...one].filter((character) => font.glyph(character) !== null).join('');
    if (!own) return font.glyph('K') ? shownText : shownDigits;
    // Of one that lacks those letters, what it has first.
    const usual = has(shownText);
    return usual.length >= 4
      ? usual
      : own.glyphs
          .slice(0, 14)
          .map(({ character }) => character)
          .join('');
  }, [font, own]);
  const bitmap = useMemo(() => specimen(font, text), [font, text]);
  const paint = useCallback(() => bitmap, [bitmap]);
  const { inks } = usePictureInks();
  const used = charactersOf(gadget, ref);
  // Displays of characters have shapes of their own.
  const onPages = gadget.pages.flatMap(({ name, outputId, elements }) =>
    gadget.outputs.some(({ id, kind }) => id === outputId && kind === 'screen') &&
    elements.some((element) => 'font' in element && element.font === ref)
      ? [name]
      : [],
  );
  return (
    <>
      <div className={classes.name}>{children}</div>
      <div className={classes.specimen} style={{ width: bitmap.widthPx * scale }}>
        <Pixels
          widthPx={bitmap.widthPx}
          heightPx={bitmap.heightPx}
          bitmap={paint}
          inks={inks}
          label={`${text}, in this font`}
        />
      </div>
      <p className={classes.cost}>
        {onPages.length === 0 ? (
          'On no page.'
        ) : (
          <>
            On {onPages.join(', ')}: up to {count(used.size, 'character')},{' '}
            <span className="number">{showBytes(fontBytes(font, used))}</span> in the chip.
          </>
        )}
      </p>
    </>
  );
}
