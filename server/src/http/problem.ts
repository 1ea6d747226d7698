import { HttpException } from '@nestjs/common';
import type { Fault } from '@hum-lever/core';
import type * as z from 'zod';
import { faultsOf } from '@hum-lever/core';

/** RFC 9457 problem document. */
export interface ProblemBody {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** Fields at fault. */
  errors?: Fault[];
  [extension: string]: unknown;
}

export type ProblemKind =
  | 'not-found'
  | 'invalid'
  | 'not-json'
  | 'unknown-kind'
  | 'too-new'
  | 'migration-failed'
  | 'too-large'
  | 'stale'
  | 'precondition-required'
  | 'foreign-origin'
  | 'busy'
  | 'unexpected';

const titles: Record<ProblemKind, string> = {
  'not-found': 'Not there',
  invalid: 'Not valid',
  'not-json': 'Not JSON',
  'unknown-kind': 'Not a gadget',
  'too-new': 'Written by a newer Hum Lever',
  'migration-failed': 'Could not be brought up to date',
  'too-large': 'Too large',
  stale: 'Saved by someone else meanwhile',
  'precondition-required': 'Base revision missing',
  'foreign-origin': 'Refused',
  busy: 'Busy',
  unexpected: 'Something went wrong here',
};

/** An error that the caller can act on; the filter writes it as application/problem+json. */
export class Problem extends HttpException {
  constructor(status: number, kind: ProblemKind, detail: string, extra: Record<string, unknown> = {}) {
    const body: ProblemBody = {
      type: `urn:hum-lever:problem:${kind}`,
      title: titles[kind],
      status,
      detail,
      ...extra,
    };
    super(body, status);
  }
}

export const notFound = (what: string): Problem => new Problem(404, 'not-found', `There is no ${what}.`);

/** The value, or a 422 that names the fields. */
export function parseOr422<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const errors = faultsOf(parsed.error.issues);
  throw new Problem(422, 'invalid', `${errors[0]!.path || 'The body'}: ${errors[0]!.message}.`, { errors });
}

/** The revision or version in If-Match: a number in quotes. 428 without one, 400 for anything else. */
export function baseOf(ifMatch: string | undefined): number {
  if (ifMatch === undefined)
    throw new Problem(
      428,
      'precondition-required',
      'Expected If-Match with the revision this save is based on, e.g. "3".',
    );
  const found = /^"?(\d{1,9})"?$/.exec(ifMatch);
  if (!found)
    throw new Problem(
      400,
      'invalid',
      `Expected If-Match to be a revision such as "3", got ${ifMatch.slice(0, 40)}.`,
    );
  return Number(found[1]);
}

/** The page's name for a save, where it gives one. @throws Problem 400 for what is no such name */
export function saveIdOf(saveId: string | undefined): string | null {
  if (saveId === undefined) return null;
  if (!/^[0-9a-zA-Z-]{8,64}$/.test(saveId))
    throw new Problem(400, 'invalid', 'Expected Save-Id to be 8 to 64 letters, digits and hyphens.');
  return saveId;
}
