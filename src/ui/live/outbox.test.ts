/** What is told at the counter, in the browser's store: kept in order, sent once, each item by itself. */
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import type { ActionResult } from '@/contract/action-result';
import type { Item } from '@/core/day/event-log';
import {
  agoOf,
  arrived,
  asideOf,
  batchesWaiting,
  keepWaiting,
  resolveAside,
  sendsItself,
  tellings,
  toldNow,
  waiting,
} from './outbox';
import { NO_ANSWER, sendWaiting, type Tell } from './send';

type Answered = Awaited<ReturnType<Tell>>;
const tick = (key: string): Item => ({ id: randomUUID(), do: 'line', key, to: true, at: Date.now() });
const tellAll = async (batch: string, keys: readonly string[]): Promise<void> => {
  for (const k of keys) await keepWaiting(toldNow(batch, tick(k)));
};
const keysOf = async (batch: string): Promise<string[]> =>
  (await waiting(batch)).map((w) => (w.item.do === 'line' ? w.item.key : ''));
const itemsIn = (input: unknown): { item: Item; agoMs: number }[] =>
  (input as { items: { item: Item; agoMs: number }[] }).items;
const allKept = (input: unknown): Answered => ({
  ok: true,
  answers: itemsIn(input).map(({ item }) => ({ id: item.id, ok: true })),
});
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
  expect([...(await batchesWaiting())].sort()).toEqual(['b1', 'b2']);
  const closes = sendsItself('b1');
  expect(await batchesWaiting()).toEqual(['b2']);
  closes();
  await arrived((await waiting('b1')).map((w) => w.seq));
  await arrived((await waiting('b2')).map((w) => w.seq));
  expect(await batchesWaiting()).toEqual([]);
});

test('sent in parcels, in order, once; while nobody answers it waits', async () => {
  await tellAll(
    'b3',
    Array.from({ length: 250 }, (_, n) => `l${n + 1}`),
  );
  const parcels: number[] = [];
  const got: string[] = [];
  const tell: Tell = async (input) => {
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
  const bad = (await waiting('b4'))[1]?.item.id ?? '';
  const tell: Tell = async (input) => ({
    ok: true,
    answers: itemsIn(input).map(({ item }) =>
      item.id === bad
        ? { id: item.id, ok: false, message: 'That line is not on the sheet any more.' }
        : { id: item.id, ok: true },
    ),
  });
  expect((await sendWaiting('b4', tell)).kept).toHaveLength(2);
  const [aside] = await asideOf('b4');
  expect(aside).toMatchObject({ item: { id: bad }, why: 'That line is not on the sheet any more.' });
  if (!aside) throw new Error('nothing is aside');
  await resolveAside(aside, true);
  expect([await asideOf('b4'), await keysOf('b4')]).toEqual([[], ['l2']]);
  expect((await sendWaiting('b4', async (i) => allKept(i))).kept).toHaveLength(1);
  await tellAll('b4', ['l4']);
  const [last] = await waiting('b4');
  await sendWaiting('b4', async () => ({ ok: true, answers: [{ id: last?.item.id ?? '', ok: false, message: 'no' }] }));
  const [again] = await asideOf('b4');
  if (again) await resolveAside(again, false);
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
    await send('b9', async () => ({ ok: true, answers: [{ id: item.id, ok: false, message: 'no such line' }] }));
    const [aside] = await outbox.asideOf('b9');
    expect([aside, await outbox.waiting('b9')]).toEqual([{ batchId: 'b9', item, why: 'no such line' }, []]);
    if (aside) await outbox.resolveAside(aside, true);
    expect([await outbox.asideOf('b9'), (await outbox.waiting('b9')).map((w) => w.item.id)]).toEqual([[], [item.id]]);
    Object.assign(globalThis, { indexedDB: had });
    Reflect.deleteProperty(globalThis, 'window');
  });
});

test('a parcel that is refused whole is parted: only the one that can’t be is set aside', async () => {
  await tellAll('b5', ['l1', 'l2', 'l3', 'l4']);
  const bad = (await waiting('b5'))[2]?.item.id;
  const tell: Tell = async (input) =>
    itemsIn(input).some(({ item }) => item.id === bad) ? refusal('unkeepable') : allKept(input);
  const sent = await sendWaiting('b5', tell);
  expect([sent.kept.length, sent.trouble, (await asideOf('b5')).map((a) => a.item.id)]).toEqual([3, null, [bad]]);
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
