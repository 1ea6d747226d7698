import { outputOf, toldGadget } from '../test/toldGadget.ts';
import type { OutputOf } from '../gadget/index.ts';
import { Machine } from './index.ts';

/* A line on or off, told in the words that a maker types. */

const bell = (patch: Partial<OutputOf<'line'>> = {}) => ({
  ...(outputOf('line', 'Bell') as OutputOf<'line'>),
  ...patch,
});
type Told = readonly (readonly [atMs: number, text: string])[];

function levels(told: Told, output = bell(), cycleMs: number | null = null) {
  const machine = new Machine(toldGadget(output, told), 1);
  if (cycleMs !== null)
    machine.stimulate({ atUs: cycleMs * 1_000, controlId: 'gadget', what: 'power', event: 'cycle' });
  machine.advanceTo(500_000);
  return machine
    .takeTrace()
    .flatMap((entry) =>
      entry.lane === 'switched' ? [[entry.atUs / 1_000, entry.level, entry.carrierHz]] : [],
    );
}

describe('a line on or off', () => {
  it.each<[string, Told, unknown[]]>([
    ['goes on and off, each told once', [[10, 'Bell on'], [20, 'Bell on'], [30, 'Bell off']], [[10, 'on', 0], [30, 'off', 0]]],
    ['lets go', [[10, 'Bell on'], [20, 'Bell open']], [[10, 'on', 0], [20, 'open', 0]]],
    ['is on for the length of a pulse', [[10, 'Bell pulse 50 ms']], [[10, 'on', 0], [60, 'off', 0]]],
    ['is off for the length of a pulse', [[10, 'Bell on'], [20, 'Bell pulse off 50 ms']], [[10, 'on', 0], [20, 'off', 0], [70, 'on', 0]]],
    ['stays on where another order came during a pulse', [[10, 'Bell pulse 50 ms'], [30, 'Bell on']], [[10, 'on', 0]]],
    ['is told a longer pulse during one', [[10, 'Bell pulse 50 ms'], [40, 'Bell pulse 50 ms']], [[10, 'on', 0], [90, 'off', 0]]],
    ['sends a burst on a carrier', [[10, 'Bell burst 38000 for (2 * 5) ms']], [[10, 'on', 38_000], [20, 'off', 0]]],
    ['holds a carrier inside what a chip gives', [[10, 'Bell burst 0 - 4 for 5 ms']], [[10, 'on', 1], [15, 'off', 0]]],
  ])('%s', (_what, told, expected) => {
    expect(levels(told)).toEqual(expected);
  }); // prettier-ignore

  it('is as its maker says at power-up, and again when the power was gone', () => {
    expect(levels([[10, 'Bell off']], bell({ powerUp: 'open' }), 50)).toEqual([
      [10, 'off', 0],
      [50, 'open', 0],
      [60, 'off', 0],
    ]);
    // A pulse on its way dies with the power.
    expect(levels([[10, 'Bell pulse 200 ms']], bell(), 50)).toEqual([
      [10, 'on', 0],
      [50, 'off', 0],
      [60, 'on', 0],
      [260, 'off', 0],
    ]);
  });
});
