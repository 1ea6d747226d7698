import type { DebounceState } from '../debounce/index.ts';
import type { FlowState, Effect } from '../flow/index.ts';
import type { ButtonState } from '../gesture/index.ts';
import type { QueueState } from '../kernel/index.ts';
import type { LitLight } from '../light/index.ts';

/** What a hand does: the only input of the machine. A recorded list of these is a trial's script. */
export interface Stimulus {
  atUs: number;
  controlId: string;
  what: 'down' | 'up';
}

/** What waits in the queue, by ids of the document, so that it outlives an edit. */
export type MachineEvent =
  | { kind: 'finger'; controlId: string; down: boolean }
  /** An edge of the contact; void if the finger has moved again since (`change`). */
  | { kind: 'edge'; controlId: string; change: number; level: 0 | 1 }
  | { kind: 'effect'; effect: Effect }
  /** A tone's end; void if another began since (`order`). */
  | { kind: 'hush'; outputId: string; order: number };

/** One control between finger and meaning. */
export interface InputState {
  fingerDown: boolean;
  /** Presses so far. */
  presses: number;
  /** Moves of the finger so far: the address of its bounce. */
  changes: number;
  downUs: number;
  upUs: number;
  /** Whether the press under way came through. */
  answered: boolean;
  /** During this press, other keys of its array hid it from the scan. */
  hidden: boolean;
  /** At the touch, the algorithm would stay deaf until then. */
  deafUntilUs: number | null;
  raw: 0 | 1;
  /** What the scan reads of it: the contact itself, or, in an array, what the circuit makes of all its keys. */
  scanned: 0 | 1;
  /** The scan reads it otherwise than its contact is. */
  astray: boolean;
  /** Edges of the last move that are still to come. */
  edgesLeft: number;
  /** The contact or the finger moved since the last turn. */
  moved: boolean;
  wakeUs: number | null;
  debounce: DebounceState;
  gesture: ButtonState;
}

/** What the gadget shows: the state as seen from outside, and its outputs. Records are by id. */
export interface Shown {
  stateId: string | null;
  variables: Record<string, number>;
  lights: Record<string, LitLight>;
  texts: Record<string, string[]>;
  /** Pitch now, 0: silent. `order` counts the orders to this sounder. */
  tones: Record<string, { hz: number; order: number }>;
}

/** The whole machine as plain JSON. With the document it belongs to, going on from it is going on. */
export interface MachineState {
  nowUs: number;
  seed: number;
  queue: QueueState<MachineEvent>;
  /** Next turn of the loop that matters, or null. */
  turnUs: number | null;
  lastTurnUs: number;
  /** The last standstill of the loop. */
  blockedFromUs: number;
  blockedUntilUs: number;
  /** Turns that standstills left out. */
  lostTurns: number;
  inputs: Record<string, InputState>;
  flow: FlowState;
  shown: Shown;
}
