export { RevisionDrawer as default } from './RevisionDrawer.tsx';
