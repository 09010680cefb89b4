/** The kitchen's network: a phone is paired, cooks beside the server's own screen, and is let out. */
import { createHash, X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, BrowserType, Page } from '@playwright/test';
import { certificateIn } from '../scripts/authority.mjs';
import { LIMITS } from '../scripts/limits.mjs';
import { openDoor } from './door';
import { axe, expect, fourTallCakes, test, unsent } from './kitchen';

/** Pairs a browser by a code of the server's own screen, which stands on Devices. */
async function pairBy(page: Page, phone: Page, url: string, name: string): Promise<void> {
  await page.getByRole('button', { name: /^(?:Show a|Another) code$/ }).click();
  const shown = page.getByRole('region', { name: 'Pair a device' }).locator('strong');
  await expect(shown).toHaveText(/^[A-Z2-9]{4} [A-Z2-9]{4}$/);
  await phone.goto(`${url}/pair`);
  await phone.getByLabel('Code').fill((await shown.textContent()) ?? '');
  await phone.getByLabel('What is this device called?').fill(name);
  await phone.getByRole('button', { name: 'Pair this device' }).click();
}

test('a phone is paired by a code, taps at the griddle beside the server’s own screen, and is let out', async ({
  page,
  kitchen,
  browser,
  expected,
}) => {
  // a refused code, and what a phone asks for that is out
  expected.push(/422/, /401/);
  const door = await openDoor(kitchen);
  const hers = await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } });
  try {
    await page.goto(`${kitchen.url}/house`);
    await page.getByRole('link', { name: 'Devices' }).click();
    await expect(page.getByText(door.url)).toBeVisible();
    await page.getByRole('button', { name: 'Show a code' }).click();
    const pairing = page.getByRole('region', { name: 'Pair a device' });
    const code = ((await pairing.locator('strong').textContent()) ?? '').trim();
    expect(code).toMatch(/^[A-Z2-9]{4} [A-Z2-9]{4}$/);
    await expect(pairing.getByRole('img')).toBeVisible();
    await axe(page);

    // whatever it asks for, it is at the way in, and sees nothing of the kitchen
    const phone = await hers.newPage();
    await phone.goto(`${door.url}/log`);
    await expect(phone).toHaveURL(`${door.url}/pair`);
    await expect(phone.locator('datalist')).toHaveCount(0);
    await axe(phone);
    await phone.getByRole('button', { name: 'Pair this device' }).click();
    await expect(phone.getByText('The code has 8 letters and figures.')).toBeVisible();
    await expect(phone.getByText('A name, as Phone of Wren.')).toBeVisible();
    await phone.getByLabel('Code').fill('AAAA 2222');
    await phone.getByLabel('What is this device called?').fill('Phone of Wren');
    await phone.getByLabel('Where does it stand?').fill('griddle 2');
    await phone.getByRole('button', { name: 'Pair this device' }).click();
    await expect(phone.getByText('Not, or no longer, good: ask for a new one.')).toBeVisible();
    await phone.getByLabel('Code').fill(code.toLowerCase());
    await phone.getByRole('button', { name: 'Pair this device' }).click();
    await expect(phone).toHaveURL(`${door.url}/`);
    await expect(phone.getByRole('region', { name: 'Formulas' })).toBeVisible();
    const [cookie] = await hers.cookies();
    expect(cookie).toMatchObject({
      name: '__Host-device',
      httpOnly: true,
      secure: true,
      sameSite: 'Strict',
      path: '/',
    });
    const paired = page.getByRole('region', { name: 'Paired devices' });
    await expect(paired.getByRole('listitem')).toContainText('Phone of Wren, griddle 2');

    // pairing and letting out belong to the server's own screen
    await phone.goto(`${door.url}/house/devices`);
    await expect(phone.getByText('Devices are paired, and let out, on the server’s own screen.')).toBeVisible();
    await expect(phone.getByRole('button', { name: 'Show a code' })).toHaveCount(0);

    // a batch begun on the one is cooked on the other, and each sees what the other taps
    const own = await page.context().newPage();
    await own.goto(kitchen.url);
    await fourTallCakes(own);
    await own.getByRole('link', { name: 'Griddle', exact: true }).click();
    await own.waitForURL(/griddle/);
    await phone.goto(`${door.url}${new URL(own.url()).pathname}`);
    await phone.getByRole('button', { name: /^Poured: 1/ }).click();
    await expect(own.getByRole('button', { name: /piece 1, first side/ })).toBeVisible();
    await own.close();

    await paired.getByRole('button', { name: 'Let out Phone of Wren' }).click();
    await axe(page);
    await page.getByRole('dialog').getByRole('button', { name: 'Let it out' }).click();
    await expect(paired).toContainText('None yet.');
    await expect(async () => {
      await phone.goto(`${door.url}/log`);
      expect(phone.url()).toBe(`${door.url}/pair`);
    }).toPass({ timeout: LIMITS.expectMs });
  } finally {
    await hers.close();
    // nobody follows a server that is begun again
    await page.goto('about:blank');
    await door.shut();
  }
});

test('people sign with a PIN: a helper ticks and taps, a guest sees the table, what was left alone is locked', async ({
  page,
  kitchen,
  browser,
  expected,
}) => {
  // wrong PINs, what is another's, and what is asked for while nobody has signed
  expected.push(/422/, /403/, /401/);
  const door = await openDoor(kitchen);
  const hers = await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } });
  try {
    const people = [
      ['Sorrel', 'helper'],
      ['Linden', 'cook'],
    ] as const;
    for (const [name, role] of people)
      await kitchen.sql('insert into people (id, name, role, mark) values (gen_random_uuid(), $1, $2, $3)', [
        name,
        role,
        'ladle',
      ]);
    await page.goto(`${kitchen.url}/house/devices`);
    const phone = await hers.newPage();
    await pairBy(page, phone, door.url, 'Phone');
    // nobody has a PIN: the device does everything, and nobody is asked who it is
    await expect(phone.getByRole('region', { name: 'Formulas' })).toBeVisible();
    await expect(phone.getByRole('link', { name: 'Sign', exact: true })).toHaveCount(0);
    const signs = page.getByRole('region', { name: 'Who signs' });
    for (const [name] of people) {
      await signs.getByRole('button', { name: `PIN for ${name}` }).click();
      const pin = signs.getByLabel(`New PIN of ${name}, 4 to 12 figures`);
      await pin.fill('1234');
      await signs.getByRole('button', { name: 'Keep it' }).click();
      await expect(signs.getByText('Anybody would try that one first: another.')).toBeVisible();
      await pin.fill('2580');
      await signs.getByRole('button', { name: 'Keep it' }).click();
      await expect(signs.getByRole('button', { name: `Another PIN for ${name}` })).toBeVisible();
    }
    await axe(page);

    // who has not signed sees the table; whatever else is asked for leads to where one signs
    await expect(async () => {
      await phone.goto(`${door.url}/log`);
      expect(new URL(phone.url()).pathname).toBe('/sign');
    }).toPass({ timeout: LIMITS.expectMs });
    await axe(phone);
    await phone.getByRole('link', { name: 'What is served, and what is in it' }).click();
    await expect(phone.getByRole('heading', { name: 'What is served, and what is in it' })).toBeVisible();
    await axe(phone);
    await phone.getByRole('link', { name: 'Sign', exact: true }).click();
    await phone.getByRole('button', { name: 'Sorrel' }).click();
    await phone.getByLabel('PIN of Sorrel').fill('9999');
    await phone.getByRole('button', { name: 'Sign as Sorrel' }).click();
    await expect(phone.getByText('Not the PIN.')).toBeVisible();
    await phone.getByLabel('PIN of Sorrel').fill('2580');
    await phone.getByRole('button', { name: 'Sign as Sorrel' }).click();
    await expect(phone).toHaveURL(`${door.url}/`);
    // the places that a helper does not open are not offered; an address typed by hand says whose it is
    await expect(phone.getByRole('navigation', { name: 'Places' }).getByRole('link')).toHaveText(['Today']);
    await phone.goto(`${door.url}/pantry`);
    await expect(phone.getByText('That page is for somebody who cooks. Sorrel helps.')).toBeVisible();

    // a batch of the server's own screen: her taps are hers
    await page.goto(kitchen.url);
    await fourTallCakes(page);
    await page.getByRole('link', { name: 'Griddle', exact: true }).click();
    await page.waitForURL(/griddle/);
    const griddle = new URL(page.url()).pathname;
    await phone.goto(`${door.url}${griddle}`);
    await phone.getByRole('button', { name: /^Poured: 1/ }).click();
    await expect(page.getByRole('button', { name: /piece 1, first side/ })).toBeVisible();
    const poured = () =>
      kitchen.sql('select p.name from batch_taps t join people p on p.id = t.by_person order by t.seq');
    expect(await poured()).toEqual([{ name: 'Sorrel' }]);

    // left alone for ten minutes it locks, and what stands on it stays; the same person goes on with the PIN
    await phone.clock.install({ time: Date.now() });
    await phone.reload();
    await expect(phone.getByRole('button', { name: /piece 1, first side/ })).toBeVisible();
    await phone.clock.fastForward(11 * 60_000);
    const lock = phone.getByRole('dialog', { name: 'Nobody has touched this screen for a while' });
    await expect(lock).toBeVisible();
    await axe(phone);
    await phone.keyboard.press('Escape');
    await expect(lock).toBeVisible();
    await phone.reload();
    await expect(lock).toBeVisible();
    await lock.getByLabel('PIN of Sorrel').fill('2580');
    await lock.getByRole('button', { name: 'Sign as Sorrel' }).click();
    await expect(lock).toHaveCount(0);
    await phone
      .getByRole('button', { name: /^(?:Poured|Turned|Taken off): / })
      .first()
      .click();
    await expect.poll(poured).toEqual([{ name: 'Sorrel' }, { name: 'Sorrel' }]);

    await phone.goto(`${door.url}/sign`);
    await phone.getByRole('button', { name: 'Sign off' }).click();
    await expect(phone.getByRole('heading', { name: 'Who are you?' })).toBeVisible();
    await page.goto(`${kitchen.url}/house/devices`);
    await expect(page.getByRole('table', { name: 'What was done on the devices' })).toContainText('ticks and taps');
  } finally {
    await hers.close();
    await page.goto('about:blank');
    await door.shut();
  }
});

/** A browser that trusts one kitchen's authority, and nobody else who is unknown to it. */
async function trusting(type: BrowserType, authority: string, folder: string): Promise<BrowserContext> {
  const key = new X509Certificate(authority).publicKey.export({ type: 'spki', format: 'der' });
  const { launchOptions } = test.info().project.use;
  return await type.launchPersistentContext(folder, {
    ...launchOptions,
    args: [
      ...(launchOptions?.args ?? []),
      `--ignore-certificate-errors-spki-list=${createHash('sha256').update(key).digest('base64')}`,
    ],
    viewport: { width: 768, height: 1024 },
    serviceWorkers: 'allow',
  });
}

test('a tablet that trusts this kitchen alone goes on with the server gone: three pages, a form, a photograph, a reload', async ({
  page,
  kitchen,
  browser,
  expected,
}) => {
  expected.push(/ERR_|Failed to fetch|502|503|401/);
  const door = await openDoor(kitchen);
  const folders = [1, 2].map(() => mkdtempSync(join(tmpdir(), 'even-crumb-tablet-')));
  const [hers, strange] = [folders[0] ?? '', folders[1] ?? ''];
  const { authority } = await certificateIn(mkdtempSync(join(strange, 'else-')), {
    names: ['else.local'],
    addresses: [],
  });
  const contexts = [await trusting(browser.browserType(), door.authority, hers)];
  try {
    // who trusts another kitchen does not get in by clicking on
    const other = await trusting(browser.browserType(), authority, strange);
    contexts.push(other);
    await expect((await other.newPage()).goto(`${door.url}/pair`)).rejects.toThrow(/ERR_CERT_/);

    await kitchen.sql(
      "insert into people (id, name, role, mark) values (gen_random_uuid(), 'Linden', 'cook', 'ladle')",
    );
    await page.goto(`${kitchen.url}/house/devices`);
    const tablet = (await contexts[0]?.newPage()) as Page;
    await pairBy(page, tablet, door.url, 'Tablet');
    const signs = page.getByRole('region', { name: 'Who signs' });
    await signs.getByRole('button', { name: 'PIN for Linden' }).click();
    await signs.getByLabel('New PIN of Linden, 4 to 12 figures').fill('2580');
    await signs.getByRole('button', { name: 'Keep it' }).click();
    await expect(signs.getByRole('button', { name: 'Another PIN for Linden' })).toBeVisible();
    await expect(async () => {
      await tablet.goto(`${door.url}/sign`);
      await tablet.getByLabel('PIN of Linden').fill('2580', { timeout: 2000 });
    }).toPass({ timeout: LIMITS.expectMs });
    await tablet.getByRole('button', { name: 'Sign as Linden' }).click();
    await expect(tablet).toHaveURL(`${door.url}/`);

    const [batch] = await kitchen.sql<{ id: string }>(
      "select b.id from batches b join formula_versions v on v.id = b.version_id where finished_at is null and v.name like 'Regatta%' limit 1",
    );
    const at = `${door.url}/batches/${batch?.id}`;
    await page.goto(`${kitchen.url}/batches/${batch?.id}/prep`);
    // what is ticked on the one shows on the other
    await tablet.goto(`${at}/prep`);
    await tablet.getByRole('checkbox', { name: /Baking soda/ }).check({ force: true });
    await expect(page.getByRole('checkbox', { name: /Baking soda/ })).toBeChecked();
    await tablet.goto(`${at}/outcome`);
    await expect(tablet.getByRole('radio', { name: 'good' })).toBeVisible();
    const kept = () =>
      tablet.evaluate(async () => (await (await caches.open('pages')).keys()).map((r) => new URL(r.url).pathname));
    await expect
      .poll(kept)
      .toEqual(expect.arrayContaining(['/', `/batches/${batch?.id}/prep`, `/batches/${batch?.id}/outcome`]));

    await kitchen.stopServer();
    const copy = tablet.getByText(/^Even Crumb does not answer\. This page is a copy, /);
    await tablet.goto(`${door.url}/`);
    await expect(copy).toBeVisible();
    await tablet.goto(`${at}/prep`);
    await expect(copy).toBeVisible();
    await tablet.getByRole('checkbox', { name: /buttermilk/ }).check({ force: true });
    await tablet.goto(`${at}/outcome`);
    await expect(copy).toBeVisible();
    await tablet.setInputFiles('input[type=file]', {
      name: 'face.png',
      mimeType: 'image/png',
      buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 120 } }),
    });
    await tablet.getByRole('radio', { name: 'good' }).click();
    await tablet.getByLabel('Note').first().fill('Even to the last load.');
    await expect(tablet.getByRole('button', { name: /things? not in the records yet$/ })).toBeVisible();
    await tablet.reload();
    await expect(copy).toBeVisible();
    await expect(tablet.getByLabel('Note').first()).toHaveValue('Even to the last load.');
    await tablet.getByRole('button', { name: 'Write it in the log' }).click();
    // the server's own screen goes on as well
    await page.getByRole('checkbox', { name: /salt/i }).first().check({ force: true });

    await kitchen.startServer();
    await expect.poll(() => unsent(tablet)).toBe(0);
    await expect.poll(() => unsent(page)).toBe(0);
    expect(
      await kitchen.sql(
        `select b.verdict, p.name as judged, (select count(*)::int from photos f where f.batch_id = b.id) as photos,
                (select count(*)::int from batch_ticks t join people q on q.id = t.by_person where t.batch_id = b.id and q.name = 'Linden') as ticks
           from batches b left join people p on p.id = b.by_person where b.id = $1`,
        [batch?.id],
      ),
    ).toEqual([{ verdict: 'good', judged: 'Linden', photos: 1, ticks: 2 }]);
  } finally {
    for (const c of contexts) await c.close();
    for (const f of folders) rmSync(f, { recursive: true, force: true });
    await page.goto('about:blank');
    await door.shut();
  }
});
