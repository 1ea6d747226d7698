import type { SnagRule } from '../../gadget/index.ts';
import { showTemplate } from '../words.ts';
import { compiled } from '../reach.ts';

/** A guard, value or text that cannot be read; what it stands in does nothing. */
export const X01: SnagRule = {
  id: 'X01',
  check: (gadget, derived) =>
    compiled(gadget, derived).problems.map(({ place, text, message }) => ({
      rule: 'X01',
      level: 'stop',
      place,
      values: { text: showTemplate(text, gadget), message },
    })),
};
