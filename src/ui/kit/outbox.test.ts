/** What is told at the counter, in the browser's store: kept in order, sent once, each item by itself. */
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import { deleteDB, openDB } from 'idb';
import type { ActionResult } from '@/contract/action-result';
import type { Item } from '@/core/day/event-log';
import {
  agoOf,
  asideOf,
  doneNow,
  everyAct,
  itemOf,
  keepWaiting,
  letGo,
  markRefused,
  sendsItself,
  tellings,
  thingsWaiting,
  toldNow,
  waiting,
} from './outbox';
import { drop, heardOf, NO_ANSWER, type Post, sendWaiting, unheard, wasHeard } from './send';

type Answered = Awaited<ReturnType<Post>>;
const tick = (key: string): Item => ({ id: randomUUID(), do: 'line', key, to: true, at: Date.now() });
const tellAll = async (batch: string, keys: readonly string[]): Promise<void> => {
  for (const k of keys) await keepWaiting(toldNow(batch, tick(k)));
};
const keysOf = async (batch: string): Promise<string[]> =>
  (await waiting(batch)).map(itemOf).map((i) => (i.do === 'line' ? i.key : ''));
type Sent = Parameters<Post>[0];
const itemsIn = ({ input }: Sent): { item: Item; agoMs: number }[] =>
  (input as { items: { item: Item; agoMs: number }[] }).items;
const answers = (of: readonly object[]): Answered => ({ ok: true, answers: of }) as Answered;
const allKept = (sent: Sent): Answered => answers(itemsIn(sent).map(({ item }) => ({ id: item.id, ok: true })));
const refusal = (kind: 'away' | 'unkeepable'): ActionResult<never> => ({
  ok: false,
  kind,
  message: `it is ${kind}`,
  fields: {},
});

test('what two tabs tell stands in one order, each batch by itself; what has arrived is gone', async () => {
  await Promise.all([tellAll('b1', ['l1', 'l2']), tellAll('b2', ['l9'])]);
  await tellAll('b1', ['l3']);
  expect(await keysOf('b1')).toEqual(['l1', 'l2', 'l3']);
  expect([...(await thingsWaiting())].sort()).toEqual(['b1', 'b2']);
  const closes = sendsItself('b1');
  expect(await thingsWaiting()).toEqual(['b2']);
  closes();
  await letGo((await waiting('b1')).map((w) => w.seq));
  await letGo((await waiting('b2')).map((w) => w.seq));
  expect(await thingsWaiting()).toEqual([]);
});

test('sent in parcels, in order, once; while nobody answers it waits', async () => {
  await tellAll(
    'b3',
    Array.from({ length: 250 }, (_, n) => `l${n + 1}`),
  );
  const parcels: number[] = [];
  const got: string[] = [];
  const tell: Post = async (input) => {
    parcels.push(itemsIn(input).length);
    got.push(...itemsIn(input).map(({ item }) => item.id));
    return allKept(input);
  };
  const nobody = await sendWaiting('b3', async () => {
    throw new Error('Failed to fetch');
  });
  expect(nobody).toEqual({ kept: [], trouble: NO_ANSWER });
  expect((await sendWaiting('b3', async () => refusal('away'))).trouble).toMatch(
    /kept in this browser, and goes on by itself/,
  );
  expect(await waiting('b3')).toHaveLength(250);
  const sent = await sendWaiting('b3', tell);
  expect([parcels, sent.kept.length, sent.trouble, new Set(got).size]).toEqual([[200, 50], 250, null, 250]);
  expect(await waiting('b3')).toEqual([]);
});

test('one that is refused is set aside and shown; the rest goes on; dropped or sent again as the cook says', async () => {
  await tellAll('b4', ['l1', 'l2', 'l3']);
  const bad = (await waiting('b4')).map(itemOf)[1]?.id ?? '';
  const tell: Post = async (sent) =>
    answers(
      itemsIn(sent).map(({ item }) =>
        item.id === bad
          ? { id: item.id, ok: false, message: 'That line is not on the sheet any more.' }
          : { id: item.id, ok: true },
      ),
    );
  expect((await sendWaiting('b4', tell)).kept).toHaveLength(2);
  const [aside] = await asideOf('b4');
  expect(aside).toMatchObject({ input: { id: bad }, refused: 'That line is not on the sheet any more.' });
  if (!aside) throw new Error('nothing is aside');
  await markRefused(aside, null);
  expect([await asideOf('b4'), await keysOf('b4')]).toEqual([[], ['l2']]);
  expect((await sendWaiting('b4', async (i) => allKept(i))).kept).toHaveLength(1);
  await tellAll('b4', ['l4']);
  const [last] = await waiting('b4');
  await sendWaiting('b4', async () => answers([{ id: last ? itemOf(last).id : '', ok: false, message: 'no' }]));
  const [again] = await asideOf('b4');
  if (again) await letGo([again.seq]);
  expect([await asideOf('b4'), await waiting('b4')]).toEqual([[], []]);
});

test('where the browser keeps nothing, what is refused is told all the same, and dropped or sent again', async () => {
  await jest.isolateModulesAsync(async () => {
    const had = globalThis.indexedDB;
    Reflect.deleteProperty(globalThis, 'indexedDB');
    // the window is told that there is no room
    Object.assign(globalThis, { window: { dispatchEvent: () => true } });
    const [outbox, { sendWaiting: send }] = [await import('./outbox'), await import('./send')];
    const item = tick('l1');
    await outbox.keepWaiting(outbox.toldNow('b9', item));
    await send('b9', async () => answers([{ id: item.id, ok: false, message: 'no such line' }]));
    const [aside] = await outbox.asideOf('b9');
    expect(aside).toMatchObject({ of: 'b9', input: item, refused: 'no such line' });
    expect(await outbox.waiting('b9')).toEqual([]);
    if (aside) await outbox.markRefused(aside, null);
    expect([await outbox.asideOf('b9'), (await outbox.waiting('b9')).map((w) => outbox.itemOf(w).id)]).toEqual([
      [],
      [item.id],
    ]);
    // dropped by mistake it is put back, before what was told after it
    const [first] = await outbox.waiting('b9');
    await outbox.keepWaiting(outbox.toldNow('b9', tick('l2')));
    if (first) await outbox.letGo([first.seq]);
    expect((await outbox.waiting('b9')).map((w) => w.input)).toMatchObject([{ key: 'l2' }]);
    if (first) await outbox.markRefused(first, first.refused);
    expect((await outbox.waiting('b9')).map((w) => w.input)).toMatchObject([{ key: 'l1' }, { key: 'l2' }]);
    Object.assign(globalThis, { indexedDB: had });
    Reflect.deleteProperty(globalThis, 'window');
  });
});

test('an act that is dropped tells the form it was sent from, and what is put back is sent as it was', async () => {
  const seq = await keepWaiting(doneNow({ name: 'keep-side', of: 'keep-side /sides/new', input: { name: 'Syrup' } }));
  const heard = heardOf(seq);
  const [w] = await waiting('keep-side /sides/new');
  if (!w) throw new Error('nothing waits');
  await drop(w);
  expect(await heard).toMatchObject({ ok: false, kind: 'refused' });
  expect(await waiting('keep-side /sides/new')).toEqual([]);
  await markRefused(w, w.refused);
  const sent: unknown[] = [];
  await sendWaiting('keep-side /sides/new', async ({ input }) => {
    sent.push(input);
    return { ok: true };
  });
  expect([sent, await waiting('keep-side /sides/new')]).toEqual([[{ name: 'Syrup' }], []]);
});

test('a parcel that is refused whole is parted: only the one that can’t be is set aside', async () => {
  await tellAll('b5', ['l1', 'l2', 'l3', 'l4']);
  const bad = (await waiting('b5')).map(itemOf)[2]?.id;
  const tell: Post = async (input) =>
    itemsIn(input).some(({ item }) => item.id === bad) ? refusal('unkeepable') : allKept(input);
  const sent = await sendWaiting('b5', tell);
  expect([sent.kept.length, sent.trouble, (await asideOf('b5')).map((a) => itemOf(a).id)]).toEqual([3, null, [bad]]);
});

test('how long ago it was is by the stopwatch of the page; another page’s by the clock; never less than nothing', () => {
  const told = toldNow('b6', tick('l1'));
  expect(agoOf(told)).toBeLessThan(10_000);
  expect(agoOf({ ...told, at: told.at + 3_600_000 })).toBeLessThan(10_000);
  expect(agoOf({ ...told, page: 'another', at: Date.now() - 5000 })).toBeGreaterThanOrEqual(5000);
  expect(agoOf({ ...told, page: 'another', at: Date.now() + 99_999 })).toBe(0);
});

test('a read that something told has overtaken is not shown, also when that is in the store by the time it ends', () => {
  const t = tellings();
  const before = t.reading();
  expect(before()).toBe(true);
  t.begin();
  const during = t.reading();
  t.end();
  // it began before the tap and lacks it, though nothing is on its way any more
  expect(before()).toBe(false);
  expect(during()).toBe(false);
  expect(t.reading()()).toBe(true);
});

const form = (name: 'keep-stock' | 'count-stock' | 'keep-side', input: object, more: object = {}) =>
  doneNow({ name, of: `${name} /pantry/flour`, tab: 't1', words: name, href: '/pantry/flour', input, ...more });

test('a later press of a form takes the place of the one that waits, with its id; an entry is one of its own', async () => {
  await keepWaiting(form('keep-side', { name: 'one', requestId: 'r1' }));
  await keepWaiting(form('keep-side', { name: 'two', requestId: 'r2' }));
  // the same form in another tab is another's
  await keepWaiting(form('keep-side', { name: 'three', requestId: 'r3' }, { tab: 't2' }));
  expect((await waiting('keep-side /pantry/flour')).map((w) => w.input)).toEqual([
    { name: 'two', requestId: 'r1' },
    { name: 'three', requestId: 'r3' },
  ]);
  await keepWaiting(form('count-stock', { countedG: 1, requestId: 'a' }));
  await keepWaiting(form('count-stock', { countedG: 2, requestId: 'b' }));
  // the same press told twice is one
  await keepWaiting(form('count-stock', { countedG: 2, requestId: 'b' }));
  expect((await waiting('count-stock /pantry/flour')).map((w) => w.input)).toMatchObject([
    { countedG: 1 },
    { countedG: 2 },
  ]);
  await letGo((await everyAct()).map((w) => w.seq));
});

test('acts of forms go in one by one, in order; what is refused stays with why, or is told to the form that is open', async () => {
  const of = 'count-stock /pantry/flour';
  const first = await keepWaiting(form('count-stock', { countedG: 1, requestId: 'a' }));
  const second = await keepWaiting(form('count-stock', { countedG: -1, requestId: 'b' }));
  const third = await keepWaiting(form('count-stock', { countedG: -2, requestId: 'c' }));
  const open = heardOf(third);
  void heardOf(second);
  unheard(second);
  const got: unknown[] = [];
  const send: Post = async ({ input }) => {
    got.push((input as { countedG: number }).countedG);
    return (input as { countedG: number }).countedG > 0
      ? { ok: true }
      : { ok: false, kind: 'refused', message: 'less than nothing', fields: {} };
  };
  const { kept, trouble } = await sendWaiting(of, send);
  expect([got, kept.map((w) => [w.seq, w.answer?.ok]), trouble]).toEqual([[1, -1, -2], [[first, true]], null]);
  expect((await asideOf(of)).map((w) => [w.seq, w.refused])).toEqual([[second, 'less than nothing']]);
  expect(await open).toMatchObject({ ok: false, message: 'less than nothing' });
  expect([wasHeard(second), wasHeard(third)]).toEqual([false, true]);
  expect((await sendWaiting(of, send)).kept).toEqual([]);
  await letGo([second]);
});

test('away, a form’s act waits where it is, and goes in when somebody answers', async () => {
  const of = 'keep-stock /pantry/flour';
  await keepWaiting(form('keep-stock', { price: 2 }));
  expect((await sendWaiting(of, async () => refusal('away'))).trouble).toMatch(/goes on by itself/);
  expect(await waiting(of)).toHaveLength(1);
  expect((await sendWaiting(of, async () => ({ ok: true }))).kept).toHaveLength(1);
  expect(await everyAct()).toEqual([]);
});

test('what a version before this one had left in its stores is read once, and stands in the outbox', async () => {
  await jest.isolateModulesAsync(async () => {
    await deleteDB('even-crumb');
    const older = await openDB('even-crumb', 1, {
      upgrade(d) {
        d.createObjectStore('book', { autoIncrement: true }).createIndex('batch', 'batchId');
        d.createObjectStore('aside', { keyPath: 'item.id' }).createIndex('batch', 'batchId');
      },
    });
    const [told, no] = [tick('l1'), tick('l2')];
    await older.add('book', { batchId: 'b7', item: told, at: 1000, mono: 5, page: 'p' });
    await older.add('aside', { batchId: 'b7', item: no, why: 'no such line' });
    older.close();
    const outbox = await import('./outbox');
    expect((await outbox.everyAct()).map((w) => [w.name, w.of, w.input, w.refused, w.page])).toEqual([
      ['tell-events', 'b7', told, null, ''],
      ['tell-events', 'b7', no, 'no such line', ''],
    ]);
    expect((await outbox.waiting('b7'))[0]?.at).toBe(1000);
  });
});
