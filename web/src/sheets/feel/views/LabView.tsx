import '../../../shared/styles/toggle.css';
import '@mantine/core/styles/Progress.layer.css';
import { Button as PushButton, Checkbox, Progress, SegmentedControl } from '@mantine/core';
import {
  algorithms,
  everyAlgorithm,
  frontierOf,
  mostPresses,
  sweptModels,
  usualWish,
  wrongAtMost,
  type Button,
  type SweepWish,
} from '@hum-lever/core';
import { Suspense, useMemo, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { Choice, DurationField, NumberField, onDemand } from '../../../shared/index.ts';
import { methodName } from '../../../words/index.ts';
import { AdviceCard } from '../AdviceCard.tsx';
import { modelWords } from '../cards/ContactCard.tsx';
import classes from '../Feel.module.css';
import { useAdvice } from '../useAdvice.ts';
import { useSweep, type Swept } from './useSweep.ts';
import { RowTable } from './RowTable.tsx';

const TradeChart = onDemand(() => import('./TradeChart.tsx'));

const firstWish: SweepWish = { ...usualWish, algorithms: everyAlgorithm };

/** Thousands of presses, every method and setting: what each gets wrong and how late it is. */
export function LabView({ control }: { control: Button }) {
  const [wish, setWish] = useState(firstWish);
  const sweep = useSweep();
  return (
    <>
      <SweepForm wish={wish} setWish={setWish} />
      <div className={classes.runBar}>
        {sweep.running ? (
          <PushButton size="compact-sm" variant="default" onClick={sweep.cancel}>
            Cancel
          </PushButton>
        ) : (
          <PushButton size="compact-sm" onClick={() => sweep.run(control, wish)}>
            Try them all
          </PushButton>
        )}
        <Progress
          size="md"
          color="var(--stage-clean)"
          className={classes.progress}
          value={sweep.share * 100}
          aria-label="Settings tried"
        />
        <p role="status" className="number">
          {sweep.failure ?? progressWords(sweep)}
        </p>
      </div>
      {sweep.swept && sweep.swept.rows.length > 0 && <Results control={control} swept={sweep.swept} />}
      <AdviceCard control={control} />
    </>
  );
}

function progressWords({ running, cancelled, swept }: ReturnType<typeof useSweep>): string {
  if (!swept) return 'Nothing tried yet.';
  const done = `${swept.rows.length} of ${swept.total} settings`;
  if (running) return `${done}…`;
  return cancelled ? `Cancelled after ${done}.` : `${done}, ${swept.presses} presses each.`;
}

function SweepForm({ wish, setWish }: { wish: SweepWish; setWish: (wish: SweepWish) => void }) {
  const { loop } = useDocument();
  const set = (patch: Partial<SweepWish>) => {
    setWish({ ...wish, ...patch });
    return null;
  };
  const models = [
    { value: 'own', label: 'its own' },
    ...sweptModels.map((value) => ({ value, label: modelWords[value] })),
  ];
  return (
    <fieldset className={`card ${classes.sweepForm}`}>
      <legend>What to try</legend>
      <Checkbox.Group
        label="Methods"
        size="xs"
        value={[...wish.algorithms]}
        onChange={(chosen) => set({ algorithms: everyAlgorithm.filter((id) => chosen.includes(id)) })}
      >
        <div className={classes.checks}>
          {algorithms.map(({ id }) => (
            <Checkbox key={id} size="xs" value={id} label={methodName(id)} />
          ))}
        </div>
      </Checkbox.Group>
      <Checkbox.Group
        label="Switches"
        size="xs"
        value={[...wish.models]}
        onChange={(chosen) => set({ models: chosen as SweepWish['models'] })}
      >
        <div className={classes.checks}>
          {models.map(({ value, label }) => (
            <Checkbox key={value} size="xs" value={value} label={label} />
          ))}
        </div>
      </Checkbox.Group>
      <div className={classes.wants}>
        <NumberField
          label="Settings of each"
          min={1}
          max={60}
          value={wish.steps}
          commit={(steps) => set({ steps })}
        />
        <NumberField
          label="Presses"
          min={100}
          max={mostPresses}
          step={500}
          value={wish.presses}
          commit={(presses) => set({ presses })}
        />
        <NumberField
          label="Letting go waits"
          unit="%"
          min={10}
          max={400}
          step={50}
          value={Math.round(wish.releaseShare * 100)}
          commit={(percent) => set({ releaseShare: percent / 100 })}
        />
        <NumberField
          label="Spikes on the wire"
          unit="/h"
          min={0}
          max={360_000}
          step={60}
          value={wish.glitchPerHour ?? 0}
          commit={(perHour) => set({ glitchPerHour: perHour === 0 ? null : perHour })}
        />
        <DurationField
          label="Readings late by up to"
          maxUs={loop.periodUs - 1}
          step={0.1}
          value={Math.min(wish.jitterUs, loop.periodUs - 1)}
          commit={(jitterUs) => set({ jitterUs })}
        />
      </div>
    </fieldset>
  );
}

/** What the chart and the table are drawn from. */
function Results({ control, swept }: { control: Button; swept: Swept }) {
  const advice = useAdvice(control);
  const [train, setTrain] = useState(0);
  const [all, setAll] = useState(false);
  const rows = useMemo(() => swept.rows.filter((row) => row.train === train), [swept, train]);
  const frontier = useMemo(() => frontierOf(rows), [rows]);
  const best = useMemo(() => new Set(frontier), [frontier]);
  const listed = useMemo(
    () => (all ? [...rows].sort((a, b) => wrongAtMost(a) - wrongAtMost(b)) : frontier),
    [all, rows, frontier],
  );
  const names = swept.models.map((model) => (model === 'own' ? 'its own switch' : modelWords[model]));
  return (
    <section aria-label="What came out">
      <div className={classes.viewBar}>
        <h2 className={classes.second}>Wrong against late</h2>
        {names.length > 1 && (
          <Choice
            label="Switch"
            data={names.map((label, index) => ({ value: String(index), label }))}
            value={String(train)}
            choose={(value) => setTrain(Number(value))}
          />
        )}
      </div>
      <Suspense fallback={<p role="status">Drawing…</p>}>
        <TradeChart
          rows={rows}
          settings={swept.settings}
          frontier={frontier}
          current={control.debounce}
          recommended={advice?.setting ?? null}
        />
      </Suspense>
      <div className={classes.viewBar}>
        <h2 className={classes.second}>In numbers</h2>
        <SegmentedControl
          size="xs"
          aria-label="Which settings"
          data={[
            { value: 'best', label: 'Those that nothing beats' },
            { value: 'all', label: 'All' },
          ]}
          value={all ? 'all' : 'best'}
          onChange={(value) => setAll(value === 'all')}
        />
      </div>
      <RowTable rows={listed} settings={swept.settings} best={best} control={control} />
    </section>
  );
}
