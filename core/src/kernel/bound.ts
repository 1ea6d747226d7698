/**
 * Events at one instant before the kernel gives up. A script of 5 000 stimuli at one moment needs about 10 000;
 * an endless loop reaches any number.
 */
export const maxEventsAtOnce = 20_000;

/** Something in the gadget never comes to rest. */
export class NeverAtRest extends Error {
  constructor(atUs: number, where: string) {
    super(
      `More than ${maxEventsAtOnce} steps at ${atUs} µs: a rule in ${where} probably re-enters itself without time passing.`,
    );
  }
}
