import * as z from 'zod';
import { constant, outputDocument, template } from '../gadget/outputDocument.ts';
import { wholeSchema } from '../gadget/primitives.schema.ts';

/** What ends a line: carriage return and line feed, one of them, or nothing. */
export const lineEnds = ['crlf', 'lf', 'cr', 'none'] as const;

/** Lines of text over a serial line, one character after the other. */
export const serial = outputDocument(
  'serial',
  {
    baud: wholeSchema(300, 2_000_000, 'Bd'),
    /** Longer lines are cut. */
    longest: wholeSchema(1, 255, 'characters'),
    /** Bytes that wait behind what is on its way; a line that does not fit is lost. */
    queueBytes: wholeSchema(0, 4_096, 'bytes'),
    ends: z.enum(lineEnds),
  },
  { say: { text: template, ended: constant(z.boolean()) } },
  {
    reaches: 'machines',
    fresh: ({ baud = 9_600 }) => ({ baud, longest: 80, queueBytes: 64, ends: 'lf' }),
    follows: () => ['baud'],
  },
);

export type Serial = z.infer<typeof serial.schema>;
export type LineEnd = (typeof lineEnds)[number];
