import type { Output, OutputKind } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { edit } from '../client/index.ts';
import { figures as listed } from './figures.table.ts';
import type { FiguresOf } from './figuresOf.ts';

/** One that is missing does not compile. */
const figures: { readonly [K in OutputKind]: FiguresOf<K> } = listed;

/** The fields of an output on the sheet of parts. */
export function OutputFigures({ output }: { output: Output }) {
  const Fields = figures[output.kind] as (props: {
    output: Output;
    change: (patch: Partial<Output>) => string | null;
  }) => ReactNode;
  return (
    <Fields
      output={output}
      change={(patch) => edit({ name: 'changeOutput', args: [output.id, patch as never] })}
    />
  );
}
