/** @jest-environment node */
import { NextRequest } from 'next/server';
import { DEVICE, ROLE, TOKEN, WAY_IN } from './contract/device';
import { MAY, type May } from './contract/roles';
import { proxy } from './proxy';

const SECRET = 'a-secret-of-this-start-of-at-least-32';
const before = process.env.EVEN_CRUMB_LISTENER;
beforeEach(() => {
  process.env.EVEN_CRUMB_LISTENER = SECRET;
});
afterAll(() => {
  process.env.EVEN_CRUMB_LISTENER = before;
});
const ask = (headers: Readonly<Record<string, string>>, path = '/formulas', method = 'GET') =>
  proxy(new NextRequest(`http://localhost:4310${path}`, { method, headers: { host: 'localhost:4310', ...headers } }));
/** What the page behind it is told. */
const told = async (headers: Readonly<Record<string, string>>) => {
  const r = await ask(headers);
  return {
    status: r.status,
    way: r.headers.get(`x-middleware-request-${WAY_IN}`),
    device: r.headers.get(`x-middleware-request-${DEVICE}`),
  };
};

test('this machine’s own screen is known by the listener alone: what a request says of itself changes nothing', async () => {
  const own = { status: 200, way: 'own', device: null };
  expect(await told({})).toEqual(own);
  expect(await told({ [DEVICE]: 'somebody', [WAY_IN]: 'own' })).toEqual(own);
  expect(await told({ 'x-forwarded-for': '192.168.1.9', 'x-forwarded-host': 'kitchen.local' })).toEqual(own);
});

test('what comes by the door is the device it names, never this screen; a guessed secret opens nothing', async () => {
  const door = { host: '192.168.1.20:4343', 'x-even-crumb-listener': SECRET };
  const said = { ...door, [DEVICE]: 'd1', [ROLE]: 'cook', [WAY_IN]: 'own' };
  expect(await told(said)).toEqual({ status: 200, way: 'door', device: 'd1' });
  expect((await ask({ ...door, 'x-even-crumb-listener': 'guessed' })).status).toBe(421);
  expect((await ask({ 'x-even-crumb-listener': 'guessed' })).status).toBe(421);
  expect((await ask({ host: '192.168.1.20:4343' })).status).toBe(421);
  // the door is shut: there is no secret that opens it
  process.env.EVEN_CRUMB_LISTENER = '';
  expect((await ask({ ...door, 'x-even-crumb-listener': '' })).status).toBe(421);
});

test('behind a proxy this machine’s own screen is who has the key of the start, and no address or header', async () => {
  process.env.EVEN_CRUMB_OWN_KEY = 'the-key-that-the-start-has-printed';
  const status = async (headers: Readonly<Record<string, string>>, path?: string) => (await ask(headers, path)).status;
  try {
    expect(await status({})).toBe(401);
    expect(await status({ 'x-forwarded-for': '127.0.0.1', 'x-forwarded-host': 'localhost:4310' })).toBe(401);
    expect(await status({ host: '127.0.0.1:4310', forwarded: 'for=127.0.0.1' }, '/house/devices')).toBe(401);
    expect(await status({}, '/own?key=guessed')).toBe(401);
    expect(await status({ cookie: 'own-screen=guessed' })).toBe(401);
    expect(await status({}, '/api/health')).toBe(200);
    const opened = await ask({}, '/own?key=the-key-that-the-start-has-printed');
    expect([opened.status, new URL(opened.headers.get('location') ?? '').pathname]).toEqual([303, '/']);
    expect(opened.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=strict/i);
    const cookie = (opened.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
    expect((await told({ cookie })).way).toBe('own');
    // what comes by the door needs none, and is no own screen
    const door = { host: 'kitchen.example', 'x-even-crumb-listener': SECRET, [DEVICE]: 'd1', [ROLE]: 'cook' };
    expect(await told(door)).toEqual({ status: 200, way: 'door', device: 'd1' });
  } finally {
    delete process.env.EVEN_CRUMB_OWN_KEY;
  }
});

const BY_ROLE: Readonly<Record<string, May>> = {
  '/table': 'guest',
  '/sign': 'guest',
  '/acts': 'guest',
  '/': 'helper',
  '/batches/0b8f5c0e-0000-4000-8000-000000000001/griddle': 'helper',
  '/batches/0b8f5c0e-0000-4000-8000-000000000001/outcome': 'cook',
  '/mornings/0b8f5c0e-0000-4000-8000-000000000001/board': 'helper',
  '/mornings/new': 'cook',
  '/formulas/new': 'cook',
  '/pantry': 'cook',
  '/pantry/import': 'lead',
  '/api/v1/formulas': 'cook',
  '/house': 'cook',
  '/house/devices': 'lead',
  '/house/devices/log': 'lead',
  '/house/records': 'lead',
  '/house/archive': 'lead',
  // an address that nobody has thought of
  '/else': 'lead',
};

test('of every address each role sees what is its own: a page leads to where one signs, the rest is refused', async () => {
  const door = { host: '192.168.1.20:4343', 'x-even-crumb-listener': SECRET, [DEVICE]: 'd1', accept: 'text/html' };
  for (const [path, least] of Object.entries(BY_ROLE))
    for (const may of MAY) {
      const opens = MAY.indexOf(may) >= MAY.indexOf(least);
      const page = await ask({ ...door, [ROLE]: may }, path);
      expect([path, may, page.status]).toEqual([path, may, opens ? 200 : 303]);
      if (!opens) expect(page.headers.get('location')).toMatch(`/sign?${new URLSearchParams({ to: path })}`);
      const sent = await ask({ ...door, [ROLE]: may, accept: '*/*' }, path, 'POST');
      expect([path, may, sent.status]).toEqual([path, may, opens ? 200 : 403]);
    }
  // a role that is none is a guest's
  expect((await ask({ ...door, [ROLE]: 'owner' }, '/')).status).toBe(303);
});

test('a program’s token opens the interface for programs alone, and keeps something only where it may', async () => {
  const door = { host: '192.168.1.20:4343', 'x-even-crumb-listener': SECRET, [DEVICE]: '' };
  const as = async (scope: string, path: string, method: string) =>
    (await ask({ ...door, [TOKEN]: scope }, path, method)).status;
  expect(await as('read', '/api/v1/formulas', 'GET')).toBe(200);
  expect(await as('read', '/api/v1/analyse', 'POST')).toBe(200);
  expect(await as('read', '/api/v1/formulas', 'POST')).toBe(403);
  expect(await as('read', '/api/v1/formulas/x', 'PUT')).toBe(403);
  expect(await as('write', '/api/v1/formulas', 'POST')).toBe(200);
  for (const path of ['/', '/acts', '/house', '/api/v1', '/api/changes'])
    expect([path, await as('write', path, 'GET')]).toEqual([path, 403]);
  // on this machine's own listener a header opens nothing and shuts nothing
  expect((await ask({ [TOKEN]: 'read' }, '/house')).status).toBe(200);
});
