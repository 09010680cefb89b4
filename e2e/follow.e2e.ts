/** What another screen changes shows on this one without being asked for, and takes no half-typed word. */
import { expect, test } from './kitchen';

test('a count, a new batch, a tick of another screen show where somebody looks; a half-typed price stays', async ({
  page,
  context,
  kitchen,
}) => {
  await page.goto('/pantry/flour-rye');
  await page.getByLabel('A pack costs').fill('9.');
  const other = await context.newPage();
  await other.goto('/pantry/flour-rye');
  await other.getByRole('form', { name: 'On hand' }).getByLabel('Counted', { exact: true }).fill('1234');
  await other.getByRole('button', { name: 'Note the count' }).click();
  await expect(other.locator('[data-on-hand]')).toHaveText(/1.?234 g/);
  await expect(page.locator('[data-on-hand]')).toHaveText(/1.?234 g/);
  await expect(page.getByLabel('A pack costs')).toHaveValue('9.');

  // from beside the app, as a program writes
  const [{ id } = { id: '' }] = await kitchen.sql<{ id: string }>(
    "insert into sides (name, measure, parts, serving_g) values ('Seen elsewhere', 'weight', '[]', 10) returning id",
  );
  await other.goto('/sides');
  await expect(other.getByText('Seen elsewhere')).toBeVisible();
  await kitchen.sql("update sides set name = 'Seen at once' where id = $1", [id]);
  await expect(other.getByText('Seen at once')).toBeVisible();

  const [batch] = await kitchen.sql<{ id: string }>(
    'select id from batches where finished_at is null order by started_at limit 1',
  );
  await page.goto(`/batches/${batch?.id}/prep`);
  await other.goto(`/batches/${batch?.id}/prep`);
  const box = page.getByRole('checkbox').first();
  const was = await box.isChecked();
  await box.setChecked(!was, { force: true });
  await expect(other.getByRole('checkbox').first()).toBeChecked({ checked: !was });
  await other.close();
});

test('a draft of an older row comes back on the newer one: what was typed stays, the other fields follow', async ({
  page,
  browser,
  kitchen,
}) => {
  const context = await browser.newContext({ baseURL: kitchen.url });
  const mine = await context.newPage();
  await mine.goto('/pantry/flour-rye');
  // the page hears what is typed
  await expect(mine.getByRole('button', { name: 'Note it' })).toBeEnabled();
  await mine.getByLabel('A pack costs').fill('3.5');
  await mine.close();
  await page.goto('/pantry/flour-rye');
  await page.getByLabel('and holds').fill('2500');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('button', { name: 'Note it' })).toBeEnabled();
  await expect
    .poll(() => kitchen.sql('select pack_g as g from stock where ingredient_id = $1', ['flour-rye']))
    .toEqual([{ g: 2500 }]);
  const again = await context.newPage();
  await again.goto('/pantry/flour-rye');
  await expect(again.getByLabel('A pack costs')).toHaveValue('3.5');
  await expect(again.getByLabel('and holds')).toHaveValue('2500');
  await again.getByRole('button', { name: 'Note it' }).click();
  await expect
    .poll(() => kitchen.sql('select price, pack_g as g from stock where ingredient_id = $1', ['flour-rye']))
    .toEqual([{ price: 3.5, g: 2500 }]);
  await context.close();
});
