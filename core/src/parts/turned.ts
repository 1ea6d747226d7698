import { partOf, tapers, type Gadget, type Taper } from '../gadget/index.ts';
import { figuresOf } from './catalogue.ts';

/** What the part of an encoder says about it. */
export interface EncoderPart {
  detents: number;
  countsPerDetent: number;
  /** Each edge is seen at once, not only at the turns of the loop. */
  interrupts: boolean;
}

const figuresFor = (gadget: Pick<Gadget, 'parts'>, endId: string) => {
  const part = partOf(gadget, endId);
  return part ? figuresOf(part) : {};
};

export function encoderPart(gadget: Pick<Gadget, 'parts'>, encoderId: string): EncoderPart {
  const { detents = 24, countsPerDetent = 4, interrupts = 0 } = figuresFor(gadget, encoderId);
  return { detents, countsPerDetent, interrupts: interrupts === 1 };
}

/** How the track of that knob's part runs; sensors count as even. */
export function taperOf(gadget: Pick<Gadget, 'parts'>, knobId: string): Taper {
  return tapers[figuresFor(gadget, knobId).taper ?? 0] ?? 'linear';
}
