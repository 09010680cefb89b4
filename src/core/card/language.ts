/** The language a card is written in, besides English: told by its units, its little words and its ingredients. */
import { languagesOf } from '../pantry/lookup';
import { LANGUAGES, type Language } from '../pantry/tables/other-names';
import { plain } from '../quantity/units';

const MARKS: Readonly<Record<Language, ReadonlySet<string>>> = {
  de: new Set(
    'el tl prise pck packchen saft schale einer eines halbe halben ol hefe salz wasser mit gr stuck essloffel teeloffel tasse becher und oder fur zum ein eine einen etwas zutaten teig mehl zucker milch eier ei butter zubereitung ruhren verruhren minuten schlagen'.split(
      ' ',
    ),
  ),
  fr: new Set(
    'de la le les du des un une et ou cuillere cuilleres soupe cafe pincee sachet farine sucre lait oeufs oeuf beurre sel pour pate melanger repos jus zeste huile levure eau'.split(
      ' ',
    ),
  ),
  es: new Set(
    'de la el los las un una y o cucharada cucharadas cucharadita taza tazas pizca harina azucar leche huevo huevos mantequilla sal para ingredientes masa mezclar aceite levadura agua limon zumo ralladura medio media del con chorrito'.split(
      ' ',
    ),
  ),
  it: new Set(
    'di del della il la un una e o cucchiaio cucchiai cucchiaino pizzico bustina farina zucchero latte uova uovo burro sale per ingredienti impasto mescolare olio lievito acqua limone scorza succo mezzo mezza'.split(
      ' ',
    ),
  ),
  nl: new Set(
    'een en of van voor eetlepel eetlepels theelepel theelepels snufje zakje bloem suiker melk eieren boter zout beslag ingredienten mengen gist olie citroen rasp halve'.split(
      ' ',
    ),
  ),
  da: new Set(
    'spsk tsk og eller til nip knivspids hvedemel sukker maelk aeg smor salt dej pandekager ingredienser rores'.split(
      ' ',
    ),
  ),
  nb: new Set(
    'ss ts og eller til klype hvetemel sukker melk egg smor salt rore deig pannekaker ingredienser rores'.split(' '),
  ),
  sv: new Set(
    'msk tsk krm och eller till nypa vetemjol socker mjolk agg smor salt smet pannkakor ingredienser vispa'.split(' '),
  ),
};
/** English words enough that the little words of another language prove nothing. */
const ENGLISH = new Set(
  'the of and or with for cup cups tbsp tsp teaspoon tablespoon teaspoons tablespoons flour sugar milk eggs egg butter salt'.split(
    ' ',
  ),
);

/**
 * The languages a text seems to be in.
 * @returns null where it is English, or nothing tells
 */
export function languagesIn(text: string): ReadonlySet<Language> | null {
  const words = plain(text).match(/\p{L}{1,20}/gu) ?? [];
  if (words.length === 0) return null;
  const score = new Map<Language, number>();
  const add = (l: Language, n: number): void => void score.set(l, (score.get(l) ?? 0) + n);
  let english = 0;
  for (const w of words.slice(0, 400)) {
    if (ENGLISH.has(w)) english++;
    for (const l of LANGUAGES) if (MARKS[l].has(w)) add(l, 1);
  }
  const most = Math.max(0, ...score.values());
  if (most === 0 || (english > most && english > 2)) return null;
  // names are looked up only where the little words leave it open
  const leading = [...score].filter(([, n]) => n >= 0.8 * most).map(([l]) => l);
  if (leading.length > 1) for (const w of words.slice(0, 120)) for (const l of languagesOf(w)) add(l, 0.5);
  const top = Math.max(...score.values());
  const out = [...score].filter(([, n]) => n >= 0.8 * top).map(([l]) => l);
  return most >= 2 ? new Set(out) : null;
}
