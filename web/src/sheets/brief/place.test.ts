import { editGadget, emptyGadget, type Fate, type Gadget } from '@hum-lever/core';
import { placeOfDrop } from './place.ts';

const wall = (['keep', 'keep', 'keep', 'later'] as const).reduce<Gadget>(
  (gadget, fate, n) => editGadget(gadget, { name: 'addWord', args: [`word ${n + 1}`, fate] }),
  emptyGadget('Wall'),
);

/** The wall after that drop, column by column. */
function dropped(id: string, overId: string): Record<Fate, string> {
  const place = placeOfDrop(wall.brief.words, id, overId);
  const after = place
    ? editGadget(wall, { name: 'placeWord', args: [id, place.fate, place.beforeId] })
    : wall;
  const column = (fate: Fate) =>
    after.brief.words
      .filter((word) => word.fate === fate)
      .map((word) => word.id)
      .join(' ');
  return { keep: column('keep'), later: column('later'), cut: column('cut') };
}

describe('dropping a word', () => {
  it.each<[string, string, Record<Fate, string>]>([
    ['w1', 'w3', { keep: 'w2 w3 w1', later: 'w4', cut: '' }],
    ['w1', 'w2', { keep: 'w2 w1 w3', later: 'w4', cut: '' }],
    ['w3', 'w1', { keep: 'w3 w1 w2', later: 'w4', cut: '' }],
    ['w2', 'w4', { keep: 'w1 w3', later: 'w2 w4', cut: '' }],
    ['w2', 'later', { keep: 'w1 w3', later: 'w4 w2', cut: '' }],
    ['w4', 'cut', { keep: 'w1 w2 w3', later: '', cut: 'w4' }],
    ['w1', 'keep', { keep: 'w2 w3 w1', later: 'w4', cut: '' }],
    ['w2', 'w2', { keep: 'w1 w2 w3', later: 'w4', cut: '' }],
    ['w2', 'the floor', { keep: 'w1 w2 w3', later: 'w4', cut: '' }],
  ])('%s on %s', (id, overId, columns) => {
    expect(dropped(id, overId)).toEqual(columns);
  });
});
