import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/bricolage-grotesque/index.css';
import './app/styles.ts';
import './app/look.css';
import { createRoot } from 'react-dom/client';
import { App } from './app/App.tsx';
import { askForAll } from './app/wanted.ts';

askForAll(location.pathname);
createRoot(document.getElementById('root')!).render(<App />);
// Not needed to begin with.
void import('./app/signs.ts');
