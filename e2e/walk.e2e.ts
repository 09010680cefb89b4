/**
 * Every page walked: axe in light and in dark, nothing wider than the screen from 320 px, targets of 24 px at least, outlines of
 * fields at 3:1, tables with names and row headers, text at twice its size and set wide, sentences that begin as sentences, a title
 * that names the page, and the focus never left on the body.
 */
import type { Page } from '@playwright/test';
import { axe, expect, pagesOf, scriptOf, test } from './kitchen';

const WIDTHS = [1280, 820, 768, 640, 390, 360, 320] as const;

const PAGES = [
  '/',
  '/on-hand',
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
  '/house',
  '/house/records',
] as const;

/** What is too small to hit, what is wider than the screen, and which sentence begins small. */
const faults = (page: Page) =>
  page.evaluate(() => {
    const seen = (e: Element): boolean => {
      const r = e.getBoundingClientRect();
      return r.width > 1 && r.height > 1 && getComputedStyle(e).visibility !== 'hidden' && e.closest('[aria-hidden=true],.sr-only') === null;
    };
    // a link within a sentence is as high as its line
    const inText = (e: Element): boolean => e.matches('a') && getComputedStyle(e).display === 'inline';
    const small = [...document.querySelectorAll('button,select,summary,a[href],[role=radio],[role=switch],[role=combobox],[role=slider]')]
      .filter((e) => seen(e) && !inText(e))
      .filter((e) => Math.min(e.getBoundingClientRect().width, e.getBoundingClientRect().height) < 23.5)
      .map((e) => e.outerHTML.slice(0, 100));
    const low = [...document.querySelectorAll('main p, main h1, main h2, main h3')]
      .filter(seen)
      .map((e) => (e.textContent ?? '').trim())
      .filter((t) => /^[a-zà-ÿ].*\.$/.test(t));
    return { small, low, wide: document.documentElement.scrollWidth - window.innerWidth };
  });

/** Fields whose outline can't be told from what is behind it, and tables that nobody names or whose rows have no header. */
const unclear = (page: Page) =>
  page.evaluate(() => {
    type Colour = { readonly rgb: readonly number[]; readonly alpha: number };
    const colour = (s: string): Colour => {
      const m = (s.match(/[\d.]+/g) ?? []).map(Number);
      return { rgb: m.slice(0, 3), alpha: m.length === 0 ? 0 : (m[3] ?? 1) };
    };
    const light = (rgb: readonly number[]): number => {
      const [r = 0, g = 0, b = 0] = rgb.map((v) => (v / 255 <= 0.03928 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4));
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
          const drawn = Number.parseFloat(style.getPropertyValue(`border-${side}-width`)) > 0 && style.getPropertyValue(`border-${side}-style`) !== 'none';
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
      const named = (t.caption?.textContent ?? t.getAttribute('aria-label') ?? t.getAttribute('aria-labelledby') ?? '') !== '';
      const bare = [...t.tBodies].flatMap((b) => [...b.rows]).filter((r) => r.cells.length > 1 && !r.querySelector('th[scope=row]'));
      return named && bare.length === 0 ? [] : [`${named ? '' : 'no name, '}${bare.length} rows without a header: ${t.textContent?.slice(0, 40)}`];
    });
    return { fields, tables };
  });

const SET_WIDE = '*{line-height:1.5!important;letter-spacing:.12em!important;word-spacing:.16em!important}p{margin-bottom:2em!important}';
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
      if (!/hidden|clip/.test(`${s.overflowX}${s.overflowY}`) || s.textOverflow === 'ellipsis' || s.webkitLineClamp !== 'none') return false;
      if (e.closest('.sr-only') || e.matches('input,textarea,select') || !(e.textContent ?? '').trim()) return false;
      return (e.clientHeight > 2 && e.scrollHeight > e.clientHeight + 3) || (e.clientWidth > 2 && e.scrollWidth > e.clientWidth + 3);
    });
    return [...(over > 0 ? [`${over} px over the edge`] : []), ...cut.map((e) => `cut off: ${e.textContent?.slice(0, 40)}`)];
  });
  await style.evaluate((e) => (e as Element).remove());
  return found;
}

async function look(page: Page, path: string): Promise<void> {
  await expect(page).toHaveTitle(/\S/);
  await expect(page.getByText('Looking at the clock')).toHaveCount(0);
  for (const width of WIDTHS) {
    await page.setViewportSize({ width, height: 800 });
    expect({ path, width, ...(await faults(page)) }).toEqual({ path, width, small: [], low: [], wide: expect.any(Number) });
    expect({ path, width, wide: Math.max(0, (await faults(page)).wide) }).toEqual({ path, width, wide: 0 });
  }
  await page.setViewportSize({ width: 390, height: 800 });
  await axe(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  expect({ path, ...(await unclear(page)) }).toEqual({ path, fields: [], tables: [] });
  for (const [css, width] of [
    [SET_WIDE, 1280],
    [SET_WIDE, 390],
    [TWICE, 1280],
  ] as const)
    expect({ path, width, css, found: await withText(page, css, width) }).toEqual({ path, width, css, found: [] });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'dark' });
  await axe(page);
  expect({ path, dark: await unclear(page) }).toEqual({ path, dark: { fields: [], tables: [] } });
  await page.emulateMedia({ colorScheme: 'light' });
}

test('every page that stands by itself', async ({ page }) => {
  for (const path of PAGES) {
    await page.goto(path);
    await look(page, path);
  }
});

test('a formula, its plan and its versions; a batch on each of its pages; a lot and an ingredient', async ({ page }) => {
  await page.goto('/');
  const batch =
    (
      await page
        .getByRole('link', { name: /^Weigh/ })
        .first()
        .getAttribute('href')
    )?.replace('/prep', '') ?? '';
  const formula = (await page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }).getAttribute('href')) ?? '';
  await page.goto('/premix');
  const lot = (await page.getByRole('link', { name: /^lot / }).first().getAttribute('href')) ?? '';
  const mix = (await page.getByRole('link', { name: 'Camp trailer corn mix' }).getAttribute('href')) ?? '';
  const paths = [
    formula,
    `${formula}/plan`,
    `${formula}/history`,
    `${formula}/target`,
    `${formula}/notice`,
    ...['plan', 'prep', 'griddle', 'outcome', 'notice'].map((p) => `${batch}/${p}`),
    lot,
    mix,
    '/pantry/flour-all-purpose',
  ];
  for (const path of paths) {
    await page.goto(path);
    await look(page, path);
  }
});

test('the focus is at the heading after a page change, at its opener after a dialog or a menu, and never on the body', async ({ page }) => {
  const at = () => page.evaluate(() => document.activeElement?.tagName.toLowerCase() ?? '');
  const name = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '');
  await page.goto('/');
  for (const place of ['Premix', 'Log', 'Pantry', 'House', 'Today']) {
    await page.getByRole('link', { name: place, exact: true }).click();
    await expect.poll(at).not.toBe('body');
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
  await page.getByRole('combobox', { name: 'Kind' }).focus();
  await page.keyboard.press('l');
  await expect(page).toHaveURL(/\/$/);
  await page.keyboard.press('Escape');
});

test('what is pressed and typed before the page’s script is there is done when it is', async ({ page }) => {
  // every script comes two seconds late
  await page.route(/_next\/static\/chunks\/.*\.js/, async (route) => {
    await new Promise((r) => setTimeout(r, 2000));
    await route.continue();
  });
  await page.goto('/formulas/new', { waitUntil: 'commit' });
  const box = page.getByLabel(/Paste a card, as it is/);
  await box.fill('Early cakes\n2 cups flour\n1 cup milk\n1 egg');
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByText('Opening …').first()).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Line as written' })).toHaveCount(3);
  await expect(page.getByRole('textbox', { name: 'New formula' })).toHaveValue('Early cakes');
});

test('what is pressed while the page comes alive is done once', async ({ page }) => {
  // pressed so long after the page's script has begun to listen, from within the page: some before, some during, some after
  for (const wait of [0, 5, 20, 80, 1000]) {
    const tab = await page.context().newPage();
    let sent = 0;
    tab.on('request', (r) => {
      if (r.method() === 'POST' && r.url().endsWith('/house')) sent++;
    });
    await tab.addInitScript((ms: number) => {
      const listen = document.addEventListener;
      let begun = false;
      document.addEventListener = function (this: Document, ...of: Parameters<Document['addEventListener']>) {
        // nothing but the page's own script listens for this
        if (!begun && of[0] === 'beforetoggle') {
          begun = true;
          const act = (): void => {
            const list = [...document.querySelectorAll('select')].find((s) => [...s.options].some((o) => o.text.includes('firm peaks')));
            // it may still be on its way
            if (!list) {
              setTimeout(act, 1);
              return;
            }
            list.selectedIndex = list.selectedIndex === 0 ? 1 : 0;
            list.dispatchEvent(new Event('input', { bubbles: true }));
            list.dispatchEvent(new Event('change', { bubbles: true }));
            [...document.querySelectorAll('button')].find((b) => b.textContent === '1/8 tsp')?.click();
          };
          setTimeout(act, ms);
        }
        return listen.apply(this, of);
      } as Document['addEventListener'];
    }, wait);
    await tab.goto('/house');
    await expect(tab.getByText('Kept for the whole house').first()).toBeVisible();
    await tab.waitForTimeout(300);
    expect([wait, sent]).toEqual([wait, 2]);
    await tab.close();
  }
});

test('a part that sleeps: what is pressed and typed in it is done when it wakes, each once', async ({ page }) => {
  const { formula } = await pagesOf(page);
  // every script that is asked for while this is on comes a second late
  let late = false;
  await page.route(/_next\/static\/chunks\/.*\.js/, async (route) => {
    if (late) await new Promise((r) => setTimeout(r, 1000));
    await route.continue();
  });
  const asleep = page.locator('[data-asleep]');
  await page.goto(`${formula}/plan`, { waitUntil: 'networkidle' });
  late = true;
  await expect(asleep).toHaveCount(1);
  await page.getByLabel('Pieces', { exact: true }).fill('37');
  await page.getByRole('radio', { name: 'cups and spoons' }).click();
  await expect(asleep).toHaveCount(1);
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('37 ');
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('tbsp');
  await expect(page.getByRole('radio', { name: 'cups and spoons' })).toBeChecked();
  await expect(asleep).toHaveCount(0);
  late = false;

  // a number that is taken when the hand leaves it, and one that is taken by Enter, in a part that sleeps meanwhile
  let sent = 0;
  page.on('request', (r) => {
    if (r.method() === 'POST' && r.url().endsWith('/house')) sent++;
  });
  const altitude = page.getByLabel('Altitude, metres');
  for (const [metres, leave] of [
    ['420', () => altitude.blur()],
    ['0', () => altitude.press('Enter')],
  ] as const) {
    await page.goto('/house', { waitUntil: 'networkidle' });
    late = true;
    sent = 0;
    await altitude.fill(metres);
    await leave();
    await expect(asleep).toHaveCount(1);
    await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
    await expect(asleep).toHaveCount(0);
    expect(sent).toBe(1);
    late = false;
    await page.reload();
    await expect(altitude).toHaveValue(metres);
  }
});

test('no page asks for more script than it may: kB as they come', async ({ page, context }) => {
  const { formula, batch } = await pagesOf(page);
  const most: Readonly<Record<string, number>> = {
    [formula]: 250,
    '/formulas/new': 250,
    ...Object.fromEntries([`${formula}/plan`, ...['plan', 'prep', 'griddle', 'outcome'].map((p) => `${batch}/${p}`)].map((to) => [to, 220])),
    ...Object.fromEntries(
      [
        '/',
        '/log',
        `${formula}/history`,
        `${formula}/target`,
        '/pantry',
        '/pantry/new',
        '/pantry/measures',
        '/pantry/import',
        '/premix',
        '/premix/new',
        '/premix/foreign',
        '/sides',
        '/sides/new',
        '/kept',
        '/house',
      ].map((to) => [to, 180]),
    ),
  };
  const over: string[] = [];
  for (const [to, kB] of Object.entries(most)) {
    const has = (await scriptOf(context, to)) / 1000;
    if (has > kB) over.push(`${to}: ${has.toFixed(0)} of ${kB}`);
  }
  expect(over).toEqual([]);
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
  test('five places within the thumb’s reach, the rest under “More”; what has the focus is not under the bar', async ({ page }) => {
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
        const [r, bar] = [e.getBoundingClientRect(), document.querySelector('nav[aria-label=Places]')?.getBoundingClientRect()];
        return bar !== undefined && r.height > 0 && r.top >= bar.top;
      });
      expect(hidden).toBe(false);
    }
  });
});
