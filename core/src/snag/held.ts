import { heldVerdicts, type HeldVerdict } from '../explore/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { deriveFor } from './derive.ts';

/** What becomes of everything that is held at outputs while a control is down: let go on every way, or not. */
export const heldOf = (gadget: Gadget): readonly HeldVerdict[] => heldVerdicts(gadget, deriveFor(gadget));
