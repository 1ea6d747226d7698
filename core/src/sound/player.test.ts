import type { OutputOf } from '../gadget/index.ts';
import { Machine, wholeGadget } from '../machine/index.ts';
import { checkGadget } from '../snag/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';

/* A player of files: its orders take their time on the line, its sounds begin later, and end by themselves. */

const card = {
  ...(outputOf('player', 'Storm') as OutputOf<'player'>),
  files: [
    { number: 1, name: 'Thunder', lengthUs: 300_000 },
    { number: 7, name: 'Rain', lengthUs: 200_000 },
  ],
};
type Told = readonly (readonly [atMs: number, text: string])[];
function played(told: Told, untilMs = 2_000, offMs: number | null = null) {
  const machine = new Machine(toldGadget(card, told), 1);
  if (offMs !== null)
    machine.stimulate({ atUs: offMs * 1_000, controlId: wholeGadget, what: 'power', event: 'cycle' });
  machine.advanceTo(untilMs * 1_000);
  return machine
    .takeTrace()
    .flatMap((entry) => (entry.lane === 'player' ? [[entry.atUs / 1_000, entry.what, entry.number]] : []));
}
/** Ten bytes at 9,600 baud, and what the part takes from there. */
const [tellMs, startMs] = [10.417, 150];

describe('a player of files', () => {
  it('begins a while after it was told, and is through by itself', () => {
    expect(played([[100, 'Storm play 1']])).toEqual([
      [260.417, 'begins', 1],
      [560.417, 'ends', 1],
    ]);
  });
  it('plays over and over until it is told to stop, or another', () => {
    expect(
      played([
        [100, 'Storm play 7 again'],
        [700, 'Storm play 1'],
        [900, 'Storm stop'],
      ]),
    ).toEqual([
      [260.417, 'begins', 7],
      [460.417, 'begins', 7],
      [660.417, 'begins', 7],
      [710.417, 'stops', 7],
      [860.417, 'begins', 1],
      [910.417, 'stops', 1],
    ]);
  });
  it('takes orders one behind the other, and loses those for which nothing has room', () => {
    const three = played([[100, 'Storm volume 30; Storm volume 130; Storm play 1']]);
    expect(three.map(([, ...rest]) => rest)).toEqual([
      ['loud', 30],
      ['loud', 100],
      ['begins', 1],
      ['ends', 1],
    ]);
    expect(three[2]![0]).toBeCloseTo(100 + 3 * tellMs + startMs, 3);
    const many = played([[100, Array.from({ length: 12 }, (_, n) => `Storm volume ${n}`).join('; ')]]);
    expect(many.filter(([, what]) => what === 'lost')).toHaveLength(3);
    expect(many.at(-1)).toEqual([expect.closeTo(100 + 9 * tellMs, 2), 'loud', 8]);
  });
  it('goes on with what it plays where it has no such file, and says so', () => {
    expect(
      played([
        [100, 'Storm play 1'],
        [300, 'Storm play 2'],
      ]),
    ).toEqual([
      [260.417, 'begins', 1],
      [310.417, 'missing', 2],
      [560.417, 'ends', 1],
    ]);
  });
  it('is still when the power goes', () => {
    expect(played([[100, 'Storm play 1']], 400, 300)).toEqual([
      [260.417, 'begins', 1],
      [300, 'stops', 1],
    ]);
  });
});

describe('sounds that lie in the program', () => {
  const stored = { ...card, tellUs: 0, startUs: 0, samples: { rateHz: 8_000, bits: 8 as const } };
  it('come with a speaker that a pin plays, told over no line', () => {
    expect(outputOf('player', 'Rain', { filterHz: 4_000 })).toMatchObject({
      tellUs: 0,
      startUs: 0,
      samples: { rateHz: 8_000, bits: 8 },
    });
    expect(outputOf('player', 'Storm')).toMatchObject({ samples: null });
  });
  it('begin at the moment at which they are told, one after the other', () => {
    const machine = new Machine(
      toldGadget(stored, [
        [100, 'Storm play 1'],
        [250, 'Storm play 7'],
      ]),
      1,
    );
    machine.advanceTo(1_000_000);
    const heard = machine
      .takeTrace()
      .flatMap((entry) => (entry.lane === 'player' ? [[entry.atUs / 1_000, entry.what, entry.number]] : []));
    expect(heard).toEqual([
      [100, 'begins', 1],
      [250, 'stops', 1],
      [250, 'begins', 7],
      [450, 'ends', 7],
    ]);
  });
});

describe('what is asked of its card', () => {
  const found = (text: string) =>
    checkGadget(toldGadget(card, [[10, text]])).snags.filter(({ rule }) => rule === 'N08');
  it('is told where it has no such file, and only then', () => {
    expect(found('Storm play 2')).toMatchObject([
      { level: 'likely', values: { name: 'Storm', state: 'All', number: 2, files: 2 } },
    ]);
    expect(found('Storm play 7')).toEqual([]);
    // What is worked out is not known here.
    expect(found('Storm play random(9)')).toEqual([]);
  });
});
