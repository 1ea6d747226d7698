import { rgbOf, type Rgb } from './colours.ts';
import type { Paint } from '../gadget/index.ts';

/** Kinds of colour blindness: without the cones for long, for middle, for short waves. */
export const visions = ['protanopia', 'deuteranopia', 'tritanopia'] as const;
export type Vision = (typeof visions)[number];

/**
 * What red, green and blue light comes to for an eye of each kind, channel by channel. Source: the usual simulation of
 * dichromats by projection along the missing cone's axis, as published in 1997 and 1999; for light in equal steps of
 * its strength, as lights give it.
 */
const seenAs: Readonly<Record<Vision, readonly (readonly [number, number, number])[]>> = {
  protanopia: [
    [0.112_38, 0.887_62, 0],
    [0.112_38, 0.887_62, 0],
    [0.004_01, -0.004_01, 1],
  ],
  deuteranopia: [
    [0.292_75, 0.707_25, 0],
    [0.292_75, 0.707_25, 0],
    [-0.022_34, 0.022_34, 1],
  ],
  tritanopia: [
    [1, 0.144_61, -0.144_61],
    [0, 0.859_24, 0.140_76],
    [0, 0.859_24, 0.140_76],
  ],
};

type Light = readonly [number, number, number];

const lightOf = (colour: Rgb): Light => [(colour >> 16) & 255, (colour >> 8) & 255, colour & 255];

function throughEye([red, green, blue]: Light, vision: Vision): Light {
  const [r, g, b] = seenAs[vision].map(([ofRed, ofGreen, ofBlue]) =>
    Math.min(255, Math.max(0, ofRed * red + ofGreen * green + ofBlue * blue)),
  );
  return [r!, g!, b!];
}

/** The colour that comes nearest to what an eye of that kind sees. */
export function seenBy(colour: Rgb, vision: Vision): Rgb {
  const [red, green, blue] = throughEye(lightOf(colour), vision).map(Math.round);
  return (red! << 16) | (green! << 8) | blue!;
}

/** As bright as it can be: nobody tells two lights apart by how bright each is alone. */
function full(light: Light): Light {
  const most = Math.max(...light);
  const [r, g, b] = light.map((one) => (most === 0 ? 0 : one / most));
  return [r!, g!, b!];
}

/** How far two full colours are apart at most, channels from 0 to 1, for eyes that take them for the same. */
const mostApart = 0.25;

/** Which eyes take two colours for one, when they see them one at a time. */
export function alikeFor(one: Paint, other: Paint): Vision[] {
  return visions.filter((vision) => {
    const [a, b] = [one, other].map((paint) => full(throughEye(lightOf(rgbOf(paint)), vision)));
    const apart = a!.reduce((sum, channel, n) => sum + (channel - b![n]!) ** 2, 0);
    return apart <= mostApart ** 2;
  });
}
