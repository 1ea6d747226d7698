export { PartsPage as default } from './PartsPage.tsx';
