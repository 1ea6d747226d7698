export { renderMoments, Synth, type Moment, type Sounding, type Voice } from './synth.ts';
export { effectSounding, performedMoments, sounderVoice, tuneMoments, tuneSounding } from './tuneMoments.ts';
export { sounderResponse, type Response } from './response.ts';
export type { Wave } from './waves.ts';
export { soundedHz } from './pitch.ts';
export { loudnessOf } from './sounding.ts';
export {
  clockHzFor,
  isOutOfTune,
  tuned,
  tuningsOf,
  type Sounder,
  type ToldNotes,
  type Tuned,
  type Tuning,
} from './tuning.ts';
export { cents, hzOf, settingFor, type TimerSetting } from './timer.ts';
export { fileVoice } from './fileVoice.ts';
