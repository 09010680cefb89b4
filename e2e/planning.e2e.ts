/**
 * Planning: for so many people in cups and spoons, in bowls and kits, what is on hand used up, and a drawer that lacks
 * a cup.
 */
import type { Page } from '@playwright/test';
import { axe, choose, DAY_AHEAD, DAY_AHEAD_SHORT, expect, pdf, test, toWeighIn } from './kitchen';

async function plan(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('region', { name: 'Formulas' }).getByRole('link', { name, exact: true }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
}

test('84 guests from a card for twelve, in cups and spoons, started and on the sheet', async ({ page }) => {
  await plan(page, 'Tall Sunday cakes');
  await choose(page, 'Make', 'for so many people');
  await page.getByLabel('Guests').fill('84');
  await page.getByLabel('Pieces each').fill('2');
  // 168 and a tenth for seconds, one to test with
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  await expect(sheet).toContainText('185 griddle cakes of 80 ml and one to test');
  await page.getByLabel('And for seconds').fill('');
  await expect(page.getByRole('alert').filter({ hasText: 'Seconds: write a number' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();
  await page.getByLabel('And for seconds').fill('0');
  await page.getByRole('switch', { name: 'a test piece first, not counted' }).click();
  await expect(sheet).toContainText('168 griddle cakes of 80 ml;');

  await page.getByRole('radio', { name: 'cups and spoons' }).click();
  await expect(page.getByText('Chosen together from your cups and spoons')).toBeVisible();
  const flour = sheet.getByRole('listitem').filter({ hasText: 'All-purpose wheat flour' });
  // 37 cups no hand bears: the flour is weighed, the rest as the drawer has it
  await expect(flour).toContainText(/4\s?\d{3} g/);
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Baking soda' })).toContainText('tbsp');
  await expect(page.getByText('That is many cups')).toBeVisible();
  await axe(page);

  // whole eggs: weighed, kept whole with the rest balanced anew, or another size, one press away
  await expect(page.getByRole('radio', { name: /whole, re-balance the rest/ })).toBeVisible();
  await page.getByRole('button', { name: '38 eggs' }).click();
  await expect(page.getByLabel('Times')).toHaveValue('12.6667');
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Large egg' })).toContainText('38 eggs');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await toWeighIn(page);
  await expect(page.getByRole('checkbox', { name: /38 eggs/ })).toBeVisible();
});

test('what there is of buttermilk is used up; a drawer without its smallest spoon takes the next', async ({ page }) => {
  await plan(page, 'Tall Sunday cakes');
  await choose(page, 'Make', 'all there is of one thing');
  await choose(page, 'Of', 'Cultured buttermilk');
  await page.getByLabel('There is').fill('700');
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  await expect(sheet.getByRole('listitem').filter({ hasText: 'Cultured buttermilk' })).toContainText('700 g');

  // two small cakes: an eighth of a teaspoon of vanilla, while the drawer has one
  const vanilla = sheet.getByRole('listitem').filter({ hasText: 'Vanilla extract' });
  const two = async (vanillaIs: string): Promise<void> => {
    await choose(page, 'Make', 'so many pieces');
    await page.getByLabel('Pieces').fill('2');
    await page.getByRole('radio', { name: 'cups and spoons' }).click();
    await expect(vanilla).toContainText(vanillaIs);
  };
  await two('1/8 tsp');
  const tap = async (): Promise<void> => {
    await page.goto('/house#all');
    const saved = page.waitForResponse((r) => r.request().method() === 'POST');
    await page
      .getByRole('toolbar', { name: 'Our cups and spoons' })
      .getByRole('button', { name: '1/8 tsp', exact: true })
      .click();
    await saved;
  };
  await tap();
  await plan(page, 'Tall Sunday cakes');
  await two('1/4 tsp');
});

const SIX = `Six slow cakes

200 g flour
20 g sugar
8 g baking powder
3 g salt
300 g milk
1 egg
30 g butter, melted
oil for the pan

Makes 6`;

test('84 guests from a six-piece card: bowls and waves, a sauce for all, on a printed sheet with its shopping list', async ({
  page,
}) => {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(SIX);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await expect(page).toHaveURL(/formulas\/[0-9a-f-]{36}/);
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await choose(page, 'Make', 'for so many people');
  await page.getByLabel('Guests').fill('84');
  await page.getByLabel('Pieces each').fill('3');
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  await expect(sheet).toContainText('278 griddle cakes of 60 ml and one to test');
  // 278 and one of 60 ml are 16.74 l, and what stays on the tools
  await expect(page.getByText(/in one bowl is more than/)).toBeVisible();
  await expect(
    page.getByText(/The card itself claims 6: it pours \d+ of 60 ml; its 6 would be of \d+ ml each\./),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'in several' }).click();
  const bowls = page.getByRole('region', { name: 'Bowls' });
  await expect(bowls).toContainText(/\d mixes of [\d\s]+ g/);
  await bowls.getByLabel('Equal mixes').fill('6');
  await bowls.getByLabel('Good for').fill('20');
  await bowls.getByLabel('Off the heat').fill('4');
  // a sixth is 46.5 pieces, 11.6 minutes: one at a time is all that twenty minutes take
  await expect(bowls).toContainText('one at a time, 6 waves about 12 min apart');
  await expect(sheet).toContainText('The bowls below are one mix: weigh it 6 times');
  await bowls.getByLabel('Good for').fill('');
  await bowls.getByLabel('Off the heat').focus();
  await expect(bowls.getByLabel('Good for')).toHaveValue('60');

  await choose(page, 'Sauces and sides', 'Towpath blueberry sauce');
  const blue = sheet.getByRole('listitem').filter({ hasText: 'Blueberries' });
  await expect(blue).toContainText('2 537 g'.replace(' ', '\u2009'));
  await page.getByLabel('People for Towpath blueberry sauce').fill('40');
  await expect(blue).toContainText('1 208 g'.replace(' ', '\u2009'));
  await page.getByLabel('People for Towpath blueberry sauce').fill('forty');
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();
  await page.getByLabel('People for Towpath blueberry sauce').fill('84');
  await expect(page.getByText(/^Short in stock: .*Whole milk/)).toBeVisible();
  await axe(page);

  // not taken from the shelf, so that other jobs find theirs; two presses are one batch
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).dblclick();
  await page.waitForURL(/batches\/[0-9a-f-]{36}\/prep/);
  await toWeighIn(page);
  await expect(page.getByRole('radio', { name: 'mix 6' })).toBeVisible();
  await page.getByRole('checkbox').first().check({ force: true });
  await page.getByRole('radio', { name: 'mix 2' }).click();
  await expect(page.getByRole('checkbox').first()).not.toBeChecked();
  await axe(page);
  await page.goto('/log');
  await expect(page.getByRole('link', { name: /^Six slow cakes/ })).toHaveCount(1);
  await page.goBack();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(sheet).toContainText('6 equal mixes of');
  await axe(page);
  for (const what of ['Sheet as PDF', 'Shopping list']) {
    const to = await page.getByRole('link', { name: new RegExp(`^${what}`) }).getAttribute('href');
    // one page each, and the waves on one of their own
    expect(await pdf(page, to ?? '')).toBe(what === 'Shopping list' ? 2 : 1);
  }
  await expect(page.getByRole('link', { name: /^Kit labels/ })).toHaveCount(0);
});

test('kits for four benches: a dry bag and a wet tub each, taken off the shelf and put back', async ({ page }) => {
  await plan(page, 'Regatta griddle cakes');
  await page.getByLabel('Pieces').fill('10');
  await page.getByRole('radio', { name: 'kits for several cooks' }).click();
  await page.getByLabel('Benches').fill('61');
  await expect(page.getByText('At most 60 kits at a time.')).toBeVisible();
  await page.getByLabel('Benches').fill('4');
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText(
    '4 kits; each 10 griddle cakes of 60 ml',
  );
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await toWeighIn(page);
  await expect(page.getByRole('radio', { name: 'bench 4' })).toBeVisible();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  const off = page.getByRole('region', { name: 'From stock' });
  await expect(off).toContainText('Taken from stock:');
  const labels = await page.getByRole('link', { name: /^Kit labels/ }).getAttribute('href');
  // eight labels are one page
  expect(await pdf(page, labels ?? '')).toBe(1);
  await off.getByRole('button', { name: 'Not made: put it back into stock' }).click();
  await expect(off).toHaveCount(0);
});

test('a butter by parts: kept, found wrong at its place, changed, taken out', async ({ page }) => {
  await page.goto('/sides');
  await expect(page.getByRole('row')).toHaveCount(9);
  await axe(page);
  await page.getByRole('link', { name: 'New sauce or butter' }).click();
  await page.getByLabel('Name').fill('Cinnamon SUGAR');
  await page.getByLabel('One person has').fill('15');
  await page.getByRole('combobox', { name: 'Part 1' }).fill('unsalted butter');
  await page.getByRole('textbox', { name: 'Parts' }).first().fill('1');
  await page.getByRole('combobox', { name: 'Part 2' }).fill('unicorn');
  await page.getByRole('textbox', { name: 'Parts' }).nth(1).fill('1');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Not in the pantry, or more than one thing.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Part 2' }).fill('honey');
  await page.getByRole('radio', { name: 'by volume' }).click();
  // equal by volume is not equal by weight
  await expect(page.getByText('40 % by weight, 50 % by volume')).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('There is one of that name already.').first()).toBeVisible();
  await page.getByLabel('Name').fill('Honey butter, equal parts');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('link', { name: 'Honey butter, equal parts' }).click();
  await page.getByRole('button', { name: 'Delete …' }).click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByRole('link', { name: 'Cinnamon sugar' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Honey butter, equal parts' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('Honey butter, equal parts');
});

test('a plan for Sunday is kept: nothing is begun or taken, it opens as it was left, its notice is for that day, and it is started once', async ({
  page,
  kitchen,
}) => {
  await plan(page, 'Tall Sunday cakes');
  await choose(page, 'Make', 'for so many people');
  await page.getByLabel('Guests').fill('29');
  await page.getByLabel('Pieces each').fill('2');
  // a reload keeps what is typed, and it can be begun again
  await page.reload();
  await expect(page.getByText('Opened as you left it.')).toBeVisible();
  await expect(page.getByLabel('Guests')).toHaveValue('29');
  await expect(page.getByLabel('Pieces each')).toHaveValue('2');
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(page.getByText('Opened as you left it.')).toHaveCount(0);
  await choose(page, 'Make', 'for so many people');
  await page.getByLabel('Guests').fill('30');
  await page.getByLabel('Pieces each').fill('2');
  await page.getByRole('switch', { name: 'served at a set time' }).click();
  const served = page.getByRole('textbox', { name: 'Everything ready at', exact: true });
  // a day that nobody can read is asked at its place, and nothing is kept of it
  await served.fill('Blursday 9');
  await served.press('Enter');
  await page.getByRole('button', { name: 'Keep it for later' }).click();
  await expect(page.getByText('When it is served can’t be read')).toBeVisible();
  await served.fill(`${DAY_AHEAD} 9`);
  await served.press('Enter');
  const counts = () =>
    kitchen.sql<{ batches: number; takings: number; plans: number }>(
      'select (select count(*) from batches)::int as batches, (select count(*) from stock_takings)::int as takings, (select count(*) from plans where batch_id is null)::int as plans',
    );
  const [before] = await counts();
  await page.getByRole('button', { name: 'Keep it for later' }).click();
  await expect(page.getByText(new RegExp(`^Kept for ${DAY_AHEAD_SHORT}`))).toBeVisible();
  expect(await counts()).toEqual([{ ...before, plans: (before?.plans ?? 0) + 1 }]);

  // it waits on Today, and opens as it was left
  await page.goto('/');
  const row = page
    .getByRole('region', { name: 'Planned' })
    .getByRole('listitem')
    .filter({ hasText: 'Tall Sunday cakes' });
  await expect(row).toContainText(/served .*09:00; not begun/);
  await axe(page);
  await row.getByRole('link', { name: 'Open the plan' }).click();
  await expect(page.getByLabel('Guests')).toHaveValue('30');
  await expect(page.getByLabel('Pieces each')).toHaveValue('2');
  await page.getByLabel('Guests').fill('32');
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByText(new RegExp(`^Kept for ${DAY_AHEAD_SHORT}`)).first()).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Guests')).toHaveValue('32');
  // what another screen has changed since is not written over
  await kitchen.sql('update plans set revision = revision + 1 where batch_id is null');
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByText('Another screen has changed this plan')).toBeVisible();
  await page.reload();

  const to = page.url();
  await page.goto(to.replace('/plan?', '/notice?'));
  await expect(page.getByRole('article', { name: 'Notice' })).toContainText(
    new RegExp(`for ${DAY_AHEAD_SHORT} \\d+ \\w+ \\d{4}`),
  );
  await expect(page.getByRole('article', { name: 'Notice' })).toContainText('wheat');
  await page.goto(to);
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  const [after] = await counts();
  expect([after?.batches, after?.plans]).toEqual([(before?.batches ?? 0) + 1, before?.plans]);
  await page.goto(to);
  await expect(page.getByText('That plan waits no longer')).toBeVisible();
});
