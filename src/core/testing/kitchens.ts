/**
 * Random kitchens: a card, its ends, a house with its gear and ways, how it is measured, parted and driven. What two
 * parts of the app say of such a batch is held together by laws (`kitchens.test.ts`, `script/held.test.ts`).
 */
import fc from 'fast-check';
import type { Driver } from '../batch/driver';
import { EXACTNESSES, type Exactness } from '../batch/exactness';
import { ONE, type Split } from '../batch/split';
import { EMPTY_FORMULA, type EndId, type Formula } from '../formula/formula';
import { KIND_IDS, type KindId, kindById } from '../formula/kinds';
import { FRESH_KITCHEN, type Kitchen } from '../formula/kitchen-settings';
import { MATTERS, WAY_IDS } from '../formula/schools';
import type { Ways } from '../formula/ways';
import type { Gear } from '../pantry/gear';

/** Lines that a card may have, each at most once; flour is on all of them. */
const CARD_LINES = [
  '250 g flour',
  '400 g milk',
  '400 g oat drink',
  '300 g water',
  '2 eggs',
  '3 eggs, separated',
  '40 g butter, melted',
  '40 g butter, softened',
  '50 g oil',
  '30 g dark chocolate, melted',
  '10 g baking powder',
  '3 g baking soda',
  '7 g dry yeast',
  '4 g salt',
  '20 g sugar',
  '60 g walnuts',
  'oil for the pan',
  'butter for the pan',
  '30 g syrup to serve',
] as const;

/** One choice of each matter. */
export const anyWays = fc.record(
  Object.fromEntries(WAY_IDS.map((k) => [k, fc.constantFrom(...Object.keys(MATTERS[k].choices))])) as Record<
    (typeof WAY_IDS)[number],
    fc.Arbitrary<string>
  >,
) as fc.Arbitrary<unknown> as fc.Arbitrary<Ways>;

const GEAR: readonly Gear[] = [
  { id: 'g1', sort: 'griddle', name: 'Griddle', wideCm: 60, deepCm: 40 },
  { id: 'p1', sort: 'pan', name: 'Skillet', acrossCm: 28 },
  { id: 'p2', sort: 'pan', name: 'Old skillet', acrossCm: 24 },
  { id: 'b1', sort: 'bowl', name: 'Bowl', bowlMl: 6000, bowls: 2 },
];

export const anyCard = fc
  .shuffledSubarray([...CARD_LINES], { minLength: 2, maxLength: 9 })
  .map((l) => ['200 g flour', ...l]);

const anyKitchenHouse: fc.Arbitrary<Kitchen> = fc
  .record({ ways: anyWays, gear: fc.subarray([...GEAR]), altitudeM: fc.constantFrom(0, 0, 1800) })
  .map(({ ways, gear, altitudeM }) => ({
    ...FRESH_KITCHEN,
    gear,
    ways: { ...FRESH_KITCHEN.ways, ...ways, altitudeM },
  }));

/**
 * A formula of a card; with an end each, a line of its own in either, one of them of a thing that the base may hold
 * too.
 */
const formulaOf = (card: readonly string[], kind: KindId, forked: boolean): Formula => {
  const entries = card.map((text, n) => ({ key: `l${n + 1}`, text }));
  const own = (key: string, text: string, end: EndId) => ({ key, text, end });
  return {
    ...EMPTY_FORMULA,
    name: 'Kitchen cakes',
    kind,
    school: kindById(kind).schools[0].id,
    entries: forked
      ? [...entries, own('l90', '15 g sugar', 'a'), own('l91', '5 g salt', 'b'), own('l92', '30 g milk', 'b')]
      : entries,
    ends: forked
      ? [
          { id: 'a', name: 'sweet' },
          { id: 'b', name: 'savoury' },
        ]
      : null,
  } as Formula;
};

export interface AnyKitchen {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly end: EndId | null;
  readonly driver: Driver;
  readonly split: Split;
  readonly exactness: Exactness;
  readonly kind: KindId;
}

const anySplit: fc.Arbitrary<Split> = fc.oneof(
  fc.constant(ONE),
  fc
    .integer({ min: 2, max: 4 })
    .map((mixes): Split => ({ by: 'bowls', mixes, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 20 })),
  fc.integer({ min: 2, max: 3 }).map((benches): Split => ({ by: 'kits', benches, classes: 1 })),
);

export const anyKitchen: fc.Arbitrary<AnyKitchen> = fc
  .record({
    card: anyCard,
    kind: fc.constantFrom(...KIND_IDS),
    house: anyKitchenHouse,
    forked: fc.boolean(),
    both: fc.boolean(),
    split: anySplit,
    exactness: fc.constantFrom(...EXACTNESSES),
    pieces: fc.integer({ min: 1, max: 60 }),
    more: fc.integer({ min: 1, max: 40 }),
    testPiece: fc.boolean(),
  })
  .map(({ card, kind, house, forked, both, split, exactness, pieces, more, testPiece }): AnyKitchen => {
    const pan = kindById(kind).schools[0].portionMl === null;
    const two = forked && both && !pan;
    const ask = (name: string, n: number) => ({ name, pieces: n, portionMl: 60 });
    const driver: Driver = pan
      ? { by: 'factor', factor: pieces / 10 }
      : two
        ? ({
            by: 'both',
            a: ask('sweet', pieces),
            b: ask('savoury', more),
            ...(testPiece && { testPiece: true }),
          } as Driver)
        : { by: 'pieces', pieces, portionMl: 60, ...(testPiece && { testPiece: true }) };
    return {
      formula: formulaOf(card, kind, forked),
      house,
      end: forked && !two ? 'a' : null,
      driver,
      split: two ? ONE : split,
      exactness,
      kind,
    };
  });
