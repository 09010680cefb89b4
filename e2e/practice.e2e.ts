/** Practice: a lesson passed and one failed, by mouse and by keys alone; a load in its order; a drill; how it goes. */
import type { Page } from '@playwright/test';
import { axe, expect, test } from './kitchen';

test.use({ alone: true });

const place = (page: Page, n: number) => page.getByRole('button', { name: new RegExp(`^Place ${n}: `) });
const speed = (page: Page, x: string) => page.getByRole('radio', { name: x }).click();

/** Opens a lesson whose time can be run on, so that nothing is waited for as a cake waits. */
const open = async (page: Page, path: string): Promise<void> => {
  await page.clock.install();
  await page.goto(path);
};
/** So much of the page's time at a go, ms: at eight times the speed less than a sign lasts. */
const STEP_MS = 250;
/** Runs the time on until a place says a sign. */
const says = (page: Page, n: number, sign: RegExp): Promise<void> =>
  expect(async () => {
    await page.clock.fastForward(STEP_MS);
    await expect(place(page, n)).toHaveAccessibleName(sign, { timeout: 1 });
  }).toPass({ timeout: 120_000, intervals: [0] });

test('a lesson failed by turning too soon, then passed by its signs; progress is kept, and erased on request', async ({
  page,
}) => {
  await open(page, '/practice');
  await expect(page.getByText('Next:')).toContainText('The first cake');
  await page.getByLabel('Who practises').selectOption({ index: 1 });
  await expect(page).toHaveURL(/who=/);
  await axe(page);
  await page.getByRole('link', { name: /^1\. The first cake/ }).click();
  await speed(page, '8 ×');
  await place(page, 1).click();
  await says(page, 1, /bubbles come and close/);
  await place(page, 1).click();
  await expect(page.getByText('Wet batter flies out as it lands.')).toBeVisible();
  await page.getByRole('radio', { name: 'Take off' }).click();
  await place(page, 1).click();
  const end = page.getByRole('region', { name: 'How it went' });
  await expect(end.getByRole('heading')).toHaveText(/^Not yet: \d+ of 100/);
  await expect(end).toContainText(/batter thrown out/);
  await expect(end).toContainText(/Best at \d:\d\d: half of the bubbles stay open.*it was turned \d+ s sooner/);
  await axe(page);
  await end.getByRole('button', { name: 'Once more' }).click();
  await speed(page, '8 ×');
  await place(page, 1).click();
  await says(page, 1, /half of the bubbles stay/);
  await place(page, 1).click();
  await expect(page.getByText('Turned clean.')).toBeVisible();
  await says(page, 1, /second side, springs back/);
  // the hand that turned it takes it off
  await place(page, 1).click();
  await expect(end.getByRole('heading')).toHaveText(/^Passed: \d+ of 100/);
  await end.getByRole('link', { name: 'All lessons' }).click();
  await expect(page.getByRole('link', { name: /^1\. The first cake/ })).toContainText('passed; best');
  await expect(page.getByText('Next:')).toContainText('Two at a time');
  const goes = page.getByRole('region', { name: 'How it goes' });
  await expect(goes).toContainText('1 of 10 lessons passed, 2 tries');
  await expect(page.getByRole('region', { name: 'The class' }).getByRole('row')).toHaveCount(2);
  await axe(page);
  await goes.getByRole('button', { name: /^Erase/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Erase/ })
    .click();
  await expect(page.getByRole('link', { name: /^1\. The first cake/ })).toContainText('not tried yet');
});

test('by keys alone: two at a time, in their order', async ({ page }) => {
  await open(page, '/practice/two');
  await expect(place(page, 1)).toBeEnabled();
  const press = async (n: number): Promise<void> => {
    await place(page, n).focus();
    await page.keyboard.press('Enter');
  };
  await page.getByRole('radio', { name: '1 ×' }).focus();
  for (let n = 0; n < 3; n++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await press(1);
  await press(2);
  for (const n of [1, 2]) {
    await says(page, n, /half of the bubbles stay|all bubbles stay/);
    await press(n);
  }
  for (const n of [1, 2]) {
    await says(page, n, /springs back/);
    await press(n);
  }
  const end = page.getByRole('region', { name: 'How it went' });
  await expect(end.getByRole('heading')).toBeFocused();
  await expect(end).toContainText('Yes: Turned in the order they were poured (in order)');
});

test('eight poured, and turned in the order they were poured', async ({ page }) => {
  await open(page, '/practice/eight');
  await expect(place(page, 8)).toBeEnabled();
  for (let n = 1; n <= 8; n++) {
    await place(page, n).click();
    // as a hand goes from place to place
    await page.clock.runFor(400);
  }
  await axe(page);
  await speed(page, '8 ×');
  for (const sign of [/half of the bubbles stay|all bubbles stay/, /springs back/])
    for (let n = 1; n <= 8; n++) {
      await says(page, n, sign);
      await place(page, n).click();
    }
  const end = page.getByRole('region', { name: 'How it went' });
  await expect(end).toContainText('Yes: Turned in the order they were poured');
  await expect(end.getByRole('listitem').filter({ hasText: /^.*Piece \d/ })).toHaveCount(8);
});

test('the griddle too hot: the drop says so, the dial goes down; a drill says why', async ({ page }) => {
  await page.goto('/practice/too-hot');
  await page.getByRole('button', { name: 'A drop of water' }).click();
  await expect(page.getByText('It skitters off as mist: too hot.')).toBeVisible();
  for (let n = 0; n < 4; n++) await page.getByRole('button', { name: 'Dial down' }).click();
  await expect(page.getByText('The dial stands at 220.')).toBeVisible();
  await page.getByRole('button', { name: 'Put fat on' }).click();
  await expect(page.getByText('Fat lies on it: wipe it off again.')).toBeVisible();

  await page.goto('/practice/drill/soda');
  const question = page.getByRole('region', { name: 'Question' });
  await expect(question).toContainText('g baking soda');
  await question.getByRole('button').first().click();
  await expect(page.getByText(/^(?:Right\.|Not quite\.)/)).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(question.getByRole('button')).toHaveCount(3);

  await page.goto('/practice/drill/scale');
  await page.getByLabel('Your answer').fill('a few');
  await page.getByRole('button', { name: 'That is it' }).click();
  await expect(page.getByText('Write a number.')).toBeVisible();
  await page.getByLabel('Your answer').fill('1 1/2');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^(?:Right\.|Not quite\.)/)).toBeVisible();
});

test('free play with a formula of the kitchen', async ({ page }) => {
  await page.goto('/practice');
  await page.getByRole('link', { name: 'Regatta griddle cakes' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Free play: Regatta griddle cakes');
  await place(page, 1).click();
  await expect(page.getByText('It hisses.')).toBeVisible();
  await axe(page);
});
