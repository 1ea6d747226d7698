export { PicturesView } from './PicturesView.tsx';
