/**
 * The records as tables for a sheet program, on the real database: what was entered stands in them, and nothing of it
 * runs.
 */

import Papa from 'papaparse';

import { GET as houseTable } from '@/app/house/export/route';
import { GET as logTable } from '@/app/log/export/route';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { loadDemo } from './demo';

beforeAll(async () => {
  await ownDatabase('tables_out');
  await loadDemo();
});
afterAll(closePool);

async function table(get: (r: Request) => Promise<Response>, what: string): Promise<Record<string, string>[]> {
  const r = await get(new Request(`http://127.0.0.1/?what=${what}`));
  expect(r.status).toBe(200);
  expect(r.headers.get('content-disposition')).toBe(`attachment; filename="even-crumb-${what}.csv"`);
  const { data, errors } = Papa.parse<Record<string, string>>((await r.text()).replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  expect(errors).toEqual([]);
  return data;
}
const count = async (of: string): Promise<number> =>
  (await rowsFrom(countRow, `select count(*)::int as n from ${of}`))[0]?.n ?? -1;

test('each table holds every row there is', async () => {
  expect(await table(logTable, 'batches')).toHaveLength(await count('batches'));
  expect(await table(logTable, 'outcomes')).toHaveLength(await count('batches where finished_at is not null'));
  expect(await table(logTable, 'taps')).toHaveLength(await count('batch_taps'));
  expect(await table(houseTable, 'measures')).toHaveLength(await count('own_measures'));
  expect(new Set((await table(houseTable, 'sides')).map((s) => s.Name)).size).toBe(await count('sides'));
  expect(new Set((await table(houseTable, 'premixes')).map((s) => s.Name)).size).toBe(await count('premixes'));
  expect(await table(houseTable, 'lots')).toHaveLength(await count('lots'));
  const movements = await table(houseTable, 'movements');
  expect(movements).toHaveLength(await count('lot_uses'));
  // plain numbers, and one way to write a day
  for (const m of movements) {
    expect(m.Day).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    expect(Number.isFinite(Number(m.Bags))).toBe(true);
  }
});

test('what was written of an outcome stands in it; a note that a sheet program would run does not', async () => {
  await query(
    "update batches set note = '=1+cmd|x', change = 'less heat, 10 C lower', marks = '{gummy,\"pale face\"}' where id = (select id from batches where finished_at is not null order by finished_at limit 1)",
  );
  const [first] = await table(logTable, 'outcomes');
  expect(first).toMatchObject({ Note: "'=1+cmd|x", 'Next time': 'less heat, 10 C lower', Marks: 'gummy; pale face' });
  expect(Number.isNaN(Date.parse(first?.Finished ?? ''))).toBe(false);
});

test('a table nobody has is told at its place', async () => {
  const r = await logTable(new Request('http://127.0.0.1/?what=lots'));
  expect(r.status).toBe(400);
  expect(await r.json()).toMatchObject({ errors: [{ path: 'what', message: 'One of batches, outcomes, taps.' }] });
});

test('the calendar is one, with the zone of the house, whether anything is in it or not', async () => {
  const r = await logTable(new Request('http://127.0.0.1/?what=calendar'));
  expect(r.headers.get('content-type')).toContain('text/calendar');
  expect(await r.text()).toMatch(/^BEGIN:VCALENDAR\r\n[\s\S]*END:VCALENDAR\r\n$/);
});
