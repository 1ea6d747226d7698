import type { OutputKind, OutputState } from '@hum-lever/core';
import type { Voice, VoicesOf } from './voice.ts';
import { voices as listed } from './voices.table.ts';

const voices = listed as { readonly [K in OutputKind]?: VoicesOf<K> };

/** All that sounds of these outputs, by output and voice. */
export function voicesOf(outputs: readonly (readonly [string, OutputState])[]): Record<string, Voice> {
  return Object.fromEntries(
    outputs.flatMap(([id, state]) => {
      const of = voices[state.kind] as ((state: OutputState) => Readonly<Record<string, Voice>>) | undefined;
      return Object.entries(of?.(state) ?? {}).map(([key, voice]) => [`${id} ${key}`, voice]);
    }),
  );
}
