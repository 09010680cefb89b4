/** Whatever a cook drops: what kind of file it is, by its name and by what is in it, and the recipes it holds. */

import { BY_ENDING, type Format, MOST_FILE_BYTES, MOST_WORDS_BYTES } from './formats';
import { readHtml } from './html';
import { readJsonLd } from './json-ld';
import { readMarkdown } from './markdown';
import { parted, type Recipes, unread } from './open-recipe';
import { readZip } from './own-archive';
import { readTable } from './table';

/** The format by what is in it, where the name says nothing. */
function formatIn(text: string): Format {
  const head = text.slice(0, 4000).trimStart();
  if (/^[[{]/.test(head)) return 'jsonld';
  if (/^<(?:!doctype html|html|head|body|article|div)\b/i.test(head)) return 'html';
  return 'text';
}

function readWords(format: Format, text: string): Recipes {
  if (text.trim() === '') return unread('There is nothing in it.');
  if (format !== 'html' && format !== 'jsonld' && text.length > MOST_WORDS_BYTES)
    return unread(
      `It is longer than any card: ${Math.round(text.length / 1000).toLocaleString('en-GB')} kB, at most ${MOST_WORDS_BYTES / 1000}.`,
    );
  switch (format) {
    case 'html':
      return readHtml(text);
    case 'jsonld':
      return readJsonLd(text);
    case 'markdown':
      return readMarkdown(text);
    case 'csv':
      return readTable(text);
    case 'tsv':
      return readTable(text, '\t');
    case 'text':
      return {
        ok: true,
        value: [{ name: null, card: text, lines: [], method: [], remarks: [], nutrition: null, formula: undefined }],
      };
  }
}

/** Words of one kind or another as the recipes that are in them; one that holds several is parted. */
export function readAs(format: Format, text: string): Recipes {
  const read = readWords(format, text);
  return read.ok ? { ok: true, value: read.value.flatMap(parted) } : read;
}

/** The words of a file's bytes; null where they are no words. */
export function wordsInFile(bytes: Uint8Array): string | null {
  const [a, b] = bytes;
  const wide = (a === 0xff && b === 0xfe) || (a === 0xfe && b === 0xff);
  if (wide) return new TextDecoder(a === 0xff ? 'utf-16le' : 'utf-16be').decode(bytes);
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return /[^\P{Cc}\t\n\r\f\v\u0085]/u.test(text) ? null : text;
  } catch {
    // older programs write in the letters of the west
    if (bytes.some((x) => x < 9)) return null;
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/**
 * Reads one file. @param name as it is called @param bytes all of it
 * @returns its recipes; or what is wrong with it, to be said at its place
 */
export function readFile(name: string, bytes: Uint8Array): Recipes {
  if (bytes.length > MOST_FILE_BYTES)
    return unread(
      `It is larger than any page: ${Math.round(bytes.length / 1e6)} MB, at most ${MOST_FILE_BYTES / 1e6}.`,
    );
  if (bytes.length === 0) return unread('There is nothing in it.');
  // a zip in a zip is none
  if (bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3)
    return readZip(bytes, (n, b) =>
      b[0] === 0x50 && b[1] === 0x4b ? unread('It is a zip in a zip.') : readFile(n, b),
    );
  const text = wordsInFile(bytes);
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  if (text === null)
    return unread(
      'It is no text: a picture, or a document of another program. Copy the words out of it, and paste them.',
    );
  return readAs(BY_ENDING[ending] ?? formatIn(text), text);
}
