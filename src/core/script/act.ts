/**
 * An act: one thing that is done while a batter is made. A script is acts in their order; each says what it takes
 * (lines of the sheet, or mixes that earlier acts gave, whole or in shares by weight), what comes out, in what it
 * happens, how long and how hot, what to look for, how long what comes out keeps, and whose word it is. Minutes,
 * degrees Celsius, millilitres.
 */

import type { ActEdit } from '../formula/act-edits';
import { capital } from '../quantity/say';

export const VERBS = [
  'let warm',
  'roast',
  'ripen',
  'steep',
  'soften',
  'melt',
  'brown',
  'cool',
  'separate',
  'whisk',
  'whip',
  'combine',
  'stir in',
  'fold',
  'rest',
  'part',
  'preheat',
  'fry first',
  'grease',
  'pour',
  'put on',
  'turn',
  'take off',
  'bake',
  'hold',
  'plate',
  /** An act of the cook's own: what is done are its words. */
  'do',
] as const;
export type Verb = (typeof VERBS)[number];

/** What a mix stands in. A mix stays where the act that gave it left it. */
export const ACT_VESSELS = [
  'large bowl',
  'second bowl',
  'clean bowl',
  'blender',
  'pot',
  'counter',
  'cold',
  'surface',
  'oven',
  'plate',
] as const;
type ActVessel = (typeof ACT_VESSELS)[number];

/** Whose word an act is: the card's, the formula's own way, the house's, or what the kind is used to. */
export const FROM = ['told', 'asked', 'house', 'usual'] as const;
export type From = (typeof FROM)[number];

/** Whose word it is, and the card's words where they are the card's. */
export interface Origin {
  readonly from: From;
  readonly words: string | null;
}

/** A share, by weight, of a line or of a mix; of a line without an amount it is what there is. */
export interface ScriptTake {
  readonly of: 'line' | 'mix';
  /** Key of the line, or name of the mix. */
  readonly id: string;
  readonly share: number;
}

/** A sentence of the sheet, and why; the why is empty where the doing says it. */
export interface WorkStep {
  readonly do: string;
  readonly why: string;
}

/** How far a batter is mixed. */
export interface HowFar {
  readonly words: string;
  /** What is counted, and to how many. */
  readonly count: number;
  readonly unit: 'turns' | 'seconds';
}

/** The parts that have to be ready before they meet. */
export const JOIN_PARTS = ['dry', 'wet', 'whites'] as const;
export type JoinPart = (typeof JOIN_PARTS)[number];

/** When something is put on a piece: its act is due then. */
export const AS_POURED = 'as it is poured';
export const BEFORE_TURN = 'before it is turned';

export const ACT_ASKS = ['cue', 'clock', 'cue alone'] as const;

export interface ScriptAct extends Origin {
  /** Verb, object, and from the second of its kind on a number: an edit finds it again by this. */
  readonly id: string;
  readonly verb: Verb;
  /** What it is done to, in a word: a mix, "griddle", "piece", or things by name. */
  readonly of: string;
  /** Lines that it treats and does not take: what comes out of the cold. */
  readonly on: readonly string[];
  readonly takes: readonly ScriptTake[];
  /** Mixes that come out of it. */
  readonly gives: readonly string[];
  readonly vessel: ActVessel | null;
  /** What it is done with, by size: "ladle or scoop, 60 ml". */
  readonly tools: readonly string[];
  /** In all, and of it, from the beginning, with hands bound, for one mix. Null: the sheet's lines or the heat say. */
  readonly minutes: { readonly all: number; readonly hands: number } | null;
  /** The card or the cook gave these minutes: nothing that is learned changes them. */
  readonly minutesGiven: boolean;
  readonly heatC: readonly [low: number, high: number] | null;
  /** What the heat is changed to once the first is on it; null: it stays. */
  readonly thenC: number | null;
  readonly portionMl: number | null;
  /** Pieces that are made at a time, at most; null: as many as there is room for. */
  readonly load: number | null;
  readonly per: 'batch' | 'mix' | 'piece';
  /** What to look for: it is over when that is seen. */
  readonly until: string | null;
  /** How far it is mixed, counted. */
  readonly far: HowFar | null;
  /** What leads, where something is turned or taken off: the look, the time, or the look without a clock. */
  readonly asks: (typeof ACT_ASKS)[number] | null;
  /** What the cook notes of it, where no number says so. */
  readonly note: string | null;
  /** Minutes that what comes out keeps where it stands; null: as long as one likes. */
  readonly keepsMin: number | null;
  /** Acts that have to be over before. */
  readonly after: readonly string[];
  /** What the sheet says of it, sentence by sentence, and why; empty: the sheet is silent. */
  readonly says: readonly WorkStep[];
}

export interface Script {
  readonly acts: readonly ScriptAct[];
  /** Edits that speak of an act that is not done here. */
  readonly idle: readonly ActEdit[];
}

/** How a batter is worked, in the order of the hands, and why: for the sheet, and for a card on paper. */
export const methodIn = ({ acts }: Pick<Script, 'acts'>): readonly WorkStep[] => acts.flatMap((a) => a.says);

/** What an act is called: "Whip the whites", "Turn each". */
export function actName({ verb, of }: Pick<ScriptAct, 'verb' | 'of'>): string {
  const name = verb === 'do' ? of : `${verb} ${of === 'piece' ? 'each' : of}`;
  return capital(name);
}
