import * as z from 'zod';
import {
  ownPartId,
  powerEnd,
  signal,
  type Bus,
  type BusLine,
  type OwnClass,
  type Terminal,
  ownEndKind,
} from '../gadget/index.ts';
import {
  aModule,
  drawsNothing,
  hz,
  listens,
  noSupply,
  ohms,
  supplied,
  type Figures,
  type PartKind,
} from './kind.ts';

const busOf: Readonly<Record<BusLine, Bus>> = {
  sda: 'i2c', scl: 'i2c', mosi: 'spi', miso: 'spi', sck: 'spi', tx: 'uart', rx: 'uart',
  bclk: 'i2s', ws: 'i2s', dout: 'i2s',
}; // prettier-ignore
const isBusLine = (need: string): need is BusLine => Object.hasOwn(busOf, need);
const driven = new Set(['in', 'edge', 'wake', 'miso', 'rx']);
const heard = new Set([
  'out',
  'pwm',
  'tone',
  'servo',
  'mosi',
  'sck',
  'tx',
  'bclk',
  'ws',
  'dout',
  'sda',
  'scl',
]);

const addressOf = (choices: readonly number[]) =>
  z
    .number()
    .refine((value) => choices.includes(value), `expected one of ${choices.join(', ')}`)
    .meta({ label: 'Bus address', unit: '' });

/** A line: what the board reads of it drives its pin, what the board writes it has to hear as high. */
function lineEnd({ name, need, maxUa }: OwnClass['lines'][number], baud: number): Terminal {
  return signal(name, isBusLine(need) ? { bus: busOf[need], line: need, baud } : need, {
    maxUa,
    drives: driven.has(need),
    ...(heard.has(need) && listens),
  });
}

/** Made once for each class of a document: documents never change. */
const made = new WeakMap<OwnClass, PartKind>();

/** The class as the catalogue would have it. Its figures are those that the rest of it asks for. */
export function ownKind(own: OwnClass): PartKind {
  const known = made.get(own);
  if (known) return known;
  const { supply, address, lines } = own;
  const bused = lines.some(({ need }) => isBusLine(need));
  const shape: Record<string, z.ZodType<number>> = {
    ...(supply && supplied),
    ...(address && { address: addressOf(address.choices) }),
    ...(bused && { busBaud: hz('Bus speed') }),
    ...(address && { busPullOhms: ohms('Pull-ups on the module (0: none)') }),
  };
  const defaults: Figures = {
    ...(supply && {
      supplyMinMv: supply.minMv,
      supplyMaxMv: supply.maxMv,
      typicalUa: supply.typicalUa,
      worstUa: supply.worstUa,
    }),
    ...(address && { address: address.usual }),
    ...(bused && { busBaud: own.busBaud }),
    ...(address && { busPullOhms: own.busPullOhms }),
  };
  const kind: PartKind = {
    id: ownPartId,
    title: own.title,
    doc: own.doc,
    group: 'own',
    figures: z.strictObject(shape) as unknown as PartKind['figures'],
    defaults,
    priceCents: own.priceCents,
    plays: () => own.plays.map(ownEndKind),
    terminals: (figures) => [
      ...lines.map((line) => lineEnd(line, figures.busBaud ?? 0)),
      ...(supply
        ? [powerEnd('plus', 'supply', figures.worstUa), powerEnd('minus', 'ground', figures.worstUa)]
        : []),
    ],
    draws: supply ? (figures) => aModule.draws(figures as never) : drawsNothing,
    supply: supply ? (figures) => aModule.supply(figures as never) : noSupply,
    ...(address && {
      address: (figures: Figures) => figures.address!,
      addresses: address.choices,
      busPullOhms: (figures: Figures) => figures.busPullOhms!,
    }),
  };
  made.set(own, kind);
  return kind;
}
