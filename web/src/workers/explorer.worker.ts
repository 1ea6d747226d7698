import {
  answerOf,
  Arena,
  askExplorer,
  canAnswer,
  Explorer,
  guessingFor,
  heldOf,
  latenciesOf,
  sameAs,
  sameStatesAs,
  scriptOf,
  usualLimits,
  waysOf,
  variablesAsked,
  type Answer,
  type Caveat,
  type Contest,
  type ExploreLimits,
  type Gadget,
  type HeldVerdict,
  type Player,
  type Question,
  type Round,
  type Script,
  type Step,
  type TaskWays,
  type Way,
} from '@hum-lever/core';
import { expose } from 'comlink';

/** How far an exploration has come. */
export interface Explored {
  states: number;
  /** Still to be walked from. */
  waiting: number;
  complete: boolean;
  /** The limit was reached: more exists. */
  cut: boolean;
  caveats: Caveat[];
  coverage: Explorer['coverage'];
  /** Ids of variables that were not followed: nothing that happens depends on them. */
  left: string[];
}

/** A step of a way, as ids for people's words. */
export type ToldStep =
  | { kind: 'move'; controlId: string; what: string }
  | { kind: 'timer'; what: 'rule' | 'timer' | 'signal'; id: string };

export interface ToldAnswer extends Omit<Answer, 'path' | 'endId'> {
  path: ToldStep[] | null;
  script: Script | null;
  /** Innermost states that the path ends in, where it ends somewhere. */
  ends: string[];
  /** How far was looked for it. */
  explored: Explored;
}
export interface ToldWay extends Omit<Way, 'steps' | 'fromId' | 'toId'> {
  steps: ToldStep[];
  /** Part of it waits for something to run out. */
  waits: boolean;
  script: Script | null;
}
export interface ToldTask {
  taskId: string;
  fewest: ToldWay | null;
  quickest: ToldWay | null;
  complete: boolean;
}

/** Computations that may take longer than a frame. */
const sliceMs = 40;
const sliceStates = 500;
const slicePresses = 50;

/** Counts runs; one that is not the newest stops. */
let run = 0;
let explorer: Explorer | null = null;
let limits: ExploreLimits = usualLimits;

const listen = () => new Promise((resolve) => setTimeout(resolve));

function toldStep(of: Explorer, step: Step): ToldStep {
  if (step.kind === 'move') {
    const { controlId, what } = of.moves[step.move]!;
    return { kind: 'move', controlId, what };
  }
  const { ruleIds, timerIds, signalIds } = of.tables;
  const ids = { rule: ruleIds, timer: timerIds, signal: signalIds };
  return { kind: 'timer', what: step.what, id: ids[step.what][step.number]! };
}

const summary = (of: Explorer): Explored => ({
  states: of.count,
  waiting: of.waiting,
  complete: of.complete,
  cut: of.cut,
  caveats: [...of.caveats],
  coverage: of.coverage,
  left: of.tables.variableIds.filter((_, variable) => !of.followed.has(variable)),
});

/**
 * Works on in slices, telling after each of them.
 * @param advance goes on a little; whether it has come to its end
 * @returns whether it came to its end: a newer run, or `cancel`, stops it
 */
async function inSlices(advance: () => boolean, tell: () => void): Promise<boolean> {
  const mine = (run += 1);
  for (;;) {
    const untilMs = performance.now() + sliceMs;
    let done = false;
    while (!done && performance.now() < untilMs) done = advance();
    if (done) return true;
    tell();
    await listen();
    if (run !== mine) return false;
  }
}

/** Walks to the end or the limit, telling how far it has come; null where it was stopped. */
async function walk(made: Explorer, tell: (so: Explored) => void): Promise<Explored | null> {
  const whole = await inSlices(
    () => made.advance(sliceStates),
    () => tell(summary(made)),
  );
  return whole ? summary(made) : null;
}

function toldWay(of: Explorer, way: Way | null): ToldWay | null {
  if (!way) return null;
  const { fromId, toId, steps, presses, timeUs } = way;
  const script = scriptOf(of, [...of.pathTo(fromId), ...steps], sameStatesAs(of, toId));
  const waits = steps.some(({ kind }) => kind === 'timer');
  return { presses, timeUs, steps: steps.map((step) => toldStep(of, step)), waits, script };
}

/** Tries them, telling how far it has come; where it was stopped, what was tried until then. */
async function tryWays(
  of: Explorer,
  question: Extract<Question, { kind: 'ways' }>,
  tell: (share: number) => void,
): Promise<Answer> {
  const guessing = guessingFor(of, question);
  await inSlices(
    () => guessing.advance(slicePresses),
    () => tell(guessing.share),
  );
  return answerOf(guessing);
}

const work = {
  /** Walks everything, telling how far it has come; stops soon after `cancel`. */
  async explore(gadget: Gadget, states: number, tell: (so: Explored) => void): Promise<Explored | null> {
    limits = { ...usualLimits, states, edges: states * 15 };
    if (states > usualLimits.states) limits.work *= states / usualLimits.states;
    explorer = new Explorer(gadget, limits);
    return walk(explorer, tell);
  },
  /**
   * Of what was walked last; walked anew where the question is about a variable that was not followed.
   * @returns null where that was cancelled
   * @throws Error where nothing was walked
   */
  async ask(
    question: Question,
    tell: (so: Explored) => void,
    tellShare: (share: number) => void,
  ): Promise<ToldAnswer | null> {
    if (!explorer) throw new Error('Nothing has been looked at yet.');
    if (!canAnswer(explorer, question)) {
      const { gadget, tables, followed } = explorer;
      const kept = [...followed].map((variable) => tables.variableIds[variable]!);
      explorer = new Explorer(gadget, limits, [...kept, ...variablesAsked(gadget, question)]);
      if (!(await walk(explorer, tell))) return null;
    }
    const of = explorer;
    const explored = summary(of);
    const { path, endId, ...answer } =
      question.kind === 'ways' ? await tryWays(of, question, tellShare) : askExplorer(of, question);
    if (path === null) return { ...answer, path, script: null, ends: [], explored };
    const arrived = typeof endId === 'number' ? sameAs(of, endId) : () => true;
    const script = scriptOf(of, path, arrived);
    const ends = typeof endId === 'number' ? of.innermostIn(endId) : [];
    return { ...answer, path: path.map((step) => toldStep(of, step)), script, ends, explored };
  },
  /** What is held at outputs, and whether it is let go on every way. */
  held: (gadget: Gadget): readonly HeldVerdict[] => heldOf(gadget),
  /** From fingers to sounds, by playing. */
  latencies: (gadget: Gadget) => latenciesOf(gadget),
  tasks(): ToldTask[] {
    if (!explorer) throw new Error('Nothing has been looked at yet.');
    const of = explorer;
    return of.gadget.brief.tasks.map((task) => {
      const { fewest, quickest, complete }: TaskWays = waysOf(of, task);
      return { taskId: task.id, fewest: toldWay(of, fewest), quickest: toldWay(of, quickest), complete };
    });
  },
  /** Rounds with seeds from 1 on, handed over as they are played. Returns whether all were. */
  async rounds(
    gadget: Gadget,
    contest: Contest,
    players: readonly Player[],
    count: number,
    hand: (rounds: Round[]) => void,
  ): Promise<boolean> {
    const mine = (run += 1);
    const arena = new Arena(gadget, contest, players);
    let rounds: Round[] = [];
    let sinceMs = performance.now();
    for (let seed = 1; seed <= count; seed += 1) {
      rounds.push(arena.play(seed));
      if (performance.now() - sinceMs < sliceMs) continue;
      hand(rounds);
      rounds = [];
      await listen();
      if (run !== mine) return false;
      sinceMs = performance.now();
    }
    hand(rounds);
    return true;
  },
  cancel(): void {
    run += 1;
  },
};

export type Exploring = typeof work;
expose(work);
