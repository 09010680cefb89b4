import { analyse } from '../analyse';
import { COMMON } from '../testing/common';
import { linesOf } from '../testing/formulas';

test.each(COMMON.map((c) => [c.name, c] as const))('%s come out calm', (_name, c) => {
  const lines = linesOf(...c.lines);
  expect(lines.filter((l) => l.use === 'batter' && l.grams === null).map((l) => l.text)).toEqual([]);
  // that buckwheat has no gluten and honey is not for infants is said of any batter: a note, and no fault
  const found = analyse(lines, c.kind, c.school).findings.filter((f) => f.code !== 'no-gluten' && f.code !== 'honey-infant');
  expect(found.map((f) => `${f.code}: ${f.message}`)).toEqual([]);
});
