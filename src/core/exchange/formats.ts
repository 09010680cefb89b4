/** The open formats: what they are called by their endings and media types, and how much of each is taken. */

export const FORMATS = ['text', 'markdown', 'html', 'jsonld', 'csv', 'tsv'] as const;
export type Format = (typeof FORMATS)[number];

/** What is taken at most, bytes: a page saved with all it carries. */
export const MOST_FILE_BYTES = 10_000_000;
/** A text, a table or a Markdown file is a page of words. */
export const MOST_WORDS_BYTES = 200_000;

/** What a file dialog offers. */
export const ACCEPTED =
  '.txt,.text,.md,.markdown,.html,.htm,.json,.jsonld,.csv,.tsv,.zip,text/plain,text/markdown,text/html,application/json,application/ld+json,text/csv';

export const BY_ENDING: Readonly<Record<string, Format>> = {
  txt: 'text',
  text: 'text',
  md: 'markdown',
  markdown: 'markdown',
  html: 'html',
  htm: 'html',
  xhtml: 'html',
  json: 'jsonld',
  jsonld: 'jsonld',
  csv: 'csv',
  tsv: 'tsv',
};
const BY_TYPE: Readonly<Record<string, Format>> = {
  'text/plain': 'text',
  'text/markdown': 'markdown',
  'text/html': 'html',
  'application/xhtml+xml': 'html',
  'application/ld+json': 'jsonld',
  'application/json': 'jsonld',
  'text/csv': 'csv',
  'text/tab-separated-values': 'tsv',
};

/** @param type a media type, with or without its parameters. Null where it is none that is read. */
export const formatOfType = (type: string): Format | null =>
  BY_TYPE[type.split(';')[0]?.trim().toLowerCase() ?? ''] ?? null;
