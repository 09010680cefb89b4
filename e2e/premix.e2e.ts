/** The premix maker's job: a lot with its labels, bags into a batch, the trace both ways; and a mix that was bought. */
import { axe, choose, expect, pdf, test, toWeighIn } from './kitchen';

test('a 12 kg lot with labels, two bags used in a batch, and the trace of the lot', async ({ page }) => {
  await page.goto('/premix');
  await axe(page);
  await page.getByRole('link', { name: 'New premix' }).click();
  await choose(page, 'The dry side of', 'Tall Sunday cakes');
  await expect(page.getByLabel('Name')).toHaveValue('Tall Sunday cakes mix');
  await page.getByRole('switch', { name: 'milk as powder', exact: true }).click();
  await expect(page.getByRole('row', { name: /^Whole milk powder/ })).toBeVisible();
  await page.getByLabel('A bag holds').fill('1.5 sacks');
  await page.getByRole('button', { name: 'Keep this premix' }).click();
  await expect(page.getByText('Write a number of grams.')).toBeVisible();
  await page.getByLabel('A bag holds').fill('750');
  await choose(page, 'From the same mix', 'waffles, crisp');
  await expect(page.getByRole('region', { name: 'As waffles' })).toContainText(/Cultured buttermilk|Water/);
  await choose(page, 'From the same mix', 'crepes, sweet');
  await expect(page.getByRole('region', { name: 'As crepes' })).toContainText(/The balance does not allow it:.* Lift stands at 1\.\d+ g, more than/);
  await page.getByRole('button', { name: 'Not from this mix' }).last().click();
  await axe(page);
  await page.getByRole('button', { name: 'Keep this premix' }).click();
  await page.waitForURL(/premix\/[0-9a-f-]{36}/);

  // the lot: order of blending, packets' lots, what is short
  const form = page.getByRole('form', { name: 'Make a lot' });
  await form.getByRole('radio', { name: 'so many kilograms' }).click();
  await form.getByLabel('Kilograms').fill('0.2');
  await expect(form.getByText('Less than one bag of 750 g.')).toBeVisible();
  await form.getByLabel('Kilograms').fill('12');
  await expect(form).toContainText('16 bags of 750 g');
  await expect(form.getByRole('region', { name: 'Blend' }).getByRole('listitem').first()).toContainText(/baking soda.*sieved and whisked/);
  await form.getByLabel('Lot of All-purpose wheat flour').fill('M-1177');
  await form.getByLabel(/^Checked/).fill('three spoons foamed alike');
  // a reload in the middle loses nothing
  await page.reload();
  await expect(form.getByLabel('Lot of All-purpose wheat flour')).toHaveValue('M-1177');
  await expect(form.getByLabel('Kilograms')).toHaveValue('12');
  await form.getByRole('switch', { name: 'take it off the shelf' }).click();
  await axe(page);
  await form.getByRole('button', { name: 'Put this lot in the book' }).dblclick();
  await page.waitForURL(/premix\/lots\//);
  const lotUrl = page.url();
  await expect(page.getByRole('region', { name: 'Bags', exact: true })).toContainText('16 left: 16 made of 750 g, 0 used');
  await expect(page.getByRole('row', { name: /All-purpose wheat flour/ })).toContainText('M-1177');
  await axe(page);
  // eight labels to a page
  expect(await pdf(page, `${lotUrl}/labels`)).toBe(2);

  // two bags into a batch; the mix and what is added to it on the sheet
  await page.getByRole('textbox', { name: 'Bags', exact: true }).fill('17');
  await expect(page.getByText('Only 16 are left.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Bags', exact: true }).fill('2');
  await page.getByRole('switch', { name: 'take the rest off the shelf' }).click();
  await page.getByRole('button', { name: 'Start a batch of them' }).dblclick();
  await page.waitForURL(/batches\/.*\/prep/);
  await toWeighIn(page);
  await expect(page.getByRole('checkbox', { name: /2 bags of Tall Sunday cakes mix, lot \d{6}-\d/ })).toBeVisible();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('region', { name: 'Off the shelf' }).getByRole('link', { name: /^lot/ }).click();
  await expect(page).toHaveURL(lotUrl);
  await expect(page.getByRole('region', { name: 'Bags', exact: true })).toContainText('14 left: 16 made of 750 g, 2 used');
  const went = page.getByRole('region', { name: 'Where its bags went' });
  await expect(went.getByRole('listitem')).toHaveCount(1);
  await expect(went.getByRole('link', { name: 'Tall Sunday cakes, from the bag' })).toBeVisible();
  // one torn
  await page.getByRole('button', { name: 'Write off' }).click();
  await expect(page.getByText('Write why.')).toBeVisible();
  await page.getByLabel('Why').fill('torn in the van');
  await page.getByRole('button', { name: 'Write off' }).click();
  await expect(page.getByRole('region', { name: 'Bags', exact: true })).toContainText('13 left');
  await expect(went).toContainText('torn in the van');
  // the plan of the formula offers the bags first
  await page.getByRole('link', { name: 'The premix' }).click();
  await page.getByRole('link', { name: /^Tall Sunday cakes, version/ }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByText(/There are 13 bags of Tall Sunday cakes mix/)).toBeVisible();
});

test('a lot near its date is offered first', async ({ page }) => {
  await page.goto('/premix');
  const row = page.getByRole('row', { name: /^Camp trailer corn mix/ });
  await expect(row).toContainText(/3 left, best before .*: soon/);
  await row.getByRole('link', { name: 'Camp trailer corn mix' }).click();
  await expect(page.getByRole('region', { name: 'Lots' }).getByRole('row').nth(1)).toContainText('use first');
  await page.getByRole('region', { name: 'Lots' }).getByRole('row').nth(2).getByRole('link').click();
  await expect(page.getByText(/is nearer its date .*use that first/)).toBeVisible();
});

test('a bought mix: what its panel lets be worked, and onto the bench', async ({ page }) => {
  await page.goto('/premix/foreign');
  await expect(page.getByRole('list', { name: 'Ratios' }).getByRole('listitem').filter({ hasText: 'Lift' })).toContainText('not known');
  await choose(page, 'Is to become', 'waffles, crisp');
  await expect(page.getByRole('region', { name: 'As waffles' })).toContainText('Whole milk');
  await axe(page);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await page.waitForURL(/formulas\/[0-9a-f-]{36}/);
  await expect(page.getByRole('textbox', { name: 'Line as written' }).first()).toHaveValue(/500 g trailer quick mix/i);
});
