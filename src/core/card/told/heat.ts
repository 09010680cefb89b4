/** Degrees and dials, and what they heat: the surface, the oven, the milk, or what is kept warm. */
import { readNumber } from '../../quantity/number';
import { type Clause, FRIES_OTHER, isAtASpeed, type ToldFact } from './clause';
import { middle } from './spoken';
import { HOT_SURFACE as SURFACE } from './words';

const F_TO_C = (f: number): number => (5 * (f - 32)) / 9;
const GAS_C = (mark: number): number => (mark < 1 ? 120 : 121 + 14 * mark);
export const OVEN =
  /\b(?:fan (?:off|on)|oven(?![- ]?(?:proof|safe|dish))|(?:middle|lower|upper|bottom|top) (?:rack|shelf)|bake|baked|roast|(?:pan|skillet|dish|tin) (?:goes )?in(?=\s*(?:[.,;]|$))|(?<=\d ?°? ?C? )fan(?=\s*(?:[,.;)]|$))|enfourn\w+|(?:back)?rohr|(?:back)?ofen|backen|(?:au|le|du) four|four(?= à| ?: ?\d)|horno|hornear?|combi|convection)\b/i;
const HOLDING =
  /\b(?:(?:wire|cooling) rack\b[^,;.]{0,60}\boven|réserve[rz]|transfer to (?:a|the) [^,;.]{0,40}oven|to keep (?:them|it)|^keep (?:them )?(?:at|in|on) (?:about )?(?:[5-9]\d|1[01]\d)\b|(?:stay|keep)s? (?:crisp|hot|warm)|(?:in|the) (?:a |the )?(?:warming |hot )?drawer|keep(?: \w+){0,3} (?:warm|hot)|warm ?halten|rack in (?:an?|the) [^,;.]{0,12}oven|au chaud|mantener calientes?|hold|holding|hot-?held|held (?:hot|warm)|kept warm|warm(?:ing)? (?:drawer|oven)|(?:low|cool) oven|(?:finished|cooked|ready) ones|keep\b[^,;.]{0,24}\b(?:in|on) [^,;.]{0,24}oven|keep (?:at )?\d{2,3} ?°? ?[CF]? oven|^keep (?:them )?on (?:a|the) (?:wire )?rack\b|(?:stay|wait)s? (?:\w+ ){0,4}in the oven|keeps? (?:them |these )?(?:in|on) (?:the|a) (?:low |cool |warm )?oven|the (?:finished|done) (?:ones|cakes|pancakes)|as they are (?:done|ready))\b/i;
const LIQUID =
  /\b(?:milk|milch|lait|leche|(?<!\b(?:drops?|beads?|flick|splash) of )water(?! (?:drops?|beads?|dances|skitters))|buttermilk|cream|lukewarm|liquid)\b/i;

const IRON = /\b(?:the|an?|my|hot|waffle)\s+(?:hot\s+|waffle\s+)?iron\b/i;

/** "Fifteen minutes at 450": so long nothing lies on a griddle. */
export const BAKED_AT =
  /\b(?:[89]|[1-5]\d|eight|ten|twelve|fifteen|eighteen|twenty(?:[- ]five)?|thirty)(?: (?:to|or) \S+)? min(?:ute)?s?\b(?! (?:a|per|each|every) )[^,;.]{0,12}\bat (?:about )?\d{3}\b/i;
const MORE_AT = /^(?:and |then )*(?:another )?\S+ (?:min(?:ute)?s? )?(?:more )?at (?:about )?\d{3}\b/i;

/** What a heat is of: the thing nearest before it, or else behind. */
function heatOf(text: string, sentence: string, at: number): string {
  // of two heats in one clause each has the last that is done before it
  const done =
    [...text.slice(0, at).matchAll(/\b(?:keep|kept|hold|cook(?!ed)|fry|griddle|bake)\w*\b/gi)].at(-1)?.[0] ?? '';
  if (HOLDING.test(text) && /^(?:cook|fry|griddle)/i.test(done)) return 'surface';
  if (/^\d+ at \d{3}$/.test(text)) return 'oven';
  if (BAKED_AT.test(sentence) && (BAKED_AT.test(text) || MORE_AT.test(text)) && !IRON.test(sentence)) return 'oven';
  // "preheat to 425 with a skillet on the middle rack"
  if (/^(?:pre-?)?heat to\b/i.test(text) && (OVEN.test(text) || /\b(?:in there|inside|in it)$/i.test(text)))
    return 'oven';
  if (HOLDING.test(text) || (HOLDING.test(sentence) && !SURFACE.test(text) && !OVEN.test(text))) return 'holding';
  // "while the oven heats to 425 put the cast iron in"
  if (/\boven (?:\w+ ){0,3}(?:to|at) (?:about )?$/i.test(text.slice(0, at))) return 'oven';
  const kinds: readonly (readonly [RegExp, string])[] = [
    // "bake in a hot iron, then drop it to 170"
    ...(IRON.test(sentence) && !/\boven\b/i.test(sentence) ? [] : [[OVEN, 'oven'] as const]),
    [SURFACE, 'surface'],
    [LIQUID, 'milk'],
  ];
  const near = kinds
    .flatMap(([re, of]) => [...text.matchAll(new RegExp(re, 'gi'))].map((m) => ({ of, far: Math.abs(m.index - at) })))
    .sort((a, b) => a.far - b.far)[0];
  return near?.of ?? kinds.find(([re]) => re.test(sentence))?.[1] ?? 'surface';
}

const DEGREES =
  /(\d{2,3})(?:\s*(?:-|–|to)\s*(\d{2,3}))?\s*(?:°|º|degrees?\s*|grad\b\s*|grados\b\s*|degrés\s*)?\s*([CF])?(?![a-zà-ÿ\d])(?!\s*(?:(?:g|ml|kg|mins?|minutes?|secs?|seconds?|cm|mm|people|pieces)\b|%))/gi;
/** Degrees that no oven and no griddle is set to are no heat, C. */
const LEAST_C = 20;
const MOST_C = 320;
/** Beyond this a number without its letter is Fahrenheit; on a griddle a little before. */
const FAHRENHEIT_FROM = 260;
const GRIDDLE_F_FROM = 300;
/** A heat without its letter, C. */
export const bareCelsius = (n: number): number => (n > FAHRENHEIT_FROM ? F_TO_C(n) : n);
/** One heat said twice, in two scales, is one: this near, C. */
const SAME_C = 12;
/** Nothing is baked on metal so cool: it is what a liquid is warmed to, C. */
const MOST_WARM_C = 50;
/** An oven at no more bakes nothing: it keeps warm, C. */
const MOST_KEPT_C = 110;
/** Pieces wait at no more, C. */
const MOST_HOLDING_C = 150;

/** "Down to 180", "then 190": another heat of what was heated before. */
export const CHANGED_TO =
  /\b(?:down|up|back) to (?:about )?\d{3}\b|^(?:then )?(?:drop|lower|reduce|raise)(?: it)? to (?:about )?\d{3}\b|^then (?:at |on |to )?(?:about )?\d{3}\b|^\d{3} (?:for (?:the rest|\d{1,2}$)|afterwards)\b/i;

/** The same oven with its fan on: "200 °C (180 °C fan)". */
const FAN =
  /(?<=\d{3}.*)\(?\d{3}\s*°?\s*C?\s*(?:fan|convection|umluft)\b\)?|(?<=\d{3}.*)(?:fan|convection|umluft)\s+\d{3}\s*°?\s*C?/gi;
/** "Turn 90°", "a 90° turn": how far a piece is turned, and no heat. */
const TURNED_BY =
  /\b(?:turn|rotate|spin|drehen|tourner|girar)\p{L}*(?: \p{L}+)? (?:by )?(?:45|90|180) ?(?:°|º|degrees?)|\b(?:45|90|180)[ -]?(?:°|º|degrees?)[ -](?:turn|rotation)\b|(?:um )?(?:45|90|180) ?(?:°|grad) (?:drehen|wenden)/giu;
/** "190, oiled". */
const GREASED = /\b(?:oiled|buttered|greased)\b/i;

/** "Warm the milk to 38": so much and no more, in two figures. */
const WARMS =
  /\b(?:warm|heat|bring|scald)\w*\b[^,;.]*\b(?:milk|water|buttermilk|liquid|cream)\b[^,;.]*\bto (?:about )?\d{2}\b|\b(?:milk|water|buttermilk) (?:warmed|heated|brought) to (?:about )?\d{2}\b/i;
/** "I put it at 350", of what was just named. */
const SETS_IT =
  /\b(?:(?:put|set|have|keep|run|got)s? (?:it|mine|them|that) (?:at|on|to)|aim(?:ing)? for|call it|say) (?:about |around )?\d{3}\b/i;
/** Whether a bare number of a clause may be a heat. */
function speaksOfHeat({ text, asSaid, sentence }: Clause): boolean {
  const alone =
    /\bmin(?:ute)?s? at \d{3}\b|^in at \d{3}\b/i.test(text) ||
    (/^(?:\d{3} (?:fan|convection)|(?:fan|convection) \d{3})$/i.test(text) && sentence.match(/\d{3}/g)?.length === 1) ||
    (/^(?:by which i mean|i mean|meaning|that is) \d{3}$/i.test(text) && SURFACE.test(sentence)) ||
    (/^\d{3}$/.test(asSaid) && sentence.replace(/[.!]$/, '') === text) ||
    (/^\S+ at \d{3}$/i.test(text) && /\bmin(?:ute)?s? at \d{3}\b/i.test(sentence)) ||
    (/^\d{3}$/.test(text) &&
      (SURFACE.test(sentence) || GREASED.test(sentence) || /\b(?:low|high|hot|heat)\b/i.test(sentence)));
  const changed = CHANGED_TO.test(text) && !/\b\d{3} (?:g|ml|grams)\b/.test(text);
  return (
    WARMS.test(text) ||
    OVEN.test(text) ||
    SURFACE.test(text) ||
    HOLDING.test(text) ||
    changed ||
    alone ||
    (SETS_IT.test(text) && !/\d ?(?:g|ml)\b/.test(text)) ||
    (/^(?:both|all|each) (?:at |on )?\d{3}$/i.test(text) && SURFACE.test(sentence)) ||
    /\b(?:heats?|preheat|hot)\b/i.test(sentence) ||
    /\b(?:cook|fry|griddle|start) at \d/i.test(text) ||
    (/^that[’']s at \d{3}$/i.test(text) && SURFACE.test(sentence))
  );
}

/** "Till it is 93 C inside": of the piece, and of nothing that is heated; no piece is hotter than boiling water, C. */
const INSIDE = /\b(?:inside|internal(?:ly)?|core|in the (?:middle|cent(?:re|er)))\b/i;
const MOST_INSIDE_C = 103;

/** What so much of is weighed or counted: "150 rye". */
const COUNTED =
  /^ ?(?!(?:first|second|straight|already|degrees|and|for|in|on|at|or|to|until|till|while|with|then|the|when|by|as|if|is|but|no|not|max|once|fan|heat|hot|surface|griddle|iron|pan|skillet|plate|flat top|oven|on|dry|steady|put|pop|slide|set|get|add|drop|after|before|all|maybe|now|exactly|ish|again|it|so|either|both|minimum|tops|never|usually|here|pour|grad|grados|degrés|y|und|et|con|avec|mit|bis|à|a|c|f)\b)\p{L}{2,}/iu;
/** Degrees C that a clause tells, with the place where each stands. */
function degreesIn(said: Clause, inF: boolean): readonly (readonly [c: number, at: number])[] {
  const { text } = said;
  const heats = speaksOfHeat(said);
  const out: [number, number][] = [];
  const blank = (w: string): string => ' '.repeat(w.length);
  for (const m of text.replace(FAN, blank).replace(TURNED_BY, blank).matchAll(DEGREES)) {
    const [all, a = '', b, unit] = m;
    const n = (Number(a) + Number(b ?? a)) / 2;
    const marked = unit !== undefined || /°|º|degree|grad|degr/i.test(all);
    const held = (HOLDING.test(text) || OVEN.test(text)) && /\bat $/i.test(text.slice(0, m.index));
    if (!marked && COUNTED.test(text.slice(m.index + all.length))) continue;
    if (!marked && !(heats && (/^\d{3}$/.test(a) || held || WARMS.test(text)))) continue;
    const f = unit
      ? /f/i.test(unit)
      : inF ||
        n > FAHRENHEIT_FROM ||
        (SURFACE.test(text) && n >= GRIDDLE_F_FROM) ||
        // nothing is kept warm so hot
        (HOLDING.test(text) && n > MOST_HOLDING_C);
    const c = f ? F_TO_C(n) : n;
    const last = out.at(-1)?.[0];
    if (last === undefined || Math.abs(c - last) >= SAME_C) out.push([c, m.index]);
  }
  const isInside = INSIDE.test(text);
  return out.filter(([c]) => c >= LEAST_C && c <= MOST_C && !(isInside && c <= MOST_INSIDE_C));
}

const GAS = /\bgas (?:mark )?(10|[1-9]|1\/[24])(?![\d/])\b/i;
const ON_DIAL =
  /\b(?:on|at|over) (?:an? |the |about |around |just about )?(?:steady |gentle |fairly )?(?:low|medium|med|high)(?:est)?\b(?! (?:side|speed|power|tin|shelf|table))/i;
const DIAL =
  /(?<!\bsecond[- ])\b(low(?:est)?|gentle|medium|med|moderate|high(?:est)?)(?:(?:\s*(?:-|–|to)\s*|\s+)(low|high|hi|hot|medium|med))?\s*(?:heat|flame|setting)?\b/i;
const ONLY_DIAL =
  /^(?:not too hot: )?(?:(?:i[’']d )?(?:call|say) (?:it|that) |that[’']s )?(?:on |at |(?:just |about )?(?:over|under|below|above) )?(?:a )?(?:low|medium|med|moderate|high)(?:[ -](?:to )?(?:low|medium|high|hi|hot))?(?: for the first(?: one| side| few)?)?$/i;
/** "Cook medium two minutes each side", "fry medium-low". */
const COOK_DIAL =
  /^(?:then |and )?(?:cook|fry|brown|bake) (?:(?:them|it|each) )?(?:on )?(?:low|medium|med|high)(?:[- ](?:low|high))?(?= (?:for |about )?(?:\d|an?\b|one|two|three|four|five|six|half)|$)/i;
/** A number of a knob, "four and a half", "between four and five". */
const DIGIT = '(?:\\d(?:\\.\\d)?|one|two|three|four|five|six|seven|eight|nine)';
const KNOB = `(?:number |no\\.? ?|between )?(${DIGIT}(?: and a half)?)(?: (?:and|or|to) (${DIGIT}|ten))?`;
/** What may stand behind it; anything else is counted or measured by it. */
const BEHIND = String.raw`(?=$|[,;)]| ?\(?(?:out )?of (?:\d|six|nine|ten|twelve)|\/10\b| (?:on|here|today|now|and|because|which|or so|usually|mostly|for|so|with|of the|when|while|once)\b(?! \d))`;
const knobs = (before: string): RegExp => new RegExp(`${before}${KNOB}${BEHIND}`, 'i');
const SET = `(?: (?:i|we|he|she) (?:keep|have|run|set|put|like)s?)?(?:[’']s|[’']re| is| are| was| goes| stays| sits| lives| runs| gets|,)?(?: set| up| down| turned| about| around| just)* (?:at|on|to) (?:about )?`;
/** What has a knob: its number may stand right behind it. */
const KNOBBED = [
  new RegExp(
    `\\b(?:setting|stufe|dial|knob|notch|heat on|(?:at|on) level)(?: at| on| to| is)? ${KNOB}\\b(?!\\d|\\.\\d| ?(?:°|deg|min))`,
    'i',
  ),
  knobs(String.raw`\b(?:dial|knob|setting|burner|hob|stufe|stove|ring)\b[^\d,;.]{0,20}?\b`),
  knobs(String.raw`\bheat(?:[’']s| is|,|:)? (?:on |at |to )?`),
  knobs(String.raw`\b(?:irons?|griddles?|plates?|pan|skillet|waffle maker|machine|induction)${SET}`),
  knobs(String.raw`\bset (?:it|mine|ours|the|your|my|an?)(?: [\w-]+){0,2} (?:to|at|on) `),
  knobs(String.raw`\bturn (?:it|the \S+) (?:up |down )?to `),
  new RegExp(`\\bon (${DIGIT}) (?:out )?of (?:\\d{1,2}|six|nine|ten|twelve)\\b`, 'i'),
  /^(?:the )?(?:[\w-]+ )?(?:iron|griddle|plate|hob|induction|waffle maker)(?: no\.?)? (\d(?:\.\d)?)(?: (?:out )?of \d{1,2})?$/i,
] as const;
/** "Number 5 on my stove". */
const NUMBER_OF = new RegExp(
  `^(?:number|no\\.?) (${DIGIT})(?: and a half)? on (?:my|the|your) (?:stove|hob|cooker|dial)`,
  'i',
);
/** "I have mine on six, it goes to nine". */
const GOES_TO = /\b(?:it|that|mine|the dial|the knob) goes (?:up )?to (?:\d{1,2}|six|nine|ten|twelve)\b/i;
/** "I have it on three", where a knob or the heat is spoken of. */
const IT_ON = knobs(String.raw`\b(?:it|mine|that) (?:at|on|is|to|(?=between)) ?`);
const OF_KNOB = /\b(?:dial|knob|settings?|numbers?|waffle maker|heat|hot|hotter|stove|hob|griddle|iron)\b/i;

/** A dial at its middle. */
const HALFWAY = /^(?:about |just )?half ?way(?: up| round)?$|\b(?:gas|dial|knob|ring|hob)\b.*\bhalf ?way\b/i;

const ANY_DIGIT = new RegExp(`\\b${DIGIT}\\b`, 'i');
/** The number on a knob, of a range its middle; null: none is told. */
function knobIn({ text, sentence }: Clause): string | null {
  if (/\b(?:dispenser|depositor|mixer|blender)\b/i.test(text)) return null;
  if (!ANY_DIGIT.test(text)) return null;
  const found =
    [...KNOBBED, NUMBER_OF].map((re) => re.exec(text)).find((m) => m !== null) ??
    (OF_KNOB.test(sentence) || GOES_TO.test(sentence) ? IT_ON.exec(text) : null);
  const [low, high] = [found?.[1], found?.[2]].map((w) =>
    w === undefined
      ? undefined
      : (middle(w.replace(/ and a half$/i, ''))?.value ?? 0) + (/ and a half$/i.test(w) ? 0.5 : 0),
  );
  return low === undefined ? null : String(high === undefined ? low : (low + high) / 2);
}
/** Dials in other languages. */
const OTHER_DIALS: readonly (readonly [RegExp, string])[] = [
  [
    /\bas hot as it (?:goes|gets|will go)\b|\bfull (?:heat|blast|whack)\b|\b(?:iron|griddle|pan|skillet|burner|ring|hob|gas) (?:is |up )?(?:on|at|to) (?:full|max(?:imum)?)\b|\b(?:lively|fierce) (?:flame|heat|fire)\b/i,
    'high',
  ],
  [/\bthe lowest (?:the \w+|it) (?:does|goes|will go)\b|\bas low as (?:it|the \w+) (?:goes|will go)\b/i, 'low'],
  [/\b(?:on|onto|over) an? medium (?:griddle|pan|skillet|iron|plate)\b/i, 'medium'],
  [/\blow and slow\b|\b(?:heat|flame|gas) (?:\w+ )?lowish\b|\blowish (?:heat|flame)\b/i, 'low'],
  [/\bmoderate(?:ly)? hot\b/i, 'moderate'],
  [/\bmiddling (?:fire|flame|heat)\b|\bmiddle (?:flame|heat)\b/i, 'medium'],
  [/\blow(?:er)? (?:side|end) of medium\b/i, 'medium low'],
  [/\b(?:high|upp)(?:er)? (?:side|end) of medium\b/i, 'medium high'],
  [
    /\ba fuego medio[- ]bajo\b|\b(?:bei|auf) mittlerer bis (?:schwacher|niedriger|kleiner) hitze\b|(?<!\p{L})à feu moyen[- ]doux\b/iu,
    'medium low',
  ],
  [
    /\b(?:bei|auf) mittlerer bis (?:starker|hoher|großer) hitze\b|(?<!\p{L})à feu moyen[- ]vif\b|\ba fuego medio[- ]alto\b/iu,
    'medium high',
  ],
  [
    /\ba fuego medio\b|\b(?:bei|auf) mittlerer hitze\b|\bauf mittlere (?:stufe|hitze)\b|^mittlere hitze$|^feu moyen$|\bauf mittlerer stufe\b|(?<!\p{L})(?:à|sur) feu moyen\b/iu,
    'medium',
  ],
  [
    /\ba fuego (?:bajo|lento|suave)\b|\b(?:bei|auf) (?:kleine|schwache|niedrige|schwacher|niedriger|kleiner) hitze\b|(?<!\p{L})(?:à|sur) feu doux\b|^feu doux$/iu,
    'low',
  ],
  [/\ba fuego (?:alto|fuerte|vivo)\b|\bbei (?:starker|großer|hoher) hitze\b|(?<!\p{L})(?:à|sur) feu vif\b/iu, 'high'],
];

/** What melts, simmers or is blended does so on no griddle's dial. */
const OF_ANOTHER =
  /^(?:mix|stir|beat|whip|whisk|combine|knead)\b|\b(?:blend(?:er)?|mixer|processor|beat|whisk|speed|paddle)\b|\b(?:melt|simmer|boil|brown|reduce|warm|heat) (?:the |some |a little )?(?:butter|milk|cream|syrup|sauce|sugar|honey|chocolate|water|fruit|berries)\b(?!.*\b(?:pan|griddle|skillet)\b)/i;

/** "Medium low", or the number on a knob; null where none is told. */
function dialIn(c: Clause): string | null {
  const { text, sentence } = c;
  const isHalfway = HALFWAY.test(text) && !/\bfill/i.test(text) && /\b(?:gas|dial|knob|ring|hob)\b/i.test(sentence);
  const other = OTHER_DIALS.find(([re]) => re.test(text))?.[1] ?? (isHalfway ? 'medium' : null);
  if (other !== null) return /\boven\b/i.test(text) ? null : other;
  const knob = knobIn(c);
  if (knob !== null) return knob;
  if (OF_ANOTHER.test(text) || isAtASpeed(c)) return null;
  const m = DIAL.exec(text);
  const whole = sentence.replace(/[.!]$/, '') === text;
  const alone =
    ONLY_DIAL.test(text.replace(/ (?:because|as|since|so)\b.*/i, '')) &&
    (whole ||
      sentence.startsWith(`${text}, `) ||
      /-|\b(?:low|high|hot)$/i.test(text.replace(/^\w+$/, '')) ||
      SURFACE.test(sentence) ||
      /\bheat\b/i.test(sentence));
  if (
    !m ||
    !(
      alone ||
      /\b(?:heat|flame|setting|burner|hob|stove|gas ring)\b/i.test(text) ||
      (SURFACE.test(text) && (m[2] || /\b(?:low|med|medium|high)$/i.test(text))) ||
      ON_DIAL.test(text) ||
      COOK_DIAL.test(text)
    )
  )
    return null;
  return m[0]
    .replace(/est\b/i, '')
    .replace(/\s*(?:heat|flame|setting)$/i, '')
    .replace(/\s*(?:-|–|\bto\b)\s*/, ' ')
    .replace(/\bgentle\b/i, 'low')
    .replace(/\bmed\b/gi, 'medium')
    .replace(/\bhi\b/gi, 'high')
    .toLowerCase()
    .trim();
}

/** A card that heats to 350 and marks nothing in Celsius speaks of Fahrenheit everywhere. */
export const speaksFahrenheit = (notes: string): boolean =>
  !/\d\s*(?:°|º|degrees?)?\s*C\b/.test(notes) &&
  (/\d{3}\s*(?:°|º|degrees?)?\s*F\b/.test(notes) ||
    [...notes.matchAll(/\b(?:to|at|on|oven|griddle|iron|top)\s+(?:about\s+)?(\d{3})\b(?!\s*(?:g|ml|kg))/gi)].some(
      (m) => Number(m[1]) >= GRIDDLE_F_FROM,
    ));

/** @param inF whether a number without its letter is Fahrenheit on this card */
export function heatsIn(c: Clause, inF = false): readonly ToldFact[] {
  const { text, sentence, taken } = c;
  if (FRIES_OTHER.test(text)) return [];
  const heat = (value: number, of: string): ToldFact => ({
    fact: 'heat',
    value: Math.round(value),
    unit: 'C',
    of,
    words: text,
    taken,
  });
  const degrees = degreesIn(c, inF).map(([value, at]) => {
    // "gas 7 / 220 C" is an oven's
    const of = GAS.test(text) && !SURFACE.test(text) ? 'oven' : heatOf(text, sentence, at);
    if (of === 'surface' && value <= MOST_WARM_C) return heat(value, 'milk');
    return heat(value, of === 'oven' && value <= MOST_KEPT_C ? 'holding' : of);
  });
  if (degrees.length > 0) return degrees;
  const gas = readNumber(GAS.exec(text)?.[1] ?? '');
  if (gas) return [heat(GAS_C(gas.low.valueOf()), HOLDING.test(text) ? 'holding' : 'oven')];
  const dial = dialIn(c);
  return dial === null ? [] : [{ fact: 'dial', value: dial, unit: null, of: 'surface', words: text, taken }];
}
