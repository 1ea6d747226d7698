export {
  Explorer,
  usualLimits,
  type Caveat,
  type ExploreLimits,
  type Followed,
  type Step,
} from './explorer.ts';
export { doableMoves, movesOf, type Move } from './moves.ts';
export {
  answerOf,
  askExplorer,
  canAnswer,
  guessingFor,
  mostPressesTried,
  pressesTo,
  variablesAsked,
  type Answer,
  type Question,
} from './questions.ts';
export { sameAs, sameStatesAs, scriptOf, type Arrived, type Script } from './script.ts';
export { taskVerdicts, type TaskVerdict } from './verdicts.ts';
export { waysOf, type TaskWays, type Way } from './shortest.ts';
export { Arena, endsOf, standingOf, type Contest, type Standing } from './players.ts';
export type { Round } from './round.ts';
export { medianInterval, shareInterval } from './intervals.ts';
export { causeValues, countCauses } from './cause.ts';
export type { Guessed } from './guessing.ts';
export { inBand } from './flashes.ts';
export {
  lightCodes,
  type LightCodes,
  type Meaning,
  type CodedLight,
  type LightCode,
  type LightPattern,
} from './lightCodes.ts';
export { heldVerdicts, type HeldVerdict } from './holding.ts';
export { wayInto } from './wayInto.ts';
export { reactionUs, type Player, type PolicyLine } from './hand.ts';
export { degreesBetween, startingAt } from './degrees.ts';
export { displaysShown, type DisplayShown } from './displaysShown.ts';
export { StatesLooked } from './statesLooked.ts';
