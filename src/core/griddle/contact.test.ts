import fc from 'fast-check';
import { contactsOf, type LayThere } from './contact';

const WHEAT: LayThere = {
  batchId: 'b1',
  batch: 'Regatta cakes',
  surface: 'g1',
  lastAt: 1000,
  held: ['wheat', 'egg', 'milk'],
};

test('a batch without wheat is told by name what wheat lay where it is poured, until that is noted as cleaned', () => {
  expect(contactsOf(['egg', 'milk'], ['g1', 'g2'], [WHEAT], {})).toEqual([
    { surface: 'g1', batchId: 'b1', batch: 'Regatta cakes', allergens: ['wheat'] },
  ]);
  expect(contactsOf(['egg', 'milk'], ['g2'], [WHEAT], {})).toEqual([]);
  expect(contactsOf(['egg', 'milk'], ['g1'], [WHEAT], { g1: 1001 })).toEqual([]);
  expect(contactsOf(['egg', 'milk'], ['g1'], [WHEAT], { g1: 999 })).toHaveLength(1);
  expect(contactsOf(['wheat', 'egg', 'milk'], ['g1'], [WHEAT], {})).toEqual([]);
});

test('law: no place is offered without every allergen that touched it and is not on the notice', () => {
  const names = fc.subarray(['wheat', 'egg', 'milk', 'sesame', 'tree nuts']);
  const lay = fc.array(
    fc.record({
      batchId: fc.constantFrom('b1', 'b2'),
      batch: fc.constant('Cakes'),
      surface: fc.constantFrom('g1', 'g2'),
      lastAt: fc.nat(100),
      held: names,
    }),
  );
  fc.assert(
    fc.property(names, lay, fc.nat(100), (own, all, clean) => {
      const told = contactsOf(own, ['g1'], all, { g1: clean });
      for (const l of all)
        for (const a of l.held)
          if (l.surface === 'g1' && l.lastAt >= clean && !own.includes(a))
            expect(told.some((t) => t.batchId === l.batchId && t.allergens.includes(a))).toBe(true);
      for (const t of told) for (const a of t.allergens) expect(own).not.toContain(a);
    }),
  );
});
