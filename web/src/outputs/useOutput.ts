import { outputStateOf, type OutputKind, type OutputStateOf } from '@hum-lever/core';
import { usePlayer } from '../workers/index.ts';

/** What an output is just now; undefined while nothing plays. */
export const useOutput = <K extends OutputKind>(kind: K, id: string): OutputStateOf<K> | undefined =>
  usePlayer((state) => state.shown && outputStateOf(state.shown.outputs, kind, id)) ?? undefined;
