/**
 * A card: free text with a title, headings, ingredient lines, a yield and a method around them. Each row of the text
 * ends up in one place: the title, a section's heading, the ingredient lines, or set aside with the reason. Nothing is
 * dropped.
 */

import type { KitchenConventions } from '../pantry/conventions';
import { lookUp } from '../pantry/lookup';
import type { Language } from '../pantry/tables/other-names';
import { capital } from '../quantity/say';
import type { Result } from '../result';
import { stripBullet } from './bullet';
import { doubtFractions } from './doubt';
import { headingAt, inlineHeading } from './heading-rows';
import { DISH, type Role } from './headings';
import { COUNT_WORDS, itemsIn } from './items';
import { languagesIn } from './language';
import { type Line, readLine } from './line';
import { cameTo } from './measured-by';
import { servingClaim, yieldClaim } from './method';
import { namedIn } from './named';
import { isOfALetter, isOfAPage, labelledIn, listOfPage } from './page';
import { actBehind, isMeasuredOften, isOneLine, isWholeCard, paragraph, strungUp } from './paragraph';
import type { Use, Vessel } from './parts';
import { DOES, isClean, isMeasure } from './prose';
import { amountsPutRight, rowPutRight } from './put-right';
import { type Recipe, recipesOnCard, rowsOfRecipe } from './recipes';
import {
  A_PORTION,
  A_PORTION_ALONE,
  aside,
  type CardLine,
  type CardRow,
  inPlace,
  isBatter,
  isMethod,
  isThingAndAmount,
  nextRow,
  ROW_AT_HEAT,
  type RowPlace,
  type RowReading,
  readRows,
  type SetAside,
  TIME_ROW,
  TIMES,
  vesselOf,
  YIELD,
  YIELD_LABEL,
} from './rows';
import { inGrams } from './shares';
import { inOneLanguage, ofFirstSize, withoutBracketSize } from './sizes';
import { linesOfSteps, numberedSteps, withPointedSteps } from './steps';
import { isTableHead, unstacked, withoutCosts, withTables, withUnitsBehind } from './table';
import { claimOfTitle, isAboveTalk, isDishOfThing, isTitleOfTalk, withoutClaim } from './title';
import { clausesOf } from './told/clause';
import { mixingIn } from './told/mixing';
import { unwrapped, withWholeLines } from './wrapped';
import { cardAsRead, DOING, firstWord, rowAsRead, TABLE_HEAD } from './writing';

/** Lines under one heading, and where they go. */
export interface Section {
  readonly id: string;
  /** As written, without its marks; null: what stands above the first heading. */
  readonly heading: string | null;
  readonly role: Role;
  /** A heading whose words are not understood: where its lines go is a guess, and asked. */
  readonly asked: boolean;
}

export interface Card {
  readonly title: string | null;
  readonly lines: readonly CardLine[];
  readonly ignored: readonly SetAside[];
  readonly sections: readonly Section[];
  /** All recipes of a text that holds several, of which the first is read; none, where it is one. */
  readonly recipes: readonly Recipe[];
}

export interface CardTooLong {
  readonly chars: number;
  readonly message: string;
}

/** A card longer than this is no card. */
export const MOST_CARD_CHARS = 60_000;
const MOST_CARD_LINES = 1_500;

/** "Ergibt 12 Stück", "4 people, 2 each", "makes enough for 6": how many it is for, and nothing besides. */
const CLAIMS =
  /^(?:makes enough|enough|\d+ (?:people|persons|guests),|ergibt|ergeben|reicht für|gibt|für|pour|donne|environ|etwa|ca\.?|salen|rinde|para|unas?|unos)\s/iu;
const isClaimAlone = (row: string): boolean => {
  const text = row.replace(/[.!:]+$/, '');
  return CLAIMS.test(text) && [yieldClaim(text), servingClaim(text)].some((c) => c?.text === text);
};

/** Where one row of the text belongs. */
function rowPlaced(n: number, r: RowReading): RowPlace {
  const row = r.rows[n];
  if (!row || row.text === '') return { at: 'nowhere' };
  const t = row.text;
  if (r.started && r.steps.has(n)) return aside('method');
  if (!r.single && (isOfAPage(t) || isFootnote(n, r) || isOfALetter(r.rows, n))) return aside('note');
  const labels = r.single ? null : labelledIn(row.source);
  if (labels) return placeOfLabels(labels, r);
  // what a page tells above its list
  if (n < r.list && r.title !== null && !isClaimAlone(t) && !YIELD.test(t)) return aside('note');
  // a step's number in a row of its own
  if (r.started && /^\(?\d{1,2}[.):]$/.test(t)) return aside('method');
  // "Notes:" alone heads the notes, and no column
  const heads = isTableHead(row.source) || (/[:|\t]/.test(row.source) && TABLE_HEAD.test(t));
  if (!r.single && heads && !/^notes?\s*:$/i.test(t)) return aside('heading');
  // "Makes 8 crepes" names crepes, and heads none
  const plainYield = /^(?:makes|serves|yields?|feeds)\b/i.test(t) && YIELD.test(t);
  if (!r.single && !r.started && isClaimAlone(t)) return aside('yield');
  const heading = r.single || plainYield ? null : headingAt(row, n, r);
  if (heading) return heading;
  return isTitleOfTalk(row, r) ? { at: 'title', text: t } : (placeBeside(row, r) ?? placeOfItems(row, r));
}

/** "*or use half wholemeal", below "1 1/2 cups flour*"; where stars are bullets, or words are bold, it is none. */
const isFootnote = (n: number, r: RowReading): boolean =>
  /^\s*\*+\s?\p{L}[^*]*$/u.test(r.rows[n]?.source ?? '') &&
  !r.rows.some((x) => /^\s*\*\s*[\d½¼¾⅓⅔⅛]/u.test(x.source)) &&
  r.rows.slice(0, n).some((x) => /\p{L}[)]?\*+\s*$/u.test(x.source) && !/^\s*\*/.test(x.source));

/** What a row of labels says the card is called, and how many it makes. */
const placeOfLabels = (of: NonNullable<ReturnType<typeof labelledIn>>, r: RowReading): RowPlace => {
  const isTitle = of.name !== null && r.title === null;
  return isTitle ? { at: 'title', text: of.name, claims: of.claims } : { at: 'aside', why: 'note', claims: of.claims };
};

/** "No salt": a thing that does not go in. */
const NONE_OF_IT =
  /^no (?:added )?\p{L}+(?: \p{L}+)?(?:(?:, | and |, and | or )no (?:added )?\p{L}+(?: \p{L}+)?)*[.!]?$/iu;

const COSTS_ALL = /^(?:total (?:food )?(?:cost|price)|(?:food )?cost (?:per|%)|price per)(?!\p{L})/iu;

/** "Put 2 cups of water in the steamer." */
const IN_THE_STEAMER = /^(?:put|pour|bring|boil)\b[^.]*\b(?:steamer|double boiler|bain-marie)\b/i;
/** "Get a big bowl.": nothing goes in. */
const TAKES_A_VESSEL =
  /^(?:get|take|grab|find)(?: out)? (?:an?|the|your) (?:[\p{L}-]+ ){0,2}(?:bowls?|jug|pan|blender|whisk|mug|saucepan)[.!]?$/iu;

/** "Method: mix all", "Elaboración: mezclar los secos". */
const METHOD_BEHIND =
  /^(?:(?:method|directions?|instructions?|procedure|steps?|how to)\s*:\s+\S|(?:elaboraci[oó]n|preparaci[oó]n|instrucciones|zubereitung|anleitung|pr[ée]paration|instructions|r[ée]alisation)\s*:\s+\p{L})/iu;

/** What is beside the list: the method, notes, what it makes, how long it takes; and lines behind a heading of theirs. */
function placeBeside(row: CardRow, r: RowReading): RowPlace | null {
  const t = row.text;
  // "(4 portions)"
  const told = /^\(([^()]{3,40})\)$/.exec(t)?.[1] ?? t;
  const yields = YIELD.test(told) && !YIELD_LABEL.test(t);
  // "Oven one: 3 eggs, 3/4 cup milk, 3/4 cup flour" is a list
  const times = TIME_ROW.test(t) || (TIMES.test(t) && !isMeasuredOften(t) && !isThingAndAmount(t, r.house));
  if (r.role !== 'method' && r.role !== 'notes' && !yields && !times) {
    const inline = inlineHeading(row, r);
    if (inline) return inline;
  }
  if (r.role === 'method' || TAKES_A_VESSEL.test(t) || IN_THE_STEAMER.test(t) || METHOD_BEHIND.test(t))
    return aside('method');
  if (r.role === 'notes' || /^\([^()\d]*\)$/.test(t) || NONE_OF_IT.test(t) || COSTS_ALL.test(t)) return aside('note');
  if (yields) return aside('yield');
  return times ? aside('note') : null;
}

/** A row of several items, and what it says is done with them. */
function placeOfBits(t: string, bits: readonly string[], r: RowReading, hint: Vessel | null): RowPlace {
  // "1 egg. Rest overnight, thin with 50 ml of water": a list, and what is done with it
  const told = /[.!?]\s+(?=\p{Lu}|\d)/u.test(t) ? paragraph(t, r, hint) : null;
  if (told) return told;
  const parted = actBehind(t);
  const list = parted && itemsIn(parted.list, r.house, r.languages);
  const lines = (list ?? bits).flatMap((bit) => readRows(bit, r, hint));
  return parted && list ? { at: 'mixed', lines, method: parted.act } : { at: 'lines', lines };
}

/** A row of several things, or one that takes back what was told. */
const strungOrRighted = (t: string, r: RowReading, hint: Vessel | null): readonly Line[] | null =>
  strungUp(t, r, hint) ?? rowPutRight(t, r, hint);

/** A row of the list, a title above it, or a sentence of the method within it. */
function placeOfItems(row: CardRow, r: RowReading): RowPlace {
  const t = row.text;
  const hint = vesselOf(r.role);
  const bits = itemsIn(t.replace(/[.!]$/, ''), r.house, r.languages);
  if (bits) return placeOfBits(t, bits, r, hint);
  const strung = strungOrRighted(t, r, hint);
  if (strung) return { at: 'lines', lines: strung };
  const para = paragraph(t, r, hint);
  if (para) return para;
  const numbered = /^\s*\(?\d{1,2}[.)]\s+[A-Za-z]/.test(row.source);
  if (!r.single && isMethod(t) && !isOneLine(t, r) && !isThingAndAmount(t, r.house))
    return aside(!r.started && !numbered && !DOING.has(firstWord(t)) ? 'note' : 'method');
  const lines = readRows(row.source.trim(), r, hint);
  const [line] = lines;
  if (!line) return { at: 'nowhere' };
  // "One waffle takes 120 ml.", a sentence a row: within the method, and no thing
  const isMeasured = line.written.some((w) => w.terms[0]?.unit != null) || line.ingredient !== null;
  const isShortItem = /^[\d½¼¾⅓⅔⅛]/u.test(t) && isMeasured && t.split(/\s+/).length <= MOST_ITEM_WORDS;
  if (r.pointed && !r.single && /[.!]$/.test(t) && !isShortItem && !(isClean(line) && line.written.length > 0))
    return aside('method');
  const alone = lines.length === 1 && !r.single ? placeOfNothing(row, line, r) : null;
  if (alone) return alone;
  if (hasAmount(line, t) || r.single || r.started) return { at: 'lines', lines };
  const asks = line.findings.some(
    (f) => f.code !== 'unknown-ingredient' && f.code !== 'not-understood' && f.code !== 'no-amount',
  );
  const names =
    line.ingredient !== null ||
    lines.length > 1 ||
    (r.title !== null && (line.use !== 'batter' || asks)) ||
    lookUp(t, r.house).kind !== 'unknown';
  if (names || r.listed || isNumbered(row, r)) return { at: 'lines', lines };
  return r.title ? aside('note') : { at: 'title', text: t };
}

/** Words of a row that begins with an amount and ends in a point, and is no sentence: "2 tbsp zork.". */
const MOST_ITEM_WORDS = 6;

/** "Crepe batter, 5 L": how much of it there is. */
const SO_MUCH_BEHIND =
  /^\p{L}[^\d]*[,–—-]\s*(?:about |ca\.? |~)?\d[\d.,]* ?(?:l|lit(?:re|er)s?|kg|g|lbs?|pounds?|quarts?|qts?|gal(?:lons?)?|batch(?:es)?)\.?$/iu;
const FOR_MINUTES = /\b\d+ ?(?:min(?:ute)?s?|sec(?:ond)?s?)\.?$/i;
/** A row that is no thing: told of the heat or the portion behind the list, or what the dish is called; null: it is one. */
function placeOfNothing(row: CardRow, line: Line, r: RowReading): RowPlace | null {
  const t = row.text;
  if (isDishOfThing(row, line, r) || isAboveTalk(row, line, r)) return { at: 'title', text: t };
  // "three mounds, tablespoon of water in the pan, lid on, 5 minutes"
  if (r.started && line.status !== 'read' && !/^[\d½¼¾⅓⅔⅛]/u.test(t) && FOR_MINUTES.test(t)) return aside('method');
  if (line.ingredient !== null) return null;
  // "three tablespoons each, tilt to spread", "Iron at 200 C, 4 minutes"
  if (r.started && line.use !== 'batter') return null;
  if (r.started && A_PORTION_ALONE.test(t)) return aside('method');
  if (r.started) return A_PORTION.test(t) || (ROW_AT_HEAT.test(t) && !isMeasure(t)) ? aside('method') : null;
  // "Base mix (makes 1.2 kg)"
  const isNamed =
    /\((?:(?:makes|yields?|serves|feeds)\b|(?:ca\.?|about|approx\.?|~)? ?\d+ (?:stk|stück|st|pcs|pieces|pers|port|personen)\b)/i.test(
      t,
    ) ||
    (DISH.test(t) && /^\d+(?:-\d+)+ /.test(t)) ||
    ((DISH.test(t) || /\b(?:batter|mix)\b/i.test(t)) && SO_MUCH_BEHIND.test(t));
  return !r.title && isNamed ? { at: 'title', text: t } : null;
}

const WORD_AND_NUMBER = /^\p{L}[\p{L}. ]{0,24}\s\d{1,4}(?:[.,]\d+)?$/u;
/** "flr 250" under a title, and more of the kind below: a line that is asked about. */
function isNumbered(row: CardRow, r: RowReading): boolean {
  const next = r.title === null ? undefined : nextRow(r, r.rows.indexOf(row));
  return next !== undefined && WORD_AND_NUMBER.test(row.text) && WORD_AND_NUMBER.test(next.text);
}

function hasAmount(line: Line, t: string): boolean {
  // "Waffles (makes 8)": a number with nothing to count is no amount
  const bare = line.ingredient === null && /^\p{L}/u.test(t) && line.written.every((a) => a.terms[0]?.unit === null);
  return (
    (line.written.length > 0 && !bare) || line.findings.some((f) => f.code === 'not-positive' || f.code === 'enormous')
  );
}

/** Where the lines of groups go whose headings nobody understands, or whose words contradict what is in them. */
function settleGroups(
  sections: readonly Section[],
  lines: readonly CardLine[],
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): { sections: readonly Section[]; lines: readonly CardLine[] } {
  const of = (id: string): readonly CardLine[] => lines.filter((l) => l.section === id);
  const used = sections.filter((s) => of(s.id).length > 0);
  const flourElsewhere = (s: Section): boolean =>
    used.some(
      (x) => x.id !== s.id && x.role !== 'side' && x.role !== 'topping' && x.role !== 'unknown' && isBatter(of(x.id)),
    );
  const settled = sections.map((s): Section => {
    if (s.role === 'unknown') {
      // powder and soda are in no sauce
      const lifts = of(s.id).some((l) => l.ingredient?.category === 'leavening');
      const batter = used.length === 1 || lifts || (isBatter(of(s.id)) && !flourElsewhere(s));
      return { ...s, role: batter ? 'batter' : 'side', asked: used.length > 1 };
    }
    // a sauce with all the flour of the card in it is no sauce
    if (
      s.role === 'side' &&
      isBatter(of(s.id)) &&
      !flourElsewhere(s) &&
      used.filter((x) => x.role === 'side' && isBatter(of(x.id))).length === 1 &&
      of(s.id).length > 2
    )
      return { ...s, role: 'batter', asked: true };
    return s;
  });
  const moved = lines.map((l): CardLine => {
    const was = sections.find((s) => s.id === l.section)?.role;
    const is = settled.find((s) => s.id === l.section)?.role;
    if (was === is || is === undefined) return l;
    return { ...readLine(l.text, house, {}, vesselOf(is), languages), lineNumber: l.lineNumber, section: l.section };
  });
  return { sections: settled, lines: moved };
}

/** What stands around the lines of a card: what its title tells of how many, its method and its notes. */
export function notesOn({ title, ignored }: Pick<Card, 'title' | 'ignored'>): string {
  const claim = claimOfTitle(title ?? '');
  return [
    ...(claim === null ? [] : [claim]),
    ...ignored.flatMap((i) => (i.why === 'heading' || i.why === 'another' ? [] : [i.text.trim()])),
  ].join('\n');
}

/** A clause that whips the whites, in either order of its words. */
const WHIPS =
  /\b(?:whip|whipped|whipping|beat|beaten|whisk|whisked)\b[^.;]{0,30}\bwhites\b|\bwhites\b[^.;]{0,40}\b(?:whipped|beaten|whisked|stiff|firm|peaks)\b|(?<!\p{L})(?:mont|batt|fouett)\p{L}*(?: [\p{L}’']+){0,3} blancs(?!\p{L})|(?<!\p{L})(?:eiweiße?|eiklar)(?!\p{L})[^.;]{0,30}schlagen(?!\p{L})|(?<!\p{L})(?:mont|bat)\p{L}*(?: \p{L}+){0,2} claras(?!\p{L})/iu;

/** Lines of whites, or else of whole eggs, whose whites the method whips apart. */
function withWhipped<L extends CardLine>(
  lines: readonly L[],
  notes: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly L[] {
  if (lines.some((l) => l.foam)) return lines;
  const clauses = clausesOf(notes).filter((c) => c.taken === 'told');
  // how far is told of the whites, or else it is not far
  const far = clauses.flatMap((c) => mixingIn(c)).find(([fact]) => fact === 'whites')?.[1];
  if (far === undefined && !clauses.some((c) => WHIPS.test(c.text))) return lines;
  const eggs = lines.filter((l) => l.use === 'batter' && l.side === null && l.ingredient?.category === 'egg');
  const whites = eggs.filter((l) => l.ingredient?.id === 'egg-white');
  const of = whites.length > 0 ? whites : eggs.filter((l) => l.ingredient?.id !== 'egg-yolk');
  const foam = far === 'firm' ? 'firm' : 'soft';
  return lines.map((l) => (of.includes(l) ? { ...l, ...readLine(l.text, house, { foam }, null, languages) } : l));
}

/** What the rows tell that things were measured in, too: sentences. */
const talkIn = ({ lines, ignored }: Placed): string =>
  ignored
    .filter((i) => i.why === 'method' && lines.some((l) => l.lineNumber === i.lineNumber))
    .map((i) => i.text)
    .join('\n');
/** A line behind the last that is written so. */
function withBehind(lines: readonly CardLine[], line: CardLine, text: string): readonly CardLine[] {
  const at = lines.findLastIndex((l) => l.lineNumber === line.lineNumber && l.text === text);
  return [...lines.slice(0, at + 1), line, ...lines.slice(at + 1)];
}

/** A rule across the card, or a longer row that is mostly strokes and signs: nothing that a cook wrote. */
const STROKES_CHARS = 80;
const A_RULE = /^\s*(?:[-–—=_~*#+.·•|]\s?){3,}\s*$/u;
const isStrokes = (row: string): boolean =>
  A_RULE.test(row) || (row.length > STROKES_CHARS && (row.match(/[\p{L}\p{N}]/gu)?.length ?? 0) < 0.25 * row.length);

/**
 * Reads a pasted card.
 * @param written free text; what is longer than a card can be is refused with its length, nothing is cut off
 * @param house conventions for what the card does not say
 */
export function readCard(written: string, house: KitchenConventions): Result<Card, CardTooLong> {
  const text = cardAsRead(written);
  const said = text.split(/\r\n|\r|\n|\u2028|\u2029/);
  if (text.length > MOST_CARD_CHARS || said.length > MOST_CARD_LINES) {
    const n = (x: number): string => x.toLocaleString('en-GB');
    const message = `This text has ${n(text.length)} characters on ${n(said.length)} lines; a card has at most ${n(MOST_CARD_CHARS)} on ${n(MOST_CARD_LINES)}. Paste only the recipe.`;
    return { ok: false, error: { chars: text.length, message } };
  }
  const rows = unwrapped(withPointedSteps(said));
  const recipes = recipesOnCard(rows);
  const [one] = recipes;
  if (!one) return { ok: true, value: cardOf(text, rows, house) };
  const card = cardOf(text, rowsOfRecipe(rows, one), house);
  const others = rows.flatMap((row, n): readonly SetAside[] =>
    row.trim() === '' || (n >= one.from && n < one.to)
      ? []
      : [{ lineNumber: n + 1, text: row, why: n < one.from ? 'note' : 'another' }],
  );
  const ignored = [...card.ignored, ...others].sort((a, b) => a.lineNumber - b.lineNumber);
  return { ok: true, value: { ...card, ignored, recipes } };
}

/** The card that its rows are. @param text all of it, for the languages it is in */
function cardOf(text: string, written: readonly string[], house: KitchenConventions): Card {
  const plain = withUnitsBehind(inOneLanguage(withoutBracketSize(written), house));
  const whole = withWholeLines(unstacked(plain, house), house);
  const raws = inGrams(cameTo(withTables(withoutCosts(whole))));
  // a card that writes "-2 cups" on several lines uses the dash as a bullet
  const dashBullets = raws.filter((r) => /^\s*-\d/.test(r)).length > 1;
  const languages = languagesIn(text);
  const rows = raws.map((raw): CardRow => {
    const source = rowAsRead(dashBullets ? raw.replace(/^(\s*)-(?=\d)/, '$1') : raw, languages);
    return { source, text: isStrokes(source) ? '' : stripBullet(source) };
  });
  const filled = rows.filter((r) => r.text !== '');
  // one row is a line, whatever it looks like; but not a recipe told in one breath
  const [first] = filled;
  const isTold = first !== undefined && DOES.test(first.text) && /[.!?]\s+\p{Lu}/u.test(first.text);
  // within brackets a line says its own amount again
  const unbracketed = (first?.text ?? '').replace(/\([^()]*\)/g, '');
  const single = filled.length === 1 && !isTold && !isWholeCard(unbracketed, { house, languages });
  const placed = placeRows(raws, {
    house,
    languages,
    rows,
    single,
    talk: isTalk(filled),
    steps: numberedSteps(rows),
    list: listOfPage(rows),
  });
  const told = linesOfSteps(placed, rows, house, languages);
  const sized = ofFirstSize(told, (from, to) =>
    rows.slice(from.lineNumber - 1, to.lineNumber).reduce((t, row) => `${t}\n${row.text}`, ''),
  );
  const { meant, takenBack } = amountsPutRight(sized.kept, (l) => rows[l.lineNumber - 1]?.text ?? '');
  const settled = settleGroups(placed.sections, meant, house, languages);
  const { title } = placed;
  const back = takenBack.map((l): SetAside => ({ lineNumber: l.lineNumber, text: l.text, why: 'note' }));
  const others = [
    ...sized.labels.map((l): SetAside => ({ lineNumber: l.lineNumber, text: l.text, why: 'heading' })),
    ...sized.others.map((l): SetAside => ({ lineNumber: l.lineNumber, text: l.text, why: 'another' })),
  ];
  const ignored = [...placed.ignored, ...back, ...others];
  const notes = notesOn({ title: null, ignored });
  const byName = namedIn({ lines: settled.lines, notes, talk: talkIn(placed), house });
  const sure = doubtFractions(settled.lines);
  const named = byName.reduce(
    (all, { line, behind }) => withBehind(all, inPlace(line, behind.lineNumber, behind.section), behind.text),
    sure,
  );
  const whipped = withWhipped(named, notes, house, languages);
  return { title, lines: whipped, ignored, sections: settled.sections, recipes: [] };
}

/** So many rows are talk where nearly all are sentences, and hardly one is a row of a list. */
const LEAST_TALK_ROWS = 3;
const TALK_SHARE = 0.75;
const LONG_SENTENCE = 45;
function isTalk(rows: readonly CardRow[]): boolean {
  const sentences = rows.filter(
    (x) => /[.!?]$/.test(x.text) && !/^(?:step\s*)?\(?\d{1,2}[.):]\s/i.test(x.source.trim()),
  );
  return (
    rows.length >= LEAST_TALK_ROWS &&
    sentences.length >= TALK_SHARE * rows.length &&
    sentences.some((x) => x.text.length > LONG_SENTENCE) &&
    !rows.some((x) => /^for the [^:.]{3,40}:/i.test(x.text))
  );
}

/** Every row in its place. */
interface Placed {
  readonly title: string | null;
  readonly sections: readonly Section[];
  readonly lines: readonly CardLine[];
  readonly ignored: readonly SetAside[];
}

/** "Zutaten für 6 Waffeln: 125 g Butter": what a heading claims. */
function claimsOf(heading: string | undefined, lineNumber: number): readonly SetAside[] {
  const text = heading === undefined ? null : claimOfTitle(heading);
  return text === null ? [] : [{ lineNumber, text, why: 'yield' }];
}

const claimed = (claims: readonly string[] | undefined, lineNumber: number): readonly SetAside[] =>
  (claims ?? []).map((text) => ({ lineNumber, text: `${text}.`, why: 'yield' }));

/** "What you'll need for about twenty crepes", "It's a Dutch baby": what leads to the name. */
const SAYS_FOR_WHAT = new RegExp(
  `^(?:(?:what|all|everything) (?:you|we)(?:[’']ll| will)? need (?:for|to make) (?:about |around )?(?:(?:an?|\\d+|${COUNT_WORDS}) )?|(?:so |ok(?:ay)? |right )*(?:it|this)(?:[’']s| is) (?:an? |my |our |the )?)(?=\\p{L}{3})`,
  'iu',
);

interface Titled {
  readonly title: string | null;
  readonly claims: readonly SetAside[];
}
/** A title without its label and its pictures, and what it claims under a label of its own. */
function titleOf(text: string, lineNumber: number): Titled {
  const [name, claim] = withoutClaim(text);
  const title = name
    .replace(/^(?:title|name|recipe|subject|betreff|objet|asunto)\s*:\s*(?:(?:re|fwd?|aw|wg)\s*:\s*)*/i, '')
    .replace(SAYS_FOR_WHAT, '')
    .replace(/^\p{Ll}/u, capital)
    .replace(/\s*(?:(?![©®™])\p{Extended_Pictographic}(?:\uFE0F|\u200D)*\s*)+$/u, '');
  // "What you need for twenty crepes" claims what its name no longer says
  const lead = SAYS_FOR_WHAT.test(name) ? claimOfTitle(name) : null;
  const claims = [claim, lead].flatMap((c): readonly SetAside[] =>
    c === null ? [] : [{ lineNumber, text: c, why: 'yield' }],
  );
  return { title, claims };
}

/** What the card is called, maybe by a row that has lines of it, too, and what that claims. */
function titleBeside(p: RowPlace, lineNumber: number, title: string | null): Titled {
  const text = p.at === 'mixed' ? p.title : p.at === 'lines' ? p.heading?.title : null;
  return title === null && text ? titleOf(text, lineNumber) : { title, claims: [] };
}

/** So many lines show how the rows of a list are written. */
const LEAST_LISTED = 2;
function placeRows(
  raws: readonly string[],
  of: Omit<RowReading, 'role' | 'title' | 'started' | 'listed' | 'pointed' | 'before'>,
): Placed {
  let title: string | null = null;
  const sections: Section[] = [{ id: 's0', heading: null, role: 'batter', asked: false }];
  let section = sections[0] as Section;
  const lines: CardLine[] = [];
  const ignored: SetAside[] = [];
  const open = (words: string, role: Role, asked = false): Section => {
    const s: Section = { id: `s${sections.length}`, heading: words, role, asked };
    sections.push(s);
    return s;
  };
  for (const [n, raw] of raws.entries()) {
    const lineNumber = n + 1;
    const p: RowPlace =
      isStrokes(raw) && stripBullet(raw) !== ''
        ? aside('note')
        : rowPlaced(n, {
            ...of,
            role: section.role,
            title,
            started: lines.length > 0,
            listed: sections.length > 1,
            before: lines,
            pointed:
              lines.length >= LEAST_LISTED &&
              (ignored.some((i) => i.why === 'method') ||
                !lines.some((l) => /[.!]$/.test(raws[l.lineNumber - 1]?.trim() ?? ''))),
          });
    const beside: Titled = titleBeside(p, lineNumber, title);
    title = beside.title;
    ignored.push(...beside.claims);
    switch (p.at) {
      case 'nowhere':
        break;
      case 'title': {
        const of = titleOf(p.text, lineNumber);
        title = of.title;
        ignored.push(...of.claims, ...claimed(p.claims, lineNumber));
        break;
      }
      case 'heading':
        section = open(p.words, p.role, p.asked);
        ignored.push({ lineNumber, text: raw, why: 'heading' }, ...claimsOf(p.words, lineNumber));
        break;
      case 'aside':
        ignored.push({ lineNumber, text: raw, why: p.why }, ...claimed(p.claims, lineNumber));
        break;
      case 'mixed':
        for (const line of p.lines) lines.push(inPlace(line, lineNumber, section.id));
        if (p.method) ignored.push({ lineNumber, text: p.method, why: 'method' });
        break;
      case 'lines': {
        const own = p.heading ? open(p.heading.words, p.heading.role) : section;
        ignored.push(...claimsOf(p.heading?.words, lineNumber));
        for (const line of p.lines) lines.push(inPlace(line, lineNumber, own.id));
        if (p.heading?.stays) section = own;
      }
    }
  }
  return { title, sections, lines, ignored };
}

/** Where a section's lines go, in the words of the sheet. */
export const placeOf = (role: Role): Use | 'side' | 'method' => {
  if (role === 'pan' || role === 'topping' || role === 'side') return role;
  return role === 'method' || role === 'notes' ? 'method' : 'batter';
};
