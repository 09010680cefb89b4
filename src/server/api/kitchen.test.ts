/** The kitchen's records for other programs, and files of the open formats sent as they are, on the real database. */

import { readFileSync } from 'node:fs';
import { GET as batches } from '@/app/api/v1/batches/route';
import { GET as oneFormula } from '@/app/api/v1/formulas/[id]/route';
import { GET as formulas, POST as newFormula } from '@/app/api/v1/formulas/route';
import { GET as pantry } from '@/app/api/v1/pantry/route';
import { POST as read } from '@/app/api/v1/read/route';
import { GET as exported } from '@/app/formulas/[id]/export/route';
import {
  batchesResponse,
  formulaResponse,
  formulasResponse,
  newFormulaResponse,
  pantryResponse,
  problemResponse,
  readResponse,
} from '@/contract/api';
import { ownDatabase } from '../db/own-database';
import { closePool } from '../db/pool';

// its own database, so that the tests of records can run beside it
beforeAll(async () => {
  await ownDatabase('api_kitchen');
});
afterAll(closePool);

const FIXTURES = 'src/core/exchange/fixtures';
const sent = (type: string, body: BodyInit, headers: Record<string, string> = {}, at = '') =>
  new Request(`http://127.0.0.1/${at}`, { method: 'POST', headers: { 'content-type': type, ...headers }, body });
const asked = (at: string, accept = '') => new Request(`http://127.0.0.1/${at}`, { headers: accept ? { accept } : {} });
const refusal = async (r: Response) => {
  expect(r.headers.get('content-type')).toBe('application/problem+json');
  const p = problemResponse.loose().parse(await r.json());
  expect(p.status).toBe(r.status);
  return p;
};

const CARD = 'Quay cakes\n250 g flour\n10 g baking powder\n430 g milk\n2 eggs\n40 g butter, melted\n4 g salt';

describe('POST /api/v1/read with a file as it is', () => {
  test.each([
    ['text/plain', 'plain.txt', 'Ferry cakes', 4],
    ['text/markdown; charset=utf-8', 'harbour.md', 'Harbour oven pancake', 7],
    ['text/html', 'saved-page.html', 'Towpath waffles', 7],
    ['application/ld+json', 'lock-cakes.jsonld', "Lock-keeper's buttermilk cakes", 8],
    ['text/csv', 'heads.csv', null, 4],
    ['text/tab-separated-values', 'spreadsheet.tsv', 'Rope-walk cakes', 4],
  ])('%s', async (type, file, title, lines) => {
    const r = await read(sent(type, readFileSync(`${FIXTURES}/${file}`)));
    expect(r.status).toBe(200);
    const answer = readResponse.parse(await r.json());
    expect(answer.title).toBe(title);
    expect(answer.lines).toHaveLength(lines);
    expect(answer.text).toContain(answer.lines[0]?.text ?? 'nothing');
  });

  test('several recipes are asked about; a page without one, broken JSON and a picture are refused with words', async () => {
    const two = readFileSync(`${FIXTURES}/two-in-one.html`);
    const which = await refusal(await read(sent('text/html', two)));
    expect(which).toMatchObject({
      status: 422,
      recipes: [
        { recipe: 1, name: 'Small cakes' },
        { recipe: 2, name: 'Apple sauce' },
      ],
    });
    const second = readResponse.parse(await (await read(sent('text/html', two, {}, '?recipe=2'))).json());
    expect(second.title).toBe('Apple sauce');
    expect((await refusal(await read(sent('text/html', two, {}, '?recipe=7')))).status).toBe(400);
    const words = 'Waffles\n250 g flour\n300 ml milk\n2 eggs\n\nThin crepes\n200 g flour\n500 ml milk\n4 eggs';
    expect((await refusal(await read(sent('text/plain', words)))).recipes).toEqual([
      { recipe: 1, name: 'Waffles' },
      { recipe: 2, name: 'Thin crepes' },
    ]);
    const crepes = readResponse.parse(await (await read(sent('text/plain', words, {}, '?recipe=2'))).json());
    expect([crepes.title, crepes.lines.length]).toEqual(['Thin crepes', 3]);
    expect((await refusal(await read(sent('text/html', '<p>no recipe')))).status).toBe(422);
    expect((await refusal(await read(sent('application/ld+json', '{')))).status).toBe(422);
    expect((await refusal(await read(sent('text/plain', new Uint8Array([0x89, 0x50, 0, 1]))))).status).toBe(400);
    expect((await refusal(await read(sent('image/png', 'x')))).status).toBe(415);
    expect((await refusal(await read(sent('text/plain', 'x'.repeat(1_100_000))))).status).toBe(413);
    expect((await refusal(await read(sent('text/html', ' '.repeat(10_000_001))))).status).toBe(413);
  });
});

describe('formulas, batches and the pantry', () => {
  test('a recipe is kept once, found, and leaves in every format', async () => {
    const key = crypto.randomUUID();
    const made = await newFormula(sent('text/plain', CARD, { 'idempotency-key': key }));
    expect(made.status).toBe(201);
    const kept = newFormulaResponse.parse(await made.json());
    expect(kept).toMatchObject({ name: 'Quay cakes', version: 1, lines: 6, asked: 0 });
    expect(made.headers.get('location')).toBe(`/api/v1/formulas/${kept.id}`);
    const again = newFormulaResponse.parse(
      await (await newFormula(sent('text/plain', CARD, { 'idempotency-key': key }))).json(),
    );
    expect(again.id).toBe(kept.id);

    const found = formulasResponse.parse(await (await formulas(asked('?find=quay'))).json());
    expect(found.formulas.map((f) => f.id)).toEqual([kept.id]);
    expect(found.next).toBeNull();

    const params = { params: Promise.resolve({ id: kept.id }) };
    const one = formulaResponse.parse(await (await oneFormula(asked(''), params)).json());
    expect(one.lines.map((l) => [l.ingredientId, l.grams, Math.round(l.percent ?? 0)])).toEqual([
      ['flour-all-purpose', 250, 100],
      ['baking-powder-double-al', 10, 4],
      ['milk-whole', 430, 172],
      ['egg-large', 100, 40],
      ['butter-unsalted', 40, 16],
      ['salt-table', 4, 2],
    ]);
    const ld = await oneFormula(asked('', 'application/ld+json'), params);
    expect(ld.headers.get('content-type')).toContain('application/ld+json');
    expect(JSON.parse(await ld.text())).toMatchObject({ '@type': 'Recipe', name: 'Quay cakes' });
    expect(await (await oneFormula(asked('', 'text/markdown'), params)).text()).toContain('- 250 g flour');

    const file = await exported(asked('?format=csv&times=2'), params);
    expect(file.headers.get('content-disposition')).toContain('Quay-cakes.csv');
    expect(await file.text()).toContain('500 g flour');
    expect((await refusal(await exported(asked('?format=docx'), params))).errors[0]?.path).toBe('format');
    expect((await refusal(await exported(asked('?format=text&times=-1'), params))).errors[0]?.path).toBe('times');
    expect((await exported(asked('?format=text'), { params: Promise.resolve({ id: 'nobody' }) })).status).toBe(404);
  });

  test('by JSON with its kind said; what can’t be one is refused at its place', async () => {
    const json = (b: unknown) => newFormula(sent('application/json', JSON.stringify(b)));
    const made = newFormulaResponse.parse(
      await (await json({ text: CARD, name: 'Quay waffles', kind: 'waffle', school: 'crisp' })).json(),
    );
    const one = formulaResponse.parse(
      await (await oneFormula(asked(''), { params: Promise.resolve({ id: made.id }) })).json(),
    );
    expect(one).toMatchObject({ name: 'Quay waffles', kind: 'waffle', school: 'crisp' });
    expect((await refusal(await json({ text: '' }))).errors[0]?.path).toBe('text');
    expect((await refusal(await json({ text: '250 g flour\n2 eggs' }))).errors[0]?.path).toBe('name');
    expect((await refusal(await json({ text: 'Shopping\nThings to remember\nNothing else' }))).status).toBe(422);
    expect(
      (await refusal(await newFormula(sent('text/plain', CARD, { 'idempotency-key': 'twice' })))).errors[0]?.path,
    ).toBe('Idempotency-Key');
    expect((await refusal(await newFormula(sent('application/xml', '<a/>')))).status).toBe(415);
  });

  test('pages follow each other without a gap, and a wrong place is told', async () => {
    const first = pantryResponse.parse(await (await pantry(asked(''))).json());
    expect(first.ingredients).toHaveLength(100);
    const ids = new Set(first.ingredients.map((i) => i.id));
    for (let next = first.next; next !== null; ) {
      const page = pantryResponse.parse(await (await pantry(asked(`?after=${encodeURIComponent(next)}`))).json());
      for (const i of page.ingredients) {
        expect(ids.has(i.id)).toBe(false);
        ids.add(i.id);
      }
      next = page.next;
    }
    expect(ids.has('flour-all-purpose') && ids.has('water')).toBe(true);
    expect(batchesResponse.parse(await (await batches(asked(''))).json()).next).toBeNull();
    expect((await refusal(await formulas(asked('?after=somewhere')))).errors[0]?.path).toBe('after');
    expect((await refusal(await batches(asked('?after=somewhere')))).status).toBe(400);
  });
});
