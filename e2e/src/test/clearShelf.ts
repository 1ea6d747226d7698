import { clearShelf } from './shelf.ts';

export default clearShelf;
