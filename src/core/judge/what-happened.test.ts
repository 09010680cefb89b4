/** What most likely happened: worked cases, laws, and held honest against batches made up by a generator of its own. */
import fc from 'fast-check';
import type { Mark } from '../batch/came-out';
import { FRESH_UNITS } from '../quantity/say';
import { heldHonest } from '../testing/held-honest';
import { madeUp, seeded } from '../testing/seen-mornings';
import { type AsMade, possibleOf } from './happenings';
import { AS_WANTED, likelihood, place } from './signs';
import { chanceSaid, isNamed, whatHappened } from './what-happened';

/** A batch made up of the tall school: 14 g of powder on 250 g of flour, nothing of it weighed or timed. */
function tall(): AsMade {
  const random = seeded(0.3);
  for (let n = 0; n < 50; n++) {
    const { made } = madeUp(random);
    if (made.school === 'tall') return made;
  }
  throw new Error('no tall batch among fifty');
}
const TALL = tall();
const POSSIBLE = possibleOf(TALL);
const POWDER = TALL.lines.findIndex((l) => l.parts.some((p) => p.ingredient.category === 'leavening'));
const weighed = (index: number): AsMade => ({
  ...TALL,
  lines: TALL.lines.map((l, n) => (n === index ? { ...l, weighed: true } : l)),
});

test('a formula in the middle of its zones stands as wanted, and a tenth of its powder is far below', () => {
  for (const q of ['lift', 'flow', 'colour', 'set', 'salt'] as const)
    expect(Math.abs(POSSIBLE.noted[place(q)] ?? 9)).toBeLessThan(0.6);
  const less = POSSIBLE.happenings.find((h) => h.id === `less:${POWDER}`);
  // ln 20 is 3.0; half a tall zone is 0.3 and less: beyond what is told apart
  expect(less?.sizes[0]?.z[place('lift')]).toBe(-4);
  expect(less?.planned).toBe(14);
});

test('dense, golden and as wide as wanted: the powder, too little of it or an old tin, as one group with its tests', () => {
  const h = whatHappened(POSSIBLE, { marks: ['flat'], scales: { crumb: 1, colour: 3, spread: 3 } }, FRESH_UNITS);
  const [first] = h?.groups ?? [];
  expect(first?.members.map((m) => m.id).sort()).toEqual([`less:${POWDER}`, 'old-tin']);
  expect(first?.share).toBeGreaterThan(0.8);
  expect(h && isNamed(h)).toBe(true);
  expect(first?.members.find((m) => m.id === 'old-tin')?.test).toMatch(/hot water/);
  expect(first?.members.find((m) => m.id !== 'old-tin')?.sizes).toMatch(/^\d.* to \d.* g instead of 14 g$/);
});

test('a test that was made parts what looked alike: the powder foamed, so it was too little; it did not, so it was the tin', () => {
  const seen = { marks: ['flat'] as readonly Mark[], scales: { crumb: 1, colour: 3, spread: 3 } };
  const share = (tested: Readonly<Record<string, boolean>>, id: string): number =>
    whatHappened(POSSIBLE, seen, FRESH_UNITS, null, tested)?.groups[0]?.members.find((m) => m.id === id)?.share ?? 0;
  const [tin, less] = [share({}, 'old-tin'), share({}, `less:${POWDER}`)];
  // nine times as likely by the test that showed it, a ninth by the one that did not
  const odds = (tested: Readonly<Record<string, boolean>>): number =>
    share(tested, 'old-tin') / share(tested, `less:${POWDER}`);
  expect(odds({ 'old-tin': true }) / (tin / less)).toBeCloseTo(9, 6);
  expect(odds({ 'old-tin': false }) / (tin / less)).toBeCloseTo(1 / 9, 6);
  expect(share({ 'old-tin': false }, `less:${POWDER}`)).toBeGreaterThan(0.75);
  expect(share({ 'old-tin': true }, 'old-tin')).toBeGreaterThan(0.75);
  const foamed = whatHappened(POSSIBLE, seen, FRESH_UNITS, null, { 'old-tin': false });
  expect(foamed?.groups[0]?.members.find((m) => m.id === 'old-tin')?.tested).toBe(false);
});

test('brown outside and raw within: the heat, by degrees of the house', () => {
  const seen = { marks: ['gummy', 'dark'] as readonly Mark[], scales: {} };
  const [first] = whatHappened(POSSIBLE, seen, FRESH_UNITS)?.groups ?? [];
  expect(first?.members.map((m) => m.id)).toEqual(['hot']);
  expect(first?.members[0]?.sizes).toMatch(/°C$/);
  const [inF] = whatHappened(POSSIBLE, seen, { weight: 'g', temperature: 'F' })?.groups ?? [];
  expect(inF?.members[0]?.sizes).toMatch(/°F$/);
});

test('what was weighed, probed, timed or noted is less likely to be what was wrong', () => {
  const seen = { marks: ['flat'] as readonly Mark[], scales: {} };
  const share = (made: AsMade, id: string): number =>
    whatHappened(possibleOf(made), seen, FRESH_UNITS)
      ?.groups.flatMap((g) => g.members)
      .find((m) => m.id === id)?.share ?? 0;
  expect(share(weighed(POWDER), `less:${POWDER}`)).toBeLessThan(0.4 * share(TALL, `less:${POWDER}`));
  expect(share(weighed(POWDER), 'old-tin')).toBeGreaterThan(share(TALL, 'old-tin'));
  const pale = { marks: ['pale'] as readonly Mark[], scales: {} };
  const early = (timed: number | null): number =>
    whatHappened(POSSIBLE, pale, FRESH_UNITS, timed)
      ?.groups.flatMap((g) => g.members)
      .find((m) => m.id === 'early')?.share ?? 0;
  expect(early(1)).toBeLessThan(early(null));
  expect(early(0.6)).toBeGreaterThan(early(null));
});

test('a portion that was planned twice as large makes gummy by itself, and no slip is named for it', () => {
  const seen = { marks: ['gummy'] as readonly Mark[], scales: { colour: 3 } };
  const planned = whatHappened(possibleOf({ ...TALL, portion: 2 }), seen, FRESH_UNITS);
  expect(planned?.asNoted).toBeGreaterThan(2 * (whatHappened(POSSIBLE, seen, FRESH_UNITS)?.asNoted ?? 1));
  expect(planned && isNamed(planned)).toBe(false);
});

test('nothing marked, and marks of no quality, are no evidence', () => {
  expect(whatHappened(POSSIBLE, { marks: [], scales: {} }, FRESH_UNITS)).toBeNull();
  expect(whatHappened(POSSIBLE, { marks: ['first-poor'], scales: { edge: 1 } }, FRESH_UNITS)).toBeNull();
  expect(likelihood({ marks: ['first-poor'], scales: {} }, AS_WANTED)).toBe(1);
});

test('law: shares are of one whole, ranges lie among the sizes, and nobody is named in an even field', () => {
  const marks = fc.subarray(['flat', 'pale', 'dark', 'gummy', 'dry', 'tough', 'ran', 'stuck', 'greasy'] as Mark[]);
  const step = fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined });
  fc.assert(
    fc.property(marks, step, step, step, (told, colour, crumb, spread) => {
      const scales = {
        ...(colour !== undefined && { colour }),
        ...(crumb !== undefined && { crumb }),
        ...(spread !== undefined && { spread }),
      };
      const h = whatHappened(POSSIBLE, { marks: told, scales }, FRESH_UNITS);
      if (!h) return expect([told.length, Object.keys(scales).length]).toEqual([0, 0]);
      const all = h.asNoted + h.groups.reduce((a, g) => a + g.share, 0);
      expect(all).toBeGreaterThan(0);
      expect(all).toBeLessThanOrEqual(1 + 1e-9);
      for (const m of h.groups.flatMap((g) => g.members)) {
        const sizes = POSSIBLE.happenings.find((x) => x.id === m.id)?.sizes.map((s) => s.at) ?? [];
        expect(m.range[0]).toBeGreaterThanOrEqual(Math.min(...sizes) - 1e-9);
        expect(m.range[1]).toBeLessThanOrEqual(Math.max(...sizes) + 1e-9);
      }
      return expect(isNamed(h) && h.asNoted > 0.12).toBe(false);
    }),
  );
});

test('a share is said as a cook says it', () => {
  expect([0.04, 0.52, 0.78, 0.97].map(chanceSaid)).toEqual([
    'about 1 in 10',
    'about 5 in 10',
    'about 8 in 10',
    'almost surely',
  ]);
});

test('held honest on batches made up: near what can be known, better than the table, and few good batches accused', () => {
  const h = heldHonest({ batches: 900, draws: 900, seed: 0.42 });
  expect(h.slipped).toBeGreaterThan(330);
  expect(h.ceiling - h.first).toBeLessThan(0.05);
  expect(h.first - h.byTable).toBeGreaterThan(0.1);
  expect(h.sizesIn).toBeGreaterThan(0.72);
  expect(h.sizesIn).toBeLessThan(0.88);
  expect(h.accused).toBeLessThan(0.06);
});
