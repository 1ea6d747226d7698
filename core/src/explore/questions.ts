import { compileExpression, evaluate, scopeOf, type Code } from '../flow/index.ts';
import { variableRange, type Gadget } from '../gadget/index.ts';
import { edgesBy, seenBy, type EdgeIndex } from './edges.ts';
import type { Explorer, Step } from './explorer.ts';
import { Guessing, type Guessed } from './guessing.ts';
import { variablesIn } from './influence.ts';

/** What a maker can ask of everything that the gadget can come to. Expressions are over ids. */
export type Question =
  /** Can it ever happen? */
  | { kind: 'ever'; what: string }
  /** Is it never so? */
  | { kind: 'never'; what: string }
  /** Does the variable stay inside, ends included, and is it never told to leave its own range? */
  | { kind: 'within'; variableId: string; low: number; high: number }
  /** Can that state always be got to within so many presses and steps, whatever was done before? */
  | { kind: 'home'; stateId: string; presses: number }
  /** Once the first holds, does the other come in the end, whatever is done or not done? */
  | { kind: 'follows'; first: string; then: string }
  /** Can it be without ever passing what is to be avoided, or without holding that control? One of them is null. */
  | { kind: 'without'; what: string; pass: string | null; holdId: string | null }
  /** In how many ways can it be, by taps of these keys, so many at most; and how long does it take to try them all? */
  | { kind: 'ways'; what: string; controlIds: string[]; presses: number };

/** Presses of one way that are tried at most. */
export const mostPressesTried = 8;

export interface Answer {
  /** As the question is put; unknown: nothing was found, and not everything was looked at. */
  verdict: 'yes' | 'no' | 'unknown';
  /** What shows it: for `ever` the way there, otherwise a way that it goes wrong. */
  path: Step[] | null;
  /** The state that the path ends in; null: the path ends with a step that was not finished. */
  endId?: number | null;
  /** How many presses and steps are needed at worst, for `home`; null: there is no way. */
  presses?: number | null;
  /** What trying all ways came to, for `ways`. */
  guessed?: Guessed;
  /** Where it goes round or stands still, for `follows`: the path from here on repeats, or ends in rest. */
  loopFrom?: number;
}

/** Whether an expression holds in each of the states found so far. */
function holding(explorer: Explorer, code: Code): Uint8Array {
  const holds = new Uint8Array(explorer.count);
  const around = seenBy(explorer);
  for (let id = 0; id < holds.length; id += 1) {
    explorer.load(id);
    holds[id] = evaluate(code, around) === 0 ? 0 : 1;
  }
  return holds;
}

/** Ids of the variables that a question is about. */
export function variablesAsked(gadget: Gadget, question: Question): string[] {
  switch (question.kind) {
    case 'ever':
    case 'never':
      return variablesIn(gadget, question.what);
    case 'without':
      return [question.what, question.pass ?? ''].flatMap((text) => variablesIn(gadget, text));
    case 'within':
      return [question.variableId];
    case 'follows':
      return [question.first, question.then].flatMap((text) => variablesIn(gadget, text));
    // The latter is played, not looked up.
    case 'home':
    case 'ways':
      return [];
  }
}

/** Whether the explorer follows every variable that the question is about. */
export const canAnswer = (explorer: Explorer, question: Question): boolean =>
  variablesAsked(explorer.gadget, question).every((id) =>
    explorer.followed.has(explorer.tables.variableIds.indexOf(id)),
  );

/**
 * @throws ExpressionError for an expression that cannot be read, RangeError for a variable that is not there or not
 * followed
 */
export function askExplorer(explorer: Explorer, question: Question): Answer {
  const compile = (text: string) => compileExpression(text, scopeOf(explorer.gadget), null);
  if (!canAnswer(explorer, question))
    throw new RangeError(
      `expected variables that are followed: ${variablesAsked(explorer.gadget, question).join()}`,
    );
  switch (question.kind) {
    case 'ever': {
      const id = holding(explorer, compile(question.what)).indexOf(1);
      if (id >= 0) return { verdict: 'yes', path: explorer.pathTo(id), endId: id };
      return { verdict: explorer.complete ? 'no' : 'unknown', path: null };
    }
    case 'never': {
      const id = holding(explorer, compile(question.what)).indexOf(1);
      if (id >= 0) return { verdict: 'no', path: explorer.pathTo(id), endId: id };
      return { verdict: explorer.complete ? 'yes' : 'unknown', path: null };
    }
    case 'without':
      return without(
        explorer,
        holding(explorer, compile(question.what)),
        question.pass === null ? null : holding(explorer, compile(question.pass)),
        question.holdId,
      );
    case 'ways': {
      const guessing = guessingFor(explorer, question);
      guessing.advance(Infinity);
      return answerOf(guessing);
    }
    case 'within':
      return within(explorer, question);
    case 'home':
      return home(explorer, question);
    case 'follows':
      return follows(
        explorer,
        holding(explorer, compile(question.first)),
        holding(explorer, compile(question.then)),
      );
  }
}

/** Whether a step holds the key: for itself, or while another thing is done. `explorer` has loaded where it begins. */
function holds(explorer: Explorer, control: number, step: Step): boolean {
  if (step.kind !== 'move') return false;
  const { controlId, holdUs, what } = explorer.moves[step.move]!;
  if (controlId === explorer.gadget.controls[control]?.id) return holdUs > 0 || what === 'hold on';
  return explorer.surroundings.control(control) !== 0;
}

/** A shortest way from power-up to where it holds, round what is to be avoided. */
function without(
  explorer: Explorer,
  what: Uint8Array,
  pass: Uint8Array | null,
  holdId: string | null,
): Answer {
  const out = edgesBy(explorer, 'edgeFrom');
  const control = explorer.gadget.controls.findIndex(({ id }) => id === holdId);
  const cameBy = new Int32Array(explorer.count).fill(outside);
  const order: number[] = [];
  const come = (id: number, edge: number) => {
    if (cameBy[id] !== outside || pass?.[id] === 1) return;
    cameBy[id] = edge;
    order.push(id);
  };
  for (let id = 0; id < explorer.count; id += 1) if (explorer.isBeginning(id)) come(id, beginning);
  for (let at = 0; at < order.length; at += 1) {
    const id = order[at]!;
    if (what[id] === 1) {
      const edges: number[] = [];
      for (let on = id; cameBy[on]! >= 0; on = explorer.edgeFrom.at(cameBy[on]!)) edges.push(cameBy[on]!);
      return { verdict: 'yes', path: stepsOf(explorer, edges.reverse()), endId: id };
    }
    if (control >= 0) explorer.load(id);
    for (let n = out.start[id]!; n < out.start[id + 1]!; n += 1) {
      const edge = out.order[n]!;
      if (control >= 0 && holds(explorer, control, explorer.stepOf(explorer.edgeStep.at(edge)))) continue;
      come(explorer.edgeTo.at(edge), edge);
    }
  }
  return { verdict: explorer.complete ? 'no' : 'unknown', path: null };
}

/**
 * The trying that a question about ways is answered by, to be done piece by piece.
 * @throws ExpressionError for an expression that cannot be read, RangeError for too many presses
 */
export function guessingFor(
  { gadget, controls }: Explorer,
  { what, controlIds, presses }: Extract<Question, { kind: 'ways' }>,
): Guessing {
  if (presses < 1 || presses > mostPressesTried)
    throw new RangeError(`expected 1 to ${mostPressesTried} presses, got ${presses}`);
  const taps = controls.whole.filter(
    ({ controlId, what }) => what === 'tap' && controlIds.includes(controlId),
  );
  return new Guessing(gadget, taps, presses, compileExpression(what, scopeOf(gadget), null));
}

/** The answer that trying has come to, or as far as it came. */
export function answerOf({ told: guessed }: Guessing): Answer {
  const verdict =
    guessed.ways > 0 || guessed.already ? 'yes' : guessed.tried >= guessed.orders ? 'no' : 'unknown';
  return { verdict, path: null, guessed };
}

function within(
  explorer: Explorer,
  { variableId, low, high }: Extract<Question, { kind: 'within' }>,
): Answer {
  const { tables, gadget } = explorer;
  const variable = tables.variableIds.indexOf(variableId);
  const from = tables.slot[variable]!;
  const to = from + tables.size[variable]!;
  for (let id = 0; id < explorer.count; id += 1) {
    const { values } = explorer.load(id);
    for (let slot = from; slot < to; slot += 1)
      if (values[slot]! < low || values[slot]! > high)
        return { verdict: 'no', path: explorer.pathTo(id), endId: id };
  }
  // Told to be more than it can hold, it would be outside, did it not stop there.
  const told = explorer.outside.get(variable);
  const own = variableRange(gadget.flow.variables[variable]!);
  if (told && (told.wanted < own.low ? low <= own.low : high >= own.high))
    return { verdict: 'no', path: [...explorer.pathTo(told.from), told.step], endId: null };
  return { verdict: explorer.complete ? 'yes' : 'unknown', path: null };
}

/**
 * Fewest presses and steps from everything found to where the state of that number is active; -1: no way. Timers cost
 * nothing.
 */
export function pressesTo(explorer: Explorer, state: number): Int32Array {
  const { start, order } = edgesBy(explorer, 'edgeTo');
  const least = new Int32Array(explorer.count).fill(-1);
  // States by distance, one list each: weights are small whole numbers.
  const levels: number[][] = [[]];
  for (let id = 0; id < explorer.count; id += 1)
    if (explorer.load(id).active[state] === 1) levels[0]!.push(id);
  for (let level = 0; level < levels.length; level += 1) {
    const list = levels[level] ?? [];
    for (let at = 0; at < list.length; at += 1) {
      const id = list[at]!;
      if (least[id] !== -1) continue;
      least[id] = level;
      for (let n = start[id]!; n < start[id + 1]!; n += 1) {
        const edge = order[n]!;
        const from = explorer.edgeFrom.at(edge);
        if (least[from] !== -1) continue;
        const step = explorer.stepOf(explorer.edgeStep.at(edge));
        const cost = step.kind === 'move' ? effortOf(explorer, step.move) : 0;
        (levels[level + cost] ??= []).push(from);
      }
    }
  }
  return least;
}
/** Presses and steps of a move. */
export const effortOf = ({ moves }: Explorer, move: number) => moves[move]!.presses + moves[move]!.steps;

function home(explorer: Explorer, { stateId, presses }: Extract<Question, { kind: 'home' }>): Answer {
  const state = explorer.tables.stateIds.indexOf(stateId);
  if (state < 0) throw new RangeError(`expected the id of a state, got "${stateId}"`);
  // What was not walked from has no way on yet, and would look like a dead end.
  if (!explorer.complete) return { verdict: 'unknown', path: null };
  const least = pressesTo(explorer, state);
  const stuck = least.indexOf(-1);
  if (stuck >= 0) return { verdict: 'no', path: explorer.pathTo(stuck), endId: stuck, presses: null };
  const most = least.reduce((worst, one) => Math.max(worst, one), 0);
  if (most <= presses) return { verdict: 'yes', path: null, presses: most };
  const worst = least.indexOf(most);
  return { verdict: 'no', path: explorer.pathTo(worst), endId: worst, presses: most };
}

/**
 * Whether from every state where the first holds the other must come: fails where what is wanted can be put off for
 * ever, by a gadget that rests while nobody touches it, or round a loop in which no timer runs on that would end it.
 */
function follows(explorer: Explorer, first: Uint8Array, then: Uint8Array): Answer {
  const out = edgesBy(explorer, 'edgeFrom');
  const { cameBy, order } = reachWithout(explorer, out, first, then);
  const wayTo = (id: number): Step[] => {
    const edges: number[] = [];
    let at = id;
    for (; cameBy[at]! >= 0; at = explorer.edgeFrom.at(cameBy[at]!)) edges.push(cameBy[at]!);
    return [...explorer.pathTo(at), ...stepsOf(explorer, edges.reverse())];
  };
  for (const id of order)
    if (explorer.isWalked(id) && restsIn(explorer, id)) {
      const path = wayTo(id);
      return { verdict: 'no', path, endId: id, loopFrom: path.length };
    }
  for (const id of order) {
    const loop = lastingLoop(explorer, out, cameBy, id);
    if (!loop) continue;
    const path = wayTo(id);
    return {
      verdict: 'no',
      path: [...path, ...stepsOf(explorer, loop)],
      endId: id,
      loopFrom: path.length,
    };
  }
  return { verdict: explorer.complete ? 'yes' : 'unknown', path: null };
}

const stepsOf = (explorer: Explorer, edges: readonly number[]): Step[] =>
  edges.map((edge) => explorer.stepOf(explorer.edgeStep.at(edge)));

/** Nothing runs in it: left alone, it stays for ever. */
const restsIn = (explorer: Explorer, id: number): boolean => explorer.load(id).timers.length === 0;

const beginning = -1;
const outside = -2;

/** States that can be come to from where the first holds without what is wanted, breadth first; by which edge. */
function reachWithout(
  explorer: Explorer,
  out: EdgeIndex,
  first: Uint8Array,
  then: Uint8Array,
): { cameBy: Int32Array; order: number[] } {
  const cameBy = new Int32Array(explorer.count).fill(outside);
  const order: number[] = [];
  first.forEach((holds, id) => {
    if (holds === 0 || then[id] === 1) return;
    cameBy[id] = beginning;
    order.push(id);
  });
  for (let at = 0; at < order.length; at += 1) {
    const id = order[at]!;
    for (let n = out.start[id]!; n < out.start[id + 1]!; n += 1) {
      const edge = out.order[n]!;
      const to = explorer.edgeTo.at(edge);
      if (then[to] === 1 || cameBy[to] !== outside) continue;
      cameBy[to] = edge;
      order.push(to);
    }
  }
  return { cameBy, order };
}

/** So many states are looked through for a way back; longer loops are left out. */
const longestSearch = 2_000;

/** A shortest loop from a state to itself in which no timer runs on all the way round; null: none was found. */
function lastingLoop(explorer: Explorer, out: EdgeIndex, cameBy: Int32Array, start: number): number[] | null {
  for (let n = out.start[start]!; n < out.start[start + 1]!; n += 1) {
    const edge = out.order[n]!;
    if (cameBy[explorer.edgeTo.at(edge)] === outside) continue;
    const back = wayBack(explorer, out, cameBy, explorer.edgeTo.at(edge), start);
    if (!back) continue;
    const loop = [edge, ...back];
    let runsOn = explorer.carriedOver(loop[0]!);
    for (const other of loop.slice(1)) {
      const carried = explorer.carriedOver(other);
      runsOn = new Set([...runsOn].filter((timer) => carried.has(timer)));
    }
    if (runsOn.size === 0) return loop;
  }
  return null;
}

function wayBack(
  explorer: Explorer,
  out: EdgeIndex,
  cameBy: Int32Array,
  from: number,
  to: number,
): number[] | null {
  if (from === to) return [];
  const by = new Map<number, number>([[from, beginning]]);
  const waiting = [from];
  for (let at = 0; at < waiting.length && waiting.length < longestSearch; at += 1) {
    const id = waiting[at]!;
    for (let n = out.start[id]!; n < out.start[id + 1]!; n += 1) {
      const edge = out.order[n]!;
      const next = explorer.edgeTo.at(edge);
      if (cameBy[next] === outside || by.has(next)) continue;
      by.set(next, edge);
      if (next === to) {
        const edges: number[] = [];
        for (let on = to; by.get(on)! >= 0; on = explorer.edgeFrom.at(by.get(on)!)) edges.push(by.get(on)!);
        return edges.reverse();
      }
      waiting.push(next);
    }
  }
  return null;
}
