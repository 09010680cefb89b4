/** The demo kitchen on the real database: whole, varied, and with the three cards that have something wrong. */
import { analyseFormula } from '@/core/analyse';
import { log, underWay } from './batches';
import { loadDemo } from './demo';
import { shelf, version } from './formulas';
import { loadHouse } from './house';
import { migrate } from './migrate';
import { closePool, query } from './pool';

// its own database, so that the tests of records can run beside it
beforeAll(async () => {
  if (!process.env.DATABASE_URL) throw new Error('these tests need a database: run them with npm test or npm run test:unit');
  const url = new URL(process.env.DATABASE_URL);
  await query('create database demo_kitchen');
  await closePool();
  url.pathname = '/demo_kitchen';
  process.env.DATABASE_URL = url.href;
  await migrate();
  await loadDemo();
});
afterAll(closePool);

async function analysed() {
  const [rows, house] = await Promise.all([shelf(), loadHouse()]);
  return Promise.all(
    rows.map(async (r) => {
      const v = await version(r.id, null);
      if (!v) throw new Error(r.name);
      const ends = (v.formula.ends ?? [null]).map((e) => analyseFormula(v.formula, house, e?.id ?? null));
      return { name: r.name, kind: r.kind, lines: ends.flatMap((e) => e.lines), findings: ends.flatMap((e) => e.analysis.findings) };
    }),
  );
}

test('at least ten formulas of at least five kinds, found by liquid and pour', async () => {
  const rows = await shelf();
  expect(rows.length).toBeGreaterThanOrEqual(10);
  expect(new Set(rows.map((r) => r.kind)).size).toBe(7);
  expect(new Set(rows.map((r) => r.mainLiquid)).size).toBeGreaterThanOrEqual(3);
  expect(rows.every((r) => r.pour !== null && r.mainFlour !== null)).toBe(true);
});

test('one has soda with nothing to work on, one amounts that disagree, one a line without a measured amount; the rest are calm', async () => {
  const all = await analysed();
  const look = all.filter((f) => f.findings.some((x) => x.severity !== 'note')).map((f) => f.name);
  expect(look.sort()).toEqual(['Grandstand banana cakes', 'Old tea-hut card', "Skipper's soda cakes"]);
  const codes = (name: string): readonly string[] => all.find((f) => f.name === name)?.findings.map((x) => x.code) ?? [];
  expect(codes("Skipper's soda cakes")[0]).toBe('soda-unspent');
  expect(codes('Old tea-hut card')).toContain('amounts-disagree');
  expect(codes('Grandstand banana cakes')).toContain('lines-open');
});

test('every line of the batter is understood, but for the two that are meant not to be', async () => {
  const open = (await analysed()).flatMap((f) => f.lines.filter((l) => l.use === 'batter' && l.parts.length === 0).map((l) => l.text));
  expect(open.sort()).toEqual(['a splash of milk, more if it is stiff', 'cinnamon']);
});

test('one is forked, both ends calm; one has a powder that is getting old', async () => {
  const all = await analysed();
  const by = (name: string) => all.find((f) => f.name === name);
  expect(by("Lock-keeper's two-way crepes")?.findings).toEqual([]);
  expect(by('Camp trailer corn cakes')?.findings.map((x) => x.code)).toEqual(['powder-old']);
});

test('two batches are under way at different steps, and the log has good and bad ones', async () => {
  const now = await underWay();
  expect(now.map((b) => [b.name, b.ticked.length])).toEqual([
    ['Regatta griddle cakes', 4],
    ['Lock-side crepes', 7],
  ]);
  const done = (await log({ text: '', verdict: null })).filter((b) => b.finishedAt);
  expect(new Set(done.map((b) => b.verdict))).toEqual(new Set(['best', 'good', 'fair', 'poor']));
  expect(done.every((b) => b.finishedAt && b.finishedAt > b.startedAt && b.finishedAt < new Date())).toBe(true);
});
