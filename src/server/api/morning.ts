/** A morning as programs send it: solved, and nothing of it kept. Times are local to wherever the morning is. */
import type { z } from 'zod';
import type { morningRequest, morningResponse } from '@/contract/api';
import { kindById } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Morning } from '@/core/morning/morning';
import type { DishMade, PlacedStep } from '@/core/morning/work';
import { reach } from '../db/pool';
import { loadHouse } from '../queries/house';
import { version } from '../queries/versions';
import { inReader } from '../reading/reader';
import { type CallAnswer, cardFormula, refuseCall } from './calls';
import { troubled } from './problem';

type Asked = z.output<typeof morningRequest>;
type Answered = z.infer<typeof morningResponse>;
type Told = Answered['steps'][number];

const DAY_MS = 86_400_000;
const dayOf = (date: string): number => Date.parse(`${date}T00:00:00Z`) / DAY_MS;

/** Minutes from the midnight of the morning's day. */
function minutesOf(said: string, date: string): number {
  const [, day, h, m, s] = /^(?:(\d{4}-\d{2}-\d{2})T)?(\d{2}):(\d{2})(?::(\d{2}))?$/.exec(said) ?? [];
  const days = day === undefined ? 0 : dayOf(day) - dayOf(date);
  return 1440 * days + 60 * Number(h) + Number(m) + Number(s ?? 0) / 60;
}

/** The same the other way round, to the second. */
const momentOf = (min: number, date: string): string =>
  new Date(dayOf(date) * DAY_MS + Math.round(min * 60) * 1000).toISOString().slice(0, 19);

async function dishesOf(q: Asked, house: Kitchen): Promise<CallAnswer<readonly DishMade[]>> {
  const out: DishMade[] = [];
  for (const [n, d] of q.dishes.entries()) {
    const of = d.count === undefined ? { share: d.share ?? 0 } : { count: d.count };
    const rest = { id: `d${n}`, each: d.each, of, without: d.without, portionMl: d.portion_ml ?? null };
    if (d.formulaId !== undefined) {
      const r = await reach(() => version(d.formulaId ?? '', null));
      if (!r.up) return { ok: false, response: troubled(r.kind) };
      if (!r.value) return refuseCall(404, `dishes.${n}.formulaId`, 'There is no such formula.');
      const { formula } = r.value;
      const kind = d.kind ?? formula.kind;
      out.push({ ...rest, name: d.name ?? formula.name, kind, formula: { ...formula, kind } });
      continue;
    }
    const kind = d.kind ?? 'griddle';
    const made = cardFormula(d.text ?? '', kind, kindById(kind).schools[0].id, house.conventions);
    if (!made.ok) return refuseCall(422, `dishes.${n}.text`, made.message);
    out.push({ ...rest, name: d.name ?? (made.value.name || `Dish ${n + 1}`), kind, formula: made.value });
  }
  return { ok: true, value: out };
}

/** Steps as they are told: one whose hands are bound for a part of it is two. */
function toldSteps(steps: readonly PlacedStep[], date: string): readonly Told[] {
  const isTwo = (s: PlacedStep): boolean => s.by !== null && s.to - s.from > s.handsMin + 0.01;
  const ids = new Set(steps.map((s) => s.id));
  const lastOf = (id: string): readonly string[] => {
    const s = steps.find((x) => x.id === id);
    return s ? [isTwo(s) ? `${id}, by itself` : id] : [];
  };
  // a plate waits for every load of what is poured for it
  const needs = (s: PlacedStep): string[] =>
    s.needs.flatMap((n) =>
      ids.has(n) ? lastOf(n) : steps.filter((x) => x.id.startsWith(`${n} round `)).flatMap((x) => lastOf(x.id)),
    );
  return steps.flatMap((s): Told[] => {
    const { id, batch, name, on, places, ovenC: oven, keepsMin } = s;
    const one = { batch, name, on, places, oven, keepsMin, allergens: [...s.allergens] };
    const from = momentOf(s.from, date);
    const to = momentOf(s.to, date);
    if (!isTwo(s)) return [{ ...one, id, from, to, by: s.by, hands: s.by !== null, needs: needs(s) }];
    const between = momentOf(s.from + s.handsMin, date);
    return [
      { ...one, id, from, to: between, by: s.by, hands: true, needs: needs(s) },
      { ...one, id: `${id}, by itself`, from: between, to, by: null, hands: false, needs: [id] },
    ];
  });
}

export async function morningCall(q: Asked): Promise<CallAnswer<Answered>> {
  const h = await reach(loadHouse);
  if (!h.up) return { ok: false, response: troubled(h.kind) };
  const house = h.value;
  const dishes = await dishesOf(q, house);
  if (!dishes.ok) return dishes;
  const at = (said: string): number => minutesOf(said, q.date);
  const orNull = (said: string | undefined): number | null => (said === undefined ? null : at(said));
  const morning: Morning = {
    waves: q.waves.map((w) => ({ at: at(w.at), covers: w.covers })),
    dishes: dishes.value,
    people: q.people.map((p) => ({ ...p, from: at(p.from), to: at(p.to) })),
    surfaces: q.surfaces.map((s) => ({ ...s, from: orNull(s.from), to: orNull(s.to) })),
    ovens: q.ovens,
    hob: q.hob,
    bell: orNull(q.bell),
  };
  const wrong = q.people.findIndex((_, n) => (morning.people[n]?.to ?? 0) <= (morning.people[n]?.from ?? 0));
  if (wrong >= 0) return refuseCall(400, `people.${wrong}.to`, 'Nobody goes before they come.');
  const r = await inReader('morning', {
    morning,
    dishes: dishes.value,
    sides: q.sides.map((s) => ({ name: s.name, min: s.minutes, onHob: s.hob })),
    kept: q.kept.map((k) => ({ dish: `d${k.dish}`, pieces: k.pieces, state: k.state })),
    house,
    before: q.eveningBefore,
  });
  if (!r.ok)
    return 'dish' in r.error
      ? refuseCall(422, `dishes.${r.error.dish}`, r.error.message)
      : refuseCall(422, 'waves', 'It can’t be solved within fifteen seconds: send fewer waves or dishes.');
  const indexOf = (id: string): number => Number(id.slice(1));
  const { bowls, steps, plates, unmet } = r.value;
  return {
    ok: true,
    value: {
      batches: bowls.map((b) => ({
        id: b.id,
        dish: indexOf(b.dish),
        pieces: b.pieces,
        waves: [...b.waves],
        allergens: [...b.allergens],
      })),
      steps: [...toldSteps(steps, q.date)],
      plates: plates.map((p) => ({
        wave: p.wave,
        dish: indexOf(p.dish),
        ready: p.ready,
        wanted: p.wanted,
        at: p.at === null ? null : momentOf(p.at, q.date),
      })),
      unmet: unmet.map((u) => ({
        what: u.what,
        by: Math.round(10 * u.by) / 10,
        waysOut: u.waysOut.map((w) => ({ ...w })),
      })),
    },
  };
}
