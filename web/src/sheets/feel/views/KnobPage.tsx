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
import { count, tickStep } from '../../../shared/index.ts';
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

/** The curve, and what stands at its axes, px of the drawing. */
const curve = { left: 44, right: 424, top: 8, bottom: 142 };
const size = { width: 440, height: 164 };
/** Shares of the way that are written at its foot. */
const waysWritten = [0, 0.25, 0.5, 0.75, 1];

/** Whole steps from the lower to the upper end, with both of them. */
function valuesWritten(low: number, high: number): number[] {
  const [least, most] = [Math.min(low, high), Math.max(low, high)];
  const step = tickStep(most - least || 1, 4);
  const between: number[] = [];
  for (let at = Math.ceil(least / step) * step; at < most; at += step)
    if (at - least > step / 2 && most - at > step / 2) between.push(at);
  return [least, ...between, most];
}

/** Value against way, with where it is now. */
function Response({ control, taper }: { control: Knob; taper: Taper }) {
  usePlayer((state) => state.traceVersion);
  const { low, high } = control.reading;
  const points = responseOf(control, taper);
  const x = (way: number) => curve.left + way * (curve.right - curve.left);
  const y = (value: number) =>
    curve.bottom - ((value - low) / (high - low || 1)) * (curve.bottom - curve.top);
  const path = points.map(({ way, value }, n) => `${n === 0 ? 'M' : 'L'}${x(way)} ${y(value)}`).join(' ');
  const now = traceNow().findLast((entry) => entry.lane === 'value' && entry.id === control.id);
  const value = now?.lane === 'value' ? now.value : null;
  return (
    <div className={`card ${classes.response}`}>
      <svg
        viewBox={`0 0 ${size.width} ${size.height}`}
        role="img"
        aria-label={`From ${low} to ${high} along the way`}
      >
        <g stroke="var(--line)" fill="var(--soft)" fontSize={9.5} fontFamily="var(--number)">
          {valuesWritten(low, high).map((at) => (
            <g key={at}>
              <path d={`M${curve.left} ${y(at)} H${curve.right}`} />
              <text x={curve.left - 6} y={y(at) + 3.5} textAnchor="end" stroke="none">
                {at}
              </text>
            </g>
          ))}
          {waysWritten.map((way) => (
            <g key={way}>
              <path d={`M${x(way)} ${curve.bottom} v4`} />
              <text x={x(way)} y={curve.bottom + 15} textAnchor="middle" stroke="none">
                {100 * way}
                {'\u202f%'}
              </text>
            </g>
          ))}
          <path d={`M${curve.left} ${curve.top} V${curve.bottom}`} fill="none" />
        </g>
        <path d={path} className={classes.trace} stroke="var(--stage-clean)" />
        {value !== null && (
          <path
            d={`M${curve.left} ${y(value)} H${curve.right}`}
            stroke="var(--stage-gesture)"
            strokeDasharray="3 3"
            fill="none"
          />
        )}
      </svg>
      <p>
        From {low} to {high} along the way, in percent of it.{' '}
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
