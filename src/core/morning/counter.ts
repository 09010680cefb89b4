/**
 * Everything that a morning's steps share: hands, places, ovens and the hob, and what binds each when. What has to be
 * without an allergen lies on no place that has had it since it was cleaned. Minutes from midnight.
 */
import type { Allergen } from '../pantry/ingredient';
import { type Morning, type MorningRole, type MorningSurface, ovensOf, type Person } from './morning';
import type { Pour, Task } from './work';

export interface Busy {
  readonly from: number;
  readonly to: number;
}
interface OnSurface extends Busy {
  readonly places: number;
  readonly allergens: readonly Allergen[];
  readonly without: readonly Allergen[];
}
interface InOven extends Busy {
  readonly c: number;
  readonly places: number;
}

export const EPS = 1e-6;
export const meet = (a: Busy, from: number, to: number): boolean => a.from < to - EPS && from < a.to - EPS;
export const holdsAny = (a: readonly Allergen[], b: readonly Allergen[]): boolean => a.some((x) => b.includes(x));

/** Who may do it, the best first: what is a cook's a helper does only where there is no cook. */
const CAN: Readonly<Record<Task['who'], readonly MorningRole[]>> = {
  cook: ['cook', 'lead'],
  helper: ['helper', 'cook', 'lead'],
  child: ['child', 'helper', 'cook', 'lead'],
};
/** Scraped, washed, wiped and hot again, min. Ours; whether that is enough the house and the local code decide. */
export const CLEAN_MIN = 10;

/** Everything that is shared: who and what is bound when. */
export class Counter {
  private readonly hands: Map<Person, Busy[]>;
  private readonly on: Map<MorningSurface, OnSurface[]>;
  private readonly ovens: { readonly name: string; readonly places: number; readonly uses: InOven[] }[];
  private readonly pans: Busy[] = [];
  private readonly cleanings = new Map<MorningSurface, Busy[]>();
  /** Benches where nobody cooks: helpers do what is a cook's. */
  private readonly noCook: ReadonlySet<string | null>;
  /** Sorted, each once. */
  private readonly edgesAt: number[] = [];

  constructor(private readonly m: Morning) {
    this.hands = new Map(m.people.map((p) => [p, []]));
    this.on = new Map(m.surfaces.filter((s) => s.kind !== 'oven').map((s) => [s, []]));
    this.ovens = ovensOf(m).map((o) => ({ ...o, uses: [] }));
    const benches = new Set(m.people.map((p) => p.bench ?? null));
    const cooks = m.people.filter((p) => p.role === 'cook' || p.role === 'lead').map((p) => p.bench ?? null);
    this.noCook = new Set([...benches].filter((b) => !cooks.includes(b)));
    for (const p of m.people) this.edge(p.to);
    for (const x of this.on.keys()) if (x.to !== null) this.edge(x.to);
  }

  /** Whose hands are free, the best first; a child only does what is a child's. @param bench whose own hands alone */
  whose(who: Task['who'], from: number, handsMin: number, bench: string | null): Person | null {
    const roles = who === 'cook' && this.noCook.has(bench) ? [...CAN.cook, 'helper' as const] : CAN[who];
    for (const role of roles) {
      const free = [...this.hands]
        .filter(([p]) => p.role === role && (p.bench ?? null) === bench && this.isFree(p, from, handsMin))
        // of two the one who has done less
        .sort(([, a], [, b]) => a.reduce((x, y) => x + y.to - y.from, 0) - b.reduce((x, y) => x + y.to - y.from, 0));
      if (free[0]) return free[0][0];
    }
    return null;
  }
  /** Whether somebody is there, and has nothing else in hand. */
  isFree(p: Person, from: number, handsMin: number): boolean {
    const to = from + handsMin;
    return p.from <= from + EPS && to <= p.to + EPS && !this.hands.get(p)?.some((b) => meet(b, from, to));
  }
  bindHands(p: Person, from: number, handsMin: number): void {
    this.hands.get(p)?.push({ from, to: from + handsMin });
    this.edge(from);
  }

  oven(c: number, from: number, to: number, places: number): (typeof this.ovens)[number] | null {
    return (
      this.ovens.find((o) => {
        const at = o.uses.filter((u) => meet(u, from, to));
        return (
          at.every((u) => u.c === c) && at.reduce((a, u) => a + u.places, 0) + places <= Math.max(o.places, places)
        );
      }) ?? null
    );
  }
  bindOven(name: string, use: InOven): void {
    this.ovens.find((o) => o.name === name)?.uses.push(use);
    this.edge(use.from);
  }

  /** A pan on the hob is free. */
  hob(from: number, to: number): boolean {
    return this.pans.filter((b) => meet(b, from, to)).length < this.m.hob;
  }
  bindHob(from: number, to: number): void {
    this.pans.push({ from, to });
    this.edge(from);
  }

  /** Why a load does not lie there; null: it does; a number: it does where the place is cleaned from then on. */
  lies(s: MorningSurface, p: Pour, from: number, to: number, places: number): 'surface' | 'allergen' | number | null {
    if ((s.from ?? Number.NEGATIVE_INFINITY) > from + EPS || to > (s.to ?? Number.POSITIVE_INFINITY) + EPS)
      return 'surface';
    const all = this.on.get(s) ?? [];
    const beside = all.filter((b) => meet(b, from, to));
    if (beside.reduce((a, b) => a + b.places, 0) + places > s.places) return 'surface';
    const apart = (b: OnSurface): boolean => holdsAny(b.allergens, p.without) || holdsAny(p.allergens, b.without);
    if (beside.some(apart)) return 'allergen';
    // what lay there before it, and what will lie there after it, with no cleaning between
    const cleaned = (a: number, b: number): boolean =>
      (this.cleanings.get(s) ?? []).some((c) => c.from >= a - EPS && c.to <= b + EPS);
    const had = all.some((b) => b.to <= from + EPS && holdsAny(b.allergens, p.without) && !cleaned(b.to, from));
    const will = all
      .filter((b) => b.from >= to - EPS && holdsAny(p.allergens, b.without) && !cleaned(to, b.from))
      .map((b) => b.from);
    if (!had && will.length === 0) return null;
    const until = will.length > 0 ? Math.min(...will) : from;
    const clean = until - CLEAN_MIN;
    if (had && will.length > 0) return 'allergen';
    const lastBefore = had ? Math.max(...all.filter((b) => b.to <= from + EPS).map((b) => b.to)) : to;
    return clean >= lastBefore - EPS && !all.some((b) => meet(b, clean, until)) ? clean : 'allergen';
  }
  clean(s: MorningSurface, from: number): void {
    this.cleanings.set(s, [...(this.cleanings.get(s) ?? []), { from, to: from + CLEAN_MIN }]);
    this.on.get(s)?.push({ from, to: from + CLEAN_MIN, places: s.places, allergens: [], without: [] });
    this.edge(from);
  }
  bindSurface(s: MorningSurface, load: OnSurface): void {
    this.on.get(s)?.push(load);
    this.edge(load.from);
  }

  /** Something begins then, or somebody goes, or a surface: what comes before it may end there. */
  private edge(at: number): void {
    const n = this.edgeFrom(at);
    if (this.edgesAt[n] !== at) this.edgesAt.splice(n, 0, at);
  }
  /** The first of the edges that is not before a moment. */
  private edgeFrom(at: number): number {
    let [low, high] = [0, this.edgesAt.length];
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((this.edgesAt[mid] ?? 0) < at) low = mid + 1;
      else high = mid;
    }
    return low;
  }

  /**
   * Moments at which something of so long could begin, the latest first: then, and just before what is bound already.
   * The rest is worked out only where the first will not do.
   */
  *edges(lengths: readonly number[], before: number): Generator<number> {
    yield before;
    const at = lengths.map((l) => this.edgeFrom(before + l) - 1);
    for (let last = before; ; ) {
      let best = -1;
      let from = Number.NEGATIVE_INFINITY;
      for (const [n, l] of lengths.entries()) {
        const e = this.edgesAt[at[n] ?? -1];
        if (e !== undefined && (best < 0 || e - l > from)) [best, from] = [n, e - l];
      }
      if (best < 0) return;
      at[best] = (at[best] ?? 0) - 1;
      if (from >= last) continue;
      last = from;
      yield from;
    }
  }
}
