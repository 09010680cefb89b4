/**
 * Heat read three ways, the dial remembered, a surface that is not there; what is held, and what fits before a bell.
 */
import type { Act, ActEntry } from '../batch/acts';
import { heatZone } from '../script/cues';
import { adviceOn, dialOf, type HeatReading, readingsIn } from './heat';
import { bellOf, holdingOf, loadsBefore } from './hold';
import { coldSurface, heatOn, probeOf } from './simulated-surface';

const entry = (at: number, act: Act): ActEntry => ({ id: String(at), at, act });
const probe = (dialC: number | null, realC: number): HeatReading => ({ surface: 'g', at: 0, dialC, realC, drop: null });

test('zones by kind and school', () => {
  expect(heatZone('griddle', 'even')).toEqual([165, 190]);
  expect(heatZone('griddle', 'tall')).toEqual([170, 177]);
  expect(heatZone('crepe', 'sweet')).toEqual([190, 205]);
});

test('the dial against real: the middle of what was read together', () => {
  const readings = [
    probe(180, 166),
    probe(190, 179),
    probe(180, 150),
    probe(null, 200),
    { ...probe(180, 100), surface: 'other' },
  ];
  // -14, -11, -30
  expect(dialOf(readings, 'g')).toEqual({ offC: -14, from: 3 });
  expect(dialOf([], 'g')).toEqual({ offC: null, from: 0 });
  // read while it is still cold
  expect(dialOf([probe(200, 26), ...readings], 'g')).toEqual({ offC: -14, from: 3 });
});

test('what to do about it: by probe, by drop, by a dial that is known', () => {
  const dial = { offC: -14, from: 3 };
  // the middle of 165 to 190 is 177.5; with the dial 14 over, 191.5: to the nearest five
  expect(adviceOn(probe(170, 150), dial, [165, 190])).toEqual({ heat: 'cool', realC: 150, dialC: 190, byC: -15 });
  expect(adviceOn(probe(200, 196), dial, [165, 190])).toMatchObject({ heat: 'hot', byC: 6 });
  expect(adviceOn({ ...probe(null, 0), realC: null, drop: 'dances' }, { offC: null, from: 0 }, [165, 190])).toEqual({
    heat: 'right',
    realC: null,
    dialC: null,
    byC: 0,
  });
  expect(adviceOn({ ...probe(185, 0), realC: null }, dial, [165, 190])).toMatchObject({ heat: 'right', realC: 171 });
  // a dial nobody has measured is taken at its word
  expect(adviceOn({ ...probe(150, 0), realC: null }, { offC: null, from: 0 }, [165, 190])).toMatchObject({
    heat: 'cool',
    realC: 150,
    dialC: null,
  });
});

test('readings from a log', () => {
  const read = readingsIn([
    entry(2, { what: 'heat', surface: 'g', by: 'drop', drop: 'sits', dialC: 180 }),
    entry(1, { what: 'heat', surface: 'g', by: 'probe', realC: 140, dialC: null }),
    entry(3, { what: 'heat', surface: 'g', by: 'dial', dialC: 190 }),
  ]);
  expect(read.map((r) => [r.at, r.dialC, r.realC, r.drop])).toEqual([
    [1, null, 140, null],
    [2, 180, null, 'sits'],
    [3, 190, null, null],
  ]);
});

test('the practice surface warms to less than its dial says, is hotter in the middle, drops when poured on, and can be unplugged', () => {
  const lit = heatOn(coldSurface(0), { do: 'dial', toC: 190 }, 0);
  expect(probeOf(lit, 0, 0)).toEqual({ middleC: 22, edgeC: 22, dialC: 190 });
  // 178 less 156 e^-1 = 120.6; 9 either way at 98.6 % of full, the drift at 180 s is at -sin(pi/2) = -1 of 2.5
  expect(probeOf(lit, 180_000, 0)).toEqual({ middleC: 127, edgeC: 109, dialC: 190 });
  // an hour on: 178, 9 either way, no drift at a whole turn
  expect(probeOf(lit, 3_600_000, 0)).toEqual({ middleC: 187, edgeC: 169, dialC: 190 });
  const poured = heatOn(lit, { do: 'pour', pieces: 4 }, 3_600_000);
  expect(probeOf(poured, 3_600_000, 0)?.middleC).toBe(173);
  expect(probeOf(poured, 3_600_000 + 240_000 * 5, 0)?.middleC).toBe(187);
  expect(probeOf(heatOn(lit, { do: 'plug', in: false }, 9), 9, 0)).toBeNull();
  expect(probeOf(heatOn(lit, { do: 'cool' }, 3_600_000), 3_600_000, 0)?.middleC).toBe(22);
});

test('what is held: the oldest goes first, and nothing is counted twice', () => {
  const log = [
    entry(10, { what: 'held', pieces: 8 }),
    entry(20, { what: 'plated', pieces: 2 }),
    entry(30, { what: 'held', pieces: 6 }),
  ];
  expect(holdingOf(log, 18)).toEqual({
    waiting: 2,
    trays: [
      { pieces: 8, at: 10 },
      { pieces: 6, at: 30 },
    ],
    inOven: 14,
    plated: 2,
  });
  const out = [...log, entry(40, { what: 'out', pieces: 10 })];
  expect(holdingOf(out, 18)).toEqual({ waiting: 2, trays: [{ pieces: 4, at: 30 }], inOven: 4, plated: 12 });
  // more taken out than there is is what there is
  expect(holdingOf([...out, entry(50, { what: 'out', pieces: 99 })], 18)).toMatchObject({
    inOven: 0,
    plated: 16,
    waiting: 2,
  });
});

test('the bell rings in twelve minutes: two more loads', () => {
  // 140 + 90 on the heat and 30 between: 260 s; after the last nothing is wiped. 12 min = 720 s: 2 x 230 + 30 = 490
  // fit, a third ends at 750
  expect(loadsBefore(720_000, 0, { first: 140, second: 90 })).toBe(2);
  expect(loadsBefore(750_000, 0, { first: 140, second: 90 })).toBe(3);
  expect(loadsBefore(100_000, 0, { first: 140, second: 90 })).toBe(0);
  expect(bellOf([entry(1, { what: 'bell', bellAt: 99 }), entry(2, { what: 'bell', bellAt: null })])).toBeNull();
});
