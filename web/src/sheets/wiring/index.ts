export { WiringPage as default } from './WiringPage.tsx';
