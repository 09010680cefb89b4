/** What a kitchen has learned: a width switched on and followed by the Bench, and a foretelling held against its outcome. */
import type { Page } from '@playwright/test';
import { axe, expect, start, test } from './kitchen';

const REGATTA = 'Regatta griddle cakes';

/** Opens the plan of a formula of the demo, for twelve. */
async function plan(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: REGATTA, exact: true }).first().click();
  await page.waitForURL(/formulas\/[0-9a-f-]{36}/);
  await page.goto(`${new URL(page.url()).pathname}/plan?pieces=12`);
  await expect(page.getByRole('region', { name: 'Foretold' })).toContainText('across');
}
/** The width that a plan foretells, cm. */
async function foretoldCm(page: Page): Promise<number> {
  await plan(page);
  return Number(/([\d.]+) cm/.exec((await page.getByRole('region', { name: 'Foretold' }).textContent()) ?? '')?.[1]);
}

/** From a plan to the Bench: how wide one of its portions lies there, to the whole cm. */
async function benchCm(page: Page): Promise<number> {
  await page.getByRole('button', { name: 'Back to the bench' }).click();
  await page.getByText('How it lies, and what a little more would do').click();
  const lies = page.getByText(/One lies about \d+ cm wide/).first();
  await expect(lies).toBeVisible();
  return Number(/about (\d+) cm/.exec((await lies.textContent()) ?? '')?.[1]);
}

test('a learned width is switched on, a plan and the Bench follow it, and switched off they are as before', async ({
  page,
}) => {
  const before = await foretoldCm(page);
  const onBench = await benchCm(page);
  await page.goto('/house');
  await page.getByRole('link', { name: 'What was learned' }).click();
  const width = page.getByRole('region', { name: 'How wide a cake lies' });
  await expect(width).toContainText(/\d+ % wider/);
  await axe(page);
  await width.getByRole('switch').click();
  await expect(width).toContainText('in use');
  const wider = await foretoldCm(page);
  expect(wider / before).toBeGreaterThan(1.05);
  expect(await benchCm(page)).toBeGreaterThan(onBench);

  await page.goto('/house/learned');
  await expect(width.getByRole('switch')).toBeChecked();
  // a batch that is set aside counts no more
  await width.getByText('What each batch said').click();
  const batches = await width.getByRole('listitem').count();
  await width
    .getByRole('button', { name: /^Set aside: / })
    .first()
    .click();
  await expect(width.getByRole('button', { name: /^Count again: / })).toHaveCount(1);
  await expect(width.getByRole('listitem')).toHaveCount(batches);
  await width.getByRole('button', { name: /^Count again: / }).click();
  await expect(width.getByRole('button', { name: /^Count again: / })).toHaveCount(0);
  await width.getByRole('switch').click();
  await expect(width.getByRole('switch')).not.toBeChecked();
  expect(await foretoldCm(page)).toBe(before);
});

test('the places that taps drew give each place its own time at the griddle', async ({ page }) => {
  await page.goto('/house/learned');
  const long = page.getByRole('region', { name: 'Hot and cool places: Long griddle' });
  await expect(long.getByRole('img')).toHaveAccessibleName(/row by row from the back left: \+\d+ %/);
  await long.getByRole('switch').click();
  await expect(page.getByText('used from now on').first()).toBeVisible();
  await plan(page);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  const batch = await start(page);
  await page.goto(`${batch}/griddle`);
  await expect(page.getByText(/Place \d+ takes \d+ % longer than place \d+: pour it first/)).toBeVisible();
});

test('what was foretold is kept as the batch is begun, and held against what came of it', async ({ page }) => {
  await plan(page);
  const told = (await page.getByRole('region', { name: 'Foretold' }).textContent()) ?? '';
  const wide = /across, ([\d.]+) to ([\d.]+) cm/.exec(told);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  const batch = await start(page);
  await page.goto(`${batch}/outcome`);
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await page.getByText('Measured: height, across').click();
  await page.getByLabel('Across').fill(String(Math.round(10 * Number(wide?.[2]) + 20)));
  await page.getByLabel('Pieces that came out').fill('12');
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await page.waitForURL(/log/);
  await page.goto(`${batch}/outcome`);
  const seen = page.getByRole('region', { name: 'Foretold and seen' });
  await expect(seen).toContainText('1 of 2 in range');
  await expect(seen).toContainText(`foretold ${wide?.[1]} to ${wide?.[2]} cm: wider than foretold`);
  await seen.getByRole('link', { name: 'What this kitchen has learned' }).click();
  await expect(page.getByRole('heading', { name: 'What this kitchen has learned' })).toBeVisible();
});
