import { outputDocument } from '../gadget/outputDocument.ts';
import { wholeSchema } from '../gadget/primitives.schema.ts';
import { move } from './move.fields.ts';

/** Turns to an angle and holds it. */
export const servo = outputDocument(
  'servo',
  {
    /** From 0 up to this angle. */
    reachDeg: wholeSchema(1, 360, '°'),
  },
  { move },
  { reaches: 'motion', fresh: () => ({ reachDeg: 180 }) },
);
