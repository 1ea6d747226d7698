import {
  changedRuns,
  displayBus,
  displayGlow,
  displayUa,
  drawnBitmap,
  fontMemory,
  fontUses,
  litShare,
  pictureUs,
  sendUs,
  shownInks,
  stockOf,
  type Drawn,
  type Gadget,
  type Screen,
} from '@hum-lever/core';
import type { ReactNode } from 'react';
import { depthWords } from '../../outputs/screen/inks.ts';
import { showBytes, showCurrent, showDuration } from '../../shared/index.ts';
import classes from './Screen.module.css';

/** How long it takes to go from one picture to another where only changed tiles are sent; null: not known. */
function changeUs(gadget: Gadget, screen: Screen, between: readonly [Drawn, Drawn]): number | null {
  const bus = displayBus(gadget, screen.id);
  const [was, is] = between.map((drawn) => drawnBitmap(screen, drawn, stockOf(gadget)));
  return bus && sendUs(bus, changedRuns(was!, is!, bus));
}

/** From so far a letter of a millimetre is just read. Source: reckoning, Displays, more. */
const readsPerMm = 200;

/** How high the capitals of its smallest letters are, and from how far they are read. */
function legible(gadget: Gadget, screen: Screen): ReactNode {
  const stock = stockOf(gadget);
  const heights = fontUses(gadget, screen.id).flatMap((ref) => {
    const font = stock.font(ref);
    const rows = font.glyph('H') ?? font.glyph('0');
    return rows ? [rows.findLastIndex(Boolean) - rows.findIndex(Boolean) + 1] : [];
  });
  if (heights.length === 0) return null;
  const mm = (Math.min(...heights) * screen.wideMm) / screen.widthPx;
  return (
    <>
      Capitals of its smallest letters are <span className="number">{mm.toFixed(1)} mm</span> high, read from
      up to about <span className="number">{Math.round((mm * readsPerMm) / 10)} cm</span>.{' '}
    </>
  );
}

/** What it draws while it shows that, and what of that is its light. */
function draws(gadget: Gadget, screen: Screen, drawn: Drawn | undefined): ReactNode {
  const glow = displayGlow(gadget, screen.id);
  if (!glow || !drawn) return null;
  const share = litShare(drawnBitmap(screen, drawn, stockOf(gadget)), shownInks(screen));
  return (
    <>
      Draws about <span className="number">{showCurrent(displayUa(glow, share, 100))}</span> while it shows
      this,{' '}
      {glow.from === 'pixels' ? (
        <>
          with <span className="number">{Math.round(share * 100)} %</span> of its light on
        </>
      ) : (
        <>
          whatever it shows; <span className="number">{showCurrent(glow.litUa)}</span> of that is the light
          behind it
        </>
      )}
      .{' '}
    </>
  );
}

/** Of the loop's time. */
const Share = ({ perMille }: { perMille: number }) =>
  perMille < 10 ? (
    <>
      under <span className="number">1 %</span>
    </>
  ) : (
    <>
      up to <span className="number">{Math.round(perMille / 10)} %</span>
    </>
  );

/** What the display costs, in a line: time over its bus, share of the loop, memory. */
export function Cost({
  gadget,
  screen,
  between,
}: {
  gadget: Gadget;
  screen: Screen;
  /** Two pictures, from one of which it goes to the other. */
  between?: readonly [Drawn, Drawn];
}) {
  const bus = displayBus(gadget, screen.id);
  const us = pictureUs(gadget, screen.id);
  const changedUs = between && screen.update === 'changed' ? changeUs(gadget, screen, between) : null;
  const { sends, mostHz, widthPx, heightPx } = screen;
  const perSecond = us ? Math.min(mostHz, Math.floor(1_000_000 / us)) : mostHz;
  return (
    <p className={classes.cost}>
      <span className="number">
        {widthPx} × {heightPx}
      </span>{' '}
      pixels{screen.depth !== 'mono' && `, ${depthWords[screen.depth]}`}.{' '}
      {us === null || sends === 'free' ? (
        'What a picture takes over its bus is left out.'
      ) : (
        <>
          A picture takes <span className="number">{showDuration(us)}</span> over its bus, at most{' '}
          <span className="number">{perSecond}</span> a second; the loop{' '}
          {sends === 'blocking' ? (
            <>
              waits for it, <Share perMille={(us * perSecond) / 1_000} /> of its time
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
      {bus && (
        <>
          A whole one is <span className="number">{showBytes(bus.frameBytes)}</span>, made{' '}
          {bus.bufferBytes === bus.frameBytes ? 'as one' : 'a tile at a time'} in{' '}
          <span className="number">{showBytes(bus.bufferBytes)}</span> of memory.{' '}
          {bus.startUs > 0 && sends !== 'free' && (
            <>
              Its first picture comes <span className="number">{showDuration(bus.startUs)}</span> after
              power-up at the earliest.{' '}
            </>
          )}
        </>
      )}
      {draws(gadget, screen, between?.[1])}
      {legible(gadget, screen)}Fonts take about{' '}
      <span className="number">{showBytes(fontMemory(gadget, screen.id))}</span>.
    </p>
  );
}
