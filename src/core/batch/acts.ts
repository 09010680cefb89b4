/**
 * What is noted of a batch while it is made, besides ticks, weights and taps on pieces: an entry each, never changed,
 * only struck out. Grams, degrees Celsius, minutes; times in milliseconds since 1970.
 */

import { AS_USUAL, type Lit } from '../batter/surface';
import type { EndId } from '../formula/formula';
import type { Ways } from '../formula/ways';
import type { JoinPart } from '../script/act';

/** How far a thing of the mise is: on the counter, not there, or something else in its place. */
export const MISE_STATES = ['here', 'missing', 'stand-in'] as const;
export type MiseState = (typeof MISE_STATES)[number];

/** What a drop of water does on the surface. */
export const DROPS = ['sits', 'dances', 'gone'] as const;
export type Drop = (typeof DROPS)[number];

export const VERDICTS_OF_TEST = ['right', 'dark', 'pale', 'thick', 'thin', 'sticks'] as const;
export type TestVerdict = (typeof VERDICTS_OF_TEST)[number];

/** What of the ways is settled at the heat, and may be another than the house's today. */
export const DONE_AT_THE_HEAT = ['panFat', 'flip'] as const;

export type Act =
  /** A thing of the mise, by its key; the last word counts. */
  | { readonly what: 'mise'; readonly key: string; readonly state: MiseState }
  /** A tool of the cook's own, besides those the batch asks for. */
  | { readonly what: 'tool'; readonly name: string }
  /** All there is is there: the weigh-in can begin. */
  | { readonly what: 'mise-done' }
  | { readonly what: 'ready'; readonly mix: number; readonly part: JoinPart }
  /** A second person has seen every pile of a mix. */
  | { readonly what: 'checked'; readonly mix: number; readonly initials: string }
  /** The whites, or what else is folded in, are in: the foam's own clock begins. */
  | { readonly what: 'folded'; readonly mix: number }
  /** Mixed so far as the kind wants it: the rest begins. */
  | { readonly what: 'mixed'; readonly mix: number; readonly turns: number }
  /** Milk or flour stirred into a bowl that was too thick or too thin, and how much batter was in it then. */
  | {
      readonly what: 'corrected';
      readonly mix: number;
      readonly ingredientId: string;
      readonly grams: number;
      readonly bowlG: number;
      readonly seen: string;
    }
  | {
      readonly what: 'heat';
      readonly surface: string;
      readonly by: 'probe';
      readonly realC: number;
      readonly dialC: number | null;
    }
  | {
      readonly what: 'heat';
      readonly surface: string;
      readonly by: 'drop';
      readonly drop: Drop;
      readonly dialC: number | null;
    }
  | { readonly what: 'heat'; readonly surface: string; readonly by: 'dial'; readonly dialC: number }
  | { readonly what: 'test'; readonly verdict: TestVerdict }
  /** Pieces that went into the holding oven, or straight onto plates; and out of it, the oldest first. */
  | { readonly what: 'held'; readonly pieces: number }
  | { readonly what: 'plated'; readonly pieces: number }
  | { readonly what: 'out'; readonly pieces: number }
  /** When the bell rings and the heat has to be free; null: it does not. */
  | { readonly what: 'bell'; readonly bellAt: number | null }
  /** How it was done here, where that is not as the house has it: the fat in the pan, how it was turned. */
  | { readonly what: 'way'; readonly way: (typeof DONE_AT_THE_HEAT)[number]; readonly value: string }
  /** What is lit, by its id in the house's gear; said when it is planned, and again when it is another. */
  | ({
      readonly what: 'lit' /** The second of two ends; left out: the first, or the only one. */;
      readonly end?: 'b' | undefined;
    } & Lit)
  /** A paper was printed, and of which state of the sheet. */
  | { readonly what: 'printed'; readonly paper: string; readonly state: number }
  /** A step of the time line is done. */
  | { readonly what: 'step'; readonly step: string };

export interface ActEntry {
  readonly id: string;
  readonly at: number;
  readonly act: Act;
}

type ActOf<W extends Act['what']> = Extract<Act, { readonly what: W }>;

/** The entries of one sort, in the order they were made. */
export const entriesOf = <W extends Act['what']>(
  entries: readonly ActEntry[],
  what: W,
): readonly (ActEntry & { readonly act: ActOf<W> })[] =>
  entries.filter((e): e is ActEntry & { readonly act: ActOf<W> } => e.act.what === what).sort((a, b) => a.at - b.at);

/** Fat in the pan and turning as they were here: what the griddle was told last, else as the ways have it. */
export function doneAtTheHeat(entries: readonly ActEntry[], ways: Ways): Pick<Ways, (typeof DONE_AT_THE_HEAT)[number]> {
  const told = (w: (typeof DONE_AT_THE_HEAT)[number]): string =>
    entriesOf(entries, 'way')
      .filter((e) => e.act.way === w)
      .at(-1)?.act.value ?? ways[w];
  return { panFat: told('panFat') as Ways['panFat'], flip: told('flip') as Ways['flip'] };
}

/** What is lit for a batch, or for one of its two ends, as it was last said. */
export const litOf = (entries: readonly ActEntry[], end: EndId | null = null): Lit =>
  entriesOf(entries, 'lit').findLast((e) => (e.act.end ?? null) === (end === 'b' ? 'b' : null))?.act ?? AS_USUAL;
