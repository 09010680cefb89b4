/** Zip files: packed, and unpacked without trusting what they say of themselves. */

import { strToU8, Unzip, UnzipInflate, zip } from 'fflate';
import type { Result } from '../result';

export type Files = Readonly<Record<string, Uint8Array>>;

/** What is unpacked at most, bytes in all and files: a small file can hold endless zeros. */
export interface Most {
  readonly bytes: number;
  readonly files: number;
}

/** @returns the bytes of a zip file, at the usual strength */
export const packed = (files: Readonly<Record<string, string | Uint8Array>>): Promise<Uint8Array> =>
  new Promise((done, fail) => {
    const all = Object.fromEntries(
      Object.entries(files).map(([name, f]) => [name, typeof f === 'string' ? strToU8(f) : f]),
    );
    zip(all, { level: 6, mtime: new Date('2026-01-01T00:00:00Z') }, (e, bytes) => (e ? fail(e) : done(bytes)));
  });

const PIECE = 65_536;

/** Marks and places of a zip file's own table of contents: APPNOTE 4.3.12 and 4.3.16. */
const END = 0x06054b50;
const END_BYTES = 22;
const ENTRY = 0x02014b50;
const ENTRY_BYTES = 46;
const LONGEST_COMMENT = 65_535;

/**
 * Bytes that a zip file says it unpacks to, and how many files; null where it says nothing that can be read. What it
 * says is not trusted further.
 */
function claimed(bytes: Uint8Array): { readonly bytes: number; readonly files: number } | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - END_BYTES;
  const first = Math.max(0, end - LONGEST_COMMENT);
  while (end >= first && view.getUint32(end, true) !== END) end--;
  if (end < first) return null;
  const files = view.getUint16(end + 10, true);
  let all = 0;
  for (let n = 0, at = view.getUint32(end + 16, true); n < files; n++) {
    if (at + ENTRY_BYTES > bytes.length || view.getUint32(at, true) !== ENTRY) return null;
    all += view.getUint32(at + 24, true);
    at += ENTRY_BYTES + view.getUint16(at + 28, true) + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return { bytes: all, files };
}

/** @returns what is in a zip file; or, in plain words, what is wrong with it */
export function unpacked(bytes: Uint8Array, most: Most): Result<Files, string> {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return { ok: false, error: 'It is no zip file.' };
  const tooLarge = `Unpacked it is larger than any kitchen: more than ${Math.round(most.bytes / 1e6)} MB.`;
  const tooMany = `It holds more than ${most.files} files.`;
  // what says of itself that it is too much is not begun
  const says = claimed(bytes);
  if (says && says.bytes > most.bytes) return { ok: false, error: tooLarge };
  if (says && says.files > most.files) return { ok: false, error: tooMany };
  const parts = new Map<string, Uint8Array[]>();
  const ended = new Set<string>();
  let size = 0;
  let wrong: string | null = null;
  const reader = new Unzip((file) => {
    if (parts.has(file.name)) wrong ??= `It holds ${file.name} twice.`;
    if (parts.size >= most.files) wrong ??= tooMany;
    if (wrong !== null) return;
    const own: Uint8Array[] = [];
    parts.set(file.name, own);
    file.ondata = (e, piece, last) => {
      if (e) wrong ??= `${file.name} in it is damaged.`;
      size += piece?.length ?? 0;
      if (size > most.bytes) wrong ??= tooLarge;
      if (wrong === null && piece) own.push(piece);
      if (last) ended.add(file.name);
    };
    file.start();
  });
  reader.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && wrong === null; at += PIECE)
      reader.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
  } catch {
    wrong ??= 'It is damaged, or only a part of a zip file.';
  }
  // cut off between two files, it has no table of contents
  if (wrong === null && (says === null || [...parts.keys()].some((n) => !ended.has(n))))
    wrong = 'It is damaged, or only a part of a zip file.';
  if (wrong !== null) return { ok: false, error: wrong };
  const whole = (of: readonly Uint8Array[]): Uint8Array => {
    const out = new Uint8Array(of.reduce((a, p) => a + p.length, 0));
    let at = 0;
    for (const p of of) {
      out.set(p, at);
      at += p.length;
    }
    return out;
  };
  return { ok: true, value: Object.fromEntries([...parts].map(([name, of]) => [name, whole(of)])) };
}
