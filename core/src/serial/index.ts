export { bytesUs } from './frames.ts';
