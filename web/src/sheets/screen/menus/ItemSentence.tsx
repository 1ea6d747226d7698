import {
  menuFormats,
  variablesFor,
  type Menu,
  type MenuFormat,
  type MenuItem,
  type MenuItemOf,
  type Variable,
} from '@hum-lever/core';
import { edit, useDocument } from '../../../client/index.ts';
import { Choice, NumberField, TextField, WhileWriting } from '../../../shared/index.ts';
import { NamedSlot, PlainSlot, VariableSlot } from '../../../slots/index.ts';
import { Stop } from './Stop.tsx';

type Change = (
  patch: Partial<Omit<MenuItem, 'id' | 'kind' | 'parentId'>> & Record<string, unknown>,
) => string | null;

const askWords = { nothing: 'at once', confirm: 'after asking', hold: 'when it is held' } as const;

/** What an item is about, as a sentence. */
export function ItemSentence({ menu, item }: { menu: Menu; item: MenuItem }) {
  const change: Change = (patch) => edit({ name: 'changeMenuItem', args: [menu.id, item.id, patch] });
  return (
    <>
      <TextField
        size="xs"
        aria-label="Name of the item"
        value={item.name}
        quoted={false}
        commit={(name) => change({ name: name.trim() })}
      />
      <About item={item} change={change} />
      {item.kind !== 'submenu' && (
        <WhileWriting>
          , wanted
          <NumberField
            label=""
            aria-label="How often it is wanted"
            width={70}
            min={0}
            max={1_000}
            value={item.use}
            commit={(use) => change({ use })}
          />
          times
        </WhileWriting>
      )}
    </>
  );
}

function About({ item, change }: { item: MenuItem; change: Change }) {
  const { signals } = useDocument().flow;
  switch (item.kind) {
    case 'submenu':
      return <>is a submenu</>;
    case 'value':
      return <ValueSlots item={item} change={change} />;
    case 'choice':
      return (
        <>
          makes the choice
          <VariableOf item={item} change={change} />
          <Live item={item} change={change} />
          <Round item={item} change={change} />
        </>
      );
    case 'toggle':
      return (
        <>
          turns
          <VariableOf item={item} change={change} />
          on or off
        </>
      );
    case 'text':
      return (
        <>
          is the text
          <VariableOf item={item} change={change} />
          <WhileWriting>
            from
            <PlainSlot
              label="Characters to choose from"
              value={item.characters}
              wide
              commit={(characters) => change({ characters })}
            />
          </WhileWriting>
        </>
      );
    case 'pick':
      return <PickSlots item={item} change={change} />;
    case 'action':
      return (
        <>
          raises
          <NamedSlot
            label="Signal"
            among={signals}
            value={item.signalId}
            choose={(signalId) => change({ signalId })}
          />
          <Asks item={item} change={change} />
        </>
      );
    case 'reading':
      return (
        <>
          shows
          <VariableOf item={item} change={change} />
          <Written item={item} change={change} />
        </>
      );
    case 'factory':
      return (
        <>
          sets all of this menu back to new
          <Asks item={item} change={change} />
        </>
      );
  }
}

function VariableOf({
  item,
  change,
}: {
  item: MenuItemOf<'value' | 'choice' | 'toggle' | 'text' | 'reading'>;
  change: Change;
}) {
  return (
    <VariableSlot
      kinds={variablesFor(item.kind)}
      value={item.variableId}
      choose={(variableId) => change({ variableId })}
    />
  );
}

function ValueSlots({ item, change }: { item: MenuItemOf<'value'>; change: Change }) {
  const variable = useDocument().flow.variables.find(({ id }) => id === item.variableId);
  const { min, max, initial, unit } = variable as Extract<Variable, { kind: 'number' }>;
  const number = (label: string, value: number, commit: (value: number) => string | null) => (
    <NumberField label="" aria-label={label} width={84} value={value} commit={commit} />
  );
  return (
    <>
      sets
      <VariableOf item={item} change={change} />
      by
      {number('Step', item.step, (step) => change({ step }))}
      from
      {number('Lowest', item.low ?? min, (low) => change({ low: low <= min ? null : low }))}
      to
      {number('Highest', item.high ?? max, (high) => change({ high: high >= max ? null : high }))}
      {unit}
      <Written item={item} change={change} />
      <WhileWriting>
        , mostly to
        {number('Set to most often', item.typical ?? initial + item.step, (typical) => change({ typical }))}
      </WhileWriting>
      <Live item={item} change={change} />
      <Round item={item} change={change} />
    </>
  );
}

const formatWords: Record<MenuFormat, string> = {
  plain: 'written as it is',
  tenths: 'written as tenths: 4.2',
  hundredths: 'written as hundredths: 0.42',
  clock: 'written as minutes and seconds: 0:42',
};

/** How its number is written; as it is, nothing is said of it while it is read. Texts are always what they are. */
function Written({ item, change }: { item: MenuItemOf<'value' | 'reading'>; change: Change }) {
  const variable = useDocument().flow.variables.find(({ id }) => id === item.variableId);
  if (variable?.kind !== 'number') return null;
  const choice = (
    <>
      <Stop>,</Stop>{' '}
      <Choice
        label="How it is written"
        data={menuFormats.map((value) => ({ value, label: formatWords[value] }))}
        value={item.format}
        choose={(format) => change({ format })}
      />
    </>
  );
  return item.format === 'plain' ? <WhileWriting>{choice}</WhileWriting> : choice;
}

function PickSlots({ item, change }: { item: MenuItemOf<'pick'>; change: Change }) {
  const { variables } = useDocument().flow;
  const numbers = variables.filter(({ kind }) => kind === 'number');
  return (
    <>
      puts the place of one of
      <VariableSlot
        kinds={['texts']}
        value={item.variableId}
        choose={(variableId) => change({ variableId })}
      />
      into
      <NamedSlot
        label="Place"
        among={numbers}
        value={item.chosenId}
        choose={(chosenId) => change({ chosenId })}
      />
      <WhileWriting>
        , as many as
        <Choice
          label="How many there are"
          data={[
            { value: '', label: 'there are' },
            ...numbers.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          value={item.countId ?? ''}
          choose={(countId) => change({ countId: countId || null })}
        />
      </WhileWriting>
    </>
  );
}

const Live = ({ item, change }: { item: MenuItemOf<'value' | 'choice'>; change: Change }) => (
  <WhileWriting>
    , taking effect
    <Choice
      label="When it takes effect"
      data={[
        { value: 'live', label: 'at once' },
        { value: 'done', label: 'once confirmed' },
      ]}
      value={item.live ? 'live' : 'done'}
      choose={(value) => change({ live: value === 'live' })}
    />
  </WhileWriting>
);

const Round = ({ item, change }: { item: MenuItemOf<'value' | 'choice'>; change: Change }) => (
  <WhileWriting>
    , beyond its end
    <Choice
      label="Beyond its end"
      data={[
        { value: 'stop', label: 'it stops' },
        { value: 'round', label: 'it begins again' },
      ]}
      value={item.wraps ? 'round' : 'stop'}
      choose={(value) => change({ wraps: value === 'round' })}
    />
  </WhileWriting>
);

const Asks = ({ item, change }: { item: MenuItemOf<'action' | 'factory'>; change: Change }) => (
  <Choice
    label="What it asks for"
    data={(['nothing', 'confirm', 'hold'] as const).map((value) => ({ value, label: askWords[value] }))}
    value={item.asks}
    choose={(asks) => change({ asks })}
  />
);
