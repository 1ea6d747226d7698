import { compileExpression, evaluate, scopeOf } from '../flow/index.ts';
import type { Task } from '../gadget/index.ts';
import { strokeUs } from '../gesture/index.ts';
import { emptyQueue, schedule, takeNext } from '../kernel/index.ts';
import { edgesBy, seenBy } from './edges.ts';
import type { Explorer, Step } from './explorer.ts';

export interface Way {
  /** State that it starts from: the first with the start of the task. */
  fromId: number;
  /** State that it ends in. */
  toId: number;
  steps: Step[];
  presses: number;
  /** Thinking, pressing, holding, turning and waiting, µs. */
  timeUs: number;
}
export interface TaskWays {
  /** null: there is no way, or none was found before the limits. */
  fewest: Way | null;
  quickest: Way | null;
  /** Whether everything was looked at. */
  complete: boolean;
}

/** Two moves of one kind on one control need one decision. */
const kindOf = (explorer: Explorer, step: Step): number => {
  if (step.kind === 'timer') return -1;
  const { controlId, what } = explorer.moves[step.move]!;
  return explorer.moves.findIndex((move) => move.controlId === controlId && move.what === what);
};

/** How long a step takes a person who has just done something of kind `last`, µs. */
function timeOf(explorer: Explorer, step: Step, last: number): number {
  if (step.kind === 'timer') {
    const { ruleDelay } = explorer.tables;
    const delay = step.what === 'rule' ? ruleDelay[step.number] : null;
    // A wait that is worked out, or a timer with a name, counts as a second.
    return typeof delay === 'number' ? delay : 1_000_000;
  }
  const { presses, steps, holdUs } = explorer.moves[step.move]!;
  const think = kindOf(explorer, step) === last ? 0 : strokeUs.think;
  const hold = holdUs > 0 ? holdUs + strokeUs.afterHold : presses * strokeUs.press;
  return think + hold + steps * strokeUs.step;
}
const pressesOf = (explorer: Explorer, step: Step): number =>
  step.kind === 'timer' ? 0 : explorer.moves[step.move]!.presses + explorer.moves[step.move]!.steps;

/** Whether a state is where the task is done. */
function goalOf(explorer: Explorer, task: Pick<Task, 'goalStateId' | 'doneWhen'>): (id: number) => boolean {
  const goal = task.goalStateId === null ? -1 : explorer.tables.stateIds.indexOf(task.goalStateId);
  const done =
    task.doneWhen === null ? null : compileExpression(task.doneWhen, scopeOf(explorer.gadget), null);
  const around = seenBy(explorer);
  return (id) => {
    const { active } = explorer.load(id);
    return (goal < 0 || active[goal] === 1) && (!done || evaluate(done, around) !== 0);
  };
}

/** The first state found in which that state is active; power-up where none is named. -1: none. */
function startOf(explorer: Explorer, stateId: string | null): number {
  if (stateId === null) return 0;
  const state = explorer.tables.stateIds.indexOf(stateId);
  for (let id = 0; id < explorer.count; id += 1) if (explorer.load(id).active[state] === 1) return id;
  return -1;
}

/**
 * The ways that cost least, from every state by `cost`; ties go to the one found first. Dijkstra over states, and over
 * the last move where cost depends on it.
 */
function cheapest(
  explorer: Explorer,
  fromId: number,
  isGoal: (id: number) => boolean,
  cost: (step: Step, last: number) => number,
  lastMatters: boolean,
): Found | null {
  const { edgeTo, edgeStep } = explorer;
  const { start, order } = edgesBy(explorer, 'edgeFrom');
  const kinds = explorer.moves.length + 1;
  const keyOf = (id: number, last: number) => (lastMatters ? id * kinds + last + 1 : id);
  const settled = new Set<number>();
  const came = new Map<number, { key: number; edge: number; cost: number }>();
  const queue = emptyQueue<{ id: number; last: number }>();
  schedule(queue, 0, { id: fromId, last: -1 });
  for (let next = takeNext(queue); next; next = takeNext(queue)) {
    const { id, last } = next.event;
    const key = keyOf(id, last);
    if (settled.has(key)) continue;
    settled.add(key);
    if (id !== fromId && isGoal(id)) return { steps: traced(explorer, came, key), toId: id };
    if (id === fromId && next.at === 0 && isGoal(id)) return { steps: [], toId: id };
    for (let at = start[id]!; at < start[id + 1]!; at += 1) {
      const edge = order[at]!;
      const step = explorer.stepOf(edgeStep.at(edge));
      const kind = kindOf(explorer, step);
      // Waiting does not make one forget what one is doing.
      const nextLast = kind === -1 ? last : kind;
      const to = keyOf(edgeTo.at(edge), nextLast);
      if (settled.has(to)) continue;
      const total = next.at + cost(step, last);
      if ((came.get(to)?.cost ?? Infinity) <= total) continue;
      came.set(to, { key, edge, cost: total });
      schedule(queue, total, { id: edgeTo.at(edge), last: nextLast });
    }
  }
  return null;
}

function traced(
  explorer: Explorer,
  came: ReadonlyMap<number, { key: number; edge: number }>,
  goal: number,
): Step[] {
  const steps: Step[] = [];
  for (let at = came.get(goal); at; at = came.get(at.key)) {
    steps.push(explorer.stepOf(explorer.edgeStep.at(at.edge)));
    if (!came.has(at.key)) break;
  }
  return steps.reverse();
}

interface Found {
  steps: Step[];
  toId: number;
}

function wayOf(explorer: Explorer, fromId: number, found: Found | null): Way | null {
  if (!found) return null;
  const { steps, toId } = found;
  let last = -1;
  let timeUs = 0;
  for (const step of steps) {
    timeUs += timeOf(explorer, step, last);
    if (step.kind === 'move') last = kindOf(explorer, step);
  }
  const presses = steps.reduce((sum, step) => sum + pressesOf(explorer, step), 0);
  return { fromId, toId, steps, presses, timeUs };
}

/** Fewest presses and least time for a task of the brief, over everything that the explorer has found. */
export function waysOf(
  explorer: Explorer,
  task: Pick<Task, 'startStateId' | 'goalStateId' | 'doneWhen'>,
): TaskWays {
  const fromId = startOf(explorer, task.startStateId);
  const { complete } = explorer;
  if (fromId < 0 || (task.goalStateId === null && task.doneWhen === null))
    return { fewest: null, quickest: null, complete };
  const isGoal = goalOf(explorer, task);
  // A press weighs more than any number of steps does.
  const fewest = cheapest(explorer, fromId, isGoal, (step) => pressesOf(explorer, step) * 1e6 + 1, false);
  const quickest = cheapest(explorer, fromId, isGoal, (step, last) => timeOf(explorer, step, last), true);
  const [few, quick] = [wayOf(explorer, fromId, fewest), wayOf(explorer, fromId, quickest)];
  // Of ways with equally few presses the quickest stands for both.
  return { fewest: few && quick && quick.presses === few.presses ? quick : few, quickest: quick, complete };
}
