import type { Gadget, OutputAction, OutputKind } from '@hum-lever/core';

/** Something that can be told to an output of the gadget, as it starts out when it is chosen. */
export interface Offer {
  label: string;
  action: OutputAction;
  /** What takes it back on leaving: it lasts for as long as a state does. */
  until?: OutputAction;
}

/** What lasts for as long as a state does, offered for each output of that kind. */
export const whileHere = (
  { outputs }: Pick<Gadget, 'outputs'>,
  kind: OutputKind,
  offer: (name: string, outputId: string) => Required<Offer>,
): Offer[] => outputs.flatMap((one) => (one.kind === kind ? [offer(one.name, one.id)] : []));

/** The first output of these kinds; undefined: there is none to tell anything. */
export const firstOf = ({ outputs }: Pick<Gadget, 'outputs'>, ...kinds: string[]): string | undefined =>
  outputs.find(({ kind }) => kinds.includes(kind))?.id;
