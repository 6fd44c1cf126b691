import { ulid } from 'ulid';
import { system } from '../../quantity/quantity';
import { type Draft, emptyDraft } from './draft-start';

/** What was typed was typed in the units that were read then. */
const kept = (): string => (system() === 'us' ? 'fanega.draft' : `fanega.draft.${system()}`);

/** What was typed and not sent, also over a reload. */
export function keptDraft(): Draft | undefined {
  try {
    const text = localStorage.getItem(kept());
    return text ? emptyDraft(ulid, JSON.parse(text) as Partial<Draft>) : undefined;
  } catch {
    return undefined;
  }
}

export function keepDraft(draft: Draft | undefined): void {
  if (draft) localStorage.setItem(kept(), JSON.stringify(draft));
  else localStorage.removeItem(kept());
}
