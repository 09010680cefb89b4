/**
 * A kitchen for each worker: its own server and its own database, copied for each test from one that is set up whole.
 * Every page fails its test on an error in the console.
 */
import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { type BrowserContext, test as base, expect, type Locator, type Page } from '@playwright/test';
import { source as AXE } from 'axe-core';
import { Client } from 'pg';
import { LIMITS } from '../scripts/limits.mjs';
import { freePort } from './free-port';

const CLOCK = resolve('e2e/clock.mjs');

export interface Kitchen {
  readonly url: string;
  readonly databaseUrl: string;
  /** Cuts the database off, and lets it back in. */
  readonly away: () => Promise<void>;
  readonly back: () => Promise<void>;
  /** Whether the server is up and its database lets it in. */
  readonly inReach: () => boolean;
  /** Puts the kitchen back as it was opened: what one test has left, in the house or in its records, is not the next's. */
  readonly asNew: () => Promise<void>;
  readonly stopServer: () => Promise<void>;
  readonly startServer: () => Promise<void>;
  /** Asks the kitchen's own database. */
  readonly sql: <R extends object>(text: string, values?: readonly unknown[]) => Promise<R[]>;
  /** Turns the clock of the server to a moment, ms since 1970; null: back to the wall's. */
  readonly turnClock: (to: number | null) => void;
  /** Lets time pass for the server. */
  readonly passTime: (ms: number) => void;
  /** What the server has worked so far, ms of one core. */
  readonly workedMs: () => number;
  /** What the server has in memory now, MB. */
  readonly inMemoryMb: () => number;
}

/**
 * Begins a test's own time, in the browser and at the server; the test is `alone`, or the next one's browser has it
 * too.
 */
export async function beginTime(page: Page, kitchen: Kitchen, at: Date = new Date()): Promise<void> {
  kitchen.turnClock(at.getTime());
  await page.clock.install({ time: at });
}

/** A day of the week that is neither today nor tomorrow, as it is said: "Wednesday". */
export const DAY_AHEAD = new Intl.DateTimeFormat('en-GB', { weekday: 'long' }).format(Date.now() + 3 * 86_400_000);
/** The same as it is written. */
export const DAY_AHEAD_SHORT = DAY_AHEAD.slice(0, 3);

/** How many things the browser has told and not sent. */
export const unsent = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((done) => {
        const asked = indexedDB.open('even-crumb');
        asked.onerror = () => done(0);
        asked.onsuccess = () => {
          const db = asked.result;
          const end = (n: number): void => {
            db.close();
            done(n);
          };
          if (!db.objectStoreNames.contains('acts')) return end(0);
          const count = db.transaction('acts').objectStore('acts').count();
          count.onsuccess = () => end(count.result);
          count.onerror = () => end(0);
        };
      }),
  );

/** Lets time pass, in the browser and at the server. */
export async function pass(page: Page, kitchen: Kitchen, ms: number): Promise<void> {
  // an act on its way when the clocks are turned would be kept as done after the turn: all are in first. Where the
  // records are away they wait in the browser, and each carries its age itself
  if (kitchen.inReach()) await expect.poll(() => unsent(page)).toBe(0);
  kitchen.passTime(ms);
  await page.clock.fastForward(ms);
}

const admin = (): string => {
  const url = process.env.EVEN_CRUMB_TEST_ADMIN;
  if (!url) throw new Error('run the browser tests with npm test or npm run test:e2e');
  return url;
};

async function sql(text: string): Promise<void> {
  const client = new Client({ connectionString: admin() });
  await client.connect();
  try {
    await client.query(text);
  } finally {
    await client.end();
  }
}

async function serve(databaseUrl: string, port: number, clock: string): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: {
        ...process.env,
        DATABASE_URL: databaseUrl,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        NODE_OPTIONS: `--import ${CLOCK}`,
        EVEN_CRUMB_TEST_CLOCK: clock,
        EVEN_CRUMB_BACKUPS: `${clock}-backups`,
        EVEN_CRUMB_ANSWER_MS: String(LIMITS.answerMs),
      },
      stdio: ['ignore', 'ignore', 'pipe'],
    },
  );
  // a worker that is ended in the middle leaves no server behind
  process.once('exit', () => child.kill('SIGKILL'));
  // through the worker's own, so that a failed test's report carries what its server said meanwhile
  child.stderr?.on('data', (d: Buffer) => process.stderr.write(d));
  for (const until = Date.now() + LIMITS.serverStartMs; Date.now() < until; ) {
    const up = await fetch(`http://127.0.0.1:${port}/api/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) return child;
    await new Promise((r) => setTimeout(r, 100));
  }
  child.kill();
  throw new Error('the server did not answer');
}

/** MB that a process has in memory; 0: it is gone. */
function memoryMbOf(pid: number): number {
  try {
    return Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
  } catch {
    return 0;
  }
}

/** ms of one core that a process has used, itself and for the system; 0: it is gone. */
function cpuMsOf(pid: number): number {
  try {
    // behind the name in brackets: the 12th and 13th field, in hundredths of a second
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
    return (Number(fields[11]) + Number(fields[12])) * 10;
  } catch {
    return 0;
  }
}

async function end(child: ChildProcess | null): Promise<void> {
  if (!child || child.exitCode !== null) return;
  const gone = new Promise((r) => child.once('exit', r));
  child.kill('SIGTERM');
  // a screen that follows a batch keeps it from leaving by itself
  const t = setTimeout(() => child.kill('SIGKILL'), 1500);
  await gone;
  clearTimeout(t);
}

/** A kitchen with a server of its own, beside the worker's. */
export async function openKitchen(
  template: 'furnished' | 'blank',
  name: string,
): Promise<{ kitchen: Kitchen; close: () => Promise<void> }> {
  let letIn = true;
  const asNew = async (): Promise<void> => {
    letIn = true;
    await sql(`drop database if exists ${name} with (force)`);
    await sql(`create database ${name} template ${template}`);
  };
  await asNew();
  const databaseUrl = admin().replace(/[^/]+$/, name);
  const port = await freePort();
  const clock = join(tmpdir(), `even-crumb-clock-${process.pid}-${port}`);
  let offset = 0;
  const turn = (to: number): void => {
    offset = to;
    writeFileSync(clock, String(offset));
  };
  turn(0);
  let child: ChildProcess | null = await serve(databaseUrl, port, clock);
  const kitchen: Kitchen = {
    url: `http://127.0.0.1:${port}`,
    databaseUrl,
    away: async () => {
      letIn = false;
      await sql(`alter database ${name} allow_connections false`);
      await sql(`select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name}'`);
    },
    back: async () => {
      await sql(`alter database ${name} allow_connections true`);
      letIn = true;
    },
    inReach: () => letIn && child !== null,
    asNew,
    stopServer: async () => {
      await end(child);
      child = null;
    },
    startServer: async () => {
      child ??= await serve(databaseUrl, port, clock);
    },
    sql: async <R extends object>(text: string, values: readonly unknown[] = []) => {
      const client = new Client({ connectionString: databaseUrl });
      await client.connect();
      try {
        return (await client.query(text, [...values])).rows as R[];
      } finally {
        await client.end();
      }
    },
    turnClock: (to) => turn(to === null ? 0 : to - Date.now()),
    passTime: (ms) => turn(offset + ms),
    workedMs: () => cpuMsOf(child?.pid ?? 0),
    inMemoryMb: () => memoryMbOf(child?.pid ?? 0),
  };
  return {
    kitchen,
    close: async () => {
      await end(child);
      rmSync(clock, { force: true });
      rmSync(`${clock}-backups`, { recursive: true, force: true });
      await sql(`drop database if exists ${name} with (force)`);
    },
  };
}

interface Own {
  readonly kitchen: Kitchen;
  /** Whether tests that only look have had the kitchen since it was put back as it was opened. */
  readonly lookedAt: { yet: boolean };
  /** One browser profile for all jobs of a worker: what it has loaded once it has. */
  readonly profile: BrowserContext;
}

interface Each {
  /** Errors of the console that a test expects, as patterns. */
  readonly expected: RegExp[];
  /** A profile of its own, for a test that turns the clock: it is turned for the whole profile. */
  readonly alone: boolean;
  /** A test that changes nothing in the records: the next one that looks only needs no kitchen put back as new. */
  readonly looksOnly: boolean;
  readonly leavings: undefined;
}

export const test = base.extend<Each, Own & { template: 'furnished' | 'blank' }>({
  template: ['furnished', { option: true, scope: 'worker' }],
  kitchen: [
    async ({ template }, use, info) => {
      const { kitchen, close } = await openKitchen(template, `worker_${template}_${info.workerIndex}`);
      await use(kitchen);
      await close();
    },
    { scope: 'worker', timeout: LIMITS.kitchenMs },
  ],
  baseURL: async ({ kitchen }, use) => use(kitchen.url),
  lookedAt: [
    // biome-ignore lint/correctness/noEmptyPattern: a fixture without needs of its own
    async ({}, use) => use({ yet: false }),
    { scope: 'worker' },
  ],
  alone: [false, { option: true }],
  looksOnly: [false, { option: true }],
  profile: [
    async ({ browser, kitchen }, use) => {
      const context = await browser.newContext({ baseURL: kitchen.url, locale: 'en-GB' });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  // an auto fixture is the first to begin and the last to end: every page is closed by then
  leavings: [
    async ({ kitchen, looksOnly, lookedAt }, use) => {
      if (lookedAt.yet && !looksOnly) await kitchen.asNew();
      await use(undefined);
      if (!looksOnly) await kitchen.asNew();
      lookedAt.yet = looksOnly;
    },
    { auto: true },
  ],
  context: async ({ browser, kitchen, profile, alone, viewport }, use) => {
    kitchen.turnClock(null);
    const context = alone ? await browser.newContext({ baseURL: kitchen.url, locale: 'en-GB', viewport }) : profile;
    await use(context);
    if (alone) await context.close();
    // what one job has left in the browser is not the next one's
    else {
      const pages = context.pages();
      const [page] = pages;
      if (page) {
        const session = await context.newCDPSession(page);
        await session.send('Storage.clearDataForOrigin', {
          origin: kitchen.url,
          storageTypes: 'local_storage,indexeddb,cookies',
        });
      }
      for (const p of pages) await p.close();
    }
  },
  // biome-ignore lint/correctness/noEmptyPattern: a fixture without needs of its own
  expected: async ({}, use) => use([]),
  page: async ({ context, kitchen, viewport, expected, alone }, use) => {
    const page = await context.newPage();
    // a turned clock hides from every later test of the profile what a page has loaded, and when
    if (!alone)
      page.clock.install = () =>
        Promise.reject(new Error('a test that turns the clock says `test.use({ alone: true })`'));
    if (viewport) await page.setViewportSize(viewport);
    const errors: string[] = [];
    page.on('console', (m) => {
      if (m.type() === 'error') errors.push(`${m.text()} ${m.location().url}`.trim());
    });
    page.on('pageerror', (e) => errors.push(`${e.message} at ${page.url()}`));
    await use(page);
    // a job that turned the clock leaves it as it was: the next one's browser has the wall's
    kitchen.turnClock(null);
    expect(errors.filter((e) => !expected.some((x) => x.test(e)))).toEqual([]);
  },
});

/**
 * axe finds nothing on the page as it stands; without frames of others there is no need for a second page to sum up on.
 * @param rules those alone; left out, all
 */
export async function axe(page: Page, rules: readonly string[] = []): Promise<void> {
  // between two pages there is a moment without one
  await expect(page).toHaveTitle(/./);
  // what is still fading in has no contrast yet; what stands behind a closed head never ends moving
  await page.evaluate(() =>
    Promise.allSettled(
      document
        .getAnimations()
        .filter((a) => (a.effect as KeyframeEffect | null)?.target?.checkVisibility() ?? true)
        .map((a) => a.finished),
    ),
  );
  const look = async (): Promise<readonly { readonly text: string; readonly passing: boolean }[]> => {
    const run = () =>
      page.evaluate(async (only) => {
        const { axe } = window as unknown as { axe?: typeof import('axe-core') };
        if (!axe) return null;
        const runOnly = only.length > 0 ? { runOnly: { type: 'rule' as const, values: [...only] } } : {};
        // no rule that is on looks into style sheets, so none is fetched again
        const found = await axe.run(document, { resultTypes: ['violations'], preload: false, ...runOnly });
        return found.violations.map((v) => ({ id: v.id, help: v.help, at: v.nodes.map((n) => n.target.join(' ')) }));
      }, rules);
    let violations = await run();
    // once a page: its source is half a megabyte; a page that goes to another has lost it
    while (violations === null) {
      await page.evaluate(AXE);
      violations = await run();
    }
    return violations.map(({ id, help, at }) => ({
      text: `${id}: ${help} (${at.join(', ')})`,
      passing: id === 'document-title' || at.every((t) => t.includes('data-title')),
    }));
  };
  let found = await look();
  // a message that was fading out meanwhile has no contrast any more, and between two pages there is no title: it is
  // looked at again once it stands, or is gone
  if (found.length > 0 && found.every((v) => v.passing)) {
    await expect(page).toHaveTitle(/./);
    await expect(page.locator('[data-sonner-toast][data-removed="true"]')).toHaveCount(0);
    found = await look();
  }
  expect(found.map((v) => v.text)).toEqual([]);
}

/** The number a rail of the balance shows, with its unit. */
export const rail = async (page: Page, name: string): Promise<string> =>
  `${await page.locator(`[data-rail=${name}] input[data-number]`).inputValue()} ${name === 'lift' ? 'g' : '%'}`;

/** The box with the grams of a line. */
export const gramsBox = (page: Page, key: string): Locator => page.locator(`[data-grams=${key}] input`);

/** Fetches a paper as PDF. @returns its pages */
export async function pdf(page: Page, to: string): Promise<number> {
  const r = await page.request.get(to);
  expect(r.headers()['content-type']).toBe('application/pdf');
  const body = (await r.body()).toString('latin1');
  expect(body.startsWith('%PDF-')).toBe(true);
  return Number(/\/Type \/Pages\s+\/Count (\d+)/.exec(body)?.[1] ?? 0);
}

/** Everything is on the counter: on to the weigh-in. */
export const toWeighIn = (page: Page): Promise<void> => page.getByRole('button', { name: 'To the weigh-in' }).click();

/** A card pasted into a new formula, and read. */
export async function pasteCard(page: Page, card: string): Promise<void> {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(card);
  await page.getByRole('button', { name: 'Read the card' }).click();
}

/** A card pasted, read and saved, and on to its plan. @param then what is looked at on the Bench */
export async function newFormula(page: Page, card: string, then: () => Promise<void> = async () => {}): Promise<void> {
  await pasteCard(page, card);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await then();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
}

/** Begins the batch of a plan. @returns its address */
export async function start(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  return page.url().replace(/\/prep$/, '');
}

/** Begins four tall cakes from the shelf of an open Today, weighed in beside no stock. @returns the batch's address */
export async function fourTallCakes(page: Page): Promise<string> {
  await page.getByRole('link', { name: 'Tall Sunday cakes', exact: true }).first().click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByLabel('Pieces').fill('4');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  const batch = await start(page);
  await toWeighIn(page);
  return batch;
}

/** Chooses from one of our lists. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).selectOption({ label: option });
}

/** What a list of ours has chosen. */
export const chosen = (page: Page | Locator, label: string): Locator =>
  page.getByRole('combobox', { name: label, exact: true }).locator('option:checked');

export { expect };

/** The pages a cook meets, with a formula and a batch of the kitchen in them. */
export async function pagesOf(page: Page): Promise<{ readonly formula: string; readonly batch: string }> {
  await page.goto('/');
  const hrefs = await page.locator('main a[href]').evaluateAll((as) => as.map((a) => a.getAttribute('href') ?? ''));
  const first = (what: string): string =>
    new RegExp(`^/${what}/[0-9a-f-]{36}`).exec(
      hrefs.find((h) => new RegExp(`^/${what}/[0-9a-f-]{36}`).test(h)) ?? '',
    )?.[0] ?? '/';
  return { formula: first('formulas'), batch: first('batches') };
}
