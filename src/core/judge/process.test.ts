/** How a batch went, from its event log; and two of them side by side. */
import type { Act } from '../batch/acts';
import type { Tap } from '../griddle/board';
import { findIngredient } from '../pantry/pantry';
import { besideEachOther, type MadeBatch } from './compare-batches';
import { processOf } from './process';

const MIN = 60_000;
const entry = (min: number, act: Act) => ({ id: `${min}${act.what}`, at: min * MIN, act });
const tap = (piece: number, act: Tap['act'], min: number): Tap => ({
  id: `${piece}${act}`,
  piece,
  act,
  surface: 'g',
  slot: 0,
  at: min * MIN,
});
const line = (key: string, name: string, grams: number, was?: number) => ({
  key,
  text: '',
  name,
  vessel: 'dry' as const,
  measure: '',
  grams,
  preparation: '',
  ...(was === undefined ? {} : { was }),
});

const LOG = {
  sheet: [line('l1', 'Flour', 500), line('l2', 'Sugar', 55, 50), line('l3', 'Large egg (about 2)', 100)],
  weights: { l1: 550, l2: 55, l3: 100 },
  timeline: { at: 60 * MIN, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} } as const,
  entries: [
    entry(5, { what: 'checked', mix: 1, initials: 'AB' }),
    entry(10, { what: 'mixed', mix: 1, turns: 18 }),
    entry(22, { what: 'heat', surface: 'g', by: 'probe', realC: 180, dialC: null }),
    entry(30, { what: 'heat', surface: 'g', by: 'probe', realC: 190, dialC: null }),
    entry(24, { what: 'corrected', mix: 1, ingredientId: 'milk-whole', grams: 20, bowlG: 900, seen: '' }),
    entry(26, { what: 'corrected', mix: 1, ingredientId: 'milk-whole', grams: 10, bowlG: 900, seen: '' }),
    entry(35, { what: 'held', pieces: 8 }),
    entry(40, { what: 'held', pieces: 8 }),
    entry(50, { what: 'out', pieces: 10 }),
    entry(58, { what: 'out', pieces: 6 }),
  ],
};

test('rest, heat, corrections, what was off, what was held longest, and how late', () => {
  const p = processOf(LOG, [tap(1, 'pour', 25), tap(1, 'pull', 30), tap(2, 'pour', 55), tap(2, 'pull', 63)]);
  expect(p).toEqual({
    heatC: 185,
    restMin: 15,
    turns: 18,
    corrected: [{ ingredientId: 'milk-whole', grams: 30 }],
    // sugar followed the flour: it is off its plan of 50 by five, the egg is not
    off: [
      { name: 'Flour', byG: 50 },
      { name: 'Sugar', byG: 5 },
    ],
    // the first eight were out after 15 min; two of the second with them, the other six 18 min after they went in
    heldMin: 18,
    checkedBy: ['AB'],
    lateMin: 3,
  });
  expect(
    processOf({ ...LOG, timeline: { ...LOG.timeline, anchor: 'first' } }, [
      tap(1, 'pour', 25),
      tap(1, 'pull', 30),
      tap(2, 'pour', 31),
    ]).lateMin,
  ).toBe(-30);
  expect(processOf({ sheet: [], weights: {}, timeline: null, entries: [] }, [])).toEqual({
    heatC: null,
    restMin: null,
    turns: null,
    corrected: [],
    off: [],
    heldMin: null,
    checkedBy: [],
    lateMin: null,
  });
});

test('side by side: in words, and nothing that neither says', () => {
  const batch = {
    pieces: 22,
    piecesPlanned: 24,
    portionMl: 60,
    firstSideS: 145,
    secondSideS: null,
    verdict: 'good',
    marks: ['pale'],
    note: '',
    scales: { colour: 2, crumb: 3 },
    waste: 1,
    heightMm: null,
    acrossMm: null,
    change: 'hotter',
    massG: 1900,
    exactness: 'gram',
  } as const;
  const a: MadeBatch = { batch, process: processOf(LOG, []), batterC: 22 };
  const b: MadeBatch = {
    batch: { ...batch, verdict: null, marks: [], scales: {}, waste: null, change: '' },
    process: processOf({ ...LOG, entries: [], weights: {} }, []),
    batterC: 8,
  };
  const { process, outcome } = besideEachOther(a, b, findIngredient);
  const of = (rows: typeof process) => Object.fromEntries(rows.map((r) => [r.name, [r.a, r.b]]));
  expect(of(process)).toMatchObject({
    'Stirred in': ['30 g whole milk', ''],
    'Went in off the plan': ['Flour +50 g, Sugar +5 g', ''],
    Surface: ['185 °C', ''],
    'Batter at': ['22 °C', '8 °C'],
    Mixed: ['18 turns', ''],
  });
  expect(process.map((r) => r.name)).not.toContain('Second side');
  expect(of(outcome)).toMatchObject({
    'How it was': ['Good', 'under way'],
    Pieces: ['22 of 24', '22 of 24'],
    'On the scales': ['colour light, crumb even', ''],
    'Change for next time': ['hotter', ''],
  });
});
