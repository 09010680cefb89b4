/** What rests, chills or cools, and for how long; and the minutes on the heat, a side or a bake. */
import {
  type Clause,
  clausesOf,
  FRIES_OTHER,
  hundredths,
  isDenied,
  middle,
  type Time,
  type ToldFact,
  timesIn,
} from './clause';
import { CHANGED_TO, OVEN } from './heat';
import { AT_THE_HEAT, SURFACE } from './words';

/** What rests: the first that the clause, or else its sentence, speaks of. */
const RESTS_OF: readonly (readonly [RegExp, string])[] = [
  [/\b(?:melted )?butter\b(?![^,;.]{0,20}\bbatter)/i, 'butter'],
  [/\b(?:filling|sauce|compote|fruit(?! prepared)|syrup)\b/i, 'filling'],
  // what is neither the batter nor in it yet
  [/\b(?:raisins|currants|sultanas|dates|nuts|(?:let|bring|leave) the eggs)\b(?![^,;.]{0,30}\bbatter)/i, 'pan'],
  [/\bdough\b/i, 'dough'],
  [
    /\b(?:wet (?:part|mix(?:ture)?|ingredients)|milk|buttermilk|oats|(?:oat|soy|almond|rice) drink|vinegar to the|egg mix(?:ture)?|yeast(?: mix(?:ture)?)?)\b(?! (?:drink|swell|soften|absorb|take))(?![^,;.]{0,30}\bbatter)/i,
    'wet',
  ],
  [/\b(?:rack|pieces?|pancakes?|waffles?|crepes?|cakes?|let them|leave them)\b(?![^,;.]{0,20}\bbatter)/i, 'piece'],
  [/\b(?:pan|skillet|griddle|iron)\b/i, 'pan'],
];
const RESTS =
  /\b(?:left alone|leave (?:it|the batter) alone|settles?|ferment(?:s|ed)?|airing cupboard|on the bench|floor time|by the clock|(?:kitchen|counter|bench|room temperature) overnight|had its rest|(?:somewhere|a) warm(?: place| spot| corner)?|give it(?= (?:\d{1,2}|five|ten|fifteen|twenty|thirty)$)|rasten|repos|reposo|ruhezeit|pousser|attendre|esperar|warten|walk away|forget (?:about )?it|(?:flour|oats?|meal|bran|crumbs?|cornmeal|buckwheat) (?:to |can |may )?(?:drinks?|swells?|softens?|hydrates?|absorbs?)|hydrate|(?:batter|it) (?:to )?thickens?(?: up)?(?= (?:for|\d))|bubble up|hold off|(?:yeast|it) (?:to )?(?:foam|froth|bloom)s?|ruhen|quellen|stehen lassen|gehen lassen|reposer|reposar|descansar|swells?|rest(?:s|ing|ed)?|wait|hang on|stand(?:s|ing)?|stood|sit(?:s|ting)?|leave|lever|gonfler|leudar|fermentar|(?:set|put) (?:it |them |this |the (?:batter|mix(?:ture)?|bowl) )?(?:aside|to one side)|soak|steep|prove|(?:let|leave) (?:it |the (?:batter|dough|sponge) )?(?:to )?(?:rise|work)|let (?:it|the batter|them|the mixture|everything) (?:be|alone|go))\b/i;
const CHILLS =
  /\b(?:rests?|stands?|sits?)\b[^,;.]*\bcold$|\b(?:cold rest|rest (?:it |the batter )?cold|(?:rest|stand|leave|sit)\w*\b[^,;.]{0,20}\bin the cold|chill(?:s|ed)?|refrigerated?|(?<!\bout of the )fridge|(?<!\bout of the )refrigerator|cold place|ice ?box|larder|cellar|cold room|walk-in|heladera|cool box|cold store|kühlschrank|kaltstellen|kühl stellen|réfrigérateur|frigo|nevera|frigorífico|au frais|en frío|kalt stellen)\b/i;
const COOLS = /\bcool(?:s|ed)?\b/i;
const NO_REST =
  /\b(?:wait\b[^,;.]*\b(?:turn|flip|toss|bubbl|edge)|bubbles?(?! up (?:for|an?)\b)|stand(?:s|ing)? (?:mixer|up)|stands out|rest of|the rest|sit down|left ?overs?)\b/i;

const AT_ONCE = /\b(?:straight (?:on|away|to the (?:griddle|pan|iron|heat))|right away|at once|immediately)\b/i;
const GOES_ON = /\b(?:goes|go|use|used|pour|poured|cook|cooked|fry|fried|bake|baked)\b/i;

/** A rest that is said not to be; and what else does not stand or wait. */
const TO_REST = /\b(?:rest(?:ed|ing)?|stand(?:ing)?|sit(?:ting)?|wait(?:ing)?)\b/i;
const OF_OTHERS = /\b(?:whites?|foam|meringue|on the (?:heat|stove|hob|table|plate)|them|serv\w+)\b/i;

/** The words of a method by which the batter is not rested; null where it says no such thing. */
export function restDenied(notes: string): string | null {
  const ofBatter = ({ text }: Clause): boolean =>
    !NO_REST.test(text) && !OF_OTHERS.test(text) && !RESTS_OF.some(([re]) => re.test(text));
  const denies = (c: Clause): boolean =>
    isDenied(c.text)
      ? TO_REST.test(c.text)
      : c.taken === 'told' && AT_ONCE.test(c.text) && GOES_ON.test(c.text) && !CHILLS.test(c.text);
  return clausesOf(notes).find((c) => ofBatter(c) && denies(c))?.text ?? null;
}

/** What is scalded or soaked stands by itself, before it is a batter. */
const SOAKS = /\bboiling (?:water|milk)\b[^.;]*\b(?:over|on(?:to)?)\b/i;

/** Where a second thing begins in a clause: the rest, behind the mixing. */
const LET_REST = /(?<=\b(?:and|y|et|und) )(?:let|leave|rest|stand|chill|dej(?:ar|a)|reposar|laisse[rz]|reposer)\b/i;

/** Time that is given to the batter without a word of rest: on the counter, or before it is cooked. */
const GIVEN_TIME =
  /\b(?:give|leave|let) (?:it|the batter)\b[^,;.]*\b(?:on the (?:counter|side|worktop|sill|table)|under a cloth|covered)\b|\b(?:give|leave) (?:it|the batter)\b[^,;.]*\bbefore (?:you |we |it |I )?(?:is |gets )?(?:cook|fry|fried|bak|pour|us|go)|\bwait\b[^,;.]*\b(?:before|until)\b[^,;.]*\b(?:cook|fry|bak|pour|us)|\b(?:the (?:batter|mix(?:ture)?)|it|mine) (?:needs|wants|likes|should have|has had|gets)\b|\b(?:give|gave|giving) (?:mine|ours|the (?:batter|mix(?:ture)?))\b|\b(?:my|our|this) (?:batter|mix) (?:needs|wants|likes|gets|has)\b|\bcomes? back to (?:room|kitchen) temperature\b|\b(?:minutes?|hours?|hour) on the (?:counter|side|worktop|sill|table)\b|\bbetter (?:after|for|with)\b/i;

/** A clause that says how long, and does nothing. */
const TIME_ALONE =
  /^(?:for |at |some |about |around |roughly |maybe |perhaps |approx(?:imately|\.)? |at least |no less than |i say |say |environ |a los? |up to |only |just |another |unos |environ |etwa |ca\.? |a (?=good|full))*(?:good |full )?(?:\d|an? (?:good |full |short )?(?:quarter|half|hour|minute|night|day|couple|few)\b|half|one|two|three|four|five|six|eight|ten|twelve|fifteen|twenty|thirty|forty|sixty|ninety|overnight|zwei|drei|vier|fünf|zehn|eine?\b|halbe|deux|trois|quatre|cinq|dix|une?\b|trente|demi|dos|tres|cuatro|cinco|diez|una?\b|medio)/iu;
/** And one that says how it stands meanwhile. */
const MEANWHILE =
  /^(?:covered|chilled|in the (?:fridge|cold)|on the (?:counter|side|worktop)|under a (?:cloth|towel))$/i;
const isIdle = (text: string): boolean => MEANWHILE.test(text) || TIME_ALONE.test(text);

/** Time that is given to what cooks or is worked, and not to a batter that stands. */
const AT_WORK =
  /(?<!on the )\bsides?\b|\b(?:turn|flip|toss|oven|iron|griddle|on the heat)\b|\bof (?:whisking|mixing|stirring|beating)\b/i;
const WAITS = /\b(?:wait|hang on|(?:let|leave) them)\b/i;
/** What is done meanwhile: "while the griddle comes up to heat". */
const MEANWHILE_DONE = /\b(?:while|until|till) (?:the|your|my|a) (?:griddle|pan|iron|skillet|oven|plate)\b.*$/i;
function givenTime(said: string): boolean {
  const text = said.replace(MEANWHILE_DONE, '');
  return (GIVEN_TIME.test(text) || (text !== said && /^give (?:it|the batter)\b/i.test(text))) && !AT_WORK.test(text);
}

/** What is wrung out or drained stood by itself. */
const SALTED = /^(?:and |then )?(?:wring|squeeze|drain|rinse|pat)\b/i;
/** "Let rest for 10": minutes, though nobody says so. */
const BARE_REST =
  /\b(?:rest|stand|sit|leave|wait|give)(?: it| them)?(?: for)? (\d{1,2}|five|ten|fifteen|twenty|thirty)$/i;

/** @param then the clauses that follow it */
export function restsIn(c: Clause, then: readonly Clause[]): readonly ToldFact[] {
  const { text, sentence, taken } = c;
  const own = then.filter((x) => x.sentence === sentence);
  const chills = CHILLS.test(text);
  const stands = chills || givenTime(text) || COOLS.test(text) || (RESTS.test(text) && !NO_REST.test(text));
  if (!stands || standsElsewhere(text, own)) return [];
  const time = restTime(c, own);
  if (!time) return [];
  const of = restOf(c);
  if (of === 'pan' || (COOLS.test(text) && !chills && of === 'batter')) return [];
  const fact = chills ? 'chill' : 'rest';
  return [{ fact, value: hundredths(time.min), unit: 'min', of: chills ? null : of, words: text, taken }];
}

/** How long it keeps, how it lies on the heat, what is wrung out: none is a rest. @param own what follows in the sentence */
function standsElsewhere(text: string, own: readonly Clause[]): boolean {
  const next = own[0]?.text ?? '';
  return (
    (FRIES_OTHER.test(text) && !/\bcool\b[^,;.]*\d/i.test(text)) ||
    SALTED.test(next) ||
    /\bkeeps?\b(?! it\b| the batter\b)/i.test(text) ||
    // what is left until it is set beneath lies on the heat
    /\b(?:until|till) (?:it is |they are )?(?:set|brown|golden)|\bunderneath\b/i.test(text) ||
    // what is waited for is the turn
    (WAITS.test(text) && (/\b(?:turn|flip|toss)/i.test(text) || TURNS.test(next))) ||
    // "leave for 2 minutes, don't touch it, then flip"
    own.some((x) => /^(?:then )?(?:turn|flip|toss)\b/i.test(x.text))
  );
}

/** Where the time of a rest begins, in a clause that does something before it. */
const restFrom = (text: string): number => LET_REST.exec(text)?.index ?? 0;

function restTime({ text }: Clause, own: readonly Clause[]): Pick<Time, 'min'> | undefined {
  // "let it rest, covered, some ten minutes": in the clauses that do nothing else
  const after = own
    .slice(0, 2)
    .filter((x, n) => isIdle(x.text) || (n === 1 && isIdle(own[0]?.text ?? '')))
    .find((x) => TIME_ALONE.test(x.text))?.text;
  const all = timesIn(text);
  // "blend half a minute and let the batter rest 20 minutes": the time behind the rest
  const word = restFrom(text);
  const bare = BARE_REST.exec(text)?.[1];
  return (
    all.find((x) => x.at > word) ??
    all[0] ??
    (after === undefined ? undefined : timesIn(after)[0]) ??
    (bare === undefined ? undefined : { min: middle(bare)?.value ?? 0 })
  );
}

function restOf({ text, sentence }: Clause): string {
  const what = text
    .slice(timesIn(text).length > 1 ? restFrom(text) : 0)
    .replace(/\b(?:while|until|till|as long as|the time it takes)\b.*/i, '');
  if (SOAKS.test(sentence)) return 'wet';
  if (/\bbefore (?:serving|cutting|slicing|eating)\b/i.test(text)) return 'piece';
  // with the flour in it, it is the batter
  const named = RESTS_OF.find(([re, is]) => re.test(what) && !(is === 'wet' && /\bflour\b/i.test(what)))?.[1];
  return named ?? (COOLS.test(text) && /\bbutter\b/i.test(sentence) ? 'butter' : 'batter');
}

const EACH_SIDE =
  /\b(?:a|per|each|on each|each on|on either|on both|both|for each)\s+sides?\b|\ba side\b|\b(?:von|auf|je|pro) ?(?:jeder |beiden )?seiten?\b|\b(?:de|sur) chaque (?:côté|face)|\bpar face\b|\b(?:min(?:ute)?s?|s(?:ec(?:ond)?s?)?) ?\/ ?side\b|\bto (?:a|each) side\b|\b(?:por|de) (?:cada )?lado\b/iu;
/** What browns before it is in the batter lies on no side. */
const FAT_BROWNS = /\bbutter\b[^,;.]*\bbrowns?\b|\bbrown (?:the )?butter\b/i;
const COOKS =
  /\b(?:cook|fry|cuire|cuisez|dorez|braten|ausbacken|backen|freír|cocinar|dorar|brown|bake|griddle|give (?:it|them)|leave (?:it|them|.{0,20}\b(?:until|till) (?:set|brown|golden))|let (?:it|them) (?:cook|brown|bubble|sizzle|set|colour|color|go))\b/i;
/** "Leave for 2 minutes, don't touch it, then flip." */
const LIES = /\bleave (?:it |them )?for\b.*\b(?:flip|turn)\b/i;
const TURNED =
  /,\s*over\s*,|\b(?:turn|flip|toss|go(?:es)? over|retourne[rz]|tourner|wenden|voltear|(?:la|dar) vuelta|retournez|other side|second side|(?:then|and(?! a half| an? (?:quarter|half))) (?:about )?(?:an?|one|two|three|\d+)|before (?:you )?(?:turning|flipping))\b/i;

/** "Turn after": what follows is the first side's. */
const AFTER = /\b(?:turn|flip|toss) (?:it |them )?(?:over )?(?:after|at) (?:about )?$/i;
/** "Turn when the edges are dry": a time behind it is the first side's. */
const TURN_WHEN =
  /^(?:they (?:are|can be) ready to (?:turn|flip|toss) (?:when|once)|(?:then )?(?:flip|turn) at the \d+ min|(?:then )?(?:(?:turn|flip|toss)(?: (?:it|them))?(?: over)? (?:when|once|as soon as|as)|dar? la vuelta cuando|wenden(?:,)? (?:wenn|sobald)|retourne[rz] quand)\b)/i;
/** "And give it one more", behind the turn. */
const ONE_MORE =
  /\b(?:and|then)\s+(?:(?:give (?:it|them)|cook|for)\s+)?(?:about\s+)?(\S+(?:\s+minutes?)?)\s+more\b|\bund (?:weitere|noch) (?:etwa )?(\S+ min\p{L}*)/iu;
/** "Flip and cook 2 minutes": what follows is the second side's. */
const TURNED_FIRST =
  /\bgive (?:it|them) another\b|^(?:then )?(?:turn|flip|toss|retournez|wenden|da la vuelta)\b|^(?:weitere|encore|otros?|autres)\b|\bon the (?:back|other|second|reverse)\b|\bmore$|\bmore\b[^.]*$|\bde l[’']autre\b|\bauf der anderen\b|\bpor el otro\b/i;
const NUMBER_FIRST =
  /^(?:that(?:[’']s| is)\s+)?(?:(?:about|around|roughly|maybe|some|erst|zuerst|d[’']abord|primero|a los?)\s+)?(?:\d|zwei|drei|deux|trois|trente|dos|tres|medio|anderthalb|an? (?:full )?(?:half )?minute|half a minute|eine?\b|une?\b|one|two|three|four|five|six|eight|ten|fifteen|twenty|thirty|forty|sixty|ninety)/i;
/** Behind the turn. */
const AFTER_TURN = /\bafter (?:you )?(?:turn(?:ing)?|flip(?:ping)?)\b/i;
/** A turn by itself: what is timed next is the second side. */
const TURNS =
  /^(?:then )?(?:(?:turn|flip|toss|retourne[rz]|tourner|wenden|voltear|dar? (?:la )?vuelta)\b[^\d]*|over)$/i;
/** A turn, and nothing of when. */
const TURNED_NOW = /^(?:then |and )?(?:turn|flip|toss|over)(?: (?:it|them))?(?: over)?$/i;
/** Pieces that lie under a lid. */
const LIDDED =
  /\b(?:under (?:the|a) lid|with (?:a|the) lid|lid on)\b|\b(?:scoop|pour|ladle|spoon|pile|mounds?|flip|turn)\b.*,\s*cover(?:ed)?(?: again)?,/i;
/** "Nach 2 Minuten wenden", "after two minutes turn them": the first side's. */
const TURNS_LATER = /\b(?:turn|flip|toss|wenden|retourne[rz]|voltear|dar la vuelta)\b/i;
const AFTER_THEN_TURN = /^(?:nach|apr[eè]s|despu[eé]s de|after)\s/i;
/** Each side by its place. */
const ON_ONE_SIDE = /\bon (?:one|the first)(?: side)?\b|\bd[’']un côté|\bauf der einen seite\b|\bpor un lado\b/i;
const TAKES =
  /\b(?:takes?|they (?:want|need|get)) (?:about |around )?(?:\d|an? (?:minute|half)|one|two|three|four|five|six)/i;
const BAKED =
  /\b(?:waffle iron|in (?:the|my|your|our|a) iron|moderate oven|hot oven|gas (?:mark )?\d|(?:close|shut|put down) (?:the )?(?:lid|iron|it\b)|back in for|lid (?:down|closed|shut)|enfourn\w+|(?:don[’']?t|do not) (?:peek|open|lift)|without (?:opening|peeking)|steam(?:s|ing)?(?! for\b))\b/i;
/** Nothing is baked on for longer, minutes. */
const MOST_BAKE_MORE = 60;
/** "About a minute, only one side". */
const ONE_SIDE_ALONE = /\b(?:only one side|one side (?:only|alone)|on one side)\b/i;
/** Longer than this nothing lies on one side, minutes. */
const MOST_A_SIDE = 15;

type Side = 'firstSide' | 'secondSide' | 'bake';
const minutes = (fact: Side, min: number, c: Clause): ToldFact => ({
  fact,
  value: hundredths(min),
  unit: 'min',
  of: null,
  words: c.text,
  taken: c.taken,
});

/** "Two and a half on the first side and one and a half on the second": in minutes though nobody says so. */
const PAIR =
  /^(.{1,20}?) por un lado y (.{1,20}?) por el otro$|^(.{1,20}?) d[’']un côté et (.{1,20}?) de l[’']autre$|^(.{1,20}?) auf der einen und (.{1,20}?) auf der anderen seite$|^(?:(?:i |we )?(?:give (?:it|them) |cook )|and |then )?(?:about )?(.{1,20}?) on (?:the )?(?:first|one)(?: side)?(?: and| then|,) (?:about )?(.{1,20}?) on the (?:second|other)(?: side)?$/i;

function pairIn(c: Clause): readonly ToldFact[] | null {
  const m = PAIR.exec(c.text);
  // "3 min + 2 min"
  const [one, other] = c.times;
  const summed = one && other && /^\s*[+/&]\s*$/.test(c.text.slice(one.end, other.at));
  const [said = '', then = ''] = m?.slice(1).filter((x) => x !== undefined) ?? [];
  const first = summed ? one.min : minutesIn(said);
  const second = summed ? other.min : minutesIn(then);
  if (first === null || second === null || first > MOST_A_SIDE || second > MOST_A_SIDE) return null;
  return [minutes('firstSide', first, c), minutes('secondSide', second, c)];
}

/** Both sides in one clause: "2 minutes a side", "the first side three minutes and the second one". */
function bothSides(c: Clause): readonly ToldFact[] {
  const pair = pairIn(c);
  if (pair) return pair;
  const times = c.times;
  const [time] = times;
  if (!time) return [];
  const second =
    /\bsecond(?: side)?\s+(?:for\s+)?(?:about\s+)?/i.exec(c.text) ??
    /\b(?:on )?the first(?: side)?\s*(?:and|then)\s+(?:about\s+)?(?=\S+\s+(?:(?:minutes?|min)\s+)?(?:on )?the (?:second|other))/i.exec(
      c.text,
    ) ??
    /\bon (?:one|the first)(?: side)?\s*(?:and|then)\s+(?:about\s+)?(?=(?:\S+\s+){1,4}on the (?:other|second))/i.exec(
      c.text,
    );
  const rest = second && time.at < second.index ? c.text.slice(second.index + second[0].length) : null;
  const last = rest === null ? null : (timesIn(rest)[0]?.min ?? middle(rest)?.value ?? null);
  // "turn after two minutes", "turn when the edges are dry (2 minutes)"
  if (
    AFTER.test(c.text.slice(0, time.at)) ||
    TURN_WHEN.test(c.text) ||
    (AFTER_THEN_TURN.test(c.text) && TURNS_LATER.test(c.text) && !QUARTERS.test(c.text))
  ) {
    const behind = ONE_MORE.exec(c.text.slice(time.end))
      ?.slice(1)
      .find((w) => w !== undefined);
    const more = behind === undefined ? null : minutesIn(behind);
    return [minutes('firstSide', time.min, c), ...(more === null ? [] : [minutes('secondSide', more, c)])];
  }
  if (last === null && !EACH_SIDE.test(c.text) && !(/\beach$/i.test(c.text) && /\bboth sides\b/i.test(c.sentence)))
    return [];
  return [minutes('firstSide', time.min, c), minutes('secondSide', last ?? times[1]?.min ?? time.min, c)];
}

/** What is done next in the same sentence, or begins by turning. */
const goesOn = (c: Clause, before: Clause | undefined): boolean =>
  before?.sentence === c.sentence || TURNED.test(c.text);

/** A number without its unit is in that of what was said before it. */
const inUnitOf = (before: Clause | undefined, n: number | undefined): number | undefined =>
  n !== undefined &&
  (/\bsec(?:ond)?s\b/i.test(before?.text ?? '') || /\bsec(?:ond)?s\b(?!.*\bmin)/i.test(before?.sentence ?? ''))
    ? n / 60
    : n;

/** Minutes of the second side, behind the first: "then two", "turn and cook 2 more minutes". */
function secondSide(c: Clause, before: Clause | undefined): number | null {
  const min =
    c.times[0]?.min ??
    (NUMBER_FIRST.test(c.text) ? inUnitOf(before, middle(c.text.replace(/^about\s+/i, ''))?.value) : undefined) ??
    middle(/\b(?:give (?:it|them)|and|for)\s+(?:about\s+)?(\w+) more\b/i.exec(c.text)?.[1] ?? '')?.value ??
    middle(/\bgive (?:it|them) another (\w+)$/i.exec(c.text)?.[1] ?? '')?.value ??
    middle(/\b(?:other|second) side\s+(?:for\s+)?(?:about\s+)?(.+)/i.exec(c.text)?.[1] ?? '')?.value;
  if (min === undefined || min > MOST_A_SIDE) return null;
  const turned =
    before !== undefined &&
    (TURNS.test(before.text) ||
      (/^(?:then )?(?:turn|flip|toss)\b/i.test(before.text) && /^another\b/i.test(c.text)) ||
      (/\b(?:turn|flip|toss)(?: it| them)?(?: over)?$/i.test(before.text) &&
        /\b(?:another|more|longer)\b/i.test(c.text)));
  return turned || TURNED.test(c.sentence) || before?.sentence === c.sentence ? min : null;
}

/** Whether a clause times a bake: in the oven, in an iron, or behind a lid that stays shut. */
function isBake(c: Clause): boolean {
  const flips = FLIPS.test(c.sentence);
  if ((OVEN.test(c.text) && !flips) || BAKED.test(c.sentence)) return true;
  if (/\b(?:minuten pro waffel|por gofre)\b/i.test(c.sentence) && !FLIPS.test(c.sentence)) return true;
  if (/\bwaffles?\b/i.test(c.text) && (COOKS.test(c.text) || TAKES.test(c.text) || /\bwaffles?:/i.test(c.text)))
    return true;
  if (!TIME_ALONE.test(c.text)) return false;
  // "oven 425, twenty minutes"
  const inOven =
    OVEN.test(c.sentence) && !SURFACE.test(c.sentence) && !/\b(?:turn|flip|toss|bubbles?)\b/i.test(c.sentence);
  const inIron = /\b(?:iron|gaufrier|waffeleisen|gofrera)\b(?! (?:skillet|pan|griddle))/i.test(c.sentence);
  return inOven || inIron || (/\bwaffles?\b/i.test(c.sentence) && !flips);
}

/** Whether a clause times a piece on the heat at all. @param cooks it is said that it cooks */
function isOnHeat(c: Clause, cooks: boolean): boolean {
  const alone = TIME_ALONE.test(c.text);
  const lidded =
    (alone || /\b(?:lid on|under (?:the|a) lid|with(?:out)? (?:the |a )?lid)\b/i.test(c.text)) &&
    LIDDED.test(c.sentence);
  const number = NUMBER_FIRST.test(c.text.replace(/^[^:]*:\s*/, ''));
  const bubbles = /^bubbles?\b/i.test(c.text) && FLIPS.test(c.sentence);
  return (
    cooks || lidded || bubbles || (alone && ONE_SIDE_ALONE.test(c.sentence)) || (number && TURNED.test(c.sentence))
  );
}

/** Minutes of one side, or of a bake; and whether the second side follows. @param baked an oven is spoken of */
function oneSide(
  c: Clause,
  then: Clause | undefined,
  baked: boolean,
): { readonly fact: ToldFact; readonly isFirst: boolean } | null {
  const [time] = c.times;
  if (!time) return null;
  if (/\bfirst side\b/i.test(c.text)) return { fact: minutes('firstSide', time.min, c), isFirst: true };
  if (isBake(c)) return { fact: minutes('bake', time.min, c), isFirst: false };
  if (AFTER_TURN.test(c.text)) return { fact: minutes('secondSide', time.min, c), isFirst: false };
  if (ON_ONE_SIDE.test(c.text)) return { fact: minutes('firstSide', time.min, c), isFirst: true };
  const said = c.sentence.slice(0, c.sentence.indexOf(c.text));
  const alone = TIME_ALONE.test(c.text);
  // "flip when bubbles show, about 2 minutes": by then the first side was done
  if (alone && TURN_WHEN.test(said)) return { fact: minutes('firstSide', time.min, c), isFirst: true };
  const cooks = COOKS.test(c.sentence) || LIES.test(c.sentence) || TAKES.test(c.text);
  if (!isOnHeat(c, cooks)) return null;
  if (FAT_BROWNS.test(c.text)) return null;
  // nothing lies on one side for so long: it is in the oven that was heated
  if (time.min > MOST_A_SIDE)
    return (baked && cooks) || /\d{3}\s*°/.test(c.text) ? { fact: minutes('bake', time.min, c), isFirst: false } : null;
  const turned = alone && /\bon the (?:other|second|reverse) side\b/i.test(said);
  if (TURNED_FIRST.test(c.text) || turned) return { fact: minutes('secondSide', time.min, c), isFirst: false };
  const rest = c.sentence.slice(c.sentence.indexOf(c.text) + c.text.length);
  const isFirst = /\bbefore (?:you )?(?:turn|flip|toss)|\b(?:turn|flip|toss)(?: it| them)?(?: over)?$/i.test(c.text);
  return {
    fact: minutes('firstSide', time.min, c),
    isFirst: isFirst || TURNED.test(rest) || TURNED.test(then?.text ?? ''),
  };
}

/** "Side one 3 minutes", "second side 2": a side by its number, in minutes though nobody says so. "The second one". */
const NUMBERED_SIDE =
  /^(?:and |then )?(?:the )?(?:side (one|1|a|two|2|b)|(first|second|other|back|flip) side)\s*:?\s*(?:takes? |wants? |needs? |gets? |for )?(?:about |only |just )?(?=\S)/i;

/** "Two and a half on the first": in minutes though nobody says so. */
const ON_A_SIDE =
  /^(?:(?:i |we )?give (?:it|them) |and |then )?(?:then )?(?:it[’']s )?(?:about |another )?((?:(?! on ).){1,24}?) on (?:the |side )?(one|first|two|second|other|flip|back)(?: side)?$/i;

/** "Second 2", "the second one", behind the first side in the same sentence. */
const SECOND = /^(?:and |then )?(?:the )?(?:(second|other))\s+(?:for )?(?:about )?(?=\S)/i;

const OTHER_SIDE_IS = /^(?:the )?(?:second|other)(?: side| one)? (?:is|goes|cooks|browns|takes|needs|wants)\b[^\d]*$/i;

/** What may follow a number of minutes without its unit: "half as long" and "2 eggs" are none. */
const NO_NOUN = /^\s*$|^\s+(?:with|at|in|on|until|till|or so|more|longer|covered|uncovered)\b/i;
function minutesIn(text: string): number | null {
  const bare = middle(text);
  return timesIn(text)[0]?.min ?? (bare && NO_NOUN.test(text.slice(bare.length)) ? bare.value : null);
}

function numberedSide(c: Clause, before: Clause | undefined): ToldFact | null {
  const on = ON_A_SIDE.exec(c.text);
  const min0 = on ? minutesIn(on[1] ?? '') : null;
  if (on && min0 !== null && min0 <= MOST_A_SIDE)
    return minutes(/first|one/i.test(on[2] ?? '') ? 'firstSide' : 'secondSide', min0, c);
  // "the second is quicker, about 90 seconds"
  if (before?.sentence === c.sentence && TIME_ALONE.test(c.text) && OTHER_SIDE_IS.test(before.text)) {
    const min1 = minutesIn(c.text.replace(/^(?:about|only|just|some) /i, ''));
    if (min1 !== null && min1 <= MOST_A_SIDE) return minutes('secondSide', min1, c);
  }
  const follows = before?.sentence === c.sentence && /\bfirst side\b|\bside (?:one|1|a)\b/i.test(before.text);
  const m = NUMBERED_SIDE.exec(c.text) ?? (follows ? SECOND.exec(c.text) : null);
  if (!m) return null;
  const rest = c.text.slice(m[0].length);
  const min = minutesIn(rest);
  if (min === null || min > MOST_A_SIDE) return null;
  return minutes(/^(?:one|1|a|first)$/i.test(m[2] ?? m[1] ?? '') ? 'firstSide' : 'secondSide', min, c);
}

/** What one clause tells of the sides by itself: a side by its number, or both. */
function sidesAtOnce(c: Clause, before: Clause | undefined): readonly ToldFact[] {
  const numbered = numberedSide(c, before);
  return numbered ? [numbered] : bothSides(c);
}

/** "Then 180 for another ten": minutes that a bake goes on. */
function moreOf(c: Clause): number | null {
  const m =
    /\b(?:another|a further)\s+(?=\S)|\b(?:give it|and|bake)\s+(?=\S+ (?:min(?:ute)?s? )?(?:more|longer)\b)/i.exec(
      c.text,
    );
  if (!m) return null;
  const min = minutesIn(c.text.slice(m.index + m[0].length));
  return min !== null && min <= MOST_BAKE_MORE ? min : null;
}

/** "Prep 10 min, cook 20 min": of the whole card. */
const PREP = /\bprep(?:aration)?(?: time)?:?\s*\d+\s*(?:min|h)/i;
/** A piece is turned; a heat that is turned down is not. */
const FLIPS =
  /\b(?:flip|turn(?! (?:it |the (?:oven|heat) )?(?:down|up|off|back))|wenden|retourne[rz]|voltear|la vuelta)\b/i;
/** "Heat the griddle for ten minutes", "pans take five minutes to heat". */
const PREHEATS =
  /\bheat(?:ed)? through\b|^(?:set|put|place|get|stand) (?:the|a|an|your|my) (?:[\w-]+ ){0,3}?(?:griddle|pan|skillet|iron|plate)\b|^(?:(?:then|first|and|meanwhile)\s+)*(?:pre-?heat|heat|warm)(?: up)? (?:the|a|an|your|my) (?:[\w-]+ ){0,3}?(?:griddle|pan|skillet|iron|oven|plate)\b(?!.*\b(?:cook|fry|bake|brown)\b)|\bto (?:heat(?: up)?|get hot|come (?:up )?to heat)\b/i;

const BLENDED = /^(?:blend(?:er)?|whizz|blitz|process|beat|whisk)\b/i;
/** How long a cook is at it is no time of a piece. */
const AT_IT =
  /\b(?:shake|shaken|knead|kneaded|beat|whisk|stir|blend|process|roll|whip|speed \d)\b(?!.*\b(?:cook|fry|brown|bake|turn|flip)\b)|\bplus\b/i;

const QUARTERS = /\bquarter[- ]turns?\b|\bkeep turning\b/i;

/** A time of something else: of a rest, of when the heat is changed, of what is given time. */
function isNoSide(c: Clause, before: Clause | undefined): boolean {
  // how long what was just said to rest does so
  const ofRest =
    (before?.sentence === c.sentence &&
      RESTS.test(before.text) &&
      !NO_REST.test(before.text) &&
      TIME_ALONE.test(c.text)) ||
    // "let it sit ten minutes while the griddle gets hot"
    (RESTS.test(c.text) && /\bwhile the (?:griddle|pan|iron|oven|skillet)\b/i.test(c.text)) ||
    // of all turns together, no side's
    /\b(?:in all|altogether|in total|all told)\b/i.test(c.text);
  const cooks = COOKS.test(c.text) || LIES.test(c.sentence);
  return (
    (PREHEATS.test(c.text) && !EACH_SIDE.test(c.text)) ||
    // what is blended or pressed flat is timed by itself
    (before?.sentence === c.sentence && BLENDED.test(before.text) && TIME_ALONE.test(c.text)) ||
    /\b(?:press|flatten)\b/i.test(c.text) ||
    AT_IT.test(c.text) ||
    /\bdone (?:in|within)\b/i.test(c.text) ||
    /^up to\b/i.test(c.text) ||
    // how long finished pieces keep
    /\b(?:at (?:the )?most|no (?:longer|more) than|maximum|max)\b/i.test(c.text) ||
    // what is fried beside the batter
    (before?.sentence === c.sentence && FRIES_OTHER.test(before.text) && TIME_ALONE.test(c.text)) ||
    // how long butter browns is told behind it
    (before?.sentence === c.sentence && FAT_BROWNS.test(before.text) && TIME_ALONE.test(c.text)) ||
    // turned by quarters it lies on no side; and how long the cook is at it is none
    QUARTERS.test(c.text) ||
    PREP.test(c.sentence) ||
    ofRest ||
    (!cooks && (CHANGED_TO.test(c.text) || RESTS.test(c.text))) ||
    givenTime(c.text)
  );
}

/** What one clause tells of minutes on the heat; null: nothing. */
function sidesOfClause(
  c: Clause,
  before: Clause | undefined,
  then: Clause | undefined,
  last: ToldFact | undefined,
  wasFirst: boolean,
  baked: boolean,
): {
  readonly facts: readonly ToldFact[];
  /** It is what was told last, longer. */
  readonly longer: boolean;
  /** The second side may follow. */
  readonly isFirst: boolean;
} | null {
  if (FRIES_OTHER.test(c.text)) return null;
  const both = sidesAtOnce(c, before);
  const [one] = both;
  if (one) return { facts: both, longer: false, isFirst: both.length === 1 && one.fact === 'firstSide' };
  const more = last?.fact === 'bake' ? moreOf(c) : null;
  if (last && more !== null)
    return { facts: [{ ...last, value: hundredths(Number(last.value) + more) }], longer: true, isFirst: wasFirst };
  if (isNoSide(c, before)) return null;
  // "when the bubbles pop, flip, 1 minute": the first side went by its look
  const turned =
    (before?.sentence === c.sentence && TURNED_NOW.test(before.text) && TIME_ALONE.test(c.text)) ||
    (before !== undefined &&
      (/^(?:then )?(?:turn|flip|toss)\b/i.test(before.text) ||
        /\b(?:turn|flip|toss)(?: it| them)?(?: over)?$/i.test(before.text)) &&
      /\b(?:another|more|longer)\b/i.test(c.text));
  const second = wasFirst || turned ? secondSide(c, before) : null;
  if (second !== null) return { facts: [minutes('secondSide', second, c)], longer: false, isFirst: false };
  const side = oneSide(c, then, baked);
  return side && { facts: [side.fact], longer: false, isFirst: wasFirst || side.isFirst };
}

/** A sentence that is a length of time. */
const isTimeOnly = (c: Clause): boolean =>
  TIME_ALONE.test(c.text) && c.times.length === 1 && c.sentence.replace(/[.!]$/, '') === c.text && c.text.length < 32;

/** Turned over, in whatever word for it. */
const TURNS_OVER =
  /(?<!\p{L})(?:flip|turn(?! (?:it |the (?:oven|heat|flame|gas) )?(?:down|up|off|on|out))|toss|flop|roll (?:it |them )?over|over$|peel|invert|retourn\p{L}+|tourne[rz]|wenden|umdrehen|volte\p{L}+|(?:la |dar )vuelta)(?!\p{L})/iu;
/** What lies on the heat is told of, or has just been put there. */
const ON_HEAT = new RegExp(
  `${AT_THE_HEAT.source}|(?<!\\p{L})(?:ladle|pour|portions?|pan|lid|batter|crêpe|crepe|side)(?!\\p{L})`,
  'iu',
);

/** A time that may be a side's: of nothing that stands, is worked or is heated. */
function maybeSide(c: Clause, before: Clause | undefined): Time | null {
  const [time] = c.times;
  if (!time || c.taken !== 'told' || time.min > MOST_A_SIDE || FRIES_OTHER.test(c.text)) return null;
  const stands = RESTS.test(c.text) || CHILLS.test(c.text) || COOLS.test(c.text) || givenTime(c.text);
  return stands || isNoSide(c, before) ? null : time;
}

/**
 * Sides by the order in which they are told: a time, the turn, a time; or, where no turn is named, a time and then
 * another. Only for what no clause tells by itself.
 */
/** "Don't flip", "no need to turn": there is one side. */
const NEVER_TURNED =
  /\b(?:do(?:n[’']t| not)|no need to|never|without) (?:flip|turn)\w*|\bno (?:turning|flipping)\b|\bone side only\b/i;

function inOrder(clauses: readonly Clause[]): readonly ToldFact[] {
  const turn = clauses.findIndex((c) => c.taken === 'told' && TURNS_OVER.test(c.text));
  const time = (n: number): Time | null => {
    const c = clauses[n];
    return c ? maybeSide(c, clauses[n - 1]) : null;
  };
  const found = (fact: Side, n: number | undefined): readonly ToldFact[] => {
    const [c, t] = n === undefined ? [] : [clauses[n], time(n)];
    return c && t ? [minutes(fact, t.min, c)] : [];
  };
  if (turn >= 0) {
    const own = clauses[turn];
    const [one, other] = own?.times ?? [];
    const at = own ? own.text.search(TURNS_OVER) : 0;
    // "two minutes before you turn them and ninety seconds after"
    if (own && one && other && one.at < at && other.at > at && maybeSide(own, clauses[turn - 1]))
      return [minutes('firstSide', one.min, own), minutes('secondSide', other.min, own)];
    /** "Flip, another one and a half": in minutes though nobody says so. */
    const bare = (n: number): readonly ToldFact[] => {
      const c = clauses[n];
      const said = /^(?:then |and )?(?:about |another |for |maybe )+(.+?)(?: more)?$|^(?:then |and )?(.+?) more$/i.exec(
        c?.text ?? '',
      );
      const min = c && said && c.times.length === 0 ? minutesIn(said[1] ?? said[2] ?? '') : null;
      return c && min !== null && min <= MOST_A_SIDE ? [minutes('secondSide', min, c)] : [];
    };
    const before = [turn - 1, turn - 2, turn - 3].find((n) => n >= 0 && time(n) !== null);
    const after = [turn, turn + 1, turn + 2].find((n) => time(n) !== null);
    // "turn and leave one minute more": behind the turn in its own clause
    const own2 = one && one.at > at && /(?:\b(?:and|then|y|et|und)|,)\s/i.test(own?.text.slice(at, one.at) ?? '');
    return [
      ...found('firstSide', before),
      ...(after === undefined ? bare(turn + 1) : after === turn && !own2 ? [] : found('secondSide', after)),
    ];
  }
  const never = clauses.findIndex((c) => NEVER_TURNED.test(c.text));
  const last = [never - 1, never - 2].find((n) => n >= 0 && time(n) !== null);
  if (never > 0 && last !== undefined) return found('firstSide', last);
  const then = clauses.findIndex(
    (c, n) => n > 0 && c.sentence === clauses[n - 1]?.sentence && time(n) !== null && time(n - 1) !== null,
  );
  const first = clauses[then - 1];
  return then > 0 && first && TIME_ALONE.test(clauses[then]?.text ?? '') && ON_HEAT.test(first.sentence)
    ? [...found('firstSide', then - 1), ...found('secondSide', then)]
    : [];
}

/** Minutes on the heat: both sides, the first and then the second, or a bake. */
export function sidesIn(clauses: readonly Clause[]): readonly ToldFact[] {
  const out: ToldFact[] = [];
  let isFirst = false;
  const baked = clauses.some((c) => /\b(?:oven|ofen|four|horno)\b/i.test(c.sentence));
  for (const [n, c] of clauses.entries()) {
    const before = clauses[n - 1];
    if (!goesOn(c, before) && !(before && TURNS.test(before.text))) isFirst = false;
    if (TURNS.test(c.text) && c.times.length === 0) isFirst ||= out.at(-1)?.fact === 'firstSide';
    const told = sidesOfClause(c, before, clauses[n + 1], out.at(-1), isFirst, baked);
    if (told === null) continue;
    if (told.longer) out.pop();
    out.push(...told.facts);
    isFirst = told.isFirst;
  }
  const side = (fact: Side): boolean => out.some((f) => f.fact === fact);
  // "Twenty-five minutes.", and an oven is lit
  const turned = clauses.some((c) => TURNS_OVER.test(c.text));
  const isLong = (c: Clause): boolean =>
    TIME_ALONE.test(c.text) && c.sentence.startsWith(c.text) && ((c.times[0]?.min ?? 0) > MOST_A_SIDE || !turned);
  const long =
    baked && !side('bake')
      ? clauses.find((c, n) => c.taken === 'told' && isLong(c) && !isNoSide(c, clauses[n - 1]))
      : undefined;
  if (long?.times[0]) out.push(minutes('bake', long.times[0].min, long));
  if (!side('bake') && !side('secondSide')) {
    // a time is told once
    const open = inOrder(clauses).filter(
      (f) => !side(f.fact as Side) && !out.some((x) => x.words === f.words && x.value === f.value),
    );
    out.push(...open);
  }
  // an iron has no second side
  const ironed =
    clauses.some((c) =>
      /\bwaffles?\b|(?<!cast[- ])\b(?:waffle )?irons?\b(?! (?:skillet|pan|griddle))|\b(?:gaufrier|gofrera|waffeleisen)\b/i.test(
        c.sentence,
      ),
    ) &&
    !clauses.some((c) => TURNED.test(c.text)) &&
    !out.some((f) => f.fact === 'secondSide');
  if (!ironed) return out;
  // "Six minutes." of an iron, and nothing else of its time
  const alone = out.some((f) => f.fact === 'bake' || f.fact === 'firstSide')
    ? undefined
    : (clauses.find((c) => c.taken === 'told' && isTimeOnly(c)) ??
      clauses.find(
        (c, n) => TIME_ALONE.test(c.text) && maybeSide(c, clauses[n - 1]) !== null && ON_HEAT.test(c.sentence),
      ));
  if (alone?.times[0] && alone.times[0].min <= MOST_A_SIDE) return [...out, minutes('bake', alone.times[0].min, alone)];
  return out.map((f) => (f.fact === 'firstSide' ? { ...f, fact: 'bake' } : f));
}

/** A rest of less is no rest, minutes. */
const LEAST_REST = 4;

/** "Ten minutes.", between the mixing and the heat: the batter stands so long. */
export function restAlone(clauses: readonly Clause[]): readonly ToldFact[] {
  const heat = clauses.findIndex((c) => ON_HEAT.test(c.text));
  const mixed = clauses.findIndex((c) => /\b(?:mix|stir|whisk|combine|beat|fold|blend)\w*\b/i.test(c.text));
  const at = clauses.findIndex((c, n) => n > mixed && mixed >= 0 && c.taken === 'told' && isTimeOnly(c));
  const c = clauses[at];
  const min = c?.times[0]?.min ?? 0;
  if (!c || min < LEAST_REST || (heat >= 0 && heat < at)) return [];
  return [{ fact: 'rest', value: hundredths(min), unit: 'min', of: 'batter', words: c.text, taken: 'told' }];
}
