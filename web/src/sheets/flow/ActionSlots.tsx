import { isOutputAction, kindsTold, type Action, type ElementKind } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { useDocument } from '../../client/index.ts';
import { outputSlots } from '../../outputs/slots.ts';
import { Choice } from '../../shared/index.ts';
import {
  ExpressionSlot,
  LengthSlot,
  NamedSlot,
  OutputSlot,
  TimeSlot,
  VariableSlot,
} from '../../slots/index.ts';

type Put = (action: Action) => string | null;
type Of<K extends Action['kind']> = Extract<Action, { kind: K }>;
/** What stands on pages is no deed: no list of actions has it. */
type Deed = Exclude<Action['kind'], ElementKind>;
type Slots = { [K in Deed]: (props: { action: Of<K>; put: Put }) => ReactNode };

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
        kinds={list ? ['list'] : ['number', 'flag', 'choice']}
        value={action.variableId}
        choose={(variableId) => put({ ...action, variableId })}
      />
      becomes
      <ExpressionSlot label="New value" value={action.value} commit={(value) => put({ ...action, value })} />
    </>
  );
}

type TextAction = Of<'setText' | 'append' | 'shorten'>;

/** A text, or which of several. */
function TextTarget({ action, put }: { action: TextAction; put: Put }) {
  const place = (index: string) => put({ ...action, index } as TextAction);
  return (
    <>
      {action.index !== null && (
        <>
          text <ExpressionSlot short label="Place, from 0" value={action.index} commit={place} /> of
        </>
      )}
      <VariableSlot
        kinds={action.index === null ? ['text'] : ['texts']}
        value={action.variableId}
        choose={(variableId) => put({ ...action, variableId } as TextAction)}
      />
    </>
  );
}

const TextSlot = ({ action, put }: { action: Of<'setText' | 'append'>; put: Put }) => (
  <ExpressionSlot
    template
    label="Text, numbers in braces"
    value={action.text}
    commit={(text) => put({ ...action, text })}
  />
);

const slots: Slots = {
  ...outputSlots,
  set: SetSlots,
  setText: ({ action, put }) => (
    <>
      <TextTarget action={action} put={put} /> becomes <TextSlot action={action} put={put} />
    </>
  ),
  append: ({ action, put }) => (
    <>
      behind <TextTarget action={action} put={put} /> comes <TextSlot action={action} put={put} />
    </>
  ),
  shorten: ({ action, put }) => (
    <>
      <TextTarget action={action} put={put} /> loses its last
      <ExpressionSlot
        short
        label="How many characters"
        value={action.by}
        commit={(by) => put({ ...action, by })}
      />
      characters
    </>
  ),
  shift: ({ action, put }) => (
    <>
      <VariableSlot
        kinds={['list']}
        value={action.variableId}
        choose={(variableId) => put({ ...action, variableId })}
      />
      moves on by a place; its last becomes
      <ExpressionSlot
        short
        label="New value"
        value={action.value}
        commit={(value) => put({ ...action, value })}
      />
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
      <TimeSlot
        label="Length of the wait"
        minUs={1_000}
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

/** One thing that happens, as a sentence with slots; what is told to an output begins with it. */
export function ActionSlots({ action, put }: { action: Action; put: Put }) {
  const Slot = slots[action.kind as Deed] as (props: { action: Action; put: Put }) => ReactNode;
  return (
    <>
      {isOutputAction(action) && (
        <OutputSlot
          kinds={kindsTold(action.kind)}
          value={action.outputId}
          choose={(outputId) => put({ ...action, outputId })}
        />
      )}
      <Slot action={action} put={put} />
    </>
  );
}
