import { checkGadget } from '../snag/index.ts';
import { readRule } from '../flow/index.ts';
import { applyEdit, type Gadget, type OutputAction } from '../gadget/index.ts';
import { button, rule } from '../test/fixtures.ts';
import { fontMemory } from './said.ts';
import { numberAt, paged } from '../test/screenCases.ts';
import { textAt } from '../test/toldGadget.ts';
import { gadgetOf, type Piece } from '../test/wiringFixtures.ts';

/* The innocent, and how far a text reaches at its longest. The guilty are among the cases of all snags. */

const found = (gadget: Gadget, id: string) => checkGadget(gadget).snags.filter((snag) => snag.rule === id);
/** Something sets the number to whatever it may be. */
function ranging(gadget: Gadget): Gadget {
  const [first] = gadget.flow.states;
  const set = rule('r9', readRule('when after 50 ms do count = random(1098) - 99', gadget));
  return { ...gadget, flow: { ...gadget.flow, states: [{ ...first!, rules: [...first!.rules, set] }] } };
}
const reaching = (...elements: OutputAction[]) =>
  found(ranging(paged(elements)), 'S01').map(({ values }) => [values['left'], values['right']]);

describe('a text on a page', () => {
  it('fits to the last pixel', () => {
    expect(reaching(textAt('012345678901234567890', '2'))).toEqual([]);
    expect(reaching(textAt('x', '0', '56'))).toEqual([]);
    expect(reaching(textAt('012345678901234567890', '3'))).toEqual([[3, 128]]);
  });
  it('is as long as the values in it can be', () => {
    // 999 and -99 are three characters, after eighteen others.
    expect(reaching(textAt('012345678901234567{v1}'))).toEqual([]);
    expect(reaching(textAt('0123456789012345678{v1}'))).toEqual([[0, 131]]);
  });
  it('reaches as far as its format makes it', () => {
    // x 104: four characters of six pixels fit.
    const at = (patch: object) => reaching(numberAt('v1', { x: '104', ...patch }));
    expect(at({})).toEqual([]);
    expect(at({ unit: '°' })).toEqual([]);
    expect(at({ unit: '°C' })).toEqual([[104, 133]]);
    expect(at({ format: 'hundredths' })).toEqual([[104, 133]]);
    expect(at({ places: 5 })).toEqual([[104, 133]]);
  });
  it('is measured from where it is aligned', () => {
    expect(reaching(numberAt('v1', { x: '128', align: 'right' }))).toEqual([]);
    expect(reaching(numberAt('v1', { x: '129', align: 'right' }))).toEqual([[111, 128]]);
    expect(reaching(numberAt('v1', { x: '9', align: 'centre' }))).toEqual([]);
    expect(reaching(numberAt('v1', { x: '8', align: 'centre' }))).toEqual([[-1, 16]]);
  });
  it('is not judged where it never stands, or where its place is worked out', () => {
    const long = textAt('0123456789012345678901');
    expect(reaching({ ...long, onlyIf: '0' } as OutputAction)).toEqual([]);
    expect(reaching({ ...long, x: '0 - v1' } as OutputAction)).toEqual([]);
    // Shown only while the number has one digit.
    expect(
      reaching({ ...textAt('01234567890123456789{v1}'), onlyIf: 'v1 >= 0 && v1 < 10' } as OutputAction),
    ).toEqual([]);
  });
});

describe('a picture', () => {
  it('takes long for nobody where no time is paid for it, or where there is nothing to press', () => {
    const slow = { busBaud: 100_000 };
    expect(found({ ...paged([], { sends: 'free' }, slow), controls: [button()] }, 'S02')).toEqual([]);
    expect(found(paged([], { mostHz: 5 }, slow), 'S02')).toEqual([]);
  });
  it('of changed tiles alone takes as long as one that is all new, and no rate is promised', () => {
    const slow = paged([], { update: 'changed' }, { busBaud: 100_000 });
    // Eight rows of tiles: three bytes to go there, 128 in eight pieces, each with two more and two bits.
    const us = 8 * ((3 + 2) * 90 + 20 + (128 + 16) * 90 + 160);
    expect(found({ ...slow, controls: [button()] }, 'S02')[0]!.values).toMatchObject({
      reason: 'press',
      pictureUs: us,
    });
    expect(found(paged([], { update: 'changed', sends: 'background', mostHz: 60 }), 'S02')).toEqual([]);
  });
  it('is sent as often as it can be after the mend, and not less', () => {
    const gadget = paged([], { sends: 'background', mostHz: 60 });
    const mended = applyEdit(gadget, found(gadget, 'S02')[0]!.mend!.edit);
    // 26.24 ms each: 38 in a second. Source: reckoning, Buses and screens.
    expect(mended.outputs[0]).toMatchObject({ mostHz: 38 });
  });
});

describe('a change of state', () => {
  const twoStates = (shown: string): Gadget => {
    const gadget = paged([textAt(shown)]);
    const to = (id: string, text: string) => rule(id, readRule(text, gadget));
    const [first] = gadget.flow.states;
    const other = { ...first!, id: 's2', name: 'Other', rules: [] };
    const flow = { ...gadget.flow, states: [first!, other] };
    const leads = { ...to('r1', 'when after 100 ms do count = 5'), targetIds: ['s2'] };
    const back = { ...to('r2', 'when after 100 ms do Glass row 1 "x"'), targetIds: ['s1'] };
    return {
      ...gadget,
      flow: {
        ...flow,
        states: [
          { ...first!, rules: [leads] },
          { ...other, rules: [back] },
        ],
      },
    };
  };
  it('is shown by a page that speaks of what it changes, or of where it leads, and by no other', () => {
    const unseen = (shown: string) => found(twoStates(shown), 'L13').map(({ place }) => place.id);
    expect(unseen('{v1}')).toEqual([]);
    expect(unseen('{in(s2)}')).toEqual([]);
    expect(unseen('Fixed')).toEqual(['r1']);
  });
});

describe('a page', () => {
  it('is seen where a rule shows it, or where it is the first', () => {
    expect(found(paged([], {}, {}, [[100, 'Glass page Score']]), 'S12')).toEqual([]);
  });
  it('is written with characters that its font has', () => {
    expect(found(paged([textAt('Größe 45° → ♥')]), 'S04')).toEqual([]);
    // The small font has letters and signs, and no fractions.
    expect(
      found(paged([{ ...textAt('½ Maß ¾'), font: '4x6' } as OutputAction]), 'S04')[0]!.values,
    ).toMatchObject({
      characters: '½ ¾',
      count: 2,
    });
  });
});

describe('the memory of fonts', () => {
  it('is that of the characters that may be written, each once for a font', () => {
    // A and B, and the fourteen signs of numbers; and R, e, a, d, y and a blank of the other page. Five bytes each.
    expect(fontMemory(paged([textAt('AB{v1}'), textAt('BA')]), 'o1')).toBe(16 * 5 + 6 * 5);
    expect(fontMemory(paged([textAt('AB')]), 'o9')).toBe(0);
  });
});

describe('the memory for pictures', () => {
  const small = 'board-8bit-20';
  const display: Piece = ['graphic-display-two-wire'];
  it('has room for as many as fit to the last byte', () => {
    // 2,048 bytes and two pictures of 1,024; nothing else.
    expect(found(gadgetOf(small, display, display), 'S03')).toEqual([]);
    expect(found(gadgetOf(small, display, display, display), 'S03')).toMatchObject([
      { place: { kind: 'part', id: 'p3' }, values: { bytes: 1_024, free: 0 } },
    ]);
  });
  it('is not judged where no board is chosen', () => {
    expect(found(gadgetOf(null, display, display, display), 'S03')).toEqual([]);
  });
});
