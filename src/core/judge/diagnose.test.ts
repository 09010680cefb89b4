/** Judging: what a batch's own numbers make likelier. */
import { analyse } from '../analyse';
import { MOVES } from '../balance/moves';
import { MARKS } from '../batch/batch';
import { linesOf } from '../testing/formulas';
import { CAUSES, causesOf, faultsIn, type Judged } from './diagnose';

const judged = (texts: readonly string[], more: Partial<Judged> = {}): Judged => ({
  kind: 'griddle',
  analysis: analyse(linesOf(...texts), 'griddle', 'even'),
  portionMl: 60,
  usualPortion: [60, 60],
  firstS: null,
  secondS: null,
  usual: { first: 140, second: 90 },
  batterC: 22,
  heatC: null,
  heatZone: [165, 190],
  restMin: null,
  usualRestMin: 10,
  turns: null,
  usualTurns: 16,
  heldMin: null,
  units: { temperature: 'C' },
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

test('what was read and counted speaks: temperatures, turns, minutes', () => {
  const first = (mark: (typeof MARKS)[number], more: Partial<Judged>) => causesOf(mark, judged(PLAIN, more))[0];
  expect(first('gummy', { heatC: 198 })).toMatchObject({ cause: 'Too hot: brown before it was set', evidence: 'surface 198 °C, of 165 °C to 190 °C' });
  expect(first('gummy', { batterC: 6, heatC: 180, portionMl: 60 })).toMatchObject({ cause: 'Batter cold', evidence: 'batter at 6 °C' });
  expect(first('pale', { heatC: 150, units: { temperature: 'F' } })).toMatchObject({ cause: 'Too cool', evidence: 'surface 302 °F, of 329 °F to 374 °F' });
  expect(first('tough', { turns: 40 })).toMatchObject({ cause: 'Mixed too far', evidence: '40 turns, 16 are enough' });
  expect(first('tough', { turns: 14, restMin: 2 })).toMatchObject({ cause: 'No rest', evidence: 'it stood 2 min, usually 10' });
  expect(first('dry', { heldMin: 41 })).toMatchObject({ cause: 'Held too long', evidence: 'held 41 min' });
});

test('the ends of the drawn scales are faults by the words of the log', () => {
  expect(faultsIn({ colour: 1, crumb: 1, taste: 5, spread: 5 })).toEqual(['pale', 'flat', 'soapy']);
  expect(faultsIn({ colour: 3, crumb: 3 })).toEqual([]);
});
