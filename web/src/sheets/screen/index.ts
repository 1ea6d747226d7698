export { ScreenPage as default } from './ScreenPage.tsx';
