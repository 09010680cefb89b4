/**
 * Copies of a photograph, made from its pixels alone: turned the right way up, in everyday colours, and without
 * anything that was written beside them (place, camera, time, thumbnails).
 */
import sharp from 'sharp';
import { MOST_PIXELS } from '@/core/judge/photographs';
import type { Copies } from '../queries/photos';

/** Longest side, px, and quality of each copy. */
const SMALL = { px: 480, quality: 78 };
const LARGE = { px: 1600, quality: 82 };
const ORIGINAL_QUALITY = 92;

/** What a camera or a phone's browser gives; drawings and films are none. */
const TAKEN = new Set(['jpeg', 'png', 'webp', 'heif']);

type Read = { readonly ok: true; readonly value: Copies } | { readonly ok: false; readonly says: string };

const no = (says: string): Read => ({ ok: false, says });

/**
 * @param bytes a file as it came
 * @param original whether it is kept at its full size too
 * @returns JPEG copies, or words for what is wrong with it
 */
export async function copiesOf(bytes: Uint8Array, original: boolean): Promise<Read> {
  if (bytes.length === 0) return no('The file is empty.');
  const open = () =>
    sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', sequentialRead: true })
      .autoOrient()
      .flatten({ background: '#ffffff' });
  try {
    const { format, width, height } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
    if (!TAKEN.has(format)) return no('It is no photograph that can be read here: choose a JPEG, PNG, WebP or AVIF.');
    if (width * height > MOST_PIXELS)
      return no(`It has more than ${MOST_PIXELS / 1e6} million pixels: choose a smaller one.`);
    const at = ({ px, quality }: typeof SMALL) =>
      open()
        .resize({ width: px, height: px, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality, mozjpeg: true })
        .toBuffer({ resolveWithObject: true });
    const large = await at(LARGE);
    const small = await at(SMALL);
    return {
      ok: true,
      value: {
        small: small.data,
        large: large.data,
        original: original ? await open().jpeg({ quality: ORIGINAL_QUALITY }).toBuffer() : null,
        width: large.info.width,
        height: large.info.height,
      },
    };
  } catch (e) {
    const said = e instanceof Error ? e.message : '';
    if (/pixel limit/i.test(said))
      return no(`It has more than ${MOST_PIXELS / 1e6} million pixels: choose a smaller one.`);
    if (/heif|heic|compression format/i.test(said))
      return no('A HEIC photograph can’t be read here: choose a JPEG, PNG, WebP or AVIF.');
    return no('It is broken, or no photograph: choose a JPEG, PNG, WebP or AVIF.');
  }
}
