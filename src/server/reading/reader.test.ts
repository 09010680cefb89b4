/** The queue before the reader's thread, on threads of a test that answer, fall silent or die. */
import type { Job, JobDone } from './jobs';
import { readerOn } from './reader';
import type { startThread } from './thread';

/** Threads that do with a job what its words say; `begun` and `ended` count them. */
function threads() {
  const seen = { begun: 0, ended: 0 };
  const start: typeof startThread = (_mb, heard, died) => {
    seen.begun++;
    const say = (f: () => void) => setImmediate(f);
    const send = ({ args: [, words] }: Job): void => {
      if (words === 'memory') say(() => died(Object.assign(new Error('heap'), { code: 'ERR_WORKER_OUT_OF_MEMORY' })));
      else if (words === 'dies') say(() => died(new Error('dead')));
      else if (words === 'bug') say(() => heard({ threw: 'TypeError: here' }));
      else if (words === 'late') setTimeout(() => heard({ value: 'of a thread given up' }), 60);
      else if (words !== 'silent') say(() => heard({ value: { ok: true, value: words } } as JobDone));
    };
    return { send, end: () => void seen.ended++ };
  };
  return { seen, read: readerOn(start, 40) };
}

test('jobs are read one after the other by one thread, each answer to its own', async () => {
  const { seen, read } = threads();
  const all = await Promise.all(['a', 'b', 'c', 'd'].map((w) => read('recipes', 'text', w)));
  expect(all).toEqual(['a', 'b', 'c', 'd'].map((value) => ({ ok: true, value })));
  expect(seen).toEqual({ begun: 1, ended: 0 });
});

test('what takes too long is refused in words, its thread ended, and the next is read by another', async () => {
  const { seen, read } = threads();
  const [silent, late, next] = await Promise.all(['silent', 'late', 'after'].map((w) => read('recipes', 'text', w)));
  expect(silent).toMatchObject({ ok: false, error: { message: expect.stringContaining('within 5 seconds') } });
  expect(late).toMatchObject({ ok: false });
  expect(next).toEqual({ ok: true, value: 'after' });
  expect(seen).toEqual({ begun: 3, ended: 2 });
  // what the thread that was given up says later is no one's answer
  const slow = read('recipes', 'text', 'silent');
  await expect(slow).resolves.toMatchObject({ ok: false });
});

test('too much memory is refused; a bug and a dead thread are errors; the next is read', async () => {
  const { seen, read } = threads();
  await expect(read('recipes', 'text', 'memory')).resolves.toMatchObject({
    ok: false,
    error: { message: expect.stringContaining('more memory') },
  });
  await expect(read('recipes', 'text', 'bug')).rejects.toThrow('TypeError: here');
  await expect(read('recipes', 'text', 'dies')).rejects.toThrow('dead');
  await expect(read('recipes', 'text', 'fine')).resolves.toEqual({ ok: true, value: 'fine' });
  expect(seen).toEqual({ begun: 3, ended: 2 });
});

test('more than may wait are refused at once, and room comes back', async () => {
  const { read } = threads();
  const all = await Promise.all(Array.from({ length: 53 }, (_, n) => read('recipes', 'text', String(n))));
  expect(all.filter((a) => !a.ok)).toHaveLength(3);
  await expect(read('recipes', 'text', 'again')).resolves.toEqual({ ok: true, value: 'again' });
});
