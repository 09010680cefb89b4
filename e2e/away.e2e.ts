/** The database, or the whole server, away for a while: said, nothing lost, and on it goes. */
import { axe, choose, expect, test, unsent } from './kitchen';

test.afterEach(({ kitchen }) => kitchen.startServer());

test('a page without its records says so and comes back by itself', async ({ page, kitchen }) => {
  // the interface reads in the house's conventions, and remembers them while the records are away
  expect((await page.request.post('/api/v1/read', { data: { text: '1 cup flour' } })).status()).toBe(200);
  await kitchen.away();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'The kitchen’s records are out of reach' })).toBeVisible();
  await axe(page);
  // a line that lay idle may be closed by the server in the moment it is taken up again
  await expect(async () => {
    const health = await page.request.get('/api/health');
    expect(health.status()).toBe(503);
    expect(await health.json()).toEqual({ status: 'degraded', database: 'away' });
  }).toPass();
  const read = await page.request.post('/api/v1/read', { data: { text: '1 cup flour' } });
  expect(read.status()).toBe(200);
  await expect(page.getByRole('button', { name: 'Look again now' })).toBeVisible();
  await kitchen.back();
  await expect(page.getByRole('region', { name: 'Formulas' })).toBeVisible();
});

const WAITS = 'Kept in this browser: it goes into the records by itself';

test('a save while the database is away waits, is listed, and goes in by itself', async ({
  page,
  kitchen,
  expected,
}) => {
  expected.push(/503/);
  await page.goto('/');
  await page.getByRole('link', { name: 'Cloud cakes' }).click();
  await page.getByRole('textbox', { name: 'Line on the card' }).first().fill('210 g cake flour');
  await kitchen.away();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(WAITS, { exact: false })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Line on the card' }).first()).toHaveValue('210 g cake flour');
  // pressed again it is the same save
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('button', { name: '1 thing not in the records yet' }).click();
  const list = page.getByRole('dialog', { name: 'Not in the records yet' });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(list.getByText('Cloud cakes')).toBeVisible();
  await axe(page);
  await kitchen.back();
  await expect(list.getByText('All of it is in the records now.')).toBeVisible();
  await expect(page.getByText('Saved as version 2')).toBeVisible();
  expect(await kitchen.sql("select count(*)::int as n from formula_versions where name = 'Cloud cakes'")).toEqual([
    { n: 2 },
  ]);
});

test('a batch given up and a formula put away while the records are away: both wait, and are in by themselves, once', async ({
  page,
  kitchen,
  expected,
}) => {
  expected.push(/503/);
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Weigh/ })
    .first()
    .click();
  await page.waitForURL(/batches/);
  const id = page.url().split('/').at(-2);
  await kitchen.away();
  await page.getByRole('button', { name: 'More of this batch' }).click();
  await page.getByRole('menuitem', { name: 'Give up this batch …' }).click();
  await page.getByRole('button', { name: 'Give it up: what it took is used up' }).click();
  await expect(page.getByText(WAITS, { exact: false }).first()).toBeVisible();
  await axe(page);
  await kitchen.back();
  // the form that is open hears the answer, and leads away
  await expect(page.getByText('is given up; what it took is used up', { exact: false }).first()).toBeVisible();
  await expect.poll(() => unsent(page)).toBe(0);
  const [batch] = await kitchen.sql<{ away: boolean }>(
    'select put_away and finished_at is not null as away from batches where id = $1',
    [id],
  );
  expect(batch?.away).toBe(true);
  // and where its page is left meanwhile it goes in all the same
  const [formula] = await kitchen.sql<{ id: string; name: string }>(
    "select id, name from formulas where name = 'Soft oat waffles'",
  );
  await page.goto(`/formulas/${formula?.id}`);
  await kitchen.away();
  await page.getByRole('button', { name: `More of ${formula?.name}` }).click();
  await page.getByRole('menuitem', { name: 'Archive' }).click();
  await expect.poll(() => unsent(page)).toBe(1);
  await page.goto('/log');
  await kitchen.back();
  await expect.poll(() => unsent(page)).toBe(0);
  const [put] = await kitchen.sql<{ away: boolean }>(
    'select archived_at is not null as away from formulas where id = $1',
    [formula?.id],
  );
  expect(put?.away).toBe(true);
});

test('ticks made while the server is gone survive a reload and catch up', async ({ page, kitchen, expected }) => {
  // what was on its way when the server went comes in halves
  expected.push(/net::ERR_(?:CONNECTION_|SOCKET_NOT_CONNECTED|INCOMPLETE_CHUNKED)|Failed to fetch/);
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Weigh/ })
    .first()
    .click();
  await expect(page.getByText('4 of 8 still to weigh')).toBeVisible();
  await kitchen.stopServer();
  await page.getByRole('checkbox', { name: /Baking soda/ }).check({ force: true });
  await expect(page.getByText('What you did is kept in this browser', { exact: false })).toBeVisible();
  await expect(page.getByText('3 of 8 still to weigh')).toBeVisible();
  await kitchen.startServer();
  await expect(page.getByText('What you did is kept in this browser', { exact: false })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /Baking soda/ })).toBeChecked();
  // told while the records are away, and the screen left: it goes in from whichever page is open
  expected.push(/503/);
  await kitchen.away();
  await page.getByRole('checkbox', { name: /buttermilk/ }).check({ force: true });
  await expect(page.getByText('The records are out of reach just now.', { exact: false })).toBeVisible();
  const prep = page.url();
  await page.goto('/log');
  await kitchen.back();
  await expect.poll(() => unsent(page)).toBe(0);
  await page.goto(prep);
  await expect(page.getByRole('checkbox', { name: /buttermilk/ })).toBeChecked();
});

test('a premix, a lot and a start while the records are away: each opens by itself, once, when they are back', async ({
  page,
  kitchen,
  expected,
}) => {
  expected.push(/503/);
  const over = async (press: () => Promise<void>): Promise<void> => {
    await kitchen.away();
    await press();
    await expect(page.getByText(WAITS, { exact: false }).first()).toBeVisible();
    // an impatient hand makes no second one
    await press();
    await kitchen.back();
  };
  await page.goto('/premix/new');
  await choose(page, 'The dry side of', 'Iron-shed waffles');
  await page.getByLabel('Name').fill('Waffle bags');
  await over(() => page.getByRole('button', { name: 'Keep this premix' }).click());
  await page.waitForURL(/premix\/[0-9a-f-]{36}/);
  await expect(page.getByRole('heading', { name: 'Waffle bags' })).toBeVisible();

  const form = page.getByRole('form', { name: 'Make a lot' });
  await form.getByLabel('Bags').fill('3');
  await form.getByRole('switch', { name: 'take it from stock' }).click();
  await over(() => form.getByRole('button', { name: 'Put this lot in the book' }).click());
  await page.waitForURL(/premix\/lots\//);
  await expect(page.getByRole('region', { name: 'Bags', exact: true })).toContainText('3 left');

  await page.goto('/');
  await page
    .getByRole('region', { name: 'Formulas' })
    .getByRole('link', { name: 'Lock-side crepes', exact: true })
    .click();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await page.getByLabel('Pieces').fill('31');
  await page.getByRole('switch', { name: 'take it from stock' }).click();
  await over(() => page.getByRole('button', { name: 'Start this batch' }).click());
  await page.waitForURL(/prep/);
  await page.goto('/');
  await expect(page.getByText(/^31 pieces, begun/)).toHaveCount(1);
  expect(
    await kitchen.sql(
      "select (select count(*)::int from premixes where name = 'Waffle bags') as mixes, (select count(*)::int from lots l join premixes p on p.id = l.premix_id where p.name = 'Waffle bags') as lots",
    ),
  ).toEqual([{ mixes: 1, lots: 1 }]);
});

test('a price, a sauce, the house, a new formula and an outcome with a photograph, sent to nobody: a reload loses none, and each is in once by itself', async ({
  page,
  kitchen,
  expected,
}) => {
  // what was on its way when the server went comes in halves
  expected.push(/net::ERR_|Failed to fetch|503/);
  const line = (n: number) =>
    page.getByRole('button', {
      name: n === 1 ? '1 thing not in the records yet' : `${n} things not in the records yet`,
    });
  await page.goto('/pantry/flour-rye');
  const pack = page.getByRole('form', { name: 'Packs and dates' });
  await pack.getByLabel('and holds').fill('1000');
  await pack.getByLabel('A pack costs').fill('3.75');
  await kitchen.away();
  await pack.getByRole('button', { name: 'Note it' }).click();
  await expect(pack.getByText(WAITS, { exact: false })).toBeVisible();
  await expect(line(1)).toBeVisible();

  // another page, and the records still away: a second one waits beside it
  await page.goto('/sides/new').catch(() => {});
  await kitchen.back();
  await expect(page.getByLabel('Name')).toBeVisible();
  await page.getByLabel('Name').fill('Away butter');
  await page.getByLabel('One person has').fill('15');
  await page.getByRole('combobox', { name: 'Part 1' }).fill('honey');
  await page.getByRole('textbox', { name: 'Parts', exact: true }).first().fill('1');
  await page.getByLabel('How it is made').fill('Beaten while nobody answered.');
  await expect(line(1)).toHaveCount(0);
  await kitchen.stopServer();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(WAITS, { exact: false })).toBeVisible();
  await kitchen.startServer();
  await page.waitForURL(/\/sides$/);
  expect(
    await kitchen.sql(
      "select (select price::float8 from stock where ingredient_id = 'flour-rye') as price, (select count(*)::int from sides where name = 'Away butter') as sauces",
    ),
  ).toEqual([{ price: 3.75, sauces: 1 }]);
  // kept, it is no draft any more
  await page.goto('/sides/new');
  await expect(page.getByLabel('Name')).toHaveValue('');

  await page.goto('/house#all');
  const clock = page.getByLabel('Times of day');
  const other = (await clock.inputValue()) === '24' ? '12' : '24';
  await kitchen.away();
  await clock.selectOption(other);
  await expect(line(1)).toBeVisible();
  await page.getByLabel('Money').selectOption('kr');
  await kitchen.back();
  await expect(page.getByText('Kept for the whole house').first()).toBeVisible();
  await page.reload();
  await expect(clock).toHaveValue(other);
  await expect(page.getByLabel('Money')).toHaveValue('kr');

  // a new formula, saved to nobody, and the page drawn anew while it waits: it opens when it is in
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill('Away cakes\n200 g flour\n260 g milk\n1 egg\n8 g baking powder');
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('textbox', { name: 'Line on the card' }).first()).toHaveValue('200 g flour');
  await kitchen.away();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(WAITS, { exact: false })).toBeVisible();
  // nothing is sent before the page is drawn anew
  await page.route('**/acts', (r) => r.abort());
  await kitchen.back();
  await page.reload();
  await page.unroute('**/acts');
  await page.waitForURL(/formulas\/[0-9a-f-]{36}/);
  await expect(page.getByText('Away cakes').first()).toBeVisible();
  expect(await kitchen.sql("select count(*)::int as n from formulas where name = 'Away cakes'")).toEqual([{ n: 1 }]);

  const [batch] = await kitchen.sql<{ id: string }>(
    'select id from batches where finished_at is null order by started_at limit 1',
  );
  await page.goto(`/batches/${batch?.id}/outcome`);
  await kitchen.stopServer();
  await page.setInputFiles('input[type=file]', {
    name: 'face.png',
    mimeType: 'image/png',
    buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 120 } }),
  });
  await expect(line(1)).toBeVisible();
  await page.getByRole('radio', { name: 'good' }).click();
  await page.getByRole('button', { name: 'Write it in the log' }).click();
  await expect(line(2)).toBeVisible();
  await kitchen.startServer();
  await page.waitForURL(/\/log/);
  await expect(line(1)).toHaveCount(0);
  expect(
    await kitchen.sql(
      'select verdict, (select count(*)::int from photos p where p.batch_id = b.id) as photos from batches b where id = $1',
      [batch?.id],
    ),
  ).toEqual([{ verdict: 'good', photos: 1 }]);
});

test('what the records refuse after all waits with its reason; mended on its page it is in, and off the list', async ({
  page,
  kitchen,
  expected,
}) => {
  expected.push(/503/);
  await page.goto('/sides/new');
  await page.getByLabel('Name').fill('Cinnamon sugar');
  await page.getByLabel('One person has').fill('15');
  await page.getByRole('combobox', { name: 'Part 1' }).fill('honey');
  await page.getByRole('textbox', { name: 'Parts', exact: true }).first().fill('1');
  await kitchen.away();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(WAITS, { exact: false })).toBeVisible();
  await page.goto('/log');
  await kitchen.back();
  const line = page.getByRole('button', { name: '1 thing not in the records yet' });
  await line.click();
  const list = page.getByRole('dialog', { name: 'Not in the records yet' });
  await expect(list.getByText('There is one of that name already.')).toBeVisible();
  await axe(page);
  // dropped by mistake it is put back as it was
  await list.getByRole('button', { name: 'Drop it' }).click();
  await expect(list.getByText('Dropped: it does not go in.')).toBeVisible();
  await list.getByRole('button', { name: 'Put it back' }).click();
  await expect(list.getByText('There is one of that name already.')).toBeVisible();
  await list.getByRole('link', { name: 'Open its page' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('Cinnamon sugar');
  await page.keyboard.press('Escape');
  await page.getByLabel('Name').fill('Honey alone');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.waitForURL(/\/sides$/);
  await expect(page.getByRole('link', { name: 'Honey alone' })).toBeVisible();
  await expect(line).toHaveCount(0);
});

test('the page drawn anew before a save is answered, and saved again: it is the same save', async ({
  page,
  kitchen,
}) => {
  /** Presses, lets the server do it, and draws the page anew before it hears of it. */
  const unheard = async (press: () => Promise<void>): Promise<void> => {
    let unanswered = false;
    const done = new Promise<void>((told) => {
      void page.route('**/*', async (r) => {
        if (unanswered || r.request().method() !== 'POST' || !r.request().headers()['next-action']) return r.continue();
        unanswered = true;
        await r.fetch();
        told();
      });
    });
    await press();
    await done;
    await page.reload();
    await page.unroute('**/*');
  };
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill('Cakes in doubt\n200 g flour\n260 g milk\n1 egg');
  await page.getByRole('button', { name: 'Read the card' }).click();
  await page.getByLabel('What changed').fill('from the old card');
  const save = page.getByRole('button', { name: 'Save', exact: true });
  await unheard(() => save.click());
  await expect(page.getByLabel('What changed')).toHaveValue('from the old card');
  await save.click();
  await page.waitForURL(/formulas\/[0-9a-f-]{36}/);
  expect(
    await kitchen.sql('select change_note as note from formula_versions where name = $1', ['Cakes in doubt']),
  ).toEqual([{ note: 'from the old card' }]);

  await page.goto('/sides/new');
  await page.getByLabel('Name').fill('Butter in doubt');
  await page.getByLabel('One person has').fill('15');
  await page.getByRole('combobox', { name: 'Part 1' }).fill('honey');
  await page.getByRole('textbox', { name: 'Parts', exact: true }).first().fill('1');
  const keep = page.getByRole('button', { name: 'Keep it' });
  await unheard(() => keep.click());
  await expect(page.getByLabel('Name')).toHaveValue('Butter in doubt');
  await keep.click();
  await page.waitForURL(/\/sides$/);
  expect(await kitchen.sql("select count(*)::int as n from sides where name = 'Butter in doubt'")).toEqual([{ n: 1 }]);
});
