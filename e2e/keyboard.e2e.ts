/** The same job by keyboard alone: nothing in this file points. */
import type { Page } from '@playwright/test';
import { choose, chosen, expect, gramsBox, test } from './kitchen';

/** Tabs on until the control of that name has the focus. */
async function tabTo(page: Page, name: RegExp, most = 80): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const at = await page.evaluate(() => {
      const e = document.activeElement;
      if (!(e instanceof HTMLElement)) return '';
      const labelled = e.getAttribute('aria-labelledby');
      const label =
        e instanceof HTMLInputElement || e instanceof HTMLTextAreaElement || e instanceof HTMLSelectElement
          ? (e.labels?.[0]?.textContent ?? '')
          : '';
      return (
        e.getAttribute('aria-label') ??
        (labelled ? document.getElementById(labelled)?.textContent : null) ??
        (label || e.textContent || '')
      );
    });
    if (name.test(at.trim())) return;
  }
  throw new Error(`Tab never reached ${name}`);
}

test('from an empty bench to the log without a mouse', async ({ page }) => {
  await page.goto('/');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.locator('body').press('/');
  await expect(page.getByRole('searchbox')).toBeFocused();
  await page.keyboard.type('waffle');
  await expect(
    page
      .getByRole('region', { name: 'Formulas' })
      .getByRole('listitem')
      .filter({ hasNotText: /waffle/i }),
  ).toHaveCount(0);
  await expect(
    page.getByRole('region', { name: 'Formulas' }).getByRole('listitem').filter({ hasText: 'Iron-shed waffles' }),
  ).toBeVisible();

  await page.keyboard.press('Control+A');
  await page.keyboard.press('Delete');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('searchbox')).not.toBeFocused();
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/\/formulas\/new$/);
  await expect(page.getByLabel(/Paste a card, as it is/)).toBeFocused();
  await page.keyboard.insertText(
    'Sluice cakes\n2 cups flour\n2 tbsp sugar\n1 tbsp baking powder\n1/2 tsp salt\n1 3/4 cups milk\n2 eggs\n3 tbsp oil',
  );
  await tabTo(page, /^Read the card$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(7);

  // down the sheet with the arrows, a line typed anew, one added, one taken off
  await tabTo(page, /^Line on the card$/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Control+A');
  await page.keyboard.type('3 tbsp sugar');
  await expect(gramsBox(page, 'l2')).toHaveValue('38');
  await tabTo(page, /^Add a line$/);
  await page.keyboard.type('1 tsp vanilla extract');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(8);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Alt+Backspace');
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(7);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(8);

  // a school from its list
  await page.locator('body').press('Home');
  await tabTo(page, /^Style$/, 200);
  await expect(chosen(page, 'Style')).toHaveText('even');
  await page.keyboard.press('ArrowDown');
  await expect(chosen(page, 'Style')).toHaveText('tall');
  await page.keyboard.press('Control+s');
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}$/);

  await tabTo(page, /^Scale and make$/, 200);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/plan/);
  await tabTo(page, /^Pieces$/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('10');
  await tabTo(page, /^grams$/);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'all to 0.1 g' })).toBeFocused();
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'all to 0.1 g' })).toBeChecked();
  await tabTo(page, /^Start this batch$/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/prep$/);

  await tabTo(page, /^To the weigh-in$/);
  await page.keyboard.press('Enter');
  await page.getByRole('checkbox').first().focus();
  for (let i = 0; i < 8; i++) {
    await page.keyboard.press('Space');
    await page.keyboard.press('Tab');
  }
  await expect(page.getByText('All 8 weighed.')).toBeVisible();
  // the last tick leaves the list in sight; on to the joining: every part ready, then counted, then at rest
  await tabTo(page, /^All weighed: on to combining$/, 120);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Combining' })).toBeVisible();
  for (const part of [/^Dry bowl/, /^Wet bowl/]) {
    await tabTo(page, part, 120);
    await page.keyboard.press('Space');
  }
  await tabTo(page, /^Combine: count$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Stop now/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Rest' })).toBeVisible();
  await tabTo(page, /^Write what came out$/, 200);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/outcome$/);

  await tabTo(page, /^Best yet$/);
  await page.keyboard.press('Space');
  // past the drawn scales to the words
  await tabTo(page, /^Face, edge, taste, spread …$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^run together$/);
  await page.keyboard.press('Space');
  await tabTo(page, /^Tender, tough, gummy: in words …$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^tall$/);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'tender', exact: true })).toBeFocused();
  await page.keyboard.press('Space');
  await tabTo(page, /^Pieces that came out$/);
  await page.keyboard.type('10');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/log$/);
  const row = page.getByRole('row').filter({ hasText: 'Sluice cakes' });
  await expect(row).toContainText('Best yet');
  await expect(row).toContainText('tender');
});

test('what is said at the foot of the page never holds the Tab key', async ({ page }) => {
  await page.goto('/house#all');
  await choose(page, 'Whites', 'firm peaks, folded in thirds');
  await expect(page.getByText('Kept for the whole house')).toBeVisible();
  // once around the page while it is shown, as fast as keys go
  await page.locator('body').press('End');
  await tabTo(page, /^To the page$/, 200);
  await choose(page, 'Whites', 'soft peaks, folded in one go');
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
});
