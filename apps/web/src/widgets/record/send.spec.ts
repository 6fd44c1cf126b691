import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { HarvestEntry } from '@fanega/core';
import { ApiError } from '../../data/api';
import { type Draft, emptyDraft } from './draft';
import { deviceName, firstEntries, sendDraft, stamped, triedEntries } from './send';

interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: {
    entries?: { id: string; wetKg: number }[];
    void?: { id: string; voids: string };
    entry?: { id: string; wetKg: number };
  };
}

/** A server that remembers what reached it, on a line that may drop the answer. */
class Line {
  readonly sent: Sent[] = [];
  readonly inBook = new Set<string>();
  dropping = false;
  refusing = false;

  readonly fetch = async (request: Request): Promise<Response> => {
    const path = new URL(request.url).pathname.replace('/api', '');
    if (request.method === 'GET') {
      return this.inBook.has(path.split('/').at(-1)!)
        ? Response.json({})
        : Response.json({ message: 'none' }, { status: 404 });
    }
    const body = (await request.json()) as Sent['body'];
    this.sent.push({ method: request.method, path, body });
    if (this.refusing)
      return Response.json({ code: 'book_refuses', message: 'no', issues: [{ field: 'lot' }] }, { status: 422 });
    for (const entry of [...(body.entries ?? []), body.void, body.entry]) if (entry) this.inBook.add(entry.id);
    if (this.dropping) throw new TypeError('network');
    return Response.json({ seq: 1 });
  };
}

const NOW = Date.UTC(2026, 8, 9, 20);
let line: Line;
const stored = new Map<string, string>();
beforeEach(() => {
  line = new Line();
  stored.clear();
  vi.stubGlobal('fetch', line.fetch);
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => stored.set(key, value),
  });
});

const entryOf = (draft: Draft): HarvestEntry => ({
  type: 'harvest',
  id: draft.id,
  at: '2026-09-08T12:00:00Z',
  lot: 'hs',
  to: 'cart',
  wetKg: Number(draft.weight),
  moisture: 0.17,
});

describe('a draft is sent exactly once', () => {
  it('the same draft again is the same request, to the letter, although time has passed', async () => {
    let draft = emptyDraft(() => 'ID', { kind: 'harvest', weight: '4000' });
    line.dropping = true;
    await expect(sendDraft('f', draft, entryOf(draft), (kept) => (draft = kept), NOW)).rejects.toBeInstanceOf(ApiError);
    line.dropping = false;
    const later: HarvestEntry = { ...entryOf(draft), at: '2026-09-08T12:09:00Z' };
    expect(await sendDraft('f', draft, later, (kept) => (draft = kept), NOW)).toBe('ID');
    expect(line.sent).toHaveLength(2);
    expect(line.sent[1]).toEqual(line.sent[0]);
  });

  it('a draft changed after an uncertain try corrects it when it had arrived', async () => {
    let n = 0;
    let draft = emptyDraft(() => `ID${n++}`, { kind: 'harvest', weight: '4000' });
    line.dropping = true;
    await expect(sendDraft('f', draft, entryOf(draft), (kept) => (draft = kept), NOW)).rejects.toThrow('No signal');
    line.dropping = false;
    draft = { ...draft, weight: '4100' };
    const id = await sendDraft('f', draft, entryOf(draft), (kept) => (draft = kept), NOW);
    const { path, body } = line.sent[1]!;
    expect(path).toBe('/farms/f/corrections');
    expect(body.void!.voids).toBe('ID0');
    expect(body.entry).toMatchObject({ id, wetKg: 4100 });
    expect(id).not.toBe('ID0');
  });

  it('and is simply sent when the first try had not arrived', async () => {
    let draft = emptyDraft(() => 'ID', { kind: 'harvest', weight: '4000' });
    line.dropping = true;
    await expect(sendDraft('f', draft, entryOf(draft), (kept) => (draft = kept), NOW)).rejects.toThrow();
    line.inBook.clear();
    line.dropping = false;
    draft = { ...draft, weight: '4100' };
    expect(await sendDraft('f', draft, entryOf(draft), (kept) => (draft = kept), NOW)).toBe('ID');
    expect(line.sent[1]!.body.entries).toMatchObject([{ id: 'ID', wetKg: 4100 }]);
  });

  it('a correction names what it replaces, and a refusal comes back with its fields', async () => {
    const draft = emptyDraft(() => 'ID', { kind: 'harvest', weight: '4000', replaces: 'OLD', voidId: 'V' });
    await sendDraft('f', draft, entryOf(draft), () => undefined, NOW);
    expect(line.sent[0]!.body).toMatchObject({ void: { id: 'V', voids: 'OLD' }, entry: { id: 'ID' } });
    line.refusing = true;
    const refused = await sendDraft(
      'f',
      emptyDraft(() => 'X', { weight: '1' }),
      entryOf(draft),
      () => undefined,
      NOW,
    ).catch((error: unknown) => error);
    expect(refused).toMatchObject({ status: 422, unreachable: false, issues: [{ field: 'lot' }] });
  });

  it('what goes into the queue untried is what would have been sent', async () => {
    const plain = emptyDraft(() => 'ID', { kind: 'harvest', weight: '4000' });
    expect(firstEntries('f', plain, entryOf(plain), NOW)).toMatchObject([{ id: 'ID', wetKg: 4000 }]);
    let draft = emptyDraft(() => 'ID', { kind: 'harvest', weight: '4000', replaces: 'OLD', voidId: 'V' });
    line.dropping = true;
    await expect(sendDraft('f', draft, entryOf(draft), (kept) => (draft = kept), NOW)).rejects.toThrow();
    const [undone, again] = triedEntries(draft);
    expect([undone, again]).toMatchObject([
      { id: 'V', voids: 'OLD', at: new Date(NOW).toISOString() },
      { id: 'ID', wetKg: 4000 },
    ]);
    expect(firstEntries('f', draft, entryOf(draft), NOW).map(({ id }) => id)).toEqual(['V', 'ID']);
  });

  it('every entry says which device wrote it, always the same one', async () => {
    const name = deviceName();
    expect(stamped({ type: 'void', id: 'V', at: new Date(NOW).toISOString(), voids: 'OLD' })).toMatchObject({
      type: 'void',
      voids: 'OLD',
      device: name,
    });
    expect(deviceName()).toBe(name);
  });
});
