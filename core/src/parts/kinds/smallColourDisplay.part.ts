import { spiDisplay } from '../spiDisplay.ts';

export const smallColourDisplay = spiDisplay({
  id: 'small-colour-display',
  title: 'Small colour display, SPI',
  doc: 'Colours of 16 bits a pixel on a fast serial bus: a full picture takes tens of milliseconds, and a buffer for it is larger than the memory of small boards; drawn a tile at a time it needs little.',
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 3_600,
    typicalUa: 30_000,
    worstUa: 60_000,
    darkUa: 8_000,
    litUa: 40_000,
    backlight: 0,
    widthPx: 160,
    heightPx: 128,
    turned: 0,
    depth: 3,
    buffer: 1,
    holds: 0,
    startUs: 150_000,
    busBaud: 16_000_000,
    moveBytes: 11,
  },
  priceCents: 720,
});
