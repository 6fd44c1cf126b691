import type { Entry, LoadStep } from '@fanega/core';
import { createContext, lazy, type ReactNode, Suspense, useCallback, useContext, useMemo, useState } from 'react';
import { toast } from '../../ui/toast';
import { ulid } from 'ulid';
import { usePreload } from '../../ui/use-preload';
import { ApiError } from '../../data/api';
import { write } from '../../data/outbox';
import { bookCommand } from '../../data/outbox/book-command';
import { useBinSetups, useDown, useFarm, useRefreshFarm } from '../../data/farm';
import { scaleUnit, weightText } from '../../quantity/quantity';
import { type Draft, emptyDraft, type RecordKind } from './draft-start';
import { keptDraft } from './kept';
import { stamped } from './send';

const openSheet = () => import('./record-drawer');
const RecordDrawer = lazy(openSheet);

interface Recorder {
  /** Opens the sheet with what is known. */
  readonly open: (given?: Partial<Draft>) => void;
  /** Opens the sheet to make an entry again. */
  readonly correct: (entry: Entry) => void;
  /** Records a likely load without asking. */
  readonly load: (step: LoadStep) => Promise<void>;
  readonly undo: (entryId: string, why?: string) => Promise<void>;
}

const RecorderContext = createContext<Recorder | null>(null);

export function useRecorder(): Recorder {
  const recorder = useContext(RecorderContext);
  if (!recorder) throw new Error('bug: no recorder around this component');
  return recorder;
}

export function RecordProvider({ children }: { children: ReactNode }) {
  const farm = useFarm();
  const down = useDown();
  const store = useBinSetups().data;
  const [draft, setDraft] = useState<Draft | null>(null);

  const refresh = useRefreshFarm(farm.id);
  usePreload(openSheet, 2000);

  const undo = useCallback(
    async (entryId: string, why = '') => {
      const at = new Date(farm.clock()).toISOString();
      const entry = stamped({ type: 'void', id: ulid(), at, voids: entryId, ...(why === '' ? {} : { note: why }) });
      try {
        const { waits } = await write(farm.id, bookCommand(farm.id, [entry]), 'an entry voided');
        await refresh();
        toast(
          waits
            ? 'The void waits on this device and goes out when the signal is back.'
            : 'Voided. The entry stays on the tape, crossed out.',
        );
      } catch (error) {
        toast.error(error instanceof ApiError ? error.message : 'This did not work.');
      }
    },
    [farm, refresh],
  );

  const recorded = useCallback(
    (entryId: string, what: string) => {
      void refresh();
      toast.success(what, { action: { label: 'Undo', onClick: () => void undo(entryId) }, duration: 8000 });
    },
    [refresh, undo],
  );

  const recorder = useMemo<Recorder>(
    () => ({
      open: (given = {}) =>
        setDraft(Object.keys(given).length === 0 ? (keptDraft() ?? emptyDraft(ulid)) : emptyDraft(ulid, given)),
      correct: (entry) => void import('./draft').then(({ draftOf }) => setDraft(draftOf(entry, ulid, farm))),
      load: async ({ from, to, wetKg }) => {
        const entry = stamped({
          type: 'move',
          id: ulid(),
          at: new Date(farm.clock()).toISOString(),
          from,
          to,
          ...(wetKg === undefined ? {} : { wetKg, method: 'estimate' }),
        });
        const what = `${farm.placeName(from)} → ${farm.placeName(to)}`;
        // Something speaks against it: the sheet asks.
        const [{ intakeWords }, { gatesOf }] = await Promise.all([import('../intake'), import('../site')]);
        if (intakeWords(farm, entry, down, undefined, gatesOf(store)).length > 0)
          return setDraft(
            emptyDraft(ulid, {
              kind: 'move',
              from,
              to,
              ...(wetKg === undefined
                ? { amount: 'all' }
                : { amount: 'net', unit: scaleUnit(), weight: weightText(wetKg, scaleUnit()) }),
            }),
          );
        try {
          const { waits } = await write(farm.id, bookCommand(farm.id, [entry]), what);
          if (waits) toast(`${what} waits on this device and goes out when the signal is back.`);
          else recorded(entry.id, `${what} is in the book`);
        } catch (error) {
          if (!(error instanceof ApiError)) throw error;
          toast.error(error.message);
        }
      },
      undo,
    }),
    [farm, recorded, undo, down, store],
  );

  return (
    <RecorderContext.Provider value={recorder}>
      {children}
      {draft && (
        <Suspense fallback={null}>
          <RecordDrawer
            start={draft}
            onClose={() => setDraft(null)}
            onRecorded={(id, what) => {
              setDraft(null);
              recorded(id, what);
            }}
            onKept={() => {
              setDraft(null);
              toast('Kept on this device: it goes out when the signal is back.');
            }}
          />
        </Suspense>
      )}
    </RecorderContext.Provider>
  );
}

export type { Draft, RecordKind };
export { emptyDraft, KINDS } from './draft-start';

export { deviceName } from './send';

export { stamped } from './send';
