import { displayGlow, type Gadget } from '@hum-lever/core';
import { firstOf, whileHere, type Offer } from '../offer.ts';
import { shownPages } from './pages.ts';

export function text(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'text');
  return outputId === undefined
    ? []
    : [...onPages(gadget, 'text'), ...inCharacters(gadget, outputId), ...ofLight(gadget, 'text')];
}

export function screen(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'screen');
  if (outputId === undefined) return [];
  return [
    ...onPages(gadget, 'screen'),
    ...(firstOf(gadget, 'text') === undefined ? inCharacters(gadget, outputId) : []),
    ...ofLight(gadget, 'screen'),
  ];
}

/** Pages of all displays of a kind. */
const onPages = (gadget: Gadget, kind: 'text' | 'screen'): Offer[] =>
  gadget.outputs
    .filter((output) => output.kind === kind)
    .flatMap(({ id }) => shownPages(gadget, id))
    .map((page) => ({
      label: `Show page ${page.name}`,
      action: { kind: 'showPage', outputId: page.outputId, pageId: page.id },
    }));

/** Of displays that give light: while a state lasts, or from now on. */
function ofLight(gadget: Gadget, kind: 'text' | 'screen'): Offer[] {
  const lit = { ...gadget, outputs: gadget.outputs.filter(({ id }) => displayGlow(gadget, id) !== null) };
  return whileHere(lit, kind, (name, outputId) => ({
    label: `${name} dimmed`,
    action: { kind: 'level', outputId, percent: '20' },
    until: { kind: 'level', outputId, percent: '100' },
  }));
}

/** What can be written where there are rows of characters. */
function inCharacters(gadget: Gadget, outputId: string): Offer[] {
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
