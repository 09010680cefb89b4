/** The weigh-in: one ingredient at a time, by hand and by a scale, with an over-pour that is kept. */
import type { Page } from '@playwright/test';
import { axe, expect, test, toWeighIn } from './kitchen';

test.afterEach(({ kitchen }) => kitchen.startServer());

async function started(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('region', { name: 'Formulas' }).getByRole('link', { name, exact: true }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByLabel('Pieces').fill('12');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await toWeighIn(page);
  await page.getByRole('radio', { name: 'one at a time' }).click();
}

test('flour over-poured by hand, kept, the rest worked anew; a reload loses nothing; the real ratios at the end', async ({
  page,
  kitchen,
  expected,
}) => {
  await started(page, 'Tall Sunday cakes');
  const weighIn = page.getByRole('region', { name: 'Weigh-in' });
  const shows = page.getByLabel('What the scale shows');
  await expect(weighIn.getByRole('heading', { name: 'All-purpose wheat flour' })).toBeVisible();
  await expect(shows).toBeFocused();
  await shows.fill('much');
  await expect(page.getByText('Write a number of grams.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'That is in: next' })).toBeDisabled();
  await shows.fill('300');
  await expect(page.getByText('34 g to go')).toBeVisible();
  await shows.fill('367');
  // a tenth too much: all the rest would be a tenth more
  const over = page.getByRole('region', { name: 'Too much' });
  await expect(over.getByRole('heading', { name: '33 g too much' })).toBeVisible();
  await expect(over.getByRole('listitem').filter({ hasText: 'Cultured buttermilk' })).toContainText('327 g → 359 g');
  await axe(page);
  // with the records away the tick waits, and behind it the rest worked anew
  expected.push(/503/);
  await kitchen.away();
  await over.getByRole('button', { name: 'Keep it, and work the rest anew' }).click();
  await expect(weighIn.getByRole('heading', { name: 'Granulated sugar' })).toBeVisible();
  await expect(weighIn.getByText('Kept in this browser', { exact: false })).toBeVisible();
  await expect(weighIn).not.toContainText('planned 59 g');
  await kitchen.back();
  await expect(weighIn).toContainText('planned 59 g');
  await page.reload();
  await expect(weighIn.getByRole('heading', { name: 'Granulated sugar' })).toBeVisible();
  await expect(page.getByText('9 of 10 still to weigh')).toBeVisible();

  // short: asked once more, and no key passes it
  await shows.fill('50');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Go on, 15 g short/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(weighIn.getByRole('heading', { name: 'Granulated sugar' })).toBeVisible();
  await page.getByRole('button', { name: /^Go on, 15 g short/ }).click();
  await expect(weighIn.getByRole('heading', { name: /^Baking powder/ })).toBeVisible();
  // the one before once more
  await page.getByRole('button', { name: 'Granulated sugar again' }).click();
  await shows.fill('65');
  await page.keyboard.press('Enter');
  for (let n = 0; n < 8; n++) {
    const target =
      /^([\d.\s]+) g/.exec(
        ((await weighIn.locator('strong').first().textContent()) ?? '').replace(/\u202f/g, ''),
      )?.[1] ?? '';
    const name = (await weighIn.getByRole('heading', { level: 2 }).textContent()) ?? '';
    await shows.fill(target);
    await page.keyboard.press('Enter');
    if (n < 7) await expect(weighIn.getByRole('heading', { level: 2 })).not.toHaveText(name);
  }
  await expect(page.getByText('✓ All 10 weighed.')).toBeVisible();
  // as much of everything: the ratios are as planned
  const real = page.getByRole('region', { name: 'What really went in' });
  await expect(real.getByRole('listitem').filter({ hasText: 'Water' })).toContainText('in range');
  await axe(page);
  await page.getByRole('radio', { name: 'Weigh in' }).click();
  await page.getByRole('radio', { name: 'all lines' }).click();
  await expect(page.getByRole('checkbox', { name: /All-purpose wheat flour/ })).toBeChecked();
  await expect(page.getByText('went in: 367 g')).toBeVisible();
});

test('by the practice scale: poured, tared, next; unplugged it says so, and typing goes on', async ({ page }) => {
  await started(page, 'Lock-side crepes');
  await page.getByRole('button', { name: 'Try it with a practice scale' }).click();
  const scale = page.getByRole('region', { name: 'Practice scale' });
  await scale.getByRole('button', { name: 'clear the plate' }).click();
  await scale.getByRole('button', { name: 'tare' }).click();
  await scale.getByRole('button', { name: 'pour the target' }).click();
  await expect(page.getByText('✓ close enough')).toBeVisible();
  const heading = page.getByRole('region', { name: 'Weigh-in' }).getByRole('heading', { level: 2 });
  const first = (await heading.textContent()) ?? '';
  await axe(page);
  await page.getByRole('button', { name: 'That is in: next' }).click();
  await expect(heading).not.toHaveText(first);
  // the plate is tared for the next: nothing of it is in yet
  await expect(page.getByText(/to go/)).toBeVisible();
  await scale.getByRole('button', { name: 'pull the plug' }).click();
  await expect(page.getByText('The scale does not answer. Type what it shows, and go on.')).toBeVisible();
  await page.getByLabel('What the scale shows').fill('1');
  await expect(page.getByText(/to go/)).toBeVisible();
  await scale.getByRole('button', { name: 'plug it in' }).click();
  await expect(page.getByText('The scale does not answer.', { exact: false })).toHaveCount(0);
  const bad = await page.request.post('/api/scale', { data: { do: 'pour', grams: -4 } });
  expect(bad.status()).toBe(400);
  await page.getByRole('button', { name: 'Put the practice scale away' }).click();
});
