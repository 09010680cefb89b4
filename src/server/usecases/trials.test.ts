/** Trials on the real database: letters drawn once, bowls begun together, each taster's word once, and none after. */
import { randomUUID } from 'node:crypto';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { lastWords, tastedOf } from '@/core/judge/taste';
import type { TrialChange } from '@/core/judge/trial';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { batchById } from '../queries/batches';
import { makingsOf } from '../queries/came-back';
import { formulaState } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { erasePerson, keepPerson } from '../queries/people';
import { ballotsOf, bowlsOf, dropTrial, openTrial, tellTaste, trialById, trialsOf } from '../queries/trials';
import { versionOfBatch } from '../queries/versions';
import { makeAgain, putAway, swapInBatch, undoSwaps } from './change-batch';
import { keepFormula } from './keep-formula';
import { beginTrial, hadSoFar, planTrial, trialWithWays } from './trials';

beforeAll(() => ownDatabase('trials'));
afterAll(closePool);

const LINES = [
  '500 g flour',
  '60 g sugar',
  '8 g salt',
  '20 g baking powder',
  '800 g milk',
  '3 eggs',
  '80 g butter, melted',
];
const OIL: TrialChange = { do: 'line', key: 'l7', text: '70 g oil' };

async function formula(name: string) {
  const saved = await keepFormula({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: { ...EMPTY_FORMULA, name, entries: LINES.map((text, n) => ({ key: `l${n + 1}`, text })) },
    changeNote: '',
    requestId: randomUUID(),
  } as never);
  if (!saved.ok) throw new Error(saved.message);
  return saved.saved;
}
async function planned(name: string, changes: readonly TrialChange[] = [{ do: 'same' }, OIL], maker = 'Marta') {
  const { formulaId, versionId } = await formula(name);
  const id = randomUUID();
  const told = await planTrial({ id, versionId, changes: [...changes], pieces: 6, portionMl: 60, maker } as never);
  return { id, formulaId, versionId, told };
}
const taste = (trialId: string, taster: string, picked: readonly ('A' | 'B')[], more: object = {}) =>
  tellTaste({ id: randomUUID(), trialId, taster, personId: null, tasted: ['A', 'B'], picked: [...picked], ...more });

test('a trial sent twice is one, and its letters are drawn once', async () => {
  const { formulaId, versionId } = await formula('Twice cakes');
  const t = {
    id: randomUUID(),
    versionId,
    changes: [{ do: 'same' }, OIL],
    pieces: 6,
    portionMl: 60,
    maker: '',
  } as never;
  expect(await Promise.all(Array.from({ length: 6 }, () => planTrial(t)))).toEqual(Array(6).fill({ ok: true }));
  const [one, ...none] = await trialsOf(formulaId);
  expect(none).toEqual([]);
  const letters = one?.plan?.ways.map((w) => w.bowl);
  expect([...(letters ?? [])].sort()).toEqual(['A', 'B']);
  await planTrial(t);
  expect((await trialById(one?.id ?? ''))?.plan?.ways.map((w) => w.bowl)).toEqual(letters);
});

test('over many trials either way is in bowl A', async () => {
  const { formulaId, versionId } = await formula('Lot cakes');
  for (let n = 0; n < 24; n++)
    await planTrial({
      id: randomUUID(),
      versionId,
      changes: [{ do: 'same' }, OIL],
      pieces: 6,
      portionMl: 60,
      maker: '',
    } as never);
  const first = new Set((await trialsOf(formulaId)).map((t) => t.plan?.ways[0]?.bowl));
  // 2 of 2^24 times this would be one letter alone
  expect(first).toEqual(new Set(['A', 'B']));
});

test('what is wrong with a way is told at its place, and nothing is kept', async () => {
  const { formulaId, told } = await planned('Wrong cakes', [
    { do: 'same' },
    { do: 'line', key: 'l2', text: '60 g sugar' },
  ]);
  expect(told).toMatchObject({ ok: false, fields: { 'changes.1': 'That makes the same as way 1.' } });
  expect(await trialsOf(formulaId)).toEqual([]);
});

test('the bowls are begun together and once, each from its own formula; what they share is the same in each', async () => {
  const { id, formulaId } = await planned('Bowl cakes');
  expect(await Promise.all([1, 2, 3].map(() => beginTrial(id, 'no')))).toEqual(Array(3).fill({ ok: true }));
  const bowls = await bowlsOf(id);
  expect(bowls.map((b) => b.bowl)).toEqual(['A', 'B']);
  const open = await trialWithWays(id, await loadHouse());
  const batches = await Promise.all(bowls.map((b) => batchById(b.batchId)));
  const grams = (n: number, key: string) => batches[n]?.sheet.find((l) => l.key === key)?.grams;
  for (const key of ['l1', 'l2', 'l3', 'l4', 'l5', 'l6']) expect(grams(0, key)).toBe(grams(1, key));
  for (const [n, w] of (open?.ways ?? []).entries()) {
    expect(batches[n]?.ending).toBe(`bowl ${w.bowl}`);
    expect(batches[n]?.tried).toEqual(w.formula);
    expect(batches[n]?.sheet.find((l) => l.key === 'l7')?.name).toBe(
      w.moved.length > 0 ? 'Vegetable oil' : 'Unsalted butter',
    );
  }
  // a bowl is no making of the formula as it is written
  await query("update batches set finished_at = now(), verdict = 'poor' where trial_id = $1", [id]);
  expect(await makingsOf(formulaId)).toEqual([]);
  expect(await formulaState(formulaId)).toMatchObject({ last: null, next: null });
  expect(await query('select last_verdict as v from formulas where id = $1', [formulaId])).toEqual([{ v: null }]);
});

test('bowls that were given up stay in sight, and are not begun a second time', async () => {
  const { id } = await planned('Given up cakes');
  await beginTrial(id, 'no');
  for (const b of await bowlsOf(id)) await putAway(b.batchId, false);
  expect(await beginTrial(id, 'no')).toEqual({ ok: true });
  expect((await bowlsOf(id)).map((b) => b.putAway)).toEqual([true, true]);
});

test('a stand-in in a bowl is undone to the bowl’s own formula, and the bowl made again is made of it', async () => {
  const { id } = await planned('Swap cakes');
  await beginTrial(id, 'no');
  const open = await trialWithWays(id, await loadHouse());
  const other = open?.ways.find((w) => w.moved.length > 0)?.bowl;
  const bowl = (await bowlsOf(id)).find((b) => b.bowl === other)?.batchId ?? '';
  const before = await batchById(bowl);
  expect(await swapInBatch(bowl, 'l5', 'oat-drink', null, randomUUID())).toMatchObject({ ok: true });
  expect((await batchById(bowl))?.sheet.some((l) => l.name === 'Vegetable oil')).toBe(true);
  expect(await undoSwaps(bowl, null, randomUUID())).toMatchObject({ ok: true });
  const after = await batchById(bowl);
  expect(after?.sheet).toEqual(before?.sheet);
  expect(after && (await versionOfBatch(after))?.formula.entries.at(-1)?.text).toBe('70 g oil');
  const again = await makeAgain(bowl, randomUUID());
  const made = again.ok ? await batchById(again.id) : null;
  expect(made?.sheet.some((l) => l.name === 'Vegetable oil')).toBe(true);
  expect(made).toMatchObject({ trialId: null, tried: after?.tried });
});

test('told twice is told once; who mixed has no word; the last word of each counts; opened, nobody tastes', async () => {
  const { id } = await planned('Taste cakes');
  await beginTrial(id, 'no');
  const said = randomUUID();
  expect(await taste(id, 'Ann', ['A'], { id: said })).toEqual({ ok: true });
  expect(await taste(id, 'Ann', ['A'], { id: said })).toEqual({ ok: true });
  expect(await taste(id, ' marta', ['A'])).toMatchObject({
    ok: false,
    fields: { taster: 'Who mixed does not taste.' },
  });
  expect(await taste(id, 'Ben', ['B'], { tasted: ['A', 'C'], picked: [] })).toMatchObject({ ok: false });
  await taste(id, 'Ben', []);
  await taste(id, 'ann', ['B']);
  const ballots = await ballotsOf(id);
  expect(ballots).toHaveLength(3);
  expect(lastWords(ballots).map((b) => b.picked)).toEqual([['B'], []]);
  expect(tastedOf(['A', 'B'], ballots)).toMatchObject({ tasters: 2, none: 1, ahead: 'B' });
  expect((await trialById(id))?.tasters).toBe(2);
  expect(await openTrial(id)).toEqual({ ok: true });
  const at = (await trialById(id))?.openedAt;
  expect(await openTrial(id)).toEqual({ ok: true });
  expect((await trialById(id))?.openedAt).toEqual(at);
  expect(await taste(id, 'Cy', ['A'])).toMatchObject({ ok: false });
  // told before the letters opened, and sent again after: it is in
  expect(await taste(id, 'Ann', ['A'], { id: said })).toEqual({ ok: true });
});

test('what trials had is known to the next; given up it is gone, and its bowls stay', async () => {
  const { id, formulaId } = await planned('Had cakes');
  const house = await loadHouse();
  await beginTrial(id, 'no');
  await openTrial(id);
  const had = await hadSoFar(formulaId, await trialsOf(formulaId), house);
  expect(had.map((f) => f.entries.at(-1)?.text).sort()).toEqual(['70 g oil', '80 g butter, melted']);
  expect(await dropTrial(id)).toEqual({ ok: true });
  expect(await trialById(id)).toBeNull();
  expect(await bowlsOf(id)).toHaveLength(2);
});

test('who is erased stands by no name in a trial either', async () => {
  const person = { id: randomUUID(), name: 'Fern', role: 'cook' as const, mark: 'egg' as const, revision: null };
  await keepPerson(person);
  const { id } = await planned('Erased cakes', undefined, 'fern');
  const other = await planned('Other cakes');
  await taste(other.id, 'Fern', ['A'], { personId: person.id });
  await taste(other.id, 'Fernanda', ['A']);
  await erasePerson(person.id);
  expect((await trialById(id))?.plan?.maker).toBe('former helper 1');
  expect((await ballotsOf(other.id)).map((b) => b.taster)).toEqual(['former helper 1', 'Fernanda']);
});
