/** The kitchen's door, on the real database and over real TLS: who comes in, who does not, and what is passed on. */
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type IncomingHttpHeaders, get as plainGet, type Server } from 'node:http';
import { Agent, request } from 'node:https';
import { type AddressInfo, createServer as createPlace } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateIn } from '../../../scripts/authority.mjs';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { devices, openPairing, pairDevice, revokeDevice } from './devices';

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

interface Asked {
  readonly method?: string;
  readonly path?: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly cookie?: string;
}
const ask = ({ method = 'GET', path = '/', headers = {}, cookie }: Asked) =>
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
        headers: { host: `127.0.0.1:${port}`, ...headers, ...(cookie && { cookie: `__Host-device=${cookie}` }) },
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
