export { TrialsPage as default } from './TrialsPage.tsx';
