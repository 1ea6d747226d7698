import '../../../shared/styles/toggle.css';
import { Button as PushButton, Switch } from '@mantine/core';
import { type Knob, type KnobReading } from '@hum-lever/core';
import { Choice, DurationField, NumberField, StageIcon } from '../../../shared/index.ts';
import { traceNow, usePlayer } from '../../../workers/index.ts';
import { changeOf } from '../cards/change.ts';
import classes from '../Feel.module.css';

const changeReading =
  ({ id, reading }: Knob) =>
  (patch: Partial<KnobReading>) =>
    changeOf<Knob>(id)({ reading: { ...reading, ...patch } });

export function ValueCard({ control }: { control: Knob }) {
  const { reading } = control;
  const change = changeReading(control);
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="gesture" /> Value
      </legend>
      <Choice
        visible
        label="It sets"
        data={[
          { value: 'position', label: 'a position or a number' },
          { value: 'level', label: 'a level (loudness, brightness)' },
          { value: 'rate', label: 'a rate (speed, tempo)' },
        ]}
        value={control.sets}
        choose={(sets) => changeOf<Knob>(control.id)({ sets })}
      />
      <div className={classes.pair}>
        <NumberField width="100%" label="From" value={reading.low} commit={(low) => change({ low })} />
        <NumberField width="100%" label="To" value={reading.high} commit={(high) => change({ high })} />
        <NumberField
          width="100%"
          label="In steps"
          min={2}
          max={65_536}
          value={reading.steps}
          commit={(steps) => change({ steps })}
        />
        <Choice
          visible
          label="Finest at"
          data={[
            { value: 'even', label: 'even' },
            { value: 'fineLow', label: 'the low end' },
            { value: 'fineHigh', label: 'the high end' },
          ]}
          value={reading.curve}
          choose={(curve) => change({ curve })}
        />
      </div>
      <Switch
        label="Undo the track’s taper first"
        checked={reading.straighten}
        onChange={(event) => change({ straighten: event.currentTarget.checked })}
      />
      <Switch
        label="The other way round"
        checked={reading.reversed}
        onChange={(event) => change({ reversed: event.currentTarget.checked })}
      />
      <Switch
        label="Springs back to the middle"
        checked={control.returns}
        onChange={(event) => changeOf<Knob>(control.id)({ returns: event.currentTarget.checked })}
      />
    </fieldset>
  );
}

export function QuietCard({ control }: { control: Knob }) {
  const { reading } = control;
  const change = changeReading(control);
  const counts = (
    label: string,
    field: 'hysteresisCounts' | 'endBandCounts' | 'centreBandCounts' | 'lowCount' | 'highCount',
  ) => (
    <NumberField
      width="100%"
      label={label}
      unit="counts"
      min={0}
      max={65_535}
      value={reading[field]}
      commit={(value) => change({ [field]: value })}
    />
  );
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="clean" /> Reading
      </legend>
      <div className={classes.pair}>
        <DurationField
          width="100%"
          label="Read every"
          minUs={100}
          maxUs={1_000_000}
          step={1}
          value={reading.everyUs}
          commit={(everyUs) => change({ everyUs })}
        />
        <Choice
          visible
          label="Filter"
          data={[
            { value: 'none', label: 'none' },
            { value: 'mean', label: 'moving average' },
            { value: 'exponential', label: 'exponential' },
            { value: 'median', label: 'median' },
          ]}
          value={reading.filter}
          choose={(filter) => change({ filter })}
        />
        {reading.filter !== 'none' && (
          <NumberField
            width="100%"
            label={reading.filter === 'exponential' ? 'New one counts 1 in' : 'Over readings'}
            min={1}
            max={64}
            value={reading.readings}
            commit={(readings) => change({ readings })}
          />
        )}
        {counts('A step holds on for', 'hysteresisCounts')}
        {counts('Each end takes', 'endBandCounts')}
        {counts('Middle takes, each side', 'centreBandCounts')}
        {counts('Low end reads', 'lowCount')}
        {counts('High end reads', 'highCount')}
      </div>
      <Calibrate control={control} />
    </fieldset>
  );
}

/** Takes the ends from what was really read: turn it from end to end first. */
function Calibrate({ control }: { control: Knob }) {
  usePlayer((state) => state.traceVersion);
  const counts = traceNow().flatMap((entry) =>
    entry.lane === 'value' && entry.id === control.id ? [entry.count] : [],
  );
  const lowCount = Math.min(...counts);
  const highCount = Math.max(...counts);
  const enough = counts.length > 1 && highCount > lowCount;
  return (
    <PushButton
      size="compact-sm"
      variant="default"
      disabled={!enough}
      onClick={() => changeReading(control)({ lowCount, highCount })}
    >
      {enough
        ? `Calibrate: ${lowCount} to ${highCount} were read`
        : 'Calibrate: turn it from end to end first'}
    </PushButton>
  );
}

export function WiperCard({ control }: { control: Knob }) {
  const { wiper } = control;
  const change = (patch: Partial<Knob['wiper']>) =>
    changeOf<Knob>(control.id)({ wiper: { ...wiper, ...patch } });
  const share = (label: string, field: 'noisePpm' | 'cracklePpm' | 'sagPpm') => (
    <NumberField
      width="100%"
      label={label}
      unit="%"
      decimals={2}
      min={0}
      max={50}
      step={0.01}
      value={wiper[field] / 10_000}
      commit={(percent) => change({ [field]: Math.round(percent * 10_000) })}
    />
  );
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="contact" /> Track and converter
      </legend>
      <div className={classes.pair}>
        <NumberField
          width="100%"
          label="Converter"
          unit="bits"
          min={6}
          max={16}
          value={wiper.bits}
          commit={(bits) => change({ bits })}
        />
        {share('Noise, of full', 'noisePpm')}
        <NumberField
          width="100%"
          label="Crackles, moved"
          unit="in 1000"
          min={0}
          max={1_000}
          value={wiper.cracklePerMille}
          commit={(cracklePerMille) => change({ cracklePerMille })}
        />
        {share('by up to', 'cracklePpm')}
        {share('Sags, lights on', 'sagPpm')}
      </div>
    </fieldset>
  );
}
