/** Work that an output gives the loop. */
export interface Job {
  /** How long it takes, whole µs. */
  us: number;
  /** The loop waits for it, or it goes on beside the loop by itself. */
  how: 'blocking' | 'background';
  /** It can be done in pieces, some in each turn. */
  cuttable: boolean;
  /** Interrupts are shut off meanwhile. */
  deaf: boolean;
}

/** For kinds that need no more of the loop than a write to a register. */
export const noJobs: readonly Job[] = Object.freeze([]);

/** What goes out by itself, byte after byte from a queue. */
export const inBackground = (us: number): Job[] => [{ us, how: 'background', cuttable: true, deaf: false }];
