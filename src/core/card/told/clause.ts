/** A method's sentences parted into clauses, each as it is meant: done, or a remark; and the lengths of time in one. */
import { type InFigures, inFigures, middle, spokenInFigures } from './spoken';
import { anyWord, MOST_SENTENCE_CHARS, SENTENCE } from './words';

export const FACTS = [
  'rest',
  'chill',
  'portion',
  'width',
  'pieces',
  'serves',
  'heat',
  'dial',
  'bake',
  'firstSide',
  'secondSide',
  'panFat',
  'whites',
  'fold',
  'mix',
  'moment',
  'turns',
  'load',
  'strain',
  'ahead',
] as const;
export type FactId = (typeof FACTS)[number];
export const TAKEN = ['told', 'asked', 'remark'] as const;
type ToldAs = (typeof TAKEN)[number];

export interface ToldFact {
  readonly fact: FactId;
  /** Minutes, millilitres, centimetres, degrees C, pieces, people; or a word. */
  readonly value: number | string;
  readonly unit: 'min' | 'ml' | 'cm' | 'C' | null;
  /** What it is of: batter, wet, dough, butter, piece, filling; surface, oven, milk, holding; an ingredient's id. */
  readonly of: string | null;
  /** The clause that tells it. */
  readonly words: string;
  /** Told as it is done; asked, where it is left open how much; a remark, where it is not done, or not here. */
  readonly taken: ToldAs;
  /** The words of the value alone: "1/4 cup". */
  readonly said?: string;
}

/** A part of a sentence in which one thing is done. */
export interface Clause {
  /** With spoken numbers in figures. */
  readonly text: string;
  /** As it was said. */
  readonly asSaid: string;
  readonly sentence: string;
  readonly taken: ToldAs;
  /** Lengths of time it tells; found when they are first asked for. */
  readonly times: readonly Time[];
}

/** Not done. */
const DENIED =
  /\b(?:do ?n[o’']t(?! (?:you )?(?:matter|worry|fuss|fret|peek|open|touch|rush|skip))|do not(?! (?:matter|worry|fuss|fret|peek|open|skip))|never(?! skip)|no need (?:to|for)|not necessary|(?:is|are)n[’']?t (?:needed|necessary|required)|needn[’']?t|without (?:a )?rest|(?<!\b(?:n[o’']t|not|never) )skip|instead of|rather than|no rest(?:ing)?)\b/i;
/** Notes in another language have one of these: without, the patterns of other languages need no look. */
const ABROAD =
  /[äöüßàâîôûçñóíáú]|(?<!\p{L})(?:mit|und|der|das|dem|nicht|ohne|wenn|manche|nach|le|les|des|une|pas|sans|si|el|los|las|con|por|nunca|lassen|backen|laisser|cuire|servir|dejar|masa|teig|nie|niemals|opcional|optional|ma|mi|hay|se)(?!\p{L})/iu;
export const isAbroad = (notes: string): boolean => ABROAD.test(notes);

/** The same in other languages; "nicht zu lange", "ne pas trop" and "sin demasiado" are done, only less. */
const DENIED_ABROAD = anyWord(
  [
    'nicht(?! (?:zu|mehr|länger|vergessen|ganz))|niemals|nie(?! (?:zu|mehr))|keinesfalls|anstatt|anstelle|(?:braucht|benötigt) kein\\p{L}*|kein(?:e|en|er|es)? (?:ruhezeit|ruhe|rast|pause)|ohne (?:ruhezeit|ruhe|rast|wartezeit)',
    "(?:ne |n[’'])(?:\\p{L}+ ){0,2}(?:pas|jamais)(?! (?:trop|hésiter|oublier|de grumeaux))|jamais|inutile d[e’']|pas besoin|pas nécessaire|au lieu d[e’']|plutôt que|sans (?:laisser|repos|attendre)",
    'no (?:(?:la|lo|las|los|le|se) )?(?:hace falta|hay que|es necesario|neces\\p{L}+|dej\\p{L}+|repos\\p{L}+|pong\\p{L}+|poner|us\\p{L}+|ech\\p{L}+|fr[eií]\\p{L}+|mont\\p{L}+|separ\\p{L}+|enfri\\p{L}+|engras\\p{L}+)|nunca|jamás|en (?:vez|lugar) de|sin (?:repos\\p{L}+|dejar)',
  ].join('|'),
);
export const isDenied = (text: string): boolean => DENIED.test(text) || DENIED_ABROAD.test(text);
/** Left to the cook. */
const OPTIONAL =
  /\b(?:if i(?:[’']m| am) (?:organi[sz]ed|not (?:in a hurry|rushing|rushed)|in no (?:hurry|rush)|early|patient)|if i (?:remember|can|think of it|have (?:the )?time)|if you(?:[’']ve (?:got )?(?:the )?time\b|[’']ve got it\b| (?:like|want|prefer|wish|have time))|optional(?:ly)?|(?<!\b(?:as|when|until|till) )you (?:can|could|may|might)(?! (?:still |just |always )?(?:see|tell|hear|feel|smell|get away))(?: also)?|can (?:also )?be|may (?:also )?(?:be|stand|rest|sit|wait|chill)|if (?:it|they|the batter|lumpy|needed|necessary|there are|(?:you|i) (?:see|find|get|spot|notice|have|feel) (?:any |some )?lumps)\b|some like)\b|^or\b.*\)$/i;
const OPTIONAL_ABROAD = anyWord(
  [
    'wer (?:mag|will|möchte|zeit hat)|wenn (?:man|du|ihr|sie) (?:mag|magst|mögt|mögen|willst|wollen|möchte\\p{L}*|zeit ha\\p{L}+)|wenn (?:noch |genug )?zeit (?:ist|bleibt)|nach (?:belieben|wunsch|geschmack)|optional|eventuell|evtl|bei bedarf|falls|(?:man kann|kann man|du kannst|kannst du|sie können|können sie|kann auch)(?! (?:\\p{L}+ )?(?:sehen|riechen|hören|spüren|fühlen|erkennen))',
    "si (?:vous|tu|on) (?:avez|as|a|voulez|veux|veut|aim\\p{L}+|préfér\\p{L}+|souhait\\p{L}+|le souhait\\p{L}+)|si (?:besoin|nécessaire|possible|la pâte|elle est|il y a|le temps)|s[’']il (?:y a|reste|le faut)|facultati\\p{L}+|éventuellement|on peut|vous pouvez|tu peux|pour ceux qui|selon (?:le|vos|votre|les) (?:goûts?|envies?)",
    'si (?:tienes|tiene|tenéis|hay|quieres|quiere|queréis|te gusta|prefieres|hace falta|es necesario|queda\\p{L}*|la masa|está)|opcional\\p{L}*|se puede\\p{L}*|pued\\p{L}+ (?:dejar|reposar|añadir|montar|hacer|separar)\\p{L}*|quien quiera',
  ].join('|'),
);
/** How somebody else does it. */
const OTHERS =
  /^some (?:fry|rest|chill|add|like|prefer|use|beat|whip|fold|let|soak|cook|bake|make|leave|put|say|swear|keep|pour|turn|stir|do)\b|\b(?:others|other (?:people|cooks|folks|families|kitchens)|some (?:people|cooks|folks)|(?:my|his|her|our) (?:sister|brother|mother|father|mum|mom|dad|gran|granny|grandma|nan|nana|grandmother|grandfather|grandpa|aunt|uncle|cousin|wife|husband|partner|boss|teacher|neighbou?r|friend)s?|they say|people (?:say|rest|use)|many (?:cooks|people)|usually one|(?:she|he) (?:swore|swears|always|never|used to|would|insists?|let|rests?)|the (?:old )?recipe says)\b/i;
const OTHERS_ABROAD = anyWord(
  [
    'manche|(?:viele|andere|einige) (?:leute |köche )?(?:lassen|nehmen|braten|schlagen|geben|machen|rühren|stellen)|(?:meine|unsere|seine|ihre) (?:oma|großmutter|mutter|mama|tante|schwiegermutter|schwester|freundin|frau|nachbarin)|mein (?:opa|vater|onkel|mann|bruder|freund|nachbar)|man sagt|es heißt',
    "certain(?:e?s)|d[’']autres|beaucoup (?:de gens )?(?:laissent|mettent)|(?:ma|mon|sa|son|notre) (?:grand-mère|grand-père|mère|père|tante|oncle|sœur|frère|mari|femme|voisine?|amie?|belle-mère|mamie)|on dit",
    'hay quien\\p{L}*|algun[oa]s|muchos|mucha gente|otr[oa]s (?:la |lo |las |los )?(?:dejan|ponen|usan|hacen|fríen|montan)|(?:mi|su|nuestra) (?:abuela|abuelo|madre|padre|tía|tío|hermana|hermano|suegra|marido|mujer|vecina|vecino|amiga|amigo)|dicen que',
  ].join('|'),
);
const MINE_ABROAD = anyWord("ich|wir|bei (?:mir|uns)|moi|je|j[’']|nous|chez (?:moi|nous)|yo|nosotros|nosotras");
/** "She always let hers stand, and so do I". */
const SO_DO_I = /\b(?:so|as) do (?:i|we)\b|\b(?:i|we) do (?:too|as well|the same)\b/i;
/** Where the talk comes back to this card's own way. */
const MINE = /\b(?:mine|i|we|ours|this one|here)\b/i;
/** A sentence that begins so is left to the cook as a whole, or is of another day. */
const IF_YOU =
  /^(?:if (?:you|it|there is|there[’']s|time|needed|necessary)|(?:to )?(?:re-?heat|freeze)|(?:for|to serve) left ?overs|left ?overs)\b/i;

const IF_YOU_ABROAD =
  /^(?:wer |wenn (?:man|du|ihr|sie) (?:mag|magst|mögt|will|willst|wollen|möchte|zeit)|wenn (?:noch |genug )?zeit|falls |nach (?:belieben|wunsch)\b|optional|facultati|éventuellement|opcional|si (?:vous|tu|on) (?:avez|as|a|voul|veu|aim|préf|souhait)|si (?:tienes|quieres|quiere|prefieres|te gusta)|zum aufwärmen|pour réchauffer|para recalentar|reste (?:einfrieren|im ofen|aufwärmen))/i;

/** A note beneath the method: what else would do, another version, how it keeps. */
const OTHERWISE =
  /^(?:(?:\p{L}+(?: \p{L}+){0,2}: )?(?:or|you can(?: also)?|alternatively,?) (?:use|sub(?:stitute)?|make|swap)|no \p{L}+(?: \p{L}+)?\?|(?:out of|don[’']t have(?: any)?) \p{L}+|to make (?:your own|homemade|a quick|quick)|sub(?:stitut\w+)?\b|for (?:an? )?(?:vegan|(?:dairy|gluten|egg)[- ]free|thinner|thicker|crispier|fluffier|extra)\b|(?:make[- ]ahead|storage|storing|freez\w+|to (?:freeze|store)|left ?overs?|tips?|variations?|substitutions?|swaps?) ?:)/iu;
const isOptional = (text: string, sentence: string, abroad: boolean): boolean =>
  OPTIONAL.test(text) ||
  IF_YOU.test(sentence) ||
  OTHERWISE.test(sentence) ||
  (abroad && (OPTIONAL_ABROAD.test(text) || IF_YOU_ABROAD.test(sentence)));

/** What goes with the batter is fried or toasted, and no piece of it. */
export const FRIES_OTHER =
  /^(?:(?:then|first|and|meanwhile)\s+)*(?:(?:fry|cook|brown|sweat|saut[eé])\s+(?:(?:apple|banana|onion|the)\s+)?(?:rings?|slices|apples?|bananas?|onions?|bacon|sausages?|mushrooms?|shallots?|leeks?|peppers?|ham|nuts)\b|(?:sweat|fry|cook|bake|steam|soften|brown|saut[eé]|toast|roast|simmer|boil) the (?!batter|tray|dish|mix|first|second|other|rest|pan|small|thin|(?:\w+ )?(?:pancakes?|cakes?|waffles?|cr[eê]pes?|ones|pieces?|rounds?|sides?)\b)\p{L}+|(?:steam|boil|simmer|poach|microwave|carameli[sz]e|roast|stew|soften|reduce|bake|cook|peel and cook) (?:the |your |some |a )?(?:sweet |whole |peeled |sliced )?(?:potato(?:es)?|apples?|pears?|plums?|peach(?:es)?|squash|pumpkin|carrots?|beets?|onions?|quinoa|rice|rhubarb|berries|fruit|syrup|sauce)(?!\p{L})|(?:faire )?cui(?:re|sez|s) (?:les |la |le |des )(?:pommes|poires|patates|carottes|courges?|potiron|oignons|fruits|baies|sirop)(?!\p{L})|(?:die )?(?:süß)?(?:kartoffeln|äpfel|birnen|pflaumen|kürbis\p{L}*|möhren|zwiebeln|beeren|reis|hirse)(?!\p{L})[^.;]*(?:kochen|dünsten|dämpfen|garen|rösten|karamellisieren)|(?:cocer|hervir|asar|cocinar|caramelizar|sofreír) (?:las |los |la |el )(?:manzanas?|patatas?|calabaza|peras?|cebollas?|frutas?)(?!\p{L}))/iu;

/** A clause ends where the next thing is done; a number's comma or point ends none. */
const CLAUSE =
  /\s*;\s*|(?<=\d min(?:ute)?s?)\s+(?=\d[\d.]* ?min)|\s*\((?=or\b)|\?\s+(?=\S)|,\s+(?:and\s+|then\s+|but\s+)?(?=\p{L}|\d)|\s+and (?=(?:i |we |you )?(?:do ?n[o’']t|do not|never)\b)|\s+(?:and then|then|but|et puis|puis|und dann|dann|y luego|luego)\s+/giu;

/** So long, and without a sign: dictated in one breath. What is done next, how long, how many begin a clause. */
const LEAST_RUN_ON = 90;
const isUnpointed = (sentence: string): boolean =>
  sentence.length > LEAST_RUN_ON && !/[,;:()]/.test(sentence.replace(/[.!?]+$/, ''));
const RUN_ON = new RegExp(
  String.raw`${CLAUSE.source}|\s+(?=(?:(?:mix|stir|whisk|beat|blend|leave|let|rest|stand|cook|fry|bake|flip|turn|pour|ladle|fold|whip|chill|strain|preheat|heat)\s+(?:it|them|that|this|the|everything|all|for|till|until|about|well|over|in|on)\b|(?:it |that |this )?(?:makes|serves|feeds|gives)\b))|(?<!\b(?:an?|of|about|half|quarters?|thirds?|one|two|three|and))\s+(?=(?:(?:about )?(?:\d+|[½¼¾⅓⅔]|an?|half a|(?:a )?(?:quarter|third))(?: (?:of )?an?)? (?:cup|ladle|scoop|tablespoon|ml|minutes?|min|seconds?)\b[^.]{0,12}\b(?:each|apiece|a side|per side)\b))`,
  'giu',
);

function clause(text: string, asSaid: string, sentence: string, taken: ToldAs): Clause {
  let times: readonly Time[] | null = null;
  return {
    text,
    asSaid,
    sentence,
    taken,
    get times() {
      times ??= timesIn(text);
      return times;
    },
  };
}

/** "Mix 1 min on low, 1 min on medium": of a machine, and no heat. */
const AT_A_SPEED =
  /^(?:then )?(?:mix|beat|whisk|whip|paddle|knead|cream)\b[^.;]*\b(?:speed|low|med(?:ium)?|high|slow|fast)\b/i;
export const isAtASpeed = ({ text, sentence }: Clause): boolean =>
  AT_A_SPEED.test(sentence) && !/\b(?:griddle|pan|skillet|iron|heat|cook|fry|turn|flip)\b/i.test(text);

/** The number of a step, or a dash before it. */
const STEP =
  /^(?:(?:step\s*)?(?:\d{1,2}|(?:one|two|three|four|five|six|seven|eight|nine)(?=:))\s*[:.)](?!\d)|[-•*])\s*/i;

/** Whether a clause turns to how others do it, or back to the card's own way; null: it says neither. */
function isOthers(part: string, abroad: boolean): boolean | null {
  if (OTHERS.test(part) || (abroad && OTHERS_ABROAD.test(part))) return !SO_DO_I.test(part);
  return MINE.test(part) || (abroad && MINE_ABROAD.test(part)) ? false : null;
}

/** The notes that were parted last: the rules ask for those of one formula again and again. */
let parted: { readonly notes: string; readonly clauses: readonly Clause[] } | null = null;

/** The clauses of a card's notes, each as it is meant. */
export function clausesOf(notes: string): readonly Clause[] {
  if (parted?.notes !== notes) parted = { notes, clauses: clausesIn(spokenInFigures(notes)) };
  return parted.clauses;
}

/** The clauses of notes whose spoken numbers are in figures already. */
export function clausesIn({ text: all, asSaid }: InFigures): readonly Clause[] {
  const out: Clause[] = [];
  const abroad = isAbroad(all);
  let at = 0;
  for (const raw of all.split(SENTENCE)) {
    const sentence = raw.trim().replace(STEP, '');
    if (sentence === '') continue;
    at = all.indexOf(sentence, at);
    if (sentence.length > MOST_SENTENCE_CHARS) continue;
    const cuts = [...sentence.matchAll(isUnpointed(sentence) ? RUN_ON : CLAUSE)].map((m) => ({
      from: m.index,
      to: m.index + m[0].length,
    }));
    let from = 0;
    // an other's way lasts until the card's own is spoken of
    let others = false;
    for (const cut of [...cuts, { from: sentence.length, to: sentence.length }]) {
      if (cut.from === from && from < sentence.length) continue;
      const part = sentence.slice(from, cut.from);
      const text = part.trim().replace(/[.!?]+$/, '');
      const begins = at + from + part.length - part.trimStart().length;
      others = isOthers(part, abroad) ?? others;
      // "Butter? No, ghee": what was asked is not what is done
      const asked = sentence[cut.from] === '?' && /^(?:no|nope|never|not)\b/i.test(sentence.slice(cut.to));
      // "20 min (or overnight in the fridge)": another way to do it
      const instead = sentence[from - 1] === '(' && /^or\b[^()]*\)?[.!]?$/i.test(part);
      const remark =
        others ||
        asked ||
        instead ||
        DENIED.test(part) ||
        (abroad && DENIED_ABROAD.test(part)) ||
        isOptional(part, sentence, abroad);
      out.push(clause(text, asSaid(begins, begins + text.length), sentence, remark ? 'remark' : 'told'));
      from = cut.to;
    }
    at += sentence.length;
  }
  return out;
}

const MINUTES: readonly (readonly [RegExp, number])[] = [
  [
    /\bun quart d[’']heure\b|\bun cuarto de hora\b|\beine viertelstunde\b|(?<!\band a )(?<!\band )\b(?:a (?:good |full |short )?)?quarter of an hour\b|\b(?:a|its|the) (?:good |full )?quarter[- ]hour\b/i,
    15,
  ],
  [
    /\bthree[- ]quarters? of an hour\b|\beine dreiviertelstunde\b|\b(?:trois|3 +) ?quarts d[’']heure\b|\b(?:tres|3 +) ?cuartos de hora\b/i,
    45,
  ],
  [
    /\b(?:half an|(?:a|another) (?:good |full |short )?half|half a good) hour\b|(?<!(?:hinein|viert|und)[ -]?)\b(?:eine )?(?:gute |knappe |gut(?:e)? )?halbe stunde\b|\bune (?:bonne |petite )?demi-heure\b|\bmedia hora\b/i,
    30,
  ],
  [/\ban hour and a quarter\b|\bone and a quarter hours\b/i, 75],
  [/\ban hour and three[- ]quarters\b/i, 105],
  [
    /\ban hour and a half\b|\bone and a half hours\b|\b(?:anderthalb|eineinhalb) stunden\b|\bune heure et demie\b|\b(?:una )?hora y media\b|(?<![\d.,])1 ?h(?:eure)? ?30(?: ?min\w*)?\b/i,
    90,
  ],
  [
    /\bover ?night\b|\bo\/n\b|\b(?:a|the|one|eine|une|una) (?:whole |ganze )?(?:night|nacht|nuit|noche)\b(?! before)|\ball night\b|(?<!\p{L})über nacht\b|\btoute (?:la|une) nuit\b|\btoda la noche\b|\b(?:un)?till? (?:i|we|you) (?:get|wake) up\b|\btill (?:the )?(?:next )?morning\b|\buntil (?:the )?(?:next )?morning\b|\b(?:un)?till? (?:tomorrow|the next day)\b/iu,
    720,
  ],
  [
    /\ban hour or (?:so|two|more)\b|\b(?:an(?:other)?|its|a (?:good|full|short)) hour\b|\bone hour\b|\beine stunde\b|\bune heure\b|\buna hora\b/i,
    60,
  ],
  [/\ba couple of hours\b/i, 120],
  [/\ba quarter of a minute\b/i, 0.25],
  [/\ba few hours\b/i, 180],
  [/\b(?:half a|a half) minute\b|\beine halbe minute\b|\bune demi-minute\b|\bmedio minuto\b/i, 0.5],
  [/\ba few min(?:ute)?s\b|\bein paar minuten\b/i, 3],
  [/\bcouple of min(?:ute)?s\b/i, 2],
  [/\bun par de minutos\b|\bune paire de minutes\b/i, 2],
  [/\b(?:a|another) minute or two\b/i, 1.5],
  [/\b(?:a|another) minute and a quarter\b/i, 1.25],
  [/\b(?:a|another) minute and three[- ]quarters\b/i, 1.75],
  [/\btwo minutes and a half\b/i, 2.5],
  [
    /\b(?:a|another) minute and a half\b|(?<=^|[,;]\s?|\b(?:about|for|give it|then) )minute and a half\b|\b(?:anderthalb|eineinhalb) minuten\b|\bune minute et demie\b|\bminuto y medio\b/i,
    1.5,
  ],
  [/\b(?:a|another) (?:full |good )?min(?:ute)?\b|\b(?:eine|une) minute\b|\bun minuto\b/i, 1],
  [/\ba day\b/i, 1440],
];
const PER: readonly (readonly [RegExp, number])[] = [
  [
    /^[\s-]*(?:(?:bonnes?|petites?|gute[n]?|volle[n]?|buenos?|good|full) )?(?:min(?:ut(?:e[ns]?|os?))?s?|mins?\.?|[’'])(?![\p{L}])/iu,
    1,
  ],
  [
    /^[\s-]*(?:(?:bonnes?|gute[n]?|volle[n]?|buenas?|good|full) )?(?:hours?|hrs?\.?|h|stunden?|std\.?|heures?|horas?)(?![\p{L}])/iu,
    60,
  ],
  [/^[\s-]*(?:seconds?|secs?\.?|sekunden?|secondes?|segundos?|s)(?![\p{L}])/iu, 1 / 60],
  [/^[\s-]*days?(?![\p{L}])/iu, 1440],
];
const AMOUNT_WORD =
  /(?:\d[\d.,/]*(?:\s+\d+\/\d+)?|[½¼¾]|\b(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)(?:[- ](?:one|two|three|four|five|six|seven|eight|nine))?)\b)/giu;

/** "Dos minutos y medio", "3 minutes and a half". */
const AND_A_HALF = /^\s+(?:and a half|y medi[oa]|et demie?|e mezz[oa]|und eine halbe)(?!\p{L})/iu;

export interface Time {
  readonly min: number;
  readonly at: number;
  readonly end: number;
}

/** "2:30": minutes and seconds, where no time of the day is told. */
const ON_A_CLOCK =
  /(?:(?<!\b(?:at|by|until|till|from|before|after|to)\s)(?!0\d:)|(?<=\b(?:turn(?:ed)?|flip(?:ped)?|off|out|pull(?:ed)?)(?: (?:it|them|out|off))? (?:at|after) ))(?<![\d:])(\d{1,2}):([0-5]\d)(?![\d:]|\s*(?:am|pm|o[’']clock))/gi;

/** "1 minute 30", "2 min 15 s", "1 minute 50 seconds", "1'30"". */
const MINUTE_AND_SECONDS =
  /\b(\d{1,2})\s*(?:min(?:ute)?s?|[’'′])\s*(?:and\s+)?(?:([1-5]?[05])\s*(?:(?:s|secs?|seconds?)\b|["”″]|[’'′]{2})|(15|20|30|40|45)\b)/gi;

/** Every length of time in a clause, minutes, in the order they stand. */
export function timesIn(said: string): readonly Time[] {
  const text = inFigures(said);
  const out: Time[] = [];
  for (const [re, min] of MINUTES) {
    const m = re.exec(text);
    if (m && !out.some((t) => m.index < t.end && m.index + m[0].length > t.at))
      out.push({ min, at: m.index, end: m.index + m[0].length });
  }
  // "count to fifteen"
  const count = /\bcount(?:ed|ing)?(?: up)?(?: to)? (?=\d|\p{L}*ty\b|ten\b|fifteen\b|a hundred\b)(\S+)/iu.exec(text);
  const counted = count && middle(count[1] ?? '');
  if (count && counted) out.push({ min: counted.value / 60, at: count.index, end: count.index + count[0].length });
  for (const m of text.matchAll(MINUTE_AND_SECONDS))
    out.push({ min: Number(m[1]) + Number(m[2] ?? m[3]) / 60, at: m.index, end: m.index + m[0].length });
  for (const m of text.matchAll(ON_A_CLOCK))
    out.push({ min: Number(m[1]) + Number(m[2]) / 60, at: m.index, end: m.index + m[0].length });
  for (const m of text.matchAll(AMOUNT_WORD)) {
    if (out.some((t) => m.index < t.end && m.index >= t.at)) continue;
    const n = middle(text.slice(m.index));
    if (!n) continue;
    const rest = text.slice(m.index + n.length);
    const more = /^\s+more(?=\s)/i.exec(rest)?.[0] ?? '';
    const per = PER.find(([re]) => re.test(rest.slice(more.length)));
    const unit = per?.[0].exec(rest.slice(more.length))?.[0] ?? '';
    // "3 minutes the first side, 2 second": the other side
    const isOrdinal = n.value !== 1 && /^\s*second$/i.test(unit);
    if (!per || isOrdinal) continue;
    const half = AND_A_HALF.exec(rest.slice(more.length + unit.length))?.[0] ?? '';
    const min = (n.value + (half === '' ? 0 : 0.5)) * per[1];
    out.push({ min, at: m.index, end: m.index + n.length + more.length + unit.length + half.length });
  }
  return out.sort((a, b) => a.at - b.at);
}

/** Minutes and centimetres to hundredths. */
export const hundredths = (x: number): number => Math.round(x * 100) / 100;
