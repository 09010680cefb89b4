/** After the heat: what is over is frozen, labelled, planned in and served. */
import { axe, beginTime, choose, expect, newFormula, pdf, start, test } from './kitchen';

test('a surplus frozen in parcels, labelled, told on Today and on the plan, served, and taken back', async ({
  page,
}) => {
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Iron-shed waffles', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  const plan = page.url();
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  await page.getByRole('button', { name: 'Keep what is over …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Keep of Iron-shed waffles' });
  await dialog.getByRole('radio', { name: 'Taken early, to be finished in the heat' }).click();
  await dialog.getByLabel('In parcels of (empty: singly)').fill('5');
  await expect(dialog.getByText('Wrap them in parcels of 5, paper between.')).toBeVisible();
  await axe(page);
  // nothing typed is lost by a reload, nor by what is refused
  await page.reload();
  await page.getByRole('button', { name: 'Keep what is over …' }).click();
  await expect(dialog.getByLabel('In parcels of (empty: singly)')).toHaveValue('5');
  await expect(dialog.getByText('Wrap them in parcels of 5, paper between.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(dialog.getByRole('alert')).toBeVisible();
  await dialog.getByLabel('Pieces', { exact: true }).fill('12');
  await dialog.getByLabel('Where').fill('chest freezer');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await page.waitForURL(/\/kept\//);
  await expect(page.getByText('12 waffles left')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Back to the plate' })).toContainText('Toaster, 3 to 5 min');
  await expect(page.getByText(/is the local food code’s/)).toHaveCount(1);
  await axe(page);
  expect(await pdf(page, `${page.url()}/label`)).toBe(1);
  const lot = page.url();

  const leaves = page.getByRole('region', { name: 'What leaves' });
  await leaves.getByLabel('Pieces').fill('99');
  await leaves.getByRole('button', { name: 'Served' }).click();
  await expect(leaves.getByText('There are only 12 waffles.')).toBeVisible();
  await expect(leaves.getByLabel('Pieces')).toHaveValue('99');
  await leaves.getByLabel('Pieces').fill('5');
  await leaves.getByRole('button', { name: 'Served' }).click();
  await expect(page.getByText('7 waffles left')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('12 waffles left')).toBeVisible();
  await expect(leaves.getByText('taken back')).toBeVisible();

  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Use first' })).toContainText('12 waffles, frozen');
  await page.goto(plan);
  await expect(page.getByText(/There are 12 waffles kept, frozen/)).toBeVisible();
  // planned in: so many fewer are made, they leave with the batch, and are heated again with the last
  await page.getByLabel(/^Pieces of K-/).fill('13');
  await expect(page.getByText('Only 12 are left.')).toBeVisible();
  await page.getByLabel(/^Pieces of K-/).fill('5');
  const asked = Number(await page.getByLabel('Pieces', { exact: true }).inputValue());
  await expect(
    page.getByText(`${asked} waffles in all: 5 from what is kept, ${asked - 5} made.`, { exact: false }),
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText(`${asked - 5} waffles`);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  const batch = await start(page);
  await page.goto(`${batch}/plan`);
  await expect(page.getByText(/With 5 waffles of K-\d+, frozen: they have left their lot for it/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Time line' })).toContainText('Heat 5 waffles again, from the freezer');
  await axe(page);
  await page.goto(lot);
  await expect(page.getByText('7 waffles left')).toBeVisible();
  await expect(leaves.getByRole('link', { name: 'Iron-shed waffles' })).toBeVisible();
  // given up it gives them back
  await page.goto(`${batch}/plan`);
  await page.getByRole('button', { name: 'More of this batch' }).click();
  await page.getByRole('menuitem', { name: 'Give up this batch …' }).click();
  await page.getByRole('button', { name: 'Give it up: what it took goes back into stock' }).click();
  await page.waitForURL(/\/$/);
  await page.goto('/kept');
  await expect(page.getByRole('row', { name: /Iron-shed waffles/ })).toContainText('chest freezer');
  await axe(page);
  await page.goto(lot);
  // twice in a row, without the page being opened anew
  await leaves.getByLabel('Pieces').fill('2');
  await leaves.getByRole('button', { name: 'Served' }).click();
  await expect(page.getByText('10 waffles left')).toBeVisible();
  await leaves.getByLabel('Pieces').fill('10');
  await leaves.getByRole('button', { name: 'Thrown away' }).click();
  await expect(page.getByText('Nothing left')).toBeVisible();
  await page.goto('/kept');
  await expect(page.getByText('All of it is used up.')).toBeVisible();
});

test('an iron that stuck is offered to its diary, asks for care, and is seasoned', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Iron-shed waffles', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.getByRole('link', { name: 'Outcome', exact: true }).click();
  const offered = page.getByRole('region', { name: 'What it stuck to' });
  await expect(offered).toHaveCount(0);
  await page.getByRole('button', { name: 'Tender, tough, gummy: in words …' }).click();
  await page.getByRole('button', { name: 'stuck', exact: true }).click();
  const iron = offered.getByRole('button').first();
  const name = (await iron.textContent()) ?? '';
  await iron.click();
  await expect(offered.getByText(`✓ ${name}: noted`)).toBeVisible();
  await axe(page);
  await page.goto('/house#all');
  const care = page.getByRole('region', { name: 'Care' });
  await expect(
    care.getByText('It stuck once: clean it while it is warm, and see whether it does again.', { exact: true }),
  ).toBeVisible();
  await care.getByRole('button', { name: `${name} is seasoned` }).click();
  await expect(care.getByText('It stuck once')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(
    care.getByText('It stuck once: clean it while it is warm, and see whether it does again.', { exact: true }),
  ).toBeVisible();
  await axe(page);
});

test('each caution stands once, where it belongs, through one batch of each kind', async ({ page }) => {
  const kinds: readonly (readonly [string, readonly string[]])[] = [
    ['Cakes by the lock\n250 g flour\n10 g baking powder\n350 g milk\n2 eggs', ['raw', 'fat']],
    ['Lock waffles\n250 g flour\n10 g baking powder\n350 g milk\n2 eggs\n80 g oil', ['raw', 'steam']],
    [
      'Oven pancake by the lock\n90 g flour\n3 eggs\n180 g milk\n2 g salt\n30 g butter for the pan',
      ['raw', 'fat', 'handle'],
    ],
    ['Lock crepes\n125 g flour\n250 g milk\n3 eggs\n2 bananas, sliced, to serve', ['raw', 'knife', 'fat']],
  ];
  for (const [card, wanted] of kinds) {
    await page.goto('/formulas/new');
    await page.getByLabel(/Paste a card, as it is/).fill(card);
    await page.getByRole('button', { name: 'Read the card' }).click();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Saved as version 1')).toBeVisible();
    await page.getByRole('button', { name: 'Scale and make' }).click();
    await page.waitForURL(/plan/);
    await page.getByRole('switch', { name: 'take it from stock' }).click();
    await page.getByRole('button', { name: 'Start this batch' }).click();
    await page.waitForURL(/prep/);
    const batch = page.url().replace('/prep', '');
    const said: string[] = [];
    for (const part of ['plan', 'prep', 'griddle', 'outcome']) {
      await page.goto(`${batch}/${part}`);
      await expect(page.getByRole('link', { name: 'Outcome', exact: true })).toBeVisible();
      said.push(
        ...(await page
          .locator('[data-caution]')
          .evaluateAll((all) => all.map((c) => c.getAttribute('data-caution') ?? ''))),
      );
    }
    expect({ card: card.split('\n')[0], said: said.sort() }).toEqual({
      card: card.split('\n')[0],
      said: [...wanted].sort(),
    });
  }
});

test.describe('at a time of its own', () => {
  test.use({ alone: true });
  test('a sauce has its method and its own steps at their time; a second batch at that hour shows its steps, and clashes openly', async ({
    page,
    kitchen,
  }) => {
    await beginTime(page, kitchen, new Date(Date.UTC(2026, 10, 28, 7, 0)));
    const served = async (name: string): Promise<string> => {
      await newFormula(
        page,
        `${name}\n250 g flour\n10 g baking powder\n350 g milk\n2 eggs\n30 g oil\nmaple syrup to serve`,
      );
      await choose(page, 'Sauces and sides', 'Weir apple filling');
      await page.getByRole('switch', { name: 'served at a set time' }).click();
      const batch = await start(page);
      await page.goto(`${batch}/plan`);
      return batch;
    };
    await served('Apple cakes');
    const line = page.getByRole('region', { name: 'Time line', exact: true });
    const steps = line.getByRole('listitem');
    await expect(steps.filter({ hasText: 'Cook Weir apple filling' })).toHaveCount(1);
    await expect(steps.filter({ hasText: 'Warm Weir apple filling, stirring' })).toHaveCount(1);
    await expect(steps.filter({ hasText: 'Warm the maple syrup' })).toHaveCount(1);
    // cooked before the griddle is busy, warmed after it was cooked
    const order = (await steps.allInnerTexts()).map((t) => t.replace(/\s+/g, ' '));
    const at = (what: string): number => order.findIndex((t) => t.includes(what));
    expect(at('Cook Weir apple filling')).toBeLessThan(at('Warm Weir apple filling'));
    expect(at('Warm Weir apple filling')).toBeLessThan(order.findIndex((t) => /griddleful/i.test(t)));
    // opened, it is its own method
    await steps.filter({ hasText: 'Cook Weir apple filling' }).getByRole('button').first().click();
    await expect(line).toContainText('in foaming butter until soft at the edge');
    await expect(line.getByRole('region', { name: /^Also on this counter/ })).toHaveCount(0);
    await axe(page);
    await served('Second cakes');
    const other = page.getByRole('region', { name: 'Also on this counter: Apple cakes' });
    await expect(other.getByRole('listitem').filter({ hasText: 'Cook Weir apple filling' }).last()).toContainText(
      '(clashes)',
    );
    await expect(other.getByRole('status')).toContainText('(Apple cakes)');
    await expect(other.getByRole('status')).toContainText('want the same pair of hands');
    await axe(page);
  });
});
