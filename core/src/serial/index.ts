export { bytesUs, lineOut } from './frames.ts';
export { isHeard, numbersIn } from './heard.ts';
