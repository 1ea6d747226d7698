/** Flashing that can harm. Source: reckoning, Sound: flash hazard band. Hundredths of a hertz. */
const [leastCentiHz, mostCentiHz] = [300, 3_000];

/** Whether something flashes as often as can harm. */
export const inBand = (centiHz: number): boolean => centiHz >= leastCentiHz && centiHz <= mostCentiHz;
