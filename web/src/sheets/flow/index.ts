export { FlowPage as default } from './FlowPage.tsx';
