import { randomLcg, randomNormal } from 'd3-random';
import { surfaceOf } from '../batter/surface';
import type { Gear } from '../pantry/gear';
import type { Tap } from './board';
import { drawnPlaces, factorAt, placeAdvice, type TimedPiece, timedPieces } from './places';

const GRIDDLE: Gear = { id: 'long', sort: 'griddle', name: 'Long griddle', wideCm: 90, deepCm: 45 };
const surfaceFor = (acrossCm: number) => {
  const s = surfaceOf(GRIDDLE, 'griddle', acrossCm);
  if (!s) throw new Error('nothing fits');
  return s;
};

/** A griddle that is cool at the left: 20 % longer there, and 10 % shorter at the right. */
const truth = (x: number): number => 1.2 - (0.3 * x) / 90;

/** Batches of two widths on it, by taps of a cook who turns by the look. */
function batches(many: number, spread: number, at = truth): readonly TimedPiece[] {
  const normal = randomNormal.source(randomLcg(0.4))(0, 1);
  return Array.from({ length: many }, (_, b) => {
    const surface = surfaceFor(b % 2 === 0 ? 10 : 12.5);
    const taps: Tap[] = [];
    for (let n = 0; n < 2 * surface.slots.length; n++) {
      const slot = n % surface.slots.length;
      const load = Math.floor(n / surface.slots.length);
      const base = (100 + 15 * b) * (load === 0 ? 1.1 : 1);
      const firstS = base * at(surface.slots[slot]?.x ?? 0) * Math.exp(spread * normal());
      const pouredAt = 1e6 * load + 5000 * n;
      const tap = { piece: n + 1, surface: 'long', slot };
      taps.push(
        { ...tap, id: `${b} ${n} p`, act: 'pour', at: pouredAt },
        { ...tap, id: `${b} ${n} f`, act: 'flip', at: pouredAt + 1000 * firstS },
      );
    }
    return timedPieces(`b${b}`, taps, surface);
  }).flat();
}

test('batches of any width draw the same griddle: cool at the left, hot at the right, the first load slower', () => {
  const drawn = drawnPlaces(batches(6, 0.05), GRIDDLE);
  expect(drawn).toMatchObject({ batches: 6, offered: true });
  if (!drawn) return;
  // against the middle of the griddle, 1.05
  expect(factorAt(drawn.map, 12, 22)).toBeCloseTo(truth(12) / 1.05, 1);
  expect(factorAt(drawn.map, 78, 22)).toBeCloseTo(truth(78) / 1.05, 1);
  expect(factorAt(drawn.map, 12, 22)).toBeGreaterThan(factorAt(drawn.map, 78, 22) + 0.12);
  expect((drawn.loads[0] ?? 0) / (drawn.loads[1] ?? 1)).toBeCloseTo(1.1, 1);
  expect(drawn.offWith).toBeLessThan(drawn.offBefore);
  const surface = surfaceFor(10);
  const advice = placeAdvice(drawn.map, surface);
  expect(surface.slots[advice?.cool ?? 0]?.x).toBeLessThan(20);
  expect(surface.slots[advice?.hot ?? 0]?.x).toBeGreaterThan(70);
  expect(advice?.exchange).toBe(true);
});

test('an even griddle, and a hand that is not steady, draw no places', () => {
  const drawn = drawnPlaces(
    batches(6, 0.12, () => 1),
    GRIDDLE,
  );
  expect(drawn?.offered).toBe(false);
  expect(drawn?.map.factors.every((f) => Math.abs(f - 1) < 0.1)).toBe(true);
});

test('two batches draw nothing; what was moved or waited for tells no time', () => {
  expect(drawnPlaces(batches(2, 0.05), GRIDDLE)).toBeNull();
  const surface = surfaceFor(10);
  const tap = { piece: 1, surface: 'long', slot: 0 };
  const pour: Tap = { ...tap, id: 'a', act: 'pour', at: 0 };
  const flip: Tap = { ...tap, id: 'b', act: 'flip', at: 130_000 };
  expect(timedPieces('x', [pour, flip], surface)).toMatchObject([{ firstS: 130, load: 0 }]);
  expect(timedPieces('x', [pour, { ...tap, id: 'c', act: 'move', slot: 3, at: 60_000 }, flip], surface)).toEqual([]);
  expect(timedPieces('x', [pour, { ...tap, id: 'c', act: 'wait', at: 60_000 }, flip], surface)).toEqual([]);
});

test('between the points of a map it is mixed evenly, and beyond its edge it is the edge', () => {
  const map = { stepCm: 10, columns: 2, rows: 2, factors: [1, 1.2, 1, 1.2] };
  expect(factorAt(map, 5, 5)).toBeCloseTo(1.1, 9);
  expect(factorAt(map, -3, 0)).toBe(1);
  expect(factorAt(map, 40, 40)).toBe(1.2);
  expect(factorAt({ stepCm: 10, columns: 1, rows: 1, factors: [1.3] }, 4, 4)).toBe(1.3);
});
