import * as z from 'zod';
import { limits } from './limits.ts';
import {
  durationUsSchema,
  idSchema,
  int32Schema,
  lineSchema,
  nameSchema,
  wholeSchema,
} from './primitives.schema.ts';

/** What a control can say, in the order in which its event codes are numbered. */
export const gestureKinds = [
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
  /* One step of an encoder or a knob, clockwise and back. */
  'up',
  'down',
] as const;
export type GestureKind = (typeof gestureKinds)[number];

/** What a code of a receiver can say. */
export const codeGestures = ['press', 'repeat', 'release'] as const;
export type CodeGesture = (typeof codeGestures)[number];

/** Names that expressions use for functions; a variable may not take one. */
export const functionNames = ['random', 'min', 'max', 'abs', 'clamp'] as const;

/** Expression text over variable ids, e.g. `v1 + random(6)`. Whether it can be read is flow's to say. */
export const expressionSchema = lineSchema(limits.expressionChars).min(
  1,
  'expected an expression, got nothing',
);

export const variableSchema = z
  .strictObject({
    id: idSchema,
    name: z
      .string()
      .regex(/^[A-Za-z_][A-Za-z0-9_]{0,31}$/, 'expected a word such as "heat" (letters, digits, underscore)')
      .refine(
        (name) => !(functionNames as readonly string[]).includes(name),
        'expected a name that is not a function',
      ),
    initial: int32Schema,
    /** Assignments are held inside [min, max]. */
    min: int32Schema,
    max: int32Schema,
  })
  .refine((v) => v.min <= v.initial && v.initial <= v.max, {
    path: ['initial'],
    message: 'expected a start value between min and max',
  });

export const triggerSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('gesture'), controlId: idSchema, gesture: z.enum(gestureKinds) }),
  /** Keys together, as the chord says. */
  z.strictObject({ kind: z.literal('chord'), chordId: idSchema }),
  /** A code of a receiver: first heard, heard again while held, or no longer. */
  z.strictObject({ kind: z.literal('code'), codeId: idSchema, gesture: z.enum(codeGestures) }),
  /** Counted from entering the state; fires once per visit. */
  z.strictObject({ kind: z.literal('after'), delayUs: durationUsSchema(1_000) }),
]);

const lightModes = z.discriminatedUnion('mode', [
  z.strictObject({ mode: z.literal('on') }),
  z.strictObject({ mode: z.literal('off') }),
  /** Half the period lit, half dark, beginning lit. */
  z.strictObject({ mode: z.literal('blink'), periodUs: durationUsSchema(10_000) }),
  /** From the level it has to the level given, evenly. */
  z.strictObject({
    mode: z.literal('fade'),
    levelPercent: wholeSchema(0, 100, '%'),
    overUs: durationUsSchema(1_000),
  }),
]);

export const actionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('set'), variableId: idSchema, value: expressionSchema }),
  z.strictObject({ kind: z.literal('light'), outputId: idSchema, light: lightModes }),
  z.strictObject({
    kind: z.literal('text'),
    outputId: idSchema,
    /** Row counted from 0; one beyond the display is shown nowhere, and is a snag. */
    row: wholeSchema(0, limits.displayRows - 1),
    /** Text with expressions in braces: `Heat {v1}`. */
    text: lineSchema(limits.templateChars),
  }),
  z.strictObject({
    kind: z.literal('tone'),
    outputId: idSchema,
    hz: expressionSchema,
    /** 0: until silenced or replaced. */
    lengthUs: durationUsSchema(),
  }),
  z.strictObject({ kind: z.literal('silence'), outputId: idSchema }),
  /** Blocking wait: the whole loop stands still, inputs are not read. */
  z.strictObject({ kind: z.literal('wait'), lengthUs: durationUsSchema(1_000) }),
]);

const actionsSchema = z.array(actionSchema).max(limits.actionsPerList);

export const ruleSchema = z.strictObject({
  id: idSchema,
  trigger: triggerSchema,
  /** null: always. Otherwise fires only where the expression is not 0. */
  guard: expressionSchema.nullable(),
  actions: actionsSchema,
  /** null: stay, without leaving or entering. The state itself: leave and enter again. */
  targetId: idSchema.nullable(),
});

export const stateSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  entry: actionsSchema,
  exit: actionsSchema,
  rules: z.array(ruleSchema).max(limits.rulesPerState),
});

export const flowSchema = z.strictObject({
  variables: z.array(variableSchema).max(limits.variables),
  states: z.array(stateSchema).max(limits.states),
  /** Where power-up leads; null exactly when there is no state. */
  initialId: idSchema.nullable(),
});

export type Variable = z.infer<typeof variableSchema>;
export type Trigger = z.infer<typeof triggerSchema>;
export type LightMode = z.infer<typeof lightModes>;
export type Action = z.infer<typeof actionSchema>;
export type Rule = z.infer<typeof ruleSchema>;
export type State = z.infer<typeof stateSchema>;
export type Flow = z.infer<typeof flowSchema>;
