import type { OutputKind, OutputWhatOf } from '@hum-lever/core';
import type { ReactNode } from 'react';

/** How a trial's expectation of one kind of output begins and is told. */
export interface Expected<K extends OutputKind> {
  /** As it starts out when it is chosen. */
  fresh(outputId: string): OutputWhatOf<K>;
  /** In words. @param name of the output */
  wanted(what: OutputWhatOf<K>, name: string): string;
  /** What was there instead. */
  came(value: string | number): string;
}

/** The same behind the output's name, as slots. */
export type ExpectationSlots<K extends OutputKind> = (props: {
  what: OutputWhatOf<K>;
  put: (what: OutputWhatOf<K>) => null;
}) => ReactNode;

/** A text that was there; nothing may have been. */
export const cameText = (value: string | number): string => (value === '' ? '(blank)' : String(value));
