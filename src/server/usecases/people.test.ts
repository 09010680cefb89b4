/** People of the kitchen, on the real database: added once, changed by one at a time, erased without their name. */
import { randomUUID } from 'node:crypto';
import type { MorningPlan } from '@/core/morning/plan';
import { BINDS_NOTHING } from '@/core/morning/schedule';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { keepMorning, keepSchedule, morningById } from '../queries/mornings';
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
  // by eight requests at once: each finds nobody there, and one of them is first
  expect(await Promise.all(Array.from({ length: 8 }, () => keepPerson(hazel)))).toEqual(Array(8).fill({ ok: true }));
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

test('who is erased stands by no name in any morning either, planned or begun; nobody else’s name changes', async () => {
  const [fern, moss] = [person('Fern'), person('Moss')];
  await keepPerson(fern);
  await keepPerson(moss);
  const id = randomUUID();
  const there = (p: typeof fern) => ({ personId: p.id, name: p.name, role: 'cook' as const, from: 360, to: 600 });
  const plan: MorningPlan = {
    name: '',
    day: '2026-12-05',
    waves: [{ at: 480, covers: 8 }],
    dishes: [{ id: 'd1', formulaId: randomUUID(), end: null, each: 1, of: { share: 1 }, without: [] }],
    people: [there(moss), there(fern)],
    surfaces: [],
    ovens: 1,
    hob: 2,
    bell: null,
    kept: [],
    sides: [],
    before: false,
  };
  await keepMorning({ id, plan, seen: null } as Parameters<typeof keepMorning>[0]);
  const step = (by: string | null) => ({ ...BINDS_NOTHING, id: `s ${by}`, name: 'Weigh', from: 400, to: 405, by });
  await keepSchedule(id, { steps: [step('Fern'), step('Moss'), step(null)], bowls: [] });
  await erasePerson(fern.id);
  const kept = await morningById(id);
  const [{ name } = { name: '' }] = await query('select name from people where id = $1', [fern.id]);
  expect(kept?.plan?.people.map((p) => p.name)).toEqual(['Moss', name]);
  expect(kept?.schedule?.steps.map((s) => s.by)).toEqual([name, 'Moss', null]);
  expect(name).toMatch(/^former helper \d+$/);
});
