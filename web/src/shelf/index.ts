export { Shelf as default } from './Shelf.tsx';
