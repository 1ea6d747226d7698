import type { OutputActionOf } from '@hum-lever/core';
import { Choice } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';

type Range = Pick<OutputActionOf<'paintLights'>, 'which' | 'first' | 'last'>;

/** Which lights are meant: all, one, or some in a row, counted from 0. */
export function RangeSlots({ range, put }: { range: Range; put: (range: Range) => string | null }) {
  const { which, first, last } = range;
  const place = (label: string, value: string, commit: (value: string) => string | null) => (
    <ExpressionSlot short label={label} value={value} commit={commit} />
  );
  return (
    <>
      <Choice
        label="Which lights"
        data={[
          { value: 'all', label: 'all lights' },
          { value: 'one', label: 'light' },
          { value: 'range', label: 'lights' },
        ]}
        value={which}
        choose={(chosen) => put({ which: chosen, first, last })}
      />
      {which !== 'all' && place('Light, from 0', first, (value) => put({ which, first: value, last }))}
      {which === 'range' && (
        <>
          to
          {place('Last light', last, (value) => put({ which, first, last: value }))}
        </>
      )}
    </>
  );
}
