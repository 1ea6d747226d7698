import { EditRefused, applyEdit, type Board, type Edit, type Gadget } from '../gadget/index.ts';
import { figuresOf, kindOf } from '../parts/index.ts';
import { ladderGap, ladderYield, schemes, trulyTogether, type Scheme } from '../scan/index.ts';
import { gaugesOf } from './bill.ts';
import { boardChoices } from './boards.ts';
import { companionRoles } from './companions.ts';
import { wiringProblem } from './demands.ts';
import { canLay, layWiring, type Clash } from './lay.ts';
import { canJoinSet, ownersOf, usualLogicMv } from './owners.ts';
import { readSetBy } from './setEdits.ts';
import { railFor } from './supplies.ts';

/** One way of reading a set of keys, with what it takes and gives. */
export interface SchemeRow {
  scheme: string;
  refused: ReturnType<Scheme['refuses']>;
  /** Pins that it needs beyond those that the rest of the gadget uses already. */
  pins: number;
  extraParts: number;
  extraCents: number;
  /** Keys that may be held at once, whichever they are, and are read truly. */
  together: number;
  scanUs: number;
  /** Whether everything has a pin then; null: no board is chosen. */
  fits: boolean | null;
  ladder: { ohms: number[]; gapCounts: number; noiseCounts: number; good: number; of: number } | null;
}

const yieldSeed = 0x1add;

/** Keys that could be read together and are not yet. */
export function looseKeys({ parts, wiring }: Pick<Gadget, 'parts' | 'wiring'>): string[] {
  const taken = new Set(wiring.sets.flatMap(({ controlIds }) => controlIds));
  return parts.filter((part) => canJoinSet(part) && !taken.has(part.plays[0]!)).map(({ plays }) => plays[0]!);
}

/**
 * The edit that reads these keys by that scheme: as a new set, or as the set that they are.
 * @throws EditRefused where rules hear what would not be told apart any more
 */
export function schemeEdit(gadget: Gadget, keys: readonly string[], scheme: Scheme, name: string): Edit {
  const params = scheme.defaults(keys.length);
  const set = gadget.wiring.sets.find(({ controlIds }) => controlIds.some((id) => keys.includes(id)));
  if (set) return readSetBy(gadget, set, { scheme: scheme.id, params });
  return {
    name: 'addKeySet',
    args: [{ name, controlIds: [...keys], scheme: scheme.id, params, chords: [] }],
  };
}

/** The same, where it can be done; otherwise null. */
export function schemeEditIfAny(...of: Parameters<typeof schemeEdit>): Edit | null {
  try {
    const edit = schemeEdit(...of);
    applyEdit(of[0], edit);
    return edit;
  } catch (error) {
    if (error instanceof EditRefused) return null;
    throw error;
  }
}

/** Every scheme for a set of keys, side by side. @param keys ids of controls, one or more */
export function compareSchemes(
  gadget: Gadget,
  board: Board | null,
  keys: readonly string[],
  name: string,
): SchemeRow[] {
  const supplyMv = board?.logicMv ?? usualLogicMv;
  const without = gadget.wiring.sets.reduce(
    (rest, set) =>
      set.controlIds.some((id) => keys.includes(id))
        ? applyEdit(rest, { name: 'removeKeySet', args: [set.id] })
        : rest,
    gadget,
  );
  // What the other parts use, so that a bus that is there already costs nothing more.
  const others = {
    ...without,
    parts: without.parts.filter(({ plays }) => !plays.some((id) => keys.includes(id))),
  };
  const linesOf = (one: Gadget) => (board ? wiringProblem(one, board).demands.length : lineCount(one));
  const before = linesOf(others);
  return schemes.flatMap((scheme): SchemeRow[] => {
    const params = scheme.defaults(keys.length);
    const refused = scheme.refuses(keys.length, params);
    const edit = schemeEditIfAny(gadget, keys, scheme, name);
    // Not offered: it would take away what rules hear.
    if (!edit) return [];
    const edited = applyEdit(gadget, edit);
    const circuit = scheme.circuit(keys.length, params, supplyMv);
    const parts = scheme.parts(keys.length, params);
    const extra = { ...others, controls: edited.controls, wiring: { ...edited.wiring, wires: [] } };
    const row: SchemeRow = {
      scheme: scheme.id,
      refused,
      pins: linesOf(extra) - before,
      extraParts: parts.reduce((sum, { quantity }) => sum + quantity, 0),
      extraCents: parts.reduce(
        (sum, { role, quantity }) => sum + quantity * (companionRoles[role]?.priceCents ?? 0),
        0,
      ),
      together: trulyTogether(circuit),
      scanUs: scheme.scanUs(keys.length, params),
      fits: board === null ? null : canLay(edited, board),
      ladder:
        circuit.kind === 'ladder' && refused === null
          ? {
              ohms: circuit.figures.ohms,
              gapCounts: ladderGap(circuit.figures),
              noiseCounts: circuit.figures.noiseCounts,
              ...ladderYield(circuit.figures, yieldSeed),
            }
          : null,
    };
    return [row];
  });
}

/** Lines without a board to ask: every signal terminal, shared buses counted once. */
function lineCount(gadget: Gadget): number {
  const ids = ownersOf(gadget).flatMap(({ id, terminals }) =>
    terminals.flatMap(({ role, name, need }) => {
      if (role !== 'signal') return [];
      return typeof need === 'object' && need !== null && need.bus !== 'uart'
        ? [`${need.bus} ${need.line}`]
        : [`${id}.${name}`];
    }),
  );
  return new Set(ids).size;
}

/** Why a board will not do. */
export type BoardFault =
  | { kind: 'pins'; clashes: Clash[] }
  | { kind: 'rail'; part: string; minMv: number; maxMv: number }
  | { kind: 'current' | 'ram' | 'flash'; used: number; of: number };

export interface BoardRow {
  board: Board;
  faults: BoardFault[];
  /** Threads cross so often in its best wiring; null: there is none. */
  crossings: number | null;
}

/** The same parts on every board: what fits, what fails and why. */
export function compareBoards(gadget: Gadget): BoardRow[] {
  return boardChoices(gadget).map((board) => {
    // Another board is another start: what is soldered to this one does not bind there.
    const free =
      board.id === gadget.wiring.boardId
        ? gadget
        : applyEdit(gadget, { name: 'swapBoard', args: [board.id] });
    const laid = layWiring(free, board);
    const faults: BoardFault[] =
      laid.outcome === 'impossible' ? [{ kind: 'pins', clashes: laid.clashes }] : [];
    for (const owner of ownersOf(gadget)) {
      const supply = owner.part ? kindOf(owner.part.part).supply(figuresOf(owner.part.part)) : null;
      if (supply && owner.terminals.some(({ role }) => role === 'supply') && railFor(owner, board) === null)
        faults.push({ kind: 'rail', part: owner.name, ...supply });
    }
    for (const { id, used, of } of gaugesOf(gadget, board)) {
      if (of === null || used <= of) continue;
      if (id === 'railTypical') faults.push({ kind: 'current', used, of });
      if (id === 'ram' || id === 'flash') faults.push({ kind: id, used, of });
    }
    return { board, faults, crossings: laid.outcome === 'laid' ? laid.crossings : null };
  });
}
