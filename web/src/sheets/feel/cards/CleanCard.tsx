import '../../../shared/styles/toggle.css';
import { Switch } from '@mantine/core';
import { algorithmOf, algorithms, defaultSetting, type Button } from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { Choice, DurationField, NumberField, showDuration, StageIcon } from '../../../shared/index.ts';
import { paramFields } from '../../../words/index.ts';
import classes from '../Feel.module.css';
import { changeOf } from './change.ts';
import { LoopField } from './WhatToSet.tsx';

/** The debouncing in use: method, parameters, what it costs. */
export function CleanCard({ control: { id, debounce } }: { control: Button }) {
  const { loop } = useDocument();
  const change = changeOf<Button>(id);
  const algorithm = algorithmOf(debounce.algorithm);
  const { bytes, operations } = algorithm.cost(debounce.params);
  const floor = algorithm.floorUs(debounce.params, loop.periodUs);
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
        data={algorithms.map(({ id: value, title: label }) => ({ value, label }))}
        value={debounce.algorithm}
        choose={(chosen) => change({ debounce: defaultSetting(chosen) })}
      />
      <div className={classes.pair}>
        {paramFields(debounce.algorithm).map(({ name, label, unit }) =>
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
              value={debounce.params[name] ?? 0}
              commit={set(name)}
            />
          ),
        )}
        <LoopField label="Inputs are read every" />
      </div>
      {algorithm.port && (
        <Switch
          label="One timer for the whole port"
          checked={debounce.wholePort}
          onChange={(event) => change({ debounce: { ...debounce, wholePort: event.currentTarget.checked } })}
        />
      )}
      <p className="soft">
        {algorithm.doc}{' '}
        <span className="number">
          At least {showDuration(floor.press)} late pressing, {showDuration(floor.release)} letting go.{' '}
          {bytes} B, about {operations} operations a reading.
        </span>
      </p>
    </fieldset>
  );
}
