import { KIND_IDS } from '../formula/kinds';
import { faultsIn, marksInWords, marksOf, SCALES, STEPS } from './came-out';

test('law: what was seen is said once: a mark is a word to tap or the end of a drawn scale, never both, and none is lost', () => {
  for (const kind of KIND_IDS) {
    const drawn = SCALES.flatMap((id) => STEPS.flatMap((step) => faultsIn({ [id]: step }, kind)));
    const words = marksInWords(kind);
    expect(words.filter((m) => drawn.includes(m))).toEqual([]);
    expect(marksOf(kind).filter((m) => !words.includes(m) && !drawn.includes(m))).toEqual([]);
  }
  expect(marksInWords('griddle')).not.toContain('pale');
  expect(marksInWords('griddle')).toEqual(expect.arrayContaining(['gummy', 'tough', 'stuck']));
});
