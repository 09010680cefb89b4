/** A whole morning: planned, mended with what the kitchen has, followed on another screen, its bowls begun. */
import { axe, expect, test } from './kitchen';

/** So many minutes before a time of day, "07:05". */
function minus(time: string, min: number): string {
  const [h = 0, m = 0] = time.split(':').map(Number);
  const at = 60 * h + m - min;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

test('the regatta morning: a red sum mended by a tap and undone, more covers, a bowl begun, copied and given up', async ({
  page,
  browser,
  kitchen,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Regatta breakfast' }).click();
  const how = page.getByRole('region', { name: 'How it goes' });
  await expect(how).toContainText('84 covers: 3 things do not work yet.');
  await expect(how.getByText(/^Iron-shed waffles for 0[78]:[23]0: 7 pieces, nothing is lit/)).toHaveCount(2);
  await axe(page);
  const plates = page.getByRole('region', { name: 'Plates', exact: true });
  await expect(plates.getByRole('row', { name: /Iron-shed waffles/ })).toContainText('0 of 7, no place');

  // another screen follows what is done here
  const context = await browser.newContext({ baseURL: kitchen.url });
  const other = await context.newPage();
  await other.goto(new URL(page.url()).pathname);
  await expect(other.getByRole('region', { name: 'How it goes' })).toContainText('3 things');

  await how.getByRole('button', { name: /^Light Shed iron, two plates/ }).click();
  await expect(how).toContainText('84 covers: every plate in time.');
  await expect(how).toContainText(/\d+ steps have moved, most of them \w+’s/);
  await expect(plates.getByRole('row', { name: /Iron-shed waffles/ })).not.toContainText('no place');
  await expect(other.getByRole('region', { name: 'How it goes' })).toContainText('every plate in time');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(how).toContainText('3 things do not work yet');

  // rehearsed beside the way out, which is taken for what it is worth
  await page.getByRole('link', { name: 'Rehearse it' }).click();
  await expect(page.getByText(/^Nine of ten guests have their plate/)).toBeVisible();
  const beside = page.getByRole('table', { name: 'Plans side by side' });
  await expect(beside.getByRole('columnheader')).toHaveCount(3);
  await expect(beside.getByRole('row', { name: /^Nine of ten wait at most/ })).toContainText(/min.*min/);
  await axe(page);
  await page.getByRole('radio', { name: 'all at once' }).click();
  await page.getByRole('button', { name: 'One more pair of hands' }).click();
  await expect(beside.getByRole('columnheader', { name: 'One more pair of hands' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Plates over the morning' })).toContainText('Furthest behind at');
  await page.getByRole('button', { name: 'Take this plan: Light Shed iron, two plates' }).click();
  await expect(how).toContainText('every plate in time');

  // what is without wheat has a bowl of its own, and stands on no place after wheat
  await expect(page.getByRole('region', { name: 'Who does what' })).toContainText(
    'A washed bowl, whisk and spatula of their own, Winter buckwheat crepes',
  );

  // twelve more for the last wave, typed while the other screen gives another name
  await page.getByLabel('Covers').last().fill('40');
  await other.getByLabel('What it is, if you like').fill('Autumn regatta');
  await other.getByRole('button', { name: 'Work it again' }).click();
  await expect(page.getByRole('heading', { name: 'Autumn regatta' })).toBeVisible();
  await expect(page.getByLabel('Covers').last()).toHaveValue('40');
  await page.getByRole('button', { name: 'Work it again' }).click();
  await expect(how).toContainText('96 covers');
  await expect(page.getByLabel('What it is, if you like')).toHaveValue('Autumn regatta');

  // what is wrong is said at its place, and nothing is lost
  await page.getByLabel('Covers').first().fill('many');
  await page.getByRole('button', { name: 'Work it again' }).click();
  await expect(page.getByText('Write a number.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Covers').first()).toHaveValue('many');
  await page.getByLabel('Covers').first().fill('28');

  await page.getByRole('region', { name: 'Bowls' }).getByRole('link', { name: 'Plan this bowl' }).first().click();
  await expect(page.getByLabel('Pieces', { exact: true })).toHaveValue('28');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/prep/);
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Autumn regatta' }).click();
  await expect(page.getByRole('region', { name: 'Bowls' })).toContainText('Begun: Regatta griddle cakes, 28');

  // its papers: a sheet for each, one list to gather, one board of allergens
  await page.getByRole('link', { name: 'Papers' }).click();
  await expect(page.getByRole('region', { name: 'Wren', exact: true })).toContainText('Combine dry and wet');
  await expect(
    page.getByRole('region', { name: 'What to get' }).getByRole('row', { name: /^All-purpose wheat flour/ }),
  ).toContainText('Regatta griddle cakes, batter');
  const board = page.getByRole('region', { name: 'Allergens' });
  await expect(board.getByRole('row', { name: /^Winter buckwheat crepes/ })).toContainText('not in the table');
  await page.getByRole('link', { name: 'Back to the morning' }).click();

  await page.getByRole('link', { name: 'Copy to another day' }).click();
  await expect(page.getByLabel('Covers').last()).toHaveValue('40');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await page.waitForURL(/mornings\/[0-9a-f-]{36}$/);
  await page.getByRole('button', { name: 'Give up Autumn regatta' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Give it up' }).click();
  await expect(page).toHaveURL(/\/$/);
  await expect(page.getByRole('link', { name: 'Open Autumn regatta' })).toHaveCount(1);
  await context.close();
});

test('a morning from nothing: one wave, one dish, and what is missing is said at its place', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Plan a whole morning' }).click();
  const earlier = page.getByRole('region', { name: 'Earlier mornings' });
  await earlier.getByRole('link', { name: /^Copy Autumn sculls breakfast/ }).click();
  await expect(page.getByText(/Light the iron ten minutes earlier/)).toBeVisible();
  await expect(page.getByLabel('Covers').first()).toHaveValue('30');
  await page.goto('/mornings/new');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByText('Write a number.')).toBeVisible();
  await expect(page.getByText('Choose what is made.')).toBeVisible();
  await page.getByLabel('Covers').fill('12');
  await page.getByLabel('Dish').selectOption({ label: 'Regatta griddle cakes' });
  await page.getByRole('button', { name: 'Without …' }).click();
  await page.getByRole('button', { name: 'milk', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Without milk' })).toBeVisible();
  await page.getByRole('button', { name: 'milk', exact: true }).click();
  // twelve who come over half an hour are waves; a sauce of the kitchen's goes with all of them
  await page.getByRole('button', { name: 'They come over a time' }).click();
  await page.getByLabel('First at').fill('8:00');
  await page.getByLabel('Last at').fill('8:30');
  await page.getByLabel('Covers in all').fill('12');
  await page.getByRole('button', { name: 'Make it 3 waves' }).click();
  await expect(page.getByLabel('Covers').nth(2)).toHaveValue('4');
  await page.getByLabel('One of the kitchen’s sauces').selectOption({ label: 'Whipped honey butter' });
  await expect(page.getByText('12 covers, 18 g each: 216 g in all.')).toBeVisible();
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByRole('region', { name: 'How it goes' })).toContainText('12 covers: every plate in time.');
  await expect(page.getByRole('region', { name: 'Bowls' })).toContainText(
    '8 pieces of Regatta griddle cakes, for 08:15',
  );
  // a step is put five minutes earlier by a press and by a key, at a time that is typed, and let go
  const row = page
    .getByRole('region', { name: 'Who does what' })
    .getByRole('listitem')
    .filter({ hasText: 'Weigh the dry' })
    .first();
  const step = row.getByRole('button', { name: /^Weigh the dry/ });
  const was = (await row.textContent())?.slice(0, 5) ?? '';
  await step.click();
  await page.getByRole('button', { name: '5 min earlier' }).click();
  await expect(step).toHaveAccessibleName(/put by hand/);
  await step.press('ArrowLeft');
  await expect(row).toContainText(minus(was, 10));
  await row.getByLabel('At').fill(minus(was, 30));
  await row.getByRole('button', { name: 'Put it there' }).click();
  await expect(row).toContainText(minus(was, 30));
  await axe(page);
  await row.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.getByRole('button', { name: /put by hand/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Papers' }).click();
  await page.waitForURL(/papers/);
  await expect(page.getByRole('region', { name: 'Whipped honey butter' })).toContainText('216 g for 12 covers');
  await expect(page.getByRole('table', { name: 'Allergens by dish' })).toContainText('Whipped honey butter');
  await axe(page);
});

test('a morning begun: each marks what is done, another screen follows, a griddle is out and the rest is placed anew', async ({
  page,
  browser,
  kitchen,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Open Regatta breakfast' }).click();
  const how = page.getByRole('region', { name: 'How it goes' });
  await how.getByRole('button', { name: /^Light Shed iron, two plates/ }).click();
  await expect(how).toContainText('every plate in time');
  await page.getByRole('button', { name: 'Begin the morning' }).click();
  await page.waitForURL(/\/board$/);
  await expect(page.getByText(/^This is for /)).toBeVisible();
  const of = (screen: typeof page, name: string) => screen.getByRole('region', { name, exact: true });
  const total = Number(/of (\d+) done/.exec((await of(page, 'Skipper').textContent()) ?? '')?.[1]);
  expect(total).toBeGreaterThan(5);
  await axe(page);

  const context = await browser.newContext({ baseURL: kitchen.url });
  const other = await context.newPage();
  await other.goto(`${new URL(page.url()).pathname}?who=Skipper`);
  await expect(of(other, 'Skipper')).toContainText(`0 of ${total} done`);
  await expect(of(other, 'Wren')).toHaveCount(0);
  await of(page, 'Skipper').getByRole('button', { name: 'Done' }).click();
  await expect(of(page, 'Skipper')).toContainText(`1 of ${total} done`);
  await expect(of(other, 'Skipper')).toContainText(`1 of ${total} done`);
  // taken back, told with the server away, and in the records when it is back
  await page
    .getByRole('listitem')
    .filter({ hasText: /^Done:/ })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(of(other, 'Skipper')).toContainText(`0 of ${total} done`);
  await kitchen.away();
  await of(page, 'Skipper').getByRole('button', { name: 'Done' }).click();
  await expect(of(page, 'Skipper')).toContainText(`1 of ${total} done`);
  await expect(page.getByRole('button', { name: '1 thing not in the records yet' })).toBeVisible();
  await kitchen.back();
  await expect(of(other, 'Skipper')).toContainText(`1 of ${total} done`);

  // twelve more, seen before they are taken; what there is without wheat; and the long griddle is out
  const changes = page.getByRole('region', { name: 'If something changes' });
  await changes.getByRole('radio', { name: 'More or fewer guests' }).click();
  await changes.getByLabel('So many more; fewer with a minus').fill('12');
  await changes.getByRole('button', { name: 'What it changes' }).click();
  const seen = changes.getByRole('region', { name: 'What it changes' });
  await expect(seen).toContainText(
    /Regatta griddle cakes: 6 plates more, 12 pieces more: \d+ g of batter, [\d.]+ eggs/,
  );
  await axe(page);
  await seen.getByRole('button', { name: 'Take it' }).click();
  await expect(seen).toHaveCount(0);
  await changes.getByRole('radio', { name: 'A guest without …' }).click();
  await changes.getByLabel('Without', { exact: true }).selectOption('wheat');
  await expect(changes.getByRole('list', { name: 'Without wheat' })).toContainText(
    /buckwheat crepes.*nothing with wheat lay there/,
  );
  await changes.getByRole('radio', { name: 'Something is out' }).click();
  await changes.getByRole('button', { name: 'Long griddle is out' }).click();
  await expect(seen).toContainText(/Regatta griddle cakes for/);
  await expect(seen.getByRole('button', { name: /Light Long griddle/ })).toHaveCount(0);
  await seen.getByRole('button', { name: 'Take it' }).click();
  await expect(seen).toHaveCount(0);
  // two swap what is left, and are told it on the other screen
  await expect(page.getByRole('radio', { name: 'Long griddle' })).toHaveCount(0);
  const now = (name: string) => of(page, name).getByRole('paragraph').nth(1);
  const [tiller, pip] = [await now('Tiller').textContent(), await now('Pip').textContent()];
  expect(tiller).not.toBe(pip);
  await changes.getByRole('radio', { name: 'Two people swap' }).click();
  await changes.getByLabel('Who', { exact: true }).selectOption('Tiller');
  await changes.getByLabel('With whom').selectOption('Pip');
  await changes.getByRole('button', { name: 'Swap what is left' }).click();
  await expect(now('Pip')).toHaveText(tiller ?? '');
  await expect(now('Tiller')).toHaveText(pip ?? '');
  await page.getByRole('radio', { name: 'Iron skillet' }).click();
  await expect(of(page, 'Iron skillet')).toContainText(/0 of \d+ done/);
  await page.getByRole('link', { name: 'Change the plan' }).click();
  await expect(how).toContainText(/96 covers: \d+ things do not work yet/);
  await expect(page.getByRole('region', { name: 'Who does what' }).getByText(', Long griddle')).toHaveCount(0);
  await page.getByRole('link', { name: 'To the board' }).click();
  // what was done is done
  await expect(of(page, 'Skipper')).toContainText(/^Skipper1 of /);

  // closed from what was marked; what is meant for next time comes back with a copy
  await page.getByRole('link', { name: 'Close the morning' }).click();
  await axe(page);
  const cakes = page.getByRole('group', { name: 'Regatta griddle cakes' });
  await expect(cakes.getByLabel('Made')).toHaveValue('0');
  await cakes.getByLabel('Made').fill('84');
  await cakes.getByLabel('Served').fill('80');
  await expect(cakes).toContainText('4 pieces more were made than served, kept and thrown away.');
  await cakes.getByLabel('Kept').fill('four');
  await page.getByLabel('Next time').fill('Light the iron from the start');
  await page.getByRole('button', { name: 'Close the morning' }).click();
  await expect(cakes).toContainText('Write a number.');
  await cakes.getByLabel('Kept').fill('4');
  await page.getByRole('button', { name: 'Close the morning' }).click();
  await expect(page.getByRole('button', { name: 'Keep it so' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the morning' }).click();
  await page.getByRole('link', { name: 'Copy to another day' }).click();
  await expect(page.getByText('Light the iron from the start')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Formulas' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Open Regatta breakfast' })).toHaveCount(0);
  await context.close();
});

test('a class of four benches through both days: each bench its own screen, all of them before whoever teaches', async ({
  page,
  browser,
  kitchen,
}) => {
  await page.goto('/mornings/new');
  await page.getByRole('link', { name: 'A class at several benches' }).click();
  await page.getByLabel('Benches').fill('40');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByText('A whole number up to 12.')).toBeVisible();
  await expect(page.getByText('Choose what is made.')).toBeVisible();
  await axe(page);
  await page.getByLabel('Benches').fill('4');
  await page.getByLabel('What it is, if you like').fill('Juniors at the stove');
  await page.getByLabel('What every bench makes').selectOption({ label: 'Regatta griddle cakes' });
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByRole('region', { name: 'How it goes' })).toContainText('8 covers: every plate in time.');
  // the first day: each bench weighs its own
  const evening = page.getByRole('region', { name: 'The evening before' });
  await expect(evening.getByText(/^Weigh the dry, Regatta griddle cakes, Bench \d$/)).toHaveCount(4);
  // the second: nobody weighs, four benches beside each other
  await page.getByRole('button', { name: 'Begin the morning' }).click();
  await page.waitForURL(/\/board$/);
  const of = (screen: typeof page, name: string) => screen.getByRole('region', { name, exact: true });
  for (const n of [1, 2, 3, 4]) await expect(of(page, `Bench ${n}`)).toContainText(/0 of \d+ done/);
  await expect(page.getByText('Weigh the dry')).toHaveCount(0);
  await axe(page);
  const context = await browser.newContext({ baseURL: kitchen.url });
  const bench = await context.newPage();
  await bench.goto(`${new URL(page.url()).pathname}?who=${encodeURIComponent('Bench 2')}`);
  await expect(of(bench, 'Bench 1')).toHaveCount(0);
  await of(bench, 'Bench 2').getByRole('button', { name: 'Done' }).click();
  await expect(of(page, 'Bench 2')).toContainText(/1 of \d+ done/);
  await expect(of(page, 'Bench 3')).toContainText(/0 of \d+ done/);
  await context.close();
});

test('two batches that are served at one time become a morning by a tap, and are parted again', async ({
  page,
  kitchen,
}) => {
  await page.goto('/');
  // the two that are under way are served together
  await kitchen.sql(
    `update batches set timeline = jsonb_build_object('at', extract(epoch from date_trunc('hour', now()) + interval '26 hours') * 1000,
       'anchor', 'last', 'helpers', 0, 'dayOneAt', null, 'moved', '{}'::jsonb) where finished_at is null and not put_away`,
  );
  await page.reload();
  const under = page.getByRole('region', { name: 'Under way' });
  await under.getByRole('link', { name: /^Make the 2 for .* one morning$/ }).click();
  await expect(page.getByText(/under way already, and of this morning once it is kept/)).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: 'Work it out' }).click();
  await page.waitForURL(/mornings\/[0-9a-f-]{36}$/);
  await expect(page.getByText(/^Begun: /)).toContainText('Regatta griddle cakes');
  await page.goto('/');
  await expect(under.getByRole('link', { name: /one morning$/ })).toHaveCount(0);
  await page.goBack();
  await page.getByRole('button', { name: /^Give up / }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Give it up' }).click();
  await expect(under.getByRole('link', { name: /^Make the 2 for .* one morning$/ })).toBeVisible();
});
