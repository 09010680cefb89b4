/**
 * What has to be said of a batch to whoever eats: from its sheet as it is, with stand-ins, sauces, pan fat, toppings
 * and what was stirred in at the bowl; never a claim that anything is safe.
 */

import type { AccountLine } from '../facts/account';
import type { ServedBeside } from '../findings/card-rules';
import { allergensOf } from '../formula/tally';
import { effectOf, type Ways } from '../formula/ways';
import { allergenName, type Ingredient, isA, kitchenName } from '../pantry/ingredient';
import { cardPanFat } from '../script/pan-fat';
import { type ActEntry, entriesOf } from './acts';
import type { Batch } from './batch';
import { type Corrected, correctedSince, correctedWords } from './known';
import { kindsIn } from './pourings';
import { linesOfSheet } from './sheet';
import { bareName } from './sheet-line';

type Noticed = Pick<Batch, 'sheet' | 'kind' | 'entries'> & Partial<Pick<Batch, 'driver' | 'known' | 'making'>>;
type Find = (id: string) => Ingredient | undefined;

/**
 * Fat in the pan besides what stands on the sheet: as it was last said at the heat, whatever the card has; else the
 * house's, where the sheet has none of its own.
 */
export function panFatIds(batch: Noticed, ways: Ways): readonly string[] {
  const said = entriesOf(batch.entries, 'way')
    .filter((e) => e.act.way === 'panFat')
    .at(-1)?.act.value;
  if (said === undefined && cardPanFat(batch.sheet) !== null) return [];
  const meant = said === undefined ? ways : { ...ways, panFat: said as Ways['panFat'] };
  return [...new Set(kindsIn(batch).flatMap((kind) => effectOf(meant, 'panFat', kind).pan?.holds ?? []))];
}

/** What was stirred into a bowl that was too thick or too thin. */
const stirredIn = (entries: readonly ActEntry[]): readonly string[] =>
  entriesOf(entries, 'corrected').map((e) => e.act.ingredientId);

/**
 * What a batch holds that has to be said to whoever eats, as it is on its sheet: stand-ins, sauces, pan fat and
 * toppings with it.
 */
export interface NoticeOf {
  readonly held: readonly { readonly name: string; readonly from: readonly string[] }[];
  readonly unstated: readonly string[];
  readonly unread: readonly string[];
  readonly honey: boolean;
  readonly alcohol: readonly string[];
  /** Egg that is not cooked through: in a sauce or topping. */
  readonly rawEgg: readonly string[];
  /** What stands in for what. */
  readonly standIns: readonly string[];
  /** What the card serves with it, in the card's words, and no line holds. */
  readonly served: readonly ServedBeside[];
  /** What is known otherwise of its ingredients than when it was begun. */
  readonly corrected: readonly Corrected[];
}

/** More alcohol than this, g in 100 g, is said. */
const ALCOHOL_FROM = 1;

/**
 * The notice of lines as they are written.
 * @param served what the card serves it with, said where no line holds its allergen
 * @param standIns what stands in for what, in words
 */
export function noticeOfLines(
  lines: readonly AccountLine[],
  served: readonly ServedBeside[],
  standIns: readonly string[] = [],
): NoticeOf {
  const { held, unstated, unread } = allergensOf(lines);
  const named = (of: (i: Ingredient) => boolean, among = lines): readonly string[] => [
    ...new Set(
      among.flatMap((l) =>
        [...l.parts.map((p) => p.ingredient), ...(l.ingredient ? [l.ingredient] : [])].filter(of).map(kitchenName),
      ),
    ),
  ];
  return {
    held: held.map((h) => ({ name: h.name, from: h.from })),
    unstated,
    unread,
    honey: named((i) => isA(i, 'honey')).length > 0,
    alcohol: named((i) => i.per100g.alcoholG > ALCOHOL_FROM),
    rawEgg: named(
      (i) => i.category === 'egg',
      lines.filter((l) => l.use === 'topping' || Boolean(l.side)),
    ),
    standIns,
    served: served.filter((s) => !held.some((h) => h.allergen === s.allergen)),
    corrected: [],
  };
}

/** The notice of a batch as it is. */
export function noticeOf(batch: Noticed, ways: Ways, find: Find): NoticeOf {
  const extra = [...panFatIds(batch, ways), ...stirredIn(batch.entries)].flatMap((id) => find(id) ?? []);
  const now = noticeOfLines(
    [
      ...linesOfSheet(batch.sheet, find),
      ...extra.map(
        (ingredient): AccountLine => ({
          use: 'pan',
          ingredient,
          text: kitchenName(ingredient),
          parts: [{ ingredient, grams: 0 }],
        }),
      ),
    ],
    batch.making?.served ?? [],
    [
      ...new Set(
        batch.sheet.flatMap((l) => (l.standsFor ? [`${bareName(l)} in place of ${l.standsFor.toLowerCase()}`] : [])),
      ),
    ],
  );
  return { ...now, corrected: correctedSince(batch.known ?? {}, find) };
}

export const SHARED =
  'Made in a kitchen that handles other allergens: griddle, irons, bowls and spoons are shared, and traces can’t be ruled out.';

/** Everything besides the allergens that a notice says, each in one line. */
export const noticeLines = (n: NoticeOf): readonly { readonly strong: string; readonly text: string }[] => [
  ...(n.served.length > 0
    ? [
        {
          strong: 'Served with it, by the card:',
          text: `${n.served.map((s) => `${s.said} (${allergenName(s.allergen)})`).join(', ')}. None of that is on the list, and its allergens are not told above.`,
        },
      ]
    : []),
  ...(n.standIns.length > 0 ? [{ strong: 'As it was made:', text: `${n.standIns.join('; ')}.` }] : []),
  ...(n.corrected.length > 0
    ? [{ strong: 'Corrected since it was begun:', text: `${correctedWords(n.corrected)}.` }]
    : []),
  ...(n.unstated.length > 0
    ? [{ strong: 'Not stated:', text: `${n.unstated.join(', ')}. Read the packet before you serve it.` }]
    : []),
  ...(n.unread.length > 0
    ? [{ strong: 'Not read:', text: `${n.unread.map((t) => `“${t}”`).join(', ')}. It may hold more.` }]
    : []),
  ...(n.honey ? [{ strong: 'With honey:', text: 'not for infants under one year.' }] : []),
  ...(n.alcohol.length > 0 ? [{ strong: 'With alcohol:', text: `${n.alcohol.join(', ').toLowerCase()}.` }] : []),
  ...(n.rawEgg.length > 0
    ? [
        {
          strong: 'Egg in what is served with it:',
          text: 'it may not be cooked through; the local food code says who should not eat it.',
        },
      ]
    : []),
];
