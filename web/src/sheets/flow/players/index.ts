export { PlayersView } from './PlayersView.tsx';
