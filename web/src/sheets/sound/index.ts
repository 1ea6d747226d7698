export { SoundPage as default } from './SoundPage.tsx';
