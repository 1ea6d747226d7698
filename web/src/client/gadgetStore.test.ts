import { editGadget, EditRefused, emptyGadget, type Edit, type Gadget } from '@hum-lever/core';
import * as fc from 'fast-check';
import { editArbitrary, furnished } from '../../../core/src/test/editArbitrary.ts';
import { edit, putOnBench, replaceDocument, useGadget } from './gadgetStore.ts';

const now = () => useGadget.getState().document!;
const history = () => useGadget.temporal.getState();
const rename = (name: string): Edit => ({ name: 'renameGadget', args: [name] });

describe('the gadget on the bench', () => {
  it('takes no edit while none is there', () => {
    useGadget.setState({ id: null, document: null, lastEdit: null });
    expect(edit(rename('Lantern'))).toBe('No gadget is open.');
    expect(useGadget.getState().document).toBeNull();
  });

  it('goes back and forth, edit by edit, and tells what each was', () => {
    putOnBench('g1', emptyGadget('Lantern'));
    expect(edit(rename('Bright lantern'))).toBeNull();
    expect(edit({ name: 'setPurpose', args: ['Light the wings'] })).toBeNull();
    expect(useGadget.getState().lastEdit).toBe('setPurpose');
    history().undo();
    expect([now().name, now().brief.purpose]).toEqual(['Bright lantern', '']);
    expect(useGadget.getState().lastEdit).toBe('renameGadget');
    history().undo();
    expect(now()).toEqual(emptyGadget('Lantern'));
    history().redo();
    history().redo();
    expect([now().name, now().brief.purpose]).toEqual(['Bright lantern', 'Light the wings']);
  });

  it('says why an edit is refused, and neither changes nor remembers anything', () => {
    putOnBench('g1', emptyGadget('Lantern'));
    edit(rename('Bright lantern'));
    const before = now();
    const past = history().pastStates.length;
    expect(edit({ name: 'removePart', args: ['p9'] })).toContain('There is no');
    expect(edit(rename(''))).toMatch(/expected/i);
    expect(now()).toBe(before);
    expect(history().pastStates).toHaveLength(past);
    // What is ahead of an undo is not lost by a refusal either.
    history().undo();
    edit(rename(''));
    history().redo();
    expect(now().name).toBe('Bright lantern');
  });

  it('does not remember what changed nothing', () => {
    putOnBench('g1', emptyGadget('Lantern'));
    edit(rename('Lantern'));
    expect(history().pastStates).toHaveLength(0);
  });

  it('forgets the past of another gadget', () => {
    putOnBench('g1', emptyGadget('Lantern'));
    edit(rename('Bright lantern'));
    putOnBench('g2', emptyGadget('Kettle'));
    history().undo();
    expect([useGadget.getState().id, now().name]).toEqual(['g2', 'Kettle']);
  });

  it('a document that is replaced as a whole comes back with one step', () => {
    putOnBench('g1', emptyGadget('Lantern'));
    edit(rename('Bright lantern'));
    replaceDocument(emptyGadget('Theirs'));
    expect(useGadget.getState().lastEdit).toBe('replace');
    history().undo();
    expect(now().name).toBe('Bright lantern');
  });

  it('comes back whole from any edits, and ahead again, whatever of them was refused', () => {
    const start = furnished(emptyGadget('Bench'));
    fc.assert(
      fc.property(fc.array(editArbitrary, { maxLength: 24 }), (list) => {
        putOnBench('g1', start);
        const seen: Gadget[] = [start];
        for (const make of list) {
          let change: Edit;
          try {
            change = make(now());
          } catch (error) {
            if (!(error instanceof EditRefused)) throw error;
            continue;
          }
          const refused = edit(change);
          if (refused === null) expect(now()).toEqual(editGadget(seen.at(-1)!, change));
          if (now() !== seen.at(-1)) seen.push(now());
        }
        for (const document of seen.slice(0, -1).reverse()) {
          history().undo();
          expect(now()).toBe(document);
        }
        for (const document of seen.slice(1)) {
          history().redo();
          expect(now()).toBe(document);
        }
      }),
      { seed: 61, numRuns: 40 },
    );
  });
});
