/** A line of the sheet that is weighed from, as it was frozen when the batch began. */
import type { Vessel } from '../card/parts';
import type { Moment } from '../formula/formula';
import { massNumber, type Units } from '../quantity/say';

export interface SheetLine {
  readonly key: string;
  /** As written on the card. */
  readonly text: string;
  readonly name: string;
  readonly vessel: Vessel;
  /** "268.4 g"; null for a line without an amount. */
  readonly measure: string | null;
  readonly grams: number | null;
  readonly preparation: string;
  /** Which of several equal mixes it is weighed for, from 1; left out where there is one, or it serves them all. */
  readonly mix?: number;
  /** g it was planned with, where the rest was worked anew around an over-pour. */
  readonly was?: number;
  /** All there is of it for this mix, g: working the rest anew never asks for more. */
  readonly mostG?: number;
  /** Its amount is proposed, told by nobody: the least and the most that is usual, g. */
  readonly usualG?: readonly [least: number, most: number];
  /** An add-in that does not go into the bowl when it is mixed: when it does go in. */
  readonly moment?: Exclude<Moment, 'bowl'>;
  /** The sauce, butter or filling it belongs to, by name. */
  readonly side?: string;
  /** Of two ends made from one base, the one it is of alone, by name. */
  readonly forEnd?: string;
  /** What it stands in for in this batch alone, by name. */
  readonly standsFor?: string;
  /** The lot its bags come from. */
  readonly lot?: string;
  /** Level spoons to take instead, where the scale can't weigh so little honestly. */
  readonly spoons?: string | null;
  /** What it is made of: what to take out and buy is summed from these. */
  readonly parts?: readonly { readonly id: string; readonly grams: number }[];
}

/** What a line is, without what stands behind it in brackets. */
export const bareName = (l: Pick<SheetLine, 'name'>): string => l.name.replace(/ \(.*\)$/, '');

/** Whether a line goes on the scale; what is taken with cups, spoons and eggs is ticked. */
export const goesOnScale = (l: Pick<SheetLine, 'measure'>): boolean => /^[\d.\u2009\u202f]+ g$/.test(l.measure ?? '');

/** The amount as it is taken: where the house weighs in ounces they stand first, and the grams beside them. */
export const measureSaid = (l: Pick<SheetLine, 'measure' | 'grams'>, u: Pick<Units, 'weight'>): string => {
  if (l.measure === null) return 'as needed';
  return u.weight === 'oz' && l.grams !== null && goesOnScale(l)
    ? `${massNumber(l.grams, u)} oz (${l.measure})`
    : l.measure;
};

/** g a line was planned with, before any re-balancing. */
export const plannedG = (l: SheetLine): number | null => l.was ?? l.grams;

/** Of a mix: its lines in the bowls; what serves all, what goes with it and what is of one end alone left out. */
export const bowlLines = (sheet: readonly SheetLine[], mix: number): readonly SheetLine[] =>
  sheet.filter(
    (l) =>
      l.side === undefined &&
      l.forEnd === undefined &&
      l.vessel !== 'pan' &&
      l.vessel !== 'topping' &&
      (l.mix ?? 1) === mix,
  );
