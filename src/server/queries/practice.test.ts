/** What is practised, on the real database. */
import { randomUUID } from 'node:crypto';
import { doneBy } from '../db/done';
import { ownDatabase } from '../db/own-database';
import { closePool } from '../db/pool';
import { erasePerson, keepPerson, kitchenPeople } from './people';
import { forgetTries, keepTry, triesOf, triesOfClass } from './practice';

const [wren, mo] = [randomUUID(), randomUUID()];
beforeAll(async () => {
  await ownDatabase('practice');
  for (const [id, name, role] of [
    [wren, 'Wren', 'child'],
    [mo, 'Mo', 'helper'],
  ] as const)
    await keepPerson({ id, name, role, mark: 'whisk', revision: null });
});
afterAll(closePool);

const go = (personId: string | null, id = randomUUID()) => ({
  id,
  personId,
  what: 'lesson:two',
  passed: true,
  worth: 0.8,
  was: '',
});

test('a go is kept once, by whom it was made; nobody’s are apart; the class is everybody’s', async () => {
  const once = go(wren);
  await keepTry(once);
  await keepTry(once);
  await keepTry(go(null));
  await keepTry(go(randomUUID()));
  expect(await triesOf(wren)).toMatchObject([{ what: 'lesson:two', passed: true, worth: 0.8 }]);
  // somebody who is not of this kitchen is nobody
  expect(await triesOf(null)).toHaveLength(2);
  expect((await triesOfClass()).map((t) => t.personId)).toEqual([wren]);
});

test('on a device that somebody has signed on it is theirs, whatever is sent; they erase their own alone', async () => {
  await doneBy({ device: null, person: mo }, () => keepTry(go(wren)));
  expect(await triesOf(mo)).toHaveLength(1);
  expect(await triesOf(wren)).toHaveLength(1);
  expect(await doneBy({ device: null, person: mo }, () => forgetTries(wren))).toBe(false);
  expect(await triesOf(wren)).toHaveLength(1);
  expect(await doneBy({ device: null, person: mo }, () => forgetTries(mo))).toBe(true);
  expect(await triesOf(mo)).toEqual([]);
});

test('with a person’s name goes what they practised', async () => {
  expect(await erasePerson(wren)).toEqual({ ok: true });
  expect((await kitchenPeople()).map((p) => p.name)).toEqual(['Mo']);
  expect(await triesOf(wren)).toEqual([]);
  expect(await triesOfClass()).toEqual([]);
});
