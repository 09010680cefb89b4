/** A blank kitchen: every list says what to do first. */
import { axe, expect, test } from './kitchen';

test.use({ template: 'blank' });

test('Today and Log begin with the first thing to do', async ({ page }) => {
  await page.goto('/log');
  await expect(page.getByText('No batch has been made yet.', { exact: false })).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'No formula yet' })).toBeVisible();
  await axe(page);
  await page.getByRole('link', { name: /^Paste or drop a card/ }).click();
  await expect(page).toHaveURL(/\/formulas\/new$/);
});

test('three doors; the demo is looked around, in three steps', async ({ page }) => {
  await page.goto('/');
  for (const door of [/^Paste or drop a card/, /^Begin from nothing/])
    await expect(page.getByRole('link', { name: door })).toBeVisible();
  await page.getByRole('button', { name: /^Look around the demo/ }).click();
  await expect(page.getByRole('link', { name: 'Regatta griddle cakes', exact: true })).toBeVisible();
  await expect(page.getByText('This is the demo kitchen.')).toBeVisible();
  await axe(page);
});
