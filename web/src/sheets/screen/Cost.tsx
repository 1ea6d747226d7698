import {
  blankBitmap,
  changedRuns,
  displayBus,
  fontBytes,
  pictureUs,
  render,
  sendUs,
  type Drawn,
  type FontName,
  type Gadget,
  type Page,
  type Screen,
} from '@hum-lever/core';
import { showBytes, showDuration } from '../../shared/index.ts';
import classes from './Screen.module.css';

const digits = '-0123456789.:+';
/** What an element may write, as far as it is known: a list of texts may hold anything that can be typed. */
function saidBy(element: Extract<Page['elements'][number], { font: FontName }>): string {
  switch (element.kind) {
    case 'drawText':
      return element.text.replace(/\{[^{}]*\}/g, '') + (element.text.includes('{') ? digits : '');
    case 'drawNumber':
      return element.unit + digits;
    case 'drawWord':
      return element.words.join('');
    case 'drawList':
      return Array.from({ length: 95 }, (_, n) => String.fromCharCode(32 + n)).join('');
  }
}

/** Characters that pages write in each font, as far as they stand there; digits where a number is written. */
function charactersIn(pages: readonly Page[]): Map<FontName, Set<string>> {
  const used = new Map<FontName, Set<string>>();
  for (const { elements } of pages)
    for (const element of elements) {
      if (!('font' in element)) continue;
      const written = used.get(element.font) ?? new Set();
      for (const character of saidBy(element)) written.add(character);
      used.set(element.font, written);
    }
  return used;
}

/** How long it takes to go from one picture to another where only changed tiles are sent; null: not known. */
function changeUs(gadget: Gadget, screen: Screen, between: readonly [Drawn, Drawn]): number | null {
  const bus = displayBus(gadget, screen.id);
  const [was, is] = between.map((drawn) => {
    const bitmap = blankBitmap(screen.widthPx, screen.heightPx);
    render(bitmap, screen, drawn);
    return bitmap;
  });
  return bus && sendUs(bus, changedRuns(was!, is!));
}

/** What the display costs, in a line: time over its bus, share of the loop, memory. */
export function Cost({
  gadget,
  screen,
  pages,
  between,
}: {
  gadget: Gadget;
  screen: Screen;
  pages: readonly Page[];
  /** Two pictures, from one of which it goes to the other. */
  between?: readonly [Drawn, Drawn];
}) {
  const us = pictureUs(gadget, screen.id);
  const changedUs = between && screen.update === 'changed' ? changeUs(gadget, screen, between) : null;
  const { sends, mostHz, widthPx, heightPx } = screen;
  const buffer = widthPx * Math.ceil(heightPx / 8);
  const fontMemory = [...charactersIn(pages)].reduce(
    (sum, [font, characters]) => sum + fontBytes(font, characters.size),
    0,
  );
  const perSecond = us ? Math.min(mostHz, Math.floor(1_000_000 / us)) : mostHz;
  return (
    <p className={classes.cost}>
      <span className="number">
        {widthPx} × {heightPx}
      </span>{' '}
      pixels.{' '}
      {us === null || sends === 'free' ? (
        'What a picture takes over its bus is left out.'
      ) : (
        <>
          A picture takes <span className="number">{showDuration(us)}</span> over its bus, at most{' '}
          <span className="number">{perSecond}</span> a second; the loop{' '}
          {sends === 'blocking' ? (
            <>
              waits for it, up to <span className="number">{Math.round((us * perSecond) / 10_000)} %</span> of
              its time
            </>
          ) : (
            'goes on meanwhile'
          )}
          .
          {changedUs !== null && (
            <>
              {' '}
              Only changed tiles are sent: from the values at first to these,{' '}
              <span className="number">{showDuration(changedUs)}</span>.
            </>
          )}
        </>
      )}{' '}
      Buffer <span className="number">{showBytes(buffer)}</span>, fonts about{' '}
      <span className="number">{showBytes(fontMemory)}</span>.
    </p>
  );
}
