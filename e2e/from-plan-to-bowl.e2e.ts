/** From a plan to a joined batter: by cups alone, with whites, with a stand-in, for kits, and a bowl brought right. */
import type { Page } from '@playwright/test';
import { axe, beginTime, choose, chosen, expect, newFormula, pass, pasteCard, start, test, toWeighIn } from './kitchen';

const SECOND = 1000;

type Kitchen = Parameters<Parameters<typeof test>[2]>[0]['kitchen'];

/** A kitchen that has no scale. */
async function withoutScales(kitchen: Kitchen): Promise<void> {
  await kitchen.sql(
    `update kitchen set value = jsonb_set(value, '{gear}', (select jsonb_agg(g) from jsonb_array_elements(value->'gear') g where g->>'sort' <> 'scale')),
            revision = revision + 1 where key = 'house'`,
  );
}
/** How this house has it before joining. */
async function looks(page: Page, way: string): Promise<void> {
  await page.goto('/house#all');
  await choose(page, 'Before combining', way);
  await expect(page.getByText('Kept for the whole house')).toBeVisible();
}

/** Every line that is shown is ticked. @param all they are all there are, and the work goes on */
async function tickAll(page: Page, all = true): Promise<void> {
  const boxes = page.getByRole('checkbox', { checked: false });
  await expect(boxes.first()).toBeAttached();
  for (let n = await boxes.count(); n > 0; n--) {
    await boxes.first().click({ force: true });
    await expect(boxes).toHaveCount(n - 1);
  }
  // the last tick leaves the list in sight: going on is a press of its own
  if (all) await page.getByRole('button', { name: /^All weighed: on to/ }).click();
}

const joining = (page: Page) => page.getByRole('region', { name: 'Combining' });

/** Joined, counted and stopped. */
async function join(page: Page): Promise<void> {
  for (const part of await joining(page).getByRole('listitem').getByRole('button').all()) await part.click();
  await joining(page).getByRole('button', { name: 'Combine: count' }).click();
  await joining(page)
    .getByRole('button', { name: /^(Stop now|It is mixed)/ })
    .click();
}

/** No weight in grams is on the screen. */
async function noGram(page: Page): Promise<void> {
  // the choice of another exactness is named by its step
  // biome-ignore lint/performance/useDomNodeTextContent: what is shown, and not what is only read out
  const text = (await page.locator('main').innerText()).replaceAll('\u2009', '').replace('all to 0.1 g', '');
  expect(text.match(/\d\s?g\b[^\n]*/)?.[0] ?? '').toBe('');
}

test('a cook with cups, spoons and one pan: from the card to the log without a gram on the screen', async ({
  page,
  kitchen,
}) => {
  // no scale in this kitchen: the bench shows no weights, and a plan opens in cups
  await withoutScales(kitchen);
  await newFormula(
    page,
    'Cup cakes of the lock\nMakes 6\n1 1/2 cups flour\n2 tsp baking powder\n1/4 tsp salt\n1 tbsp sugar\n1 1/4 cups milk\n1 egg\n2 tbsp butter, melted',
    () => noGram(page),
  );
  await expect(page.getByRole('radio', { name: 'cups and spoons' })).toBeChecked();
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  // it opens at what the card makes: times 1 is the card, to the spoon
  for (const [what, amount] of [
    ['All-purpose wheat flour', '1 1/2 cups'],
    ['Baking powder', '2 tsp'],
    ['Table salt', '1/4 tsp'],
    ['Granulated sugar', '1 tbsp'],
    ['Whole milk', '1 1/4 cups'],
    ['Large egg', '1 egg'],
  ] as const)
    await expect(sheet.getByRole('listitem').filter({ hasText: what }).locator('strong').first()).toHaveText(amount);
  await noGram(page);
  // a portion as it is said; what is none is asked about
  const portion = page.getByLabel('Portion', { exact: true });
  await portion.fill('a bit');
  await expect(page.getByRole('alert').filter({ hasText: 'Portion: "a bit" is no portion' })).toBeVisible();
  await portion.fill('half a 1/2 cup');
  await expect(page.getByText('= 59 ml')).toBeVisible();
  await page.getByLabel('Pieces').fill('2');
  // one pan: three of them at a time at most
  await page.getByRole('button', { name: 'Iron skillet' }).click();
  await page.getByRole('button', { name: 'Long griddle' }).click();
  await page.getByLabel('At a time, at most').fill('1');
  await expect(page.getByText('1 at once on iron skillet')).toBeVisible();
  await axe(page);
  await noGram(page);
  const batch = await start(page);
  await expect(page.getByRole('button', { name: /^Measuring cups:/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Scale', exact: true })).toHaveCount(0);
  await noGram(page);
  await axe(page);
  await toWeighIn(page);
  await noGram(page);
  await tickAll(page);
  await join(page);
  await expect(page.getByRole('region', { name: 'Rest' })).toBeVisible();
  await noGram(page);
  await page.goto(`${batch}/plan`);
  await expect(page.getByRole('heading', { name: 'If things change' })).toBeVisible();
  await noGram(page);
  await page.goto(`${batch}/griddle`);
  await expect(page.getByRole('heading', { name: 'Iron skillet' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Place \d/ })).toHaveCount(1);
  for (const n of [1, 2]) {
    await page.getByRole('button', { name: new RegExp(`^Poured( early)?: ${n}$`) }).click();
    await page.getByRole('button', { name: `Turned already: ${n}`, exact: true }).click();
    await page.getByRole('button', { name: `Taken off already: ${n}`, exact: true }).click();
  }
  await noGram(page);
  await page.getByRole('link', { name: 'Write what came out' }).click();
  await page.waitForURL(/outcome/);
  await noGram(page);
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await page.waitForURL(/\/log$/);
  await expect(page.getByRole('row').filter({ hasText: 'Cup cakes of the lock' })).toContainText('Good');
});

test.describe('at a time of its own', () => {
  test.use({ alone: true });
  test('foam cakes: whites whipped and folded by either school, a tick when they are in, and then the foam’s own clock', async ({
    page,
    kitchen,
  }) => {
    await beginTime(page, kitchen);
    for (const [school, words] of [
      ['firm peaks, folded in thirds', 'a third to loosen it'],
      ['soft peaks, folded in one go', 'in one go'],
    ] as const) {
      await page.goto('/house#all');
      await choose(page, 'Whites', school);
      await expect(page.getByText('Kept for the whole house').last()).toBeVisible();
      await newFormula(
        page,
        `Lock foam, ${words}\n150 g flour\n6 g baking powder\n150 g milk\n3 eggs, separated\n45 g sugar`,
      );
      const batch = await start(page);
      await expect(page.getByRole('button', { name: /^A clean, dry bowl for the whites/ })).toBeVisible();
      await expect(page.getByRole('button', { name: /^Clean beaters/ })).toBeVisible();
      await toWeighIn(page);
      await tickAll(page);
      await expect(joining(page).getByRole('button', { name: /^Whites/ })).toBeVisible();
      await join(page);
      await pass(page, kitchen, 20 * 60 * SECOND);
      const rest = page.getByRole('region', { name: 'Rest' });
      await expect(rest.getByRole('list').filter({ hasText: words })).toBeVisible();
      await axe(page);
      await page.goto(`${batch}/griddle`);
      await expect(page.getByText('its whites are not in yet', { exact: false })).toBeVisible();
      await page.goto(`${batch}/prep`);
      await rest.getByRole('button', { name: 'They are folded in' }).click();
      await expect(rest.getByText(/✓ Whites folded in at .*: pour it by/)).toBeVisible();
      await page.goto(`${batch}/griddle`);
      await expect(page.getByText(/whites in .* ago/)).toBeVisible();
    }
  });
});

test('one making on every page: whites with their sugar in a bowl of their own, butter browned, a night in the cold, soda in the morning', async ({
  page,
}) => {
  await pasteCard(
    page,
    'Night-watch cakes\n300 g flour\n5 g instant yeast\n450 g milk\n3 eggs, separated\n40 g butter\n20 g sugar\n4 g salt\n2 g baking soda\n\n' +
      'Brown the butter; half goes into the batter, the other half is for the pan. Whisk all but the soda, cover and leave it in the fridge overnight. ' +
      'In the morning stir in the soda. Whip the whites firm with the sugar and fold them in in thirds. Griddle at 185 C, two minutes a side.',
  );
  const says = page.getByRole('region', { name: 'What the card says' });
  await says.getByRole('button', { name: /^Take all/ }).click();
  const bench = page.getByRole('region', { name: 'Lines' });
  await expect(bench.getByText('whipped with the whites')).toBeVisible();
  await page.getByRole('radio', { name: 'Making' }).click();
  const act = (name: string) =>
    page.getByRole('region', { name: 'Making' }).getByRole('listitem').filter({ hasText: name });
  await expect(act('Brown butter')).toContainText('20 g');
  await expect(act('Whip whites')).toContainText('20 g Granulated sugar');
  await expect(act('Whip whites')).toContainText('keeps 15 min');
  await expect(act('Rest batter')).toContainText('12 h');
  await expect(act('Stir in baking soda')).toBeVisible();
  await expect(act('Preheat griddle')).toContainText('185 °C');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await choose(page, 'Sauces and sides', 'Weir apple filling');
  /** Whites and soda stand apart, on the sheet as at the weigh-in. */
  const apart = async (of: ReturnType<typeof page.getByRole>): Promise<void> => {
    await expect(of.getByRole('heading', { name: 'Whites, in a clean bowl' })).toBeVisible();
    await expect(of.getByRole('heading', { name: 'After the rest' })).toBeVisible();
    await expect(of.getByRole('heading', { name: 'For the pan' })).toBeVisible();
  };
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  await apart(sheet);
  await expect(sheet).toContainText('Whip the whites to firm peaks');
  await expect(sheet).toContainText('Rest 12 h, covered and chilled.');
  const batch = await start(page);
  await expect(page.getByRole('button', { name: /^A clean, dry bowl for the whites/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Small pot for what is melted/ })).toBeVisible();
  await toWeighIn(page);
  await apart(page.getByRole('main'));
  await expect(page.getByRole('region', { name: 'Whites, in a clean bowl' })).toContainText('Granulated sugar');
  await tickAll(page);
  const steps = joining(page).getByRole('list').last();
  await expect(steps).toContainText('Last, after the rest: whip the whites to firm peaks');
  await page.goto(`${batch}/plan`);
  const day = page.getByRole('region', { name: 'Time line' });
  for (const step of ['Brown the butter', 'Whip the whites, fold them in', 'Cook Weir apple filling'])
    await expect(day.getByText(step, { exact: false }).first()).toBeVisible();
  await page.goto(`${batch}/griddle`);
  await expect(page.getByText('177 °C to 193 °C for these').first()).toBeVisible();
  await axe(page);
});

test('almond drink stands in: told before it is taken, marked on the sheet, named on the notice, and a print before it is called out', async ({
  page,
}) => {
  await newFormula(page, 'Almond trial cakes\n250 g flour\n10 g baking powder\n3 g salt\n430 g milk\n2 eggs\n30 g oil');
  const batch = await start(page);
  expect((await page.request.get(`${batch}/print/notice`)).status()).toBe(200);
  await page.getByRole('button', { name: 'Missing: Whole milk' }).click();
  await page.getByRole('button', { name: 'Almond drink: what it changes' }).click();
  const changes = page.getByRole('region', { name: 'What it changes' });
  await expect(changes).toContainText(/Brings .*nuts/);
  await expect(changes).toContainText('No longer holds milk');
  await expect(changes.getByRole('listitem').filter({ hasText: 'Whole milk' })).toContainText('left out');
  await axe(page);
  await changes.getByRole('button', { name: 'Take it in this batch' }).click();
  await expect(changes).toHaveCount(0);
  await page.goto(`${batch}/plan`);
  await expect(
    page.getByRole('region', { name: 'Mixing sheet' }).getByRole('listitem').filter({ hasText: 'Almond drink' }),
  ).toContainText('stands in for whole milk');
  const change = page.getByRole('region', { name: 'If things change' });
  await expect(change.getByRole('status')).toContainText('No longer true: the allergen notice');
  await page.getByRole('link', { name: 'A notice to print' }).click();
  const notice = page.getByRole('article', { name: 'Notice' });
  await expect(notice).toContainText('Almond drink in place of whole milk');
  await expect(notice.getByRole('listitem').filter({ hasText: /nuts/i })).toContainText('almond drink');
  await expect(notice.getByRole('listitem').filter({ hasText: /^milk/i })).toHaveCount(0);
  await axe(page);
  expect((await page.request.get(`${batch}/print/notice`)).status()).toBe(200);
  await page.goto(`${batch}/plan`);
  await expect(change.getByRole('status')).toHaveCount(0);
  // more covers while nothing is weighed; then the stand-in out again needs the same
  await change.getByLabel(/More or fewer griddle cakes/).fill('20');
  await change.getByRole('button', { name: 'Plan it for 20' }).click();
  await expect(page.getByText(/Planned anew/)).toBeVisible();
  await expect(page.getByText('20 pieces', { exact: false }).first()).toBeVisible();
  await change.getByRole('button', { name: 'No almond drink after all, back to whole milk' }).click();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).not.toContainText('stands in');
  // put away, and made again from its plan
  await page.getByRole('button', { name: 'More of this batch' }).click();
  await page.getByRole('menuitem', { name: 'Give up this batch …' }).click();
  await page.getByRole('button', { name: 'Give it up: what it took goes back into stock' }).click();
  await page.waitForURL(/\/$/);
  await page.goto(`${batch}/plan`);
  await page.getByRole('button', { name: 'Make it again from its plan' }).click();
  await page.waitForURL(/prep/);
  expect(page.url()).not.toContain(batch);
});

test('twelve kits over three classes: the second look names the bench, waits for an open pile, and counts for that bench alone', async ({
  page,
}) => {
  await looks(page, 'a second person looks at every pile');
  await newFormula(page, 'Class cakes\n120 g flour\n5 g baking powder\n180 g milk\n1 egg');
  await page.getByLabel('Pieces').fill('4');
  await page.getByRole('radio', { name: 'kits for several cooks' }).click();
  await page.getByLabel('Benches').fill('4');
  await page.getByLabel('Classes').fill('3');
  await start(page);
  await toWeighIn(page);
  await page.getByRole('radio', { name: /^bench 3, class 2/ }).click();
  const boxes = page.getByRole('checkbox', { checked: false });
  await boxes.first().click({ force: true });
  await page.getByRole('radio', { name: /Second look/ }).click();
  const look = page.getByRole('region', { name: 'Second look' });
  await expect(
    look.getByRole('heading', { name: 'Somebody else looks at every pile of bench 3, class 2' }),
  ).toBeVisible();
  await expect(look).toContainText('3 piles are not weighed yet');
  await expect(look.getByRole('button', { name: 'Yes, every pile is right' })).toHaveCount(0);
  await expect(look.getByRole('row').filter({ hasText: 'open' })).toHaveCount(3);
  await axe(page);
  await page.getByRole('radio', { name: /Weigh in/ }).click();
  await tickAll(page, false);
  await page.getByRole('radio', { name: /^bench 3, class 2/ }).click();
  await page.getByRole('radio', { name: /Second look/ }).click();
  await look.getByLabel('Initials of who has looked').fill('A.B.');
  await look.getByRole('button', { name: 'Yes, every pile is right' }).click();
  await expect(page.getByRole('radio', { name: 'bench 3, class 2, looked at' })).toBeVisible();
  await page.getByRole('radio', { name: /^bench 4, class 2/ }).click();
  await page.getByRole('radio', { name: /Second look/ }).click();
  await expect(look.getByRole('heading', { name: /of bench 4, class 2$/ })).toBeVisible();
  await expect(look).toContainText('not weighed yet');
  await looks(page, 'no second look');
});

test('a bowl that is too thick is brought right by two steps, from how it is seen, in the batch’s own measures', async ({
  page,
}) => {
  await newFormula(
    page,
    'Thick trial\n2 cups flour\n1 tbsp baking powder\n1/2 tsp salt\n1 3/4 cups milk\n2 eggs\n3 tbsp butter, melted',
  );
  await page.getByRole('radio', { name: 'cups and spoons' }).click();
  await start(page);
  await toWeighIn(page);
  await tickAll(page);
  await join(page);
  const correct = page.getByRole('region', { name: 'Too thick or too thin' });
  const seen = correct.getByRole('list', { name: 'How it pours' });
  await seen.getByRole('button').nth(4).click();
  await expect(correct.getByRole('status')).toContainText(/of whole milk/);
  // far out of the usual by the card: a mis-measured cup is likelier, and it says so
  await expect(correct).toContainText('a cup that was mis-measured is likelier');
  await axe(page);
  await correct
    .getByRole('button', { name: /^[^A].* is in$/ })
    .first()
    .click();
  await seen.getByRole('button').nth(3).click();
  await correct.getByLabel(/^Or I put in/).fill('two spoonfuls');
  await expect(correct.getByText('a spoonful taken as a level tablespoon', { exact: false })).toBeVisible();
  await correct.getByRole('button', { name: 'Note it' }).click();
  await expect(correct.getByRole('list', { name: 'Stirred in' }).getByRole('listitem')).toHaveCount(2);
  await expect(correct.getByRole('list', { name: 'Stirred in' }).getByRole('listitem').nth(1)).toContainText('2 tbsp');
  await seen.getByRole('button').nth(2).click();
  await expect(correct.getByText(/^✓ .*Leave it/)).toBeVisible();
});

test('sweet and savoury crepes from one base: joined once, parted, each end finished apart and poured in its turn', async ({
  page,
}) => {
  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: "Lock-keeper's two-way crepes", exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('radio', { name: 'both from one base' }).click();
  await page.getByLabel('Pieces, sweet').fill('1');
  await page.getByLabel('Pieces, savoury').fill('1');
  await page.getByLabel('Portion, savoury').fill('a lot');
  await expect(page.getByRole('alert').filter({ hasText: 'is no portion' })).toBeVisible();
  await page.getByLabel('Portion, savoury').fill('1/4 cup');
  await expect(
    page.getByText(/^One base, combined and rested once\. Part the batter: \d+ ml for sweet, 59 ml for savoury/),
  ).toBeVisible();
  const sheet = page.getByRole('region', { name: 'Mixing sheet' });
  await expect(sheet.getByRole('heading', { name: /^Into the (sweet|savoury) part$/ }).first()).toBeVisible();
  await axe(page);
  const batch = await start(page);
  await toWeighIn(page);
  await tickAll(page);
  await join(page);
  await expect(page.getByText(/^Part the batter: \d+ ml for sweet/)).toBeVisible();
  await page.goto(`${batch}/griddle`);
  const step = page.getByRole('region', { name: 'Next' });
  await expect(step).toContainText('Rests until');
  await page.getByRole('button', { name: /^Poured( early)?: 1$/ }).click();
  // turned and taken off where it lies, before the clock asks for it
  await page.getByRole('button', { name: /: piece 1, first side/ }).click();
  await page.getByRole('button', { name: /: piece 1, second side/ }).click();
  await expect(step).toContainText('Pour 2, savoury');
});

test('flat cakes and balls from one bowl: each end its own kind, its own surface and times; what is tapped tells which is poured', async ({
  page,
}) => {
  await pasteCard(
    page,
    'Two-way lock cakes\n250 g flour\n10 g baking powder\n4 g salt\n25 g sugar\n420 g milk\n2 eggs\n40 g butter, melted',
  );
  await page.getByRole('button', { name: 'One base, two finishes' }).click();
  await page.getByRole('button', { name: 'Names, kinds and styles' }).click();
  const ends = page.getByRole('dialog', { name: 'Names, kinds and styles of the finishes' });
  await ends.getByLabel('First finish').fill('flat');
  await ends.getByLabel('Second finish').fill('balls');
  await ends.getByRole('combobox', { name: 'Kind' }).nth(1).selectOption({ label: 'Ball cake' });
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'balls' }).click();
  await expect(chosen(page, 'Kind')).toHaveText(/Ball cake/);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('radio', { name: 'both from one base' }).click();
  await page.getByLabel('Pieces, flat').fill('2');
  await page.getByLabel('Pieces, balls').fill('3');
  await page.getByLabel('Portion, flat').fill('1/4 cup');
  await expect(page.getByRole('region', { name: 'What is lit for balls' })).toContainText(
    /at once on round pan of seven/,
  );
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText(
    '2 flat of 1/4 cup (59 ml) and 3 balls',
  );
  await axe(page);
  const batch = await start(page);
  await toWeighIn(page);
  await tickAll(page);
  await join(page);
  await page.goto(`${batch}/griddle`);
  const next = page.getByRole('region', { name: 'Next' });
  await expect(next).toContainText('Rests until');
  // a free hollow tapped pours a ball, out of turn
  await page.getByRole('region', { name: 'Round pan of seven' }).getByRole('button', { name: 'Place 1: free' }).click();
  const count = page.getByRole('region', { name: 'Count' });
  await expect(next.getByRole('radio', { name: 'balls, 2 left' })).toBeVisible();
  await expect(next).toContainText('Pour 2, flat');
  await expect(next).toContainText('1/4 cup (59 ml)');
  await page.getByRole('button', { name: /^Poured( early)?: 2$/ }).click();
  await expect(next.getByRole('radio', { name: 'flat, 1 left' })).toBeVisible();
  const pan = page.getByRole('region', { name: 'Round pan of seven' });
  await pan.getByRole('button', { name: /: piece 1, first side/ }).click();
  await pan.getByRole('button', { name: /: piece 1, second side/ }).click();
  await expect(count).toContainText('flat 0 of 2, balls 1 of 3.');
  await axe(page);
});

test('one headcount: a bag of the mix and the rest mixed fresh, begun together', async ({ page }) => {
  await page.goto('/premix');
  await page.getByRole('link', { name: 'Camp trailer corn mix' }).click();
  await page
    .getByRole('main')
    .getByRole('link', { name: /version \d/i })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.waitForURL(/plan/);
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByLabel('Pieces', { exact: true }).fill('120');
  const bags = page.getByRole('region', { name: 'From bags' });
  await bags
    .getByLabel(/^Bags of lot/)
    .first()
    .fill('99');
  await expect(bags.getByRole('alert')).toContainText(/^Only \d+ are left/);
  await bags
    .getByLabel(/^Bags of lot/)
    .first()
    .fill('1');
  const told = (await bags.getByRole('status').textContent()) ?? '';
  const [, of, fresh] = /120 .* in all: (\d+) from bags, (\d+) mixed fresh/.exec(told) ?? [];
  expect(Number(of) + Number(fresh)).toBe(120);
  await axe(page);
  const batch = await start(page);
  await page.goto(`${batch}/plan`);
  await expect(page.getByText(/^One headcount with/)).toContainText(`(${of})`);
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText(`${fresh} `);
});
