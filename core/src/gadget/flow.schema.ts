import * as z from 'zod';
import { heardMessages, isSync } from '../midi/midi.document.ts';
import { actionsSchema } from './actions.schema.ts';
import { expressionSchema, lengthSchema } from './expressions.schema.ts';
import { limits } from './limits.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';
import { variableSchema } from './variables.schema.ts';

/** What a key can say. */
export const keyGestures = [
  'press',
  'release',
  'tap',
  'hold',
  'double',
  'repeat',
  'hold2',
  'hold3',
  'triple',
  'heldRelease',
] as const;

/** What a control can say, in the order in which its event codes are numbered; dials a step clockwise and back. */
export const gestureKinds = [...keyGestures, 'up', 'down'] as const;
export type GestureKind = (typeof gestureKinds)[number];

/** What a code of a receiver can say. */
export const codeGestures = ['press', 'repeat', 'release'] as const;
export type CodeGesture = (typeof codeGestures)[number];

/** What happens to the gadget as a whole. */
export const powerEvents = ['up', 'wake', 'low'] as const;
export type PowerEvent = (typeof powerEvents)[number];

/** A word that a rule hears in a line that comes in. */
export const lineWord = {
  like: /^[^\s,:="]{1,32}$/u,
  expected: 'expected one word, without spaces, commas, colons or equals signs',
};

export const triggerSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('gesture'), controlId: idSchema, gesture: z.enum(gestureKinds) }),
  /** Any key of a set: its number in the set, from 0, comes with it. */
  z.strictObject({ kind: z.literal('keys'), setId: idSchema, gesture: z.enum(keyGestures) }),
  /** So many steps one way without one back; clockwise positive. */
  z.strictObject({
    kind: z.literal('turn'),
    controlId: idSchema,
    by: wholeSchema(-200, 200).refine((by) => Math.abs(by) > 1, 'expected at least two steps, either way'),
  }),
  /** A knob's value comes to `at` or above, or falls below it. */
  z.strictObject({
    kind: z.literal('crossing'),
    controlId: idSchema,
    at: wholeSchema(-65_536, 65_536),
    rising: z.boolean(),
  }),
  /** Keys together, as the chord says. */
  z.strictObject({ kind: z.literal('chord'), chordId: idSchema }),
  /** A code of a receiver: first heard, heard again while held, or no longer. */
  z.strictObject({ kind: z.literal('code'), codeId: idSchema, gesture: z.enum(codeGestures) }),
  /** Counted from entering the state; fires once per visit. */
  z.strictObject({ kind: z.literal('after'), delay: lengthSchema }),
  /** Over and over while the state is active. */
  z.strictObject({ kind: z.literal('every'), delay: lengthSchema }),
  z.strictObject({ kind: z.literal('timer'), timerId: idSchema }),
  z.strictObject({ kind: z.literal('signal'), signalId: idSchema }),
  /** A state has come to its end: a final state in it, or the ends of all its regions. */
  z.strictObject({ kind: z.literal('done'), stateId: idSchema }),
  /** null: any. */
  z
    .strictObject({
      kind: z.literal('midi'),
      message: z.enum(heardMessages),
      channel: wholeSchema(1, 16).nullable(),
      /** Of a bend: how far, up to 16383. */
      number: wholeSchema(0, 16_383).nullable(),
    })
    .refine(({ message, channel, number }) => !isSync(message) || (channel ?? number) === null, {
      path: ['channel'],
      message: 'expected neither channel nor number with a message of no channel',
    }),
  /** A line comes in over a serial line, with that word in it; null: any. */
  z.strictObject({
    kind: z.literal('line'),
    outputId: idSchema,
    word: z.string().regex(lineWord.like, lineWord.expected).nullable(),
  }),
  /** One character of a line comes in: its number and how many came before it in the line come with it. */
  z.strictObject({ kind: z.literal('character'), outputId: idSchema }),
  z.strictObject({ kind: z.literal('power'), what: z.enum(powerEvents) }),
  /** Needs no event: as soon as the guard holds. */
  z.strictObject({ kind: z.literal('always') }),
  /** Whatever happens, timers of single rules apart. */
  z.strictObject({ kind: z.literal('any') }),
]);

const targetsSchema = z.array(idSchema).max(limits.regions);

export const ruleSchema = z.strictObject({
  id: idSchema,
  trigger: triggerSchema,
  /** null: always. Otherwise fires only where the expression is not 0. */
  guard: expressionSchema.nullable(),
  actions: actionsSchema,
  /** None: stay, without leaving or entering. The state itself: leave and enter again. Several: one per region. */
  targetIds: targetsSchema,
  /** A rule to somewhere inside its own state does not leave that state. */
  internal: z.boolean(),
});

/** Entering a parallel state enters all in it; history goes back to where its parent was left. */
export const stateKinds = ['plain', 'parallel', 'final', 'history', 'deepHistory'] as const;
export type StateKind = (typeof stateKinds)[number];

export const stateSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(stateKinds),
  /** The state that it is in; null: none. Its place among its siblings is its place in the list. */
  parentId: idSchema.nullable(),
  /**
   * For a state with others in it: where entering it leads, and what is done on the way. For history: where it leads
   * while there is none. null: to the first state in it.
   */
  initial: z.strictObject({ targetIds: targetsSchema.min(1), actions: actionsSchema }).nullable(),
  entry: actionsSchema,
  exit: actionsSchema,
  rules: z.array(ruleSchema).max(limits.rulesPerState),
});

const namedSchema = z.strictObject({ id: idSchema, name: nameSchema });

const does = { press: actionsSchema, release: actionsSchema };

/**
 * What a key does in one layer, or every key of a set that has nothing of its own there: its number comes with it. Let
 * go, it does what belongs to the layer it was pressed in.
 */
const layerKeySchema = z.union([
  z.strictObject({ controlId: idSchema, ...does }),
  z.strictObject({ setId: idSchema, ...does }),
]);

export const layerSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** While a control is held, or while an expression holds; null: always. */
  when: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('held'), controlId: idSchema }),
      z.strictObject({ kind: z.literal('on'), condition: expressionSchema }),
    ])
    .nullable(),
  /** Keys that are not here mean what they mean in the layer before. */
  keys: z.array(layerKeySchema).max(limits.controls),
});

/**
 * What the maker says of a state or a rule, because no tool can know: that it cannot be undone, that the gadget is asleep
 * there and what is shown does not count, or that it asks whether something is meant.
 */
export const markKinds = ['lasting', 'asleep', 'asks'] as const;
export type MarkKind = (typeof markKinds)[number];

/** Where the numbers of chance begin: alike each time, by when the first press came, or by noise of the circuit. */
export const chanceKinds = ['same', 'press', 'noise'] as const;

export const flowSchema = z.strictObject({
  variables: z.array(variableSchema).max(limits.variables),
  signals: z.array(namedSchema).max(limits.signals),
  timers: z.array(namedSchema).max(limits.timers),
  chance: z.enum(chanceKinds),
  states: z.array(stateSchema).max(limits.states),
  /** Where power-up leads; null exactly when there is no state. */
  initialId: idSchema.nullable(),
  /** What the same keys mean, the first layer undermost. */
  layers: z.array(layerSchema).max(limits.layers),
  /** Events that a state leaves unanswered on purpose. */
  ignored: z.array(z.strictObject({ stateId: idSchema, trigger: triggerSchema })).max(limits.ignored),
  /** By the id of a state or a rule. */
  marks: z.array(z.strictObject({ placeId: idSchema, means: z.enum(markKinds) })).max(limits.ignored),
});

export type Trigger = z.infer<typeof triggerSchema>;
export type Rule = z.infer<typeof ruleSchema>;
export type State = z.infer<typeof stateSchema>;
export type Layer = z.infer<typeof layerSchema>;
export type LayerKey = z.infer<typeof layerKeySchema>;
export type Flow = z.infer<typeof flowSchema>;

/** Nothing happens yet. */
export const emptyFlow = (): Flow => ({
  variables: [],
  signals: [],
  timers: [],
  chance: 'noise',
  states: [],
  initialId: null,
  layers: [],
  ignored: [],
  marks: [],
});

/** A state with nothing in it, on the outermost floor. */
export const blankState = (): Omit<State, 'id' | 'name'> => ({
  kind: 'plain',
  parentId: null,
  initial: null,
  entry: [],
  exit: [],
  rules: [],
});
