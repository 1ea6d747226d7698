export {
  delaysOf,
  gesturesOf,
  idleButton,
  nextGestureUs,
  onEdge,
  onTime,
  repeatPausesUs,
  type ButtonState,
} from './button.ts';
export {
  nextTogetherUs,
  nothingTogether,
  onKey,
  onWindow,
  type TogetherAnswer,
  type TogetherState,
} from './together.ts';
export { asMeant, listeningFor } from './listening.ts';
export { reaction, strokeUs, tiedShare, usualReactionUs } from './reaction.ts';
export { triedSeed, tryTaps, tryTogether, type TapsTried } from './people.ts';
export {
  decodeRest,
  feedChannels,
  quickening,
  stepsPerTurn,
  type Decoded,
  type DecoderState,
} from './encoder.ts';
export {
  heldStep,
  readKnob,
  refill,
  stepEdges,
  stepOf,
  unreadKnob,
  valueOf,
  type KnobState,
  type Straighten,
} from './knob.ts';
export {
  codeSilence,
  hearCode,
  nextSilenceUs,
  nothingHeard,
  type HeardCode,
  type HeardState,
} from './codes.ts';
