import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function text(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'text');
  if (outputId === undefined) return [];
  const list = gadget.flow.variables.find(({ kind }) => kind === 'list' || kind === 'table');
  const offers: Offer[] = [
    { label: 'Show text', action: { kind: 'text', outputId, row: 0, text: 'Hello' } },
    {
      label: 'Put characters at a place',
      action: { kind: 'sprite', outputId, row: '0', column: '0', text: 'O' },
    },
  ];
  if (list)
    offers.push({
      label: 'Show a list as a row',
      action: { kind: 'listRow', outputId, row: 0, variableId: list.id, glyphs: ' .#' },
    });
  return offers;
}
