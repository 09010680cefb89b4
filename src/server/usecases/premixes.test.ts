/** Premixes, lots and bags on the real database: the books add up, whoever takes at the same moment. */

import { randomUUID } from 'node:crypto';
import fc from 'fast-check';

import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { bagsLeft, FRESH_PREMIX, standingUses } from '@/core/premix/premix';
import { holdersOf, recallCsv } from '@/core/premix/recall';
import { piecesOfBags } from '@/core/premix/use';
import { localDay } from '@/core/quantity/day';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { batchById, besideOf } from '../queries/batches';
import { saveVersion } from '../queries/formulas';
import { changeHouse, loadHouse } from '../queries/house';
import { changesOfLot, correctLot, letBagsGo, lotsOfBatch, undoUse, usesOfLot, voidLot } from '../queries/lot-books';
import { keepPantry, stockNoted } from '../queries/pantry';
import {
  dropPremix,
  keepPremix,
  lotById,
  lots,
  lotsOfFormula,
  type NewLot,
  openLotsWith,
  premixById,
  sizesOfLot,
} from '../queries/premixes';
import { putAway, putBack, takeUp } from './change-batch';
import { startTogether } from './headcount';
import { bagsFor, frozenLotById, makeLot, nearlyCalled, newestOf, recalled, startFromBags } from './premix-lots';

// its own database: the shelf is everybody's
const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Bag cakes',
  entries: ['800 g flour', '150 g sugar', '10 g salt', '40 g baking powder', '1300 g milk', '4 eggs', '120 g oil'].map(
    (text, n) => ({
      key: `l${n + 1}`,
      text,
    }),
  ),
};
let versionId = '';
let formulaId = '';
let premixId = '';
beforeAll(async () => {
  await ownDatabase('premix_kitchen');
  const saved = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: FORMULA,
    changeNote: '',
  });
  if (!saved.ok) throw new Error(saved.message);
  ({ versionId, formulaId } = saved.saved);
  const kept = await keepPremix({
    id: null,
    versionId,
    name: 'Bag mix',
    settings: { ...FRESH_PREMIX, products: [{ kind: 'waffle', school: 'crisp' }] },
  });
  premixId = kept.ok ? kept.id : '';
});
afterAll(closePool);

const OWN = { kind: 'griddle', school: 'even' } as const;
const note = (ingredientId: string, onHandG: number | null, bestBefore: string | null = null) =>
  keepPantry([], [{ ingredientId, price: null, packG: null, onHandG, opened: null, bestBefore }]);
const onHand = async (id: string): Promise<number | null> => (await stockNoted())[id]?.onHandG ?? null;
const FLOUR = 'flour-all-purpose';
const make = ({
  bags = 10,
  bagG = 500,
  ...more
}: Partial<NewLot> & { readonly bags?: number; readonly bagG?: number } = {}) =>
  makeLot({
    premixId,
    fills: [{ bagG, bags }],
    made: '2026-03-01',
    sacks: {},
    checked: '',
    note: '',
    take: 'no',
    requestId: null,
    ...more,
  });
async function lotOf(bags: number) {
  const made = await make({ bags });
  if (!made.ok) throw new Error(made.message);
  return made.id;
}
const left = async (id: string): Promise<number> => {
  const lot = await lotById(id);
  return lot ? bagsLeft(lot) : -1;
};

test('a lot: its number, its date by what limits it first, what went in and from which packets, and off the shelf', async () => {
  await note('flour-all-purpose', 5000, '2026-06-15');
  const made = await make({
    take: 'enough',
    sacks: { [FLOUR]: [{ lot: 'M-7', grams: null }] },
    checked: 'foamed alike',
  });
  if (!made.ok) throw new Error(made.message);
  const lot = await lotById(made.id);
  expect(lot).toMatchObject({
    number: '260301-1',
    made: '2026-03-01',
    bestBefore: '2026-06-15',
    bagG: 500,
    bags: 10,
    used: 0,
    checked: 'foamed alike',
    premixName: 'Bag mix',
  });
  // 5 kg of bags hold 800 of every 1000 g flour
  expect(lot?.contents[0]).toEqual({
    id: 'flour-all-purpose',
    name: 'All-purpose wheat flour',
    grams: 4000,
    lot: 'M-7',
  });
  expect(lot?.contents.reduce((a, c) => a + c.grams, 0)).toBeCloseTo(5000, 1);
  expect(await onHand('flour-all-purpose')).toBeCloseTo(1000, 6);
  await note('flour-all-purpose', null);
});

test('a lot that is short, or past its date before it is made, is not made', async () => {
  await note('flour-all-purpose', 3000);
  const before = (await lots()).length;
  expect(await make({ take: 'enough' })).toMatchObject({
    ok: false,
    path: 'take',
    message: expect.stringMatching(/1.000 g short of 4.000 g/),
  });
  expect(await onHand('flour-all-purpose')).toBe(3000);
  expect((await make({ take: 'anyway', bags: 9 })).ok).toBe(true);
  expect(await onHand('flour-all-purpose')).toBe(0);
  await note('flour-all-purpose', null, '2026-02-01');
  expect(await make()).toMatchObject({ ok: false, path: 'made', message: expect.stringContaining('best by then') });
  expect((await lots()).length).toBe(before + 1);
  await note('flour-all-purpose', null);
});

test('lots made at the same moment have numbers of their own; the same press twice is one lot', async () => {
  const many = await Promise.all(Array.from({ length: 5 }, () => make({ made: '2026-04-02' })));
  expect(many.every((m) => m.ok)).toBe(true);
  const numbers = (await lots()).filter((l) => l.made === '2026-04-02').map((l) => l.number);
  expect(numbers.sort()).toEqual(['260402-1', '260402-2', '260402-3', '260402-4', '260402-5']);
  const requestId = randomUUID();
  const [a, b] = await Promise.all([make({ requestId }), make({ requestId })]);
  expect(a).toEqual(b);
});

test('two bags into a batch: the sheet, the books, and the trace both ways', async () => {
  const id = await lotOf(6);
  await note('egg-large', 1000);
  const started = await startFromBags({ lotId: id, bags: 2, product: OWN, take: 'enough', requestId: randomUUID() });
  if (!started.ok) throw new Error(started.message);
  const batch = await batchById(started.id);
  // a kilogram of mix is one formula
  expect(batch?.sheet.map((l) => [l.name, l.grams])).toEqual([
    [expect.stringMatching(/^2 bags of Bag mix, lot /), 1000],
    ['Whole milk', 1300],
    ['Large egg (4)', 200],
    ['Vegetable oil', 120],
  ]);
  expect(batch).toMatchObject({ name: 'Bag cakes, from the bag', kind: 'griddle', massG: 2620 });
  expect(await onHand('egg-large')).toBe(800);
  expect(await left(id)).toBe(4);
  expect(await usesOfLot(id)).toMatchObject([{ bags: 2, batchId: started.id, batchName: 'Bag cakes, from the bag' }]);
  expect(await lotsOfBatch(started.id)).toMatchObject([{ id, bags: 2, premixName: 'Bag mix' }]);
  // the bag's flour came off the shelf with the lot, not now
  expect(batch?.deductions.map((t) => t.id)).toEqual(['egg-large']);
  const waffles = await startFromBags({
    lotId: id,
    bags: 1,
    product: { kind: 'waffle', school: 'crisp' },
    take: 'no',
    requestId: null,
  });
  expect(waffles.ok && (await batchById(waffles.id))).toMatchObject({ kind: 'waffle', name: 'Bag cakes, as waffles' });
  expect(
    await startFromBags({
      lotId: id,
      bags: 1,
      product: { kind: 'crepe', school: 'sweet' },
      take: 'no',
      requestId: null,
    }),
  ).toMatchObject({
    ok: false,
    path: 'product',
  });
  // not made after all: the bags are there again
  expect(await putBack(started.id)).toBe(true);
  expect(await left(id)).toBe(5);
  expect(await onHand('egg-large')).toBe(1000);
});

test('never more bags than were made, however many take at once; one press is one batch', async () => {
  const id = await lotOf(5);
  const all = await Promise.all(
    Array.from({ length: 8 }, () =>
      startFromBags({ lotId: id, bags: 2, product: OWN, take: 'no', requestId: randomUUID() }),
    ),
  );
  expect(all.filter((s) => s.ok)).toHaveLength(2);
  expect(all.find((s) => !s.ok)).toMatchObject({ path: 'bags', message: expect.stringMatching(/^Only 1 bag is left/) });
  expect(await left(id)).toBe(1);
  const requestId = randomUUID();
  const twice = await Promise.all(
    [1, 2].map(() => startFromBags({ lotId: id, bags: 1, product: OWN, take: 'no', requestId })),
  );
  expect(twice.map((s) => s.ok)).toEqual([true, true]);
  expect(await left(id)).toBe(0);
  expect(await letBagsGo(id, { bags: 1, kind: 'bin', why: 'torn' })).toMatchObject({
    ok: false,
    message: 'No bag of this lot is left.',
  });
  // and the same press once more, when no bag is left, is still that batch
  expect(await startFromBags({ lotId: id, bags: 1, product: OWN, take: 'no', requestId })).toEqual(twice[0]);
});

test('whatever is used, given away and put back, in any order: made = left + used, and left is never below nothing', async () => {
  const act = fc.oneof(
    fc.record({ do: fc.constant('use' as const), bags: fc.integer({ min: 1, max: 4 }) }),
    fc.record({ do: fc.constant('lose' as const), bags: fc.integer({ min: 1, max: 4 }) }),
    fc.record({ do: fc.constant('back' as const), bags: fc.constant(0) }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(act, { maxLength: 7 }), async (acts) => {
      const id = await lotOf(7);
      let there = 7;
      const batches: { readonly id: string; readonly bags: number }[] = [];
      for (const a of acts) {
        if (a.do === 'use') {
          const s = await startFromBags({ lotId: id, bags: a.bags, product: OWN, take: 'no', requestId: null });
          expect(s.ok).toBe(a.bags <= there);
          if (s.ok) batches.push({ id: s.id, bags: a.bags });
          if (s.ok) there -= a.bags;
        } else if (a.do === 'lose') {
          const gone = await letBagsGo(id, { bags: a.bags, kind: 'bin', why: 'torn' });
          expect(gone.ok).toBe(a.bags <= there);
          if (gone.ok) there -= a.bags;
        } else {
          const b = batches.pop();
          if (b) await putBack(b.id);
          there += b?.bags ?? 0;
        }
      }
      const lot = await lotById(id);
      expect(lot?.used).toBe(7 - there);
      expect((await usesOfLot(id)).reduce((n, u) => n + u.bags, 0)).toBe(7 - there);
    }),
    { numRuns: 12 },
  );
});

test('a premix has one name; another bag is the next edition once a lot was made, and its lots stay; one without lots can go', async () => {
  expect(await keepPremix({ id: null, versionId, name: 'BAG mix', settings: FRESH_PREMIX })).toMatchObject({
    ok: false,
    fields: { name: expect.any(String) },
  });
  const powders = { ...FRESH_PREMIX.powders, egg: true };
  const first = await lotOf(1);
  const was = (await lotById(first))?.frozen;
  const edition = async () => (await premixById(premixId))?.edition;
  expect(await edition()).toBe(1);
  expect(
    await keepPremix({ id: premixId, versionId, name: 'Bag mix', settings: { ...FRESH_PREMIX, powders } }),
  ).toMatchObject({ ok: true, id: premixId });
  expect([await edition(), (await lotById(first))?.edition, (await lotById(first))?.frozen]).toEqual([2, 1, was]);
  const second = await lotOf(1);
  expect((await lotById(second))?.edition).toBe(2);
  expect((await lotById(second))?.contents.map((c) => c.id)).toContain('egg-powder-whole');
  // another bag of which no lot was made yet is the same edition; a new version of the formula is the next
  const next = await saveVersion({
    formulaId,
    basedOn: 1,
    knownNewest: 1,
    formula: { ...FORMULA, entries: FORMULA.entries.slice(0, 5) },
    changeNote: '',
  });
  if (!next.ok) throw new Error(next.message);
  expect((await newestOf(premixId))?.number).toBe(2);
  expect(
    (await keepPremix({ id: premixId, versionId: next.saved.versionId, name: 'Bag mix', settings: FRESH_PREMIX })).ok,
  ).toBe(true);
  expect(await edition()).toBe(3);
  expect((await keepPremix({ id: premixId, versionId, name: 'Bag mix', settings: FRESH_PREMIX })).ok).toBe(true);
  expect(await edition()).toBe(3);
  expect(
    await keepPremix({ id: premixId, versionId, name: 'Bag mix', settings: { ...FRESH_PREMIX, bagG: 750 } }),
  ).toMatchObject({
    ok: true,
    id: premixId,
    revision: 5,
  });
  expect((await premixById(premixId))?.settings.bagG).toBe(750);
  // what was put right for the old formula goes when the mix is kept of the newer one: the form saw it, and nobody else
  // changed it
  const righted = { ...FRESH_PREMIX, bagG: 750, bagged: FORMULA };
  const kept = await keepPremix({ id: premixId, versionId, name: 'Bag mix', settings: righted });
  if (!kept.ok) throw new Error(kept.message);
  const opened = { revision: kept.revision, base: { name: 'Bag mix', settings: righted } };
  const anew = await keepPremix(
    { id: premixId, versionId: next.saved.versionId, name: 'Bag mix', settings: { ...righted, bagged: null } },
    opened,
    null,
  );
  expect(anew).toMatchObject({ ok: true, merged: [] });
  expect((await premixById(premixId))?.settings.bagged).toBeNull();
  expect(await keepPremix({ id: randomUUID(), versionId, name: 'Nobody', settings: FRESH_PREMIX })).toMatchObject({
    ok: false,
  });
  expect(await dropPremix(premixId)).toBe(false);
  const other = await keepPremix({ id: null, versionId, name: 'Egg mix', settings: { ...FRESH_PREMIX, powders } });
  if (!other.ok) throw new Error(other.message);
  expect([await dropPremix(other.id), await dropPremix(other.id)]).toEqual([true, true]);
  expect((await lotsOfFormula(formulaId)).length).toBe((await lots(premixId)).length);
});

test('one headcount of bags and fresh batter: begun together, or neither; what is in the plan’s portion counts, and the books balance', async () => {
  const today = await make({ bags: 6, made: localDay(Date.now(), { zone: '' }) });
  if (!today.ok) throw new Error(today.message);
  const { id } = today;
  // bags past their date are not counted on
  const old = await lotOf(6);
  const house = await loadHouse();
  const [bagged] = (await bagsFor(await lotsOfFormula(formulaId), house)).filter((b) => b.lot.id === id);
  if (!bagged) throw new Error('the plan does not know of the bags');
  expect((await bagsFor(await lotsOfFormula(formulaId), house)).some((b) => b.lot.id === old)).toBe(false);
  expect(await make({ made: '2200-01-01' })).toMatchObject({
    ok: false,
    path: 'made',
    message: expect.stringMatching(/still to come/),
  });
  // a lot in bags of another size is the same product
  const small = await make({ bags: 2, bagG: 250 });
  expect(small.ok && (await lotById(small.id))).toMatchObject({ bagG: 250, premixName: 'Bag mix' });
  const three = piecesOfBags(bagged, 3, 60);
  const asked = 184;
  const start = (bags: number, requestId: string | null = randomUUID()) =>
    startTogether({
      versionId,
      driver: { by: 'pieces', pieces: asked - three, portionMl: 60 },
      exactness: 'gram',
      portionMl: 60,
      bags: [{ lotId: id, bags }],
      requestId,
    });
  const before = await rowsFrom(countRow, 'select count(*)::int as n from batches');
  // more bags than there are: the fresh batch is not begun either
  expect(await start(7)).toMatchObject({ ok: false, path: 'bags' });
  expect(await query('select count(*)::int as n from batches')).toEqual(before);
  const request = randomUUID();
  const [one, two] = await Promise.all([start(3, request), start(3, request)]);
  expect(one.ok && two.ok && one.id === two.id).toBe(true);
  expect(await left(id)).toBe(3);
  const fresh = one.ok ? await batchById(one.id) : null;
  const beside = fresh ? await besideOf(fresh) : [];
  expect(beside).toEqual([{ id: expect.any(String), name: 'Bag cakes, from the bag', pieces: three }]);
  expect((fresh?.piecesPlanned ?? 0) + three).toBe(asked);
  expect(await batchById(beside[0]?.id ?? '')).toMatchObject({ portionMl: 60, headcount: fresh?.headcount });
  // bags that make all of it are begun by themselves, once
  const again = randomUUID();
  const alone = () =>
    startTogether({
      versionId,
      driver: { by: 'pieces', pieces: 20, portionMl: 60 },
      exactness: 'gram',
      portionMl: 60,
      bags: [{ lotId: id, bags: 1 }],
      bagsAlone: true,
      requestId: again,
    });
  const [x, y] = [await alone(), await alone()];
  expect(x).toEqual(y);
  expect(await left(id)).toBe(2);
  expect(x.ok && (await batchById(x.id))).toMatchObject({ ending: 'from the bag', headcount: null });
});

test('a lot stays what it was made as, whatever becomes of the house and the product; an older one is frozen at its first look', async () => {
  const now = await premixById(premixId);
  if (!now) throw new Error('no premix');
  await keepPremix({
    id: premixId,
    versionId,
    name: 'Bag mix',
    settings: { ...now.settings, products: [{ kind: 'waffle', school: 'crisp' }] },
  });
  const id = await lotOf(2);
  const was = (await frozenLotById(id, await loadHouse()))?.frozen;
  expect(was?.name).toBe('Bag mix');
  expect(was?.ingredients.filter((r) => r.strong).map((r) => r.text)).toEqual(['WHEAT']);
  await changeHouse({
    maker: { name: 'Another maker' },
    units: { weight: 'oz' },
    conventions: { flourFill: 'dipped' },
  });
  const premix = await premixById(premixId);
  if (!premix) throw new Error('no premix');
  expect(
    await keepPremix({
      id: premixId,
      versionId,
      name: 'Another name',
      settings: { ...premix.settings, storage: 'elsewhere', products: [] },
    }),
  ).toMatchObject({
    ok: true,
  });
  expect((await frozenLotById(id, await loadHouse()))?.frozen).toEqual(was);
  // its additions too: a waffle of this bag is as it was
  expect(was?.products.map((p) => p.product.kind)).toContain('waffle');
  expect(
    (
      await startFromBags({
        lotId: id,
        bags: 0.5,
        product: { kind: 'waffle', school: 'crisp' },
        take: 'no',
        requestId: null,
      })
    ).ok,
  ).toBe(true);
  expect(await left(id)).toBe(1.5);
  // made before that was kept
  await query('update lots set frozen = null where id = $1', [id]);
  const first = (await frozenLotById(id, await loadHouse()))?.frozen;
  expect(first?.maker).toBe('Another maker');
  await changeHouse({ maker: { name: '' }, units: { weight: 'g' }, conventions: { flourFill: 'spooned' } });
  expect((await frozenLotById(id, await loadHouse()))?.frozen).toEqual(first);
  // and says that it was written down later
  expect([was?.writtenOn, first?.writtenOn]).toEqual([
    undefined,
    localDay(Date.now(), await loadHouse().then((h) => h.units)),
  ]);
  await keepPremix({ id: premixId, versionId, name: 'Bag mix', settings: premix.settings });
});

test('an entry is taken back by another, once; a lot is corrected or voided with who and why, and what it was is kept', async () => {
  await note('flour-all-purpose', 5000);
  const made = await make({ bags: 4, take: 'enough', sacks: { [FLOUR]: [{ lot: 'M-1', grams: null }] } });
  if (!made.ok) throw new Error(made.message);
  const { id } = made;
  expect(await letBagsGo(id, { bags: 1.5, kind: 'sale', who: 'Café', price: 9 })).toMatchObject({ ok: true });
  const [sale] = await usesOfLot(id);
  if (!sale) throw new Error('no entry');
  const twice = await Promise.all([undoUse(sale.id, 'A', 'wrong lot'), undoUse(sale.id, 'B', 'wrong lot')]);
  expect(twice.map((t) => t.ok).sort()).toEqual([false, true]);
  expect(await left(id)).toBe(4);
  expect((await usesOfLot(id)).map((u) => [u.bags, u.undoes === null])).toEqual([
    [1.5, true],
    [-1.5, false],
  ]);
  expect(await letBagsGo(id, { bags: 3, kind: 'gift', who: 'Camp' })).toMatchObject({ ok: true });
  const to = { bags: 2, sackLots: { [FLOUR]: ['M-2, M-3'] }, checked: '', note: '' };
  expect(await correctLot(id, to, 'Mo', 'miscounted')).toMatchObject({ ok: false, path: 'bags' });
  expect(await correctLot(id, { ...to, bags: 3 }, 'Mo', 'miscounted')).toMatchObject({ ok: true });
  expect(await lotById(id)).toMatchObject({
    bags: 3,
    contents: expect.arrayContaining([expect.objectContaining({ lot: 'M-2, M-3' })]),
  });
  expect(await changesOfLot(id)).toMatchObject([
    {
      who: 'Mo',
      why: 'miscounted',
      was: { bags: 4, contents: expect.arrayContaining([expect.objectContaining({ lot: 'M-1' })]) },
    },
  ]);
  // three bags of it have left: it was blended, and is no flour any more
  const shelf = await onHand('flour-all-purpose');
  expect(await voidLot(id, 'Mo', 'weevils', true)).toMatchObject({
    ok: false,
    path: 'back',
    message: expect.stringContaining('Bags of it have left (3)'),
  });
  expect((await lotById(id))?.voidedAt).toBeNull();
  expect(await voidLot(id, 'Mo', 'weevils', false)).toMatchObject({ ok: true });
  expect(await voidLot(id, 'Mo', 'weevils', false)).toMatchObject({ ok: false });
  expect(await onHand('flour-all-purpose')).toBe(shelf);
  expect(await letBagsGo(id, { bags: 1, kind: 'bin', why: 'x' })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/cancelled/),
  });
  expect(await left(id)).toBe(0);
  await note('flour-all-purpose', null);
});

test('one lot in bags of two sizes from two sacks: one number, each size its part of what went in, corrected and voided as one', async () => {
  await note(FLOUR, 20_000);
  const made = await make({
    fills: [
      { bagG: 1000, bags: 6 },
      { bagG: 500, bags: 8 },
    ],
    restG: 50,
    take: 'enough',
    sacks: {
      [FLOUR]: [
        { lot: 'W-1', grams: 5000 },
        { lot: 'W-2', grams: null },
      ],
    },
  });
  if (!made.ok) throw new Error(made.message);
  const one = await lotById(made.id);
  const both = await sizesOfLot(one?.number ?? '');
  expect(both.map((l) => [l.bagG, l.bags, l.id === made.id, l.restG])).toEqual([
    [1000, 6, true, 30],
    [500, 8, false, 20],
  ]);
  // 800 of every 1000 g are flour: 8,000 g, of which 5,000 out of the first sack; six tenths of it are in the larger
  // bags
  expect(both.map((l) => l.contents.find((c) => c.id === FLOUR))).toMatchObject([
    {
      grams: 4800,
      lot: 'W-1, W-2',
      sacks: [
        { lot: 'W-1', grams: 3000 },
        { lot: 'W-2', grams: 1800 },
      ],
    },
    {
      grams: 3200,
      sacks: [
        { lot: 'W-1', grams: 2000 },
        { lot: 'W-2', grams: 1200 },
      ],
    },
  ]);
  expect(await onHand(FLOUR)).toBeCloseTo(12_000, 6);
  // bags of one size leave only that size; a label says its own net weight and directions
  const [, small] = both;
  if (!small || !one) throw new Error('a size is missing');
  expect(await letBagsGo(small.id, { bags: 3, kind: 'sale', who: 'Weir' })).toMatchObject({ ok: true });
  expect([await left(one.id), await left(small.id)]).toEqual([6, 5]);
  expect(small.frozen?.products[0]?.directions).not.toBe(one.frozen?.products[0]?.directions);
  expect((await recalled('w-2')).lots.map((r) => r.lot.id).sort()).toEqual(both.map((l) => l.id).sort());
  // another lot on a sack is another on both; how many bags there are is each size's own
  const to = { bags: 6, sackLots: { [FLOUR]: ['W-1', 'W-3'] }, checked: '', note: '' };
  expect(await correctLot(one.id, to, 'Mo', 'misread')).toMatchObject({ ok: true });
  expect((await sizesOfLot(one.number)).map((l) => [l.bags, l.contents.find((c) => c.id === FLOUR)?.lot])).toEqual([
    [6, 'W-1, W-3'],
    [8, 'W-1, W-3'],
  ]);
  expect((await changesOfLot(small.id))[0]).toMatchObject({ who: 'Mo', was: { bags: 8 } });
  expect((await recalled('W-2')).lots).toEqual([]);
  // equal by letters and digits, and what is only near is told as it is written
  const written = (await recalled('w 1')).lots.map((r) => r.lot.id).sort();
  expect(written).toEqual((await recalled('W-1')).lots.map((r) => r.lot.id).sort());
  expect(written.length).toBeGreaterThan(0);
  expect(await nearlyCalled(`${one.number}9`)).toContain(one.number);
  expect(await voidLot(small.id, 'Mo', 'damp', false)).toMatchObject({ ok: true });
  expect([await left(one.id), await left(small.id), await onHand(FLOUR)]).toEqual([0, 0, expect.closeTo(12_000, 6)]);
  // the next lot of that day has the next number
  const next = await make({ bags: 1 });
  expect(next.ok && (await lotById(next.id))?.number).not.toBe(one.number);
  // two sacks and not how much of each: asked; a size twice: refused
  const two = [
    { lot: 'A', grams: null },
    { lot: 'B', grams: null },
  ];
  expect(await make({ sacks: { [FLOUR]: two } })).toMatchObject({
    ok: false,
    path: `sacks.${FLOUR}`,
    message: expect.stringMatching(/how much is of each sack/),
  });
  expect(await make({ fills: [...both, ...both] })).toMatchObject({ ok: false, path: 'fills' });
  await note(FLOUR, 9000);
  const short = await make({
    fills: [
      { bagG: 1000, bags: 6 },
      { bagG: 500, bags: 12 },
    ],
    take: 'enough',
  });
  expect(short).toMatchObject({ ok: false, path: 'take', message: expect.stringMatching(/600 g short of 9.600 g/) });
  expect(await onHand(FLOUR)).toBe(9000);
  await note(FLOUR, null);
});

test('an ingredient of the kitchen’s own that a lot holds or asks for is not lost from it: its removal waits, and without it no batch begins', async () => {
  const own = await lotOf(2);
  const at = await lotById(own);
  if (!at?.frozen) throw new Error('not frozen');
  const [product, ...others] = at.frozen.products;
  if (!product) throw new Error('no product');
  const asks = {
    ...at.frozen,
    products: [
      { ...product, parts: [...product.parts, { id: 'own-nut-drink', name: 'Nut drink', grams: 20 }] },
      ...others,
    ],
  };
  await query('update lots set frozen = $2 where id = $1', [own, JSON.stringify(asks)]);
  expect((await openLotsWith('own-nut-drink')).map((l) => l.id)).toEqual([own]);
  expect(await startFromBags({ lotId: own, bags: 1, product: null, take: 'no', requestId: null })).toMatchObject({
    ok: false,
    path: 'product',
    message: expect.stringMatching(/Nut drink of this mix is not in the pantry any more/),
  });
  expect(await left(own)).toBe(2);
  // and a plan does not count on such bags
  expect((await bagsFor([{ ...at, bestBefore: '2200-01-01' }], await loadHouse())).length).toBe(0);
  await query(
    'update lots set contents = contents || \'[{"id": "own-nut-flour", "name": "Nut flour", "grams": 5}]\'::jsonb where id = $1',
    [own],
  );
  expect((await openLotsWith('own-nut-flour')).map((l) => l.id)).toEqual([own]);
  await letBagsGo(own, { bags: 2, kind: 'bin', why: 'x' });
  expect(await openLotsWith('own-nut-flour')).toEqual([]);
});

test('law: a recall finds every batch and customer of an ingredient’s lot, and no other', async () => {
  const codes = ['Q-1', 'Q-2', 'Q-11'];
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          sacks: fc.subarray(codes, { minLength: 1 }),
          acts: fc.array(fc.constantFrom('use' as const, 'sell' as const, 'back' as const), { maxLength: 4 }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      async (many) => {
        await query("update lots set contents = '[]' where contents::text like '%Q-%'");
        const want = new Map(codes.map((c) => [c, { batches: new Set<string>(), who: new Set<string>() }] as const));
        for (const [n, m] of many.entries()) {
          const made = await make({
            bags: 6,
            sacks: { [FLOUR]: m.sacks.map((lot, k) => ({ lot, grams: k === 0 ? null : 100 })) },
          });
          if (!made.ok) throw new Error(made.message);
          for (const [k, act] of m.acts.entries()) {
            if (act === 'use') {
              const s = await startFromBags({ lotId: made.id, bags: 1, product: OWN, take: 'no', requestId: null });
              if (s.ok) for (const c of m.sacks) want.get(c)?.batches.add(s.id);
            } else {
              await letBagsGo(made.id, { bags: 1, kind: 'sale', who: `customer ${n} ${k}` });
              const [last] = (await usesOfLot(made.id)).slice(-1);
              if (act === 'back' && last) await undoUse(last.id, 'x', 'x');
              else for (const c of m.sacks) want.get(c)?.who.add(`customer ${n} ${k}`);
            }
          }
        }
        for (const c of codes) {
          const { lots: found } = await recalled(c.toLowerCase());
          expect(
            new Set(found.flatMap((f) => f.uses.flatMap((u) => (u.batchId && u.bags > 0 ? [u.batchId] : [])))),
          ).toEqual(want.get(c)?.batches);
          expect(new Set(holdersOf(found).map((h) => h.who))).toEqual(want.get(c)?.who);
        }
      },
    ),
    { numRuns: 6 },
  );
  expect((await recalled('Q')).lots).toEqual([]);
  const [lot] = (await recalled('Q-1')).lots;
  // a mix's own number leads to it too; the table has a row for each entry
  if (lot) {
    expect((await recalled(lot.lot.number)).lots.map((x) => x.lot.id)).toEqual([lot.lot.id]);
    expect(recallCsv('Q-1', [lot], [], { zone: 'UTC' }).split('\n').length).toBe(1 + Math.max(1, lot.uses.length));
  }
});

test('law: bags, grams and shelf balance after any run of making, using, half bags, selling, taking back, correcting, voiding and putting back, by two screens', async () => {
  const act = fc.constantFrom(
    'use' as const,
    'half' as const,
    'sell' as const,
    'undo' as const,
    'correct' as const,
    'back' as const,
    'away' as const,
  );
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(act, act), { maxLength: 5 }), fc.boolean(), async (steps, voided) => {
      await note('flour-all-purpose', 50_000);
      const made = await make({ bags: 6, bagG: 500, take: 'enough', sacks: { [FLOUR]: [{ lot: '', grams: 2500 }] } });
      if (!made.ok) throw new Error(made.message);
      const { id } = made;
      // what really went in came off the shelf, and not what was planned
      expect(await onHand('flour-all-purpose')).toBeCloseTo(47_500, 6);
      const batches: string[] = [];
      const one = async (a: (typeof steps)[0][0]): Promise<unknown> => {
        if (a === 'use' || a === 'half') {
          const s = await startFromBags({
            lotId: id,
            bags: a === 'half' ? 0.5 : 2,
            product: null,
            take: 'no',
            requestId: null,
          });
          if (s.ok) batches.push(s.id);
          return s;
        }
        if (a === 'sell') return letBagsGo(id, { bags: 1, kind: 'sale', who: 'C' });
        if (a === 'undo') {
          const open = standingUses(await usesOfLot(id)).find((u) => u.kind === 'sale');
          return open ? undoUse(open.id, 'x', 'x') : null;
        }
        if (a === 'correct') return correctLot(id, { bags: 6, sackLots: {}, checked: '', note: 'seen' }, 'x', 'x');
        const b = batches.pop();
        if (!b || a === 'back') return b ? putBack(b) : null;
        // given up, taken up and given up again is given up once
        await putAway(b, true);
        await takeUp(b);
        return putAway(b, true);
      };
      // two screens at a time
      for (const [a, b] of steps) await Promise.all([one(a), one(b)]);
      const uses = await usesOfLot(id);
      const gone = standingUses(uses).reduce((n, u) => n + u.bags, 0);
      const lot = await lotById(id);
      expect(uses.reduce((n, u) => n + u.bags, 0)).toBeCloseTo(gone, 9);
      expect(lot?.used).toBeCloseTo(gone, 9);
      expect(gone).toBeGreaterThanOrEqual(0);
      expect(gone).toBeLessThanOrEqual(6 + 1e-9);
      // every bag that is out is in a batch or with somebody
      for (const u of standingUses(uses)) expect(u.kind === 'batch' ? u.batchId !== null : u.who !== '').toBe(true);
      if (voided) {
        // nothing goes back of what has left
        expect((await voidLot(id, 'x', 'x', true)).ok).toBe(gone < 1e-6);
        if (gone > 1e-6) expect((await voidLot(id, 'x', 'x', false)).ok).toBe(true);
        expect([await left(id), await onHand('flour-all-purpose')]).toEqual([0, gone > 1e-6 ? 47_500 : 50_000]);
      } else expect(await left(id)).toBeCloseTo(6 - gone, 9);
    }),
    { numRuns: 15 },
  );
  await note('flour-all-purpose', null);
});
