/** Random lines over one day and two, worked in whatever time zone this process has: what no time line may ever do. */

import fc from 'fast-check';
import { kitLabels } from '../batch/kits';
import { scriptOfBatch } from '../batch/script-of';
import type { Serving } from '../batch/serving';
import type { SheetLine } from '../batch/sheet-line';
import type { Split } from '../batch/split';
import { timeLine } from '../day/schedule';
import type { Step } from '../day/step';
import { forDays, stepsOf } from '../day/steps';
import { KIND_IDS } from '../formula/kinds';
import { FRESH_WAYS } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import { dayAfter, eveningBefore, localDay, localTime, momentOf } from '../quantity/day';
import { FRESH_UNITS } from '../quantity/say';

const HOUR = 3_600_000;
const line = (key: string, id: string, vessel: SheetLine['vessel'], preparation: string): SheetLine => ({
  key,
  text: `${id} ${preparation}`,
  name: id,
  vessel,
  measure: '50 g',
  grams: 50,
  preparation,
  parts: [{ id, grams: 50 }],
});
const LINES: readonly SheetLine[] = [
  line('l1', 'flour-all-purpose', 'dry', ''),
  line('l2', 'milk-whole', 'wet', ''),
  line('l3', 'egg-large', 'wet', ''),
  line('l4', 'butter-unsalted', 'wet', 'melted'),
  line('l5', 'butter-unsalted', 'wet', 'softened'),
  line('l6', 'rolled-oats', 'wet', 'soaked'),
  line('l7', 'pumpkin-puree', 'wet', 'roasted'),
  line('l8', 'egg-white', 'fold-in', 'whipped'),
];

const anyBatch = fc.record({
  sheet: fc.subarray([...LINES], { minLength: 2 }),
  kind: fc.constantFrom(...KIND_IDS),
  bowls: fc.integer({ min: 1, max: 3 }),
  pieces: fc.integer({ min: 1, max: 60 }),
  restMin: fc.constantFrom(0, 10, 60, 720),
  warmth: fc.constantFrom('counter' as const, 'cold' as const),
  whip: fc.constantFrom('last' as const, 'first' as const, 'before-rest' as const),
  helpers: fc.integer({ min: 0, max: 2 }),
  anchor: fc.constantFrom('first' as const, 'last' as const),
  /**
   * Hours from the day the clocks change there; and when the day before is begun: not, its evening, or so many hours
   * before.
   */
  hours: fc.integer({ min: -40, max: 60 }),
  dayOne: fc.oneof(fc.constant(null), fc.constant('evening' as const), fc.integer({ min: 1, max: 30 })),
});

/**
 * @param runs random lines @param changes a moment near which the clocks change there, ms since 1970
 * @throws where a step begins before what it needs, what stands cold is taken out to warm, or a day is not the
 * calendar's
 * @returns how many of the lines were over two days
 */
export function dayLaw(runs: number, changes: number, zone = ''): number {
  const Z = { zone };
  let two = 0;
  fc.assert(
    fc.property(anyBatch, (b) => {
      const split: Split =
        b.bowls === 1
          ? { by: 'one' }
          : { by: 'bowls', mixes: b.bowls, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 20 };
      const batch = { sheet: b.sheet, split, kind: b.kind, driver: { by: 'factor', factor: 1 } } as const;
      const ways = { ...FRESH_WAYS, warmth: b.warmth, whip: b.whip };
      const all: readonly Step[] = stepsOf({
        batch,
        ways,
        script: scriptOfBatch(batch, ways, (id) => findIngredient(id)),
        restMin: b.restMin,
        life: { min: 60, why: 'powder' },
        pourings: [{ kind: b.kind, name: null, pieces: b.pieces, times: { first: 140, second: 90 }, atOnce: 8 }],
        find: (id) => findIngredient(id),
      });
      const at = changes + b.hours * HOUR;
      const evening = eveningBefore(at, Z);
      if (localDay(evening, Z) !== dayAfter(localDay(at, Z), -1) || localTime(evening, Z) !== '18:00')
        throw new Error('the evening before is not the evening before');
      const dayOneAt = b.dayOne === null ? null : b.dayOne === 'evening' ? evening : at - b.dayOne * HOUR;
      if (dayOneAt !== null) two++;
      const serving: Serving = { at, anchor: b.anchor, helpers: b.helpers, dayOneAt, moved: {} };
      const { placed } = timeLine(all, serving, null);
      const steps = forDays(all, dayOneAt !== null);
      if (placed.length !== steps.length) throw new Error('a step is lost');
      for (const p of placed)
        for (const a of steps.find((s) => s.id === p.step.id)?.after ?? []) {
          const before = placed.find((x) => x.step.id === a);
          if (before && before.end > p.start + 1) throw new Error(`${p.step.id} begins before ${a} is over`);
        }
      const ahead = placed.filter((p) => p.ahead).map((p) => p.step.id);
      // a tub that stands in the cold is not taken out to warm, and its butter is melted on the day
      if (ahead.includes('wet') && placed.some((p) => p.step.id === 'out'))
        throw new Error('egg in the tub is taken out to warm');
      if (['melt', 'cool', 'soften'].some((id) => ahead.includes(id)))
        throw new Error('butter is melted the day before');
      // the day after is the next in the calendar, whatever the clocks do
      const packed = momentOf(localDay(at, Z), '23:30', Z);
      const foot = kitLabels(
        { name: 'x', split, sheet: b.sheet, timeline: null },
        (id) => findIngredient(id),
        { ...FRESH_UNITS, ...Z, days: 'year-month-day' },
        new Date(packed),
      )
        .flatMap((l) => l.foot)
        .join(' ');
      if (
        foot.includes('use by') &&
        !foot.includes(`Packed ${localDay(at, Z)}, use by ${dayAfter(localDay(at, Z), 1)}.`)
      )
        throw new Error(`a label of another day: ${foot}`);
    }),
    { numRuns: runs },
  );
  return two;
}
