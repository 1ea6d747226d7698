import { applyEdit, type Gadget, type MenuItemOf } from '../gadget/index.ts';
import { Machine } from '../machine/index.ts';
import { readOn, type Drawn } from '../screen/index.ts';
import { everyScheme, menuGadget, playedBy } from '../test/menuCases.ts';
import { addIntervalEdit, fitsInterval, intervalSums, meansOf, Outline, Ways, type Stroke } from './index.ts';

/** 96 minutes in 8 s at 24 a second. Source: reckoning, Intervals. */
const evening = { spanId: 5_760, lengthId: 8, rateId: 24 };

const withInterval = (scheme: (typeof everyScheme)[number]): Gadget => {
  const gadget = menuGadget(scheme, []);
  return applyEdit(gadget, addIntervalEdit(gadget, gadget.menus[0]!));
};

function play(gadget: Gadget, strokes: readonly Stroke[]) {
  const machine = new Machine(gadget, 7);
  const { stimuli, endUs } = playedBy(gadget, strokes, 100_000);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(endUs);
  return machine.shown;
}
/** What hands do to set a value. */
function wayTo(gadget: Gadget, name: string, value: number): Stroke[] {
  const [menu] = gadget.menus;
  const item = menu!.items.find((one): one is MenuItemOf<'value'> => one.name === name)!;
  const ways = new Ways(new Outline(gadget, menu!), meansOf(gadget, menu!.scheme.keys));
  const { initial } = gadget.flow.variables.find(({ id }) => id === item.variableId) as { initial: number };
  const set = ways.set(item, initial, value);
  if (!set) throw new Error(`expected a way to set ${name} to ${value}`);
  return set;
}
/** The four by name, after one of them was set to that. */
function setTo(gadget: Gadget, name: string, value: number) {
  const { variables } = play(gadget, wayTo(gadget, name, value));
  return Object.fromEntries(
    gadget.flow.variables
      .filter((one) => ['span', 'film', 'rate', 'interval'].includes(one.name))
      .map((one) => [one.name, variables[one.id]]),
  );
}

describe('an interval', () => {
  it('is the span over length times rate, to the nearest part', () => {
    expect(intervalSums(evening, 10)).toEqual({ pictures: 192, interval: 300, missed: 0 });
    expect(intervalSums(evening, 1)).toEqual({ pictures: 192, interval: 30, missed: 0 });
    // 100 s over 21: 4.76 s; 21 times 4.8 s are 0.8 s too long.
    expect(intervalSums({ spanId: 100, lengthId: 7, rateId: 3 }, 10)).toEqual({
      pictures: 21,
      interval: 48,
      missed: 8,
    });
    // 70 s over 9: 7.78 s; in whole seconds 8, of which nine are 72.
    expect(intervalSums({ spanId: 70, lengthId: 9, rateId: 1 }, 1)).toEqual({
      pictures: 9,
      interval: 8,
      missed: 2,
    });
    expect(intervalSums({ spanId: 70, lengthId: 0, rateId: 5 }, 10).pictures).toBe(0);
  });

  it.each(everyScheme.map((scheme) => [scheme.kind, scheme] as const))(
    'follows whatever is set of the other three, and gives way where it is set itself: %s',
    (_, scheme) => {
      const gadget = withInterval(scheme);
      const before = { span: 5_760, film: 8, rate: 24, interval: 300 };
      // 10 s of film: 240 pictures, 24.0 s; 25 a second: 200, 28.8 s; 97 minutes: 30.3 s.
      expect(setTo(gadget, 'Length', 10)).toEqual({ ...before, film: 10, interval: 240 });
      expect(setTo(gadget, 'Rate', 25)).toEqual({ ...before, rate: 25, interval: 288 });
      expect(setTo(gadget, 'Span', 5_820)).toEqual({ ...before, span: 5_820, interval: 303 });
      // 30.5 s: 188.9 pictures, 7.87 s of film: eight are nearest.
      expect(setTo(gadget, 'Interval', 305)).toEqual({ ...before, interval: 305, film: 8 });
    },
  );

  it('gives way to what its menu says', () => {
    const gadget = withInterval(everyScheme[0]!);
    const instead = (term: 'spanId' | 'rateId') => {
      const interval = { ...gadget.menus[0]!.interval!, instead: term };
      return setTo(applyEdit(gadget, { name: 'changeMenu', args: ['u1', { interval }] }), 'Interval', 310);
    };
    // 31.0 s, 192 times: 5952 s. 5760 s over 31.0 s and 8 s: 23.2 a second.
    expect(instead('spanId')).toMatchObject({ span: 5_952, film: 8, rate: 24 });
    expect(instead('rateId')).toMatchObject({ span: 5_760, film: 8, rate: 23 });
  });

  it('is marked on the display where it follows, and so is what follows it', () => {
    const gadget = withInterval(everyScheme[0]!);
    const read = (name: string, value: number) => {
      return readOn(
        (play(gadget, wayTo(gadget, name, value)).outputs['o1'] as { glass: Drawn }).glass,
      ).filter((text) => text.startsWith('='));
    };
    expect(new Set(read('Length', 10))).toEqual(new Set(['=24.0 s']));
    expect(new Set(read('Interval', 305))).toEqual(new Set(['=8 s']));
  });

  it('is left alone where its products go beyond 32 bits, and goes with any of its four', () => {
    const gadget = withInterval(everyScheme[0]!);
    const { interval } = gadget.menus[0]!;
    expect(fitsInterval(gadget, interval!)).toBe(true);
    const wide = gadget.flow.variables.map((one) =>
      one.id === interval!.lengthId ? ({ ...one, max: 1_000_000 } as typeof one) : one,
    );
    const beyond: Gadget = { ...gadget, flow: { ...gadget.flow, variables: wide } };
    expect(fitsInterval(beyond, interval!)).toBe(false);
    expect(setTo(beyond, 'Length', 9)).toEqual({ span: 5_760, film: 9, rate: 24, interval: 300 });
    const without = applyEdit(gadget, { name: 'removeVariable', args: [interval!.rateId] });
    expect(without.menus[0]!.interval).toBeNull();
    expect(without.menus[0]!.items.map(({ name }) => name)).toEqual(['Span', 'Length', 'Interval']);
  });
});
