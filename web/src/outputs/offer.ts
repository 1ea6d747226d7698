import type { Gadget, OutputAction } from '@hum-lever/core';

/** Something that can be told to an output of the gadget, as it starts out when it is chosen. */
export interface Offer {
  label: string;
  action: OutputAction;
}

/** The first output of these kinds; undefined: there is none to tell anything. */
export const firstOf = ({ outputs }: Pick<Gadget, 'outputs'>, ...kinds: string[]): string | undefined =>
  outputs.find(({ kind }) => kinds.includes(kind))?.id;
