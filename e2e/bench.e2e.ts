/** The Bench: mending, dragging, beginning from nothing, swapping, comparing, and taking all of it back. */
import type { Page } from '@playwright/test';
import { axe, choose, chosen, expect, gramsBox, rail, test } from './kitchen';

const lines = (page: Page) => page.getByRole('textbox', { name: 'Line on the card' });
const take = (page: Page) => page.getByRole('button', { name: 'Take it' }).click();
const proposal = (page: Page) => page.getByRole('region', { name: 'Proposal' });

async function open(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('region', { name: 'Balance' })).toBeVisible();
}

async function paste(page: Page, card: string): Promise<void> {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(card);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('region', { name: 'Balance' })).toBeVisible();
}

test('the soda mistake is mended by the offered fix, looked at before it is taken, and undone', async ({ page }) => {
  await open(page, "Skipper's soda cakes");
  const balance = page.getByRole('region', { name: 'Balance' });
  await expect(balance.getByText(/of soda has no acid to work on/)).toBeVisible();
  await balance.getByRole('button', { name: 'As much soda as the acid works' }).click();
  await expect(proposal(page)).toContainText('The acid here can work 0.57 g of soda');
  await expect(page.getByText('becomes “1/8 teaspoon baking soda”')).toBeVisible();
  await expect(page.getByText('1 3/4 teaspoons baking powder')).toBeVisible();
  await axe(page);
  // Esc refuses it, and nothing has changed
  await page.keyboard.press('Escape');
  await expect(proposal(page)).toHaveCount(0);
  await expect(balance.getByText(/of soda has no acid to work on/)).toBeVisible();
  await balance.getByRole('button', { name: 'As much soda as the acid works' }).click();
  await take(page);
  await expect(balance.getByText('Nothing is out of line.')).toBeVisible();
  await expect(lines(page)).toHaveCount(8);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lines(page)).toHaveCount(7);
  await expect(balance.getByText(/of soda has no acid to work on/)).toBeVisible();
  // said once, it does not nag
  await balance.getByRole('button', { name: 'Leave it as it is' }).first().click();
  await expect(balance.getByText(/of soda has no acid to work on/)).toHaveCount(0);
  await page.getByRole('radio', { name: /More to know/ }).click();
  await page.getByRole('button', { name: 'Ask again' }).click();
  await expect(balance.getByText(/of soda has no acid to work on/)).toBeVisible();
});

const THICK = 'Thick crepes\n250 g flour\n300 g milk\n3 eggs\n30 g butter, melted\n10 g sugar\n2 g salt';

test('a crepe too thick is brought to its zone by dragging, then by keys, then by a typed number', async ({ page }) => {
  await paste(page, THICK);
  await expect(chosen(page, 'Kind')).toContainText('Crepe');
  const balance = page.getByRole('region', { name: 'Balance' });
  await expect(balance.getByText(/crepes \(sweet\) want thin cream to heavy cream/)).toBeVisible();
  expect(Number.parseInt(await rail(page, 'water'), 10)).toBeLessThan(220);
  const thumb = page.locator('[data-rail=water] [role=slider]');

  // by dragging: from the marker to the middle of the zone
  const from = await thumb.boundingBox();
  const track = await page.locator('[data-rail=water] [data-orientation=horizontal]').first().boundingBox();
  if (!from || !track) throw new Error('no rail');
  await page.mouse.move(from.x + from.width / 2, from.y + 12);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++)
    await page.mouse.move(from.x + ((track.x + track.width * 0.5 - from.x) * i) / 8, from.y + 12);
  await page.mouse.up();
  await expect(proposal(page)).toContainText(/Water to \d+ %/);
  await expect(page.locator('[data-rail=water]')).toContainText('in range');
  await expect(page.locator('[data-row=l2]')).toContainText('was 300');
  await page.keyboard.press('Escape');
  await expect(proposal(page)).toHaveCount(0);
  await expect(gramsBox(page, 'l2')).toHaveValue('300');

  // by keys: ten steps, a step back, to the ends of the zone, and taken
  await thumb.focus();
  const before = Number.parseInt(await rail(page, 'water'), 10);
  await page.keyboard.press('PageUp');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => rail(page, 'water')).toBe(`${before + 19} %`);
  // however quickly they come, and whenever the answers do, no key is lost
  for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowRight');
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowLeft');
  await expect.poll(() => rail(page, 'water')).toBe(`${before + 24} %`);
  // the far end would take another batch than this one: it stops where flour and total are a tenth off, and says so
  await page.keyboard.press('End');
  await expect.poll(() => rail(page, 'water')).toBe('224 %');
  await expect(proposal(page)).toContainText("Water can't go to 450 %");
  await expect(proposal(page)).toContainText('224 % is the nearest');
  await page.keyboard.press('Home');
  await expect.poll(() => rail(page, 'water')).toBe('220 %');
  await page.keyboard.press('Enter');
  await expect(proposal(page)).toHaveCount(0);
  await expect(page.locator('[data-rail=water]')).toContainText('in range');
  await expect(gramsBox(page, 'l1')).toHaveValue('225');

  // by a typed number, with the milk pinned: it says why not
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: /^Keep 300 g milk/ }).click();
  await page.getByRole('button', { name: 'Keep egg' }).click();
  await page.getByRole('button', { name: /^Keep 250 g flour/ }).click();
  await page.getByRole('textbox', { name: /^Water, percent/ }).fill('260');
  await page.keyboard.press('Enter');
  await expect(proposal(page)).toContainText(
    /Water can't go to 260 %: what brings it is kept as it is .* is the nearest/,
  );
  await page.getByRole('button', { name: 'Refuse' }).click();
  // what nothing brings can be brought: a new line, looked at first
  await page.getByRole('textbox', { name: /^Rise, g of gas/ }).fill('0.1');
  await page.keyboard.press('Enter');
  await expect(proposal(page)).toContainText('nothing on the sheet brings it');
  await page.getByRole('radio', { name: 'Add baking powder' }).click();
  await expect.poll(() => rail(page, 'lift')).toBe('0.10 g');
  await expect(page.getByText(/g baking powder$/)).toBeVisible();
  await page.getByRole('button', { name: 'Refuse' }).click();
  await page.getByRole('textbox', { name: /^Water, percent/ }).fill('many');
  await expect(page.getByText('Write a number.')).toBeVisible();
});

test('the first save changes the address under the hand: what is typed meanwhile, the way back and the focus stay', async ({
  page,
}) => {
  await page.goto('/formulas/new');
  await page
    .getByLabel(/Paste a card, as it is/)
    .fill('Winch cakes\n200 g flour\n8 g baking powder\n240 ml milk\n1 egg');
  await page.getByRole('button', { name: 'Read the card' }).click();
  const line = page.getByRole('textbox', { name: 'Line on the card' });
  await expect(line).toHaveCount(4);
  await line.nth(2).fill('250 ml milk');
  // the save is on its way for a second and a half
  await page.route(/formulas\/new$/, async (route) => {
    if (route.request().method() === 'POST') await new Promise((r) => setTimeout(r, 1500));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await line.first().fill('220 g flour');
  await page.evaluate(() => {
    document.activeElement?.setAttribute('data-mine', '');
  });
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}$/);
  await expect(page.getByText('Formula, version 1, changed since')).toBeVisible();
  // the same box, with the hand still in it
  expect(await page.evaluate(() => document.activeElement?.hasAttribute('data-mine'))).toBe(true);
  await page.keyboard.type('!');
  await expect(line.first()).toHaveValue('220 g flour!');
  await page.keyboard.press('Backspace');
  for (let n = 0; n < 2; n++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(line.first()).toHaveValue('200 g flour');
  await expect(line.nth(2)).toHaveValue('240 ml milk');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByText('Formula, version 1', { exact: true })).toBeVisible();
  await line.first().fill('230 g flour');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  const at = page.url();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.goBack();
  await expect(page).toHaveURL(at);
  await expect(line).toHaveCount(4);
  // a new one is a new one
  await page.getByRole('link', { name: 'New formula' }).first().click();
  await expect(page.getByLabel(/Paste a card, as it is/)).toHaveValue('');
});

test('a waffle from nothing, balanced; saved, changed, compared, gone back to', async ({ page }) => {
  await page.goto('/formulas/new');
  await page.getByRole('radio', { name: 'From nothing' }).click();
  await choose(page, 'Kind', 'Waffle');
  await expect(page.getByRole('region', { name: 'From nothing' })).toContainText('Nothing is out of line.');
  await choose(page, 'Liquid', 'Cultured buttermilk');
  await page.getByLabel('Pieces').fill('0');
  await expect(page.getByText('A number, more than nothing.')).toBeVisible();
  await page.getByLabel('Pieces').fill('20');
  await axe(page);
  await expect(page.getByRole('list', { name: 'Starting lines' })).toContainText('buttermilk');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByText('Nothing is out of line.')).toBeVisible();
  for (const r of ['water', 'egg', 'fat', 'sugar', 'salt', 'lift'])
    await expect(page.locator(`[data-rail=${r}]`)).toContainText('in range');
  await page.getByRole('textbox', { name: 'New formula' }).fill('Winding-hole waffles');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}$/);

  // towards a target, looked at and taken; a second version with a note
  await page.getByRole('radio', { name: 'Make it …' }).click();
  await page.getByRole('button', { name: 'Less sweet' }).click();
  await expect(proposal(page)).toContainText(/sugar \d+ % to \d+ %|sugar [\d.]+ % to [\d.]+ %/);
  await take(page);
  await page.getByLabel('What changed').fill('less sweet');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();

  await page.getByRole('link', { name: 'Versions and comparing' }).click();
  await page.getByRole('button', { name: 'What changed since 1' }).click();
  const compared = page.getByRole('region', { name: 'Side by side' });
  await expect(compared).toContainText(/What changed: granulated sugar \d+ g to [\d.]+ g/);
  await expect(compared.getByRole('row', { name: /^Sugar/ })).toContainText('−');
  await axe(page);
  // against another formula
  const other = page.getByRole('combobox', { name: 'with', exact: true });
  await other.selectOption({
    label:
      (await other
        .locator('option', { hasText: /^Iron-shed waffles/ })
        .first()
        .textContent()) ?? '',
  });
  await expect(compared).toContainText('called Iron-shed waffles');
  await page.getByRole('link', { name: 'Open version 1' }).click();
  await page.getByRole('button', { name: 'Go back to it, as a new version' }).click();
  await expect(page.getByText('Saved as version 3')).toBeVisible();
});

test('buttermilk is swapped for milk and the new leavening taken; all of it undone', async ({ page }) => {
  await open(page, 'Regatta griddle cakes');
  const lift = await rail(page, 'lift');
  await lines(page).nth(5).focus();
  await page.keyboard.press('Alt+s');
  const dialog = page.getByRole('dialog', { name: 'In place of cultured buttermilk' });
  await expect(dialog).toContainText('acid −74 meq');
  await expect(dialog).toContainText('Tree nuts: keep it apart');
  await axe(page);
  await dialog.getByRole('button', { name: 'See it with Whole milk', exact: true }).click();
  await expect(proposal(page)).toContainText('leavening is worked again');
  expect(await rail(page, 'lift')).toBe(lift);
  await page.getByRole('radio', { name: 'Only this line' }).click();
  await expect(page.getByText(/of soda has no acid to work on/)).toBeVisible();
  await page.getByRole('radio', { name: 'Whole milk for cultured buttermilk' }).click();
  await take(page);
  await expect(page.locator('[data-row=l6] input[data-line]')).toHaveValue(/milk$/);
  await expect(page.locator('[data-row=l6] input[data-line]')).not.toHaveValue(/buttermilk/);
  expect(Number(await gramsBox(page, 'l4').inputValue())).toBeGreaterThan(20);

  // then other hands: a line moved by key, one switched off, percent typed, grams typed
  await lines(page).nth(1).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(lines(page).nth(0)).toHaveValue(/sugar/);
  await page.keyboard.press('Alt+o');
  await expect(page.locator('[data-row=l2]')).toContainText('off');
  await page.getByLabel(/^Percent of flour of 8 g fine salt/).fill('2');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-row=l3] input[data-line]')).toHaveValue('10 g fine salt');
  await gramsBox(page, 'l7').fill('200');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-row=l7] input[data-line]')).toHaveValue('4 large eggs');
  await gramsBox(page, 'l1').fill('-5');
  await expect(page.getByText('More than nothing, please.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(gramsBox(page, 'l1')).toHaveValue('500');

  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z');
  await expect(page.locator('[data-row=l6] input[data-line]')).toHaveValue('880 g buttermilk');
  await expect(gramsBox(page, 'l7')).toHaveValue('150');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('[data-row=l7] input[data-line]')).toHaveValue('4 large eggs');
});

test('one base with two ends: a change of the base changes both, a batch is made of one', async ({ page }) => {
  await open(page, "Lock-keeper's two-way crepes");
  await expect(page.getByText('only in sweet').first()).toBeVisible();
  await expect(chosen(page, 'Style')).toContainText('sweet');
  await page.getByRole('radio', { name: 'savoury' }).click();
  await expect(chosen(page, 'Style')).toContainText('savoury');
  await expect(page.getByText('only in savoury').first()).toBeVisible();
  await gramsBox(page, 'l1').fill('330');
  await page.keyboard.press('Enter');
  await page.getByRole('radio', { name: 'sweet' }).click();
  await expect(gramsBox(page, 'l1')).toHaveValue('330');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('radio', { name: 'savoury' }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByRole('heading', { name: /two-way crepes, savoury/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('heading', { name: "Lock-keeper's two-way crepes, savoury" })).toBeVisible();
  await page.getByRole('link', { name: 'Outcome' }).click();
  await page.getByRole('radio', { name: 'Good' }).click();
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'two-way crepes, savoury' })).toContainText('Good');
});

test('lift, structure, yield and what a little more would do open in place; a line drives the rest', async ({
  page,
}) => {
  await open(page, 'Regatta griddle cakes');
  await page.getByRole('radio', { name: /^Rise/ }).click();
  await expect(page.getByText(/Left after the rest of 10 min/)).toBeVisible();
  await expect(page.locator('.recharts-line')).toHaveCount(2);
  await page.getByRole('button', { name: 'The same rise, no soda' }).click();
  await expect(page.locator('[data-row=l5]')).toContainText('goes');
  await page.getByRole('button', { name: 'Refuse' }).click();
  await page.getByRole('radio', { name: 'Structure' }).click();
  await expect(page.getByRole('region', { name: 'Structure' })).toContainText(/toughens \d+ %/);
  await page.getByRole('radio', { name: 'Yield' }).click();
  await expect(page.getByRole('region', { name: 'Yield' })).toContainText('Eggs to crack');
  await page.getByText('How it lies, and what a little more would do').click();
  await expect(page.getByText(/15 g more cultured buttermilk: \d+ % thinner/)).toBeVisible();
  await page.getByRole('radio', { name: /^Rise/ }).click();
  await axe(page);
  await page.getByRole('button', { name: 'More for 880 g buttermilk' }).click();
  await page.getByRole('menuitem', { name: 'Set the rest by it' }).click();
  await page.getByLabel('All there is').fill('0');
  await page.getByRole('button', { name: 'Show what follows' }).click();
  await expect(page.getByText(/more than nothing/)).toBeVisible();
  await page.getByLabel('All there is').fill('700');
  await page.getByRole('button', { name: 'Show what follows' }).click();
  await expect(proposal(page)).toContainText('No ratio moves');
  await take(page);
  await expect(gramsBox(page, 'l6')).toHaveValue('700');
  await expect(page.getByRole('button', { name: /^Keep 700 g buttermilk/ })).toHaveAttribute('aria-pressed', 'true');
});

const MENU_CARD =
  'Boat-shed blend\n200 g flour\n100 g whole wheat flour\n20 g sugar\n3 g salt\n14 g baking powder\n460 g milk\n3 eggs, separated\n40 g butter, melted\n80 g blueberries\n100 g applesauce';

test('a line: its flour blend, its eggs, its tin, what was pressed out, when it goes in, and where it stands', async ({
  page,
}) => {
  await paste(page, MENU_CARD);
  const row = (key: string) => page.locator(`[data-row=${key}]`);
  const menu = async (name: RegExp, item: string | RegExp): Promise<void> => {
    await page.getByRole('button', { name }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  // one flour switched off: the other takes over its share, and gives it back
  await menu(/^More for 100 g whole wheat/, /^Switch off/);
  await expect(gramsBox(page, 'l1')).toHaveValue('300');
  await page.getByRole('button', { name: 'Undo' }).click();
  await gramsBox(page, 'l2').fill('150');
  await page.keyboard.press('Enter');
  await expect(gramsBox(page, 'l1')).toHaveValue('150');
  await page.getByRole('switch', { name: 'total stays' }).click();
  await gramsBox(page, 'l2').fill('100');
  await page.keyboard.press('Enter');
  await expect(gramsBox(page, 'l1')).toHaveValue('150');

  // yolks here, whites there
  await menu(/^More for 3 eggs, separated/, 'Yolks here, whites there');
  await expect(row('l7').locator('[data-line]')).toHaveValue('3 egg yolks');
  await expect(page.getByRole('heading', { name: /^Fold in last/ })).toBeVisible();

  // an opened tin; a day to come is refused
  // the pantry's day stands with it already
  await menu(/^More for 14 g baking powder/, /^Opened |^When was it opened/);
  await page.getByLabel('Opened on').fill('2099-01-01');
  await page.getByRole('button', { name: 'Count it so' }).click();
  await expect(page.getByText('That day is still to come.')).toBeVisible();
  await page.getByLabel('Opened on').fill('2020-01-01');
  await page.getByRole('button', { name: 'Count it so' }).click();
  await expect(row('l5')).toContainText('counted at 20 %');

  // pressed out, more than there is refused
  await menu(/^More for 100 g applesauce/, 'Squeezed or drained?');
  await page.getByLabel('Pressed out').fill('99');
  await page.getByRole('button', { name: 'Count it so' }).click();
  await expect(page.getByText(/There is not so much water in it/)).toBeVisible();
  await page.getByLabel('Pressed out').fill('30');
  await page.getByRole('button', { name: 'Count it so' }).click();
  await expect(row('l10')).toContainText('30 g of water pressed out, 70 g go in');

  // berries on the poured face, by keyboard alone
  await page.getByRole('button', { name: /^More for 80 g blueberries/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: /^When/ }).press('ArrowRight');
  await page.getByRole('menuitem', { name: 'sprinkled on the poured face' }).press('Enter');
  await expect(row('l9')).toContainText('sprinkled on the poured face');

  // dragged by its handle from the dry bowl to the wet one
  const from = await page.getByRole('button', { name: 'Move 20 g sugar' }).boundingBox();
  const to = await row('l8').boundingBox();
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.x + 8, from.y + 16);
  await page.mouse.down();
  for (let i = 1; i <= 10; i++)
    await page.mouse.move(from.x + 8, from.y + 16 + ((to.y + 20 - from.y - 16) * i) / 10, { steps: 2 });
  await page.mouse.up();
  await page.getByRole('button', { name: /^More for 20 g sugar/ }).click();
  await expect(page.getByRole('menuitem', { name: 'Goes in: wet bowl' })).toBeVisible();
  await page.keyboard.press('Escape');

  // all of it is there after a reload
  await page.waitForTimeout(200);
  await page.reload();
  await expect(page.getByText(/Unsaved work from/)).toBeVisible();
  await expect(row('l10')).toContainText('30 g of water pressed out');
  await axe(page);
});

test("the house's ways are kept, and a formula that says nothing follows", async ({ page }) => {
  await page.goto('/house#all');
  await axe(page);
  await choose(page, 'Flour into the cup', 'dipped and levelled');
  await expect(page.getByText('Kept for the whole house')).toBeVisible();
  await paste(page, 'House cakes\n1 cup flour\n1 cup milk\n1 egg');
  await expect(gramsBox(page, 'l1')).toHaveValue('140');
  await page.goto('/house#all');
  await expect(chosen(page, 'Flour into the cup')).toContainText('dipped');
  await choose(page, 'Flour into the cup', 'spooned and levelled');
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
});

test.describe('narrow', () => {
  test.use({ viewport: { width: 768, height: 1024 } });
  test('at 768 wide the Bench and its versions stay on the page', async ({ page }) => {
    const runsOut = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    await open(page, 'Iron-shed waffles');
    await page.getByRole('radio', { name: /^Rise/ }).click();
    await page
      .getByRole('button', { name: 'The same rise, no powder' })
      .or(page.getByRole('button', { name: /acid goes/ }))
      .first()
      .click();
    expect(await runsOut()).toBeLessThanOrEqual(0);
    await page.getByRole('link', { name: 'Versions and comparing' }).click();
    await page
      .getByRole('button', { name: /What changed since/ })
      .first()
      .click();
    await expect(page.getByRole('table')).toBeVisible();
    expect(await runsOut()).toBeLessThanOrEqual(0);
    await page.goto('/house#all');
    expect(await runsOut()).toBeLessThanOrEqual(0);
  });
});
