import { emptyFlow, type Action, type Gadget } from '../gadget/index.ts';
import { button, frozen, numberVariable, partsFor, pressToLight, rule, state } from '../test/fixtures.ts';
import { Arena, endsOf, reactionUs, standingOf, type Contest, type Player } from './index.ts';

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
    expect(round).toEqual({ endStateId: null, lengthUs: 5_000_000, score: 0, presses: 0, running: false });
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
  });
});
