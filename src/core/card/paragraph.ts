/** Sentences that list ingredients, and sentences that tell what to do, in one row. */

import type { KitchenConventions } from '../pantry/conventions';
import type { Category } from '../pantry/ingredient';
import { capital } from '../quantity/say';
import { DISH, roleOf } from './headings';
import { amountsIn, endsInAmount, itemsIn, measuredIn } from './items';
import { type Line, readLine } from './line';
import type { Vessel } from './parts';
import { A_MEASURE, CLOCK, enoughIn, isClean, isMeasure, thingsNamed, toldIn, withMeasured } from './prose';
import { reworded } from './reworded';
import { A_PORTION_ALONE, nextRow, type RowPlace, type RowReading, readRows, YIELD_LABEL } from './rows';
import { clausesOf } from './told/clause';
import { portionsTold } from './told/portion';
import { DOING, firstWord, LEAST_TALK_CHARS, SHORTENED } from './writing';

/** Things measured in one row, so many that its commas part them although one of them is not understood. */
const LEAST_STRUNG = 4;
const STRUNG_CLEAN = 0.6;
const PARTED = /,\s+/;
export function strungUp(t: string, r: RowReading, hint: Vessel | null): readonly Line[] | null {
  if (/[.!?]\s+\p{Lu}/u.test(t)) return null;
  const row = t.replace(/[.!]$/, '');
  const named = row.split(PARTED);
  const bits = named.every(endsInAmount) ? named : row.split(/,\s+(?=[\d½¼¾⅓⅔⅛])/u);
  if (bits.length < LEAST_STRUNG || !(bits === named || /^[\d½¼¾⅓⅔⅛]/u.test(t))) return null;
  const lines = bits.flatMap((bit) => {
    const whole = readRows(bit, r, hint);
    if (whole.every(isClean)) return whole;
    // "1/2 tsp powder, sweetener to taste": the first may be known by itself
    const apart = bit.split(/,\s+/).flatMap((x) => readRows(x, r, hint));
    return apart[0] && isClean(apart[0]) ? apart : whole;
  });
  return lines.filter(isClean).length >= STRUNG_CLEAN * bits.length ? lines : null;
}

const MOST_NAME_WORDS = 9;
const isName = (s: string): boolean =>
  s.split(/\s+/).length <= MOST_NAME_WORDS &&
  !A_MEASURE.test(s) &&
  !DOING.has(firstWord(s)) &&
  /^\p{Lu}/u.test(s) &&
  !/^(?:it|i|we|you|they|she|he)\b/i.test(s);
const countIn = (l: Line): number | null => {
  const [one] = l.written;
  const [term] = one?.terms ?? [];
  return term && term.unit === null ? term.low.valueOf() : null;
};
/** "Whip the three egg whites" of three eggs: their own. */
const isPartOfEggs = (l: Line, before: readonly Line[]): boolean =>
  (l.ingredient?.id === 'egg-white' || l.ingredient?.id === 'egg-yolk') &&
  !/\b(?:extra|more|additional|another)\b/i.test(l.text) &&
  countIn(l) !== null &&
  before.some(
    (x) =>
      x.ingredient?.category === 'egg' && !/^egg-(?:white|yolk)$/.test(x.ingredient.id) && countIn(x) === countIn(l),
  );
/** The same thing in the same amount has been told already. */
const isToldAgain = (l: Line, before: readonly Line[]): boolean =>
  isPartOfEggs(l, before) ||
  before.some((x) => x.ingredient?.id === l.ingredient?.id && x.grams !== null && x.grams === l.grams);

/** What was asked for each guest, and is told in all further on: "for four that is four eggs". */
const isToldInAll = (l: Line, all: readonly Line[]): boolean =>
  /\b(?:for (?:every|each)|per (?:head|person|guest))\b/i.test(l.text) &&
  all.some((x) => x.ingredient?.id === l.ingredient?.id && x.grams !== null);

/** "Milk till it looks like cream", and further on how much that is. */
const isNamedOnly = (l: Line, all: readonly Line[]): boolean =>
  l.written.length === 0 &&
  l.ingredient !== null &&
  all.some((x) => x !== l && x.ingredient?.id === l.ingredient?.id && x.use === l.use && x.grams !== null);

const isThing = (text: string, r: RowReading): boolean => {
  const line = readLine(text, r.house, {}, null, r.languages);
  return line.status === 'read' && line.ingredient !== null && isClean(line);
};
/** Words of talk: no dish is called by one of them. */
const SAYS =
  /^(?:para|pour|für)\s|\b(?:i|you|we|he|she|it|they|this|that|what|how|is|are|do|does|goes|people|persons?|guests?|us|then|first|next|day)\b/i;
/** "Banana pancakes: mash two bananas ...", "Right, waffles. Three eggs ...": what it is, before what is told. */
function calledIn(
  t: string,
  r: RowReading,
): { readonly name: string; readonly rest: string; readonly isListed: boolean } | null {
  const m =
    /^(?:(?:right|ok|okay|so|well|now|then|also|alors|bon|bueno|allora|dus)[,:]?\s+)*(?:(?:for|my|these are|this is|here are)\s+)?(\p{L}[\p{L}' ()-]{2,40}?(?:,? (?:per|for|für|pour|para) \d+(?: (?:people|covers|guests|pieces|portions))?)?)(?:,\s+(?:metric|imperial|by weight|in grams|quick|(?:a )?(?:small|half|double|big) (?:batch|lot)))?\s*(?::\s+(?=[\p{L}\d½¼¾⅓⅔⅛])|[.!]\s+(?=\p{Lu}|\d))/iu.exec(
      t,
    );
  if (!m?.[1] || A_MEASURE.test(m[1])) return null;
  // "Lemon ricotta: 250 g ricotta, ...": whatever it is called, and no heading
  const list = /:\s*$/.test(m[0]) ? (t.slice(m[0].length).split(/[.!?]\s/)[0] ?? '') : '';
  const bits = itemsIn(list, r.house, r.languages) ?? [];
  const isListed =
    (/^[\d½¼¾⅓⅔⅛]/.test(list) || bits.length >= LEAST_IN_A_BREATH) &&
    bits.every((bit) => isClean(readLine(bit.replace(/[.!]$/, ''), r.house, {}, null, r.languages)));
  // "Cottage cheese: 250 g. Eggs: 4."
  if (list !== '' && isThing(`${list} ${m[1]}`, r)) return null;
  const isName =
    isListed &&
    !/\b(?:minutes?|mins?|hours?)\b/i.test(list) &&
    /^\S+(?: \S+){1,4}$/.test(m[1]) &&
    !SAYS.test(m[1]) &&
    roleOf(m[1]) === null &&
    !DOING.has(firstWord(m[1]));
  if (!(isName || DISH.test(m[1]) || / (?:per|for|für|pour|para) \d/.test(m[1]))) return null;
  return {
    name: capital(m[1].replace(/\s+(?:today|tonight|this morning|again)$/i, '')),
    rest: t.slice(m[0].length),
    isListed,
  };
}

/** How a spoken list begins. */
const BEGINS_LIST =
  /^(?:(?:so|ok(?:ay)?|right|well|now|then|and|for (?:the|my|these|our) \p{L}+|what i (?:usually |always )?do(?: is)?)[,\s]+)*(?:what(?: goes|[’']s)? in(?: it| to it)?:?|what i use:?|you(?:'ll| will)? (?:need|want)|i (?:take|use|start with|put in|get|measure)|i(?:[’']ve| have)? got|take|we (?:take|use|need)|start with|ingredients?:?)\s+/iu;

/** "Next day: 1 tsp salt, 1 tbsp molasses": when the list behind it goes in. */
const BY_DAY = /^(?:(?:the )?next (?:day|morning)|day (?:two|2))\s*:\s*/i;

/** Words beside a list that tell more than how one thing goes to the next. */
const LEAST_LEFT_WORDS = 3;
/** What a sentence says beside its lines, in the order it was told. */
function leftBeside(sentence: string, lines: readonly Line[]): readonly string[] {
  let [from, parts]: [number, string[]] = [0, []];
  for (const l of lines) {
    const at = sentence.indexOf(l.text, from);
    if (at < 0) continue;
    parts = [...parts, sentence.slice(from, at)];
    from = at + l.text.length;
  }
  return [...parts, sentence.slice(from)]
    .map((p) => p.replace(/^[\s,;:.]+|[\s,;:.]+$|^(?:and|then|with|plus)\s+/g, ''))
    .filter((p) => p.split(/\s+/).length >= LEAST_LEFT_WORDS);
}

/** The lines of a sentence that lists ingredients, and what else it says; null: it tells what to do. */
function listedIn(
  sentence: string,
  r: RowReading,
  hint: Vessel | null,
): { readonly lines: readonly Line[]; readonly left: readonly string[] } | null {
  const when = BY_DAY.exec(sentence)?.[0] ?? '';
  const whole = sentence.slice(when.length).replace(/[.!?]$/, '');
  const bare = whole.replace(BEGINS_LIST, '');
  const day = when === '' ? [] : [when.replace(/\s*[:,]\s*$/, '.')];
  const bits = itemsIn(bare, r.house, r.languages);
  if (bits === null) {
    const named = bare.split(PARTED).every(endsInAmount) ? strungUp(bare, r, hint) : null;
    const lines = named ?? (bare === whole ? null : thingsNamed(bare, r.house, r.languages));
    return lines && { lines, left: day };
  }
  const own = bits.flatMap((bit) => readRows(bit, r, hint));
  // "2 tbsp sugar; sift with 3 tsp baking powder": more is measured than the seams part
  const apart =
    own.every(isClean) && amountsIn(bare) <= own.length ? [] : measuredIn(bare, r.house, r.languages, isMeasure);
  const sure = (all: readonly Line[]): number => all.filter(isClean).length;
  const better = apart.length > own.length && sure(apart) > sure(own);
  const named = better
    ? own.filter(
        // "2 c. à s. de sucre": parted by the seams alone
        (l) => l.ingredient && isClean(l) && !apart.some((x) => x.ingredient?.id === l.ingredient?.id),
      )
    : [];
  return {
    lines: [...withMeasured(bare, better ? [...apart, ...named] : own, apart), ...enoughIn(bare, r.house)],
    left: [...day, ...(better ? leftBeside(bare, apart) : [])],
  };
}

/** Where something to do may begin behind a list: "3 eggs, 500 ml milk, whisk it and leave it ten minutes". */
const ACT_SEAM =
  /,\s+(?:(?:and|then|now)\s+)*(?=(?:(?:i|we|you)\s+)?(?:it\s+all\s+)?(?:beat|blend|blitz|whizz?|chill|cook|fold|fry|give|knead|leave|let|mix|pour|prove|rest|shake|stir|strain|whip|whisk|(?:all|everything|straight) in(?:to)?)\s+\p{L})/giu;
/** A list, and what a sentence says is done with it; a thing that is measured behind the act is no end of a list. */
export function actBehind(sentence: string): { readonly list: string; readonly act: string } | null {
  const seam = [...sentence.matchAll(ACT_SEAM)].find((m) => !isMeasure(sentence.slice(m.index)));
  return seam ? { list: sentence.slice(0, seam.index), act: sentence.slice(seam.index + seam[0].length) } : null;
}

/** Where a sentence may end. */
const POINT = /(\p{L}*)[.!?]\s+(?=[\p{Lu}\d])/gu;
const MOST_LINE_WITH_POINTS = 80;
/** Letters before the point of an abbreviation: "Gr.", "Pck.". */
const MOST_SHORTENED = 3;
/** A figure, or one and half as other languages spell them. */
const BEGINS_SO_MUCH = /^(?:[\d½¼¾⅓⅔⅛]|(?:eine?n?|une?|una?|medi[oa]|(?:ein )?halbe\p{L}?|demi)\s+(?=\p{L}))/iu;
/** "3 Eier (Gr. M)", "1 P. Backpulver": a row that begins with an amount and whose points end no sentence. */
export function isOneLine(t: string, r: RowReading): boolean {
  if (t.length > MOST_LINE_WITH_POINTS || !BEGINS_SO_MUCH.test(t) || CLOCK.test(t)) return false;
  const points = [...t.matchAll(POINT)];
  const shortened = points.every(
    (m) =>
      ((m[1] ?? '').length <= MOST_SHORTENED || SHORTENED.test(m[1] ?? '')) &&
      !DOING.has(firstWord(t.slice(m.index + m[0].length))),
  );
  if (points.length > 0 && shortened && !/[.!?]$/.test(t)) return true;
  const line = readLine(t, r.house, {}, null, r.languages);
  return isClean(line) && line.words.every((w) => w.as !== 'unknown');
}

/** Things measured in one sentence, so many that it tells a whole card in one breath. */
const LEAST_IN_A_BREATH = 3;
const MEASURES = new RegExp(A_MEASURE.source, 'giu');
export const isMeasuredOften = (t: string): boolean => [...t.matchAll(MEASURES)].length >= LEAST_IN_A_BREATH;
export const isOneBreath = (t: string): boolean =>
  t.length > LEAST_TALK_CHARS && /^\p{L}/u.test(t) && isMeasuredOften(t);

const LEAST_TOLD_CHARS = 50;
/** A sentence that measures so many things that it is a card, in whatever language. */
export function isWholeCard(t: string, { house, languages }: Pick<RowReading, 'house' | 'languages'>): boolean {
  if (t.length < LEAST_TOLD_CHARS || !/^\p{L}/u.test(t) || amountsIn(t) < LEAST_IN_A_BREATH) return false;
  const known = measuredIn(t, house, languages, isMeasure).flatMap((l) => l.ingredient?.id ?? []);
  return new Set(known).size >= LEAST_IN_A_BREATH;
}

const FOR_WHOM =
  /^((?:for|für|pour|para) \S+(?: \S+)? (?:people|persons|leute|personen|gäste|personnes|personas|pan ?cakes|hot ?cakes|(?:griddle ?)?cakes|waffles|cr[eê]pes|galettes|gaufres|blinis?|pfannkuchen|waffeln|tortitas|gofres|panqueques))[ ,]/iu;

/** "Scant quarter cup, spread thin": what a sentence measures is poured for a piece. */
const tellsPortion = (sentence: string, house: KitchenConventions): boolean => {
  const clauses = clausesOf(sentence);
  return clauses.some((c, n) => portionsTold(c, house, clauses[n + 1]).length > 0);
};

/** A thing that a sentence of its own may name, and that stands in no pan. */
const NAMED_ALONE: ReadonlySet<Category> = new Set(['salt', 'leavening', 'flavour']);
/** "Salt.", "Egg and salt.", among what is put in: known, and nobody says how much. @param before lines that are told already */
function thingsAlone(sentence: string, before: readonly Line[], r: RowReading): readonly Line[] {
  const names = sentence.replace(/[.!]$/, '').split(/ and |, /);
  if (before.length === 0 || !names.every((name) => /^\p{L}+(?: \p{L}+)?$/u.test(name))) return [];
  const lines = names.map((name) => readLine(name, r.house, {}, null, r.languages));
  const isOne = (line: Line): boolean =>
    line.ingredient !== null &&
    (NAMED_ALONE.has(line.ingredient.category) || (names.length > 1 && line.ingredient.category === 'egg')) &&
    isClean(line) &&
    !before.some((x) => x.ingredient?.id === line.ingredient?.id);
  return lines.every(isOne) ? lines : [];
}

/** "To use it: 200 g of mix, 1 egg": what a mix becomes, and nothing of the mix. */
const TO_USE = /^to (?:use|make up)(?: it| this| (?:the |some )?mix)?\s*[:,]/i;

/** "For the filling: 250 g ricotta", "sauce first: 200 g blueberries": what goes with the batter. */
const OF_A_SIDE =
  /^(?:(?:and|then|now|next|meanwhile),? )*(?:for the |(?:to )?make the |the |für (?:die|den) |zur |pour (?:la |le )|para (?:la |el ))?(filling|sauce|topping|syrup|compote|glaze|icing|coulis|custard|füllung|soße|belag|kompott|garniture|farce|nappage|relleno|salsa|cobertura|almíbar)(?: first| next| is| takes| needs)? ?: /i;
/** What it is called in English, for the line that says where it goes. */
const SIDES_ABROAD: Readonly<Record<string, string>> = {
  füllung: 'filling',
  garniture: 'filling',
  farce: 'filling',
  relleno: 'filling',
  soße: 'sauce',
  salsa: 'sauce',
  belag: 'topping',
  nappage: 'topping',
  cobertura: 'topping',
  kompott: 'compote',
  almíbar: 'syrup',
};
function sideIn(
  text: string,
  name: string,
  r: RowReading,
): { readonly listed: boolean; readonly lines: readonly Line[]; readonly method: readonly string[] } {
  const measured = measuredIn(text.slice(OF_A_SIDE.exec(text)?.[0].length ?? 0), r.house, r.languages, isMeasure);
  const side = SIDES_ABROAD[name.toLowerCase()] ?? name.toLowerCase();
  const lines = measured.map((l) => readLine(`${l.text} for the ${side}`, r.house, {}, null, r.languages));
  return { listed: false, lines, method: [text] };
}

/** The lines of one sentence, and what of it is method. @param before lines that are told already */
function sentenceIn(
  text: string,
  next: string | undefined,
  before: readonly Line[],
  r: RowReading,
  hint: Vessel | null,
): { readonly listed: boolean; readonly lines: readonly Line[]; readonly method: readonly string[] } {
  if (before.length > 0 && TO_USE.test(text)) return { listed: false, lines: [], method: [text] };
  const beside = OF_A_SIDE.exec(text);
  if (beside?.[1]) return sideIn(text, beside[1], r);
  const parted = actBehind(text);
  const list = listedIn(parted?.list ?? text, r, hint);
  if (list) {
    // "für vier Leute nehme ich 250 g Mehl": for whom, before what
    const whom = FOR_WHOM.exec(text)?.[1];
    const method = [...(whom ? [`${whom}.`] : []), ...list.left, ...(parted ? [parted.act] : [])];
    return { listed: true, lines: list.lines, method };
  }
  const alone = thingsAlone(text, before, r);
  if (alone.length > 0) return { listed: false, lines: alone, method: [text] };
  // "Add a pinch of salt.", "Beat 2 eggs with 1 cup milk": amounts that no list gives
  const told = toldIn(text.replace(/[.!?]$/, '').replace(BEGINS_LIST, ''), r.house, r.languages, next);
  const isPoured = told.length > 0 && told.every((l) => l.ingredient === null) && tellsPortion(text, r.house);
  const lines: Line[] = [];
  for (const l of isPoured ? [] : told) if (!isToldAgain(l, before)) lines.push(l);
  return { listed: false, lines, method: [text] };
}

/** A paragraph: sentences that list ingredients, and sentences that tell what to do. */
export function paragraph(row: string, r: RowReading, hint: Vessel | null): RowPlace | null {
  // after a list the same amounts are told again by the method
  if ((r.started && !r.talk) || !(/[.!?]\s/.test(row) || isOneBreath(row) || r.talk || isWholeCard(row, r)))
    return null;
  const label = YIELD_LABEL.exec(row);
  const t = reworded(row.slice(label?.[0].length ?? 0));
  const called = calledIn(t, r);
  const sentences = (called?.rest ?? t).split(/(?<=[.!?])\s+(?=\p{Lu}|\d)/u);
  if ((sentences.length < 2 && !label && !isOneBreath(t) && !r.talk && !isWholeCard(t, r)) || isOneLine(t, r))
    return null;
  const lines: Line[] = [];
  // what it is called says in what it is made: "Gluten-free waffles: 180 g rice flour, ... 6 min"
  const rest: string[] = [
    ...(label ? [`${label[1]?.replace(/^(?:per|batch of)(?=\s)/i, 'Makes')}.`] : []),
    ...(called?.isListed ? [`${called.name}.`] : []),
  ];
  let listed = false;
  for (const [n, text] of sentences.entries()) {
    const said = sentenceIn(text, sentences[n + 1], [...r.before, ...lines], r, hint);
    listed ||= said.listed;
    lines.push(...said.lines);
    rest.push(...said.method);
  }
  // steps of a longer card are read together, when all of them are known
  const alone = r.talk || r.rows.filter((x) => x.text !== '').length <= 2;
  // "boil 1 1/4 cups water, pour over 1 cup cornmeal ...": before any list, so much in one breath is the card's own
  const next =
    nextRow(
      r,
      r.rows.findIndex((x) => x.text === row),
    )?.text ?? '';
  const isListed = /^(?:(?:then|add|plus|and)\s+)*[\d½¼¾⅓⅔⅛]/i.test(next);
  const begins = !r.started && isListed && isOneBreath(t) && lines.filter(isClean).length >= LEAST_IN_A_BREATH;
  if (lines.length === 0 || !(listed || alone || begins)) return null;
  // "Waffles for the landing stage.": what it is, before what goes in
  const [first = ''] = rest;
  const names = !r.title && first === sentences[0] && isName(first);
  return {
    at: 'mixed',
    // how much is poured for a piece is told by the method, and is no thing
    lines: lines.filter(
      (l) => l.status === 'read' || !(isToldInAll(l, lines) || isNamedOnly(l, lines) || A_PORTION_ALONE.test(l.text)),
    ),
    method: (names ? rest.slice(1) : rest).join(' '),
    ...(names && { title: first.replace(/[.!]$/, '') }),
    ...(called && !r.title && { title: called.name }),
  };
}
