import * as z from 'zod';
import {
  durationUsSchema,
  expressionSchema,
  idSchema,
  int32Schema,
  lineSchema,
  nameSchema,
  wholeSchema,
} from '../gadget/index.ts';
import { comparisons, expectationSchemaOf } from '../output/index.ts';
import { outputExpectations } from './outputExpectations.ts';
import type { OutputWhat } from './whatOutput.ts';

export const trialLimits = { stimuli: 5_000, expectations: 200 } as const;

const stateWhat = z.strictObject({ kind: z.literal('state'), stateId: idSchema });
const variableWhat = z.strictObject({
  kind: z.literal('variable'),
  variableId: idSchema,
  comparison: z.enum(comparisons),
  value: int32Schema,
});
/** An expression over ids holds, or does not. */
const conditionWhat = z.strictObject({
  kind: z.literal('condition'),
  text: expressionSchema,
  is: z.boolean(),
});

type What =
  z.infer<typeof stateWhat> | z.infer<typeof variableWhat> | z.infer<typeof conditionWhat> | OutputWhat;

const whatSchema = z.discriminatedUnion('kind', [
  stateWhat,
  variableWhat,
  conditionWhat,
  ...outputExpectations.map(expectationSchemaOf),
]) as unknown as z.ZodType<What>;

const whenSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('at'), atUs: durationUsSchema() }),
    /** At some moment of the closed span. */
    z.strictObject({ kind: z.literal('within'), fromUs: durationUsSchema(), toUs: durationUsSchema() }),
  ])
  .refine((when) => when.kind === 'at' || when.fromUs <= when.toUs, {
    path: ['toUs'],
    message: 'expected the end of the window at or after its start',
  });

export const expectationSchema = z.strictObject({ id: idSchema, what: whatSchema, when: whenSchema });

const touched = { atUs: durationUsSchema(), controlId: idSchema };

/** What hands do: buttons pressed and let go, encoders turned, knobs moved, codes sent. */
export const stimulusSchema = z.discriminatedUnion('what', [
  z.strictObject({ ...touched, what: z.enum(['down', 'up']) }),
  z.strictObject({
    ...touched,
    what: z.literal('turn'),
    detents: wholeSchema(-1_000, 1_000),
    overUs: durationUsSchema(),
  }),
  z.strictObject({
    ...touched,
    what: z.literal('move'),
    perMille: wholeSchema(0, 1_000, '‰'),
    overUs: durationUsSchema(),
  }),
  z.strictObject({ ...touched, what: z.literal('send'), codeId: idSchema, heldUs: durationUsSchema() }),
  z.strictObject({ ...touched, what: z.literal('power'), event: z.enum(['cycle', 'wake', 'low']) }),
  z.strictObject({ ...touched, what: z.literal('midi'), bytes: z.array(wholeSchema(0, 255)).min(1).max(64) }),
  z.strictObject({
    ...touched,
    what: z.literal('line'),
    text: lineSchema(255),
    ended: z.literal(false).optional(),
  }),
]);

/**
 * A script and what is expected of it. It names parts by id and may be run against any revision; what a revision
 * does not have is said in the result.
 */
export const trialSchema = z
  .strictObject({
    name: nameSchema,
    /** Seed of the run's chance: bounce and random numbers. */
    seed: int32Schema,
    stimuli: z.array(stimulusSchema).max(trialLimits.stimuli),
    /** The run lasts from power-up until then. */
    endUs: durationUsSchema(),
    expectations: z.array(expectationSchema).max(trialLimits.expectations),
  })
  .superRefine(({ stimuli, expectations, endUs }, context) => {
    stimuli.forEach(({ atUs }, index) => {
      const issue = (message: string) =>
        context.addIssue({ code: 'custom', path: ['stimuli', index, 'atUs'], message });
      if (atUs > endUs) issue('expected a time within the run');
      if (index > 0 && atUs < stimuli[index - 1]!.atUs) issue('expected stimuli in order of time');
    });
    const seen = new Set<string>();
    expectations.forEach(({ id, when }, index) => {
      const path = ['expectations', index];
      if (seen.has(id))
        context.addIssue({ code: 'custom', path: [...path, 'id'], message: 'expected an id used once' });
      seen.add(id);
      if ((when.kind === 'at' ? when.atUs : when.toUs) > endUs)
        context.addIssue({
          code: 'custom',
          path: [...path, 'when'],
          message: 'expected a time within the run',
        });
    });
  });

export type Expectation = z.infer<typeof expectationSchema>;
export type Trial = z.infer<typeof trialSchema>;
