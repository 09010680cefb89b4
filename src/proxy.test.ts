/** @jest-environment node */
import { NextRequest } from 'next/server';
import { DEVICE, WAY_IN } from './contract/device';
import { proxy } from './proxy';

const SECRET = 'a-secret-of-this-start-of-at-least-32';
const before = process.env.EVEN_CRUMB_LISTENER;
beforeEach(() => {
  process.env.EVEN_CRUMB_LISTENER = SECRET;
});
afterAll(() => {
  process.env.EVEN_CRUMB_LISTENER = before;
});
const ask = (headers: Readonly<Record<string, string>>) =>
  proxy(new NextRequest('http://localhost:4310/formulas', { headers: { host: 'localhost:4310', ...headers } }));
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
  expect(await told({ ...door, [DEVICE]: 'd1', [WAY_IN]: 'own' })).toEqual({ status: 200, way: 'door', device: 'd1' });
  expect((await ask({ ...door, 'x-even-crumb-listener': 'guessed' })).status).toBe(421);
  expect((await ask({ 'x-even-crumb-listener': 'guessed' })).status).toBe(421);
  expect((await ask({ host: '192.168.1.20:4343' })).status).toBe(421);
  // the door is shut: there is no secret that opens it
  process.env.EVEN_CRUMB_LISTENER = '';
  expect((await ask({ ...door, 'x-even-crumb-listener': '' })).status).toBe(421);
});
