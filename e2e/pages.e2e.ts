/** What holds for every page: headers, printing, narrow screens, long names, an empty kitchen's first words. */
import { axe, expect, test } from './kitchen';

test('security headers on every answer, and no inline script allowed', async ({ page }) => {
  const r = await page.goto('/');
  const csp = r?.headers()['content-security-policy'] ?? '';
  expect(csp).toMatch(/script-src 'self' 'nonce-[A-Za-z0-9+/=]+' 'strict-dynamic'/);
  expect(csp).not.toMatch(/script-src[^;]*unsafe-inline/);
  expect(csp).toContain("frame-ancestors 'none'");
  expect(r?.headers()).toMatchObject({ 'x-content-type-options': 'nosniff', 'x-frame-options': 'DENY', 'referrer-policy': 'same-origin' });
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
  const name = 'The very long name of the committee’s special anniversary griddle cakes for the winter regatta, second edition';
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
  await expect(page.getByRole('textbox', { name: 'Line as written' })).toHaveCount(25);
  await page.getByRole('textbox', { name: 'New formula' }).fill(name.slice(0, 120));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved as version 1')).toBeVisible();
  await page.getByRole('button', { name: 'Scale and make' }).click();
  await expect(page.getByRole('region', { name: 'Sheet to mix from' })).toContainText('griddle cakes of 60 ml');
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
});

test.describe('narrow', () => {
  test.use({ viewport: { width: 768, height: 1024 } });
  test('at 768 wide nothing runs out of the page', async ({ page }) => {
    for (const path of ['/', '/log', '/formulas/new', '/sides', '/sides/new', '/premix', '/premix/new', '/premix/foreign']) {
      await page.goto(path);
      expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    }
    await page.goto('/');
    const prep = await page
      .getByRole('region', { name: 'Under way' })
      .getByRole('link', { name: /^Weigh/ })
      .first()
      .getAttribute('href');
    for (const part of ['plan', 'prep', 'griddle', 'outcome']) {
      await page.goto((prep ?? '').replace('prep', part));
      await expect(page.getByText('Looking at the clock')).toHaveCount(0);
      expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    }
    await page.goto('/');
    await page.getByRole('link', { name: 'Iron-shed waffles' }).click();
    await expect(page.getByRole('region', { name: 'Balance' })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    await axe(page);
  });
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
        .filter((e) => e.getBoundingClientRect().height > 0 && e.getBoundingClientRect().height < 44 && !e.matches('label[for]'))
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
  await expect(page.getByRole('region', { name: 'Sheet to mix from' })).toContainText('84 griddle cakes of 60 ml');
  await axe(page);
});
