import * as fc from 'fast-check';
import { bounceEdges, contactOf, edgesFrom, pressEdges, switchModels, type SwitchModel } from './index.ts';

const models = Object.keys(switchModels) as SwitchModel[];
const anyModel = fc.constantFrom(...models).map(contactOf);

describe.each(models)('%s', (model) => {
  it('bounces within its maximum, alternately, and comes to rest at the new level', () => {
    fc.assert(
      fc.property(fc.constantFrom<0 | 1>(0, 1), fc.integer(), fc.nat(5_000), (level, seed, index) => {
        const contact = contactOf(model);
        const edges = bounceEdges(contact, level, seed, 0, index);
        expect(edges[0]).toEqual({ atUs: 0, level });
        expect(edges.at(-1)!.level).toBe(level);
        expect(edges.at(-1)!.atUs).toBeLessThanOrEqual(level === 1 ? contact.closeMaxUs : contact.openMaxUs);
        edges.slice(1).forEach((edge, i) => {
          expect(edge.level).not.toBe(edges[i]!.level);
          expect(edge.atUs).toBeGreaterThan(edges[i]!.atUs);
          expect(Number.isInteger(edge.atUs)).toBe(true);
        });
      }),
      { seed: 4 },
    );
  });

  it('bounces about as often as its figures say', () => {
    const contact = { ...contactOf(model), closeMaxUs: 100_000, gapSpreadPerMille: 0 };
    const n = 4_000;
    let pairs = 0;
    for (let i = 0; i < n; i += 1) pairs += (bounceEdges(contact, 1, 7, 3, i).length - 1) / 2;
    const p = contact.againPerMille / 1_000;
    const expected = p / (1 - p);
    expect(Math.abs(pairs / n - expected)).toBeLessThanOrEqual(0.05 * expected);
  });
});

describe('a press', () => {
  it('alternates from open to open, however short it is', () => {
    fc.assert(
      fc.property(anyModel, fc.integer({ min: 1, max: 60_000 }), fc.nat(500), (contact, heldUs, press) => {
        const edges = pressEdges(contact, heldUs, 9, 1, press);
        expect(edges.at(-1)?.level ?? 0).toBe(0);
        edges.forEach(({ level }, i) => expect(level).toBe(i % 2 === 0 ? 1 : 0));
      }),
      { seed: 5 },
    );
  });

  it('is the same whenever it is asked for, and unlike the next', () => {
    const worn = contactOf('worn');
    expect(pressEdges(worn, 50_000, 1, 0, 7)).toEqual(pressEdges(worn, 50_000, 1, 0, 7));
    expect(pressEdges(worn, 50_000, 1, 0, 7)).not.toEqual(pressEdges(worn, 50_000, 1, 0, 8));
  });

  it('leaves out a first edge that changes nothing', () => {
    expect(
      edgesFrom(1, [
        { atUs: 0, level: 1 },
        { atUs: 5, level: 0 },
      ]),
    ).toEqual([{ atUs: 5, level: 0 }]);
  });
});
