/**
 * The last part of npm run bench: in a real browser, on the built app. From a key press to new numbers on the screen at
 * 20 lines, beside a bare React field's; what each page asks for in script; and what a slow line and a slow device make
 * of it. Printed, not asserted.
 */
import { randomBytes } from 'node:crypto';
import { Agent, request } from 'node:https';
import { Readable } from 'node:stream';
import type { BrowserContext, Page } from '@playwright/test';
import { build } from 'esbuild';
import { openDoor } from '../e2e/door';
import { expect, type Kitchen, pagesOf, rail, test } from '../e2e/kitchen';
import { CARD } from './card';

/** What a page asks for in script until it has loaded, as it comes over the line, bytes. */
async function scriptOf(context: BrowserContext, to: string): Promise<number> {
  const p = await context.newPage();
  const session = await context.newCDPSession(p);
  await session.send('Network.enable');
  await session.send('Network.setCacheDisabled', { cacheDisabled: true });
  const scripts = new Set<string>();
  let bytes = 0;
  session.on('Network.responseReceived', (e) => e.type === 'Script' && scripts.add(e.requestId));
  session.on('Network.dataReceived', (e) => {
    if (scripts.has(e.requestId)) bytes += e.encodedDataLength;
  });
  await p.goto(to, { waitUntil: 'load' });
  // what was asked for by then comes in
  await p.waitForTimeout(500);
  await p.close();
  return bytes;
}

// one at a time: they are measured
test.describe.configure({ mode: 'serial' });

const ROUNDS = 40;
const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
const print = (name: string, said: string): void => console.log(`${name.padEnd(64)} ${said}`);

/** In the page: from a key to the frame after the first in which a number is another. */
const watchNumber = (page: Page, where: string): Promise<void> =>
  page.evaluate((selector) => {
    const w = window as unknown as { times: number[] };
    w.times = [];
    const shown = (): string => {
      const e = document.querySelector(selector);
      return e instanceof HTMLInputElement ? e.value : (e?.textContent ?? '');
    };
    window.addEventListener(
      'keydown',
      (e) => {
        const [from, was] = [e.timeStamp, shown()];
        const look = (): void => {
          if (shown() === was) requestAnimationFrame(look);
          else requestAnimationFrame((t) => w.times.push(t - from));
        };
        requestAnimationFrame(look);
      },
      true,
    );
  }, where);

async function measured(
  page: Page,
  name: string,
  key: (n: number) => string,
  number: () => Promise<string>,
): Promise<void> {
  await page.evaluate(() => {
    (window as unknown as { times: number[] }).times = [];
  });
  for (let n = 0; n < ROUNDS; n++) {
    const was = await number();
    await page.keyboard.press(key(n));
    await expect.poll(number, { intervals: [20] }).not.toBe(was);
  }
  await page.waitForTimeout(100);
  const times = (await page.evaluate(() => (window as unknown as { times: number[] }).times)).sort((a, b) => a - b);
  print(name, `${at(times, 0.5).toFixed(0).padStart(5)} ms, 9 of 10 within ${at(times, 0.9).toFixed(0)} ms`);
}

/** Into the text of a line, behind its third figure. */
async function toThirdFigure(page: Page): Promise<void> {
  await page.keyboard.press('Home');
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
}

test('from a key press to new numbers at 20 lines', async ({ page, context }) => {
  const bare = await context.newPage();
  const script = await build({
    entryPoints: ['bench/bare-field.tsx'],
    bundle: true,
    minify: true,
    write: false,
    jsx: 'automatic',
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  await bare.setContent('<!doctype html><title>bare</title><body></body>');
  await bare.addScriptTag({ content: script.outputFiles[0]?.text ?? '' });
  await bare.getByLabel('line 0', { exact: true }).focus();
  await toThirdFigure(bare);
  await watchNumber(bare, '[data-number]');
  await measured(
    bare,
    'key press to a new number, a bare React field of 20',
    (n) => (n % 2 === 0 ? '1' : 'Backspace'),
    async () => (await bare.locator('[data-number]').textContent()) ?? '',
  );
  await bare.close();

  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(CARD);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(20);
  await watchNumber(page, '[data-rail=water] input');
  const water = (): Promise<string> => rail(page, 'water');
  // 300 g of flour becomes 3001 g and back
  const line = page.getByRole('textbox', { name: 'Line on the card' }).first();
  await line.fill('300');
  await line.fill('300 g flour');
  await line.focus();
  await toThirdFigure(page);
  await measured(
    page,
    'key press to new numbers, typing in a line of 20',
    (n) => (n % 2 === 0 ? '1' : 'Backspace'),
    water,
  );
  await page.locator('[data-rail=water] [role=slider]').focus();
  await measured(
    page,
    'key press to new numbers, a rail nudged (worker and back)',
    (n) => (n % 2 === 0 ? 'PageUp' : 'PageDown'),
    water,
  );
});

async function pagesMet(page: Page): Promise<readonly string[]> {
  const { formula, batch } = await pagesOf(page);
  return [
    '/',
    '/formulas/new',
    formula,
    `${formula}/plan`,
    `${formula}/history`,
    ...['plan', 'prep', 'griddle', 'outcome'].map((p) => `${batch}/${p}`),
    '/pantry',
    '/pantry/measures',
    '/premix',
    '/sides',
    '/log',
    '/house',
  ];
}

const named = (to: string): string => to.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/, '…');

test('the script that pages ask for, and a slow line', async ({ page, context }) => {
  const pages = await pagesMet(page);
  for (const to of pages) {
    const bytes = await scriptOf(context, to);
    print(`script of ${named(to)}, compressed`, `${(bytes / 1000).toFixed(0).padStart(5)} kB`);
  }
  for (const to of pages) {
    const p = await context.newPage();
    const session = await context.newCDPSession(p);
    await session.send('Network.enable');
    await session.send('Network.setCacheDisabled', { cacheDisabled: true });
    await session.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: 400,
      downloadThroughput: 50_000,
      uploadThroughput: 50_000,
    });
    await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await p.addInitScript(() => {
      const w = window as unknown as { shift: number; seen: number };
      w.shift = 0;
      new PerformanceObserver((list) => {
        for (const e of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
          if (!e.hadRecentInput) w.shift += e.value;
      }).observe({ type: 'layout-shift', buffered: true });
      new PerformanceObserver((list) => {
        for (const e of list.getEntries()) if (e.name === 'first-contentful-paint') w.seen = e.startTime;
      }).observe({ type: 'paint', buffered: true });
    });
    const from = Date.now();
    await p.goto(to, { waitUntil: 'networkidle', timeout: 120_000 });
    const ready = Date.now() - from;
    const { shift, seen } = await p.evaluate(() => {
      const { shift, seen } = window as unknown as { shift: number; seen: number };
      return { shift, seen };
    });
    print(
      `slow line, slow device: ${named(to)}`,
      `seen ${(seen / 1000).toFixed(1)} s, all of it ${(ready / 1000).toFixed(1)} s, layout shift ${shift.toFixed(3)}`,
    );
    await p.close();
  }
});

test('from navigation to all of it working, with a hand moving', async ({ page, browser, kitchen }) => {
  const { formula, batch } = await pagesOf(page);
  for (const [name, to] of [
    ['Bench', formula],
    ['plan', `${formula}/plan`],
    ['prep', `${batch}/prep`],
    ['griddle', `${batch}/griddle`],
    ['pantry', '/pantry'],
  ] as const)
    for (const rate of [1, 4]) {
      const times: number[] = [];
      for (let n = 0; n < 4; n++) {
        const context = await browser.newContext({ baseURL: kitchen.url });
        const p = await context.newPage();
        await (await context.newCDPSession(p)).send('Emulation.setCPUThrottlingRate', { rate });
        await p.addInitScript(() => {
          const timer = setInterval(() => {
            for (const e of ['pointermove', 'mousemove'])
              (document.querySelector('main') ?? window).dispatchEvent(new PointerEvent(e, { bubbles: true }));
            const all = [...document.querySelectorAll('main button, main input, main select')].filter(
              (e) => !e.closest('form[action^="/"],form[method]'),
            );
            const heard = all.length > 3 && all.every((e) => Object.keys(e).some((k) => k.startsWith('__reactProps')));
            if (!heard || document.querySelector('[data-waking]') !== null) return;
            (window as unknown as { alive: number }).alive = performance.now();
            clearInterval(timer);
          }, 15);
        });
        await p.goto(to);
        times.push(
          await (await p.waitForFunction(() => (window as unknown as { alive?: number }).alive, null, { polling: 100 }))
            .jsonValue()
            .then(Number),
        );
        await context.close();
      }
      times.sort((a, b) => a - b);
      print(
        `${name} from navigation to working, CPU x${rate}`,
        `${at(times, 0.5).toFixed(0).padStart(5)} ms, at most ${at(times, 1).toFixed(0)} ms`,
      );
    }
});

/** So many screens follow one batch, and so many ask. */
const FOLLOWING = 50;
const ASKING = 10;
const TAPS = 60;
const TAP_MS = 150;
const ASK_MS = 2000;

/** How a request goes to the kitchen: straight, or through its door as a paired device. */
interface Way {
  readonly ask: (path: string, options: { readonly signal?: AbortSignal; readonly body?: string }) => Promise<Response>;
}

/** A request of a paired device, with its cookie, over TLS. @param from its own address: the door counts by that */
const throughDoor =
  (url: string, from: string, agent: Agent, token: string): Way['ask'] =>
  (path, { signal, body }) =>
    new Promise((done, fail) => {
      const q = request(
        url + path,
        {
          agent,
          localAddress: from,
          ...(signal && { signal }),
          method: body ? 'POST' : 'GET',
          headers: {
            cookie: `__Host-device=${token}`,
            ...(body && { origin: url, 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
          },
        },
        (res) => {
          res.on('error', () => {
            // cut off at the end
          });
          done(new Response(Readable.toWeb(res) as ReadableStream, { status: res.statusCode ?? 500 }));
        },
      );
      q.on('error', fail);
      q.end(body);
    });

/** So many follow a batch and so many ask, while taps come in. Prints how late each is told. */
async function followed(label: string, kitchen: Kitchen, id: string, ways: readonly Way[]): Promise<void> {
  const late: number[] = [];
  let sentAt = 0;
  const over = new AbortController();
  const { signal } = over;
  const way = (n: number): Way => ways[n % ways.length] as Way;
  const streams = Array.from({ length: FOLLOWING }, async (_, n) => {
    const r = await way(n).ask('/api/changes', { signal });
    const text = new TextDecoder();
    for await (const part of r.body ?? [])
      if (sentAt > 0 && text.decode(part as Uint8Array).includes(`batch:${id}`)) late.push(performance.now() - sentAt);
  });
  const askers = Array.from({ length: ASKING }, async (_, n) => {
    while (!signal.aborted) {
      await (await way(n).ask(`/api/batches/${id}/events`, { signal })).arrayBuffer();
      await new Promise((r) => setTimeout(r, ASK_MS));
    }
  });
  await new Promise((r) => setTimeout(r, 1000));
  const [from, worked] = [performance.now(), kitchen.workedMs()];
  for (let n = 0; n < TAPS; n++) {
    const tap = crypto.randomUUID();
    const item = { id: tap, do: 'tap', tap: { id: tap, act: 'pour', surface: 'g', slot: 0, at: Date.now() } };
    sentAt = performance.now();
    await way(n).ask('/acts', {
      body: JSON.stringify({ name: 'tell-events', input: { batchId: id, items: [{ item, agoMs: 0 }] } }),
    });
    await new Promise((r) => setTimeout(r, TAP_MS));
  }
  const took = (performance.now() - from) / 1000;
  const cpuPct = (kitchen.workedMs() - worked) / took / 10;
  const memoryMb = kitchen.inMemoryMb();
  over.abort();
  await Promise.allSettled([...streams, ...askers]);
  late.sort((a, b) => a - b);
  print(
    `${FOLLOWING} ${label} follow, ${ASKING} ask, ${(TAPS / took).toFixed(1)} taps a second`,
    `${at(late, 0.5).toFixed(0).padStart(5)} ms, p99 ${at(late, 0.99).toFixed(0)} ms, ${late.length} of ${FOLLOWING * TAPS} told, the server at ${cpuPct.toFixed(0)} % of a core, ${memoryMb.toFixed(0)} MB`,
  );
}

test('what one screen does on another: beside it, and with many that follow', async ({ page, browser, kitchen }) => {
  const { batch } = await pagesOf(page);
  const id = batch.split('/').at(-1) ?? '';
  const context = await browser.newContext({ baseURL: kitchen.url });
  const other = await context.newPage();
  await Promise.all([page.goto(`${batch}/prep`), other.goto(`${batch}/prep`)]);
  // both follow by now
  await page.waitForTimeout(5000);
  const seen: number[] = [];
  for (let n = 0; n < 20; n++) {
    const [mine, theirs] = [page.getByRole('checkbox').first(), other.getByRole('checkbox').first()];
    const to = !(await mine.isChecked());
    const heard = other.waitForFunction(
      (on) => (document.querySelector('[role=checkbox],input[type=checkbox]') as HTMLInputElement).checked === on,
      to,
      { polling: 5 },
    );
    const from = performance.now();
    await mine.setChecked(to, { force: true });
    await heard;
    seen.push(performance.now() - from);
    await expect(theirs).toBeChecked({ checked: to });
  }
  seen.sort((a, b) => a - b);
  print('a tick on another screen', `${at(seen, 0.5).toFixed(0).padStart(5)} ms, at most ${at(seen, 1).toFixed(0)} ms`);
  await context.close();

  const straight: Way = {
    ask: (path, { signal, body }) =>
      fetch(kitchen.url + path, {
        ...(signal && { signal }),
        ...(body && { method: 'POST', headers: { 'content-type': 'application/json' }, body }),
      }),
  };
  await followed('screens', kitchen, id, [straight]);
});

test('fifty paired devices follow through the door', async ({ page, kitchen }) => {
  const { batch } = await pagesOf(page);
  await page.goto('about:blank');
  const door = await openDoor(kitchen);
  try {
    const agent = new Agent({ ca: door.authority, keepAlive: true, maxSockets: 200 });
    const ways = await Promise.all(
      Array.from({ length: FOLLOWING }, async (_, n): Promise<Way> => {
        const token = randomBytes(32).toString('base64url');
        await kitchen.sql(
          'insert into gate.devices (id, name, token_hash) values (gen_random_uuid(), $1, sha256($2))',
          [`Screen ${n + 1}`, Buffer.from(token)],
        );
        return { ask: throughDoor(door.url, `127.0.1.${n + 1}`, agent, token) };
      }),
    );
    await followed('paired devices', kitchen, batch.split('/').at(-1) ?? '', ways);
    agent.destroy();
  } finally {
    await door.shut();
  }
});

test('frames of a full practice griddle', async ({ page }) => {
  await page.goto('/practice/bell');
  const places = page.getByRole('button', { name: /^Place \d+: / });
  await expect(places.first()).toBeEnabled();
  const pieces = Math.min(24, await places.count());
  for (let n = 1; n <= pieces; n++) await page.getByRole('button', { name: new RegExp(`^Place ${n}: `) }).click();
  for (const speed of ['1 ×', '8 ×']) {
    await page.getByRole('radio', { name: speed }).click();
    const frames = await page.evaluate(
      () =>
        new Promise<number[]>((done) => {
          const between: number[] = [];
          let last = performance.now();
          const step = (now: number): void => {
            between.push(now - last);
            last = now;
            if (between.length < 240) requestAnimationFrame(step);
            else done(between.slice(1));
          };
          requestAnimationFrame(step);
        }),
    );
    frames.sort((a, b) => a - b);
    print(
      `practice griddle, ${pieces} pieces at ${speed}`,
      `${at(frames, 0.5).toFixed(1)} ms a frame, 9 of 10 within ${at(frames, 0.9).toFixed(1)} ms`,
    );
  }
});
