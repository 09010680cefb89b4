/** Amounts as a kitchen fetches and buys them: bags, cartons and trays, and what stays over. Grams. */

import type { AccountLine } from '../facts/account';
import { type Category, type Ingredient, isA } from '../pantry/ingredient';
import type { Shelf } from '../pantry/stock';
import { grams as sayGrams, type Units } from '../quantity/say';
import { usesOf } from './sheet';
import { type Split, waveName, waveOf, wavesIn } from './split';
import { takeOut } from './take-out';

/** What a thing comes in, by its sort; our words, for the cook to read past. */
const PACKS: Partial<Readonly<Record<Category, readonly [one: string, many: string]>>> = {
  flour: ['bag', 'bags'],
  starch: ['bag', 'bags'],
  sugar: ['bag', 'bags'],
  salt: ['box', 'boxes'],
  leavening: ['tin', 'tins'],
  acid: ['tin', 'tins'],
  flavour: ['jar', 'jars'],
  egg: ['tray', 'trays'],
  dairy: ['carton', 'cartons'],
  'plant-milk': ['carton', 'cartons'],
  liquid: ['bottle', 'bottles'],
  syrup: ['bottle', 'bottles'],
  'dry-dairy': ['bag', 'bags'],
  'nut-seed': ['bag', 'bags'],
};

/** "6 bags", "1 carton". */
function packWords(i: Ingredient, n: number): string {
  const fat =
    i.category === 'fat'
      ? isA(i, 'oil-vegetable') || /^oil/.test(i.id)
        ? (['bottle', 'bottles'] as const)
        : (['block', 'blocks'] as const)
      : null;
  const [one, many] = fat ?? PACKS[i.category] ?? ['pack', 'packs'];
  return `${n} ${n === 1 ? one : many}`;
}

/** Less than this share of a pack is none. */
const CRUMB = 1e-6;

/**
 * What is fetched off the shelf: whole packs and what is taken out of one more: "3 bags and 700 g", "1 tray and 3
 * eggs".
 * @returns null where no pack is known, or it is less than one
 */
export function inPacks(i: Ingredient, g: number, packG: number | null, u: Pick<Units, 'weight'>): string | null {
  if (packG === null || !(packG > 0) || g < packG * (1 - CRUMB)) return null;
  const whole = Math.floor(g / packG + CRUMB);
  const rest = g - whole * packG;
  if (rest < packG * CRUMB + 0.5) return packWords(i, whole);
  const counted = i.category === 'egg' && i.piece ? Math.ceil(rest / i.piece.grams - 0.05) : null;
  const more =
    counted !== null && i.piece ? `${counted} ${i.piece.name}${counted === 1 ? '' : 's'}` : sayGrams(rest, u);
  return `${packWords(i, whole)} and ${more}`;
}

/**
 * What is bought where so much is short: whole packs, and what of them stays over. Null where no pack is known, or
 * nothing is short.
 */
export function toBuy(
  i: Ingredient,
  shortG: number | null,
  packG: number | null,
): { readonly text: string; readonly overG: number } | null {
  if (shortG === null || !(shortG > CRUMB) || packG === null || !(packG > 0)) return null;
  const n = Math.ceil(shortG / packG - CRUMB);
  return { text: packWords(i, n), overG: Math.max(0, n * packG - shortG) };
}

export interface Fetched {
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** Packs opened for this wave, and g that stay over in the last one after it; null where no pack is known. */
  readonly opens: { readonly packs: number; readonly overG: number } | null;
}

export interface WaveOut {
  readonly name: string;
  readonly rows: readonly Fetched[];
}

/**
 * What is fetched for each wave of mixes: packs are opened as they are needed, and what is left in one goes into the
 * next wave. What serves all the mixes (the pan, toppings, sauces) comes last, by itself.
 * @returns nothing where there is one wave
 */
export function fetchedByWave(lines: readonly AccountLine[], split: Split, shelf: Shelf): readonly WaveOut[] {
  const waves = wavesIn(split);
  if (waves < 2) return [];
  const open = new Map<string, number>();
  const out = (name: string, of: readonly AccountLine[]): WaveOut => ({
    name,
    rows: takeOut(usesOf(of, shelf), shelf).rows.flatMap((r): Fetched[] => {
      if (!(r.grams > 0)) return [];
      if (r.packG === null || !(r.packG > 0)) return [{ ingredient: r.ingredient, grams: r.grams, opens: null }];
      const had = open.get(r.ingredient.id) ?? 0;
      const packs = Math.max(0, Math.ceil((r.grams - had) / r.packG - CRUMB));
      const overG = Math.max(0, had + packs * r.packG - r.grams);
      open.set(r.ingredient.id, overG);
      return [{ ingredient: r.ingredient, grams: r.grams, opens: { packs, overG } }];
    }),
  });
  return [
    ...Array.from({ length: waves }, (_, w) =>
      out(
        waveName(split, w + 1),
        lines.filter((l) => l.mix !== undefined && waveOf(split, l.mix) === w + 1),
      ),
    ),
    out(
      'For all of them',
      lines.filter((l) => l.mix === undefined),
    ),
  ].filter((w) => w.rows.length > 0);
}

/** "opens 2 bags, 300 g over", "from the open bag, 500 g over". */
export function opensWords(f: Fetched, u: Pick<Units, 'weight'>): string {
  if (!f.opens) return '';
  const { packs, overG } = f.opens;
  const over = overG > 0.5 ? `, ${sayGrams(overG, u)} over` : ', nothing over';
  return `${packs > 0 ? `opens ${packWords(f.ingredient, packs)}` : `from the open ${packWords(f.ingredient, 1).slice(2)}`}${over}`;
}
