import type { Gadget, OutputKind } from '@hum-lever/core';
import type { Offer } from './offer.ts';
import { offers as listed } from './offers.table.ts';

type Offers = (gadget: Gadget) => Offer[];

/** By kind, in the order in which they are offered; one that is missing does not compile. */
const offers: Readonly<Record<OutputKind, Offers>> = listed;

const all: Offers = (gadget) => [...new Set(Object.values(offers))].flatMap((of) => of(gadget));

/** What can be told to the outputs that this gadget has, each as it starts out. */
export const outputOffers: Offers = (gadget) => all(gadget).filter(({ until }) => until === undefined);

/** What outputs can be told for as long as a state lasts. */
export const lastingOffers = (gadget: Gadget): Required<Offer>[] =>
  all(gadget).flatMap(({ until, ...offer }) => (until === undefined ? [] : [{ ...offer, until }]));
