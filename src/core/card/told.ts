/**
 * What a card's method tells, fact by fact: rests, portions, heat, minutes, pan fat, peaks. A sentence is read clause by clause:
 * what is denied, left to taste, or said of other people's ways is a remark and no fact; and what a rest, a heat or a fat is of
 * decides where it belongs.
 */
import type { KitchenConventions } from '../pantry/conventions';
import { readAmount } from '../quantity/amount';
import { readNumber } from '../quantity/number';
import { mlOf, unitById } from '../quantity/units';
import { readLine } from './line';
import { servingClaim, yieldClaim } from './method';

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
  'ahead',
] as const;
export type FactId = (typeof FACTS)[number];
export const TAKEN = ['told', 'asked', 'remark'] as const;
export type Taken = (typeof TAKEN)[number];

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
  readonly taken: Taken;
  /** The words of the value alone: "1/4 cup". */
  readonly said?: string;
}

interface Clause {
  readonly text: string;
  readonly sentence: string;
  readonly taken: Taken;
}

/** Not done. */
const DENIED =
  /\b(?:do ?n[o’']t|do not|never|no need (?:to|for)|not necessary|needn[’']?t|without (?:a )?rest|skip|instead of|rather than|no rest)\b/i;
/** Left to the cook. */
const OPTIONAL =
  /\b(?:if you (?:like|want|prefer|wish|have time)|optional(?:ly)?|you (?:can|could|may|might)(?: also)?|can (?:also )?be|may be|if (?:it|they|the batter|lumpy|needed|necessary|there are)\b|some like)\b/i;
/** How somebody else does it. */
const OTHERS =
  /\b(?:others?|some (?:people|cooks|folks)|my (?:sister|brother|mother|mum|aunt|neighbou?r|friend)s?|they say|people (?:say|rest|use)|many (?:cooks|people)|usually one|the (?:old )?recipe says)\b/i;
/** Where the talk comes back to this card's own way. */
const MINE = /\b(?:mine|i|we|ours?|this one|here)\b/i;

/** A clause ends where the next thing is done; a number's comma or point ends none. */
const CLAUSE = /\s*;\s*|,\s+(?:and\s+|then\s+|but\s+)?(?=\p{L}|\d)|\s+(?:and then|then|but)\s+/giu;

function clausesOf(notes: string): readonly Clause[] {
  return notes
    .split(/(?<=[.!?])\s+(?=\S)|\n+/)
    .map((s) => s.trim().replace(/^(?:(?:step\s*)?\d{1,2}\s*[:.)]|[-•*])\s*/i, ''))
    .filter((s) => s !== '')
    .flatMap((sentence) => {
      let from = 0;
      const parts: string[] = [];
      for (const m of sentence.matchAll(CLAUSE)) {
        if (m.index === from) continue;
        parts.push(sentence.slice(from, m.index));
        from = m.index + m[0].length;
      }
      parts.push(sentence.slice(from));
      // an other's way lasts until the card's own is spoken of
      let others = false;
      return parts.map((text): Clause => {
        if (OTHERS.test(text)) others = true;
        else if (MINE.test(text)) others = false;
        const remark = others || DENIED.test(text) || OPTIONAL.test(text);
        return { text: text.trim(), sentence, taken: remark ? 'remark' : 'told' };
      });
    });
}

const MINUTES: readonly (readonly [RegExp, number])[] = [
  [/\ba quarter of an hour\b|\ba quarter[- ]hour\b/i, 15],
  [/\bthree[- ]quarters? of an hour\b/i, 45],
  [/\b(?:half an|a half) hour\b/i, 30],
  [/\ban hour and a half\b|\bone and a half hours\b/i, 90],
  [/\bover ?night\b|\btill (?:the )?(?:next )?morning\b|\buntil (?:the )?(?:next )?morning\b/i, 720],
  [/\ban hour or (?:so|two|more)\b|\ban hour\b|\bone hour\b/i, 60],
  [/\ba (?:couple of|few) minutes\b/i, 3],
  [/\ba minute or two\b/i, 1.5],
  [/\b(?:a|another) minute\b/i, 1],
];
const PER: readonly (readonly [RegExp, number])[] = [
  [/^[\s-]*(?:min(?:ute)?s?|mins?\.?|[’'])(?![\p{L}])/iu, 1],
  [/^[\s-]*(?:hours?|hrs?\.?|h)(?![\p{L}])/iu, 60],
  [/^[\s-]*(?:seconds?|secs?\.?)(?![\p{L}])/iu, 1 / 60],
  [/^[\s-]*days?(?![\p{L}])/iu, 1440],
];
const AMOUNT_WORD =
  /(?:\d[\d.,/]*(?:\s+\d+\/\d+)?|[½¼¾]|\b(?:one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|forty-five|sixty|ninety)\b)/giu;

/** The middle of a number or a range, and how many characters it took. */
function middle(text: string): { readonly value: number; readonly length: number } | null {
  const n = readNumber(text);
  if (!n) return null;
  const low = n.low.valueOf();
  return { value: (low + (n.high?.valueOf() ?? low)) / 2, length: n.length };
}

interface Time {
  readonly min: number;
  readonly at: number;
  readonly end: number;
}

/** Every length of time in a clause, minutes, in the order they stand. */
function timesIn(text: string): readonly Time[] {
  const out: Time[] = [];
  for (const [re, min] of MINUTES) {
    const m = re.exec(text);
    if (m && !out.some((t) => m.index < t.end && m.index + m[0].length > t.at))
      out.push({ min, at: m.index, end: m.index + m[0].length });
  }
  for (const m of text.matchAll(AMOUNT_WORD)) {
    if (out.some((t) => m.index < t.end && m.index >= t.at)) continue;
    const n = middle(text.slice(m.index));
    if (!n) continue;
    const rest = text.slice(m.index + n.length);
    const more = /^\s+more(?=\s)/i.exec(rest)?.[0] ?? '';
    const per = PER.find(([re]) => re.test(rest.slice(more.length)));
    const unit = per?.[0].exec(rest.slice(more.length))?.[0] ?? '';
    if (per) out.push({ min: n.value * per[1], at: m.index, end: m.index + n.length + more.length + unit.length });
  }
  return out.sort((a, b) => a.at - b.at);
}

const whole = (x: number): number => Math.round(x * 100) / 100;

/** What rests: the first that the clause, or else its sentence, speaks of. */
const RESTS_OF: readonly (readonly [RegExp, string])[] = [
  [/\b(?:melted )?butter\b(?![^,;.]{0,20}\bbatter)/i, 'butter'],
  [/\b(?:filling|sauce|compote|fruit)\b/i, 'filling'],
  [/\bdough\b/i, 'dough'],
  [
    /\b(?:wet (?:part|mix(?:ture)?|ingredients)|milk|buttermilk|oats|egg mix(?:ture)?)\b(?![^,;.]{0,30}\bbatter)/i,
    'wet',
  ],
  [/\b(?:rack|pieces?|pancakes?|waffles?|crepes?|cakes?)\b(?![^,;.]{0,20}\bbatter)/i, 'piece'],
  [/\b(?:pan|skillet|griddle|iron)\b/i, 'pan'],
];
const RESTS =
  /\b(?:rest|rests|resting|rested|stand|stands|standing|sit|sits|sitting|leave|set aside|put (?:it )?aside|soak|steep|prove|let (?:it|the batter|them|the mixture|everything) (?:be|alone|go))\b/i;
const CHILLS = /\b(?:chill|chills|chilled|refrigerate|refrigerated|fridge|refrigerator|cold place|ice ?box)\b/i;
const COOLS = /\bcool(?:s|ed)?\b/i;
const NO_REST = /\b(?:bubbles?|stand(?:s|ing)? (?:mixer|up|out)|rest of|the rest|sit down|left ?overs?)\b/i;

function restsIn({ text, sentence, taken }: Clause, then: Clause | undefined): readonly ToldFact[] {
  const chills = CHILLS.test(text);
  if (!chills && !COOLS.test(text) && (!RESTS.test(text) || NO_REST.test(text))) return [];
  // "let it rest, some ten minutes"
  const after = then?.sentence === sentence && /^(?:some|about|for|at least|say)\b/i.test(then.text) ? then.text : '';
  const time = timesIn(text)[0] ?? timesIn(after)[0];
  if (!time) return [];
  const what = text.replace(/\b(?:while|until|till)\b.*/i, '');
  const inButter = COOLS.test(text) && /\bbutter\b/i.test(sentence);
  const of = RESTS_OF.find(([re]) => re.test(what))?.[1] ?? (inButter ? 'butter' : 'batter');
  if (of === 'pan' || (COOLS.test(text) && !chills && of === 'batter')) return [];
  const fact = chills ? 'chill' : 'rest';
  return [{ fact, value: whole(time.min), unit: 'min', of: chills ? null : of, words: text, taken }];
}

const F_TO_C = (f: number): number => (5 * (f - 32)) / 9;
const GAS_C = (mark: number): number => (mark < 1 ? 120 : 121 + 14 * mark);
const OVEN = /\b(?:oven|bake|baked|roast)\b/i;
const HOLDING = /\b(?:keep (?:them |it )?warm|hold|holding|kept warm|warm(?:ing)? (?:drawer|oven))\b/i;
const SURFACE = /\b(?:griddle|pan|skillet|iron|waffle maker|hot ?plate|plate|surface|stone|grill|oil)\b/i;
const LIQUID = /\b(?:milk|water|buttermilk|cream|lukewarm|liquid)\b/i;

/** What a heat is of: the thing nearest before it, or else behind. */
function heatOf(text: string, sentence: string, at: number): string {
  if (HOLDING.test(text)) return 'holding';
  const kinds: readonly (readonly [RegExp, string])[] = [
    [OVEN, 'oven'],
    [SURFACE, 'surface'],
    [LIQUID, 'milk'],
  ];
  const near = kinds
    .flatMap(([re, of]) => [...text.matchAll(new RegExp(re, 'gi'))].map((m) => ({ of, far: Math.abs(m.index - at) })))
    .sort((a, b) => a.far - b.far)[0];
  return near?.of ?? kinds.find(([re]) => re.test(sentence))?.[1] ?? 'surface';
}

function heatsIn({ text, sentence, taken }: Clause): readonly ToldFact[] {
  const out: ToldFact[] = [];
  const put = (value: number, at: number): void => {
    if (value >= 20 && value <= 320)
      out.push({
        fact: 'heat',
        value: Math.round(value),
        unit: 'C',
        of: heatOf(text, sentence, at),
        words: text,
        taken,
      });
  };
  const gas = /\bgas (?:mark )?(\d{1,2}(?:\/\d)?)\b/i.exec(text);
  const degrees = [
    ...text.matchAll(
      /(\d{2,3})(?:\s*(?:-|–|to)\s*(\d{2,3}))?\s*(?:°|º|degrees?\s*)?\s*([CF])?\b(?!\s*(?:g|ml|kg|%|min|sec|cm|people|pieces))/gi,
    ),
  ];
  // one heat said twice: "180 C / 350 F"
  let last: number | null = null;
  for (const m of degrees) {
    const [all, a = '', b, unit] = m;
    const marked = unit !== undefined || /°|º|degree/i.test(all);
    const n = (Number(a) + Number(b ?? a)) / 2;
    const heats =
      OVEN.test(text) || SURFACE.test(text) || HOLDING.test(text) || /\b(?:heat|preheat|hot)\b/i.test(sentence);
    if (!marked && !(heats && n >= 100 && /^\d{3}$/.test(a))) continue;
    const f = unit ? /f/i.test(unit) : n > 260 || (SURFACE.test(text) && n >= 300);
    const c = f ? F_TO_C(n) : n;
    if (last !== null && Math.abs(c - last) < 12) continue;
    last = c;
    put(c, m.index);
  }
  if (gas && out.length === 0) put(GAS_C(Number(readNumber(gas[1] ?? '')?.low.valueOf() ?? 0)), gas.index);
  const dial =
    /\b(low|medium|moderate|high)(?:(?:\s*(?:-|–|to)\s*|\s+)(low|high|hot|medium))?\s*(?:heat|flame|setting)?\b/i.exec(
      text,
    );
  if (
    dial &&
    out.length === 0 &&
    (/\b(?:heat|flame|setting|burner|hob|stove)\b/i.test(text) || (SURFACE.test(text) && dial[2]))
  )
    out.push({
      fact: 'dial',
      value: dial[0]
        .replace(/\s*(?:heat|flame|setting)$/i, '')
        .replace(/\s*(?:-|–)\s*/, ' ')
        .toLowerCase()
        .trim(),
      unit: null,
      of: 'surface',
      words: text,
      taken,
    });
  return out;
}

const EACH_SIDE = /\b(?:a|per|each|on each|each on|on either|on both|both|for each)\s+sides?\b|\ba side\b/i;
const COOKS = /\b(?:cook|fry|brown|bake|griddle|give (?:it|them)|leave (?:it|them)|let (?:it|them) (?:cook|brown))\b/i;
const TURNED = /\b(?:turn|flip|other side|second side|(?:then|and) (?:about )?(?:one|two|three|\d))\b/i;

/** Minutes on the heat, over a sentence: both sides, the first and then the second, or a bake. */
function sidesIn(clauses: readonly Clause[]): readonly ToldFact[] {
  const out: ToldFact[] = [];
  const put = (fact: 'firstSide' | 'secondSide' | 'bake', min: number, c: Clause): void => {
    out.push({ fact, value: whole(min), unit: 'min', of: null, words: c.text, taken: c.taken });
  };
  let first: Clause | null = null;
  for (const [n, c] of clauses.entries()) {
    const same = n > 0 && clauses[n - 1]?.sentence === c.sentence;
    if (!same && !TURNED.test(c.text)) first = null;
    const times = timesIn(c.text);
    const [time] = times;
    // "the first side three minutes and the second one"
    const second = /\bsecond(?: side)?\s+(?:for\s+)?(?:about\s+)?/i.exec(c.text);
    const last =
      time && second && time.at < second.index ? middle(c.text.slice(second.index + second[0].length)) : null;
    if (time && last) {
      put('firstSide', time.min, c);
      put('secondSide', last.value, c);
      continue;
    }
    if (RESTS.test(c.text) && !COOKS.test(c.text)) continue;
    if (time && EACH_SIDE.test(c.text)) {
      put('firstSide', time.min, c);
      put('secondSide', times[1]?.min ?? time.min, c);
      first = null;
      continue;
    }
    if (first && (time || /^(?:about\s+)?(?:one|two|three|\d)/i.test(c.text))) {
      const min = time?.min ?? middle(c.text.replace(/^about\s+/i, ''))?.value;
      if (min !== undefined && min <= 15 && (TURNED.test(c.text) || TURNED.test(c.sentence) || same)) {
        put('secondSide', min, c);
        first = null;
        continue;
      }
    }
    const cooks =
      COOKS.test(c.sentence) ||
      (TURNED.test(c.sentence) && /^(?:about\s+)?(?:\d|one|two|three|four|five)/i.test(c.text));
    if (!time || !cooks) continue;
    if (OVEN.test(c.text) || /\b(?:iron|waffle)\b/i.test(c.text)) put('bake', time.min, c);
    else if (
      TURNED.test(c.sentence.slice(c.sentence.indexOf(c.text) + c.text.length)) ||
      clauses[n + 1]?.text.match(TURNED)
    ) {
      put('firstSide', time.min, c);
      first = c;
    } else put('firstSide', time.min, c);
  }
  return out;
}

const POURS =
  /\b(?:ladle|pour|drop|scoop|spoon|use|portion|measure|put|give|for each|per (?:cake|pancake|waffle|crepe)|each|apiece|a piece|at a time|of batter)\b/i;
const PER_PIECE =
  /\b(?:(?:for|per) (?:each|every|one|a|cake|pancake|waffle|crepe|piece)|apiece|a piece|each|at a time|(?:of )?(?:the )?batter|and (?:swirl|tilt|spread)|portions?|scoops?|ladles?(?:ful)?)\b/i;

function portionsIn({ text, taken }: Clause, house: KitchenConventions): readonly ToldFact[] {
  const width =
    /(\d+(?:[.,]\d+)?|\b(?:two|three|four|five|six|seven|eight|nine|ten|twelve)\b)(?:\s*(?:-|–|to)\s*(\d+))?[\s-]*(cm|centimet(?:re|er)s?|inch(?:es)?|in\.|")[\s-]*(?:wide|across|in diameter|circles?|rounds?|pancakes?|cakes?|discs?|pools?|puddles?|thick)?/i.exec(
      text,
    );
  const out: ToldFact[] = [];
  const apart = /\b(?:pan|skillet|griddle|thick|apart|deep|high|whisk)\b/i;
  if (
    width &&
    !/\bthick\b/i.test(width[0]) &&
    !apart.test(text.slice(width.index + width[0].length, width.index + width[0].length + 14))
  ) {
    const n = middle(text.slice(width.index))?.value;
    if (n && /wide|across|diameter|circle|round|cake|disc|pool|puddle/i.test(text))
      out.push({
        fact: 'width',
        value: whole(/^c/i.test(width[3] ?? '') ? n : 2.54 * n),
        unit: 'cm',
        of: 'piece',
        words: text,
        taken,
      });
  }
  if (!POURS.test(text) || !PER_PIECE.test(text)) return out;
  const scoop =
    /#\s?(\d{1,2})\s*(?:scoop|disher)/i.exec(text) ?? /\b(?:no\.?|number)\s?(\d{1,2})\s*(?:scoop|disher)/i.exec(text);
  const scooped = scoop ? unitById(`scoop-${scoop[1]}`) : undefined;
  const ml = scooped ? mlOf(scooped, house)?.valueOf() : undefined;
  if (ml !== undefined)
    return [
      ...out,
      { fact: 'portion', value: Math.round(1000 * ml) / 1000, unit: 'ml', of: 'piece', words: text, taken },
    ];
  const start =
    /(?:\b(?:about|a bit under|a bit less than|a little (?:less|under)|just under|scant|half[- ]full|(?:half|two[- ]thirds|three[- ]quarters|a third) of (?:a|the)|a|an|one|two|three|four|half)\b|[\d½¼¾⅓⅔])/gi;
  for (const m of text.matchAll(start)) {
    const said = text.slice(m.index);
    const part = /^(half[- ]full|(?:half|two[- ]thirds|three[- ]quarters|a third) of (?:a|the))\s+/i.exec(said);
    const share = part
      ? /half/i.test(part[0])
        ? 0.5
        : /two/i.test(part[0])
          ? 2 / 3
          : /three/i.test(part[0])
            ? 0.75
            : 1 / 3
      : 1;
    const under = /^(?:a bit under|a bit less than|a little (?:less|under)(?: than)?|just under|scant)\s+/i.exec(said);
    const bare = `${part && /\ba$/i.test(part[0].trim()) ? '1 ' : ''}${said.slice((part ?? under)?.[0].length ?? 0)}`
      .replace(/^about\s+/i, '')
      .replace(/^(?:a\s+)?quarter\b/i, '1/4')
      .replace(/^(?:a\s+)?third\b/i, '1/3')
      .replace(/^(\d\/\d|[½¼⅓⅔¾])\s+of a\s+/i, '$1 ');
    const read = readAmount(bare);
    const term = read?.amount.terms[0];
    const unit = term?.unit ? unitById(term.unit) : undefined;
    if (!read || !term || !unit || unit.dimension === 'mass') continue;
    // what is put into the batter is no portion of it
    const after = bare.slice(read.length).replace(/^\s*(?:measure|cup|scoop|ladle|jug|of)\b/i, '');
    const thing = /^\s*(?:of\s+)?(?:the\s+)?(\p{L}+)/u.exec(after)?.[1] ?? '';
    if (
      thing &&
      !/^(?:batter|measure|scoop|ladle|mix(?:ture)?|for|per|each|apiece|a|at|in|into|on|onto|of|portions?|is|makes?|and)$/i.test(
        thing,
      )
    )
      continue;
    const each = mlOf(unit, house)?.valueOf();
    if (each === undefined) {
      out.push({
        fact: 'portion',
        value: bare.slice(0, read.length).trim(),
        unit: null,
        of: 'piece',
        words: text,
        taken: taken === 'told' ? 'asked' : taken,
      });
      return out;
    }
    const value = share * each * ((term.low.valueOf() + (term.high ?? term.low).valueOf()) / 2);
    if (value < 5 || value > 500) continue;
    out.push({
      fact: 'portion',
      value: Math.round(1000 * (under ? 0.9 * value : value)) / 1000,
      said: said.slice(0, said.length - bare.length + read.length).trim(),
      unit: 'ml',
      of: 'piece',
      words: text,
      taken: under && taken === 'told' ? 'asked' : taken,
    });
    return out;
  }
  return out;
}

const FAT_NAME =
  '(butter and (?:a little )?oil|clarified butter|ghee|(?:melted |soft(?:ened)? |foaming )?butter|(?:[a-z]+ )?oil|lard|dripping|bacon (?:fat|drippings?)|bacon grease|cooking spray|spray|margarine|fat)';
const PAN_FAT: readonly RegExp[] = [
  new RegExp(
    `\\b(?:fry|fried|cook|cooked|brown|bake)\\b[^,;.]{0,40}\\bin\\s+((?:a (?:little|knob of|spoon of|bit of|film of)|some|hot|foaming|plenty of|\\d[\\d/. ]*\\s*(?:g|tbsp|tsp|tablespoons?|teaspoons?)(?: of)?)?\\s*)${FAT_NAME}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:grease|brush|wipe|rub|coat|film|spray|oil|butter)(?: it| them| the (?:hot )?(?:pan|griddle|skillet|iron|plate)| (?:a|an|your) (?:[a-z]+ )?(?:pan|griddle|skillet|iron))?(?: (?:lightly|well|thinly|again|between batches))?\\s+(?:with|in)\\s+((?:a (?:little|knob of|film of|bit of|cloth dipped in)|some|the)?\\s*)${FAT_NAME}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:heat|melt|warm|swirl|add|put)\\s+((?:a (?:little|knob of|spoon of|bit of|teaspoon of|tablespoon of)|some|\\d[\\d/. ]*\\s*(?:g|tbsp|tsp|tablespoons?|teaspoons?)(?: of)?)?\\s*(?:the\\s+)?)${FAT_NAME}\\b[^,;.]{0,20}\\b(?:in|to|into|on|over) (?:a|an|the|your) (?:[a-z-]+ ){0,2}(?:pan|skillet|griddle|iron|plate)\\b`,
    'i',
  ),
];
const FAT_IDS: readonly (readonly [RegExp, string])[] = [
  [/clarified|ghee/i, 'butter-clarified'],
  [/butter/i, 'butter-unsalted'],
  [/olive/i, 'oil-olive'],
  [/coconut/i, 'oil-coconut'],
  [/lard/i, 'lard'],
  [/dripping|bacon/i, 'tallow'],
  [/margarine/i, 'margarine'],
  [/spray|oil|fat/i, 'oil-vegetable'],
];

function panFatIn({ text, taken }: Clause): readonly ToldFact[] {
  if (/\b(?:dry|ungreased|no fat|without (?:any )?fat)\b/i.test(text) && SURFACE.test(text))
    return [{ fact: 'panFat', value: 'none', unit: null, of: 'dry', words: text, taken }];
  const said = PAN_FAT.map((re) => re.exec(text)).find((m) => m !== null);
  const verb = /\b(butter|oil|grease)\s+(?:the|a|your)\s+(?:hot\s+)?(?:pan|griddle|skillet|iron|plate)\b/i.exec(text);
  const lightly = /\b(?:lightly|well)[- ](oiled|buttered|greased)\b[^,;.]{0,30}\b(?:pan|griddle|skillet|iron)\b/i.exec(
    text,
  );
  const fat = said?.[2] ?? verb?.[1] ?? lightly?.[1];
  if (!fat) return [];
  const id = FAT_IDS.find(([re]) => re.test(fat))?.[1];
  const how = (said?.[1] ?? '').trim() || (lightly ? lightly[0].split(/[- ]/)[0]?.toLowerCase() : '') || 'greased';
  // greased, and nobody says with what
  if (!id)
    return [
      { fact: 'panFat', value: 'any', unit: null, of: how, words: text, taken: taken === 'told' ? 'asked' : taken },
    ];
  return [{ fact: 'panFat', value: id, unit: null, of: how, words: text, taken }];
}

/** Facts that one word tells, in their order; of each the first that is found in a clause. */
const WORDS: readonly { readonly fact: FactId; readonly value: string; readonly is: RegExp }[] = [
  {
    fact: 'whites',
    value: 'firm',
    is: /\b(?:firm|stiff)(?:\s+\w+)?\s+(?:peaks?|foam|snow)\b|\bbeaten stiff\b|\bwhites?\b[^,;.]{0,30}\bstiff\b|\bstiffly beaten\b/i,
  },
  { fact: 'whites', value: 'soft', is: /\bsoft(?:\s+\w+)?\s+peaks?\b/i },
  {
    fact: 'fold',
    value: 'thirds',
    is: /\bfold\b[^;.]{0,60}\b(?:thirds|three (?:goes|additions|batches|lots|parts)|a third at a time)\b|\bin three (?:goes|additions|batches|lots|parts)\b/i,
  },
  {
    fact: 'fold',
    value: 'once',
    is: /\bfold\b[^;.]{0,40}\b(?:whites?|foam|meringue|together)\b|\bfold (?:it|them) in\b/i,
  },
  { fact: 'mix', value: 'blender', is: /\b(?:blender|food processor|liquidi[sz]er|blitz)\b/i },
  {
    fact: 'mix',
    value: 'smooth',
    is: /\b(?:until|till) (?:it is |very |quite |perfectly )?smooth\b|\bno lumps?\b|\blump[- ]free\b|\bsmooth batter\b/i,
  },
  {
    fact: 'mix',
    value: 'just',
    is: /\b(?:until|till) just (?:combined|mixed|together|blended)\b|\bjust (?:until|till|enough)\b|\blumps? (?:are fine|are ok|stay|is fine|remain|are good)\b|\b(?:leave|some|few|small) (?:the )?lumps\b|\b(?:stays?|still|leave it) lumpy\b/i,
  },
  { fact: 'turns', value: 'quarters', is: /\bquarter[- ]turns?\b/i },
  {
    fact: 'turns',
    value: 'several',
    is: /\b(?:keep turning|turn (?:them )?(?:often|several times|constantly|again and again))\b/i,
  },
  { fact: 'turns', value: 'once', is: /\b(?:flip|turn) (?:it |them )?(?:only |just )?once\b/i },
];
const AHEAD =
  /\b(?:the (?:night|day|evening) before|a day ahead|(?:the )?(?:previous|evening) (?:night|day)|ahead of time|up to (?:a|one|two|\d) days? (?:ahead|before)|in advance)\b/i;

function wordsIn({ text, taken }: Clause): readonly ToldFact[] {
  const out: ToldFact[] = [];
  for (const { fact, value, is } of WORDS) {
    if (out.some((f) => f.fact === fact) || !is.test(text)) continue;
    // "no lumps" and "never lumpy" deny nothing that is done
    out.push({ fact, value, unit: null, of: null, words: text, taken });
  }
  const ahead = AHEAD.exec(text);
  // that it can wait is told, whether it does or not
  const can = DENIED.test(text) ? taken : 'told';
  if (ahead) out.push({ fact: 'ahead', value: ahead[0].toLowerCase(), unit: null, of: null, words: text, taken: can });
  return out;
}

const MOMENTS: readonly (readonly [RegExp, string])[] = [
  [
    /\b(?:sprinkle|scatter|dot|press|drop|arrange|lay|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into|in)\b[^,;.]{0,30}\b(?:before (?:you )?(?:turn|flip))/i,
    'turned',
  ],
  [
    /\b(?:sprinkle|scatter|dot|press|drop|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into)\s+(?:the\s+)?(?:(?:raw|wet|poured)\s+)?(?:batter|face|cakes?|pancakes?|each|them)/i,
    'poured',
  ],
  [/\b(?:lay|arrange|place)\s+(?:a few |some |the )?([a-z -]{3,30}?)\s+(?:on top|over the top)/i, 'topped'],
  [/\bfold in (?:a few |some |the )?([a-z -]{3,30}?)(?:\s+(?:last|at the end|gently|after|just before)|$)/i, 'folded'],
];

function momentsIn({ text, taken }: Clause, house: KitchenConventions): readonly ToldFact[] {
  const before = /\b(?:just )?before (?:you )?(?:turn|flip)/i.test(text);
  for (const [re, moment] of MOMENTS) {
    const m = re.exec(text);
    const i = m?.[1] ? readLine(m[1].trim(), house).ingredient : null;
    if (i && i.id !== 'egg-white')
      return [{ fact: 'moment', value: before ? 'turned' : moment, unit: null, of: i.id, words: text, taken }];
  }
  return [];
}

/** All that a card's notes tell, each once: what is told before what is asked, and both before remarks. */
export function factsTold(notes: string, house: KitchenConventions): readonly ToldFact[] {
  const clauses = clausesOf(notes);
  const all: ToldFact[] = [
    ...clauses.flatMap((c, n) => [
      ...restsIn(c, clauses[n + 1]),
      ...portionsIn(c, house),
      ...heatsIn(c),
      ...panFatIn(c),
      ...wordsIn(c),
      ...momentsIn(c, house),
    ]),
    ...sidesIn(clauses),
  ];
  const claim = yieldClaim(notes);
  if (claim) all.push({ fact: 'pieces', value: claim.pieces, unit: null, of: null, words: claim.text, taken: 'told' });
  const serves = servingClaim(notes);
  if (serves)
    all.push({ fact: 'serves', value: serves.people, unit: null, of: null, words: serves.text, taken: 'told' });
  const seen = new Set<string>();
  return [...all]
    .sort((a, b) => TAKEN.indexOf(a.taken) - TAKEN.indexOf(b.taken))
    .filter((f) => {
      const key = `${f.fact} ${f.value} ${f.of}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}
