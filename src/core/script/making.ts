/** What a script is put together with: what is asked, what all acts hang on, and the acts so far. */
import type { FactId, ToldFact } from '../card/told/clause';
import type { KindId } from '../formula/kinds';
import type { WayId } from '../formula/schools';
import type { Ways } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import type { Units } from '../quantity/say';
import type { Origin, ScriptAct, ScriptTake, Verb } from './act';
import type { HeldLine, HeldWords } from './held';

/** A line of the sheet, as the making takes it. */
export interface ScriptLine extends HeldLine {
  readonly key: string;
  readonly name: string;
  /** When it goes in or on, where that is not with its bowl. */
  readonly moment?: string | undefined;
  /** Of two ends made from one base, the one it is of alone. */
  readonly forEnd?: string | undefined;
  /** Where a method puts it, against what the line alone says: into the foam, fried first, or when the rest is over. */
  readonly goes?:
    | { readonly to: 'foam' | 'fried' | 'late'; readonly words: string; readonly min?: number | null }
    | undefined;
  /** Of a fat: what of it stays for the pan, and what something is fried in first. */
  readonly panShare?: Portioned | undefined;
  readonly fryShare?: Portioned | undefined;
}

/** A share of a line by weight, with the words that part it off. */
interface Portioned {
  readonly share: number;
  readonly words: string;
}

/** One of what is poured from the bowl. */
export interface PouredAs {
  /** Of two ends each has a name. */
  readonly name: string | null;
  readonly kind: KindId;
  readonly school: string;
  readonly portionMl?: number | null;
}

export interface ScriptAsked {
  /** Lines of one mix. */
  readonly lines: readonly ScriptLine[];
  readonly kind: KindId;
  readonly ways: Ways;
  readonly pourings: readonly [PouredAs, ...PouredAs[]];
  readonly find: (id: string) => Ingredient | undefined;
  readonly units: Pick<Units, 'temperature'>;
  /** Matters that the card settles, with its words. */
  readonly told?: Partial<Readonly<Record<WayId | 'portion', string>>>;
  /** What the card's method told of minutes and heat. */
  readonly facts?: readonly ToldFact[];
  /** Matters that the formula has a way of its own for. */
  readonly asked?: Partial<Readonly<Record<WayId, unknown>>>;
}

/** Minutes: all, and of them with hands bound. Defaults of ours, for the cook to change. */
const MINUTES = {
  'let warm': { all: 60, hands: 2 },
  roast: { all: 50, hands: 5 },
  ripen: { all: 20, hands: 2 },
  steep: { all: 720, hands: 5 },
  soften: { all: 60, hands: 1 },
  melt: { all: 5, hands: 5 },
  brown: { all: 8, hands: 8 },
  cool: { all: 10, hands: 0 },
  separate: { all: 3, hands: 3 },
  combine: { all: 4, hands: 4 },
  whip: { all: 8, hands: 8 },
  fold: { all: 2, hands: 2 },
} as const satisfies Partial<Record<Verb, ScriptAct['minutes']>>;

export type Given = Partial<Omit<ScriptAct, 'id' | 'verb' | 'of' | keyof Origin>> & { readonly source?: Origin };

export interface Acts {
  readonly acts: readonly ScriptAct[];
  readonly put: (verb: Verb, of: string, given: Given) => ScriptAct;
}

/** Acts as they are put one after the other; who takes a mix comes after who gave it. */
export function noActs(): Acts {
  const acts: ScriptAct[] = [];
  const givers = new Map<string, string>();
  return {
    acts,
    put: (verb, of, { source, ...given }) => {
      const same = acts.filter((a) => a.verb === verb && a.of === of).length;
      const takes = given.takes ?? [];
      const from = takes.flatMap((t) => (t.of === 'mix' ? (givers.get(t.id) ?? []) : []));
      const act: ScriptAct = {
        id: `${verb} ${of}${same > 0 ? ` ${same + 1}` : ''}`,
        verb,
        of,
        on: [],
        gives: [],
        vessel: null,
        minutes: verb in MINUTES ? MINUTES[verb as keyof typeof MINUTES] : null,
        heatC: null,
        portionMl: null,
        per: 'mix',
        until: null,
        keepsMin: null,
        says: [],
        ...given,
        takes,
        after: [...new Set([...from, ...(given.after ?? [])])],
        from: source?.from ?? 'usual',
        words: source?.words ?? null,
      };
      acts.push(act);
      for (const g of act.gives) givers.set(g, act.id);
      return act;
    },
  };
}

/** What is asked, and what all acts hang on, worked once. */
export interface SoFar {
  readonly q: ScriptAsked;
  readonly acts: Acts;
  readonly held: HeldWords;
  /** Lines of the batter, each in the one act that takes it. */
  readonly own: readonly ScriptLine[];
  readonly sourceOf: (matter: WayId | 'portion') => Origin;
}

export const sentence = (s: string): string => `${s.charAt(0).toUpperCase()}${s.slice(1).replace(/[.:;]$/, '')}.`;
const bare = (name: string): string => name.replace(/ \(.*\)$/, '').toLowerCase();
export const listed = (lines: readonly ScriptLine[]): string => lines.map((l) => bare(l.name)).join(', ');
/** Goes into the bowl with the others, for all that is made of it. */
export const ofTheBase = (l: ScriptLine): boolean =>
  l.moment === undefined && l.forEnd === undefined && bowlShare(l) > SOME;
export const line = (l: ScriptLine, share = 1): ScriptTake => ({ of: 'line', id: l.key, share });
/** What of a line goes into its bowl: less what is parted off for the pan. */
const bowlShare = (l: ScriptLine): number => 1 - (l.panShare?.share ?? 0) - (l.fryShare?.share ?? 0);
export const toBowl = (l: ScriptLine): ScriptTake => line(l, bowlShare(l));
/** Parts of a line that are less than this are rounding. */
export const SOME = 1e-6;
export const mix = (id: string, share = 1): ScriptTake => ({ of: 'mix', id, share });

/** What the card told of one thing, with where it comes from; null where it told nothing. @param of what it is of */
export function cardTold(
  { facts = [] }: ScriptAsked,
  fact: FactId,
  of: readonly string[] = [],
): { readonly value: number; readonly source: Origin } | null {
  const f = facts.find((x) => x.fact === fact && x.taken === 'told' && (of.length === 0 || of.includes(x.of ?? '')));
  return f && typeof f.value === 'number' ? { value: f.value, source: { from: 'told', words: f.words } } : null;
}
