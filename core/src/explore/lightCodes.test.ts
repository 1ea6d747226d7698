import {
  applyEdit,
  type Action,
  type Gadget,
  type LightColour,
  type Snag,
  type State,
} from '../gadget/index.ts';
import { checkGadget } from '../snag/index.ts';
import { rule, state } from '../test/fixtures.ts';
import { coloured } from '../test/flowCases.ts';
import { lightCodes as codesIn } from './lightCodes.ts';
import { StatesLooked } from './statesLooked.ts';

const lightCodes = (gadget: Gadget) => codesIn(gadget, new StatesLooked(gadget).all());

const press = { kind: 'gesture', controlId: 'b1', gesture: 'press' } as const;
const lit = (light: Extract<Action, { kind: 'light' }>['light'], colour: LightColour = 'red'): Action[] => [
  { kind: 'light', outputId: 'o1', light },
  { kind: 'colour', outputId: 'o1', colour },
];
/** States that follow one another with every press, each with what it shows. */
const ring = (...entries: Action[][]): Gadget =>
  coloured(
    entries.map((entry, n): State => {
      const next = `s${((n + 1) % entries.length) + 1}`;
      return state(`s${n + 1}`, { entry, rules: [rule(`r${n + 1}`, { trigger: press, targetIds: [next] })] });
    }),
  );
const codes = (gadget: Gadget) => lightCodes(gadget).lights.find(({ outputId }) => outputId === 'o1')!.codes;
const told = (gadget: Gadget) => checkGadget(gadget).snags.filter(({ rule: id }) => id === 'S10');

describe('what a light tells', () => {
  it('is listed once for each pattern and colour, with the states in which it is told', () => {
    const gadget = ring(
      lit({ mode: 'on' }),
      lit({ mode: 'blink', periodUs: 250_000 }),
      lit({ mode: 'pattern', steps: '#.#...', stepUs: 400_000 }),
      lit({ mode: 'off' }),
      lit({ mode: 'fade', levelPercent: 30, overUs: 500_000 }, 'blue'),
    );
    expect(codes(gadget)).toMatchObject([
      {
        pattern: { kind: 'steady', percent: 100 },
        colours: ['red'],
        means: [{ name: 's1', stateIds: ['s1'] }],
        readUs: 0,
        centiHz: 0,
      },
      // Four times a second: in the band that can harm.
      {
        pattern: { kind: 'blink', periodUs: 250_000 },
        means: [{ name: 's2', stateIds: ['s2'] }],
        readUs: 250_000,
        centiHz: 400,
      },
      // Six steps of 400 ms: longer than two seconds; it rises twice in 2.4 s.
      { pattern: { kind: 'pattern', steps: '#.#...', stepUs: 400_000 }, readUs: 2_400_000, centiHz: 83 },
      { pattern: { kind: 'dark' }, colours: [], means: [{ name: 's4', stateIds: ['s4'] }] },
      {
        pattern: { kind: 'steady', percent: 30 },
        colours: ['blue'],
        means: [{ name: 's5', stateIds: ['s5'] }],
      },
    ]);
  });

  it('tells what is seen for a moment only, too, and says of which states it was not found out', () => {
    const gadget = ring(lit({ mode: 'on' }), lit({ mode: 'off' }));
    const [first, second] = gadget.flow.states;
    const leaving = rule('r8', { trigger: { kind: 'after', delay: 300_000 }, targetIds: ['s1'] });
    const states = [first!, { ...second!, rules: [...second!.rules, leaving] }, state('s3', {})];
    const { lights, missing } = lightCodes({ ...gadget, flow: { ...gadget.flow, states } });
    expect(lights[0]!.codes).toMatchObject([
      { means: [{ name: 's1' }] },
      { pattern: { kind: 'dark' }, means: [{ name: 's2' }] },
    ]);
    expect(missing.map(({ name }) => name)).toEqual(['s3']);
  });

  it('is told by the states that it hangs on, where several are active at once', () => {
    const toggle = (id: string, own: string, to: string, entry: Action[], controlId: string): State =>
      state(own, {
        parentId: id,
        entry,
        rules: [rule(`r${own}`, { trigger: { ...press, controlId }, targetIds: [to] })],
      });
    const single = coloured([]);
    const gadget: Gadget = {
      ...single,
      controls: [...single.controls, { ...single.controls[0]!, id: 'b2', name: 'Other', key: null } as never],
      parts: [...single.parts, { ...single.parts[0]!, id: 'p9', plays: ['b2'] }],
      flow: {
        ...single.flow,
        initialId: 's1',
        states: [
          state('s1', { kind: 'parallel' }),
          state('s2', { parentId: 's1' }),
          state('s3', { parentId: 's1' }),
          toggle('s2', 's4', 's5', lit({ mode: 'on' }), 'b1'),
          toggle('s2', 's5', 's4', lit({ mode: 'off' }), 'b1'),
          toggle('s3', 's6', 's7', [], 'b2'),
          toggle('s3', 's7', 's6', [], 'b2'),
        ],
      },
    };
    expect(codes(gadget).map(({ means }) => means.map(({ name }) => name))).toEqual([['s4'], ['s5']]);
    // Whatever the other region does, nothing shows it: told once.
    expect(lightCodes(gadget).alike).toEqual([['s6', 's7']]);
  });

  it('is told apart by something else, or not at all', () => {
    const text = (words: string): Action => ({ kind: 'text', outputId: 'o2', row: 0, text: words });
    const alike = ring(lit({ mode: 'on' }), lit({ mode: 'off' }), lit({ mode: 'on' }));
    expect(codes(alike)[0]).toMatchObject({ means: [{ name: 's1' }, { name: 's3' }] });
    expect(lightCodes(alike).alike).toEqual([['s1', 's3']]);
    const written = ring([...lit({ mode: 'on' }), text('One')], lit({ mode: 'off' }), [
      ...lit({ mode: 'on' }),
      text('Three'),
    ]);
    expect(codes(written)[0]).toMatchObject({ means: [{ name: 's1' }, { name: 's3' }] });
    expect(lightCodes(written).alike).toEqual([]);
  });
});

describe('a meaning that only a colour carries', () => {
  it('is found among three states, once for each that another one is told from so', () => {
    const three = ring(lit({ mode: 'on' }, 'red'), lit({ mode: 'on' }, 'green'), lit({ mode: 'on' }, 'blue'));
    expect(told(three).map(({ values }) => [values['name'], values['twin'], values['alikeFor']])).toEqual([
      ['s2', 's1', 'protanopia deuteranopia'],
      ['s3', 's1', ''],
    ]);
  });

  it('is mended by a rhythm where the state tells it itself, and all that follow tell the light anew', () => {
    const two = ring(lit({ mode: 'on' }, 'red'), lit({ mode: 'on' }, 'green'));
    const [{ mend }] = told(two) as [Snag];
    expect(mend).toMatchObject({ key: 'blinkHere', values: { state: 's2' } });
    const after = applyEdit(two, mend!.edit);
    expect(checkGadget(after).snags).toEqual([]);
    expect(codes(after).map(({ pattern }) => pattern.kind)).toEqual(['steady', 'blink']);
    // Lit once and for all, then only told colours: blinking would go on everywhere.
    const [on, red] = lit({ mode: 'on' }, 'red') as [Action, Action];
    const green = lit({ mode: 'on' }, 'green')[1]!;
    const once = ring([on, red], [green], [red]);
    once.flow.states[2]!.rules[0]!.targetIds = ['s2'];
    expect(told(once).map((snag) => snag.mend)).toEqual([undefined]);
  });

  it('is none where a rhythm, a text or the dark says it as well, or where all is the same', () => {
    const text: Action = { kind: 'text', outputId: 'o2', row: 0, text: 'Won' };
    const innocent = [
      ring(lit({ mode: 'on' }, 'red'), lit({ mode: 'blink', periodUs: 800_000 }, 'green')),
      ring(lit({ mode: 'on' }, 'red'), [...lit({ mode: 'on' }, 'green'), text]),
      ring(lit({ mode: 'on' }, 'red'), lit({ mode: 'off' }, 'green')),
      ring(lit({ mode: 'on' }, 'red'), lit({ mode: 'on' }, 'red')),
      // In the dark nobody sees a colour that a light was told.
      ring(lit({ mode: 'off' }, 'red'), lit({ mode: 'off' }, 'green')),
      ring(lit({ mode: 'off' }, 'red'), lit({ mode: 'on' }, 'red'), lit({ mode: 'off' }, 'green')),
    ];
    for (const gadget of innocent) expect(told(gadget)).toEqual([]);
  });
});
