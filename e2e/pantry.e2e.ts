/** Measuring as this cook measures: own cups, own flours, tables of stock, and what they change on the other pages. */
import type { Page } from '@playwright/test';
import { axe, choose, chosen, expect, gramsBox, rail, test } from './kitchen';

const balance = (page: Page) => page.getByRole('region', { name: 'Balance' });
async function open(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name, exact: true }).click();
  await expect(balance(page)).toBeVisible();
}
async function weigh(page: Page, first: string, second: string, third: string): Promise<void> {
  await page.getByLabel('First').fill(first);
  await page.getByLabel('Second').fill(second);
  await page.getByLabel('Third').fill(third);
}

test('a cup is weighed, a known formula changes with it, and it is undone', async ({ page }) => {
  await open(page, 'Tall Sunday cakes');
  await expect(gramsBox(page, 'l1')).toHaveValue('375');
  const before = await rail(page, 'water');
  expect(before).toBe('152 %');
  await page.getByRole('link', { name: 'Pantry' }).click();
  await page.getByRole('link', { name: 'My measures' }).click();
  await expect(page.getByText('Three more to weigh.')).toBeVisible();
  await choose(page, 'Which measure', 'cup');
  await page.getByLabel('First').fill('nothing');
  await expect(page.getByText('A number of grams.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use mine from now on' })).toBeDisabled();
  await weigh(page, '139', '141', '143');
  const holds = page.getByRole('region', { name: 'What it holds' });
  await expect(holds).toContainText('Your cup holds 141 g of all-purpose wheat flour');
  await expect(holds).toContainText(
    'The table says 125 g: yours is 13 % heavier, nearest to a cup dipped and levelled',
  );
  const changes = page.getByRole('region', { name: 'What it changes' });
  await expect(changes).toBeVisible();
  // one that measures flour by the cup is taken first; another can be looked at
  await choose(page, 'Formula', "Juniors' small cakes");
  await expect(changes.getByRole('row', { name: /2 cups flour/ })).toContainText('250 g282 g');
  await choose(page, 'Formula', 'Tall Sunday cakes');
  await expect(changes.getByRole('row', { name: /3 cups flour/ })).toContainText('375 g423 g');
  await expect(changes.getByRole('row', { name: /Water/ })).toContainText('152 %135 %');
  // the weighings are still there after another formula was looked at
  await expect(page.getByLabel('Third')).toHaveValue('143');
  await axe(page);
  await page.getByRole('button', { name: 'Use mine from now on' }).dblclick();
  await expect(page.getByText('In use from now on')).toBeVisible();
  await page.getByRole('button', { name: 'Go back to how it was' }).click();
  await expect(page.getByText('As before. The weighings are kept, not in use.')).toBeVisible();
  await page.getByRole('button', { name: 'Use mine from now on' }).click();
  await expect(page.getByText('In use from now on')).toBeVisible();

  await open(page, 'Tall Sunday cakes');
  await expect(gramsBox(page, 'l1')).toHaveValue('423');
  expect(await rail(page, 'water')).toBe('135 %');
  await page.getByRole('radio', { name: 'Cups' }).click();
  await expect(page.getByRole('row', { name: /my own, as weighed \(now\)/ })).toContainText('423 g');

  await page.goto('/pantry/measures');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'cup of all-purpose wheat flour' })
    .getByRole('switch', { name: 'in use' })
    .click();
  await expect(page.getByText('Not in use: the table stands')).toBeVisible();
  await open(page, 'Tall Sunday cakes');
  await expect(gramsBox(page, 'l1')).toHaveValue('375');
  expect(await rail(page, 'water')).toBe(before);
});

test('by keyboard alone: two thirds of a ladle is weighed and offered as a portion', async ({ page }) => {
  await page.goto('/pantry/measures');
  // letters on a closed list pick from it, and go nowhere else
  await page.getByRole('combobox', { name: 'Which measure' }).focus();
  await expect(page.locator('[data-waking]')).toHaveCount(0);
  await page.keyboard.type('lad');
  await expect(chosen(page, 'Which measure')).toHaveText('ladle');
  await page.keyboard.press('Tab');
  await page.keyboard.type('green');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('combobox', { name: 'How full' })).toBeFocused();
  await page.keyboard.type('two');
  await expect(chosen(page, 'How full')).toHaveText('two thirds');
  await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'water' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio', { name: 'water' })).toBeChecked();
  for (const w of ['44.9', '45.1', '44.6']) {
    await page.keyboard.press('Tab');
    await page.keyboard.type(w);
  }
  await expect(page.getByRole('region', { name: 'What it holds' })).toContainText('Your 2/3 green ladle holds 45 ml');
  await page.keyboard.press('Enter');
  await expect(page.getByText('In use from now on')).toBeVisible();
  await open(page, 'Juniors’ small cakes'.replace('’', "'"));
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByRole('button', { name: '2/3 green ladle 45 ml' }).click();
  await expect(page.getByLabel('Portion')).toHaveValue('45');
  await page.goto('/pantry/measures');
  await page.getByRole('button', { name: 'Forget 2/3 green ladle of anything' }).click();
  await page.getByRole('button', { name: 'Forget it' }).click();
  await expect(page.getByText('green ladle')).toHaveCount(0);
  // taken back, it is as it was
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('green ladle').first()).toBeVisible();
});

test('an own flour is entered from a panel, used in a formula, priced, and its allergens told', async ({ page }) => {
  await page.goto('/pantry');
  await page.getByRole('link', { name: 'New ingredient' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Barge flour');
  await choose(page, 'The panel is for', 'a serving');
  await page.getByLabel('A serving is').fill('50');
  await page.getByLabel('Fat').fill('2');
  await page.getByLabel('Carbohydrate', { exact: true }).fill('63');
  await expect(
    page
      .getByText('Carbohydrate: 63 g can\u2019t be in a serving of 50 g.')
      .or(page.getByText("Carbohydrate: 63 g can't be in a serving of 50 g.")),
  ).toBeVisible();
  await page.getByLabel('Carbohydrate', { exact: true }).fill('36');
  await page.getByLabel('Protein').fill('6');
  await page.getByLabel('Energy', { exact: true }).fill('186');
  await page.getByLabel('Behaves most like').fill('plain flour');
  await page.getByRole('radio', { name: 'some' }).click();
  await page.getByRole('button', { name: 'wheat' }).click();
  await page.getByRole('button', { name: 'gluten' }).click();
  await axe(page);
  await page.getByRole('button', { name: 'Put it in the pantry' }).click();
  await expect(page).toHaveURL(/\/pantry\/own-barge-flour$/);
  const facts = page.getByRole('region', { name: 'What it is' });
  // per 100 g: fat 4, starch and sugars 72, protein 12, so 12 of water; salt was not on the packet
  await expect(facts).toContainText('Water12 g');
  await expect(facts).toContainText('Salt (NaCl)not known');
  const shelf = page.getByRole('form', { name: 'Packs and dates' });
  await shelf.getByLabel('A pack costs').fill('3');
  await shelf.getByLabel('and holds').fill('1,5 kg');
  await expect(shelf.getByText('€2.00 a kilogram.')).toBeVisible();
  await shelf.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('Noted')).toBeVisible();

  await page.goto('/formulas/new');
  await page
    .getByLabel(/Paste a card, as it is/)
    .fill('Barge cakes\n250 g barge flour\n25 g sugar\n10 g baking powder\n430 g milk\n2 eggs\n40 g butter, melted');
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(balance(page)).toBeVisible();
  await expect(gramsBox(page, 'l1')).toHaveValue('250');
  await expect(page.locator('[data-rail=salt]')).toContainText('part of it is not known');
  await expect(page.locator('[data-rail=egg]')).toContainText('in range');
  await page.getByRole('radio', { name: 'Cost' }).click();
  await page.getByText('What costs what').click();
  await expect(page.getByRole('region', { name: 'Cost' })).toContainText('Barge flour250 g€0.50');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('link', { name: 'A notice to print' }).click();
  const notice = page.getByRole('article', { name: 'Notice' });
  await expect(notice).toContainText('wheat in barge flour');
  await expect(notice).toContainText('traces can’t be ruled out');
  await axe(page);
  // taken out of the pantry its line asks again, and nothing on it is lost
  await page.goto('/pantry/own-barge-flour');
  await page.getByRole('button', { name: 'Delete …' }).click();
  await expect(page.getByRole('dialog')).toContainText('Barge cakes uses it');
  await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page).toHaveURL(/\/pantry$/);
  await open(page, 'Barge cakes');
  await expect(page.getByText('"barge flour" is not in the pantry.')).toBeVisible();
});

test('a thousand rows with three bad ones: nothing half done, then all of them', async ({ page }) => {
  const table = (bad: boolean): string =>
    [
      'name,category,fat_g,carbohydrate_g,protein_g,price,pack_g',
      ...Array.from(
        { length: 1000 },
        (_, n) =>
          `Barge flour ${n},flour,${bad && n === 9 ? 'lots' : 1},70,${bad && n === 99 ? 95 : 10},${bad && n === 999 ? -2 : 2},1000`,
      ),
    ].join('\n');
  const file = (bad: boolean) => ({ name: 'barge.csv', mimeType: 'text/csv', buffer: Buffer.from(table(bad)) });
  await page.goto('/pantry');
  const count = await page.getByRole('status').filter({ hasText: 'ingredients' }).textContent();
  await page.getByRole('link', { name: 'Import and export' }).click();
  await page.getByLabel('A CSV file').setInputFiles({
    name: 'photo.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 0, 1, 2]),
  });
  await expect(page.getByText(/photo\.csv: That is no table of text/)).toBeVisible();
  await page.getByLabel('A CSV file').setInputFiles(file(true));
  const read = page.getByRole('region', { name: 'What was read' });
  await expect(read).toContainText('997 rows read well');
  await expect(read).toContainText('3 do not. Nothing is taken in yet.');
  await expect(read.getByRole('row')).toHaveText([
    /Row/,
    /^11fat_g"lots" is no number/,
    /^101carbohydrate_gTogether that is 166 g/,
    /^1001price-2 is less than nothing/,
  ]);
  await axe(page);
  await page.goto('/pantry');
  await expect(page.getByRole('status').filter({ hasText: 'ingredients' })).toHaveText(count ?? '');
  await page.goto('/pantry/import');
  await page.getByLabel('A CSV file').setInputFiles(file(false));
  await page.getByRole('button', { name: 'Take all 1,000 in' }).dblclick();
  await expect(page.getByText('1,000 rows are in the pantry, 1,000 of them new ingredients.')).toBeVisible();
  await page.goto('/pantry');
  await expect(page.getByRole('status').filter({ hasText: 'ingredients' })).toHaveText(
    `${Number.parseInt(count ?? '', 10) + 1000} ingredients`,
  );
  await page.getByRole('searchbox', { name: 'Find an ingredient' }).fill('barge flour 77');
  await expect(page.getByRole('status').filter({ hasText: 'ingredients' })).toHaveText(/^19 of/);
  await page.getByRole('button', { name: 'Price, a kilogram' }).click();
  await expect(page.getByRole('columnheader', { name: 'Price, a kilogram' })).toHaveAttribute(
    'aria-sort',
    /ascending|descending/,
  );
  const download = page.waitForEvent('download');
  await page.goto('/pantry/import');
  await page.getByRole('link', { name: 'Download the pantry as CSV' }).click();
  expect((await download).suggestedFilename()).toBe('even-crumb-pantry.csv');
});

test('a splash is answered once for the kitchen; amounts that disagree are settled by a third', async ({ page }) => {
  await open(page, 'Grandstand banana cakes');
  await page.getByRole('button', { name: 'Say how much' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('a splash of whole milk is mostly 5 to 30 ml');
  await dialog.getByLabel('One splash').fill('0');
  await dialog.getByRole('button', { name: 'Remember it for this kitchen' }).click();
  await expect(dialog.getByText('A number, more than nothing.')).toBeVisible();
  await dialog.getByLabel('One splash').fill('20');
  await axe(page);
  await dialog.getByRole('button', { name: 'Remember it for this kitchen' }).click();
  await expect(dialog).toHaveCount(0);
  const splash = page.getByRole('listitem').filter({ has: page.locator('input[value^="a splash of milk"]') });
  // 20 ml of milk weigh 20.6 g, by eye a fifth less or a quarter more
  await expect(splash).toContainText('17 to 26');
  await page.getByRole('button', { name: 'Forget it again' }).click();
  await expect(page.getByRole('button', { name: 'Say how much' })).toBeVisible();
  await page.getByRole('button', { name: 'Say how much' }).click();
  await dialog.getByLabel('One splash').fill('12');
  await dialog.getByRole('button', { name: 'Only on this line' }).click();
  await expect(
    page
      .getByRole('textbox', { name: 'Line on the card' })
      .filter({ hasText: '' })
      .and(page.locator('[value$="(12 ml)"]')),
  ).toBeVisible();

  await open(page, 'Old tea-hut card');
  await page.getByRole('button', { name: 'Which stands?' }).click();
  await expect(dialog.getByRole('region', { name: 'The weight' })).toContainText('120 % below');
  await expect(dialog.getByRole('region', { name: 'The measure' })).toContainText('250 g');
  await expect(dialog.getByRole('region', { name: 'The measure' })).toContainText('Nothing is out of line');
  const third = dialog.getByRole('region', { name: 'A third amount' });
  await expect(third.getByRole('button', { name: 'Write that' })).toBeDisabled();
  await third.getByLabel('Grams').fill('270');
  await expect(third).toContainText('Water');
  await axe(page);
  await third.getByRole('button', { name: 'Write that' }).click();
  await expect(page.locator('[value="270 g flour"]')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Which stands?' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Which stands?' })).toBeVisible();
});

test('the house in ounces, Fahrenheit and on a mountain: every page follows at once', async ({ page }) => {
  await page.goto('/house#all');
  await choose(page, 'Weights', 'ounces');
  await choose(page, 'Temperatures', 'Fahrenheit, °F');
  await choose(page, 'Tablespoon', 'Australian, 20 ml');
  await page.getByLabel('Altitude, metres').fill('1600');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/gas takes 1\.21 times the room .* water boils near 202 °F/)).toBeVisible();
  await page.getByLabel('Altitude, metres').fill('9000');
  await expect(page.getByText('At most 5000 m.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add one' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('dialog').getByText('Give it a name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await axe(page);
  await open(page, 'Tall Sunday cakes');
  // 375 g of flour; six Australian tablespoons of butter are 120 ml
  await expect(page.getByLabel('Ounces of 3 cups flour')).toHaveValue('13.2');
  await expect(page.getByLabel('Ounces of 6 tablespoons butter, melted')).toHaveValue('4.06');
  // a tall cake's 0.50 to 1.70 g, where gas takes 1.21 times the room
  await expect(page.locator('[data-rail=lift]')).toContainText('0.41');
  await page.getByLabel('Ounces of 3 cups flour').fill('16');
  await page.keyboard.press('Enter');
  await expect(page.locator('[value="453.6 g flour"]')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText(/13\.\d oz \(3\d\d g\)/);
  await page.getByRole('radio', { name: 'Get out and buy' }).click();
  await expect(page.getByRole('region', { name: 'For this batch' })).toContainText('oz on hand');
  await axe(page);
});

test('the take-out list adds up what is under way, and buys what is short', async ({ page }) => {
  await page.goto('/pantry/take-out');
  const butter = page.getByRole('row', { name: /^Unsalted butter/ });
  await expect(butter).toContainText('Regatta griddle cakes, batter');
  await expect(butter).toContainText('Lock-side crepes, for the pan as needed');
  await expect(page.getByRole('row', { name: /^Cultured buttermilk/ })).toContainText(/\sg on hand, .* short.*cartons/);
  await axe(page);
});

test('people of the kitchen: added by keys alone, changed, offered where somebody signs, erased; nobody twice', async ({
  page,
}) => {
  await page.goto('/house#all');
  const people = page.getByRole('region', { name: 'People', exact: true });
  await expect(people.getByLabel('Somebody new')).toBeVisible();
  await people.getByLabel('Somebody new').focus();
  await page.keyboard.press('Enter');
  await expect(people.getByRole('alert')).toHaveText('A first name or nickname.');
  await page.keyboard.type('Hazel');
  await page.keyboard.press('Enter');
  const list = people.getByRole('list', { name: 'People of the kitchen' });
  const there = ['Pip', 'Skipper', 'Tiller', 'Wren'];
  await expect(list.getByRole('heading')).toHaveText(['Hazel', ...there]);
  await people.getByLabel('Somebody new').fill('hazel');
  await page.keyboard.press('Enter');
  await expect(people.getByRole('alert')).toHaveText('There is a hazel already.');
  await people.getByLabel('Somebody new').fill('Wren of the long landing stage by the lock');
  await people.getByLabel('Takes part').last().selectOption('leads');
  await people.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(list.getByRole('listitem')).toHaveCount(6);
  await axe(page);
  const part = page.getByRole('group', { name: 'Hazel' }).getByLabel('Takes part');
  await part.selectOption('cooks');
  await expect(part).toHaveValue('cook');
  await page.reload();
  await expect(part).toHaveValue('cook');
  // every page offers them where a name is asked
  expect(
    await page.locator('datalist option').evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value)),
  ).toEqual(['Hazel', ...there, 'Wren of the long landing stage by the lock'.slice(0, 40)]);
  await list.getByRole('button', { name: /^Erase.*Hazel/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Erase/ })
    .click();
  await expect(list.getByRole('listitem')).toHaveCount(5);
});
