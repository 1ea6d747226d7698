// On its own, so that it comes only once something is copied.
export { clipStates } from '@hum-lever/core';
