import type { TraceEntry } from '@hum-lever/core';
import { measure, measuredWords } from './measure.ts';

const trace: TraceEntry[] = [
  { atUs: 1_000, lane: 'finger', id: 'b1', down: true, press: 1 },
  { atUs: 2_000, lane: 'finger', id: 'b1', down: false, press: 1 },
  { atUs: 3_000, lane: 'state', id: 's2' },
  { atUs: 3_000, lane: 'light', id: 'o1', light: { mode: 'on' }, fromPercent: 0 },
  { atUs: 9_000, lane: 'tone', id: 'o2', hz: 440 },
];

describe('a stretch of the strip', () => {
  it('is counted with both of its ends, and not beyond', () => {
    expect(measure(trace, { fromUs: 1_000, toUs: 3_000 })).toEqual({
      presses: 1,
      states: 1,
      outputs: 1,
      swallowed: 0,
    });
    expect(measure(trace, { fromUs: 3_001, toUs: 20_000 })).toMatchObject({ presses: 0, outputs: 1 });
  });
  it('is told in words, and where nothing happened, that', () => {
    expect(measuredWords({ presses: 2, states: 1, outputs: 9, swallowed: 1 })).toBe(
      '2 presses, 1 swallowed, 1 state entered, 9 changes of outputs',
    );
    expect(measuredWords(measure(trace, { fromUs: 0, toUs: 10 }))).toBe('nothing happened');
  });
});
