export { LightCodesView } from './LightCodesView.tsx';
