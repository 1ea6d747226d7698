import { spiDisplay } from '../spiDisplay.ts';

export const graphicDisplaySpi = spiDisplay({
  id: 'graphic-display-spi',
  title: 'Small graphic display, SPI',
  doc: 'Monochrome pixels on a fast serial bus: more lines, a full picture in a millisecond.',
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 5_500,
    typicalUa: 9_000,
    worstUa: 25_000,
    darkUa: 1_000,
    litUa: 24_000,
    widthPx: 128,
    heightPx: 64,
    turned: 0,
    depth: 0,
    buffer: 0,
    holds: 0,
    startUs: 100_000,
    busBaud: 8_000_000,
    moveBytes: 3,
  },
  priceCents: 550,
});
