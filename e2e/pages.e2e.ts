/** What holds for every page: headers, printing, narrow screens, long names, an empty kitchen's first words. */
import { connect } from 'node:net';
import { axe, expect, test } from './kitchen';

test('security headers on every answer, and no inline script allowed', async ({ page }) => {
  const r = await page.goto('/');
  const csp = r?.headers()['content-security-policy'] ?? '';
  expect(csp).toMatch(/script-src 'self' 'nonce-[A-Za-z0-9+/=]+' 'strict-dynamic'/);
  expect(csp).not.toMatch(/script-src[^;]*unsafe-inline/);
  expect(csp).toContain("frame-ancestors 'none'");
  expect(r?.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'same-origin',
  });
  expect(r?.headers()['x-powered-by']).toBeUndefined();
});

test('another host name is not answered', async ({ kitchen }) => {
  const { request } = await import('node:http');
  const status = await new Promise((done, fail) => {
    const r = request(kitchen.url, { headers: { host: 'elsewhere.example' } }, (answer) => done(answer.statusCode));
    r.once('error', fail);
    r.end();
  });
  expect(status).toBe(421);
});

test('the interface answers problem details through the server', async ({ page }) => {
  const big = await page.request.post('/api/v1/read', { data: { text: 'x'.repeat(2_000_000) } });
  expect(big.status()).toBe(413);
  expect(big.headers()['content-type']).toBe('application/problem+json');
  const none = await page.request.post('/api/v1/bake', { data: {} });
  expect(none.status()).toBe(404);
  expect(await none.json()).toMatchObject({ status: 404, title: 'Not found' });
});

test('25 lines with a very long name print on one page', async ({ page }) => {
  const name =
    'The very long name of the committee’s special anniversary griddle cakes for the winter regatta, second edition';
  const card = [
    name,
    '500 g flour',
    '60 g sugar',
    '8 g salt',
    '10 g baking powder',
    '880 g buttermilk',
    '3 eggs',
    ...Array.from({ length: 19 }, (_, n) => `${n + 1} g cinnamon, from jar ${n + 1}`),
  ].join('\n');
  await page.goto('/formulas/new');
  await page.getByLabel(/Paste a card, as it is/).fill(card);
  await page.getByRole('button', { name: 'Read the card' }).click();
  await expect(page.getByRole('textbox', { name: 'Line on the card' })).toHaveCount(25);
  await page.getByRole('textbox', { name: 'New formula' }).fill(name.slice(0, 120));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('griddle cakes of 60 ml');
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
});

test('on the screens used while working nothing to tap is under 44 px', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /^Weigh/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/prep$/);
  const small = async () =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('main label, main button, main nav a')]
        .filter(
          (e) =>
            e.getBoundingClientRect().height > 0 && e.getBoundingClientRect().height < 44 && !e.matches('label[for]'),
        )
        .map((e) => e.outerHTML.slice(0, 80)),
    );
  expect(await small()).toEqual([]);
  await page.getByRole('radio', { name: 'one at a time' }).click();
  await expect(page.getByRole('region', { name: 'Weigh-in' })).toBeVisible();
  expect(await small()).toEqual([]);
  await page.getByRole('radio', { name: 'all lines' }).click();
  await page.getByRole('link', { name: 'Griddle', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Poured: 1' })).toBeVisible();
  expect(await small()).toEqual([]);
  await page.getByRole('link', { name: 'Outcome' }).click();
  await expect(page).toHaveURL(/\/outcome$/);
  expect(await small()).toEqual([]);
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.getByRole('region', { name: 'Mixing sheet' })).toContainText('84 griddle cakes of 60 ml');
  await axe(page);
});

test('Records: a backup is taken, read back, downloaded; so many are kept; all of it can be read; what can’t is told on every page', async ({
  page,
  kitchen,
}) => {
  await page.goto('/house#all');
  await page.getByRole('link', { name: 'Records and backups' }).click();
  await expect(page.getByText('There is none yet.')).toBeVisible();
  await axe(page);
  await page.getByLabel('So many are kept').fill('one');
  await page.getByRole('button', { name: 'Keep so many' }).click();
  await expect(page.getByText('How many: write a whole number.')).toBeVisible();
  await page.getByLabel('So many are kept').fill('5');
  await page.getByRole('button', { name: 'Keep so many' }).click();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back up now' }).dblclick();
  const link = page.getByRole('link', { name: /^Download the backup/ });
  await expect(link).toHaveCount(1);
  const file = await page.request.get((await link.getAttribute('href')) ?? '');
  expect((await file.body()).subarray(0, 5).toString()).toBe('PGDMP');
  expect((await page.request.get('/house/records/even-crumb-2026-01-01-000000000-asked.dump')).status()).toBe(404);
  expect((await page.request.get('/house/records/..%2f..%2fpackage.json')).status()).toBe(404);
  await page.getByRole('button', { name: 'Check all of it' }).click();
  await expect(page.getByText(/rows of \d+ tables were read whole/)).toBeVisible();
  // one griddle 600 cm wide: every page says so, works without it, and it can be set aside
  await kitchen.sql(
    `update kitchen set value = jsonb_set(value, '{gear}', value->'gear' || '[{"id": "odd", "sort": "griddle", "name": "Odd", "wideCm": 600, "deepCm": 40}]') where key = 'house'`,
  );
  await page.goto('/');
  await expect(page.getByText('the house: gear, number', { exact: false })).toBeVisible();
  await axe(page);
  await page.getByRole('link', { name: 'see Records' }).click();
  await page.getByRole('button', { name: 'Set it aside' }).click();
  await expect(page.getByRole('button', { name: 'Set it aside' })).toHaveCount(0);
  await page.goto('/house#all');
  await expect(page.getByText('can’t be read', { exact: false })).toHaveCount(0);
  expect(await kitchen.sql("select value->>'name' as name from set_aside")).toEqual([{ name: 'Odd' }]);
});

test('another origin changes nothing; strange methods and addresses are 400', async ({ page, kitchen }) => {
  const asked = async (path: string, init: RequestInit = {}): Promise<number> =>
    (await fetch(`${kitchen.url}${path}`, init)).status;
  for (const path of ['/api/scale', '/api/surface', '/', '/api/v1/read']) {
    expect(
      await asked(path, { method: 'POST', body: '{"do":"tare"}', headers: { origin: 'http://elsewhere.example' } }),
    ).toBe(403);
    expect(await asked(path, { method: 'POST', body: '{}', headers: { 'sec-fetch-site': 'cross-site' } })).toBe(403);
  }
  expect(await asked('/api/scale', { method: 'POST', body: '{"do":"tare"}' })).toBe(204);
  for (const path of ['/formulas/%E0%A4%A', '/formulas/%00', '/batches/%zz/prep']) expect(await asked(path)).toBe(400);
  expect(await asked('/log', { method: 'PUT' })).toBe(400);
  expect(await asked('/api/v1/read', { method: 'PUT' })).toBe(405);
  // no browser and no fetch will send it
  const trace = await new Promise<string>((done) => {
    const { hostname, port } = new URL(kitchen.url);
    const socket = connect(Number(port), hostname, () =>
      socket.write(`TRACE / HTTP/1.1\r\nHost: ${hostname}:${port}\r\n\r\n`),
    );
    socket.once('data', (d) => {
      done(String(d).split('\r\n')[0] ?? '');
      socket.destroy();
    });
  });
  expect(trace).toContain('400');
  await page.goto('/');
});

test('two tabs on one price: the other’s change is kept with this one’s, and the same thing is asked about', async ({
  page,
  context,
}) => {
  await page.goto('/pantry/honey');
  const other = await context.newPage();
  await other.goto('/pantry/honey');
  const form = (on: typeof page) => on.getByRole('form', { name: 'Packs and dates' });
  const note = async (on: typeof page): Promise<void> => form(on).getByRole('button', { name: 'Note it' }).click();
  // both are half typed when the one saves: another field goes with it, the same field is asked about
  await form(other).getByLabel('Best before').fill('27.11.2027');
  await form(other).getByLabel('A pack costs').fill('7');
  await form(page).getByLabel('A pack costs').fill('6');
  await form(page).getByLabel('and holds').fill('750');
  await note(page);
  await expect(page.getByText('Noted')).toBeVisible();
  // what nobody has typed here follows, and what is typed stays
  await expect(form(other).getByLabel('and holds')).toHaveValue('750');
  await expect(form(other).getByLabel('A pack costs')).toHaveValue('7');
  await note(other);
  await expect(other.getByText('Another screen has changed the same', { exact: false })).toBeVisible();
  await axe(other);
  await other.getByRole('radio', { name: 'theirs: 6' }).click();
  await note(other);
  await expect(other.getByText('Another screen has changed the same', { exact: false })).toHaveCount(0);
  await other.reload();
  await expect(form(other).getByLabel('A pack costs')).toHaveValue('6');
  await expect(form(other).getByLabel('and holds')).toHaveValue('750');
  await expect(form(other).getByLabel('Best before')).toHaveValue('27 Nov 2027');
  // a count is an entry of its own
  await other.getByRole('form', { name: 'On hand' }).getByLabel('Counted', { exact: true }).fill('1.2 kg');
  await other.getByLabel('Who counted').fill('Ada');
  await other.getByRole('button', { name: 'Note the count' }).dblclick();
  await expect(other.getByRole('list', { name: 'Counts' }).getByRole('listitem').first()).toContainText(
    'counted 1\u202f200 g by Ada',
  );
  await expect(other.locator('[data-on-hand]')).toHaveText('1\u202f200 g');
});

test('what there is used up together: a formula bent for it stands on the Bench to be taken or refused', async ({
  page,
}) => {
  await page.goto('/on-hand');
  await page.getByLabel('On hand, with how much of it').fill('five eggs, 700 g of buttermilk');
  await page.getByRole('button', { name: 'What uses it up?' }).click();
  const card = page
    .getByRole('region', { name: 'What uses it up' })
    .getByRole('listitem')
    .filter({ hasText: 'Tall Sunday cakes' });
  await expect(card).toContainText('Uses all 5 eggs, all 700 g of cultured buttermilk.');
  await expect(card).toContainText('more cultured buttermilk');
  await axe(page);
  await card.getByRole('link', { name: 'Change it on the Bench' }).click();
  await expect(page.getByText('Most of all that there is')).toBeVisible();
  await expect(page.getByText('becomes “5 eggs”')).toBeVisible();
  await page.getByRole('button', { name: 'Refuse' }).click();
  await expect(page.getByText('Most of all that there is')).toHaveCount(0);
});
