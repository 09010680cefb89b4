/**
 * What stands on a lot's label, and how it fits: as large as all of it goes on one, never smaller than the house has
 * set; what doesn't fit then goes on a second label. Sizes in points of 1/72 inch.
 */
import { sayDay } from '../quantity/day';
import { listAnd } from '../quantity/say';
import type { FrozenLot, Lot, Run } from './premix';

export const LABEL_SIZES = ['full', 'front'] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];

/** Of a label: two stand side by side on A4. Inside its margins, and the height of all of it. */
export const LABEL_WIDE = 243;
export const LABEL_HIGH: Readonly<Record<LabelSize, number>> = { full: 388, front: 192 };
export const LABEL_MARGIN = 9;
/** Between two lines, of the letters' size; and after a block. */
export const LINE_HEIGHT = 1.2;
export const AFTER_BLOCK = 2;
export const NAME_PT = 14;
export const NET_PT = 10;
/** The largest letters, and the smallest where a lot was made before the house set any. */
const MOST_PT: Readonly<Record<LabelSize, number>> = { full: 9, front: 7.5 };
const OLD_LEAST_PT = 6;
/** What a label may be set to at the smallest. */
export const LEAST_PT_RANGE = [5, 12] as const;

export interface LabelBlock {
  /** As it is called where it doesn't fit: "the directions of waffles". */
  readonly called: string;
  readonly runs: readonly Run[];
  /** At the foot, and on the first label whatever goes to a second. */
  readonly foot?: boolean;
}

const one = (x: number): string => x.toFixed(1);
const strong = (text: string): readonly Run[] => [{ text, strong: true }];

/**
 * What stands on a bag's label beneath its name and weight, in order.
 * @param lacking allergens that are known of the lot since, and in what; empty: none @param bag its number; null: none
 */
export function labelBlocks(
  lot: Lot,
  f: FrozenLot,
  lacking: string,
  size: LabelSize,
  bag: number | null,
): readonly LabelBlock[] {
  const n = size === 'full' ? f.nutrition : null;
  const holds = [
    f.contains.length > 0 ? `Contains: ${f.contains.join(', ')}.` : '',
    lacking ? `Contains also, as corrected since: ${lacking}.` : '',
    lot.between?.traces ?? '',
  ]
    .filter(Boolean)
    .join(' ');
  const made = [f.maker, f.place].filter(Boolean).join(', ');
  return [
    { called: 'the ingredients', runs: [{ text: 'Ingredients: ' }, ...f.ingredients, { text: '.' }] },
    ...(holds ? [{ called: 'the allergens', runs: strong(holds) }] : []),
    ...(n
      ? [
          {
            called: 'the nutrition',
            runs: [
              {
                text: `In 100 g of mix: ${Math.round(n.kJ)} kJ / ${Math.round(n.kcal)} kcal; fat ${one(n.fatG)} g${typeof n.saturatesG === 'number' ? `, of which saturates ${one(n.saturatesG)} g` : ''}; carbohydrate ${one(n.carbohydrateG)} g, of which sugars ${one(n.sugarsG)} g; fibre ${one(n.fibreG)} g; protein ${one(n.proteinG)} g; salt ${n.saltG.toFixed(2)} g.`,
              },
            ],
          },
        ]
      : []),
    ...(size === 'full'
      ? f.products.map((p) => ({
          called: `the directions of ${p.title.toLowerCase()}`,
          runs: [...strong(`${p.title}: `), { text: p.directions }],
        }))
      : []),
    ...f.cautions.map((c) => ({ called: 'a caution', runs: strong(c), foot: true })),
    { called: 'how it is kept', runs: [{ text: f.storage }], foot: true },
    {
      called: 'its date and lot',
      runs: strong(
        `Best before ${sayDay(lot.bestBefore, f.units)}. Lot ${lot.number}${bag === null ? '' : `, bag ${bag}`}. Made ${sayDay(lot.made, f.units)}.`,
      ),
      foot: true,
    },
    ...(made ? [{ called: 'its maker', runs: [{ text: made }], foot: true }] : []),
  ].filter((b) => b.runs.some((r) => r.text !== ''));
}

/** How wide a piece of text is in letters of one point. */
type WidthOf = (text: string, bold: boolean) => number;

/** A line is filled a little less than it is measured: printers break lines evenly, not as late as they can. */
const FILLS = 0.97;

/** Lines that runs of text take, broken at spaces. */
function linesOf(runs: readonly Run[], pt: number, wide: number, widthOf: WidthOf): number {
  let lines = 1;
  let at = 0;
  for (const r of runs)
    for (const word of r.text.split(/(?<= )/)) {
      const w = widthOf(word, r.strong === true) * pt;
      if (at > 0 && at + widthOf(word.trimEnd(), r.strong === true) * pt > wide * FILLS) {
        lines++;
        at = 0;
      }
      at += w;
    }
  return lines;
}

export interface FittedLabels {
  readonly pt: number;
  /** What stands on the first, and on those that follow, in order. */
  readonly labels: readonly (readonly LabelBlock[])[];
  /** What is too long for a label of its own, by what it is called; nothing mostly. */
  readonly tooLong: readonly string[];
}

/**
 * Blocks on as many labels as they take: on one, as large as it bears, where that is no smaller than the house has set;
 * else at that size, what doesn't fit on a second.
 * @param headWide what the code beside the name leaves of the width
 */
export function fitLabels(
  blocks: readonly LabelBlock[],
  f: Pick<FrozenLot, 'name' | 'leastPt'>,
  size: LabelSize,
  headWide: number,
  widthOf: WidthOf,
): FittedLabels {
  const nameLines = linesOf([{ text: f.name, strong: true }], NAME_PT, headWide, widthOf);
  const headHigh = (nameLines * NAME_PT + NET_PT) * LINE_HEIGHT + AFTER_BLOCK;
  const room = LABEL_HIGH[size] - 2 * LABEL_MARGIN - headHigh;
  const highOf = (b: LabelBlock, pt: number): number =>
    linesOf(b.runs, pt, LABEL_WIDE, widthOf) * pt * LINE_HEIGHT + AFTER_BLOCK;
  const all = (pt: number): number => blocks.reduce((a, b) => a + highOf(b, pt), 0);
  const least = f.leastPt ?? OLD_LEAST_PT;
  for (let pt = Math.max(least, MOST_PT[size]); pt >= least - 1e-9; pt -= 0.5)
    if (all(pt) <= room) return { pt, labels: [blocks], tooLong: [] };
  if (all(least) <= room) return { pt: least, labels: [blocks], tooLong: [] };
  const foot = blocks.filter((b) => b.foot);
  const tooLong: string[] = [];
  const labels: LabelBlock[][] = [[]];
  let left = room - foot.reduce((a, b) => a + highOf(b, least), 0);
  let rest = blocks.filter((b) => !b.foot);
  while (rest.length > 0) {
    const later: LabelBlock[] = [];
    for (const b of rest) {
      const high = highOf(b, least);
      const isAlone = labels.length > 1 && labels.at(-1)?.length === 0;
      if (high > room && isAlone) tooLong.push(b.called);
      if (high <= left || (high > room && isAlone)) {
        labels.at(-1)?.push(b);
        left -= high;
      } else later.push(b);
    }
    if (later.length > 0) {
      labels.push([]);
      left = room;
    }
    rest = later;
  }
  return { pt: least, labels: labels.map((l, n) => (n === 0 ? [...l, ...foot] : l)), tooLong };
}

/** "7 pt is the smallest here, and the directions of waffles do not fit: a second label has them"; null: all fits. */
export function labelFitSaid({ pt, labels, tooLong }: FittedLabels): string | null {
  const over = labels.slice(1).flatMap((l) => l.map((b) => b.called));
  if (over.length === 0) return null;
  const where = labels.length === 2 ? 'a second label has them' : `${labels.length - 1} more labels have them`;
  return `At ${pt} pt, the smallest that was set, this does not fit: ${listAnd(over)}; ${where}.${tooLong.length > 0 ? ` Too long even there: ${tooLong.join(', ')}.` : ''}`;
}
