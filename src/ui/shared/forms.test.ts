/** Forms as pure state: from what is kept to what is typed, and from what is typed to what is sent or told. */
import fc from 'fast-check';
import type { Batch } from '@/core/batch/batch';
import type { Side } from '@/core/batch/sides';
import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { FRESH_CONVENTIONS } from '@/core/pantry/conventions';
import { findIngredient } from '@/core/pantry/pantry';
import { FRESH_PREMIX } from '@/core/premix/premix';
import { changed, partsTyped } from '../house/house.state';
import { stockFieldsOf, stockNoteOf, stockToSend } from '../pantry/stock.state';
import { premixToSend, premixTyped } from '../premix/premix.state';
import { readSide, sideTyped } from '../sides/side.state';
import { NOTHING_ASKED, shelfAddress } from '../today/shelf.state';
import { writtenName } from './ingredient-field';
import { type OutcomeFields, outcomeOf, outcomeToSend, seconds } from './outcome.state';

const BATCH = {
  pieces: null,
  firstSideS: 145,
  secondSideS: null,
  verdict: null,
  marks: ['tall', 'strange'],
  note: 'Light.',
  scales: { crumb: 4 },
  waste: null,
  heightMm: null,
  acrossMm: 105,
  change: '',
  outcomeRevision: 3,
} as unknown as Batch;
const SEEN = { pieces: 11, firstSideS: 130, secondSideS: 70 };

describe('the outcome', () => {
  test('begins with what is written, else with what was tapped at the griddle, and remembers what was in the log then', () => {
    const { fields, row } = outcomeOf(BATCH, SEEN);
    expect(fields).toMatchObject({
      pieces: '11',
      first: '2:25',
      second: '1:10',
      verdict: '',
      marks: ['tall'],
      waste: '',
    });
    expect(row).toMatchObject({ revision: 3, base: { pieces: null, firstSideS: 145, note: 'Light.' } });
  });

  test('what is typed goes as numbers; what is none is told at its place, and a verdict is asked for', () => {
    const form: OutcomeFields = {
      ...outcomeOf(BATCH, SEEN).fields,
      verdict: 'good',
      pieces: ' 12 ',
      waste: '1',
      height: '18,5 mm',
    };
    expect(outcomeToSend(form)).toMatchObject({
      errors: {},
      outcome: {
        pieces: 12,
        waste: 1,
        heightMm: 18.5,
        acrossMm: 105,
        firstSideS: 145,
        secondSideS: 70,
        verdict: 'good',
        note: 'Light.',
      },
    });
    const bad = outcomeToSend({
      ...form,
      verdict: '',
      pieces: '-3',
      waste: 'some',
      height: 'tall',
      across: '1e3',
      first: '2:99',
      second: 'soon',
    }).errors;
    expect(Object.keys(bad).sort()).toEqual([
      'acrossMm',
      'firstSideS',
      'heightMm',
      'pieces',
      'secondSideS',
      'verdict',
      'waste',
    ]);
  });

  test('a copy of a form from before there were heights goes without them', () => {
    const { height: _, across: __, ...older } = { ...outcomeOf(BATCH, SEEN).fields, verdict: 'good' as const };
    expect(outcomeToSend(older as OutcomeFields)).toMatchObject({
      errors: {},
      outcome: { heightMm: null, acrossMm: null },
    });
  });

  test('law: minutes and seconds are read back as they are said', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 7200 }), (s) => {
        expect(seconds(`${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`)).toBe(s);
        expect(seconds(`${s} s`)).toBe(s);
      }),
    );
    expect([seconds(''), seconds('2:5'), seconds('1:60'), seconds('x')]).toEqual([
      null,
      Number.NaN,
      Number.NaN,
      Number.NaN,
    ]);
  });
});

describe('packs and dates', () => {
  const STOCK = {
    ingredientId: 'honey',
    price: 6.5,
    packG: 750,
    onHandG: 300,
    opened: null,
    bestBefore: '2027-01-31',
    revision: 4,
  };

  test('as kept, as typed, and back; how much there is has no field', () => {
    expect(stockFieldsOf(STOCK)).toEqual({ price: '6.5', packG: '750', opened: '', bestBefore: '2027-01-31' });
    expect(stockNoteOf(STOCK)).toEqual({ price: 6.5, packG: 750, opened: null, bestBefore: '2027-01-31' });
    expect(stockToSend(stockFieldsOf(STOCK))).toEqual({ note: stockNoteOf(STOCK), errors: {} });
    expect(stockToSend(stockFieldsOf(null)).note).toEqual({ price: null, packG: null, opened: null, bestBefore: null });
  });

  test('kilograms are read, and what is no number is told', () => {
    expect(stockToSend({ price: '3,20', packG: '1.5 kg', opened: '', bestBefore: '' })).toMatchObject({
      note: { price: 3.2, packG: 1500 },
      errors: {},
    });
    expect(Object.keys(stockToSend({ price: 'dear', packG: 'a sack', opened: '', bestBefore: '' }).errors)).toEqual([
      'price',
      'packG',
    ]);
  });
});

describe('a sauce or butter', () => {
  const SIDE: Side = {
    id: 's',
    name: 'Honey butter',
    by: 'weight',
    parts: [
      { ingredientId: 'honey', parts: 2 },
      { ingredientId: 'butter-unsalted', parts: 3 },
    ],
    servingG: 15,
    method: 'Whip.',
  };
  const nameOf = (id: string): string => {
    const i = findIngredient(id);
    return i ? writtenName(i, FRESH_CONVENTIONS) : '';
  };

  test('what is kept is written so that it is read back as the same', () => {
    const read = readSide(sideTyped(SIDE, nameOf), FRESH_CONVENTIONS);
    expect(read).toMatchObject({ errors: {}, whole: true, serving: 15, parts: SIDE.parts });
  });

  test('empty rows are dropped, half ones told by the row that is seen', () => {
    const typed = {
      ...sideTyped(SIDE, nameOf),
      serving: 'much',
      parts: [
        { name: '', parts: '' },
        { name: 'honey', parts: '0' },
        { name: 'moon dust', parts: '1' },
        { name: '', parts: '4' },
      ],
    };
    const read = readSide(typed, FRESH_CONVENTIONS);
    expect(read.rows).toHaveLength(3);
    expect(read.whole).toBe(false);
    expect(Object.keys(read.errors).sort()).toEqual([
      'parts.0.parts',
      'parts.1.ingredientId',
      'parts.2.ingredientId',
      'servingG',
    ]);
  });
});

describe('a premix', () => {
  test('numbers as typed; what is left open stays open; what is none is told', () => {
    const settings = { ...FRESH_PREMIX, bagG: 750, densityGPerMl: 0.55, months: 4 };
    expect(premixToSend(settings, premixTyped(settings))).toEqual({ now: settings, errors: {} });
    const { costs } = premixTyped(settings);
    expect(
      premixToSend(settings, { bag: '1 250 g', density: '', months: '', costs: { ...costs, price: '4,50' } }).now,
    ).toMatchObject({
      bagG: 1250,
      densityGPerMl: null,
      months: null,
      price: 4.5,
      hour: null,
    });
    expect(
      Object.keys(
        premixToSend(settings, { bag: '', density: 'light', months: 'few', costs: { ...costs, lossPct: 'some' } })
          .errors,
      ),
    ).toEqual(['settings.bagG', 'settings.densityGPerMl', 'settings.months', 'settings.lossPct']);
  });
});

describe('the house', () => {
  test('a change is applied to what it speaks of, and what it speaks of is what is compared', () => {
    const change = { conventions: { cup: 'metric' }, units: { clock: '12' } } as const;
    const after = changed(FRESH_KITCHEN, change);
    expect(after).toMatchObject({
      conventions: { cup: 'metric', egg: 'large' },
      units: { clock: '12', weight: 'g' },
      gear: FRESH_KITCHEN.gear,
    });
    expect(partsTyped(FRESH_KITCHEN, change)).toEqual({ conventions: { cup: 'us-customary' }, units: { clock: '24' } });
    expect(partsTyped(after, { gear: [], drawer: [] })).toEqual({ gear: after.gear, drawer: after.drawer });
    expect(partsTyped(FRESH_KITCHEN, {})).toEqual({});
  });
});

describe('the address of a search', () => {
  test('says what is asked and nothing else', () => {
    expect(shelfAddress(NOTHING_ASKED)).toBe('/');
    expect(shelfAddress({ ...NOTHING_ASKED, find: ' oat & rye ', without: 'milk', use: true }, '12_ab')).toBe(
      '/?find=oat+%26+rye&without=milk&use=up&after=12_ab',
    );
  });
});
