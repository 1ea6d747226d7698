export { contactOf, switchModels, undisturbed, type SwitchModel } from './models.ts';
export { bounceEdges, edgesFrom, pressEdges } from './bounce.ts';
export { nextDisturbance, type Disturbance } from './disturbance.ts';
export { failsAfterUs, restPerMille, touchAnswer, type Touched } from './touch.ts';
export { pressTrain, type Train } from './train.ts';
export { changingChannel, channelsAt, countTimesUs, countTimeUs } from './quadrature.ts';
export { noiseReach, straightenBy, trackShare, wayOfShare, wiperCount, type WiperMoment } from './wiper.ts';
