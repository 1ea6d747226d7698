import type { OutputOf } from '../gadget/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { Machine, outputStateOf } from './index.ts';

/* Lines of text over a serial line: its bytes take their time, and what does not fit is lost. */

type Told = readonly (readonly [atMs: number, text: string])[];
function played(told: Told, patch: Partial<OutputOf<'serial'>> = {}, untilMs = 500) {
  const panel = { ...(outputOf('serial', 'Panel') as OutputOf<'serial'>), ...patch };
  const machine = new Machine(toldGadget(panel, told), 1);
  machine.advanceTo(untilMs * 1_000);
  const sent = machine
    .takeTrace()
    .flatMap((entry) => (entry.lane === 'serial' ? [[entry.at, entry.what, entry.text]] : []));
  return { sent, ...outputStateOf(machine.shown.outputs, 'serial', 'o1')! };
}

describe('serial text', () => {
  it('takes 25 ms for 24 bytes at 9,600 baud', () => {
    // reckoning, Buses and screens: 23 characters and an end mark.
    const { sent, lines } = played([[10, 'Panel say "12345678901234567890123"']]);
    expect(sent).toEqual([
      [10_000, 'begins', '12345678901234567890123'],
      [35_000, 'ends', '12345678901234567890123'],
    ]);
    expect(lines).toEqual(['12345678901234567890123']);
  });

  it('counts both end marks, and characters of two bytes', () => {
    const end = (told: string, patch: Partial<OutputOf<'serial'>>) => played([[10, told]], patch).sent[1]![0];
    // Ten bits a byte: at 10,000 baud a millisecond each.
    expect(end('Panel say "ab"', { baud: 10_000, ends: 'crlf' })).toBe(14_000);
    expect(end('Panel say "äb"', { baud: 10_000, ends: 'none' })).toBe(13_000);
  });

  it('lets lines wait behind one another as long as they fit, and loses the next', () => {
    const told: Told = [[10, 'Panel say "aaaa"; Panel say "bbbb"; Panel say "cccc"; Panel say "dddd"']];
    const { sent, lines, lost } = played(told, { baud: 10_000, ends: 'none', queueBytes: 8 });
    expect(sent).toEqual([
      [10_000, 'begins', 'aaaa'],
      [10_000, 'lost', 'dddd'],
      [14_000, 'ends', 'aaaa'],
      [14_000, 'begins', 'bbbb'],
      [18_000, 'ends', 'bbbb'],
      [18_000, 'begins', 'cccc'],
      [22_000, 'ends', 'cccc'],
    ]);
    expect([lines, lost]).toEqual([['aaaa', 'bbbb', 'cccc'], 1]);
  });

  it('cuts a line at the longest, and goes on with one that has no end yet', () => {
    expect(played([[10, 'Panel say "abcdef"']], { longest: 4 }).lines).toEqual(['abcd']);
    expect(
      played([
        [10, 'Panel begin "left "'],
        [20, 'Panel say "right"'],
        [60, 'Panel say "next"'],
      ]).lines,
    ).toEqual(['left right', 'next']);
  });
});
