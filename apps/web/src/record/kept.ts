import { ulid } from 'ulid';
import { type Draft, emptyDraft } from './draft';

const KEPT = 'fanega.draft';

/** What was typed and not sent, also over a reload. */
export function keptDraft(): Draft | undefined {
  try {
    const text = localStorage.getItem(KEPT);
    return text ? emptyDraft(ulid, JSON.parse(text) as Partial<Draft>) : undefined;
  } catch {
    return undefined;
  }
}

export function keepDraft(draft: Draft | undefined): void {
  if (draft) localStorage.setItem(KEPT, JSON.stringify(draft));
  else localStorage.removeItem(KEPT);
}
