/** npm run screenshots: one current picture of each main view, from the demo kitchen, into docs/screenshots. */
import type { Page } from '@playwright/test';
import { choose, expect, test, toWeighIn } from './kitchen';

const to = (name: string): string => `docs/screenshots/${name}.png`;

/** A card with a sauce, an either-or, a fraction that can be read two ways, and a heading nobody knows. */
const CARD = `Lantern waffles
For the batter:
250 g plain or wholemeal flour
2 tsp baking powder
a pinch of salt
11/2 cups milk
2 eggs, separated
80 g butter, melted

Caramel sauce:
150 g sugar
60 g butter
100 ml heavy cream

Moonlight:
120 g icing sugar
2 tbsp rum

Method
Whip the whites to stiff peaks. Rest the batter for 30 minutes. Bake in the hot waffle iron.`;

/** Two fats, tasted blind by eight, and the letters opened. */
async function trial(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'More of Tall Sunday cakes' }).click();
  await page.getByRole('menuitem', { name: 'Try two ways' }).click();
  await page.waitForURL(/\/trial$/);
  const line = page.getByRole('combobox', { name: 'Line', exact: true });
  const butter = await line
    .locator('option')
    .filter({ hasText: /butter(?!milk)/ })
    .first()
    .textContent();
  await line.selectOption({ label: butter ?? '' });
  await page.getByLabel('is to be').fill('45 g oil');
  await page.getByLabel('Who mixes').fill('Skipper');
  await page.getByRole('button', { name: 'Plan the trial' }).click();
  await page.waitForURL(/\/trials\//);
  const at = page.url();
  await page.getByRole('button', { name: 'Begin the bowls' }).click();
  await page.getByRole('link', { name: 'Taste', exact: true }).click();
  for (const [who, bowl] of ['Pip', 'Tiller', 'Wren', 'Ash', 'Moss', 'Fern', 'Reed', 'Sedge'].map(
    (name, n) => [name, n < 6 ? 'B' : 'A'] as const,
  )) {
    await page.getByLabel('Somebody else').fill(who);
    await page.getByRole('button', { name: 'Taste', exact: true }).click();
    await page.getByRole('button', { name: `Bowl ${bowl}` }).click();
    await page.getByRole('heading', { name: 'Who tastes?' }).waitFor();
  }
  await page.goto(at);
  await page.getByRole('button', { name: 'Open the letters' }).click();
  await page.getByRole('heading', { name: 'What came of it' }).waitFor();
}

test('pictures of the main views', async ({ page }) => {
  const shoot = async (name: string): Promise<void> => {
    await page.mouse.move(0, 0);
    // a page that follows what others change is never idle
    await Promise.race([page.waitForLoadState('networkidle'), page.waitForTimeout(4000)]);
    await page.waitForTimeout(300);
    await page.screenshot({ path: to(name) });
  };
  await page.goto('/');
  await shoot('today');
  await page.getByRole('link', { name: 'Regatta griddle cakes', exact: true }).click();
  await page.getByRole('region', { name: 'Balance' }).waitFor();
  await shoot('bench');
  await trial(page);
  await shoot('trial');
  await page.goto('/pantry');
  await shoot('pantry');
  await page.goto('/house/learned');
  await shoot('learned');
  await page.goto('/practice/eight');
  for (let n = 1; n <= 8; n++) {
    await page.getByRole('button', { name: `Place ${n}: free` }).click();
    await page.waitForTimeout(500);
  }
  await page.getByRole('radio', { name: '8 ×' }).click();
  await expect(page.getByRole('button', { name: /^Place 1: .*a third of the bubbles stay/ })).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('radio', { name: 'stop' }).click();
  await page.evaluate(() => scrollTo(0, 0));
  await shoot('practice');
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(CARD);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await page.getByRole('textbox', { name: 'Line on the card' }).first().focus();
  await page.getByRole('group', { name: 'Where Moonlight goes' }).waitFor();
  await shoot('card');
  await page.getByRole('button', { name: 'Read it so' }).click();
  await page.getByRole('button', { name: /^Take all/ }).click();
  await page.getByRole('radio', { name: 'Making' }).click();
  // the panel is longer than a screen
  await page.setViewportSize({ width: 1280, height: 2400 });
  const making = page.getByRole('region', { name: 'Making' });
  await making.locator('summary').filter({ hasText: 'Preheat iron' }).click();
  await making.screenshot({ path: to('making') });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  await page.getByRole('listitem').filter({ hasText: 'Regatta griddle cakes' }).getByLabel('Make for').fill('84');
  await page.getByRole('button', { name: 'Go, make Regatta griddle cakes' }).click();
  await page.getByRole('region', { name: 'Mixing sheet' }).waitFor();
  await choose(page, 'Make', 'for so many people');
  await page.getByRole('radio', { name: 'in several' }).click();
  await choose(page, 'Sauces and sides', 'Whipped honey butter');
  await page.evaluate(() => scrollTo(0, 0));
  await shoot('plan');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('switch', { name: 'served at a set time' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('region', { name: 'Time line' }).getByRole('list').first().waitFor();
  await shoot('time-line');
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Regatta breakfast' }).click();
  await page.getByRole('button', { name: /^Light Shed iron/ }).waitFor();
  await shoot('morning');
  await page.getByRole('link', { name: 'Rehearse it' }).click();
  await page.getByText('Take this plan').first().waitFor();
  await page.waitForTimeout(1500);
  await shoot('rehearsal');
  await page.getByRole('link', { name: 'Back to the morning' }).click();
  await page
    .getByRole('region', { name: 'How it goes' })
    .getByRole('button', { name: /^Light Shed iron/ })
    .click();
  await expect(page.getByText('every plate in time')).toBeVisible();
  await page.getByRole('button', { name: 'Begin the morning' }).click();
  await page.waitForURL(/board/);
  await expect(page.getByText('Light Shed iron, two plates', { exact: true })).toHaveCount(0, { timeout: 15_000 });
  await shoot('morning-board');
  await page.goto('/premix');
  await page.getByRole('link', { name: 'Camp trailer corn mix' }).click();
  await page.getByRole('region', { name: 'As waffles' }).waitFor();
  await shoot('premix');

  // a small batch, from the weigh-in to what came out
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Regatta griddle cakes', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByLabel('Pieces').fill('24');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await toWeighIn(page);
  await page.getByRole('radio', { name: 'one at a time' }).click();
  await page.getByLabel('What the scale shows').fill('510');
  await page.getByRole('region', { name: 'Too much' }).waitFor();
  await shoot('weigh-in');
  await page.getByLabel('What the scale shows').fill('');
  await page.getByRole('radio', { name: 'all lines' }).click();
  for (let n = await page.getByRole('checkbox').count(); n > 0; n--)
    await page.getByRole('checkbox', { checked: false }).first().click({ force: true });
  await page.getByRole('button', { name: /^All weighed: on to/ }).click();
  await page.getByRole('button', { name: /^Dry bowl/ }).click();
  await page.getByRole('button', { name: /^Wet bowl/ }).click();
  await page.getByRole('button', { name: 'Combine: count' }).click();
  await page.waitForTimeout(2500);
  await page.getByRole('button', { name: /^Stop now/ }).click();
  await page.getByRole('button', { name: /has to be spooned/ }).click();
  await page.getByRole('link', { name: 'Griddle', exact: true }).click();
  await page.getByText('Read it', { exact: true }).click();
  await page.getByLabel('Probe', { exact: true }).fill('176');
  await page.getByLabel('Dial', { exact: true }).fill('190');
  await page.getByRole('button', { name: 'Note it' }).click();
  for (let n = 1; n <= 7; n++) {
    await page.getByRole('button', { name: new RegExp(`^Poured( early)?: ${n}$`) }).click();
    await page.waitForTimeout(400);
  }
  await page.getByRole('button', { name: /^Place 1: piece 1/ }).click();
  await shoot('griddle');
  await page.setViewportSize({ width: 768, height: 1024 });
  await shoot('griddle-narrow');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  await page.getByRole('radio', { name: 'Fair' }).click();
  await page.getByRole('button', { name: 'burnt' }).click();
  await page.getByRole('button', { name: 'gummy middle', exact: true }).click();
  await page.getByRole('button', { name: 'dark outside, raw inside', exact: true }).click();
  await page.getByRole('region', { name: /^What most likely happened/ }).scrollIntoViewIfNeeded();
  await shoot('outcome');
  await page.goto('/log');
  await shoot('log');
});
