import { lineEnds } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

const endWords = {
  crlf: 'lines end with CR LF',
  lf: 'lines end with LF',
  cr: 'lines end with CR',
  none: 'lines have no end mark',
} as const;

export const serial: FiguresOf<'serial'> = ({ output, change }) => (
  <>
    <span>Lines up to</span>
    <NumberField
      label=""
      aria-label="Longest line"
      unit="characters"
      width={150}
      min={1}
      max={255}
      value={output.longest}
      commit={(longest) => change({ longest })}
    />
    <NumberField
      label=""
      aria-label="Queue"
      unit="bytes"
      width={110}
      min={0}
      max={4_096}
      value={output.queueBytes}
      commit={(queueBytes) => change({ queueBytes })}
    />
    <span>wait behind them,</span>
    <Choice
      label={`What ends a line of ${output.name}`}
      data={lineEnds.map((value) => ({ value, label: endWords[value] }))}
      value={output.ends}
      choose={(ends) => change({ ends })}
    />
  </>
);
