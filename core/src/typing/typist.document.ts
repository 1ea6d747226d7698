import { outputDocument, template } from '../gadget/outputDocument.ts';

/** Types into a computer, as on a keyboard. */
export const typist = outputDocument(
  'typist',
  {},
  { type: { text: template } },
  { reaches: 'machines', fresh: () => ({}) },
);
