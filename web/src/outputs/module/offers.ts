import type { Gadget } from '@hum-lever/core';
import type { Offer } from '../offer.ts';

export function setting({ outputs }: Gadget): Offer[] {
  const first = outputs.find((one) => one.kind === 'setting');
  if (!first) return [];
  const { id: outputId, start } = first;
  return [{ label: 'Tell a module a value', action: { kind: 'give', outputId, value: String(start) } }];
}
