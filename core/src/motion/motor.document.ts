import { outputDocument } from '../gadget/outputDocument.ts';
import { move } from './move.fields.ts';

/** Runs so fast, or shakes so hard. */
export const motor = outputDocument('motor', {}, { move }, { reaches: 'motion', fresh: () => ({}) });
