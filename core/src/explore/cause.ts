import { allRules, type Gadget, type Place } from '../gadget/index.ts';
import type { Cause } from '../kernel/index.ts';
import type { TraceEntry } from '../machine/index.ts';

/** Where in the document it is. */
export function placeOfCause(gadget: Gadget, { kind, id }: Cause): Place {
  if (kind === 'control') return { kind: 'control', id };
  if (kind === 'rule') return { kind: 'rule', id };
  const waits = allRules(gadget).find(
    ({ rule: { trigger } }) =>
      (trigger.kind === 'timer' && trigger.timerId === id) ||
      (trigger.kind === 'signal' && trigger.signalId === id),
  );
  if (waits) return { kind: 'rule', id: waits.rule.id };
  const [control] = gadget.controls;
  return control ? { kind: 'control', id: control.id } : { kind: 'state', id: gadget.flow.initialId ?? '' };
}

/** What keeps it busy, for people: its name and, of a rule, its state's name and its place there from 1. */
export function causeValues(
  gadget: Gadget,
  { kind, id }: Cause,
): { cause: string; name: string; number: number } {
  const { flow, controls } = gadget;
  if (kind === 'rule') {
    const found = allRules(gadget).find(({ rule }) => rule.id === id);
    return {
      cause: kind,
      name: found?.state.name ?? '',
      number: found ? found.state.rules.indexOf(found.rule) + 1 : 0,
    };
  }
  const named = [...controls, ...flow.timers, ...flow.signals].find((one) => one.id === id);
  return { cause: kind, name: named?.name ?? '', number: 0 };
}

function keyOf(entry: TraceEntry): string | null {
  if (entry.lane === 'rule' || entry.lane === 'signal') return `${entry.lane} ${entry.id}`;
  const byHand = entry.lane === 'value' || entry.lane === 'contact' || entry.lane === 'channel';
  return byHand ? `control ${entry.id}` : null;
}

/** Counts what keeps a gadget busy, by kind and id, as the kernel does when it has to. */
export function countCauses(trace: readonly TraceEntry[], into: Record<string, number>): void {
  for (const entry of trace) {
    const key = keyOf(entry);
    if (key !== null) into[key] = (into[key] ?? 0) + 1;
  }
}
