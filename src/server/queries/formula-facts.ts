/**
 * What formulas are found by, kept from `factsOf` in a table of its own: a row for each formula's newest version, under
 * the stamp of the kitchen it was worked in. A row of another stamp, code or day is stale: whoever meets it works it
 * anew first, and the rest is worked behind.
 */

import type { ClientBase } from 'pg';

import { factsOf } from '@/core/facts/facts';
import type { Formula } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { localDay } from '@/core/quantity/day';
import { FRESH_UNITS } from '@/core/quantity/say';
import { unhurried } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { logLine } from '../log';
import { kitchenStamp, loadHouse } from './house';
import { SELECT_VERSION, toVersion, versionRow } from './versions';

/** Stands with the allergens of a formula of which something is not known: it is never listed as without anything. */
export const NOT_KNOWN = '?';

/** Raised when the code works something else of a formula that it is found by: every row is worked again then. */
const FACTS_CODE = 5;

/**
 * What facts are worked by: the kitchen and its stamp, read before the work, so that a change meanwhile makes them
 * stale.
 */
export interface FactsKitchen {
  readonly stamp: string;
  readonly house: Kitchen;
}

export async function factsKitchen(): Promise<FactsKitchen> {
  const stamp = await kitchenStamp();
  return { stamp, house: await loadHouse() };
}

interface Found {
  readonly versionId: string;
  readonly formulaId: string;
  readonly formula: Formula;
}

/** Keeps what formulas are found by, each under its newest version. */
export async function keepFacts(
  client: Pick<ClientBase, 'query'>,
  { stamp, house }: FactsKitchen,
  found: readonly Found[],
): Promise<void> {
  // in one order, so that two who work the same wait for each other instead of for ever
  const inOrder = [...found].sort((a, b) => (a.formulaId < b.formulaId ? -1 : 1));
  const rows = inOrder.map(({ versionId, formulaId, formula: f }) => {
    const { mains, pour, worst, holds, allergens, allergensOpen, day } = factsOf(f, house);
    const kind = kindById(f.kind);
    const words = [f.name, kind.name, schoolOf(kind, f.school).name, mains.flour, mains.liquid];
    return {
      version_id: versionId,
      formula_id: formulaId,
      stamp,
      code: FACTS_CODE,
      day,
      search: words.filter(Boolean).join(' ').toLowerCase(),
      main_flour: mains.flour,
      main_liquid: mains.liquid,
      pour,
      worst,
      holds,
      allergens: [...allergens, ...(allergensOpen ? [NOT_KNOWN] : [])],
    };
  });
  await client.query(
    `insert into formula_facts select * from jsonb_populate_recordset(null::formula_facts, $1::jsonb)
     on conflict (formula_id) do update set version_id = excluded.version_id, stamp = excluded.stamp, code = excluded.code, day = excluded.day,
       search = excluded.search, main_flour = excluded.main_flour, main_liquid = excluded.main_liquid, pour = excluded.pour, worst = excluded.worst,
       holds = excluded.holds, allergens = excluded.allergens`,
    [JSON.stringify(rows)],
  );
}

export const factsDay = ({ house }: FactsKitchen): string => house.today ?? localDay(Date.now(), FRESH_UNITS);

/**
 * Whether the facts `x` of a formula are none, or of another kitchen, code or day; $2 to $4 are what `staleBy` says.
 */
export const STALE = '(x.version_id is null or x.stamp <> $2 or x.code <> $3 or coalesce(x.day <> $4::date, false))';
export const staleBy = (k: FactsKitchen): readonly unknown[] => [k.stamp, FACTS_CODE, factsDay(k)];

const AT_A_TIME = 200;

/**
 * Works stale facts anew.
 * @param only of these formulas; null: of all
 * @param mostMs so long at most; what is left is worked behind
 * @returns how many are still stale
 */
export async function workFacts(
  k: FactsKitchen,
  {
    only = null,
    mostMs = Number.POSITIVE_INFINITY,
  }: { readonly only?: readonly string[] | null; readonly mostMs?: number } = {},
): Promise<number> {
  const from = `from formulas f left join formula_facts x on x.formula_id = f.id
    where f.newest is not null and ($1::uuid[] is null or f.id = any($1)) and ${STALE}`;
  const values = [only, ...staleBy(k)];
  for (const until = performance.now() + mostMs; performance.now() < until; ) {
    const rows = await rowsFrom(
      versionRow,
      `with old as (select f.id, f.newest, f.used_at ${from} order by f.used_at desc, f.id limit ${AT_A_TIME})
       ${SELECT_VERSION} join old on old.id = v.formula_id and old.newest = v.number`,
      values,
    );
    if (rows.length > 0) await unhurried((client) => keepFacts(client, k, rows.map(toVersion)));
    if (rows.length < AT_A_TIME) return 0;
  }
  return (await rowsFrom(countRow, `select count(*)::int as n ${from}`, values))[0]?.n ?? 0;
}

declare global {
  // routes are bundled apart; the work is one
  var evenCrumbFactsBehind: Promise<void> | null | undefined;
}

/**
 * Works what is stale behind the pages, once at a time. Trouble is logged: the next page that meets a stale row asks
 * again.
 */
export function workFactsBehind(): void {
  globalThis.evenCrumbFactsBehind ??= (async () => {
    try {
      await workFacts(await factsKitchen());
    } catch (e) {
      logLine('facts-behind-failed', { error: e instanceof Error ? e.message : String(e) });
    } finally {
      globalThis.evenCrumbFactsBehind = null;
    }
  })();
}
