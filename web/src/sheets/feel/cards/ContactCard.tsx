import '../../../shared/styles/toggle.css';
import { Switch } from '@mantine/core';
import { contactOf, failsAfterUs, type ContactFigures, type SwitchModel } from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { Choice, DurationField, NumberField, showDuration, StageIcon } from '../../../shared/index.ts';
import classes from '../Feel.module.css';

export const modelWords: Record<SwitchModel, string> = {
  dome: 'Dome (tactile)',
  snap: 'Snap-action',
  membrane: 'Membrane',
  leaf: 'Leaf',
  toggle: 'Toggle',
  worn: 'Worn contact',
  encoder: 'Encoder contact',
  touch: 'Touch pad',
};

interface Contacted {
  contact: ContactFigures;
  change: (contact: ContactFigures) => string | null;
}

/** What a contact does electrically: its bounce, its wear, its wire, or the pad that stands for it. */
export function ContactCard({ contact, change }: Contacted) {
  const { captures } = useDocument();
  const models = Object.entries(modelWords).map(([value, label]) => ({ value, label }));
  const known = contact.model in modelWords;
  const capture = captures.find(({ id }) => id === contact.captureId);
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="contact" /> Switch
      </legend>
      <Choice
        visible
        label="Started from"
        data={known ? models : [{ value: contact.model, label: 'A captured switch' }, ...models]}
        value={contact.model}
        choose={(chosen) => chosen in modelWords && change(contactOf(chosen as SwitchModel))}
      />
      {captures.length > 0 && (
        <Choice
          visible
          label="Presses"
          data={[
            { value: '', label: 'drawn from the figures below' },
            ...captures.map(({ id, name }) => ({ value: id, label: `played from “${name}”` })),
          ]}
          value={contact.captureId ?? ''}
          choose={(id) => change({ ...contact, captureId: id === '' ? null : id })}
        />
      )}
      {contact.touch ? (
        <PadFields contact={contact} change={change} />
      ) : (
        <BounceFields contact={contact} change={change} />
      )}
      <p className="soft">
        {capture
          ? `It plays the ${capture.presses.length} presses of “${capture.name}”, one or another each time.`
          : 'Typical of its class. The maker of the part knows better, and a capture best.'}
      </p>
    </fieldset>
  );
}

function BounceFields({ contact, change }: Contacted) {
  const figure = (patch: Partial<ContactFigures>) => change({ ...contact, ...patch });
  return (
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
      <NumberField
        width="100%"
        label="Breaks, held"
        unit="/min"
        min={0}
        max={6_000}
        value={contact.chatterPerMinute}
        commit={(chatterPerMinute) => figure({ chatterPerMinute })}
      />
      <DurationField
        width="100%"
        label="of up to"
        minUs={1}
        maxUs={50_000}
        step={0.5}
        value={contact.chatterMaxUs}
        commit={(chatterMaxUs) => figure({ chatterMaxUs })}
      />
      <NumberField
        width="100%"
        label="Spikes"
        unit="/h"
        min={0}
        max={360_000}
        value={contact.glitchPerHour}
        commit={(glitchPerHour) => figure({ glitchPerHour })}
      />
      <DurationField
        width="100%"
        label="of up to"
        minUs={1}
        maxUs={10_000}
        step={0.05}
        value={contact.glitchMaxUs}
        commit={(glitchMaxUs) => figure({ glitchMaxUs })}
      />
    </div>
  );
}

function PadFields({ contact, change }: Contacted) {
  const touch = contact.touch!;
  const set = (patch: Partial<typeof touch>) => change({ ...contact, touch: { ...touch, ...patch } });
  const fails = failsAfterUs(touch);
  return (
    <>
      <div className={classes.pair}>
        <NumberField
          width="100%"
          label="Touched from"
          unit="%"
          min={0.1}
          max={100}
          decimals={1}
          value={touch.thresholdPerMille / 10}
          commit={(share) => set({ thresholdPerMille: Math.round(share * 10) })}
        />
        <DurationField
          width="100%"
          label="Signal rises in"
          minUs={100}
          maxUs={1_000_000}
          step={1}
          value={touch.riseUs}
          commit={(riseUs) => set({ riseUs })}
        />
        <NumberField
          width="100%"
          label="Drifts a minute"
          unit="%"
          min={-100}
          max={100}
          decimals={1}
          value={touch.driftPerMillePerMinute / 10}
          commit={(share) => set({ driftPerMillePerMinute: Math.round(share * 10) })}
        />
        {touch.recalibrateUs !== null && (
          <DurationField
            width="100%"
            label="Calibrates every"
            minUs={1_000_000}
            step={1_000}
            value={touch.recalibrateUs}
            commit={(recalibrateUs) => set({ recalibrateUs })}
          />
        )}
      </div>
      <Switch
        label="Calibrates itself while nobody touches it"
        checked={touch.recalibrateUs !== null}
        onChange={(event) => set({ recalibrateUs: event.currentTarget.checked ? 60_000_000 : null })}
      />
      {fails && (
        <p className="soft">
          {fails.how === 'stuck' ? 'It sticks' : 'It goes deaf'} {showDuration(fails.afterUs)} after power-up.
        </p>
      )}
    </>
  );
}
