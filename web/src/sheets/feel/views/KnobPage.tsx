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
import { count } from '../../../shared/index.ts';
import { lab, traceNow, useAnswer, usePlayer } from '../../../workers/index.ts';
import { changeOf } from '../cards/change.ts';
import { AdviceFrame, Verdict } from '../cards/WhatToSet.tsx';
import classes from '../Feel.module.css';
import { QuietCard, ValueCard, WiperCard } from './KnobCards.tsx';

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
