import type { ActEntry } from '../batch/acts';
import type { SheetLine } from '../batch/sheet-line';
import { findIngredient } from '../pantry/pantry';
import { FRESH_UNITS } from '../quantity/say';
import { broughtBy, broughtInWords } from './brought';

const line = (key: string, id: string, grams: number): SheetLine => ({
  key,
  text: '',
  name: findIngredient(id)?.name ?? id,
  vessel: 'wet',
  measure: null,
  grams,
  preparation: '',
  parts: [{ id, grams }],
});
const SHEET = [line('l1', 'flour-all-purpose', 500), line('l2', 'milk-whole', 800), line('l3', 'butter-unsalted', 100)];
const ENTRY = { id: 'e', at: 0 };
const stirred = (ingredientId: string, grams: number, bowlG = 1400): ActEntry =>
  ({ ...ENTRY, act: { what: 'corrected', mix: 1, ingredientId, grams, bowlG, seen: '' } }) as ActEntry;
const made = (entries: readonly ActEntry[] = [], weights: Readonly<Record<string, number>> = {}) => ({
  sheet: SHEET,
  entries,
  weights,
});
const brought = (...makings: readonly ReturnType<typeof made>[]) => broughtBy(makings, (id) => findIngredient(id));
const says = (...makings: readonly ReturnType<typeof made>[]) =>
  brought(...makings).map((b) => broughtInWords(b, FRESH_UNITS));

test('liquid stirred in until it poured right is offered after one making, other things after two alike', () => {
  // a spoon of milk is 15.3 g
  expect(says(made([stirred('milk-whole', 46)]))).toEqual(['3 spoons (46 g) more whole milk than written, once']);
  expect(says(made([stirred('milk-whole', 46)]), made([stirred('milk-whole', 44)]))).toEqual([
    '3 spoons (45 g) more whole milk than written, twice now',
  ]);
  expect(says(made([stirred('flour-all-purpose', 40)]))).toEqual([]);
  expect(says(made([stirred('flour-all-purpose', 40)]), made([stirred('flour-all-purpose', 30)]))).toEqual([
    '35 g more all-purpose wheat flour than written, twice now',
  ]);
});

test('the same line weighed otherwise twice counts as well; once is a slip, and opposite ways are two', () => {
  expect(says(made([], { l3: 80 }))).toEqual([]);
  expect(says(made([], { l3: 80 }), made([], { l3: 84 }))).toEqual([
    '18 g less unsalted butter than written, twice now',
  ]);
  expect(says(made([], { l3: 80 }), made([], { l3: 120 }))).toEqual([]);
  // ten grams and forty are not alike
  expect(says(made([], { l3: 90 }), made([], { l3: 60 }))).toEqual([]);
});

test('where the newest making had it as written nothing is offered; a making between ends the row', () => {
  expect(says(made(), made([stirred('milk-whole', 46)]))).toEqual([]);
  expect(brought(made([stirred('milk-whole', 46)]), made(), made([stirred('milk-whole', 46)]))[0]?.times).toBe(1);
  // rounding is no correction
  expect(says(made([], { l2: 808 }), made([], { l2: 808 }))).toEqual([]);
});

test('stirred into half a bowl it counts for as much as it was of that', () => {
  expect(brought(made([stirred('milk-whole', 20, 700)]))[0]).toMatchObject({ key: 'l2', askedG: 800, wentG: 840 });
});

test('liquid left out is no flow: less of it is offered only when it came twice', () => {
  expect(says(made([], { l2: 700 }))).toEqual([]);
  expect(says(made([], { l2: 700 }), made([], { l2: 720 }))).toEqual([
    '6 spoons (90 g) less whole milk than written, twice now',
  ]);
});
