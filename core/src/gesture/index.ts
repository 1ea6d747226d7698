export { gesturesOf, idleButton, nextGestureUs, onEdge, onTime, type ButtonState } from './button.ts';
