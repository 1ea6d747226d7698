import {
  followRegions,
  isOutputWhat,
  regionsOf,
  showExpression,
  type Expectation,
  type ExpectationResult,
  type Gadget,
  type Trial,
  type TraceEntry,
  type Visit,
} from '@hum-lever/core';
import { expectedOf } from '../../outputs/expectations.ts';
import { showMoment } from '../../shared/index.ts';
import { namesOf } from '../../words/index.ts';

/** What an expectation wants, in words. */
export function wantedWords(gadget: Gadget, what: Expectation['what']): string {
  const name = namesOf(gadget);
  if (isOutputWhat(what)) return expectedOf(what.kind).wanted(what, name(what.outputId));
  switch (what.kind) {
    case 'state':
      return `it is in ${name(what.stateId)}`;
    case 'variable':
      return `${name(what.variableId)} ${what.comparison} ${what.value}`;
    case 'condition':
      return `${showExpression(what.text, gadget)} ${what.is ? 'holds' : 'does not hold'}`;
  }
}

/** What was there instead, or when it held. */
export function cameWords(
  gadget: Gadget,
  { what }: Expectation,
  { passed, came, heldAtUs }: ExpectationResult,
): string {
  if (came === null) return 'This version has no such thing.';
  if (passed) return `Held at ${showMoment(heldAtUs!)}.`;
  const name = namesOf(gadget);
  const word = (value: string | number): string => {
    if (isOutputWhat(what)) return expectedOf(what.kind).came(value);
    if (what.kind === 'state') return name(String(value));
    if (what.kind === 'condition') return value === 0 ? 'it does not hold' : 'it holds';
    return String(value);
  };
  return `Came: ${came.map(word).join(', then ')}.`;
}

/** An id that no expectation of the trial has. */
export function freshExpectationId(expectations: readonly Expectation[]): string {
  let n = 1;
  while (expectations.some(({ id }) => id === `e${n}`)) n += 1;
  return `e${n}`;
}

/** Whole presses of a script, for drawing: from, to, and which control. */
export function pressesOf({ stimuli, endUs }: Trial): { fromUs: number; toUs: number; controlId: string }[] {
  const open = new Map<string, number>();
  const presses: { fromUs: number; toUs: number; controlId: string }[] = [];
  for (const { atUs, controlId, what } of stimuli) {
    const fromUs = open.get(controlId);
    if (what === 'down' && fromUs === undefined) open.set(controlId, atUs);
    if (what === 'up' && fromUs !== undefined) {
      presses.push({ fromUs, toUs: atUs, controlId });
      open.delete(controlId);
    }
  }
  return [...presses, ...[...open].map(([controlId, fromUs]) => ({ fromUs, toUs: endUs, controlId }))];
}

/** Where it was, region by region, outermost first; a region that was never active is not named. */
export function statesOf({ flow }: Gadget, trace: readonly TraceEntry[], endUs: number): Visit[][] {
  const regions = followRegions(flow);
  const ended = trace.flatMap((entry, index) =>
    entry.lane === 'state' ? regions.enter(entry.id, entry.atUs, index) : [],
  );
  const visits = [...ended, ...regions.close(endUs)];
  return regionsOf(flow)
    .map(({ id }) => visits.filter(({ regionId }) => regionId === id))
    .filter(({ length }) => length > 0);
}
