/** The kitchen's network: a phone is paired, cooks beside the server's own screen, and is let out. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateIn } from '../scripts/authority.mjs';
import { freePort } from './free-port';
import { axe, expect, type Kitchen, test, toWeighIn } from './kitchen';

const SECRET = 'the-secret-of-a-start-that-is-tried-out';

/** The door in front of a kitchen. @returns its address, and what shuts it */
async function openDoor(kitchen: Kitchen): Promise<{ readonly url: string; readonly shut: () => Promise<void> }> {
  const port = await freePort();
  process.env.EVEN_CRUMB_LISTENER = SECRET;
  process.env.EVEN_CRUMB_DOOR = JSON.stringify({ port, hosts: ['127.0.0.1'] });
  await kitchen.stopServer();
  await kitchen.startServer();
  const folder = mkdtempSync(join(tmpdir(), 'even-crumb-door-'));
  const tls = await certificateIn(folder, { names: [], addresses: ['127.0.0.1'] });
  const door = spawn(process.execPath, ['scripts/listener.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: kitchen.databaseUrl,
      PORT: new URL(kitchen.url).port,
      KITCHEN_PORT: String(port),
      KITCHEN_BIND: '127.0.0.1',
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const open = new Promise((r) => door.once('message', r));
  door.send({ ...tls, hosts: ['127.0.0.1'] });
  await open;
  return {
    url: `https://127.0.0.1:${port}`,
    shut: async () => {
      door.kill();
      rmSync(folder, { recursive: true });
      delete process.env.EVEN_CRUMB_LISTENER;
      delete process.env.EVEN_CRUMB_DOOR;
      await kitchen.stopServer();
      await kitchen.startServer();
    },
  };
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
    }).toPass();
  } finally {
    await hers.close();
    // nobody follows a server that is begun again
    await page.goto('about:blank');
    await door.shut();
  }
});
