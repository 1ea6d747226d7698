import type { Gadget, OutputKind } from '@hum-lever/core';
import { light } from './light/offers.ts';
import { lights } from './lights/offers.ts';
import { midi } from './midi/offers.ts';
import { moved } from './motion/offers.ts';
import type { Offer } from './offer.ts';
import { text } from './screen/offers.ts';
import { tone } from './sound/offers.ts';
import { line } from './switching/offers.ts';
import { typist } from './typing/offers.ts';

type Offers = (gadget: Gadget) => Offer[];

/** By kind, in the order in which they are offered; a kind that is missing here fails to compile. */
const offers: Readonly<Record<OutputKind, Offers>> = {
  light,
  lights,
  text,
  tone,
  midi,
  line,
  typist,
  servo: moved,
  // The same words as a servo's.
  motor: moved,
};

/** What can be told to the outputs that this gadget has, each as it starts out. */
export const outputOffers: Offers = (gadget) =>
  [...new Set(Object.values(offers))].flatMap((of) => of(gadget));
