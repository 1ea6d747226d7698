import type { SnagRule } from '../../gadget/index.ts';
import { stuckSnags } from './stuck.ts';

/** A note that is meant to sound while a key of the gadget is held, and sounds on by some way. */
export const M01: SnagRule = {
  id: 'M01',
  check: (gadget, derived) => stuckSnags(gadget, derived, ['midi', 'tone'], 'M01', 'channel'),
};
