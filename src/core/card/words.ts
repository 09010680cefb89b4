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

/** The words and marks of a text, in order. */
export function tokensOf(text: string): Token[] {
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
