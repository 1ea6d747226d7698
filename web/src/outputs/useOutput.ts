import {
  outputStateOf,
  stockOf,
  type Gadget,
  type OutputKind,
  type OutputStateOf,
  type Portrait,
  type Stock,
} from '@hum-lever/core';
import { createContext, useContext } from 'react';
import { useGadget } from '../client/index.ts';
import { usePlayer } from '../workers/index.ts';

/** A gadget that nobody plays, with its outputs by id; null: the one in hand is meant. */
export const Still = createContext<Portrait | null>(null);

const none: Pick<Gadget, 'pictures' | 'fonts'> = { pictures: [], fonts: [] };
/** The pictures and fonts that displays draw with. */
export function useStock(): Stock {
  const still = useContext(Still);
  const pictures = useGadget(({ document }) => document?.pictures);
  const fonts = useGadget(({ document }) => document?.fonts);
  return stockOf(still?.gadget ?? (pictures && fonts ? { pictures, fonts } : none));
}

/** What an output is just now; undefined while nothing plays. */
export function useOutput<K extends OutputKind>(kind: K, id: string): OutputStateOf<K> | undefined {
  const still = useContext(Still);
  const playing = usePlayer(
    (state) => (still ? null : state.shown) && outputStateOf(state.shown!.outputs, kind, id),
  );
  return (still ? outputStateOf(still.outputs, kind, id) : playing) ?? undefined;
}
