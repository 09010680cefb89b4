/**
 * What a cook wants to do first, each from Today, without a manual. A step is a press, a choice or a box that is filled
 * in; none of these takes more than six, and those that cooks were watched at no more than they are given here.
 */
import type { Locator, Page } from '@playwright/test';
import { axe, choose, chosen, DAY_AHEAD, expect, pdf, test, toWeighIn } from './kitchen';

const MOST_STEPS = 6;

/** Counts what the cook does. */
class Hand {
  steps: string[] = [];
  constructor(readonly page: Page) {}
  async press(at: Locator, what: string): Promise<void> {
    this.steps.push(`press ${what}`);
    await at.click();
  }
  async fill(at: Locator, text: string, what: string): Promise<void> {
    this.steps.push(`fill in ${what}`);
    await at.fill(text);
  }
  async pick(label: string, option: string): Promise<void> {
    this.steps.push(`choose ${option}`);
    await choose(this.page, label, option);
  }
  /** The task is done: in so many steps. */
  done(task: string, most: number = MOST_STEPS): void {
    expect({ task, steps: this.steps.length <= most ? 'few' : this.steps }).toEqual({ task, steps: 'few' });
    this.steps = [];
  }
}

const CARD =
  'First morning cakes\n2 cups flour\n2 tbsp sugar\n1 tbsp baking powder\n1/2 tsp salt\n1 3/4 cups milk\n2 eggs\n3 tbsp oil';
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first();
const card = (page: Page, name: string) =>
  page.getByRole('region', { name: 'Formulas' }).getByRole('listitem').filter({ hasText: name }).first();

test('a card pasted, mended and printed', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto('/');
  await hand.press(page.getByRole('link', { name: /^Paste or drop a card/ }), 'the first door');
  await hand.fill(page.getByLabel(/Paste a card, as it is/), `${CARD}\n1 glug of lock water`, 'the card');
  await hand.press(button(page, 'Read the card'), 'Read the card');
  await expect(page.getByRole('listitem').filter({ hasText: 'Answer what is open' })).toHaveAttribute(
    'aria-current',
    'step',
  );
  hand.done('paste a card', 3);

  // what is not understood has its ways out, and none is a dead end
  const odd = page.locator('[data-row=l8]');
  for (const way of ['Same as …', 'Weigh it yourself …', 'Leave it out'])
    await expect(odd.getByRole('button', { name: way })).toBeVisible();
  await expect(odd.getByRole('link', { name: 'Add it as a new ingredient' })).toBeVisible();
  await hand.press(odd.getByRole('button', { name: 'Leave it out' }), 'Leave it out');
  await hand.press(button(page, 'Save'), 'Save');
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  hand.done('mend it', 3);

  const paper = await page.getByRole('link', { name: /card on one page/ }).getAttribute('href');
  hand.steps.push('press a card on one page');
  expect(await pdf(page, paper ?? '')).toBe(1);
  hand.done('print it');
});

test('a line that is not understood: the same as a thing of the pantry, or weighed; never into a batch as it stands', async ({
  page,
}) => {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(`${CARD.replace('First', 'Odd')}\n120 g moonlight flakes`);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'One line is not understood: “120 g moonlight flakes”' }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();
  await page.getByRole('alert').getByRole('link', { name: 'To the Bench' }).click();
  const odd = page.locator('[data-row=l8]');
  await odd.getByRole('button', { name: 'Same as …' }).click();
  await page.getByLabel('Find it in the pantry').fill('rolled oats');
  await page.getByRole('list', { name: 'Found' }).getByRole('button', { name: 'Rolled oats' }).click();
  // the opener has the focus again, and the line is counted
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  await expect(odd.getByRole('textbox', { name: /^Grams of/ })).toHaveValue('120');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByRole('button', { name: 'Start this batch' })).toBeEnabled();
});

const SENTENCE = /^Who comes, when/;

test('one sentence: thirty on a Sunday at nine; what is missing is asked; one without milk gets a formula of their own', async ({
  page,
}) => {
  const hand = new Hand(page);
  await page.goto('/');
  await hand.fill(page.getByLabel(SENTENCE), `30 people ${DAY_AHEAD} 9`, 'the sentence');
  await hand.press(button(page, 'Read it'), 'Read it');
  await page.waitForURL(/begin/);
  await axe(page);
  await hand.press(page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }), 'the formula');
  await page.waitForURL(/plan/);
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('for 30 people:');
  await expect(page.getByRole('textbox', { name: 'Everything ready at', exact: true })).toHaveValue('09:00');
  hand.done('thirty on Sunday at nine', 3);

  // what is missing is asked one at a time, what may be meant otherwise is a tap, and no word is lost
  await page.goto('/');
  await page.getByLabel(SENTENCE).fill(`brell ${DAY_AHEAD}, griddle 100 by 20`);
  await button(page, 'Read it').click();
  await expect(page.getByRole('heading', { name: 'How many come?' })).toBeVisible();
  await expect(page.getByText('Not understood: brell')).toBeVisible();
  await expect(page.getByText('Nothing of 100 by 20 cm is noted here.')).toBeVisible();
  await axe(page);
  await page.getByLabel('People').first().fill('some');
  await button(page, 'Go on').click();
  await expect(page.getByText('How many, in figures.')).toBeVisible();
  await page.getByLabel('People').first().fill('12');
  await button(page, 'Go on').click();
  await expect(page.getByRole('heading', { name: 'When is it to be ready?' })).toBeVisible();
  await page.getByRole('link', { name: 'Say it later' }).click();
  await expect(page.getByRole('heading', { name: 'What do they get?' })).toBeVisible();

  // one without milk: the same with stand-ins is a bowl of its own, and the two are a morning
  await page.goto('/');
  await hand.fill(page.getByLabel(SENTENCE), `30 people ${DAY_AHEAD} 9, one without milk`, 'the sentence');
  await hand.press(button(page, 'Read it'), 'Read it');
  await hand.press(page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }), 'what most get');
  await expect(page.getByRole('heading', { name: /What does the one without milk get/ })).toBeVisible();
  const own = page.getByRole('region', { name: 'Regatta griddle cakes, without milk' });
  await expect(own.getByRole('listitem')).toHaveText([
    'oat drink with lemon juice for cultured buttermilk',
    'vegetable oil for unsalted butter',
  ]);
  await axe(page);
  await hand.press(own.getByRole('button', { name: 'Make this bowl' }), 'make this bowl');
  await page.waitForURL(/mornings\/new/);
  hand.done('one guest without milk', 4);
  await button(page, 'Work it out').click();
  await page.waitForURL(/mornings\/(?!new)/);
  await expect(page.getByRole('table', { name: 'Plates by wave' })).toContainText(
    'Regatta griddle cakes, without milk',
  );
  // kept, it is offered as it stands; from a plan a guest without something is one tap from there
  await page.goto('/');
  await page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }).first().click();
  await button(page, 'Scale and make').click();
  await page.getByRole('link', { name: 'A bowl for a guest without milk' }).click();
  await expect(page.getByRole('link', { name: 'Regatta griddle cakes, without milk', exact: true })).toBeVisible();
  await expect(button(page, 'Make this bowl')).toHaveCount(0);
  // where all do without it, the bowl is the plan
  await page.goto('/begin?say=8 people, all without egg&when=later');
  await page.getByRole('link', { name: /^Regatta griddle cakes not noted/ }).click();
  await expect(page.getByText('applesauce for large egg')).toBeVisible();
  await button(page, 'Make this bowl').click();
  await expect(page.getByRole('heading', { name: 'Plan: Regatta griddle cakes, without egg' })).toBeVisible();
  // who come one after the other have a morning in waves, or come all at once after all
  await page.goto(`/begin?say=20 at 8 and 15 at 9:30 on ${DAY_AHEAD}`);
  await expect(page.getByRole('link', { name: '20 at 08:00, then 15 at 09:30: all at once' })).toBeVisible();
  await page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }).click();
  await page.waitForURL(/mornings\/new/);
  await expect(page.getByLabel('Covers').nth(0)).toHaveValue('20');
  await expect(page.getByLabel('Covers').nth(1)).toHaveValue('15');
  await page.goBack();
  const atOnce = page.getByRole('link', { name: /: all at once$/ });
  await atOnce.click();
  await expect(atOnce).toHaveCount(0);
  await page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('for 35 people:');
});

test('for thirty people; without a scale; what there is used up; begun, given up and undone', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto('/');
  const regatta = card(page, 'Regatta griddle cakes');
  await hand.fill(regatta.getByLabel('Make for'), '30', 'thirty');
  hand.steps.push('choose people');
  await regatta.getByLabel('Pieces or people').selectOption('people');
  await hand.press(regatta.getByRole('button', { name: /^Go/ }), 'Go');
  await expect(page.getByText(/30 people at \d+ each/).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('for 30 people:');
  hand.done('make it for thirty people');

  await hand.press(page.getByRole('radio', { name: /cups and spoons/ }), 'cups and spoons');
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText(/cups?/);
  hand.done('without a scale');

  await page.goto('/');
  await hand.press(page.getByRole('link', { name: 'Begin from what there is' }), 'Begin from what there is');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  hand.done('use something up');

  await page.goto('/');
  await hand.press(regatta.getByRole('button', { name: /^Go/ }), 'Go');
  await hand.press(page.getByRole('switch', { name: 'take it from stock' }), 'take it from stock');
  await hand.press(button(page, 'Start this batch'), 'Start this batch');
  await page.waitForURL(/prep/);
  hand.done('begin to cook');
  await hand.press(button(page, 'More of this batch'), 'more');
  await hand.press(page.getByRole('menuitem', { name: 'Give up this batch …' }), 'Give up this batch');
  await hand.press(button(page, 'Give it up: what it took goes back into stock'), 'give it up');
  await page.waitForURL(/\/$/);
  hand.done('give it up');
  await hand.press(button(page, 'Undo'), 'Undo');
  await page.waitForURL(/plan/);
  await expect(page.getByRole('button', { name: 'More of this batch' })).toBeVisible();
  hand.done('undo that');

  await hand.press(page.getByRole('link', { name: 'Outcome', exact: true }), 'Outcome');
  await hand.press(page.getByRole('radio', { name: 'Good', exact: true }), 'Good');
  await hand.fill(page.getByLabel(/One change for next time|Next time/).first(), 'A ladle less milk.', 'the change');
  await hand.press(button(page, 'Write it in the log'), 'Write it in the log');
  await page.waitForURL(/log/);
  hand.done('write the outcome', 4);
  // next time stands where it is needed: on the card, on the Bench, on the plan
  await page.goto('/');
  await expect(regatta).toContainText('Next time: A ladle less milk.');
  await regatta.getByRole('link', { name: 'Regatta griddle cakes' }).click();
  await expect(page.getByRole('region', { name: 'Next time' })).toContainText('A ladle less milk.');
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByRole('region', { name: 'Next time' })).toContainText('A ladle less milk.');
});

test('a cup of our own; two kilograms of dry mix; the house changed and undone', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto('/');
  await page.locator('body').press('m');
  hand.steps.push('press m');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/cups|measures/i);
  hand.done('to our own cups');

  await page.goto('/');
  await hand.press(page.getByRole('link', { name: 'Premix', exact: true }), 'Premix');
  await hand.press(page.getByRole('link', { name: 'Camp trailer corn mix' }), 'the mix');
  await hand.press(page.locator('summary').filter({ hasText: 'Make a lot' }), 'Make a lot');
  await hand.press(page.getByRole('radio', { name: 'so many kilograms' }), 'kilograms');
  await hand.fill(page.getByLabel('Kilograms'), '2', 'two');
  await expect(page.getByRole('form', { name: 'Make a lot' })).toContainText('2 bags of 750 g');
  hand.done('two kilograms of dry mix');

  await page.goto('/');
  await hand.press(page.getByRole('link', { name: 'House', exact: true }), 'House');
  await hand.press(page.locator('summary').filter({ hasText: 'Units' }), 'Units');
  await hand.pick('Temperatures', 'Fahrenheit, °F');
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
  hand.done('change the house');
  await hand.press(button(page, 'Undo'), 'Undo');
  await expect(chosen(page, 'Temperatures')).toContainText('Celsius');
  hand.done('undo that');
});

test('a formula copied, archived, brought back and deleted, and that undone', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto('/');
  await hand.press(page.getByRole('button', { name: 'More of Lock-side crepes' }), 'more');
  await hand.press(page.getByRole('menuitem', { name: 'Copy' }), 'Copy');
  await page.waitForURL(/formulas\/[0-9a-f-]{36}$/);
  await expect(page.getByLabel(/^Formula, version 1/)).toHaveValue('Lock-side crepes, copy');
  hand.done('copy it');
  await page.getByRole('link', { name: 'Versions and comparing' }).click();
  await expect(page.getByText('Begun as a copy of')).toContainText('Lock-side crepes, version');
  await page.goBack();

  await hand.press(page.getByRole('button', { name: 'More of Lock-side crepes, copy' }), 'more');
  await hand.press(page.getByRole('menuitem', { name: 'Archive' }), 'Archive');
  await page.waitForURL(/\/$/);
  await expect(page.getByRole('link', { name: 'Lock-side crepes, copy' })).toHaveCount(0);
  hand.done('archive it', 3);
  await hand.press(page.getByRole('switch', { name: 'archived' }), 'archived');
  await hand.press(page.getByRole('button', { name: 'More of Lock-side crepes, copy' }), 'more');
  await hand.press(page.getByRole('menuitem', { name: 'Bring back' }), 'Bring back');
  hand.done('bring it back', 3);
  await page.goto('/');
  await hand.press(page.getByRole('button', { name: 'More of Lock-side crepes, copy' }), 'more');
  await hand.press(page.getByRole('menuitem', { name: 'Delete …' }), 'Delete');
  await hand.press(button(page, 'Delete it'), 'Delete it');
  await expect(page.getByRole('link', { name: 'Lock-side crepes, copy' })).toHaveCount(0);
  hand.done('delete it', 3);
  await hand.press(button(page, 'Undo'), 'Undo');
  await expect(page.getByRole('link', { name: 'Lock-side crepes, copy' })).toBeVisible();
  hand.done('undo that');
});

test('a helper’s paper, too much weighed in, too thick, a phone beside the tablet, a photograph', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'Tall Sunday cakes', exact: true }).first().click();
  await button(page, 'Scale and make').click();
  await page.getByLabel('Pieces').fill('6');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await button(page, 'Start this batch').click();
  await page.waitForURL(/prep/);
  const batch = page.url().replace(/\/prep$/, '');

  await hand.press(page.getByRole('link', { name: 'Plan', exact: true }), 'Plan');
  const paper = page.getByRole('link', { name: /^A sheet for each prep cook/ });
  await expect(paper).toBeVisible();
  hand.steps.push('press a sheet for each prep cook');
  expect(await pdf(page, (await paper.getAttribute('href')) ?? '')).toBeGreaterThan(0);
  hand.done('a helper’s paper', 2);

  await page.getByRole('link', { name: 'Prep', exact: true }).click();
  await toWeighIn(page);
  await page.getByRole('radio', { name: 'one at a time' }).click();
  const weighIn = page.getByRole('region', { name: 'Weigh-in' });
  await expect(weighIn.getByRole('heading', { level: 2 })).toHaveText('All-purpose wheat flour');
  await hand.fill(page.getByLabel('What the scale shows'), '200', 'what the scale shows');
  await hand.press(button(page, 'Keep it, and work the rest anew'), 'keep it');
  await expect(weighIn.getByRole('heading', { level: 2 })).toHaveText('Granulated sugar');
  await expect(weighIn.getByRole('status').first()).toContainText('Granulated sugar');
  hand.done('too much weighed in', 3);

  await page.getByRole('radio', { name: 'all lines' }).click();
  for (const box of await page.getByRole('checkbox').all()) if (!(await box.isChecked())) await box.press('Space');
  const combining = page.getByRole('region', { name: 'Combining' });
  if (!(await combining.isVisible())) await page.getByRole('radio', { name: /Combine$/ }).click();
  await combining.getByRole('button', { name: /^Dry bowl/ }).click();
  await combining.getByRole('button', { name: /^Wet bowl/ }).click();
  await combining.getByRole('button', { name: 'Combine: count' }).click();
  await combining.getByRole('button', { name: 'It is mixed: let it rest' }).click();
  const correct = page.getByRole('region', { name: 'Too thick or too thin' });
  await hand.press(correct.getByRole('list', { name: 'How it pours' }).getByRole('button').last(), 'how it pours');
  await hand.press(correct.getByRole('button', { name: /^\d+ g is in$/ }), 'that is in');
  await expect(correct.getByRole('list', { name: 'Stirred in' }).getByRole('listitem')).toHaveCount(1);
  hand.done('too thick', 5);

  // the tablet is at the griddle; a phone comes to it from its own first page
  await page.goto(`${batch}/griddle`);
  const phone = await page.context().newPage();
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto('/');
  const under = phone.getByRole('region', { name: 'Under way' });
  const there = new Hand(phone);
  const hers = under.getByRole('listitem').filter({ hasText: 'Tall Sunday cakes' }).first();
  await there.press(hers.getByRole('link'), 'the batch under way');
  await phone.waitForURL(/batches/);
  if (!/griddle/.test(phone.url()))
    await there.press(phone.getByRole('link', { name: 'Griddle', exact: true }), 'Griddle');
  await there.press(phone.getByRole('button', { name: /^Poured(?: early)?: 1/ }), 'poured');
  await expect(page.getByRole('button', { name: /piece 1, first side/ })).toBeVisible();
  there.done('a phone beside the tablet', 5);
  await phone.close();

  await page.goto(`${batch}/prep`);
  await hand.press(page.getByRole('link', { name: 'Outcome', exact: true }), 'Outcome');
  const photos = page.getByRole('region', { name: 'Photographs' });
  hand.steps.push('choose a photograph');
  await photos.locator('input[type=file]').setInputFiles({
    name: 'face.png',
    mimeType: 'image/png',
    buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 120 } }),
  });
  await expect(photos.getByRole('img')).toHaveCount(1);
  hand.done('a photograph', 3);
});

test('an odd cup weighed; a formula out by file, and one in from a saved page', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto('/');
  await page.locator('body').press('m');
  hand.steps.push('press m');
  await hand.fill(page.getByLabel('First'), '139', 'the first');
  await hand.fill(page.getByLabel('Second'), '141', 'the second');
  await hand.fill(page.getByLabel('Third'), '143', 'the third');
  await hand.press(button(page, 'Use mine from now on'), 'use mine');
  await expect(page.getByText('In use from now on')).toBeVisible();
  hand.done('an odd cup weighed', 5);
  await button(page, 'Go back to how it was').click();

  await page.goto('/');
  await hand.press(page.getByRole('button', { name: 'More of Lock-side crepes', exact: true }), 'more');
  await hand.press(page.getByRole('menuitem', { name: 'Export …' }), 'Export');
  const leaving = page.waitForEvent('download');
  await hand.press(page.getByRole('dialog').getByRole('link', { name: 'Download' }), 'Download');
  expect((await leaving).suggestedFilename()).toMatch(/^Lock-side-crepes\./);
  hand.done('a formula out by file', 3);

  await page.goto('/');
  const recipe = {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: 'Saved page cakes',
    recipeIngredient: ['250 g flour', '10 g baking powder', '300 g milk', '2 eggs'],
  };
  await hand.press(page.getByRole('link', { name: 'New formula', exact: true }), 'New formula');
  hand.steps.push('choose a saved page');
  await page.getByLabel('Choose files').setInputFiles({
    name: 'saved.html',
    mimeType: 'text/html',
    buffer: Buffer.from(
      `<html><head><script type="application/ld+json">${JSON.stringify(recipe)}</script></head></html>`,
    ),
  });
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(4);
  hand.done('one in from a saved page', 2);
});
