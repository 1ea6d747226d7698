import type { SwallowReason } from '../debounce/index.ts';
import type { Mishap } from '../flow/index.ts';
import type { CodeGesture, GestureKind } from '../gadget/index.ts';
import type { Cause, Excess } from '../kernel/index.ts';
import type { OutputEntry } from './outputKinds.ts';

/**
 * What happened, in order of time. Entries carry ids of the document, whole microseconds and plain values, so
 * that the same run gives the same bytes. One lane per stage of the path.
 */
export type TraceEntry =
  /** The finger's intent. `press` counts the presses of this control from 1. */
  | { atUs: number; lane: 'finger'; id: string; down: boolean; press: number }
  | { atUs: number; lane: 'contact'; id: string; level: 0 | 1 }
  /** The pin behind a filter. */
  | { atUs: number; lane: 'pin'; id: string; level: 0 | 1 }
  /** The scan of an array reads a key otherwise than its contact is: a ghost (1), or a key that is hidden (0). */
  | { atUs: number; lane: 'ghost'; id: string; level: 0 | 1 }
  /** Clean level; `sinceUs` from the finger's move, `extra` if the same press was answered already. */
  | { atUs: number; lane: 'clean'; id: string; level: 0 | 1; sinceUs: number; extra: boolean }
  /** A press that never came through: how long it lasted and what it would have needed, both µs. */
  | {
      atUs: number;
      lane: 'swallowed';
      id: string;
      press: number;
      reason: SwallowReason;
      hadUs: number;
      neededUs: number;
    }
  | { atUs: number; lane: 'gesture'; id: string; gesture: GestureKind }
  /** The hand turns, clockwise positive. */
  | { atUs: number; lane: 'turned'; id: string; detents: number; overUs: number }
  | { atUs: number; lane: 'channel'; id: string; channel: 'a' | 'b'; level: 0 | 1 }
  /** What a reading of an encoder made of it: counts and steps; or both channels had changed, and none was. */
  | { atUs: number; lane: 'counted'; id: string; counts: number; steps: number; skipped: boolean }
  | { atUs: number; lane: 'moved'; id: string; perMille: number; overUs: number }
  /** A knob's value has changed; `count` is the reading that did it. */
  | { atUs: number; lane: 'value'; id: string; step: number; value: number; count: number }
  | { atUs: number; lane: 'sent'; id: string; codeId: string }
  /** A code arrived; another than was sent where it was taken for another. */
  | { atUs: number; lane: 'heard'; id: string; codeId: string; sentId: string }
  | { atUs: number; lane: 'code'; id: string; codeId: string; gesture: CodeGesture }
  /** Keys together; `id` is the chord's. */
  | { atUs: number; lane: 'chord'; id: string }
  /** A rule fired; `stateId` is where. */
  | { atUs: number; lane: 'rule'; id: string; stateId: string }
  /** A state was entered: whatever could not stay active beside it was left. */
  | { atUs: number; lane: 'state'; id: string }
  /** A final state on the outermost floor: nothing is heard any more. */
  | { atUs: number; lane: 'ended' }
  | { atUs: number; lane: 'signal'; id: string }
  /** `index`: the place of a list. */
  | { atUs: number; lane: 'variable'; id: string; value: number | string; index?: number }
  /** What is kept was written down. */
  | { atUs: number; lane: 'saved' }
  /** A division by zero or a place outside a list, which count as 0; `id` is the state whose rule it was. */
  | { atUs: number; lane: 'mishap'; id: string | null; mishap: Mishap }
  | { atUs: number; lane: 'power'; event: 'cycle' }
  /** A turn hears what came from outside, `sinceUs` before; likewise below. */
  | { atUs: number; sinceUs: number; lane: 'power'; event: 'wake' | 'low' }
  | { atUs: number; sinceUs: number; lane: 'midiIn'; bytes: number[] }
  /** A whole line that came in over a serial output. */
  | { atUs: number; sinceUs: number; lane: 'lineIn'; id: string; text: string; open?: false }
  /** Just now came so much of a line; its end has not. */
  | { atUs: number; lane: 'lineIn'; id: string; text: string; open: true }
  | { atUs: number; sinceUs: number; lane: 'characterIn'; id: string; character: string; place: number }
  | OutputEntry
  /** More was asked for than can happen; nothing does any more. What came most often, and since when. */
  | { atUs: number; lane: 'still'; excess: Excess; cause: Cause; times: number; sinceUs: number }
  /** The loop stands still until then. */
  | { atUs: number; lane: 'blocked'; untilUs: number }
  /** The loop works for an output, for so long, and does nothing else until then; `deaf`: interrupts are shut off meanwhile. */
  | { atUs: number; lane: 'busy'; id: string; forUs: number; untilUs: number; deaf: boolean };

export type Lane = TraceEntry['lane'];

/** The entry of one lane. */
export type EntryOf<L extends Lane> = Extract<TraceEntry, { lane: L }>;
