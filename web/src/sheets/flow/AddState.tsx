import { ActionIcon, Button, Group, Menu, TextInput } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { Suspense, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { onDemand } from '../../shared/index.ts';
import { useMaker } from './useMaker.ts';

const AddStateItems = onDemand(() => import('./AddStateItems.tsx'));

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
          <Suspense>
            <AddStateItems parent={null} shown={shown} />
          </Suspense>
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
