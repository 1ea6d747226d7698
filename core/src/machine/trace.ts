import type { SwallowReason } from '../debounce/index.ts';
import type { GestureKind, LightMode } from '../gadget/index.ts';

/**
 * What happened, in order of time. Entries carry ids of the document, whole microseconds and plain values, so
 * that the same run gives the same bytes. One lane per stage of the path.
 */
export type TraceEntry =
  /** The finger's intent. `press` counts the presses of this control from 1. */
  | { at: number; lane: 'finger'; id: string; down: boolean; press: number }
  | { at: number; lane: 'contact'; id: string; level: 0 | 1 }
  /** The scan of an array reads a key otherwise than its contact is: a ghost (1), or a key that is hidden (0). */
  | { at: number; lane: 'ghost'; id: string; level: 0 | 1 }
  /** Clean level; `sinceUs` from the finger's move, `extra` if the same press was answered already. */
  | { at: number; lane: 'clean'; id: string; level: 0 | 1; sinceUs: number; extra: boolean }
  /** A press that never came through: how long it lasted and what it would have needed, both µs. */
  | {
      at: number;
      lane: 'swallowed';
      id: string;
      press: number;
      reason: SwallowReason;
      hadUs: number;
      neededUs: number;
    }
  | { at: number; lane: 'gesture'; id: string; gesture: GestureKind }
  /** A rule fired; `stateId` is where. */
  | { at: number; lane: 'rule'; id: string; stateId: string }
  | { at: number; lane: 'state'; id: string }
  | { at: number; lane: 'variable'; id: string; value: number }
  /** `fromPercent` is the level at that moment: where a fade begins. */
  | { at: number; lane: 'light'; id: string; light: LightMode; fromPercent: number }
  | { at: number; lane: 'text'; id: string; row: number; text: string }
  /** hz 0: silent. */
  | { at: number; lane: 'tone'; id: string; hz: number }
  /** The loop stands still until then. */
  | { at: number; lane: 'blocked'; untilUs: number };

export type Lane = TraceEntry['lane'];

/** The entry of one lane. */
export type EntryOf<L extends Lane> = Extract<TraceEntry, { lane: L }>;
