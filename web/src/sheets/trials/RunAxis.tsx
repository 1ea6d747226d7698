import type { Gadget, Trial, TraceEntry, TrialResult } from '@hum-lever/core';
import { count, TimeAxis } from '../../shared/index.ts';
import { namesOf } from '../../words/index.ts';
import { pressesOf, statesOf } from './describe.ts';
import classes from './Trials.module.css';

const width = 640;
const row = 22;

/** A run on its time axis: presses, states, what was swallowed or came twice, and each expectation's window. */
export function RunAxis({
  gadget,
  trial,
  trace,
  result,
}: {
  gadget: Gadget;
  trial: Trial;
  trace: readonly TraceEntry[];
  result: TrialResult;
}) {
  const endUs = Math.max(1, trial.endUs);
  const x = (us: number) => (us / endUs) * width;
  const name = namesOf(gadget);
  const wrong = trace.filter(
    (entry) => entry.lane === 'swallowed' || (entry.lane === 'clean' && entry.extra),
  );
  const axisY = row * (2 + trial.expectations.length) + 4;
  const failed = result.expectations.filter(({ passed }) => !passed).length;
  const label = `${count(pressesOf(trial).length, 'press', 'presses')}, ${count(result.expectations.length, 'expectation')}, ${failed} not met`;
  return (
    <svg
      className={classes.axis}
      viewBox={`-64 0 ${width + 112} ${axisY + 18}`}
      role="img"
      aria-label={label}
    >
      <g fontSize={12} fill="var(--soft)" aria-hidden>
        <text x={-62} y={15}>
          Presses
        </text>
        <text x={-62} y={row + 15}>
          State
        </text>
        {trial.expectations.length > 0 && (
          <text x={-62} y={row * 2 + 15}>
            Expected
          </text>
        )}
      </g>
      {pressesOf(trial).map(({ fromUs, toUs }) => (
        <rect
          key={fromUs}
          x={x(fromUs)}
          y={5}
          width={Math.max(1.5, x(toUs) - x(fromUs))}
          height={12}
          fill="var(--stage-contact)"
        />
      ))}
      {wrong.map((entry) => (
        <path
          key={`${entry.atUs} ${entry.lane}`}
          d={`M${x(entry.atUs)} 1 v4 m-3 -4 l3 4 l3 -4`}
          stroke="var(--stop)"
          fill="none"
          strokeWidth={1.4}
        />
      ))}
      {statesOf(trace, result.stopped?.atUs ?? endUs).map(({ fromUs, toUs, stateId }) => (
        <g key={fromUs}>
          <rect
            x={x(fromUs)}
            y={row + 2}
            width={Math.max(1, x(toUs) - x(fromUs) - 1)}
            height={row - 5}
            fill="var(--stage-state)"
            opacity={0.16}
          />
          <path d={`M${x(fromUs)} ${row + 2} v${row - 5}`} stroke="var(--stage-state)" strokeWidth={1.5} />
          {x(toUs) - x(fromUs) > 5.5 * name(stateId).length && (
            <text x={x(fromUs) + 5} y={row + 15} fontSize={12} fill="var(--ink)">
              {name(stateId)}
            </text>
          )}
        </g>
      ))}
      {trial.expectations.map(({ id, when }, index) => {
        const y = row * (2 + index) + row / 2;
        const [from, to] = when.kind === 'at' ? [x(when.atUs), x(when.atUs)] : [x(when.fromUs), x(when.toUs)];
        const verdict = result.expectations.find((one) => one.id === id);
        const unknown = verdict?.passed === null;
        const colour = unknown ? 'var(--soft)' : verdict?.passed ? 'var(--stage-gesture)' : 'var(--stop)';
        return (
          <g key={id} stroke={colour} fill="none" strokeWidth={1.8}>
            <path
              d={`M${from} ${y - 5} v10 M${from} ${y} H${to} M${to} ${y - 5} v10`}
              strokeDasharray={verdict?.passed ? undefined : '4 2'}
            />
            {verdict && verdict.heldAtUs !== null && (
              <circle cx={x(verdict.heldAtUs)} cy={y} r={3.5} fill={colour} />
            )}
            <text x={Math.min(width + 6, to + 6)} y={y + 4} fontSize={12} stroke="none" fill={colour}>
              {index + 1}
              {unknown ? ' not known' : verdict?.passed ? '' : ' not met'}
            </text>
          </g>
        );
      })}
      <TimeAxis fromUs={0} toUs={endUs} width={width} y={axisY} />
    </svg>
  );
}
