import { fontBytes, pictureUs, type FontName, type Gadget, type Page, type Screen } from '@hum-lever/core';
import { showBytes, showDuration } from '../../shared/index.ts';
import classes from './Screen.module.css';

/** Characters that pages write in each font, as far as they stand there; digits where a number is written. */
function charactersIn(pages: readonly Page[]): Map<FontName, Set<string>> {
  const used = new Map<FontName, Set<string>>();
  for (const { elements } of pages)
    for (const element of elements) {
      if (element.kind !== 'drawText' && element.kind !== 'drawNumber') continue;
      const written = used.get(element.font) ?? new Set();
      const gaps = element.kind === 'drawNumber' || element.text.includes('{');
      const fixed = element.kind === 'drawText' ? element.text.replace(/\{[^{}]*\}/g, '') : element.unit;
      for (const character of `${fixed}${gaps ? '-0123456789.:+' : ''}`) written.add(character);
      used.set(element.font, written);
    }
  return used;
}

/** What the display costs, in a line: time over its bus, share of the loop, memory. */
export function Cost({ gadget, screen, pages }: { gadget: Gadget; screen: Screen; pages: readonly Page[] }) {
  const us = pictureUs(gadget, screen.id);
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
        </>
      )}{' '}
      Buffer <span className="number">{showBytes(buffer)}</span>, fonts about{' '}
      <span className="number">{showBytes(fontMemory)}</span>.
    </p>
  );
}
