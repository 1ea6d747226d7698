/**
 * Events at one instant before the kernel gives up. A script of 5 000 stimuli at one moment needs about 10 000;
 * an endless loop reaches any number.
 */
export const maxEventsAtOnce = 20_000;

/** Something in the gadget never comes to rest. */
export class NeverAtRest extends Error {
  /** @param bound how many steps were taken before it was given up */
  constructor(atUs: number, where: string, bound: number = maxEventsAtOnce) {
    super(
      `More than ${bound} steps at ${atUs} µs: a rule in ${where} probably re-enters itself without time passing.`,
    );
  }
}

/** Rounds of one macrostep; a chart that comes to rest needs about as many as it has states in a row. */
export const maxRoundsAtOnce = 1_000;
