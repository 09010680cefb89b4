/** What rests, chills or cools, and for how long. */
import { type Clause, clausesOf, FRIES_OTHER, hundredths, isDenied, type Time, type ToldFact, timesIn } from './clause';
import { middle } from './spoken';
import { anyWord, HOT_HEAT } from './words';

/** What rests: the first that the clause, or else its sentence, speaks of. */
const RESTS_OF: readonly (readonly [RegExp, string])[] = [
  [/\b(?:melted )?butter\b(?![^,;.]{0,20}\bbatter)/i, 'butter'],
  [/\b(?:filling|sauce|compote|fruit(?! prepared)|syrup)\b/i, 'filling'],
  // what is neither the batter nor in it yet
  [/\b(?:raisins|currants|sultanas|dates|nuts|(?:let|bring|leave) the eggs)\b(?![^,;.]{0,30}\bbatter)/i, 'pan'],
  [/\bdough\b/i, 'dough'],
  [
    /\b(?:wet (?:part|mix(?:ture)?|ingredients)|the jug|milk|buttermilk|oats|(?:oat|soy|almond|rice) drink|vinegar to the|egg mix(?:ture)?|yeast(?: mix(?:ture)?)?)\b(?! (?:drink|swell|soften|absorb|take|have to|need to|want to|must|go|get))(?![^,;.]{0,30}\bbatter)/i,
    'wet',
  ],
  [/\b(?:racks?|pieces?|pancakes?|waffles?|crepes?|cakes?|let them|leave them)\b(?![^,;.]{0,20}\bbatter)/i, 'piece'],
  [/\b(?:pan|skillet|griddle|iron)\b/i, 'pan'],
  // the same in other languages
  // what is fried in butter is not rested
  [
    anyWord('(?<!\\b(?:con|avec|mit|in) (?:un poco de |un peu de |de |etwas |wenig )?)(?:butter|beurre|mantequilla)'),
    'butter',
  ],
  [anyWord('füllung|soße|sauce|kompott|garniture|relleno|salsa'), 'filling'],
  [anyWord('rosinen|datteln|backpflaumen|raisins secs|pruneaux|pasas|ciruelas'), 'pan'],
  [anyWord('hefeteig|pâton|bollo'), 'dough'],
  [
    anyWord(
      'hefe(?:milch|ansatz)?|vorteig|poolish|haferflocken|flocken|grieß|levure|levain|flocons|avoine|semoule|levadura|avena|copos|sémola|(?:in|dans|en) (?:der|die|le|la) (?:warmen |lauwarmen )?(?:milch|lait|leche)',
    ),
    'wet',
  ],
];
/** The flour is in it, in other languages. */
const FLOURED = anyWord(
  '(?:weizen|dinkel|vollkorn|roggen|buchweizen)?mehl|farine|harina|teig|pâte|masa|alles|alle zutaten|tous les|tout|todo',
);
const RESTS =
  /\b(?:hour|minutes?|overnight)[’']?s?[’']? (?:rise|prove|proving)\b|^rises? (?=(?:for )?(?:about )?(?:\d|an? |half |one|two|three|until|till|in))|\b(?:left alone|(?:second|final|last) (?:rise|prove|proof|proving|fermentation)|let (?:it|the (?:batter|dough|sponge)) double|till (?:it(?:[’']s| is| has)? )?doubled?|leave (?:it|the batter) alone|settles?|ferment(?:s|ed)?|airing cupboard|on the bench|floor time|(?<!\b(?:whisk|beat|stir|mix)\b.*)by the clock|(?:kitchen|counter|bench|room temperature) overnight|had its rest|(?:somewhere|a) warm(?: place| spot| corner)?|(?:min(?:ute)?s?|hours?) warm$|give it(?= (?:\d{1,2}|five|ten|fifteen|twenty|thirty)$)|give it(?= (?:10|15|20|30|ten|fifteen|twenty|thirty) min(?!(?:(?!because).)*\b(?:oven|iron|lid|heat|side)\b))|do something else|(?:make|have|drink|put on) (?:the|a|some|your) (?:coffee|tea|kettle|cup)|lay the table|wash up|(?:goes|put|stays?|lives?) (?:it )?(?:to|on|onto|by) (?:the |a )?(?:window ?sill|sill|side|counter|worktop|shelf)|(?:lo|la) dej(?:o|as|a|amos)(?= (?:unos |como |así )?(?:\d|una?\b|media\b|cinco|diez|quince|veinte|treinta|dos\b|tres\b))|lass\w*[^,;.]{1,30} stehen|(?:on|je|nous) (?:la |le )?laiss\w+(?= (?:\d|dix|quinze|vingt|trente|une?\b|cinq))|(?:heure|minutes|hora|stunde|minuten|minutos)(?: \w+)? (?:suffi(?:t|sent)|basta|reicht)|rasten|repos|reposo|reposa|ruhezeit|teigruhe|(?<!\bin (?:aller )?)ruhe|(?:quell|geh)(?:zeit|dauer)|einweichen|tremper|macérer|remojar|remojo|hidratar|levar|fermentar|laisse[rz]? agir|ziehen lassen|stehenlassen|aufgehen|pousser|attendre|esperar|warten|walk (?:away|off)|forget (?:about )?it|(?:flour|oats?|meal|bran|crumbs?|cornmeal|buckwheat|so it|while it) (?:to |can |may )?(?:drinks?|swells?|softens?|hydrates?|absorbs?)|hydrate|hold (?:for|(?:it|the batter)(?: for)?)(?= (?:\d|an? hour|half|ten|fifteen|twenty|thirty))|(?:batter|it) (?:to )?thickens?(?: up)?(?= (?:for|over|in|\d))|bubble up|hold off|(?:yeast|it) (?:to )?(?:foam|froth|bloom)s?|ruhen|ruht|quillt|quellen|stehen lassen|gehen lassen|reposer|repose|reposar|descansar|swells?|rest(?:s|ing|ed)?|waits?|leaves|hang on|stand(?:s|ing)?|stood|sit(?:s|ting)?|sat|leave|lever|gonfler|leudar|fermentar|(?:set|put) (?:it |them |this |the (?:batter|mix(?:ture)?|bowl|(?:melted |browned )?butter) )?(?:aside|to one side)|put (?:it )?by|park (?:it|the (?:batter|bowl|mix))|soak|steep|proof|prove|to rise|needs? (?:is )?(?:some |its |a little )?time|where you don[’']t touch it|(?:let|leave) (?:it |the (?:batter|dough|sponge|soda|yeast|leaven) )?(?:to )?(?:rise|work)|do (?:its|their) thing|(?:don[’']t|do not) touch the batter(?= for)|lets? (?:it|the batter|them|the mixture|everything) (?:be|alone|go|have|think))\b/i;
const CHILLS =
  /\b(?:rests?|stands?|sits?)\b[^,;.]*\bcold$|\bovernight in the cold\b|\b(?:cold rest|rest (?:it |the batter )?cold|(?:rest|stand|leave|sit|stay|keep|go)\w*\b[^,;.]{0,32}\bin the (?:cold|cool)|(?:batter|bowl|it|tub) (?:goes )?(?:in)?to the cold|keep (?:it|them|this|the batter) (?:cold|cool|chilled)(?= for)|chilling time|chill(?:s|ed)?|refrigerat(?:ed?|ion)|(?<!\bout of the )fridge|(?<!\bout of the )refrigerator|cold place|ice ?box|larder|cellar|cold room|walk-in|(?:rests?|stands?|sits?|goes) in the cool|kühlen|heladera|cool box|cooler|cold store|kühlschrank|kaltstellen|stell\w*\b[^,;.]{0,40}\b(?:kalt|kühl)|kühl stellen|réfrigérateur|réfrigérer|réfrigérez|refrigera[rd]?|enfriar la masa|frigo|nevera|frigorífico|au frais|en frío|kalt stellen)\b/i;
const COOLS =
  /(?<!\bwhere it(?:[’']s| is) )\bcool(?:s|ed)?\b(?! (?:place|spot|corner|room|kitchen))|(?<!\p{L})(?:ab|aus)kühlen(?!\p{L})|\b(?:ti[eé]dir|refroidir|templar|enfriar)(?!\p{L})/iu;
const NO_REST =
  /\b(?:(?:leave|keep) (?:it|that|them) (?:shut|closed)|wait\b[^,;.]*\b(?:turn|flip|toss|bubbl|edge|holes)|bubbles?(?! up (?:for|an?)\b)|stand(?:s|ing)? (?:mixer|up)|stands out|rest of|(?<!\bbefore )the rest|sit down (?:to|and|with)|left ?overs?)\b/i;

const AT_ONCE =
  /\b(?:sofort|gleich|direkt|aussitôt|tout de suite|immédiatement|enseguida|inmediatamente|al momento|straight (?:on|away|to the (?:griddle|pan|iron|heat))|right away|(?<!\b(?:\d+|one|two|three|four|five|six|eight|ten|few|several|many|all)(?: \w+)? )at once|immediately)\b/i;
const GOES_ON =
  /\b(?:(?:aus)?backen|braten|verarbeiten|cuire|cuisez|utiliser|cocinar|cocer|hacer|freír|usar|goes|go|use|used|pour|poured|cook|cooked|fry|fried|bake|baked)\b/i;

/** A rest that is said not to be; and what else does not stand or wait. */
const TO_REST =
  /\b(?:rest(?:ed|ing)?|stand(?:ing)?|sit(?:ting)?|wait(?:ing)?|ruhen|ruhezeit|ruhe|rast|rasten|quellen|stehen|reposer|repos|attendre|reposar|repos[eo]|descansar)\b/i;
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
const SOAKS =
  /\b(?:oats?|semolina|meal|cornmeal|bran|crumbs|rice|bread) soak(?:s)? in (?:the |some |warm |hot )*(?:milk|water|buttermilk|liquid)\b|\bscald (?:the )?(?!(?:\p{L}+ )?milk)\p{L}+(?: \p{L}+)?$|\bscald (?:it|them) with\b|\bboiling (?:water|milk)\b[^.;]*\b(?:over|on(?:to)?)\b|\bboiling water\b[^.;]*\bswells?\b|\bover boiling (?:water|milk)\b|\bscald the (?!milk)\p{L}+ (?:first |then )?with\b|\b(?:over|onto) (?:the )?(?:oats|cornmeal|meal|bran|semolina|crumbs)\b/iu;

/** "Leave it ten minutes", behind the scalding: what was named before. */
const OF_IT = /^(?:then |and )?(?:(?:let|leave) (?:it|them|that)|it (?:rests|stands|sits|soaks|swells))\b/i;

/** "Scald the cornmeal with the milk, 10 min". */
const SCALDS = /^scald the (?!milk)\p{L}+ with\b/iu;

/** Where a second thing begins in a clause: the rest, behind the mixing. */
const LET_REST = /(?<=\b(?:and|y|et|und) )(?:let|leave|rest|stand|chill|dej(?:ar|a)|reposar|laisse[rz]|reposer)\b/i;

/** Time that is given to the batter without a word of rest: on the counter, or before it is cooked. */
const GIVEN_TIME =
  /^(?:morning: )?out of the (?:fridge|cold) |\b(?:take|get|bring|have) (?:it|them|that|the (?:batter|tub|bowl)) out\b[^,;.]*\bbefore\b|\b(?:give|leave|let) (?:it|the batter)\b[^,;.]*\b(?:on the (?:counter|side|worktop|sill|table)|under a cloth|covered)\b|\b(?:give|leave) (?:it|the batter)\b[^,;.]*\bbefore (?:you |we |it |I )?(?:is |gets )?(?:cook|fry|fried|bak|pour|us|go)|\bwait\b[^,;.]*\b(?:before|until)\b[^,;.]*\b(?:cook|fry|bak|pour|us)|^batter (?:needs|wants|likes|gets)\b|\b(?:the (?:batter|mix(?:ture)?)|it|that|mine) (?:needs|wants|likes|should have|has had|gets|(?:has|gets) its(?= (?:hour|half|time|quarter)))\b|\byou(?:[’']ve| have) to give it\b|\bwith (?:a|the) (?:cloth|plate|towel|tea towel) on\b|\bgive it (?:another |a further |a good )?(?:half an hour|an hour|hour|a quarter of an hour|\d+ hours?)\b|\b(?:give|gave|giving) (?:mine|ours|the (?:batter|mix(?:ture)?))\b|\b(?:my|our|this) (?:batter|mix) (?:needs|wants|likes|gets|has)\b|\bcomes? back to (?:room|kitchen) temperature\b|\b(?:minutes?|hours?|hour|h) (?:on the (?:counter|side|worktop|sill|table)|at (?:kitchen|room) temperature|to settle)\b|(?<!\p{L})(?:minuten|stunden?|std\.?) an einem warmen ort\b|\bbetter (?:after|for|with)\b/iu;

/** "Covered on the worktop", "kitchen side": where a batter stands; how long follows. */
const STANDS_THERE =
  /^(?:and |then )?(?:(?:cover(?:ed)?|cling film on|under (?:a|the) (?:cloth|towel))(?: (?:on|in|at|by) (?:the |a )?[\w ]{3,20})?|(?:on the )?(?:kitchen )?(?:side|worktop|counter|bench))$/i;

/** A clause that says how long, and does nothing. */
export const TIME_ALONE =
  /^(?:for |at |which (?:is|takes|means) |that[’']s (?:your |the )?|it (?:stays|sits|lives) |in there |there |some |so |call it |about |around |roughly |maybe |perhaps |approx(?:imately|\.)? |at least |no less than |i say |say |environ |a los? |up to |only |just |another |unos |environ |etwa |ca\.? |a (?=good|full))*(?:good |full )?(?:\d|an? (?:good |full |short )?(?:quarter|half|hour|minute|night|day|couple|few)\b|half|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|sixteen|eighteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|overnight|all night|(?<=\banother |\bfurther )(?:hour|minute)s?\b|zwei|drei|vier|fünf|zehn|eine?\b|halbe|deux|trois|quatre|cinq|dix|une?\b|trente|demi|anderthalb|dos|tres|cuatro|cinco|diez|una?\b|medi[oa]\b|(?:minuto|hora) y medi[oa])/iu;
/** And one that says how it stands meanwhile. */
const MEANWHILE =
  /^(?:covered|chilled|in the (?:fridge|cold)|on the (?:counter|side|worktop)|under a (?:cloth|towel))$/i;
const isIdle = (text: string): boolean => MEANWHILE.test(text) || TIME_ALONE.test(text);

/** Time that is given to what cooks or is worked, and not to a batter that stands. */
const AT_WORK =
  /(?<!on the )\bsides?\b|\b(?:turn(?:ing)?|flip(?:ping)?|toss|oven|iron|griddle|on the heat)\b|\bof (?:whisking|mixing|stirring|beating)\b/i;
const WAITS = /\b(?:wait|hang on|(?:let|leave) them)\b/i;
/** What is done meanwhile: "while the griddle comes up to heat". */
const MEANWHILE_DONE = /\b(?:while|until|till) (?:the|your|my|a) (?:griddle|pan|iron|skillet|oven|plate)\b.*$/i;
/** "I usually give it 25 minutes": so long nothing lies on a side. */
const GIVEN_IT = /^(?:(?:then|and|just|i|we|you|usually|always|only) )*give (?:it|the batter)\b/i;
const LEAST_GIVEN = 10;
function givenTime(said: string): boolean {
  const text = said.replace(MEANWHILE_DONE, '');
  if (AT_WORK.test(text)) return false;
  const isGiven = GIVEN_IT.test(text) && (timesIn(text)[0]?.min ?? 0) >= LEAST_GIVEN;
  return GIVEN_TIME.test(text) || STANDS_TO_BE_GIVEN.test(text) || isGiven || (text !== said && GIVEN_IT.test(text));
}

/** "Oat drink and vinegar", "milk with lemon juice": a drink that is soured, before anything else goes in. */
const SOURED = /^(?:the )?(?:\w+ )?(?:milk|drink)\b[^,;.]*\b(?:vinegar|lemon juice)$/i;
/** "Haferdrink mit Essig mischen und 5 Minuten stehen lassen": the same abroad, in one sentence. */
const SOURED_ABROAD =
  /^(?:(?:mélange[rz]|mezclar?|verser) )?(?:den |die |le |la )?\p{L}*(?:drink|milch|lait|boisson|leche|bebida)(?!\p{L})[^.;]*(?<!\p{L})(?:essig|zitronensaft|vinaigre|jus de citron|vinagre|limón)(?!\p{L})/iu;
/** "Milk + vinegar 5 min": with its time. */
const MILK_SOURS = new RegExp(SOURED.source.replace('$', String.raw`\s+(?:for )?\d`), 'i');
/** "Give them two minutes on the rack". */
const GIVEN_PIECES = /\b(?:give|leave) them\b[^,;.]*\b(?:rack|before (?:you )?(?:plate|serv))/i;
/** "Pop the oats in the milk for ten minutes". */
const STEEPS =
  /\b(?:put|pop|tip|stir|cover)\b[^,;.]*\b(?:oats|bran|cornmeal|semolina|crumbs)\b[^,;.]*\b(?:in|with)\b[^,;.]*\bfor\b/i;

/** What is wrung out or drained stood by itself. */
const SALTED = /^(?:and |then )?(?:wring|squeeze|drain|rinse|pat)\b/i;
/** "Let rest for 10": minutes, though nobody says so. */
const BARE_REST =
  /\b(?:rests?|stands?|sits?|leave|wait|give|hold)(?: it| them| that)?(?: for)?(?: another| a good)? (\d{1,2}|five|ten|fifteen|twenty|thirty)(?: (?:to \p{L}+|(?:for|while|so)\b.*))?$/iu;

/** "Lid on for a quarter of an hour": shorter, it lies over a pan, minutes. */
const COVERED = /^(?:lid|cover|cloth|towel|plate|timer) (?:on|over)\b/i;
const LEAST_COVERED = 8;

/** Whether a clause is of what stands, chills or cools. */
const isStanding = (text: string): boolean =>
  CHILLS.test(text) ||
  STEEPS.test(text) ||
  GIVEN_PIECES.test(text) ||
  (COVERED.test(text) && (timesIn(text)[0]?.min ?? 0) >= LEAST_COVERED) ||
  givenTime(text) ||
  COOLS.test(text) ||
  (RESTS.test(text) && !NO_REST.test(text.slice(restFrom(text)))) ||
  MILK_SOURS.test(text);

/** "Five minutes, it thickens up": what becomes of it tells that it stands. */
const GROWS =
  /^(?:so |and )?(?:(?:un)?till? it(?:[’']s| is) (?:jelly|thick|a gel)|it (?:thickens|swells|relaxes|loosens|plumps))\b/i;
/** "Five minutes to curdle": what it stands for. */
const STANDS_TO = /\bto (?:curdle|sour|clabber|thicken|swell|soak|soften|hydrate|froth|bloom|drink)\b/i;
/** "Give it five minutes to thicken up". */
const STANDS_TO_BE_GIVEN = new RegExp(`${GIVEN_IT.source}[^,;.]*${STANDS_TO.source}`, 'i');

/** "Then we wait. Twenty minutes.": how long, in the sentence behind. */
function timeBehind(c: Clause, then: readonly Clause[]): Pick<Time, 'min'> | undefined {
  const [next] = then;
  return c.sentence.replace(/[.!]$/, '').endsWith(c.text) && next && isTimeOnly(next)
    ? next.times.find((t) => t.min >= LEAST_COVERED)
    : undefined;
}

/** "Mix cornmeal and buttermilk, 10 minutes": nobody stirs so long. */
const MIXED_AND_LEFT = /^(?:then |and )?(?:mix|stir|combine)\b(?!.*\b(?:mixer|speed|paddle|machine)\b)/i;
/** What drinks, with what it drinks. */
const DRINKS = /\b(?:oats|cornmeal|meal|bran|semolina|crumbs|polenta)\b.*\b(?:milk|water|buttermilk|yogh?urt|kefir)\b/i;

/** Whether it stands for the time that a clause alone tells, by what is said beside it. */
const growsIn = (c: Clause, own: readonly Clause[], before?: Clause): boolean =>
  TIME_ALONE.test(c.text) &&
  (GROWS.test(own[0]?.text ?? '') ||
    SCALDS.test(c.sentence) ||
    STANDS_TO.test(c.text) ||
    (before?.sentence === c.sentence && MIXED_AND_LEFT.test(before.text) && (c.times[0]?.min ?? 0) >= LEAST_COVERED));

/** "Rest 12 h at 4 C", "at 40 F": as cold as where it is kept, though nobody names that. */
const AS_COLD =
  /(?<!\p{L})(?:at|bei|à|a) (?:about |ca\.? )?(?:(?:\d|10) ?(?:°|degrees?|grad|grados|degrés)? ?C|(?:3[2-9]|4\d|50) ?(?:°|degrees?)? ?F)(?!\p{L})/iu;
/** "Rest it, chilled, for an hour": how it stands is told before how long. */
const isChilledMeanwhile = (next: string): boolean => isIdle(next) && CHILLS.test(next);

/** @param then the clauses that follow it @param before the one before it */
export function restsIn(c: Clause, then: readonly Clause[], before?: Clause): readonly ToldFact[] {
  const { text, sentence, taken } = c;
  const own = then.filter((x) => x.sentence === sentence);
  const chills = CHILLS.test(text) || AS_COLD.test(text) || isChilledMeanwhile(own[0]?.text ?? '');
  const isStood = before?.sentence === sentence && isStanding(before.text);
  if (isStood && MEANWHILE.test(text)) return [];
  const there = STANDS_THERE.test(text) && !isStood && !HOT_HEAT.test(sentence);
  if ((!isStanding(text) && !growsIn(c, own, before) && !there) || standsElsewhere(c, own, before)) return [];
  const time = restTime(c, own) ?? timeBehind(c, then);
  if (!time || (there && time.min < LEAST_COVERED)) return [];
  const of = restOf(c, before);
  if (of === 'pan' || (COOLS.test(text) && !chills && of === 'batter')) return [];
  const fact = chills ? 'chill' : 'rest';
  const isOther = (isStood && WILL_DO.test(text)) || atMost(text, time.min);
  const how = isOther && taken === 'told' ? 'asked' : taken;
  return [{ fact, value: hundredths(time.min), unit: 'min', of: chills ? null : of, words: text, taken: how }];
}

/** "But an hour on the counter will do", behind a longer one: instead of it. */
const WILL_DO = /\b(?:will do|would do|is enough|does it|is ok(?:ay)?)\b/i;
/** "Refrigerate for up to 24 hours": how long it keeps, of hours. */
const LONG_MIN = 240;
const atMost = (text: string, min: number): boolean =>
  min >= LONG_MIN && /\bup to\b/i.test(text) && !/\b(?:at least|minimum|overnight)\b/i.test(text);

const TURNS_NEXT = /^(?:then )?(?:turn|flip|toss|retourne[rz]|tourner|wenden|voltear|dar? (?:la )?vuelta)\b/i;

/** What is told of the heat where a piece lies on it: "it needs four minutes, don't open before the steam stops". */
const LIES_ON_HEAT = /\b(?:open|steam|lid|golden|brown|crisp)\b/i;
/** "Leave it in the oven for twenty minutes"; dough may rise in one that is off. */
const IN_THE_OVEN =
  /\b(?:leave|stay|sit|stand)s? (?:it |them |the \w+ )?in the (?:hot )?oven\b(?!.*\b(?:ris|prov|doubl|ferment|off|light|unlit)\w*)/i;
/** "Leave it a minute before you turn it", "turn it over and leave it a minute". */
const TO_THE_TURN =
  /\bbefore (?:you |i |we )?(?:flip|turn|toss)|^(?:then )?(?:flip|turn) (?:it|them)(?: over)? and\b|(?<!\p{L})(?:avant de (?:la |le |les )?(?:retourner|tourner)|antes de (?:dar(?:le|les)? la vuelta|voltear|girar)|vor dem (?:wenden|umdrehen))(?!\p{L})/iu;
/** Nothing that is turned lies longer on its first side, minutes. */
const MOST_FIRST_SIDE = 5;
/** How long it keeps, how it lies on the heat, what is wrung out: none is a rest. @param own what follows in the sentence */
function standsElsewhere({ text, sentence }: Clause, own: readonly Clause[], before?: Clause): boolean {
  const next = own[0]?.text ?? '';
  return (
    (FRIES_OTHER.test(text) && !/\bcool\b[^,;.]*\d/i.test(text)) ||
    SALTED.test(next) ||
    // it was turned a moment before
    (before?.sentence === sentence && TURNS_NEXT.test(before.text)) ||
    // what goes into the oven bakes there
    /\b(?:close|shut|put down) (?:the )?(?:lid|iron|it(?![^.;]*\b(?:fridge|cold|overnight|hours?|counter)\b))\b|\blid (?:down|closed|shut)\b|\bin goes the (?:pan|skillet|tin|dish)\b|\binto the oven\b/i.test(
      sentence,
    ) ||
    /\b(?:lasts?|stored?|left ?overs?|longer than (?:it|that|they|the))\b/i.test(text) ||
    /\bkeeps?\b(?! it\b| the batter\b)/i.test(text) ||
    // what is left until it is set beneath lies on the heat
    /\b(?:until|till) (?:it is |they are )?(?:set|brown|golden)|\bunderneath\b/i.test(text) ||
    (/^(?:it|they) (?:needs?|wants?|gets?|takes?)\b/i.test(text) && LIES_ON_HEAT.test(next)) ||
    IN_THE_OVEN.test(text) ||
    (TO_THE_TURN.test(text) && (timesIn(text)[0]?.min ?? 0) <= MOST_FIRST_SIDE) ||
    // what is waited for is the turn
    (WAITS.test(text) && (/\b(?:turn|flip|toss)/i.test(text) || TURNS_NEXT.test(next))) ||
    // "leave for 2 minutes, don't touch it, then flip"
    ((timesIn(text)[0]?.min ?? 0) <= MOST_FIRST_SIDE &&
      own.some((x) => /^(?:then |and )?(?:(?:i|we|you) )?(?:turn|flip|toss)\b/i.test(x.text)))
  );
}

/** Where the time of a rest begins, in a clause that does something before it. */
const restFrom = (text: string): number => LET_REST.exec(text)?.index ?? 0;

/** "Overnight, minimum eight hours": so long it takes. */
const AT_LEAST = /^(?:(?:a )?minimum|at (?:the )?(?:very )?least|no less than)\b/i;

const bareRest = (bare: string): Pick<Time, 'min'> => ({ min: middle(bare)?.value ?? 0 });

function restTime({ text }: Clause, own: readonly Clause[]): Pick<Time, 'min'> | undefined {
  // "let it rest, covered, some ten minutes": in the clauses that do nothing else
  const after = own
    .slice(0, 2)
    .filter((x, n) => isIdle(x.text) || (n === 1 && /^(?:because|since|as|so)\b/i.test(own[0]?.text ?? '')))
    .find((x) => TIME_ALONE.test(x.text))?.text;
  // "overnight, ten hours or so"
  const isSaidBetter =
    /\bovernight$/i.test(text) && /\bhours?\b/i.test(own[0]?.text ?? '') && isIdle(own[0]?.text ?? '');
  const least = own[0] && (AT_LEAST.test(own[0].text) || isSaidBetter) ? own[0].times[0] : undefined;
  if (least) return least;
  const all = timesIn(text);
  // "overnight (10 hours at 18 C)"
  const night = /\bovernight\b(?=[^;.]*\d)(?![^;.]*\bor\b)/i.exec(text)?.index;
  const stated = night === undefined ? undefined : all.find((x) => x.at > night && x.min >= 60);
  if (stated) return stated;
  // "blend half a minute and let the batter rest 20 minutes": the time behind the rest
  const word = restFrom(text);
  const bare = BARE_REST.exec(text)?.[1];
  return (
    all.find((x) => x.at >= word) ??
    // "blend it thirty seconds and let it sit twenty": minutes, though nobody says so
    (word > 0 && bare !== undefined ? bareRest(bare) : undefined) ??
    all[0] ??
    (after === undefined ? undefined : timesIn(after)[0]) ??
    (bare === undefined ? undefined : bareRest(bare))
  );
}

function restOf({ text, sentence }: Clause, before?: Clause): string {
  const what = text
    .slice(timesIn(text).length > 1 ? restFrom(text) : 0)
    .replace(
      /\b(?:while|until|till|as long as|the time it takes|or the|and (?:then )?(?:fry|cook|bake|pour|ladle|griddle))\b.*/i,
      '',
    );
  if (
    /\bto (?:curdle|sour|clabber)\b/i.test(text) ||
    MILK_SOURS.test(text) ||
    SOURED_ABROAD.test(sentence) ||
    SOURED.test(before?.text ?? '') ||
    (DRINKS.test(before?.text ?? '') && TIME_ALONE.test(text))
  )
    return 'wet';
  // the yeast wakes before the flour is in
  if (/\b(?:foams?|froths?)\b/i.test(text) && /\byeast\b/i.test(sentence)) return 'wet';
  if (SOAKS.test(sentence) || (before && SOAKS.test(before.text) && OF_IT.test(text))) return 'wet';
  // "stands two minutes and sinks": it is out of the oven
  if (
    /\bbefore (?:serving|cutting|slicing|eating)\b|\b(?:and|it) (?:sinks|falls|deflates|collapses)\b/i.test(text) &&
    !/\b(?:whisk|stir)\b/i.test(text)
  )
    return 'piece';
  // with the flour in it, it is the batter: abroad it may stand before a comma
  const upTo = sentence.slice(0, Math.max(0, sentence.indexOf(text)) + text.length);
  const named = RESTS_OF.find(
    ([re, is]) => re.test(what) && !(is === 'wet' && (/\bflour\b/i.test(what) || FLOURED.test(upTo))),
  )?.[1];
  return named ?? (COOLS.test(text) && /\bbutter\b/i.test(sentence) ? 'butter' : 'batter');
}

/** A rest of less is no rest, minutes. */
const LEAST_REST = 4;

/** A sentence that is a length of time. */
const isTimeOnly = (c: Clause): boolean => {
  // "ten minutes while the pan warms up"
  const text = c.text.replace(/ (?:while|as) (?:the|your|you|i|we) .*$/i, '');
  return (
    TIME_ALONE.test(text) &&
    // "130 g per iron @ 200 C 4.5 min": how a piece is made
    !/\b(?:in all|altogether|in total|all told|per)\b|@|\d ?(?:g|ml|oz|[°º]|[cf]\b)/i.test(text) &&
    c.times.length === 1 &&
    c.sentence.replace(/[.!]$/, '') === c.text &&
    text.length < 32
  );
};

/** "Another hour.", behind a rest and what goes in after it: the batter stands again. */
export function restsMore(clauses: readonly Clause[]): readonly ToldFact[] {
  const heat = clauses.findIndex((c) => LIES_THERE.test(c.text));
  return clauses.flatMap((c, n): readonly ToldFact[] => {
    const min = c.times[0]?.min ?? 0;
    const before = clauses[n - 1];
    const isMixed =
      before?.sentence === c.sentence && /\b(?:fold|stir|whisk|beat|mix|knock|punch)\b/i.test(before.text);
    const isMore =
      c.taken === 'told' &&
      /^(?:then |and )?(?:another|a further)\b|\bmore$/i.test(c.text) &&
      (isTimeOnly(c) || (isMixed && TIME_ALONE.test(c.text)));
    if (!isMore || min < LEAST_REST_MORE || (heat >= 0 && heat < n)) return [];
    return [{ fact: 'rest', value: hundredths(min), unit: 'min', of: 'batter', words: c.text, taken: 'told' }];
  });
}
/** What is done at the heat. */
const LIES_THERE = /\b(?:fry|fried|cook|griddle|skillet|iron|ladle|flip|turn)\b/i;
/** Shorter than this, minutes, more of it is time on the heat. */
const LEAST_REST_MORE = 10;

/** "Ten minutes.", between the mixing and the heat: the batter stands so long. */
export function restAlone(clauses: readonly Clause[]): readonly ToldFact[] {
  const heat = clauses.findIndex((c) => HOT_HEAT.test(c.text));
  const mixed = clauses.findIndex((c) =>
    /\b(?:(?:mix|stir|whisk|combine|beat|fold|blend)\w*|smooth|flour|batter)\b/i.test(c.text),
  );
  const at = clauses.findIndex((c, n) => n > mixed && mixed >= 0 && c.taken === 'told' && isTimeOnly(c));
  const c = clauses[at];
  const min = c?.times[0]?.min ?? 0;
  if (!c || min < LEAST_REST || (heat >= 0 && heat < at)) return [];
  return [{ fact: 'rest', value: hundredths(min), unit: 'min', of: 'batter', words: c.text, taken: 'told' }];
}
