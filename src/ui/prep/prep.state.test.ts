/** Weighing in and correcting a bowl, as pure state. */
import type { Batch } from '@/core/batch/batch';
import type { SheetLine } from '@/core/batch/sheet-line';
import { POUR_WORDS } from '@/core/formula/kinds';
import { FRESH_CONVENTIONS } from '@/core/pantry/conventions';
import { findIngredient } from '@/core/pantry/pantry';
import { type BowlFacts, type BowlTyped, bowlAtHand, NOTHING_POURED, seenWords } from './correct.state';
import { type WeighTyped, weighAtHand } from './weigh-in.state';

const find = (id: string) => findIngredient(id);
const line = (key: string, id: string, grams: number): SheetLine =>
  ({
    key,
    name: id,
    measure: `${grams} g`,
    grams,
    vessel: 'dry',
    use: 'batter',
    parts: [{ id, grams }],
    preparation: '',
  }) as unknown as SheetLine;
const SHEET = [line('l1', 'flour-all-purpose', 500), line('l2', 'milk-whole', 600), line('l3', 'salt-table', 5)];
const BATCH = { sheet: SHEET, kind: 'griddle', school: 'plain' } as unknown as Batch;

describe('the weigh-in', () => {
  const at = (part: Partial<WeighTyped>, ticked: Record<string, number> = {}) =>
    weighAtHand(
      { typed: '', back: null, sure: false, adds: null, ...part },
      {
        batch: BATCH,
        lines: SHEET,
        done: { ticked: new Set(Object.keys(ticked)), weights: ticked },
        stepG: 1,
        reading: null,
        find,
      },
    );

  test('the first line that is open, then none', () => {
    expect(at({})).toMatchObject({ line: { key: 'l1' }, target: 500, weighed: true, last: undefined });
    expect(at({}, { l1: 500 })).toMatchObject({ line: { key: 'l2' }, last: { key: 'l1' } });
    expect(at({ back: 'l1' }, { l1: 500 })?.line.key).toBe('l1');
    expect(at({}, { l1: 500, l2: 600, l3: 5 })).toBeNull();
  });

  test('too much works the rest anew; too little does once it is seen', () => {
    const over = at({ typed: '540' });
    expect(over?.now.stands).toBe('over');
    expect(over?.over).not.toBeNull();
    expect(at({ typed: '500' })?.over).toBeNull();
    expect(at({ typed: '400' })?.short).toBeNull();
    expect(at({ typed: '400', sure: true })?.short).toBe(400);
  });

  test('an amount that nobody told is right within what is usual, and nothing is worked anew around it', () => {
    const proposed = { ...line('l1', 'flour-all-purpose', 500), usualG: [400, 600] as const };
    const weigh = (typed: string, sure = false) =>
      weighAtHand(
        { typed, back: null, sure, adds: null },
        {
          batch: { ...BATCH, sheet: [proposed, ...SHEET.slice(1)] },
          lines: [proposed],
          done: { ticked: new Set(), weights: {} },
          stepG: 1,
          reading: null,
          find,
        },
      );
    expect(weigh('590')).toMatchObject({ now: { stands: 'right' }, over: null });
    expect(weigh('620')).toMatchObject({ now: { stands: 'over' }, over: null });
    expect(weigh('300', true)?.short).toBeNull();
  });

  test('a bowl that stays on the scale: what was in it is taken off what it shows', () => {
    expect(at({ typed: '1100', adds: 500 }, { l1: 500 })?.now).toMatchObject({ reading: 600, stands: 'right' });
  });
});

describe('a bowl too thick or too thin', () => {
  const facts: BowlFacts = {
    batch: BATCH,
    lines: SHEET.map((l) => ({
      use: 'batter',
      parts: (l.parts ?? []).flatMap((p) => {
        const ingredient = find(p.id);
        return ingredient ? [{ ingredient, grams: p.grams }] : [];
      }),
    })) as BowlFacts['lines'],
    standing: { flour: 'stirred', restMin: 0 } as unknown as BowlFacts['standing'],
    stepG: 1,
    measured: { as: 'grams', conventions: FRESH_CONVENTIONS } as unknown as BowlFacts['measured'],
    pouredG: 105,
    find,
  };
  const typed = (part: Partial<BowlTyped>): BowlTyped => ({
    way: 'look',
    pour: null,
    ml: '60',
    across: NOTHING_POURED,
    bowl: '',
    own: '',
    ...part,
  });

  test('what is poured is no longer in it; less than twenty grams is not corrected', () => {
    expect(bowlAtHand(typed({}), facts)).toMatchObject({ inBowl: 1000, bowlG: 1000, seen: null, now: null });
    expect(bowlAtHand(typed({ bowl: '12' }), facts).wrong).toBe(true);
  });

  test('scooped stiff, milk goes in; the first step is no more than all of it', () => {
    const { now, seen } = bowlAtHand(typed({ pour: 'scoop-and-hold' }), facts);
    expect(now?.c).toMatchObject({ towards: 'thinner', ingredient: { id: 'milk-whole' } });
    expect(now?.first.grams).toBeLessThanOrEqual(now?.whole.grams ?? 0);
    expect(seen && seenWords(seen, POUR_WORDS)).toBe(POUR_WORDS['scoop-and-hold']);
  });

  test('a measured pour is said with its width', () => {
    const { seen } = bowlAtHand(typed({ way: 'pour', across: ['11', '', '12'] }), facts);
    expect(seen && seenWords(seen, POUR_WORDS)).toBe('60 ml lay 11.5 cm across');
  });
});
