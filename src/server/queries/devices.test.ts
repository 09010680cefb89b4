/** The kitchen's door, on the real database and over real TLS: who comes in, who does not, and what is passed on. */
import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import {
  createServer,
  type IncomingHttpHeaders,
  get as plainGet,
  request as plainRequest,
  type Server,
} from 'node:http';
import { Agent, request } from 'node:https';
import { type AddressInfo, createServer as createPlace } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateIn } from '../../../scripts/authority.mjs';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { devices, openPairing, pairDevice, revokeDevice } from './devices';
import { keepPerson } from './people';
import { certificateEnds, dropPin, dropToken, lockScreen, makeToken, setPin, signIn, signOff, tokens } from './sign-in';

const SECRET = 'a-secret-of-this-start-of-at-least-32';
let upstream: Server;
let door: ChildProcess;
let port = 0;
let ca = '';
let folder = '';
const seen: { url: string; headers: IncomingHttpHeaders }[] = [];

const freePort = (): Promise<number> =>
  new Promise((r) => {
    const s = createPlace().listen(0, '127.0.0.1', () => {
      const { port: p } = s.address() as AddressInfo;
      s.close(() => r(p));
    });
  });

beforeAll(async () => {
  await ownDatabase('devices');
  upstream = createServer((req, res) => {
    seen.push({ url: req.url ?? '', headers: req.headers });
    req.resume();
    // one that is never over, as those who follow a batch have it
    if (req.url === '/api/changes') {
      res.write('first');
      return;
    }
    req.on('end', () => res.end('from the kitchen'));
  });
  await new Promise<void>((r) => upstream.listen(0, '127.0.0.1', r));
  port = await freePort();
  folder = mkdtempSync(join(tmpdir(), 'even-crumb-door-'));
  const tls = await certificateIn(folder, { names: ['kitchen.local'], addresses: ['127.0.0.1'] });
  ca = tls.authority;
  door = spawn(process.execPath, ['scripts/listener.mjs'], {
    env: {
      PATH: process.env.PATH,
      NODE_ENV: 'production',
      DATABASE_URL: process.env.DATABASE_URL,
      PORT: String((upstream.address() as AddressInfo).port),
      KITCHEN_PORT: String(port),
      KITCHEN_BIND: '127.0.0.1',
      EVEN_CRUMB_LISTENER: SECRET,
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const open = new Promise((r) => door.once('message', r));
  door.send({ ...tls, hosts: ['127.0.0.1', 'kitchen.local'] });
  await open;
}, 60_000);
afterAll(async () => {
  door.kill();
  upstream.close();
  rmSync(folder, { recursive: true });
  await closePool();
});

test('behind a proxy the door speaks plain HTTP to this machine, by the proxy’s name and over its https alone', async () => {
  const at = await freePort();
  const plain = spawn(process.execPath, ['scripts/listener.mjs'], {
    env: {
      PATH: process.env.PATH,
      NODE_ENV: 'production',
      DATABASE_URL: process.env.DATABASE_URL,
      PORT: String((upstream.address() as AddressInfo).port),
      KITCHEN_PORT: String(at),
      KITCHEN_BIND: '0.0.0.0',
      KITCHEN_PROXY: 'https://kitchen.example',
      EVEN_CRUMB_LISTENER: SECRET,
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const opened = new Promise((r) => plain.once('message', r));
  plain.send({ hosts: [] });
  await opened;
  const status = (headers: Readonly<Record<string, string>>, path = '/pair', method = 'GET'): Promise<number> =>
    new Promise((r, no) => {
      const q = plainRequest({ host: '127.0.0.1', port: at, path, method, headers }, (res) => {
        res.resume();
        r(res.statusCode ?? 0);
      });
      q.on('error', no);
      q.end();
    });
  const by = { host: 'kitchen.example', 'x-forwarded-proto': 'https', 'x-forwarded-for': '6.6.6.6, 192.168.1.9' };
  expect(await status(by)).toBe(200);
  expect(await status({ ...by, 'x-forwarded-proto': 'http' })).toBe(421);
  expect(await status({ ...by, host: `127.0.0.1:${at}` })).toBe(421);
  expect(await status({ host: 'kitchen.example' })).toBe(421);
  // the forwarded name is nobody's word
  expect(await status({ ...by, host: 'else.example', 'x-forwarded-host': 'kitchen.example' })).toBe(421);
  expect(await status(by, '/')).toBe(401);
  expect(await status({ ...by, origin: 'https://else.example' }, '/pair/in', 'POST')).toBe(403);
  expect(await status({ ...by, origin: 'https://kitchen.example' }, '/pair/in', 'POST')).toBe(200);
  expect(await status(by, '/pair/authority.crt')).toBe(404);
  // what it passes on names no device, and nothing that was forwarded
  const passedOn = seen.findLast((s) => s.url === '/pair')?.headers ?? {};
  expect(Object.keys(passedOn).filter((k) => k.startsWith('x-forwarded'))).toEqual([]);
  expect(passedOn['x-even-crumb-device']).toBe('');
  // many of one client are too many, whoever it says it was before
  const many = await Promise.all(Array.from({ length: 700 }, () => status(by)));
  expect(many.filter((s) => s === 429).length).toBeGreaterThan(50);
  expect(await status({ ...by, 'x-forwarded-for': '192.168.1.10' })).toBe(200);
  plain.kill();
});

interface Asked {
  readonly method?: string;
  readonly path?: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly cookie?: string;
  /** The token of who has signed. */
  readonly signed?: string;
}
const ask = ({ method = 'GET', path = '/', headers = {}, cookie, signed = '' }: Asked) =>
  new Promise<{ readonly status: number; readonly text: string; readonly location: string | undefined }>((r, no) => {
    const q = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        ca,
        agent: new Agent(),
        // a name of somebody else's is sent on purpose
        checkServerIdentity: () => undefined,
        headers: {
          host: `127.0.0.1:${port}`,
          ...headers,
          ...(cookie && { cookie: `__Host-device=${cookie}; __Host-signed=${signed}` }),
        },
      },
      (res) => {
        let text = '';
        res.on('data', (d) => {
          text += d;
        });
        res.on('end', () => r({ status: res.statusCode ?? 0, text, location: res.headers.location }));
      },
    );
    q.on('error', no);
    q.end();
  });
const paired = async (name = 'Phone'): Promise<string> => {
  const { code } = await openPairing();
  const a = await pairDevice({ code, name, place: 'griddle 2' });
  if (!a.ok) throw new Error(a.message);
  return a.token;
};

test('a code lets one device in, once; an older one, one that is over and a wrong one let nobody in', async () => {
  const first = await openPairing();
  const { code } = await openPairing();
  const as = (c: string) => pairDevice({ code: c, name: 'Tablet', place: '' });
  expect((await as(first.code)).ok).toBe(false);
  const both = await Promise.all([as(code), as(code)]);
  expect(both.map((a) => a.ok).sort()).toEqual([false, true]);
  expect((await as(code)).ok).toBe(false);
  const late = await openPairing();
  await query("update gate.pairings set expires_at = now() - interval '1 second'");
  expect((await as(late.code)).ok).toBe(false);
});

test('after ten wrong codes the right one is good no more', async () => {
  const { code } = await openPairing();
  const wrong = code.startsWith('A') ? `B${code.slice(1)}` : `A${code.slice(1)}`;
  for (let n = 0; n < 10; n++) expect((await pairDevice({ code: wrong, name: 'x', place: '' })).ok).toBe(false);
  expect((await pairDevice({ code, name: 'x', place: '' })).ok).toBe(false);
});

test('what is kept is no way in: neither code nor token stands in the records', async () => {
  const token = await paired();
  const rows = JSON.stringify(
    await query('select d::text as d from gate.devices d union all select p::text from gate.pairings p'),
  );
  expect(rows).not.toContain(token);
});

test('who is not paired sees the way in and nothing else; who is comes in, and is named by the door alone', async () => {
  const html = { accept: 'text/html' };
  expect(await ask({ headers: html })).toMatchObject({ status: 303, location: '/pair' });
  expect((await ask({ path: '/api/v1/formulas' })).status).toBe(401);
  expect((await ask({ path: '/pair', headers: html })).status).toBe(200);
  expect((await ask({ path: '/pair/authority.crt' })).text).toBe(ca);
  const token = await paired('Phone of Wren');
  seen.length = 0;
  const forged = {
    'x-even-crumb-device': 'somebody',
    'x-even-crumb-listener': 'guessed',
    'x-forwarded-for': '127.0.0.1',
    'x-forwarded-host': 'localhost:4310',
    'x-middleware-subrequest': 'src/proxy',
    forwarded: 'for=127.0.0.1',
  };
  expect(await ask({ path: '/formulas', cookie: token, headers: forged })).toMatchObject({
    status: 200,
    text: 'from the kitchen',
  });
  const headers: IncomingHttpHeaders = seen[0]?.headers ?? {};
  const [device] = (await devices()).filter((d) => d.name === 'Phone of Wren');
  expect(headers['x-even-crumb-device']).toBe(device?.id);
  expect(headers['x-even-crumb-listener']).toBe(SECRET);
  for (const h of ['x-forwarded-for', 'x-forwarded-host', 'x-middleware-subrequest', 'forwarded'])
    expect(headers[h]).toBeUndefined();
  expect(device?.seenAt).not.toBeNull();
});

test('no address is read as one thing at the door and another behind it; no action is sent before pairing', async () => {
  seen.length = 0;
  for (const path of [
    '/pair/../formulas',
    '/pair/%2e%2e/formulas',
    '/pair/..%2fformulas',
    '//kitchen/pair',
    '/_next/static/..%5cx',
  ])
    expect([path, (await ask({ path })).status]).toEqual([path, 400]);
  const origin = `https://127.0.0.1:${port}`;
  // an action may be sent to any page: to /pair none is
  expect((await ask({ method: 'POST', path: '/pair', headers: { origin, 'next-action': 'abc' } })).status).toBe(401);
  expect(seen).toEqual([]);
  await ask({ method: 'POST', path: '/pair/in', headers: { origin, 'next-action': 'abc' } });
  expect(seen.map((s) => [s.url, s.headers['next-action']])).toEqual([['/pair/in', undefined]]);
});

test('another name, another origin, plain HTTP, and a device that was let out stay outside', async () => {
  const token = await paired();
  expect((await ask({ cookie: token, headers: { host: `evil.example:${port}` } })).status).toBe(421);
  expect((await ask({ cookie: token, headers: { host: '127.0.0.1:4310' } })).status).toBe(421);
  const post = (origin?: string) => ask({ method: 'POST', cookie: token, headers: origin ? { origin } : {} });
  expect((await post()).status).toBe(403);
  expect((await post('https://evil.example')).status).toBe(403);
  expect((await post(`http://127.0.0.1:${port}`)).status).toBe(403);
  expect((await post(`https://127.0.0.1:${port}`)).status).toBe(200);
  await expect(
    new Promise((r, no) => plainGet({ host: '127.0.0.1', port, agent: false }, r).on('error', no)),
  ).rejects.toThrow();
  const [last] = await devices();
  const cut = new Promise((r) => {
    const q = request(
      {
        host: '127.0.0.1',
        port,
        path: '/api/changes',
        ca,
        agent: new Agent(),
        headers: { cookie: `__Host-device=${token}` },
      },
      (res) => {
        res.on('data', () => void revokeDevice(last?.id ?? ''));
        res.on('error', () => r('cut'));
        res.on('end', () => r('ended'));
      },
    );
    q.end();
  });
  // what it was following is cut off with it
  expect(await cut).toBe('cut');
  // known for a second at most, then it is asked again
  let status = 200;
  for (let n = 0; n < 100 && status === 200; n++) {
    await new Promise((r) => setTimeout(r, 100));
    ({ status } = await ask({ cookie: token }));
  }
  expect(status).toBe(401);
});

/** What the web server is told of who asks. */
const toldOf = async (q: Asked): Promise<Readonly<Record<string, unknown>>> => {
  seen.length = 0;
  await ask({ ...q, path: '/formulas' });
  const h = seen[0]?.headers ?? {};
  return Object.fromEntries(['session', 'person', 'role', 'locked', 'token'].map((k) => [k, h[`x-even-crumb-${k}`]]));
};
const until = async (q: Asked, is: Readonly<Record<string, unknown>>): Promise<void> => {
  let told: Readonly<Record<string, unknown>> = {};
  // what is known of a token is known for a second
  for (let n = 0; n < 100; n++) {
    told = await toldOf(q);
    if (Object.entries(is).every(([k, v]) => told[k] === v)) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  expect(told).toMatchObject(is);
};

test('of who has signed the door tells the web server; who has not is a guest once somebody has a PIN', async () => {
  const cookie = await paired('Bench');
  const device = (await devices()).find((d) => d.name === 'Bench')?.id ?? '';
  const nobody = { session: '', person: '', locked: '', token: '' };
  expect(await toldOf({ cookie })).toEqual({ ...nobody, role: 'lead' });
  const person = randomUUID();
  await keepPerson({ id: person, name: 'Wren', role: 'helper', mark: 'egg', revision: null });
  await setPin(person, '2580');
  await until({ cookie }, { ...nobody, role: 'guest' });
  const a = await signIn(device, person, '2580');
  if (!a.ok) throw new Error(a.message);
  const hers = { cookie, signed: a.token };
  const is = { session: a.session, person, role: 'helper', locked: '', token: '' };
  expect(await toldOf(hers)).toEqual(is);
  // whatever a page says of itself, and her token on another device
  const forged = { 'x-even-crumb-role': 'lead', 'x-even-crumb-person': randomUUID(), 'x-even-crumb-token': 'write' };
  expect(await toldOf({ ...hers, headers: forged })).toEqual(is);
  expect(await toldOf({ cookie: await paired('Phone'), signed: a.token })).toEqual({ ...nobody, role: 'guest' });
  await lockScreen(device);
  await until(hers, { locked: 'yes', role: 'helper' });
  await signOff(device);
  await until(hers, { ...nobody, role: 'guest' });
  // a page that asks by itself is no use of it; one that is gone to is
  const second = await signIn(device, person, '2580');
  if (!second.ok) throw new Error(second.message);
  const again = { cookie, signed: second.token };
  await until(again, { person });
  await query("update gate.sessions set seen_at = now() - interval '30 minutes' where id = $1", [second.session]);
  const isFresh = async () =>
    (
      await query("select seen_at > now() - interval '1 minute' as is from gate.sessions where id = $1", [
        second.session,
      ])
    )[0]?.is;
  await new Promise((r) => setTimeout(r, 1100));
  await toldOf(again);
  expect(await isFresh()).toBe(false);
  await new Promise((r) => setTimeout(r, 1100));
  await toldOf({ ...again, headers: { 'sec-fetch-mode': 'navigate' } });
  expect(await isFresh()).toBe(true);
  // an hour unused, and fourteen hours after it began, it is over
  const later = await signIn(device, person, '2580');
  if (!later.ok) throw new Error(later.message);
  await query("update gate.sessions set began_at = now() - interval '14 hours 1 second' where id = $1", [
    later.session,
  ]);
  await until({ cookie, signed: later.token }, { person: '', role: 'guest' });
  const idle = await signIn(device, person, '2580');
  if (!idle.ok) throw new Error(idle.message);
  await query("update gate.sessions set seen_at = now() - interval '61 minutes' where id = $1", [idle.session]);
  expect(await toldOf({ cookie, signed: idle.token })).toMatchObject({ person: '', role: 'guest' });
  await dropPin(person);
  await until({ cookie }, { role: 'lead' });
});

test('a program with a token comes to the interface for programs, without a device; one that is over, or ended, does not', async () => {
  const made = await makeToken({ name: 'Label printer', scope: 'read', days: 30 });
  if (!made.ok) throw new Error(made.message);
  const as = (token: string, path = '/api/v1/formulas', method = 'GET') =>
    ask({ path, method, headers: { authorization: `Bearer ${token}` } });
  seen.length = 0;
  expect((await as(made.token)).status).toBe(200);
  expect(seen[0]?.headers).toMatchObject({ 'x-even-crumb-token': 'read', 'x-even-crumb-device': '' });
  expect(seen[0]?.headers.authorization).toBeUndefined();
  // no page sends it, so that it needs no origin
  expect((await as(made.token, '/api/v1/analyse', 'POST')).status).toBe(200);
  expect((await as(made.token, '/formulas')).status).toBe(401);
  expect((await as('A'.repeat(43))).status).toBe(401);
  const id = (await tokens())[0]?.id ?? '';
  await query("update gate.tokens set expires_at = now() - interval '1 second'");
  const ended = async (): Promise<void> => {
    let status = 200;
    for (let n = 0; n < 100 && status === 200; n++) {
      await new Promise((r) => setTimeout(r, 100));
      ({ status } = await as(made.token));
    }
    expect(status).toBe(401);
  };
  await ended();
  await query("update gate.tokens set expires_at = now() + interval '1 day'");
  await dropToken(id);
  await ended();
  expect(await tokens()).toEqual([]);
});

test('until when the certificate is good is noted, and said from fourteen days before its end on', async () => {
  const [{ at }] = (await query('select ends_at as at from gate.door')) as [{ at: Date }];
  const DAY = 86_400_000;
  expect(at.getTime() - Date.now()).toBeGreaterThan(300 * DAY);
  expect(at.getTime() - Date.now()).toBeLessThan(398 * DAY);
  expect(await certificateEnds()).toBeNull();
  expect(await certificateEnds(at.getTime() - 15 * DAY)).toBeNull();
  expect(await certificateEnds(at.getTime() - 13 * DAY)).toEqual(at);
  expect(await certificateEnds(at.getTime() + DAY)).toEqual(at);
});
