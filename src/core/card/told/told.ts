/**
 * What a card's method tells, fact by fact: rests, portions, heat, minutes, pan fat, peaks. A sentence is read clause
 * by clause: what is denied, left to taste, or said of other people's ways is a remark and no fact; and what a rest, a
 * heat or a fat is of decides where it belongs.
 */
import type { KitchenConventions } from '../../pantry/conventions';
import { readLine } from '../line';
import { servingClaim, yieldClaim } from '../method';
import { type Clause, clausesOf, isDenied, TAKEN, type ToldFact, timesIn } from './clause';
import { heatsIn, OVEN, speaksFahrenheit } from './heat';
import { BITS, mixingIn, saidByDenial, tellsOfFoam } from './mixing';
import { panFatIn } from './pan-fat';
import { portionsTold } from './portion';
import { restAlone, restsIn } from './rests';
import { sidesIn } from './sides';

/** How pieces are turned, by the words for it. */
const TURNS: readonly { readonly value: string; readonly is: RegExp }[] = [
  { value: 'quarters', is: /\bquarter[- ]turns?\b|\bturn (?:them |it |each (?:one )?)?(?:by )?(?:a )?quarters?\b/i },
  {
    value: 'several',
    is: /\b(?:(?:flip|turn) (?:it |them )?every \d+ (?:seconds|s)|keep (?:on )?(?:turning|flipping)|turn (?:them )?(?:often|several times|constantly|again and again))\b/i,
  },
  {
    value: 'once',
    is: /\b(?:flip|turn) (?:it |them )?(?:only |just )?(?:the )?once\b(?! (?:the|it|they|you|bubbles?|edges?|golden|brown|set|dry|its|their))|\b(?:one|a single) (?:turn|flip) only\b|\bonly one (?:turn|flip)\b|^one (?:turn|flip)$|\bnever (?:flip|turn) (?:it |them )?twice\b/i,
  },
];
const AHEAD =
  /\b(?:the (?:night|day|evening) before|a day ahead|(?:the )?(?:previous|evening) (?:night|day)|am vorabend|am abend (?:vorher|zuvor)|einen tag (?:vorher|im voraus)|la veille|la víspera|la noche anterior|un día antes|ahead of time|up to (?:a|one|two|\d) days? (?:ahead|before)|in advance)\b/i;

function wordsIn(c: Clause): readonly ToldFact[] {
  const { text, taken } = c;
  const turns = TURNS.find((t) => t.is.test(text));
  // a denial may be what is done
  const done = saidByDenial(text) ? 'told' : taken;
  const out = [...mixingIn(c), ...(turns ? [['turns', turns.value] as const] : [])].map(
    ([fact, value]): ToldFact => ({ fact, value, unit: null, of: null, words: text, taken: done }),
  );
  const ahead = AHEAD.exec(text);
  // that it can wait is told, whether it does or not
  const can = isDenied(text) ? taken : 'told';
  if (ahead) out.push({ fact: 'ahead', value: ahead[0].toLowerCase(), unit: null, of: null, words: text, taken: can });
  return out;
}

const MOMENTS: readonly (readonly [RegExp, string])[] = [
  [
    /\b(?:sprinkle|scatter|dot|press|drop|arrange|lay|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over |\d+ |two |three |four )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into|in)\b[^,;.]{0,30}\b(?:before (?:you )?(?:turn|flip))/i,
    'turned',
  ],
  [
    /\b(?:sprinkle|scatter|dot|press|drop|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into)\s+(?:the\s+)?(?:(?:raw|wet|poured)\s+)?(?:batter|face|side|top|cakes?|pancakes?|each|them)/i,
    'poured',
  ],
  [
    /\b(?:dot|sprinkle|scatter) (?:it |them |each )?with (?:a few |some )?([a-z -]{3,30}?)\s+(?:just )?before (?:you )?(?:turn|flip)/i,
    'turned',
  ],
  [/\b(?:drop|scatter|sprinkle) (?:a few |some )?([a-z -]{3,30}?)\s+onto each\b/i, 'poured'],
  [
    /^(?:throw|put|scatter|drop|sprinkle) (?:a few |some |the )?([a-z -]{3,30}?) on (?:as soon as|once|when) (?:it|the batter|they)(?:[’']s| is| are)? (?:poured|on|in)\b/i,
    'poured',
  ],
  [/^(?:the |a few |some )?([a-z -]{3,30}?) (?:go|goes) on (?:as soon as|once|when) the batter\b/i, 'poured'],
  [/^(?:the |a few |some )?([a-z -]{3,30}?) folded in (?:last|at the end)\b/i, 'folded'],
  [/^fold through (?:the )?(?:grated |chopped )?([a-z -]{3,30}?)$/i, 'folded'],
  [/^(?:the |a few |some )?([a-z -]{3,30}?) on top before (?:you )?(?:turn|flip)/i, 'turned'],
  [/^top (?:it |them |each )?with (?:a few |some )?([a-z -]{3,30}?)$/i, 'topped'],
  [/\b(?:lay|arrange|place)\s+(?:a few |some |the )?([a-z -]{3,30}?)\s+(?:on top|over the top)/i, 'topped'],
  [/\bincorporer (?:les |la |le )(\p{L}{3,20}) à la fin\b/iu, 'folded'],
  [/\bpress (?:a few |some |\d |two |three |four )?([a-z -]{3,30}?) into each\b/i, 'poured'],
  [/\b(?:scatter|sprinkle) (?:the )?([a-z -]{3,30}?) on the wet tops?\b/i, 'poured'],
  [/\badd (?:a few |some |the )?([a-z -]{3,30}?) to the (?:uncooked|wet|raw|top) (?:side|face)\b/i, 'poured'],
  [/\badd (?:a few |some |the )?([a-z -]{3,30}?) to each (?:cake|pancake|waffle|crepe|one|piece)\b/i, 'poured'],
  [/\bstir (?:a few |some |the )?([a-z -]{3,30}?) (?:through|in) (?:last|at the end|just before)\b/i, 'folded'],
  [/\bfold in (?:a few |some |the )?([a-z -]{3,30}?)(?:\s+(?:last|at the end|gently|after|just before)|$)/i, 'folded'],
  [/\bfold (?:the )?([a-z -]{3,30}?) in\b[^,;.]*\b(?:last|end|just before)\b/i, 'folded'],
  // what lies in the batter and what is dusted over it at the table are told apart by what it is
  [new RegExp(`^(?:sprinkle|scatter|dot) with (?:a few |some )?([a-z -]*?${BITS})$`, 'i'), 'poured'],
  [
    new RegExp(
      `^(?:gently |carefully |then |finally |lightly )*(?:stir|fold|mix|toss) in (?:a few |some |the )?([a-z -]*?${BITS})(?: last| at the end)?$`,
      'i',
    ),
    'folded',
  ],
  [/\b(?:dot|scatter|sprinkle|top) (?:it |them |each )(?:one )?with (?:a few |some )?([a-z -]{3,30}?)$/i, 'poured'],
  [/\bpress (?:slices|pieces|a few|some) of ([a-z -]{3,30}?) (?:into|onto|on)\b/i, 'poured'],
];

/** What goes on pieces by a word that names several things: which of them, the card's lines tell. */
const SOME_OF = /^(?:the |some |a few )?(?:chopped |toasted )?(?:nuts|berries|fruits?|seeds|chips|herbs)$/i;

/** "Cook 2 minutes, sprinkle with chips, flip". */
const COOKED_AND_FLIPPED = /\b(?:minutes?|min|seconds?)\b.*\b(?:sprinkle|scatter|dot|top)\b.*\b(?:flip|turn)\b/i;

function momentsIn({ text, sentence, taken }: Clause, house: KitchenConventions): readonly ToldFact[] {
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
    if (i && i.id !== 'egg-white')
      return [{ fact: 'moment', value: before ? 'turned' : moment, unit: null, of: i.id, words: text, taken }];
  }
  return [];
}

/** "Preheat 425 F", and nothing but an oven on the card: a heat of no griddle. */
const ofOven = (f: ToldFact, notes: string): boolean =>
  f.fact === 'heat' &&
  f.of === 'surface' &&
  // nothing lies on a surface so long
  (timesIn(f.words).some((t) => t.min > MOST_ON_SURFACE_MIN) || preheatsOven(f, notes));
const MOST_ON_SURFACE_MIN = 15;
const preheatsOven = (f: ToldFact, notes: string): boolean =>
  /^(?:pre-?heat|heat)\b/i.test(f.words) &&
  !/\b(?:griddle|iron|plate|surface|plancha|waffle maker)\b/i.test(f.words) &&
  OVEN.test(notes);

/** "Leave it five minutes" is told once: what rests lies on no side. */
const isRestOf = (x: ToldFact, f: ToldFact): boolean => x.fact === 'rest' && x.words === f.words && x.value === f.value;

/** What is kneaded is a dough wherever it rests; and what rests when it is baked is a piece. */
function restOfWhole(f: ToldFact, notes: string): string {
  if (/(?<!\p{L})(?:knead\w*|pétri\p{L}*|knet\p{L}*|amas\p{L}+)(?!\p{L})/iu.test(notes)) return 'dough';
  const at = notes.indexOf(f.words);
  const baked = at > 0 && /\bbak(?:e|ed)\b[^.]*\d/i.test(notes.slice(0, at)) && !/\bbatter\b/i.test(f.words);
  return baked && !BAKES_AFTER.test(notes.slice(at)) ? 'piece' : 'batter';
}
const BAKES_AFTER = /\b(?:bake|cook|fry|pour|ladle|griddle|pan|iron)\b/i;

/** All that a card's notes tell, each once: what is told before what is asked, and both before remarks. */
export function factsTold(notes: string, house: KitchenConventions): readonly ToldFact[] {
  const clauses = clausesOf(notes);
  const inF = speaksFahrenheit(notes);
  let all: ToldFact[] = [
    ...clauses.flatMap((c, n) => [
      ...restsIn(c, clauses.slice(n + 1, n + 3)),
      ...portionsTold(c, house, clauses[n + 1]),
      ...heatsIn(c, inF),
      ...panFatIn(c, [clauses[n - 1], clauses[n + 1]]),
      ...wordsIn(c),
      ...momentsIn(c, house),
    ]),
    ...sidesIn(clauses),
  ]
    .filter((f, _, every) => !['firstSide', 'bake'].includes(f.fact) || !every.some((x) => isRestOf(x, f)))
    .map((f) => (ofOven(f, notes) ? { ...f, of: 'oven' } : f))
    .map((f) => (f.fact === 'rest' && f.of === 'batter' ? { ...f, of: restOfWhole(f, notes) } : f));
  // a rest told by its time alone is no side's
  const rests = all.some((f) => f.fact === 'rest' || f.fact === 'chill') ? [] : restAlone(clauses);
  all = [...all.filter((f) => !rests.some((r) => r.words === f.words)), ...rests];
  const claim = yieldClaim(notes);
  if (claim) all.push({ fact: 'pieces', value: claim.pieces, unit: null, of: null, words: claim.text, taken: 'told' });
  const serves = servingClaim(notes);
  if (serves)
    all.push({ fact: 'serves', value: serves.people, unit: null, of: null, words: serves.text, taken: 'told' });
  // a fold in thirds that is told in two clauses is one
  const thirds = all.some((f) => f.fact === 'fold' && f.value === 'thirds' && f.taken === 'told');
  const quarters = all.some((f) => f.fact === 'turns' && f.value === 'quarters' && f.taken === 'told');
  // cream, fruit and flour are folded too
  const foam = tellsOfFoam(notes);
  const seen = new Set<string>();
  return [...all]
    .sort((a, b) => TAKEN.indexOf(a.taken) - TAKEN.indexOf(b.taken))
    .filter((f) => {
      if (f.fact === 'fold' && ((thirds && f.value === 'once') || !foam)) return false;
      if (quarters && f.fact === 'turns' && f.value === 'several') return false;
      // one fat is one, however often it is put on
      const key = `${f.fact} ${f.value} ${f.fact === 'panFat' ? '' : f.of}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}
