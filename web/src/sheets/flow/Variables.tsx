import { ActionIcon, Button, Table, VisuallyHidden } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import { countUses, type Variable } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { count, NumberField, TextField, usePlace } from '../../shared/index.ts';
import { usePlayer } from '../../workers/index.ts';
import classes from './Flow.module.css';

/** A word that no variable has yet. */
function freshName(variables: Variable[]): string {
  let n = 1;
  while (variables.some(({ name }) => name === `number${n}`)) n += 1;
  return `number${n}`;
}

/** The numbers that the gadget remembers, with what they are just now. */
export function Variables() {
  const { variables } = useDocument().flow;
  const add = () =>
    edit({ name: 'addVariable', args: [{ name: freshName(variables), initial: 0, min: 0, max: 100 }] });
  return (
    <details className={`card ${classes.variables}`} open={variables.length > 0 && variables.length < 6}>
      <summary>{variables.length === 0 ? 'No variables' : count(variables.length, 'variable')}</summary>
      {variables.length > 0 && (
        <Table verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Name</Table.Th>
              <Table.Th>Starts at</Table.Th>
              <Table.Th>At least</Table.Th>
              <Table.Th>At most</Table.Th>
              <Table.Th className="right">Now</Table.Th>
              <Table.Th>
                <VisuallyHidden>Remove</VisuallyHidden>
              </Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {variables.map((variable) => (
              <VariableRow key={variable.id} variable={variable} />
            ))}
          </Table.Tbody>
        </Table>
      )}
      <Button size="compact-sm" variant="default" onClick={add} mt={6}>
        Add a variable
      </Button>
    </details>
  );
}

function VariableRow({ variable }: { variable: Variable }) {
  const gadget = useDocument();
  const place = usePlace(variable.id);
  const now = usePlayer((state) => state.shown?.variables[variable.id]);
  const change = (patch: Partial<Omit<Variable, 'id'>>) =>
    edit({ name: 'changeVariable', args: [variable.id, patch] });
  const number = (field: 'initial' | 'min' | 'max', label: string) => (
    <NumberField
      label=""
      aria-label={`${label} of ${variable.name}`}
      width={104}
      value={variable[field]}
      commit={(value) => change({ [field]: value })}
    />
  );
  const uses = countUses(gadget, variable.id);
  return (
    <Table.Tr {...place}>
      <Table.Td>
        <TextField
          size="xs"
          classNames={{ input: 'number' }}
          aria-label={`Name of ${variable.name}`}
          value={variable.name}
          commit={(name) => change({ name: name.trim() })}
        />
      </Table.Td>
      <Table.Td>{number('initial', 'Start')}</Table.Td>
      <Table.Td>{number('min', 'Minimum')}</Table.Td>
      <Table.Td>{number('max', 'Maximum')}</Table.Td>
      <Table.Td className="right number">{now ?? '–'}</Table.Td>
      <Table.Td>
        <ActionIcon
          variant="subtle"
          aria-label={`Remove ${variable.name}, used in ${count(uses, 'place')}`}
          onClick={() => edit({ name: 'removeVariable', args: [variable.id] })}
        >
          <IconTrash size={17} stroke={1.7} />
        </ActionIcon>
      </Table.Td>
    </Table.Tr>
  );
}
