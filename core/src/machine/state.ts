import type { DebounceState, FilterState } from '../debounce/index.ts';
import type { Disturbance } from '../contact/index.ts';
import type { FlowState, Effect } from '../flow/index.ts';
import type { ButtonState, DecoderState, HeardState, KnobState, TogetherState } from '../gesture/index.ts';
import type { StreamState } from '../midi/index.ts';
import type { QueueState, Standstill, Work } from '../kernel/index.ts';
import type { OutputState } from './outputKinds.ts';

/** What a hand does: the only input of the machine. A recorded list of these is a trial's script. */
export type Stimulus = { atUs: number; controlId: string } & Touch;

/** The finger comes or goes; a knob is turned by detents or to a place; a key of a remote is held, or a word said. */
export type Touch =
  | { what: 'down' | 'up' }
  /** Clockwise positive, evenly over that time. */
  | { what: 'turn'; detents: number; overUs: number }
  /** To so many thousandths of the way, evenly over that time. */
  | { what: 'move'; perMille: number; overUs: number }
  | { what: 'send'; codeId: string; heldUs: number }
  /** To the gadget as a whole, whose control is `gadget`: off and on again, woken, or its cell running low. */
  | { what: 'power'; event: 'cycle' | 'wake' | 'low' }
  /** Bytes come in by MIDI, to the gadget as a whole: whole messages or pieces of them, the last of them just now. */
  | { what: 'midi'; bytes: number[] }
  /** A line is sent to a serial output of the gadget; it is heard when all its bytes are in. Without its end it goes on. */
  | { what: 'line'; text: string; ended?: false | undefined };

/** What comes from outside and is no hand on a control. */
export type OutsideTouch = Extract<Touch, { what: 'power' | 'midi' | 'line' }>;
export const isOutside = (touch: Touch): touch is OutsideTouch =>
  touch.what === 'power' || touch.what === 'midi' || touch.what === 'line';

/** Stands for the gadget as a whole where a stimulus names a control. */
export const wholeGadget = 'gadget';

/** What has come from outside, for a turn to hear. */
export type FromOutside =
  | { what: 'power'; event: 'wake' | 'low' }
  | { what: 'midi'; bytes: number[] }
  | { what: 'line'; outputId: string; text: string }
  | { what: 'character'; outputId: string; character: string; place: number };

/** What waits in the queue, by ids of the document, so that it outlives an edit. */
export type MachineEvent =
  | { kind: 'touch'; controlId: string; touch: Touch }
  /** An edge of the contact; void if the finger has moved again since (`change`). */
  | { kind: 'edge'; controlId: string; change: number; level: 0 | 1 }
  /** What stands between contact and pin has got to its threshold; void if the contact has changed again since. */
  | { kind: 'cross'; controlId: string; contactEdge: number }
  /** A contact breaks off while held, or a spike comes over the wire, the how manieth; `end`: it is over. */
  | { kind: 'disturbance'; controlId: string; what: Disturbance; end: boolean; number: number }
  /** A pad's rest level has come over its threshold; void if it was touched or left since. */
  | { kind: 'stuck'; controlId: string; change: number }
  /** An encoder gets to the next count of a turn; the one after is planned then, under the number set aside for it. */
  | { kind: 'count'; controlId: string; by: 1 | -1; turn: Turn; number: number }
  /** Interrupts are heard again: what a channel did meanwhile is seen as it is now. */
  | { kind: 'awake'; controlId: string }
  | { kind: 'channel'; controlId: string; channel: 'a' | 'b'; change: number; level: 0 | 1 }
  /** A code arrives for the how manieth time; the next is planned then. */
  | { kind: 'code'; controlId: string; codeId: string; sending: Sending; number: number }
  /** One character has come in over a serial output, at that place of what was sent together. */
  | { kind: 'character'; outputId: string; character: string; place: number }
  | { kind: 'effect'; effect: Effect }
  /** What an output planned for itself. */
  | { kind: 'output'; outputId: string; what: unknown };

/** An even turn under way. */
export interface Turn {
  sinceUs: number;
  counts: number;
  overUs: number;
  /** Of its first count, in the queue. */
  firstSeq: number;
}

/** A key of a remote that is held, from its first arrival on. */
export interface Sending {
  sinceUs: number;
  times: number;
  firstSeq: number;
  /** The address of its first chance. */
  firstSent: number;
}

/** One control between finger and meaning. */
export interface InputState {
  fingerDown: boolean;
  /** Presses so far. */
  presses: number;
  /** Moves of the finger so far: the address of its bounce. */
  changes: number;
  downUs: number;
  upUs: number;
  /** When its clean level last rose, and for how long it then was up, as the firmware knows it. */
  pressedUs: number;
  pressedForUs: number;
  /** Whether the press under way came through. */
  answered: boolean;
  /** During this press, other keys of its array hid it from the scan. */
  hidden: boolean;
  /** At the touch, the algorithm would stay deaf until then. */
  deafUntilUs: number | null;
  /** Level of the contact, bounce and all. */
  raw: 0 | 1;
  /** Edges of the contact so far. */
  contactEdges: number;
  /** How many there were when the finger came. */
  edgesAtDown: number;
  /** What stands between contact and pin, where anything does. */
  filter: FilterState | null;
  /** Where the finger has put the contact, apart from what disturbs it now. */
  settled: 0 | 1;
  spiked: boolean;
  broken: boolean;
  spikes: number;
  chatters: number;
  /** Time of holding until it next breaks off, counted from `chatterSinceUs`; null: not drawn yet. */
  chatterInUs: number | null;
  chatterSinceUs: number;
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

/** One encoder between hand and steps. */
export interface EncoderState {
  /** Where the shaft is, in counts since power-up. */
  count: number;
  a: ChannelState;
  b: ChannelState;
  /** A channel has changed since the last turn. */
  moved: boolean;
  decoder: DecoderState;
  /** Steps that an interrupt has counted and no turn has said yet. */
  pending: number;
  /** Steps said since power-up, clockwise positive, and those one way without one back. */
  steps: number;
  oneWay: number;
}
interface ChannelState {
  level: 0 | 1;
  /** Changes of the shaft so far: the address of their bounce. */
  changes: number;
}

/** One knob or axis between hand and value. */
export interface KnobInput {
  /** The last move: from where to where, in thousandths of the way. */
  fromPerMille: number;
  toPerMille: number;
  sinceUs: number;
  overUs: number;
  /** Next reading; null: none until something moves. */
  dueUs: number | null;
  /** When it was last read before it rested. */
  restedUs: number;
  reading: KnobState;
  /** Steps one way without one back. */
  oneWay: number;
}

/** One receiver. Codes that have arrived since the last turn. */
export interface ReceiverState {
  sent: number;
  arrived: string[];
  heard: HeardState;
}

/** What a variable is: a list as all its places. */
export type ShownValue = number | string | number[] | string[];

/** What the gadget shows: the state as seen from outside, and its outputs. Records are by id, in the document's order. */
export interface Shown {
  /** The active states, in the order of the document. */
  stateIds: string[];
  variables: Record<string, ShownValue>;
  outputs: Record<string, OutputState>;
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
  /** Interrupts are shut off until then. */
  deafUntilUs: number;
  /** By the ids of their controls. */
  inputs: Record<string, InputState>;
  encoders: Record<string, EncoderState>;
  knobs: Record<string, KnobInput>;
  receivers: Record<string, ReceiverState>;
  together: TogetherState;
  /** What no turn has heard yet, the first first. */
  outside: (FromOutside & { cameUs: number })[];
  /** By serial output: what has come in of a line that has no end yet. */
  comingIn: Record<string, string>;
  /** Where the reader of what comes in by MIDI is. */
  midiIn: StreamState;
  /** What has come in of a system exclusive that has no end yet. */
  exclusiveIn: number[];
  /** When a key was first pressed: where chance begins, where the document says so. */
  firstPressUs: number | null;
  /** When the power last came, and how often it came again since the first time. */
  poweredUs: number;
  powerUps: number;
  flow: FlowState;
  shown: Shown;
  /** What may still happen in this moment and this second. */
  work: Work;
  /** Why nothing happens any more; null: it goes on. */
  still: Standstill | null;
  /** How much may lie in the queue before what is void is cleared away. */
  tidyAt: number;
}

/** One state for each, by id. */
export const freshOf = <C, S>(compiled: ReadonlyMap<string, C>, fresh: (one: C) => S): Record<string, S> =>
  Object.fromEntries([...compiled].map(([id, one]) => [id, fresh(one)]));
