import { freshEncoder, freshKnob } from '../drawer/index.ts';
import {
  applyEdit,
  emptyGadget,
  freshOutput,
  type Control,
  type Edit,
  type Gadget,
  type Output,
} from '../gadget/index.ts';
import { figuresOf, kindOf } from '../parts/index.ts';
import { boardOf, fitted, layWiring, proposalsFor } from '../wiring/index.ts';
import { button, part } from './fixtures.ts';

export type Piece = [kind: string, figures?: Record<string, number>];

const controlOf = (end: Control['kind'], kind: string, id: string): Control => {
  const part = { kind, figures: {} };
  if (end === 'button') return button({ id, name: id, key: null });
  if (end === 'encoder') return { ...freshEncoder(part, id, null, null), id };
  if (end === 'knob') return { ...freshKnob(part, id, null, null), id };
  return { id, kind: 'codes', name: id, key: null, codes: [], repeatsEveryUs: 110_000, heldGapUs: 250_000 };
};

/** A gadget of these parts, p1 and on, with the controls and outputs that they play, on that board. */
export function gadgetOf(boardId: string | null, ...pieces: Piece[]): Gadget {
  const gadget = structuredClone(emptyGadget('Bench'));
  gadget.wiring.boardId = boardId;
  for (const [index, [kind, figures = {}]] of pieces.entries()) {
    const plays = kindOf({ kind })
      .plays(figuresOf({ kind, figures }))
      .map((end) => {
        if (end === 'button' || end === 'encoder' || end === 'knob' || end === 'codes') {
          const id = `b${gadget.controls.length + 1}`;
          gadget.controls.push(controlOf(end, kind, id));
          return id;
        }
        const id = `o${gadget.outputs.length + 1}`;
        gadget.outputs.push({ ...freshOutput(end, figuresOf({ kind, figures })), id, name: id } as Output);
        return id;
      });
    gadget.parts.push(part(`p${index + 1}`, kind, plays, { figures }));
  }
  return gadget;
}

/** Everything laid out by the solver, and every small part fitted that is proposed then. */
export function wired(gadget: Gadget): Gadget {
  const laid = layWiring(gadget, boardOf(gadget)!);
  if (laid.outcome !== 'laid') throw new Error(`expected a wiring, got ${laid.outcome}`);
  const wires = applyEdit(gadget, { name: 'layWires', args: [laid.wires] });
  return applyEdit(wires, { name: 'decide', args: [proposalsFor(wires).map(fitted)] });
}

/** Leads one terminal to a pin, whatever comes of it. */
export const to = (gadget: Gadget, ownerId: string, terminal: string, pin: string): Gadget =>
  applyEdit(gadget, { name: 'wire', args: [ownerId, terminal, { kind: 'pin', pin }, false] });

export const edited = (gadget: Gadget, ...edits: Edit[]): Gadget => edits.reduce(applyEdit, gadget);

/** The pin that a terminal leads to. */
export function pinOf({ wiring }: Gadget, ownerId: string, terminal: string): string | null {
  const wire = wiring.wires.find((one) => one.ownerId === ownerId && one.terminal === terminal);
  return wire?.to.kind === 'pin' ? wire.to.pin : null;
}
