import type { ActEntry } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { ONE } from '../batch/split';
import type { Gear } from '../pantry/gear';
import type { Tap } from './board';
import { type BoardFacts, griddleNow } from './griddle-now';

const GRIDDLE = { id: 'g', sort: 'griddle', name: 'Griddle', wideCm: 40, deepCm: 25 } as unknown as Gear;
const KNOWN = { times: { first: 120, second: 60 }, from: 0, aside: 0 };
const ZONE = { min: 180, max: 190 } as never;
const facts = (driver: object, restMin = 0): BoardFacts => ({
  batch: { id: 'b', kind: 'griddle', driver, piecesPlanned: 6, split: ONE, sheet: [] } as unknown as Batch,
  gear: [GRIDDLE],
  ends: [{ acrossCm: 11, known: KNOWN, zone: ZONE }],
  restMin,
});
const PIECES = { by: 'pieces', pieces: 6, portionMl: 60 };
const TEST = { by: 'guests', guests: 3, each: 2, secondsPct: 0, testPiece: true, portionMl: 60 };
const tap = (act: Tap['act'], piece: number, at: number, slot = 0): Tap => ({
  id: `${act}${piece}`,
  piece,
  act,
  surface: 'g',
  slot,
  at,
  of: act === 'pour' || act === 'join' ? null : `pour${piece}`,
});

test('an empty griddle asks for the first piece, at the first place of the end that is poured', () => {
  const it = griddleNow(facts(PIECES), [], [], null, 0);
  expect(it).toMatchObject({ step: { do: 'pour', place: { surface: 'g', slot: 0 } }, next: 1, goesOn: 'poured' });
  expect(it.ends).toHaveLength(1);
  expect(it.at).toBe(it.pouring);
  expect(it.drawn.map((d) => d.surface.id)).toEqual(['g']);
});

test('a bowl that rests is not poured, but for the cook who has begun to', () => {
  const joined = tap('join', 1, 1_000);
  expect(griddleNow(facts(PIECES, 10), [joined], [], null, 60_000).restsUntil).toBe(601_000);
  expect(griddleNow(facts(PIECES, 10), [joined], [], null, 601_000).restsUntil).toBeNull();
  expect(griddleNow(facts(PIECES, 10), [joined, tap('pour', 1, 2_000)], [], null, 60_000).restsUntil).toBeNull();
});

test('nothing is poured beside a test piece until it was looked at', () => {
  const poured = [tap('pour', 1, 0)];
  const lies = griddleNow(facts(TEST), poured, [], null, 10_000);
  expect(lies).toMatchObject({ held: true, verdict: '', step: { do: 'wait' }, goesOn: 'flip' });
  const off = [...poured, tap('flip', 1, 120_000), tap('pull', 1, 180_000)];
  expect(griddleNow(facts(TEST), off, [], null, 190_000)).toMatchObject({ held: true, step: { do: 'done' } });
  const seen = [{ id: 'e', at: 185_000, act: { what: 'test', verdict: 'right' } }] as unknown as readonly ActEntry[];
  const after = griddleNow(facts(TEST), off, seen, null, 190_000);
  expect(after).toMatchObject({ held: false, verdict: 'right', step: { do: 'pour' }, next: 2 });
  // the test piece is outside the count
  expect(after.pouring).toMatchObject({ left: 6, off: 0 });
});
