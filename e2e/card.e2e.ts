/** Cards as cooks have them: with sauces and unknown headings, as spoken, and explained word by word. */
import { axe, chosen, expect, gramsBox, pasteCard, start, test, toWeighIn, unsent } from './kitchen';

const SAUCES = `Lantern waffles
Makes 8

The good part:
250 g flour
2 tsp baking powder
a pinch of salt
400 ml milk
2 eggs
80 g butter, melted

Caramel sauce:
150 g sugar
60 g butter
100 ml heavy cream

Glaze
120 g icing sugar
2 tbsp milk

Moonlight:
50 g honey
1 tbsp rum

Method
Whip the whites to stiff peaks. Rest the batter for 30 minutes. Bake in the hot waffle iron.`;

test('a card with a sauce, a glaze, a batter and a heading nobody knows: balanced, the sauces alongside, nothing lost; its ways are taken', async ({
  page,
}) => {
  await pasteCard(page, SAUCES);
  const sheet = page.getByRole('region', { name: 'Lines' });
  const lines = page.getByRole('textbox', { name: 'Line on the card' });
  await expect(lines).toHaveCount(13);
  await expect(chosen(page, 'Kind')).toContainText('Waffle');
  // only the batter is balanced: 400 ml of milk and the egg's water on 250 g of flour
  await expect(page.getByRole('region', { name: 'Balance' })).toContainText('Liquid 165 %');
  await expect(sheet.getByRole('heading', { name: /Sauces and sides: Caramel sauce/ })).toContainText('311 g');
  await expect(sheet.getByRole('heading', { name: /Sauces and sides: Glaze/ })).toBeVisible();
  // one question for the whole group
  for (const asked of ['The good part', 'Moonlight']) {
    const question = page.getByRole('group', { name: `Where ${asked} goes` });
    if ((await question.count()) === 0) continue;
    await axe(page);
    await question.getByRole('button', { name: asked === 'Moonlight' ? 'On top' : 'In the batter' }).click();
    await expect(question).toHaveCount(0);
  }
  await expect(sheet.getByRole('heading', { name: /Sauces and sides: Moonlight/ })).toHaveCount(0);
  await expect(sheet.getByRole('heading', { name: /To serve/ })).toBeVisible();

  const says = page.getByRole('region', { name: 'What the card says' });
  await expect(says).toContainText('the title says "waffles"');
  await expect(says).toContainText('“Rest the batter for 30 minutes”');
  await says.getByRole('button', { name: 'Take: Rest: 30 minutes, covered' }).click();
  await expect(page.getByText(/rest: 30 minutes, covered/)).toBeVisible();
  await says.getByRole('button', { name: 'Take: Whites: firm peaks, folded in thirds' }).click();
  await expect(says.getByRole('button', { name: /^Take:/ })).toHaveCount(0);
  // the method alone says that the whites are whipped: said on the line of the eggs, and the cook's to change
  const whites = sheet.getByText('whites whipped apart, firm peaks');
  await expect(whites).toBeVisible();
  await page.getByRole('button', { name: /^More for 2 eggs/ }).click();
  await page.getByRole('menuitem', { name: 'Whites: whipped apart, firm peaks' }).click();
  await page.getByRole('menuitem', { name: 'in with the rest' }).click();
  await expect(whites).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await expect(whites).toBeVisible();

  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}/);
  await page.reload();
  await expect(sheet.getByRole('heading', { name: /Sauces and sides: Caramel sauce/ })).toContainText('311 g');
  // twice the flour is twice the sauce, under its own name
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page).toHaveURL(/\/plan/);
  await expect(page.getByText('Caramel sauce').first()).toBeVisible();
});

const SPOKEN = `so I take two cups of flour and a teaspoon of salt
and then three eggs
about a cup and a half of milk, nearly
and my butter, two tablespoons, melted
a tablespoon or two of sugar
then you just whisk it all together`;

test('a spoken card is read without retyping a line; what is open is settled by a tap', async ({ page }) => {
  await pasteCard(page, SPOKEN);
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(6);
  for (const [key, grams] of [
    ['l1', '250'],
    ['l2', '6.1'],
    ['l3', '150'],
    ['l4', '366'],
    ['l5', '28'],
  ] as const)
    await expect(gramsBox(page, key)).toHaveValue(new RegExp(`^${grams}`));
  await expect(page.getByText('Around the card: then you just whisk it all together')).toBeVisible();

  const add = page.getByLabel('Add a line');
  await add.fill('11/2 tsp baking powder');
  await add.press('Enter');
  const asked = page.getByRole('listitem').filter({ has: page.locator('[data-grams=l7]') });
  await expect(asked).toContainText('can be read two ways');
  await asked.getByRole('button', { name: '1 1/2 teaspoons' }).click();
  await expect(gramsBox(page, 'l7')).toHaveValue('6.9');
  // one amount for two things is two lines
  await add.fill('1 tsp each of cinnamon and nutmeg');
  await add.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(9);
  // an either-or stands on the first until it is chosen
  await add.fill('2 tbsp honey or maple syrup');
  await add.press('Enter');
  const either = page.getByRole('listitem').filter({ has: page.locator('input[value^="2 tbsp honey"]') });
  await expect(either).toContainText('Honey stands, or maple syrup');
  await either.getByRole('button', { name: 'Maple syrup', exact: true }).click();
  await expect(either).not.toContainText('stands');
});

test('how a line was read is told by keyboard, word by word', async ({ page }) => {
  await pasteCard(page, '250 ml milk (semi-skimmed), warmed\n2 cups sunny flour');
  const first = page.getByRole('textbox', { name: 'Line on the card' }).first();
  await first.press('ArrowUp');
  await expect(first).toBeFocused();
  const flour = page.getByRole('listitem').filter({ has: page.locator('input[value="2 cups sunny flour"]') });
  const told = page.getByLabel('How this line was read');
  await expect(flour.getByText('Not understood: "sunny".')).toBeVisible();
  await expect(told).toHaveText(/2 cups\s*amount\s*sunny\s*not understood\s*flour\s*ingredient/);
  await axe(page);
  await first.press('ArrowDown');
  await expect(told).toHaveText(
    /250 ml\s*amount\s*milk\s*ingredient\s*semi skimmed\s*which type\s*warmed\s*what is done to it/,
  );
  const answer = await page.request.get('/api/v1/read?text=2%20cups%20sunny%20flour');
  expect((await answer.json()).lines[0].words).toEqual([
    { text: '2', as: 'amount' },
    { text: 'cups', as: 'amount' },
    { text: 'sunny', as: 'unknown' },
    { text: 'flour', as: 'ingredient' },
  ]);
});

test('of two recipes in one text the cook chooses one; it is read without a line lost, and saved', async ({ page }) => {
  await pasteCard(
    page,
    'Towpath crepes\n250 g flour\n600 ml milk\n3 eggs\n1/4 tsp salt\n\nSavoury filling\n200 g feta, crumbled\n150 g spinach\n\nHotel griddle cakes\n25 lb all-purpose flour\n5 gal milk\n90 eggs\n1 1/4 lb baking powder\n5 oz salt',
  );
  const which = page.getByRole('group', { name: 'There are 2 recipes in it. Which one?' });
  await expect(which.getByRole('button', { name: 'Towpath crepes' })).toBeFocused();
  await axe(page);
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(5);
  await expect(page.getByText('no grams')).toHaveCount(0);
  await expect(gramsBox(page, 'l1')).toHaveValue(/^11\D?340$/);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
});

test('lines in doubt are settled by the whole card, by one tap', async ({ page }) => {
  await pasteCard(
    page,
    'Doubt cakes\n11/2 cups flour\n11/4 cups milk\n1 egg\n1 tbsp sugar\n21/2 tsp baking powder\n1/2 tsp salt\n2 tbsp butter, melted',
  );
  await expect(page.getByText('no grams')).toHaveCount(3);
  await expect(page.getByRole('region', { name: 'Balance' })).toContainText('so the whole card agrees');
  await axe(page);
  await page.getByRole('button', { name: 'Read them so' }).click();
  await expect(page.getByText('no grams')).toHaveCount(0);
  await expect(page.locator('input[value="2 1/2 teaspoons baking powder"]')).toBeVisible();
});

test('numbers without a unit, a ladle of no size, a time of nothing: settled by a tap each, or left', async ({
  page,
}) => {
  await pasteCard(
    page,
    'Lock cakes\n240 flour\n10 bp\n5 salt\n300 milk\n2 eggs\nStir till it just comes together. Twelve minutes covered with the board. Griddle hot, dry. A big ladle for each. They lie there a minute.',
  );
  await expect(page.getByText('no grams')).toHaveCount(4);
  await axe(page);
  await page.getByRole('button', { name: 'Grams, liquids in ml' }).click();
  await expect(page.getByText('no grams')).toHaveCount(0);
  await expect(page.locator('input[value="300 ml milk"]')).toBeVisible();
  const says = page.getByRole('region', { name: 'What the card says' });
  await expect(says).toContainText('How much is “A big ladle”?');
  await says.getByRole('button', { name: '90 ml a piece' }).click();
  await expect(says).not.toContainText('A big ladle');
  await says.getByRole('button', { name: 'Rest: 12 min' }).click();
  await expect(page.getByText(/rest: 12 min/)).toBeVisible();
  await says.getByRole('button', { name: 'Leave it: They lie there a minute' }).click();
  await expect(says).not.toContainText('They lie there');
});

test('apples fried first in the pan, soda after the rest: taken from the card, in the making, on the sheet', async ({
  page,
}) => {
  await pasteCard(
    page,
    'Winter oven pancake\n120 g flour\n240 g milk\n4 eggs\n2 g salt\n2 g baking soda\n50 g butter\n2 apples\nFry the sliced apples in 20 g of the butter in the skillet for 5 minutes. Heat the oven to 220 C with the skillet and the rest of the butter. Blend flour, milk and eggs, leave it overnight. In the morning stir in the soda, pour over the apples and bake 20 minutes.',
  );
  const says = page.getByRole('region', { name: 'What the card says' });
  for (const name of [
    /^Take: Unsalted butter: for the pan/,
    /^Take: Apple: fried first, in the pan/,
    /^Take: Baking soda: in after the rest/,
  ])
    await says.getByRole('button', { name }).click();
  const sheet = page.getByRole('region', { name: 'Lines' });
  await expect(sheet.getByText('fried first, in the pan')).toBeVisible();
  await expect(sheet.getByText('in after the rest')).toBeVisible();
  await page.getByRole('radio', { name: 'Making' }).click();
  const making = page.getByRole('region', { name: 'Making' });
  const acts = making.getByRole('listitem');
  await expect(acts.filter({ hasText: 'Fry first apple' })).toContainText('364 g');
  await expect(acts.filter({ hasText: 'Stir in baking soda' })).toContainText('the batter');
  await axe(page);
  // a line waits for the rest, and goes back into its bowl, by its own menu
  await page.getByRole('button', { name: /^More for 2 g salt/ }).click();
  await page.getByRole('menuitem', { name: /^When: stirred into the bowl/ }).click();
  await page.getByRole('menuitem', { name: 'in after the rest' }).click();
  await expect(acts.filter({ hasText: /^\d+\.Stir in/ })).toContainText('Table salt');
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}/);
  await page.goto(`${page.url()}/plan`);
  const mixing = page.getByRole('region', { name: 'Mixing sheet' });
  for (const [group, what] of [
    ['After the rest', 'Baking soda'],
    ['Fried first, in the pan', 'Apple'],
    ['For the pan', 'Unsalted butter'],
  ] as const) {
    await expect(mixing.getByRole('heading', { name: group })).toBeVisible();
    await expect(mixing.getByText(what).first()).toBeVisible();
  }
});

test('how hot and how long the card says is taken by one tap, changed by hand, and met again at the griddle and on the time line', async ({
  page,
}) => {
  await pasteCard(
    page,
    "Lock-keeper's cakes\n250 g flour\n11 g baking powder\n3 g salt\n2 eggs\n430 g milk\n35 g butter, melted\n\nHeat the griddle to 180 C. Three minutes on one side and two on the other. Keep warm at 95 C.",
  );
  const says = page.getByRole('region', { name: 'What the card says' });
  await expect(says.getByText('First side: 3 min')).toBeVisible();
  await says.getByRole('button', { name: /^Take all/ }).click();
  await page.getByRole('radio', { name: 'Making' }).click();
  const making = page.getByRole('region', { name: 'Making' });
  const act = (name: string) =>
    making.getByRole('listitem').filter({ has: page.locator('summary', { hasText: name }) });
  await expect(act('Preheat griddle')).toContainText('180 °C');
  // an act changed, one left out, one put before another: by keys alone
  await act('Melt butter').locator('summary').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('9');
  await page.keyboard.press('Enter');
  await expect(act('Melt butter')).toContainText('9 min');
  await expect(act('Melt butter')).toContainText('This formula’s own way.');
  await act('Let warm').locator('summary').focus();
  await page.keyboard.press('Enter');
  await act('Let warm').getByRole('button', { name: 'Leave it out' }).focus();
  await page.keyboard.press('Enter');
  await expect(making.getByText(/^Left out: let warm/)).toBeVisible();
  await act('Combine dry and wet').locator('summary').focus();
  await page.keyboard.press('Enter');
  await act('Combine dry and wet').getByRole('button', { name: 'Do something before it' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Before it: what is done').fill('light the lamps');
  await page.keyboard.press('Enter');
  await expect(act('Light the lamps')).toContainText('5 min');
  await act('Preheat griddle').locator('summary').click();
  await act('Preheat griddle').getByLabel('A note on it').fill('hot first, then low');
  await page.keyboard.press('Enter');
  await expect(act('Preheat griddle').locator('summary')).toContainText('hot first, then low');
  // the card's heat stays, and what it is changed to is the cook's
  await act('Preheat griddle').getByLabel('Preheat griddle: degrees later').fill('165');
  await page.keyboard.press('Enter');
  await expect(act('Preheat griddle')).toContainText('then 165 °C');
  await axe(page);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}/);
  await page.reload();
  await page.getByRole('radio', { name: 'Making' }).click();
  await expect(act('Light the lamps')).toBeVisible();
  await page.goto(`${page.url().split('?')[0]}/plan`);
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('Hot first, then low.');
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('165 °C once the first is on');
  await page
    .getByRole('button', { name: /^Start/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/batches\/[0-9a-f-]{36}/);
  const batch = /\/batches\/[0-9a-f-]{36}/.exec(page.url())?.[0] ?? '';
  await page.goto(`${batch}/plan`);
  await expect(page.getByText('Light the lamps').first()).toBeVisible();
  await page.goto(`${batch}/griddle`);
  await expect(page.getByText('172 °C to 188 °C for these').first()).toBeVisible();
  await expect(page.getByText('Once it is on, the heat to 165 °C.')).toBeVisible();
});

test('a card without amounts is proposed, made over the scale, and saved as it was weighed', async ({ page }) => {
  await pasteCard(page, 'Untold cakes\n250 g plain flour\nbuttermilk\n2 eggs\n10 g baking powder\nsalt');
  await page.getByRole('button', { name: 'Propose all 2 amounts' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('2 amounts are proposed, told by nobody')).toBeVisible();
  const milk = gramsBox(page, 'l2');
  const proposed = Number.parseFloat(await milk.inputValue());
  // salt is as the cook takes it
  await page.getByRole('button', { name: /^More for .*salt/ }).click();
  await page.getByRole('menuitem', { name: 'The amount is right' }).click();
  await expect(page.getByText('One amount is proposed, told by nobody')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}/);
  await page.reload();
  await expect(page.getByText('One amount is proposed, told by nobody')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  const batch = await start(page);
  await toWeighIn(page);
  await page.getByRole('radio', { name: 'one at a time' }).click();
  const weighIn = page.getByRole('region', { name: 'Weigh-in' });
  const shows = page.getByLabel('What the scale shows');
  for (const [name, grams] of [
    ['All-purpose wheat flour', 250],
    ['Baking powder', 10],
    ['Table salt', 3.8],
    ['Cultured buttermilk', proposed + 40],
  ] as const) {
    await expect(weighIn.getByRole('heading', { name })).toBeVisible();
    if (name === 'Cultured buttermilk') await expect(weighIn).toContainText('Nobody told how much');
    await shows.fill(String(grams));
    await page.getByRole('button', { name: /^(?:That is in: next|Go on)/ }).click();
  }
  await expect(page.getByText('1 of 5 still to weigh')).toBeVisible();
  await expect.poll(() => unsent(page)).toBe(0);
  await page.goto(`${batch}/outcome`);
  await page.getByRole('link', { name: 'Make them the formula’s' }).click();
  await expect(page.getByText(`cultured buttermilk ${proposed + 40} g: as it went in`)).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(milk).toHaveValue(new RegExp(`^${proposed + 40}`));
  await expect(page.getByText('proposed, told by nobody')).toHaveCount(0);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
});

test('four words become a balanced formula by one tap', async ({ page }) => {
  await pasteCard(page, 'You need flour, milk, eggs and a bit of baking powder. Mix it all up and fry.');
  await page.getByRole('button', { name: 'Propose all 4 amounts' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(gramsBox(page, 'l1')).toHaveValue(/^250/);
  await expect(page.getByRole('region', { name: 'Balance' })).toContainText('griddle cakes of');
  await expect(page.getByText('no grams')).toHaveCount(0);
});
