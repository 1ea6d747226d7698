import { outputStateOf, type OutputKind, type OutputStateOf, type Portrait } from '@hum-lever/core';
import { createContext, useContext } from 'react';
import { usePlayer } from '../workers/index.ts';

/** A gadget that nobody plays, with its outputs by id; null: the one in hand is meant. */
export const Still = createContext<Portrait | null>(null);

/** What an output is just now; undefined while nothing plays. */
export function useOutput<K extends OutputKind>(kind: K, id: string): OutputStateOf<K> | undefined {
  const still = useContext(Still);
  const playing = usePlayer(
    (state) => (still ? null : state.shown) && outputStateOf(state.shown!.outputs, kind, id),
  );
  return (still ? outputStateOf(still.outputs, kind, id) : playing) ?? undefined;
}
