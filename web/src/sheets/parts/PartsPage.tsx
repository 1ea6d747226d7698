import { ActionIcon, Button, Menu, Table, TextInput, VisuallyHidden } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import {
  countUses,
  lightColours,
  type Button as ButtonPart,
  type Edit,
  type Light,
  type Output,
  type TextDisplay,
  type Tone,
} from '@hum-lever/core';
import type { ReactNode } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import {
  Choice,
  count,
  FirstStep,
  keyName,
  NumberField,
  SheetFrame,
  StageIcon,
  TextField,
  usePlace,
  type Stage,
} from '../../shared/index.ts';
import { addable } from './fresh.ts';
import classes from './Parts.module.css';

/** Controls and outputs: add, edit, remove. */
export function PartsPage() {
  const gadget = useDocument();
  const { controls, outputs } = gadget;
  const empty = controls.length + outputs.length === 0;
  return (
    <SheetFrame title="Parts" about="What the hand works, and what answers it." tools={!empty && <AddMenu />}>
      {empty ? (
        <FirstStep action={<AddMenu />}>
          Begin with one button and one light: enough to press something and see an answer. Every part shows
          up in hand at once.
        </FirstStep>
      ) : (
        <Table className={classes.table!} verticalSpacing="xs">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Part</Table.Th>
              <Table.Th>Name</Table.Th>
              <Table.Th>Its own</Table.Th>
              <Table.Th className="right">Used</Table.Th>
              <Table.Th>
                <VisuallyHidden>Remove</VisuallyHidden>
              </Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {controls.map((control) => (
              <ButtonRow key={control.id} control={control} />
            ))}
            {outputs.map((output) => (
              <OutputRow key={output.id} output={output} />
            ))}
          </Table.Tbody>
        </Table>
      )}
    </SheetFrame>
  );
}

function AddMenu() {
  const gadget = useDocument();
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <Button>Add a part</Button>
      </Menu.Target>
      <Menu.Dropdown>
        {addable(gadget).map(({ word, edit: addition }) => (
          <Menu.Item key={word} onClick={() => edit(addition)}>
            {word}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

interface PartRowProps {
  id: string;
  name: string;
  word: string;
  stage: Stage;
  rename: (name: string) => string | null;
  removal: Edit;
  children: ReactNode;
}

function PartRow({ id, name, word, stage, rename, removal, children }: PartRowProps) {
  const place = usePlace(id);
  const uses = countUses(useDocument(), id);
  return (
    <Table.Tr {...place}>
      <Table.Td>
        <span className={classes.kind}>
          <StageIcon stage={stage} />
          {word}
        </span>
      </Table.Td>
      <Table.Td>
        <TextField
          size="xs"
          aria-label={`Name of ${name}`}
          value={name}
          commit={(typed) => rename(typed.trim())}
        />
      </Table.Td>
      <Table.Td>
        <div className={classes.own}>{children}</div>
      </Table.Td>
      <Table.Td className="right">{count(uses, 'place')}</Table.Td>
      <Table.Td>
        <ActionIcon
          variant="subtle"
          aria-label={`Remove ${name}${uses > 0 ? `, with its ${count(uses, 'use')}` : ''}`}
          onClick={() => edit(removal)}
        >
          <IconTrash size={18} stroke={1.7} />
        </ActionIcon>
      </Table.Td>
    </Table.Tr>
  );
}

function ButtonRow({ control }: { control: ButtonPart }) {
  const change = (patch: Partial<Omit<ButtonPart, 'id' | 'kind'>>) =>
    edit({ name: 'changeControl', args: [control.id, patch] });
  return (
    <PartRow
      id={control.id}
      name={control.name}
      word="Push button"
      stage="contact"
      rename={(name) => change({ name })}
      removal={{ name: 'removeControl', args: [control.id] }}
    >
      <KeyField value={control.key} name={control.name} commit={(key) => change({ key })} />
    </PartRow>
  );
}

/** Takes the next key that is pressed as the key that plays the control. */
function KeyField({
  value,
  name,
  commit,
}: {
  value: string | null;
  name: string;
  commit: (key: string | null) => string | null;
}) {
  return (
    <label className={classes.keyField}>
      Played by
      <TextInput
        size="xs"
        w={110}
        aria-label={`Key that plays ${name}`}
        value={value === null ? '' : keyName(value)}
        placeholder="press a key"
        readOnly
        classNames={{ input: 'number' }}
        onKeyDown={(event) => {
          if (event.key === 'Tab' || event.ctrlKey || event.metaKey) return;
          event.preventDefault();
          commit(event.key === 'Delete' || event.key === 'Backspace' ? null : event.code);
        }}
      />
    </label>
  );
}

type PatchOutput = (patch: Extract<Edit, { name: 'changeOutput' }>['args'][1]) => string | null;

function OutputRow({ output }: { output: Output }) {
  const words: Record<Output['kind'], string> = {
    light: 'Light',
    text: 'Character display',
    tone: 'Piezo sounder',
  };
  const change: PatchOutput = (patch) => edit({ name: 'changeOutput', args: [output.id, patch] });
  return (
    <PartRow
      id={output.id}
      name={output.name}
      word={words[output.kind]}
      stage="output"
      rename={(name) => change({ name })}
      removal={{ name: 'removeOutput', args: [output.id] }}
    >
      {output.kind === 'light' && <LightFields light={output} change={change} />}
      {output.kind === 'text' && <DisplayFields display={output} change={change} />}
      {output.kind === 'tone' && <ToneFields tone={output} change={change} />}
    </PartRow>
  );
}

function LightFields({ light, change }: { light: Light; change: PatchOutput }) {
  return (
    <Choice
      label={`Colour of ${light.name}`}
      data={[...lightColours]}
      value={light.colour}
      choose={(chosen) => change({ colour: chosen })}
    />
  );
}

function DisplayFields({ display, change }: { display: TextDisplay; change: PatchOutput }) {
  return (
    <>
      <NumberField
        label=""
        aria-label="Columns"
        unit="columns"
        min={1}
        max={80}
        value={display.columns}
        commit={(columns) => change({ columns })}
      />
      <NumberField
        label=""
        aria-label="Rows"
        unit="rows"
        min={1}
        max={8}
        value={display.rows}
        width={96}
        commit={(rows) => change({ rows })}
      />
    </>
  );
}

function ToneFields({ tone, change }: { tone: Tone; change: PatchOutput }) {
  return (
    <>
      <NumberField
        label=""
        aria-label="Lowest pitch"
        unit="Hz"
        min={1}
        max={20000}
        value={tone.lowHz}
        width={104}
        commit={(lowHz) => change({ lowHz })}
      />
      <span>to</span>
      <NumberField
        label=""
        aria-label="Highest pitch"
        unit="Hz"
        min={1}
        max={20000}
        value={tone.highHz}
        width={104}
        commit={(highHz) => change({ highHz })}
      />
    </>
  );
}
