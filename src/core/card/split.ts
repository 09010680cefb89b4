/**
 * Splitting a line into its amount(s), the words that name the ingredient, what is done to it and what it is for.
 * Only words are handled here; whether a phrase names an ingredient is asked of the caller.
 */
import type { FillMethod } from '../pantry/conventions';
import type { Amount } from '../quantity/amount';
import { readNumber } from '../quantity/number';
import { unitById } from '../quantity/units';
import { fillOf, PREFILL, type ReadAmountFn, takeAmounts, takeBrackets, unitOf } from './amounts';
import { stripBullet } from './bullet';
import type { LineFinding, Use } from './parts';

export interface SplitLine {
  readonly amounts: readonly Amount[];
  readonly name: string;
  readonly preparation: string;
  readonly fill: FillMethod | null;
  readonly use: Use | null;
  /** "plus 1 yolk": more of something else on the same line. */
  readonly extras: readonly { readonly amount: Amount; readonly name: string }[];
  readonly problem: LineFinding | null;
}

/** "a little oil", "some milk": words that stand where an amount would, and are none. */
const NO_AMOUNT = /^(?:a\s+(?:little|bit|touch)(?:\s+(?:more\s+)?of)?|some|enough|any|plenty\s+of)\s+(?=\p{L})/iu;

const PAN =
  /[\s,(]*\b(?:for|to)\s+(?:(?:the|a|your|brushing|greasing|oiling|wiping)\s+)*(?:pan|pans|griddle|skillet|iron|waffle iron|frying|fry|greasing|grease|cooking|coating the pan|tin|mould|moulds|ball pan)\b[^()]*\)?\s*$/i;
const TOPPING =
  /[\s,(]*\b(?:(?:for|to)\s+(?:the\s+)?(?:serving|serve|topping|top|dusting|dust|drizzling|drizzle|garnish|garnishing|sprinkling|spreading|finish|finishing|spooning over)|on top|alongside|at the table)\b[^()]*\)?\s*$/i;
const EXTRA = /[\s,]*(?:\(\s*)?(?:\b(?:plus|and|with)\b|\+)\s+(?:a\s+(?:little|bit|few)\s+|some\s+)?(?:more|extra|additional)\b.*$/i;
const TAIL = /[\s,(]*\b(?:to taste|optional|as needed|if needed|if you like|if liked|divided|or as needed)\b\)?\s*$/i;
const POSTFILL = /\b(?:(lightly|loosely)\s+)?(packed|spooned|loose|dipped|fluffed)\b/i;
const OF = /^of\s+(?:an?\s+|the\s+)?/i;

/** The id of the ingredient a phrase names, or null. */
type NameOf = (phrase: string) => string | null;

/** "zest and juice of 1 lemon", "whites of 3 eggs", "juice of half a lemon". */
const PART_OF =
  /^(?:the\s+)?(?:(?:finely|freshly|coarsely)\s+)?(?:(?:grated|squeezed|strained)\s+)?(zest|rind|juice|yolks?|whites?)(?:\s+and\s+(zest|rind|juice))?\s+(?:of|from)\s+(.+)$/i;
const PART_NAME: Readonly<Record<string, string>> = { zest: 'lemon zest', rind: 'lemon zest', juice: 'lemon juice', yolk: 'egg yolk', white: 'egg white' };
const partName = (w: string | undefined): string => PART_NAME[(w ?? '').toLowerCase().replace(/s$/, '')] ?? '';

function partOf(text: string): SplitLine | null {
  const m = PART_OF.exec(text);
  const whole = m?.[3];
  if (!m || !whole) return null;
  const n = readNumber(whole);
  if (!n) return null;
  const [named = '', ...prep] = whole.slice(n.length).split(',');
  const noun = named
    .trim()
    .replace(OF, '')
    .replace(/^(?:large|small|medium|unwaxed|whole)\s+/i, '');
  if (!/^(?:lemons?|eggs?)$/i.test(noun)) return null;
  const amount: Amount = { terms: [{ sign: 1, low: n.low, high: n.high, unit: null, fullness: null }], approximate: false };
  const extras = m[2] ? [{ amount, name: partName(m[2]) }] : [];
  return { ...EMPTY, amounts: [amount], name: partName(m[1]), extras, preparation: prep.join(',').trim() };
}

const EMPTY: SplitLine = { amounts: [], name: '', preparation: '', fill: null, use: null, extras: [], problem: null };

const THINGS = '(walnut|hazelnut|egg)';
const SIZE_AFTER = new RegExp(
  `^(?:an?\\s+)?(?:(?:small|large|good)?\\s*(?:knob|piece|lump|pat|bit)\\s+of\\s+)?(.+?),?\\s+(?:about\\s+)?(?:of\\s+)?the\\s+size\\s+of\\s+an?\\s+(?:small\\s+|large\\s+)?${THINGS}\\b`,
  'i',
);
const SIZE_BEFORE = new RegExp(`^(?:an?\\s+|1\\s+)?${THINGS}[\\s-]sized?\\s+(?:(?:knob|piece|lump|pat|bit)\\s+)?(?:of\\s+)?`, 'i');

/** "Butter the size of a walnut" and "a walnut-sized knob of butter" as an amount and a name. */
function bySize(text: string): string {
  const after = SIZE_AFTER.exec(text);
  if (after?.[1] && after[2] && !/\d/.test(after[1])) return `1 ${after[2].toLowerCase()}-size ${after[1]}${text.slice(after[0].length)}`;
  return text.replace(SIZE_BEFORE, (_all, thing: string) => `1 ${thing.toLowerCase()}-size `);
}

/**
 * Splits an ingredient line.
 * @param text as written
 * @param isName the id of the ingredient a phrase names, or null
 * @param read reads an amount at the start of a text
 */
export function splitLine(text: string, isName: NameOf, read: ReadAmountFn): SplitLine {
  let t = bySize(stripBullet(text));
  if (/^[-−]\s*[\d½¼¾⅓⅔⅛]/u.test(t) || /^[-−]\d/u.test(text.trim()))
    return { ...EMPTY, name: t, problem: { code: 'not-positive', message: 'An amount has to be more than nothing: take the minus sign off.' } };
  if (/\d{10,}|\d[eE][+]?\d{2,}/.test(t))
    return { ...EMPTY, name: t, problem: { code: 'enormous', message: 'That number is too long to be an amount: check it.' } };

  let use: Use | null = null;
  const prep: string[] = [];
  const take = (re: RegExp): boolean => {
    const m = re.exec(t);
    if (!m) return false;
    const words = m[0].replace(/^[\s,(]+|[\s)]+$/g, '');
    if (words) prep.push(words);
    t = t.slice(0, m.index).trim();
    return true;
  };
  if (take(EXTRA)) use = 'batter';
  if (!use && take(PAN)) use = 'pan';
  else if (!use && take(TOPPING)) use = 'topping';
  while (take(TAIL));
  if (use === 'batter') use = null;
  if (/\b(?:pan|griddle)\s+(?:fat|grease|spray)\b/i.test(t)) use = 'pan';

  const loose = NO_AMOUNT.exec(t);
  if (loose) {
    prep.unshift(loose[0].trim());
    t = t.slice(loose[0].length);
  }
  const special = partOf(t);
  if (special) return { ...special, use, preparation: [special.preparation, ...prep].filter(Boolean).join(', ') };

  const head = takeAmounts(t, read);
  const { amounts, rest } = head;
  let { fill } = head;
  prep.push(...head.remarks);

  // "1/2 cup each flour and milk"
  const each = amounts.length === 1 ? /^\s*each\s+(?:of\s+)?(.+?)\s+(?:and|&)\s+([^,;(]+)$/i.exec(rest) : null;
  const [shared] = amounts;
  if (each?.[1] && each[2] && shared && isName(each[1]) && isName(each[2]))
    return { amounts, name: each[1], preparation: prep.join(', '), fill, use, extras: [{ amount: shared, name: each[2] }], problem: null };

  let body = `${head.front} ${rest}`.trim().replace(OF, '');
  const pre = PREFILL.exec(body);
  if (pre) {
    fill = fillOf(pre[1], pre[2] ?? '');
    body = body.slice(pre[0].length);
  }

  const inBrackets = takeBrackets(body, amounts, read);
  body = inBrackets.body;
  prep.push(...inBrackets.remarks);

  // "2 eggs plus 1 yolk", "1 cup milk plus 2 tablespoons"
  const extras: { amount: Amount; name: string }[] = [];
  for (let joined = splitPlus(body, read); joined; joined = splitPlus(body, read)) {
    const left = nameOnly(joined.left);
    if (!isName(left)) break;
    const right = nameOnly(joined.right.replace(OF, ''));
    const [first] = amounts;
    if (right === '' && first) amounts[0] = { ...first, terms: [...first.terms, ...joined.amount.terms] };
    else if (isName(right)) extras.unshift({ amount: joined.amount, name: right });
    else break;
    body = joined.left;
  }

  const { name, after } = nameAndAfter(body, isName);
  if (after) prep.unshift(after);
  const preparation = prep.filter(Boolean).join(', ');
  const post = POSTFILL.exec(preparation);
  if (post && !fill) fill = fillOf(post[1], post[2] ?? '');
  const juiced = lemonPart(name, preparation);
  const trailingAmount = amounts.length === 1 ? sameAgain(after, amounts[0], read) : null;
  if (trailingAmount) {
    amounts.push(trailingAmount);
    return { amounts, name: juiced ?? name, preparation: prep.slice(1).filter(Boolean).join(', '), fill, use, extras, problem: null };
  }
  const problem = amounts.length > 0 && !isName(name) ? twoAmounts(body, read) : secondAfter(after, amounts, read);
  return { amounts, name: juiced ?? name, preparation, fill, use, extras, problem };
}

/** "1 lemon, juiced": the part of the lemon that is meant. */
function lemonPart(name: string, preparation: string): string | null {
  if (!/^(?:\w+\s+)?lemons?$/i.test(name)) return null;
  if (/\bjuiced?\b/i.test(preparation)) return 'lemon juice';
  return /\bzest(?:ed)?\b/i.test(preparation) ? 'lemon zest' : null;
}

function splitPlus(body: string, read: ReadAmountFn): { left: string; amount: Amount; right: string } | null {
  const re = /\s*(?:,\s*)?(?:\bplus\b|\+|\band\b|&)\s*/gi;
  let last: { left: string; amount: Amount; right: string } | null = null;
  for (let m = re.exec(body); m; m = re.exec(body)) {
    const a = read(body.slice(m.index + m[0].length));
    if (a && m.index > 0) last = { left: body.slice(0, m.index), amount: a.amount, right: body.slice(m.index + m[0].length + a.length).trim() };
  }
  return last;
}

const nameOnly = (s: string): string => (s.split(/,|;|\s[-–—]\s/)[0] ?? '').trim();

/** The name is what stands before the first comma, unless the words after it are needed to make it one ("flour, whole wheat"). */
function nameAndAfter(body: string, isName: NameOf): { name: string; after: string } {
  const b = body.replace(/^[\s,:;.–—-]+|[\s,:;–—-]+$/g, '').replace(/\.$/, '');
  const cut = /,|;|\s[-–—]\s/.exec(b);
  let name = (cut ? b.slice(0, cut.index) : b).trim();
  let after = cut ? b.slice(cut.index + cut[0].length).trim() : '';
  if (cut) {
    const [next = '', ...others] = after.split(/[,;]\s*/);
    const swapped = `${next} ${name}`;
    const plain = isName(name);
    const turned = isName(swapped);
    // "sugar, brown" is another thing than sugar; "butter, melted" is not
    if (turned && turned !== plain) return { name: swapped, after: others.join(', ') };
    // "melted, cooled butter"
    if (!plain && isName(after)) return { name: after, after: name };
  }
  const or = /\s+(?:or|\/)\s+/i.exec(name);
  if (or && isName(name.slice(0, or.index))) {
    after = [name.slice(or.index).trim(), after].filter(Boolean).join(', ');
    name = name.slice(0, or.index);
  }
  return { name, after };
}

/** A second, unjoined amount inside the name: "1 cup milk 2 cups". */
function twoAmounts(body: string, read: ReadAmountFn): LineFinding | null {
  const re = /\s(?=[\d½¼¾⅓⅔⅛])/gu;
  for (let m = re.exec(body); m; m = re.exec(body)) {
    const a = read(body.slice(m.index + 1));
    if (a && unitOf(a.amount) !== null)
      return {
        code: 'two-amounts',
        message: 'Two amounts on one line: give each ingredient a line of its own, or put the second in brackets if it says the same twice.',
      };
  }
  const first = read(body);
  if (first && unitOf(first.amount) !== null)
    return { code: 'two-amounts', message: 'Two amounts side by side: which one counts? Put the second in brackets if it says the same twice.' };
  return null;
}

/** "2 cups flour, about 240 g": a weight beside a volume says the same thing twice. */
function sameAgain(after: string, first: Amount | undefined, read: ReadAmountFn): Amount | null {
  const a = read(after);
  if (!a || !first || after.slice(a.length).trim() !== '') return null;
  const kind = (x: Amount): string | undefined => unitById(unitOf(x) ?? '')?.dimension;
  return kind(a.amount) !== undefined && kind(a.amount) !== kind(first) ? a.amount : null;
}

/** "1 cup milk, 2 cups": a second amount after the comma. */
function secondAfter(after: string, amounts: readonly Amount[], read: ReadAmountFn): LineFinding | null {
  if (amounts.length === 0 || !/^[\d½¼¾⅓⅔⅛]/u.test(after)) return null;
  const a = read(after);
  if (!a || unitOf(a.amount) === null) return null;
  if (amounts.length === 1 && after.slice(a.length).trim() === '')
    return { code: 'two-amounts', message: 'Two amounts on one line: put the second in brackets if it says the same twice, or take one off.' };
  return { code: 'two-amounts', message: 'Two amounts on one line: give each ingredient a line of its own.' };
}
