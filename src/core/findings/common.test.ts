/** What is said of common formulas and of faulty ones: calm on the good, loud on the bad. */
import { analyse } from '../analyse';
import { COMMON } from '../testing/common';
import { FAULTY } from '../testing/faulty';
import { linesOf } from '../testing/formulas';

// that honey is not for infants is said of any batter, and is no fault
const told = (c: (typeof COMMON)[number]): readonly string[] =>
  analyse(linesOf(...c.lines), c.kind, c.school)
    .findings.filter((f) => f.code !== 'honey-infant')
    .map((f) => `${f.code}:${f.severity}`);

test.each(COMMON.map((c) => [c.name, c] as const))(
  '%s: all read, and what is said is what a cook would say',
  (_name, c) => {
    const lines = linesOf(...c.lines);
    expect(lines.filter((l) => l.use === 'batter' && l.grams === null).map((l) => l.text)).toEqual([]);
    expect(told(c)).toEqual(c.said);
  },
);

test('of a hundred and more that cooks call fine, 57 in 60 are without a look and 52 wholly calm', () => {
  const all = COMMON.map(told);
  expect(all.length).toBeGreaterThan(200);
  expect(all.filter((f) => f.every((x) => x.endsWith(':note'))).length / all.length).toBeGreaterThanOrEqual(57 / 60);
  expect(all.filter((f) => f.length === 0).length / all.length).toBeGreaterThanOrEqual(52 / 60);
});

test.each(FAULTY.map((f) => [f.name, f] as const))('%s is told', (_name, f) => {
  const found = analyse(linesOf(...f.lines), f.kind, f.school).findings.find((x) => x.code === f.code);
  expect(found).toBeDefined();
  if (f.gross) expect(found?.severity).not.toBe('note');
});
