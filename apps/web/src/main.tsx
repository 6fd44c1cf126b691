import './look';
import { StrictMode, startTransition } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { SWRConfig } from 'swr';
import { App } from './app/App';
import { opensWith } from './app/opens-with';
import { preloadStation } from './app/stations';
import { showTheme } from './ui/stored-theme';
import { get } from './data/api';
import { openingAnswers } from './data/opening';
import { startProgram } from './data/program';
import { startOutbox } from './data/outbox';
import { readZone } from './quantity/zone';

const { pathname } = window.location;
const station = preloadStation(pathname);
showTheme();
readZone();
const queue = startOutbox();
// Only what was built has a list of its files.
if (import.meta.env.PROD) startProgram();

const root = createRoot(document.getElementById('root')!);
// Not awaited here: the files of a page wait for this one.
void openingAnswers(opensWith(pathname), Promise.all([station, queue])).then((opening) =>
  // The first drawing of a page is the longest: in slices, between which the browser answers.
  startTransition(() =>
    root.render(
      <StrictMode>
        <SWRConfig
          value={{
            provider: () => opening,
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
    ),
  ),
);
