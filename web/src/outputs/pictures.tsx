import type { Output, OutputKind } from '@hum-lever/core';
import type { ReactNode } from 'react';
import type { Picture } from './picture.ts';
import { pictures as listed } from './pictures.table.ts';

/** Every kind has its picture in hand, in this order; one that is missing does not compile. */
const pictures: { readonly [K in OutputKind]: Picture<K> } = listed;

/** Outputs in hand, kind by kind. @param across those that take the whole width, or all others */
export function Pictures({ outputs, across }: { outputs: readonly Output[]; across: boolean }) {
  const kinds = (Object.keys(pictures) as OutputKind[]).filter((kind) => pictures[kind].wide === across);
  return kinds.flatMap((kind) => {
    const Shown = pictures[kind].Shown as (props: { output: Output }) => ReactNode;
    return outputs.flatMap((output) =>
      output.kind === kind ? [<Shown key={output.id} output={output} />] : [],
    );
  });
}
