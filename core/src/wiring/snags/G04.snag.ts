import type { SnagRule } from '../../gadget/index.ts';
import { billOf } from '../bill.ts';

/** The bill is over the price that was wished for. */
export const G04: SnagRule = {
  id: 'G04',
  check(gadget) {
    const wish = gadget.brief.wishes.priceCents;
    const { worthCents, lines } = billOf(gadget);
    if (wish === null || worthCents <= wish) return [];
    const dearest = lines.reduce((a, b) => (b.quantity * b.eachCents > a.quantity * a.eachCents ? b : a));
    return [
      {
        rule: 'G04',
        level: 'note',
        place:
          dearest.kind === 'board' ? { kind: 'board', id: dearest.id } : { kind: 'part', id: dearest.id },
        values: {
          worthCents,
          wishCents: wish,
          currency: gadget.bill.currency,
          dearest: dearest.name,
          dearestCents: dearest.quantity * dearest.eachCents,
        },
      },
    ];
  },
};
