/** The kitchen's network: a phone is paired, cooks beside the server's own screen, and is let out. */
import type { Page } from '@playwright/test';
import { LIMITS } from '../scripts/limits.mjs';
import { openDoor } from './door';
import { axe, expect, test, toWeighIn } from './kitchen';

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
    await own.getByRole('link', { name: 'Tall Sunday cakes', exact: true }).first().click();
    await own.getByRole('button', { name: 'Scale and make' }).click();
    await own.getByLabel('Pieces').fill('4');
    await own.getByRole('switch', { name: 'take it from stock' }).click();
    await own.getByRole('button', { name: 'Start this batch' }).click();
    await own.waitForURL(/prep/);
    await toWeighIn(own);
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
    await page.getByRole('link', { name: 'Tall Sunday cakes', exact: true }).first().click();
    await page.getByRole('button', { name: 'Scale and make' }).click();
    await page.getByLabel('Pieces').fill('4');
    await page.getByRole('switch', { name: 'take it from stock' }).click();
    await page.getByRole('button', { name: 'Start this batch' }).click();
    await page.waitForURL(/prep/);
    await toWeighIn(page);
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
