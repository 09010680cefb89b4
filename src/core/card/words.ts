/**
 * The words of a line and what each was taken for. Every word is claimed by exactly one part; what nobody claims stays
 * "unknown" and is told.
 */
import { singular } from '../pantry/lookup';
import { plain } from '../quantity/units';

export const CLAIMS = ['amount', 'ingredient', 'variant', 'state', 'use', 'moment', 'filler', 'unknown'] as const;
export type Claim = (typeof CLAIMS)[number];

export interface Word {
  readonly text: string;
  readonly as: Claim;
}

export interface Token {
  readonly text: string;
  readonly start: number;
  readonly end: number;
  /** As it is looked up: lower case, no accents, the singular; of a punctuation mark nothing. */
  readonly norm: string;
  as: Claim | null;
}

const TOKEN =
  /\b[ET]\d{2,4}(?:\(i+\))?(?![\p{L}\d])|\b10x(?=\s+sugar)|\b1:1\b(?=\s+gluten)|\d+(?:[.,]\d+)?\s?(?:%|percent\b|per cent\b)|[\p{L}\p{M}]+(?:[’'][\p{L}\p{M}]+)*[’']?|\d+(?:[.,]\d+)*|[^\s]/giu;

/** Words as cards shorten them, or tell to be done ("butter, melt"); none is a word of another language. */
const SHORT: ReadonlyMap<string, string> = new Map(
  Object.entries({
    flour: 'flr',
    brown: 'brn',
    heavy: 'hvy',
    large: 'lrg lrge lge lg',
    cream: 'crm',
    chopped: 'chopd chpd',
    buttermilk: 'buttermlk bttrmilk bttrmlk btrmlk bm',
    cinnamon: 'cinn cin',
    powder: 'pwdr pwd powd',
    powdered: 'pdr pwdrd',
    baking: 'bkg bkng',
    evaporated: 'evap',
    chocolate: 'choc',
    whites: 'whts',
    nutmeg: 'nutm',
    cornmeal: 'cornml',
    shortening: 'shrtning shortng shortn',
    packed: 'pkd',
    confectioners: 'confec confect',
    unsalted: 'unsltd unslt',
    melted: 'mltd mlted mlt melt',
    optional: 'opt optl',
    milk: 'mlk',
    butter: 'btr bttr',
    sugar: 'sug sgr',
    water: 'wtr',
    beaten: 'btn beat',
    separated: 'sepd separate',
    sifted: 'sift',
    grated: 'grate',
    drained: 'drain',
    softened: 'soften',
  }).flatMap(([word, short]) => short.split(' ').map((s) => [singular(s), singular(word)] as const)),
);
/** The same, where a point says that they are shortened. */
const SHORT_WITH_POINT: ReadonlyMap<string, string> = new Map([
  ['br', 'brown'],
  ['bak', 'baking'],
  ['sm', 'small'],
  ['conf', singular('confectioners')],
  ['cond', 'condensed'],
  ['gran', 'granulated'],
  ['sr', 'sour'],
  ['pow', 'powder'],
  ['but', 'butter'],
]);

/** The words and marks of a text, in order. */
export function tokensOf(text: string): Token[] {
  const out = tokensAsWritten(text);
  return out.map((t, n) => {
    const next = out[n + 1];
    const isPointed = next?.text === '.' && next.start === t.end;
    const word = SHORT.get(t.norm) ?? (isPointed ? SHORT_WITH_POINT.get(t.norm) : undefined);
    return word === undefined ? t : { ...t, norm: word };
  });
}

function tokensAsWritten(text: string): Token[] {
  const out: Token[] = [];
  for (const m of text.matchAll(TOKEN)) {
    const word = m[0];
    const ascii = /^[a-z]+$/i.test(word);
    if (ascii) {
      const low = singular(word.toLowerCase());
      out.push({
        text: word,
        start: m.index,
        end: m.index + word.length,
        norm: low === 'oats' ? 'oat' : low,
        as: null,
      });
      continue;
    }
    const percent = /^(\d+(?:[.,]\d+)?)\s?(?:%|per)/i.exec(word);
    const letters = /^[\p{L}\p{N}]/u.test(word);
    const norm = percent
      ? `${(percent[1] ?? '').replace(',', '.')}%`
      : letters
        ? singular(
            plain(word)
              .replace(/^[dl][’'](?=\p{L})/u, '')
              .replace(/[’']s?$/, '')
              .replace(/[’']/g, ''),
          ).replace(/^oats$/, 'oat')
        : '';
    out.push({ text: word, start: m.index, end: m.index + word.length, norm, as: null });
  }
  return out;
}

/** Whether a token is a word or a number, not a mark. */
export const isWord = (t: Token): boolean => t.norm !== '';

/** Claims every unclaimed word between two places of the text. */
export function claim(tokens: readonly Token[], start: number, end: number, as: Claim): void {
  for (const t of tokens) if (t.start < end && t.end > start && t.as === null) t.as = as;
}

export const saidAs = (tokens: readonly Token[]): readonly Word[] =>
  tokens.filter(isWord).map((t) => ({ text: t.text, as: t.as ?? 'unknown' }));
