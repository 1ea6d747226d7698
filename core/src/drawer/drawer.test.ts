import { editGadget, readGadget } from '../formats/index.ts';
import { emptyGadget, type Gadget } from '../gadget/index.ts';
import { partKinds } from '../parts/index.ts';
import { checkGadget } from '../snag/index.ts';
import { addPartEdit, addPartsEdit, figuresEdit } from './index.ts';

const add = (gadget: Gadget, kind: string, given = {}) =>
  editGadget(gadget, addPartEdit(gadget, kind, given));

describe('parts out of the drawer', () => {
  it.each(partKinds.map(({ id }) => id))('%s is valid as it comes, twice, and has its own name', (kind) => {
    const two = add(add(emptyGadget('Bench'), kind), kind);
    expect(readGadget(JSON.parse(JSON.stringify(two)))).toMatchObject({ outcome: 'opened', gadget: two });
    expect(new Set(two.parts.map(({ name }) => name)).size).toBe(2);
    const keys = two.controls.flatMap(({ key }) => (key === null ? [] : [key]));
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('come several at once, as one step, as if one after the other', () => {
    const bench = emptyGadget('Bench');
    const three = editGadget(bench, addPartsEdit(bench, 'push-button', 3));
    expect(three).toEqual(add(add(add(bench, 'push-button'), 'push-button'), 'push-button'));
    expect(three.parts.map(({ name }) => name)).toEqual(['Push button', 'Push button 2', 'Push button 3']);
    expect(addPartsEdit(bench, 'light', 1)).toEqual(addPartEdit(bench, 'light'));
  });

  it('feel right as they come: no debouncing of a fresh control is a snag', () => {
    for (const kind of [
      'push-button',
      'toggle-switch',
      'slide-switch',
      'foot-switch',
      'encoder-push',
      'touch-pad',
    ]) {
      const report = checkGadget(add(emptyGadget('Bench'), kind));
      expect(report.snags.filter(({ rule, level }) => rule.startsWith('F') && level === 'stop')).toEqual([]);
    }
  });

  it('bring displays of the size that their class says', () => {
    const size = (kind: string, figures = {}) => {
      const [output] = add(emptyGadget('Bench'), kind, { figures }).outputs;
      return output && 'rows' in output ? [output.columns, output.rows] : null;
    };
    // 128 pixels at 6 a character: 21.
    expect(size('graphic-display-spi')).toEqual([21, 8]);
    expect(size('graphic-display-two-wire', { widthPx: 96, heightPx: 16 })).toEqual([16, 2]);
    expect(size('seven-segment')).toEqual([4, 1]);
    expect(size('character-display')).toEqual([16, 2]);
  });

  it('take other figures, with more or fewer keys where they say so, and refuse what is none', () => {
    const pad = add(emptyGadget('Bench'), 'key-matrix');
    expect(pad.controls).toHaveLength(12);
    const resize = (gadget: Gadget, figures: Record<string, number>) =>
      editGadget(gadget, figuresEdit(gadget, gadget.parts[0]!, figures));
    const small = resize(pad, { rows: 2, columns: 2 });
    expect(small.controls.map(({ id }) => id)).toEqual(['b1', 'b2', 'b3', 'b4']);
    const wide = resize(small, { rows: 2, columns: 3 });
    expect(wide.controls).toHaveLength(6);
    expect(wide.controls.map(({ name }) => name)).toEqual(
      [1, 2, 3, 4, 5, 6].map((n) => `Key matrix (keypad) ${n}`),
    );
    expect(resize(wide, { rows: 2, columns: 3, diodes: 1 }).parts[0]!.figures).toMatchObject({ diodes: 1 });
    expect(() => figuresEdit(pad, pad.parts[0]!, { rows: 99 })).toThrow('rows');
    expect(() => addPartEdit(pad, 'lamp-post')).toThrow('expected a class of part');
  });
});
