import type { Edge } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { StageIcon, TimeAxis, type Stage } from '../../shared/index.ts';
import classes from './Feel.module.css';
import type { Window } from './press.ts';

/** Width of all windows together, and height of a lane, in drawing units. */
const fullWidth = 430;
export const laneHeight = 24;
const gap = 14;

/** One window of time on its stretch of the drawing. */
export interface Scale extends Window {
  width: number;
}

/** The same lane through every window, side by side; time is cut out in between. */
export function Windows({
  windows,
  height = laneHeight,
  children,
}: {
  windows: Window[];
  height?: number;
  children: (scale: Scale) => ReactNode;
}) {
  const width = (fullWidth - gap * (windows.length - 1)) / windows.length;
  return (
    <div className={classes.windows}>
      {windows.map((window) => (
        <svg key={window.fromUs} viewBox={`0 0 ${width} ${height}`} aria-hidden>
          {children({ ...window, width })}
        </svg>
      ))}
    </div>
  );
}

const at = (us: number, { fromUs, toUs, width }: Scale) => ((us - fromUs) / (toUs - fromUs)) * width;

/** A level over time as one line. */
export function Level({
  edges,
  before: resting = 0,
  stage,
  scale,
}: {
  edges: Edge[];
  /** Level before the first of them. */
  before?: 0 | 1;
  stage: Stage;
  scale: Scale;
}) {
  const y = (level: 0 | 1) => (level === 1 ? 5 : laneHeight - 5);
  const before = edges.findLast(({ atUs }) => atUs < scale.fromUs)?.level ?? resting;
  const inside = edges.filter(({ atUs }) => atUs >= scale.fromUs && atUs <= scale.toUs);
  const path = inside.map(({ atUs, level }) => `H${at(atUs, scale)} V${y(level)}`).join(' ');
  return (
    <path
      className={classes.trace}
      stroke={`var(--stage-${stage})`}
      d={`M0 ${y(before)} ${path} H${scale.width}`}
    />
  );
}

/** About the width of a letter of the drawing's words. */
const letter = 6.4;

/** Moments with their words. A word that would run into the one before it gives way; all are listed beside. */
export function Moments({
  moments,
  scale,
  stage = 'gesture',
}: {
  moments: { atUs: number; text: string }[];
  scale: Scale;
  stage?: Stage;
}) {
  const inside = moments.filter(({ atUs }) => atUs >= scale.fromUs && atUs <= scale.toUs);
  let writtenTo = -Infinity;
  const placed = [...new Set(inside.map(({ atUs }) => atUs))].map((atUs) => {
    const x = at(atUs, scale);
    const here = inside.filter((moment) => moment.atUs === atUs).map(({ text }) => text);
    const words = x < writtenTo ? '' : here.join(', ');
    if (words !== '') writtenTo = x + 10 + words.length * letter;
    return { x, words };
  });
  return (
    <g stroke={`var(--stage-${stage})`} fill={`var(--stage-${stage})`} fontSize={12}>
      {placed.map(({ x, words }) => (
        <g key={x} transform={`translate(${x} 0)`}>
          <path d={`M0 3 V${laneHeight - 3}`} strokeWidth={1.5} strokeDasharray="2 2" />
          <text x={4} y={laneHeight / 2 + 4} stroke="none">
            {words}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Where the finger touched or let go. */
export function Finger({ moments, scale }: { moments: number[]; scale: Scale }) {
  const inside = moments.filter((us) => us >= scale.fromUs && us <= scale.toUs);
  return inside.map((us) => (
    <path key={us} className={classes.finger} d={`M${at(us, scale)} 0 V${laneHeight}`} />
  ));
}

export function Row({
  stage,
  label,
  words,
  children,
}: {
  stage: Stage;
  label: string;
  words: string;
  children: ReactNode;
}) {
  return (
    <>
      <span className={classes.label}>
        <StageIcon stage={stage} />
        {label}
      </span>
      {children}
      <span className={classes.words}>{words}</span>
    </>
  );
}

/** Time since the beginning of each window. */
export function Axis({ windows }: { windows: Window[] }) {
  return (
    <Windows windows={windows} height={16}>
      {(scale) => <TimeAxis {...scale} y={0} ticks={windows.length === 1 ? 8 : 4} />}
    </Windows>
  );
}
