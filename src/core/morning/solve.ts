/**
 * A morning solved: the schedule, the plates of each wave as they will be, what can't be met, and for each of that the
 * cheapest ways out, worked. Minutes from midnight.
 */

import { allergenName } from '../pantry/ingredient';
import { asRead, counted } from '../quantity/say';
import type { Result } from '../result';
import { HEAT_UP_MIN, HOLDS_MIN, PLATE_MIN } from '../script/on-heat';
import { changedMorning, type MorningChange } from './changes';
import { clockOf, type Morning, ovensOf, platesWanted, SURFACES_FOR, type SurfaceKind, takesKind } from './morning';
import { BINDS_NOTHING, type Scheduled, scheduled } from './schedule';
import {
  type BegunMorning,
  type DishMade,
  type KnownBowls,
  type MorningAsked,
  type MorningBowl,
  type PlacedStep,
  plateId,
  type Work,
  workOf,
} from './work';

interface PlatesOf {
  /** From 0. */
  readonly wave: number;
  readonly dish: string;
  readonly wanted: number;
  /** By the wave's time. */
  readonly ready: number;
  /** When all of them are; null: some never are. */
  readonly at: number | null;
}

interface WayOut {
  readonly label: string;
  readonly effect: string;
  /** What is changed when it is taken. */
  readonly change: MorningChange;
}

interface Unmet {
  readonly what: string;
  /** How far, min: how late, how much too long, how much too early; pieces where something has no place at all. */
  readonly by: number;
  readonly waysOut: readonly WayOut[];
}

export interface SolvedMorning {
  readonly bowls: readonly MorningBowl[];
  readonly steps: readonly PlacedStep[];
  readonly plates: readonly PlatesOf[];
  readonly unmet: readonly Unmet[];
}

/** Pieces wait so long without a low oven, min. */
const UNDER_A_CLOTH_MIN = 8;
/** Times of day as the house writes them. */
const clockIn =
  (q: Pick<MorningAsked, 'house'>) =>
  (min: number): string =>
    clockOf(min, q.house.units.clock);

const MOST_ROUNDS = 24;
/** Later and later without a gain, it is given up; a way out, which is one of many, sooner. */
const MOST_IDLE = 8;
const MOST_IDLE_OF_A_WAY = 3;
const MOST_APART = 3;
const LATER_BY = 5;

interface Told {
  readonly key: string;
  readonly what: string;
  readonly by: number;
  readonly dish: string | null;
  readonly wave: number | null;
}

interface Attempt {
  readonly work: Work;
  readonly scheduled: Scheduled;
  /** Minutes that a wave's plates of a dish go later, by the plate's id. */
  readonly late: ReadonlyMap<string, number>;
}

/** The plates of the first wave that hangs on what found no place, by their step; null: none does alone. */
function hangsOn(work: Work, h: Scheduled['homeless'][number]): string | null {
  const bowl = work.bowls.find((b) => b.id === h.batch);
  const wave = h.wave ?? (bowl ? Math.min(...bowl.waves) : null);
  const dish = h.dish ?? bowl?.dish;
  return wave === null || dish === undefined ? null : plateId(dish, wave);
}

/** Schedules it, later and later where it does not go, until it does. */
function attempt(work: Work, m: Morning, begun: BegunMorning | null, mostIdle: number): Attempt {
  const late = new Map<string, number>();
  const by = (): ReadonlyMap<string, number> =>
    new Map(
      work.tasks.flatMap(({ id, plates }) =>
        plates === null ? [] : [[id, (m.waves[plates]?.at ?? 0) + (late.get(id) ?? 0)]],
      ),
    );
  /** How much has no place: pieces, and minutes that steps would begin too early. */
  const lost = (s: Scheduled): number => s.homeless.reduce((a, h) => a + h.pieces + h.shortMin, 0);
  let now = scheduled(work, m, by(), begun);
  let best = { scheduled: now, late: new Map(late) };
  for (let round = 0, idle = 0; round < MOST_ROUNDS && idle <= mostIdle && now.homeless.length > 0; round++) {
    const moves = new Map<string, number>();
    for (const h of now.homeless) {
      const id = hangsOn(work, h);
      if (id === null) continue;
      const isShort = h.what === 'early' || h.what === 'late';
      const by = isShort ? Math.max(1, h.shortMin) : LATER_BY * (1 + Math.floor(idle / 2));
      moves.set(id, Math.max(moves.get(id) ?? 0, by));
    }
    if (moves.size === 0) break;
    for (const [id, min] of moves) late.set(id, (late.get(id) ?? 0) + min);
    now = scheduled(work, m, by(), begun);
    if (lost(now) < lost(best.scheduled)) {
      best = { scheduled: now, late: new Map(late) };
      idle = 0;
    } else idle++;
  }
  return { work, ...best };
}

/** What is told of a dish that holds what it has to be without begins so. */
const HOLDS = 'holds ';

/** How much longer than it may a bowl stands before its last is on the heat, min. */
function overstands(b: MorningBowl, { scheduled: s }: Attempt): number {
  if (b.standsMin === null) return 0;
  const made = Math.max(...s.steps.filter((x) => b.ready.includes(x.id)).map((x) => x.to));
  const last = Math.max(...s.steps.filter((x) => x.batch === b.id && x.wave !== null).map((x) => x.from));
  return last - made - b.standsMin;
}

function solvedOnce(
  q: MorningAsked,
  known: KnownBowls,
  mostIdle = MOST_IDLE,
): Result<
  { readonly tried: Attempt; readonly told: readonly Told[] },
  { readonly dish: number; readonly message: string }
> {
  const apart = new Map<string, number>();
  for (let round = 0; ; round++) {
    const w = workOf(q, known, apart);
    if (!w.ok) return w;
    const work = w.value;
    const tried = attempt(work, q.morning, q.begun ?? null, mostIdle);
    const over = work.bowls.filter((b) => overstands(b, tried) > 0.5);
    const more = over.filter((b) => (apart.get(b.dish) ?? 0) < MOST_APART);
    if (more.length === 0 || round >= MOST_APART) return { ok: true, value: { tried, told: toldOf(q, tried) } };
    for (const b of new Set(more.map((x) => x.dish))) apart.set(b, (apart.get(b) ?? 0) + 1);
  }
}

/** Plates of each wave and dish as the schedule has them. */
function platesOf(q: MorningAsked, { work, scheduled: s, late }: Attempt): readonly PlatesOf[] {
  const m = q.morning;
  return q.dishes.flatMap((d, n) =>
    (platesWanted(m)[n] ?? []).flatMap((wanted, wave): PlatesOf[] => {
      if (wanted === 0) return [];
      const id = plateId(d.id, wave);
      const at = m.waves[wave]?.at ?? 0;
      const loads = s.steps.filter((x) => x.dish === d.id && x.wave === wave);
      const lost = s.homeless.filter((h) => h.dish === d.id && h.wave === wave).reduce((a, h) => a + h.pieces, 0);
      const over = s.plated.get(id) ?? at + (late.get(id) ?? 0);
      // a minute is nobody's
      const onTime = lost === 0 && over <= at + 1;
      const pieces = loads.filter((x) => x.to <= at - PLATE_MIN + 0.5).reduce((a, x) => a + x.places, 0);
      const made = work.tasks.some((x) => x.id === id);
      return [
        {
          wave,
          dish: d.id,
          wanted,
          ready: !made ? 0 : onTime ? wanted : Math.min(wanted - 1, Math.floor(pieces / d.each + 1e-9)),
          at: lost > 0 || !made ? null : over,
        },
      ];
    }),
  );
}

/** What is not as it should be of the plates of one wave and dish. */
function toldOfPlates(q: MorningAsked, s: Scheduled, p: PlatesOf): readonly Told[] {
  const d = q.dishes.find((x) => x.id === p.dish);
  if (!d) return [];
  const at = q.morning.waves[p.wave]?.at ?? 0;
  const one = { dish: p.dish, wave: p.wave };
  const key = `${p.dish} ${p.wave}`;
  const title = `${d.name} for ${clockIn(q)(at)}`;
  const told: Told[] = [];
  if (p.ready < p.wanted && p.at !== null)
    told.push({
      ...one,
      key: `late ${key}`,
      what: `${title}: ${p.ready} of ${p.wanted} plates by then, the last at ${clockIn(q)(p.at)}.`,
      by: p.at - at,
    });
  else if (p.ready < p.wanted) {
    const lost = s.homeless.filter((h) => h.dish === p.dish && h.wave === p.wave);
    const pieces = lost.reduce((a, h) => a + h.pieces, 0);
    const lit = q.morning.surfaces.some((x) => takesKind(x, d.kind)) || d.kind === 'oven';
    const why = lost.some((h) => h.what === 'allergen')
      ? 'no place for them that has had none of what they have to be without'
      : lit
        ? 'no place and no hands for them in time'
        : 'nothing is lit that they can be made on';
    told.push({ ...one, key: `place ${key}`, what: `${title}: ${pieces} pieces, ${why}.`, by: pieces });
  }
  const holds = HOLDS_MIN[d.kind];
  const waits = s.steps
    .filter((x) => x.dish === p.dish && x.wave === p.wave)
    .map((x) => ({ places: x.places, min: (p.at ?? at) - PLATE_MIN - x.to }));
  const longest = Math.max(0, ...waits.map((w) => w.min));
  if (longest > holds + 0.5) {
    const pieces = waits.filter((w) => w.min > holds).reduce((a, w) => a + w.places, 0);
    told.push({
      ...one,
      key: `held ${key}`,
      what: `${counted(pieces, 'pieces')} of ${title} ${pieces === 1 ? 'is' : 'are'} off the heat up to ${Math.round(longest)} min before; ${pieces === 1 ? 'it holds' : 'they hold'} for ${holds}.`,
      by: longest - holds,
    });
  }
  return told;
}

/** What stands longer than it keeps before what follows it; a bowl's batter is told by its bowl. */
function keptTooLong({ work, scheduled: s }: Attempt): readonly Told[] {
  const ready = new Set(work.bowls.flatMap((b) => b.ready));
  return s.steps.flatMap((x): Told[] => {
    if (x.keepsMin === null || ready.has(x.id)) return [];
    const pours = work.pours.filter((p) => p.needs.includes(x.id)).map((p) => `${p.id} `);
    const next = s.steps
      .filter((f) => f.needs.includes(x.id) || pours.some((p) => f.id.startsWith(p)))
      .map((f) => f.from);
    const over = next.length === 0 ? 0 : Math.min(...next) - x.to - x.keepsMin;
    const what = `After “${x.name}” it would stand ${Math.round(over)} min longer than it keeps.`;
    return over > 1 ? [{ key: `keep ${x.id}`, dish: null, wave: null, what, by: over }] : [];
  });
}

/** Dishes whose own ingredients bring what they have to be without: no place and no time mends that. */
function heldAllTheSame(q: MorningAsked, { work }: Attempt): readonly Told[] {
  return q.dishes.flatMap((d): Told[] => {
    const bowls = work.bowls.filter((b) => b.dish === d.id);
    const held = d.without.filter((a) => bowls.some((b) => b.allergens.includes(a))).map(allergenName);
    if (held.length === 0) return [];
    const them = held.length === 1 ? 'it' : 'them';
    const what = `${d.name}: asked for without ${held.join(' and ')}, and its own ingredients hold ${them}.`;
    return [{ key: `${HOLDS}${d.id}`, dish: d.id, wave: null, what, by: bowls.reduce((a, b) => a + b.pieces, 0) }];
  });
}

/** Why a step can't stand where the cook has put it. */
const TAKEN = {
  hands: 'nobody is free for it',
  oven: 'no oven is free at its heat',
  hob: 'no place on the hob is free',
} as const;

/** What is not as it should be, worst first. */
function toldOf(q: MorningAsked, t: Attempt): readonly Told[] {
  const m = q.morning;
  const s = t.scheduled;
  const whole = { dish: null, wave: null };
  const told: Told[] = [...heldAllTheSame(q, t), ...platesOf(q, t).flatMap((p) => toldOfPlates(q, s, p))];
  for (const h of s.homeless.filter((x) => x.dish === null)) {
    // what is heated is no task of a bowl, and is placed like one
    const task = s.steps.find((x) => x.id === h.id);
    const pin = m.pins?.find((p) => p.step === h.id)?.from ?? null;
    const what =
      h.what === 'late' && pin !== null
        ? `${task?.name} has been put at ${clockIn(q)(pin)}, ${Math.round(h.shortMin)} min after it is wanted.`
        : h.what === 'early'
          ? `${task?.name} would have to begin ${Math.round(h.shortMin)} min before anybody is there.`
          : `Nobody has a hand free for it in time: ${task?.name}.`;
    if (task) told.push({ ...whole, key: `hands ${h.id}`, what, by: h.shortMin });
  }
  for (const { id, lacks } of s.unpinned) {
    const pin = m.pins?.find((p) => p.step === id);
    const at = s.steps.find((x) => x.id === id)?.from;
    if (pin?.from === null || pin === undefined || at === undefined) continue;
    const what = `${pin.name} can’t be done at ${clockIn(q)(pin.from)}, where it has been put: ${TAKEN[lacks]}.`;
    told.push({ ...whole, key: `put ${id}`, what, by: Math.max(1, Math.abs(at - pin.from)) });
  }
  for (const b of t.work.bowls) {
    const over = overstands(b, t);
    const name = q.dishes.find((d) => d.id === b.dish)?.name;
    if (over > 0.5)
      told.push({
        key: `stands ${b.id}`,
        dish: b.dish,
        wave: b.waves[0] ?? null,
        what: `A bowl of ${name} would stand ${Math.round(over)} min longer than its rise keeps.`,
        by: over,
      });
  }
  told.push(...keptTooLong(t));
  const end = Math.max(...s.steps.map((x) => x.to));
  if (m.bell !== null && end > m.bell + 0.5)
    told.push({
      ...whole,
      key: 'bell',
      what: `The last of it is over at ${clockIn(q)(end)}, after the bell at ${clockIn(q)(m.bell)}.`,
      by: end - m.bell,
    });
  if (holdStep(q, t) === 'none')
    told.push({ ...whole, key: 'hold', what: 'No oven is free to keep what is done warm until its plates.', by: 1 });
  const first = (x: Told): number => Number(x.key.startsWith(HOLDS));
  return told.sort((a, b) => first(b) - first(a) || b.by - a.by);
}

/** The low oven, where pieces wait; 'none': they wait, and no oven is free for it; null: nothing waits. */
function holdStep(q: MorningAsked, { work, scheduled: s }: Attempt): PlacedStep | 'none' | null {
  const m = q.morning;
  const waits = s.steps
    .filter((x) => x.dish !== null && x.wave !== null && x.ovenC === null)
    .filter((x) => {
      const plate = s.plated.get(plateId(x.dish ?? '', x.wave ?? 0)) ?? x.to;
      return plate - PLATE_MIN - x.to > UNDER_A_CLOTH_MIN;
    });
  if (waits.length === 0) return null;
  const from = Math.min(...waits.map((x) => x.to)) - HEAT_UP_MIN['low oven'];
  const to = Math.max(...waits.map((x) => s.plated.get(plateId(x.dish ?? '', x.wave ?? 0)) ?? x.to));
  // one oven for all: as hot as the dish that wants it least hot
  const ovenC = Math.min(...work.pours.filter((p) => waits.some((x) => x.dish === p.dish)).map((p) => p.holdC));
  const others = s.steps.filter((x) => x.oven !== null && x.from < to && from < x.to);
  const oven = ovensOf(m).find((o) => !others.some((x) => x.oven === o.name && x.ovenC !== ovenC))?.name;
  if (oven === undefined) return 'none';
  return {
    ...BINDS_NOTHING,
    id: 'hold',
    name: asRead(`Low oven, ${ovenC} °C, for what waits`, q.house.units),
    from,
    to,
    on: oven,
    ovenC,
    oven,
  };
}

/** Another way to have the morning: what is changed, in words, and how much it costs whoever cooks. */
interface Way {
  readonly label: string;
  readonly cost: number;
  readonly change: MorningChange;
}

/** The morning with one thing changed. */
function askedWith(q: MorningAsked, change: MorningChange): MorningAsked {
  const { kept, before, ...morning } = changedMorning({ ...q.morning, kept: q.kept, before: q.before }, change);
  const each = new Map(morning.dishes.map((d) => [d.id, d.each]));
  return { ...q, morning, kept, before, dishes: q.dishes.map((d) => ({ ...d, each: each.get(d.id) ?? d.each })) };
}

/** So much earlier, and so much later, a way out begins or serves, min. */
const EARLIER_MIN = 30;
const LATER_MIN = 10;

/** Something more to make pieces of a kind on: what the kitchen has and is not lit, or one like what is. */
function lightWays(q: MorningAsked, dish: Pick<DishMade, 'kind'>, kind: SurfaceKind): readonly Way[] {
  const unlit = q.spare?.surfaces.filter((s) => takesKind(s, dish.kind)) ?? [];
  if (unlit.length > 0)
    return unlit.map((surface) => ({ label: `Light ${surface.name}`, cost: 3, change: { do: 'light', surface } }));
  const there = q.morning.surfaces.find((s) => s.kind === kind && takesKind(s, dish.kind));
  const label = there ? `Light another ${kind} like ${there.name}` : `Light ${kind === 'iron' ? 'an' : 'a'} ${kind}`;
  const surface = { name: `another ${kind}`, kind, places: there?.places ?? 4, from: null, to: null };
  return [{ label, cost: 3.5, change: { do: 'light', surface } }];
}

function waysFor(q: MorningAsked, t: Told): readonly Way[] {
  const m = q.morning;
  const first = Math.min(...m.people.map((p) => p.from));
  const last = Math.max(...m.people.map((p) => p.to));
  const dish = q.dishes.find((d) => d.id === t.dish);
  const kind = dish ? SURFACES_FOR[dish.kind][0] : undefined;
  const out: Way[] = [];
  // once it runs, the evening before and the half hour before are over
  if (!q.before && !q.begun)
    out.push({ label: 'Weigh the evening before what can be', cost: 1, change: { do: 'before' } });
  for (const { name, ...kept } of q.spare?.kept.filter((k) => k.dish === t.dish) ?? [])
    out.push({ label: `Heat the ${kept.pieces} kept ${name} again`, cost: 1.5, change: { do: 'kept', kept } });
  if (!q.begun) out.push({ label: 'Begin half an hour earlier', cost: 2, change: { do: 'earlier', min: EARLIER_MIN } });
  if (dish && kind && kind !== 'oven') out.push(...lightWays(q, dish, kind));
  if (dish?.kind === 'oven' || t.key === 'hold')
    out.push({ label: 'Use one more oven', cost: 3, change: { do: 'oven' } });
  out.push({ label: 'One more pair of hands', cost: 4, change: { do: 'hand', from: first, to: last } });
  if (dish && t.wave !== null && m.waves.length > 0) {
    const at = m.waves[t.wave]?.at ?? 0;
    if (dish.each > 1)
      out.push({
        label: `${dish.each - 1} on a plate of ${dish.name} instead of ${dish.each}`,
        cost: 5,
        change: { do: 'each', dish: dish.id, each: dish.each - 1 },
      });
    out.push({
      label: `The ${clockIn(q)(at)} plates ten minutes later`,
      cost: 6,
      change: { do: 'later', wave: t.wave, min: LATER_MIN },
    });
  }
  return out;
}

/** What is worked once for a morning and all its ways out. */
interface Worked {
  readonly bowls: KnownBowls;
  readonly ways: Map<string, readonly Told[] | null>;
}

const MOST_WAYS = 3;
/** Other mornings that are solved for all of it: the worst comes first, and many are mended by the same. */
const MOST_WORKED = 10;

/** What a way out makes worse, the worst of it in its words. */
function insteadOf(worse: readonly Told[]): string {
  const [first, ...more] = worse;
  if (!first) return '';
  return ` But then: ${first.what}${more.length > 0 ? ` And ${more.length} more.` : ''}`;
}

/** @returns the cheapest ways that end it, or else make it less; each worked whole */
function waysOut(q: MorningAsked, t: Told, was: readonly Told[], worked: Worked): readonly WayOut[] {
  if (t.key.startsWith(HOLDS)) return [];
  const sum = (all: readonly Told[]): number => all.reduce((a, x) => a + x.by, 0);
  return waysFor(q, t)
    .flatMap((w) => {
      // the same way out helps in several places: it is worked once
      if (!worked.ways.has(w.label) && worked.ways.size >= MOST_WORKED) return [];
      const now =
        worked.ways.get(w.label) ??
        (() => {
          const s = solvedOnce(askedWith(q, w.change), worked.bowls, MOST_IDLE_OF_A_WAY);
          return s.ok ? s.value.told : null;
        })();
      worked.ways.set(w.label, now);
      if (now === null) return [];
      const left = now.find((x) => x.key === t.key)?.by ?? 0;
      // it helps, and makes nothing else worse
      const worse = now.filter(
        (x) =>
          x.by > (was.find((y) => y.key === x.key)?.by ?? 0) + 0.5 &&
          // late, or held, is better than never
          !was.some((y) => y.key.startsWith('place ') && y.dish === x.dish && y.wave === x.wave),
      );
      // what has no place at all may cost something else, which is named
      if (left > t.by - 0.5 || (worse.length > 0 && !t.key.startsWith('place '))) return [];
      const others = was.length - now.length - (left > 0 ? 0 : 1);
      const effect = `${left > 0 ? `${Math.round(t.by - left)} of ${Math.round(t.by)} less` : 'ends it'}${others > 0 ? `, and ${others} more` : ''}.${insteadOf(worse)}`;
      return [{ label: w.label, effect, change: w.change, left, worse: worse.length, cost: w.cost, sum: sum(now) }];
    })
    .sort(
      (a, b) =>
        Number(a.worse > 0) - Number(b.worse > 0) ||
        Number(a.left > 0) - Number(b.left > 0) ||
        a.cost - b.cost ||
        a.sum - b.sum,
    )
    .slice(0, MOST_WAYS)
    .map(({ label, effect, change }) => ({ label, effect, change }));
}

/** What can't be met is looked into with its ways out, so many at most. */
const MOST_TOLD = 4;

/**
 * @param withWays each thing that can't be met with its ways out, which costs a few solutions more
 * @returns the morning solved; or which dish can't be made at all, and why
 */
export function solveMorning(
  q: MorningAsked,
  withWays = true,
): Result<SolvedMorning, { readonly dish: number; readonly message: string }> {
  const worked: Worked = { bowls: new Map(), ways: new Map() };
  const once = solvedOnce(q, worked.bowls);
  if (!once.ok) return once;
  const { tried, told } = once.value;
  const hold = holdStep(q, tried);
  const steps = hold === null || hold === 'none' ? tried.scheduled.steps : [...tried.scheduled.steps, hold];
  return {
    ok: true,
    value: {
      bowls: tried.work.bowls,
      steps: [...steps].sort((a, b) => a.from - b.from || a.to - b.to),
      plates: platesOf(q, tried),
      unmet: told.map((t, n) => ({
        what: t.what,
        by: t.by,
        waysOut: withWays && n < MOST_TOLD ? waysOut(q, t, told, worked) : [],
      })),
    },
  };
}
