import * as fc from 'fast-check';
import { contactOf, pressTrain, type SwitchModel } from '../contact/index.ts';
import { human, type ContactFigures, type Edge } from '../gadget/index.ts';
import { capturePractice, cutTrace, distanceOf, fitContact, type WireTrace } from './index.ts';

const traceOf = (contact: ContactFigures, presses: number, seed: number, idle: 0 | 1 = 0): WireTrace => {
  const { edgeUs, upUs } = pressTrain(contact, human, presses, seed);
  const edges = Array.from(edgeUs, (atUs, n): Edge => ({
    atUs,
    level: n % 2 === 0 ? (idle === 0 ? 1 : 0) : idle,
  }));
  return { name: 'key', first: idle, edges, endUs: upUs.at(-1)! + 400_000 };
};
/** Presses further apart than any bounce, so that each can be told from the next. */
const unhurried = { ...human, comfortableRepeatUs: 400_000, fastestRepeatUs: 250_000 };

describe('cutting a record', () => {
  it('by hand: a bouncing press with a break while held, and a press that is not over', () => {
    const at = [500, 500.4, 500.9, 700, 700.2, 720, 1_000, 1_001, 1_001.5].map((ms) => ms * 1_000);
    const edges = at.map((atUs, n): Edge => ({ atUs, level: n % 2 === 0 ? 1 : 0 }));
    const cut = cutTrace({ name: 'key', first: 0, edges, endUs: 1_050_000 });
    expect(cut).toMatchObject({ idle: 0, spikesUs: [], breaksUs: [200], left: 1 });
    expect(cut.presses).toHaveLength(1);
    expect(cut.presses[0]).toEqual({ heldUs: 220_000, closeUs: [0, 400, 900], openUs: [0] });
  });

  it('the same whether a press pulls the wire up or down', () => {
    const up = cutTrace(traceOf(contactOf('leaf'), 40, 3, 0));
    const down = cutTrace(traceOf(contactOf('leaf'), 40, 3, 1));
    expect(down).toEqual({ ...up, idle: 1 });
    expect(up.presses).toHaveLength(40);
  });

  it('tells spikes and breaks from presses', () => {
    const busy = { ...contactOf('dome'), glitchPerHour: 7_200, chatterPerMinute: 120, chatterMaxUs: 900 };
    const { edgeUs, upUs } = pressTrain(busy, unhurried, 60, 4);
    const edges = Array.from(edgeUs, (atUs, n): Edge => ({ atUs, level: n % 2 === 0 ? 1 : 0 }));
    const cut = cutTrace({ name: 'key', first: 0, edges, endUs: upUs.at(-1)! + 400_000 });
    expect(cut.presses.length).toBeGreaterThan(50);
    expect(cut.spikesUs.length).toBeGreaterThan(5);
    expect(cut.breaksUs.length).toBeGreaterThan(3);
    // Two that come close together are one; most do not.
    const sorted = [...cut.breaksUs].sort((a, b) => a - b);
    expect(sorted[sorted.length >> 1]).toBeLessThanOrEqual(900);
  });

  it('never makes a press out of anything that is none, and stands any record', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 90_000 }), { maxLength: 60 }),
        fc.constantFrom<0 | 1>(0, 1),
        (gaps, first) => {
          let atUs = 0;
          const edges = gaps.map((gap, n): Edge => ({
            atUs: (atUs += gap),
            level: (n % 2 === 0 ? 1 - first : first) as 0 | 1,
          }));
          for (const { heldUs, closeUs, openUs } of cutTrace({ name: 'x', first, edges, endUs: atUs + 1_000 })
            .presses) {
            expect(heldUs).toBeGreaterThan(0);
            for (const end of [closeUs, openUs]) {
              expect(end[0]).toBe(0);
              expect(end.length % 2).toBe(1);
              end.slice(1).forEach((us, n) => expect(us).toBeGreaterThan(end[n]!));
            }
          }
        },
      ),
      { seed: 31 },
    );
  });
});

describe('fitting', () => {
  it.each<SwitchModel>(['dome', 'snap', 'membrane', 'leaf', 'toggle'])(
    'recovers the figures of a %s within its stated error',
    (model) => {
      // Without its maximum cutting bounces short, which no figure can tell from fewer of them.
      const contact = { ...contactOf(model), closeMaxUs: 60_000, openMaxUs: 60_000 };
      const { edgeUs, upUs } = pressTrain(contact, unhurried, 100, 7);
      const edges = Array.from(edgeUs, (atUs, n): Edge => ({ atUs, level: n % 2 === 0 ? 1 : 0 }));
      const cut = cutTrace({ name: 'key', first: 0, edges, endUs: upUs.at(-1)! + 400_000 }, 40_000);
      const { contact: fitted, closing, opening } = fitContact(cut);
      expect(Math.abs(fitted.againPerMille - contact.againPerMille)).toBeLessThanOrEqual(60);
      expect(Math.abs(fitted.gapMedianUs / contact.gapMedianUs - 1)).toBeLessThanOrEqual(0.15);
      expect(Math.abs(fitted.gapSpreadPerMille / contact.gapSpreadPerMille - 1)).toBeLessThanOrEqual(0.2);
      expect(fitted.closeMaxUs).toBeGreaterThanOrEqual(
        Math.max(...cut.presses.map(({ closeUs }) => closeUs.at(-1)!)),
      );
      for (const { distance, critical } of [closing, opening]) expect(distance).toBeLessThan(critical * 1.3);
    },
  );

  it('says where it does not fit', () => {
    // Bounces that are all alike are not drawn from any geometric count.
    const presses = Array.from({ length: 60 }, () => ({
      heldUs: 80_000,
      closeUs: [0, 500, 5_000],
      openUs: [0, 400, 9_000],
    }));
    const { closing, opening } = fitContact({
      presses,
      spikesUs: [],
      breaksUs: [],
      idle: 0,
      openUs: 1,
      heldUs: 1,
      left: 0,
    });
    expect(closing.distance).toBeGreaterThan(closing.critical);
    expect(opening.distance).toBeGreaterThan(opening.critical);
  });

  it('wants at least one press', () => {
    expect(() => fitContact(cutTrace({ name: 'x', first: 0, edges: [], endUs: 1_000 }))).toThrow(
      'at least one whole press',
    );
  });

  it('measures distance as the two-sample test does', () => {
    expect(distanceOf([1, 2, 3, 4], [1, 2, 3, 4]).distance).toBe(0);
    expect(distanceOf([1, 2, 3, 4], [5, 6, 7, 8]).distance).toBe(1);
    expect(distanceOf([1, 2, 3, 4], [3, 4, 5, 6]).distance).toBe(0.5);
    expect(distanceOf(Array(100).fill(1), Array(100).fill(1)).critical).toBeCloseTo(0.192, 3);
  });
});

it('the practice device records what its switch does, pulled up, and another one each time', () => {
  const { contact, trace } = capturePractice(50, 12);
  const cut = cutTrace(trace);
  expect(cut.idle).toBe(1);
  expect(cut.presses.length).toBeGreaterThan(40);
  expect(Math.max(...cut.presses.map(({ closeUs }) => closeUs.at(-1)!))).toBeLessThanOrEqual(
    contact.closeMaxUs,
  );
  expect(capturePractice(50, 12)).toEqual(capturePractice(50, 12));
  expect(capturePractice(50, 13).trace).not.toEqual(trace);
});
