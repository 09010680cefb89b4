/**
 * Minutes on the heat: the first side, the second, both, or a bake. A method is walked clause by clause with what has
 * been told so far: a length of time is a side's by the words around it, else by whether the turn stands before or
 * behind it.
 */
import { type Clause, FRIES_OTHER, hundredths, isAtASpeed, type Time, type ToldFact, timesIn } from './clause';
import { BAKED_AT, CHANGED_TO, OVEN } from './heat';
import { restsIn, TIME_ALONE } from './rests';
import { middle } from './spoken';
import { anyWord, HOT_HEAT, HOT_SURFACE, ON_HEAT, SURFACE } from './words';

type Side = 'firstSide' | 'secondSide' | 'bake';
/** Longer than this nothing lies on one side, minutes. */
const MOST_A_SIDE = 15;
/** Nothing of ours is longer in an oven, minutes: what a card takes two days for is no bake. */
const LONGEST_BAKE = 120;
/** Nothing is baked on for longer, minutes. */
const MOST_BAKE_MORE = 60;

const minutes = (fact: Side, min: number, c: Clause): ToldFact => ({
  fact,
  value: hundredths(min),
  unit: 'min',
  of: null,
  words: c.text,
  taken: c.taken,
});

/** Turned over, in whatever word for it; a heat that is turned down is not. */
const TURN =
  /(?<!\p{L}|before (?:you )?|\b(?:in|by|take) )(?:flip\p{L}*(?! the iron)|(?:(?<!\b(?:few|two|three|four|five|six|eight|ten|twelve|more|\d) )turns|turn(?:ed|ing)?)(?! (?:it |(?:the )?(?:oven|heat|flame|gas|stove|burner|(?:waffle )?(?:iron|maker)) )?(?:down|up|off|on|out|back)| the (?:pan|iron|tray|dish|tin|skillet|rack|baking))|toss(?:es|ed|ing)?|flop(?:s|ped)?|(?:rolls? |go(?:es)? )(?:it |them )?over|over (?:she|they|it) go(?:es)?|(?:flick|tip|nudge|slide|ease|lift)s? (?:it |them )?over|flick (?:it|them)|(?:^|then |and |fold |\p{L}+ly |(?:it|she|they)(?:[’']s|[’']re| is| are) )over$|peel|invert|retourn\p{L}+|tourne[rz]|wenden|(?:um)?drehen(?! sie)|volte\p{L}+|(?:la |dar? )vuelta)(?!\p{L})/iu;
/** "Don't flip", "one side only": there is one side. */
const NEVER_TURNED =
  /\b(?:do(?:n[’']t| not)|no need to|never|without) (?:flip|turn)\w*|\bno (?:turning|flipping)\b|\b(?:one side (?:only|alone)|(?:only|on) one side(?! (?:and|then)|.*\bother\b))\b/i;
export const BY_QUARTERS =
  /\bquarter[- ]turns?\b|\bturn (?:them |it |each (?:one )?)?(?:by )?(?:a )?quarters?\b|^(?:a )?quarter (?:turn )?at a time\b/i;
const QUARTERS = new RegExp(`${BY_QUARTERS.source}|\\bkeep turning\\b`, 'i');
/** Of each side, or of both. */
const EACH_SIDE =
  /\b(?:each|either) way\b|\b(?:a|per|each|on each|each on|on either|on both|both|for each|to (?:a|each))\s+sides?\b|\b(?:von|auf|je|pro) ?(?:jeder |beiden )?seiten?\b|\bjede seite\b|(?<!\p{L})chaque (?:côté|face)(?!\p{L})|\bpar (?:face|côté)(?!\p{L})|\/ ?side\b|\b(?:por|de) (?:cada )?(?:lado|cara)\b|\bcada (?:lado|cara)\b/iu;
const EACH = /\beach$|^je\b/i;
const BOTH = /\bboth sides\b|\bbeiden seiten\b|\bdes deux côtés|\b(?:ambos|los dos) lados\b/iu;
const FIRST = anyWord(
  String.raw`first(?! (?:speed|gear))(?: side| one)?|underside|(?:on )?one side|on one|(?<!(?:second|other|first|back|flip) )side (?:one|1|a)|d[’']un côté|auf der einen(?: seite)?|(?:d(?:ie|er) |auf der )?ersten? seite|(?:la |le )?(?:première face|premier côté)|(?:la |el )?(?:primera cara|primer lado)|por un lado|before (?:you |the )?(?:turn|flip|toss)\w*|avant de (?:la |le |les )?(?:retourner|tourner)|antes de (?:dar(?:le|les)? la vuelta|voltear|girar)|vor dem (?:wenden|umdrehen)`,
);
const SECOND = anyWord(
  String.raw`(?:second|other|back|reverse)(?: side| one)?|flip side|side (?:two|2|b)|l[’']autre|auf der anderen(?: seite)?|d(?:ie|er) andere(?: seite)|(?:d(?:ie|er) |auf der )?zweiten? seite|(?:la |le )?(?:(?:deuxième|seconde) face|(?:deuxième|second) côté)|(?:la |el )?(?:(?:segunda|otra) cara|(?:segundo|otro) lado)|por el otro|nach dem (?:wenden|umdrehen)|after(?: (?:you )?(?:turn|flip)\w*)?$|after (?:you )?(?:turn|flip)\w*`,
);
const MORE = anyWord('more|another|further|longer|weitere|noch|encore|más|otros?|autres?');
/** Behind the turn, how long or by what look it comes: "turn after two minutes", "flip when the edges are dry". */
const TURN_BY = anyWord(
  'by the time|after|at|when|once|as soon as|as|wenn|sobald|quand|cuando|nach|après|au bout de|después de|tras',
);

/** "It's ready to flip in two minutes". */
const READY_TO = /\bready to $/i;

/** Words that may stand around minutes that have no unit, and nothing else. */
const AROUND =
  /(?<!\p{L})(?:then|and|about|around|only|just|barely|hardly|nearly|almost|scant|for|give|them|it|s|is|give|i|we|you|they|he|she|have|has|go|goes|takes?|wants?|needs?|gets?|cook|fry|bake|brown|maybe|say|another|more|on|the|to|a|first|second|other|back|flip|side|one|or|so|und|y|et|du|côté|de|l|d|un|autre|auf|der|einen|anderen|seite|por|lado|el|otro|minutes?|min|done|ready|covered|uncovered|in|off|after|set|again|each|per|either|both|top|turn|toss|retourne[rz]|wenden|over|quicker|weitere|noch|encore|más)(?!\p{L})/giu;
const A_NUMBER =
  /(?<![\p{L}\d.,/:])(?:\d|[½¼¾]|(?:one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|sixty|ninety|half a|uno|dos|tres|une|deux|trois|eine|zwei|drei)(?!\p{L}))/giu;
/** The same in the other languages of cards. */
const ABROAD: Readonly<Record<string, number>> = {
  uno: 1,
  une: 1,
  eine: 1,
  dos: 2,
  deux: 2,
  zwei: 2,
  tres: 3,
  trois: 3,
  drei: 3,
};

/** A bare number of a side from here on is one of seconds. */
const LEAST_SECONDS = 10;
const MOST_BARE_SECONDS = 140;
/** Numbers without a unit, where every word beside them is one of sides. */
function bareIn(said: string, inSeconds: boolean): readonly Time[] {
  const out: Time[] = [];
  const text = said
    .replace(OFF_AT, (x) => ' '.repeat(x.length))
    .replace(/ (?:with|under) (?:the|a) (?:lid|cover)(?: on)?$/i, '')
    .replace(/ and (?:then )?(?:on|onto|off|out|straight)\b.*$/i, '');
  let rest = text;
  for (const m of text.matchAll(A_NUMBER)) {
    if (out.some((t) => m.index < t.end)) continue;
    // "on one side", "side one": no length of time
    const isSide =
      // "#4": the number of an iron's setting
      text[m.index - 1] === '#' ||
      /^\S+ (?:sides?|of|flips?|turns?)\b/i.test(text.slice(m.index)) ||
      /\b(?:on|(?<!\b(?:other|second|first|back) )side) $/i.test(text.slice(0, m.index));
    const abroad = ABROAD[m[0].toLowerCase()];
    const n = abroad === undefined ? middle(text.slice(m.index)) : { value: abroad, length: m[0].length };
    if (!n) continue;
    // "skillet, 425": a heat
    if (n.value > MOST_BARE_SECONDS) return [];
    // nothing lies on a side so long: seconds
    if (!isSide)
      out.push({
        // "two and a quarter, then ninety seconds": no seconds are parted
        min: (inSeconds && Number.isInteger(n.value)) || n.value >= LEAST_SECONDS ? n.value / 60 : n.value,
        at: m.index,
        end: m.index + n.length,
      });
    rest = rest.slice(0, m.index) + ' '.repeat(n.length) + rest.slice(m.index + n.length);
  }
  return rest.replace(AROUND, '').replace(/[^\p{L}\d]/gu, '') === '' ? out : [];
}

const COOKS =
  /\b(?:hornear?|cook|fry|cuire|cuisez|dorez|braten|ausbacken|backen|freír|cocinar|cocer|hacer|hacemos|dorar|brown|bake|griddle|give (?:it|them)|leave (?:it|them|.{0,20}\b(?:until|till) (?:set|brown|golden))|let (?:it|them) (?:cook|brown|bubble|sizzle|set|colour|color|go))\b/i;
const TAKES =
  /\b(?:takes?|compter|they (?:want|need|get)|it (?:wants|needs|gets)) (?:about |around )?(?:\d|an? (?:minute|half)|one|two|three|four|five|six)/i;
/** What browns before it is in the batter lies on no side. */
const FAT_BROWNS = /\bbutter\b[^,;.]*\bbrowns?\b|\bbrown (?:the )?butter\b/i;
const BLENDED = /\b(?:blend(?:er)?|whizz|blitz|process(?:or)?|mixer|paddle|(?<!\bthe )mix(?:ed)?|beat|whisk|stir)\b/i;
/** How long a cook is at it is no time of a piece. */
const AT_IT =
  /\b(?:shake|shaken|knead|kneaded|beat|whisk|stir|blend(?:er)?|whizz?|blitz|process(?:or)?|roll|whip|speed \d)\b(?!.*\b(?:cook|fry|brown|bake|turn|flip)\b)|\bplus\b/i;
/** "Prep 10 min, cook 20 min": of the whole card. */
const PREP = /\bprep(?:aration)?(?: time)?:?\s*\d+\s*(?:min|h)/i;
/** "Heat the griddle for ten minutes", "pans take five minutes to heat". */
const PREHEATS =
  /\bheat(?:ed)? through\b|\b(?:pan|griddle|skillet|iron|plate) (?:sits|stands|heats|warms)\b|^(?:set|put|place|get|stand) (?:the|a|an|your|my) (?:[\w-]+ ){0,3}?(?:griddle|pan|skillet|iron|plate)\b|^(?:(?:then|first|and|meanwhile)\s+)*(?:pre-?heat|heat|warm)(?: up)? (?:the|a|an|your|my) (?:[\w-]+ ){0,3}?(?:griddle|pan|skillet|iron|oven|plate)\b(?!.*\b(?:cook|fry|bake|brown)\b)|\bto (?:warm (?:the|up|through)|heat(?: up)?|get hot|come (?:up|to heat))\b/i;
/** "Heat both sides of the mould 1 min": before anything is in it. */
const HEATS_HALVES =
  /^(?:(?:then|first|and)\s+)*(?:pre-?)?(?:heat|warm)(?: up)? (?:both|each|the two) (?:sides?|halves|half|plates?|faces?) of (?:(?:the|a|an|your|my) )?(?:[\w-]+ )?(?:moulds?|molds?|pans?|irons?|griddle|maker|press)\b/i;
/** "Put 40 g butter in a skillet, 5 min in the oven": before there is batter in it. */
const PAN_HEATS =
  /^(?:(?:then|first|and|meanwhile|now|next)[,\s]+)*(?:put|place|set|pop|slide|melt|heat|warm|get)\b[^.;]*\b(?:butter|fat|oil|lard|ghee|dripping|pan|skillet|dish|tins?)\b/i;
/** "Skillets in a 220 oven for ten minutes": before anything is poured. */
const EMPTY_IN =
  /^(?:(?:the|my|an?|both|two|three|four|each|then)\s+)*(?:[\w-]+ )?(?:cast[- ]iron|skillets?|pans?|tins?|dish(?:es)?)(?: goes?)? in(?:to)?\b(?:[^,;.]*\boven\b| for\b| first\b)/i;
const POURED = /\b(?:pour|ladle|batter in|batter goes)\b/i;
const HOLDS_BATTER =
  /\b(?:batter|mixture|pour|ladle|bake|cook|fry|flip|turn(?! (?:the|your) oven)|pancakes?|waffles?|cakes?|cr[eê]pes?|side|sides|tilt|swirl|spoon(?:ful)?s?|each)\b/i;
/** How long finished pieces keep, and all turns together. */
const AT_MOST =
  /\b(?:total(?: time)?|at (?:the )?most|no (?:longer|more) than|maximum|max|in all|a (?:load|panful)|per (?:load|panful)|altogether|in total|all told|press|flatten|every)\b|^up to\b/i;

/** Whether a clause has a length of time that is a fact's. */
const isTimedSo = (c: Clause | undefined, value: ToldFact['value']): boolean =>
  c?.times.some((t) => hundredths(t.min) === value) ?? false;

/** What rests by a clause, where that tells it or the next two do. */
const restsAt = (clauses: readonly Clause[], n: number): readonly ToldFact[] => {
  const c = clauses[n];
  return c ? restsIn(c, clauses.slice(n + 1, n + 3), clauses[n - 1]) : [];
};

/** "Keep in a 90 °C oven up to 20 minutes": what is done waits there. */
const KEPT = /\b(?:keeps?|kept|hold|holds|wait|waits)\b[^,;.]*\b(?:oven|warm|drawer|rack|foil)\b/i;

/** "Don't open the oven for the first 15 minutes": no end of the bake. */
const STAYS_SHUT =
  /\b(?:do(?:n[’']t| not)|never|no) open(?:ing)?\b|\b(?:oven|door)\b[^,;.]*\b(?:stays?|kept?|remains?|keep it) (?:shut|closed)\b|\bkeep (?:the (?:oven )?door|the oven) (?:shut|closed)\b|\b(?:peek|look)(?:ing)?\b[^,;.]*\bfirst\b/i;

/** "Keep the oven shut for 20 minutes": so long at least it bakes. */
export const isShutFor = ({ text }: Clause): boolean => STAYS_SHUT.test(text) && !/\b(?:peek|look|first)/i.test(text);

/** "Cover with foil for the first 10 minutes": a part of the bake. */
export const UNDER_FOIL = /\b(?:foil|cover(?:ed)?|lid on)\b[^,;.]*\bfor the (?:first|last)\b/i;

/** "One minute between batches": the griddle's. */
export const BETWEEN_LOADS = /\bbetween (?:batches|loads|rounds|goes|each (?:batch|load))\b/i;

/** A pan heats empty: nothing is poured before, and what is baked then has its own time. */
function isEmptyIn(clauses: readonly Clause[], n: number): boolean {
  const text = clauses[n]?.text ?? '';
  return (
    EMPTY_IN.test(text) &&
    !HOLDS_BATTER.test(text) &&
    !clauses.slice(0, n).some((x) => POURED.test(x.text)) &&
    clauses.slice(n + 1).some((x) => /\bmin(?:ute)?s?\b/i.test(x.text))
  );
}

/** Nobody stirs or blends for longer, minutes. */
const MOST_WORKED = 5;

/** A length of time of work, of what heats up, or of a whole: of nothing that stands or lies on the heat. */
export function isWork(clauses: readonly Clause[], n: number): boolean {
  const [before, c] = [clauses[n - 1], clauses[n]];
  const text = c?.text ?? '';
  return (
    AT_IT.test(text) ||
    STAYS_SHUT.test(text) ||
    PREHEATS.test(text) ||
    KEPT.test(text) ||
    FAT_BROWNS.test(text) ||
    AT_MOST.test(text) ||
    PREP.test(c?.sentence ?? '') ||
    (TIME_ALONE.test(text) && BLENDED.test(before?.text ?? '') && (c?.times[0]?.min ?? 0) < MOST_WORKED)
  );
}

/** "Ten minutes.", a sentence before anything is hot: nothing lies on a side. */
const isBeforeHeat = (clauses: readonly Clause[], n: number): boolean => {
  const c = clauses[n];
  const isLong =
    (c?.times[0]?.min ?? 0) >= LEAST_BEFORE_HEAT &&
    TIME_ALONE.test(c?.text ?? '') &&
    /^[\w\s-]{1,24}min(?:ute)?s?$/i.test(c?.text ?? '');
  const isHot = clauses.slice(0, n).some((x) => HOT_HEAT.test(x.text) || OVEN.test(x.text));
  return isLong && c?.sentence.replace(/[.!]$/, '') === c?.text && !isHot;
};
const LEAST_BEFORE_HEAT = 8;

/** A length of time that is no side's: of a rest, of work, of what is heated or kept. */
function isNoSide(clauses: readonly Clause[], n: number): boolean {
  const [before, c] = [clauses[n - 1], clauses[n]];
  if (!c) return true;
  if (isDegreesAndTime(c)) return false;
  const { text } = c;
  const alone = TIME_ALONE.test(text) || /^give it\b/i.test(text);
  // what was done a moment before, in the same sentence, is what it times
  const goesOn = before?.sentence === c.sentence || (BLENDED.test(before?.text ?? '') && !turnsNext({ clauses }, n));
  const was = before && alone && goesOn ? before.text : '';
  return (
    FRIES_OTHER.test(text) ||
    isBeforeHeat(clauses, n) ||
    isAtASpeed(c) ||
    (PAN_HEATS.test(c.sentence) && !HOLDS_BATTER.test(c.sentence)) ||
    isEmptyIn(clauses, n) ||
    KEPT.test(text) ||
    STAYS_SHUT.test(text) ||
    UNDER_FOIL.test(text) ||
    BETWEEN_LOADS.test(c.sentence) ||
    /^(?:but )?(?:mostly|usually|often|normally) it(?:[’']s| is)\b/i.test(text) ||
    (PREHEATS.test(text) && (!EACH_SIDE.test(text) || /\bto heat\b/i.test(text))) ||
    HEATS_HALVES.test(text) ||
    BLENDED.test(was) ||
    FRIES_OTHER.test(was) ||
    FAT_BROWNS.test(was) ||
    FAT_BROWNS.test(text) ||
    AT_IT.test(text) ||
    (AT_MOST.test(text) && !SECOND.test(text) && !TURNED_HALFWAY.test(c.sentence)) ||
    // "turn; then they are done in a minute"
    (/\bdone (?:in|within)\b/i.test(text) &&
      !SECOND.test(text) &&
      !(before && TURN.test(before.text) && /\b(?:they|it)\b/i.test(text))) ||
    QUARTERS.test(c.sentence) ||
    (alone && [n - 1, n - 2].some((k) => clauses[k]?.sentence === c.sentence && /\bracks?\b/i.test(clauses[k].text))) ||
    PREP.test(c.sentence) ||
    (CHANGED_TO.test(text) && !COOKS.test(text)) ||
    [n, n - 1, n - 2].some((k) =>
      restsAt(clauses, k).some((f) => (k === n || !isTimedSo(clauses[k], f.value)) && isTimedSo(c, f.value)),
    )
  );
}

const BAKED =
  /\b(?:waffle iron|in (?:the|my|your|our|an?) (?:(?:hot|very|medium|preheated|heated|greased|oiled|buttered) )*iron|im (?:\p{L}+ )?(?:waffel)?eisen|(?:au|dans le) gaufrier|en la gofrera|moderate oven|hot oven|gas (?:mark )?\d|(?:close|shut|put down) (?:the )?(?:lid|iron|it\b)|closed(?= (?:for )?(?:\d|\w+ (?:and|min)))|^close, |(?:un)?(?:till?|when) (?:the|its|that) light (?:goes|turns|comes|is) (?:green|out|off|on)|(?:it|the (?:iron|machine)) (?:beeps|pings)|the (?:beep|bell|ping)|puffs|(?:leave|keep) (?:it|that|them) (?:shut|closed)|back in for|lid (?:down|closed|shut)|enfourn\w+|(?:don[’']?t|do not)(?: you)? (?:peek|open|lift)|without (?:opening|peeking)|minuten pro waffel|por gofre|bak(?:es|ing time)|backzeit|backdauer|horneado|(?:iron|eisen|gaufrier|gofrera) (?:is |stays )?(?:shut|closed|geschlossen|fermé|cerrad[ao])|four chaud)(?!\p{L})/iu;
const IRON =
  /(?<!\bcast[- ])\b(?:iron|gaufrier|(?:waffel)?eisen|gofrera|waffle[- ]maker)\b(?! (?:skillet|pan|griddle))/i;

const WAFFLES = /\b(?:waffles?|waffeln?|gaufres?|gofres?)\b/i;

/** An oven by its name; "four minutes" are of none. */
export const OVEN_WORD = /\b(?:oven|ofen|horno|(?:au|le|du) four)\b/i;
/** Whether an iron is spoken of, and no skillet of cast iron. */
/** "Close and cook". */
const SHUTS = /^(?:then |and )?close(?: it| the lid)?(?: and)? (?:cook|bake)\b/i;
export const speaksOfIron = (clauses: readonly Clause[]): boolean =>
  clauses.some((c) => WAFFLES.test(c.sentence) || IRON.test(c.sentence) || SHUTS.test(c.text));

/** Steam tells of an iron; under a lid a piece that is turned steams too. */
const STEAMS = /\bsteam(?:s|ing)?(?! for\b)/i;
/** In German a pan bakes too: only what takes long is in the oven for it, minutes. */
const BACKEN = /(?<!\p{L})backen(?!\p{L})/giu;
const LEAST_IN_OVEN = 8;
const isOven = (text: string, times: readonly Time[]): boolean =>
  OVEN.test(text.replace(BACKEN, ' ')) || (OVEN.test(text) && (times[0]?.min ?? 0) >= LEAST_IN_OVEN);

/** "425F 20 min": degrees and a time, and no more. What takes so long is baked, minutes. */
const DEGREES_AND_TIME =
  /^(?:about )?\d{3} ?°? ?[CF]?,? (?:(?:for|about) )?\d{1,2}(?: ?(?:-|–|to) ?\d{1,2})? ?min(?:ute)?s?\b/i;
const LEAST_ALONE_MIN = 10;
const isDegreesAndTime = ({ sentence, times }: Clause): boolean =>
  DEGREES_AND_TIME.test(sentence) && (times[0]?.min ?? 0) >= LEAST_ALONE_MIN && !TURN.test(sentence);

/** Whether a clause times a bake: in the oven, in an iron, or behind a lid that stays shut. */
function isBake(c: Clause): boolean {
  const { text, sentence, times } = c;
  if (isDegreesAndTime(c)) return true;
  const flips = TURN.test(sentence);
  if (EACH_SIDE.test(text) || /\b(?:first|second|one|other) side\b/i.test(text)) return false;
  if (((isOven(text, times) || STEAMS.test(sentence)) && !flips) || BAKED.test(sentence)) return true;
  if (WAFFLES.test(text) && (COOKS.test(text) || TAKES.test(text) || ONE_WAFFLE.test(text))) return true;
  if (BAKED_AT.test(text) && !flips) return true;
  if (!TIME_ALONE.test(text) || flips) return false;
  const inOven = OVEN.test(sentence) && !SURFACE.test(sentence) && !/\bbubbles?\b/i.test(sentence);
  return inOven || IRON.test(sentence) || WAFFLES.test(sentence);
}

/** "Give each waffle five minutes", "waffles: 5 min". */
const ONE_WAFFLE =
  /\bwaffles?:|\b(?:give|allow) (?:each|every|the|a) waffles?\b|\b(?:jede|eine) waffel braucht\b|\bchaque gaufre (?:cuit|demande|prend)\b|\bcada gofre (?:tarda|necesita)\b/i;

/** "Then 180 for another ten": minutes that a bake goes on; null: it tells none. */
function moreOf({ text }: Clause): number | null {
  const m =
    /\b(?:another|a further)\s+(?=\S)|^(?:and |then )?(?=\S+ (?:min|sec)\w* (?:past|on top of|longer than) that\b)|(?:\b(?:to|at|then) |^)(?:about )?\d{3}[^,;.]* for (?=\S+$)|^(?=(?!no )\S+ (?:min\w* )?(?:at \d{3}|more)\b)|(?:\b(?:give it|and|bake|for)\s+|^(?:(?:about|around|then) )*)(?=(?!no )\S+ (?:min(?:ute)?s? )?(?:more|longer)\b)/i.exec(
      text,
    );
  const rest = m ? text.slice(m.index + m[0].length) : '';
  const min = timesIn(rest)[0]?.min ?? middle(rest)?.value ?? null;
  const noun = /^\s*\S+\s+(?!(?:min|more|longer|with|at|in|on)\b)\p{L}/u.test(rest) && timesIn(rest).length === 0;
  return min !== null && min <= MOST_BAKE_MORE && !noun ? min : null;
}

/** What was told on the way through a method. */
interface Walk {
  readonly clauses: readonly Clause[];
  readonly facts: ToldFact[];
  /** An oven is spoken of. */
  readonly baked: boolean;
  /** An iron is, and nothing is turned. */
  readonly ironed: boolean;
  /** The clause of the last turn, and of the first side; -1: none yet. */
  turned: number;
  first: number;
  /** A turn by its look: how long that takes may follow in its sentence. */
  by: Clause | null;
}
/** Clauses within which a turn is looked for behind a time, where no other time stands between. */
const FAR_TURN = 5;
/** Clauses within which a time belongs to a turn. */
const NEAR_TURN = 3;

/** Whether the turn, or the other side, is told behind a clause before another length of time is. */
function turnsNext({ clauses }: Pick<Walk, 'clauses'>, n: number): boolean {
  const next = clauses.slice(n + 1, n + 1 + FAR_TURN);
  const at = next.findIndex((x) => x.taken === 'told' && (TURN.test(x.text) || SECOND.test(x.text)));
  return at >= 0 && next.slice(0, at).every((x) => x.times.length === 0);
}

/** Whether pieces on the heat are meant by a time in a clause. */
function isOnHeat(w: Walk, n: number): boolean {
  const c = w.clauses[n];
  if (!c) return false;
  const then = w.clauses[n + 1];
  return (
    COOKS.test(c.sentence) ||
    TAKES.test(c.text) ||
    TURN.test(c.text) ||
    /\bon (?:this|that) side\b/i.test(c.text) ||
    turnsNext(w, n) ||
    NEVER_TURNED.test(c.sentence) ||
    w.clauses.slice(n, n + 1 + NEAR_TURN).some((x) => NEVER_TURNED.test(x.text)) ||
    // "two minutes, then one", on what is hot
    (then?.sentence === c.sentence &&
      (ON_HEAT.test(c.sentence) || (TIME_ALONE.test(c.text) && c.sentence.startsWith(c.text))) &&
      (then.times.length > 0 ? TIME_ALONE.test(then.text) : bareIn(then.text, false).length > 0))
  );
}

/** Which side a length of time is of by the words around it; null: they say nothing of it. */
function sideBesides(c: Clause, before: Clause | undefined, at: number): Side | null {
  const { text } = c;
  const turn = text.search(TURN);
  // "the second is quicker, about 90 seconds"
  const carried = turn < 0 && !SECOND.test(text) && TIME_ALONE.test(text) && before?.sentence === c.sentence;
  const said = carried && before.times.length === 0 ? before.text : text;
  if (FIRST.test(said)) return 'firstSide';
  if (SECOND.test(said)) return 'secondSide';
  // "turn when bubbles show, a minute more"
  if (carried && MORE.test(text) && TURN.test(before.text)) return 'secondSide';
  if (turn < 0) return null;
  const isBy = TURN_BY.test(text.slice(turn, at)) || READY_TO.test(text.slice(0, turn));
  return at < turn || isBy ? 'firstSide' : 'secondSide';
}

/** "Compter 2 minutes, puis 1": a side and the other, counted. */
const COUNTED = /^(?:compter|comptez|count|allow|reckon)\b/i;
const isTimed = (x: Clause | undefined, c: Clause): boolean =>
  x !== undefined && x.sentence === c.sentence && x.times.length > 0 && TIME_ALONE.test(x.text);

/** Of a time before or behind a turn that is told by its look: "when the bubbles pop I flip them, another minute". */
function sideByLook(w: Walk, n: number, c: Clause): Side | null {
  if (w.by?.sentence === c.sentence) return MORE.test(c.text) ? 'secondSide' : 'firstSide';
  return turnsNext(w, n) ? 'firstSide' : null;
}

/** "Four minutes in total, turned half way": each side has half of it. */
const TURNED_HALFWAY = /\bturn(?:ed|ing)?(?: (?:it|them))?(?: over)?(?: once)? half ?way\b/i;

/** "Both sides, two minutes", "fry on both sides, 90 s": each of them; longer may be both together, minutes. */
const SIDES_ALONE = anyWord(
  '(?:(?:cook|fry|brown|griddle|(?:faire )?(?:cuire|dorer)|freír|hacer|dorar|cocinar) )?(?:on |auf |von |des |sur les |por )?(?:both sides|beiden? seiten|deux côtés|(?:ambos|los dos) lados)',
);
const MOST_EACH = 3;
const isOfSidesBefore = (c: Clause, before: Clause | undefined): boolean =>
  before?.sentence === c.sentence &&
  TIME_ALONE.test(c.text) &&
  (c.times[0]?.min ?? 0) <= MOST_EACH &&
  before.text.replace(SIDES_ALONE, '').trim() === '';

const isOfBoth = ({ text, sentence }: Clause): boolean =>
  TURNED_HALFWAY.test(sentence) ||
  EACH_SIDE.test(text) ||
  (EACH.test(text) && (BOTH.test(sentence) || EACH_SIDE.test(sentence)));

/** "Flip when it is dull. Two minutes, then one": a sentence of two lengths of time, of both sides. */
const isFirstOfTwo = (c: Clause, then: Clause | undefined): boolean =>
  then?.sentence === c.sentence &&
  c.sentence.startsWith(c.text) &&
  TIME_ALONE.test(c.text) &&
  (then.times.length > 0 ? TIME_ALONE.test(then.text) : bareIn(then.text, false).length === 1);

/** Which sides the lengths of time in one clause are of, in their order. */
function sidesOf(w: Walk, n: number, c: Clause, times: readonly Time[]): readonly Side[] {
  const { text } = c;
  const [one, other] = times;
  if (!one) return [];
  if (isOfBoth(c) || isOfSidesBefore(c, w.clauses[n - 1])) return ['firstSide', 'secondSide'];
  const side = sideBesides(c, w.clauses[n - 1], one.at);
  const summed = other && /^\s*(?:[+/&]|and)\s*$/.test(text.slice(one.end, other.at));
  if (other && (side || summed)) return ['firstSide', 'secondSide'];
  if (side) return [side];
  if (w.first < 0 && COUNTED.test(text) && isTimed(w.clauses[n + 1], c)) return ['firstSide'];
  const byLook = w.first < 0 ? sideByLook(w, n, c) : null;
  if (byLook) return [byLook];
  if (w.first < 0 && isFirstOfTwo(c, w.clauses[n + 1])) return ['firstSide'];
  // nothing in an iron is turned
  if (w.ironed && w.first >= 0) return [];
  const isTurned = w.turned >= 0 && n - w.turned <= NEAR_TURN;
  const follows = MORE.test(text) || (w.first >= 0 && w.clauses[w.first]?.sentence === c.sentence);
  if (isTurned || (w.first >= 0 && follows)) return ['secondSide'];
  return !follows && isOnHeat(w, n) ? ['firstSide'] : [];
}

const SECONDS = /\b(?:secs?|seconds)\b/i;
/** A length of time with its unit, and one beside it without: "3 minutes the first side and 2 the second". */
function withBare({ text }: Clause, one: Time, inSeconds: boolean): readonly Time[] {
  const [other] = bareIn(text.slice(one.end), inSeconds);
  if (other) return [one, { ...other, at: other.at + one.end, end: other.end + one.end }];
  const [first] = bareIn(text.slice(0, one.at), inSeconds);
  return first ? [first, one] : [one];
}

/** "Two and a half, flip, two". */
const TURN_ALONE = /^(?:then )?(?:flip|turn|toss|over)(?: (?:it|them|over))*$/i;

/** Two lengths of time one after the other: of pieces on the heat, or a sentence of nothing else. */
function arePair(c: Clause, then: Clause): boolean {
  if (bareIn(c.text, false).length !== 1) return false;
  const alone = c.sentence.startsWith(c.text) && c.sentence.replace(/[.!]$/, '').endsWith(then.text);
  return bareIn(then.text, false).length === 1
    ? ON_HEAT.test(c.sentence)
    : alone && then.times.length === 1 && TIME_ALONE.test(then.text);
}

const BAKES_FOR = /^(?:then |and )?bake\b[^,;.]*\bfor (?:about )?(\d{1,2}|ten|fifteen|twenty|thirty)$/i;
const tellsNone = (w: Walk): boolean => w.facts.every((f) => f.taken !== 'told');

/** Lengths of time in a clause that may be sides', without their unit too where sides are spoken of. */
function timesOf(w: Walk, n: number, c: Clause): readonly Time[] {
  const isMarked = [FIRST, SECOND, TURN, EACH_SIDE].some((re) => re.test(c.text));
  const inSeconds = SECONDS.test(c.sentence) && !/\bmin/i.test(c.sentence);
  const [one, other] = c.times;
  const then = w.clauses[n + 1];
  if (!one) {
    // "bake at 400 for 20"
    const bare = BAKES_FOR.exec(c.text)?.[1];
    const min = bare === undefined ? 0 : (middle(bare)?.value ?? 0);
    if (min > 0 && tellsNone(w)) return [{ min, at: 0, end: c.text.length }];
    const isBeside = [w.first, w.turned].some((k) => w.clauses[k]?.sentence === c.sentence);
    const isTurnNext =
      w.first < 0 && c.sentence.startsWith(c.text) && then?.sentence === c.sentence && TURN_ALONE.test(then.text);
    // "375 on the griddle, two and a half then one and a half"
    const isPairNext = w.first < 0 && then?.sentence === c.sentence && arePair(c, then);
    const isOpen =
      c.taken === 'told' &&
      (isBeside || isTurnNext || isPairNext || isMarked || ((w.first >= 0 || w.turned >= 0) && MORE.test(c.text)));
    return isOpen ? bareIn(c.text, inSeconds) : [];
  }
  if (isNoSide(w.clauses, n)) return [];
  const isWhole = w.first < 0 && c.sentence.replace(/[.!]$/, '') === c.text && TIME_ALONE.test(c.text);
  const isPair = (w.turned >= 0 || isWhole) && /^[^,;]*\band \S+$/i.test(c.text.slice(one.end));
  return (isMarked || isPair) && !other ? withBare(c, one, inSeconds) : c.times;
}

const tells = (w: Walk, fact: Side): boolean => w.facts.some((f) => f.fact === fact && f.taken === 'told');

/** A bake goes on, or is told. @returns whether the clause is of one */
function bakes(w: Walk, c: Clause, times: readonly Time[]): boolean {
  const last = w.facts.at(-1);
  const more = last?.fact === 'bake' && c.taken === 'told' ? moreOf(c) : null;
  if (last && more !== null) {
    w.facts[w.facts.length - 1] = { ...last, value: hundredths(Number(last.value) + more) };
    return true;
  }
  const [one] = times;
  if (!one) return false;
  const isLong = one.min > MOST_A_SIDE;
  const isOne = (c.times.length > 0 || BAKES_FOR.test(c.text)) && isBake(c) && one.min <= LONGEST_BAKE;
  if (
    tells(w, 'bake') ||
    !(isOne || (isLong && one.min <= LONGEST_BAKE && w.baked && (COOKS.test(c.sentence) || TIME_ALONE.test(c.text))))
  )
    return isLong;
  w.facts.push(minutes('bake', one.min, c));
  return true;
}

/** What a clause tells of turning, for those behind it. */
function turns(w: Walk, n: number, c: Clause, sides: readonly Side[]): void {
  const isTurn = TURN.test(c.text);
  const by = isTurn && sides.length === 0 && TURN_BY.test(c.text);
  if (sides.includes('secondSide')) w.turned = -1;
  else if (isTurn || (sides.length > 0 && w.by)) w.turned = n;
  if (by) w.by = c;
  else if (sides.length > 0 || w.by?.sentence !== c.sentence) w.by = null;
}

/** "Off at 3:30": by the clock that ran since the pour. */
const OFF_AT = /\b(?:off|out|pull(?:ed)?)(?: (?:it|them|off|out))* at\b/i;
const firstOf = (w: Walk): number =>
  Number(w.facts.find((f) => f.fact === 'firstSide' && f.taken === 'told')?.value ?? 0);

/** "The other side half of that": by the first. */
const SHARES: readonly (readonly [RegExp, number])[] = [
  [/\bhalf (?:of )?(?:that|it|the time|as long)\b/i, 0.5],
  [/\b(?:the same|as long)(?: again)?(?:$| (?:on|for) the (?:other|second)\b)|^(?:and |then )?same again$/i, 1],
];

/** "Or, on a cold morning, thirty seconds past that": more of what was told last, and no other side. */
const PAST_THAT = /\b(?:past|on top of|longer than) that\b/i;
function goesOn(w: Walk, c: Clause): boolean {
  const last = w.facts.at(-1);
  const min = c.times[0]?.min;
  if (!last || last.fact === 'bake' || min === undefined || !PAST_THAT.test(c.text)) return false;
  const isSure = c.taken === 'told' && last.taken === 'told' && !/\b(?:or|if|when|maybe|perhaps)\b/i.test(c.sentence);
  if (isSure) w.facts[w.facts.length - 1] = { ...last, value: hundredths(Number(last.value) + min) };
  return true;
}

/** The second side, where it is told as a share of the first. @param bare no time of its own is told of it */
function sideByFirst(w: Walk, c: Clause, bare: boolean): void {
  const share = SHARES.find(([re]) => re.test(c.text))?.[1];
  const isOther = SECOND.test(c.text) || (w.turned >= 0 && w.clauses.indexOf(c) - w.turned <= NEAR_TURN);
  if (bare && share !== undefined && isOther && tells(w, 'firstSide') && !tells(w, 'secondSide'))
    w.facts.push(minutes('secondSide', share * firstOf(w), c));
}

/** "Less than a minute, say forty seconds": the time is told behind it. */
const isSaidBetter = ({ clauses }: Walk, n: number): boolean => {
  const [c, then] = [clauses[n], clauses[n + 1]];
  return (
    /\b(?:less than|not quite|under)\b/i.test(c?.text ?? '') &&
    then?.sentence === c?.sentence &&
    /^(?:i[’']d )?say\b/i.test(then?.text ?? '') &&
    (then?.times.length ?? 0) > 0
  );
};

function walk(w: Walk, n: number, c: Clause): void {
  if (goesOn(w, c) || isSaidBetter(w, n)) return;
  const times = timesOf(w, n, c);
  if (bakes(w, c, times)) return;
  const sides = sidesOf(w, n, c, times);
  const isDone = c.taken === 'told';
  sideByFirst(w, c, times.length === 0);
  for (const [k, side] of sides.entries()) {
    if (isDone && tells(w, side)) continue;
    const each = TURNED_HALFWAY.test(c.sentence) && times.length === 1 ? 0.5 : 1;
    const min = each * ((times[k] ?? times[0])?.min ?? 0);
    const first = w.first === n || !OFF_AT.test(c.text) ? 0 : firstOf(w);
    w.facts.push(minutes(side, side === 'secondSide' && min > first ? min - first : min, c));
    if (isDone && side === 'firstSide') w.first = n;
  }
  // "a minute on the first side and half that on the other", in one clause
  if (isDone && times.length === 1 && sides.length === 1 && sides[0] === 'firstSide' && SECOND.test(c.text))
    sideByFirst(w, c, true);
  if (isDone) turns(w, n, c, sides);
}

/** In an oven nothing is done sooner, minutes. */
const LEAST_BAKE = 5;
/** "Twenty-five minutes.", "six minutes": the bake of an oven that is lit, or of an iron, by its time alone. */
function bakeAlone({ clauses, baked }: Walk, isIroned: boolean, isSided: boolean): ToldFact | null {
  const min = (c: Clause): number => c.times[0]?.min ?? 0;
  const inOven = (c: Clause): boolean =>
    baked &&
    c.sentence.startsWith(c.text) &&
    min(c) <= LONGEST_BAKE &&
    (min(c) > MOST_A_SIDE || (!isSided && min(c) >= LEAST_BAKE));
  // "15 Minuten. ... Im Waffeleisen 4 Minuten": before the iron is spoken of, it is something else's
  const ironAt = clauses.findIndex((c) => IRON.test(c.text));
  const inIron = (c: Clause, n: number): boolean => isIroned && n >= ironAt && min(c) > 0 && min(c) <= MOST_A_SIDE;
  const c = clauses.find(
    (x, n) => x.taken === 'told' && TIME_ALONE.test(x.text) && (inOven(x) || inIron(x, n)) && !isNoSide(clauses, n),
  );
  return c ? minutes('bake', min(c), c) : null;
}

/** A bake that is told by its name alone, as the times of a card are. */
const isBakeOfAll = (f: ToldFact): boolean =>
  f.fact === 'bake' && /^(?:baking time|back(?:zeit|dauer)|horneado)\b/i.test(f.words);

/** Minutes on the heat: both sides, the first and then the second, or a bake. */
export function sidesIn(clauses: readonly Clause[]): readonly ToldFact[] {
  const baked =
    clauses.some((c) => OVEN_WORD.test(c.sentence)) ||
    // in a dish, and on nothing that is hot by itself
    (clauses.some((c) => /\b(?:dish|tin)\b/i.test(c.text)) && !clauses.some((c) => HOT_SURFACE.test(c.text)));
  const isTurned = clauses.some((c) => c.taken === 'told' && TURN.test(c.text));
  const isIron = speaksOfIron(clauses);
  const w: Walk = { clauses, facts: [], baked, ironed: isIron && !isTurned, turned: -1, first: -1, by: null };
  for (const [n, c] of clauses.entries()) walk(w, n, c);
  // turned by quarters, a piece lies on no side
  const isBall = clauses.some((c) => c.taken === 'told' && BY_QUARTERS.test(c.text));
  const out = isBall ? w.facts.filter((f) => f.fact === 'bake') : w.facts;
  const side = (fact: Side): boolean => out.some((f) => f.fact === fact);
  // an iron has no second side
  const isIroned = w.ironed && !side('secondSide');
  // "Backzeit: 20 Minuten" above what is turned: of the whole card
  if (side('firstSide') && side('secondSide') && out.some(isBakeOfAll)) return out.filter((f) => !isBakeOfAll(f));
  // what is seared and then baked lies on no side
  if (side('bake')) return isTurned || side('secondSide') ? out : out.filter((f) => f.fact !== 'firstSide');
  if (isIroned && side('firstSide')) return out.map((f) => (f.fact === 'firstSide' ? { ...f, fact: 'bake' } : f));
  const alone = bakeAlone(w, isIroned, isTurned || side('firstSide'));
  return alone ? [...out, alone] : out;
}
