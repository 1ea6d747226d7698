import { Menu } from '@mantine/core';
import { isHistory, nestingOf, type State } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { kindSigns } from './Outline.tsx';
import { useMaker } from './useMaker.ts';

/**
 * Every kind of state that can lie in one; null: on the outermost floor, where there is nothing that history could lead
 * back to, but in the states that hold others.
 */
export default function AddStateItems({
  parent,
  shown = () => undefined,
}: {
  parent: State | null;
  shown?: () => void;
}) {
  const { flow } = useDocument();
  const make = useMaker(shown);
  const nesting = nestingOf(flow);
  const inside = parent === null ? '' : ' inside';
  const next = (by: number) => `State ${flow.states.length + by}`;
  const id = parent?.id ?? null;
  const holds = (one: State) =>
    !isHistory(one) && nesting.childrenOf(one.id).some((inner) => !isHistory(inner));
  // In its own menu a state has both; here, where all are, the usual one.
  const returns =
    parent === null
      ? flow.states.filter(holds).map((home) => ({ home, kind: 'history' as const }))
      : (['history', 'deepHistory'] as const).flatMap((kind) =>
          holds(parent) ? [{ home: parent, kind }] : [],
        );
  return (
    <>
      <Menu.Item onClick={() => make({ name: 'addState', args: [next(1), id] })}>
        Add a state{inside}
      </Menu.Item>
      <Menu.Item onClick={() => make({ name: 'addParallelState', args: [next(1), [next(2), next(3)], id] })}>
        {kindSigns.parallel} Add one{inside} with regions, all at once (parallel)
      </Menu.Item>
      <Menu.Item onClick={() => make({ name: 'addState', args: ['End', id, 'final'] })}>
        {kindSigns.final} Add an end{inside} (final)
      </Menu.Item>
      {returns.map(({ home, kind }) => (
        <Menu.Item
          key={`${home.id} ${kind}`}
          onClick={() => make({ name: 'addState', args: [`Back to ${home.name}`, home.id, kind] })}
        >
          {kindSigns[kind]} Add a way back to {kind === 'history' ? 'where' : 'just where'} {home.name} was
          left ({kind === 'history' ? 'history' : 'deep history'})
        </Menu.Item>
      ))}
    </>
  );
}
