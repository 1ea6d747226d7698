import type { OutputKind, OutputOf } from '@hum-lever/core';
import type { ReactNode } from 'react';

/** What a maker can set of one output besides its name. */
export type FiguresOf<K extends OutputKind> = (props: {
  output: OutputOf<K>;
  change: (patch: Partial<Omit<OutputOf<K>, 'id' | 'kind'>>) => string | null;
}) => ReactNode;
