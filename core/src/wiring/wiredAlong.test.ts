import * as fc from 'fast-check';
import { moreLikeEdit } from '../drawer/index.ts';
import { applyEdit, type Gadget } from '../gadget/index.ts';
import { checkGadget, snagRules } from '../snag/index.ts';
import { edited, gadgetOf, to, wired, type Piece } from '../test/wiringFixtures.ts';
import { netsOf, ownersOf, wiredAlong } from './index.ts';

const board = 'board-32bit-26';
const more = (gadget: Gadget, part: number, times: number) => {
  const like = gadget.parts[part]!;
  const along = wiredAlong(gadget, moreLikeEdit(gadget, like, times), like.id);
  return along && applyEdit(gadget, along);
};
const ends = (gadget: Gadget) =>
  ownersOf(gadget).flatMap(({ id, terminals }) => terminals.map(({ name }) => `${id} ${name}`));
const led = ({ wiring }: Gadget) => wiring.wires.map(({ ownerId, terminal }) => `${ownerId} ${terminal}`);
/** Wires and small parts that are wrong or missing. */
const faults = (gadget: Gadget) =>
  checkGadget(
    gadget,
    snagRules.filter(({ id }) => id.startsWith('W')),
  ).snags.filter(({ level }) => level !== 'note');

describe('wires of more parts like one', () => {
  it('lead to pins that are free, with the small parts that it has, and leave all others alone', () => {
    const pieces = fc.array(
      fc.constantFrom<Piece>(['push-button'], ['light'], ['encoder'], ['piezo'], ['lit-key']),
      { minLength: 1, maxLength: 4 },
    );
    let tried = 0;
    fc.assert(
      fc.property(pieces, fc.nat(), fc.integer({ min: 1, max: 3 }), (list, at, times) => {
        const before = wired(gadgetOf(board, ...list));
        const after = more(before, at % list.length, times);
        if (!after) return;
        tried += 1;
        expect(after.wiring.wires).toEqual(expect.arrayContaining(before.wiring.wires));
        expect(new Set(led(after))).toEqual(new Set(ends(after)));
        const signals = netsOf(after).owners.length;
        expect(signals).toBe(before.parts.length + times);
        expect(faults(after)).toEqual(faults(before));
      }),
      { seed: 31, numRuns: 40 },
    );
    expect(tried).toBeGreaterThan(25);
  });

  it('are its own alone: an end that was left open stays open', () => {
    const bare = gadgetOf(board, ['light'], ['push-button']);
    const [light, key] = bare.parts;
    const terminal = ownersOf(bare)[0]!.terminals[0]!.name;
    const before = to(bare, light!.id, terminal, 'F5');
    const after = more(before, 0, 2)!;
    expect(led(after).some((end) => end.startsWith(`${key!.id} `))).toBe(false);
    expect(led(after).filter((end) => end.startsWith(`${light!.id} `))).toEqual([`${light!.id} ${terminal}`]);
    expect(after.parts.length).toBe(4);
    for (const { id } of after.parts.slice(2)) expect(led(after)).toContain(`${id} ${terminal}`);
  });

  it('are none where the pins do not suffice, or no board is there', () => {
    const many = Array.from({ length: 12 }, (): Piece => ['push-button']);
    const full = wired(gadgetOf(board, ...many));
    expect(more(full, 0, 1)).not.toBeNull();
    expect(more(full, 0, 20)).toBeNull();
    const none = edited(gadgetOf(null, ['light']));
    expect(more(none, 0, 1)).toBeNull();
  });

  it('are one step with what they belong to', () => {
    const before = wired(gadgetOf(board, ['light']));
    const like = before.parts[0]!;
    expect(wiredAlong(before, moreLikeEdit(before, like, 2), like.id)).toMatchObject({ name: 'several' });
  });
});
