import { expression } from '../gadget/outputDocument.ts';

/** Degrees of a servo or percent of a motor, held inside what it can do. */
export const move = { to: expression } as const;
