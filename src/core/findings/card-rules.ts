/**
 * The rules that hold a card against itself: fractions likely misread, a method that uses what the list lacks, a list
 * that is never used, a yield that the volume contradicts. What is found is said and asked about, never changed.
 */
import { piecesOf } from '../batter/volume';
import { methodOf, namesIn, wordsOf, yieldClaim } from '../card/method';
import { type Clause, clausesOf, isDenied } from '../card/told/clause';
import { anyWord, HOT_SURFACE } from '../card/told/words';
import { RAILS } from '../formula/kinds';
import { pouredG, testedFlourG } from '../formula/tally';
import { type Allergen, allergenName, type Ingredient, kitchenName } from '../pantry/ingredient';
import { isNamedIn, nounsOf } from '../pantry/nouns';
import { listAnd, millilitres, percent } from '../quantity/say';
import { type Evidence, type EvidenceLine, keysOf, quoted, type Rule } from './finding';

const fractionDoubtful: Rule = (e) => {
  const doubted = e.lines.filter((l) => l.findings?.some((f) => f.code === 'fraction-doubtful'));
  const [first] = doubted;
  if (!first) return null;
  return {
    code: 'fraction-doubtful',
    severity: 'look',
    basis: 'arithmetic',
    keys: keysOf(doubted),
    message: `Every amount on this card is 1 1/2 or 1 1/4, and ${quoted(first)} is far out with it. Likely the 1 was misread: try the other reading beside this one.`,
  };
};

/**
 * Percent of flour that most batters stay under, by what is strong in its own way: three times what a card usually has.
 * Twice that is a look. Ours, from a teaspoon of each to two cups of flour.
 */
const STRONG: Readonly<Record<string, number>> = {
  cinnamon: 3.5,
  'mixed-spice': 3.5,
  ginger: 2.5,
  nutmeg: 1.2,
  clove: 0.6,
  allspice: 1.2,
  cardamom: 1.5,
  turmeric: 1.5,
  'black-pepper': 1.2,
  'vanilla-extract': 8,
  'vanilla-paste': 5,
  'almond-extract': 2,
  'lemon-extract': 3,
  'coffee-instant': 4,
  matcha: 6,
  'yeast-instant': 3.5,
  'yeast-fresh': 10,
  'xanthan-gum': 1.5,
};

/** Percent of flour that most batters stay under; null for what is not strong. */
export const strongLimit = (i: Ingredient): number | null => STRONG[i.behaves ?? i.like ?? i.id] ?? null;

/** A batter is some 3.5 times its flour; one of much egg and little flour is flavoured by what it weighs. */
const BATTERS_FLOUR = 3.5;

/** What is strongest for its kind in the batter, in percent of flour beside its limit; null where nothing is strong. */
export function strongest(
  e: Pick<Evidence, 'lines' | 'tally' | 'waits'>,
): { readonly i: Ingredient; readonly pct: number; readonly limit: number } | null {
  if (!(e.tally.flourG > 0) || e.waits.size === RAILS.length) return null;
  const sums = new Map<Ingredient, number>();
  for (const l of e.lines)
    for (const { ingredient: i, grams } of l.use === 'batter' ? l.parts : [])
      if (strongLimit(i) !== null) sums.set(i, (sums.get(i) ?? 0) + grams);
  if (sums.size === 0) return null;
  const flour = Math.max(testedFlourG(e.tally), pouredG(e.tally) / BATTERS_FLOUR);
  const over = [...sums].map(([i, grams]) => ({ i, pct: (100 * grams) / flour, limit: strongLimit(i) ?? 0 }));
  return over.sort((x, y) => y.pct / y.limit - x.pct / x.limit)[0] ?? null;
}

const spiceHigh: Rule = (e) => {
  const most = strongest(e);
  if (!most || most.pct <= most.limit || percent(most.pct) === percent(most.limit)) return null;
  const lines = e.lines.filter((l) => l.use === 'batter' && l.parts.some((p) => p.ingredient === most.i));
  const name = kitchenName(most.i).toLowerCase();
  const [what, are] =
    lines.length === 1 ? [quoted(lines[0]), 'is'] : [`${lines.length} lines of ${name} together`, 'are'];
  return {
    code: 'spice-high',
    severity: most.pct > 2 * most.limit ? 'look' : 'note',
    basis: 'arithmetic',
    keys: keysOf(lines),
    message: `${what} ${are} ${percent(most.pct)} of the flour; most batters have under ${percent(most.limit)} of ${name}. Was a spoon or a fraction misread?`,
  };
};

/** How far off a claim may be, as a share of what the bowl holds, before it is worth a word. */
const CLAIM = [0.62, 1.6] as const;

/** How many the card says, and how many the bowl pours of so much each, ml. */
interface YieldOff {
  readonly claimed: number;
  readonly pieces: number;
  readonly portionMl: number;
}

/**
 * What the card says it makes and what the bowl pours, where the two are far apart by the portion that is poured and by
 * the card's own; null where they are not, or nobody can tell.
 */
export function yieldOff(
  e: Pick<Evidence, 'cardNotes' | 'volume' | 'portionMl' | 'toldPortionMl' | 'waits' | 'school' | 'kind' | 'tally'>,
): YieldOff | null {
  const claim = yieldClaim(e.cardNotes);
  if (!claim || !e.volume || !e.portionMl || e.waits.size > 0 || e.school?.portionMl === null || !e.kind) return null;
  const { densityGPerMl } = e.volume;
  const off = (portionMl: number): YieldOff | null => {
    const { pieces } = piecesOf(pouredG(e.tally), densityGPerMl, portionMl);
    const near = claim.pieces >= CLAIM[0] * pieces && claim.pieces <= CLAIM[1] * pieces;
    return pieces < 1 || near ? null : { claimed: claim.pieces, pieces, portionMl };
  };
  const poured = off(e.portionMl);
  const told = e.toldPortionMl;
  // by a ladle of the card's own nobody can tell
  return told === 'open' ? null : told && poured ? off(told) : poured;
}

const yieldRule: Rule = (e) => {
  const off = yieldOff(e);
  if (!off || !e.volume) return null;
  const each = (e.volume.volumeMl * 0.97) / off.claimed;
  return {
    code: 'yield-claim',
    severity: 'note',
    basis: 'model',
    message: `The card says ${off.claimed}; this bowl pours ${off.pieces} of ${millilitres(off.portionMl)}. Its ${off.claimed} would be of ${millilitres(each)} each.`,
  };
};

/** A method that says "the dry ingredients" speaks of all of them. */
const ALL_OF =
  /\b(?:all|everything|every|dry|wet|rest|remaining|other)\b[^.]{0,24}\b(?:ingredients?|things?|mix(?:ture)?|team|bowl)\b|\b(?:everything|all together|dry into|wet into|into (?:the )?(?:dry|wet)|(?:all|rest|half) of (?:it|them)|it all|them all|the lot|everything)\b|\b(?:the )?(?:dry|wet)\b(?=\s*(?:[.;,]|and\b|together|well|$))|(?<!\p{L})(?:alles|alle (?:\p{L}+ )?zutaten|(?:die|den) (?:übrigen?|restlichen?|trockenen|flüssigen)|tous les|tout|le reste|les ingrédients|todos?|los (?:demás )?ingredientes|el resto)(?!\p{L})/iu;

/** The words by which a line names its thing, of all that a method may call it. */
const namedOn = (l: EvidenceLine): ReadonlySet<string> =>
  wordsOf((l.words ?? []).flatMap((w) => (w.as === 'ingredient' ? [w.text] : [])).join(' '));
/** A line whose amount is in words: such cards are told by mouth, and what is told once is no list. */
const isSpoken = (l: EvidenceLine): boolean => l.text !== undefined && !/[\p{N}]/u.test(l.text);
/** A method that leaves out more of the lines than this says them in other words: "fold into the yolk mixture". */
const MOST_FORGOTTEN = 1 / 4;

const listedNeverUsed: Rule = (e) => {
  const method = methodOf(e.cardNotes);
  const batter = e.lines.filter((l) => l.use === 'batter' && l.parts.length > 0);
  if (!method || ALL_OF.test(method) || batter.filter(isSpoken).length > batter.length / 2) return null;
  const words = wordsOf(method);
  const unused = batter.filter(
    (l) =>
      !(l.text && method.includes(l.text)) &&
      ![...namedOn(l)].some((w) => words.has(w)) &&
      l.parts.every((p) => ![...nounsOf(p.ingredient)].some((n) => words.has(n)) && !isNamedIn(method, p.ingredient)),
  );
  if (unused.length === 0 || unused.length > Math.max(1, MOST_FORGOTTEN * batter.length)) return null;
  return {
    code: 'listed-never-used',
    severity: 'note',
    basis: 'measured',
    keys: keysOf(unused),
    message: `${unused.map(quoted).slice(0, 3).join(', ')} ${unused.length === 1 ? 'is' : 'are'} on the list, but the method never uses ${unused.length === 1 ? 'it' : 'them'}.`,
  };
};

/** Named in methods without being an ingredient of the batter: for the pan, the test, the table. */
const BESIDE = new Set([
  'water',
  'oil',
  'butter',
  'syrup',
  'fruit',
  'cake',
  'cream',
  'batter',
  'lard',
  'bacon',
  'coffee',
]);

/** A sentence of the table, not of the bowl. */
const TABLE =
  /\b(?:serv(?:e|ed|ing)|table|on top|top(?:ped)? with|drizzle|garnish|dust(?:ed)? with|alongside|eat|for the (?:syrup|sauce|topping|filling|glaze))\b/i;
/** What puts a thing into a bowl, where the talk has come to the pan and may be of what goes with it. */
const PUTS_IN =
  /\b(?:add|whisk|stir|mix|beat|fold|blend|whizz|combine|sift|scald|soak|break)(?:s|ed|en|ing)?\b|\b(?:goes?|put|pour|drop) (?:\w+ ){0,3}in(?:to)?\b|\bin goe?s?\b/i;

/** What is rubbed on a pan, and pressed from the thing that is named before it: "coconut oil", "bacon fat". */
const PRESSED_FROM = /\b\p{L}+ (?=(?:oil|fat|grease|drippings?|rind)\b)/giu;
/** "No sugar in mine", "till there is no dry flour". */
const NONE_OF = /\bno (?:\p{L}+ )?\p{L}+/giu;
/** Whites in the plural are an egg's. */
const WHITES = /\bwhites\b/gi;

/** The clauses that may tell of something in the batter. */
function clausesOfBowl(method: string): readonly Clause[] {
  const clauses = clausesOf(method).filter((c) => c.taken !== 'remark' && !TABLE.test(c.sentence));
  const heated = clauses.findIndex((c) => HOT_SURFACE.test(c.sentence));
  return clauses.filter((c, n) => !HOT_SURFACE.test(c.text) && (heated < 0 || n < heated || PUTS_IN.test(c.sentence)));
}

const usedNeverListed: Rule = (e) => {
  const method = methodOf(e.cardNotes);
  if (!method) return null;
  const things = e.lines.flatMap((l) => [...l.parts.map((p) => p.ingredient), ...(l.ingredient ? [l.ingredient] : [])]);
  const listed = new Set(things.flatMap((i) => [...nounsOf(i)]));
  // what stands on a line is listed, whatever the line is understood as: "oat" of "oat milk"
  const written = wordsOf(e.lines.map((l) => l.text ?? '').join('\n'));
  const named = namesIn(
    clausesOfBowl(method)
      .map((c) => c.text.replace(PRESSED_FROM, '').replace(NONE_OF, '').replace(WHITES, 'eggs'))
      .join('\n'),
  );
  const missing = [...named].filter((n) => !listed.has(n) && !written.has(n) && !BESIDE.has(n));
  if (missing.length === 0) return null;
  return {
    code: 'used-never-listed',
    severity: 'look',
    basis: 'measured',
    message: `The method uses ${missing.slice(0, 3).join(', ')}, which ${missing.length === 1 ? 'is' : 'are'} not on the list. Was a line lost?`,
  };
};

/** Where a sentence in another language comes to the table. */
const TABLE_ABROAD =
  /(?<!\p{L})(?:servier\p{L}*|essen|genie(?:ß|ss)\p{L}*|bestäub\p{L}*|dazu|darüber|obendrauf|bestreuen|servir|servez|serv[ie]r?|dégust\p{L}*|mange[rz]?|accompagn\p{L}*|dessus|sírve\p{L}*|acompañ\p{L}*|com(?:er|emos)|encima)(?!\p{L})/iu;
/**
 * Words of what pieces are eaten with, by an allergen that it holds, wherever a sentence of the table has them; what only
 * sounds so holds none: "coconut cream".
 */
const EATEN_WITH: readonly (readonly [Allergen, RegExp])[] = [
  ['peanut', anyWord('peanut butter|peanuts?|erdn[uü]ss\\p{L}*|cacahu\\p{L}+')],
  [
    'tree-nut',
    anyWord(
      'walnuts?|pecans?|almonds?|hazelnuts?|cashews?|pistachios?|praline|marzipan|(?:chopped |toasted )?nuts|waln[uü]ss\\p{L}*|haseln[uü]ss\\p{L}*|mandeln|noix(?! de (?:coco|muscade))|noisettes|amandes|nueces|avellanas|almendras',
    ),
  ],
  ['sesame', anyWord('sesame(?: seeds?)?|tahini|sesam|sésame|sésamo')],
  [
    'milk',
    anyWord(
      '(?<!(?:peanut|almond|cashew|nut|apple|pear|cocoa|coconut|vegan|plant) )(?:butter|cream)|(?:ice|whipped|sour|clotted) cream|cheese|cheddar|feta|ricotta|mascarpone|custard|yogh?urt|sahne|schlagsahne|käse|beurre(?! de cacahu)|crème (?:fraîche|chantilly)|fromage|mantequilla|nata|queso|yogur',
    ),
  ],
  ['egg', anyWord('(?:fried|poached|soft(?:-boiled)?|an?) eggs?|spiegelei\\p{L}*|œufs? au plat|huevos? fritos?')],
  ['fish', anyWord('smoked salmon|salmon|trout|herring|caviar|lachs|saumon|salmón')],
];

/** What pieces are eaten with, in the card's words, and the allergen that it holds. */
export interface ServedBeside {
  readonly said: string;
  readonly allergen: Allergen;
}

/** Whether it is eaten by whoever eats: what is left to the guest is too. */
export const isEaten = (c: Clause): boolean => !isDenied(c.text);

/** What pieces are eaten with by the words of a card's sentences of the table, one thing for each allergen. */
export function servedByWords(cardNotes: string): readonly ServedBeside[] {
  if (cardNotes === '') return [];
  const eaten = clausesOf(cardNotes)
    .filter((c) => isEaten(c) && (TABLE.test(c.sentence) || TABLE_ABROAD.test(c.sentence)))
    .map((c) => c.text.replace(NONE_OF, ''));
  return EATEN_WITH.flatMap(([allergen, re]) => {
    const said = eaten.flatMap((t) => re.exec(t)?.[0] ?? [])[0];
    return said ? [{ said: said.toLowerCase(), allergen }] : [];
  });
}

/** The same where no line holds it. */
export function servedUnlisted({ cardNotes, lines }: Pick<Evidence, 'cardNotes' | 'lines'>): readonly ServedBeside[] {
  const held = new Set(
    lines.flatMap((l) =>
      [...l.parts.map((p) => p.ingredient), ...(l.ingredient ? [l.ingredient] : [])].flatMap((i) => i.allergens),
    ),
  );
  // a line that is not understood yet is told of as one
  const isNamed = (of: Allergen): boolean =>
    EATEN_WITH.some(([a, re]) => a === of && lines.some((l) => l.text !== undefined && re.test(l.text)));
  return servedByWords(cardNotes).filter((s) => !held.has(s.allergen) && !isNamed(s.allergen));
}

/** Eaten with them by the method, and on no line: the notice for whoever eats leaves out what it holds. */
const servedNotListed: Rule = (e) => {
  const missing = servedUnlisted(e);
  if (missing.length === 0) return null;
  return {
    code: 'served-not-listed',
    severity: 'look',
    basis: 'measured',
    message: `By the method they are eaten with ${listAnd(missing.map((m) => m.said))}, which no line has: the notice tells ${listAnd(missing.map((m) => allergenName(m.allergen)))} only as served by the card.`,
  };
};

export const CARD_RULES: readonly Rule[] = [
  fractionDoubtful,
  spiceHigh,
  usedNeverListed,
  servedNotListed,
  yieldRule,
  listedNeverUsed,
];
