import { ActionIcon, Button, Table, VisuallyHidden } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import { countUses, limits, type Saved, type Variable } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, count, NumberField, TextField, usePlace } from '../../shared/index.ts';
import { usePlayer } from '../../workers/index.ts';
import { nowWords } from './nowWords.ts';
import { UsesMenu } from './UsesMenu.tsx';
import classes from './Flow.module.css';

type Kind = Variable['kind'];
type Fresh = Variable extends infer V ? (V extends Variable ? Omit<V, 'id'> : never) : never;

const kindWords: Record<Kind, string> = {
  number: 'number',
  flag: 'yes or no',
  choice: 'choice',
  list: 'list',
  table: 'table',
  text: 'text',
  texts: 'texts',
};

/** A word that no variable has yet. */
function freshName(variables: Variable[], stem: string): string {
  let n = 1;
  while (variables.some(({ name }) => name === `${stem}${n}`)) n += 1;
  return `${stem}${n}`;
}

/** As each kind starts out. Option ids are the document's own to give; these are free in a new choice. */
function fresh(kind: Kind, name: string, saved: Saved | null, taken: readonly string[]): Fresh {
  const free = (n: number): string => {
    let at = n;
    while (taken.includes(`q${at}`)) at += 2;
    return `q${at}`;
  };
  switch (kind) {
    case 'number':
      return { kind, name, saved, initial: 0, min: 0, max: 100, overflow: 'hold', unit: '' };
    case 'flag':
      return { kind, name, saved, initial: false };
    case 'choice': {
      const options = [
        { id: free(1), name: 'One' },
        { id: free(2), name: 'Other' },
      ];
      return { kind, name, saved, options, initialId: options[0]!.id };
    }
    case 'list':
      return { kind, name, saved, initial: 0, min: 0, max: 9, overflow: 'hold', length: 8, columns: 1 };
    case 'table':
      return { kind, name, saved: null, numbers: [1, 2, 3], columns: 1 };
    case 'text':
      return { kind, name, saved, initial: '', length: 12 };
    case 'texts':
      return { kind, name, saved, initials: ['First', 'Second'], length: 12 };
  }
}

const optionIds = (variables: readonly Variable[]) =>
  variables.flatMap((variable) => (variable.kind === 'choice' ? variable.options.map(({ id }) => id) : []));

/** What the gadget remembers, with what it is just now. */
export default function Variables() {
  const { variables } = useDocument().flow;
  const add = () =>
    edit({
      name: 'addVariable',
      args: [fresh('number', freshName(variables, 'number'), null, optionIds(variables))],
    });
  return (
    <>
      {variables.length > 0 && (
        <div className={classes.scroll}>
          <Table verticalSpacing={4}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>Name</Table.Th>
                <Table.Th>Kind</Table.Th>
                <Table.Th>Starts at</Table.Th>
                <Table.Th>Range</Table.Th>
                <Table.Th>Beyond it</Table.Th>
                <Table.Th>At power-off</Table.Th>
                <Table.Th className="right">Now</Table.Th>
                <Table.Th>Used in</Table.Th>
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
        </div>
      )}
      <Button size="compact-sm" variant="default" onClick={add} mt={6}>
        Add a variable
      </Button>
    </>
  );
}

const savedWords: Record<Saved['when'] | 'no', string> = {
  no: 'forgotten',
  change: 'kept, with each change',
  quiet: 'kept, once quiet for 2 s',
  asked: 'kept, when told to save',
};
const savedAs = (when: string): Saved | null => {
  if (when === 'no') return null;
  return when === 'quiet' ? { when, quietUs: 2_000_000 } : { when: when as 'change' | 'asked' };
};

function VariableRow({ variable }: { variable: Variable }) {
  const gadget = useDocument();
  const place = usePlace(variable.id);
  const now = usePlayer((state) => state.shown?.variables[variable.id]);
  const { variables } = gadget.flow;
  const change = (patch: object) => edit({ name: 'changeVariable', args: [variable.id, patch] });
  const uses = countUses(gadget, variable.id);
  const places = Array.isArray(now) ? now : variable.kind === 'texts' ? variable.initials : null;
  return (
    <>
      <Table.Tr {...place} data-places={places ? true : undefined}>
        <Table.Td>
          <TextField
            size="xs"
            miw={84}
            classNames={{ input: 'number' }}
            aria-label={`Name of ${variable.name}`}
            value={variable.name}
            commit={(name) => change({ name: name.trim() })}
          />
        </Table.Td>
        <Table.Td>
          <Choice
            label={`Kind of ${variable.name}`}
            data={Object.entries(kindWords).map(([value, label]) => ({ value, label }))}
            value={variable.kind}
            choose={(kind) =>
              edit({
                name: 'replaceVariable',
                args: [variable.id, fresh(kind as Kind, variable.name, variable.saved, optionIds(variables))],
              })
            }
          />
        </Table.Td>
        <Figures variable={variable} change={change} />
        <Table.Td>
          {variable.kind !== 'table' && (
            <Choice
              label={`At power-off, ${variable.name}`}
              data={Object.entries(savedWords).map(([value, label]) => ({ value, label }))}
              value={variable.saved?.when ?? 'no'}
              choose={(when) => change({ saved: savedAs(when) })}
            />
          )}
        </Table.Td>
        <Table.Td className="right number">{!places && nowWords(variable, now)}</Table.Td>
        <Table.Td>
          <UsesMenu id={variable.id} name={variable.name} />
        </Table.Td>
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
      {places && (
        <Table.Tr>
          <Table.Td colSpan={9}>
            {variable.kind === 'texts' ? (
              <Texts variable={variable} now={places} change={change} />
            ) : (
              <Places name={variable.name} values={places} />
            )}
          </Table.Td>
        </Table.Tr>
      )}
    </>
  );
}

/** A list, place by place, counted from 0. */
const Places = ({ name, values }: { name: string; values: readonly (number | string)[] }) => (
  <ol className={`number ${classes.places}`} start={0} aria-label={`Places of ${name} now`}>
    {values.map((value, place) => (
      <li key={place} title={`place ${place}`}>
        {value}
      </li>
    ))}
  </ol>
);

/** Texts as they begin, place by place, and what they are now where that is something else. */
function Texts({
  variable,
  now,
  change,
}: {
  variable: Extract<Variable, { kind: 'texts' }>;
  now: readonly (number | string)[];
  change: Change;
}) {
  const { name, initials } = variable;
  return (
    <ol className={classes.texts} start={0} aria-label={`Texts of ${name}`}>
      {initials.map((text, place) => (
        <li key={place}>
          <span className="number">{place}</span>
          <TextField
            size="xs"
            w={150}
            aria-label={`Text ${place} of ${name}`}
            value={text}
            commit={(typed) => change({ initials: initials.with(place, typed) })}
          />
          {now[place] !== undefined && now[place] !== text && (
            <span className={classes.textNow}>now “{now[place]}”</span>
          )}
          {initials.length > 1 && (
            <ActionIcon
              variant="subtle"
              size="sm"
              aria-label={`Remove text ${place} of ${name}`}
              onClick={() => change({ initials: initials.toSpliced(place, 1) })}
            >
              <IconTrash size={14} />
            </ActionIcon>
          )}
        </li>
      ))}
      <li>
        <button
          type="button"
          className={classes.add}
          aria-label={`Add a text to ${name}`}
          onClick={() => change({ initials: [...initials, ''] })}
        >
          +
        </button>
      </li>
    </ol>
  );
}

type Change = (patch: object) => string | null;

/** Numbers as they are typed: with spaces or commas between them. */
function readNumbers(typed: string): number[] | null {
  const words = typed.split(/[\s,;]+/).filter(Boolean);
  const numbers = words.map(Number);
  return words.length > 0 && numbers.every(Number.isInteger) ? numbers : null;
}

/** The numbers of a table, in one field. */
function Numbers({ variable, change }: { variable: Extract<Variable, { kind: 'table' }>; change: Change }) {
  return (
    <TextField
      size="xs"
      miw={230}
      classNames={{ input: 'number' }}
      aria-label={`Numbers of ${variable.name}`}
      value={variable.numbers.join(', ')}
      commit={(typed) => {
        const numbers = readNumbers(typed);
        return numbers
          ? change({ numbers })
          : 'Expected whole numbers with commas or spaces between them, such as 60, 62, 64.';
      }}
    />
  );
}

/** How many of its numbers stand in one row. */
const Columns = ({ variable: { name, columns }, change }: { variable: InRows; change: Change }) => (
  <NumberField
    label=""
    aria-label={`Numbers in a row of ${name}`}
    width={100}
    unit="in a row"
    min={1}
    max={limits.columns}
    value={columns}
    commit={(value) => change({ columns: value })}
  />
);
type InRows = Extract<Variable, { kind: 'list' | 'table' }>;

/** Start, range and what lies beyond it, as far as the kind has them. */
function Figures({ variable, change }: { variable: Variable; change: Change }) {
  const { name } = variable;
  if (variable.kind === 'flag')
    return (
      <>
        <Table.Td>
          <Choice
            label={`Start of ${name}`}
            data={[
              { value: 'no', label: 'no' },
              { value: 'yes', label: 'yes' },
            ]}
            value={variable.initial ? 'yes' : 'no'}
            choose={(value) => change({ initial: value === 'yes' })}
          />
        </Table.Td>
        <Table.Td colSpan={2} />
      </>
    );
  if (variable.kind === 'choice')
    return (
      <>
        <Table.Td>
          <Choice
            label={`Start of ${name}`}
            data={variable.options.map((option) => ({ value: option.id, label: option.name }))}
            value={variable.initialId}
            choose={(initialId) => change({ initialId })}
          />
        </Table.Td>
        <Table.Td colSpan={2}>
          <Options variable={variable} change={change} />
        </Table.Td>
      </>
    );
  if (variable.kind === 'table')
    return (
      <Table.Td colSpan={3}>
        <Numbers variable={variable} change={change} />
        <Columns variable={variable} change={change} />
      </Table.Td>
    );
  if (variable.kind === 'text' || variable.kind === 'texts')
    return (
      <>
        <Table.Td>
          {variable.kind === 'text' ? (
            <TextField
              size="xs"
              miw={100}
              aria-label={`Start of ${name}`}
              value={variable.initial}
              commit={(initial) => change({ initial })}
            />
          ) : (
            count(variable.initials.length, 'text')
          )}
        </Table.Td>
        <Table.Td colSpan={2}>
          <NumberField
            label=""
            aria-label={`Most characters of ${name}`}
            width={142}
            unit="characters"
            min={1}
            max={limits.textLength}
            value={variable.length}
            commit={(length) => change({ length })}
          />
        </Table.Td>
      </>
    );
  const number = (field: 'initial' | 'min' | 'max', label: string) => (
    <NumberField
      label=""
      aria-label={`${label} of ${name}`}
      width={60}
      value={variable[field]}
      commit={(value) => change({ [field]: value })}
    />
  );
  return (
    <>
      <Table.Td>
        {number('initial', 'Start')}
        {variable.kind === 'list' && (
          <NumberField
            label=""
            aria-label={`Places of ${name}`}
            width={100}
            unit="places"
            min={1}
            max={limits.cells}
            value={variable.length}
            commit={(length) => change({ length })}
          />
        )}
        {variable.kind === 'list' && <Columns variable={variable} change={change} />}
      </Table.Td>
      <Table.Td>
        <div className={classes.range}>
          {number('min', 'Minimum')}
          {number('max', 'Maximum')}
        </div>
      </Table.Td>
      <Table.Td>
        <Choice
          label={`Beyond the range of ${name}`}
          data={[
            { value: 'hold', label: 'stops' },
            { value: 'wrap', label: 'goes round' },
          ]}
          value={variable.overflow}
          choose={(overflow) => change({ overflow })}
        />
      </Table.Td>
    </>
  );
}

function Options({ variable, change }: { variable: Extract<Variable, { kind: 'choice' }>; change: Change }) {
  const { options } = variable;
  return (
    <div className={classes.options}>
      {options.map((option, at) => (
        <TextField
          key={option.id}
          size="xs"
          w={84}
          classNames={{ input: 'number' }}
          aria-label={`Option ${at + 1} of ${variable.name}`}
          value={option.name}
          commit={(name) =>
            change({
              options: options.map((one) => (one.id === option.id ? { ...one, name: name.trim() } : one)),
            })
          }
        />
      ))}
      <button
        type="button"
        className={classes.add}
        aria-label={`Add an option to ${variable.name}`}
        onClick={() => edit({ name: 'addOption', args: [variable.id, `Option${options.length + 1}`] })}
      >
        +
      </button>
    </div>
  );
}
