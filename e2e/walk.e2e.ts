/**
 * Every page walked: axe in light and in dark, nothing wider than the screen from 320 px, targets of 24 px at least, sentences that
 * begin as sentences, a title that names the page, and the focus never left on the body.
 */
import type { Page } from '@playwright/test';
import { axe, expect, test } from './kitchen';

const WIDTHS = [1280, 820, 768, 640, 390, 360, 320] as const;

const PAGES = [
  '/',
  '/on-hand',
  '/log',
  '/formulas/new',
  '/formulas/new?from=nothing',
  '/sides',
  '/sides/new',
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
  await page.emulateMedia({ colorScheme: 'dark' });
  await axe(page);
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
  await page.keyboard.press('Escape');
  await expect.poll(name).toContain('Keys');
  const more = page.getByRole('button', { name: 'More of Regatta griddle cakes' });
  await more.focus();
  await page.keyboard.press('Enter');
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
