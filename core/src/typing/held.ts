import type { OutputOrder } from '../flow/index.ts';
import { allActions, type Gadget } from '../gadget/index.ts';

/** A key of a computer. */
export interface HeldKey {
  outputId: string;
  key: string;
}

/** Bits of one number; whoever presses more keys of a computer down is not followed in all of them. */
const mostKeys = 31;

/** Keys that some action presses down, each with its bit in a walk, and what orders make of those bits. */
export function heldKeys(gadget: Gadget): {
  keys: readonly HeldKey[];
  after(bits: number, outputId: string, order: OutputOrder): number;
} {
  const bitOf = new Map<string, number>();
  const keys: HeldKey[] = [];
  for (const action of allActions(gadget)) {
    if (action.kind !== 'key' || action.how !== 'down') continue;
    const { outputId, key } = action;
    if (bitOf.has(`${outputId} ${key}`) || keys.length >= mostKeys) continue;
    bitOf.set(`${outputId} ${key}`, keys.length);
    keys.push({ outputId, key });
  }
  const all = (outputId: string) =>
    keys.reduce((mask, one, bit) => (one.outputId === outputId ? mask | (1 << bit) : mask), 0);
  return {
    keys,
    after(bits, outputId, order) {
      if (order.kind === 'keysUp') return bits & ~all(outputId);
      // A tap leaves a key as it was: up, or held by something else.
      if (order.kind !== 'key' || order.how === 'tap') return bits;
      const bit = bitOf.get(`${outputId} ${order.key}`);
      if (bit === undefined) return bits;
      return order.how === 'down' ? bits | (1 << bit) : bits & ~(1 << bit);
    },
  };
}
