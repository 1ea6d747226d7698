import { heardMessages, isSync, mostOf, type HeardMessage, type Trigger } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { Choice, NumberField } from '../../shared/index.ts';
import { triggerChoices, triggerValue } from './sentences.ts';
import { LengthSlot, PlainSlot } from '../../slots/index.ts';

const messageWords: Record<HeardMessage, string> = {
  noteOn: 'a note begins',
  noteOff: 'a note ends',
  control: 'a controller moves',
  program: 'a program is chosen',
  bend: 'a bend comes',
  pressure: 'keys are pressed on',
  keyPressure: 'a key is pressed on',
  clock: 'a clock ticks',
  start: 'what follows a clock starts',
  continue: 'what follows a clock goes on',
  stop: 'what follows a clock stops',
};

/** A number that the message cannot have is none. */
const withinOf = (message: HeardMessage, number: number | null): number | null =>
  number !== null && number > mostOf(message) ? null : number;

/** Says by itself when it is; before all others stands *when*. */
export const saysWhen: ReadonlySet<Trigger['kind']> = new Set(['after', 'every', 'always']);

/** What a rule waits for: which event, and its figures. */
export function TriggerSlots({
  trigger,
  put,
}: {
  trigger: Trigger;
  put: (trigger: Trigger) => string | null;
}) {
  const gadget = useDocument();
  const choices = triggerChoices(gadget, trigger);
  return (
    <>
      <Choice
        label="When"
        stage="gesture"
        capital={saysWhen.has(trigger.kind)}
        data={choices.map(({ value, label }) => ({ value, label }))}
        value={triggerValue(trigger)}
        choose={(chosen) => put(choices.find(({ value }) => value === chosen)!.trigger)}
      />
      <Figures trigger={trigger} put={put} />
    </>
  );
}

/** null: any, which the field shows as empty. */
function AnyOf({
  label,
  value,
  max,
  commit,
}: {
  label: string;
  value: number | null;
  max: number;
  commit: (value: number | null) => string | null;
}) {
  const data = ['', ...Array.from({ length: max + 1 }, (_, n) => String(n))].slice(0, max + 2);
  return (
    <Choice
      label={label}
      data={data.map((text) => ({ value: text, label: text === '' ? 'any' : text }))}
      value={value === null ? '' : String(value)}
      choose={(chosen) => commit(chosen === '' ? null : Number(chosen))}
    />
  );
}

function Figures({ trigger, put }: { trigger: Trigger; put: (trigger: Trigger) => string | null }) {
  switch (trigger.kind) {
    case 'after':
    case 'every':
      return (
        <LengthSlot
          label="Time since entering"
          minUs={1_000}
          value={trigger.delay}
          commit={(delay) => put({ ...trigger, delay })}
        />
      );
    case 'turn':
      return (
        <NumberField
          label=""
          aria-label="Steps, back below zero"
          width={90}
          min={-200}
          max={200}
          unit="steps"
          value={trigger.by}
          commit={(by) => put({ ...trigger, by })}
        />
      );
    case 'crossing':
      return (
        <>
          <NumberField
            label=""
            aria-label="Value"
            width={76}
            value={trigger.at}
            commit={(at) => put({ ...trigger, at })}
          />
          <Choice
            label="From which side"
            data={[
              { value: 'up', label: 'from below' },
              { value: 'down', label: 'from above' },
            ]}
            value={trigger.rising ? 'up' : 'down'}
            choose={(way) => put({ ...trigger, rising: way === 'up' })}
          />
        </>
      );
    case 'midi':
      return (
        <>
          <Choice
            label="Message"
            data={heardMessages.map((value) => ({ value, label: messageWords[value] }))}
            value={trigger.message}
            choose={(message) =>
              put(
                isSync(message)
                  ? { ...trigger, message, channel: null, number: null }
                  : { ...trigger, message, number: withinOf(message, trigger.number) },
              )
            }
          />
          {!isSync(trigger.message) && (
            <>
              channel
              <AnyOf
                label="Channel"
                max={16}
                value={trigger.channel}
                commit={(channel) => put({ ...trigger, channel: channel === 0 ? null : channel })}
              />
              number
              <AnyOf
                label="Number"
                max={mostOf(trigger.message)}
                value={trigger.number}
                commit={(number) => put({ ...trigger, number })}
              />
            </>
          )}
        </>
      );
    case 'line':
      return (
        <>
          with the word
          <PlainSlot
            label="Word in the line; nothing: any line"
            value={trigger.word ?? ''}
            commit={(typed) => put({ ...trigger, word: typed.trim() === '' ? null : typed.trim() })}
          />
        </>
      );
    default:
      return null;
  }
}
