/** The database, or the whole server, away for a while: said, nothing lost, and on it goes. */
import { axe, choose, expect, test } from './kitchen';

test.afterEach(({ kitchen }) => kitchen.startServer());

test('a page without its records says so and comes back by itself', async ({ page, kitchen }) => {
  // the interface reads in the house's conventions, and remembers them while the records are away
  expect((await page.request.post('/api/v1/read', { data: { text: '1 cup flour' } })).status()).toBe(200);
  await kitchen.away();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'The kitchen’s records are out of reach' })).toBeVisible();
  await axe(page);
  const health = await page.request.get('/api/health');
  expect(health.status()).toBe(503);
  expect(await health.json()).toEqual({ status: 'degraded', database: 'away' });
  const read = await page.request.post('/api/v1/read', { data: { text: '1 cup flour' } });
  expect(read.status()).toBe(200);
  await expect(page.getByRole('button', { name: 'Look again now' })).toBeVisible();
  await kitchen.back();
  await expect(page.getByRole('region', { name: 'Formulas' })).toBeVisible();
});

test('a save while the database is away is refused, kept, and goes in later', async ({ page, kitchen }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Cloud cakes' }).click();
  await page.getByRole('textbox', { name: 'Line as written' }).first().fill('210 g cake flour');
  await kitchen.away();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The records are out of reach just now.', { exact: false })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Line as written' }).first()).toHaveValue('210 g cake flour');
  await kitchen.back();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
});

test('ticks made while the server is gone survive a reload and catch up', async ({ page, kitchen, expected }) => {
  // what was on its way when the server went comes in halves
  expected.push(/net::ERR_(?:CONNECTION_|SOCKET_NOT_CONNECTED|INCOMPLETE_CHUNKED)|Failed to fetch/);
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Weigh/ })
    .first()
    .click();
  await expect(page.getByText('4 of 8 still to weigh')).toBeVisible();
  await kitchen.stopServer();
  await page.getByRole('checkbox', { name: /Baking soda/ }).check({ force: true });
  await expect(page.getByText('What you did is kept in this browser', { exact: false })).toBeVisible();
  await expect(page.getByText('3 of 8 still to weigh')).toBeVisible();
  await kitchen.startServer();
  await expect(page.getByText('What you did is kept in this browser', { exact: false })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /Baking soda/ })).toBeChecked();
  // told while the records are away, and the screen left: it goes in from whichever page is open
  expected.push(/503/);
  await kitchen.away();
  await page.getByRole('checkbox', { name: /buttermilk/ }).check({ force: true });
  await expect(page.getByText('The records are out of reach just now.', { exact: false })).toBeVisible();
  const prep = page.url();
  await page.goto('/log');
  await kitchen.back();
  await page.waitForFunction(() => !Object.keys(localStorage).some((k) => k.startsWith('even-crumb:book')));
  await page.goto(prep);
  await expect(page.getByRole('checkbox', { name: /buttermilk/ })).toBeChecked();
});

test('a premix, a lot and a plan while the records are away: refused, kept as typed, and once each when they are back', async ({
  page,
  kitchen,
}) => {
  const refused = page.getByRole('alert').filter({ hasText: 'The records are out of reach just now.' });
  const twice = async (press: () => Promise<void>): Promise<void> => {
    await kitchen.away();
    await press();
    await expect(refused).toBeVisible();
    await kitchen.back();
    await press();
  };
  await page.goto('/premix/new');
  await choose(page, 'The dry side of', 'Iron-shed waffles');
  await page.getByLabel('Name').fill('Waffle bags');
  await twice(() => page.getByRole('button', { name: 'Keep this premix' }).click());
  await page.waitForURL(/premix\/[0-9a-f-]{36}/);
  await expect(page.getByRole('heading', { name: 'Waffle bags' })).toBeVisible();

  const form = page.getByRole('form', { name: 'Make a lot' });
  await form.getByLabel('Bags').fill('3');
  await form.getByRole('switch', { name: 'take it from stock' }).click();
  await twice(() => form.getByRole('button', { name: 'Put this lot in the book' }).click());
  await page.waitForURL(/premix\/lots\//);
  await expect(page.getByRole('region', { name: 'Bags', exact: true })).toContainText('3 left');

  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Lock-side crepes', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByLabel('Pieces').fill('31');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await twice(() => page.getByRole('button', { name: 'Start this batch' }).click());
  await page.waitForURL(/prep/);
  await page.goto('/');
  await expect(page.getByText(/^31 pieces, begun/)).toHaveCount(1);
});

test('a price, a count, a sauce’s method and the house, typed while the records are away: still there after a reload, and kept once', async ({
  page,
  kitchen,
  expected,
}) => {
  expected.push(/503/);
  const away = page.getByText('The records are out of reach just now.', { exact: false }).first();
  /** Typed, refused, read again from the browser, and kept. */
  const over = async (
    type: () => Promise<void>,
    press: () => Promise<void>,
    stands: () => Promise<void>,
  ): Promise<void> => {
    await type();
    await kitchen.away();
    await press();
    await expect(away).toBeVisible();
    await kitchen.back();
    await page.reload();
    await stands();
    await press();
  };
  await page.goto('/pantry/flour-rye');
  const pack = page.getByRole('form', { name: 'Packs and dates' });
  await pack.getByLabel('and holds').fill('1000');
  await over(
    () => pack.getByLabel('A pack costs').fill('3.75'),
    () => pack.getByRole('button', { name: 'Note it' }).click(),
    () => expect(pack.getByLabel('A pack costs')).toHaveValue('3.75'),
  );
  await expect(page.getByText('Noted', { exact: true })).toBeVisible();
  expect(await kitchen.sql("select price::float8 as price from stock where ingredient_id = 'flour-rye'")).toEqual([
    { price: 3.75 },
  ]);

  await page.goto('/sides/new');
  await page.getByLabel('Name').fill('Away butter');
  await page.getByLabel('One person has').fill('15');
  await page.getByRole('combobox', { name: 'Part 1' }).fill('honey');
  await page.getByRole('textbox', { name: 'Parts', exact: true }).first().fill('1');
  await over(
    () => page.getByLabel('How it is made').fill('Beaten while nobody answered.'),
    () => page.getByRole('button', { name: 'Keep it' }).click(),
    () => expect(page.getByLabel('How it is made')).toHaveValue('Beaten while nobody answered.'),
  );
  await page.waitForURL(/\/sides$/);
  expect(await kitchen.sql("select method from sides where name = 'Away butter'")).toEqual([
    { method: 'Beaten while nobody answered.' },
  ]);
  // kept, it is no draft any more
  await page.goto('/sides/new');
  await expect(page.getByLabel('Name')).toHaveValue('');

  await page.goto('/house');
  const clock = page.getByLabel('Times of day');
  const now = await clock.inputValue();
  const other = now === '24' ? '12' : '24';
  await kitchen.away();
  await clock.selectOption(other);
  await expect(away).toBeVisible();
  await kitchen.back();
  await page.reload();
  await expect(clock).toHaveValue(other);
  await expect(page.getByText('it stands in this browser alone')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it now' }).click();
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
  await page.reload();
  await expect(clock).toHaveValue(other);
  await expect(page.getByText('it stands in this browser alone')).toHaveCount(0);
});
