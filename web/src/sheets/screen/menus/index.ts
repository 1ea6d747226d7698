export { MenusView } from './MenusView.tsx';
