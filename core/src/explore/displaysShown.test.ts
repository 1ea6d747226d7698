import type { Action, Gadget } from '../gadget/index.ts';
import { pageTried } from '../screen/index.ts';
import { rule, state } from '../test/fixtures.ts';
import { numberAt, paged } from '../test/screenCases.ts';
import { everyItem, everyScheme, menuGadget } from '../test/menuCases.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { displaysShown } from './displaysShown.ts';
import { StatesLooked } from './statesLooked.ts';

const shownBy = (gadget: Gadget) => displaysShown(gadget, new StatesLooked(gadget).all());
const page = (pageId: string | null): Action => ({ kind: 'showPage', outputId: 'o1', pageId });
const after = (id: string, to: string) =>
  rule(id, { trigger: { kind: 'after', delay: 3_000_000 }, targetIds: [to] });
const set = (value: string): Action => ({ kind: 'set', variableId: 'v1', index: null, value });

/** Three states, one after the other: a count, the same page with another count, and no page. */
function three(): Gadget {
  const gadget = paged([numberAt('v1')]);
  const states = [
    state('s1', { name: 'Cold', entry: [page('n1'), set('7')], rules: [after('r1', 's2')] }),
    state('s2', { name: 'Warm', entry: [set('42')], rules: [after('r2', 's3')] }),
    state('s3', { name: 'Off', entry: [page(null)], rules: [after('r3', 's4')] }),
    state('s4', { name: 'Cold again', entry: [page('n1'), set('7')] }),
  ];
  return { ...gadget, flow: { ...gadget.flow, states } };
}

describe('what a display shows', () => {
  it('is listed once for each picture, with all states in which it is seen', () => {
    const shown = shownBy(three());
    expect(shown.map(({ names }) => names)).toEqual([['Cold', 'Cold again'], ['Warm'], ['Off']]);
    expect(shown.map(({ shows }) => shows.kind === 'screen' && shows.glass.pageId)).toEqual([
      'n1',
      'n1',
      null,
    ]);
  });

  it('is what its page comes to with the values that there were', () => {
    const gadget = three();
    for (const { at, shows } of shownBy(gadget).slice(0, 2)) {
      if (shows.kind !== 'screen') throw new Error('expected pixels');
      const { drawn } = pageTried(gadget, 'n1', { ...at, places: {} });
      expect(drawn.drawings).toEqual(shows.glass.drawings);
    }
  });

  it('is the colours that lights by number come to rest in', () => {
    const ring = toldGadget({ ...outputOf('lights', 'Ring'), count: 3 } as Gadget['outputs'][number], []);
    const paint = (which: 'all' | 'one', colour: 'red' | 'off'): Action => ({
      kind: 'paintLights', outputId: 'o1', which, first: '1', last: '1', colour, percent: '100',
    }); // prettier-ignore
    const states = [
      state('s1', { name: 'Dark', entry: [paint('all', 'off')], rules: [after('r1', 's2')] }),
      state('s2', { name: 'Warm', entry: [paint('one', 'red')] }),
    ];
    const shown = shownBy({ ...ring, flow: { ...ring.flow, states } });
    expect(shown.map(({ names, shows }) => [names, shows])).toEqual([
      [['Dark'], { kind: 'lights', colours: [0, 0, 0] }],
      [['Warm'], { kind: 'lights', colours: [0, 0xff0000, 0] }],
    ]);
  });

  it('has every place of a menu that can be come to', () => {
    const gadget = menuGadget(everyScheme[0]!, everyItem);
    const made = shownBy(gadget).flatMap(({ shows }) =>
      shows.kind === 'screen' && shows.glass.pageId !== null ? [shows.glass.pageId] : [],
    );
    // The outermost list, and those of its items that have a page of their own.
    expect(made).toContain('u1n');
    expect(new Set(made).size).toBeGreaterThan(5);
  });

  it('is found by playing at random where no way to it is known', () => {
    // A sum that goes on for too long to be walked through: over at 30,000, which five minutes of it come to.
    const gadget = paged([numberAt('v1')]);
    const counts = [
      { id: 'v1', kind: 'number', name: 'count', saved: null, initial: 0, min: 0, max: 100_000, overflow: 'hold', unit: '' },
      { id: 'v2', kind: 'number', name: 'other', saved: null, initial: 0, min: 0, max: 100_000, overflow: 'hold', unit: '' },
    ] as const; // prettier-ignore
    const every = (id: string, delay: number, variableId: string, value: string) =>
      rule(id, {
        trigger: { kind: 'every', delay },
        actions: [{ kind: 'set', variableId, index: null, value }],
      });
    const states = [
      state('s1', {
        name: 'Counting',
        rules: [
          every('r1', 10_000, 'v1', 'v1 + 1'),
          every('r2', 13_000, 'v2', 'v2 + 1'),
          rule('r3', { trigger: { kind: 'always' }, guard: 'v1 >= 30000', targetIds: ['s2'] }),
        ],
      }),
      state('s2', { name: 'Over', entry: [page('n2')] }),
    ];
    const long: Gadget = { ...gadget, flow: { ...gadget.flow, variables: [...counts], states } };
    const looked = new StatesLooked(long);
    const found = looked.all();
    expect(found.map(({ states: [first] }) => first!.name)).toEqual(['Counting', 'Over']);
    expect(found[1]!.stays).toBe(false);
    const [, over] = displaysShown(long, found);
    expect(over).toMatchObject({ names: ['Over'], shows: { glass: { pageId: 'n2' } } });
    expect(over!.at.variables['v1']).toBeGreaterThanOrEqual(30_000);
  });

  it('is found piece by piece, as far along as it says', () => {
    const looked = new StatesLooked(three());
    const shares = [looked.share];
    while (!looked.advance()) shares.push(looked.share);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares[0]).toBeGreaterThanOrEqual(0);
    expect(shares.at(-1)).toBeLessThanOrEqual(1);
    expect(looked.found).toHaveLength(4);
  });
});
