/** Trials: two fats tasted blind by six, three ways picked in order on a phone, and a correction that becomes the formula's. */
import type { Page } from '@playwright/test';
import { axe, choose, expect, newFormula, pasteCard, start, test } from './kitchen';

const CARD = `Dock cakes
500 g flour
60 g sugar
8 g salt
20 g baking powder
800 g milk
3 eggs
80 g butter, melted`;

/** Where a name is written, beside the people of the kitchen or without any. */
const WHO = /^(?:Somebody else|First name or nickname)$/;

/** Tastes for somebody, on the tasters' screen. */
async function taste(page: Page, who: string, pick: string): Promise<void> {
  await page.getByLabel(WHO).fill(who);
  await page.getByRole('button', { name: 'Taste', exact: true }).click();
  await expect(page.getByRole('heading', { name: `${who} tastes` })).toBeVisible();
  await page.getByRole('button', { name: pick, exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Who tastes?' })).toBeVisible();
}

test('two fats, tasted blind by six: the letters open, the chance is said, and the cook makes the winner a version', async ({
  page,
}) => {
  await pasteCard(page, CARD);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'More of Dock cakes' }).click();
  await page.getByRole('menuitem', { name: 'Try two ways' }).click();
  await page.waitForURL(/\/trial$/);
  // what is missing is said at its place
  await page.getByRole('button', { name: 'Plan the trial' }).click();
  await expect(page.getByText('Pick a line.')).toBeVisible();
  await choose(page, 'Line', '80 g butter, melted');
  await page.getByLabel('is to be').fill('80 g butter, melted');
  await page.getByLabel('Who mixes').fill('Marta');
  await page.getByRole('button', { name: 'Plan the trial' }).click();
  await expect(page.getByText('That makes the same as way 1.')).toBeVisible();
  await page.getByLabel('is to be').fill('70 g oil');
  await page.getByRole('button', { name: 'Plan the trial' }).click();
  await page.waitForURL(/\/trials\//);
  const trial = page.url();
  await expect(page.getByText('vegetable oil for unsalted butter, 70 g')).toBeVisible();
  // one fat stands in one bowl alone; all else is weighed together
  await expect(page.getByRole('row', { name: /each by itself/ })).toHaveCount(2);
  await axe(page);
  await page.getByRole('button', { name: 'Begin the bowls' }).click();
  await page.getByRole('link', { name: 'Taste', exact: true }).click();
  await page.waitForURL(/\/taste$/);
  // who tastes sees letters alone
  await expect(page.getByRole('heading', { name: 'Who tastes?' })).toBeVisible();
  await expect(page.getByText(/butter|oil/)).toHaveCount(0);
  await page.getByLabel(WHO).fill('marta');
  await page.getByRole('button', { name: 'Taste', exact: true }).click();
  await expect(page.getByText('Marta mixed the bowls and knows the letters.')).toBeVisible();
  for (const who of ['Ann', 'Ben', 'Cy', 'Dora', 'Edi']) await taste(page, who, 'Bowl B');
  await taste(page, 'Fay', 'No preference');
  await axe(page);
  await page.goto(trial);
  await expect(page.getByText('Ann, Ben, Cy, Dora, Edi, Fay have tasted.')).toBeVisible();
  await page.getByRole('button', { name: 'Open the letters' }).click();
  await expect(
    page.getByText(
      '5 of 5 chose B. One had no preference. By chance one of the two gets five about once in 16 times: it leans to B, and is not clear.',
    ),
  ).toBeVisible();
  await axe(page);
  // opened, nobody tastes on
  await page.goto(`${trial}/taste`);
  await expect(page.getByText('The letters are open: nobody tastes blind any more.')).toBeVisible();
  await page.goto(trial);
  await page.getByRole('button', { name: /Make bowl . the new version/ }).click();
  await page.waitForURL(/\/formulas\//);
  await page.getByRole('link', { name: 'Versions and comparing' }).click();
  await expect(
    page.getByText(/Tried side by side: vegetable oil for unsalted butter, 70 g was bowl/).first(),
  ).toBeVisible();
});

test('three ways on a phone are picked in their order, and a bowl leads back to its trial', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await pasteCard(page, CARD);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  // its address comes a moment after its save
  await page.waitForURL(/\/formulas\/[0-9a-f-]{36}/);
  await page.goto(`${page.url()}/trial`);
  await choose(page, 'What is otherwise', 'something left out');
  await choose(page, 'Line', '60 g sugar');
  await page.getByRole('button', { name: 'Another way' }).click();
  const third = page.getByRole('group', { name: 'The third way' });
  await third.getByLabel('What is otherwise').selectOption({ label: 'how it is mixed and rested' });
  await third.getByLabel('Rest', { exact: true }).selectOption({ label: '1 hour, covered' });
  await page.getByRole('button', { name: 'Plan the trial' }).click();
  await page.waitForURL(/\/trials\//);
  await expect(page.getByText('no granulated sugar')).toBeVisible();
  await expect(page.getByText(/rest: .* to 1 hour, covered/)).toBeVisible();
  await page.getByRole('button', { name: 'Begin the bowls' }).click();
  await page.getByRole('link', { name: 'Taste', exact: true }).click();
  await page.getByLabel(WHO).fill('Ann');
  await page.getByRole('button', { name: 'Taste', exact: true }).click();
  await page.getByRole('button', { name: 'Bowl C' }).click();
  await page.getByRole('button', { name: 'Bowl A' }).click();
  await expect(page.getByText('C best, A second. Which next?')).toBeVisible();
  await page.getByRole('button', { name: 'That is it' }).click();
  await expect(page.getByRole('heading', { name: 'Who tastes?' })).toBeVisible();
  await page.goto(page.url().replace('/taste', ''));
  await page.getByRole('listitem').filter({ hasText: 'Bowl C' }).getByRole('link', { name: 'Outcome' }).click();
  await page.getByRole('link', { name: 'to the trial' }).click();
  await page.getByRole('button', { name: 'Open the letters' }).click();
  await expect(
    page.getByText('1 of 1 chose C. By chance one of the three gets one always: no clear winner.'),
  ).toBeVisible();
});

test('milk stirred in until it pours right is offered as the formula’s, and taken', async ({ page, kitchen }) => {
  await newFormula(page, CARD);
  const batch = await start(page);
  const [sheet] = await kitchen.sql<{ g: number }>('select mass_g as g from batches where id = $1', [
    batch.split('/').at(-1),
  ]);
  const bowlG = sheet?.g ?? 1;
  const act = { what: 'corrected', mix: 1, ingredientId: 'milk-whole', grams: 46, bowlG, seen: 'too thick' };
  await kitchen.sql('insert into batch_entries (id, batch_id, at, act) values (gen_random_uuid(), $1, now(), $2)', [
    batch.split('/').at(-1),
    JSON.stringify(act),
  ]);
  await page.goto(`${batch}/outcome`);
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await expect(page.getByText('Written in the log')).toBeVisible();
  await page.goto('/');
  await page.getByRole('link', { name: 'Dock cakes', exact: true }).first().click();
  await page.waitForURL(/formulas/);
  const brought = page.getByRole('region', { name: 'Brought to its flow' });
  await expect(brought).toContainText(/3 spoons \(46\sg\) more whole milk than written, once/);
  await brought.getByRole('link', { name: 'Make it the formula’s' }).click();
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal).toContainText(/As weighed in its last makings/);
  await proposal.getByRole('button', { name: /^Take/ }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  // the version that has it was not made yet: nothing more is offered
  await expect(page.getByRole('textbox', { name: /milk/i }).first()).toBeVisible();
  await expect(brought).toHaveCount(0);
});
