import type { OutputOf } from '../gadget/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { readRule } from '../flow/index.ts';
import { numberVariable, rule } from '../test/fixtures.ts';
import { whyNot } from './whyNot.ts';
import { Machine, outputStateOf, replay, wholeGadget } from './index.ts';

/* Lines of text over a serial line: its bytes take their time, and what does not fit is lost. */

type Told = readonly (readonly [atMs: number, text: string])[];
function played(told: Told, patch: Partial<OutputOf<'serial'>> = {}, untilMs = 500) {
  const panel = { ...(outputOf('serial', 'Panel') as OutputOf<'serial'>), ...patch };
  const machine = new Machine(toldGadget(panel, told), 1);
  machine.advanceTo(untilMs * 1_000);
  const sent = machine
    .takeTrace()
    .flatMap((entry) => (entry.lane === 'serial' ? [[entry.atUs, entry.what, entry.text]] : []));
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

describe('lines that come in', () => {
  const volume = numberVariable({ id: 'v1', name: 'volume', initial: 0, min: -50, max: 100 });
  const listening = (...lines: string[]) => {
    const gadget = toldGadget(
      { ...(outputOf('serial', 'Panel') as OutputOf<'serial'>), baud: 10_000 },
      [],
      [volume],
    );
    const rules = lines.map((line, n) => rule(`r${n + 1}`, readRule(line, gadget)));
    return { ...gadget, flow: { ...gadget.flow, states: [{ ...gadget.flow.states[0]!, rules }] } };
  };
  const come = (gadget: ReturnType<typeof listening>, ...texts: string[]) =>
    replay(
      gadget,
      texts.map((text, n) => ({ atUs: (n + 1) * 100_000, controlId: 'o1', what: 'line' as const, text })),
      900_000,
      1,
    );
  const set = 'when line Panel "volume" do volume = heard(0)';

  it('are heard when their last byte is in, by a word, with their numbers', () => {
    const trace = come(listening(set), 'volume 42', 'loudness 7', 'volume=-9, 3');
    // Ten bits a byte at 10,000 baud: a millisecond each, the end mark among them.
    expect(trace.filter(({ lane }) => lane === 'lineIn' || lane === 'variable')).toEqual([
      { atUs: 110_000, sinceUs: 0, lane: 'lineIn', id: 'o1', text: 'volume 42' },
      { atUs: 110_000, lane: 'variable', id: 'v1', value: 42 },
      { atUs: 211_000, sinceUs: 0, lane: 'lineIn', id: 'o1', text: 'loudness 7' },
      { atUs: 313_000, sinceUs: 0, lane: 'lineIn', id: 'o1', text: 'volume=-9, 3' },
      { atUs: 313_000, lane: 'variable', id: 'v1', value: -9 },
    ]);
  });
  it('are heard by a rule that takes any, and answered once', () => {
    const trace = come(listening(set, 'when line Panel do volume = volume + 1'), 'tick', 'volume 5', 'tick');
    expect(trace.flatMap((entry) => (entry.lane === 'variable' ? [entry.value] : []))).toEqual([1, 5, 6]);
  });
  it('hold their numbers inside 32 bits, and their length inside the longest', () => {
    const long = `volume ${'9'.repeat(30)}`;
    expect(come(listening(set), long).at(-1)).toMatchObject({ lane: 'variable', value: 100 });
    expect(
      come(listening(set), `${'x'.repeat(90)} volume 3`).filter(({ lane }) => lane === 'variable'),
    ).toEqual([]);
  });
  it('and what was not heard has its reason', () => {
    const gadget = listening(set);
    expect(whyNot(gadget, come(gadget, 'loudness 7'), 'r1', 800_000)).toMatchObject({
      active: true,
      heardUs: null,
    });
    expect(whyNot(gadget, come(gadget, 'volume 7'), 'r1', 800_000)).toMatchObject({
      heardUs: 108_000 + 1_000,
    });
  });
});

describe('characters of a line', () => {
  const heard = (...lines: string[]) => {
    const panel = {
      ...(outputOf('serial', 'Panel') as OutputOf<'serial'>),
      baud: 10_000,
      ends: 'lf' as const,
    };
    const blank = toldGadget(
      panel,
      [],
      [
        { id: 'v1', kind: 'text', name: 'line', saved: null, length: 12, initial: '' },
        numberVariable({ id: 'v2', name: 'place', min: 0, max: 99 }),
      ],
    );
    const rules = lines.map((line, n) => rule(`r${n + 1}`, readRule(line, blank)));
    return { ...blank, flow: { ...blank.flow, states: [{ ...blank.flow.states[0]!, rules }] } };
  };
  const gathers = 'when character Panel do append line "{char(heard(0))}"; place = heard(1)';
  const values = (gadget: ReturnType<typeof heard>, stimuli: Parameters<typeof replay>[1]) =>
    replay(gadget, stimuli, 200_000, 1).flatMap((entry) =>
      entry.lane === 'variable' && entry.id === 'v1' ? [[entry.atUs, entry.value]] : [],
    );
  it('are heard one by one, each when its bytes are in, and the line when its end is', () => {
    const gadget = heard(gathers, 'when line Panel "äb" do line = ""');
    const told = values(gadget, [{ atUs: 10_000, controlId: 'o1', what: 'line', text: 'äb' }]);
    // Two bytes, one, and the end mark, a millisecond each.
    expect(told).toEqual([
      [12_000, 'ä'],
      [13_000, 'äb'],
      [14_000, ''],
    ]);
    const [first] = gadget.flow.states[0]!.rules;
    const trace = replay(gadget, [{ atUs: 10_000, controlId: 'o1', what: 'line', text: 'äb' }], 50_000, 1);
    expect(whyNot(gadget, trace, first!.id, 50_000)).toMatchObject({ heardUs: 13_000, firedUs: 13_000 });
  });
  it('come without an end: nothing hears the line until a later one brings it', () => {
    const gadget = heard(gathers, 'when line Panel "volume" do line = "all {heard(0)}"');
    const told = values(gadget, [
      { atUs: 10_000, controlId: 'o1', what: 'line', text: 'volu', ended: false },
      { atUs: 50_000, controlId: 'o1', what: 'line', text: 'me 4' },
    ]);
    expect(told.map(([, value]) => value)).toEqual([
      'v',
      'vo',
      'vol',
      'volu',
      'volum',
      'volume',
      'volume ',
      'volume 4',
      'all 4',
    ]);
    // Counted from the beginning of the line, over both pieces.
    const trace = replay(
      gadget,
      [
        { atUs: 10_000, controlId: 'o1', what: 'line', text: 'volu', ended: false },
        { atUs: 50_000, controlId: 'o1', what: 'line', text: 'me 4' },
      ],
      200_000,
      1,
    );
    expect(trace.flatMap((entry) => (entry.lane === 'characterIn' ? [entry.place] : []))).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7,
    ]);
    expect(trace.filter(({ lane }) => lane === 'lineIn')).toMatchObject([
      { atUs: 14_000, text: 'volu', open: true },
      { atUs: 55_000, text: 'volume 4' },
    ]);
  });
  it('begin what waits by itself: a timer that a character starts runs out', () => {
    const gadget = heard('when character Panel do place = 7');
    const [only] = gadget.flow.states;
    const leaving = { ...only!.rules[0]!, targetIds: ['s2'] };
    const later = rule('r9', readRule('when after 20 ms do place = 9', gadget));
    const states = [
      { ...only!, rules: [leaving] },
      { ...only!, id: 's2', name: 'Later', rules: [later] },
    ];
    const waiting = { ...gadget, flow: { ...gadget.flow, states } };
    // Its line goes on long after the timer has run out.
    const line = { atUs: 10_000, controlId: 'o1', what: 'line', text: 'a'.repeat(60) } as const;
    const trace = replay(waiting, [{ ...line, ended: false }], 200_000, 1);
    expect(trace.flatMap((entry) => (entry.lane === 'variable' ? [[entry.atUs, entry.value]] : []))).toEqual([
      [11_000, 7],
      [31_000, 9],
    ]);
  });
  it('are forgotten with the power, and cost nothing where no rule hears them', () => {
    const deaf = heard('when line Panel do place = 1');
    const trace = replay(
      deaf,
      [
        { atUs: 10_000, controlId: 'o1', what: 'line', text: 'volu', ended: false },
        { atUs: 20_000, controlId: wholeGadget, what: 'power', event: 'cycle' },
        { atUs: 50_000, controlId: 'o1', what: 'line', text: 'me' },
      ],
      200_000,
      1,
    );
    expect(trace.flatMap((entry) => (entry.lane === 'lineIn' ? [entry.text] : []))).toEqual(['volu', 'me']);
    expect(trace.some(({ lane }) => lane === 'characterIn')).toBe(false);
  });
  it('are characters only where they are: no control characters, no halves', () => {
    const gadget = toldGadget(outputOf('typist', 'Desk'), [
      [10, 'Desk type "<{char(97)}{char(10)}{char(0 - 5)}{char(55296)}{char(128578)}>"'],
    ]);
    const typed = replay(gadget, [], 50_000, 1).flatMap((entry) =>
      entry.lane === 'typed' ? [entry.text] : [],
    );
    expect(typed).toEqual(['<a🙂>']);
    expect(() => readRule('when always if char(97) == "a"', gadget)).toThrow('char() can only be filled in');
  });
});
