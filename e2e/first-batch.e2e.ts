/** The whole first job: from the shelf and a pasted card to a scaled, weighed, remembered batch. */
import { axe, choose, expect, gramsBox, rail, test, toWeighIn } from './kitchen';

const CARD = `Mooring day cakes

Serves 4
2 cups flour
2 tablespoons sugar
2 teaspoons baking powder
1/2 teaspoon baking soda
1/2 teaspoon salt
1 3/4 cups buttermlik
2 eggs
1/2 stick butter, melted
butter for the pan

Whisk dry, whisk wet, join and leave the lumps.`;

test('six steps in one go', async ({ page }) => {
  // 1. Today: what is under way, and the shelf
  await page.goto('/');
  const underWay = page.getByRole('region', { name: 'Under way' });
  await expect(underWay.getByRole('link', { name: /^Weigh [\d.\s]+ g / }).first()).toBeVisible();
  await expect(underWay.getByRole('link', { name: 'Combine dry and wet' }).first()).toBeVisible();
  const shelf = page.getByRole('region', { name: 'Formulas' });
  expect(await shelf.getByRole('listitem').count()).toBeGreaterThanOrEqual(14);
  await axe(page);
  // other jobs may have put formulas on the shelf: what is shown is what was looked for, the demo's own among it
  const shows = async (some: string, only: RegExp): Promise<void> => {
    await expect(shelf.getByRole('listitem').filter({ hasText: some })).toHaveCount(1);
    await expect(shelf.getByRole('listitem').filter({ hasNotText: only })).toHaveCount(0);
  };
  await page.getByRole('searchbox', { name: 'Find by name, kind, flour or liquid' }).fill('crepe');
  await shows('Towpath herb crepes', /crepe/i);
  await page.getByRole('searchbox').fill('');
  await page.getByText('Filter', { exact: true }).click();
  await choose(page, 'Kind', 'Waffle');
  await shows('Soft oat waffles', /Waffle/);
  await choose(page, 'Kind', 'every kind');
  await choose(page, 'Liquid', 'Cultured buttermilk');
  await shows('Cloud cakes', /cultured buttermilk/i);

  // 2. paste a card, settle a line by picking, another by typing
  await page.getByRole('link', { name: 'New formula' }).click();
  await expect(page.getByLabel(/Paste a card, as it is/)).toBeVisible();
  await axe(page);
  await page.getByLabel(/Paste a card, as it is/).fill(CARD);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('textbox', { name: 'New formula' })).toHaveValue('Mooring day cakes');
  await expect(page.getByText('"buttermlik" is not in the pantry.')).toBeVisible();
  await page.getByRole('button', { name: 'Cultured buttermilk (low-fat)' }).click();
  const lines = page.getByRole('textbox', { name: 'Line on the card' });
  await expect(lines).toHaveCount(9);
  await lines.nth(0).fill('250 g flour');
  await expect(gramsBox(page, 'l1')).toHaveValue('250');
  await lines.nth(0).fill('2 cups flour');

  // 3. the balance: worked by hand, flour 250, buttermilk 1.75 x 245 = 428.75, eggs 100, butter 56.7
  await expect(gramsBox(page, 'l6')).toHaveValue('429');
  // 428.75 x .9013 + 76.15 + 56.7 x .1794 + .46 of powder + .02 = 473.2
  expect(await rail(page, 'water')).toBe('189 %');
  expect(await rail(page, 'egg')).toBe('40 %');
  await expect(page.getByText('Nothing is out of line.')).toBeVisible();
  await page.getByRole('radio', { name: /^Rise/ }).click();
  await expect(page.getByText(/All 2.3 g of soda is worked/)).toBeVisible();
  await page.getByRole('button', { name: /^How we measure and mix/ }).click();
  await choose(page, 'Flour into the cup', 'dipped and levelled');
  await expect(gramsBox(page, 'l1')).toHaveValue('280');
  await choose(page, 'Cup', 'metric cup, 250 ml');
  // 280 x 250/236.588
  await expect(gramsBox(page, 'l1')).toHaveValue('296');
  await choose(page, 'Egg', 'medium, 44 g');
  await expect(gramsBox(page, 'l7')).toHaveValue('88');
  await choose(page, 'Salt', 'light flake');
  // 2.5 ml at 135 g a US cup
  await expect(gramsBox(page, 'l5')).toHaveValue('1.4');
  await axe(page);
  await page.keyboard.press('Escape');
  await choose(page, 'Kind', 'Crepe');
  await expect(page.locator('[data-rail=lift]')).toContainText('far above');
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Undo' }).click();
  expect(await rail(page, 'water')).toBe('189 %');

  // 4. save, change, save again: two versions
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}$/);
  await expect(page.getByRole('textbox', { name: 'Formula, version 1', exact: true })).toBeVisible();
  await page.getByRole('textbox', { name: 'Line on the card' }).nth(1).fill('3 tablespoons sugar');
  await page.getByLabel('What changed').fill('sweeter');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  await page.getByRole('link', { name: 'Versions and comparing' }).click();
  await page.getByRole('link', { name: 'Open version 1' }).click();
  await expect(page.getByText('This is version 1 of 2.', { exact: false })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Line on the card' }).nth(1)).toHaveValue('2 tablespoons sugar');
  await page.goBack();
  await page.getByRole('link', { name: 'Open version 2' }).click();
  await expect(page.getByRole('textbox', { name: 'Line on the card' }).nth(1)).toHaveValue('3 tablespoons sugar');

  // 5. scale to pieces of a portion, exact and whole-gram
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByLabel('Pieces').fill('36');
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  await expect(sheet).toContainText('36 griddle cakes of 60 ml');
  const flour = sheet.getByRole('listitem').filter({ hasText: 'All-purpose wheat flour' });
  await expect(flour.locator('strong')).toHaveText(/^\d{3} g$/);
  await page.getByRole('radio', { name: 'all to 0.1 g' }).click();
  await expect(flour.locator('strong')).toHaveText(/^\d{3}\.\d g$/);
  await expect(page.getByText('Nothing is lost to rounding.')).toBeVisible();
  await axe(page);
  await page.getByRole('radio', { name: 'grams', exact: true }).click();

  // 6. make it: tick as it is weighed, reload in the middle, write what came out
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page).toHaveURL(/\/prep$/);
  await axe(page);
  await toWeighIn(page);
  const ticks = page.getByRole('checkbox');
  await expect(ticks).toHaveCount(8);
  await ticks.nth(0).check({ force: true });
  await ticks.nth(2).check({ force: true });
  await expect(page.getByText('6 of 8 still to weigh')).toBeVisible();
  await page.waitForFunction(() => !Object.keys(localStorage).some((k) => k.startsWith('even-crumb:book')));
  await page.reload();
  await expect(page.getByText('6 of 8 still to weigh')).toBeVisible();
  await expect(ticks.nth(0)).toBeChecked();
  await expect(ticks.nth(1)).not.toBeChecked();
  await axe(page);
  for (let i = 0; i < 7; i++) await ticks.nth(i).check({ force: true });
  // with the last one in, the list stays, to be looked over or undone
  await ticks.nth(7).click({ force: true });
  await expect(ticks).toHaveCount(8);
  await expect(page.getByText('All 8 weighed.')).toBeVisible();
  await page.getByRole('link', { name: 'Write what came out' }).click();
  await page.getByRole('radio', { name: 'Good' }).click();
  await page.getByRole('button', { name: 'Tender, tough, gummy: in words …' }).click();
  await page.getByRole('button', { name: 'tender' }).click();
  await page.getByLabel('Pieces that came out').fill('35');
  await page.getByLabel('First side').fill('2:25');
  await page.getByLabel('Second side').fill('70');
  await page.getByLabel(/^Note/).fill('A little less sugar.');
  await axe(page);
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await expect(page).toHaveURL(/\/log$/);
  const row = page.getByRole('row').filter({ hasText: 'Mooring day cakes' });
  await expect(row).toContainText('35 of 36');
  await expect(row).toContainText('2:25 / 1:10');
  await expect(row).toContainText('Good');
  await expect(row).toContainText('tender. A little less sugar.');
  await expect(row.getByRole('link', { name: 'version 2' })).toBeVisible();
  await axe(page);
  await page.getByRole('searchbox').fill('less sugar');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('link', { name: 'Today' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Mooring day cakes' })).toContainText('last: good');
});
