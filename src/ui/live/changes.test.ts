/** Which pages are drawn anew for which change. */
import { pageShows } from './changes';

test.each([
  ['/', 'batches', true],
  ['/', 'sides', false],
  ['/pantry/flour-rye', 'pantry', true],
  ['/pantry/flour-rye', 'batch:1', false],
  ['/formulas/f1', 'formulas', true],
  ['/formulas/f1', 'premix', false],
  ['/formulas/f1/plan', 'premix', true],
  ['/batches/b1/outcome', 'batch:b1', true],
  ['/batches/b1/outcome', 'batch:b2', false],
  // these follow their batch themselves
  ['/batches/b1/griddle', 'batch:b1', false],
  ['/log', 'photos', true],
  ['/kept/k1', 'kept', true],
] as const)('%s is drawn anew for %s: %s', (path, thing, is) => {
  expect(pageShows(path, thing)).toBe(is);
});
