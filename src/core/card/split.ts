import type { KitchenConventions } from '../pantry/conventions';
import { lookUp } from '../pantry/lookup';
import type { Language } from '../pantry/tables/other-names';
import { readNumber } from '../quantity/number';
import { stripBullet } from './bullet';
import { findAmounts, takeLoose, takeMeasures, takeSizeOfThing, takeTradeCan } from './claims/amounts';
import { bothOf, partAbroad, partOf, takeWhence } from './claims/fruit';
import { finish, Reader, type SplitLine } from './claims/reader';
import { assemble } from './claims/restated';
import { takePhrases } from './claims/uses';
import type { LineFinding } from './parts';
import * as phrases from './phrases';
import { byTemplate } from './template';

/** Words that lead a spoken line in and say nothing. */
const LEAD_IN =
  /^(?:(?:for|into|to) (?:the|my|our) (?:pancakes?|batter|waffles?|cr[eê]pes?|cakes?|griddle cakes?)[,\s]+(?=\p{L}|[\d½¼¾⅓⅔⅛])|in(?:to)? (?:an?|another|the|my|one) (?:\p{L}+ )?(?:bowl|jug|pan)[,\s]+(?=\p{L}|[\d½¼¾⅓⅔⅛])|(?:and|then|also|plus|so|next|first|finally|now|well|ok|okay|oh|um|er|yes|right|or)\b[,\s]+|(?:i|we|you)(?:[’']ll|[’']d)?\s+(?:use|used|need|take|add|put(?: in)?|like|go for|go in with|start with|begin with|throw in|chuck in|tip in|measure(?: out)?|crack(?: in)?|pour(?: in)?|also (?:add|use)|will need|want|have|do|always (?:add|use))\s+|(?:goes|go|comes|come)\s+(?=[\d½¼¾⅓⅔⅛]|an?\s|one\s|two\s|three\s|half\s)|(?:take|add|use|put(?: in)?|get|grab|in goes?|there[’']?s|it[’']?s|you[’']?ll need|goes in|in go)\s+(?=[\d½¼¾⅓⅔⅛]|an?\s|one\s|two\s|three[\s-]|about\s|half\s)|(?:my|our|your|the)\s+(?=[\d½¼¾⅓⅔⅛])|(?:an?\s+)?(?:further|additional|extra)\s+(?=[\d½¼¾⅓⅔⅛])|another\s+(?=[\d½¼¾⅓⅔⅛]))/iu;

/** A spoken line without the words that lead it in. */
export function withoutLead(text: string): string {
  let t = text;
  for (let m = LEAD_IN.exec(t); m && m[0].length < t.length; m = LEAD_IN.exec(t)) t = t.slice(m[0].length);
  return t;
}

/**
 * Splits an ingredient line.
 * @param source as written
 * @param house whose pantry names are looked up in
 * @param languages those the card seems to be in, besides English; null: any
 */
export const splitLine = (
  source: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null = null,
): SplitLine => byTemplate(source, house, languages, withoutAsides) ?? withoutAsides(source, house, languages);

/** "(check the date!)": a bracket that measures nothing, with words that nobody knows. */
const ASIDE = /\([^()\d]{3,}\)/gu;
/** "(or 5 g dried)": what will do instead, by an amount of its own. */
const OR_ASIDE = /\(\s*(?:or|oder|ou)\s[^()]*\d[^()]*\)\s*$/giu;
/** "(coconut flour if keto)". */
const IF_ASIDE =
  /\((?!\s*(?:or|oder|ou)\b)[^()\d]*\bif (?:keto|vegan|gluten[- ]free|gf|dairy[- ]free|df|paleo|you(?:[’']re| are)|low[- ]carb)\b[^()\d]*\)/giu;
/** A line; where its brackets keep it from being read, without them: what they say is told as not understood. */
function withoutAsides(source: string, house: KitchenConventions, languages: ReadonlySet<Language> | null): SplitLine {
  const whole = splitWhole(source, house, languages);
  // "flour (coconut flour if keto)": what another takes instead
  if (whole.text.search(IF_ASIDE) > 0) {
    const bare = splitWhole(source, house, languages, IF_ASIDE);
    if (bare.name.kind === 'found' && !bare.problem) return bare;
  }
  const isOpen = whole.problem !== null || whole.words.some((w) => w.as === 'unknown');
  if (isOpen && whole.text.search(OR_ASIDE) >= 0) {
    const bare = splitWhole(source, house, languages, OR_ASIDE, 'filler');
    const [aside = ''] = whole.text.match(OR_ASIDE) ?? [];
    const said = aside.replace(/^\(\s*(?:or|oder|ou)\s+|\)\s*$/giu, '');
    if (bare.name.kind === 'found' && !bare.problem)
      return {
        ...bare,
        alternatives: [
          ...bare.alternatives,
          { said, name: { kind: 'unknown', suggestions: [], as: [] }, amount: null },
        ],
      };
  }
  if (whole.name.kind !== 'unknown' || whole.problem || whole.rows.length > 0 || whole.text.search(ASIDE) < 0)
    return whole;
  const bare = splitWhole(source, house, languages, ASIDE);
  return bare.name.kind === 'found' ? bare : whole;
}

export /** Claims the words that lead a spoken line in. @returns where it begins */
function takeLeadIn(r: Reader): number {
  let from = 0;
  for (;;) {
    const lead = LEAD_IN.exec(r.text.slice(from));
    if (!lead || from + lead[0].length >= r.text.length) return from;
    r.claim(from, from + lead[0].length, 'filler');
    from += lead[0].length;
  }
}

/** What is wrong with a number, whatever it is of; null: nothing. */
function wrongNumber(source: string, text: string): LineFinding | null {
  if (/^[-−]\s*[\d½¼¾⅓⅔⅛]/u.test(text) || /^[-−]\d/u.test(source.trim()))
    return { code: 'not-positive', message: 'An amount has to be more than nothing: take the minus sign off.' };
  return /\d{10,}|\d[eE][+]?\d{2,}/.test(text)
    ? { code: 'enormous', message: 'That number is too long to be an amount: check it.' }
    : null;
}

/** "Eggs 2 / 6": so many of one batch and of another, and no sixths; a fraction that is no lowest one, too. */
const STROKED = /(?<![\d.,/])(\d{1,3})(\s*)\/\s*(\d{1,3})(?![\d/]|[.,]\d|\s?(?:k?g|gr|grams?|oz|ml)\b)/;
function twoBatches(text: string): LineFinding | null {
  const m = STROKED.exec(text);
  if (!m || !/\beggs?\b/i.test(text)) return null;
  // half an egg is one
  const [one, other] = [Number(m[1]), Number(m[3])];
  return (one > 1 && other % one === 0) || (m[2] !== '' && (one > 1 || other > 2))
    ? {
        code: 'two-amounts',
        message: `“${m[0]}”: a part of one, or so many for one batch and for another? Write the one that is meant.`,
      }
    : null;
}

/** "2 cups plain and rye flour": two of them, and nothing says how much of each. */
const A_FLOUR =
  '(?:plain|white|all[- ]purpose|bread|strong|self[- ]rais\\w+|whole ?\\w+|rye|spelt|buckwheat|oat|rice|corn|chickpea|almond)';
const TWO_FLOURS = new RegExp(String.raw`\b${A_FLOUR}(?: flour)? (?:and|&|\+) ${A_FLOUR} flours?\b`, 'i');
function twoFlours(text: string): LineFinding | null {
  const m = /\b(?:each|half|equal)\b/i.test(text) ? null : TWO_FLOURS.exec(text);
  return m ? { code: 'two-amounts', message: `“${m[0]}”: how much of each? Write a line for each of them.` } : null;
}

/** What has to be asked of its uses, before anything else is read; null: nothing. */
function askedOfUses(r: Reader, from: number, to: number): LineFinding | null {
  const two = twoBatches(r.text) ?? twoFlours(r.text);
  if (two) return two;
  const again = phrases.TWICE.exec(r.text);
  if (again)
    return {
      code: 'two-amounts',
      message: `“${again[0]}”: how much is that in all? Write the whole amount, or a line for each time.`,
    };
  const filled = phrases.MADE_UP_TO.exec(r.text);
  if (filled)
    return {
      code: 'no-amount',
      message: `“${filled[0]}” is how much there is with the rest: how much of it goes in? Write that.`,
    };
  const half = phrases.OTHER_HALF.exec(r.text);
  if (
    half &&
    /\beggs?\b/i.test(r.text.slice(0, half.index)) &&
    !/\b(?:whites?|yolks?)\b/i.test(r.text.slice(0, half.index))
  )
    return {
      code: 'divided',
      message: `“${half[0].replace(/^[,\s]+/, '')}”: do they go into this batter? Write the eggs as separated, or the half that goes in.`,
    };
  if (phrases.TWO_USES.test(r.text))
    return {
      code: 'divided',
      message: 'For two uses: how much of it goes into the batter? Give each a line of its own.',
    };
  const whom = r.use === null && r.side === null ? phrases.FOR_WHOM.exec(r.text.slice(from, to)) : null;
  const isOurs = (w = ''): boolean => phrases.BATTERS.test(w);
  // "for my aunt's cake" is another's
  return whom && (/['’]s?$/.test(whom[1] ?? '') || (!isOurs(whom[1]) && !isOurs(whom[2])))
    ? {
        code: 'not-understood',
        message: `“${whom[0].trim().replace(/^[,(\s]+|[)\s.]+$/g, '')}”: is it for the batter? Say where it goes.`,
      }
    : null;
}

/** A line without quotes around it and the point or comma it ends with; an abbreviation keeps its own. */
const unPointed = (text: string): string =>
  text.replace(/^["“„«](.*)["”“»]$/u, '$1').replace(/\s*[,;]+$|(?<=\p{L}{4}|\))\.$/u, '');

/** "60 g butter, plus oil for the pan": a thing of the batter, and another of the pan or the plate without an amount. */
const AND_ANOTHER =
  /^(.*[\d½¼¾⅓⅔⅛].*?),?\s+(?:plus|and|with|\+)\s+((?:some\s+|a\s+(?:little|bit of)\s+)?(?!(?:more|extra|additional|a|some)\b)(\p{L}[\p{L} -]{1,24}?)\s+(?:for|to)\s+(?:(?:the|a|your|my|hot)\s+)*(?:pans?|griddle|skillet|(?:waffle\s+)?irons?|fry(?:ing)?|greas(?:e|ing)|cook(?:ing)?|serve|serving|dust(?:ing)?|sprinkle|top(?:ping)?|garnish)\b[^\d]*)$/iu;
function anotherUse(r: Reader): boolean {
  const m = AND_ANOTHER.exec(r.text);
  const { house } = r.asking;
  const other = m?.[3] ? lookUp(m[3], house) : null;
  if (!m?.[1] || !m[2] || other?.kind !== 'found') return false;
  const own = splitLine(m[1], house, r.asking.languages).name;
  if (own.kind !== 'found' || own.ingredient.id === other.ingredient.id) return false;
  r.rows.push(m[1], m[2]);
  r.problem = { code: 'several-lines', message: 'Two things on one line: each wants a line of its own.' };
  return true;
}

/** "2 flax eggs": a spoon of the ground seed and three of water for each. */
const SEED_EGG = /^(\d{1,2}|an?|one|two|three|four)\s+(flax|linseed|chia)(?:\s*seed)?[\s-]+eggs?\b[^\d]*$/i;
function seedEgg(r: Reader): boolean {
  const m = SEED_EGG.exec(r.text);
  const n = m && readNumber(m[1] ?? '')?.low.valueOf();
  if (!m || !n) return false;
  r.rows.push(`${n} tbsp ${/^chia/i.test(m[2] ?? '') ? 'chia seeds' : 'ground linseed'}`, `${3 * n} tbsp water`);
  r.problem = {
    code: 'several-lines',
    message: 'A spoon of seed and three of water for each: each wants a line of its own.',
  };
  return true;
}

/** "(yes, a tablespoon)": the amount is meant as it is written; "(instead of 2)": it was another. */
const AS_MEANT =
  /\(\s*(?:yes|that[’']s right|really|correct|right|instead of \d|was \d|originally \d|(?:up|down) from \d)[^()]*\)/giu;
/** "(the strong one)", "double check": words of a number that count nothing. */
const NO_NUMBER =
  /\bones?\b(?<=\b(?:the|this|that|your|my|our)(?: [\p{L}-]+){0,2} ones?)(?! (?!(?:from|with|in|on|at|that|which|we|i)\b)\p{L})|\bdouble(?=[- ]checke?d?\b)/giu;
/** "Oil (vegetable, canola ...)": sorts that weigh and hold the same; none of a nut or of sesame. */
const SORTS_OF_OIL =
  /(?<=\boil\s*)\((?:\s*(?:vegetable|canola|rapeseed|sunflower|corn|grapeseed|safflower|olive|light|mild|neutral|etc|or|and|such as|like|e\.g)\b[\s,./…]*){2,}\)/giu;

/** @param aside what is not read, and told as not understood, or passed over where `as` says so */
function splitWhole(
  source: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
  aside?: RegExp,
  as: 'unknown' | 'filler' = 'unknown',
): SplitLine {
  const r = new Reader(unPointed(stripBullet(source)), { house, languages });
  const { text } = r;
  const problem = wrongNumber(source, text);
  if (problem) return { ...finish(r), problem };
  if (aside) for (const m of text.matchAll(aside)) r.claim(m.index, m.index + m[0].length, as);
  for (const re of [AS_MEANT, NO_NUMBER])
    for (const m of text.matchAll(re)) r.claim(m.index, m.index + m[0].length, 'filler');
  for (const m of text.matchAll(SORTS_OF_OIL)) {
    r.claim(m.index, m.index + m[0].length, 'filler');
    r.keep(m.index, m.index + m[0].length);
  }
  if (anotherUse(r) || seedEgg(r)) return finish(r);
  const { from: begins, to } = takePhrases(r, takeLeadIn(r));
  r.problem = askedOfUses(r, begins, to) ?? r.problem;
  const special = partOf(r, begins, to) ?? partAbroad(r, begins, to) ?? bothOf(r, begins, to);
  if (special) return special;
  takeMeasures(r);
  takeWhence(r, begins);
  takeTradeCan(r, begins, to);
  let from = begins;
  if (!takeSizeOfThing(r, from, to)) {
    from = takeLoose(r, from, to);
    findAmounts(r, from, to);
  }
  return assemble(r, from, to);
}
