import './look';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { SWRConfig } from 'swr';
import { App } from './app/App';
import { preloadStation } from './app/stations';
import { applyTheme, storedTheme } from './ui/theme';
import { get } from './data/api';
import { startProgram } from './data/program';
import { startOutbox } from './data/outbox';

preloadStation(window.location.pathname);
applyTheme(storedTheme());
startOutbox();
// Only what was built has a list of its files.
if (import.meta.env.PROD) startProgram();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <SWRConfig
      value={{
        fetcher: get,
        keepPreviousData: true,
        revalidateOnFocus: true,
        errorRetryInterval: 3000,
      }}
    >
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </SWRConfig>
  </StrictMode>,
);
