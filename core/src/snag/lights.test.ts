import type { Gadget, OutputOf } from '../gadget/index.ts';
import { applyEdit } from '../gadget/index.ts';
import { readRule } from '../flow/index.ts';
import { numberVariable, rule } from '../test/fixtures.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { checkGadget } from './index.ts';

/* What is found of lights by number, and what is not. */

const ring = (patch: Partial<OutputOf<'lights'>> = {}) => ({
  ...(outputOf('lights', 'Ring') as OutputOf<'lights'>),
  ...patch,
});
const place = numberVariable({ id: 'v1', name: 'place', initial: 0, min: 0, max: 11, overflow: 'wrap' });

/** A ring over which these rules go on by themselves. */
function going(...lines: string[]): Gadget {
  const gadget = toldGadget(ring(), [], [place]);
  const rules = lines.map((line, n) => rule(`r${n + 1}`, readRule(line, gadget)));
  return { ...gadget, flow: { ...gadget.flow, states: [{ ...gadget.flow.states[0]!, rules }] } };
}
const flashing = (gadget: Gadget) => checkGadget(gadget).snags.filter((snag) => snag.rule === 'L20');

describe('flashing of lights by number (L20)', () => {
  it('is found where they are told to blink so fast, and calmed', () => {
    const gadget = toldGadget(ring(), [[10, 'Ring blink 0 to 3 every 200 ms']]);
    const [found, ...more] = flashing(gadget);
    expect(more).toEqual([]);
    expect(found).toMatchObject({ values: { light: 'Ring', centiHz: 500, by: 'blink' } });
    expect(flashing(applyEdit(gadget, found!.mend!.edit))).toEqual([]);
  });
  it('is not found of a slow one, nor of one too fast to be seen', () => {
    expect(flashing(toldGadget(ring(), [[10, 'Ring blink all every 500 ms']]))).toEqual([]);
    expect(flashing(toldGadget(ring(), [[10, 'Ring blink all every 20 ms']]))).toEqual([]);
  });
  it('is found where rules switch one light of many', () => {
    const gadget = going(
      'when every 100 ms if place % 2 == 0 do Ring paint 3 red; place = place + 1',
      'when every 100 ms if place % 2 == 1 do Ring paint 3 off; place = place + 1',
    );
    expect(flashing(gadget)).toMatchObject([{ values: { light: 'Ring', by: 'rules' } }]);
  });
  it('is not found of one that runs along: each of twelve is lit once in a round', () => {
    const chase = going('when every 100 ms do Ring paint all off; place = place + 1; Ring paint place red');
    // Dark and lit again at one moment is never seen dark; each light comes round in 1.2 s.
    expect(flashing(chase)).toEqual([]);
    expect(flashing(going('when every 80 ms do Ring rotate all, 1'))).toEqual([]);
  });
});

describe('lights made in one colour (X02)', () => {
  const asked = (told: string, colour: OutputOf<'lights'>['colour']) =>
    checkGadget(toldGadget(ring({ colour }), [[10, told]])).snags.filter((snag) => snag.rule === 'X02');
  it('are found where they are told another, in any of the ways', () => {
    for (const told of ['Ring paint 0 blue', 'Ring fill all, 3 blue', 'Ring fade all amber, blue over 2 s'])
      expect(asked(told, 'amber')).toMatchObject([{ values: { own: 'amber', asked: 'blue' } }]);
  });
  it('are left alone where it is their own, or dark, or they take any', () => {
    expect(asked('Ring paint 0 amber; Ring paint 1 off', 'amber')).toEqual([]);
    expect(asked('Ring paint 0 blue', null)).toEqual([]);
  });
});
