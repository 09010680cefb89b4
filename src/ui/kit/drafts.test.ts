/** Drafts: kept for each tab, brought back from a tab that has closed, and only where they still have their shape. */
import 'fake-indexeddb/auto';
import { deleteDB, openDB } from 'idb';
import { draftOf, keepDraftIn, keepDraftOf, ofItsShape, pressOf, pressOver } from './drafts';

const NOW = {
  amount: '12',
  eggs: null as number | null,
  take: true,
  several: [] as readonly string[],
  split: { by: 'one', mixes: null as string | null },
  bags: {} as Readonly<Record<string, string>>,
};

test('what has its shape comes back, null for a number and a number for null too', () => {
  const kept = {
    ...NOW,
    amount: '84',
    eggs: 3,
    several: ['egg'],
    split: { by: 'bowls', mixes: '2' },
    bags: { a: '1' },
  };
  expect(ofItsShape(NOW, kept)).toEqual(kept);
  expect(ofItsShape({ ...NOW, eggs: 3 }, { eggs: null })).toEqual({ eggs: null });
});

test('what has lost its shape stays out, part by part, deep too', () => {
  expect(ofItsShape(NOW, { amount: 84, take: 'yes', several: 'egg', other: 1 })).toEqual({});
  expect(ofItsShape(NOW, { split: { by: 'bowls' }, take: false })).toEqual({ take: false });
  expect(ofItsShape(NOW, { split: ['bowls'] })).toEqual({});
});

test('a draft is its tab’s; the newest that a closed tab has left comes over, once', async () => {
  await keepDraftOf('price', { price: '2' });
  await keepDraftIn('price', 'closed', { price: '9' });
  expect(await draftOf('price')).toEqual({ price: '2' });
  await keepDraftOf('price', null);
  expect(await draftOf('price')).toEqual({ price: '9' });
  await keepDraftOf('price', null);
  expect(await draftOf('price')).toBeNull();
  await keepDraftIn('pricing', 'closed', { price: '1' });
  expect(await draftOf('price')).toBeNull();
  await keepDraftOf('old', 1);
  expect(await draftOf('old', -1)).toBeNull();
});

test('bytes are kept with what is typed', async () => {
  await keepDraftOf('photo', { of: new Uint8Array([1, 2, 3]) });
  expect(await draftOf('photo')).toEqual({ of: new Uint8Array([1, 2, 3]) });
});

/** A browser's other store, as the versions before this one used it. */
function otherStore(kept: Readonly<Record<string, unknown>>): Map<string, string> {
  const all = new Map(Object.entries(kept).map(([k, v]) => [`even-crumb:${k}`, JSON.stringify(v)]));
  const localStorage = new Proxy(
    {
      getItem: (k: string) => all.get(k) ?? null,
      setItem: (k: string, v: string) => void all.set(k, v),
      removeItem: (k: string) => void all.delete(k),
    },
    { ownKeys: () => [...all.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
  );
  Object.assign(globalThis, { window: { localStorage, dispatchEvent: () => true } });
  return all;
}

test('drafts that older versions left in the other store are read once; what is no draft stays there', async () => {
  await jest.isolateModulesAsync(async () => {
    await deleteDB('even-crumb');
    const all = otherStore({
      'side:new@closed': { at: Date.now(), value: { name: 'Syrup' } },
      'draft:f:1': { formula: 'the first versions had one place for all tabs' },
      alarms: { sound: false },
      'book:b7': [{ id: 'i', do: 'line', key: 'l1', to: true, at: 5 }],
    });
    const [drafts, outbox] = [await import('./drafts'), await import('./outbox')];
    expect(await drafts.draftOf('side:new')).toEqual({ name: 'Syrup' });
    expect(await drafts.draftOf('draft:f:1')).toMatchObject({ formula: expect.any(String) });
    expect((await outbox.waiting('b7')).map((w) => w.input)).toMatchObject([{ key: 'l1' }]);
    expect([...all.keys()]).toEqual(['even-crumb:alarms']);
  });
});

test('what is typed as the page goes is left beside the store, and taken up when it opens; bytes and answered drafts are not', async () => {
  const all = otherStore({});
  await jest.isolateModulesAsync(async () => {
    await deleteDB('even-crumb');
    const { keepDraftIn, leaveBeside } = await import('./drafts');
    await keepDraftIn('side:answered', 'closed', { name: 'In the store' });
    // nobody waits for these: the page goes
    void keepDraftIn('side:new', 'closed', { name: 'Syr' });
    void keepDraftIn('side:new', 'closed', { name: 'Syrup' });
    void keepDraftIn('photo', 'closed', { of: new Uint8Array([1]) });
    void keepDraftIn('side:answered', 'closed', null);
    leaveBeside();
    expect([...all.keys()].sort()).toEqual(['even-crumb:side:answered@closed', 'even-crumb:side:new@closed']);
  });
  const left = new Map(all);
  await jest.isolateModulesAsync(async () => {
    for (const [k, v] of left) all.set(k, v);
    const { draftOf } = await import('./drafts');
    expect(await draftOf('side:new')).toEqual({ name: 'Syrup' });
    expect(await draftOf('side:answered')).toBeNull();
    expect([...all.keys()]).toEqual([]);
  });
});

test('a page that was only put aside leaves nothing beside the store once it answers', async () => {
  const all = otherStore({});
  await jest.isolateModulesAsync(async () => {
    const { keepDraftIn, leaveBeside } = await import('./drafts');
    const kept = keepDraftIn('side:new', 'closed', { name: 'Syrup' });
    leaveBeside();
    expect(all.size).toBe(1);
    await kept;
    expect(all.size).toBe(0);
  });
});

test('a press has one id until it is answered, ten minutes have gone, or something else is sent', () => {
  jest.useFakeTimers({ now: 0 });
  const first = pressOf('side:new');
  jest.setSystemTime(599_999);
  expect(pressOf('side:new')).toBe(first);
  expect(pressOf('side:other')).not.toBe(first);
  jest.setSystemTime(600_000);
  const second = pressOf('side:new');
  expect(second).not.toBe(first);
  pressOver('side:new');
  expect(pressOf('side:new')).not.toBe(second);
  const save = pressOf('draft:new:0', '200 g | flour');
  expect(pressOf('draft:new:0', '200 g | flour')).toBe(save);
  expect(pressOf('draft:new:0', '210 g | flour')).not.toBe(save);
  jest.useRealTimers();
});

test('acts of the version before stay where they are when the drafts get their place', async () => {
  await jest.isolateModulesAsync(async () => {
    await deleteDB('even-crumb');
    const older = await openDB('even-crumb', 2, {
      upgrade: (d) => void d.createObjectStore('acts', { autoIncrement: true }),
    });
    await older.add('acts', { name: 'keep-side', of: 's', input: { name: 'Syrup' }, refused: null, at: 1 });
    older.close();
    const outbox = await import('./outbox');
    expect((await outbox.everyAct()).map((w) => [w.of, w.input])).toEqual([['s', { name: 'Syrup' }]]);
  });
});

test('where the browser keeps nothing the page itself remembers, and the window is told that there is no room', async () => {
  await jest.isolateModulesAsync(async () => {
    const had = globalThis.indexedDB;
    Reflect.deleteProperty(globalThis, 'indexedDB');
    const told = jest.fn();
    Object.assign(globalThis, { window: { dispatchEvent: told } });
    const drafts = await import('./drafts');
    await drafts.keepDraftOf('price', { price: '2' });
    expect(told).toHaveBeenCalledTimes(1);
    expect(await drafts.draftOf('price')).toEqual({ price: '2' });
    await drafts.keepDraftOf('price', null);
    expect(await drafts.draftOf('price')).toBeNull();
    Object.assign(globalThis, { indexedDB: had });
    Reflect.deleteProperty(globalThis, 'window');
  });
});

test.each([
  ['reload', true],
  ['navigate', false],
])('a name that is let go of after five seconds: %s', async (type, keeps) => {
  await jest.isolateModulesAsync(async () => {
    jest.useFakeTimers();
    const { claimTab, thisTab } = await import('./drafts');
    const first = thisTab();
    const entries = jest
      .spyOn(performance, 'getEntriesByType')
      .mockReturnValue([{ type } as unknown as PerformanceEntry]);
    // the page before holds the name of its tab until then; every other name is free
    const request = (name: string, { signal }: { signal: AbortSignal }, holding: () => Promise<void>): Promise<void> =>
      new Promise((_, fail) => {
        signal.addEventListener('abort', () => fail(new Error('held')));
        setTimeout(() => void holding(), name.endsWith(first) ? 5000 : 0);
      });
    jest.spyOn(AbortSignal, 'timeout').mockImplementation((ms) => {
      const c = new AbortController();
      setTimeout(() => c.abort(), ms);
      return c.signal;
    });
    Object.defineProperty(globalThis, 'navigator', { value: { locks: { request } }, configurable: true });
    const claimed = claimTab();
    await jest.advanceTimersByTimeAsync(6000);
    await claimed;
    expect(thisTab() === first).toBe(keeps);
    Object.defineProperty(globalThis, 'navigator', { value: undefined, configurable: true });
    entries.mockRestore();
    jest.restoreAllMocks();
    jest.useRealTimers();
  });
});
