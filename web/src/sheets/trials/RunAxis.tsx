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
  const regions = statesOf(gadget, trace, result.stopped?.atUs ?? endUs);
  /** Below the presses and the states, a region each. */
  const expectedRow = 1 + regions.length;
  const labels = regions.map(([first]) => (first!.regionId === null ? 'State' : name(first!.regionId)));
  const left = Math.max(64, 8 * Math.max(...labels.map(({ length }) => length)));
  const axisY = row * (expectedRow + trial.expectations.length) + 4;
  const failed = result.expectations.filter(({ passed }) => !passed).length;
  const label = `${count(pressesOf(trial).length, 'press', 'presses')}, ${count(result.expectations.length, 'expectation')}, ${failed} not met`;
  return (
    <svg
      className={classes.axis}
      viewBox={`${-left} 0 ${width + left + 48} ${axisY + 18}`}
      role="img"
      aria-label={label}
    >
      <g fontSize={12} fill="var(--soft)" aria-hidden>
        <text x={2 - left} y={15}>
          Presses
        </text>
        {labels.map((label, at) => (
          <text key={regions[at]![0]!.regionId} x={2 - left} y={row * (1 + at) + 15}>
            {label}
          </text>
        ))}
        {trial.expectations.length > 0 && (
          <text x={2 - left} y={row * expectedRow + 15}>
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
      {regions.flatMap((visits, at) =>
        visits.map(({ fromUs, toUs, stateId, entry }) => {
          const top = row * (1 + at);
          return (
            <g key={`${at} ${entry}`}>
              <rect
                x={x(fromUs)}
                y={top + 2}
                width={Math.max(1, x(toUs) - x(fromUs) - 1)}
                height={row - 5}
                fill="var(--stage-state)"
                opacity={0.16}
              />
              <path
                d={`M${x(fromUs)} ${top + 2} v${row - 5}`}
                stroke="var(--stage-state)"
                strokeWidth={1.5}
              />
              {x(toUs) - x(fromUs) > 5.5 * name(stateId).length && (
                <text x={x(fromUs) + 5} y={top + 15} fontSize={12} fill="var(--ink)">
                  {name(stateId)}
                </text>
              )}
            </g>
          );
        }),
      )}
      {trial.expectations.map(({ id, when }, index) => {
        const y = row * (expectedRow + index) + row / 2;
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
