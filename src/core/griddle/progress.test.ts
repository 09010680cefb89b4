import { countedNumber, isTestPiece, testsIn } from '../batch/pieces';
import { ONE } from '../batch/split';
import { findIngredient } from '../pantry/pantry';
import type { Piece } from './board';
import { addInsOf, offAtOf, progressOf, restOf } from './progress';

const pieces = (poured: number, off: number): readonly Piece[] =>
  Array.from({ length: poured }, (_, n) => ({
    id: `p${n + 1}`,
    piece: n + 1,
    surface: 'g',
    slot: n,
    pouredAt: 0,
    flippedAt: null,
    pulledAt: n < off ? 9 : null,
  }));
const BOWLS = { by: 'bowls', mixes: 2, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 10 } as const;
const PIECES = { by: 'pieces', pieces: 40, portionMl: 60 } as const;
const GUESTS = { by: 'guests', guests: 20, each: 2, secondsPct: 0, testPiece: true, portionMl: 60 } as const;
// 140 and 90 s on the heat and half a minute between: 260 s a griddleful
const TIMES = { first: 140, second: 90 };

test('forty in two bowls of twenty, ten at once: what is left, and by when the second is combined', () => {
  const at = (poured: number, off: number) =>
    progressOf({ driver: PIECES, piecesPlanned: 40, split: BOWLS }, pieces(poured, off), TIMES, 10, 1_000_000);
  // two loads of 260 s are left in the bowl, less five minutes to join
  expect(at(0, 0)).toMatchObject({
    off: 0,
    toPour: 40,
    bowl: 1,
    leftInBowl: 20,
    joinBy: 1_000_000 + 520_000 - 300_000,
    loads: 4,
    // the fourth is begun after three, and is off 230 s later
    lastAt: 1_000_000 + 3 * 260_000 + 230_000,
  });
  expect(at(15, 10)).toMatchObject({ off: 10, toPour: 25, bowl: 1, leftInBowl: 5, loads: 3 });
  expect(at(20, 20)).toMatchObject({ bowl: 2, leftInBowl: 20, joinBy: null });
  expect(at(40, 40)).toMatchObject({ off: 40, toPour: 0, bowl: 2, leftInBowl: 0, loads: 0 });
});

test('what lies on the heat counts for what it still needs, and its place is free then', () => {
  const lies = (n: number, pouredAt: number, flippedAt: number | null = null): Piece => ({
    ...(pieces(n, 0)[n - 1] as Piece),
    pouredAt,
    flippedAt,
  });
  // poured 200 s ago and not turned: due, then 90 s; poured 30 s ago: 110 s and 90 s; turned 80 s ago: 10 s
  const on = [lies(1, 0), lies(2, 170_000), lies(3, 0, 120_000)];
  expect(offAtOf(on, TIMES, 200_000)).toEqual([290_000, 400_000, 210_000]);
  // one more on three places: the third is free at 240 s, and it is off 230 s later
  expect(restOf([{ left: 1, offAt: offAtOf(on, TIMES, 200_000), places: 3, times: TIMES }], 200_000)).toEqual({
    loads: 2,
    lastAt: 470_000,
  });
  // none more: the last is the one that was poured last
  expect(restOf([{ left: 0, offAt: offAtOf(on, TIMES, 200_000), places: 3, times: TIMES }], 200_000)).toEqual({
    loads: 1,
    lastAt: 400_000,
  });
});

test('the test piece is poured besides, and never counted', () => {
  const at = (poured: number, off: number) =>
    progressOf({ driver: GUESTS, piecesPlanned: 40, split: ONE }, pieces(poured, off), TIMES, 10, 0);
  expect(at(0, 0)).toMatchObject({ off: 0, toPour: 41, leftInBowl: 40 });
  expect(at(1, 1)).toMatchObject({ off: 0, toPour: 40, leftInBowl: 40 });
  expect(at(11, 6)).toMatchObject({ off: 5, toPour: 30, leftInBowl: 30 });
});

test('where nothing is counted there is no end; where nothing is on the heat there is no clock', () => {
  const none = { driver: { by: 'factor', factor: 1 }, piecesPlanned: null, split: ONE } as const;
  expect(progressOf(none, pieces(3, 2), TIMES, 1, 0)).toMatchObject({
    off: 2,
    toPour: Number.POSITIVE_INFINITY,
    leftInBowl: null,
    lastAt: null,
  });
  expect(progressOf({ driver: PIECES, piecesPlanned: 40, split: BOWLS }, [], TIMES, 0, 0)).toMatchObject({
    toPour: 40,
    leftInBowl: 20,
    joinBy: null,
    loads: null,
  });
});

test('two ends: the loads of both, one after the other; and what is strewn on one goes on its pieces alone', () => {
  const ends = [
    { left: 12, offAt: [], places: 10, times: TIMES },
    { left: 20, offAt: [], places: 7, times: { first: 110, second: 90 } },
  ];
  // two loads of 260 s and three of 230 s, without the wipe after the last
  expect(restOf(ends, 0)).toEqual({ loads: 5, lastAt: 2 * 260_000 + 3 * 230_000 - 30_000 });
  expect(progressOf({ driver: PIECES, piecesPlanned: 40, split: ONE }, pieces(8, 8), TIMES, 10, 0, ends)).toMatchObject(
    { off: 8, loads: 5 },
  );
  const strewn = {
    key: 'l9',
    text: '',
    vessel: 'wet',
    measure: '60 g',
    preparation: '',
    moment: 'poured',
    parts: [{ id: 'blueberries', grams: 60 }],
  } as const;
  const batch = { sheet: [{ ...strewn, name: 'Berries', grams: 60, forEnd: 'sweet' }], piecesPlanned: 32, split: ONE };
  const on = (name: string) =>
    addInsOf(batch, ['l9'], (id) => findIngredient(id), { name, pieces: 12 }).map((a) => a.eachG);
  expect([on('sweet'), on('savoury')]).toEqual([[5], []]);
});

test('kits with a test piece: one of each kit is tested and none of them counts', () => {
  const kits = {
    driver: { by: 'pieces', pieces: 4, portionMl: 60, testPiece: true },
    piecesPlanned: 8,
    split: { by: 'kits', benches: 2, classes: 1 },
  } as const;
  expect(testsIn(kits)).toBe(2);
  // 1 is a test, 2 to 5 count; 6 is the other bench's test, 7 to 10 count
  expect([1, 2, 5, 6, 7, 10, 11].map((n) => isTestPiece(kits, n))).toEqual([
    true,
    false,
    false,
    true,
    false,
    false,
    false,
  ]);
  expect([1, 2, 5, 6, 7, 10].map((n) => countedNumber(kits, n))).toEqual([1, 1, 4, 5, 5, 8]);
  expect(progressOf(kits, pieces(0, 0), TIMES, 10, 0)).toMatchObject({ off: 0, toPour: 10 });
  expect(progressOf(kits, pieces(6, 6), TIMES, 10, 0)).toMatchObject({ off: 4, toPour: 4 });
  expect(progressOf(kits, pieces(10, 10), TIMES, 10, 0)).toMatchObject({ off: 8, toPour: 0 });
});
