/** A blank kitchen: every list says what to do first. */
import { axe, expect, test } from './kitchen';

test.use({ template: 'blank' });

test('Today and Log begin with the first thing to do', async ({ page }) => {
  await page.goto('/log');
  await expect(page.getByText('No batch has been made yet.', { exact: false })).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible();
  await axe(page);
  await page.getByRole('link', { name: 'Paste a card' }).click();
  await expect(page).toHaveURL(/\/formulas\/new$/);
});
