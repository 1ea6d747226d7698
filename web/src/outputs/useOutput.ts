import { outputStateOf, type OutputKind, type OutputState, type OutputStateOf } from '@hum-lever/core';
import { createContext, useContext } from 'react';
import { usePlayer } from '../workers/index.ts';

/** Outputs as they are shown in a picture that nobody plays, by id; null: those of the gadget in hand. */
export const Still = createContext<Readonly<Record<string, OutputState>> | null>(null);

/** What an output is just now; undefined while nothing plays. */
export function useOutput<K extends OutputKind>(kind: K, id: string): OutputStateOf<K> | undefined {
  const still = useContext(Still);
  const playing = usePlayer(
    (state) => (still ? null : state.shown) && outputStateOf(state.shown!.outputs, kind, id),
  );
  return (still ? outputStateOf(still, kind, id) : playing) ?? undefined;
}
