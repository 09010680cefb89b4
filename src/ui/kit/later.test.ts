import { later, whenHere } from './later';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('a part is fetched once, however many want it, and all who wait are told', async () => {
  let fetched = 0;
  const part = later(async () => {
    fetched += 1;
    return 'reader';
  });
  const told: string[] = [];
  whenHere(part, (p) => told.push(`wanted: ${p}`));
  whenHere(part, (p) => told.push(`too: ${p}`));
  expect(part.here()).toBeNull();
  await jest.advanceTimersByTimeAsync(0);
  expect([fetched, part.here()]).toEqual([1, 'reader']);
  expect(told.sort()).toEqual(['too: reader', 'wanted: reader']);
  // who comes later has it at once
  whenHere(part, (p) => told.push(`late: ${p}`));
  expect(told).toContain('late: reader');
});

test('while the line is down it is asked for again, until it is here or called off', async () => {
  let [fetched, down] = [0, true];
  const part = later(async () => {
    fetched += 1;
    if (down) throw new Error('the line is down');
    return 'reader';
  });
  const told: string[] = [];
  whenHere(part, (p) => told.push(p));
  const off = whenHere(part, () => told.push('called off'));
  await jest.advanceTimersByTimeAsync(2500);
  expect(fetched).toBeGreaterThan(1);
  off();
  down = false;
  await jest.advanceTimersByTimeAsync(2500);
  expect(told).toEqual(['reader']);
});
