import { figuresOf, kindOf, partOf, type Gadget } from '@hum-lever/core';

/** How long two rows of sixteen take over the bus of a display of characters, µs; null: not known. */
export function rowsUs(gadget: Pick<Gadget, 'parts'>, outputId: string): number | null {
  const part = partOf(gadget, outputId);
  return (
    (part &&
      kindOf(part)
        .readings?.(figuresOf(part))
        .find(({ id }) => id === 'rows')?.value) ??
    null
  );
}
