/** A line being read: its words as they are claimed, its amounts as they are found, and what it comes to. */
import Fraction from 'fraction.js';
import type { FillMethod, KitchenConventions } from '../../pantry/conventions';
import type { NameReading } from '../../pantry/lookup';
import type { Language } from '../../pantry/tables/other-names';
import { SHAPE_IN_ENGLISH, STATE_IN_ENGLISH } from '../../pantry/tables/words';
import { type Amount, isMetric, type ReadAmount } from '../../quantity/amount';
import { plain, unitById } from '../../quantity/units';
import type { LineFinding, Use } from '../parts';
import { type Claim, claim, isWord, saidAs, type Token, tokensOf, type Word } from '../words';

export interface Span {
  readonly start: number;
  readonly end: number;
}

/** One more thing on the same line, with its own amount: "2 eggs plus 1 yolk". */
export interface Extra {
  readonly amount: Amount;
  readonly name: NameReading;
  readonly said: string;
}

export interface SplitLine {
  /** The line without bullets and marks: what the words are of. */
  readonly text: string;
  readonly words: readonly Word[];
  /** The same amount, once or more: written twice. */
  readonly amounts: readonly Amount[];
  /** Where each amount stands in `text`, the words that lead into it too. */
  readonly amountSpans: readonly Span[];
  readonly name: NameReading;
  /** The words of the name, as written. */
  readonly said: string;
  /** Other things that will do instead: "or oil". An amount of its own where one is written. */
  readonly alternatives: readonly {
    readonly name: NameReading;
    readonly said: string;
    readonly amount: Amount | null;
  }[];
  readonly preparation: string;
  readonly fill: FillMethod | null;
  readonly use: Use | null;
  /** What with the batter it is for: "for the apples". */
  readonly side: string | null;
  readonly extras: readonly Extra[];
  /** Several lines in one, each as it would be written alone. */
  readonly rows: readonly string[];
  readonly problem: LineFinding | null;
}

export const unitOf = (a: Amount): string | null => a.terms[0]?.unit ?? null;

export const isVague = (a: Amount): boolean => unitById(unitOf(a) ?? '')?.dimension === 'vague';

export const countOf = (a: Amount): Fraction => a.terms[0]?.low ?? new Fraction(1);

/** How an amount measures: two of different ways side by side say the same twice. */
export function wayOf(a: Amount): string {
  const id = unitOf(a);
  const unit = unitById(id ?? '');
  if (!unit || !id) return 'count';
  if (unit.dimension === 'vague') return 'vague';
  if (unit.butterOnly) return 'stick';
  return `${unit.dimension}-${isMetric(id) ? 'metric' : 'kitchen'}`;
}

export interface At extends Span {
  readonly amount: Amount;
  readonly fill: ReadAmount['fill'];
  /** Units apart from bare numbers. */
  readonly counted: boolean;
}

/** What the cook's name of a thing is, read with the card's languages in mind. */
interface Asking {
  readonly house: KitchenConventions;
  readonly languages: ReadonlySet<Language> | null;
}

export const nothing: NameReading = { kind: 'unknown', suggestions: [], as: [] };

export class Reader {
  readonly tokens: Token[];
  readonly amounts: At[] = [];
  readonly prep: { at: number; text: string }[] = [];
  use: Use | null = null;
  side: string | null = null;
  fill: FillMethod | null = null;
  problem: LineFinding | null = null;
  divided = false;
  orMore = false;
  rows: string[] = [];

  constructor(
    readonly text: string,
    readonly asking: Asking,
  ) {
    this.tokens = tokensOf(text);
  }

  claim(start: number, end: number, as: Claim): void {
    claim(this.tokens, start, end, as);
  }

  /** The words of the text that nobody claimed yet, between two places. */
  free(start = 0, end = this.text.length): Token[] {
    return this.tokens.filter((t) => t.as === null && t.start >= start && t.end <= end);
  }

  keep(start: number, end: number): void {
    const text = this.text
      .slice(start, end)
      .replace(/^[\s,;:()[\]–—-]+|[\s,;:([\]–—-]+$/g, '')
      .replace(/^\)|\($/g, '');
    const closed = text.includes('(') ? text : text.replace(/\)+$/, '');
    if (closed) this.prep.push({ at: start, text: closed });
  }
}

/** Phrases of other languages for how a thing is prepared. */
const PHRASES_IN_ENGLISH: readonly (readonly [RegExp, string])[] = [
  [/(?:en|a punto de|à point de|a) (?:neige|nieve|neve)(?: (?:ferme|fermes))?/gi, 'stiff'],
  [/température ambiante|temperatura ambiente/gi, 'room temperature'],
];
const JOINED: Readonly<Record<string, string>> = {
  und: 'and',
  et: 'and',
  y: 'and',
  e: 'and',
  en: 'in',
  dans: 'in',
  im: 'in',
};
/** "Zerlassene" is melted: what looks at how a thing is prepared looks at one word for it. */
function inEnglish(said: string): string {
  const phrased = PHRASES_IN_ENGLISH.reduce((t, [re, to]) => t.replace(re, to), said);
  const out = phrased.replace(/\p{L}+/gu, (w) => STATE_IN_ENGLISH.get(plain(w)) ?? w);
  const shaped = out.replace(
    /(?<=(?:^|\P{L})(?:en|in|a|aux?|em) )\p{L}+/giu,
    (w) => SHAPE_IN_ENGLISH.get(plain(w)) ?? w,
  );
  return shaped === said
    ? said
    : shaped.replace(/(?<=^|\P{L})(?:und|et|y|e|en|dans|im)(?= \p{L})/gu, (w) => JOINED[w] ?? w);
}

/** What is done to it: the runs of words that were claimed so, with the words of other languages in English. */
export function preparationOf(r: Reader, named = true): string {
  const out = [...r.prep];
  const kept = (t: Token): boolean => t.as === 'state' || (named && t.as === 'unknown' && !/\d/.test(t.text));
  const ts = r.tokens;
  for (let n = 0; n < ts.length; n++) {
    const t = ts[n];
    if (!t || !isWord(t) || !kept(t)) continue;
    let end = n;
    // fillers between two words of state belong to it; a comma parts it
    for (let k = n + 1; k < ts.length; k++) {
      const x = ts[k];
      if (!x) break;
      if (!isWord(x) && !/^[-–'’°/.%"”]$/.test(x.text)) break;
      if (isWord(x) && kept(x)) end = k;
      else if (isWord(x) && x.as !== 'filler') break;
    }
    const last = ts[end];
    if (last && !out.some((o) => t.start >= o.at && t.start < o.at + o.text.length + 2))
      out.push({ at: t.start, text: r.text.slice(t.start, last.end) });
    n = end;
  }
  return out
    .sort((a, b) => a.at - b.at)
    .map((o) => inEnglish(o.text))
    .join(', ');
}

export const finish = (r: Reader): SplitLine => ({
  text: r.text,
  words: saidAs(r.tokens),
  amounts: [],
  amountSpans: [],
  name: nothing,
  said: '',
  alternatives: [],
  preparation: preparationOf(r),
  fill: r.fill,
  use: r.use,
  side: r.side,
  extras: [],
  rows: r.rows,
  problem: r.problem,
});

/** "1 tsp soda dissolved in 1 tbsp water": what joins a thing to another that it is put into, as a pattern. */
export const PUT_INTO = String.raw`(?:dissolved|soaked|melted|stirred|mixed|beaten|whisked|sifted|bloomed|steeped|soured|warmed|slaked|proofed|proved|activated|woken|sponged)\s+(?:together\s+)?(?:in|into|with|to a paste (?:in|with))|(?<=^[^,;.:]{3,50}\s)(?<!\b(?:stir|sift|fold|beat|mix|whisk|rub|pour|put|add|throw|tip|goes?|going|work|drop|melt(?:ed)?|cook|boil|stirred|folded|beaten|mixed)\s)in`;

export const twoAmounts = (message: string): LineFinding => ({ code: 'two-amounts', message });

/** An amount with words of its own behind the first. `joined`: the word that adds it or takes it off. */
export interface LaterAmount {
  readonly at: At;
  readonly joined: string | null;
  readonly or: boolean;
}
