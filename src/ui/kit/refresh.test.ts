/** A page is drawn anew only where somebody answers who can: else the browser would put another page in its place. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BUILD } from '@/contract/trouble';
import { answersAlike, NEWER } from './refresh';

const answers = (status: number, build: string | null): void => {
  globalThis.fetch = (async () => ({
    status,
    headers: { get: (name: string) => (name === BUILD ? build : null) },
  })) as unknown as typeof fetch;
};
const told: string[] = [];
const { document: _document, window: _window } = globalThis as { document?: unknown; window?: unknown };
beforeEach(() => {
  told.length = 0;
  Object.assign(globalThis, {
    document: { body: { dataset: { build: 'one' } } },
    window: { dispatchEvent: (e: Event) => told.push(e.type) },
  });
});
afterAll(() => Object.assign(globalThis, { document: _document, window: _window }));

test.each([
  ['the same build', 200, 'one', true, []],
  ['no build told', 200, null, true, []],
  ['a full disk is no reason', 507, 'one', true, []],
  ['the records away', 503, 'one', false, []],
  ['another build', 200, 'two', false, [NEWER]],
] as const)('%s', async (_, status, build, is, says) => {
  answers(status, build);
  expect(await answersAlike()).toBe(is);
  expect(told).toEqual(says);
});

test('nobody there', async () => {
  globalThis.fetch = (async () => {
    throw new TypeError('fetch failed');
  }) as unknown as typeof fetch;
  expect(await answersAlike()).toBe(false);
});

test('no page is drawn anew past it', () => {
  const root = join(__dirname, '..');
  const past = readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.tsx?$/.test(f) && !f.startsWith('kit/refresh'))
    .filter((f) => /\brouter\.refresh\(/.test(readFileSync(join(root, f), 'utf8')));
  expect(past).toEqual([]);
});
