import { Button as PushButton, SegmentedControl } from '@mantine/core';
import type { Button, DebounceSetting, Edge } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { count, FirstStep, showDuration, StageIcon, TimeAxis, type Stage } from '../../shared/index.ts';
import { gestureWords } from '../../words/index.ts';
import { player, traceNow, usePlayer } from '../../workers/index.ts';
import classes from './Feel.module.css';
import { answersTo, lastPress, windowOf, type Answer, type View } from './press.ts';
import { useMeasures } from './useMeasures.ts';

const width = 420;
const laneHeight = 26;

/** A press of ordinary length, by itself: for looking, without leaving the keyboard. */
function pressForMe(controlId: string): void {
  player.finger(controlId, true);
  setTimeout(() => player.finger(controlId, false), 110);
}

/** The last real press, magnified, and what every algorithm would have made of it. */
export function Magnified({ control }: { control: Button }) {
  const { loop } = useDocument();
  const [view, setView] = useState<View>('closing');
  const pastUs = usePlayer((state) => state.pastUs);
  // The trace grows in place; its version says when to look again.
  usePlayer((state) => state.traceVersion);
  const trace = traceNow();
  const newest = trace.length;
  const press = useMemo(
    () => lastPress(traceNow(), control.id, pastUs ?? Infinity),
    [control.id, pastUs, newest],
  );
  const answers = press ? answersTo(press, control, loop.periodUs) : [];
  const again = (
    <PushButton variant="default" size="compact-sm" onClick={() => pressForMe(control.id)}>
      Press it for me
    </PushButton>
  );
  if (!press)
    return (
      <FirstStep action={again}>
        Press {control.name} in hand, once: its bounce shows here, magnified.
      </FirstStep>
    );
  const window = windowOf(press, answers, view);
  const lane = { ...window, width, height: laneHeight };
  return (
    <section aria-label="The last press, magnified">
      <div className={classes.viewBar}>
        <h2>The last press of {control.name}</h2>
        <SegmentedControl
          size="xs"
          aria-label="What to magnify"
          data={[
            { label: 'Closing', value: 'closing' },
            { label: 'Whole', value: 'whole' },
            { label: 'Opening', value: 'opening' },
          ]}
          value={view}
          onChange={(value) => setView(value as View)}
        />
        {again}
      </div>
      <div className={`card ${classes.grid}`}>
        <Row stage="contact" label="Raw contact" words={`${count(press.raw.length, 'edge')}`}>
          <Trace {...lane} stage="contact" edges={press.raw} />
        </Row>
        <Row stage="clean" label="Clean, as in hand" words={inHandWords(press.clean, press.downUs)}>
          <Trace {...lane} stage="clean" edges={press.clean} />
        </Row>
        <Row
          stage="gesture"
          label="Gesture"
          words={
            press.gestures
              .map(({ gesture }) => gestureWords[gesture as keyof typeof gestureWords])
              .join(', ') || 'none yet'
          }
        >
          <Ticks {...lane} ticks={press.gestures.map(({ atUs, gesture }) => ({ atUs, text: gesture }))} />
        </Row>
        <div />
        <svg viewBox={`0 0 ${width} 16`} className={classes.lane} aria-hidden>
          <TimeAxis fromUs={window.fromUs} toUs={window.toUs} width={width} y={0} />
        </svg>
        <div />
      </div>
      <Answers control={control} answers={answers} lane={lane} downUs={press.downUs} />
    </section>
  );
}

const inHandWords = (clean: Edge[], downUs: number) => {
  const down = clean.filter(({ level }) => level === 1);
  return down.length === 0
    ? 'nothing came through'
    : `${showDuration(down[0]!.atUs - downUs)} after the finger`;
};

interface Lane {
  fromUs: number;
  toUs: number;
  width: number;
  height: number;
}

function Answers({
  control,
  answers,
  lane,
  downUs,
}: {
  control: Button;
  answers: Answer[];
  lane: Lane;
  downUs: number;
}) {
  const { periodUs } = useDocument().loop;
  const measures = useMeasures(control, periodUs);
  const use = (debounce: DebounceSetting) =>
    edit({ name: 'changeControl', args: [control.id, { debounce }] });
  return (
    <>
      <h2 className={classes.second}>The same press, cleaned by each method</h2>
      <ul className={classes.answers}>
        {answers.map(({ setting, title, chosen, edges, presses, latencyUs }, index) => {
          const measure = measures?.[index];
          return (
            <li key={setting.algorithm} className="card" data-chosen={chosen || undefined}>
              <div className={classes.answerHead}>
                <h3>{title}</h3>
                <span className="number">
                  {Object.values(setting.params)
                    .map((value) => paramWords(setting, value))
                    .join(', ')}
                </span>
                {chosen ? (
                  <span className={classes.inHand}>in hand</span>
                ) : (
                  <PushButton
                    size="compact-xs"
                    variant="default"
                    onClick={() => use(setting)}
                    aria-label={`Use ${title}`}
                  >
                    Use it
                  </PushButton>
                )}
              </div>
              <div className={classes.answerBody}>
                <svg viewBox={`0 0 ${width} ${laneHeight}`} className={classes.lane} aria-hidden>
                  <path
                    className={classes.finger}
                    d={`M${((downUs - lane.fromUs) / (lane.toUs - lane.fromUs)) * width} 0 V${laneHeight}`}
                  />
                  <Trace {...lane} stage="clean" edges={edges} bare />
                </svg>
                <p data-bad={presses !== 1 || undefined}>
                  {presses === 0
                    ? 'It would be lost.'
                    : presses === 1
                      ? `Once, after ${showDuration(latencyUs!)}.`
                      : `${presses} times.`}
                </p>
              </div>
              <p className={classes.measure}>
                {measure
                  ? `Of ${measure.presses} presses on this switch: ${measure.extra} twice or more, ${measure.missed} lost${measure.medianUs === null ? '' : `; half of them within ${showDuration(measure.medianUs)}, all within ${showDuration(measure.worstUs!)}`}.`
                  : 'Measuring…'}
              </p>
            </li>
          );
        })}
      </ul>
    </>
  );
}

const paramWords = ({ algorithm }: DebounceSetting, value: number) =>
  algorithm === 'integrator' ? `${value} samples` : showDuration(value);

function Row({
  stage,
  label,
  words,
  children,
}: {
  stage: Stage;
  label: string;
  words: string;
  children: React.ReactNode;
}) {
  return (
    <>
      <span className={classes.label}>
        <StageIcon stage={stage} />
        {label}
      </span>
      <svg viewBox={`0 0 ${width} ${laneHeight}`} className={classes.lane} aria-hidden>
        {children}
      </svg>
      <span className={classes.words}>{words}</span>
    </>
  );
}

/** A level over time as one line. */
function Trace({
  edges,
  stage,
  fromUs,
  toUs,
  width: wide,
  height,
}: Lane & { edges: Edge[]; stage: Stage; bare?: boolean }) {
  const x = (us: number) => Math.min(wide, Math.max(0, ((us - fromUs) / (toUs - fromUs)) * wide));
  const y = (level: 0 | 1) => (level === 1 ? 5 : height - 5);
  const before = edges.findLast(({ atUs }) => atUs < fromUs)?.level ?? 0;
  const inside = edges.filter(({ atUs }) => atUs >= fromUs && atUs <= toUs);
  const path = inside.map(({ atUs, level }) => `H${x(atUs)} V${y(level)}`).join(' ');
  return (
    <path className={classes.trace} stroke={`var(--stage-${stage})`} d={`M0 ${y(before)} ${path} H${wide}`} />
  );
}

function Ticks({
  ticks,
  fromUs,
  toUs,
  width: wide,
  height,
}: Lane & { ticks: { atUs: number; text: string }[] }) {
  const inside = ticks.filter(({ atUs }) => atUs >= fromUs && atUs <= toUs);
  return (
    <g stroke="var(--stage-gesture)" fill="var(--stage-gesture)" fontSize={12}>
      {inside.map(({ atUs, text }, index) => {
        const x = ((atUs - fromUs) / (toUs - fromUs)) * wide;
        // Several at one moment are written one behind the other.
        const behind = inside.slice(0, index).filter((other) => other.atUs === atUs).length;
        return (
          <g key={`${atUs} ${text}`}>
            <path d={`M${x} 3 V${height - 3}`} strokeWidth={1.5} strokeDasharray="2 2" />
            <text x={x + 4 + behind * 52} y={height / 2 + 4} stroke="none">
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}
