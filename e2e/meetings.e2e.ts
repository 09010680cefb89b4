/** Where two parts meet: what one says the other says too, from the first press to the plate. */
import { axe, choose, DAY_AHEAD, DAY_AHEAD_SHORT, expect, test } from './kitchen';

const open = async (page: import('@playwright/test').Page, name: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('region', { name: 'Formulas' }).getByRole('link', { name, exact: true }).click();
  await page.waitForURL(/formulas\/[0-9a-f-]{36}/);
};

test('a table that tells sesame in an own flour: the filter, the batch under way and its notice know at once', async ({
  page,
}) => {
  const bring = async (allergens: string): Promise<void> => {
    await page.goto('/pantry/import');
    await page
      .getByLabel('Or paste a table')
      .fill(
        `name,category,per,kcal,fat_g,carbohydrate_g,sugars_g,fibre_g,protein_g,salt_g,allergens\nSluice meal,flour,100g,350,1,72,1,3,10,0,${allergens}`,
      );
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByRole('button', { name: /^Take / }).click();
    await expect(page.getByText(/(?:row is|rows are) in the pantry/)).toBeVisible();
  };
  await bring('wheat');
  await page.goto('/formulas/new');
  await page
    .getByLabel(/Paste a card, as it is/)
    .fill('Hatch cakes\n250 g sluice meal\n10 g baking powder\n3 g salt\n380 g oat drink\n30 g oil');
  await page.getByRole('button', { name: 'Read the card' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  const batch = page.url().replace(/\/prep.*/, '');

  const listed = page.getByRole('region', { name: 'Formulas' }).getByRole('link', { name: 'Hatch cakes', exact: true });
  await page.goto('/?without=sesame&find=hatch');
  await expect(listed).toBeVisible();
  await bring('wheat; sesame');
  await page.goto('/?without=sesame&find=hatch');
  await expect(page.getByRole('region', { name: 'Formulas' })).toBeVisible();
  await expect(listed).toHaveCount(0);
  // begun before it was known: the record stays, and what is known since stands beside it
  await page.goto(`${batch}/prep`);
  await expect(page.getByText('Corrected since it was begun: sesame, in sluice meal.')).toBeVisible();
  await page.goto(`${batch}/notice`);
  const notice = page.getByRole('article', { name: 'Notice' });
  await expect(notice).toContainText(/sesame/i);
  await expect(notice).toContainText('Corrected since it was begun: sesame, in sluice meal.');
  await axe(page);
});

test('Taller, on crepes: no proposal shrinks the flour; it says which line would bring it, and how much', async ({
  page,
}) => {
  await open(page, 'Lock-side crepes');
  await page.getByRole('radio', { name: 'Make it …' }).click();
  // what no line can bring is not offered, and nothing of the batch is taken apart for it
  await expect(page.getByRole('button', { name: 'Taller', exact: true })).toBeDisabled();
  await expect(
    page.getByText(/^Taller: nothing on the sheet moves rise: baking powder.*, [\d.]+ g, would\.$/),
  ).toBeVisible();
  await axe(page);
  const formula = page.url().replace(/\?.*/, '');
  await page.goto(`${formula}?towards=taller`);
  await expect(page.getByText(/Nothing on the sheet moves rise/)).toBeVisible();
  // and one that can be had keeps flour and batter within a tenth
  await page.goto(`${formula}?towards=richer`);
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await proposal.getByRole('button', { name: /^Take/ }).first().click();
  const flour = page.locator('[data-grams=l1]');
  const grams = Number(
    (
      (await flour
        .locator('input')
        .inputValue()
        .catch(() => null)) ??
      (await flour.textContent()) ??
      ''
    ).replace(/[^\d.]/g, ''),
  );
  expect(grams).toBeGreaterThan(0.9 * 250);
  expect(grams).toBeLessThan(1.1 * 250);
});

test('a base with salt and a savoury end with more: base salt in the shared bowl, the end’s own in its part', async ({
  page,
}) => {
  await page.goto('/formulas/new');
  await page
    .getByLabel(/Paste a card, as it is/)
    .fill(
      'Two-salt crepes\n250 g flour\n550 g milk\n5 eggs\n50 g butter, melted\n4 g salt\nFor the sweet\n40 g sugar\nFor the savoury\n6 g salt',
    );
  await page.getByRole('button', { name: 'Read the card' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('radio', { name: 'both from one base' }).click();
  // 10 of each, in equal portions: base salt at both, the savoury's own at its half
  for (const end of ['sweet', 'savoury']) {
    await page.getByLabel(`Pieces, ${end}`).fill('10');
    await page.getByLabel(`Portion, ${end}`).fill('55');
  }
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  const salt = sheet.getByRole('listitem').filter({ hasText: /Table salt/ });
  await expect(salt).toHaveCount(2);
  const flour = sheet.getByRole('listitem').filter({ hasText: 'All-purpose wheat flour' });
  const g = async (l: typeof salt): Promise<number> =>
    Number(/([\d.\u202f]+) g/.exec((await l.textContent()) ?? '')?.[1]?.replace(/\u202f/g, ''));
  const times = (await g(flour)) / 250;
  expect(Math.abs((await g(salt.first())) - 4 * times)).toBeLessThan(0.11);
  // less of the batter is the savoury's: about half, as its own salt is all that parts them
  const own = await g(salt.last());
  expect(own).toBeGreaterThan(0.4 * 6 * times);
  expect(own).toBeLessThan(0.6 * 6 * times);
  await expect(sheet.getByRole('heading', { name: 'Into the savoury part' })).toBeVisible();
  await axe(page);
});

test('an oven pancake in two pans: poured as so many pans, and each is a place with its name', async ({ page }) => {
  await open(page, 'Boathouse oven pancake');
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  const lit = page.getByRole('region', { name: /What is lit/ });
  await expect(page.getByText(/More than one pan takes .*: it is poured as 2 pans, \d+ ml in each/)).toBeVisible();
  await expect(lit).toContainText('1 at once on iron skillet');
  await lit.getByRole('button', { name: 'Crepe pan' }).click();
  await expect(lit).toContainText(/2 at once on (?:crepe pan, iron skillet|iron skillet, crepe pan)/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.goto(page.url().replace(/prep.*/, 'griddle'));
  for (const pan of ['Iron skillet', 'Crepe pan']) await expect(page.getByRole('region', { name: pan })).toBeVisible();
});

test('Sunday at nine for thirty, with no griddle noted: how many lie at once is asked before a time line is drawn', async ({
  page,
  kitchen,
}) => {
  await kitchen.sql("update kitchen set value = jsonb_set(value, '{gear}', '[]') where key = 'house'");
  await open(page, 'Tall Sunday cakes');
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await choose(page, 'Make', 'for so many people');
  await page.getByLabel('Guests').fill('30');
  await expect(page.getByRole('heading', { name: 'What are griddle cakes made on here?' })).toBeVisible();
  await expect(page.getByRole('switch', { name: 'served at a set time' })).toHaveCount(0);
  await page.getByLabel('How many at once?').fill('8');
  await page.getByRole('switch', { name: 'served at a set time' }).click();
  const at = page.getByRole('textbox', { name: 'Everything ready at', exact: true });
  await at.fill(`${DAY_AHEAD} 9`);
  await at.press('Enter');
  await expect(at).toHaveValue('09:00');
  await expect(page.getByText(/begin at/)).toContainText(DAY_AHEAD_SHORT);
  await axe(page);
  // or a usual size is noted in a press, where it matters, and taken back
  await page.reload();
  await page.getByRole('button', { name: 'Griddle, 60 by 40 cm' }).click();
  await expect(page.getByText(/at once on griddle, 60 by 40 cm/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What are griddle cakes made on here?' })).toBeVisible();
  await page.getByRole('button', { name: 'Another size …' }).click();
  await page.getByLabel('What you call it').fill('Long one');
  await page.getByLabel('Width').fill('90');
  await page.getByLabel('Depth').fill('45');
  await axe(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/at once on long one/)).toBeVisible();
});
