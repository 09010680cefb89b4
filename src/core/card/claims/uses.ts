/** What a line is for, when it goes in and what is put off: phrases at its end and its start. */
import * as phrases from '../phrases';
import type { Claim } from '../words';
import type { Reader } from './reader';

/** A line with none of these has no phrase to look for. */
const TRIGGERS =
  /(?<!\p{L})(?:for|to|on|in|into|over|round|around|not|left|unused|at|alongside|plus|and|with|or|if|unless|more|extra|additional|optional|optionally|needed|required|necessary|like|liked|want|wish|desired|using|please|make|check|see|choice|any|whatever|give|thereabouts|near|divided|two|split|separated|added|stirred|folded|mixed|sprinkled|scattered|dropped|put|going|goes|go|whisked|poured|last|before|after|is|are|works?|will|does|do|zum|zur|f[uü]rs?|evtl|evt|ev|ggfs?|eventuell|gegebenenfalls|éventuellement|facultati\p{L}+|opcional|facoltativo|piacere|eventueel|nach|wer|n\. ?b|selon|besoin|bedarf|falta|necesario|volonté|gusto|smaak|choix|convenance|ungefähr|aproximadamente|environ|besten|vorzugsweise|préférence|preferiblemente|mejor|noch|más|pour|para|per|om|voor|til|till)(?!\p{L})|\+/iu;

function takePanFat(r: Reader): void {
  if (phrases.PAN_FAT.test(r.text) || (r.use === null && phrases.SPRAY.test(r.text))) r.use = 'pan';
}

/** An amount in words. */
const SAID_AMOUNT =
  /\b(?:an?|half(?: an?)?|one|two|three|four|five|six|seven|eight|ten|twelve)\s+(?:\p{L}+\s+){0,2}?(?:cups?|tablespoons?|teaspoons?|spoons?|grams?|ounces?|pints?|litres?|liters?|sticks?|pinch(?:es)?|eggs?|yolks?)\b/iu;

/** A line whose ends are claimed, phrase by phrase. */
interface Ends {
  readonly r: Reader;
  readonly start: number;
  from: number;
  to: number;
  /** "and 2 tbsp more for the pan": what stands before it is for the batter. */
  batter: boolean;
}

/** Claims a phrase at the end. @param said it is kept as what is done to it */
function take(e: Ends, re: RegExp, as: Claim, said = true): RegExpExecArray | null {
  const m = re.exec(e.r.text.slice(e.start, e.to));
  if (!m || m.index === 0) return null;
  // "..., that goes in with two eggs": another thing is told there
  if (as === 'moment' && SAID_AMOUNT.test(m[0])) return null;
  const at = e.start + m.index;
  e.r.claim(at, e.to, as);
  if (said) e.r.keep(at, e.to);
  e.to = at;
  return m;
}

/** What it is for: the pan, the plate, a sauce. @returns whether a phrase said so */
function takeUse(e: Ends): boolean {
  const { r } = e;
  if (r.use !== null || e.batter || r.side !== null) return false;
  const side = take(e, phrases.SIDE, 'use', false);
  if (side) {
    r.side = (side[1] ?? '').toLowerCase();
    r.use = 'topping';
  } else if (phrases.PAN_TAILS.some((re) => take(e, re, 'use'))) r.use = 'pan';
  else if (phrases.TOPPING_TAILS.some((re) => take(e, re, 'use'))) r.use = 'topping';
  else {
    const beside = take(e, phrases.BESIDE, 'use', false);
    if (!beside) return false;
    r.side = beside[1] ? 'filling' : 'not in the batter';
    r.use = 'topping';
  }
  return true;
}

/** One round of phrases at the end. @returns whether there was one */
function takeTails(e: Ends): boolean {
  const { r } = e;
  let taken = false;
  if (!e.batter && take(e, phrases.OR_MORE, 'use')) {
    r.orMore = true;
    taken = true;
  }
  while (take(e, phrases.TAIL, 'use')) taken = true;
  if (take(e, phrases.MOMENT, 'moment')) taken = true;
  if (take(e, phrases.DIVIDED, 'use')) {
    r.divided = true;
    taken = true;
  }
  return takeUse(e) || taken;
}

const AT_THE_START = [
  [phrases.PAN_FIRST, 'pan'],
  [phrases.TOPPING_FIRST, 'topping'],
  [phrases.FIRST, null],
] as const;

function takeHeads(e: Ends): void {
  const { r } = e;
  for (const [re, use] of AT_THE_START) {
    const length = re.exec(r.text.slice(e.from, e.to))?.[0].length ?? 0;
    if (length === 0 || e.from + length >= e.to) continue;
    r.claim(e.from, e.from + length, 'use');
    r.keep(e.from, e.from + length);
    if (use && !e.batter) r.use = use;
    e.from += length;
  }
}

/** "oil for the iron, 5 g": what it is for stands before the amount. */
const IN_THE_MIDDLE = [
  [
    /\s+(?:for|to)\s+(?:the\s+|your\s+)?(?:pans?|griddle|skillet|(?:waffle[\s-]?)?irons?|frying|fry|greasing|grease|brushing|cooking)(?=\s*(?:[,:–—-]\s*|\(\s*(?:about|approx\.?|ca\.?|around|roughly)?\s*)[\d½¼¾⅓⅔⅛])/iu,
    'pan',
  ],
  [
    /\s+(?:for|to)\s+(?:the\s+)?(?:serving|serve|dusting|dust|drizzling|drizzle|topping|top)(?=\s*(?:[,:–—-]\s*|\(\s*(?:about|approx\.?|ca\.?|around|roughly)?\s*)[\d½¼¾⅓⅔⅛])/iu,
    'topping',
  ],
] as const;

function takeMiddle({ r, start }: Ends): void {
  for (const [re, use] of IN_THE_MIDDLE) {
    const m = r.use === null ? re.exec(r.text.slice(start)) : null;
    if (!m) continue;
    const [at, end] = [start + m.index, start + m.index + m[0].length];
    r.claim(at, end, 'use');
    r.keep(at, end);
    r.use = use;
  }
}

/** Phrases at the end and the start of a line, in any order: each is claimed, and the line ends before it. */
export function takePhrases(r: Reader, start: number): { readonly from: number; readonly to: number } {
  const e: Ends = { r, start, from: start, to: r.text.length, batter: false };
  const remark = r.text.includes('(') ? [...r.text.matchAll(phrases.REMARK)].at(-1) : undefined;
  const half = phrases.OTHER_HALF.exec(r.text);
  const beside =
    remark && /^[\s.;]*$/.test(r.text.slice(remark.index + remark[0].length))
      ? remark.index
      : half && /\b(?:whites?|yolks?)\b/i.test(r.text.slice(0, half.index))
        ? half.index
        : null;
  if (beside !== null) {
    r.claim(beside, e.to, 'state');
    e.to = beside;
  }
  if (TRIGGERS.test(r.text)) {
    const extra = take(e, phrases.EXTRA, 'use') ?? take(e, phrases.EXTRA_ABROAD, 'use');
    take(e, phrases.FOR_BATTER, 'moment');
    const isElsewhere = extra !== null && /\b(?:for|to|zu[mr]|fürs?|pour|para)\b/i.test(extra[0]);
    // "150 g butter, and 20 g more for the pan": the first is the batter's; "oil for the pan, plus more" has one use
    if (isElsewhere) e.batter = true;
    if (extra && !isElsewhere) r.orMore = true;
    while (takeTails(e));
    takeMiddle(e);
    takeHeads(e);
  }
  takePanFat(r);
  return e;
}
