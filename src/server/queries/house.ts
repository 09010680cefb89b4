/**
 * The house: its conventions, ways, units and gear, kept in the table of kitchen facts, with what it has of its own. A
 * fresh kitchen has the fresh ones.
 */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, clashing, type Kept } from '@/contract/action-result';
import { type houseChangeSchema, keptHouseSchema } from '@/contract/house';
import { FRESH_KITCHEN, type Kitchen } from '@/core/formula/kitchen-settings';
import { FILL_METHODS } from '@/core/pantry/conventions';
import { ownFill } from '@/core/pantry/fill';
import type { Gear } from '@/core/pantry/gear';
import type { ToolId } from '@/core/pantry/tools';
import { localDay, zoneHere } from '@/core/quantity/day';
import { SHAPES } from '@/core/records/editable';
import { merge } from '@/core/records/merge';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { lessonsInUse } from './lessons';
import { loadOwn } from './pantry';
import { keepRaw, type OpenedRow } from './revised';

type KeptHouse = z.output<typeof keptHouseSchema>;
/** What of a house is kept field by field. */
type Part = 'conventions' | 'ways' | 'units' | 'maker';
type HouseChange = z.output<typeof houseChangeSchema>;

export const HOUSE: JsonColumn<KeptHouse> = {
  at: 'kitchen.house',
  called: 'the house',
  schema: keptHouseSchema,
  fresh: { conventions: {}, ways: {}, units: {}, maker: {} },
};

declare global {
  // pages and the JSON interface are bundled apart; what the house said last is one thing
  var evenCrumbHouse: Kitchen | undefined;
}

/**
 * The house as it was last loaded or saved by this server; null before that. For answers that must not wait for
 * records.
 */
export const lastHouse = (): Kitchen | null =>
  globalThis.evenCrumbHouse
    ? { ...globalThis.evenCrumbHouse, today: localDay(Date.now(), globalThis.evenCrumbHouse.units) }
    : null;

const orFresh = ({ conventions, ways, units, gear, drawer, maker }: KeptHouse) => ({
  conventions: { ...FRESH_KITCHEN.conventions, ...conventions },
  ways: { ...FRESH_KITCHEN.ways, ...ways },
  // a house that has not said where it is has this machine's clock, on every screen
  units: { ...FRESH_KITCHEN.units, ...units, zone: units.zone || zoneHere() },
  gear: gear ?? FRESH_KITCHEN.gear,
  drawer: drawer ?? FRESH_KITCHEN.drawer,
  maker: { ...FRESH_KITCHEN.maker, ...maker },
});

/** Made anew, by the records themselves, whenever something changes that a formula's facts hang on. */
export const kitchenStamp = async (): Promise<string> =>
  String(
    (await rowsFrom(z.object({ value: z.unknown() }), "select value from kitchen where key = 'facts'"))[0]?.value ??
      'none',
  );

export async function loadHouse(): Promise<Kitchen> {
  const [rows, tins, learned] = await Promise.all([
    rowsFrom(
      z.object({ key: z.string(), value: z.unknown(), revision: z.number() }),
      "select key, value, revision from kitchen where key in ('house', 'own')",
    ),
    rowsFrom(
      z.object({ id: z.string(), opened: z.string() }),
      'select ingredient_id as id, opened::text from stock where opened is not null order by 1',
    ),
    lessonsInUse(),
  ]);
  const kept = rows.find((r) => r.key === 'house');
  const read = readStored(HOUSE, kept?.value ?? {});
  const stamp = rows.find((r) => r.key === 'own')?.value;
  const own = await loadOwn(typeof stamp === 'string' ? stamp : '');
  const parts = orFresh(read.value);
  const house: Kitchen = {
    ...parts,
    conventions: { ...parts.conventions, own: own.own },
    today: localDay(Date.now(), parts.units),
    openedOn: Object.fromEntries(tins.map((t) => [t.id, t.opened])),
    learned,
    revision: kept?.revision ?? 1,
    unreadable: [...read.unreadable, ...own.unreadable],
  };
  globalThis.evenCrumbHouse = house;
  return house;
}

const bag = (v: unknown): Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v) ? (v as Record<string, unknown>) : {};

/** A list as it is stored with a readable part of it changed: what can't be read stays where it is. */
function patchedGear(raw: unknown, before: readonly Gear[], after: readonly Gear[]): unknown[] {
  const items = Array.isArray(raw) ? raw : [];
  const idOf = (v: unknown): unknown => bag(v).id;
  const known = new Set<unknown>(before.map((g) => g.id));
  const now = new Map<unknown, Gear>(after.map((g) => [g.id, g]));
  const stored = new Set(items.map(idOf));
  // what can't be read was in nobody's list: it is no change of anybody's
  return [
    ...items.flatMap((v: unknown) => (known.has(idOf(v)) ? (now.has(idOf(v)) ? [now.get(idOf(v))] : []) : [v])),
    ...after.filter((g) => !stored.has(g.id)),
  ];
}

/** The parts of a whole that a change speaks of. */
const spokenOf = (change: HouseChange, whole: ReturnType<typeof orFresh>) => {
  const of = (part: Part) =>
    change[part] && Object.fromEntries(Object.keys(change[part]).map((k) => [k, bag(whole[part])[k]]));
  return {
    ...(change.conventions && { conventions: of('conventions') }),
    ...(change.ways && { ways: of('ways') }),
    ...(change.units && { units: of('units') }),
    ...(change.maker && { maker: of('maker') }),
    ...(change.gear && { gear: whole.gear }),
    ...(change.drawer && { drawer: whole.drawer }),
  };
};

/**
 * Changes a part of the house; what two people change at the same moment is both kept, where it is not the same thing.
 * @param base the same parts as they were when the page was opened; left out, the change stands whatever was there
 */
export const changeHouse = (
  change: HouseChange,
  base?: HouseChange,
  decided: OpenedRow<unknown>['decided'] = undefined,
): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    await client.query("insert into kitchen (key, value) values ('house', '{}') on conflict (key) do nothing");
    const rows = await rowsFrom(
      z.object({ value: z.unknown(), revision: z.number() }),
      "select value, revision from kitchen where key = 'house' for update",
      [],
      client,
    );
    const raw = rows[0]?.value;
    const revision = rows[0]?.revision ?? 1;
    const now = orFresh(readStored(HOUSE, raw ?? {}).value);
    const theirs = spokenOf(change, now);
    const m = merge<object>(
      base ? { ...theirs, ...base } : theirs,
      { ...change },
      theirs,
      SHAPES.house,
      decided?.revision === revision ? decided.paths : {},
    );
    if (m.clashes.length > 0) return clashing({ revision, theirs, clashes: m.clashes });
    const value = m.value as HouseChange;
    if (raw !== undefined && bag(raw) !== raw) await keepRaw(client, 'kitchen.house', raw);
    const parts = bag(raw);
    const patched = (k: Part) => (change[k] ? { [k]: { ...bag(parts[k]), ...value[k] } } : {});
    const next = {
      ...parts,
      ...patched('conventions'),
      ...patched('ways'),
      ...patched('units'),
      ...patched('maker'),
      ...(change.gear && { gear: patchedGear(parts.gear, now.gear, (value.gear ?? []) as readonly Gear[]) }),
      ...(change.drawer && {
        drawer: patchedDrawer(parts.drawer, now.drawer, (value.drawer ?? []) as readonly ToolId[]),
      }),
    };
    await client.query("update kitchen set value = $1, revision = revision + 1 where key = 'house'", [
      JSON.stringify(next),
    ]);
    return { ok: true, revision: revision + 1, merged: m.taken };
  });

const patchedDrawer = (raw: unknown, before: readonly ToolId[], after: readonly ToolId[]): unknown[] => {
  const strange = (Array.isArray(raw) ? raw : []).filter((v: unknown) => !before.some((t) => t === v));
  return [...after, ...strange];
};

/**
 * Puts a gear, or another part of the house that can't be read, aside: its raw value is kept in `set_aside`.
 * @param path as `unreadable` has it, after "kitchen.house."
 * @returns whether there was one
 */
export const setHousePartAside = (path: string): Promise<boolean> =>
  transaction(async (client: PoolClient) => {
    const rows = await rowsFrom(
      z.object({ value: z.unknown() }),
      "select value from kitchen where key = 'house' for update",
      [],
      client,
    );
    const raw = rows[0]?.value;
    const place = `kitchen.house.${path}`;
    if (!readStored(HOUSE, raw ?? {}).unreadable.some((u) => u.where === place)) return false;
    const steps = path.split('.');
    const at = await rowsFrom(
      z.object({ value: z.unknown() }),
      "select value #> $1 as value from kitchen where key = 'house'",
      [steps],
      client,
    );
    await keepRaw(client, place, at[0]?.value);
    await client.query("update kitchen set value = value #- $1, revision = revision + 1 where key = 'house'", [steps]);
    return true;
  });

/** Lets the house fill its cups its own way, as it has weighed them; the way it had before is kept for going back. */
export async function fillOwnWay(): Promise<void> {
  const { conventions } = await loadHouse();
  if (conventions.flourFill === 'own') return;
  await query(
    "insert into kitchen (key, value) values ('fill-before', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(conventions.flourFill)],
  );
  await changeHouse({ conventions: { flourFill: 'own' } });
}

/** Goes back to the way of filling there was, once no cup of its own is left to fill by. */
export async function fillAsBefore(): Promise<void> {
  const { conventions } = await loadHouse();
  if (conventions.flourFill !== 'own' || ownFill(conventions)) return;
  const rows = await rowsFrom(z.object({ value: z.unknown() }), "select value from kitchen where key = 'fill-before'");
  const before = FILL_METHODS.find((f) => f === rows[0]?.value);
  await changeHouse({ conventions: { flourFill: before ?? FRESH_KITCHEN.conventions.flourFill } });
}
