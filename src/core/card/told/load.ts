/** How many pieces lie on the heat at a time. */

import type { Clause, ToldFact } from './clause';
import { inFigures, middle } from './spoken';

const ONE = String.raw`\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|sixteen|twenty|a dozen`;
const N = String.raw`(${ONE})(?:\s*(?:-|–|to|or)\s*(${ONE}))?(?!\p{L})`;
const N_ABROAD = String.raw`(\d{1,2}|eine[nr]?|zwei|drei|vier|fünf|sechs|acht|deux|trois|quatre|cinq|six|huit|dos|tres|cuatro|cinco|seis|ocho)(?:\s*(?:-|–|bis|oder|ou|à|o|a)\s*(\d{1,2}|drei|vier|fünf|sechs|trois|quatre|cinq|tres|cuatro|cinco))?(?!\p{L})`;
const OF_THEM = String.raw`(?:\s+(?:of (?:them|these)|(?:(?:small|little|big|large)\s+)?(?:pancakes?|cakes?|waffles?|crepes?|pieces?|blinis?|ones|rounds)))?`;
const ON = String.raw`(?:in|on|to|into|onto)\s+(?:the|a|my|each|one)\s+(?:\p{L}+\s+)?(?:pan|griddle|skillet|plate|iron|tray)`;
const HELD = new RegExp(
  String.raw`\b(?:room for|takes?|holds?|fits?)\s+(?:about\s+)?${N}${OF_THEM}(?:\s+${ON})?(?:\s+(?:at a time|at once))?$`,
  'iu',
);
const AT_A_TIME: readonly RegExp[] = [
  new RegExp(String.raw`\bbatches of\s+${N}$`, 'iu'),
  new RegExp(
    String.raw`(?<![\d.,/\p{L}])${N}${OF_THEM}(?:\s+(?:down|on|in))?(?:\s+${ON})?\s+(?:at a time|at once|a time|at one go|in one go|(?:per|to a) (?:pan|l[o]ad|batch(?:ful)?|go))\b`,
    'iu',
  ),
  new RegExp(
    String.raw`(?<![\d.,/\p{L}])${N}${OF_THEM}\s+(?:will\s+)?(?:fit|go|sit)s?\s+(?:${ON}|the (?:pan|griddle))`,
    'iu',
  ),
  HELD,
  new RegExp(
    String.raw`(?<![\d.,/\p{L}])${N_ABROAD}(?:\s+(?:stück|pfannkuchen|waffeln|crêpes|tortitas|galettes))?\s+(?:auf einmal|gleichzeitig|zugleich|pro pfanne|à la fois|par fournée|par poêlée|a la vez|por tanda|cada vez)(?!\p{L})`,
    'iu',
  ),
  new RegExp(
    String.raw`(?:in die \p{L}*(?:pfanne|platte) passen|(?:la plaque|la poêle) en prend|en la (?:plancha|sartén) caben)\s+${N_ABROAD}`,
    'iu',
  ),
  new RegExp(String.raw`\b(?:par|de)\s+${N_ABROAD}\s+(?:en\s+\S+|à la fois)$|^cuire\s+${N_ABROAD}\s+par\s+\S+$`, 'iu'),
  new RegExp(String.raw`\b(?:get|fit|do|cook|lay|have)\s+(?:about\s+)?${N}${OF_THEM}\s+${ON}$`, 'iu'),
  // "8 or 9 in the pan", and nothing else
  new RegExp(String.raw`^(?:about |say )?${N}${OF_THEM}\s+${ON}$`, 'iu'),
  new RegExp(String.raw`\b(?:no|not|never)\s+more than\s+${N}${OF_THEM}\s+${ON}`, 'iu'),
];
/** "My pan takes four": of the rest of the sentence a number of pieces is told by what holds them. */
const HOLDER = /\b(?:pan|griddle|skillet|plate|iron|tray)\b/i;
/** What goes into the bowl goes in so many at a time too; and what is turned is on the heat already. */
const OTHERS =
  /\b(?:eggs?|yolks?|whites?|add(?:ed)?|beat|whisk|fold|stir|flip|turn|spoon(?:ful)?s?|cups?|ml|guests?|people|serves?|makes?|minutes?|min|degrees)\b/i;

/** The denial is what is done, and so is what can be. */
const SO_MANY_FIT = /\b(?:no|not|never)\s+more than\b|\b(?:you|i|we) can (?:just |only )?(?:fit|get)\b/i;
/** "There's room for three": on what is hot, with nothing else beside it. */
const ROOM = /^(?:and |but |there[’']s |there is |only |just )*room for \S+(?: (?:or|to) \S+)?$/i;

const countOf = (said: string): number =>
  /^a dozen$/i.test(said) ? 12 : /^one$/i.test(said) ? 1 : (middle(inFigures(said))?.value ?? 0);

/** @returns how many pieces are made at a time; nothing where the clause tells none */
export function loadIn(c: Clause): readonly ToldFact[] {
  const { text } = c;
  if (OTHERS.test(text)) return [];
  for (const re of AT_A_TIME) {
    const m = re.exec(text);
    if (!m?.[1] || (re === HELD && !HOLDER.test(text) && !ROOM.test(text))) continue;
    const pieces = countOf(m[2] ?? m[1]);
    if (pieces < 1) continue;
    return [
      {
        fact: 'load',
        value: pieces,
        unit: null,
        of: null,
        words: c.text,
        taken: SO_MANY_FIT.test(c.text) ? 'told' : c.taken,
      },
    ];
  }
  return [];
}
