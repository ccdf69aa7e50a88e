import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/instrument-sans';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { retryWhenAway } from './api/queries';
import './api/service';
import { App } from './App';
import { theme } from './theme/theme';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content ?? '';
const styles = createCache({ key: 'lofty', nonce });
const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: retryWhenAway, retryDelay: 1500, networkMode: 'always', refetchOnWindowFocus: true },
    mutations: { networkMode: 'always' },
  },
});

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <CacheProvider value={styles}>
        <ThemeProvider theme={theme}>
          <CssBaseline />
          <QueryClientProvider client={queries}>
            <BrowserRouter>
              <App />
            </BrowserRouter>
          </QueryClientProvider>
        </ThemeProvider>
      </CacheProvider>
    </StrictMode>,
  );
}
