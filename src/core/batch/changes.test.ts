/** A batch that changes after it was begun, and the notice of it as it is. */
import fc from 'fast-check';
import { FRESH_WAYS } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import type { ActEntry } from './acts';
import { changesBetween, marked, withCovers } from './changes';
import { noticeLines, noticeOf } from './notice';
import type { SheetLine } from './sheet-line';

const line = (key: string, id: string, grams: number, more: Partial<SheetLine> = {}): SheetLine => ({
  key,
  text: id,
  name: findIngredient(id)?.name ?? id,
  vessel: 'dry',
  measure: `${grams} g`,
  grams,
  preparation: '',
  parts: [{ id, grams }],
  ...more,
});
const IDS = ['flour-all-purpose', 'milk-whole', 'sugar-granulated', 'baking-powder-double-al'] as const;
const sheetAt = (size: number, mixes: number): readonly SheetLine[] =>
  Array.from({ length: mixes }, (_, m) =>
    IDS.map((id, n) =>
      line(
        m === 0 ? `l${n}` : `l${n}m${m + 1}`,
        id,
        Math.round(size * ([250, 400, 30, 11][n] ?? 0) * 10) / 10,
        mixes > 1 ? { mix: m + 1 } : {},
      ),
    ),
  ).flat();

test('law: more covers leave every mix that is not joined at the new plan, whatever was weighed; fewer never take out what is in', () => {
  const sizes = fc.double({ min: 0.3, max: 3, noNaN: true });
  fc.assert(
    fc.property(
      sizes,
      sizes,
      fc.integer({ min: 1, max: 3 }),
      fc.subarray(IDS.map((_, n) => n)),
      fc.boolean(),
      (from, to, mixes, ticked, joins) => {
        const sheet = sheetAt(from, mixes);
        const target = sheetAt(to, mixes);
        const keys = ticked.map((n) => `l${n}`);
        const r = withCovers(
          { sheet, ticked: keys, weights: {}, joined: joins && keys.length === IDS.length ? [1] : [] },
          target,
          findIngredient,
        );
        const all = (s: readonly SheetLine[], mix: number, id: string) =>
          s
            .filter((l) => (l.mix ?? 1) === mix)
            .reduce((a, l) => a + (l.parts ?? []).filter((p) => p.id === id).reduce((x, p) => x + p.grams, 0), 0);
        for (const id of IDS) {
          const grew = keys.length === 0 || (to >= from && r.stays.length === 0);
          expect(Math.abs(all(r.sheet, 1, id) - all(grew ? target : sheet, 1, id))).toBeLessThanOrEqual(0.51);
          // the other mixes are not begun
          for (let m = 2; m <= mixes; m++) expect(all(r.sheet, m, id)).toBeCloseTo(all(target, m, id), 6);
        }
        for (const k of keys) expect(r.sheet.find((l) => l.key === k)).toEqual(sheet.find((l) => l.key === k));
        expect(new Set(r.sheet.map((l) => l.key)).size).toBe(r.sheet.length);
      },
    ),
    { numRuns: 150 },
  );
});

test('more pieces twice: what went in after the first time is not asked for again', () => {
  const joined: number[] = [];
  const ticked = ['l0'];
  const once = withCovers({ sheet: sheetAt(1, 1), ticked, weights: {}, joined }, sheetAt(2, 1), findIngredient);
  expect(once.sheet.filter((l) => l.key.startsWith('l0')).map((l) => l.grams)).toEqual([250, 250]);
  const twice = withCovers(
    { sheet: once.sheet, ticked: [...ticked, 'l0t1'], weights: {}, joined },
    sheetAt(3, 1),
    findIngredient,
  );
  const flour = twice.sheet.filter((l) => l.key.startsWith('l0'));
  expect(flour.map((l) => l.grams).sort()).toEqual([250, 250, 250]);
  expect(new Set(flour.map((l) => l.key)).size).toBe(3);
});

test('what a stand-in changes is told line by line with what it brings and takes; and it stays marked through a second one', () => {
  const before = [line('l1', 'flour-all-purpose', 250), line('l2', 'milk-whole', 400, { vessel: 'wet' })];
  const after = [line('l1', 'flour-all-purpose', 245), line('l2', 'almond-drink', 400, { vessel: 'wet' })];
  const c = changesBetween(before, after, findIngredient);
  expect(c.lines).toHaveLength(3);
  expect(c.comes.join()).toMatch(/nut/i);
  expect(c.goes.join()).toMatch(/milk/i);
  const once = marked(after, before, 'l2');
  expect(once.map((l) => l.standsFor)).toEqual([undefined, before[1]?.name]);
  const second = marked([line('l1', 'flour-spelt', 245), after[1] as SheetLine], once, 'l1');
  expect(second.map((l) => l.standsFor)).toEqual([before[0]?.name, before[1]?.name]);
});

test('the notice of a batch comes from its sheet as it is: stand-ins, sauces, pan fat as it was said at the heat, what was stirred in', () => {
  const sheet = [
    line('l1', 'flour-all-purpose', 250),
    line('l2', 'almond-drink', 400, { vessel: 'wet', standsFor: 'Whole milk' }),
    line('s1p0', 'honey', 40, { vessel: 'topping', side: 'Honey cream' }),
    line('s1p1', 'egg-yolk', 40, { vessel: 'topping', side: 'Honey cream' }),
  ];
  const entry = (act: ActEntry['act']): ActEntry => ({ id: JSON.stringify(act), at: 1, act });
  const of = (entries: readonly ActEntry[] = []) =>
    noticeOf({ sheet, kind: 'griddle', entries }, { ...FRESH_WAYS, panFat: 'film' }, findIngredient);
  const names = (n: ReturnType<typeof of>) => n.held.map((h) => h.name.toLowerCase()).join(', ');
  expect(names(of())).toMatch(/gluten|wheat/);
  expect(names(of())).toMatch(/nut/);
  expect(names(of())).toMatch(/egg/);
  // no milk until butter goes into the pan, or milk into the bowl
  expect(names(of())).not.toMatch(/milk/);
  expect(names(of([entry({ what: 'way', way: 'panFat', value: 'butter' })]))).toMatch(/milk/);
  expect(
    names(of([entry({ what: 'corrected', mix: 1, ingredientId: 'milk-whole', grams: 20, bowlG: 800, seen: '' })])),
  ).toMatch(/milk/);
  expect(noticeLines(of()).map((l) => l.strong)).toEqual(
    expect.arrayContaining(['As it was made:', 'With honey:', 'Egg in what is served with it:']),
  );
  expect(noticeLines(of())[0]?.text).toContain('in place of whole milk');
});

test('the notice says what the card serves and no line holds; not where the sheet holds its allergen', () => {
  const served = [
    { said: 'peanut butter', allergen: 'peanut' },
    { said: 'walnuts', allergen: 'tree-nut' },
  ] as const;
  const making = { ways: FRESH_WAYS, edits: [], told: {}, served };
  const of = (sheet: readonly SheetLine[]) =>
    noticeOf({ sheet, kind: 'griddle', entries: [], making }, { ...FRESH_WAYS, panFat: 'film' }, findIngredient);
  const plain = [line('l1', 'flour-all-purpose', 250), line('l2', 'milk-whole', 400, { vessel: 'wet' })];
  expect(noticeLines(of(plain))[0]).toEqual({
    strong: 'Served with it, by the card:',
    text: 'peanut butter (peanut), walnuts (tree nuts). None of that is on the list, and its allergens are not told above.',
  });
  const withNuts = [...plain, line('l3', 'walnuts', 60, { vessel: 'topping' })];
  expect(of(withNuts).served.map((s) => s.said)).toEqual(['peanut butter']);
  // milk that went in at first, and for which a stand-in came: what is served with it tells of milk now
  const butter = { ...making, served: [{ said: 'butter', allergen: 'milk' }] as const };
  const told = (milk: SheetLine) =>
    noticeOf(
      { sheet: [line('l1', 'flour-all-purpose', 250), milk], kind: 'griddle', entries: [], making: butter },
      { ...FRESH_WAYS, panFat: 'film' },
      findIngredient,
    ).served.map((x) => x.said);
  expect(told(line('l2', 'milk-whole', 400, { vessel: 'wet' }))).toEqual([]);
  expect(told(line('l2', 'oat-drink', 400, { vessel: 'wet', standsFor: 'Whole milk' }))).toEqual(['butter']);
  // begun before it was kept
  expect(
    noticeOf(
      { sheet: plain, kind: 'griddle', entries: [], making: { ways: FRESH_WAYS, edits: [], told: {} } },
      FRESH_WAYS,
      findIngredient,
    ).served,
  ).toEqual([]);
});
