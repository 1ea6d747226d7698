import { lightColours, midiMessages, type Action } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { useDocument } from '../../client/index.ts';
import { Choice, DurationField, NumberField, RowField, TextField } from '../../shared/index.ts';
import { LightSlots } from './LightSlots.tsx';
import { ExpressionSlot, LengthSlot, NamedSlot, OutputSlot } from './slots.tsx';
import classes from './Flow.module.css';

type Put = (action: Action) => string | null;
type Of<K extends Action['kind']> = Extract<Action, { kind: K }>;
type Slots = { [K in Action['kind']]: (props: { action: Of<K>; put: Put }) => ReactNode };

const messageWords = {
  noteOn: 'begins note',
  noteOff: 'ends note',
  control: 'moves controller',
  program: 'chooses program',
} as const;

function Out({
  kinds,
  action,
  put,
}: {
  kinds: string[];
  action: Extract<Action, { outputId: string }>;
  put: Put;
}) {
  return (
    <OutputSlot kinds={kinds} value={action.outputId} choose={(outputId) => put({ ...action, outputId })} />
  );
}

/** What a variable becomes; a list in one place, or in all of them. */
function SetSlots({ action, put }: { action: Of<'set'>; put: Put }) {
  const { variables } = useDocument().flow;
  const list = variables.some(({ id, kind }) => id === action.variableId && kind === 'list');
  return (
    <>
      {list && action.index === null && 'every place of'}
      {action.index !== null && (
        <>
          place
          <ExpressionSlot
            short
            label="Place, from 0"
            value={action.index}
            commit={(index) => put({ ...action, index })}
          />
          of
        </>
      )}
      <VariableSlot
        list={list}
        value={action.variableId}
        choose={(variableId) => put({ ...action, variableId })}
      />
      becomes
      <ExpressionSlot label="New value" value={action.value} commit={(value) => put({ ...action, value })} />
    </>
  );
}

function VariableSlot({
  list,
  value,
  choose,
}: {
  list: boolean;
  value: string;
  choose: (id: string) => void;
}) {
  const { variables } = useDocument().flow;
  return (
    <NamedSlot
      label="Variable"
      among={variables.filter(({ kind }) => (kind === 'list') === list)}
      value={value}
      choose={choose}
    />
  );
}

/** Notes as text: pitch and length, one after the other. */
function notesOf(typed: string): Of<'tune'>['notes'] | null {
  const notes = typed.split(',').map((note) => /^\s*(\d+)\s*\/\s*(\d+)\s*$/.exec(note));
  if (notes.some((note) => note === null)) return null;
  return notes.map((note) => ({ hz: Number(note![1]), lengthUs: Number(note![2]) * 1_000 }));
}

const slots: Slots = {
  set: SetSlots,
  shift: ({ action, put }) => (
    <>
      <VariableSlot list value={action.variableId} choose={(variableId) => put({ ...action, variableId })} />
      moves on by a place; its last becomes
      <ExpressionSlot
        short
        label="New value"
        value={action.value}
        commit={(value) => put({ ...action, value })}
      />
    </>
  ),
  light: ({ action, put }) => (
    <>
      <Out kinds={['light']} action={action} put={put} />
      <LightSlots light={action.light} put={(light) => put({ ...action, light })} />
    </>
  ),
  level: ({ action, put }) => (
    <>
      <Out kinds={['light']} action={action} put={put} />
      is lit at
      <ExpressionSlot
        short
        label="Level in percent"
        value={action.percent}
        commit={(percent) => put({ ...action, percent })}
      />
      %
    </>
  ),
  colour: ({ action, put }) => (
    <>
      <Out kinds={['light']} action={action} put={put} />
      turns
      <Choice
        label="Colour"
        data={[...lightColours]}
        value={action.colour}
        choose={(colour) => put({ ...action, colour })}
      />
    </>
  ),
  text: ({ action, put }) => (
    <>
      <Out kinds={['text']} action={action} put={put} />
      row
      <RowField value={action.row} commit={(row) => put({ ...action, row })} />
      shows
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
    </>
  ),
  sprite: ({ action, put }) => (
    <>
      <Out kinds={['text']} action={action} put={put} />
      shows
      <ExpressionSlot
        template
        label="Characters, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
      in row
      <ExpressionSlot
        short
        label="Row, from 0"
        value={action.row}
        commit={(row) => put({ ...action, row })}
      />
      from column
      <ExpressionSlot
        short
        label="Column, from 0"
        value={action.column}
        commit={(column) => put({ ...action, column })}
      />
    </>
  ),
  lane: ({ action, put }) => (
    <>
      <Out kinds={['text']} action={action} put={put} />
      row
      <RowField value={action.row} commit={(row) => put({ ...action, row })} />
      shows the places of
      <VariableSlot list value={action.variableId} choose={(variableId) => put({ ...action, variableId })} />
      as
      <TextField
        size="xs"
        className={classes.short!}
        classNames={{ input: 'number' }}
        aria-label="One character for each number, from 0"
        value={action.glyphs}
        commit={(glyphs) => put({ ...action, glyphs })}
      />
    </>
  ),
  tone: ({ action, put }) => (
    <>
      <Out kinds={['tone']} action={action} put={put} />
      sounds at
      <ExpressionSlot label="Pitch in hertz" value={action.hz} commit={(hz) => put({ ...action, hz })} />
      Hz {action.lengthUs === 0 ? 'until changed' : 'for'}
      <DurationField
        label=""
        aria-label="Length, 0 until changed"
        width={92}
        step={50}
        value={action.lengthUs}
        commit={(lengthUs) => put({ ...action, lengthUs })}
      />
    </>
  ),
  tune: ({ action, put }) => (
    <>
      <Out kinds={['tone']} action={action} put={put} />
      plays
      <TextField
        size="xs"
        className={classes.wide!}
        classNames={{ input: 'number' }}
        aria-label="Notes as hertz/milliseconds, with commas"
        value={action.notes.map(({ hz, lengthUs }) => `${hz}/${lengthUs / 1_000}`).join(', ')}
        commit={(typed) => {
          const notes = notesOf(typed);
          return notes
            ? put({ ...action, notes })
            : 'Expected notes such as 440/150, 0/50: hertz and milliseconds.';
        }}
      />
    </>
  ),
  silence: ({ action, put }) => (
    <>
      <Out kinds={['tone']} action={action} put={put} />
      falls silent
    </>
  ),
  midi: ({ action, put }) => (
    <>
      <Out kinds={['midi']} action={action} put={put} />
      <Choice
        label="Message"
        data={midiMessages.map((value) => ({ value, label: messageWords[value] }))}
        value={action.message}
        choose={(message) => put({ ...action, message })}
      />
      <ExpressionSlot
        short
        label="Number, 0 to 127"
        value={action.first}
        commit={(first) => put({ ...action, first })}
      />
      {action.message !== 'program' && (
        <>
          {action.message === 'control' ? 'to' : 'at velocity'}
          <ExpressionSlot
            short
            label="Second number, 0 to 127"
            value={action.second}
            commit={(second) => put({ ...action, second })}
          />
        </>
      )}
      channel
      <NumberField
        label=""
        aria-label="Channel"
        width={62}
        min={1}
        max={16}
        value={action.channel}
        commit={(channel) => put({ ...action, channel })}
      />
    </>
  ),
  type: ({ action, put }) => (
    <>
      <Out kinds={['typist']} action={action} put={put} />
      types
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
    </>
  ),
  move: ({ action, put }) => (
    <>
      <Out kinds={['servo', 'motor']} action={action} put={put} />
      goes to
      <ExpressionSlot label="Degrees or percent" value={action.to} commit={(to) => put({ ...action, to })} />
      <MoveUnit outputId={action.outputId} />
    </>
  ),
  save: () => 'what is kept is written down',
  recall: () => 'what was written down comes back',
  start: ({ action, put }) => {
    const length = (
      <LengthSlot
        label={action.every ? 'Period' : 'Length'}
        value={action.length}
        commit={(changed) => put({ ...action, length: changed })}
      />
    );
    return (
      <>
        <TimerSlot value={action.timerId} choose={(timerId) => put({ ...action, timerId })} />
        <Choice
          label="Once or over and over"
          data={[
            { value: 'once', label: 'runs for' },
            { value: 'every', label: 'comes every' },
          ]}
          value={action.every ? 'every' : 'once'}
          choose={(chosen) => put({ ...action, every: chosen === 'every' })}
        />
        {length}
      </>
    );
  },
  stop: ({ action, put }) => (
    <>
      <TimerSlot value={action.timerId} choose={(timerId) => put({ ...action, timerId })} />
      stops
    </>
  ),
  raise: ({ action, put }) => (
    <>
      <SignalSlot value={action.signalId} choose={(signalId) => put({ ...action, signalId })} />
      <Choice
        label="At once or later"
        data={[
          { value: 'now', label: 'is raised at once' },
          { value: 'later', label: 'is raised after' },
        ]}
        value={action.delay === null ? 'now' : 'later'}
        choose={(chosen) => put({ ...action, delay: chosen === 'now' ? null : 500_000 })}
      />
      {action.delay !== null && (
        <LengthSlot label="Delay" value={action.delay} commit={(delay) => put({ ...action, delay })} />
      )}
    </>
  ),
  cancel: ({ action, put }) => (
    <>
      <SignalSlot value={action.signalId} choose={(signalId) => put({ ...action, signalId })} />
      that is on its way never comes
    </>
  ),
  wait: ({ action, put }) => (
    <>
      everything waits
      <DurationField
        label=""
        aria-label="Length of the wait"
        width={92}
        minUs={1_000}
        step={50}
        value={action.lengthUs}
        commit={(lengthUs) => put({ ...action, lengthUs })}
      />
    </>
  ),
};

function TimerSlot({ value, choose }: { value: string; choose: (id: string) => void }) {
  return <NamedSlot label="Timer" among={useDocument().flow.timers} value={value} choose={choose} />;
}
function SignalSlot({ value, choose }: { value: string; choose: (id: string) => void }) {
  return <NamedSlot label="Signal" among={useDocument().flow.signals} value={value} choose={choose} />;
}

/** One thing that happens, as a sentence with slots. */
export function ActionSlots({ action, put }: { action: Action; put: Put }) {
  const Slot = slots[action.kind] as (props: { action: Action; put: Put }) => ReactNode;
  return <Slot action={action} put={put} />;
}

/** What a mover counts in. */
function MoveUnit({ outputId }: { outputId: string }) {
  const kind = useDocument().outputs.find(({ id }) => id === outputId)?.kind;
  return kind === 'motor' ? '\u202f% of its speed' : '°';
}
