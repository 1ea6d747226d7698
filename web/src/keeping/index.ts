export { KeepWay } from './KeepWay.tsx';
