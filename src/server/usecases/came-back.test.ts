/**
 * What an outcome asked to change: offered, tried by the next batch, judged; put off and taken up again. On the real
 * database.
 */

import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { cameOf, trendOf } from '@/core/judge/came-back';
import { heldAgainst, NO_TARGET, scoreOf } from '@/core/judge/target';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { writeOutcome } from '../queries/batches';
import { answerChange, lastMakings, makingsOf, triedBy } from '../queries/came-back';
import { formulaShelf, formulaState, saveVersion } from '../queries/formulas';
import { saveTarget, targetOf } from '../queries/targets';
import { putAway } from './change-batch';
import { startTogether } from './headcount';

const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Lock cakes',
  entries: ['250 g flour', '10 g baking powder', '3 g salt', '350 g milk', '2 eggs', '30 g oil'].map((text, n) => ({
    key: `l${n + 1}`,
    text,
  })),
};
let formulaId = '';
let versionId = '';
beforeAll(async () => {
  await ownDatabase('came_back_kitchen');
  const saved = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: FORMULA,
    changeNote: '',
  });
  if (!saved.ok) throw new Error(saved.message);
  ({ versionId, formulaId } = saved.saved);
});
afterAll(closePool);

async function begun(): Promise<string> {
  const s = await startTogether({
    versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 60,
    bags: [],
    take: 'no',
    requestId: null,
  });
  if (!s.ok) throw new Error(s.message);
  return s.id;
}
const outcome = { pieces: 12, firstSideS: 100, secondSideS: 60, marks: [] as string[], note: '', scales: {}, waste: 0 };
const nextOnShelf = async () => (await formulaShelf({}, 10)).rows[0]?.nextTime ?? null;

test('offered, tried by the next batch, and judged by both verdicts', async () => {
  const first = await begun();
  expect(await triedBy(first)).toBeNull();
  await writeOutcome(first, { ...outcome, verdict: 'fair', marks: ['gummy'], change: 'Less liquid.' });
  expect((await formulaState(formulaId))?.next).toMatchObject({ batchId: first, change: 'Less liquid.', state: null });
  expect(await nextOnShelf()).toBe('Less liquid.');

  // a batch begun before anybody says so tries nothing
  const between = await begun();
  expect(await triedBy(between)).toBeNull();
  await putAway(between, false);

  expect(await answerChange(first, 'tried')).toEqual({ ok: true, was: null });
  expect((await formulaState(formulaId))?.next?.state).toBe('tried');
  const second = await begun();
  expect(await triedBy(second)).toMatchObject({
    batchId: first,
    change: 'Less liquid.',
    verdict: 'fair',
    marks: ['gummy'],
  });
  await writeOutcome(second, { ...outcome, verdict: 'good', change: '' });
  const makings = await makingsOf(formulaId);
  expect(makings.map((m) => [m.batchId, m.tries, m.verdict])).toEqual([
    [second, first, 'good'],
    [first, null, 'fair'],
  ]);
  const [after, before] = makings;
  expect(before && after && cameOf(before, after)).toBe('better');
  expect(trendOf(await lastMakings(30))).toMatchObject({
    makings: 2,
    verdicts: { good: 1, fair: 1 },
    yieldPct: expect.any(Number),
  });
  // the newest asks nothing
  expect((await formulaState(formulaId))?.next).toBeNull();
});

test('put off and done it is offered no more; taken up it is; another change is a new one', async () => {
  const third = await begun();
  await writeOutcome(third, { ...outcome, verdict: 'good', change: 'Ten minutes of rest, covered.' });
  expect(await answerChange(third, 'not-now')).toEqual({ ok: true, was: null });
  expect((await formulaState(formulaId))?.next).toBeNull();
  expect(await nextOnShelf()).toBeNull();
  expect(await triedBy(await begun())).toBeNull();
  expect(await answerChange(third, 'done')).toEqual({ ok: true, was: 'not-now' });
  expect(await answerChange(third, null)).toEqual({ ok: true, was: 'done' });
  expect((await formulaState(formulaId))?.next?.change).toBe('Ten minutes of rest, covered.');
  await answerChange(third, 'done');
  await writeOutcome(third, {
    ...outcome,
    verdict: 'good',
    note: 'a little pale',
    change: 'Ten minutes of rest, covered.',
  });
  expect((await formulaState(formulaId))?.next).toBeNull();
  await writeOutcome(third, { ...outcome, verdict: 'good', change: 'A hotter griddle.' });
  expect((await formulaState(formulaId))?.next).toMatchObject({ change: 'A hotter griddle.', state: null });
});

test('there is nothing to say of a batch that asks nothing, or of none', async () => {
  const quiet = await begun();
  await writeOutcome(quiet, { ...outcome, verdict: 'good', change: '  ' });
  expect(await answerChange(quiet, 'tried')).toMatchObject({ ok: false });
  expect(await answerChange('00000000-0000-4000-8000-00000000dead', 'tried')).toMatchObject({ ok: false });
});

test('a target is kept once for a formula, by two screens at once too, and three makings are held against it', async () => {
  expect(await targetOf(formulaId)).toEqual({ target: NO_TARGET, revision: 0 });
  const opened = { revision: 0, base: NO_TARGET };
  const wants = { ...NO_TARGET, formulaId };
  // the first target of a formula, said by two screens of different things: both stand
  const both = await Promise.all([
    saveTarget({ ...wants, scales: { crumb: 4 } }, opened),
    saveTarget({ ...wants, heightMm: 18, note: 'As at the mill.' }, opened),
  ]);
  expect(both.map((b) => b.ok)).toEqual([true, true]);
  const now = await targetOf(formulaId);
  expect(now).toEqual({
    target: { scales: { crumb: 4 }, heightMm: 18, acrossMm: null, note: 'As at the mill.' },
    revision: 2,
  });
  // the same thing, otherwise: asked
  const clash = await saveTarget({ ...wants, scales: { crumb: 2 } }, opened);
  expect(clash).toMatchObject({ ok: false, conflict: { revision: 2, clashes: [{ path: 'scales.crumb' }] } });
  expect((await targetOf(formulaId)).revision).toBe(2);
  expect(await saveTarget({ ...wants, formulaId: crypto.randomUUID() }, null)).toMatchObject({ ok: false });

  const made: string[] = [];
  for (const [crumb, heightMm] of [
    [2, 12],
    [3, 15],
    [4, 18],
  ] as const) {
    const b = await begun();
    await writeOutcome(b, { ...outcome, verdict: 'good', scales: { crumb }, heightMm });
    made.push(b);
  }
  const makings = (await makingsOf(formulaId)).filter((m) => made.includes(m.batchId));
  // crumb two steps off 50 %, 12 of 18 mm 33 %; one off 75 %, 15 of 18 mm 67 %; met
  expect(makings.map((m) => Math.round(scoreOf(now.target, m).pct ?? -1))).toEqual([100, 71, 42]);
  expect(heldAgainst(now.target, makings)).toMatchObject({ course: 'nearer', score: { pct: 100, judged: 2 } });
});

test('a griddle that cools is told by the taps: the last third lay longer than the first', async () => {
  const b = await begun();
  // six pieces a minute apart, the first two turned after 100 s, the last two after 130 s
  for (const [n, s] of [100, 100, 110, 110, 130, 130].entries())
    for (const [act, at] of [
      ['pour', 60 * n],
      ['flip', 60 * n + s],
    ] as const)
      await query(
        "insert into batch_taps (id, batch_id, piece, act, surface, slot, at) values (gen_random_uuid(), $1, $2, $3, 'g', 0, timestamptz '2026-11-20 08:00Z' + make_interval(secs => $4))",
        [b, n + 1, act, at],
      );
  await writeOutcome(b, { ...outcome, verdict: 'good' });
  expect((await makingsOf(formulaId)).find((m) => m.batchId === b)?.driftS).toBe(30);
  expect((await makingsOf(formulaId)).find((m) => m.batchId !== b)?.driftS).toBeNull();
});
