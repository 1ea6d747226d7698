import { addOwnPartEdit, ownClassEdit } from '../drawer/index.ts';
import { printBillCsv, printGadgetFile, readBillCsv, readGadgetFile } from '../formats/index.ts';
import { ownClassSchema, type Gadget, type OwnClass } from '../gadget/index.ts';
import { figuresOf, kindOf } from '../parts/index.ts';
import { checkGadget, snagRules } from '../snag/index.ts';
import { edited, gadgetOf, pinOf, to, wired, type Piece } from '../test/wiringFixtures.ts';
import { billOf, boardOf, layWiring, proposalsFor } from './index.ts';

const relay: OwnClass = {
  title: 'Relay',
  doc: 'A coil behind a transistor; its contact switches something larger.',
  priceCents: 180,
  lines: [{ name: 'in', need: 'out', maxUa: 5_000 }],
  plays: ['light'],
  supply: { minMv: 4_500, maxMv: 5_500, typicalUa: 10_000, worstUa: 72_000 },
  address: null,
  busBaud: 0,
  busPullOhms: 0,
};
const tuner: OwnClass = {
  ...relay,
  title: 'Tuner',
  lines: [
    { name: 'data', need: 'sda', maxUa: 0 },
    { name: 'clock', need: 'scl', maxUa: 0 },
    { name: 'found', need: 'in', maxUa: 0 },
  ],
  plays: [],
  supply: { minMv: 2_700, maxMv: 3_600, typicalUa: 20_000, worstUa: 30_000 },
  address: { usual: 96, choices: [96, 17] },
  busBaud: 400_000,
  busPullOhms: 4_700,
};
const withOwn = (own: OwnClass, board = 'board-8bit-20', ...pieces: Piece[]): Gadget => {
  const gadget = gadgetOf(board, ...pieces);
  return edited(gadget, addOwnPartEdit(gadget, own));
};
const of = (gadget: Gadget, ...ids: string[]) =>
  checkGadget(
    gadget,
    snagRules.filter(({ id }) => ids.includes(id)),
  ).snags.map(({ rule }) => rule);

describe('a part of the maker’s own', () => {
  it('is bought, wired, powered and played as any other', () => {
    const gadget = wired(withOwn(relay));
    const [part] = gadget.parts;
    expect(part).toMatchObject({ kind: 'own-part', own: relay, plays: ['o1'] });
    expect(gadget.outputs).toEqual([{ id: 'o1', kind: 'light', name: 'Relay', colour: 'amber' }]);
    expect(pinOf(gadget, part!.id, 'in')).not.toBeNull();
    expect(pinOf(gadget, part!.id, 'plus')).toBe('5V');
    expect(billOf(gadget).lines.find(({ id }) => id === part!.id)).toMatchObject({ eachCents: 180 });
    expect(of(gadget, 'W01', 'W02', 'W03', 'W08', 'W13', 'W14', 'W19')).toEqual([]);
  });

  it('is judged by its own figures', () => {
    // A coil straight at a pin, and a module for 3 V at 5 V.
    const bare = { ...relay, lines: [{ name: 'in', need: 'out' as const, maxUa: 72_000 }] };
    expect(layWiring(withOwn(bare), boardOf(withOwn(bare))!).outcome).toBe('impossible');
    expect(of(to(withOwn(bare), 'p1', 'in', 'P3'), 'W14')).toEqual(['W14']);
    expect(of(to(withOwn(tuner), 'p1', 'plus', '5V'), 'W13')).toEqual(['W13']);
    // Three at one address, on two buses; the other address that it knows is offered.
    const three = [1, 2, 3].reduce<Gadget>(
      (gadget) => edited(gadget, addOwnPartEdit(gadget, tuner)),
      gadgetOf('board-radio-30'),
    );
    const [clash] = checkGadget(three).snags.filter(({ rule }) => rule === 'W09');
    const mended = edited(three, clash!.mend!.edit);
    expect(mended.parts.map((part) => figuresOf(part).address).sort()).toEqual([17, 96, 96]);
    expect(of(mended, 'W09')).toEqual([]);
    // Its lines go by names of its own; pull-ups are proposed at its data line all the same.
    const bare3 = withOwn({ ...tuner, busPullOhms: 0 }, 'board-radio-30');
    expect(proposalsFor(bare3)).toMatchObject([{ role: 'bus-pull-up', forId: 'p1', terminal: 'data' }]);
    expect(of(wired(bare3), 'W10')).toEqual([]);
    expect(of(edited(wired(bare3), { name: 'undecide', args: ['bus-pull-up', 'p1', 'data'] }), 'W10')).toEqual(['W10']);
  }); // prettier-ignore

  it('keeps what still fits when its lines change', () => {
    const gadget = wired(withOwn(tuner, 'board-radio-30'));
    const [part] = gadget.parts;
    const renamed = {
      ...tuner,
      lines: tuner.lines.map((line) => (line.name === 'found' ? { ...line, name: 'ready' } : line)),
      plays: ['light' as const],
      address: { usual: 17, choices: [17] },
    };
    const after = edited(
      edited(gadget, { name: 'changePart', args: [part!.id, { figures: { address: 96, worstUa: 9_000 } }] }),
      ownClassEdit({ ...gadget }, { ...part!, figures: { address: 96, worstUa: 9_000 } }, renamed),
    );
    expect(after.wiring.wires.map(({ terminal }) => terminal).sort()).toEqual(
      gadget.wiring.wires.map(({ terminal }) => terminal).filter((name) => name !== 'found').sort(),
    ); // prettier-ignore
    expect(pinOf(after, part!.id, 'data')).toBe(pinOf(gadget, part!.id, 'data'));
    // The address that it no longer knows is gone; the current that differs stays.
    expect(after.parts[0]!.figures).toEqual({ worstUa: 9_000 });
    expect(after.parts[0]!.plays).toEqual(['o1']);
    const back = edited(after, ownClassEdit(after, after.parts[0]!, tuner));
    expect([back.outputs, back.parts[0]!.plays]).toEqual([[], []]);
  });

  it('travels in the gadget’s file; a table only knows it where it is', () => {
    const gadget = withOwn(tuner, 'board-radio-30');
    const read = readGadgetFile(printGadgetFile(gadget, null));
    expect(read).toMatchObject({ read: { outcome: 'opened', gadget: { parts: [{ own: tuner }] } } });
    const table = printBillCsv(gadget).replace('worstUa=30000', 'worstUa=25000');
    const back = readBillCsv(gadget, table);
    expect(back).toMatchObject({
      outcome: 'read',
      value: { added: 0, changed: 1, gadget: { parts: [{ own: tuner, figures: { worstUa: 25_000 } }] } },
    });
    const elsewhere = readBillCsv(gadgetOf(null), table);
    expect(elsewhere).toMatchObject({ outcome: 'faulty', faults: [{ column: 'class' }] });
  });

  it.each<[string, Partial<OwnClass>, string]>([
    ['two lines of one name', { lines: [relay.lines[0]!, relay.lines[0]!] }, 'lines.1.name'],
    ['a line called as its supply', { lines: [{ ...relay.lines[0]!, name: 'plus' }] }, 'lines.0.name'],
    ['an address without a bus', { address: { usual: 96, choices: [96] } }, 'address'],
    ['an address that it cannot be set to', { ...tuner, address: { usual: 18, choices: [17] } }, 'address.usual'],
    ['a supply upside down', { supply: { ...relay.supply!, maxMv: 1 } }, 'supply.maxMv'],
    ['no name', { title: '' }, 'title'],
  ])('is refused with %s', (_what, patch, path) => {
    const parsed = ownClassSchema.safeParse({ ...relay, ...patch });
    expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
  }); // prettier-ignore

  it('is one class object for one description, with its figures as fields', () => {
    expect(kindOf({ kind: 'own-part', own: tuner })).toBe(kindOf({ kind: 'own-part', own: tuner }));
    expect(Object.keys(kindOf({ kind: 'own-part', own: tuner }).figures.shape).sort()).toEqual(
      ['address', 'busBaud', 'busPullOhms', 'supplyMaxMv', 'supplyMinMv', 'typicalUa', 'worstUa'],
    ); // prettier-ignore
  });
});
