import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { speakPlainly } from '@usual-pantry/core/record';
import { nonce } from '../parts/nonce';
import { fetchLater } from './chunks';
import { sayUntold } from './untold';
import { router } from './routes';
import { followChanges, store } from '../data/store';
import { steadyPresses } from '../parts/steadyPress';
import { theme } from '../parts/theme';

speakPlainly();

const cache = createCache({ key: 'up', nonce, prepend: true });
const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the application.');

createRoot(root).render(
  <StrictMode>
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline />
        <Provider store={store}>
          <RouterProvider router={router} />
        </Provider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);
steadyPresses(document);
followChanges();
sayUntold(window, store);
fetchLater();
// Only what was built has names that never change their contents.
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  navigator.serviceWorker.register('/sw.js').catch(() => undefined);
