/** People of the kitchen, on the real database: added once, changed by one at a time, erased without their name. */
import { randomUUID } from 'node:crypto';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { erasePerson, keepPerson, kitchenPeople } from '../queries/people';

beforeAll(() => ownDatabase('people'));
afterAll(closePool);

const person = (name: string, more: object = {}) => ({
  id: randomUUID(),
  name,
  role: 'helper' as const,
  mark: 'egg' as const,
  revision: null,
  ...more,
});

test('added twice it is one; of one name there is one; a change that another screen has overtaken is refused', async () => {
  const hazel = person('Hazel');
  expect(await Promise.all([keepPerson(hazel), keepPerson(hazel)])).toEqual([{ ok: true }, { ok: true }]);
  expect(await kitchenPeople()).toEqual([{ id: hazel.id, name: 'Hazel', role: 'helper', mark: 'egg', revision: 1 }]);
  expect(await keepPerson(person('hazel'))).toMatchObject({ ok: false, fields: { name: 'There is a hazel already.' } });
  const seen = { ...hazel, revision: 1 };
  expect(await keepPerson({ ...seen, role: 'cook' })).toEqual({ ok: true });
  // sent again it is as it was; another's word from before is not kept over it
  expect(await keepPerson({ ...seen, role: 'cook' })).toEqual({ ok: true });
  expect(await keepPerson({ ...seen, mark: 'sun' })).toMatchObject({ ok: false });
  expect((await kitchenPeople())[0]).toMatchObject({ role: 'cook', mark: 'egg' });
});

test('who is erased leaves no name, and the name may come again; told twice is told once', async () => {
  const [ash, rowan] = [person('Ash'), person('Rowan')];
  await keepPerson(ash);
  await keepPerson(rowan);
  expect(await erasePerson(ash.id)).toEqual({ ok: true });
  expect(await erasePerson(ash.id)).toEqual({ ok: true });
  await erasePerson(rowan.id);
  expect(await kitchenPeople().then((all) => all.map((p) => p.name))).not.toContain('Ash');
  const rows = await query('select name from people where erased_at is not null order by erased_at');
  expect(rows).toEqual([{ name: 'former helper 1' }, { name: 'former helper 2' }]);
  expect(await keepPerson(person('Ash'))).toEqual({ ok: true });
  expect(await keepPerson({ ...ash, revision: 1 })).toMatchObject({ ok: false });
  expect(await erasePerson(randomUUID())).toMatchObject({ ok: false });
});
