/**
 * Every page walked: axe in light and in dark, nothing wider than the screen from 320 px, targets of 24 px at least,
 * outlines of fields at 3:1, tables with names and row headers, text at twice its size and set wide, sentences that
 * begin as sentences, a title that names the page, and the focus never left on the body.
 */
import { readdirSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { axe, expect, type Kitchen, pagesOf, test } from './kitchen';

/** Whether `npm run test:all` walks: what is between the widest and the narrowest as well. */
const ALL = process.env.EVEN_CRUMB_TEST_ALL !== undefined;
const WIDTHS = ALL ? [1280, 820, 768, 640, 390, 360, 320] : [1280, 320];

const PAGES = [
  '/',
  '/on-hand',
  '/begin?say=30%20people%20Sunday%209%2C%20one%20without%20milk',
  '/log',
  '/formulas/new',
  '/formulas/new?from=nothing',
  '/sides',
  '/sides/new',
  '/kept',
  '/premix',
  '/premix/new',
  '/premix/foreign',
  '/premix/recall?code=M-1',
  '/pantry',
  '/pantry/new',
  '/pantry/measures',
  '/pantry/import',
  '/pantry/take-out',
  '/pantry/flour-all-purpose',
  '/on-hand?there=2+eggs',
  '/house#all',
  '/house/devices',
  '/table',
  '/pair',
  '/house/learned',
  '/house/records',
  '/mornings/new',
  '/mornings/new/class',
  '/practice',
  '/practice/eight',
  '/practice/drill/card',
] as const;

/** What is too small to hit, what is wider than the screen, and which sentence begins small. */
const faults = (page: Page) =>
  page.evaluate(() => {
    const seen = (e: Element): boolean => {
      const r = e.getBoundingClientRect();
      return (
        r.width > 1 &&
        r.height > 1 &&
        getComputedStyle(e).visibility !== 'hidden' &&
        e.closest('[aria-hidden=true],.sr-only') === null
      );
    };
    // a link within a sentence is as high as its line
    const inText = (e: Element): boolean => e.matches('a') && getComputedStyle(e).display === 'inline';
    const small = [
      ...document.querySelectorAll(
        'button,select,summary,a[href],[role=radio],[role=switch],[role=combobox],[role=slider]',
      ),
    ]
      .filter((e) => seen(e) && !inText(e))
      .filter((e) => Math.min(e.getBoundingClientRect().width, e.getBoundingClientRect().height) < 23.5)
      .map((e) => e.outerHTML.slice(0, 100));
    const low = [...document.querySelectorAll('main p, main h1, main h2, main h3')]
      .filter(seen)
      .map((e) => (e.textContent ?? '').trim())
      .filter((t) => /^[a-zà-ÿ].*\.$/.test(t));
    // what a program writes and no cook reads
    const raw = [...document.querySelectorAll('main *')]
      .flatMap((e) => [...e.childNodes])
      .flatMap((n) => (n.nodeType === Node.TEXT_NODE ? [n.textContent ?? ''] : []))
      .filter((t) => /\bundefined\b|\bNaN\b|\[object |\? \($|\) : null|=>/.test(t));
    return { small, low, raw, wide: document.documentElement.scrollWidth - window.innerWidth };
  });

/**
 * Fields whose outline can't be told from what is behind it, and tables that nobody names or whose rows have no header.
 */
const unclear = (page: Page) =>
  page.evaluate(() => {
    type Colour = { readonly rgb: readonly number[]; readonly alpha: number };
    const colour = (s: string): Colour => {
      const m = (s.match(/[\d.]+/g) ?? []).map(Number);
      return { rgb: m.slice(0, 3), alpha: m.length === 0 ? 0 : (m[3] ?? 1) };
    };
    const light = (rgb: readonly number[]): number => {
      const [r = 0, g = 0, b = 0] = rgb.map((v) =>
        v / 255 <= 0.03928 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4,
      );
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    const contrast = (a: readonly number[], b: readonly number[]): number => {
      const [high = 0, low = 0] = [light(a), light(b)].sort((x, y) => y - x);
      return (high + 0.05) / (low + 0.05);
    };
    const behind = (e: Element | null): readonly number[] => {
      for (let at = e; at; at = at.parentElement) {
        const c = colour(getComputedStyle(at).backgroundColor);
        if (c.alpha > 0.5) return c.rgb;
      }
      return [255, 255, 255];
    };
    const outline = (field: Element): number => {
      let best = 0;
      let at: Element | null = field;
      for (let n = 0; at && n < 3; n++, at = at.parentElement) {
        const style = getComputedStyle(at);
        for (const side of ['top', 'right', 'bottom', 'left']) {
          const c = colour(style.getPropertyValue(`border-${side}-color`));
          const drawn =
            Number.parseFloat(style.getPropertyValue(`border-${side}-width`)) > 0 &&
            style.getPropertyValue(`border-${side}-style`) !== 'none';
          if (drawn && c.alpha > 0.5) best = Math.max(best, contrast(c.rgb, behind(at.parentElement)));
        }
      }
      return best;
    };
    const fields = [...document.querySelectorAll<HTMLInputElement>('main input, main textarea, main select')]
      .filter((e) => !/^(?:hidden|checkbox|radio|file)$/.test(e.type) && !e.disabled && e.closest('.sr-only') === null)
      .filter((e) => e.getBoundingClientRect().width > 1 && outline(e) < 3)
      .map((e) => `${e.getAttribute('aria-label') ?? e.name}: ${outline(e).toFixed(2)}`);
    const tables = [...document.querySelectorAll<HTMLTableElement>('main table')].flatMap((t) => {
      const named =
        (t.caption?.textContent ?? t.getAttribute('aria-label') ?? t.getAttribute('aria-labelledby') ?? '') !== '';
      const bare = [...t.tBodies]
        .flatMap((b) => [...b.rows])
        .filter((r) => r.cells.length > 1 && !r.querySelector('th[scope=row]'));
      return named && bare.length === 0
        ? []
        : [`${named ? '' : 'no name, '}${bare.length} rows without a header: ${t.textContent?.slice(0, 40)}`];
    });
    return { fields, tables };
  });

const SET_WIDE =
  '*{line-height:1.5!important;letter-spacing:.12em!important;word-spacing:.16em!important}p{margin-bottom:2em!important}';
const TWICE = 'html{font-size:200%!important}body{font-size:32px!important}';

/** What hangs over the edge, or is cut off, with other text than ours. */
async function withText(page: Page, css: string, width: number): Promise<readonly string[]> {
  await page.setViewportSize({ width, height: 800 });
  const style = await page.addStyleTag({ content: css });
  const found = await page.evaluate(async () => {
    // what measures itself (a chart) has seen its new width
    for (let n = 0; n < 3; n++) await new Promise((r) => requestAnimationFrame(r));
    const over = document.documentElement.scrollWidth - window.innerWidth;
    const cut = [...document.querySelectorAll('main *, header *')].filter((e) => {
      const s = getComputedStyle(e);
      if (
        !/hidden|clip/.test(`${s.overflowX}${s.overflowY}`) ||
        s.textOverflow === 'ellipsis' ||
        s.webkitLineClamp !== 'none'
      )
        return false;
      if (e.closest('.sr-only') || e.matches('input,textarea,select') || !(e.textContent ?? '').trim()) return false;
      return (
        (e.clientHeight > 2 && e.scrollHeight > e.clientHeight + 3) ||
        (e.clientWidth > 2 && e.scrollWidth > e.clientWidth + 3)
      );
    });
    return [
      ...(over > 0 ? [`${over} px over the edge`] : []),
      ...cut.map((e) => `cut off: ${e.textContent?.slice(0, 40)}`),
    ];
  });
  await style.evaluate((e) => (e as Element).remove());
  return found;
}

/** The most script that a page needs to work, as it comes over the line, kB. */
const MOST_SCRIPT_KB = 425;

/** The script that a page's own text names, kB: what comes later, when it is wanted, keeps nobody waiting. */
async function scriptKb(page: Page, text: string): Promise<number> {
  // a script that is loaded ahead, for when it is wanted, is named by a link
  const named = [...text.matchAll(/<script[^>]*\ssrc="([^"]+)"/g)].map(([, src]) => src ?? '');
  const sizes = () =>
    page.evaluate((own) => {
      const all = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
      return [...document.scripts]
        .filter((s) => s.src !== '' && !s.noModule && own.includes(new URL(s.src).pathname))
        .map((s) => all.find((e) => e.name === s.src)?.encodedBodySize ?? 0);
    }, named);
  // a page is there before the browser has told of each script
  await expect.poll(async () => (await sizes()).includes(0)).toBe(false);
  return (await sizes()).reduce((kb, size) => kb + size / 1000, 0);
}

async function look(page: Page, path: string): Promise<void> {
  const text = (await (await page.goto(path))?.text()) ?? '';
  const script = await scriptKb(page, text);
  expect(script).toBeGreaterThan(50);
  expect({ path, script, fits: script < MOST_SCRIPT_KB }).toEqual({ path, script, fits: true });
  await expect(page).toHaveTitle(/\S/);
  await expect(page.getByText('Looking at the clock')).toHaveCount(0);
  for (const width of WIDTHS) {
    await page.setViewportSize({ width, height: 800 });
    const { small, low, raw, wide } = await faults(page);
    const found = { path, width, small, low, raw, wide: Math.max(0, wide) };
    expect(found).toEqual({ path, width, small: [], low: [], raw: [], wide: 0 });
  }
  await page.setViewportSize({ width: 390, height: 800 });
  await axe(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  expect({ path, ...(await unclear(page)) }).toEqual({ path, fields: [], tables: [] });
  for (const [css, width] of [...(ALL ? [[SET_WIDE, 1280] as const] : []), [SET_WIDE, 390], [TWICE, 1280]] as const)
    expect({ path, width, css, found: await withText(page, css, width) }).toEqual({ path, width, css, found: [] });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'dark' });
  await axe(page, ['color-contrast']);
  expect({ path, dark: await unclear(page) }).toEqual({ path, dark: { fields: [], tables: [] } });
  await page.emulateMedia({ colorScheme: 'light' });
}

test.describe('looked at', () => {
  test.use({ looksOnly: true });
  for (const path of PAGES) test(`walked: ${path}`, ({ page }) => look(page, path));
});

/** Pages of one thing: where they stand, their parts, and which thing of the demo's kitchen. */
const OF_ONE = {
  formulas: {
    at: '/formulas',
    parts: ['', '/plan', '/history', '/target', '/notice', '/trial'],
    which: "name = 'Regatta griddle cakes'",
  },
  batches: {
    at: '/batches',
    parts: ['/plan', '/prep', '/griddle', '/outcome', '/notice'],
    which: 'finished_at is null and pieces_planned = 84',
  },
  lots: { at: '/premix/lots', parts: [''], which: 'true' },
  premixes: { at: '/premix', parts: [''], which: "name = 'Camp trailer corn mix'" },
  sides: { at: '/sides', parts: [''], which: 'true' },
  mornings: { at: '/mornings', parts: ['', '/papers', '/rehearse'], which: 'closed_at is null' },
} as const;

/** The address of a page in the demo's kitchen. @param where as the app has it: "/batches/[id]/prep" */
async function addressOf(kitchen: Kitchen, where: string): Promise<string> {
  for (const [table, { at, which }] of Object.entries(OF_ONE)) {
    if (!where.startsWith(`${at}/[id]`)) continue;
    const [one] = await kitchen.sql<{ id: string }>(`select id from ${table} where ${which} order by 1 limit 1`);
    return where.replace('[id]', one?.id ?? 'none');
  }
  return where;
}

test.describe('one thing looked at', () => {
  test.use({ looksOnly: true });
  for (const { at, parts } of Object.values(OF_ONE))
    for (const part of parts)
      test(`walked: ${at}/[id]${part}`, async ({ page, kitchen }) =>
        look(page, await addressOf(kitchen, `${at}/[id]${part}`)));
});

/** What only a kitchen with more in it has: looked at in the journeys that lead there. */
const BY_JOURNEYS = [
  '/griddles/[id]',
  '/kept/[id]',
  '/log/compare',
  '/mornings/[id]/board',
  '/mornings/[id]/close',
  '/sign',
  '/trials/[id]',
  '/trials/[id]/taste',
];

test('every page of the app is walked, or belongs to a journey', () => {
  const pages = readdirSync('src/app', { recursive: true, encoding: 'utf8' })
    .filter((f) => /(?:^|\/)page\.tsx$/.test(f))
    .map((f) => `/${f}`.replace(/\/page\.tsx$/, '') || '/');
  const walked = new Set([
    ...PAGES.map((p) => p.replace(/[?#].*/, '').replace('/pantry/flour-all-purpose', '/pantry/[id]')),
    '/practice/[lesson]',
    '/practice/drill/[id]',
    ...Object.values(OF_ONE).flatMap(({ at, parts }) => parts.map((p) => `${at}/[id]${p}`)),
    ...BY_JOURNEYS,
    // a new formula and one that is kept have one page behind two addresses
    '/formulas/bench',
  ]);
  expect(pages.filter((p) => !walked.has(p))).toEqual([]);
});

test('the focus is at the heading after a page change, at its opener after a dialog or a menu, and never on the body', async ({
  page,
}) => {
  const at = () => page.evaluate(() => document.activeElement?.tagName.toLowerCase() ?? '');
  const name = () =>
    page.evaluate(
      () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '',
    );
  await page.goto('/');
  for (const [place, path] of [
    ['Premix', '/premix'],
    ['Log', '/log'],
    ['Pantry', '/pantry'],
    ['House', '/house'],
    ['Today', '/'],
  ] as const) {
    await page.getByRole('link', { name: place, exact: true }).click();
    await expect(page).toHaveURL((url) => url.pathname === path);
    await expect.poll(at).toBe('h1');
  }
  await page.getByRole('button', { name: 'Keys' }).click();
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect.poll(name).toContain('Keys');
  const more = page.getByRole('button', { name: 'More of Regatta griddle cakes' });
  await more.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect.poll(name).toBe('More of Regatta griddle cakes');
  await more.click();
  await page.getByRole('menuitem', { name: 'Delete …' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect.poll(name).toBe('More of Regatta griddle cakes');
  // letters of one key are off where the cook says so, and inside what has keys of its own
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.getByRole('switch', { name: 'Keys of one letter' }).click();
  await page.keyboard.press('Escape');
  await page.locator('body').press('l');
  await expect(page).toHaveURL(/\/$/);
  await page.getByRole('button', { name: 'Keys' }).click();
  await page.getByRole('switch', { name: 'Keys of one letter' }).click();
  await page.keyboard.press('Escape');
  await page.getByText('Filter', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Kind' }).focus();
  await page.keyboard.press('l');
  await expect(page).toHaveURL(/\/$/);
  await page.keyboard.press('Escape');
});

test('a list of keys opened while the next page is under way stays open when it comes', async ({ page }) => {
  await page.goto('/house#all');
  await page.route(/\/premix\?_rsc/, async (route) => {
    await new Promise((r) => setTimeout(r, 1500));
    await route.continue();
  });
  await page.getByRole('link', { name: 'Premix', exact: true }).click();
  await page.getByRole('button', { name: 'Keys' }).click();
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expect(page).toHaveURL(/premix$/);
  await expect(page.getByRole('heading', { name: 'Premix', level: 1, includeHidden: true })).toBeAttached();
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toHaveCount(0);
});

/** Every script of the page comes so much later, ms. */
const late = (page: Page, ms: number) =>
  page.route(/_next\/static\/chunks\/.*\.js/, async (route) => {
    await new Promise((r) => setTimeout(r, ms));
    await route.continue();
  });

test('before the page’s script is there: buttons are off, fields keep what is typed, a form that is sent waits', async ({
  page,
  kitchen,
}) => {
  const { formula } = await pagesOf(page);
  await late(page, 1500);
  await page.goto('/formulas/new', { waitUntil: 'commit' });
  await page.getByLabel(/Paste a card, as it is/).fill('Early cakes\n2 cups flour\n1 cup milk\n1 egg');
  await expect(page.getByRole('button', { name: 'Read the card' })).toBeDisabled();
  await expect(page.getByText('Opening …').first()).toBeVisible();
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(3);

  await page.goto(`${formula}/plan`, { waitUntil: 'commit' });
  const pieces = page.getByLabel('Pieces', { exact: true });
  await pieces.fill('37');
  // pressed twice: it starts once, with what was typed
  const batches = () => kitchen.sql<{ id: string; pieces: number }>('select id, pieces_planned as pieces from batches');
  const before = (await batches()).map((b) => b.id);
  const start = page.getByRole('button', { name: 'Start this batch' });
  await start.click();
  await start.click();
  await page.waitForURL(/prep/);
  const id = /batches\/([0-9a-f-]{36})/.exec(page.url())?.[1];
  const begun = (await batches()).filter((b) => !before.includes(b.id));
  expect(begun).toEqual([{ id, pieces: 37 }]);

  // how many, on Today's own row, goes to the plan
  await page.goto('/', { waitUntil: 'commit' });
  const many = page.locator('input[name=pieces]').first();
  await many.fill('43');
  await many.press('Enter');
  await expect(page.getByLabel('Pieces', { exact: true })).toHaveValue('43');

  // a number that is taken when the hand leaves its box
  await page.goto('/house', { waitUntil: 'commit' });
  const mixing = page.locator('summary').filter({ hasText: 'How we measure and mix' });
  await mixing.click();
  const altitude = page.getByLabel('Altitude, metres');
  await altitude.fill('420');
  await altitude.blur();
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
  await page.reload();
  await expect(altitude).toHaveValue('420');
  await mixing.click();
  await altitude.fill('0');
  await altitude.press('Enter');
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
});

test('a choice made while the page wakes is told once, whenever it is made', async ({ page }) => {
  for (const [n, after] of (ALL ? [40, 80, 120, 180, 350] : [40, 120, 350]).entries()) {
    const tab = await page.context().newPage();
    const session = await tab.context().newCDPSession(tab);
    await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    const sent: string[] = [];
    tab.on('request', (r) => r.method() === 'POST' && r.headers()['next-action'] && sent.push(r.url()));
    await tab.addInitScript(
      ([value, ms]) => {
        const timer = setInterval(() => {
          const label = [...document.querySelectorAll('label')].find((l) => l.textContent === 'Times of day');
          const list = label && document.getElementById(label.htmlFor);
          if (
            !(list instanceof HTMLSelectElement) ||
            performance.getEntriesByName('first-contentful-paint').length === 0
          )
            return;
          clearInterval(timer);
          setTimeout(() => {
            list.value = value;
            list.dispatchEvent(new Event('input', { bubbles: true }));
            list.dispatchEvent(new Event('change', { bubbles: true }));
          }, ms);
        }, 10);
      },
      [n % 2 === 0 ? '12' : '24', after] as const,
    );
    await tab.goto('/house#all');
    await expect(tab.getByText('Kept for the whole house').first()).toBeVisible();
    await tab.waitForTimeout(300);
    expect({ after, sent: sent.length }).toEqual({ after, sent: 1 });
    await tab.close();
  }
});

/** A control of each page whose every press is seen: on, off, on. */
const PRESSED: Readonly<Record<string, string>> = {
  '/formulas/[id]': 'main button[aria-label^="Keep "]',
  '/formulas/[id]/plan': 'main [role=switch]',
  '/batches/[id]/prep': 'main [role=radiogroup][aria-label="Where in the work"] button:not([data-state=on])',
  '/batches/[id]/griddle':
    'main button[aria-expanded]:not([aria-haspopup]), main [role=switch], main [role=radio]:not([data-state=on])',
  '/batches/[id]/outcome': 'main [role=radiogroup][aria-label="How it was"] button:not([data-state=on])',
  '/pantry': 'main th button',
  '/premix/[id]': 'main [role=radio]:not([data-state=on]), main [role=switch]',
};
/** Presses of each, 100 ms apart: until long after the page works. */
const PRESSES = ALL ? 40 : 25;

for (const [where, control] of Object.entries(PRESSED))
  test(`at a quarter of the speed, pressed every 100 ms from the first paint, each press acts once or meets a control that is off: ${where}`, async ({
    page: tab,
    kitchen,
  }) => {
    const to = await addressOf(kitchen, where);
    const session = await tab.context().newCDPSession(tab);
    await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await tab.addInitScript(
      ([selector, presses]) => {
        const w = window as unknown as { pressed: { tried: number; seen: string[] } };
        w.pressed = { tried: 0, seen: [] };
        const state = (e: Element): string =>
          [e, e.closest('th')]
            .map((x) =>
              ['aria-pressed', 'aria-checked', 'aria-expanded', 'aria-sort']
                .map((a) => x?.getAttribute(a) ?? '')
                .join(' '),
            )
            .join(' ');
        let at: HTMLButtonElement | null = null;
        // how it stood at each press that came through: a control that is off hears none
        document.addEventListener(
          'click',
          (e) => at?.contains(e.target as Node) && w.pressed.seen.push(state(at)),
          true,
        );
        const painted = (): boolean => performance.getEntriesByName('first-contentful-paint').length > 0;
        const timer = setInterval(() => {
          at ??= painted() ? document.querySelector<HTMLButtonElement>(selector) : null;
          if (!at) return;
          if (w.pressed.tried >= presses && w.pressed.seen.length > 5) {
            w.pressed.seen.push(state(at));
            w.pressed.tried = Number.POSITIVE_INFINITY;
            clearInterval(timer);
          } else {
            at.click();
            w.pressed.tried++;
          }
        }, 100);
      },
      [control, PRESSES] as const,
    );
    await tab.goto(to);
    await tab.waitForFunction(() => (window as unknown as { pressed: { tried: number } }).pressed.tried > 1e6);
    const { seen } = await tab.evaluate(() => (window as unknown as { pressed: { seen: string[] } }).pressed);
    // each press found it otherwise than the one before; one of a row acts by its first press alone
    const changes = seen.slice(1).map((s, n) => s !== seen[n]);
    const once = changes[0] === true && !changes.slice(1).includes(true);
    expect(once ? 'once' : changes.includes(false) ? seen : 'each time').toEqual(
      expect.stringMatching(/once|each time/),
    );
  });

test('a page that is slow to come says at once that it is under way', async ({ page }) => {
  await page.goto('/');
  // the answer is held back until it was looked for
  let letGo: () => void = () => {};
  const held = new Promise<void>((r) => {
    letGo = r;
  });
  await page.route(/\/house(\?|$)/, async (route) => {
    await held;
    await route.continue();
  });
  await page.getByRole('link', { name: 'House', exact: true }).click();
  await expect(page.locator('[data-going]')).toBeVisible();
  await expect(page.getByText('Opening …')).toBeAttached();
  letGo();
  await expect(page).toHaveURL(/house$/);
  await expect(page.locator('[data-going]')).toHaveCount(0);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('five places within the thumb’s reach, the rest under “More”; what has the focus is not under the bar', async ({
    page,
  }) => {
    await page.goto('/');
    const places = page.getByRole('navigation', { name: 'Places' });
    for (const place of ['Pantry', 'Premix', 'Log', 'Today']) {
      await places.getByRole('link', { name: place }).click();
      await expect(places.getByRole('link', { name: place })).toHaveAttribute('aria-current', 'page');
    }
    await places.getByRole('button', { name: 'More' }).click();
    await page.getByRole('dialog', { name: 'More' }).getByRole('link', { name: 'House' }).click();
    await expect(page).toHaveURL(/house$/);
    await page.goto('/');
    for (let n = 0; n < 40; n++) {
      await page.keyboard.press('Tab');
      const hidden = await page.evaluate(() => {
        const e = document.activeElement;
        if (!e || e === document.body || e.closest('nav[aria-label=Places]')) return false;
        const [r, bar] = [
          e.getBoundingClientRect(),
          document.querySelector('nav[aria-label=Places]')?.getBoundingClientRect(),
        ];
        return bar !== undefined && r.height > 0 && r.top >= bar.top;
      });
      expect(hidden).toBe(false);
    }
  });
});
