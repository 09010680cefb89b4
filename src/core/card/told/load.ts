/** How many pieces lie on the heat at a time, and what is put through a sieve. */

import type { Clause, ToldFact } from './clause';
import { middle } from './spoken';

const ONE = String.raw`\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|sixteen|twenty|a dozen`;
const N = String.raw`(${ONE})(?:\s*(?:-|–|to|or)\s*(${ONE}))?(?!\p{L})`;
const OF_THEM = String.raw`(?:\s+(?:of (?:them|these)|(?:(?:small|little|big|large)\s+)?(?:pancakes?|cakes?|waffles?|crepes?|pieces?|blinis?|ones|rounds)))?`;
const ON = String.raw`(?:in|on|to|into|onto)\s+(?:the|a|my|each|one)\s+(?:\p{L}+\s+)?(?:pan|griddle|skillet|plate|iron|tray)`;
const HELD = new RegExp(
  String.raw`\b(?:room for|takes?|holds?|fits?)\s+(?:about\s+)?${N}${OF_THEM}(?:\s+${ON})?(?:\s+(?:at a time|at once))?$`,
  'iu',
);
const AT_A_TIME: readonly RegExp[] = [
  new RegExp(String.raw`\bbatches of\s+${N}$`, 'iu'),
  new RegExp(
    String.raw`(?<![\d.,/\p{L}])${N}${OF_THEM}(?:\s+${ON})?\s+(?:at a time|at once|at one go|in one go|(?:per|to a) (?:pan|l[o]ad|batch(?:ful)?|go))\b`,
    'iu',
  ),
  new RegExp(
    String.raw`(?<![\d.,/\p{L}])${N}${OF_THEM}\s+(?:will\s+)?(?:fit|go|sit)s?\s+(?:${ON}|the (?:pan|griddle))`,
    'iu',
  ),
  HELD,
  new RegExp(String.raw`\b(?:no|not|never)\s+more than\s+${N}${OF_THEM}\s+${ON}`, 'iu'),
];
/** "My pan takes four": of the rest of the sentence a number of pieces is told by what holds them. */
const HOLDER = /\b(?:pan|griddle|skillet|plate|iron|tray)\b/i;
/** What goes into the bowl goes in so many at a time too; and what is turned is on the heat already. */
const OTHERS =
  /\b(?:eggs?|yolks?|whites?|add(?:ed)?|beat|whisk|fold|stir|flip|turn|spoon(?:ful)?s?|cups?|ml|guests?|people|serves?|makes?|minutes?|min|degrees)\b/i;

const countOf = (said: string): number =>
  /^a dozen$/i.test(said) ? 12 : /^one$/i.test(said) ? 1 : (middle(said)?.value ?? 0);

/** @returns how many pieces are made at a time; nothing where the clause tells none */
export function loadIn(c: Clause): readonly ToldFact[] {
  const { text } = c;
  if (OTHERS.test(text)) return [];
  for (const re of AT_A_TIME) {
    const m = re.exec(text);
    if (!m?.[1] || (re === HELD && !HOLDER.test(text))) continue;
    const pieces = countOf(m[2] ?? m[1]);
    if (pieces < 1) continue;
    return [
      {
        fact: 'load',
        value: pieces,
        unit: null,
        of: null,
        words: c.text,
        taken: NO_MORE.test(c.text) ? 'told' : c.taken,
      },
    ];
  }
  return [];
}
/** The denial is what is done. */
const NO_MORE = /\b(?:no|not|never)\s+more than\b/i;

const SIEVE = `through (?:a|the|my) (?:(?:fine|clean|wire|mesh)[- ]?(?:mesh )?)*(?:sieve|strainer|chinois|tamis)`;
const BATTER = `(?:it|that|this|everything|(?:the|this|your|all the) (?:whole )?(?:batter|mix(?:ture)?|lot))`;
const STRAINS = new RegExp(
  String.raw`(?<!\p{L})(?:(?:strain|sieve) ${BATTER}(?!\p{L})|(?:pass|push|pour|put|run|press|work|rub|send) ${BATTER} ${SIEVE}|(?:then |and )?(?:strain|pass)(?: ${SIEVE})$|(?:then |and )?strain$|(?:strain|sieve)(?= and (?:refrigerat|chill|rest|leave|let|stand))|strained into (?:the|a)\b)`,
  'iu',
);
/** What is strained before it is a batter, or is none. */
const NO_BATTER =
  /\b(?:infus\w*|steep\w*|yogh?urt|whey|curd|raisins?|currants?|tea|berries|compote|syrup|sauce|juice|seeds?|butter|flour|cocoa|sugar|powder|soak\w*)\b/i;

/** A batter that is put through a sieve. */
export const strainIn = ({ text, sentence, taken }: Clause): readonly ToldFact[] =>
  STRAINS.test(text) && !NO_BATTER.test(sentence)
    ? [{ fact: 'strain', value: 'sieve', unit: null, of: 'batter', words: text, taken }]
    : [];
