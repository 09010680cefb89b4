/** One griddle under two batches: no piece on another, the oldest first, rows and free places in one act. */
import fc from 'fast-check';
import type { Batch } from '../batch/batch';
import { ONE } from '../batch/split';
import { surfacesFor } from '../batter/surface';
import type { Gear } from '../pantry/gear';
import { settle, type Tap } from './board';
import { type BatchAt, sharedSurface } from './shared';

const GRIDDLE: Gear = { id: 'g', sort: 'griddle', name: 'Griddle', wideCm: 62, deepCm: 38 };
const at = (name: string, acrossCm: number, taps: readonly Tap[] = [], pieces = 40, first = 120): BatchAt => ({
  facts: {
    batch: {
      id: name,
      kind: 'griddle',
      driver: { by: 'pieces', pieces, portionMl: 60 },
      piecesPlanned: pieces,
      split: ONE,
      sheet: [],
    } as unknown as Batch,
    gear: [GRIDDLE],
    ends: [
      { acrossCm, known: { times: { first, second: 60 }, from: 0, aside: 0 }, zone: { min: 180, max: 190 } as never },
    ],
    restMin: 0,
  },
  taps,
  entries: [],
});
const pour = (of: string, piece: number, slot: number, s: number): Tap => ({
  id: `${of}${piece}`,
  piece,
  act: 'pour',
  surface: 'g',
  slot,
  at: 1000 * s,
  of: null,
});

test('alone a batch has every place; another’s pieces take those that they touch, also where sizes differ', () => {
  const alone = sharedSurface('g', [at('A', 11)], null, 0);
  const all = surfacesFor([GRIDDLE], 'griddle', 11)[0]?.slots ?? [];
  expect(alone.pours[0]?.free).toHaveLength(all.length);
  expect(alone.pours[0]?.row).toEqual(all.flatMap((s, n) => (s.y === all[0]?.y ? [n] : [])));
  expect(alone).toMatchObject({ wideCm: 62, deepCm: 38, next: { do: 'pour', from: { of: 0 } } });
  const [first] = all;
  const both = sharedSurface('g', [at('A', 11, [pour('A', 1, 0, 0)]), at('B', 8)], 1, 0);
  const slots = surfacesFor([GRIDDLE], 'griddle', 8)[0]?.slots ?? [];
  for (const slot of both.pours[1]?.free ?? []) {
    const s = slots[slot];
    if (!s || !first) throw new Error('a place that is not there');
    expect(Math.hypot(s.x - first.x, s.y - first.y)).toBeGreaterThanOrEqual(9.5 - 0.11);
  }
  expect(both.pours[1]?.free.length).toBeLessThan(slots.length);
  expect(both.pours[1]?.free.length).toBeGreaterThan(0);
  expect(both.next).toMatchObject({ do: 'pour', from: { of: 1 } });
});

test('no more is free than may be poured; what rests, or is not lit here, is not poured', () => {
  expect(sharedSurface('g', [at('A', 11, [], 4)], null, 0).pours[0]?.free).toEqual([0, 1, 2, 3]);
  const resting = at('A', 11, [{ ...pour('A', 1, 0, 0), id: 'j', act: 'join' }]);
  const rests = sharedSurface('g', [{ ...resting, facts: { ...resting.facts, restMin: 10 } }, at('B', 11)], 0, 60_000);
  expect(rests).toMatchObject({ pours: [{ restsUntil: 600_000 }, {}], next: { do: 'pour', from: { of: 1 } } });
  const other: Gear = { ...GRIDDLE, id: 'h' };
  const away = at('A', 11);
  const lit = { id: 'e', at: 0, act: { what: 'lit', on: ['h'], most: null } } as never;
  const elsewhere = { ...away, facts: { ...away.facts, gear: [GRIDDLE, other] }, entries: [lit] };
  expect(sharedSurface('g', [elsewhere], null, 0)).toMatchObject({
    pours: [{ surface: null, free: [] }],
    next: { do: 'done' },
  });
});

test('the oldest that is due goes first, whosever it is; a row is those beside it that are due, or nearly', () => {
  const a = at('A', 11, [pour('A', 1, 0, 0), pour('A', 2, 1, 5)]);
  const b = at('B', 11, [pour('B', 1, 2, 10), pour('B', 2, 7, 11)], 40, 100);
  // B’s first is due at 110 s, A’s at 120 and 125
  expect(sharedSurface('g', [a, b], null, 111_000).next).toMatchObject({
    do: 'flip',
    lying: { of: 1, piece: { piece: 1 } },
  });
  const later = sharedSurface('g', [a, b], null, 121_000);
  expect(later.next).toMatchObject({ do: 'flip', lying: { of: 0, piece: { piece: 1 } } });
  expect(later.rows.map((r) => r.map((l) => l.piece.id))).toEqual([['A1', 'A2', 'B1']]);
  expect(sharedSurface('g', [a, b], null, 50_000)).toMatchObject({ rows: [], next: { do: 'pour' } });
  expect(sharedSurface('g', [a, b], null, 108_000).next).toMatchObject({ do: 'wait', lying: { of: 1 } });
});

test('law: however two batches are poured and taken off, no piece is offered a place that touches one that lies there', () => {
  const step = fc.record({ of: fc.nat(1), act: fc.constantFrom('pour', 'pull'), pick: fc.nat(30) });
  fc.assert(
    fc.property(
      fc.integer({ min: 6, max: 14 }),
      fc.integer({ min: 6, max: 14 }),
      fc.array(step, { maxLength: 25 }),
      (x, y, steps) => {
        const taps: [Tap[], Tap[]] = [[], []];
        const now = (): ReturnType<typeof sharedSurface> =>
          sharedSurface('g', [at('A', x, taps[0]), at('B', y, taps[1])], null, 1000 * 30);
        for (const [n, s] of steps.entries()) {
          const t = now();
          const mine = taps[s.of] as Tap[];
          const lies = t.lying.filter((l) => l.of === s.of);
          const free = t.pours[s.of]?.free ?? [];
          const told =
            s.act === 'pour'
              ? { act: 'pour' as const, slot: free[s.pick % Math.max(1, free.length)] }
              : { act: 'pull' as const, slot: 0, of: lies[s.pick % Math.max(1, lies.length)]?.piece.id };
          if (told.slot === undefined || (told.act === 'pull' && !told.of)) continue;
          const settled = settle({ id: `${s.of} ${n}`, surface: 'g', at: 0, of: null, ...told, slot: told.slot }, mine);
          if (settled && settled !== 'unknown') mine.push(settled);
        }
        const { lying } = now();
        for (const [n, a] of lying.entries())
          for (const b of lying.slice(n + 1))
            expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual((a.acrossCm + b.acrossCm) / 2 - 0.11);
      },
    ),
    { numRuns: 60 },
  );
});
