/** The keys: what the list shows and what the page does are one table. */
import { KEY_LIST } from '../frame/keys-list';
import { BENCH_KEYS, benchKey, LINE_KEYS, lineKey, SINGLE_KEYS } from './keys-table';

const NONE = { key: '', code: '', shiftKey: false, ctrlKey: false, metaKey: false, altKey: false };

test('each key of the list does what it says, and no two do one thing', () => {
  for (const k of BENCH_KEYS) {
    expect(benchKey({ ...NONE, key: k.key, shiftKey: k.shift, ctrlKey: true })).toBe(k.act);
    expect(benchKey({ ...NONE, key: k.key.toUpperCase(), shiftKey: k.shift, metaKey: true })).toBe(k.act);
    expect(benchKey({ ...NONE, key: k.key, shiftKey: k.shift })).toBeNull();
  }
  for (const k of LINE_KEYS) {
    expect(
      lineKey({ ...NONE, key: k.key, code: k.key.length === 1 ? `Key${k.key.toUpperCase()}` : k.key, altKey: true }),
    ).toBe(k.act);
    expect(lineKey({ ...NONE, key: k.key, code: k.key })).toBeNull();
  }
  // with Alt a letter may come as another sign: the key itself counts
  expect(lineKey({ ...NONE, key: 'π', code: 'KeyP', altKey: true })).toBe('lock');
  expect(new Set(SINGLE_KEYS.map((k) => k.keys)).size).toBe(SINGLE_KEYS.length);
  const listed = KEY_LIST.flatMap((g) => g.keys);
  for (const k of [...SINGLE_KEYS, ...BENCH_KEYS, ...LINE_KEYS]) expect(listed).toContain(k);
});
