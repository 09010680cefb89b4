/** Judging: what was seen, what likely caused it by this batch's own numbers, and the change as a proposal on the Bench. */
import { axe, expect, test } from './kitchen';

test('gummy and tough: ranked with this batch’s numbers, and a change to look at on the Bench', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('region', { name: 'Formulas' }).getByRole('link', { name: 'Regatta griddle cakes', exact: true }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByLabel('Portion', { exact: true }).fill('118');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  const causes = page.getByRole('region', { name: 'Likely causes' });
  await expect(causes).toHaveCount(0);
  await page.getByRole('button', { name: 'gummy middle', exact: true }).click();
  await expect(causes.getByRole('listitem').first()).toContainText('Portion too large');
  await expect(causes.getByRole('listitem').first()).toContainText('here: portions of 118 ml, usually 60 ml');
  // what is written of the times speaks too
  await page.getByLabel(/^First side/).fill('1:15');
  await expect(causes.getByText('here: first side 1:15, usually about 2:20')).toBeVisible();
  await page.getByRole('button', { name: 'tough', exact: true }).click();
  await axe(page);
  await page.getByRole('link', { name: 'Try it on the Bench' }).first().click();
  await page.waitForURL(/towards=tender/);
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal).toContainText('More tender');
  await proposal.getByRole('button', { name: /^Take/ }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 3')).toBeVisible();
});
