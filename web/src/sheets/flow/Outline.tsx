import { nestingOf, type State, type StateKind } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { goTo } from '../../shared/index.ts';
import { useIsActive } from './lastRule.ts';
import classes from './Flow.module.css';

/** A sign before the name for what kind of state it is; plain ones have none. */
export const kindSigns: Record<StateKind, string> = {
  plain: '',
  parallel: '∥',
  final: '◉',
  history: '↺',
  deepHistory: '↺↺',
};
export const kindWords: Record<StateKind, string> = {
  plain: 'one state at a time (plain)',
  parallel: 'all at once, side by side (parallel)',
  final: 'the end of what it lies in (final)',
  history: 'back to the state that was left (history)',
  deepHistory: 'back to just where it was left (deep history)',
};

/** All states as they lie in one another, always in view: those in hand lit, each leading to its card. */
export function Outline({ shown }: { shown: (state: State) => boolean }) {
  const { flow } = useDocument();
  const rows = useMemo(() => {
    const nesting = nestingOf(flow);
    return nesting.ordered.map((state) => ({ state, depth: nesting.ancestorsOf(state.id).length }));
  }, [flow]);
  return (
    <nav className={classes.outline} aria-label="States">
      {rows
        .filter(({ state }) => shown(state))
        .map(({ state, depth }) => (
          <Row key={state.id} state={state} depth={depth} />
        ))}
    </nav>
  );
}

function Row({ state: { id, name, kind, rules }, depth }: { state: State; depth: number }) {
  const active = useIsActive(id);
  return (
    <button
      type="button"
      style={{ paddingLeft: 8 + depth * 12 }}
      aria-current={active || undefined}
      title={kind === 'plain' ? name : `${name}: ${kindWords[kind]}`}
      onClick={() => goTo({ kind: 'state', id })}
    >
      <span className={classes.outlineName}>
        {kindSigns[kind]} {name}
      </span>
      {rules.length > 0 && <span className="number">{rules.length}</span>}
    </button>
  );
}
