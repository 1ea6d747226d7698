export { CompareView } from './CompareView.tsx';
