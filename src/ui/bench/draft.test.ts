import { EMPTY_FORMULA } from '@/core/formula/formula';
import { type Draft, keepDraft, readDraft } from './draft';

/** A browser's storage, or one that is switched off. */
function storage(on: boolean): Map<string, string> {
  const kept = new Map<string, string>();
  const refuse = (): never => {
    throw new Error('storage is off');
  };
  const localStorage = {
    getItem: (k: string) => (on ? (kept.get(k) ?? null) : refuse()),
    setItem: (k: string, v: string) => (on ? kept.set(k, v) : refuse()),
    removeItem: (k: string) => (on ? kept.delete(k) : refuse()),
  };
  const listed = new Proxy(localStorage, {
    ownKeys: () => [...kept.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  });
  Object.defineProperty(globalThis, 'window', { value: { localStorage: listed }, configurable: true });
  return kept;
}

const draft = (name: string, basedOn: number | null): Draft => ({
  formula: { ...EMPTY_FORMULA, name },
  basedOn,
  knownNewest: basedOn,
  at: '2026-11-24T05:00:00Z',
});

test('a draft comes back on the version it was begun from, and goes when it is saved', async () => {
  storage(true);
  keepDraft('f', 2, draft('two', 2));
  expect((await readDraft('f', 2, 2))?.formula.name).toBe('two');
  expect(await readDraft('other', 2, 2)).toBeNull();
  keepDraft('f', 2, null);
  expect(await readDraft('f', 2, 2)).toBeNull();
});

test('somebody saved past it: the newest version brings it back, an old version looked at does not touch it', async () => {
  storage(true);
  keepDraft('f', 2, draft('two', 2));
  expect(await readDraft('f', 4, 4)).toMatchObject({ basedOn: 2, formula: { name: 'two' } });
  expect(await readDraft('f', 1, 4)).toBeNull();
  keepDraft('f', 1, null);
  expect((await readDraft('f', 4, 4))?.formula.name).toBe('two');
});

test('a new formula has a draft of its own; what is no draft is left alone', async () => {
  const kept = storage(true);
  keepDraft(null, null, draft('new', null));
  expect((await readDraft(null, null, null))?.formula.name).toBe('new');
  for (const k of kept.keys()) kept.set(k, '{"formula":{}}');
  expect(await readDraft(null, null, null)).toBeNull();
  for (const k of kept.keys()) kept.set(k, 'not JSON');
  expect(await readDraft(null, null, null)).toBeNull();
});

test('with storage off the bench works on without drafts, and says that there is no room', async () => {
  storage(false);
  expect(keepDraft('f', 1, draft('one', 1))).toBe(false);
  expect(await readDraft('f', 1, 1)).toBeNull();
});

test('a draft that an older version of the app kept opens with what came since', async () => {
  const kept = storage(true);
  const { edits: _, held: __, dismissed: ___, ends: ____, ...old } = EMPTY_FORMULA;
  kept.set(
    'even-crumb:draft:f:1',
    JSON.stringify({
      formula: { ...old, name: 'old', ways: { rest: 'hour' } },
      basedOn: 1,
      knownNewest: 1,
      at: '2026-11-20T05:00:00Z',
    }),
  );
  expect((await readDraft('f', 1, 1))?.formula).toEqual({
    ...EMPTY_FORMULA,
    name: 'old',
    edits: [{ do: 'way', act: 'rest', value: 'hour' }],
  });
});
