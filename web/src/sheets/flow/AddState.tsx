import { ActionIcon, Button, Group, Menu, TextInput } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { isHistory, nestingOf, type Edit, type State } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument, useGadget } from '../../client/index.ts';
import { showMade } from '../../shared/index.ts';
import { kindSigns } from './Outline.tsx';

/** Makes a state, and shows it. */
function useMaker(shown: () => void) {
  return (made: Edit): string | null => {
    const states = () => useGadget.getState().document!.flow.states;
    const before = states().length;
    const refused = edit(made);
    if (refused !== null) return refused;
    shown();
    showMade({ kind: 'state', id: states()[before]!.id });
    return null;
  };
}

/**
 * Every kind of state that can lie in one; null: on the outermost floor, where there is nothing that history could lead
 * back to, but in the states that hold others.
 */
export function AddStateItems({
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

/** Adds a state; beside it, the other kinds that there are. */
export function AddState({ shown }: { shown: () => void }) {
  const { flow } = useDocument();
  const make = useMaker(shown);
  return (
    <Group gap={2} wrap="nowrap">
      <Button onClick={() => make({ name: 'addState', args: [`State ${flow.states.length + 1}`] })}>
        Add a state
      </Button>
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon size="lg" aria-label="Add a state of another kind">
            <IconChevronDown size={18} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown mah={420} style={{ overflow: 'auto' }}>
          <AddStateItems parent={null} shown={shown} />
        </Menu.Dropdown>
      </Menu>
    </Group>
  );
}

/** The first state, by its name. */
export function FirstState() {
  const make = useMaker(() => undefined);
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setRefused(make({ name: 'addState', args: [name.trim() || 'State 1'] }));
      }}
    >
      <Group gap="xs" align="start">
        <TextInput
          aria-label="Name of the first state"
          placeholder="Ready"
          value={name}
          error={refused}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <Button type="submit">Add a state</Button>
      </Group>
    </form>
  );
}
