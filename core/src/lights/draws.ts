import type { Gadget } from '../gadget/index.ts';
import { partOf } from '../gadget/index.ts';
import { figuresOf } from '../parts/index.ts';
import { channelsOf, type Rgb } from './colours.ts';

/** How much of full white a colour is, from 0 to 1: each channel its third. */
const shareOf = (colour: Rgb): number => channelsOf(colour).reduce((sum, one) => sum + one, 0) / (3 * 255);
/** A light made in one colour is as bright as the brightest channel that it is told. */
const levelOf = (colour: Rgb): number => Math.max(...channelsOf(colour)) / 255;

/**
 * What lights by number draw while they show that, µA on average; null: it is not known of their part. Those with chips
 * draw at rest, too; of those lit line by line, each has its share of the time. Source: reckoning, Electric; Lights by
 * number.
 */
export function lightsUa(
  gadget: Pick<Gadget, 'parts'>,
  outputId: string,
  colours: readonly Rgb[],
): number | null {
  const part = partOf(gadget, outputId);
  if (!part) return null;
  const { idleUa, eachUa, peakUa, rows, lines } = figuresOf(part);
  if (idleUa !== undefined && eachUa !== undefined)
    return Math.round(colours.reduce((sum, colour) => sum + idleUa + eachUa * shareOf(colour), 0));
  const turns = rows ?? (lines === undefined ? undefined : lines * (lines - 1));
  if (peakUa === undefined || turns === undefined) return null;
  return Math.round((peakUa * colours.reduce((sum, colour) => sum + levelOf(colour), 0)) / turns);
}
