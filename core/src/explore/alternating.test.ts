import type { Action, Gadget } from '../gadget/index.ts';
import type { TraceEntry } from '../machine/index.ts';
import { checkGadget } from '../snag/index.ts';
import { rule, state } from '../test/fixtures.ts';
import { coloured } from '../test/flowCases.ts';
import { alternatingIn } from './alternating.ts';

const every100 = (texts: readonly string[], times = 15): TraceEntry[] =>
  Array.from({ length: times }, (_, n) => ({
    atUs: n * 100_000, lane: 'text', id: 'o2', row: 0, text: texts[n % texts.length]!,
  })); // prettier-ignore

describe('texts that come and go in turn', () => {
  it('are told with how often they change', () => {
    expect(alternatingIn(every100(['41', '42']))).toEqual([
      { outputId: 'o2', texts: ['41', '42'], perSecond: 10 },
    ]);
  });
  it('are none where they go on, blink, change seldom, or stay', () => {
    expect(alternatingIn(every100(Array.from({ length: 15 }, (_, n) => `0:${n}`)))).toEqual([]);
    expect(alternatingIn(every100(['a', 'b', 'c']))).toEqual([]);
    expect(alternatingIn(every100(['Stop', '']))).toEqual([]);
    expect(alternatingIn(every100(['41', '42'], 6))).toEqual([]);
    expect(alternatingIn(every100(['41']))).toEqual([]);
  });
  it('are looked for place by place', () => {
    const page = every100(['41', '42']).map((entry, n): TraceEntry => {
      const text = (entry as { text: string }).text;
      return { atUs: entry.atUs, lane: 'screen', id: 'o3', pageId: 'n1', texts: [`0:${n}`, text] };
    });
    expect(alternatingIn(page)).toEqual([{ outputId: 'o3', texts: ['41', '42'], perSecond: 10 }]);
  });
});

describe('a number that hands set', () => {
  const press = { kind: 'gesture', controlId: 'b1', gesture: 'press' } as const;
  const more: Action = { kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' };
  const found = (actions: Action[], patch: Partial<Parameters<typeof state>[1]> = {}, rest: object = {}) => {
    const rules = [rule('r1', { trigger: press, actions: [more, ...actions] }), ...(patch.rules ?? [])];
    const gadget: Gadget = coloured([state('s1', { ...patch, rules }), state('s2', {})]);
    return checkGadget({ ...gadget, ...rest }).snags.filter((snag) => snag.rule === 'S11');
  };
  it('is innocent where it is shown, heard, worked into what is, or decides what happens or when', () => {
    const text = (of: string): Action => ({ kind: 'text', outputId: 'o2', row: 0, text: of });
    expect(found([])).toHaveLength(1);
    expect(found([text('{v1}')])).toEqual([]);
    expect(found([], { entry: [text('{v1}')] })).toEqual([]);
    expect(
      found([], { rules: [rule('r2', { trigger: { kind: 'every', delay: 'v1 + 1' as never } })] }),
    ).toEqual([]);
    expect(
      found([], { rules: [rule('r2', { trigger: press, guard: 'v1 > 3', targetIds: ['s2'] })] }),
    ).toEqual([]);
    // Something else that the same press does may be meant to say it.
    expect(found([{ kind: 'light', outputId: 'o1', light: { mode: 'on' } }])).toEqual([]);
  });
});
