/** Rows that head a group of lines, alone or with its list behind them. */

import { lookUp } from '../pantry/lookup';
import { DISH, headingShape, type Role, roleOf } from './headings';
import { itemsIn } from './items';
import { type Line, readLine } from './line';
import { isMeasure } from './prose';
import {
  aside,
  type CardRow,
  isItem,
  isMethod,
  isThingAndAmount,
  nextRow,
  type RowPlace,
  type RowReading,
  readRows,
  vesselOf,
} from './rows';
import { DOING, firstWord } from './writing';

/** What a list is called, whatever follows it. */
const STRUCTURAL =
  /^(?:the )?(?:ingredients?|ingredients list|shopping list|zutaten|ingredienti|ingredientes|ingr[eé]dients|ingredi[eë]nten|ingredienser)(?: (?:for|für|pour|para|per|voor|til|till) \d.{0,24}|\s*\([^()]{1,24}\))?$/iu;
/** Kinds of thing that a batter is made of: a heading that only names one is the batter's. */
const OF_A_BATTER = new Set([
  'flour',
  'starch',
  'sugar',
  'leavening',
  'salt',
  'egg',
  'dairy',
  'plant-milk',
  'fat',
  'dry-dairy',
]);

/** Companions that are made, not bought: a bare row of one is a heading where amounts follow. */
const MADE =
  /\b(?:sauce|glaze|compote|coulis|fillings?|icing|frosting|drizzle|ganache|crumble|streusel|custard|topping|whip|soak|crunch|brittle|dip|salad|ragout|hash|salsa|relish|spread|curd|whipped butter|\p{L}*(?:so(?:ß|ss)e|kompott|füllung|glasur|creme)|compota|coulis|relleno|almíbar|(?:salsa|sauce|crema|crème) (?:de |du |au |aux |à la )\p{L}+(?: \p{L}+)?)$/iu;

/** A row that has the shape of a heading, among the rows around it. */
interface HeadingRow {
  readonly shape: NonNullable<ReturnType<typeof headingShape>>;
  readonly next: CardRow | undefined;
  /** Nothing stands above it. */
  readonly first: boolean;
  readonly n: number;
  readonly r: RowReading;
}

/** Words that head the method wherever they stand. */
const HEADS_METHOD =
  /^(?:method|directions?|instructions?|preparation|do|what (?:to|you) do|how to (?:make|do) (?:it|them)|steps?|notes?|tips?|equipment|tools|utensils)$/i;
/** Words that head a list without a mark and without a gap above them. */
const HEADS_LIST =
  /^(?:ingredients?|(?:the )?batter|base|(?:dry|wet)(?: \w+)?|toppings?|to serve|serve with|serving|garnish(?:es)?|decorations?|greasing|griddle|spices|flavou?r(?:ing)?s?|fats?|caramel|custard|streusel|crumble|salad|soak|sauce|glaze|filling|icing|frosting|compote|(?:step|part|day|bowl|stage) (?:\d{1,2}|one|two|three|a|b)|(?:the )?(?:night|evening) before|(?:in the |the )?next (?:morning|day)|in the morning|on the day)$/i;

/** A row that is a heading, by its shape, its words and what follows; null where it is none. */
export function headingAt(raw: CardRow, n: number, r: RowReading): RowPlace | null {
  const next = nextRow(r, n);
  // "Step 1: For the sauce", above its list
  const bare = raw.text.replace(/^(?:step|part|schritt|paso|étape)\s*\d{1,2}\s*[:.)–—-]\s+/iu, '');
  const shape = headingShape(raw.source, bare !== raw.text && isItem(next, r, true) ? bare : raw.text);
  if (!shape) return null;
  const { words } = shape;
  const inBrackets = wholeInBrackets(raw.text)?.[2];
  if (inBrackets && itemsIn(inBrackets, r.house, r.languages)) return null;
  const said = roleOf(words);
  // "To cook", and what follows is butter: the pan's, not the method's
  const cooks = said === 'method' && COOKS.test(words) && isItem(next, r, false);
  // "Finish", "whip", and whites below it: of the batter
  const isBatters = OF_EITHER.test(words) && isOfBatterBelow(n, r);
  const role = cooks ? 'pan' : isBatters ? 'batter' : said;
  if (isListHead(words, next, r)) return { at: 'heading', words, role: 'batter' };
  const untitled = r.title === null && !r.started;
  // below a heading a row without a mark is of the list: "knob of butter for each crepe"
  const dish = untitled && r.role === 'batter' && (shape.marked || !r.listed);
  if (dish && DISH.test(words) && !/^(?:for|to)\b/i.test(words))
    return { at: 'title', text: raw.text.replace(/^[#=*_>\s]+|[#=*_\s]+$/g, '').replace(/\s*:$/, '') };
  const at: HeadingRow = { shape, next, first: untitled && r.rows.slice(0, n).every((x) => x.text === ''), n, r };
  if (role === 'method' || role === 'notes')
    return shape.marked || !next || !isItem(next, r, true) || HEADS_METHOD.test(words)
      ? { at: 'heading', words, role }
      : null;
  // in the method a heading of steps stays there
  if (!isItem(next, r, role === null)) return headingOfNothing(at, role);
  return role === null ? headingOfSomething(raw, at) : headingOfRole(at, role);
}

const YOU_NEED = /^you(?:[’']ll| will)? need$/i;
/** "Ingredients"; "You'll need", where what is measured below it is no equipment. */
const isListHead = (words: string, next: CardRow | undefined, r: RowReading): boolean =>
  STRUCTURAL.test(words) || (YOU_NEED.test(words) && isItem(next, r, true));
/** Done with what goes into a batter and with what goes on top. */
const OF_EITHER = /^(?:to )?(?:finish(?:ing)?(?: with)?|whip(?: to .{1,20})?|soak|warm|thin with)$/i;
/** What nobody puts on a plate. */
const NEVER_ON_A_PLATE = new Set(['egg', 'leavening', 'flour', 'starch']);
/** Whether the list right below holds what only a batter does, with its amount. */
function isOfBatterBelow(n: number, r: RowReading): boolean {
  const below = r.rows.slice(n + 1);
  const end = below.findIndex((x) => x.text === '' || headingShape(x.source, x.text)?.marked === true);
  return below.slice(0, end < 0 ? below.length : end).some((x) => {
    const line = readLine(x.text, r.house, {}, null, r.languages);
    return line.written.length > 0 && NEVER_ON_A_PLATE.has(line.ingredient?.category ?? '');
  });
}

/** A heading that no list follows. */
function headingOfNothing({ shape, next, first, r }: HeadingRow, role: Role | null): RowPlace | null {
  const nothing = !next || headingShape(next.source, next.text) !== null;
  if (!shape.marked) return null;
  if (role !== null && r.role === 'method') return aside('method');
  if (role !== null) return nothing ? { at: 'heading', words: shape.words, role } : null;
  return first && nothing ? { at: 'title', text: shape.words } : null;
}

/** A heading whose words say what its list is for. */
function headingOfRole({ shape: { words, marked }, next, first, n, r }: HeadingRow, role: Role): RowPlace | null {
  const named = lookUp(words, r.house).kind !== 'unknown';
  const apart = n === 0 || r.rows[n - 1]?.text === '' || !r.started;
  const heads = !named || isItem(next, r, true);
  // "Whipped cream for the top": a thing, and what it is for
  if (!marked && isThingWithUse(words, r)) return null;
  if (marked ? heads : HEADS_LIST.test(words) || (apart && heads && !first)) return { at: 'heading', words, role };
  // "Caramel sauce" in the middle of a list, and amounts below it: made here, most likely; asked
  const row = r.rows[n];
  const isNamed = row !== undefined && isNamedBelow(row, n, r);
  const made = role === 'side' && (MADE.test(words) || !named || isNamed) && isItem(next, r, true);
  if (made) return { at: 'heading', words, role, asked: true };
  // "Garnish", "Leaven", among rows that are all measured
  const isBatters = role === 'batter' && named && HEADS_FERMENT.test(words);
  const own = row && readLine(row.text, r.house, {}, null, r.languages);
  const isWords =
    row !== undefined && isFewWords(row, words) && own?.written.length === 0 && (own.ingredient === null || isBatters);
  return !first && isWords && (!named || isBatters) && isAmongMeasured(n, r, 1) ? { at: 'heading', words, role } : null;
}

function isThingWithUse(words: string, r: RowReading): boolean {
  const [, said] = /^(.*\S)\s+(?:for|to|on)\b/i.exec(words) ?? [];
  if (said === undefined || MADE.test(said)) return false;
  const { ingredient, use } = readLine(words, r.house, {}, null, r.languages);
  return use !== 'batter' || ingredient !== null;
}

/** What a yeast batter is begun with, and is made of rows of its own. */
const HEADS_FERMENT = /^(?:leaven|levain|starter|poolish|biga|sponge|pre-?ferment)$/i;
/** Rows right below that have their amounts, where a heading has neither mark nor gap. */
const MEASURED_UNDER_HEADING = 2;
/** A row that has no amount, where those above it in the list do, and the next below. @param least so many of them */
function isAmongMeasured(n: number, r: RowReading, least = MEASURED_UNDER_HEADING): boolean {
  const below = r.rows.slice(n + 1).filter((x) => x.text !== '');
  return (
    r.before.every((l) => l.written.length > 0 || l.findings.length === 0) &&
    below.length >= least &&
    below.slice(0, least).every((x) => isItem(x, r, true))
  );
}

/** A marked heading whose words nobody knows, above a list. */
function headingOfSomething(
  raw: CardRow,
  { shape: { words, marked }, next, first, n, r }: HeadingRow,
): RowPlace | null {
  if (!marked)
    return isUnmarkedHeading(raw, words, n, r) || isApartHeading(raw, words, n, r)
      ? { at: 'heading', words, role: 'unknown' }
      : null;
  if (first) return { at: 'title', text: words };
  const named = readLine(raw.text.replace(/:\s*$/, ''), r.house).ingredient;
  if (named && !isItem(next, r, true)) return null;
  return { at: 'heading', words, role: named && OF_A_BATTER.has(named.category) ? 'batter' : 'unknown' };
}

/** "Sausages", and "8 sausages" right below. */
function isNamedBelow(raw: CardRow, n: number, r: RowReading): boolean {
  const read = (x: CardRow | undefined): Line | null => (x ? readLine(x.text, r.house, {}, null, r.languages) : null);
  const line = read(raw);
  if (line?.written.length !== 0) return false;
  const [own, next] = [line.ingredient, read(nextRow(r, n))?.ingredient];
  // "Butter", "Sugar" alone may be lines that lack their amounts; "Browned butter" is made of what is below
  const isMade = own && (!OF_A_BATTER.has(own.category) || raw.text.trim().includes(' '));
  return isMade === true && own?.id === next?.id;
}

/** "Scrambled eggs", and "4 eggs" right below: nobody knows the words, and what they may mean is measured there. */
function isMadeOfNext(words: string, n: number, r: RowReading): boolean {
  const next = nextRow(r, n);
  const line = readLine(words, r.house, {}, null, r.languages);
  const below = next && readLine(next.text, r.house, {}, null, r.languages).ingredient;
  return line.ingredient === null && line.written.length === 0 && line.suggestions.some((s) => s.id === below?.id);
}

/** "Vegan version", "gluten free option": what follows is another way, and no more of the same. */
const ANOTHER_WAY = /\S (?:version|option|variation|alternative|edition)$/i;

function namesNothing(words: string, r: RowReading): boolean {
  const line = readLine(words, r.house, {}, null, r.languages);
  return line.ingredient === null && line.written.length === 0 && line.suggestions.length === 0;
}

const MOST_HEADING_WORDS = 4;
const isFewWords = (raw: CardRow, words: string): boolean =>
  /^\p{Lu}/u.test(raw.source) && words.split(/\s+/).length <= MOST_HEADING_WORDS;

/** Words that tell how much, and head nothing. */
const AMOUNT_IN_WORDS =
  /^(?:an?|some|few|little|enough|pinch|handful|dash|splash|knob|sprigs?|bunch|drizzle|squeeze|more|extra)\b/i;

/** "Tempering", "Final dough" within a list: a name that nobody knows, where every other row begins with its amount. */
const isUnmarkedHeading = (raw: CardRow, words: string, n: number, r: RowReading): boolean =>
  r.started &&
  !r.single &&
  r.role !== 'method' &&
  r.role !== 'notes' &&
  isFewWords(raw, words) &&
  !AMOUNT_IN_WORDS.test(words) &&
  r.before.every((l) => /^\W*[\d½¼¾⅓⅔⅛]/u.test(l.text)) &&
  (((namesNothing(words, r) || isMadeOfNext(words, n, r)) && isAmongMeasured(n, r)) ||
    ((isNamedBelow(raw, n, r) || ANOTHER_WAY.test(words)) && isAmongMeasured(n, r, 1)));

/** "Scrambled eggs" below a gap, and "4 eggs" right below: heads what follows, whatever it is; asked about. */
function isApartHeading(raw: CardRow, words: string, n: number, r: RowReading): boolean {
  const next = nextRow(r, n);
  if (r.single || !r.started || r.rows[n - 1]?.text !== '' || r.rows[n + 1]?.text === '' || !next) return false;
  if (r.role === 'method' || r.role === 'notes' || !isFewWords(raw, words) || !isItem(next, r, true)) return false;
  const own = readLine(raw.text, r.house, {}, null, r.languages);
  if (own.written.length > 0 || own.use !== 'batter' || AMOUNT_IN_WORDS.test(words)) return false;
  // "Salt", "Vanilla" may be of the list, unless it is measured right below
  return (
    own.ingredient === null || readLine(next.text, r.house, {}, null, r.languages).ingredient?.id === own.ingredient.id
  );
}

/** "for the sauce I take a hundred grams of sugar": a heading, as spoken. */
const SPOKEN_HEADING =
  /^(?:(?:and|then|so|now)\s+)*(for (?:the|my|a) [\p{L} ]{3,30}?)[,\s]+(?:i|we|you)(?:[’']ll|[’']d)?\s+(?:use|take|need|start with|put in|put|add|want|mix)\s+(\S.*)$/iu;

/** "maple syrup, 2 bananas": a few words each, none of which is something to do; null: it is no list. */
function shortItems(list: string): readonly string[] | null {
  const bits = list.split(/\s*,\s+(?:and\s+)?|\s+and\s+/).filter((b) => !/^etc\.?$/i.test(b));
  // "30 g d’emmental râpé par galette": longer, where it begins with its amount
  const isShort = (b: string): boolean => b.split(/\s+/).length <= (/^\d/.test(b) ? 8 : 5);
  return bits.every((b) => isShort(b) && !DOING.has(firstWord(b))) && !/[.!?]\s/.test(list) ? bits : null;
}

/** "To cook: 30 g butter": what follows is the pan's. */
const COOKS =
  /^(?:(?:to|for) (?:cook(?:ing)?|fry(?:ing)?|bak(?:e|ing)|brown(?:ing)?)|cooking|frying|cuisson|cocción)$/i;
const isFatAlone = (list: string, r: RowReading): boolean => {
  const line = readLine(list.replace(/[.!]$/, ''), r.house, {}, null, r.languages);
  return line.ingredient?.category === 'fat' && !isMethod(list);
};

/** A heading's words with all of its list in brackets. */
const wholeInBrackets = (text: string): RegExpExecArray | null => {
  const m = /^(\p{L}[\p{L}\s'’-]{1,28}?)\s+\(([^()]*,[^()]*|[^()]*(?:\([^()]*\)[^()]*)+,[^()]*)\)$/u.exec(text);
  return m && roleOf(m[1] ?? '') !== null ? m : null;
};

/** "Pancakes: 2 cups flour, 2 eggs ...": what the card is called, and its list. */
const isDishName = (words: string, r: RowReading): boolean =>
  !r.started && DISH.test(words) && !/^(?:for|to|für|zu[mr]?|pour|para)(?!\p{L})/iu.test(words);

/** A row's words before its colon, its dash or its bracket, and the list behind. */
const partedByHeading = (text: string): RegExpExecArray | null =>
  SPOKEN_HEADING.exec(text) ??
  /^((?:\d(?:st|nd|rd|th) )?[\p{L}][\p{L}\s'’-]{1,38}?)\.?\s*(?::|\s[–—=-])\s+(\S.*)$/u.exec(text) ??
  // "Wet (2 eggs, 200 g milk)"
  wholeInBrackets(text) ??
  // "Bowl 1 - 300 g flour, 15 g powder"
  /^((?:bowl|mix|part|group) (?:\d|[A-D]))\s*(?::|[–—-])\s+(\S.*)$/iu.exec(text) ??
  // "Hotel breakfast, per 50: flour 4 kg, salt 60 g"
  /^(\p{L}(?=[^:]*\d)[\p{L}\d\s'’,()/-]{1,48}?)\s*:\s+(\S.*)$/u.exec(text);

/** "Optional: chocolate chips" is said of a thing. */
const roleSaid = (words: string): Role => (/^optional$/i.test(words) ? 'unknown' : (roleOf(words) ?? 'unknown'));

/** "Sauce: 100 g butter, 50 g sugar"; "For the pan: butter". */
export function inlineHeading(raw: CardRow, r: RowReading): RowPlace | null {
  const m = partedByHeading(raw.text);
  // "two cups of flour – a pinch of salt" is a list
  if (!m?.[1] || !m[2] || isMeasure(m[1])) return null;
  const role = COOKS.test(m[1]) && isFatAlone(m[2], r) ? 'pan' : roleSaid(m[1]);
  if (role === 'method' || role === 'notes') return null;
  // "Griddle: 375 F"
  if (role === 'pan' && /^\d{2,3} ?(?:°|degrees)? ?[CF]?[.!]?$/i.test(m[2])) return aside('method');
  // "Sauce: 1 cup berries": what goes with the batter, though sauces can be bought too
  const isBeside = role === 'topping' || role === 'side' || role === 'pan';
  const list = m[2].replace(/[.!]$/, '');
  const items = itemsIn(list, r.house, r.languages) ?? (isBeside ? shortItems(list) : null);
  // "Butter: 50 g" is a thing; "Cream: 500 ml cream, 50 g sugar" is made of its list
  if (!isBeside && items === null && lookUp(m[1], r.house).kind !== 'unknown') return null;
  // "Maple syrup: 2 tbsp" heads nothing
  if (isThingAndAmount(raw.text, r.house)) return null;
  // a heading that nobody knows heads a list, or nothing
  if (items === null && (role === 'unknown' || isMethod(m[2]))) return null;
  const hint = vesselOf(role);
  const lines = (items ?? [m[2]]).flatMap((bit) => readRows(bit, r, hint));
  const isMeasured = lines.some((l) => l.written.length > 0);
  if (lines.every((l) => l.ingredient === null) && !(isBeside && items && isMeasured)) return null;
  if (role === 'unknown' && !lines.every((l) => l.ingredient !== null && l.written.length > 0)) return null;
  const title = isDishName(m[1], r) ? m[1] : null;
  return { at: 'lines', lines, heading: { words: m[1], role, stays: role === 'side' || role === 'batter', title } };
}
