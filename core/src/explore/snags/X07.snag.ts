import type { SnagRule } from '../../gadget/index.ts';
import { stuckSnags } from './stuck.ts';

/** A key of the computer that is meant to be held while one of the gadget is, and stays down on some way. */
export const X07: SnagRule = {
  id: 'X07',
  check: (gadget, derived) => stuckSnags(gadget, derived, ['typist'], 'X07', 'key'),
};
