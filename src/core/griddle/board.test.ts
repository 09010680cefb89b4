/** The board: pieces from taps, the one next thing, places to scale, and times learned from taps. */

import fc from 'fast-check';
import { ONE } from '../batch/split';
import { surfacesFor } from '../batter/surface';
import { KIND_IDS } from '../formula/kinds';
import { FRESH_GEAR, type Gear } from '../pantry/gear';
import { USUAL_TIMES } from '../script/on-heat';
import {
  actFor,
  dueAt,
  joinedAt,
  nextStep,
  onHeat,
  type Piece,
  type Place,
  piecesFrom,
  settle,
  type Tap,
  type ToldTap,
} from './board';
import { learned, oneChange, seenIn, sidesOf, timesFor, timesNow } from './times';

const tap = (piece: number, act: Tap['act'], at: number, slot = piece - 1): Tap => ({
  id: `${piece}${act}`,
  piece,
  act,
  surface: 'g',
  slot,
  at: at * 1000,
});
const TIMES = { first: 120, second: 60 };
const PLACES = [0, 1, 2, 3].map((slot) => ({ surface: 'g', slot }));
const GRIDDLE: Gear = { id: 'g', sort: 'griddle', name: 'Griddle', wideCm: 76, deepCm: 45 };

test('pieces are what the taps made of them; a tap that cannot be does nothing', () => {
  const pieces = piecesFrom([
    tap(1, 'pour', 0),
    tap(1, 'flip', 120),
    tap(2, 'flip', 130),
    tap(2, 'pour', 140),
    tap(1, 'pull', 190),
    tap(1, 'flip', 200),
    tap(2, 'pour', 210),
  ]);
  expect(pieces).toEqual([
    { id: '1pour', piece: 1, surface: 'g', slot: 0, pouredAt: 0, flippedAt: 120_000, pulledAt: 190_000 },
    { id: '2pour', piece: 2, surface: 'g', slot: 1, pouredAt: 140_000, flippedAt: null, pulledAt: null },
  ]);
  expect(onHeat(pieces).map((p) => p.piece)).toEqual([2]);
});

test('a bowl that is combined is no piece, and is combined when it was first said', () => {
  const taps = [tap(1, 'join', 5), tap(1, 'pour', 20)];
  expect(piecesFrom(taps)).toHaveLength(1);
  expect([joinedAt(taps, 1), joinedAt(taps, 2)]).toEqual([5000, null]);
});

test('pour while there is room and nothing is due; then wait; then the oldest that is due', () => {
  expect(nextStep([], PLACES, () => TIMES, 9, 0)).toEqual({ do: 'pour', place: PLACES[0] });
  const three = piecesFrom([tap(1, 'pour', 0), tap(2, 'pour', 10), tap(3, 'pour', 20)]);
  expect(nextStep(three, PLACES, () => TIMES, 6, 25_000)).toEqual({ do: 'pour', place: PLACES[3] });
  // what is due in four seconds is waited for, not poured past
  expect(nextStep(three, PLACES, () => TIMES, 6, 116_000)).toMatchObject({
    do: 'wait',
    piece: { piece: 1 },
    until: 120_000,
  });
  expect(nextStep(three, PLACES, () => TIMES, 6, 131_000)).toMatchObject({ do: 'flip', piece: { piece: 1 } });
  const turned = piecesFrom([tap(1, 'pour', 0), tap(2, 'pour', 10), tap(1, 'flip', 125)]);
  expect(nextStep(turned, PLACES, () => TIMES, 0, 130_000)).toMatchObject({ do: 'flip', piece: { piece: 2 } });
  // both due: the older comes off before the younger is turned
  expect(nextStep(turned, PLACES, () => TIMES, 0, 190_000)).toMatchObject({ do: 'pull', piece: { piece: 1 } });
  expect(
    nextStep(piecesFrom([tap(1, 'pour', 0), tap(1, 'flip', 1), tap(1, 'pull', 2)]), PLACES, () => TIMES, 0, 9000),
  ).toEqual({ do: 'done' });
  // what is not turned comes off
  expect(nextStep(three, PLACES, () => ({ first: 100, second: null }), 0, 101_000)).toMatchObject({
    do: 'pull',
    piece: { piece: 1 },
  });
});

const told = (id: string, act: ToldTap['act'], at: number, slot = 0, of: string | null = null): ToldTap => ({
  id,
  act,
  of,
  surface: 'g',
  slot,
  at,
});

/** What the records make of taps as they arrive. */
const kept = (taps: readonly ToldTap[]): readonly Tap[] => {
  const all: Tap[] = [];
  for (const t of taps) {
    const s = settle(t, all);
    if (s !== null && s !== 'unknown') all.push(s);
  }
  return all;
};

test('two screens pour on one griddle at once: numbers by arrival, another place where one is taken', () => {
  const all = kept([told('a', 'pour', 0), told('b', 'pour', 1), told('c', 'pour', 2, 1), told('a', 'pour', 0)]);
  expect(all.map((t) => [t.id, t.piece, t.slot])).toEqual([
    ['a', 1, 0],
    ['b', 2, 1],
    ['c', 3, 2],
  ]);
  const turned = kept([
    told('a', 'pour', 0),
    told('x', 'flip', 9, 0, 'a'),
    told('y', 'flip', 10, 0, 'a'),
    told('z', 'pull', 20, 0, 'a'),
    told('n', 'pour', 21),
  ]);
  // turned twice is turned once, by the first word; its place is free again
  expect(turned.map((t) => t.id)).toEqual(['a', 'x', 'z', 'n']);
  expect(turned.at(-1)).toMatchObject({ piece: 2, slot: 0 });
  expect(settle(told('q', 'flip', 1, 0, 'nobody'), turned)).toBe('unknown');
});

test('a clock set back freezes nothing: the order is that of arrival', () => {
  const all = kept([told('a', 'pour', 1_000_000), told('b', 'flip', 10, 0, 'a'), told('c', 'pull', 5, 0, 'a')]);
  expect(piecesFrom(all)).toMatchObject([{ piece: 1, flippedAt: 10, pulledAt: 5 }]);
});

test('law: however two screens’ taps come together, every pour is kept, no number twice, no place held by two at once', () => {
  const screen = (name: string) =>
    fc
      .array(fc.tuple(fc.constantFrom('pour', 'flip', 'pull'), fc.nat(3)), { maxLength: 14 })
      .map((acts) => acts.map((a, n) => ({ name: `${name}${n}`, a })));
  let poured = 0;
  fc.assert(
    fc.property(screen('a'), screen('b'), fc.array(fc.boolean(), { maxLength: 30 }), (a, b, turns) => {
      const queues = [[...a], [...b]];
      let all: readonly Tap[] = [];
      const mine: Record<string, string[]> = { a: [], b: [] };
      const pours: string[] = [];
      for (const first of [...turns, ...Array.from({ length: 30 }, (_, n) => n % 2 === 0)]) {
        const next = queues[first ? 0 : 1]?.shift();
        if (!next) continue;
        const own = mine[next.name[0] ?? 'a'] ?? [];
        const [act, n] = next.a;
        const of = act === 'pour' ? null : own[n % Math.max(1, own.length)];
        if (of === undefined) continue;
        if (act === 'pour') {
          own.push(next.name);
          pours.push(next.name);
        }
        all = kept([...all, told(next.name, act as 'pour', all.length, n, of)]);
        const lying = onHeat(piecesFrom(all)).map((p) => p.slot);
        expect(new Set(lying).size).toBe(lying.length);
      }
      poured += pours.length;
      const made = all.filter((t) => t.act === 'pour');
      expect(made.map((t) => t.id)).toEqual(pours);
      expect(made.map((t) => t.piece)).toEqual(pours.map((_, n) => n + 1));
    }),
  );
  expect(poured).toBeGreaterThan(100);
});

test('law: never a younger piece before an older one that is due, never a place that is taken, never more than are wanted', () => {
  const pieces = fc.array(
    fc.tuple(fc.integer({ min: 0, max: 400 }), fc.option(fc.integer({ min: 1, max: 300 })), fc.boolean()),
    { maxLength: 8 },
  );
  fc.assert(
    fc.property(pieces, fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 5 }), (made, now, left) => {
      const taps = made.flatMap(([at, after, off], n): Tap[] => [
        tap(n + 1, 'pour', at),
        ...(after === null
          ? []
          : [tap(n + 1, 'flip', at + after), ...(off ? [tap(n + 1, 'pull', at + after + 30)] : [])]),
      ]);
      const all = piecesFrom(taps);
      const step = nextStep(all, PLACES, () => TIMES, left, now * 1000);
      const due = onHeat(all).filter((p) => dueAt(p, TIMES) <= now * 1000);
      if (step.do === 'flip' || step.do === 'pull') {
        expect(due).toContain(step.piece);
        expect(step.do).toBe(actFor(step.piece, TIMES));
        for (const p of due) expect(step.piece.pouredAt).toBeLessThanOrEqual(p.pouredAt);
      } else {
        expect(due).toEqual([]);
        if (step.do === 'pour') {
          expect(left).toBeGreaterThan(0);
          expect(onHeat(all).some((p) => p.slot === step.place.slot)).toBe(false);
        }
        if (step.do === 'done') expect(onHeat(all)).toEqual([]);
      }
    }),
  );
});

test('places lie on the surface with room for a spatula, in rows or set into each other, whichever takes more', () => {
  const [s] = surfacesFor([GRIDDLE], 'griddle', 11);
  if (!s || GRIDDLE.sort !== 'griddle') throw new Error('no surface');
  fc.assert(
    fc.property(
      fc.double({ min: 4, max: 20, noNaN: true }),
      fc.double({ min: 20, max: 120, noNaN: true }),
      fc.double({ min: 20, max: 80, noNaN: true }),
      (across, wideCm, deepCm) => {
        const [found] = surfacesFor([{ ...GRIDDLE, wideCm, deepCm } as Gear], 'griddle', across);
        const slots = found?.slots ?? [];
        const edge = Math.min(
          ...slots.flatMap((a) => [a.x, wideCm - a.x, a.y, deepCm - a.y]),
          Number.POSITIVE_INFINITY,
        );
        const apart = Math.min(
          ...slots.flatMap((a, i) => slots.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y))),
          Number.POSITIVE_INFINITY,
        );
        expect(edge).toBeGreaterThanOrEqual(across / 2 - 1e-6);
        expect(apart).toBeGreaterThanOrEqual(across + 1.5 - 1e-6);
      },
    ),
    { numRuns: 40 },
  );
});

test('each kind on what it is made on', () => {
  const gear: readonly Gear[] = [
    ...FRESH_GEAR,
    GRIDDLE,
    { id: 'p', sort: 'pan', name: 'Pan', acrossCm: 24 },
    { id: 'i', sort: 'iron', name: 'Iron', holdsMl: 300, pieces: 2 },
    { id: 'b', sort: 'ball-pan', name: 'Ball pan', hollowMl: 30, hollows: 7 },
  ];
  const on = Object.fromEntries(
    KIND_IDS.map((k) => [k, surfacesFor(gear, k, 10).map((s) => `${s.id}${s.slots.length}`)]),
  );
  expect(on).toMatchObject({ crepe: ['p1'], oven: ['p1'], waffle: ['i2'], ball: ['b7'] });
  expect(on.griddle).toHaveLength(1);
});

test('taps within one second tell no time of a side: what came out can be written all the same', () => {
  const taps = [tap(1, 'pour', 0), tap(1, 'flip', 0.1), tap(1, 'pull', 0.3)];
  expect(
    seenIn({ driver: { by: 'factor', factor: 1 }, kind: 'griddle', split: ONE, piecesPlanned: null }, taps),
  ).toEqual({
    pieces: 1,
    firstSideS: null,
    secondSideS: null,
  });
});

test('times are the middle of the taps, what was late for another reason set aside, and the usual until there are some', () => {
  // 100 108 112 and a forgotten 400: the middle of four is 110, twice that is the line
  expect(learned([100, 108, 112, 400])).toEqual({ seconds: 108, from: 3, aside: 1 });
  expect(learned([])).toBeNull();
  expect(timesFor(USUAL_TIMES.griddle, { first: [], second: [] })).toEqual({
    times: USUAL_TIMES.griddle,
    from: 0,
    aside: 0,
  });
  expect(timesFor(USUAL_TIMES.griddle, { first: [100, 110], second: [50] })).toEqual({
    times: { first: 105, second: 50 },
    from: 1,
    aside: 0,
  });
  expect(timesFor(USUAL_TIMES.waffle, { first: [240], second: [] })).toEqual({
    times: { first: 240, second: null },
    from: 1,
    aside: 0,
  });
  // a slip of the finger is no time; one left on for long is set aside, and counted
  expect(timesFor(USUAL_TIMES.waffle, { first: [1, 240, 250, 900], second: [] })).toEqual({
    times: { first: 245, second: null },
    from: 2,
    aside: 1,
  });
  const pieces: readonly Piece[] = piecesFrom([
    tap(1, 'pour', 0),
    tap(1, 'flip', 100),
    tap(1, 'pull', 160),
    tap(2, 'pour', 5),
  ]);
  expect(sidesOf(pieces)).toEqual({ first: [100], second: [60] });
});

test('a batch is its own teacher from its third piece', () => {
  const known = { times: { first: 140, second: 90 }, from: 7, aside: 0 };
  const off = (n: number) =>
    piecesFrom(
      Array.from({ length: n }, (_, k) => [
        tap(k + 1, 'pour', 10 * k),
        tap(k + 1, 'flip', 10 * k + 100),
        tap(k + 1, 'pull', 10 * k + 150),
      ]).flat(),
    );
  expect(timesNow(known, off(2))).toEqual(known);
  expect(timesNow(known, off(3))).toEqual({ times: { first: 100, second: 50 }, from: 3, aside: 0 });
  expect(timesNow({ times: { first: 270, second: null }, from: 0, aside: 0 }, off(3)).times.second).toBeNull();
});

test('after the test piece one change, with its size', () => {
  const said = (what: string, g: number): string => `${Math.round(g)} g ${what}`;
  expect(oneChange('thick', 4000, said)).toContain('80 g thin');
  expect(oneChange('thin', 4000, said)).toContain('48 g thick');
  expect(oneChange('right', 4000, said)).toBe('Pour on.');
});

test('looked at and not ready, a piece asks again a quarter of a minute later; turned, it asks by its second side', () => {
  const taps: Tap[] = [];
  const tell = (act: Tap['act'], at: number, place: Partial<Place> = {}): void => {
    const t = settle(
      { id: `t${taps.length}`, act, surface: 'g', slot: 0, at, of: act === 'pour' ? null : 't0', ...place },
      taps,
    );
    if (t && t !== 'unknown') taps.push(t);
  };
  const times = { first: 120, second: 60 };
  const due = (): number => dueAt(piecesFrom(taps)[0] as Piece, times);
  tell('pour', 0);
  expect(due()).toBe(120_000);
  tell('wait', 121_000);
  expect(due()).toBe(136_000);
  // a look before its time changes nothing of when it is due
  tell('wait', 90_000);
  expect(due()).toBe(120_000);
  tell('flip', 137_000);
  expect(due()).toBe(197_000);
  expect(piecesFrom(taps)[0]).not.toHaveProperty('lookAgainAt');
});

test('a piece that is moved lies at its new place, and its old one is free; a place that is taken it does not get', () => {
  const pour = (id: string, slot: number, taps: readonly Tap[]): Tap =>
    settle({ id, act: 'pour', surface: 'g', slot, at: 0 }, taps) as Tap;
  const a = pour('a', 0, []);
  const b = pour('b', 1, [a]);
  const move = (slot: number, taps: readonly Tap[]) =>
    settle({ id: `m${slot}`, act: 'move', surface: 'g', slot, at: 1, of: 'a' }, taps);
  expect(move(1, [a, b])).toBeNull();
  const moved = move(2, [a, b]) as Tap;
  expect(piecesFrom([a, b, moved]).map((p) => p.slot)).toEqual([2, 1]);
  expect(pour('c', 0, [a, b, moved]).slot).toBe(0);
  const off = settle({ id: 'o', act: 'pull', surface: 'g', slot: 2, at: 2, of: 'a' }, [a, b, moved]) as Tap;
  expect(move(3, [a, b, moved, off])).toBeNull();
});
