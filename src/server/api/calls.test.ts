/** The JSON interface, called as a client does: a request in, a response out. */

import fc from 'fast-check';
import { z } from 'zod';
import { POST as analysePost } from '@/app/api/v1/analyse/route';
import { POST as morningPost } from '@/app/api/v1/morning/route';
import { GET as openapiGet } from '@/app/api/v1/openapi.json/route';
import { POST as proposePost } from '@/app/api/v1/propose/route';
import { POST as readPost } from '@/app/api/v1/read/route';
import { POST as scalePost } from '@/app/api/v1/scale/route';
import {
  analyseResponse,
  morningResponse,
  problemResponse,
  proposeResponse,
  readResponse,
  scaleResponse,
} from '@/contract/api';
import type { TroubleKind } from '@/contract/trouble';
import { FRESH_WAYS } from '@/core/formula/ways';
import { FRESH_CONVENTIONS } from '@/core/pantry/conventions';
import { cases } from '@/core/testing/share';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { changeHouse } from '../queries/house';
import { troubled } from './problem';

beforeAll(() => ownDatabase('calls_kitchen'));
afterAll(closePool);

type Post = (r: Request) => Promise<Response>;

async function call(post: Post, body: unknown, type = 'application/json') {
  const r = await post(
    new Request('http://127.0.0.1/', {
      method: 'POST',
      headers: { 'content-type': type },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    }),
  );
  const answer: unknown = await r.json();
  return { status: r.status, type: r.headers.get('content-type'), answer };
}

const problem = z.looseObject(problemResponse.shape);

async function refused(post: Post, body: unknown, type?: string) {
  const r = await call(post, body, type);
  expect(r.type).toBe('application/problem+json');
  const p = problem.parse(r.answer);
  expect(p.status).toBe(r.status);
  return { status: r.status, path: p.errors[0]?.path, message: p.detail, p };
}

const CARD =
  'Saturday stack\n2 cups flour\n2 tsp baking powder\n1/2 tsp salt\n1 3/4 cups milk\n2 eggs plus 1 yolk\n2 tbsp butter\nbutter for the pan\n1 cup moondust\nWhisk and rest for ten minutes.';

test('read gives every line its place, amounts as written and an honest bracket', async () => {
  const r = await call(readPost, { text: CARD });
  expect(r.status).toBe(200);
  const a = readResponse.parse(r.answer);
  expect(a.title).toBe('Saturday stack');
  expect(a.lines[0]).toMatchObject({
    lineNumber: 2,
    text: '2 cups flour',
    status: 'read',
    ingredientId: 'flour-all-purpose',
    ingredient: { id: 'flour-all-purpose' },
    use: 'batter',
    vessel: 'dry',
    amounts: [{ value: 2, valueHigh: null, unit: 'cup' }],
    grams: expect.closeTo(250),
    gramsLow: expect.closeTo(230),
    gramsHigh: expect.closeTo(320),
  });
  expect(a.lines[4]).toMatchObject({
    grams: expect.closeTo(117),
    parts: [
      { ingredientId: 'egg-large', grams: expect.closeTo(100) },
      { ingredientId: 'egg-yolk', grams: expect.closeTo(17) },
    ],
  });
  expect(a.lines[6]).toMatchObject({ use: 'pan', grams: null });
  expect(a.lines[7]).toMatchObject({ status: 'unknown', ingredient: null });
  expect(a.ignored).toEqual([{ lineNumber: 10, text: 'Whisk and rest for ten minutes.', why: 'method' }]);
});

test('conventions change what is read', async () => {
  const r = await call(readPost, { text: '1 cup flour', conventions: { cup: 'metric', flourFill: 'dipped' } });
  expect(readResponse.parse(r.answer).lines[0]?.grams).toBeCloseTo(147.94, 1);
});

test('what a call does not say is as the house has it', async () => {
  await changeHouse({
    conventions: { ...FRESH_CONVENTIONS, flourFill: 'dipped', powder: 'single-tartrate' },
    ways: FRESH_WAYS,
  });
  try {
    const lines = readResponse.parse((await call(readPost, { text: '1 cup flour\n10 g baking powder' })).answer).lines;
    expect(lines[0]?.grams).toBeCloseTo(140, 6);
    expect(lines[1]?.ingredientId).toBe('baking-powder-single');
    expect(
      readResponse.parse((await call(readPost, { text: '1 cup flour', conventions: { flourFill: 'spooned' } })).answer)
        .lines[0]?.grams,
    ).toBeCloseTo(125, 6);
  } finally {
    await query("delete from kitchen where key = 'house'");
  }
});

test('analyse works the balance, and lines as read can be sent back', async () => {
  const text =
    '250 g flour\n25 g sugar\n5 g salt\n4 g baking soda\n480 g buttermilk\n2 large eggs\n50 g butter, melted';
  const one = analyseResponse.parse((await call(analysePost, { text, kind: 'griddle', school: 'even' })).answer);
  expect(one.mass_g).toBeCloseTo(914, 6);
  expect(one.percent.water).toBeCloseTo(207.107, 2);
  expect(one.lift).toMatchObject({
    soda_g: 4,
    sodaInPowder_g: 0,
    acid_meq: expect.closeTo(47.62, 6),
    unspentSoda_g: 0,
    co2_g_per_100g_flour: expect.closeTo(0.8382, 3),
  });
  expect(one.findings).toEqual([]);
  const lines = readResponse.parse((await call(readPost, { text })).answer).lines;
  const two = analyseResponse.parse((await call(analysePost, { lines, kind: 'griddle', school: 'even' })).answer);
  expect({ ...two, lines: [] }).toEqual({ ...one, lines: [] });
});

test('lines as read bring their parts, their foam and their mashed berries back', async () => {
  const text =
    '200 g cake flour\n2 eggs plus 1 yolk\n3 egg whites, whipped to firm peaks\n100 g blueberries, mashed\n200 g milk\n20 g butter for the pan';
  const one = analyseResponse.parse((await call(analysePost, { text, kind: 'foam' })).answer);
  const lines = readResponse.parse((await call(readPost, { text })).answer).lines;
  const two = analyseResponse.parse((await call(analysePost, { lines, kind: 'foam' })).answer);
  expect(one.batter.density_g_per_ml).toBeLessThan(0.8);
  expect({ ...two, lines: [] }).toEqual({ ...one, lines: [] });
});

test('what a cook writes wrong is said on its line, not refused', async () => {
  const text =
    '200 g flour\n0 g milk\n2 buckets water\n1 cup moondust\n1 cup milk 2 cups\na splash of milk\n99999 kg sugar';
  const a = readResponse.parse((await call(readPost, { text })).answer);
  expect(a.lines.map((l) => [l.text, l.findings[0]?.code])).toEqual([
    ['200 g flour', undefined],
    ['0 g milk', 'not-positive'],
    ['2 buckets water', 'vague-unit'],
    ['1 cup moondust', 'unknown-ingredient'],
    ['1 cup milk 2 cups', 'two-amounts'],
    ['a splash of milk', 'vague-unit'],
    ['99999 kg sugar', 'enormous'],
  ]);
  const analysed = analyseResponse.parse((await call(analysePost, { text })).answer);
  expect(analysed.findings).toEqual([expect.objectContaining({ code: 'lines-open', severity: 'look' })]);
});

test('a school may be written as the cook says it', async () => {
  expect((await call(analysePost, { text: '200 g flour\n300 g milk', kind: 'foam', school: 'soft fold' })).status).toBe(
    200,
  );
});

test('scale to pieces, exact and whole grams, unread lines unscaled', async () => {
  const r = await call(scalePost, { text: CARD, to: { pieces: 40, portion_ml: 60 }, measure: 'gram' });
  const a = scaleResponse.parse(r.answer);
  expect(a.pieces).toBe(40);
  expect(a.lines.map((l) => l.grams === null)).toEqual([false, false, false, false, false, false, true, true]);
  expect(a.lines[0]).toMatchObject({ ingredientId: 'flour-all-purpose', measure: expect.stringMatching(/^\d+ g$/) });
  expect(Number.isInteger(a.lines[0]?.grams)).toBe(true);
  const exact = scaleResponse.parse(
    (
      await call(scalePost, {
        lines: [{ ingredientId: 'flour-all-purpose', grams: 100 }],
        to: { factor: 2.684 },
        measure: 'exact',
      })
    ).answer,
  );
  expect(exact).toMatchObject({
    factor: 2.684,
    pieces: null,
    lines: [{ grams: expect.closeTo(268.4), measure: '268.4 g' }],
    drift: { water: 0, co2: 0 },
  });
});

test('scale to kitchen measures: what a drawer has, and what it drifts', async () => {
  const lines = [
    { ingredientId: 'flour-all-purpose', grams: 250 },
    { ingredientId: 'milk-whole', grams: 488 },
    { ingredientId: 'egg-large', grams: 100 },
    { ingredientId: 'butter-unsalted', grams: 56.7 },
    { ingredientId: null, grams: null, text: 'a handful of something' },
  ];
  const a = scaleResponse.parse((await call(scalePost, { lines, to: { factor: 0.5 }, measure: 'kitchen' })).answer);
  expect(a.lines.map((l) => l.measure)).toEqual(['1 cup', '1 cup', '1 egg', '1/4 stick', null]);
  // a printed eighth of a stick is 14.2 g
  expect(a.lines[3]?.grams).toBeCloseTo(28.4, 1);
  expect(Math.abs(a.drift.liquid)).toBeLessThan(0.5);
  const refusedFor = await refused(scalePost, { text: '1 cup milk', to: { flour_g: 500 }, measure: 'kitchen' });
  expect(refusedFor).toMatchObject({ status: 422, path: 'to.flour_g' });
});

test('what cannot be read is a 400 with its place', async () => {
  expect(await refused(readPost, '{"text": ')).toMatchObject({ status: 400 });
  expect(await refused(readPost, {})).toMatchObject({ status: 400, path: 'text' });
  expect(await refused(readPost, { text: '' })).toMatchObject({ status: 400, path: 'text' });
  expect(await refused(readPost, { text: 5 })).toMatchObject({ status: 400, path: 'text' });
  expect(await refused(readPost, { text: '1 cup flour', conventions: { cup: 'bucket' } })).toMatchObject({
    status: 400,
    path: 'conventions.cup',
  });
  expect(await refused(analysePost, {})).toMatchObject({ status: 400, path: 'text' });
  expect(await refused(analysePost, { text: '1 cup flour', lines: [] })).toMatchObject({ status: 400 });
  expect(await refused(analysePost, { lines: [{ ingredientId: 'moondust', grams: 5 }] })).toMatchObject({
    status: 400,
    path: 'lines.0.ingredientId',
  });
  for (const grams of [-5, 0, 1e12, 'ten'])
    expect(await refused(analysePost, { lines: [{ ingredientId: 'honey', grams }] })).toMatchObject({
      status: 400,
      path: 'lines.0.grams',
    });
  expect(await refused(analysePost, { text: '1 cup flour', kind: 'griddle', school: 'souffle' })).toMatchObject({
    status: 400,
    path: 'school',
  });
  for (const to of [
    {},
    { factor: 0 },
    { factor: -1 },
    { pieces: 2.5, portion_ml: 60 },
    { pieces: 5 },
    { mass_g: 'NaN' },
  ])
    expect(await refused(scalePost, { text: '1 cup flour', to, measure: 'gram' })).toMatchObject({ status: 400 });
  expect(await refused(scalePost, { text: '1 cup flour', to: { factor: 1 }, measure: 'handful' })).toMatchObject({
    status: 400,
    path: 'measure',
  });
});

const TWO = 'Waffles\n250 g flour\n300 ml milk\n2 eggs\n\nThin crepes\n200 g flour\n500 ml milk\n4 eggs';
test('of a text with two recipes the first is read, the other set aside as such, and nothing is worked', async () => {
  const a = readResponse.parse((await call(readPost, { text: TWO })).answer);
  expect([a.title, a.lines.length]).toEqual(['Waffles', 3]);
  expect(a.ignored.map((i) => [i.lineNumber, i.why])).toEqual([
    [6, 'another'],
    [7, 'another'],
    [8, 'another'],
    [9, 'another'],
  ]);
  expect(await refused(analysePost, { text: TWO })).toMatchObject({ status: 422, path: 'text' });
  expect(await refused(scalePost, { text: TWO, to: { factor: 2 }, measure: 'gram' })).toMatchObject({
    status: 422,
    path: 'text',
  });
});

test('what is well formed but cannot be worked is a 422', async () => {
  const noFlour = await refused(analysePost, { text: '1 cup milk\n2 eggs' });
  expect(noFlour).toMatchObject({ status: 422, path: 'text' });
  expect(noFlour.p.findings).toEqual([expect.objectContaining({ code: 'no-flour', severity: 'stop' })]);
  expect(await refused(analysePost, { lines: [{ ingredientId: 'baking-soda', grams: 5 }] })).toMatchObject({
    status: 422,
    path: 'lines',
  });
  expect(await refused(scalePost, { text: '1 cup milk', to: { flour_g: 500 }, measure: 'gram' })).toMatchObject({
    status: 422,
    path: 'to.flour_g',
  });
  expect(await refused(scalePost, { text: 'flour', to: { factor: 2 }, measure: 'gram' })).toMatchObject({
    status: 422,
    path: 'lines',
  });
  expect(await refused(readPost, { text: '1 cup flour', conventions: { flourFill: 'own' } })).toMatchObject({
    status: 422,
    path: 'conventions.flourFill',
  });
  expect(await refused(readPost, { text: '1 cup flour\n'.repeat(20_000) })).toMatchObject({
    status: 422,
    path: 'text',
  });
});

test('another type is a 415, over 1 MB a 413', async () => {
  expect(await refused(readPost, 'text=1 cup flour', 'application/x-www-form-urlencoded')).toMatchObject({
    status: 415,
  });
  expect(await refused(readPost, JSON.stringify({ text: 'x'.repeat(2_000_000) }))).toMatchObject({ status: 413 });
});

test('never a 500: any JSON at all is answered or refused', async () => {
  await fc.assert(
    fc.asyncProperty(fc.constantFrom<Post>(readPost, analysePost, scalePost), fc.jsonValue(), async (post, body) => {
      const r = await call(post, body);
      return r.status === 200 || r.status === 400 || r.status === 422;
    }),
    { numRuns: cases(200) },
  );
});

test('never a 500: any text as a card', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom<Post>(readPost, analysePost),
      fc.string({ minLength: 1, maxLength: 200, unit: 'grapheme' }),
      async (post, text) => {
        const r = await call(post, { text });
        return r.status === 200 || r.status === 422;
      },
    ),
    { numRuns: cases(200) },
  );
});

test('the OpenAPI document names the calls and is made from the same schemas', async () => {
  const doc = (await openapiGet().json()) as {
    openapi: string;
    paths: object;
    components: { schemas: Record<string, { properties?: object }> };
  };
  expect(doc.openapi).toBe('3.1.0');
  expect(Object.keys(doc.paths)).toEqual([
    ...['read', 'analyse', 'propose', 'morning', 'scale', 'formulas', 'formulas/{id}', 'batches', 'pantry'].map(
      (p) => `/api/v1/${p}`,
    ),
    '/api/health',
  ]);
  expect(Object.keys(doc.components.schemas.AnalyseResponse?.properties ?? {})).toEqual(
    Object.keys(analyseResponse.shape),
  );
});

test('read tells what the method tells and how it is made, and analyse what it names that is not on the list', async () => {
  const text = [
    'Boathouse cakes',
    '250 g flour',
    '430 g milk',
    '2 eggs',
    '10 g baking powder',
    'Whisk the flour with the baking powder, milk and eggs, and stir in the vanilla.',
    'Others rest theirs for an hour, I leave mine ten minutes. Ladle 60 ml for each.',
  ].join('\n');
  const { told, acts } = readResponse.parse((await call(readPost, { text })).answer);
  expect(told.map((f) => [f.fact, f.value, f.unit, f.of, f.taken])).toEqual([
    ['rest', 10, 'min', 'batter', 'told'],
    ['portion', 60, 'ml', 'piece', 'told'],
    ['rest', 60, 'min', 'batter', 'remark'],
  ]);
  // the making as acts, lines by their numbers
  expect(acts.map((a) => [a.verb, a.from, ...a.takes.map((t) => ('line' in t ? t.line : t.mix))])).toEqual([
    ['let warm', 'usual'],
    ['whisk', 'usual', 2, 5],
    ['whisk', 'usual', 3, 4],
    ['combine', 'usual', 'dry', 'wet'],
    ['rest', 'told', 'batter'],
    ['preheat', 'usual'],
    ['grease', 'usual'],
    ['pour', 'told', 'batter 2'],
    ['turn', 'usual', 'griddle cakes, poured'],
    ['take off', 'usual', 'griddle cakes, turned'],
    ['plate', 'usual', 'griddle cakes'],
  ]);
  expect(acts.find((a) => a.verb === 'pour')).toMatchObject({ portionMl: 60, words: 'Ladle 60 ml for each' });
  const { findings } = analyseResponse.parse(
    (await call(analysePost, { text, kind: 'griddle', school: 'even' })).answer,
  );
  expect(findings.find((f) => f.code === 'used-never-listed')?.message).toContain('vanilla');
});

test('analyse names the line that may be a slip of the pen, as /read numbers it; a calm card has none', async () => {
  const rest = ['520 g milk', '2 eggs', '30 g sugar', '12 g baking powder', '3 g salt', '40 g butter, melted'];
  const on = async (body: object) =>
    analyseResponse.parse((await call(analysePost, { kind: 'griddle', school: 'even', ...body })).answer).suspects;
  const [first, ...others] = await on({ text: ['Boathouse cakes', '', '3 kg flour', ...rest].join('\n') });
  expect(others).toEqual([]);
  expect(first).toMatchObject({ line: 3, as: 'a nought too many', instead: { text: '300 g flour', grams: 300 } });
  expect(first?.left).toEqual([]);
  expect(first?.ends).toEqual(expect.arrayContaining(['too-thick', 'under-raised', 'egg-low']));
  expect(first?.weight).toBeGreaterThan(0.9);
  expect(await on({ text: ['300 g flour', ...rest].join('\n') })).toEqual([]);
  // the same in grams
  const g = (ingredientId: string, grams: number) => ({ ingredientId, grams });
  const sent = [g('flour-all-purpose', 300), g('milk-whole', 520), g('egg-large', 100), g('salt-table', 30)];
  const lines = [...sent, g('baking-powder-double-al', 12), g('sugar-granulated', 30), g('butter-unsalted', 40)];
  expect((await on({ lines })).map((s) => [s.line, s.instead.grams])).toEqual([[4, 3]]);
  // without a kind nothing is tested, and nothing suspected
  expect(await on({ lines, kind: undefined, school: undefined })).toEqual([]);
});

test('propose answers what the Bench offers and refuses: a wish, a rail, a fix, a swap', async () => {
  const cakes = '250 g flour\n12 g baking powder\n4 g salt\n25 g sugar\n430 g milk\n2 eggs\n40 g butter, melted';
  const on = async (text: string, ask: object, kind = 'griddle', school = 'even') =>
    proposeResponse.parse((await call(proposePost, { text, kind, school, conventions: { egg: 'large' }, ask })).answer);
  const thinner = await on(cakes, { wish: 'thinner' });
  expect(thinner.offered.map((o) => o.label)).toEqual(['Thinner']);
  // 430 g of milk alone move: flour stands, the total grows by what the milk does
  const [o] = thinner.offered;
  const milk = o?.lines.find((l) => l.ingredientId === 'milk-whole');
  expect(o?.flour_g).toEqual([250, 250]);
  expect((o?.mass_g[1] ?? 0) - (o?.mass_g[0] ?? 0)).toBeCloseTo((milk?.after ?? 0) - (milk?.before ?? 0), 3);
  expect(o?.changes.water[1]).toBeGreaterThan(o?.changes.water[0] ?? 0);

  // nothing on the sheet brings rise: told, with the line that would
  const crepes = '250 g flour\n500 g milk\n3 eggs\n20 g sugar\n2 g salt\n30 g butter, melted';
  const taller = await on(crepes, { wish: 'taller' }, 'crepe', 'sweet');
  expect(taller.offered).toEqual([]);
  expect(taller.refused[0]?.add?.ingredientId).toMatch(/^baking-powder/);
  expect(taller.refused[0]?.add?.grams).toBeGreaterThan(0);

  const salt = await on(cakes, { rail: 'salt', value: 1.8 });
  expect(salt.offered[0]?.changes.salt[1]).toBeCloseTo(1.8, 1);
  const salty = await on(cakes.replace('4 g salt', '30 g salt'), { fix: 'salt-high' });
  expect(salty.offered[0]?.findingsEnded).toContain('salt-high');
  expect((await on(cakes, { fix: 'salt-high' })).refused).toEqual([
    { why: 'That finding does not stand here.', add: null },
  ]);
  const swap = await on(cakes, { swap: { from: 'butter-unsalted', to: 'oil-neutral' } });
  expect(swap.offered.length + swap.refused.length).toBeGreaterThan(0);
  // lines in grams, and what can't be asked
  const lines = [
    { ingredientId: 'flour-all-purpose', grams: 250 },
    { ingredientId: 'milk-whole', grams: 430 },
  ];
  expect((await call(proposePost, { lines, kind: 'griddle', ask: { wish: 'thicker' } })).status).toBe(200);
  expect(await refused(proposePost, { lines, kind: 'griddle', ask: { wish: 'bluer' } })).toMatchObject({ status: 400 });
  expect(await refused(proposePost, { text: '430 g milk', kind: 'griddle', ask: { wish: 'thicker' } })).toMatchObject({
    status: 422,
    path: 'text',
  });
});

test('trouble of the records is told by its kind, each with its status', async () => {
  const told = async (kind: TroubleKind) => {
    const r = troubled(kind);
    return [r.status, ((await r.json()) as { detail: string }).detail, r.headers.get('retry-after')];
  };
  expect(await told('away')).toEqual([503, 'The records are out of reach just now.', '5']);
  expect(await told('full')).toEqual([507, 'The disk is full: nothing can be written until there is room.', null]);
  expect(await told('slow')).toEqual([
    503,
    'That took the records too long and was stopped; nothing of it was written.',
    '5',
  ]);
  expect((await told('unkeepable'))[0]).toBe(422);
});

const MORNING = {
  date: '2026-11-29',
  waves: [
    { at: '08:00', covers: 6 },
    { at: '2026-11-29T08:45', covers: 4 },
  ],
  dishes: [
    {
      text: '250 g flour\n300 g buttermilk\n2 eggs\n8 g baking powder\n3 g salt',
      kind: 'griddle',
      each: 3,
      share: 0.5,
    },
    {
      text: '250 g rice flour\n300 g milk\n2 eggs\n10 g baking powder\n3 g salt',
      kind: 'griddle',
      each: 2,
      share: 0.5,
      without: ['wheat'],
    },
  ],
  people: [
    { name: 'Ada', role: 'lead', from: '06:00', to: '10:00' },
    { name: 'Ben', role: 'helper', from: '06:30', to: '10:00' },
  ],
  surfaces: [
    { name: 'long griddle', kind: 'griddle', places: 8 },
    { name: 'small griddle', kind: 'griddle', places: 6 },
  ],
  ovens: 1,
  hob: 2,
};

test('a morning in, a schedule out: local times, hands apart from what goes by itself, plates by the shares', async () => {
  const r = await call(morningPost, MORNING);
  expect(r.status).toBe(200);
  const m = morningResponse.parse(r.answer);
  expect(m.unmet).toEqual([]);
  expect(m.plates).toEqual(
    [0, 1].flatMap((dish) =>
      [3, 2].map((wanted, wave) => expect.objectContaining({ wave, dish, ready: wanted, wanted })),
    ),
  );
  expect(m.plates.filter((p) => p.wave === 1).every((p) => (p.at ?? '') <= '2026-11-29T08:45:00')).toBe(true);
  expect(m.batches.map((b) => [b.dish, b.allergens.includes('wheat')])).toEqual(
    m.batches.map((b) => [b.dish, b.dish === 0]),
  );
  const ids = m.steps.map((s) => s.id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const s of m.steps) {
    expect(s.from <= s.to).toBe(true);
    expect(s.hands).toBe(s.by !== null);
    for (const n of s.needs) expect(ids).toContain(n);
    for (const n of s.needs) expect((m.steps.find((x) => x.id === n)?.to ?? '9') <= s.from).toBe(true);
  }
  // the rest goes by itself; the rice cakes lie where no wheat has lain
  expect(m.steps.filter((s) => s.name.startsWith('Rest')).every((s) => !s.hands && s.by === null)).toBe(true);
  const rice = m.batches.filter((b) => b.dish === 1).map((b) => b.id);
  const on = new Set(m.steps.filter((s) => s.on !== null && rice.includes(s.batch ?? '')).map((s) => s.on));
  expect(m.steps.filter((s) => on.has(s.on) && s.allergens.includes('wheat'))).toEqual([]);
});

test('a morning that is not well formed says where', async () => {
  const at = async (part: object) => (await refused(morningPost, { ...MORNING, ...part })).p.errors;
  expect(await at({ dishes: MORNING.dishes.slice(0, 1) })).toMatchObject([
    { path: 'dishes', message: 'Shares sum to 1; these sum to 0.5.' },
  ]);
  expect(await at({ waves: [{ at: '8 o’clock', covers: 4 }] })).toMatchObject([{ path: 'waves.0.at' }]);
  expect(await at({ people: [MORNING.people[0], { ...MORNING.people[0] }] })).toMatchObject([
    { path: 'people.1.name' },
  ]);
  expect(await at({ people: [{ ...MORNING.people[0], to: '05:00' }] })).toMatchObject([{ path: 'people.0.to' }]);
  expect(await at({ kept: [{ dish: 5, pieces: 2, state: 'frozen' }] })).toMatchObject([{ path: 'kept.0.dish' }]);
  expect(await at({ dishes: [{ formulaId: '00000000-0000-4000-8000-000000000000', share: 1 }] })).toMatchObject([
    { path: 'dishes.0.formulaId' },
  ]);
});
