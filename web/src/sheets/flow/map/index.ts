export { MapView } from './MapView.tsx';
