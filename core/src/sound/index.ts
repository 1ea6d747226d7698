export { soundedHz } from './pitch.ts';
export { cents, hzOf, settingFor, type TimerSetting } from './timer.ts';
