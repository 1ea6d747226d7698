export { defineOutput, plansNothing, type OutputDefinition, type Stage } from './definition.ts';
export { sentIsOut, withLine, type Sent } from './sent.ts';
