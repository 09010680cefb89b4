/**
 * Talk in the words that amounts are read in: numbers as they are said ("two fifty grams"), an amount behind its thing or
 * put right by who tells, eggs that are parted. No amount is added that was not told.
 */
import { capital } from '../quantity/say';
import { COUNT_WORDS } from './items';
import { figureOf } from './told/spoken';

/** "1 dl sugar? no, half a dl": what is said last. */
const PUT_RIGHT =
  /(?<![\p{L}\d])(?:[\d.,½¼¾⅓⅔]+|an?|half an?|two|three|four|five) (\p{L}+) (?:of )?(\p{L}+(?: \p{L}+)?)\? (?:no|nope|sorry|wait)[,:]? (?:make (?:it|that) |it[’']s |that[’']s )?((?:[\d.,½¼¾⅓⅔]+|an?|half an?|two|three|four|five) \1)(?!\p{L})(?: (?:of )?\2(?!\p{L}))?/giu;
/** How much of a thing, in talk. */
const SO_MUCH = String.raw`(?:(?:about|around|roughly|nearly|almost) )?(?:an?|half an?|one|two|three|four|[\d.½¼¾⅓⅔]+)(?: and a (?:half|quarter))? (?:pints?|cups?|mugs?|ml|millilit(?:re|er)s|lit(?:re|er)s?|grams?|g|ounces?|glass(?:es)?)`;
const IS_THAT = `(?:(?:so|that[’']s|it[’']s|which is|say|usually|maybe|probably|i (?:think|guess)) )`;
/** "Two fifty grams": 250. */
const HUNDRED_AND =
  /\b(one|two|three|four|five|six|seven|eight|nine) (ten|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)(?:[- ](five))?(?= (?:grams?|g|mils?|ml|millilit(?:re|er)s?)\b)/giu;
/** "I'm using buttermilk, two cups of that", "a tub of ricotta that's 250 grams": the thing with its amount. */
const OF_THAT = new RegExp(
  String.raw`\b((?:butter)?milk|yogh?urt|kefir|water|flour|oil|butter|sugar|honey|syrup|cream|oats|ricotta|cottage cheese),? (?:and )?(?:i (?:take|use|put in) )?(${SO_MUCH}) of (?:that|it|those|them)\b`,
  'giu',
);
const TUB_IS = new RegExp(
  String.raw`\b(?:an?|one|the) (?:small |big |whole )?(?:tub|pot|carton|packet|bag|tin|can|jar|box) of (\p{L}+(?: (?:cheese|milk|cream|puree))?),? ${IS_THAT}+(${SO_MUCH})(?! of\b)(?![\p{L}\d])`,
  'giu',
);
/** "Enough milk to make a thick batter, about half a pint": how much that is. */
const ENOUGH_IS = new RegExp(
  String.raw`\b(?:enough|some|add|(?:pour|put|stir|beat|whisk) in)(?: the)? ((?:butter)?milk|water|flour|cream|beer)(?: (?:to|for|so|until|till)\s[^,.;]{3,45})?,? ${IS_THAT}*(${SO_MUCH})(?! of\b)(?![\p{L}\d])`,
  'giu',
);
/** "One point two kilos": 1.2. */
const POINT_OF = new RegExp(
  String.raw`(?<!\p{L})(nought|zero|oh|\d+|${COUNT_WORDS}) point ((?:(?:nought|zero|oh|one|two|three|four|five|six|seven|eight|nine|\d)[ -]?)+)(?=(?:of an? )?(?:kilos?|kilograms?|kg|lit(?:re|er)s?|l|grams?|g|pounds?|pints?|cups?|ounces?|inch(?:es)?|cm|centimet(?:re|er)s?|minutes?)(?!\p{L}))`,
  'giu',
);
/** "Hundred grams of rye": a hundred. */
const A_HUNDRED =
  /(?<=(?:^|[,;.:]\s|\b(?:and|then|with|add|another|plus)\s))hundred(?=\s+(?:(?:of\s+)?(?:g|grams?|ml|mils?|millilit(?:re|er)s?)\b|and\s+(?:ten|fifteen|[a-z]+ty)\b|of\s+(?!them|us|these|those|people)\p{L}))/giu;
const digitOf = (word: string): string =>
  /^(?:nought|zero|oh)$/i.test(word) ? '0' : /^\d/.test(word) ? word : String(figureOf(word));

/** "120 g plain", "two cups of plain": flour, where no other word follows. */
const PLAIN = new RegExp(
  String.raw`(?<=(?:\d ?|(?<!\p{L})(?:${COUNT_WORDS}|an?|half a) )(?:g|grams?|oz|ounces?|cups?|mugs?|lbs?|kg|kilos?) (?:of )?plain)(?=\s*(?:[,.;]|\b(?:and|then)\b|$))`,
  'giu',
);
/** "3 Eier im Wechsel": how it goes in. */
const IN_TURN = /,?\s+(?:im Wechsel|nach und nach)\b/giu;

/** "For a dozen smallish ones I want two cups": how many it makes is a sentence of its own, and no part of the amount. */
const FOR_SO_MANY = new RegExp(
  String.raw`(?<!\p{L})for (?:about |around )?(?:an?|half a|\d{1,2}|${COUNT_WORDS})(?: dozen)? (?:\p{L}+ )?(?:ones|pancakes|cakes|waffles|cr[eê]pes|blinis?|people|of us),? (?=(?:i|we|you)\b)`,
  'giu',
);

/** "That's too many eggs, so I use four": of eggs. */
const SO_MANY_EGGS = new RegExp(
  String.raw`\b(?:too many|a lot of|more) eggs\b[^.;]{0,20}\b(?:i|we) (?:only |just )?(?:use|take|put in) (?:\d|${COUNT_WORDS})(?=\s*(?:[,.;!]|$))`,
  'giu',
);
/** "260 flour, 35 sugar, all grams": numbers alone, and their unit behind them. */
const ALL_GRAMS =
  /[,;]?\s+(?:(?:that[’']s |this is )?all (?:in )?|everything(?:[’']s)? (?:is )?in |in )grams(?=\s*(?:[.!;]|$))/iu;
const BARE_NUMBER =
  /(?<![\p{L}\d.,/])(\d{1,4}(?:[.,]\d)?)(?=\s+(?!g\b|gr|ml\b|kg\b|eggs?\b|yolks?\b|whites?\b|min|sec|hour|cups?\b|tsps?\b|tbsps?\b|oz\b)\p{L}{3,})/giu;
const inGramsAll = (sentence: string): string => {
  const all = ALL_GRAMS.exec(sentence);
  const list = all ? sentence.slice(0, all.index) : '';
  return list.match(BARE_NUMBER) === null
    ? sentence
    : `${list.replace(BARE_NUMBER, '$1 g')}${sentence.slice(list.length + (all?.[0].length ?? 0))}`;
};

/** "In the bowl with the flour on top": on what is in it already, and no topping. */
const IN_A_BOWL = /\b(?:bowl|jug|blender|mixer|tub|bucket|basin)\b/i;
const ON_TOP = / on top(?! of\b)/i;

/** "Three eggs, but the whites you keep": separated. */
const WHITES_KEPT =
  /(?<=\beggs),? (?:but |and )?(?:(?:you |i |we )?(?:keep|save|reserve|hold) (?:back )?the whites|the whites (?:you|i|we) (?:keep|save|reserve))(?: back| aside| apart)?\b/i;

/** "Zwei Eier trennen", "séparer deux œufs", "separar dos huevos". */
const EGGS_PARTED =
  /(?:(?<!\p{L})(?:séparer|séparez|separar|separe|separa)\s+)((?:\p{L}+|\d{1,2}) (?:œufs|oeufs|huevos))(?!\p{L})|((?:\p{L}+|\d{1,2}) Eier)\s+trennen(?!\p{L})/giu;

/** "600 ml water but I use 550": the cook's own amount. */
const BUT_I_USE =
  /(?<![\p{L}\d.,])\d+(?:[.,]\d+)? ?(g|ml|l|cups?|tbsp|tsp|oz)(?:\.)? (of )?(\p{L}+(?: \p{L}+)?),? but (?:i|we) (?:only |just |always )?(?:use|put in|put|take|add) (\d+(?:[.,]\d+)?)(?= ?(?:\1)?(?:[,.;]| and\b|$))(?: ?\1(?!\p{L}))?/giu;

export const reworded = (text: string): string =>
  text
    .split(/(?<=[.!?])\s+/)
    .map((sentence) => inGramsAll(IN_A_BOWL.test(sentence) ? sentence.replace(ON_TOP, '') : sentence))
    .join(' ')
    .replace(/(?<![\p{L}\d])(\d+)[ -]?ish\b/giu, 'about $1')
    .replace(A_HUNDRED, 'a hundred')
    .replace(/\banother a hundred\b/gi, 'a hundred')
    .replace(WHITES_KEPT, ', separated')
    .replace(EGGS_PARTED, (_, eggs?: string, eier?: string) => `${eggs ?? eier}, separated`)
    .replace(
      BUT_I_USE,
      (_, unit: string, of: string | undefined, thing: string, own: string) => `${own} ${unit} ${of ?? ''}${thing}`,
    )
    .replace(SO_MANY_EGGS, '$& eggs')
    .replace(FOR_SO_MANY, (all: string, at: number, whole: string) =>
      at > 0 && !/[.!?]\s+$/.test(whole.slice(0, at))
        ? ''
        : `${all
            .trim()
            .replace(/,$/, '')
            .replace(/^for(?!.*\b(?:people|of us)$)/i, 'Makes')}. `,
    )
    .replace(/(?<=[.!?] )(?:you|we)(?= )/g, capital)
    .replace(PLAIN, ' flour')
    .replace(IN_TURN, '')
    .replace(
      POINT_OF,
      (_, whole: string, part: string) => `${digitOf(whole)}.${part.trim().split(/[ -]/).map(digitOf).join('')} `,
    )
    .replace(PUT_RIGHT, (_, __, thing: string, amount: string) => `${amount} ${thing}`)
    .replace(HUNDRED_AND, (_, hundreds: string, tens: string, five?: string) =>
      String(100 * figureOf(hundreds) + figureOf(tens) + figureOf(five)),
    )
    .replace(OF_THAT, (_, thing: string, amount: string) => `${amount} ${thing}`)
    .replace(TUB_IS, (_, thing: string, amount: string) => `${amount} ${thing}`)
    .replace(ENOUGH_IS, (_, thing: string, amount: string) => `${amount} ${thing}`);
