import { Button as PushButton, Switch } from '@mantine/core';
import {
  responseOf,
  taperOf,
  type Knob,
  type KnobFacts,
  type KnobReading,
  type Taper,
} from '@hum-lever/core';
import { useCallback } from 'react';
import { useDocument } from '../../../client/index.ts';
import { Choice, count, DurationField, NumberField, StageIcon } from '../../../shared/index.ts';
import { lab, traceNow, useAnswer, usePlayer } from '../../../workers/index.ts';
import { changeOf } from '../cards/change.ts';
import { AdviceFrame, Verdict } from '../cards/WhatToSet.tsx';
import classes from '../Feel.module.css';

type Lab = { facts: KnobFacts; quiet: KnobReading };

/** A knob, slider, axis or sensor: what its way gives, how it flickers, and what to set. */
export function KnobPage({ control }: { control: Knob }) {
  const gadget = useDocument();
  const { parts } = gadget;
  const taper = taperOf(gadget, control.id);
  const answer = useAnswer<Lab>(
    useCallback(() => lab().knob({ parts }, control), [parts, control]),
    false,
  );
  return (
    <>
      <section aria-label="The way and its value">
        <div className={classes.viewBar}>
          <h2>{control.name}</h2>
        </div>
        <Response control={control} taper={taper} />
      </section>
      <KnobAdvice control={control} answer={answer} />
      <div className={classes.settings}>
        <ValueCard control={control} />
        <QuietCard control={control} />
        <WiperCard control={control} />
      </div>
      <Facts answer={answer} control={control} />
    </>
  );
}

const width = 430;
const height = 150;

/** Value against way, with where it is now. */
function Response({ control, taper }: { control: Knob; taper: Taper }) {
  usePlayer((state) => state.traceVersion);
  const { low, high } = control.reading;
  const points = responseOf(control, taper);
  const y = (value: number) => height - 8 - ((value - low) / (high - low)) * (height - 16);
  const path = points
    .map(({ way, value }, n) => `${n === 0 ? 'M' : 'L'}${8 + way * (width - 16)} ${y(value)}`)
    .join(' ');
  const now = traceNow().findLast((entry) => entry.lane === 'value' && entry.id === control.id);
  const value = now?.lane === 'value' ? now.value : null;
  return (
    <div className={`card ${classes.response}`}>
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`From ${low} to ${high} along the way`}>
        <path d={`M8 ${height - 8} H${width - 8} M8 8 V${height - 8}`} stroke="var(--line)" fill="none" />
        <path d={path} className={classes.trace} stroke="var(--stage-clean)" />
        {value !== null && (
          <path
            d={`M8 ${y(value)} H${width - 8}`}
            stroke="var(--stage-gesture)"
            strokeDasharray="3 3"
            fill="none"
          />
        )}
      </svg>
      <p>
        From {low} to {high}.{' '}
        {value === null ? (
          `Move ${control.name} in hand, and its value shows here.`
        ) : (
          <>
            Now <strong className="number">{value}</strong>.
          </>
        )}
      </p>
    </div>
  );
}

const sameReading = (one: KnobReading, other: KnobReading) => JSON.stringify(one) === JSON.stringify(other);

const flickerWords = ({ worstFlickers }: KnobFacts) =>
  worstFlickers === 0
    ? 'As it is now, no noise can move it for long.'
    : `As it is now, it changes by itself, ${Math.round(worstFlickers)} times a minute at worst.`;

function KnobAdvice({ control, answer }: { control: Knob; answer: Lab | null }) {
  if (!answer) return <p role="status">Listening to its noise…</p>;
  const { facts, quiet } = answer;
  const { reading } = control;
  const done = sameReading(reading, quiet);
  const parts = [
    `${quiet.steps} steps that hold on for ${quiet.hysteresisCounts} counts`,
    `${quiet.endBandCounts} counts of each end given to the end`,
    ...(control.returns ? [`${quiet.centreBandCounts} on each side of the middle to the middle`] : []),
    ...(quiet.curve !== reading.curve || quiet.straighten !== reading.straighten
      ? [quiet.curve === 'fineLow' ? 'more of the way for the low end' : 'the taper undone']
      : []),
  ];
  return (
    <AdviceFrame>
      <Verdict
        met={done}
        taken={done}
        take={() => changeOf<Knob>(control.id)({ reading: quiet })}
        setting={`${parts.join(', ')}.`}
      >
        Its noise reaches {facts.noiseCounts} counts and the narrowest step is {facts.narrowestCounts} wide: a
        step has to hold on for more than the noise, and less than half its width, or it changes by itself.{' '}
        {flickerWords(facts)}
      </Verdict>
    </AdviceFrame>
  );
}

const changeReading =
  ({ id, reading }: Knob) =>
  (patch: Partial<KnobReading>) =>
    changeOf<Knob>(id)({ reading: { ...reading, ...patch } });

function ValueCard({ control }: { control: Knob }) {
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

function QuietCard({ control }: { control: Knob }) {
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

function WiperCard({ control }: { control: Knob }) {
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

function Facts({ answer, control }: { answer: Lab | null; control: Knob }) {
  if (!answer) return null;
  const { valuePerStep, widthCounts, narrowestCounts, reachable, noiseCounts, worstFlickers, usualFlickers } =
    answer.facts;
  const rows: [string, string][] = [
    ['Value per step', valuePerStep.toFixed(valuePerStep % 1 === 0 ? 0 : 2)],
    ['Width of a step', `${widthCounts.toFixed(1)} counts; the narrowest ${narrowestCounts}`],
    ['Values that can be set', `${reachable} of ${control.reading.steps}`],
    ['Noise reaches', count(noiseCounts, 'count')],
    ['Flickers a minute, between two steps', worstFlickers.toFixed(0)],
    ['Flickers a minute, anywhere', usualFlickers.toFixed(1)],
  ];
  return (
    <section aria-label="What it comes to">
      <h2 className={classes.second}>What it comes to</h2>
      <table className={classes.table}>
        <tbody>
          {rows.map(([what, value]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td className="number">{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
