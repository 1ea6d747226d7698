import type { OutputActionKind, OutputActionOf } from '@hum-lever/core';
import type { ReactNode } from 'react';

/** What is told to outputs, as sentences with slots, by the kind of action. */
export type SlotsBy<K extends OutputActionKind> = {
  readonly [N in K]: (props: {
    action: OutputActionOf<N>;
    put: (action: OutputActionOf<N>) => string | null;
  }) => ReactNode;
};
