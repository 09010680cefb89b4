/**
 * What is said can be acted on: fixes that mend, calm on a good card and loud on a bad one, schools that are seen, all
 * there is.
 */
import type { Page } from '@playwright/test';
import { axe, choose, expect, test } from './kitchen';

async function card(page: Page, text: string): Promise<void> {
  await page.goto('/formulas/new');
  await page.locator('textarea').first().fill(text);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('list', { name: 'Ratios' })).toBeVisible();
}

test('"2 tsp each" is mended by the offered fix, and the plan says what is still a stop', async ({ page }) => {
  await card(
    page,
    'Lock cakes\n2 cups flour\n2 tbsp sugar\n1/2 tsp salt\n2 cups milk\n2 eggs\n3 tbsp butter, melted\n1 tsp vanilla',
  );
  // typed over a line, so that it stays one
  await page.locator('input[value="1 tsp vanilla"]').fill('2 tsp each baking powder and baking soda');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/8\.6 g of soda has no acid/)).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await expect(page.getByText(/8\.6 g of soda has no acid/)).toHaveCount(1);
  await axe(page);
  await page.getByRole('link', { name: 'Answer it on the Bench' }).click();
  await page.getByRole('button', { name: 'As much soda as the acid works' }).first().click();
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await proposal.getByRole('button', { name: /^Take/ }).click();
  // the soda has really fallen, and the powder beside it is a line of its own
  await expect(page.locator('input[value="1/8 teaspoon baking soda"]')).toBeVisible();
  await expect(page.locator('input[value="3 teaspoons baking powder"]')).toBeVisible();
  await expect(page.getByText('Nothing is out of line')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await expect(page.getByRole('link', { name: 'Answer it on the Bench' })).toHaveCount(0);
});

test('a slip of the pen is found before any fix, mended by one tap, taken back, and can be meant', async ({ page }) => {
  await card(
    page,
    'Slip cakes\n3 kg flour\n520 g milk\n2 eggs\n30 g sugar\n12 g baking powder\n3 g salt\n40 g butter, melted',
  );
  const balance = page.getByRole('region', { name: 'Balance' });
  await expect(balance).toContainText('If line 1, “3 kg flour”, was 300 g flour, all 6 findings are gone');
  await expect(balance.getByRole('row', { name: /^Egg/ })).toHaveText('Egg3.3 %33 %');
  await axe(page);
  await balance.getByRole('button', { name: 'It is 300 g flour' }).click();
  await expect(page.locator('input[value="300 g flour"]')).toBeVisible();
  await expect(balance).toContainText('Nothing is out of line');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(balance).toContainText('If line 1');
  await balance.getByRole('button', { name: 'It is meant as it is written' }).click();
  await expect(balance).not.toContainText('If line 1');
  await expect(page.locator('input[value="3 kg flour"]')).toBeVisible();
});

const CARD =
  '1 1/2 cups flour\n1 tbsp sugar\n1 tbsp baking powder\n1/2 tsp salt\n1 cup milk\n1 egg\n2 tbsp butter, melted\n';

test('a banana card stays calm, and the rails say why', async ({ page }) => {
  await card(page, `Banana cakes\n${CARD}2 ripe bananas, mashed\n1/2 cup walnuts, chopped`);
  await expect(page.getByText('Nothing is out of line')).toBeVisible();
  const rails = page.getByRole('list', { name: 'Ratios' });
  await expect(rails.locator('[data-rail=sugar]')).toContainText(/With banana, 15 % more sugar is usual\./);
  await expect(rails.locator('[data-rail=water]')).toContainText(/bound in banana, and hardly thins/);
  await axe(page);
});

test('one that drowns in banana does not; and a line that is not read stands before all else', async ({ page }) => {
  await card(
    page,
    `Banana mush\n${CARD.replace('1 tbsp baking powder', '1 1/2 tsp baking powder')}4 ripe bananas, mashed`,
  );
  await expect(page.getByText(/Puree and soft fruit are 25\d % of the flour/)).toBeVisible();
  const rails = page.getByRole('list', { name: 'Ratios' });
  await page.getByLabel('Add a line').fill('1 cup moondust');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/"1 cup moondust" is not counted yet: no ratio is judged without it/)).toBeVisible();
  await expect(rails.locator('[data-rail=lift]')).toContainText('waits for an open line');
});

async function startCakes(page: Page): Promise<void> {
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Tall Sunday cakes', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
}

async function houseFries(page: Page, how: string): Promise<void> {
  await page.goto('/house#all');
  await choose(page, 'Fat in the pan', how);
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
}

test('a house that fries in butter and one that wipes: another mise, cue and cause', async ({ page }) => {
  await houseFries(page, 'butter');
  await startCakes(page);
  await expect(page.getByRole('button', { name: /^Butter for the pan/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Dish and spoon for the fat/ })).toBeVisible();
  await page.getByRole('link', { name: 'Griddle', exact: true }).click();
  await expect(page.getByText(/pour when it has stopped foaming/)).toBeVisible();
  await axe(page);
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  await page.getByRole('button', { name: 'Face, edge, taste, spread …' }).click();
  await page.getByRole('button', { name: 'spotted', exact: true }).click();
  const causes = page.getByRole('region', { name: 'Likely causes' });
  await expect(causes.getByRole('listitem').first()).toContainText('Too much fat in the pan');
  await expect(causes.getByRole('listitem').first()).toContainText('here: in the pan: butter');
  await axe(page);

  await houseFries(page, 'a little, wiped off again');
  await startCakes(page);
  await expect(page.getByRole('button', { name: /^Oil for the pan, a little/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Cloth or paper to wipe with/ })).toBeVisible();
  await page.getByRole('link', { name: 'Griddle', exact: true }).click();
  await expect(page.getByText(/a shine, no drop/)).toBeVisible();
  // today it is butter with oil all the same: noted, and the cue follows
  await choose(page, 'Fat in the pan', 'none, on a non-stick pan');
  await expect(page.getByText('Nothing in the pan: wipe it dry.')).toBeVisible();
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  await page.getByRole('button', { name: 'Face, edge, taste, spread …' }).click();
  await page.getByRole('button', { name: 'spotted', exact: true }).click();
  await expect(causes.getByRole('listitem').first()).toContainText('Fat not wiped even');
  await expect(causes.getByText('Too much fat in the pan')).toHaveCount(0);
});

test('begin from what there is: what uses it up, how far, and a plan that goes no further', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Begin from what there is' }).click();
  await page.getByLabel('On hand, with how much of it').fill('700 g of buttermilk, five eggs, one banana, moondust');
  await page.getByRole('button', { name: 'What uses it up?' }).click();
  await expect(page.getByText(/“moondust”/)).toBeVisible();
  const found = page.getByRole('region', { name: 'What uses it up' });
  const regatta = found.getByRole('listitem').filter({ hasText: 'Regatta griddle cakes' });
  await expect(regatta).toContainText('Uses all 700 g of cultured buttermilk');
  await expect(regatta).toContainText(/Gives \d+ griddle cakes of 60 ml/);
  await expect(regatta).toContainText('Needs besides: all-purpose wheat flour');
  await axe(page);
  await regatta.getByRole('link', { name: 'Plan it' }).click();
  await page.waitForURL(/plan\?all=buttermilk/);
  await expect(page.getByLabel('There is')).toHaveValue('700');
  // on the Bench, all there is is a bound of the formula
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Regatta griddle cakes', exact: true })
    .click();
  await page.getByRole('button', { name: /^More for .*buttermilk/ }).click();
  await page.getByRole('menuitem', { name: 'Set the rest by it' }).click();
  await page.getByLabel('All there is').fill('700');
  await page.getByRole('button', { name: 'Only note that there is no more' }).click();
  await expect(page.getByText(/there is only 700 g of it/)).toBeVisible();
  await page.getByRole('button', { name: /^All of it: 700 g/ }).click();
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal).toContainText(/It pours \d+ griddle cakes of 60 ml/);
  await proposal.getByRole('button', { name: /^Take/ }).click();
  await expect(page.getByText('all there is: 700 g')).toBeVisible();
});
