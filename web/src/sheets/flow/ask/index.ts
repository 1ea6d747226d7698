export { AskView } from './AskView.tsx';
