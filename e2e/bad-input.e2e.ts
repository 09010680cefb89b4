/** Bad input: each gets a clear message at its place, and what was typed is still there. */
import { axe, expect, gramsBox, test } from './kitchen';

async function bench(page: import('@playwright/test').Page, card: string): Promise<void> {
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(card);
  await page.getByRole('button', { name: 'Read the card' }).click();
}

const line = (page: import('@playwright/test').Page, n: number) =>
  page.getByRole('textbox', { name: 'Line on the card' }).nth(n);

test.describe('on the bench', () => {
  test('what is no amount, no unit, no ingredient, or two amounts stays as typed and is asked about', async ({
    page,
  }) => {
    await bench(page, '250 g flour\n300 g milk');
    for (const [typed, says] of [
      ['-2 cups flour', 'An amount has to be more than nothing'],
      ['0 g flour', 'An amount has to be more than nothing'],
      ['99999 kg flour', 'check the number and the unit'],
      ['NaN cups flour', 'is not in the pantry'],
      ['2 buckets flour', 'What does it hold?'],
      ['2 flour', 'A number without a unit'],
      ['1 cup moondust', '"moondust" is not in the pantry'],
      ['1 cup milk 2 cups', 'Two amounts'],
      ['a splash of milk', 'A splash is 5 to 30 ml'],
      ['flour', 'No amount is written'],
    ] as const) {
      await line(page, 0).fill(typed);
      await expect(page.getByRole('listitem').filter({ has: page.locator('[data-grams=l1]') })).toContainText(says);
      await expect(line(page, 0)).toHaveValue(typed);
      await expect(page.locator('[data-grams=l1]')).toHaveText('no grams');
    }
  });

  test('no flour, only leavening: said, and the numbers that need flour are left out', async ({ page }) => {
    await bench(page, '2 tsp baking powder');
    await expect(page.getByText('There is no flour in this formula')).toBeVisible();
    await expect(page.getByText('The ratios need a flour line with an amount.')).toBeVisible();
  });

  test('an empty paste, a paste without an ingredient, a 2 MB paste: refused beside the box, the text still in it', async ({
    page,
  }) => {
    await page.goto('/formulas/new');
    const box = page.getByLabel(/Paste a card, as it is/);
    await page.getByRole('button', { name: 'Read the card' }).click();
    await expect(page.getByText('Paste or type a card first.')).toBeVisible();
    const prose =
      'It was a fine day on the canal, and nobody wrote anything down at all.\nNot one thing was weighed that morning, they say.';
    await box.fill(prose);
    await page.getByRole('button', { name: 'Read the card' }).click();
    await expect(page.getByText('No ingredient line was found')).toBeVisible();
    await expect(box).toHaveValue(prose);
    const big = '2 cups flour and a long remark\n'.repeat(70_000);
    await box.evaluate((e, text) => {
      const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')?.set;
      set?.call(e, text);
      e.dispatchEvent(new Event('input', { bubbles: true }));
    }, big);
    await page.getByRole('button', { name: 'Read the card' }).click();
    await expect(page.getByText('a card has at most 60,000')).toBeVisible();
    expect((await box.inputValue()).length).toBe(big.length);
  });

  test('a formula without a name is not saved, and says so at the name', async ({ page }) => {
    await bench(page, '250 g flour\n300 g milk');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Give the formula a name before saving it.')).toBeVisible();
    await expect(line(page, 0)).toHaveValue('250 g flour');
  });

  test('a reload in the middle loses nothing', async ({ page }) => {
    await bench(page, '250 g flour\n300 g milk');
    await page.getByRole('textbox', { name: 'New formula' }).fill('Half done');
    await line(page, 1).fill('310 g milk');
    await page.reload();
    await expect(page.getByText(/Unsaved work from \d\d:\d\d is back/)).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'New formula' })).toHaveValue('Half done');
    await expect(line(page, 1)).toHaveValue('310 g milk');
    await page.getByRole('button', { name: 'Throw it away' }).click();
    await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(0);
  });

  test('what was typed and left is listed on every other page: gone on with, dropped, put back', async ({ page }) => {
    await bench(page, '250 g flour\n300 g milk');
    await page.getByRole('textbox', { name: 'New formula' }).fill('Half done');
    await page.goto('/log');
    const left = page.getByRole('button', { name: '1 form typed, not sent' });
    await left.click();
    const list = page.getByRole('dialog', { name: 'Not in the records yet' });
    await expect(list.getByText('Typed, and not sent.')).toBeVisible();
    await axe(page);
    await list.getByRole('button', { name: 'Drop it' }).click();
    await expect(list.getByText('Dropped: its page opens as it is in the records.')).toBeVisible();
    await list.getByRole('button', { name: 'Put it back' }).click();
    await list.getByRole('link', { name: 'Go on with it' }).click();
    await expect(page.getByRole('textbox', { name: 'New formula' })).toHaveValue('Half done');
    await expect(line(page, 1)).toHaveValue('300 g milk');
    // in front of the cook it is not in the list
    await expect(left).toHaveCount(0);
    await page.getByRole('button', { name: 'Throw it away' }).click();
    await page.goto('/log');
    await expect(left).toHaveCount(0);
  });

  test('amounts written twice that disagree: the cook says which stands', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Old tea-hut card' }).click();
    await expect(page.getByText(/Written twice, and the two disagree/)).toBeVisible();
    await expect(gramsBox(page, 'l1')).toHaveValue('340');
    await page.getByRole('button', { name: 'Which stands?' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'The measure stands' }).click();
    await expect(gramsBox(page, 'l1')).toHaveValue('250');
    await expect(page.getByText(/Written twice/)).toHaveCount(0);
  });
});

test('an old tab saving over a newer version is told, and both are kept', async ({ page, context }) => {
  await bench(page, '250 g flour\n300 g milk');
  await page.getByRole('textbox', { name: 'New formula' }).fill('Two tabs');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/formulas\/[0-9a-f-]{36}$/);
  const other = await context.newPage();
  await other.goto(page.url());
  await line(other, 1).fill('320 g milk');
  await other.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(other.getByText('Saved as version 2')).toBeVisible();
  await line(page, 1).fill('280 g milk');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(
    page.getByText('Version 2 was saved while you worked. Nothing is overwritten: yours is version 3', {
      exact: false,
    }),
  ).toBeVisible();
  await other.goto(`${page.url()}?version=2`);
  await expect(line(other, 1)).toHaveValue('320 g milk');
  await other.goto(`${page.url()}?version=3`);
  await expect(line(other, 1)).toHaveValue('280 g milk');
});

test('a double click on Save makes one version', async ({ page }) => {
  await bench(page, '250 g flour\n300 g milk');
  await page.getByRole('textbox', { name: 'New formula' }).fill('Twice clicked');
  await page.getByRole('button', { name: 'Save', exact: true }).dblclick();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  // typing on right after the save goes into the same formula, and the hand stays where it is when the address comes
  await line(page, 1).fill('310 g mil');
  await line(page, 1).press('End');
  await page.waitForURL(/\/formulas\/[0-9a-f-]{36}/);
  await expect(line(page, 1)).toBeFocused();
  await page.keyboard.type('k');
  await expect(line(page, 1)).toHaveValue('310 g milk');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Twice clicked' })).toHaveCount(1);
});

test('a plan for nothing, less than nothing, half a piece, no number or a mountain is refused at the field', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: "Juniors' small cakes" }).click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  for (const [typed, says] of [
    ['', 'write a number'],
    ['0', 'has to be more than nothing'],
    ['-4', 'has to be more than nothing'],
    ['2.5', 'come whole'],
    ['many', '"many" is not a number'],
    ['999999999', 'at most 100,000'],
  ] as const) {
    await page.getByLabel('Pieces').fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    await expect(page.getByLabel('Pieces')).toHaveValue(typed);
    await expect(page.getByRole('button', { name: 'Start this batch' })).toBeDisabled();
  }
});

test('an outcome with what is no number or time stays in the form', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Combine dry and wet' }).first().click();
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  await page.getByLabel('Pieces that came out').fill('a lot');
  await page.getByLabel('First side').fill('2:99');
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await expect(page.getByText('Say how it was.')).toBeVisible();
  await expect(page.getByText('Pieces: a whole number.')).toBeVisible();
  await expect(page.getByText('Write minutes and seconds, 2:25, or seconds.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Pieces that came out')).toHaveValue('a lot');
});

test('addresses that lead nowhere say so', async ({ page, expected }) => {
  expected.push(/404/);
  for (const path of [
    '/formulas/nonsense',
    '/formulas/00000000-0000-4000-8000-000000000000',
    '/batches/1/prep',
    '/nothing-here',
  ]) {
    const r = await page.goto(path);
    expect(r?.status()).toBe(404);
    await expect(page.getByRole('heading', { name: /nothing here/i })).toBeVisible();
  }
  await axe(page);
  // no door makes a picture anew at whatever size a stranger asks
  expect((await page.request.get('/_next/image?url=%2Ficon.png&w=64&q=75')).status()).toBe(404);
});

test('what is sent to a page in no shape at all is refused in words, and nothing of it is done', async ({
  page,
  kitchen,
}) => {
  // an action of the page as it really goes
  const asked = page.waitForRequest((r) => r.headers()['next-action'] !== undefined);
  await page.goto('/house#all');
  await page.getByLabel('Times of day').selectOption({ label: '4:05 pm' });
  const id = (await asked).headers()['next-action'] ?? '';
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
  for (const [data, type] of [
    ['{{{', 'text/plain'],
    ['', 'text/plain'],
    ['["$F1"]', 'text/plain'],
    [`${'['.repeat(50_000)}${']'.repeat(50_000)}`, 'text/plain'],
    ['--x\r\nnothing', 'multipart/form-data; boundary=x'],
  ] as const) {
    const r = await page.request.post(`${kitchen.url}/house`, {
      headers: { 'next-action': id, 'content-type': type, origin: kitchen.url },
      data: Buffer.from(data),
    });
    expect([data.slice(0, 8), r.status(), ((await r.json()) as { detail: string }).detail]).toEqual([
      data.slice(0, 8),
      400,
      expect.stringContaining('not well formed'),
    ]);
  }
});
