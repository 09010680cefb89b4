/** Judging: what a batch's own numbers make likelier. */
import { analyse } from '../analyse';
import { MOVES } from '../balance/moves';
import { MARKS } from '../batch/batch';
import { linesOf } from '../testing/formulas';
import { CAUSES, causesOf, type Judged } from './diagnose';

const judged = (texts: readonly string[], more: Partial<Judged> = {}): Judged => ({
  kind: 'griddle',
  analysis: analyse(linesOf(...texts), 'griddle', 'even'),
  portionMl: 60,
  usualPortion: [60, 60],
  firstS: null,
  secondS: null,
  usual: { first: 140, second: 90 },
  ...more,
});
const PLAIN = ['250 g flour', '25 g sugar', '4 g salt', '10 g baking powder', '430 g milk', '2 eggs', '40 g butter'];

test('nothing spoken for: the usual first cause, and a share of what could be', () => {
  const causes = causesOf('tough', judged(PLAIN));
  expect(causes[0]).toMatchObject({ cause: 'Mixed too far', evidence: null });
  expect(causes.length).toBeLessThanOrEqual(3);
  expect(causes.reduce((a, c) => a + c.share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  expect(causesOf('tall', judged(PLAIN))).toEqual([]);
});

test("the batch's own numbers bring a cause to the front, and are shown", () => {
  const lean = judged(['250 g flour', '25 g sugar', '4 g salt', '10 g baking powder', '500 g skim milk', '1 egg']);
  expect(causesOf('tough', lean)[0]).toMatchObject({ cause: 'Too little fat', evidence: expect.stringMatching(/^fat \d/), move: 'tender' });
  const soda = judged(['250 g flour', '25 g sugar', '4 g salt', '6 g baking soda', '430 g milk', '2 eggs', '40 g butter']);
  expect(causesOf('soapy', soda)[0]).toMatchObject({ cause: 'Soda left over', evidence: expect.stringContaining('finds no acid') });
  // without soda that is left it is hardly that
  expect(causesOf('soapy', judged(PLAIN))[0]?.cause).toBe('Leavening not spread');
  const big = judged(PLAIN, { portionMl: 118, firstS: 80 });
  expect(
    causesOf('gummy', big)
      .map((c) => c.cause)
      .slice(0, 2),
  ).toEqual(['Portion too large', 'Too hot: brown before it was set']);
  expect(causesOf('gummy', big)[0]?.evidence).toBe('portions of 118 ml, usually 60 ml');
  expect(causesOf('gummy', big)[1]?.evidence).toBe('first side 1:20, usually about 2:20');
  expect(causesOf('dark', judged(PLAIN, { firstS: 200 }))[0]?.cause).not.toBe('Too hot');
  // foam is only knocked out of what has some
  expect(causesOf('flat', judged(PLAIN)).some((c) => c.cause === 'Foam knocked out')).toBe(false);
});

test('every fault has causes, every wish is one of the Bench', () => {
  for (const m of MARKS) expect([m, causesOf(m, judged(PLAIN)).length > 0]).toEqual([m, m !== 'tall' && m !== 'tender']);
  const wishes = new Set(MOVES.map((m) => m.id));
  for (const c of CAUSES) if (c.move) expect(wishes.has(c.move)).toBe(true);
});
