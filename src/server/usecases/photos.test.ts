/** Photographs: copies made from their pixels alone, and kept on the real database. */

import sharp from 'sharp';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { MOST_PHOTOS } from '@/core/judge/photographs';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { saveVersion } from '../queries/formulas';
import { keepPhoto, photoAway, photoBack, photoFile, photoShows, photosOf, photosOfBatches } from '../queries/photos';
import { copiesOf } from './photo-copies';

let formula = '';
beforeAll(async () => {
  await ownDatabase('photo_kitchen');
  const saved = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: { ...EMPTY_FORMULA, name: 'Pictured cakes', entries: [{ key: 'l1', text: '250 g flour' }] },
    changeNote: '',
  });
  if (!saved.ok) throw new Error(saved.message);
  formula = saved.saved.formulaId;
});
afterAll(closePool);

const plain = (width: number, height: number, background = '#c08a3e') =>
  sharp({ create: { width, height, channels: 3, background } });
const said = async (bytes: Uint8Array): Promise<string> => {
  const r = await copiesOf(bytes, false);
  return r.ok ? 'taken' : r.says;
};
const copies = async () => {
  const r = await copiesOf(await plain(320, 240).jpeg().toBuffer(), false);
  if (!r.ok) throw new Error(r.says);
  return r.value;
};

test('place, camera and time are in no copy, and a picture taken on its side stands upright', async () => {
  const taken = await plain(2400, 1200)
    .withExif({ IFD0: { Make: 'Lock camera' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '53/1 20/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
  expect(taken.includes('Lock camera')).toBe(true);
  const r = await copiesOf(taken, true);
  if (!r.ok) throw new Error(r.says);
  for (const c of [r.value.small, r.value.large, r.value.original]) {
    expect(c?.includes('Lock camera')).toBe(false);
    const m = await sharp(c ?? Buffer.alloc(0)).metadata();
    expect([m.format, m.exif, m.orientation, m.xmp]).toEqual(['jpeg', undefined, undefined, undefined]);
  }
  // 2400 x 1200 lying is 1200 x 2400 upright: at most 1600 and 480 at its longest
  expect([r.value.width, r.value.height]).toEqual([800, 1600]);
  expect(await sharp(r.value.small).metadata()).toMatchObject({ width: 240, height: 480 });
  expect(await sharp(r.value.original ?? Buffer.alloc(0)).metadata()).toMatchObject({ width: 1200, height: 2400 });
});

test('a small one is not blown up, a clear one stands on white, and PNG, WebP and AVIF are read', async () => {
  const clear = sharp({ create: { width: 20, height: 10, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } });
  const r = await copiesOf(await clear.clone().png().toBuffer(), false);
  if (!r.ok) throw new Error(r.says);
  expect([r.value.width, r.value.height, r.value.original]).toEqual([20, 10, null]);
  const first = await sharp(r.value.large).raw().toBuffer();
  await expect(first[0]).toBeGreaterThan(250);
  expect(await said(await plain(30, 30).webp().toBuffer())).toBe('taken');
  expect(await said(await plain(64, 64).avif().toBuffer())).toBe('taken');
});

test('what is no photograph, broken or too large is refused with words', async () => {
  expect(await said(new Uint8Array())).toBe('The file is empty.');
  expect(await said(new TextEncoder().encode('250 g flour'))).toMatch(/no photograph/);
  expect(
    await said(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')),
  ).toMatch(/no photograph that can be read/);
  const whole = await plain(900, 900, '#123456').jpeg().toBuffer();
  expect(await said(whole.subarray(0, 300))).toMatch(/broken|no photograph/);
  expect(await said(await plain(10_000, 9_000).png({ compressionLevel: 9 }).toBuffer())).toBe(
    'It has more than 80 million pixels: choose a smaller one.',
  );
});

test('the same press keeps one; at most so many, whatever two screens do; what is taken away comes back within the day', async () => {
  const c = await copies();
  const request = crypto.randomUUID();
  const one = await keepPhoto({ formula, shows: 'cut', original: '0', request }, c);
  const same = await keepPhoto({ formula, shows: 'cut', original: '0', request }, c);
  if (!one.ok || !same.ok) throw new Error('not kept');
  expect(same.id).toBe(one.id);
  const more = await Promise.all(
    Array.from({ length: MOST_PHOTOS + 4 }, () => keepPhoto({ formula, shows: 'face', original: '0' }, c)),
  );
  expect(more.filter((m) => m.ok)).toHaveLength(MOST_PHOTOS - 1);
  expect(await photosOf({ formula })).toHaveLength(MOST_PHOTOS);
  expect((await photoFile(one.id, 'small'))?.equals(c.small)).toBe(true);
  expect(await photoFile(one.id, 'original')).toBeNull();
  expect(await photoShows(one.id, 'bowl')).toEqual({ ok: true });
  expect(await photoAway(one.id)).toEqual({ ok: true });
  expect((await photosOf({ formula })).some((p) => p.id === one.id)).toBe(false);
  expect(await photoBack(one.id)).toEqual({ ok: true });
  expect((await photosOf({ formula })).find((p) => p.id === one.id)).toMatchObject({
    shows: 'bowl',
    width: 320,
    height: 240,
    original: false,
  });
  // after a day it is gone with its files
  await photoAway(one.id);
  await query("update photos set undone_at = now() - interval '25 hours' where id = $1", [one.id]);
  expect((await keepPhoto({ formula, shows: 'face', original: '0' }, c)).ok).toBe(true);
  expect(await photoFile(one.id, 'small')).toBeNull();
  expect(await photoBack(one.id)).toMatchObject({ ok: false });
  expect(await keepPhoto({ batch: crypto.randomUUID(), shows: 'face', original: '0' }, c)).toMatchObject({ ok: false });
  expect((await photosOfBatches([])).size).toBe(0);
});
