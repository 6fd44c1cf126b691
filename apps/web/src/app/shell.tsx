import { Menu, NotebookPen, Search, WifiOff } from 'lucide-react';
import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { RECORD_STATIONS, type RecordStation } from '@fanega/core';
import { useFarm } from '../data/farm';
import { KINDS, useRecorder } from '../widgets/record';
import { ErrorBoundary } from '../ui/error-boundary';
import { applyTheme, ThemeButton } from '../ui/theme';
import { useMedia } from '../ui/use-media';
import { usePreload } from '../ui/use-preload';
import { ClockNote } from '../widgets/clock-note';
import { NewerNote } from '../widgets/newer-note';
import { QueueBar } from '../widgets/queue-bar';
import { clock } from '../quantity/time';
import { WeaveDefs } from '../widgets/weave';
import { StationsBar } from './stations-bar';
import { Tape } from './tape';
import { lazily } from '../ui/lazily';

const BrokenRecords = lazily(() => import('../widgets/broken-records'), true);
const openFinder = () => import('./command-palette');
const CommandPalette = lazy(openFinder);

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'SELECT', 'TEXTAREA'].includes(target.tagName));

/** The frame: the way of the grain on top, the tape at the left, the station in the middle. */
export function Shell({ offline, children }: { offline: boolean; children: ReactNode }) {
  const farm = useFarm();
  const recorder = useRecorder();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const station = pathname.split('/')[1] ?? '';
  const [palette, setPalette] = useState(false);
  const [tapeOpen, setTapeOpen] = useState(false);
  const isDesk = useMedia('(min-width: 1024px)');

  useEffect(() => setTapeOpen(false), [pathname]);
  usePreload(openFinder, 3000);

  // n, then a letter: record. / or Ctrl-K: find anything.
  useEffect(() => {
    let waiting = 0;
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key === 'k') {
        event.preventDefault();
        setPalette(true);
        return;
      }
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        isTyping(event.target) ||
        document.querySelector('[role=dialog]')
      )
        return;
      if (event.key === '/') {
        event.preventDefault();
        setPalette(true);
      } else if (event.key === 'n' && event.timeStamp > waiting) {
        waiting = event.timeStamp + 2000;
      } else if (event.timeStamp < waiting) {
        waiting = 0;
        const kind = KINDS.find(({ key }) => key === event.key);
        if (kind) {
          event.preventDefault();
          recorder.open({ kind: kind.value });
        }
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [recorder]);

  return (
    <div className="grid min-h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] lg:h-dvh lg:grid-cols-[262px_1fr] lg:overflow-hidden">
      <WeaveDefs lots={farm.data.lots.length} />
      <a href="#station" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3">
        Skip to the station
      </a>
      <header className="no-print sticky top-0 z-20 border-b [@media(max-height:500px)]:static border-ink bg-paper lg:static lg:col-span-2">
        <div className="flex items-center justify-between gap-2 px-3 pt-1 lg:hidden">
          <Link to="/settings" title="Settings" className="flex min-h-11 min-w-0 items-center font-bold">
            <span className="truncate">{farm.data.farm.name}</span>
          </Link>
          <span className="flex items-center">
            <Link
              to="/cab"
              className="inline-flex min-h-11 items-center px-2 font-semibold underline decoration-rule underline-offset-4"
            >
              Cab
            </Link>
            <ThemeButton />
            <IconButton label="Find" onClick={() => setPalette(true)}>
              <Search size={20} />
            </IconButton>
            <IconButton label="Tape" onClick={() => setTapeOpen((open) => !open)}>
              <Menu size={20} />
            </IconButton>
          </span>
        </div>
        <StationsBar />
        <QueueBar />
        <ClockNote />
        <NewerNote />
        {offline && (
          <p role="status" className="flex items-center gap-2 border-t border-ink bg-foot px-4 py-1.5 text-on-foot">
            <WifiOff size={16} aria-hidden="true" /> No signal. You see the book as it was at{' '}
            {clock(farm.data.now, farm.data.farm.timeZone)}; what you type is kept.
          </p>
        )}
      </header>
      <aside
        aria-label="Tape"
        className={`no-print ${tapeOpen ? 'block' : 'hidden'} border-ink bg-tape lg:block lg:min-h-0 lg:border-r`}
      >
        {(isDesk || tapeOpen) && (
          <Tape
            tools={
              <div className="hidden border-b border-rule lg:block">
                <div className="flex items-center justify-between px-2">
                  <Link
                    to="/settings"
                    title="Settings"
                    className="flex min-h-11 min-w-0 items-center pl-1.5 text-sm leading-tight font-semibold"
                  >
                    <span className="line-clamp-2">{farm.data.farm.name}</span>
                  </Link>
                  <span className="flex shrink-0 items-center">
                    <Link
                      to="/cab"
                      className="inline-flex min-h-11 items-center px-2 text-sm font-semibold underline decoration-rule underline-offset-4"
                    >
                      Cab
                    </Link>
                    <ThemeButton size={18} />
                    <IconButton label="Find (press /)" onClick={() => setPalette(true)}>
                      <Search size={18} />
                    </IconButton>
                  </span>
                </div>
                {/* What is recorded comes out on the tape: the button stands where it does. */}
                <div className="px-3.5 pb-2.5">
                  <button
                    type="button"
                    onClick={() => recorder.open()}
                    className="flex min-h-12 w-full items-center justify-center gap-2 rounded-[3px] border-2 border-ink font-bold hover:bg-sand"
                  >
                    <NotebookPen size={18} aria-hidden="true" /> Record
                  </button>
                </div>
              </div>
            }
          />
        )}
      </aside>
      <main
        id="station"
        // Which page is drawn: another one is asked for a moment before it is there.
        data-page={pathname}
        tabIndex={-1}
        className={`min-w-0 pb-16 outline-none lg:min-h-0 lg:overflow-y-auto lg:pb-8 ${tapeOpen ? 'hidden lg:block' : ''}`}
      >
        {(RECORD_STATIONS as readonly string[]).includes(station) && (
          <ErrorBoundary place={station}>
            <Suspense fallback={null}>
              <BrokenRecords station={station as RecordStation} />
            </Suspense>
          </ErrorBoundary>
        )}
        {children}
      </main>
      <button
        type="button"
        onClick={() => recorder.open()}
        className="no-print fixed inset-x-0 bottom-0 z-20 flex min-h-14 items-center [@media(max-height:500px)]:min-h-11 justify-center gap-2 border-t-2 border-ink bg-tape px-5 text-lg font-bold lg:hidden"
      >
        <NotebookPen size={20} aria-hidden="true" /> Record
      </button>
      {palette && (
        <Suspense fallback={null}>
          <CommandPalette onClose={() => setPalette(false)} onGo={(path) => void navigate(path)} onTheme={applyTheme} />
        </Suspense>
      )}
    </div>
  );
}

function IconButton({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="flex min-h-11 min-w-11 items-center justify-center"
    >
      {children}
    </button>
  );
}
