/** What stands around a card that was taken from a letter, a chat or a page: who sent it and when, greetings, talk. */
import { HEADS_LIST } from './headings';
import { isMeasure } from './prose';
import type { CardRow } from './rows';

/** What a page sets around a card: switches between measures, buttons, votes, what it is filed under. */
const OF_A_PAGE =
  /^(?:(?:us(?: customary)?\s*[-–—|/]?\s*metric|metric\s*[-–—|/]?\s*us(?: customary)?)?\s*(?:\d\s?x\s*){2,}|us(?: customary)?\s*[-–—|/]?\s*metric|metric\s*[-–—|/]?\s*us(?: customary)?|jump to (?:the )?(?:recipe|video)|(?:print|pin|save|rate|share|review)(?: (?:the|this|a))?(?: (?:recipe|card|video))?|leave a (?:comment|review|rating)|cook mode\b.*|prevent your screen\b.*|(?:de)?select all|add (?:all )?(?:ingredients )?to (?:the )?(?:cart|(?:shopping )?list)|did you make this\b.*|advertisement|[★☆]+(?: ?\d(?:\.\d+)? (?:from|out of) \d+ (?:votes?|reviews?|ratings?))?|\d(?:\.\d+)? (?:from|out of) \d+ (?:votes?|reviews?|ratings?)|rated \d(?:[.,]\d+)?\b.*|(?:allergens?|contains|may contain|allergene|allergènes|alérgenos)\s*:.*|(?:calories|kcal|keywords?|diet|macros?|nutrition|nährwerte|(?:per|pro) (?:serving|portion|piece|stück))[^:]{0,30}:.*(?:\d ?(?:kcal|cal\b|kj)|protein|carbs?|eiweiß).*|(?:calories|kcal|keywords?|diet)\s*:.*|scale|metric|imperial)$/i;

const BUTTONS_BY = /\s+[-–—|·•]\s+/;
/** Whether a row is a page's own: one such, or several side by side. */
export const isOfAPage = (row: string): boolean =>
  OF_A_PAGE.test(row) || (BUTTONS_BY.test(row) && row.split(BUTTONS_BY).every((x) => OF_A_PAGE.test(x)));

/** Above a letter. What it is about may be the name of the card. */
const SENT = /^(?:to|cc|bcc|sent|reply-to|an|gesendet|à|envoyé|enviado)\s*:\s*[^\d½¼¾]/iu;
const GREETING =
  /^(?:hi|hey|hello|dear|hallo|liebe[rs]?|salut|bonjour|hola|querid[ao])(?: \p{Lu}\p{L}+| all| everyone| there| you)?[,!. ]*$/iu;
const SIGNED =
  /^(?:cheers|(?:(?:all )?the best|best|kind|warm|warmest)(?: wishes| regards)?|regards|(?:lots of |all my )?love|many thanks|thanks(?: again| so much)?|thank you|enjoy|yours(?: truly)?|lg|(?:liebe|viele|beste|schöne) grüße|(?:grosses )?bises|bisous|amitiés|besos|(?:un )?(?:abrazo|saludo)s?|x{1,5})(?:,? (?:\p{Lu}\p{L}+|x{1,5}))?[,.! ]*$/iu;
const FROM_A_PHONE =
  /^(?:sent|get|gesendet|envoyé|enviado) (?:from|von|de|depuis|desde) (?:my|meinem|mon|mi)\b.{0,40}$/i;
const A_NAME = /^\p{Lu}\p{L}{1,14}(?: \p{Lu}\p{L}*\.?)?(?: x{1,5})?[.!]?$/u;
/** Whether a row is a letter's own: to whom, a greeting, a name below it. */
export function isOfALetter(rows: readonly CardRow[], n: number): boolean {
  const t = rows[n]?.text ?? '';
  if (SENT.test(t) || GREETING.test(t) || SIGNED.test(t) || FROM_A_PHONE.test(t)) return true;
  const above = rows.slice(0, n).findLast((x) => x.text !== '');
  return above !== undefined && SIGNED.test(above.text) && A_NAME.test(t);
}

/** So many of the rows right below the head are measured, and above it at most one is. */
const LEAST_MEASURED = 2;
const NEXT_ROWS = 8;
const LONG_SENTENCE = 60;
const measuredFirst = (rows: readonly CardRow[]): number =>
  rows.filter((x) => /^[\d½¼¾⅓⅔⅛]/u.test(x.text) && isMeasure(x.text)).length;
/** The row that heads the list of a page with sentences above it; 0: nothing is above it but the card. */
export function listOfPage(rows: readonly CardRow[]): number {
  const at = rows.findIndex(
    (row, n) => HEADS_LIST.test(row.text) && measuredFirst(rows.slice(n + 1, n + 1 + NEXT_ROWS)) >= LEAST_MEASURED,
  );
  const above = rows.slice(0, Math.max(0, at)).filter((x) => x.text !== '');
  const isTalk = above.some((x) => x.text.length > LONG_SENTENCE && /[.!]$/.test(x.text));
  const isList = measuredFirst(above) >= LEAST_MEASURED;
  return (isTalk || above.some((x) => isOfAPage(x.text))) && !isList ? at : 0;
}

/** "Station: Brunch   Item: Ricotta pancake   Yield: 40 ea": each behind its label. */
const LABELLED = /(?:^|\s{2,}|\s[|·•]\s)(\p{L}[\p{L} ]{1,20}):\s*(\S(?:(?!\s{2,}|\s[|·•]\s).)*)/gu;
const IS_NAME = /^(?:item|recipe|dish|product|name|title|menu item|rezept|gericht|recette|plat|receta|plato)$/i;
/** Filled in by hand on a sheet. */
const IS_FORM = /^(?:par|made by|prepared by|date|cook|station|shift|initials|use by|checked by)$/i;
const IS_CLAIM =
  /^(?:yield|yields|makes|serves|servings|portions?|portion size|batch|ergibt|portionen|raciones|pour)$/i;
/** "Prep 10 min", "TOTAL TIME 25 mins", "Servings: 4": what a row of them says, with or without a sign between. */
const TIME_SAID =
  /\b(?:prep(?:aration)?|cook(?:ing)?|bak(?:e|ing)|total|active|hands[- ]on|rest(?:ing)?|chill(?:ing)?|ready in)(?: time)?\s*:?\s*\d+\s*(?:m|mins?|minutes?|h|hrs?|hours?)\b(?:\s*(?:and\s+)?\d+\s*(?:m|mins?|minutes?)\b)?/giu;
const CLAIM_SAID =
  /\b(?:yields?|makes|serves|servings?|portions?)\s*:?\s*\d+(?:\s*(?:[-–]|to)\s*\d+)?(?: (?:people|servings|portions|pieces|pancakes|waffles|crepes))?/giu;
function timesOf(row: string): readonly string[] | null {
  const times = row.match(TIME_SAID)?.length ?? 0;
  const rest = row.replace(TIME_SAID, '').replace(CLAIM_SAID, '');
  return times > 0 && !/[\p{L}\d]/u.test(rest) ? (row.match(CLAIM_SAID) ?? []) : null;
}

/** Labels of one row that say what the card is called and how many it makes; null: it is no such row. */
export function labelledIn(row: string): { readonly name: string | null; readonly claims: readonly string[] } | null {
  const times = timesOf(row);
  if (times) return { name: null, claims: times };
  const labels = [...row.matchAll(LABELLED)].map((m) => [m[1] ?? '', (m[2] ?? '').trim()] as const);
  if (labels.length < 2 || !labels.some(([label]) => [IS_NAME, IS_CLAIM, IS_FORM].some((is) => is.test(label))))
    return null;
  return {
    name: labels.find(([label]) => IS_NAME.test(label))?.[1] ?? null,
    claims: labels.flatMap(([label, said]) => (IS_CLAIM.test(label) ? [`${label}: ${said}`] : [])),
  };
}
