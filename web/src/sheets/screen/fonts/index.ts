export { FontsView } from './FontsView.tsx';
