/** What changes in the records is heard, by who listens, from the place that is asked, whatever the clock says. */
import { ANYTHING, NOWHERE, placeIn, placeText } from '@/contract/changes';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { heardLast, onChange } from './changes';

beforeAll(() => ownDatabase('changes'));
afterAll(closePool);

const until = async (is: () => boolean): Promise<void> => {
  while (!is()) await new Promise((r) => setTimeout(r, 10));
};

test('each change is heard by its thing; who comes later hears of what was missed; a cut connection tells that anything may be', async () => {
  const heard: string[] = [];
  const off = onChange((c) => heard.push(c.thing), NOWHERE);
  await until(() => heard.includes(ANYTHING));
  const before = placeIn(placeText(heardLast()));
  await query("insert into stock (ingredient_id, price) values ('flour-rye', 2)");
  await query("insert into sides (name, measure, parts, serving_g) values ('Butter', 'weight', '[]', 10)");
  await until(() => heard.length >= 3);
  expect(heard).toEqual([ANYTHING, 'pantry', 'sides']);

  // what the house has noted of other pages is no change of it
  await query("insert into kitchen (key, value) values ('facts', '1') on conflict (key) do update set value = '2'");
  await query("insert into kitchen (key, value) values ('house', '{}') on conflict (key) do update set value = '{}'");
  await until(() => heard.length >= 4);
  expect(heard.slice(3)).toEqual(['house']);

  const late: string[] = [];
  const offLate = onChange((c) => late.push(c.thing), before);
  expect(late).toEqual(['pantry', 'sides', 'house']);
  const now: string[] = [];
  const offNow = onChange((c) => now.push(c.thing), heardLast());
  expect(now).toEqual([]);
  // a page that was drawn before anybody listened, or by a server that is gone
  const strange: string[] = [];
  for (const at of [NOWHERE, placeIn('another.99'), placeIn('1790000000000')])
    onChange((c) => strange.push(c.thing), at)();
  expect(strange).toEqual([ANYTHING, ANYTHING, ANYTHING]);
  // a clock that is set back hides nothing
  jest.spyOn(Date, 'now').mockReturnValue(0);
  const back = heardLast();
  await query("insert into stock (ingredient_id, price) values ('flour-oat', 2)");
  await until(() => now.includes('pantry'));
  const missed: string[] = [];
  onChange((c) => missed.push(c.thing), back)();
  expect(missed).toEqual(['pantry']);
  jest.restoreAllMocks();

  await query(
    "select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen even_crumb' and datname = current_database()",
  );
  await until(() => now.includes(ANYTHING));
  const far: string[] = [];
  // from before the cut: what was told meanwhile is not known
  const offFar = onChange((c) => far.push(c.thing), before);
  expect(far).toEqual([ANYTHING]);
  for (const end of [off, offLate, offNow, offFar]) end();
  // a screen that is opened next has missed nothing
  const next: string[] = [];
  onChange((c) => next.push(c.thing), heardLast())();
  expect(next).toEqual([]);
});

test('a batch is told by its id, once a transaction', async () => {
  const heard: string[] = [];
  const off = onChange((c) => heard.push(c.thing), NOWHERE);
  await until(() => heard.length > 0);
  const [f] = await query('insert into formulas default values returning id');
  const [v] = await query(
    "insert into formula_versions (formula_id, number, name, kind, school, conventions, lines) values ($1, 1, 'Cakes', 'griddle', 'even', '{}', '[]') returning id",
    [f?.id],
  );
  const [b] = await query(
    "insert into batches (version_id, driver, exactness, sheet, mass_g) values ($1, '{}', 'gram', '[]', 500) returning id",
    [v?.id],
  );
  await query("insert into batch_ticks (batch_id, line_key) values ($1, 'l1'), ($1, 'l2'), ($1, 'l3')", [b?.id]);
  await until(() => heard.filter((h) => h === `batch:${b?.id}`).length >= 2);
  await new Promise((r) => setTimeout(r, 50));
  expect(heard.filter((h) => h === `batch:${b?.id}`)).toHaveLength(2);
  expect(heard).toContain('batches');
  // a minute after the last screen nobody listens any more
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] });
  const last = heardLast();
  off();
  jest.advanceTimersByTime(59_000);
  expect(heardLast()).toEqual(last);
  jest.advanceTimersByTime(1000);
  expect(heardLast()).toEqual(NOWHERE);
  jest.useRealTimers();
});
