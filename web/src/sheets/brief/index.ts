export { BriefPage as default } from './BriefPage.tsx';
