import type { SnagRule } from '../gadget/index.ts';
import { beside, chord, octave, telling } from '../test/midiCases.ts';
import { M02 } from './M02.snag.ts';
import { M03 } from './M03.snag.ts';
import { M04 } from './M04.snag.ts';
import { M05 } from './M05.snag.ts';
import { M06 } from './M06.snag.ts';
import { M09 } from './M09.snag.ts';

const derived = {} as Parameters<SnagRule['check']>[1];
const found = (rule: SnagRule, ...[rules, ...more]: Parameters<typeof telling>) =>
  rule.check(telling(rules, ...more), derived).length;

describe('a chord', () => {
  const twelve = [`when Key press do ${chord(12)}`];
  it('of eleven notes is together enough, and of twelve with running status, over USB or with a pause in it', () => {
    // Ten messages of 960 µs behind the first.
    expect(found(M02, [`when Key press do ${chord(11)}`])).toBe(0);
    expect(found(M02, twelve)).toBe(1);
    expect(found(M02, twelve, { runningStatus: true })).toBe(0);
    expect(found(M02, twelve, { transport: 'usb' })).toBe(0);
    expect(found(M02, twelve, { transport: 'free' })).toBe(0);
    expect(found(M02, [`when Key press do ${chord(6)}; wait 20 ms; ${chord(6)}`])).toBe(0);
  });

  it('counts what is told between its notes, and neither what goes before nor notes that end', () => {
    const controls = Array.from({ length: 10 }, (_, n) => `Out control 1, ${n}, 1`).join('; ');
    expect(found(M02, [`when Key press do ${controls}; ${chord(2)}`])).toBe(0);
    expect(found(M02, [`when Key press do ${chord(1)}; ${controls}; ${chord(1)}`])).toBe(1);
    expect(found(M02, [`when Key press do ${chord(12).replaceAll(', 100', ', 0')}`])).toBe(0);
  });
});

describe('a knob', () => {
  const sends = 'do Out control 1, 2, value(Breath)';
  it('of so many steps as a controller has values fits the wire, and so does what is passed over', () => {
    const thousand = { steps: 1_001 };
    expect(found(M04, [`when Breath up ${sends}`], {}, { steps: 128 })).toBe(0);
    expect(found(M04, [`when Breath up ${sends}`], {}, thousand)).toBe(1);
    expect(found(M04, [`when Breath up if value(Breath) % 8 == 0 ${sends}`], {}, thousand)).toBe(0);
    expect(found(M04, [`when Breath up ${sends}`], { transport: 'usb' }, thousand)).toBe(0);
    expect(found(M04, [`when Key press ${sends}`], {}, thousand)).toBe(0);
  });

  it('costs two bytes a step with running status, where nothing else is told', () => {
    // 400 steps: 384 ms whole, 256 ms running; a sweep takes 300.
    const steps = { steps: 401 };
    expect(found(M04, [`when Breath up ${sends}`], {}, steps)).toBe(1);
    expect(found(M04, [`when Breath up ${sends}`], { runningStatus: true }, steps)).toBe(0);
    const two = [`when Breath up ${sends}; Out pressure 1, 64`];
    expect(found(M04, two, { runningStatus: true }, steps)).toBe(1);
  });
});

describe('a number in a message', () => {
  const told = (expression: string) =>
    found(M06, [`when Key press do Out noteOn 1, ${expression}, 100`], {}, {}, [octave]);
  it('is innocent where it is held inside, or where bounds alone say nothing', () => {
    expect(told('60 + octave')).toBe(0);
    expect(told('min(127, 60 + 12 * octave)')).toBe(0);
    expect(told('clamp(60 + 12 * octave, 0, 127)')).toBe(0);
    // Never more than 48, whatever its bounds are one by one.
    expect(told('60 + 12 * octave - 12 * octave')).toBe(0);
    expect(told('(60 + 12 * octave) % 128')).toBe(0);
    // What comes in, and what has no bounds, is not known here.
    expect(told('heard(0)')).toBe(0);
    expect(told('elapsed')).toBe(0);
    expect(told('value(Breath)')).toBe(0);
    expect(told('2 * value(Breath)')).toBe(1);
    expect(told('60 + 12 * octave')).toBe(1);
    expect(told('0 - 1')).toBe(1);
  });

  it('of a bend goes up to 16383, and what a message does not have is not looked at', () => {
    expect(found(M06, ['when Key press do Out bend 1, 16383'])).toBe(0);
    expect(found(M06, ['when Key press do Out bend 1, 16384'])).toBe(1);
    expect(found(M06, ['when Key press do Out program 1, 5, 999'])).toBe(0);
    expect(found(M06, ['when Key press do Out control 1, 7, 128'])).toBe(1);
  });
});

describe('two keys', () => {
  const on = (key: string, what: string) => `when ${key} press do Out noteOn ${what}, 100`;
  it('may begin different notes, one note on two channels, chords with a note in common, or one where it is asked', () => {
    expect(found(M09, [on('Key', '1, 60'), on('Other', '1, 62')])).toBe(0);
    expect(found(M09, [on('Key', '1, 60'), on('Other', '2, 60')])).toBe(0);
    expect(found(M09, [`when Key press do ${chord(2)}`, `when Other press do ${chord(3)}`])).toBe(0);
    expect(found(M09, [on('Key', '1, 60'), 'when Other press if 1 < 2 do Out noteOn 1, 60, 100'])).toBe(0);
    expect(found(M09, [on('Key', '1, 60'), 'when Key release do Out noteOn 1, 60, 0'])).toBe(0);
    expect(found(M09, [on('Key', '1, 60'), on('Other', '1, 60')])).toBe(1);
  });
});

describe('equipment beside the gadget', () => {
  const ways = (rule: SnagRule, ...given: Parameters<typeof beside>) =>
    rule.check(beside(...given), derived).map(({ values }) => [values.way, values.channel]);
  const played = ['when Key press do Out noteOn 3, 60, 100', 'when Key release do Out letAllGo'];

  it('is taken at its word: where nothing is said of any, nothing is claimed', () => {
    expect(ways(M03, played)).toEqual([]);
    expect(ways(M05, played)).toEqual([]);
    // One that hears them all, or one of several that does.
    expect(ways(M03, played, {})).toEqual([]);
    expect(ways(M03, played, { channels: [1] }, { channels: [3] })).toEqual([]);
    expect(ways(M03, played, { channels: [1] }, { channels: [2] })).toEqual([['out', 3]]);
    // At another output, or one that only sends: nothing is known of this one.
    expect(ways(M03, played, { outputId: null, channels: [1] })).toEqual([]);
  });

  it('is told of a channel once, whatever goes there, and of rows of notes as of notes', () => {
    const rules = [...played, 'when Other press do Out program 3, 7; Out noteOn 4, 60, 1'];
    expect(M03.check(beside(rules, { channels: [1] }), derived)).toMatchObject([{ values: { channels: 2 } }]);
    const rows = { ...beside([], { channels: [1] }) };
    const row = telling(['when Key press do Out play 5, 0, chords[0], 100'], {}, {}, [
      octave,
      { id: 'v8', kind: 'table', name: 'chords', saved: null, columns: 1, numbers: [60] },
    ]);
    expect(M03.check({ ...row, neighbours: rows.neighbours }, derived)).toMatchObject([
      { values: { channel: 5 } },
    ]);
  });

  it('takes programs or notes; controllers that it does not know spoil nothing, nor does a channel that is told already', () => {
    expect(ways(M05, ['when Key press do Out program 1, 7'], { kinds: ['notes', 'controls'] })).toEqual([
      ['out', 1],
    ]);
    expect(ways(M05, ['when Key press do Out control 1, 7, 100'], {})).toEqual([]);
    expect(ways(M05, played, { channels: [1], kinds: ['programs'] })).toEqual([]);
    expect(ways(M05, played, { kinds: ['programs'] }, { channels: [3] })).toEqual([]);
  });

  it('that sends is held against what rules wait for', () => {
    const waiting = ['when midi noteOn channel 2 do Lamp on', 'when midi program channel 1 do Lamp off'];
    expect(ways(M03, waiting, { outputId: null, channels: [1] })).toEqual([['in', 2]]);
    expect(ways(M05, waiting, { outputId: null, channels: [1, 2] })).toEqual([['in', 1]]);
    expect(ways(M05, waiting, { outputId: null, kinds: ['notes', 'programs'] })).toEqual([]);
    // Any channel will do for one that waits for none of its own.
    expect(ways(M03, ['when midi noteOn do Lamp on'], { outputId: null, channels: [1] })).toEqual([]);
  });
});
