import type { OutputKind, OutputOf } from '@hum-lever/core';
import type { ReactNode } from 'react';

/** How a kind of output is seen in hand. */
export interface Picture<K extends OutputKind> {
  Shown(props: { output: OutputOf<K> }): ReactNode;
  /** It takes the whole width, above all that does not. */
  wide: boolean;
}
