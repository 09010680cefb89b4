/** Kept lots on the real database: their books add up, under two screens at once too. */

import { z } from 'zod';
import { keepLotSchema } from '@/contract/kept';
import { leftOf } from '@/core/batch/kept';
import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { careNotes, noteCare, stuckIn, takeCareBack } from '../queries/care';
import { saveVersion } from '../queries/formulas';
import { keep, keptLot, keptNow, keptOfBatch, keptTakenBy, letKeptGo, takeKeptBack, usesOfKept } from '../queries/kept';
import { putAway, putBack, takeUp } from './change-batch';
import { startTogether } from './headcount';

const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Lock waffles',
  kind: 'waffle',
  school: 'crisp',
  entries: ['250 g flour', '10 g baking powder', '3 g salt', '350 g milk', '2 eggs', '80 g oil'].map((text, n) => ({
    key: `l${n + 1}`,
    text,
  })),
};
let formulaId = '';
let batchId = '';
beforeAll(async () => {
  await ownDatabase('kept_kitchen');
  const saved = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: FORMULA,
    changeNote: '',
  });
  if (!saved.ok) throw new Error(saved.message);
  formulaId = saved.saved.formulaId;
  const s = await startTogether({
    versionId: saved.saved.versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 120,
    bags: [],
    take: 'no',
    requestId: null,
  });
  if (!s.ok) throw new Error(s.message);
  batchId = s.id;
});
afterAll(closePool);

type Kept = z.output<typeof keepLotSchema>;
const kept = (k: Partial<Kept> = {}): Kept => ({
  batchId,
  state: 'frozen',
  cooked: 'early',
  pieces: 20,
  parcel: 5,
  place: 'chest freezer',
  made: '2026-11-26',
  bestBy: '2027-01-25',
  note: '',
  who: '',
  requestId: crypto.randomUUID(),
  ...k,
});
const made = async (k: Partial<Kept> = {}): Promise<string> => {
  const a = await keep(kept(k));
  if (!a.ok) throw new Error(a.message);
  return a.id;
};
const gone = (lotId: string, pieces: number, how: 'served' | 'thrown' = 'served', requestId = crypto.randomUUID()) =>
  letKeptGo({ lotId, pieces, how, who: '', requestId });

test('a press that is sent twice keeps one lot, and lets pieces go once', async () => {
  const requestId = crypto.randomUUID();
  const [a, b] = [await keep(kept({ requestId })), await keep(kept({ requestId }))];
  expect(a).toEqual(b);
  if (!a.ok) throw new Error(a.message);
  expect(await keptLot(a.id)).toMatchObject({
    name: 'Lock waffles',
    kind: 'waffle',
    formulaId,
    pieces: 20,
    left: 20,
    made: '2026-11-26',
  });
  const press = crypto.randomUUID();
  expect(await gone(a.id, 4, 'served', press)).toMatchObject({ ok: true, left: 16 });
  expect(await gone(a.id, 4, 'served', press)).toMatchObject({ ok: true, left: 16 });
  expect((await keptOfBatch(batchId)).map((l) => l.left)).toEqual([16]);
});

test('forty screens ask for three of fifty at once: sixteen are served, the others told, and the book adds up', async () => {
  const id = await made({ pieces: 50 });
  const answers = await Promise.all(Array.from({ length: 40 }, () => gone(id, 3)));
  expect(answers.filter((a) => a.ok)).toHaveLength(16);
  expect(answers.find((a) => !a.ok)).toMatchObject({ message: 'There are only 2 waffles.' });
  const lot = await keptLot(id);
  const uses = await usesOfKept(id);
  expect(lot?.left).toBe(2);
  expect(leftOf(50, uses)).toBe(2);
  expect(await gone(id, 2, 'thrown')).toMatchObject({ ok: true, left: 0 });
  expect(await gone(id, 1)).toMatchObject({ ok: false, message: 'There is nothing left of it.' });
  expect((await keptNow(formulaId)).map((l) => l.id)).not.toContain(id);
});

test('what is taken back is there again, once, and stays in the book', async () => {
  const id = await made({ pieces: 10, bestBy: '2026-12-01' });
  const a = await gone(id, 10);
  if (!a.ok) throw new Error(a.message);
  await Promise.all([takeKeptBack(a.id), takeKeptBack(a.id)]);
  expect((await keptLot(id))?.left).toBe(10);
  expect(await usesOfKept(id)).toMatchObject([{ pieces: 10, how: 'served', undoneAt: expect.any(Date) }]);
  // and it is offered first, for its day is the nearest
  expect((await keptNow())[0]?.id).toBe(id);
});

test('what can’t be kept is refused at its place', async () => {
  const wrong = (k: object) =>
    keepLotSchema.safeParse(kept(k as Partial<Kept>)).error?.issues.map((i) => i.path.join('.'));
  expect(wrong({ pieces: 0 })).toEqual(['pieces']);
  expect(wrong({ pieces: 1.5 })).toEqual(['pieces']);
  expect(wrong({ bestBy: '2026-11-25' })).toEqual(['bestBy']);
  expect(wrong({ state: 'batter', cooked: 'done' })).toEqual(['cooked']);
  expect(await keep(kept({ batchId: '00000000-0000-4000-8000-00000000dead' }))).toMatchObject({ ok: false });
  expect(await gone('00000000-0000-4000-8000-00000000dead', 1)).toMatchObject({ ok: false });
});

test('a pan’s diary: one press is one entry, what stuck in a batch is written once for each thing, and is taken back', async () => {
  const requestId = crypto.randomUUID();
  const stuck = { gearId: 'iron-1', what: 'stuck', note: '', batchId, requestId } as const;
  const [a, b] = [await noteCare(stuck), await noteCare(stuck)];
  expect(a).toEqual(b);
  expect(await noteCare({ ...stuck, requestId: crypto.randomUUID() })).toEqual(a);
  expect(await noteCare({ ...stuck, gearId: 'iron-2', requestId: crypto.randomUUID() })).not.toEqual(a);
  expect((await stuckIn(batchId)).map((n) => n.gearId).sort()).toEqual(['iron-1', 'iron-2']);
  if (!a.ok) throw new Error(a.message);
  await takeCareBack(a.id);
  expect((await stuckIn(batchId)).map((n) => n.gearId)).toEqual(['iron-2']);
  expect((await careNotes()).find((n) => n.id === a.id)?.undone).toBe(true);
  expect(await noteCare({ ...stuck, requestId: crypto.randomUUID() })).toMatchObject({ ok: true });
  expect(
    await noteCare({ ...stuck, batchId: '00000000-0000-4000-8000-00000000dead', requestId: crypto.randomUUID() }),
  ).toMatchObject({ ok: false });
  expect(await takeCareBack('00000000-0000-4000-8000-00000000dead')).toMatchObject({ ok: false });
});

test('a plan takes kept pieces in: they leave with the batch, two batches never share one, and come back when it is given up', async () => {
  const made = await keep(kept({ pieces: 10 }));
  if (!made.ok) throw new Error(made.message);
  const versionId =
    (await rowsFrom(idRow, 'select version_id as id from batches where id = $1', [batchId]))[0]?.id ?? '';
  const begin = (pieces: number) =>
    startTogether({
      versionId,
      driver: { by: 'factor', factor: 1 },
      exactness: 'gram',
      portionMl: 120,
      bags: [],
      kept: [{ lotId: made.id, pieces }],
      take: 'no',
      requestId: null,
    });
  // two at once want six of ten each: one of them is refused, and nothing of it is begun
  const before = (await query('select 1 from batches')).length;
  const two = await Promise.all([begin(6), begin(6)]);
  expect(two.filter((t) => t.ok)).toHaveLength(1);
  expect(two.find((t) => !t.ok)).toMatchObject({ path: `kept.${made.id}`, message: 'There are only 4 waffles.' });
  expect((await query('select 1 from batches')).length).toBe(before + 1);
  const first = two.find((t) => t.ok);
  const id = first?.ok ? first.id : '';
  expect((await keptLot(made.id))?.left).toBe(4);
  expect(await keptTakenBy(id)).toMatchObject([{ lotId: made.id, pieces: 6, state: 'frozen' }]);
  expect((await usesOfKept(made.id))[0]).toMatchObject({ pieces: 6, forBatch: id, forName: 'Lock waffles' });
  // given up with its stock back they are in their lot again; taken up, gone once more
  expect(await putAway(id, true)).toBe(true);
  expect((await keptLot(made.id))?.left).toBe(10);
  expect(await keptTakenBy(id)).toEqual([]);
  expect(await takeUp(id)).toEqual({ ok: true });
  expect((await keptLot(made.id))?.left).toBe(4);
  // what is put back into stock while it is under way goes back too
  expect(await putBack(id)).toBe(true);
  expect((await keptLot(made.id))?.left).toBe(10);
  await query('update kept_uses set undone_at = null where for_batch = $1', [id]);
  // where they were served meanwhile it can't be taken up, and stays given up
  await putAway(id, true);
  await letKeptGo({ lotId: made.id, pieces: 7, how: 'served', who: '', requestId: null });
  expect(await takeUp(id)).toMatchObject({ ok: false, message: expect.stringContaining('There are only 3 waffles.') });
  expect((await keptLot(made.id))?.left).toBe(3);
  expect(
    (await rowsFrom(z.object({ away: z.boolean() }), 'select put_away as away from batches where id = $1', [id]))[0]
      ?.away,
  ).toBe(true);
});
