import * as fc from 'fast-check';
import { editGadget } from '../formats/index.ts';
import { applyEdit, emptyGadget, type Button, type Edit, type Gadget } from '../gadget/index.ts';
import { gadgetArbitrary } from '../test/arbitraries.ts';
import { runs } from '../test/runs.ts';
import { addPartsEdit, figuresEdit, sameForAlike } from './index.ts';

const with_ = (...list: [kind: string, howMany: number][]): Gadget =>
  list.reduce((gadget, [kind, n]) => applyEdit(gadget, addPartsEdit(gadget, kind, n)), emptyGadget('Bench'));
/** What is offered after that edit, and what becomes of the gadget with it. */
const after = (gadget: Gadget, edit: Edit) => {
  const is = applyEdit(gadget, edit);
  const offer = sameForAlike(gadget, is);
  return { offer, all: offer && applyEdit(is, offer.edit) };
};
const buttons = ({ controls }: Gadget) => controls.filter((one): one is Button => one.kind === 'button');
const debounce = { algorithm: 'stable', params: { settleUs: 7_000, releaseUs: 7_000 }, wholePort: false };

describe('the same for all alike', () => {
  const gadget = with_(['push-button', 3], ['foot-switch', 1], ['light', 2], ['key-matrix', 1]);
  const [first, second, third] = buttons(gadget);

  it('goes from one control to those of parts of its class, and no further', () => {
    const { offer, all } = after(gadget, { name: 'changeControl', args: [first!.id, { debounce }] });
    expect(offer).toMatchObject({ changed: 'Push button', others: ['Push button 2', 'Push button 3'] });
    const set = buttons(all!).filter((one) => one.debounce.algorithm === 'stable');
    expect(set.map(({ id }) => id)).toEqual([first, second, third].map((one) => one!.id));
    // Taken, nothing is left to offer.
    expect(
      sameForAlike(applyEdit(gadget, { name: 'changeControl', args: [first!.id, { debounce }] }), all!),
    ).toBeNull();
  });

  it('leaves out who is so already, and keeps what each has of its own', () => {
    const held = (button: Button, holdUs: number | null) => ({ gestures: { ...button.gestures, holdUs } });
    const before = applyEdit(
      applyEdit(gadget, { name: 'changeControl', args: [second!.id, held(second!, 900_000)] }),
      {
        name: 'changeControl',
        args: [third!.id, { gestures: { ...third!.gestures, doubleWindowUs: 250_000 } }],
      },
    );
    const { offer, all } = after(before, { name: 'changeControl', args: [first!.id, held(first!, 900_000)] });
    expect(offer!.others).toEqual(['Push button 3']);
    expect(buttons(all!)[2]!.gestures).toMatchObject({ holdUs: 900_000, doubleWindowUs: 250_000 });
  });

  it('goes from one key of a keypad to all its keys', () => {
    const keys = buttons(gadget).filter(({ name }) => name.startsWith('Key'));
    const { offer } = after(gadget, { name: 'changeControl', args: [keys[4]!.id, { debounce }] });
    expect(offer!.others).toHaveLength(keys.length - 1);
  });

  it('goes from one light to the other, and not for a name', () => {
    const [lamp] = gadget.outputs;
    expect(
      after(gadget, { name: 'changeOutput', args: [lamp!.id, { colour: 'blue' }] }).offer!.others,
    ).toEqual(['Light 2']);
    expect(after(gadget, { name: 'changeOutput', args: [lamp!.id, { name: 'Stove' }] }).offer).toBeNull();
    expect(after(gadget, { name: 'changeControl', args: [first!.id, { key: 'KeyM' }] }).offer).toBeNull();
  });

  it('takes figures and prices to parts of the class, with what follows from them', () => {
    const chains = with_(['light-chain', 2]);
    const [one, two] = chains.parts;
    const twelve = after(chains, figuresEdit(chains, one!, { pixels: 12 }));
    expect(twelve.offer!.others).toEqual([two!.name]);
    expect(twelve.all!.outputs).toMatchObject([{ count: 12 }, { count: 12 }]);
    const back = after(twelve.all!, figuresEdit(twelve.all!, twelve.all!.parts[0]!, {}));
    expect(back.all!.parts.map(({ figures }) => figures)).toEqual([{}, {}]);
    const dear = after(chains, { name: 'changePart', args: [one!.id, { priceCents: 900 }] });
    expect(dear.all!.parts.map(({ priceCents }) => priceCents)).toEqual([900, 900]);
    expect(after(chains, { name: 'changePart', args: [one!.id, { quantity: 3, have: 1 }] }).offer).toBeNull();
  });

  it('resizes all keypads of the class, each with keys of its own', () => {
    const pads = with_(['key-matrix', 3]);
    const { offer, all } = after(pads, figuresEdit(pads, pads.parts[0]!, { rows: 4, columns: 4 }));
    expect(offer!.others).toHaveLength(2);
    expect(all!.parts.map(({ plays }) => plays.length)).toEqual([16, 16, 16]);
    expect(new Set(all!.parts.flatMap(({ plays }) => plays)).size).toBe(48);
  });

  it('changes nothing but what it names, in any gadget', () => {
    fc.assert(
      fc.property(gadgetArbitrary, fc.nat(2), fc.boolean(), (given, which, byHold) => {
        const before = applyEdit(given, addPartsEdit(given, 'foot-switch', 3));
        const pedal = buttons(before).at(-1 - which)!;
        const patch = byHold ? { gestures: { ...pedal.gestures, holdUs: 777_000 } } : { debounce };
        const is = applyEdit(before, { name: 'changeControl', args: [pedal.id, patch] });
        const offer = sameForAlike(before, is)!;
        expect(offer.others.length).toBeGreaterThanOrEqual(2);
        const all = editGadget(is, offer.edit);
        expect({ ...all, controls: [] }).toEqual({ ...is, controls: [] });
        for (const [n, end] of all.controls.entries()) {
          const was = is.controls[n]!;
          expect(end).toEqual(
            offer.others.includes(was.name) ? { ...was, ...patch, gestures: (end as Button).gestures } : was,
          );
          expect([end.name, end.key]).toEqual([was.name, was.key]);
        }
        expect(sameForAlike(is, all)).toBeNull();
      }),
      { seed: 11, numRuns: runs(40) },
    );
  });
});
