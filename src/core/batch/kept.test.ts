/**
 * What is kept: how long it is good, how it is packed, labelled and brought back; and books that add up. Days by hand
 * from our table.
 */
import fc from 'fast-check';
import { KIND_IDS } from '../formula/kinds';
import {
  bestByOf,
  COOKED,
  goodDays,
  KEPT_STATES,
  type KeptLot,
  keptLabels,
  keptWords,
  leftOf,
  leftoverMakes,
  minutesSaid,
  packingOf,
  reheatsOf,
  toUseFirst,
} from './kept';

const lot = (l: Partial<KeptLot> = {}): KeptLot => ({
  id: 'k',
  number: 3,
  batchId: null,
  formulaId: null,
  name: 'Iron-shed waffles',
  kind: 'waffle',
  state: 'frozen',
  cooked: 'early',
  pieces: 20,
  left: 20,
  parcel: 6,
  place: 'chest freezer',
  made: '2026-11-26',
  bestBy: '2027-01-25',
  note: '',
  who: '',
  ...l,
});

test('two months frozen, one for foam and puff, two days chilled, batter until tomorrow', () => {
  expect(bestByOf('2026-11-26', 'frozen', 'waffle')).toBe('2027-01-25');
  expect(bestByOf('2026-11-26', 'frozen', 'foam')).toBe('2026-12-26');
  expect(bestByOf('2026-12-30', 'chilled', 'crepe')).toBe('2027-01-01');
  expect(bestByOf('2028-02-28', 'batter', 'griddle')).toBe('2028-02-29');
  for (const k of KIND_IDS) expect(goodDays('frozen', k)).toBeGreaterThan(goodDays('chilled', k));
});

test('twenty in parcels of six are four labels: 6, 6, 6, 2; singly wrapped they are one', () => {
  const labels = keptLabels(lot(), (d) => d, ['Contains egg, milk, wheat.']);
  expect(labels.map((l) => l.sub)).toEqual([
    'K-3: 6 waffles, frozen, 1 of 4',
    'K-3: 6 waffles, frozen, 2 of 4',
    'K-3: 6 waffles, frozen, 3 of 4',
    'K-3: 2 waffles, frozen, 4 of 4',
  ]);
  expect(labels[0]?.body[0]).toBe('Made 2026-11-26. Best by 2027-01-25.');
  expect(labels[0]?.body).toContain('Contains egg, milk, wheat.');
  expect(keptLabels(lot({ parcel: null }), (d) => d, []).map((l) => l.sub)).toEqual(['K-3: 20 waffles, frozen']);
  expect(
    keptLabels(lot({ state: 'batter', cooked: 'raw', parcel: null, kind: 'crepe', pieces: 1 }), (d) => d, [])[0]?.sub,
  ).toBe('K-3: batter for 1 crepe');
});

test('waffles taken early go twice through the toaster, and longer; an oven pancake does not puff again', () => {
  const [early] = reheatsOf(lot());
  const [done] = reheatsOf(lot({ cooked: 'done' }));
  expect(early).toMatchObject({ by: 'toaster', minutes: [3, 5] });
  expect(done).toMatchObject({ by: 'toaster', minutes: [2, 4] });
  expect(reheatsOf(lot({ kind: 'oven', cooked: 'done' }))).toEqual([
    expect.objectContaining({ how: 'On a tray. It does not puff a second time.' }),
  ]);
  expect(minutesSaid([2, 2])).toBe('2 min');
  expect(minutesSaid([3, 5])).toBe('3 to 5 min');
});

test('whatever is kept has a way back, a way to pack it, and what is chilled comes back no slower than what is frozen', () => {
  for (const kind of KIND_IDS)
    for (const state of KEPT_STATES)
      for (const cooked of COOKED) {
        expect(reheatsOf({ kind, state, cooked }).length).toBeGreaterThan(0);
        expect(packingOf({ state, parcel: 4 }).length).toBeGreaterThan(0);
        for (const [n, r] of reheatsOf({ kind, state: 'chilled', cooked }).entries()) {
          const frozen = reheatsOf({ kind, state: 'frozen', cooked })[n];
          expect(r.minutes[1]).toBeLessThanOrEqual(frozen?.minutes[1] ?? 0);
        }
      }
});

test('what is left and what went are all there was; what was taken back did not go', () => {
  const use = fc.record({
    pieces: fc.integer({ min: 1, max: 50 }),
    undoneAt: fc.option(fc.constant(new Date(0)), { nil: null }),
  });
  fc.assert(
    fc.property(fc.nat(2000), fc.array(use), (all, uses) => {
      const went = uses.filter((u) => u.undoneAt === null).reduce((a, u) => a + u.pieces, 0);
      expect(leftOf(all, uses) + went).toBe(all);
    }),
  );
});

test('that which is best by the earliest day is used first; what is used up is on no list', () => {
  const a = lot({ id: 'a', bestBy: '2027-01-02' });
  const b = lot({ id: 'b', bestBy: '2026-12-02' });
  const c = lot({ id: 'c', bestBy: '2026-11-02', left: 0 });
  expect(toUseFirst([a, b, c]).map((l) => l.id)).toEqual(['b', 'a']);
  expect(keptWords(a, 1)).toBe('1 waffle');
});

test('what kept batter makes: as it was while it has its rise, something else or a pinch of powder when it has not', () => {
  expect(leftoverMakes('griddle', 90)).toEqual([
    'Griddle cakes, a little flatter.',
    'Thinned with about a fifth of its weight in its own liquid: crepes.',
  ]);
  expect(leftoverMakes('griddle', 40)).toHaveLength(3);
  expect(leftoverMakes('griddle', null)).toEqual(leftoverMakes('griddle', 0));
  expect(leftoverMakes('waffle', 40).some((m) => /iron/.test(m))).toBe(false);
  for (const k of KIND_IDS)
    for (const pct of [null, 20, 95]) expect(leftoverMakes(k, pct).join(' ')).toMatch(/^[A-Z].*\.$/);
});
