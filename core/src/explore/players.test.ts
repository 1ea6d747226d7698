import { freshEncoder, freshKnob } from '../drawer/index.ts';
import { emptyFlow, type Action, type Control, type Gadget } from '../gadget/index.ts';
import { tiedShare } from '../gesture/index.ts';
import { race } from '../test/feelCases.ts';
import {
  button,
  frozen,
  numberVariable,
  partsFor,
  pressToLight,
  rule,
  setting,
  state,
} from '../test/fixtures.ts';
import {
  Arena,
  degreesBetween,
  endsOf,
  medianInterval,
  shareInterval,
  reactionUs,
  standingOf,
  startingAt,
  type Contest,
  type Player,
} from './index.ts';

const press = { kind: 'gesture', controlId: 'b1', gesture: 'press' } as const;
const set = (value: string): Action => ({ kind: 'set', variableId: 'v1', index: null, value });

/** Heat rises by chance each half second; a press cools it. 20 is too hot, 40 ticks are a round. */
const bare: Gadget = {
  ...pressToLight(),
  controls: [button()],
  flow: {
    ...emptyFlow(),
    variables: [numberVariable({ name: 'heat', max: 30 }), numberVariable({ id: 'v2', name: 'left' })],
    initialId: 's1',
    states: [
      state('s1', {
        rules: [
          rule('r1', {
            trigger: press,
            actions: [set('5'), { ...set('40'), variableId: 'v2' } as Action],
            targetIds: ['s2'],
          }),
        ],
      }),
      state('s2', {
        rules: [
          rule('r2', { trigger: press, actions: [set('max(0, v1 - 4)')] }),
          rule('r3', {
            trigger: { kind: 'every', delay: 500_000 },
            actions: [
              set('min(30, v1 + random(4))'),
              { ...set('v2 - 1'), variableId: 'v2' } as Action,
              { kind: 'raise', signalId: 'g1', delay: null },
            ],
          }),
          rule('r4', { trigger: { kind: 'signal', signalId: 'g1' }, guard: 'v1 >= 20', targetIds: ['s3'] }),
          rule('r5', { trigger: { kind: 'signal', signalId: 'g1' }, guard: 'v2 <= 0', targetIds: ['s4'] }),
        ],
      }),
      state('s3', { name: 'Lost', rules: [rule('r6', { trigger: press, targetIds: ['s1'] })] }),
      state('s4', { name: 'Won', rules: [rule('r7', { trigger: press, targetIds: ['s1'] })] }),
    ],
    signals: [{ id: 'g1', name: 'tick' }],
  },
};
const game = frozen({ ...bare, parts: partsFor(bare) });
const contest: Contest = {
  opening: [{ controlId: 'b1', what: 'tap' }],
  endStateIds: ['s3', 's4'],
  scoreId: 'v1',
  limitUs: 60_000_000,
};
const play = (player: Player, rounds = 60, patch: Partial<Contest> = {}) => {
  const arena = new Arena(game, { ...contest, ...patch }, player);
  return Array.from({ length: rounds }, (_, seed) => arena.play(seed + 1));
};
const wins = (player: Player) => standingOf(play(player)).ends.s4 ?? 0;

describe('players', () => {
  it('one who does nothing loses, one who watches wins, and mashing wins too', () => {
    expect(wins({ kind: 'idle' })).toBe(0);
    expect(wins({ kind: 'policy', lines: [{ when: 'v1 > 10', controlId: 'b1', what: 'tap' }] })).toBe(60);
    expect(wins({ kind: 'mash', controlId: 'b1', perSecond: 7 })).toBe(60);
  });
  it('play the same round with the same seed, and others with others', () => {
    const random: Player = { kind: 'random', perSecond: 2 };
    expect(play(random, 10)).toEqual(play(random, 10));
    expect(new Set(play(random, 20).map(({ presses }) => presses)).size).toBeGreaterThan(5);
    const same = new Arena({ ...game, flow: { ...game.flow, chance: 'same' } }, contest, { kind: 'idle' });
    expect(same.play(1)).toEqual(same.play(2));
  });
  it('are measured from when the round began, with its score and its presses', () => {
    const [round] = play({ kind: 'idle' }, 1);
    expect(round).toMatchObject({ endStateId: 's3', presses: 1, running: false });
    expect(round!.score).toBeGreaterThanOrEqual(20);
    expect(round!.lengthUs % 500_000).toBeLessThan(500_000);
    const mashed = play({ kind: 'mash', controlId: 'b1', perSecond: 7 }, 1)[0]!;
    // Twenty seconds at seven a second, and the press that began it.
    expect(mashed.presses).toBeGreaterThan(125);
    expect(mashed.presses).toBeLessThan(155);
    expect(mashed.lengthUs).toBeGreaterThan(19_000_000);
  });
  it('come to the limit where a round has no end', () => {
    const [round] = play({ kind: 'idle' }, 1, { endStateIds: [], limitUs: 5_000_000, opening: [] });
    expect(round).toMatchObject({
      endStateId: null,
      lengthUs: 5_000_000,
      score: 0,
      presses: 0,
      running: false,
    });
    expect(play({ kind: 'idle' }, 1, { limitUs: 2_000_000 })[0]).toMatchObject({
      endStateId: null,
      running: true,
    });
  });
  it('refuse what nobody can do', () => {
    expect(() => play({ kind: 'idle' }, 1, { opening: [{ controlId: 'b1', what: 'triple' }] })).toThrow(
      RangeError,
    );
    expect(() => play({ kind: 'policy', lines: [{ when: 'v9', controlId: 'b1', what: 'tap' }] })).toThrow(
      'v9',
    );
  });
  it('react like people: a median about 250 ms, a long tail, never an anticipation', () => {
    const times = Array.from({ length: 4_000 }, (_, index) => reactionUs(3, index)).sort((a, b) => a - b);
    const at = (share: number) => times[Math.floor(share * times.length)]!;
    expect(at(0.5)).toBeGreaterThan(240_000);
    expect(at(0.5)).toBeLessThan(265_000);
    expect(at(0.99) - at(0.5)).toBeGreaterThan((at(0.5) - at(0.01)) * 1.5);
    expect(times[0]).toBeGreaterThanOrEqual(120_000);
  });
  it('guess the ends of a round: states that only lead home', () => {
    expect(endsOf(game)).toEqual(['s3', 's4']);
    const back = (id: string, targetId: string) => rule(id, { trigger: press, targetIds: [targetId] });
    const nested = [
      state('s1', { rules: [back('r1', 's2')] }),
      // What stands beside it leads elsewhere.
      state('s2', { kind: 'parallel', rules: [back('r2', 's1')] }),
      state('s3', { parentId: 's2' }),
      state('s4', { parentId: 's2', rules: [back('r3', 's6')] }),
      state('s5', { rules: [back('r4', 's1')] }),
      state('s6', { parentId: 's5' }),
      state('s7', { parentId: 's5', rules: [back('r5', 's6')] }),
      state('s8', { kind: 'final' }),
    ];
    const ends = endsOf({ ...game, flow: { ...game.flow, initialId: 's1', states: nested } });
    expect(ends).toEqual(['s6', 's8']);
  });
});

describe('one who takes the shortest way', () => {
  const go = (id: string, targetId: string, guard: string | null = null) =>
    rule(id, { trigger: press, guard, targetIds: [targetId] });
  const through = (states: ReturnType<typeof state>[], stateId = 's3') => {
    const flow = { ...emptyFlow(), variables: bare.flow.variables, initialId: 's1', states };
    const gadget = frozen({ ...bare, flow, parts: partsFor(bare) });
    const arena = new Arena(
      gadget,
      { ...contest, opening: [], endStateIds: ['s3'] },
      { kind: 'way', stateId },
    );
    return Array.from({ length: 40 }, (_, seed) => arena.play(seed + 1));
  };

  it('needs just as many presses as there must be, at the pace of a person', () => {
    const rounds = through([
      state('s1', { rules: [go('r1', 's2')] }),
      state('s2', { rules: [go('r2', 's3')] }),
      state('s3', { rules: [go('r3', 's1')] }),
    ]);
    for (const { endStateId, presses, lengthUs } of rounds) {
      expect([endStateId, presses]).toEqual(['s3', 2]);
      expect(lengthUs).toBeGreaterThanOrEqual(120_000 + bare.hands.comfortableRepeatUs);
    }
    expect(new Set(rounds.map(({ lengthUs }) => lengthUs)).size).toBeGreaterThan(5);
  });

  it('thinks anew where chance throws it back, and comes there all the same', () => {
    const rounds = through([
      state('s1', { rules: [go('r1', 's2')] }),
      state('s2', { rules: [go('r2', 's3', 'random(2) == 0'), go('r3', 's1')] }),
      state('s3'),
    ]);
    expect(rounds.every(({ endStateId }) => endStateId === 's3')).toBe(true);
    const presses = rounds.map((round) => round.presses);
    expect(presses.every((n) => n % 2 === 0)).toBe(true);
    expect(Math.max(...presses)).toBeGreaterThan(2);
  });

  it('waits where time alone leads there, and where no way is known', () => {
    const after = rule('r1', { trigger: { kind: 'after', delay: 2_000_000 }, targetIds: ['s3'] });
    const waits = through([state('s1', { rules: [after] }), state('s3')]);
    expect(waits[0]).toMatchObject({ endStateId: 's3', presses: 0, lengthUs: 2_000_000 - 0 });
    expect(through([state('s1'), state('s3')])[0]).toMatchObject({ endStateId: null, presses: 0 });
    expect(() => through([state('s1')], 's9')).toThrow(RangeError);
  });

  it('lets go of a key that has to be let go of', () => {
    const release = { ...press, gesture: 'release' } as const;
    const rounds = through([
      state('s1', { rules: [go('r1', 's2')] }),
      state('s2', { rules: [rule('r2', { trigger: release, targetIds: ['s4'] })] }),
      state('s4', { rules: [go('r3', 's3')] }),
      state('s3'),
    ]);
    expect(rounds[0]).toMatchObject({ endStateId: 's3', presses: 2 });
  });
});

describe('degrees of difficulty', () => {
  it('are evenly apart, with both ends, each once', () => {
    expect(degreesBetween(0, 100)).toEqual([0, 25, 50, 75, 100]);
    expect(degreesBetween(-1, 1)).toEqual([-1, 0, 1]);
    expect(degreesBetween(7, 7)).toEqual([7]);
    expect(degreesBetween(0, 3, 3)).toEqual([0, 2, 3]);
  });
  it('hold from power-up, and again when the round begins, whatever the opening made of it', () => {
    const lengthFrom = (value: number) =>
      play({ kind: 'idle' }, 1, { starting: { variableId: 'v1', value } })[0]!.lengthUs;
    // The opening sets it to 5; from 18 it is too hot at once.
    expect(lengthFrom(5)).toBe(play({ kind: 'idle' }, 1)[0]!.lengthUs);
    expect(lengthFrom(18)).toBeLessThan(lengthFrom(5) / 2);
    expect(startingAt(game, 'v1', 18).flow.variables[0]).toMatchObject({ initial: 18 });
    expect(() => startingAt(game, 'v1', 31)).toThrow('expected a whole number from 0 to 30 for heat, got 31');
    expect(() => startingAt(game, 'v9', 1)).toThrow('expected the id of a variable');
  });
  it('are options of a choice, and yes and no', () => {
    const options = [{ id: 'q1', name: 'Easy' }, { id: 'q2', name: 'Hard' }]; // prettier-ignore
    const variables = [
      { id: 'v8', kind: 'choice', name: 'mode', saved: null, initialId: 'q1', options },
      { id: 'v9', kind: 'flag', name: 'windy', saved: null, initial: false },
    ] as const;
    const gadget = { ...game, flow: { ...game.flow, variables: [...variables] } } as unknown as Gadget;
    expect(startingAt(gadget, 'v8', 1).flow.variables[0]).toMatchObject({ initialId: 'q2' });
    expect(startingAt(gadget, 'v9', 1).flow.variables[1]).toMatchObject({ initial: true });
    expect(gadget.flow.variables[1]).toMatchObject({ initial: false });
  });
});

describe('what hands do to controls', () => {
  const knob = { ...freshKnob({ kind: 'potentiometer', figures: {} }, 'Breath', null, null), id: 'b2' };
  const dial = { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Flame', null, null), id: 'b3' };
  const played = (states: ReturnType<typeof state>[], player: Player, limitUs = 20_000_000) => {
    const gadget: Gadget = {
      ...bare,
      controls: [button(), knob, dial],
      flow: { ...emptyFlow(), variables: bare.flow.variables, initialId: 's1', states },
    };
    const whole = frozen({ ...gadget, parts: partsFor(gadget) });
    const plan = { ...contest, opening: [], endStateIds: ['s2'], scoreId: 'v1', limitUs };
    return new Arena(whole, plan, player).play(1);
  };
  const policy = (...lines: [string, string, string][]): Player => ({
    kind: 'policy',
    lines: lines.map(([when, controlId, what]) => ({ when, controlId, what })),
  });

  it('is seen by the flow: a knob turned up, an encoder, a key that is down', () => {
    const over = (guard: string) => [
      state('s1', {
        rules: [rule('r1', { trigger: { kind: 'every', delay: 50_000 }, guard, targetIds: ['s2'] })],
      }),
      state('s2'),
    ];
    expect(played(over('value(b2) > 55'), policy(['true', 'b2', 'up']))).toMatchObject({ endStateId: 's2' });
    expect(played(over('value(b2) > 55'), policy(['true', 'b2', 'down']))).toMatchObject({
      endStateId: null,
    });
    expect(played(over('value(b3) == -4'), policy(['true', 'b3', 'down']))).toMatchObject({
      endStateId: 's2',
    });
    // A tap is over before half a second; held, the key is found down.
    const tapped = played(over('value(b1) == 1'), policy(['true', 'b1', 'tap']));
    expect(tapped).toMatchObject({ endStateId: 's2', presses: 1 });
    expect(played(over('value(b1) == 1'), { kind: 'idle' })).toMatchObject({ endStateId: null });
  });

  it('is seen by the player, and a crossing by the flow', () => {
    const crossing = { kind: 'crossing', controlId: 'b2', at: 60, rising: true } as const;
    const states = [
      state('s1', { rules: [rule('r1', { trigger: crossing, targetIds: ['s2'] })] }),
      state('s2'),
    ];
    expect(played(states, policy(['value(b2) < 70', 'b2', 'up']))).toMatchObject({ endStateId: 's2' });
    // One who stops short of it never comes there.
    const short = played(states, policy(['value(b2) < 55', 'b2', 'up']));
    expect(short).toMatchObject({ endStateId: null });
    expect(short.presses).toBeGreaterThan(0);
  });

  it('has an end: what cannot be turned further is not turned', () => {
    const up = { kind: 'gesture', controlId: 'b2', gesture: 'up' } as const;
    const states = [
      state('s1', { rules: [rule('r1', { trigger: up, actions: [set('v1 + 1')] })] }),
      state('s2'),
    ];
    const round = played(states, policy(['true', 'b2', 'up']), 60_000_000);
    const { reading } = knob as Extract<Control, { kind: 'knob' }>;
    expect(round.score).toBe(Math.min(30, reading.steps - 1 - Math.floor(reading.steps / 2)));
  });
});

describe('two who play against one another', () => {
  const answers = (controlId: string): Player => ({
    kind: 'policy',
    lines: [{ when: 'in(s1)', controlId, what: 'tap' }],
  });
  const duel = (periodUs: number, throughContacts: boolean, rounds: number) => {
    const arena = new Arena(
      frozen(race(periodUs)),
      { opening: [], endStateIds: ['s2', 's3'], scoreId: null, limitUs: 20_000_000, throughContacts },
      [answers('b1'), answers('b2')],
    );
    return standingOf(Array.from({ length: rounds }, (_, n) => arena.play(n + 20_000))).ends;
  };

  it('are even on the flow alone; through contacts the one who is read first wins all that fall together', () => {
    const rounds = 3_000;
    const [low, high] = shareInterval(duel(10_000, false, 2 * rounds).s2!, 2 * rounds);
    expect(low).toBeLessThan(0.5);
    expect(high).toBeGreaterThan(0.5);
    // On a slow loop it can be seen by counting: about a fifth falls together. The signal comes with a turn itself.
    const draws = 40_000;
    const turn = (seed: number, n: number) => Math.ceil(reactionUs(seed, n) / 40_000);
    const tied = Array.from({ length: draws }, (_, n) => turn(5, n) === turn(6, n)).filter(Boolean).length;
    const first = 0.5 + tied / draws / 2;
    expect(first).toBeGreaterThan(0.59);
    const [from, to] = shareInterval(duel(40_000, true, rounds).s2!, rounds);
    expect(from).toBeLessThan(first);
    expect(to).toBeGreaterThan(first);
    expect(from).toBeGreaterThan(0.55);
  });
  it('fall together as often as drawn reactions do', () => {
    const draws = 40_000;
    for (const periodUs of [2_000, 10_000, 40_000]) {
      let together = 0;
      for (let n = 0; n < draws; n += 1) {
        const phase = (n * 7_919) % periodUs;
        const turn = (seed: number) => Math.floor((reactionUs(seed, n) + phase) / periodUs);
        if (turn(5) === turn(6)) together += 1;
      }
      const [low, high] = shareInterval(together, draws);
      expect(tiedShare(periodUs)).toBeGreaterThan(low);
      expect(tiedShare(periodUs)).toBeLessThan(high);
    }
  });
  it('play the same round with the same seed', () => {
    expect(duel(10_000, true, 40)).toEqual(duel(10_000, true, 40));
  });
  it('swallow what contacts swallow', () => {
    const deaf = race(1_000);
    deaf.controls = deaf.controls.map((one) =>
      one.kind === 'button' ? { ...one, debounce: setting('stable', { settleUs: 150_000 }) } : one,
    );
    const plan = { opening: [], endStateIds: ['s2', 's3'], scoreId: null, limitUs: 8_000_000 };
    const play = (throughContacts: boolean) =>
      new Arena(frozen(deaf), { ...plan, throughContacts }, answers('b1')).play(1).endStateId;
    expect([play(false), play(true)]).toEqual(['s2', null]);
  });
});

describe('what many rounds say of all that could be', () => {
  it('are intervals for a share: 8 of 10, none, all', () => {
    const round = (interval: [number, number]) => interval.map((one) => Number(one.toFixed(3)));
    expect(round(shareInterval(8, 10))).toEqual([0.49, 0.943]);
    expect(round(shareInterval(0, 10))).toEqual([0, 0.278]);
    expect(round(shareInterval(10, 10))).toEqual([0.722, 1]);
  });
  it('are intervals for the middle: of a hundred, the 40th to the 61st', () => {
    const values = Array.from({ length: 100 }, (_, n) => n + 1);
    expect(medianInterval(values)).toEqual([40, 61]);
    expect(medianInterval([3])).toEqual([3, 3]);
    expect(medianInterval([1, 2, 9])).toEqual([1, 9]);
  });
});
