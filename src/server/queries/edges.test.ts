/**
 * What enters and leaves the records: nothing silently lost, nobody silently overwritten, and what can't be read told.
 */

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { saveFormula, saveOutcome, serveAt, setHouse } from '@/app/actions';
import { keepStock, keepThing } from '@/app/pantry/actions';
import { analyseFormula } from '@/core/analyse-formula';
import { type Batch, waysOf } from '@/core/batch/batch';
import { noticeLines, noticeOf } from '@/core/batch/notice';
import { scriptOfBatch } from '@/core/batch/script-of';
import { withWay } from '@/core/formula/act-edits';
import { EMPTY_FORMULA, type Formula, MOMENTS } from '@/core/formula/formula';
import type { Allergen } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { FRESH_PREMIX } from '@/core/premix/premix';
import { ownDatabase } from '../db/own-database';
import { closePool, query, reach, transaction } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { putBack } from '../usecases/change-batch';
import { startBatch } from '../usecases/start-batch';
import { batchById, log, underWay } from './batches';
import { eventLogOf, keepItems } from './event-log';
import { factsKitchen, workFacts } from './formula-facts';
import { formulaShelf, saveVersion, shelfMains } from './formulas';
import { changeHouse, kitchenStamp, loadHouse, setHousePartAside } from './house';
import { allThings, countStock, countsOf, keepPantry, keepStockNote, stockNoted } from './pantry';
import { keepPremix, premixById } from './premixes';
import { keepSide, sideById, sideFields } from './sides';
import { version, versionById } from './versions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));
// from the server's own screen
jest.mock('next/headers', () => ({ headers: async () => new Headers({ 'x-even-crumb-way': 'own' }) }));

const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Edge cakes',
  entries: ['250 g flour', '400 g milk', '10 g baking powder', '2 eggs'].map((text, n) => ({ key: `l${n + 1}`, text })),
};
let versionId = '';
let formulaId = '';

beforeAll(async () => {
  await ownDatabase('edge_kitchen');
  const s = await saveVersion({ formulaId: null, basedOn: null, knownNewest: null, formula: FORMULA, changeNote: '' });
  if (!s.ok) throw new Error(s.message);
  ({ versionId, formulaId } = s.saved);
});
afterAll(closePool);

const ok = <T extends { readonly ok: boolean }>(a: T): Extract<T, { ok: true }> => {
  if (!a.ok) throw new Error(JSON.stringify(a));
  return a as Extract<T, { ok: true }>;
};
const batch = async (more: Partial<Parameters<typeof startBatch>[0]> = {}): Promise<string> =>
  ok(await startBatch({ versionId, driver: { by: 'factor', factor: 1 }, exactness: 'gram', portionMl: 60, ...more }))
    .id;

describe('reading what is stored', () => {
  const WIDE = { id: 'wide', sort: 'griddle', name: 'Wide one', wideCm: 600, deepCm: 40 };

  test('one griddle 600 cm wide: the house stays, a change of a unit wipes nothing, the raw value stays until it is set aside', async () => {
    await query("insert into kitchen (key, value) values ('house', $1)", [
      JSON.stringify({
        ways: { altitudeM: 900 },
        units: { currency: 'kr' },
        gear: [WIDE, { ...WIDE, id: 'long', name: 'Long one', wideCm: 80 }],
      }),
    ]);
    const read = await loadHouse();
    expect(read).toMatchObject({ ways: { altitudeM: 900 }, units: { currency: 'kr' }, gear: [{ id: 'long' }] });
    expect(read.unreadable).toMatchObject([{ where: 'kitchen.house.gear.0' }]);
    ok(await setHouse({ change: { units: { weight: 'oz' } }, base: { units: { weight: 'g' } } }));
    const gear = [...read.gear, { id: 'pan', sort: 'pan', name: 'Pan', acrossCm: 24 }];
    ok(await setHouse({ change: { gear }, base: { gear: read.gear } }));
    const raw = (
      await rowsFrom(
        z.object({ value: z.looseObject({ gear: z.array(z.unknown()) }) }),
        "select value from kitchen where key = 'house'",
      )
    )[0]?.value;
    expect(raw).toMatchObject({
      ways: { altitudeM: 900 },
      units: { currency: 'kr', weight: 'oz' },
      gear: [WIDE, { id: 'long' }, { id: 'pan' }],
    });
    expect(await setHousePartAside('gear.0')).toBe(true);
    expect(await query("select value from set_aside where place = 'kitchen.house.gear.0'")).toEqual([{ value: WIDE }]);
    expect((await loadHouse()).unreadable).toEqual([]);
    expect((await loadHouse()).gear.map((g) => g.id)).toEqual(['long', 'pan']);
  });

  test('one bad packet: every page works without it, says which, and it can be entered anew', async () => {
    await query(
      'insert into own_ingredients (id, name, packet) values (\'own-odd\', \'Odd flour\', \'{"by": "panel", "fatG": "lots"}\')',
    );
    await query(
      "insert into kitchen (key, value) values ('own', to_jsonb(gen_random_uuid())) on conflict (key) do update set value = excluded.value",
    );
    const house = await loadHouse();
    expect(house.conventions.own?.ingredients).toEqual([]);
    expect(house.unreadable).toMatchObject([{ what: 'the packet of Odd flour' }]);
    expect((await allThings()).broken).toEqual([{ id: 'own-odd', name: 'Odd flour' }]);
    const PANEL = {
      by: 'panel',
      category: 'flour',
      like: null,
      base: '100g',
      baseG: null,
      kcal: null,
      fatG: 1,
      carbohydrateG: 70,
      sugarsG: 1,
      fibreG: 3,
      fibreWithin: false,
      proteinG: 10,
      saltG: 0,
      alcoholG: null,
      waterG: null,
      leavened: false,
      gPer100Ml: null,
      allergens: null,
    };
    ok(await keepThing({ id: 'own-odd', name: 'Odd flour', packet: PANEL }));
    expect((await loadHouse()).unreadable).toEqual([]);
    expect(await query("select value from set_aside where place like 'own_ingredients%'")).toEqual([
      { value: { by: 'panel', fatG: 'lots' } },
    ]);
  });

  test('broken columns of versions, batches, entries, sides and premixes: read without them, and told', async () => {
    const id = await batch();
    const side = ok(
      await keepSide({
        id: null,
        name: 'Broken butter',
        by: 'weight',
        parts: [{ ingredientId: 'honey', parts: 1 }],
        servingG: 10,
        method: '',
      }),
    );
    const mix = ok(await keepPremix({ id: null, versionId, name: 'Broken mix', settings: FRESH_PREMIX }));
    await query(
      "update batches set sheet = jsonb_set(sheet, '{1,grams}', '\"many\"'), timeline = '{\"at\": \"noon\"}', scales = '[1]', driver = '7' where id = $1",
      [id],
    );
    await query('insert into batch_entries (id, batch_id, act, at) values ($1, $2, \'{"what": "sang"}\', now())', [
      randomUUID(),
      id,
    ]);
    await query('update sides set parts = \'{"honey": 1}\' where id = $1', [side.id]);
    await query("update premixes set settings = jsonb_set(settings, '{bagG}', '-4') where id = $1", [mix.id]);
    const b = await batchById(id);
    expect(b?.sheet).toHaveLength(4);
    expect(b).toMatchObject({ timeline: null, scales: {}, driver: { by: 'factor', factor: 1 }, entries: [] });
    expect(b?.unreadable?.length).toBeGreaterThanOrEqual(5);
    expect((await underWay()).some((x) => x.id === id)).toBe(true);
    expect((await eventLogOf(id))?.entries).toEqual([]);
    expect(await sideById(side.id)).toMatchObject({ parts: [], unreadable: [{ what: 'the parts of Broken butter' }] });
    expect(await premixById(mix.id)).toMatchObject({
      settings: { bagG: FRESH_PREMIX.bagG, storage: FRESH_PREMIX.storage },
      unreadable: [{}],
    });
    const other = ok(
      await saveVersion({
        formulaId: null,
        basedOn: null,
        knownNewest: null,
        formula: { ...FORMULA, name: 'Broken cakes' },
        changeNote: '',
      }),
    ).saved;
    await query(
      "update formula_versions set lines = lines || '[{\"key\": 5}]', settings = jsonb_set(settings, '{portionMl}', '-1') where id = $1",
      [other.versionId],
    );
    const v = await versionById(other.versionId);
    expect(v?.formula.entries).toHaveLength(4);
    expect(v?.formula.portionMl).toBeNull();
    expect(v?.unreadable).toHaveLength(2);
  });
});

describe('nobody overwrites anybody silently', () => {
  test('a price leaves an on-hand that a batch has just lowered, and a count is an entry of its own', async () => {
    await countStock(randomUUID(), 'flour-all-purpose', 20_000, 'Ada');
    const before = (await stockNoted())['flour-all-purpose'];
    const id = await batch({ take: 'enough' });
    ok(
      await keepStock({
        ingredientId: 'flour-all-purpose',
        price: 2,
        packG: 1000,
        opened: null,
        bestBefore: null,
        seen: { revision: 1, base: { price: null, packG: null, opened: null, bestBefore: null } },
      }),
    );
    expect((await stockNoted())['flour-all-purpose']).toMatchObject({
      price: 2,
      onHandG: (before?.onHandG ?? 0) - 250,
    });
    const counted = randomUUID();
    await countStock(counted, 'flour-all-purpose', 19_500, 'Ben');
    await countStock(counted, 'flour-all-purpose', 19_500, 'Ben');
    expect(await countsOf('flour-all-purpose')).toMatchObject([
      { countedG: 19_500, wasG: 19_750, who: 'Ben' },
      { countedG: 20_000, wasG: null, who: 'Ada' },
    ]);
    expect(await putBack(id)).toBe(true);
    expect((await stockNoted())['flour-all-purpose']?.onHandG).toBe(19_750);
  });

  test('two screens on one price: the same thing twice is told with both sides, and stands as it is chosen', async () => {
    const base = { price: null, packG: null, opened: null, bestBefore: null };
    ok(await keepStockNote('honey', { ...base, price: 5, packG: 500 }, { revision: 1, base }));
    const mine = { ...base, price: 6, packG: 500, bestBefore: '2027-01-01' };
    const no = await keepStockNote('honey', mine, { revision: 1, base });
    expect(no).toMatchObject({
      ok: false,
      kind: 'conflict',
      conflict: { revision: 2, clashes: [{ path: 'price', theirs: 5, yours: 6 }] },
    });
    expect((await stockNoted()).honey).toMatchObject({ price: 5, bestBefore: null });
    ok(await keepStockNote('honey', mine, { revision: 1, base, decided: { revision: 2, paths: { price: 'yours' } } }));
    expect((await stockNoted()).honey).toMatchObject({ price: 6, packG: 500, bestBefore: '2027-01-01', revision: 3 });
  });

  test('an outcome written from two screens: marks of both, the note of one, the verdict asked about', async () => {
    const id = await batch();
    const none = {
      pieces: null,
      firstSideS: null,
      secondSideS: null,
      verdict: null,
      marks: [],
      note: '',
      scales: {},
      waste: null,
      change: '',
    };
    const a = { ...none, verdict: 'good', marks: ['tall'], pieces: 12 };
    const b = { ...none, verdict: 'good', marks: ['dry'], note: 'A little dry.', scales: { crumb: 2 } };
    ok(await saveOutcome({ batchId: id, ...a, seen: { revision: 1, base: none } }));
    expect(ok(await saveOutcome({ batchId: id, ...b, seen: { revision: 1, base: none } })).merged).toEqual(
      expect.arrayContaining(['marks:tall', 'pieces']),
    );
    expect(await batchById(id)).toMatchObject({
      marks: ['tall', 'dry'],
      pieces: 12,
      note: 'A little dry.',
      scales: { crumb: 2 },
      verdict: 'good',
      outcomeRevision: 3,
    });
    const c = { ...none, verdict: 'poor' };
    const seen = { revision: 1, base: none };
    expect(await saveOutcome({ batchId: id, ...c, seen })).toMatchObject({
      ok: false,
      kind: 'conflict',
      conflict: { clashes: [{ path: 'verdict' }] },
    });
    // the choice goes with the save, through the action's own check
    ok(
      await saveOutcome({
        batchId: id,
        ...c,
        seen: { revision: 1, base: none, decided: { revision: 3, paths: { verdict: 'yours' } } },
      }),
    );
    expect(await batchById(id)).toMatchObject({ verdict: 'poor', note: 'A little dry.' });
  });

  test('a time line moved on two screens, a side, a premix and the house: each change is kept', async () => {
    const id = await batch();
    const at = Date.UTC(2026, 10, 28, 9);
    const serving = { at, anchor: 'first', helpers: 0, dayOneAt: null, moved: {} };
    ok(await serveAt({ batchId: id, serving, seen: { revision: 1, base: null } }));
    ok(
      await serveAt({
        batchId: id,
        serving: { ...serving, moved: { rest: at } },
        seen: { revision: 2, base: serving },
      }),
    );
    ok(await serveAt({ batchId: id, serving: { ...serving, helpers: 2 }, seen: { revision: 2, base: serving } }));
    expect((await batchById(id))?.timeline).toEqual({ ...serving, helpers: 2, moved: { rest: at } });

    const side = {
      name: 'Edge butter',
      by: 'weight' as const,
      parts: [{ ingredientId: 'honey', parts: 1 }],
      servingG: 10,
      method: '',
    };
    const kept = ok(await keepSide({ id: null, ...side }));
    ok(await keepSide({ id: kept.id, ...side, method: 'Whip it.' }, { revision: 1, base: side }));
    ok(
      await keepSide(
        { id: kept.id, ...side, parts: [...side.parts, { ingredientId: 'salt-table', parts: 0.1 }] },
        { revision: 1, base: side },
      ),
    );
    const now = await sideById(kept.id);
    expect(now && sideFields(now)).toEqual({
      ...side,
      method: 'Whip it.',
      parts: [...side.parts, { ingredientId: 'salt-table', parts: 0.1 }],
    });

    const mix = ok(await keepPremix({ id: null, versionId, name: 'Edge mix', settings: FRESH_PREMIX }));
    const base = { name: 'Edge mix', settings: FRESH_PREMIX };
    ok(
      await keepPremix(
        { id: mix.id, versionId, name: 'Edge mix', settings: { ...FRESH_PREMIX, bagG: 750 } },
        { revision: 1, base },
      ),
    );
    ok(
      await keepPremix(
        { id: mix.id, versionId, name: 'Edge mix two', settings: { ...FRESH_PREMIX, months: 4 } },
        { revision: 1, base },
      ),
    );
    expect(await premixById(mix.id)).toMatchObject({
      name: 'Edge mix two',
      settings: { bagG: 750, months: 4 },
      revision: 3,
    });

    ok(await setHouse({ change: { conventions: { cup: 'metric' } }, base: { conventions: { cup: 'us-customary' } } }));
    expect(
      await setHouse({ change: { conventions: { cup: 'imperial' } }, base: { conventions: { cup: 'us-customary' } } }),
    ).toMatchObject({
      ok: false,
      kind: 'conflict',
      conflict: { clashes: [{ path: 'conventions.cup', theirs: 'metric', yours: 'imperial' }] },
    });
    ok(await setHouse({ change: { conventions: { egg: 'medium' } }, base: { conventions: { egg: 'large' } } }));
    expect((await loadHouse()).conventions).toMatchObject({ cup: 'metric', egg: 'medium' });
  });

  test('a late offline weight never beats a newer one, nor does a late untick', async () => {
    const id = await batch();
    const t = Date.now();
    const word = (to: number | boolean, at: number) => ({ id: randomUUID(), do: 'line', key: 'l1', to, at }) as const;
    await keepItems(id, [word(250, t)]);
    await keepItems(id, [word(180, t - 60_000), word(false, t - 30_000)]);
    expect(await batchById(id)).toMatchObject({ weights: { l1: 250 }, ticked: ['l1'] });
    await keepItems(id, [word(251, t + 1000)]);
    expect((await batchById(id))?.weights).toEqual({ l1: 251 });
  });

  test('a save that is sent again makes no second version, batch, side or bag', async () => {
    const requestId = randomUUID();
    const save = { formulaId, basedOn: 1, knownNewest: 1, formula: FORMULA, changeNote: 'once', requestId };
    const answers = await Promise.all([saveFormula(save), saveFormula(save), saveFormula(save)]);
    expect(new Set(answers.map((a) => (a.ok ? a.saved.number : 'no')))).toEqual(new Set([2]));
    expect((await query('select 1 from formula_versions where formula_id = $1', [formulaId])).length).toBe(2);
    const twice = {
      name: 'Twice butter',
      by: 'weight' as const,
      parts: [{ ingredientId: 'honey', parts: 1 }],
      servingG: 10,
      method: '',
    };
    const id = randomUUID();
    const [one, two] = [
      ok(await keepSide({ id: null, ...twice }, null, id)),
      ok(await keepSide({ id: null, ...twice }, null, id)),
    ];
    expect(one.id).toBe(two.id);
  });
});

describe('failing well', () => {
  test('NUL and half surrogates are stripped once at the edge', async () => {
    const a = await saveFormula({
      formulaId: null,
      basedOn: null,
      knownNewest: null,
      changeNote: 'a\u0000b\ud800',
      formula: { ...FORMULA, name: 'Nul\u0000 cakes \udc00' },
    });
    const v = await versionById(ok(a).saved.versionId);
    expect([v?.formula.name, v?.changeNote]).toEqual(['Nul cakes', 'ab']);
  });

  test('what the records refuse is told so, and not to be tried again', async () => {
    expect(await reach(() => query("select 'x'::int"))).toEqual({ up: false, kind: 'unkeepable' });
    expect(await reach(() => query('select 10::numeric(1)'))).toEqual({ up: false, kind: 'unkeepable' });
    expect(await reach(() => query('select pg_sleep(30)'))).toEqual({ up: false, kind: 'slow' });
  });

  test('a transaction whose connection is cut ends as away, without an uncaught error, and the next one works', async () => {
    const cut = reach(() =>
      transaction(async (client) => {
        const rows = await rowsFrom(z.object({ pid: z.number() }), 'select pg_backend_pid() as pid', [], client);
        await query('select pg_terminate_backend($1)', [rows[0]?.pid]);
        // nothing is being asked when the word of it comes
        await new Promise((r) => setTimeout(r, 100));
        await client.query('select 1');
      }),
    );
    expect(await cut).toEqual({ up: false, kind: 'away' });
    expect(await reach(() => transaction(async (c) => (await c.query('select 1 as n')).rows))).toEqual({
      up: true,
      value: [{ n: 1 }],
    });
  });

  test('two that lock each other in a circle: one goes again, and both are done', async () => {
    await query('create table if not exists ring (id int primary key, n int not null)');
    await query('insert into ring values (1, 0), (2, 0)');
    const add = (a: number, b: number) =>
      transaction(async (c) => {
        await c.query('update ring set n = n + 1 where id = $1', [a]);
        await new Promise((r) => setTimeout(r, 150));
        await c.query('update ring set n = n + 1 where id = $1', [b]);
      });
    await Promise.all([add(1, 2), add(2, 1)]);
    expect(await query('select n from ring order by id')).toEqual([{ n: 2 }, { n: 2 }]);
  });

  test('two that find the same name free: the second goes again, and answers by what the first did', async () => {
    await query('create table if not exists named (id int primary key, name text not null unique)');
    let looking = 2;
    let bothLooked = (): void => undefined;
    const looked = new Promise<void>((r) => {
      bothLooked = r;
    });
    const add = (id: number, name: string) =>
      transaction(async (c) => {
        const there = await c.query('select id from named where name = $1', [name]);
        if (--looking === 0) bothLooked();
        await looked;
        if (there.rowCount) return there.rows[0].id === id ? 'as it was' : 'another has the name';
        await c.query('insert into named values ($1, $2) on conflict (id) do nothing', [id, name]);
        return 'added';
      });
    expect((await Promise.all([add(1, 'Hazel'), add(2, 'Hazel')])).sort()).toEqual(['added', 'another has the name']);
    expect(await query('select name from named')).toEqual([{ name: 'Hazel' }]);
  });
});

describe('finding', () => {
  test('the shelf by words, flour, liquid, verdict, without an allergen, what is near its date, a page at a time', async () => {
    const add = async (name: string, lines: readonly string[]) =>
      ok(
        await saveVersion({
          formulaId: null,
          basedOn: null,
          knownNewest: null,
          changeNote: '',
          formula: { ...EMPTY_FORMULA, name, entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })) },
        }),
      ).saved;
    await add('Found oat cakes', ['200 g oat flour', '300 g oat drink', '8 g baking powder']);
    await add('Found milk cakes', ['200 g flour', '300 g milk', '8 g baking powder']);
    await add('Found odd cakes', ['200 g oat flour', '300 g water', '8 g moon dust']);
    const names = async (f: Parameters<typeof formulaShelf>[0]) => (await formulaShelf(f)).rows.map((r) => r.name);
    expect(await names({ text: 'found CAKES' })).toEqual(['Found odd cakes', 'Found milk cakes', 'Found oat cakes']);
    expect(await names({ text: '100%' })).toEqual([]);
    // of the odd one not everything is known: it is never listed as without anything
    expect(await names({ text: 'found', without: 'milk' })).toEqual(['Found oat cakes']);
    expect(await names({ text: 'found', liquid: 'Oat drink' })).toEqual(['Found oat cakes']);
    expect((await shelfMains()).liquids).toEqual(expect.arrayContaining(['Oat drink', 'Whole milk']));
    await query(
      "insert into stock (ingredient_id, on_hand_g, best_before) values ('milk-whole', 900, current_date + 3) on conflict (ingredient_id) do update set best_before = excluded.best_before, on_hand_g = 900",
    );
    expect(await names({ text: 'found', useUp: true })).toEqual(['Found milk cakes']);
    const first = await formulaShelf({ text: 'found' }, 2);
    expect(first.rows).toHaveLength(2);
    const [at = '', id = ''] = (first.next ?? '').split('_');
    const second = await formulaShelf({ text: 'found', after: { at, id } }, 2);
    expect([second.rows.map((r) => r.name), second.next]).toEqual([['Found oat cakes'], null]);
  });

  test('what the shelf says is of this kitchen: an own flour that comes to hold sesame by a table, a cup filled otherwise', async () => {
    const put = (allergens: readonly Allergen[]) =>
      keepPantry(
        [
          {
            id: 'own-mill-flour',
            name: 'Mill flour',
            packet: {
              by: 'panel',
              category: 'flour',
              like: 'flour-all-purpose',
              base: '100g',
              baseG: null,
              kcal: null,
              fatG: 1,
              carbohydrateG: 75,
              sugarsG: 1,
              fibreG: 3,
              fibreWithin: false,
              proteinG: 10,
              saltG: 0,
              alcoholG: null,
              waterG: null,
              leavened: false,
              gPer100Ml: null,
              allergens,
            },
          },
        ],
        [],
      );
    await put(['wheat']);
    const saved = await saveVersion({
      formulaId: null,
      basedOn: null,
      knownNewest: null,
      changeNote: '',
      formula: {
        ...EMPTY_FORMULA,
        name: 'Stamped cakes',
        entries: [
          { key: 'l1', text: '2 cups mill flour', ingredientId: 'own-mill-flour' },
          { key: 'l2', text: '1 3/4 cups milk' },
        ],
      },
    });
    const { formulaId } = ok(saved).saved;
    const listed = async () => (await formulaShelf({ text: 'stamped', without: 'sesame' })).rows.map((r) => r.name);
    expect(await listed()).toEqual(['Stamped cakes']);
    const begun = await startBatch({
      versionId: ok(saved).saved.versionId,
      driver: { by: 'factor', factor: 1 },
      exactness: 'exact',
      portionMl: 60,
    });
    if (!begun.ok) throw new Error(begun.message);
    const notice = async () => {
      const [batch, house] = await Promise.all([batchById(begun.id), loadHouse()]);
      if (!batch) throw new Error('the batch is gone');
      return {
        known: batch.known?.['own-mill-flour'],
        ...noticeOf(batch, waysOf(batch, house), (id) => findIngredient(id, house.conventions.own)),
      };
    };
    expect((await notice()).corrected).toEqual([]);
    // nobody is told: the records know by themselves
    await put(['wheat', 'sesame']);
    expect(await listed()).toEqual([]);
    // a batch begun before says what is known since; its record stays as it was
    const since = await notice();
    expect(since.known).toEqual(['wheat']);
    expect(since.held.map((h) => h.name)).toContain('sesame');
    expect(noticeLines(since)).toContainEqual({
      strong: 'Corrected since it was begun:',
      text: 'sesame, in mill flour.',
    });
    await put(['wheat']);
    expect(await listed()).toEqual(['Stamped cakes']);
    // and where it can't be worked anew, it is not listed either
    await query("update formula_facts set stamp = 'another' where formula_id = $1", [formulaId]);
    const stale = 'select 1 from formula_facts where formula_id = $1 and stamp = $2';
    expect(await query(stale, [formulaId, await kitchenStamp()])).toEqual([]);
    // a page works what it shows, and a row that is gone as well
    await query('delete from formula_facts where formula_id = $1', [formulaId]);
    expect((await formulaShelf({}, 1000)).rows.find((r) => r.id === formulaId)?.mainFlour).toBe('Mill flour');
    expect(await query(stale, [formulaId, await kitchenStamp()])).toHaveLength(1);
    // who may not wait is told how many could not be asked, and no stale row is listed as without anything
    await query("update formula_facts set stamp = 'another'");
    const unasked = await formulaShelf({ text: 'stamped', without: 'sesame' }, 10, 0);
    expect([unasked.rows, unasked.stale > 0]).toEqual([[], true]);
    await workFacts(await factsKitchen());
    expect((await formulaShelf({ without: 'sesame' }, 10, 0)).stale).toBe(0);
    // a cup that is packed holds more flour: the pour of the shelf is the Bench's
    const pours = async () => {
      const [{ rows }, v, house] = await Promise.all([
        formulaShelf({ text: 'stamped' }),
        version(formulaId, null),
        loadHouse(),
      ]);
      return [rows[0]?.pour, v && analyseFormula(v.formula, house).analysis.thickness?.pour];
    };
    for (const flourFill of ['sifted', 'packed', 'spooned'] as const) {
      await changeHouse({ conventions: { flourFill } });
      const [shelf, bench] = await pours();
      expect([flourFill, shelf]).toEqual([flourFill, bench]);
    }
    // what is on hand changes nothing of a formula
    const stamp = await kitchenStamp();
    await query(
      "insert into stock (ingredient_id, on_hand_g) values ('sugar-brown', 500) on conflict (ingredient_id) do update set on_hand_g = 500",
    );
    expect(await kitchenStamp()).toBe(stamp);
    await query("update stock set opened = current_date where ingredient_id = 'sugar-brown'");
    expect(await kitchenStamp()).not.toBe(stamp);
  });

  test('the log a page at a time, each batch once, newest first', async () => {
    await Promise.all(
      Array.from({ length: 7 }, (_, n) => batch({ startedAt: new Date(Date.UTC(2020, 0, 1 + (n % 3))) })),
    );
    const seen: string[] = [];
    for (let after: { at: string; id: string } | null = null, n = 0; n < 50; n++) {
      const page: Awaited<ReturnType<typeof log>> = await log({ text: '', verdict: null, after }, 3);
      seen.push(...page.rows.map((r) => r.id));
      if (!page.next) break;
      const [at = '', id = ''] = page.next.split('_');
      after = { at, id };
    }
    const all = await rowsFrom(idRow, 'select id from batches order by started_at desc, id desc');
    expect(seen).toEqual(all.map((r) => r.id));
  });
});

describe('how a batch is made is kept with it', () => {
  const begun = async (formula: Partial<Formula>): Promise<string> => {
    const s = ok(
      await saveVersion({
        formulaId: null,
        basedOn: null,
        knownNewest: null,
        formula: { ...FORMULA, ...formula },
        changeNote: '',
      }),
    );
    return batch({ versionId: s.saved.versionId });
  };
  const find = (id: string) => findIngredient(id);

  test('a line of every moment is read back with the sheet', async () => {
    const entries = [
      ...FORMULA.entries,
      ...MOMENTS.map((moment, n) => ({ key: `l${n + 5}`, text: '20 g raisins', moment })),
    ];
    const b = await batchById(await begun({ entries }));
    expect(b?.unreadable).toEqual([]);
    expect(b?.sheet.flatMap((l) => (l.name.startsWith('Raisins') ? [l.moment ?? 'bowl'] : [])).sort()).toEqual(
      [...MOMENTS].sort(),
    );
  });

  test('the house’s ways of that day, the formula’s edits and the card’s words; what the house changes later changes no batch', async () => {
    const edits = [
      { do: 'set', act: 'preheat griddle', heatC: 180, words: 'griddle at 180' },
      { do: 'own', act: 'do toast the flour', before: 'whisk dry', does: 'toast the flour', minutes: 8, hands: 8 },
    ] as const;
    const id = await begun({ edits: withWay(edits, 'rest', 'half-hour', 'rest half an hour') });
    const made = async () => {
      const [b, house] = [await batchById(id), await loadHouse()];
      return scriptOfBatch(b as Batch, waysOf(b as Batch, house), find).acts;
    };
    const before = await made();
    expect(before.find((a) => a.verb === 'preheat')).toMatchObject({
      heatC: [180, 180],
      from: 'told',
      words: 'griddle at 180',
    });
    expect(before.find((a) => a.verb === 'rest')).toMatchObject({ minutes: { all: 30 }, from: 'told' });
    expect(before.map((a) => a.id)).toContain('do toast the flour');
    const was = await loadHouse();
    ok(
      await setHouse({
        change: { ways: { warmth: 'cold', panFat: 'butter' } },
        base: { ways: { warmth: was.ways.warmth, panFat: was.ways.panFat } },
      }),
    );
    expect(await made()).toEqual(before);
    ok(
      await setHouse({
        change: { ways: { warmth: was.ways.warmth, panFat: was.ways.panFat } },
        base: { ways: { warmth: 'cold', panFat: 'butter' } },
      }),
    );
    // one from before reads its version's ways and the house's, and no edit
    await query('update batches set making = null where id = $1', [id]);
    expect((await made()).find((a) => a.verb === 'rest')).toMatchObject({ minutes: { all: 30 }, from: 'house' });
    expect((await batchById(id))?.unreadable).toEqual([]);
  });
});
