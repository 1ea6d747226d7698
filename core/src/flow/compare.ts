import type { Gadget } from '../gadget/index.ts';
import { gridOf, type GridCell } from './grid.ts';
import { stateLabels } from './labels.ts';
import { showAnswer, showOneTrigger, showRule } from './line/rule.ts';

/** A difference in what a gadget does, in words that mean the same in both. */
export type FlowChange =
  | { kind: 'added' | 'removed'; state: string }
  /** What a state makes of an event. '' where nothing answers. */
  | { kind: 'cell'; state: string; event: string; before: string; after: string }
  /** Rules that the grid does not show: timers, and what needs no event. */
  | { kind: 'rule'; state: string; before: string; after: string }
  /** What is done on entering or leaving. */
  | { kind: 'entry' | 'exit'; state: string };

const cellWords = (gadget: Gadget, { answers, ignoredBy }: GridCell): string =>
  answers.length > 0
    ? answers.map(({ rule }) => showAnswer(rule, gadget)).join(' | ')
    : ignoredBy
      ? 'ignored on purpose'
      : '';

/** States by what they are called, with their cells by event, their other rules, and what is done in them. */
function said(gadget: Gadget) {
  const { events, rows } = gridOf(gadget);
  const labels = stateLabels(gadget);
  return new Map(
    rows.map(({ state, cells }) => {
      const words = (list: typeof state.entry) =>
        list.length === 0
          ? ''
          : showRule(
              { trigger: { kind: 'always' }, guard: null, actions: list, targetIds: [], internal: false },
              gadget,
            );
      return [
        labels.get(state.id)!,
        {
          cells: new Map(
            events.map((trigger, at) => [showOneTrigger(trigger, gadget), cellWords(gadget, cells[at]!)]),
          ),
          others: state.rules
            .filter(({ trigger: { kind } }) => kind === 'after' || kind === 'every' || kind === 'always')
            .map((rule) => showRule(rule, gadget)),
          entry: words(state.entry),
          exit: words(state.exit),
        },
      ];
    }),
  );
}

/** What changed in behaviour between two revisions, states matched by what they are called. */
export function compareFlows(before: Gadget, after: Gadget): FlowChange[] {
  const [old, now] = [said(before), said(after)];
  const changes: FlowChange[] = [];
  for (const state of old.keys()) if (!now.has(state)) changes.push({ kind: 'removed', state });
  for (const [state, is] of now) {
    const was = old.get(state);
    if (!was) {
      changes.push({ kind: 'added', state });
      continue;
    }
    for (const event of new Set([...was.cells.keys(), ...is.cells.keys()])) {
      const [from, to] = [was.cells.get(event) ?? '', is.cells.get(event) ?? ''];
      if (from !== to) changes.push({ kind: 'cell', state, event, before: from, after: to });
    }
    const gone = was.others.filter((rule) => !is.others.includes(rule));
    const come = is.others.filter((rule) => !was.others.includes(rule));
    for (let at = 0; at < Math.max(gone.length, come.length); at += 1)
      changes.push({ kind: 'rule', state, before: gone[at] ?? '', after: come[at] ?? '' });
    if (was.entry !== is.entry) changes.push({ kind: 'entry', state });
    if (was.exit !== is.exit) changes.push({ kind: 'exit', state });
  }
  return changes;
}
