import { produce } from 'immer';
import type { Board } from '../board.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import type { Companion, KeySet, Wire } from '../wiring.schema.ts';
import { drop, dropSet, EditRefused, findIn, unwire, type Patch } from './help.ts';

const isOf = (key: Pick<Companion, 'role' | 'forId' | 'terminal'>) => (one: Companion) =>
  one.role === key.role && one.forId === key.forId && one.terminal === key.terminal;

export const wiringEdits = {
  /** Wires to pins of the board before it stay, and are snags where their pin is gone. */
  chooseBoard: (gadget: Gadget, boardId: string | null) =>
    produce(gadget, (draft) => void (draft.wiring.boardId = boardId)),
  /** Another board: what is not soldered is free again. */
  swapBoard: (gadget: Gadget, boardId: string) =>
    produce(gadget, (draft) => {
      draft.wiring.boardId = boardId;
      drop(draft.wiring.wires, ({ to }) => to.kind === 'pin');
    }),
  /** Adds a board of one's own, or replaces the one of that id. */
  putBoard: (gadget: Gadget, board: Board) =>
    produce(gadget, ({ wiring: { boards } }) => {
      const at = boards.findIndex(({ id }) => id === board.id);
      if (at < 0) boards.push(board);
      else boards[at] = board;
    }),
  removeBoard: (gadget: Gadget, boardId: string) =>
    produce(gadget, ({ wiring }) => {
      drop(wiring.boards, ({ id }) => id === boardId);
      if (wiring.boardId === boardId) wiring.boardId = null;
    }),
  setRadio: (gadget: Gadget, radioOn: boolean) =>
    produce(gadget, (draft) => void (draft.wiring.radioOn = radioOn)),

  addKeySet: (gadget: Gadget, set: Omit<KeySet, 'id'>) =>
    produce(gadget, (draft) => {
      draft.wiring.sets.push({ ...set, id: nextId(gadget, 'keySet') });
      // A key that is read with others has no pin of its own.
      const members = gadget.parts.filter(({ plays }) => plays.some((id) => set.controlIds.includes(id)));
      for (const { id } of members) unwire(draft, id);
    }),
  /** Another scheme or other keys: its lines are led anew. */
  changeKeySet: (gadget: Gadget, id: string, patch: Patch<KeySet>) =>
    produce(gadget, (draft) => {
      Object.assign(findIn(draft.wiring.sets, id, 'key set'), patch);
      if (patch.scheme === undefined && patch.controlIds === undefined && patch.params === undefined) return;
      unwire(draft, id);
    }),
  /** Takes along the rules that hear any key of it and what it does in layers. */
  removeKeySet: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.wiring.sets, (set) => set.id === id);
      dropSet(draft, id);
      unwire(draft, id);
    }),

  /** Leads one terminal somewhere else, or, with null, nowhere. */
  wire: (gadget: Gadget, ownerId: string, terminal: string, to: Wire['to'] | null, locked: boolean) =>
    produce(gadget, ({ wiring: { wires } }) => {
      const at = wires.findIndex((wire) => wire.ownerId === ownerId && wire.terminal === terminal);
      if (to === null) {
        if (at >= 0) wires.splice(at, 1);
      } else if (at >= 0) wires[at] = { ownerId, terminal, to, locked };
      else wires.push({ ownerId, terminal, to, locked });
    }),
  lockWire: (gadget: Gadget, ownerId: string, terminal: string, locked: boolean) =>
    produce(gadget, ({ wiring: { wires } }) => {
      const wire = wires.find((one) => one.ownerId === ownerId && one.terminal === terminal);
      if (!wire) throw new EditRefused(`There is no wire from ${terminal} any more.`);
      wire.locked = locked;
    }),
  /** Takes over what was worked out: these wires replace all that are not locked. */
  layWires: (gadget: Gadget, wires: readonly Wire[]) =>
    produce(gadget, ({ wiring }) => {
      const kept = wiring.wires.filter(({ locked }) => locked);
      const taken = new Set(kept.map(({ ownerId, terminal }) => `${ownerId}.${terminal}`));
      wiring.wires = [
        ...kept,
        ...wires.filter(({ ownerId, terminal }) => !taken.has(`${ownerId}.${terminal}`)),
      ];
    }),
  clearWires: (gadget: Gadget) =>
    produce(gadget, ({ wiring }) => drop(wiring.wires, ({ locked }) => !locked)),

  /** Fits or declines small parts, or changes what was decided. */
  decide: (gadget: Gadget, decisions: readonly Companion[]) =>
    produce(gadget, ({ wiring: { companions } }) => {
      for (const decision of decisions) {
        const at = companions.findIndex(isOf(decision));
        if (at < 0) companions.push({ ...decision });
        else companions[at] = { ...decision };
      }
    }),
  undecide: (gadget: Gadget, role: string, forId: string, terminal: string) =>
    produce(gadget, ({ wiring: { companions } }) => drop(companions, isOf({ role, forId, terminal }))),
};
