/** Planning: for so many guests in cups and spoons, what is on hand used up, and a drawer that lacks a cup. */
import type { Page } from '@playwright/test';
import { axe, choose, expect, test } from './kitchen';

async function plan(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('region', { name: 'Formula shelf' }).getByRole('link', { name, exact: true }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
}

test('84 guests from a card for twelve, in cups and spoons, started and on the sheet', async ({ page }) => {
  await plan(page, 'Tall Sunday cakes');
  await choose(page, 'Make', 'for so many guests');
  await page.getByLabel('Guests').fill('84');
  await page.getByLabel('Pieces each').fill('2');
  // 168 and a tenth for seconds, one to test with
  const sheet = page.getByRole('region', { name: 'Sheet to mix from' });
  await expect(sheet).toContainText('185 griddle cakes of 80 ml and one to test');
  await page.getByLabel('And for seconds').fill('');
  await expect(page.getByRole('alert').filter({ hasText: 'Seconds: write a number' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();
  await page.getByLabel('And for seconds').fill('0');
  await page.getByRole('switch', { name: 'a first piece to test with, outside the count' }).click();
  await expect(sheet).toContainText('168 griddle cakes of 80 ml;');

  await page.getByRole('radio', { name: 'cups and spoons' }).click();
  await expect(page.getByText('Chosen together from your drawer')).toBeVisible();
  const flour = sheet.getByRole('listitem').filter({ hasText: 'All-purpose wheat flour' });
  await expect(flour).toContainText(/3\d .*cups/);
  await expect(page.getByText('That is many cups')).toBeVisible();
  await axe(page);

  // whole eggs: the batch beside it, one press away
  await page.getByRole('button', { name: '38 eggs' }).click();
  await expect(page.getByLabel('Times')).toHaveValue('12.6667');
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Large egg' })).toContainText('38 eggs');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('checkbox', { name: /38 eggs/ })).toBeVisible();
});

test('what there is of buttermilk is used up; a drawer without its smallest spoon takes the next', async ({ page }) => {
  await plan(page, 'Tall Sunday cakes');
  await choose(page, 'Make', 'all there is of one thing');
  await choose(page, 'Of', 'Cultured buttermilk');
  await page.getByLabel('There is').fill('700');
  const sheet = page.getByRole('region', { name: 'Sheet to mix from' });
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Cultured buttermilk' })).toContainText('700 g');

  // two small cakes: an eighth of a teaspoon of vanilla, while the drawer has one
  const vanilla = sheet.getByRole('listitem').filter({ hasText: 'Vanilla extract' });
  const two = async (vanillaIs: string): Promise<void> => {
    await choose(page, 'Make', 'so many pieces');
    await page.getByLabel('Pieces').fill('2');
    await page.getByRole('radio', { name: 'cups and spoons' }).click();
    await expect(vanilla).toContainText(vanillaIs);
  };
  await two('1/8 tsp');
  const tap = async (): Promise<void> => {
    await page.goto('/house');
    const saved = page.waitForResponse((r) => r.request().method() === 'POST');
    await page.getByRole('toolbar', { name: 'The drawer' }).getByRole('button', { name: '1/8 tsp', exact: true }).click();
    await saved;
  };
  await tap();
  try {
    await plan(page, 'Tall Sunday cakes');
    await two('1/4 tsp');
  } finally {
    await tap();
  }
});
