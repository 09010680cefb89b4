/** npm run screenshots: one current picture of each main view, from the demo kitchen, into docs/screenshots. */
import { choose, test } from './kitchen';

const to = (name: string): string => `docs/screenshots/${name}.png`;

test('pictures of the main views', async ({ page }) => {
  test.setTimeout(120_000);
  const shoot = async (name: string): Promise<void> => {
    await page.mouse.move(0, 0);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(300);
    await page.screenshot({ path: to(name) });
  };
  await page.goto('/');
  await shoot('today');
  await page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }).click();
  await page.getByRole('region', { name: 'Balance' }).waitFor();
  await shoot('bench');
  await page.locator('[data-rail=egg] [role=slider]').focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('PageUp');
  await page.getByRole('region', { name: 'Proposal' }).waitFor();
  await shoot('bench-proposal');
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: /^Lift/ }).click();
  await page.locator('.recharts-line').first().waitFor({ state: 'attached' });
  await page.getByText('What standing costs').scrollIntoViewIfNeeded();
  await shoot('bench-lift');
  await page.getByRole('link', { name: 'Versions and comparing' }).click();
  await page.getByRole('button', { name: 'What changed since 1' }).click();
  await page.getByRole('table').waitFor();
  await shoot('versions');
  await page.goto('/pantry');
  await shoot('pantry');
  await page.goto('/pantry/measures');
  for (const [n, w] of [
    ['First', '139'],
    ['Second', '141'],
    ['Third', '143'],
  ] as const)
    await page.getByLabel(n).fill(w);
  await page.getByRole('region', { name: 'What it changes' }).waitFor();
  await shoot('measures');
  await page.goto('/house');
  await shoot('house');
  await page.goto('/formulas/new');
  await shoot('new-formula');
  await page.goto('/');
  await page.getByRole('listitem').filter({ hasText: 'Regatta griddle cakes' }).getByLabel('Make for').fill('84');
  await page.getByRole('button', { name: 'Make Regatta griddle cakes' }).click();
  await page.getByRole('region', { name: 'Sheet to mix from' }).waitFor();
  await choose(page, 'Make', 'for so many guests');
  await page.getByRole('radio', { name: 'in several' }).click();
  await choose(page, 'Alongside', 'Whipped honey butter');
  await page.evaluate(() => scrollTo(0, 0));
  await shoot('plan');
  await page.getByRole('radio', { name: 'kits for benches' }).click();
  await page.getByLabel('Guests').fill('6');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('link', { name: /^Kit labels/ }).waitFor();
  await shoot('kits');
  await page.getByRole('button', { name: 'Not made: put it back on the shelf' }).click();
  await page.goto('/sides');
  await shoot('sides');
  await page.goto('/premix');
  await page.getByRole('link', { name: 'Camp trailer corn mix' }).click();
  await page.getByRole('region', { name: 'As waffles' }).waitFor();
  await shoot('premix');
  await page.getByRole('region', { name: 'Lots' }).getByRole('row').nth(1).getByRole('link').click();
  await page.getByRole('region', { name: 'Use bags' }).waitFor();
  await shoot('lot');
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Weigh/ })
    .first()
    .click();
  await page.getByRole('checkbox').first().waitFor();
  await shoot('prep');
  await page.getByRole('radio', { name: 'one at a time' }).click();
  await page.getByLabel('What the scale shows').fill('24');
  await page.getByRole('region', { name: 'Too much' }).waitFor();
  await shoot('weigh-in');
  await page.getByRole('link', { name: 'Griddle', exact: true }).click();
  for (let n = 1; n <= 7; n++) {
    await page.getByRole('button', { name: `Poured: ${n}` }).click();
    await page.waitForTimeout(400);
  }
  await page.getByRole('button', { name: /^Place 1: piece 1/ }).click();
  await shoot('griddle');
  await page.getByRole('link', { name: 'Outcome' }).click();
  await page.getByRole('radio', { name: 'Good' }).click();
  await shoot('outcome');
  await page.goto('/log');
  await shoot('log');
});
