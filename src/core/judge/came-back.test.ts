/** What makings taught: a change judged by the two verdicts, and what many makings say together. Numbers by hand. */
import fc from 'fast-check';
import { VERDICTS } from '../batch/batch';
import { CHARTED, cameOf, chartedOf, type Making, marksMoved, stepOf, trendOf } from './came-back';
import { CAUSES } from './causes';
import { moveOfChange } from './move-of-change';

const making = (m: Partial<Making>): Making => ({
  batchId: 'b',
  version: 1,
  at: new Date('2026-05-02T08:00:00Z'),
  verdict: null,
  marks: [],
  pieces: null,
  planned: null,
  waste: null,
  firstS: null,
  secondS: null,
  driftS: null,
  scales: {},
  heightMm: null,
  acrossMm: null,
  change: '',
  state: null,
  tries: null,
  ...m,
});

test('a change that the Bench can make is known by its words, others are not', () => {
  expect(moveOfChange('Less liquid.')).toBe('thicker');
  expect(moveOfChange('  less LIQUID ')).toBe('thicker');
  expect(moveOfChange('Less heat, and longer.')).toBeNull();
  expect(moveOfChange('')).toBeNull();
  for (const c of CAUSES.filter((x) => x.move)) expect(moveOfChange(c.change)).not.toBeNull();
});

test('a change is judged by the verdicts before and after; without both it is not', () => {
  expect(cameOf({ verdict: 'fair' }, { verdict: 'good' })).toBe('better');
  expect(cameOf({ verdict: 'good' }, { verdict: 'good' })).toBe('the same');
  expect(cameOf({ verdict: 'best' }, { verdict: 'poor' })).toBe('worse');
  expect(cameOf({ verdict: null }, { verdict: 'poor' })).toBeNull();
  expect(marksMoved({ marks: ['gummy', 'pale'] }, { marks: ['pale', 'tore'] })).toEqual({
    gone: ['gummy'],
    come: ['tore'],
  });
});

test('six makings: 2 good, 1 best, 3 fair; the later half is two thirds of a step better', () => {
  const at = (d: number) => new Date(Date.UTC(2026, 4, d));
  const t = trendOf([
    making({ at: at(6), verdict: 'best', pieces: 12, planned: 12, waste: 0, firstS: 100 }),
    making({ at: at(5), verdict: 'fair', pieces: 9, planned: 12, waste: 3, firstS: 110 }),
    making({ at: at(4), verdict: 'good', pieces: 24, planned: 20, waste: 1, firstS: 90, secondS: 60 }),
    making({ at: at(3), verdict: 'fair' }),
    making({ at: at(2), verdict: 'good', pieces: 10 }),
    making({ at: at(1), verdict: 'fair' }),
  ]);
  // later: good 2, fair 1, best 3 = 6/3; earlier: fair 1, good 2, fair 1 = 4/3
  expect(t).toMatchObject({
    makings: 6,
    verdicts: { best: 1, good: 2, fair: 3 },
    yieldPct: 100,
    firstS: 100,
    secondS: 60,
  });
  expect(t.drift).toBeCloseTo(2 / 3, 9);
  // 4 thrown away of 12 + 0 + 9 + 3 + 24 + 1
  expect(t.wastePct).toBeCloseTo((100 * 4) / 49, 9);
});

test('few makings show no drift, and none show nothing', () => {
  expect(trendOf([])).toEqual({
    makings: 0,
    verdicts: {},
    yieldPct: null,
    wastePct: null,
    firstS: null,
    secondS: null,
    driftS: null,
    drift: null,
  });
  expect(
    trendOf([making({ verdict: 'good' }), making({ verdict: 'poor' }), making({ verdict: 'best' })]).drift,
  ).toBeNull();
});

test('the order makings come in changes nothing, and no drift is more than the steps there are', () => {
  const any = fc.array(
    fc.record({
      day: fc.nat(3000),
      verdict: fc.option(fc.constantFrom(...VERDICTS), { nil: null }),
      pieces: fc.option(fc.nat(50), { nil: null }),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(any, (rows) => {
      const ms = rows.map((r, n) =>
        making({ at: new Date(r.day * 86_400_000 + n), verdict: r.verdict, pieces: r.pieces, planned: 20 }),
      );
      const t = trendOf(ms);
      expect(trendOf([...ms].reverse())).toEqual(t);
      if (t.drift !== null) expect(Math.abs(t.drift)).toBeLessThanOrEqual(stepOf('best') - stepOf('poor'));
    }),
  );
});

test('a making by each of what it is looked at, and a griddle that cools', () => {
  const m = making({ verdict: 'good', pieces: 18, planned: 20, waste: 2, firstS: 95, driftS: 12 });
  // two of twenty thrown away, eighteen of twenty planned
  expect(CHARTED.map((c) => chartedOf(m, c))).toEqual([stepOf('good'), 90, 10, 95, 12]);
  expect(CHARTED.map((c) => chartedOf(making({}), c))).toEqual([null, null, null, null, null]);
  expect(trendOf([m, making({ driftS: 20 }), making({ driftS: 4 })]).driftS).toBe(12);
});
