/** What the page tells the loudspeaker's thread. */
export type SpeakerCommand =
  /** What sounds is told there from now on. */
  { from: MessagePort } | { muted: boolean };

/** What it says of itself, all since it began. */
export interface SpeakerReport {
  /** How often something began to sound otherwise. */
  moments: number;
  /** How many of these came too late to sound at their time, and by how much at worst, ms. */
  late: number;
  latestMs: number;
  /** What has sounded since the last report, moment by moment: pitches, Hz. */
  sounding: number[][];
}
