import type { Adopted, Cause, Gadget, Standstill, Stimulus, Touch, TraceEntry } from '@hum-lever/core';
import type { SeenChange } from './changes.ts';

/** Milliseconds on one clock for page and worker, which count their own from when each was started. */
export const epochMs = (sinceStartMs: number): number => performance.timeOrigin + sinceStartMs;

/** So far ahead is played at once: an hour, which takes some seconds, or some minutes where a gadget does much. */
export const mostAheadUs = 3_600_000_000;

/** What the page tells the live machine. */
export type Command =
  /** A fresh machine, powered up now; `script` is what hands will do to it, if that is planned. */
  | { kind: 'load'; gadget: Gadget; seed: number; script: Stimulus[] }
  /** The document was edited: taken over while running. */
  | { kind: 'edit'; gadget: Gadget }
  /** `atMs`: when the hand moved, on the clock of `epochMs`; the message may come later than that. */
  | { kind: 'touch'; controlId: string; touch: Touch; atMs: number }
  /** What hands will do, so long from now each; forgotten with a load and with a look at the past. */
  | { kind: 'plan'; moves: { afterUs: number; controlId: string; touch: Touch }[] }
  /** What comes from outside, each at its moment since power-up, or now where that has passed; forgotten likewise. */
  | { kind: 'planAt'; moves: { atUs: number; controlId: string; touch: Touch }[] }
  | { kind: 'run' }
  | { kind: 'pause' }
  /** To the next event, and pause there. */
  | { kind: 'step' }
  /** On to a moment, as fast as that goes, and pause there; at most `mostAheadUs` from now. */
  | { kind: 'playOnTo'; atUs: number }
  /** Share of real time, e.g. 0.25. */
  | { kind: 'speed'; factor: number }
  /** Shows the gadget as it was then; the machine itself stays where it is. */
  | { kind: 'scrub'; toUs: number }
  /** Goes on from the moment shown; what came after it is forgotten. */
  | { kind: 'goOnFromHere' }
  /** Back from the past to where the machine is. */
  | { kind: 'present' }
  /** Plays a stretch of the past again, for all that happened in it. */
  | { kind: 'stretch'; fromUs: number; toUs: number }
  /** Hands over everything that hands have done since power-up. */
  | { kind: 'collect' };

/** What the page tells the worker. */
export type WorkerCommand =
  | Command
  /** What sounds goes there from now on, as it comes about. */
  | { kind: 'soundTo'; port: MessagePort };

/** More happens than can be worked out in time: how fast it plays, as a share of real time, and what is dearest. */
export interface Slow {
  share: number;
  cause: Cause;
}

/** How virtual time goes on from this report, until the next. */
export interface Clock {
  nowUs: number;
  /** 0 while paused or in the past. */
  speed: number;
}

/** What the live machine tells the page. */
export type Report =
  /** `fresh`: the trace begins anew with these entries. `adopted`: what became of an edit that was taken over just now. */
  | {
      kind: 'slice';
      /** The last ones, where more came than can be looked at. */
      entries: TraceEntry[];
      /** How many were left out before them; they can be had as a stretch. */
      leftOut: number;
      /** What is seen of it now, as far as that is new. */
      seen: SeenChange;
      clock: Clock;
      running: boolean;
      fresh: boolean;
      adopted: Adopted | null;
      /** The moment of the past that is looked at; null: the present. */
      pastUs: number | null;
      still: Standstill | null;
      slow: Slow | null;
    }
  | { kind: 'past'; atUs: number; seen: SeenChange; still: Standstill | null }
  /** The past is played again up to a moment; how far it has come. */
  | { kind: 'replaying'; atUs: number; fromUs: number; toUs: number }
  /** Everything that happened in a stretch, or the last of it (`leftOut` before). */
  | { kind: 'stretch'; fromUs: number; toUs: number; entries: TraceEntry[]; leftOut: number }
  /** The trace after this moment is void. */
  | { kind: 'cut'; atUs: number }
  | { kind: 'collected'; seed: number; stimuli: Stimulus[]; endUs: number }
  | { kind: 'failed'; message: string };
