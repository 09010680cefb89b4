/** The kitchen's own authority: what it signs for, how long, and when anew; tried by a real handshake. */
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Certificate, certificateIn, hostsHere, inAddress, MOST_SERVER_DAYS, RENEW_DAYS } from './authority.mjs';

const DAY_MS = 86_400_000;
const KITCHEN = { names: ['kitchen.local'], addresses: ['127.0.0.1', '192.168.1.20'] };
let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'even-crumb-authority-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** What a client that trusts the authority makes of the certificate, at 127.0.0.1 or under a name. */
const shake = (c: Certificate, servername?: string): Promise<string> =>
  new Promise((r) => {
    const server = createServer({ key: c.key, cert: c.chain }, (_, res) => res.end()).listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      const done = (said: string): void => {
        server.close();
        server.closeAllConnections();
        r(said);
      };
      get({ host: '127.0.0.1', port, ca: c.authority, agent: false, ...(servername && { servername }) }, () =>
        done('trusted'),
      ).on('error', (e) => done(e.message));
    });
  });

test('it is trusted at its addresses and names, and nowhere else', async () => {
  const c = await certificateIn(folder, KITCHEN);
  expect(await shake(c)).toBe('trusted');
  expect(await shake(c, 'kitchen.local')).toBe('trusted');
  expect(await shake(c, 'elsewhere.local')).toMatch(/not match|altnames/i);
});

test('the authority may sign for this kitchen’s names and private networks alone', async () => {
  await certificateIn(folder, KITCHEN);
  // its own key, asked for a name it was not made for: a new authority, which every device has to be told of
  const other = await certificateIn(folder, { names: ['bank.example'], addresses: ['127.0.0.1'] });
  expect(other.isNewAuthority).toBe(true);
  // an address beyond private networks stands in it by itself
  const found = await certificateIn(folder, { names: ['bank.example'], addresses: ['127.0.0.1', '192.0.2.2'] });
  expect(found.isNewAuthority).toBe(true);
  expect((await certificateIn(folder, { names: ['bank.example'], addresses: ['127.0.0.1'] })).isNewAuthority).toBe(
    false,
  );
});

test('it lasts less than 398 days, and is renewed 30 days before its end and when an address changes', async () => {
  const now = Date.parse('2026-11-29T06:00:00Z');
  const first = await certificateIn(folder, KITCHEN, now);
  expect((first.endsAt - now) / DAY_MS).toBeLessThanOrEqual(MOST_SERVER_DAYS);
  expect((await certificateIn(folder, KITCHEN, now)).isNew).toBe(false);
  const stillGood = first.endsAt - (RENEW_DAYS + 1) * DAY_MS;
  expect((await certificateIn(folder, KITCHEN, stillGood)).isNew).toBe(false);
  const soon = await certificateIn(folder, KITCHEN, stillGood + 2 * DAY_MS);
  expect([soon.isNew, soon.isNewAuthority, soon.authority === first.authority]).toEqual([true, false, true]);
  const moved = await certificateIn(folder, { ...KITCHEN, addresses: ['127.0.0.1', '10.0.0.7'] }, now);
  expect([moved.isNew, moved.isNewAuthority]).toEqual([true, false]);
});

test('its keys are their owner’s alone', async () => {
  await certificateIn(folder, KITCHEN);
  for (const file of ['authority.key', 'server.key']) expect(statSync(join(folder, file)).mode & 0o077).toBe(0);
  expect(statSync(folder).mode & 0o077).toBe(0);
});

test('hosts: this machine’s name and addresses, and what is said besides', () => {
  const { names, addresses } = hostsHere(' Kitchen.lan , 10.1.2.3,');
  expect(names).toContain('kitchen.lan');
  expect(addresses).toContain('10.1.2.3');
  expect([...names, ...addresses].some((h) => h === '' || h === '127.0.0.1')).toBe(false);
  expect([inAddress('10.1.2.3'), inAddress('fd00::1')]).toEqual(['10.1.2.3', '[fd00::1]']);
});
