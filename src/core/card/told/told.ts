/**
 * What a card's method tells, fact by fact: rests, portions, heat, minutes, pan fat, peaks. A sentence is read clause
 * by clause: what is denied, left to taste, or said of other people's ways is a remark and no fact; and what a rest, a
 * heat or a fat is of decides where it belongs.
 */
import type { KitchenConventions } from '../../pantry/conventions';
import type { Ingredient } from '../../pantry/ingredient';
import { lookUp } from '../../pantry/lookup';
import { behaviourOf } from '../../pantry/tables/behaviour';
import { inOneWriting } from '../bullet';
import { readLine } from '../line';
import { servingClaim, yieldClaim } from '../method';
import { type Clause, clausesIn, isAbroad, isDenied, TAKEN, type ToldFact, timesIn } from './clause';
import { CHANGED_TO, heatsIn, OVEN, speaksFahrenheit } from './heat';
import { loadIn } from './load';
import { BITS, mixingIn, saidByDenial, strainIn, tellsOfFoam } from './mixing';
import { leftOpen } from './open';
import { isFatAlone, panFatIn } from './pan-fat';
import { portionsTold, SIZE_OF } from './portion';
import { restAlone, restsIn, restsMore } from './rests';
import { BY_QUARTERS, sidesIn } from './sides';
import { spokenInFigures } from './spoken';
import { HOT_SURFACE } from './words';

/** How pieces are turned, by the words for it. */
const TURNS: readonly { readonly value: string; readonly is: RegExp }[] = [
  { value: 'quarters', is: BY_QUARTERS },
  {
    value: 'several',
    is: /\b(?:(?:flip|turn) (?:it |them )?every \d+ (?:seconds|s)|keep (?:on )?(?:turning|flipping)|(?:mehrmals|immer wieder|ständig|öfter) (?:wenden|drehen)|(?:retourner|tourner)\p{L}* (?:plusieurs fois|souvent|sans cesse)|(?:dar vueltas|girar|voltear)\p{L}* (?:varias veces|continuamente|a menudo)|turn (?:them )?(?:often|several times|constantly|again and again|a (?:bit|little) at a time))\b/iu,
  },
  {
    value: 'once',
    is: /\b(?:flip|turn) (?:it |them )?(?:over )?(?:only |just )?(?:the )?once\b(?! (?:the|it|they|you|bubbles?|edges?|golden|brown|set|dry|its|their))|\b(?:one|a single) (?:turn|flip) only\b|\bnur ein(?:mal| einziges mal) (?:wenden|umdrehen)\b|\b(?:retourner|tourner)\p{L}* (?:\p{L}+ )?une seule fois\b|\b(?:dar la vuelta|voltear|girar)\p{L}* (?:solo |sólo )?una (?:sola |única )?vez\b|\bonly one (?:turn|flip)\b|^one (?:turn|flip)$|\bnever (?:flip|turn) (?:it |them )?twice\b/iu,
  },
];
const AHEAD =
  /\b(?:(?:the )?(?:night|day|evening) before(?! yesterday)|a day ahead|(?:the )?(?:previous|evening) (?:night|day)|am vorabend|am abend (?:vorher|zuvor)|einen tag (?:vorher|im voraus)|la veille|la víspera|la noche anterior|un día antes|ahead of time|up to (?:a|one|two|\d) days? (?:ahead|before)|in advance)\b/i;

function wordsIn(c: Clause, before?: Clause): readonly ToldFact[] {
  const { text, taken } = c;
  const turns = TURNS.find((t) => t.is.test(text));
  // a denial may be what is done
  const done = saidByDenial(text) ? 'told' : taken;
  const out = [...mixingIn(c, before), ...(turns ? [['turns', turns.value] as const] : [])].map(
    ([fact, value]): ToldFact => ({ fact, value, unit: null, of: null, words: text, taken: done }),
  );
  const ahead = AHEAD.exec(text);
  // that it can wait is told, whether it does or not
  const can = isDenied(text) ? taken : 'told';
  if (ahead) out.push({ fact: 'ahead', value: ahead[0].toLowerCase(), unit: null, of: null, words: text, taken: can });
  return out;
}

/** What is said of something that goes on or into pieces: "a few", "the grated". */
const SOME = String.raw`(?:(?:a few|some|the|over|grated|chopped|slices of|pieces of|\d+|one|two|three|four) )*`;
const THING = String.raw`${SOME}([\p{L} -]{3,30}?)`;
const LAYS = '(?:sprinkle|scatter|dot|press|drop|push|put|place|throw|arrange|lay)(?: on)?';
const IN_LAST = '(?:last|at the end|gently|after|just before)';
const rows = (moment: string, ...patterns: readonly string[]): readonly (readonly [RegExp, string])[] =>
  patterns.map((p) => [new RegExp(p, 'iu'), moment] as const);
/** When something goes on or in, by the words of a clause; `before` the turn is told by words of its own. */
const MOMENTS: readonly (readonly [RegExp, string])[] = [
  ...rows(
    'topped',
    `^top (?:it |them |each )?with ${THING}$`,
    `\\b(?:lay|arrange|place) ${THING}\\s+(?:on top|over the top)`,
  ),
  ...rows(
    'poured',
    `\\b${LAYS} ${THING}\\s+(?:on(?:to)?|over|into)\\s+(?:the\\s+)?(?:(?:raw|wet|poured|uncooked)\\s+)?(?:batter|face|sides?|tops?|cakes?|pancakes?|each|them)`,
    `\\b${LAYS} ${THING} on (?:as soon as|once|when) (?:it|the batter|they)(?:[’']s| is| are)? (?:poured|on|in)\\b`,
    `^${THING} (?:go|goes) on (?:as soon as|once|when) the batter\\b`,
    `\\badd ${THING} to (?:the (?:uncooked|wet|raw|top) (?:side|face)|each (?:cake|pancake|waffle|crepe|one|piece))\\b`,
    // what lies in the batter and what is dusted over it at the table are told apart by what it is
    `^(?:sprinkle|scatter|dot) with ${SOME}([a-z -]*?${BITS})$`,
    `^(?:then |and )?(?:scatter|sprinkle|strew) over ${THING}$`,
    `\\bdrop in ${SOME}([a-z -]*?${BITS})(?: and (?:turn|flip))?$`,
    `^(?:then )?(?:a handful of|some|a few) ${THING} over (?:each|the top|them)\\b`,
  ),
  ...rows(
    'turned',
    `\\b${LAYS} ${THING}\\s+(?:on(?:to)?|over|into|in)\\b[^,;.]{0,30}\\bbefore (?:you )?(?:turn|flip)`,
    `\\b(?:dot|sprinkle|scatter) (?:it |them |each )?with ${THING}\\s+(?:just )?before (?:you )?(?:turn|flip)`,
    `^${THING} on top before (?:you )?(?:turn|flip)`,
  ),
  ...rows(
    'folded',
    `^${THING} folded in (?:last|at the end)\\b`,
    `^fold through ${THING}$`,
    `^stir in (?:the )?((?:grated )?cheese|cheddar|feta|chives|sweetcorn)$`,
    String.raw`\bincorporer (?:les |la |le )(\p{L}{3,20}) à la fin\b`,
    `\\bstir ${THING} (?:through|in) ${IN_LAST}\\b`,
    `\\bfold in ${THING}(?:\\s+${IN_LAST}|$)`,
    `\\bfold ${THING} in\\b[^,;.]*\\b(?:last|end|just before)\\b`,
    `^(?:(?:gently|carefully|then|finally|lightly) )*(?:stir|fold|mix|toss) in ${SOME}([a-z -]*?${BITS})(?: last| at the end)?$`,
  ),
  ...rows('poured', `\\b(?:dot|scatter|sprinkle|top) (?:it |them |each )(?:one )?with ${THING}$`),
];

/** The same in other languages, where the verb stands first or last. */
const A_THING = String.raw`(?<!\p{L})((?:\p{L}+[ ’'-]){0,4}\p{L}{3,})`;
const BATTER_ABROAD =
  '(?:den |dem )?(?:noch feuchten |flüssigen )?(?:teig|pfannkuchen|waffel|fladen)|(?:la |une |chaque )(?:pâte|crêpe|galette|gaufre)|(?:la |cada )(?:masa|tortita|crepe)';
const MOMENTS_ABROAD: readonly (readonly [RegExp, string])[] = [
  ...rows(
    'poured',
    `${A_THING} (?:darauf|darüber|obenauf|drauf|auf (?:${BATTER_ABROAD})) ?(?:streuen|verteilen|legen|geben|drücken|setzen)(?!\\p{L})`,
    `(?<!\\p{L})mit ${A_THING} (?:bestreuen|belegen)(?!\\p{L})`,
    `^${A_THING} (?:auflegen|aufstreuen|hineindrücken)$`,
    `(?<!\\p{L})parseme[rz]? (?:\\p{L}+ )?d(?:e |es |[’'])${A_THING}`,
    `(?<!\\p{L})(?:répart\\p{L}+|dispos\\p{L}+|pos\\p{L}+|dépos\\p{L}+|ajout\\p{L}+|met\\p{L}+) ${A_THING} (?:dessus|sur (?:${BATTER_ABROAD}))(?!\\p{L})`,
    `(?<!\\p{L})(?:esparc\\p{L}+|repart\\p{L}+|pon\\p{L}+|coloc\\p{L}+|añad\\p{L}+|ech\\p{L}+) ${A_THING} (?:por encima|encima|sobre (?:${BATTER_ABROAD}))(?!\\p{L})`,
  ),
  ...rows(
    'folded',
    `${A_THING} (?:vorsichtig |zuletzt |locker )?(?:unterheben|unterziehen|unterrühren|untermischen|einrühren)$`,
    `^(?:incorpor|ajout|mélang)(?:er|ez|e) (?:délicatement )?${A_THING}(?: (?:à la fin|en dernier|délicatement))?$`,
    `^(?:incorpor|añad|agreg|mezcl)\\p{L}+ ${A_THING}(?: (?:al final|con cuidado))?$`,
  ),
  // before the turn it needs no more words
  ...rows(
    'turned',
    `^(?:kurz )?vor dem wenden (?:die |den |das )?${A_THING} (?:darauf ?)?(?:streuen|verteilen|legen|auflegen|geben)$`,
    `^(?:disposez|disposer|posez|poser|ajoutez|ajouter|parsemez|mettez|mettre) ${A_THING}$`,
    `^(?:pon\\p{L}+|coloc\\p{L}+|añad\\p{L}+|repart\\p{L}+) ${A_THING}$`,
  ),
];
const ARTICLES =
  /^(?:(?:die|den|das|der|einige|ein paar|les|des|quelques|la|le|los|las|el|unos|unas|algun[oa]s|noch|dann|ensuite|puis|luego) )+/i;
const CUT_SO = /^(?:rondelles|tranches|lamelles|morceaux|dés|rodajas|trozos|láminas|scheiben|stücke) (?:de |d[’'])/i;
const BEFORE_TURN =
  /(?<!\p{L})(?:kurz vor dem wenden|(?:juste )?avant de (?:la |les )?(?:retourner|tourner)|(?:justo )?antes de (?:dar(?:le)? la vuelta|voltear|girar))(?!\p{L})/iu;
const TURNED_BEFORE = /(?<!\p{L})(?:wenden|umdrehen|retourne[rz]?|dar la vuelta|voltear)(?!\p{L})/iu;

/** What lies on a piece by itself; sugar and butter go on at the table. */
const LAID_ON: ReadonlySet<string> = new Set(['fruit-veg', 'nut-seed']);
const SHAPE_BEHIND = /(?:scheiben|stücke|spalten|würfel)$/i;
const MOST_NAME_WORDS = 3;
/** The thing that some words name, at their end or at their beginning, among others: "geben und die Heidelbeeren". */
function thingIn(said: string, house: KitchenConventions): Ingredient | null {
  const words = said.replace(ARTICLES, '').replace(CUT_SO, '').split(' ');
  for (let n = Math.min(MOST_NAME_WORDS, words.length); n > 0; n--)
    for (const some of [words.slice(-n), words.slice(0, n)]) {
      const i = readLine(some.join(' ').replace(SHAPE_BEHIND, ''), house).ingredient;
      if (i) return i;
    }
  return null;
}

/** What goes on or in late, as a clause in another language tells it. */
function momentAbroad({ text, sentence, taken }: Clause, house: KitchenConventions): readonly ToldFact[] {
  const at = Math.max(0, sentence.indexOf(text));
  const led = sentence.slice(0, at);
  const before = BEFORE_TURN.test(text) || (BEFORE_TURN.test(led) && BEFORE_TURN.exec(led)?.index === 0);
  if (!before && TURNED_BEFORE.test(led)) return [];
  for (const [re, moment] of MOMENTS_ABROAD) {
    const said = moment === 'turned' && !before ? null : re.exec(text.replace(BEFORE_TURN, '').trim());
    if (!said?.[1]) continue;
    const i = thingIn(said[1], house);
    const laid = i && (behaviourOf(i).inclusion || (moment !== 'folded' && LAID_ON.has(i.category)));
    if (!i || !laid) continue;
    const value = before && moment !== 'folded' ? 'turned' : moment;
    return [{ fact: 'moment', value, unit: null, of: i.id, words: text, taken }];
  }
  return [];
}

/** What a batter is made of is folded in to make it: no thing that goes in last. */
const BASE: ReadonlySet<string> = new Set(['flour', 'starch']);

/** What goes on pieces by a word that names several things: which of them, the card's lines tell. */
const SOME_OF =
  /^(?:the |some |a few )?(?:chopped |toasted )?(?:grated )?(?:nuts|berries|fruits?|seeds|chips|herbs|cheese)$/i;

/** "Cook 2 minutes, sprinkle with chips, flip". */
const COOKED_AND_FLIPPED = /\b(?:minutes?|min|seconds?)\b.*\b(?:sprinkle|scatter|dot|top)\b.*\b(?:flip|turn)\b/i;

function momentsIn(c: Clause, house: KitchenConventions, abroad: boolean): readonly ToldFact[] {
  const { text, sentence, taken } = c;
  const before =
    /\b(?:just )?before (?:you )?(?:turn|flip)/i.test(text) ||
    (/^(?:sprinkle|scatter|dot|top) (?:it |them |each )?with\b/i.test(text) && COOKED_AND_FLIPPED.test(sentence));
  for (const [re, moment] of MOMENTS) {
    const m = re.exec(text);
    const i = m?.[1]
      ? readLine(m[1].trim().replace(/ (?:slices|pieces|halves|chunks|rounds)$/i, ''), house).ingredient
      : null;
    const some = m?.[1] && SOME_OF.test(m[1].trim());
    if (some) return [{ fact: 'moment', value: before ? 'turned' : moment, unit: null, of: null, words: text, taken }];
    if (i && i.id !== 'egg-white' && !(moment === 'folded' && BASE.has(i.category)))
      return [{ fact: 'moment', value: before ? 'turned' : moment, unit: null, of: i.id, words: text, taken }];
  }
  return abroad ? momentAbroad(c, house) : [];
}

/** "Give it another hour": as long as before, and a rest of its own. */
const isAgain = (f: ToldFact): boolean =>
  f.fact === 'rest' && /\b(?:another|again|a second|a further|once more)\b/i.test(f.words);

/** "Preheat 425 F", and nothing but an oven on the card: a heat of no griddle. */
const ofOven = (f: ToldFact, notes: string, all: readonly ToldFact[]): boolean =>
  f.fact === 'heat' &&
  f.of === 'surface' &&
  // nothing lies on a surface so long
  (timesIn(f.words).some((t) => t.min > MOST_ON_SURFACE_MIN) ||
    (all.some((x) => x.fact === 'bake' && Number(x.value) > MOST_ON_SURFACE_MIN) &&
      !all.some((x) => x.fact === 'firstSide' || (x.fact === 'heat' && x.of === 'oven'))) ||
    preheatsOven(f, notes) ||
    // in a dish, and on nothing that is hot by itself
    (/\b(?:dish|tin)\b/i.test(notes) && !HOT_SURFACE.test(notes)));
const MOST_ON_SURFACE_MIN = 15;
const preheatsOven = (f: ToldFact, notes: string): boolean =>
  /^(?:pre-?heat|heat|préchauff\p{L}*|precalent\p{L}*)(?!\p{L})|(?<!\p{L})vorheizen$/iu.test(f.words) &&
  !/(?<!\p{L})(?:griddle|(?:waffel)?iron|\p{L}*eisen|gaufrier|gofrera|plate|\p{L}*platte|plaque|crêpière|poêle|sartén|surface|plancha|waffle maker|\p{L}*pfanne)(?!\p{L})/iu.test(
    f.words,
  ) &&
  OVEN.test(notes);

/** "Then down to 180": of what was heated before. */
const ofTheSame = (f: ToldFact, n: number, all: readonly ToldFact[]): ToldFact => {
  const before =
    f.fact === 'heat' && CHANGED_TO.test(f.words) ? all.slice(0, n).findLast((x) => x.fact === 'heat') : null;
  return before && f.of === 'surface' ? { ...f, of: before.of } : f;
};

/** "Leave it five minutes" is told once: what rests lies on no side. */
const isRestOf = (x: ToldFact, f: ToldFact): boolean => x.fact === 'rest' && x.words === f.words && x.value === f.value;

/** What is kneaded is a dough wherever it rests; and what rests when it is baked is a piece. */
function restOfWhole(f: ToldFact, notes: string): string {
  if (/(?<!\p{L})(?:knead\w*|pétri\p{L}*|knet\p{L}*|amas\p{L}+)(?!\p{L})/iu.test(notes)) return 'dough';
  const at = notes.indexOf(f.words);
  // yeast woken in warm milk, before there is any flour
  const before = notes.slice(0, Math.max(0, at) + f.words.length);
  const floured = /\b(?:flours?|dry(?! (?:active )?yeast)|batter|everything|all)\b/i;
  // the flour may be the list's alone: "mix everything"
  if (!floured.test(before) && ((/\byeast\b/i.test(before) && floured.test(notes)) || SOURS.test(before))) return 'wet';
  const baked = at > 0 && /\bbak(?:e|ed)\b[^.]*\d/i.test(notes.slice(0, at)) && !/\bbatter\b/i.test(f.words);
  return baked && !BAKES_AFTER.test(notes.slice(at)) ? 'piece' : 'batter';
}
/** Milk that is left to sour, before anything else goes in. */
const SOURS = /\bmilk\b[^.]*\b(?:vinegar|lemon juice)\b|\b(?:vinegar|lemon juice)\b[^.]*\bmilk\b/i;
const BAKES_AFTER = /\b(?:bake|cook|fry|pour|ladle|griddle|pan|iron)\b/i;

/** Facts in the words that were said, where a spoken number was put in figures. */
function asSaid(facts: readonly ToldFact[], clauses: readonly Clause[]): readonly ToldFact[] {
  const said = new Map(clauses.filter((c) => c.text !== c.asSaid).map((c) => [c.text, c.asSaid]));
  return said.size === 0 ? facts : facts.map((f) => ({ ...f, words: said.get(f.words) ?? f.words }));
}

/** "Ghee, a teaspoon": so much of the fat that was just named. */
const ofFatBefore = (c: Clause, before: Clause | undefined): boolean =>
  before?.sentence === c.sentence &&
  isFatAlone(before.text) &&
  /^(?:about |maybe |just )?(?:an?|half an?|one|two|\d) (?:small |good |scant )?(?:teaspoons?|tablespoons?|spoon(?:ful)?s?|tsp|tbsp|knobs?)(?: or so| each time)?$/i.test(
    c.text,
  );

/** "Oat milk, 240 ml", "butter, melted, quarter cup": how much of the thing that was named right before it. */
const AMOUNT_OF_IT =
  /^(?:(?:about|say|roughly|call it|that[’']s|maybe) )*(?:an? |one )?(?:[\d.,½¼¾⅓⅔]+|half|quarter|third|two|three|four)(?: (?:and a half|of an?|an?))?[ -]?(?:cups?|ml|cl|dl|lit(?:re|er)s?|l|pints?|tbsp|tablespoons?|tsp|teaspoons?)$/i;
const STATE_ALONE =
  /^(?:(?:well|just|lightly) )?(?:melted|softened|warm(?:ed)?|cold|soft|sifted|beaten|cooled|browned)$/i;
const NAMED_LAST =
  /(?:^|\b(?:with|of|the|use|need|want|take|add|then|and|so|ones:|in:) |: )([\p{L}-]+(?: [\p{L}-]+)?)$/iu;
function isOfThing({ text, sentence }: Clause, house: KitchenConventions): boolean {
  const at = sentence.indexOf(text);
  if (at <= 0 || !AMOUNT_OF_IT.test(text)) return false;
  const bits = sentence
    .slice(0, at)
    .split(/,\s*/)
    .map((bit) => bit.trim())
    .filter((bit) => bit !== '' && !STATE_ALONE.test(bit));
  const last = bits.at(-1) ?? '';
  const name = NAMED_LAST.exec(last)?.[1];
  const thing = name === undefined ? null : lookUp(name, house);
  if (thing?.kind !== 'found') return false;
  // a fat before a portion is the pan's, but where nothing else is told
  return thing.ingredient.category !== 'fat' || (bits.length === 1 && sentence.replace(/[.!]$/, '').endsWith(text));
}

/** "Cook time 20 mins": of the whole, and no step. */
const OF_THE_WHOLE =
  /^[ \t]*(?:(?:prep(?:aration)?|cook(?:ing)?|total|active|hands[- ]on|ready)[ \t]+time\b|(?:arbeits|vorbereitungs|zubereitungs|gesamt|koch(?:-?\/-?back)?)zeit(?!\p{L}))[^\n]*$|(?:prep(?:aration)?|cook(?:ing)?|total|active|hands[- ]on)[ \t]+time:?[ \t]*\d+ ?(?:m|mins?|minutes?|h|hrs?|hours?)\b(?! (?:per|a|each|on)\b)/gimu;
/** "Prep: 10 min", and a row "Cook: 15 min" beside it. */
const PREP_ALONE = /^[ \t]*prep(?:aration)?[ \t]*:[ \t]*\d/im;
const COOK_ALONE = /^[ \t]*(?:prep(?:aration)?|cook(?:ing)?|total|active)[ \t]*:[ \t]*(?:about )?\d[^\n]{0,20}$/gim;

/** "60 ml, filled to the brim", "enough to coat the pan, roughly 70 ml": how much that is, the same sentence tells. */
function isFilledUp(f: ToldFact, all: readonly ToldFact[], clauses: readonly Clause[]): boolean {
  // "the size of a coin, five centimetres": how wide that is, is told as well
  if (SIZE_OF.test(`${f.value}`))
    return f.fact === 'portion' && all.some((x) => x !== f && /^(?:portion|width)$/.test(x.fact) && x.taken === 'told');
  if (f.fact !== 'portion' || f.unit !== null || !/^(?:filled )?to the (?:rim|brim|top)|^enough /i.test(`${f.value}`))
    return false;
  const sentenceOf = (x: ToldFact): string | undefined => clauses.find((c) => c.text === x.words)?.sentence;
  const told = all.filter((x) => x.fact === 'portion' && x.unit === 'ml' && x.taken === 'told');
  return told.some((x) => sentenceOf(x) === sentenceOf(f));
}

/** All that a card's notes tell, each once: what is told before what is asked, and both before remarks. */
export function factsTold(written: string, house: KitchenConventions): readonly ToldFact[] {
  const blank = (row: string): string => ' '.repeat(row.length);
  const whole = inOneWriting(written).replace(OF_THE_WHOLE, blank);
  const notes = PREP_ALONE.test(whole) ? whole.replace(COOK_ALONE, blank) : whole;
  const said = spokenInFigures(notes);
  const clauses = clausesIn(said);
  const inF = speaksFahrenheit(notes);
  const abroad = isAbroad(notes);
  let all: ToldFact[] = [
    ...clauses.flatMap((c, n) => [
      ...restsIn(c, clauses.slice(n + 1, n + 3), clauses[n - 1]),
      ...(ofFatBefore(c, clauses[n - 1]) || isOfThing(c, house) ? [] : portionsTold(c, house, clauses[n + 1])),
      ...heatsIn(c, inF),
      ...panFatIn(c, [clauses[n - 1], clauses[n + 1]]),
      ...wordsIn(c, clauses[n - 1]),
      ...momentsIn(c, house, abroad),
      ...loadIn(c),
      ...strainIn(c),
    ]),
    ...sidesIn(clauses),
  ]
    .filter((f, _, every) => !['firstSide', 'bake'].includes(f.fact) || !every.some((x) => isRestOf(x, f)))
    .map(ofTheSame)
    .map((f, _, every) => (ofOven(f, notes, every) ? { ...f, of: 'oven' } : f))
    .map((f) => (f.fact === 'rest' && f.of === 'batter' ? { ...f, of: restOfWhole(f, said.text) } : f));
  // a rest told by its time alone is no side's
  const isRested = all.some((f) => f.fact === 'rest' || f.fact === 'chill');
  const rests = [...(isRested ? [] : restAlone(clauses)), ...restsMore(clauses)];
  all = [...all.filter((f) => !rests.some((r) => r.words === f.words)), ...rests];
  all = all.filter((f) => !isFilledUp(f, all, clauses));
  all.push(...leftOpen(clauses, all, house));
  const claim = yieldClaim(notes, said);
  if (claim) all.push({ fact: 'pieces', value: claim.pieces, unit: null, of: null, words: claim.text, taken: 'told' });
  const serves = servingClaim(notes, said);
  // "does forty" is told of pieces or of people, never of both
  if (serves && serves.text !== claim?.text)
    all.push({ fact: 'serves', value: serves.people, unit: null, of: null, words: serves.text, taken: 'told' });
  // a fold in thirds that is told in two clauses is one
  const thirds = all.some((f) => f.fact === 'fold' && f.value === 'thirds' && f.taken === 'told');
  const quarters = all.some((f) => f.fact === 'turns' && f.value === 'quarters' && f.taken === 'told');
  // cream, fruit and flour are folded too
  const foam = tellsOfFoam(notes);
  const seen = new Set<string>();
  const kept = [...all]
    .sort((a, b) => TAKEN.indexOf(a.taken) - TAKEN.indexOf(b.taken))
    .filter((f) => {
      if (f.fact === 'fold' && ((thirds && f.value === 'once') || !foam)) return false;
      if (quarters && f.fact === 'turns' && f.value === 'several') return false;
      // one fat is one, however often it is put on
      const key = `${f.fact} ${f.value} ${f.fact === 'panFat' ? '' : f.of}`;
      if (seen.has(key) && !isAgain(f)) return false;
      seen.add(key);
      return true;
    });
  return asSaid(kept, clauses);
}
