import {
  outputStateOf,
  type Gadget,
  type OutputKind,
  type OutputStateOf,
  type Portrait,
} from '@hum-lever/core';
import { createContext, useContext } from 'react';
import { useGadget } from '../client/index.ts';
import { usePlayer } from '../workers/index.ts';

/** A gadget that nobody plays, with its outputs by id; null: the one in hand is meant. */
export const Still = createContext<Portrait | null>(null);

const none: Gadget['pictures'] = [];
/** The pictures that displays draw from. */
export function usePictures(): Gadget['pictures'] {
  const still = useContext(Still);
  const open = useGadget(({ document }) => document?.pictures);
  return still?.gadget.pictures ?? open ?? none;
}

/** What an output is just now; undefined while nothing plays. */
export function useOutput<K extends OutputKind>(kind: K, id: string): OutputStateOf<K> | undefined {
  const still = useContext(Still);
  const playing = usePlayer(
    (state) => (still ? null : state.shown) && outputStateOf(state.shown!.outputs, kind, id),
  );
  return (still ? outputStateOf(still.outputs, kind, id) : playing) ?? undefined;
}
