/** A device goes on while the server is away: pages open, reload and lead to each other, and what is done goes in once. */
import { axe, expect, fourTallCakes, test } from './kitchen';

test('server gone: the griddle is tapped, reloaded, left and come back to; back again, all is in once', async ({
  page,
  kitchen,
  browser,
  expected,
}) => {
  // what is asked of a server that is gone
  expected.push(/ERR_CONNECTION_REFUSED|Failed to fetch|ERR_FAILED|ERR_INTERNET|Failed to load|503/);
  await page.goto(kitchen.url);
  const griddle = `${new URL(await fourTallCakes(page)).pathname}/griddle`;
  await page.goto('about:blank');

  const context = await browser.newContext({ baseURL: kitchen.url, serviceWorkers: 'allow' });
  const tablet = await context.newPage();
  await tablet.goto(griddle);
  await tablet.getByRole('button', { name: /^Poured: 1/ }).click();
  await expect(tablet.getByRole('button', { name: /piece 1, first side/ })).toBeVisible();
  // copies of what is under way are there, of this page with its pour
  const copies = () =>
    tablet.evaluate(async () => {
      const kept = await caches.open('pages');
      const paths = (await kept.keys()).map((r) => new URL(r.url).pathname);
      const here = await kept.match(location.pathname);
      return { paths, isPoured: /act\\?":\\?"pour/.test((await here?.text()) ?? '') };
    });
  await expect.poll(async () => (await copies()).isPoured).toBe(true);
  await expect
    .poll(async () => (await copies()).paths)
    .toEqual(expect.arrayContaining(['/', griddle, griddle.replace('griddle', 'prep')]));

  await kitchen.stopServer();
  const pour = tablet.getByRole('button', { name: /^Poured: / }).first();
  await pour.click();
  await tablet.reload();
  const copy = tablet.getByText(/^Even Crumb does not answer\. This page is a copy, /);
  await expect(copy).toBeVisible();
  await expect(tablet.getByRole('button', { name: /piece 1,/ }).first()).toBeVisible();
  await pour.click();
  // by the frame's own links, as a cook goes
  await tablet.getByRole('link', { name: 'Today', exact: true }).first().click();
  await expect(tablet).toHaveURL(`${kitchen.url}/`);
  await expect(copy).toBeVisible();
  await tablet.goto(griddle.replace('griddle', 'prep'));
  await expect(copy).toBeVisible();
  // a page that was never opened here has no copy, and says so
  await tablet.goto('/formulas/0b8f5c0e-0000-4000-8000-000000000001');
  await expect(tablet.getByRole('heading', { name: 'Even Crumb does not answer' })).toBeVisible();
  await tablet.goto(griddle);
  await expect(copy).toBeVisible();

  await kitchen.startServer();
  await expect(copy).toHaveCount(0);
  await expect
    .poll(() =>
      kitchen.sql(
        'select act, count(*)::int as n from batch_taps t join batches b on b.id = t.batch_id where b.finished_at is null group by act order by act',
      ),
    )
    .toEqual([{ act: 'pour', n: 3 }]);

  // the server answers, and its records do not: the copy stands in as well, and goes when they are back
  await expect
    .poll(() =>
      tablet.evaluate(async () => {
        const heard = (await (await caches.open('pages')).keys()).find((r) => r.url.endsWith('/events'));
        const text = heard ? await (await caches.match(heard))?.text() : '';
        return text?.match(/"act":"pour"/g)?.length;
      }),
    )
    .toBe(3);
  await kitchen.away();
  await tablet.reload();
  await expect(copy).toBeVisible();
  await expect(tablet.getByRole('button', { name: /piece 3,/ }).first()).toBeVisible();
  await kitchen.back();
  await expect(copy).toHaveCount(0);
  await context.close();
});

test('an update is told, and taken when the cook wants: what another hand changes draws no page anew before', async ({
  page,
}) => {
  await page.goto('/');
  const shelf = page.getByRole('region', { name: 'Formulas' });
  await expect(shelf.getByRole('link', { name: 'Cloud cakes' })).toBeVisible();
  await page.route('**/api/health', async (r) => {
    const response = await r.fetch();
    await r.fulfill({ response, headers: { ...response.headers(), 'x-even-crumb-build': 'the-next-one' } });
  });
  // another hand takes one away that this page shows
  const other = await page.context().newPage();
  await other.goto('/');
  await other.getByRole('button', { name: 'More of Cloud cakes' }).click();
  await other.getByRole('menuitem', { name: 'Archive' }).click();
  await expect(other.getByRole('link', { name: 'Cloud cakes' })).toHaveCount(0);
  await other.close();
  const line = page.getByText('Even Crumb was updated.');
  await expect(line).toBeVisible();
  await expect(shelf.getByRole('link', { name: 'Cloud cakes' })).toBeVisible();
  await axe(page);
  await page.unroute('**/api/health');
  await page.getByRole('button', { name: 'Open it anew' }).click();
  await expect(shelf.getByRole('link', { name: 'Cloud cakes' })).toHaveCount(0);
  await expect(line).toHaveCount(0);
});
