import type { Derived, Gadget } from '../../gadget/index.ts';
import { dryRun, type DryRun } from '../dryRun.ts';

/** The gadget let run for a while; once per check run. */
export const ran = (gadget: Gadget, derived: Derived): DryRun =>
  derived.once('explore.ran', () => dryRun(gadget));
