import 'fake-indexeddb/auto';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { keepDraftOf } from '../kit/drafts';
import { type Draft, draftName, keepDraft, readDraft } from './draft';

const draft = (name: string, basedOn: number | null): Draft => ({
  formula: { ...EMPTY_FORMULA, name },
  basedOn,
  knownNewest: basedOn,
  at: '2026-11-24T05:00:00Z',
});
const nameOf = async (...of: Parameters<typeof readDraft>): Promise<string | undefined> =>
  (await readDraft(...of))?.formula.name;

test('a draft comes back on the version it was begun from, and goes when it is saved', async () => {
  await keepDraft('f', 2, draft('two', 2));
  expect(await nameOf('f', 2, 2)).toBe('two');
  expect(await readDraft('other', 2, 2)).toBeNull();
  await keepDraft('f', 2, null);
  expect(await readDraft('f', 2, 2)).toBeNull();
});

test('somebody saved past it: the newest version brings it back, an old version looked at does not touch it', async () => {
  await keepDraft('g', 2, draft('two', 2));
  expect(await readDraft('g', 4, 4)).toMatchObject({ basedOn: 2, formula: { name: 'two' } });
  expect(await readDraft('g', 1, 4)).toBeNull();
  await keepDraft('g', 1, null);
  expect(await nameOf('g', 4, 4)).toBe('two');
});

test('a new formula has a draft of its own; what is no draft is left alone', async () => {
  await keepDraft(null, null, draft('new', null));
  expect(await nameOf(null, null, null)).toBe('new');
  await keepDraftOf(draftName(null, null), { formula: {} });
  expect(await readDraft(null, null, null)).toBeNull();
});

test('a draft that an older version of the app kept opens with what came since', async () => {
  const { edits: _, held: __, dismissed: ___, ends: ____, ...old } = EMPTY_FORMULA;
  await keepDraftOf(draftName('h', 1), {
    formula: { ...old, name: 'old', ways: { rest: 'hour' } },
    basedOn: 1,
    knownNewest: 1,
    at: '2026-11-20T05:00:00Z',
  });
  expect((await readDraft('h', 1, 1))?.formula).toEqual({
    ...EMPTY_FORMULA,
    name: 'old',
    edits: [{ do: 'way', act: 'rest', value: 'hour' }],
  });
});
