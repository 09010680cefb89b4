/**
 * How much a first screen says: words and controls that are seen without scrolling, with the demo's kitchen, at 1280
 * by 800 and 390 by 844. The numbers of the table only shrink: who adds a word takes one away.
 */
import type { Page } from '@playwright/test';
import { expect, pagesOf, test } from './kitchen';

const WIDTHS = [
  [1280, 800],
  [390, 844],
] as const;
/** At most, at each width: [words, controls]. */
const MOST: Readonly<Record<string, readonly (readonly [words: number, controls: number])[]>> = {
  // what is under way, and when, says a few words more or less
  today: [
    [158, 38],
    [92, 20],
  ],
  bench: [
    [182, 82],
    [80, 32],
  ],
  plan: [
    [174, 33],
    [87, 27],
  ],
  prep: [
    [125, 26],
    [80, 22],
  ],
  griddle: [
    [145, 42],
    [70, 40],
  ],
  outcome: [
    [110, 39],
    [65, 30],
  ],
  log: [
    [243, 42],
    [88, 24],
  ],
  lot: [
    [224, 29],
    [90, 20],
  ],
  records: [
    [172, 19],
    [112, 19],
  ],
};

/** Text that is seen, and what can be pressed, typed in or slid, as far as it lies within the window. */
const seenNow = (page: Page): Promise<readonly [number, number]> =>
  page.evaluate(() => {
    const inView = (r: DOMRect): boolean =>
      r.width > 2 && r.height > 2 && r.bottom > 0 && r.top < innerHeight && r.right > 0 && r.left < innerWidth;
    const isSeen = (e: Element): boolean => e.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    let words = 0;
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
      const at = texts.currentNode.parentElement;
      if (!at || at.closest('script,style,option,.sr-only') || !isSeen(at)) continue;
      const range = document.createRange();
      range.selectNodeContents(texts.currentNode);
      if (!inView(range.getBoundingClientRect())) continue;
      words += (texts.currentNode.textContent ?? '').split(/\s+/).filter((x) => /\p{L}/u.test(x)).length;
    }
    const controls = [
      ...document.querySelectorAll('a[href],button,input,select,textarea,[role=slider],summary'),
    ].filter((e) => isSeen(e) && inView(e.getBoundingClientRect())).length;
    return [words, controls] as const;
  });

test('each first screen says no more than it did', async ({ page }) => {
  const { formula, batch } = await pagesOf(page);
  await page.goto('/premix');
  const lot = (await page.locator('main a[href*="/premix/lots/"]').first().getAttribute('href')) ?? '';
  const paths: Readonly<Record<string, string>> = {
    today: '/',
    bench: formula,
    plan: `${formula}/plan`,
    prep: `${batch}/prep`,
    griddle: `${batch}/griddle`,
    outcome: `${batch}/outcome`,
    log: '/log',
    lot,
    records: '/house/records',
  };
  const over: unknown[] = [];
  for (const [name, path] of Object.entries(paths)) {
    await page.goto(path);
    await expect(page.getByText('Looking at the clock')).toHaveCount(0);
    for (const [n, [width, height]] of WIDTHS.entries()) {
      await page.setViewportSize({ width, height });
      await page.mouse.move(0, 0);
      const [words, controls] = await seenNow(page);
      const [mostWords = 0, mostControls = 0] = MOST[name]?.[n] ?? [];
      // a page that says nothing is not this page
      if (words > mostWords || controls > mostControls || words < 20) over.push({ name, width, words, controls });
    }
  }
  expect(over).toEqual([]);
});
