/**
 * Things that a card speaks of and no line of it has: the whites of the eggs whose yolks went in, and in talk the flour,
 * milk, eggs or yeast that nobody measured. Each becomes a line, so that nothing told is lost.
 */
import type { KitchenConventions } from '../pantry/conventions';
import type { Ingredient } from '../pantry/ingredient';
import { type Line, readLine } from './line';
import { clausesOf } from './told/clause';

const THE_WHITES = /\bthe (?:egg )?whites\b|(?<!\p{L})(?:das eiweiß|die eiweiße|les blancs|las claras)(?!\p{L})/iu;
/** "Four egg yolks ... then the whites, whipped": the whites of those eggs; null: whole eggs or whites have a line. */
function whitesOf<L extends Line>(lines: readonly L[], notes: string, house: KitchenConventions): Named<L> | null {
  const eggs = lines.filter((l) => l.ingredient?.category === 'egg');
  const [yolks] = eggs;
  const n = yolks?.written[0]?.terms[0];
  if (!yolks || eggs.length > 1 || yolks.ingredient?.id !== 'egg-yolk' || n?.unit !== null) return null;
  const isTold = clausesOf(notes).some((c) => c.taken === 'told' && THE_WHITES.test(c.text));
  return isTold ? { line: readLine(`${n.low.valueOf()} egg whites`, house), behind: yolks } : null;
}

/** What a batter is hardly made without, by its words; and whether a line is of it, or stands for it. */
const BASE: readonly {
  readonly words: RegExp;
  readonly isOf: (i: Ingredient) => boolean;
}[] = [
  {
    words: /(?<![\p{L}-])(?:flour|mehl|farine|harina)(?!\p{L})/iu,
    isOf: (i) => i.category === 'flour' || i.category === 'starch',
  },
  {
    words: /(?<![\p{L}-])(?:(?:butter)?milk|(?:butter)?milch|lait|leche)(?![\p{L}-])/iu,
    isOf: (i) => ['dairy', 'plant-milk', 'liquid', 'dry-dairy'].includes(i.category),
  },
  {
    words: /(?<![\p{L}-])(?:eggs?|eier|œufs?|oeufs?|huevos?)(?![\p{L}-])/iu,
    isOf: (i) => i.category === 'egg',
  },
  {
    words: /(?<![\p{L}-])(?:yeast|hefe|levure de boulanger|levadura fresca)(?![\p{L}-])/iu,
    isOf: (i) => /yeast|starter/.test(i.id),
  },
];
/** Told of the pan, the table, another time, or what is not so. */
const NOT_PUT_IN =
  /n[’']t\b|\b(?:more|if|thin|loosen|serve[ds]?|top|dust|sprinkle|roll|board|hands|no|not|without|greas\w+|glass|drink|like|instead|smell\w*|looks?|colou?r|free|shell|fried|poached|scrambled|bacon)\b|(?<!\p{L})(?:ohne|kein\p{L}*|sans|sin|falls|wenn|si)(?!\p{L})/iu;

interface Named<L extends Line> {
  readonly line: Line;
  /** The line it stands behind. */
  readonly behind: L;
}

/** @param talk the sentences that things were measured in; of a list with a method none */
export function namedIn<L extends Line>({
  lines,
  notes,
  talk,
  house,
}: {
  readonly lines: readonly L[];
  readonly notes: string;
  readonly talk: string;
  readonly house: KitchenConventions;
}): readonly Named<L>[] {
  const whites = whitesOf(lines, notes, house);
  const last = lines.at(-1);
  if (talk === '' || last === undefined) return whites ? [whites] : [];
  const said = clausesOf(talk).filter(
    (c) => c.taken === 'told' && !NOT_PUT_IN.test(c.text) && !/^to use\b/i.test(c.sentence),
  );
  const named = BASE.flatMap(({ words, isOf }): readonly Named<L>[] => {
    const [word] = said.flatMap((c) => words.exec(c.text)?.[0] ?? []);
    const isThere = lines.some((l) => (l.ingredient === null ? words.test(l.text) : isOf(l.ingredient)));
    return word === undefined || isThere ? [] : [{ line: readLine(word.toLowerCase(), house), behind: last }];
  });
  return [...(whites ? [whites] : []), ...named];
}
