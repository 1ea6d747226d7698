export { FeelPage as default } from './FeelPage.tsx';
