export { Strip } from './Strip.tsx';
