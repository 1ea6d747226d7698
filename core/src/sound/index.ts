export { soundedHz } from './pitch.ts';
export { isOutOfTune, tuned, tuningsOf, type Tune, type Tuned, type Tuning } from './tuning.ts';
export { cents, hzOf, settingFor, type TimerSetting } from './timer.ts';
