/** Recipes in and formulas out, by files of the open formats. */
import { readFileSync } from 'node:fs';
import { axe, expect, gramsBox, openKitchen, test } from './kitchen';

const FIXTURES = 'src/core/exchange/fixtures';
const file = (name: string, mimeType = '') => ({ name, mimeType, buffer: readFileSync(`${FIXTURES}/${name}`) });

test('a saved page dropped onto New formula becomes a formula', async ({ page }) => {
  await page.goto('/formulas/new');
  await expect(page.getByRole('button', { name: 'Read the card' })).toBeVisible();
  const data = await page.evaluateHandle(
    (html) => {
      const d = new DataTransfer();
      d.items.add(new File([html], 'towpath waffles.html', { type: 'text/html' }));
      return d;
    },
    readFileSync(`${FIXTURES}/saved-page.html`, 'utf8'),
  );
  await page.getByRole('region', { name: 'Paste a card' }).dispatchEvent('drop', { dataTransfer: data });
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(7);
  await expect(gramsBox(page, 'l5')).toHaveValue('305');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
});

test('a formula leaves as JSON-LD and comes back the same; one that is here already is said; files that are none are told apart', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'More of Regatta griddle cakes' }).click();
  await page.getByRole('menuitem', { name: 'Export …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Export Regatta griddle cakes' });
  await dialog.getByRole('combobox', { name: 'Format' }).selectOption('jsonld');
  await axe(page);
  const leaving = page.waitForEvent('download');
  await dialog.getByRole('link', { name: 'Download' }).click();
  const download = await leaving;
  expect(download.suggestedFilename()).toBe('Regatta-griddle-cakes.jsonld');
  const words = readFileSync(await download.path(), 'utf8');
  expect(JSON.parse(words)).toMatchObject({ '@type': 'Recipe', name: 'Regatta griddle cakes' });
  await dialog.getByLabel('Times as large').fill('nine');
  await expect(dialog.getByRole('alert')).toContainText('A number above 0');
  await page.keyboard.press('Escape');

  await page.goto('/formulas/new');
  await page.getByLabel('Choose files').setInputFiles([
    {
      name: 'regatta.jsonld',
      mimeType: 'application/ld+json',
      buffer: Buffer.from(words.replaceAll('Regatta griddle cakes', 'Regatta again')),
    },
    file('two-in-one.html', 'text/html'),
    file('no-recipe.html', 'text/html'),
    file('harbour.md'),
  ]);
  const list = page.getByRole('region', { name: 'What was read' });
  await expect(list.getByText('with all its settings')).toBeVisible();
  await expect(list.getByText('Here already, with the same lines: Regatta griddle cakes.')).toBeVisible();
  await expect(list.getByText('No recipe is marked in this page')).toBeVisible();
  await expect(list.getByRole('checkbox')).toHaveCount(4);
  await axe(page);
  await list.getByRole('checkbox').first().check();
  await list.getByRole('button', { name: 'Keep the 4 that are ticked' }).click();
  await expect(page.getByText('4 formulas in the kitchen')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Regatta again', exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Harbour oven pancake', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Taken back, all of them')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Regatta again', exact: true })).toHaveCount(0);
});

test('what is refused says why at its place, and leaves what was typed', async ({ page }) => {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill('2 cups flour');
  await page.getByLabel('Choose files').setInputFiles([file('cut-off.json', 'application/json')]);
  await expect(page.getByRole('alert').filter({ hasText: 'cut-off.json' })).toContainText('This is no whole JSON');
  await expect(page.getByLabel(/Paste a card, as it is/)).toHaveValue('2 cups flour');
  await page
    .getByLabel('Choose files')
    .setInputFiles([{ name: 'huge.html', mimeType: 'text/html', buffer: Buffer.alloc(10_500_000, 32) }]);
  await expect(page.getByRole('alert').filter({ hasText: 'huge.html' })).toContainText('larger than any page');
});

test('the whole kitchen leaves as one file, and comes back into an empty one started beside it', async ({
  page,
  browser,
}) => {
  await page.goto('/');
  const hrefs = await page.locator('main a[href]').evaluateAll((as) => as.map((a) => a.getAttribute('href') ?? ''));
  const formula = hrefs.find((h) => /^\/formulas\/[0-9a-f-]{36}$/.test(h)) ?? '';
  const batch = hrefs.find((h) => /^\/batches\//.test(h))?.slice(0, 45) ?? '';
  await page.goto('/premix');
  const lot = (await page.getByRole('link', { name: /^lot / }).first().getAttribute('href')) ?? '';
  await page.goto('/house/records');
  await expect(page.getByText('It is read back into an empty kitchen')).toBeVisible();
  const leaving = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download the whole kitchen' }).click();
  const archive = readFileSync(await (await leaving).path());
  await page.getByText('One table at a time').click();
  for (const name of [
    'Log',
    'Outcomes',
    'Taps on pieces',
    'Pantry',
    'Measures',
    'Sauces and sides',
    'Premixes',
    'Lots',
  ]) {
    const table = page.waitForEvent('download');
    await page.getByRole('region', { name: 'Import and export' }).getByRole('link', { name, exact: true }).click();
    expect(readFileSync(await (await table).path(), 'utf8')).toMatch(/^\uFEFF[^\n]+,[^\n]+\n/);
  }
  const beside = await openKitchen('blank', 'beside_the_first');
  const context = await browser.newContext({ baseURL: beside.kitchen.url, locale: 'en-GB' });
  try {
    const other = await context.newPage();
    await other.goto('/house/records');
    const place = other.getByLabel('Read a whole kitchen back');
    await place.setInputFiles([{ name: 'torn.zip', mimeType: 'application/zip', buffer: archive.subarray(0, 5000) }]);
    await expect(other.getByRole('alert').filter({ hasText: 'torn.zip' })).toContainText('only a part of a zip file');
    await place.setInputFiles([{ name: 'kitchen.zip', mimeType: 'application/zip', buffer: archive }]);
    await expect(other.getByText(/The kitchen is here: \d+ rows/)).toBeVisible();
    for (const path of [
      '/',
      '/log',
      formula,
      `${formula}/history`,
      `${batch}/plan`,
      `${batch}/outcome`,
      '/pantry',
      '/pantry/measures',
      '/premix',
      lot,
      '/sides',
      '/house',
    ]) {
      for (const p of [page, other]) await p.goto(path);
      const words = (p: typeof page): Promise<string | null> => p.locator('main').textContent();
      // what is worked out apart (ways to mend, what may be meant) and what scripts add come in when they are ready
      await expect(async () =>
        expect({ path, words: await words(other) }).toEqual({ path, words: await words(page) }),
      ).toPass();
    }
    await other.goto('/house/records');
    await expect(other.getByText('It is read back into an empty kitchen')).toBeVisible();
  } finally {
    await context.close();
    await beside.close();
  }
});
