export { GridView } from './GridView.tsx';
