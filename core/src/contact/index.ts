export { contactOf, switchModels, type SwitchModel } from './models.ts';
export { bounceEdges, edgesFrom, pressEdges } from './bounce.ts';
