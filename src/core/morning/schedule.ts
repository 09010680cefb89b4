/**
 * One schedule over a whole morning: every step as late as what follows lets it, and no pair of hands, place, oven or
 * pan twice at once. Minutes from midnight.
 */
import { HEAT_UP_MIN } from '../script/on-heat';
import { type Busy, CLEAN_MIN, Counter, EPS, holdsAny, meet } from './counter';
import { clockOf, type Morning, type MorningSurface, ovensOf, type Person, type Pin, takesKind } from './morning';
import { type BegunMorning, type PlacedStep, type Pour, plateId, type Task, task, type Work } from './work';

/** What found no place: it stands where it would be wanted, with nobody to do it or nothing to lie on. */
interface Homeless {
  readonly id: string;
  readonly batch: string | null;
  readonly dish: string | null;
  readonly wave: number | null;
  /** `late`: the cook has put it at a time after it is wanted. */
  readonly what: 'hands' | 'surface' | 'allergen' | 'early' | 'late';
  /**
   * Of a step: how much earlier than anybody is there, or than it has been put, it would have to begin, min, at least 1;
   * of pieces 0.
   */
  readonly shortMin: number;
  readonly pieces: number;
}

/** What is taken when a step is put at a time. */
type Lack = 'hands' | 'oven' | 'hob';

/** Whose hands do a step, and in which oven; null: it needs none. */
interface Fit {
  readonly who: Person | null;
  readonly oven: string | null;
}

interface Unpinned {
  readonly id: string;
  readonly lacks: Lack;
}

export interface Scheduled {
  readonly steps: readonly PlacedStep[];
  readonly homeless: readonly Homeless[];
  /** Steps that the cook has put at a time at which they can't be done. */
  readonly unpinned: readonly Unpinned[];
  /** When each plate step ends, by its id. */
  readonly plated: ReadonlyMap<string, number>;
}

/**
 * Surfaces of their own for what has to be without an allergen that others bring: the smallest there is, where the
 * others have another one. @returns for which dishes a surface is kept
 */
function reserved(work: Work, m: Morning): ReadonlyMap<MorningSurface, ReadonlySet<string>> {
  const out = new Map<MorningSurface, Set<string>>();
  const dishes = [...new Map(work.pours.map((p) => [p.dish, p])).values()];
  const apart = (a: Pour, b: Pour): boolean => holdsAny(a.allergens, b.without) || holdsAny(b.allergens, a.without);
  for (const d of dishes) {
    const against = dishes.filter((o) => o.dish !== d.dish && o.bench === d.bench && apart(d, o));
    if (d.without.length === 0 || against.length === 0) continue;
    const own = m.surfaces
      .filter((s) => (s.bench ?? null) === d.bench && takesKind(s, d.kind) && s.kind !== 'oven')
      .sort((a, b) => a.places - b.places)
      .find((s) => {
        const others = m.surfaces.filter((x) => x !== s && !out.has(x));
        const mates = out.get(s);
        if (mates) return [...mates].every((id) => dishes.every((o) => o.dish !== id || !apart(o, d)));
        return against.every((o) => !takesKind(s, o.kind) || others.some((x) => takesKind(x, o.kind)));
      });
    if (!own) continue;
    const friends = dishes.filter((o) => o.dish === d.dish || !apart(o, d)).map((o) => o.dish);
    out.set(own, new Set(out.get(own) ? [...(out.get(own) ?? [])].filter((x) => friends.includes(x)) : friends));
  }
  return out;
}

/** Of a pour, what is left to lie on the heat. */
interface Open {
  readonly pour: Pour;
  left: number;
  loads: number;
}

/** Where and when a load lies, and who is at it. */
interface Spot {
  readonly from: number;
  readonly on: MorningSurface | null;
  readonly oven: string | null;
  readonly who: Person;
  readonly places: number;
  /** The place is cleaned before it, or after it, from then on. */
  readonly clean: { readonly from: number; readonly who: Person } | null;
}

/** Places a morning's work from its end: what can be latest has the first choice of hands. */
class Placing {
  readonly placed: PlacedStep[] = [];
  readonly homeless: Homeless[] = [];
  readonly unpinned: Unpinned[] = [];
  readonly plated = new Map<string, number>();
  private readonly counter: Counter;
  private readonly earliest: number;
  private readonly startOf = new Map<string, number>();
  private readonly tasks: Set<Task>;
  private readonly open: readonly Open[];
  /** What is poured after a task, by its id. */
  private readonly poured = new Map<string, Open[]>();
  private readonly firstOn = new Map<string, number>();
  private readonly needing = new Map<string, string[]>();
  private readonly kept: ReadonlyMap<MorningSurface, ReadonlySet<string>>;
  private readonly ovenPlaces: number;
  /** Steps that stand where the cook has put them, with their hands. */
  private readonly pinned = new Map<string, Fit & { readonly from: number }>();

  constructor(
    work: Work,
    private readonly m: Morning,
    private readonly plateBy: ReadonlyMap<string, number>,
    private readonly begun: BegunMorning | null,
  ) {
    this.counter = new Counter(m);
    this.earliest = Math.max(begun?.now ?? Number.NEGATIVE_INFINITY, Math.min(...m.people.map((p) => p.from)));
    const stays = new Set(begun?.steps.map((s) => s.id));
    this.tasks = new Set(work.tasks.filter((t) => !stays.has(t.id)));
    this.open = work.pours.map((pour) => {
      const loads = begun?.steps.filter((s) => s.id.startsWith(`${pour.id} round `)) ?? [];
      const left = Math.max(0, pour.pieces - loads.reduce((a, s) => a + s.places, 0));
      const last = Math.max(0, ...loads.map((s) => Number(s.id.split(' ').at(-1))));
      if (loads.length > 0) this.startOf.set(pour.id, Math.min(...loads.map((s) => s.from)));
      return { pour, left, loads: last };
    });
    for (const o of this.open) for (const n of o.pour.needs) this.poured.set(n, [...(this.poured.get(n) ?? []), o]);
    for (const x of [...work.tasks, ...work.pours])
      for (const n of x.needs) this.needing.set(n, [...(this.needing.get(n) ?? []), x.id]);
    this.kept = reserved(work, m);
    this.ovenPlaces = Math.max(1, ...ovensOf(m).map((o) => o.places));
    for (const s of begun?.steps ?? []) this.stay(s);
    for (const t of this.tasks) this.pin(t);
  }

  /**
   * What the cook has put at a time has its hands, its oven and its pan on the hob before anything else; where one of
   * them is taken then, it is placed as usual.
   */
  private pin(t: Task): void {
    const from = this.pinOf(t)?.from ?? null;
    if (from === null) return;
    const fit = this.fits(t, from);
    if (typeof fit === 'string') {
      this.unpinned.push({ id: t.id, lacks: fit });
      return;
    }
    this.bindTask(t, from, fit);
    this.pinned.set(t.id, { from, ...fit });
  }
  private pinOf = (t: Task): Pin | undefined => this.m.pins?.find((p) => p.step === t.id);

  /** What has begun keeps its hands and its place. */
  private stay(s: PlacedStep): void {
    const { from, to, places } = s;
    const who = this.m.people.find((p) => p.name === s.by);
    if (who) this.counter.bindHands(who, from, s.handsMin);
    const on = this.m.surfaces.find((x) => x.name === s.on && x.kind !== 'oven');
    if (on && s.id.startsWith('clean ')) this.counter.clean(on, from);
    else if (on && s.dish !== null) {
      this.counter.bindSurface(on, { from, to, places, allergens: s.allergens, without: s.without });
      this.firstOn.set(on.name, Math.min(this.firstOn.get(on.name) ?? from, from));
    }
    if (s.oven !== null && s.ovenC !== null) this.counter.bindOven(s.oven, { from, to, c: s.ovenC, places });
    if (s.hob) this.counter.bindHob(from, to);
    this.startOf.set(s.id, from);
    if (this.plateBy.has(s.id)) this.plated.set(s.id, to);
    this.placed.push(s);
  }

  run(): void {
    let heated = false;
    for (;;) {
      if (!heated && this.open.every((o) => o.left <= 0)) {
        heated = true;
        this.heats();
      }
      const next = this.latestOpen();
      if (!next) break;
      if ('pour' in next.x) this.load(next.x, next.by);
      else {
        this.tasks.delete(next.x);
        this.place(next.x, next.by);
      }
    }
    this.selfStarted();
    this.placed.sort((a, b) => a.from - b.from || a.to - b.to || (a.id < b.id ? -1 : 1));
  }

  /** What needs no hands begins by itself when what is before it is over, and goes on until it is wanted. */
  private selfStarted(): void {
    const ends = new Map(this.placed.map((p) => [p.id, p.to]));
    this.placed.forEach((p, n) => {
      if (this.begun?.steps.includes(p)) return;
      const over = p.needs.map((x) => ends.get(x)).filter((x) => x !== undefined);
      if (p.handsMin > 0 || p.oven !== null || p.on !== null || over.length === 0) return;
      this.placed[n] = { ...p, from: Math.min(p.from, Math.max(...over)) };
    });
  }

  /** When something has to be over; null: what follows it has no place yet. */
  private boundOf(id: string): number | null {
    let by = this.plateBy.get(id) ?? Number.POSITIVE_INFINITY;
    for (const a of this.needing.get(id) ?? []) {
      const start = this.startOf.get(a);
      if (start === undefined) return null;
      by = Math.min(by, start);
    }
    return by === Number.POSITIVE_INFINITY ? Math.max(...this.plateBy.values()) : by;
  }

  /** Of what has all that follows it placed, the one that can be latest. */
  private latestOpen(): { readonly by: number; readonly x: Open | Task } | undefined {
    let best: { readonly by: number; readonly x: Open | Task } | undefined;
    const look = (by: number | null | undefined, x: Open | Task): void => {
      if (by === null || by === undefined) return;
      // of two of one bowl that can be equally late, the one that is usually done later
      const isLater = !('pour' in x) && best && !('pour' in best.x) && x.batch !== null && x.batch === best.x.batch;
      if (best === undefined || by > best.by || (by === best.by && isLater)) best = { by, x };
    };
    for (const o of this.open) if (o.left > 0) look(this.startOf.get(plateId(o.pour.dish, o.pour.wave)), o);
    // a pour is over when all of it lies: until then what it needs has no bound
    for (const t of this.tasks) if (!this.poured.get(t.id)?.some((o) => o.left > 0)) look(this.boundOf(t.id), t);
    return best;
  }

  /** Surfaces are heated for their first load. */
  private heats(): void {
    for (const s of this.m.surfaces) {
      const first = this.firstOn.get(s.name);
      if (first === undefined) continue;
      const id = `heat ${s.name}`;
      if (this.begun?.steps.some((x) => x.id === id)) continue;
      const name = `Heat ${s.name}`;
      const t = task({ id, name, min: HEAT_UP_MIN[s.kind], handsMin: 1, bench: s.bench ?? null });
      this.tasks.add(t);
      this.pin(t);
      this.needing.set(id, [`first on ${s.name}`]);
      this.startOf.set(`first on ${s.name}`, first);
    }
  }

  /** Whose hands do a task from then on, and in which oven; or what is not free for it. */
  private fits(t: Task, from: number): Fit | Lack {
    const to = from + t.min;
    const oven = t.ovenC === null ? null : (this.counter.oven(t.ovenC, from, to, 0)?.name ?? null);
    if (t.handsMin > 0 && from < this.earliest - EPS) return 'hands';
    if (t.ovenC !== null && oven === null) return 'oven';
    if (t.hob && !this.counter.hob(from, to)) return 'hob';
    if (t.handsMin <= 0) return { who: null, oven };
    const by = this.pinOf(t)?.by ?? null;
    const own = by === null ? undefined : this.m.people.find((p) => p.name === by);
    const free = own ? this.counter.isFree(own, from, t.handsMin) : false;
    const who = own ? (free ? own : null) : this.counter.whose(t.who, from, t.handsMin, t.bench);
    return who ? { who, oven } : 'hands';
  }

  private bindTask(t: Task, from: number, { who, oven }: Fit): void {
    const to = from + t.min;
    if (who) this.counter.bindHands(who, from, t.handsMin);
    if (oven !== null && t.ovenC !== null) this.counter.bindOven(oven, { from, to, c: t.ovenC, places: 0 });
    if (t.hob) this.counter.bindHob(from, to);
  }

  /** The latest moment at which a task goes, and what it has then; null: none does. @param wanted when it is to begin */
  private latestFor(t: Task, wanted: number): (Fit & { readonly from: number }) | null {
    const stands = this.pinned.get(t.id);
    if (stands) return stands.from <= wanted + EPS ? stands : null;
    for (const from of this.counter.edges([t.min, t.handsMin], wanted)) {
      const fit = this.fits(t, from);
      if (typeof fit !== 'string') return { from, ...fit };
    }
    return null;
  }

  private place(t: Task, by: number): void {
    const wanted = by - t.min;
    const stands = this.pinned.get(t.id);
    const found = this.latestFor(t, wanted);
    // what nobody can do binds nothing
    const { from, who, oven } = found ?? { from: wanted, who: null, oven: null };
    if (!found) {
      // it is wanted before anybody is there, or before the time at which it has been put
      const shortMin = Math.max(0, (stands?.from ?? this.earliest) - wanted);
      this.homeless.push({
        id: t.id,
        batch: t.batch,
        dish: null,
        wave: null,
        what: stands ? 'late' : shortMin > 0 ? 'early' : 'hands',
        shortMin: Math.max(1, shortMin),
        pieces: 0,
      });
    }
    const to = from + t.min;
    const hob = t.hob && found !== null;
    if (found && !stands) this.bindTask(t, from, found);
    this.startOf.set(t.id, from);
    if (this.plateBy.has(t.id)) this.plated.set(t.id, to);
    const { id, batch, name, handsMin, ovenC, keepsMin, allergens, needs } = t;
    this.placed.push({
      ...BINDS_NOTHING,
      id,
      batch,
      name,
      from,
      to,
      by: who?.name ?? null,
      handsMin,
      ovenC,
      oven,
      hob,
      keepsMin,
      allergens,
      needs,
    });
  }

  /** Where a load could lie from then on; or why it does not. */
  private spotAt(o: Open, from: number, surfaces: readonly MorningSurface[]): Spot | 'hands' | 'surface' | 'allergen' {
    const { pour: p } = o;
    const who = this.counter.whose('helper', from, p.handsMin, p.bench);
    if (!who) return 'hands';
    if (p.ovenC !== null) {
      const oven = this.counter.oven(p.ovenC, from, from + p.cycleMin, Math.min(o.left, this.ovenPlaces));
      const places = oven ? Math.min(o.left, oven.places) : 0;
      return oven ? { from, on: null, oven: oven.name, who, places, clean: null } : 'surface';
    }
    let best: Spot | null = null;
    let cleaned: Spot | null = null;
    let why: 'surface' | 'allergen' = 'surface';
    for (const on of surfaces) {
      const places = Math.min(o.left, on.places);
      const no = this.counter.lies(on, p, from, from + p.cycleMin, places);
      if (no === 'allergen') why = no;
      if (no === null && (best === null || places > best.places))
        best = { from, on, oven: null, who, places, clean: null };
      if (typeof no === 'number' && !cleaned && !meet({ from, to: from + p.handsMin }, no, no + CLEAN_MIN)) {
        const by = this.counter.whose('helper', no, CLEAN_MIN, p.bench);
        if (by) cleaned = { from, on, oven: null, who, places, clean: { from: no, who: by } };
      }
    }
    return best ?? cleaned ?? why;
  }

  /** One load of a pour, as late as it can lie somewhere; a place that has to be cleaned for it comes last. */
  private load(o: Open, by: number): void {
    const { pour: p } = o;
    const surfaces = this.m.surfaces.filter(
      (s) => (s.bench ?? null) === p.bench && takesKind(s, p.kind) && (this.kept.get(s)?.has(p.dish) ?? true),
    );
    const reasons = new Set<string>();
    let spot: Spot | null = null;
    let fallback: Spot | null = null;
    for (const from of this.counter.edges([p.cycleMin, p.handsMin], by - p.cycleMin)) {
      if (from < this.earliest - EPS) break;
      const at = this.spotAt(o, from, surfaces);
      if (typeof at === 'string') reasons.add(at);
      else if (at.clean) fallback ??= at;
      else {
        spot = at;
        break;
      }
    }
    const found = spot ?? fallback;
    if (found) {
      this.bind(o, found);
      return;
    }
    const what = reasons.has('allergen')
      ? 'allergen'
      : surfaces.length > 0 && reasons.has('hands')
        ? 'hands'
        : 'surface';
    this.homeless.push({
      id: `${p.id} round ${o.loads + 1}`,
      batch: p.batch,
      dish: p.dish,
      wave: p.wave,
      what,
      shortMin: 0,
      pieces: o.left,
    });
    o.left = 0;
    // what it needs is wanted when it would have been
    if (!this.startOf.has(p.id)) this.startOf.set(p.id, by - p.cycleMin);
  }

  private bind(o: Open, { from, on, oven, who, places, clean }: Spot): void {
    const { pour: p } = o;
    const to = from + p.cycleMin;
    if (on && clean) {
      this.counter.clean(on, clean.from);
      this.counter.bindHands(clean.who, clean.from, CLEAN_MIN);
      const id = `clean ${on.name} ${clockOf(clean.from)}`;
      const name = `Clean ${on.name}, scraped and washed`;
      const span = { from: clean.from, to: clean.from + CLEAN_MIN, by: clean.who.name, handsMin: CLEAN_MIN };
      this.placed.push({ ...BINDS_NOTHING, id, name, ...span, on: on.name, places: on.places });
    }
    this.counter.bindHands(who, from, p.handsMin);
    if (on) {
      this.counter.bindSurface(on, { from, to, places, allergens: p.allergens, without: p.without });
      this.firstOn.set(on.name, Math.min(this.firstOn.get(on.name) ?? from, from));
    } else if (oven !== null) this.counter.bindOven(oven, { from, to, c: p.ovenC ?? 0, places });
    o.left -= places;
    o.loads++;
    this.startOf.set(p.id, Math.min(this.startOf.get(p.id) ?? from, from));
    this.placed.push({
      ...BINDS_NOTHING,
      id: `${p.id} round ${o.loads}`,
      batch: p.batch,
      dish: p.dish,
      name: p.name,
      from,
      to,
      by: who.name,
      handsMin: p.handsMin,
      on: on?.name ?? oven,
      places,
      ovenC: p.ovenC,
      oven,
      allergens: p.allergens,
      without: p.without,
      needs: on ? [...p.needs, `heat ${on.name}`] : p.needs,
      wave: p.wave,
    });
  }
}

/** A step that binds nothing. */
export const BINDS_NOTHING: Omit<PlacedStep, keyof Busy | 'id' | 'name'> = {
  batch: null,
  dish: null,
  by: null,
  handsMin: 0,
  on: null,
  places: 0,
  ovenC: null,
  oven: null,
  hob: false,
  keepsMin: null,
  allergens: [],
  without: [],
  needs: [],
  wave: null,
};

/**
 * @param plateBy when each plate has to be over, by the id of its step
 * @param begun what stays as it is
 * @returns every step placed; what found no place, and why
 */
export function scheduled(
  work: Work,
  m: Morning,
  plateBy: ReadonlyMap<string, number>,
  begun: BegunMorning | null = null,
): Scheduled {
  const p = new Placing(work, m, plateBy, begun);
  p.run();
  return { steps: p.placed, homeless: p.homeless, unpinned: p.unpinned, plated: p.plated };
}
