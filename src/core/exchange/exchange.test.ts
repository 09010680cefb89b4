/**
 * Every open format in and out: files of our own making with what must come of each, and the laws of the way there and
 * back.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { countedLines } from '../formula/lines';
import { withCard } from '../formula/pasted';
import { COMMON } from '../testing/common';
import { PLAIN_CAKE } from '../testing/formulas';
import { thirdOf } from '../testing/share';
import { type Format, MOST_FILE_BYTES } from './formats';
import { readHtml } from './html';
import { formulaFrom } from './import';
import { readJsonLd, timeSaid } from './json-ld';
import { linesKey } from './lines-key';
import { readAs, readFile } from './read-file';
import { rowOfCells } from './table';
import { asCsv, asJsonLd, asMarkdown, asText, timesFormula } from './write';
import { packed, unpacked } from './zip';

const house = FRESH_KITCHEN;
const FIXTURES = join(__dirname, 'fixtures');

interface Must {
  readonly says?: string;
  readonly recipes?: readonly {
    readonly name: string | null;
    readonly kind?: string;
    readonly lines: number;
    readonly asked?: number;
    readonly grams?: Readonly<Record<string, number>>;
    readonly notes?: readonly string[];
  }[];
}

describe('files of every format, with what must come of each', () => {
  const files = readdirSync(FIXTURES).filter((f) => !f.endsWith('.must.json'));
  test.each(files)('%s', (file) => {
    const must = JSON.parse(readFileSync(join(FIXTURES, `${file}.must.json`), 'utf8')) as Must;
    const read = readFile(file, readFileSync(join(FIXTURES, file)));
    const taken = read.ok ? read.value.map((r) => formulaFrom(r, house, null)) : [read];
    if (must.says !== undefined) {
      expect(taken.map((t) => (t.ok ? 'taken' : t.error.message))).toEqual([expect.stringContaining(must.says)]);
      return;
    }
    if (!read.ok) throw new Error(read.error.message);
    for (const [n, t] of taken.entries()) {
      const m = must.recipes?.[n];
      if (!t.ok || !m) throw new Error(t.ok ? 'more recipes than there must be' : t.error.message);
      expect({ file, lines: t.value.lines, ...(m.asked !== undefined && { asked: t.value.asked }) }).toEqual({
        file,
        lines: m.lines,
        ...(m.asked !== undefined && { asked: m.asked }),
      });
      if (m.name !== null) expect(t.value.formula.name).toBe(m.name);
      if (m.kind) expect(t.value.formula.kind).toBe(m.kind);
      const lines = countedLines(t.value.formula, house);
      for (const [id, grams] of Object.entries(m.grams ?? {}))
        expect(lines.find((l) => l.ingredient?.id === id)?.grams).toBeCloseTo(grams, 0);
      for (const note of m.notes ?? []) expect(t.value.formula.cardNotes).toContain(note);
    }
    expect(taken).toHaveLength(must.recipes?.length ?? 0);
  });
});

const formulaOf = (card: string): Formula => {
  const r = entriesFromCard(card, house.conventions);
  if (!r.ok) throw new Error(r.message);
  return withCard({ ...EMPTY_FORMULA, name: 'Round trip cakes' }, { ...r.value, title: null });
};

/** What a formula's lines mean: ingredient, grams and where they go. */
const meaning = (f: Formula) =>
  countedLines(f, house)
    .filter((l) => l.text.trim() !== '')
    .map((l) => ({ id: l.ingredient?.id ?? l.text, g: l.grams, vessel: l.vessel, side: l.side, off: l.off }))
    .sort(
      (a, b) =>
        `${a.id} ${a.vessel} ${a.side}`.localeCompare(`${b.id} ${b.vessel} ${b.side}`) || (a.g ?? 0) - (b.g ?? 0),
    );

/** What of one formula's lines is not the other's, to a hundredth of a gram. */
const differences = (a: Formula, b: Formula): readonly string[] => {
  const [was, is] = [meaning(a), meaning(b)];
  const same = (x: (typeof was)[number], y: (typeof was)[number] | undefined): boolean =>
    y !== undefined &&
    x.id === y.id &&
    x.vessel === y.vessel &&
    x.side === y.side &&
    (x.g === null ? y.g === null : Math.abs(x.g - (y.g ?? -1)) <= 0.0051);
  return was.length !== is.length
    ? [`${was.length} lines, then ${is.length}`]
    : was.flatMap((x, n) => (same(x, is[n]) ? [] : [`${JSON.stringify(x)} became ${JSON.stringify(is[n])}`]));
};

const back = (format: Format, text: string): Formula => {
  const read = readAs(format, text);
  if (!read.ok) throw new Error(read.error.message);
  const [r] = read.value;
  if (!r) throw new Error('no recipe');
  const taken = formulaFrom(r, house, null);
  if (!taken.ok) throw new Error(taken.error.message);
  return taken.value.formula;
};

const WAYS: readonly (readonly [Format, (w: Parameters<typeof asText>[0]) => string])[] = [
  ['text', asText],
  ['markdown', asMarkdown],
  ['jsonld', asJsonLd],
  ['csv', asCsv],
];

describe('out and back', () => {
  const cards = [...COMMON.map((c) => c.lines.join('\n')), PLAIN_CAKE.join('\n')];
  test.each(WAYS)('%s: each card of the house comes back with the same lines and grams', (format, write) => {
    const off: unknown[] = [];
    for (const card of thirdOf(cards)) {
      const formula = formulaOf(card);
      if (formula.entries.length === 0) continue;
      const again = back(format, write({ formula, house, end: null, version: 1, steps: ['Whisk.', 'Bake.'] }));
      const found = differences(formula, again);
      if (found.length > 0) off.push({ card: card.slice(0, 60), found });
    }
    expect(off).toEqual([]);
  });

  /** A formula of a card with the choices a cook makes on the Bench. */
  const chosen = fc
    .record({
      card: fc.constantFrom(...cards),
      vessel: fc.constantFrom('dry', 'wet', 'fold-in', 'topping', 'pan'),
      moved: fc.nat(12),
      off: fc.option(fc.nat(12), { nil: null }),
      factor: fc.constantFrom(1, 2, 0.5, 3.7),
    })
    .map(({ card, vessel, moved, off, factor }): Formula => {
      const f = formulaOf(card);
      const entries = f.entries.map((e, n) => ({
        ...e,
        ...(n === moved && { vessel: vessel as 'dry' }),
        ...(n === off && { off: true as const }),
      }));
      return timesFormula({ ...f, entries }, house, factor);
    });

  test.each(WAYS)('%s: so do moved, switched off and scaled lines', (format, write) => {
    fc.assert(
      fc.property(chosen, (formula) => {
        const again = back(format, write({ formula, house, end: null, version: null, steps: [] }));
        expect(differences(formula, again)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  test.each(WAYS)('%s: oil for the pan without an amount, moved into a bowl, stays there', (format, write) => {
    for (const vessel of ['dry', 'wet', 'topping'] as const) {
      const f = formulaOf('200 g flour\noil for the pan');
      const formula = { ...f, entries: f.entries.map((e, n) => (n === 1 ? { ...e, vessel } : e)) };
      const again = back(format, write({ formula, house, end: null, version: null, steps: [] }));
      expect(differences(formula, again)).toEqual([]);
    }
  });

  test('our own JSON-LD brings back every setting; lines changed by another hand stand over it', () => {
    const formula: Formula = {
      ...formulaOf(PLAIN_CAKE.join('\n')),
      kind: 'waffle',
      school: 'crisp',
      portionMl: 120,
      dismissed: ['salt-high:look'],
      conventions: { egg: 'medium' },
      cardNotes: 'Serves 4.\nIt keeps.',
    };
    const file = asJsonLd({ formula, house, end: null, version: 3, steps: [] });
    const read = readJsonLd(file);
    if (!read.ok || !read.value[0]) throw new Error('not read');
    const [r] = read.value;
    expect(r.formula).toEqual(JSON.parse(JSON.stringify(formula)));
    const whole = formulaFrom(r, house, r.formula as Formula);
    expect(whole.ok && whole.value.whole && whole.value.formula).toEqual(JSON.parse(JSON.stringify(formula)));
    const changed = readJsonLd(file.replace('250 g flour"', '300 g flour"'));
    if (!changed.ok || !changed.value[0]) throw new Error('not read');
    const other = formulaFrom(changed.value[0], house, changed.value[0].formula as Formula);
    expect(other.ok && !other.value.whole && countedLines(other.value.formula, house)[0]?.grams).toBe(300);
    // words behind a line, and a step, are changes too
    for (const [was, is] of [
      ['250 g flour"', '250 g flour, sifted"'],
      ['It keeps."', 'It does not keep."'],
    ] as const) {
      const edited = readJsonLd(file.replace(was, is));
      if (!edited.ok || !edited.value[0]) throw new Error('not read');
      const taken = formulaFrom(edited.value[0], house, edited.value[0].formula as Formula);
      expect({ is, whole: taken.ok && taken.value.whole }).toEqual({ is, whole: false });
    }
  });

  test('others read ours: schema.org fields, lines as written and in grams, ratios with their units', () => {
    const formula = formulaOf('2 cups flour\n1 tbsp baking powder\n1 3/4 cups milk\n2 eggs\n3 tbsp oil\n1/2 tsp salt');
    const r = JSON.parse(asJsonLd({ formula, house, end: null, version: 1, steps: ['Whisk.', 'Bake.'] }));
    expect(r).toMatchObject({
      '@context': 'https://schema.org',
      '@type': 'Recipe',
      name: 'Round trip cakes',
      recipeCategory: 'Griddle cake',
    });
    expect(r.recipeIngredient[0]).toBe('2 cups flour (250 g)');
    expect(r.recipeInstructions).toEqual([
      { '@type': 'HowToStep', text: 'Whisk.' },
      { '@type': 'HowToStep', text: 'Bake.' },
    ]);
    expect(r.recipeYield).toMatch(/^\d+ pieces$/);
    expect(r.nutrition.calories).toMatch(/^\d+(\.\d)? kcal$/);
    expect(r.additionalProperty.find((p: { name: string }) => p.name === 'Water')).toMatchObject({
      unitText: 'percent of flour',
    });
  });
});

describe('what nobody meant to be read', () => {
  test('any bytes under any name are read or refused with words, and never throw', () => {
    const name = fc.constantFrom('a.txt', 'a.md', 'a.html', 'a.json', 'a.csv', 'a.tsv', 'a', 'a.pdf');
    fc.assert(
      fc.property(name, fc.uint8Array({ maxLength: 400 }), (n, bytes) => {
        const r = readFile(n, bytes);
        if (!r.ok) expect(r.error.message).toMatch(/^[A-Z].*\.$/);
      }),
    );
    fc.assert(
      fc.property(name, fc.string({ unit: 'binary', maxLength: 300 }), (n, text) => {
        const r = readFile(n, new TextEncoder().encode(text));
        if (!r.ok) expect(r.error.message).toMatch(/^[A-Z].*\.$/);
      }),
    );
  });

  test('too large, too deep, and a million of everything', () => {
    const big = readFile('page.html', new Uint8Array(MOST_FILE_BYTES + 1).fill(32));
    expect(!big.ok && big.error.message).toBe('It is larger than any page: 10 MB, at most 10.');
    const nested = `<html><body>${'<div>'.repeat(60_000)}<p>2 cups flour`;
    expect(readHtml(nested)).toMatchObject({ ok: false });
    const item = `<div itemscope itemtype="https://schema.org/Recipe"><span itemprop="name">Deep</span>${'<div>'.repeat(60_000)}<i itemprop="recipeIngredient">2 cups flour</i>`;
    expect(readHtml(item)).toMatchObject({ ok: false, error: { message: expect.stringMatching(/nested deeper/) } });
    expect(readHtml(item.replace(/(?:<div>)+/, '<div>'.repeat(100)))).toMatchObject({
      ok: true,
      value: [{ name: 'Deep', lines: ['2 cups flour'] }],
    });
    expect(readHtml(`<html>${'<br>'.repeat(1_000_000)}`)).toMatchObject({ ok: false });
    expect(readAs('markdown', '- '.repeat(2000))).toMatchObject({
      ok: false,
      error: { message: expect.stringMatching(/deeper/) },
    });
    expect(readAs('markdown', '*a_'.repeat(3000))).toMatchObject({ ok: true });
    expect(readAs('markdown', '# h\n- x\n> y\n'.repeat(501))).toMatchObject({
      ok: false,
      error: { message: 'It has 1,503 rows; a recipe has at most 1,500.' },
    });
    expect(readJsonLd(`${'['.repeat(3000)}1${']'.repeat(3000)}`)).toMatchObject({ ok: false });
    expect(readAs('text', 'x'.repeat(300_000))).toMatchObject({ ok: false });
    expect(readAs('csv', 'a,b\n'.repeat(2_000))).toMatchObject({ ok: false });
  });

  test('a page is read, never run: its scripts and its marks say nothing', () => {
    const r = readHtml(
      '<script>alert(1)</script><script type="application/ld+json">{"@type":"Recipe","name":"<img src=x onerror=alert(1)>Cakes","recipeIngredient":["<b>2 cups</b> flour"]}</script>',
    );
    if (!r.ok) throw new Error(r.error.message);
    expect(r.value[0]?.name).toBe('Cakes');
    expect(r.value[0]?.lines).toEqual(['2 cups flour']);
  });
});

test('times and tables in a cook’s words', () => {
  expect(['PT15M', 'PT1H5M', 'P1DT2H', 'PT90S', 'a while'].map(timeSaid)).toEqual([
    '15 min',
    '1 h 5 min',
    '26 h',
    '2 min',
    'a while',
  ]);
  expect(rowOfCells(['Amount', 'Unit', 'Ingredient', 'Grams', 'Notes'], ['2', 'cups', 'flour', '250', 'sifted'])).toBe(
    '2 cups (250 g) flour, sifted',
  );
  expect(rowOfCells([], ['flour', '250', 'g'])).toBe('250 g flour');
  expect(rowOfCells(['Item', 'Qty', 'Where'], ['milk', '1 cup', 'fridge'])).toBe('1 cup milk, fridge');
});

test('a cell that a sheet program would run is guarded, and read without its guard', () => {
  const formula = formulaOf('250 g flour\n2 eggs');
  const risky = { ...formula, entries: [...formula.entries, { key: 'l9', text: '=HYPERLINK("x")' }] };
  const csv = asCsv({ formula: risky, house, end: null, version: null, steps: [] });
  expect(csv).toContain("'=HYPERLINK");
});

const keyOf = (f: Formula): string => linesKey(f.entries.map((e) => e.text));
test('the same card twice is the same, whatever its spaces and capitals', () => {
  expect(keyOf(formulaOf('250 g flour\n2 eggs'))).toBe(keyOf(formulaOf('250 g  Flour\n\n2 eggs')));
  expect(keyOf(formulaOf('250 g flour\n2 eggs'))).not.toBe(keyOf(formulaOf('250 g flour\n3 eggs')));
});

test('a whole kitchen dropped as a card gives its formulas, each with its settings; a zip of files each of its recipes', async () => {
  const whole = readFile(
    'kitchen.zip',
    readFileSync(join(__dirname, '../../server/usecases/fixtures/kitchen-0.13.0.zip')),
  );
  if (!whole.ok) throw new Error(whole.error.message);
  expect(whole.value.length).toBeGreaterThan(10);
  const taken = whole.value.map((r) => formulaFrom(r, house, r.formula as Formula));
  expect(taken.every((t) => t.ok && t.value.whole)).toBe(true);
  const zip = await packed({
    'cards/plain.txt': 'Ferry cakes\n2 cups flour\n2 eggs',
    '__MACOSX/x': 'x',
    'page.html': readFileSync(join(FIXTURES, 'saved-page.html'), 'utf8'),
  });
  const many = readFile('cards.zip', zip);
  expect(many.ok && many.value.map((r) => r.card.split('\n')[0])).toEqual(['Ferry cakes', 'Towpath waffles']);
  expect(readFile('none.zip', await packed({ 'a.html': '<p>nothing' }))).toMatchObject({ ok: false });
});

describe('zip files', () => {
  const most = { bytes: 100_000, files: 3 };
  test('what is packed is unpacked the same', async () => {
    await fc.assert(
      fc.asyncProperty(fc.dictionary(fc.stringMatching(/^[a-z]{1,8}$/), fc.string(), { maxKeys: 3 }), async (files) => {
        if (Object.keys(files).length === 0) return;
        const back = unpacked(await packed(files), most);
        expect(
          back.ok && Object.fromEntries(Object.entries(back.value).map(([n, b]) => [n, new TextDecoder().decode(b)])),
        ).toEqual({ ...files });
      }),
      { numRuns: 30 },
    );
  });
  test('endless zeros in a small file, too many files, a torn one and none at all are refused', async () => {
    const bomb = await packed({ zeros: '0'.repeat(30_000_000) });
    expect(bomb.length).toBeLessThan(100_000);
    expect(unpacked(bomb, most)).toEqual({
      ok: false,
      error: 'Unpacked it is larger than any kitchen: more than 0 MB.',
    });
    expect(unpacked(await packed({ a: '', b: '', c: '', d: '' }), most)).toEqual({
      ok: false,
      error: 'It holds more than 3 files.',
    });
    const whole = await packed({ a: 'some words '.repeat(400), b: 'more' });
    // wherever it is cut off, between two files too, a part is no whole
    for (let at = 2; at < whole.length; at++) expect([at, unpacked(whole.slice(0, at), most).ok]).toEqual([at, false]);
    // a file that says of itself that it is too large is refused by what it says, before anything of it is unpacked:
    // its contents are torn here
    const boasts = bomb.slice();
    boasts.fill(0xff, 40, 60);
    expect(unpacked(boasts, most)).toEqual({
      ok: false,
      error: 'Unpacked it is larger than any kitchen: more than 0 MB.',
    });
    // and one that lies about it is found out as it is unpacked
    const lies = bomb.slice();
    const view = new DataView(lies.buffer);
    for (let k = lies.length - 46; k > 0; k--)
      if (view.getUint32(k, true) === 0x02014b50) view.setUint32(k + 24, 1, true);
    expect(unpacked(lies, most)).toEqual({
      ok: false,
      error: 'Unpacked it is larger than any kitchen: more than 0 MB.',
    });
    expect(unpacked(new Uint8Array([1, 2, 3]), most)).toEqual({ ok: false, error: 'It is no zip file.' });
    fc.assert(
      fc.property(fc.nat(whole.length - 1), fc.integer({ min: 1, max: 255 }), (at, by) => {
        const torn = Uint8Array.from(whole, (x, n) => (n === at ? x ^ by : x));
        unpacked(torn, most);
      }),
    );
  });
});
