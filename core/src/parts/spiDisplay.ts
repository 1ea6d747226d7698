import * as z from 'zod';
import { signal } from '../gadget/index.ts';
import {
  aModule,
  backlightEnds,
  backlightFigures,
  backlit,
  definePart,
  hz,
  lightFigures,
  listens,
  powerEnds,
  serialBus,
  supplied,
  type DisplayBus,
  type PartKind,
  type Pixels,
} from './kind.ts';
import { bufferBytes, ownLight, pictureReadings, pixelBus, pixelFigures, serialUs } from './redraw.ts';

interface Spi extends Pixels {
  darkUa: number;
  litUa: number;
  /** Of a light behind it: how it is told; pixels that glow by themselves have none. */
  backlight?: number;
  supplyMinMv: number;
  supplyMaxMv: number;
  typicalUa: number;
  worstUa: number;
  busBaud: number;
  moveBytes: number;
  startUs: number;
}
const bus = (figures: Spi): DisplayBus => pixelBus(figures, (bytes) => serialUs(bytes, figures.busBaud));

/** A display of pixels on a fast serial bus: classes of it differ by their typical figures. */
export const spiDisplay = (one: {
  id: string;
  title: string;
  doc: string;
  defaults: Spi & Record<string, number>;
  priceCents: number;
}): PartKind => {
  const behind = 'backlight' in one.defaults;
  const backlightOf = ({ darkUa, litUa, backlight = 0 }: Spi) => ({ darkUa, litUa, backlight });
  return definePart({
    ...one,
    group: 'displays',
    figures: z.strictObject({
      ...supplied,
      ...pixelFigures,
      ...(behind ? backlightFigures : lightFigures),
      busBaud: hz('Bus speed'),
    }) as unknown as z.ZodType<Spi & Record<string, number>> & { shape: Record<string, z.ZodType> },
    plays: () => ['screen'],
    terminals: (figures) => [
      ...serialBus(figures.busBaud, ['mosi', 'sck']),
      signal('select', 'out', listens),
      signal('mode', 'out', listens),
      signal('reset', 'out', listens),
      ...(behind ? backlightEnds(backlightOf(figures)) : []),
      ...powerEnds(figures),
    ],
    glow: (figures) => (behind ? backlit(backlightOf(figures)) : ownLight(figures)),
    ...aModule,
    bus,
    readings: (figures) => pictureReadings(bus(figures)),
    memory: (figures) => ({ ram: bufferBytes(figures), flash: 2_200 }),
  });
};
