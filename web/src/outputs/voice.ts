import type { OutputKind, OutputStateOf } from '@hum-lever/core';

/** Something that sounds just now. */
export interface Voice {
  hz: number;
  wave: OscillatorType;
  /** 1: as loud as a sounder. */
  loudness: number;
}

/** What an output sounds like, by a key of each voice; what goes on has the same key. */
export type VoicesOf<K extends OutputKind> = (state: OutputStateOf<K>) => Readonly<Record<string, Voice>>;
