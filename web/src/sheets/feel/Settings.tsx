import { Switch } from '@mantine/core';
import {
  algorithmOf,
  algorithms,
  contactOf,
  defaultSetting,
  type Button,
  type ContactFigures,
  type SwitchModel,
} from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, DurationField, NumberField, StageIcon } from '../../shared/index.ts';
import classes from './Feel.module.css';

const modelWords: Record<SwitchModel, string> = {
  dome: 'Dome (tactile)',
  snap: 'Snap-action',
  membrane: 'Membrane',
  leaf: 'Leaf',
  toggle: 'Toggle',
  worn: 'Worn contact',
};

type Change = (patch: Partial<Omit<Button, 'id' | 'kind'>>) => string | null;

/** Contact, debouncing and gestures of one button, in the order of the path. */
export function Settings({ control }: { control: Button }) {
  const change: Change = (patch) => edit({ name: 'changeControl', args: [control.id, patch] });
  return (
    <div className={classes.settings}>
      <ContactCard control={control} change={change} />
      <CleanCard control={control} change={change} />
      <GestureCard control={control} change={change} />
    </div>
  );
}

function ContactCard({ control: { contact }, change }: { control: Button; change: Change }) {
  const figure = (patch: Partial<ContactFigures>) => change({ contact: { ...contact, ...patch } });
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="contact" /> Switch
      </legend>
      <Choice
        visible
        label="Started from"
        data={Object.entries(modelWords).map(([value, label]) => ({ value, label }))}
        value={contact.model}
        choose={(chosen) => change({ contact: contactOf(chosen as SwitchModel) })}
      />
      <div className={classes.pair}>
        <DurationField
          width="100%"
          label="Closing, up to"
          maxUs={100_000}
          step={0.5}
          value={contact.closeMaxUs}
          commit={(closeMaxUs) => figure({ closeMaxUs })}
        />
        <DurationField
          width="100%"
          label="Opening, up to"
          maxUs={100_000}
          step={0.5}
          value={contact.openMaxUs}
          commit={(openMaxUs) => figure({ openMaxUs })}
        />
        <DurationField
          width="100%"
          label="Edge to edge"
          minUs={1}
          maxUs={20_000}
          step={0.1}
          value={contact.gapMedianUs}
          commit={(gapMedianUs) => figure({ gapMedianUs })}
        />
        <NumberField
          width="100%"
          label="One more"
          unit="%"
          min={0}
          max={95}
          decimals={1}
          value={contact.againPerMille / 10}
          commit={(share) => figure({ againPerMille: Math.round(share * 10) })}
        />
      </div>
      <p className="soft">
        How long it bounces, the time between edges, and the chance of one more bounce: typical of its class.
        The maker of the part knows better.
      </p>
    </fieldset>
  );
}

/** A parameter's words and bounds, from the algorithm's own schema. */
function fieldsOf(id: string) {
  return Object.entries(algorithmOf(id).params.shape).map(([name, schema]) => {
    const { label, unit } = (schema as unknown as { meta(): { label: string; unit: string } }).meta();
    return { name, label, unit };
  });
}

function CleanCard({ control: { debounce }, change }: { control: Button; change: Change }) {
  const { loop } = useDocument();
  const algorithm = algorithmOf(debounce.algorithm);
  const set = (name: string) => (value: number) =>
    change({ debounce: { ...debounce, params: { ...debounce.params, [name]: value } } });
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="clean" /> Clean (debounce)
      </legend>
      <Choice
        visible
        label="Method"
        data={algorithms.map(({ id, title }) => ({ value: id, label: title }))}
        value={debounce.algorithm}
        choose={(chosen) => change({ debounce: defaultSetting(chosen) })}
      />
      {fieldsOf(debounce.algorithm).map(({ name, label, unit }) =>
        unit === 'µs' ? (
          <DurationField
            width="100%"
            key={name}
            label={label}
            maxUs={1_000_000}
            step={0.5}
            value={debounce.params[name] ?? 0}
            commit={set(name)}
          />
        ) : (
          <NumberField
            width="100%"
            key={name}
            label={label}
            unit={unit}
            min={1}
            max={1_000}
            value={debounce.params[name] ?? 0}
            commit={set(name)}
          />
        ),
      )}
      <DurationField
        width="100%"
        label="Inputs are read every"
        minUs={50}
        maxUs={1_000_000}
        step={0.5}
        value={loop.periodUs}
        commit={(periodUs) => edit({ name: 'setLoopPeriod', args: [periodUs] })}
      />
      <p className="soft">
        {algorithm.doc}{' '}
        <span className="number">
          {algorithm.cost.bytes} B, about {algorithm.cost.operations} operations a reading.
        </span>
      </p>
    </fieldset>
  );
}

function GestureCard({ control: { gestures }, change }: { control: Button; change: Change }) {
  const set = (patch: Partial<Button['gestures']>) => change({ gestures: { ...gestures, ...patch } });
  const { holdUs, doubleWindowUs, repeat } = gestures;
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="gesture" /> Gestures
      </legend>
      <p className="soft">Pressed, let go and tapped are always heard.</p>
      <Switch
        label="Held"
        checked={holdUs !== null}
        onChange={(event) => set({ holdUs: event.currentTarget.checked ? 500_000 : null })}
      />
      {holdUs !== null && (
        <DurationField
          width="100%"
          label="Held from"
          minUs={1_000}
          step={50}
          value={holdUs}
          commit={(us) => set({ holdUs: us })}
        />
      )}
      <Switch
        label="Tapped twice"
        checked={doubleWindowUs !== null}
        onChange={(event) => set({ doubleWindowUs: event.currentTarget.checked ? 250_000 : null })}
      />
      {doubleWindowUs !== null && (
        <DurationField
          width="100%"
          label="Second tap within (every tap waits so long)"
          minUs={1_000}
          step={25}
          value={doubleWindowUs}
          commit={(us) => set({ doubleWindowUs: us })}
        />
      )}
      <Switch
        label="Repeats while held"
        checked={repeat !== null}
        onChange={(event) =>
          set({ repeat: event.currentTarget.checked ? { delayUs: 400_000, everyUs: 120_000 } : null })
        }
      />
      {repeat !== null && (
        <>
          <DurationField
            width="100%"
            label="First after"
            minUs={1_000}
            step={50}
            value={repeat.delayUs}
            commit={(delayUs) => set({ repeat: { ...repeat, delayUs } })}
          />
          <DurationField
            width="100%"
            label="Then every"
            minUs={1_000}
            step={10}
            value={repeat.everyUs}
            commit={(everyUs) => set({ repeat: { ...repeat, everyUs } })}
          />
        </>
      )}
    </fieldset>
  );
}
