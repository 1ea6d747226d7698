import { addPartEdit } from '../drawer/index.ts';
import { readRule } from '../flow/index.ts';
import { applyEdit, emptyGadget, type Gadget, type SnagRule } from '../gadget/index.ts';
import { replay } from '../machine/index.ts';
import { rule, state } from '../test/fixtures.ts';
import { small, sounding } from '../test/soundCases.ts';
import { effectKinds } from '../notes/index.ts';
import { N04 } from './N04.snag.ts';
import { N05 } from './N05.snag.ts';
import { N01 } from './N01.snag.ts';
import { N02 } from './N02.snag.ts';

const derived = {} as Parameters<SnagRule['check']>[1];
const found = (rule: SnagRule, ...of: Parameters<typeof sounding>) => rule.check(sounding(...of), derived);

describe('a pitch on an 8-bit timer', () => {
  it('is told where it is more than ten cents off, with the worst and how many are', () => {
    // 3,000 Hz: N 32 counts 83.3 to 83, 3,012.05 Hz, 6.9 cents. 3,400 Hz: 73.5 to 74 or 73: 11.1 or 12.4 cents.
    expect(found(N01, 'Piezo tone 3000', small)).toEqual([]);
    expect(found(N01, 'Piezo tune 3000 100 ms, 3400 100 ms', small)).toMatchObject([
      { values: { hz: 3_400, pitches: 1, of: 2 } },
    ]);
  });

  it('is innocent on a wider one, on no board, where it is exact, and where nothing is known', () => {
    expect(found(N01, 'Piezo tone 3400', 'board-32bit-26')).toEqual([]);
    expect(found(N01, 'Piezo tone 3400', null)).toEqual([]);
    expect(found(N01, 'Piezo tone 3400', small, { pitched: 'exact' })).toEqual([]);
    expect(found(N01, 'Piezo tone 3400', 'computer-26')).toEqual([]);
  });

  it('plays as the timer makes it: half a wave in whole periods of the clock', () => {
    const tones = (gadget: Gadget) =>
      replay(gadget, [], 100_000, 1).flatMap((entry) => (entry.lane === 'tone' ? [entry] : []));
    // reckoning, Sound: N 128, compare 141.
    expect(tones(sounding('Piezo tone 440 for 20 ms', small))).toEqual([
      { atUs: 10_000, lane: 'tone', id: 'o1', hz: 440, divisor: 128 * 142 },
      { atUs: 30_000, lane: 'tone', id: 'o1', hz: 0 },
    ]);
    expect(tones(sounding('Piezo tone 440 for 20 ms', null))[0]).toEqual({
      atUs: 10_000,
      lane: 'tone',
      id: 'o1',
      hz: 440,
    });
  });
});

describe('a pitch outside what the sounder gives', () => {
  it('is told once, with where it is held', () => {
    expect(found(N02, 'Piezo tune 100 50 ms, 440 50 ms, 9000 50 ms', null)).toHaveLength(1);
    expect(found(N02, 'Piezo tune 200 50 ms, 0 50 ms, 4000 50 ms', null)).toEqual([]);
    const [leap] = [{ id: 'e1', name: 'Leap', ...effectKinds.leap, toHz: 6_000 }];
    const leaping = { ...sounding('Piezo silence', null), effects: [leap] };
    const told = (byCents: string) => ({
      ...leaping,
      flow: {
        ...leaping.flow,
        states: leaping.flow.states.map((one) => ({
          ...one,
          entry: [{ kind: 'effect' as const, outputId: 'o1', effectId: 'e1', byCents }],
        })),
      },
    });
    expect(N02.check(told('0'), derived)).toMatchObject([{ values: { hz: 6_000, heldHz: 4_000 } }]);
    // Where it is moved by chance, nothing is claimed.
    expect(N02.check(told('random(9)'), derived)).toEqual([]);
    // Told as that, and not as out of tune.
    expect(found(N01, 'Piezo tone 9000', small)).toEqual([]);
  });
});

describe('a buzzer that is asked for pitches', () => {
  it('becomes a disc that gives them, and is accused of nothing else', () => {
    const empty = emptyGadget('Bench');
    const added = applyEdit(empty, addPartEdit(empty, 'buzzer', { name: 'Bell' }));
    const rules = [rule('r1', readRule('when after 10 ms do Bell tone 440 for 50 ms', added))];
    const gadget = { ...added, flow: { ...added.flow, initialId: 's1', states: [state('s1', { rules })] } };
    expect(gadget.outputs[0]).toMatchObject({ lowHz: 2_400, highHz: 2_400, pitched: 'exact' });
    const [snag] = N04.check(gadget, derived);
    expect(snag).toMatchObject({ level: 'stop', values: { pitches: 1, ownHz: 2_400 } });
    const mended = applyEdit(gadget, snag!.mend!.edit);
    expect(mended.outputs[0]).toMatchObject({ lowHz: 200, highHz: 4_000, pitched: 'timer' });
    expect([N04, N02].flatMap((one) => one.check(mended, derived))).toEqual([]);
  });
});

describe('how loud it is at an ear', () => {
  const near = (nearCm: number) => N05.check(sounding('Piezo tone 440', null, { nearCm }), derived)[0];

  it('falls by six decibels for twice the way, and is told from 85 on', () => {
    // 85 dB at 10 cm.
    expect(near(10)).toBeUndefined();
    expect(near(40)).toBeUndefined();
    expect(near(5)).toMatchObject({ level: 'note', values: { db: 91 } });
    expect(near(1)).toMatchObject({ level: 'likely', values: { db: 105, farCm: 10 } });
  });

  it('is 6 dB louder for a disc that is driven from both sides', () => {
    const gadget = sounding('Piezo tone 440', null, { nearCm: 10 });
    const driven = (sides: number) =>
      N05.check(
        { ...gadget, parts: gadget.parts.map((one) => ({ ...one, figures: { loudDb: 88, sides } })) },
        derived,
      )[0]!.values;
    expect([driven(1).db, driven(2).db]).toEqual([88, 94]);
  });

  it('says nothing of a sounder whose part has no such figure', () => {
    const gadget = sounding('Piezo tone 440', null, { nearCm: 1 });
    const other = { ...gadget, parts: gadget.parts.map((part) => ({ ...part, kind: 'light', figures: {} })) };
    expect(N05.check(other, derived)).toEqual([]);
  });
});
