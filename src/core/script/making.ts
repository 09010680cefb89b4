/** What a script is put together with: what is asked, what all acts hang on, and the acts so far. */
import type { ActEdit, EditOf } from '../formula/act-edits';
import type { KindId } from '../formula/kinds';
import type { WayId } from '../formula/schools';
import type { Ways } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import type { Units } from '../quantity/say';
import type { Origin, ScriptAct, ScriptTake, Verb, WorkStep } from './act';
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
  /** Of a fat: the words by which a method browns it. */
  readonly browned?: string | undefined;
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
  /** Of two ends what all its pieces take, mL. */
  readonly ml?: number | null;
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
  /** What is done otherwise, act by act. */
  readonly edits?: readonly ActEdit[];
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

export type Given = Partial<Omit<ScriptAct, 'id' | 'verb' | 'of' | 'says' | keyof Origin>> & {
  readonly source?: Origin;
  /** Sentences; those that tell its minutes or heat are made from the act as it is edited. */
  readonly says?: readonly WorkStep[] | ((a: ScriptAct) => readonly WorkStep[]);
};

export interface Acts {
  readonly acts: readonly ScriptAct[];
  /** @returns the act; one that an edit leaves out is not among the acts */
  readonly put: (verb: Verb, of: string, given: Given) => ScriptAct;
  /** Degrees C that an edit gives an act that is done only where it is asked for; null: none does. */
  readonly askedC: (id: string) => number | null;
  readonly idle: () => readonly ActEdit[];
}

/** What may be left out: nothing is taken into it, and no more than one mix comes through it. */
const LEAVABLE = new Set<Verb>(['let warm', 'roast', 'ripen', 'steep', 'soften', 'cool', 'grease', 'hold', 'do']);
export const canLeave = (a: Pick<ScriptAct, 'verb' | 'takes'>): boolean =>
  LEAVABLE.has(a.verb) && a.takes.every((t) => t.of === 'mix');

/** Whose minutes are an edit's to change: of the others they are a way's, or the sheet's. */
const TIMED = new Set<Verb>([
  ...(['let warm', 'roast', 'ripen', 'steep', 'soften', 'melt', 'brown', 'cool', 'whip', 'combine'] as const),
  ...(['fry first', 'turn', 'take off', 'bake', 'do'] as const),
]);
export const canTime = (a: Pick<ScriptAct, 'verb' | 'minutes'>): boolean => a.minutes !== null && TIMED.has(a.verb);
const HEATED = new Set<Verb>(['roast', 'ripen', 'preheat', 'hold']);
export const canHeat = (a: Pick<ScriptAct, 'verb'>): boolean => HEATED.has(a.verb);
/** Whether a second heat may follow the first: of what is cooked on, or in. */
export const canTurnDown = (a: Pick<ScriptAct, 'verb'>): boolean => a.verb === 'preheat';

export const canLoad = (a: Pick<ScriptAct, 'verb'>): boolean => a.verb === 'pour';

/** An act that says nothing yet. */
const BARE: Omit<ScriptAct, 'id' | 'verb' | 'of' | 'takes' | 'after'> = {
  on: [],
  gives: [],
  vessel: null,
  tools: [],
  minutes: null,
  minutesGiven: false,
  heatC: null,
  thenC: null,
  portionMl: null,
  load: null,
  per: 'mix',
  until: null,
  far: null,
  asks: null,
  note: null,
  keepsMin: null,
  says: [],
  from: 'usual',
  words: null,
};

const sourceOfEdit = ({ words }: ActEdit): Origin =>
  words === undefined ? { from: 'asked', words: null } : { from: 'told', words };

/** Hands are bound as long as before, at most as long as the act is; all of it where it was all of it. */
const timed = (m: ScriptAct['minutes'], all: number): ScriptAct['minutes'] => ({
  all,
  hands: m === null ? 0 : m.hands === m.all ? all : Math.min(m.hands, all),
});

/** An act with its sentences, the cook's note among them: before the mixing, which is counted last, else behind. */
function saying(a: ScriptAct, says: NonNullable<Given['says']>, note: string | null): ScriptAct {
  const told = typeof says === 'function' ? says(a) : says;
  if (note === null) return { ...a, says: told };
  const own = { do: sentence(note), why: '' };
  return { ...a, note, says: a.verb === 'combine' ? [own, ...told] : [...told, own] };
}

/** The act with the numbers of an edit, those that are an edit's to change. */
function editedBy(set: EditOf<'set'> | undefined, a: ScriptAct): ScriptAct {
  const minutes = set?.minutes !== undefined && canTime(a) ? timed(a.minutes, set.minutes) : null;
  const heatC = set?.heatC !== undefined && canHeat(a) ? ([set.heatC, set.heatC] as const) : null;
  const thenC = canTurnDown(a) ? (set?.thenC ?? null) : null;
  const load = canLoad(a) ? (set?.load ?? null) : null;
  return set && (minutes || heatC || thenC !== null || load !== null)
    ? {
        ...a,
        ...sourceOfEdit(set),
        ...(minutes && { minutes, minutesGiven: true }),
        ...(heatC && { heatC }),
        ...(thenC !== null && { thenC }),
        ...(load !== null && { load }),
      }
    : a;
}

/**
 * Acts of the cook's own that are done to the batter ("strain the batter"): each comes after what made the batter, and
 * is done to each mix. What else is done besides ("warm the plates") is done at any time before its act.
 */
const OF_BATTER = /\bbatter\b/i;

/** Acts as they are put one after the other, each as it is edited; who takes a mix comes after who gave it. */
export function noActs(edits: readonly ActEdit[] = []): Acts {
  const acts: ScriptAct[] = [];
  const givers = new Map<string, string>();
  /** A mix that an act left out would have given is what it would have taken. */
  const same = new Map<string, string>();
  const used = new Set<ActEdit>();
  const editOf = <D extends 'set' | 'leave' | 'note'>(what: D, id: string): EditOf<D> | undefined => {
    return edits.findLast((x): x is EditOf<D> => x.do === what && x.act === id);
  };
  const noteOf = (id: string): string | null => {
    const noted = editOf('note', id);
    if (noted) used.add(noted);
    return noted?.note ?? null;
  };
  const take = (t: ScriptTake): ScriptTake =>
    t.of === 'mix' && same.has(t.id) ? { ...t, id: same.get(t.id) ?? t.id } : t;
  const put: Acts['put'] = (verb, of, { source, says = [], ...given }) => {
    const alike = acts.filter((a) => a.verb === verb && a.of === of).length;
    const id = `${verb} ${of}${alike > 0 ? ` ${alike + 1}` : ''}`;
    const takes = (given.takes ?? []).map(take);
    const from = takes.flatMap((t) => (t.of === 'mix' ? (givers.get(t.id) ?? []) : []));
    const own = verb === 'do' ? [] : ownBefore(id, from);
    const set = editOf('set', id);
    const plain: ScriptAct = {
      ...BARE,
      id,
      verb,
      of,
      minutes: verb in MINUTES ? MINUTES[verb as keyof typeof MINUTES] : null,
      ...given,
      ...source,
      takes,
      after: [...new Set([...from, ...(given.after ?? []), ...own])],
    };
    const edited = editedBy(set, plain);
    if (set && edited !== plain) used.add(set);
    const act = saying(edited, says, noteOf(id));
    const leave = canLeave(act) ? editOf('leave', id) : undefined;
    if (leave) {
      used.add(leave);
      for (const g of act.gives) same.set(g, takes[0]?.id ?? g);
      return act;
    }
    acts.push(act);
    for (const g of act.gives) givers.set(g, id);
    return act;
  };
  /** Acts of the cook's own that come before another. @param made acts that gave what it takes @returns their ids */
  const ownBefore = (id: string, made: readonly string[]): readonly string[] => {
    let behind = made;
    return edits.flatMap((e) => {
      if (e.do !== 'own' || e.before !== id) return [];
      used.add(e);
      const { minutes, hands } = e;
      const isOfBatter = OF_BATTER.test(e.does);
      const act = put('do', e.does, {
        minutes: { all: minutes, hands: Math.min(hands, minutes) },
        per: isOfBatter ? 'mix' : 'batch',
        after: isOfBatter ? behind : [],
        says: [{ do: sentence(e.does), why: '' }],
        source: sourceOfEdit(e),
      });
      if (isOfBatter) behind = [act.id];
      return [act.id];
    });
  };
  return {
    acts,
    put,
    askedC: (id) => editOf('set', id)?.heatC ?? null,
    idle: () => edits.filter((e) => e.do !== 'way' && !used.has(e)),
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
  (l.moment === undefined || l.moment === 'whipped') && l.forEnd === undefined && bowlShare(l) > SOME;
export const line = (l: ScriptLine, share = 1): ScriptTake => ({ of: 'line', id: l.key, share });
/** What of a line goes into its bowl: less what is parted off for the pan. */
const bowlShare = (l: ScriptLine): number => 1 - (l.panShare?.share ?? 0) - (l.fryShare?.share ?? 0);
export const toBowl = (l: ScriptLine): ScriptTake => line(l, bowlShare(l));
/** Parts of a line that are less than this are rounding. */
export const SOME = 1e-6;
export const mix = (id: string, share = 1): ScriptTake => ({ of: 'mix', id, share });
