/**
 * A batch that changes after it was begun, in itself alone: a stand-in for what is missing, told before it is taken and
 * undone while nothing is weighed; more or fewer pieces; put away, or made again. The formula stays as it is.
 */

import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { workedOn } from '@/core/balance/bench';
import { pouredFor, swapRebalanced, swapsFor } from '@/core/balance/swaps';
import { entriesOf } from '@/core/batch/acts';
import type { Batch, StandIn } from '@/core/batch/batch';
import { CRUMB_G, changesBetween, marked, type StandInPreview, withCovers } from '@/core/batch/changes';
import type { Driver } from '@/core/batch/driver';
import { knownOnSheet } from '@/core/batch/known';
import { linesBehind, ONCE } from '@/core/batch/once';
import { type Planned, plannedSheet, readyFor } from '@/core/batch/plan';
import { makingOf } from '@/core/batch/script-of-formula';
import { bareName, type SheetLine } from '@/core/batch/sheet-line';
import { mixesIn } from '@/core/batch/split';
import { asTaken } from '@/core/batch/taken';
import type { EndId, Formula, FormulaLine } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { scalesOf } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import type { StandInOffer } from '@/core/prep/mise';
import { asWeighed } from '@/core/quantity/say';
import type { Result } from '@/core/result';
import { EGG_PART } from '@/core/script/separated';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { Undone } from '../db/undone';
import { batchById, type NewBatch } from '../queries/batches';
import { tapsOf } from '../queries/griddle';
import { loadHouse } from '../queries/house';
import { giveKeptBack, takeKeptAgain } from '../queries/kept';
import { type MadeLot, returnBags, takeBags } from '../queries/lot-books';
import { stockNoted } from '../queries/pantry';
import { type AnsweredPress, answeredBefore, onceFor } from '../queries/revised';
import { returnToShelf, takeFromShelf } from '../queries/stock';
import { versionOfBatch } from '../queries/versions';
import { type Started, wantsOf, writeBatches } from './start-batch';

const endIn = (f: Formula, batch: Batch): EndId | null => (f.ends ? (batch.endId ?? 'a') : null);

const swapsOn = (line: FormulaLine | undefined) => (line ? swapsFor(line) : []);

/** The stand-ins for each line of a batch's formula, by the line's key; a batch from bags of premix has none. */
export async function standInsOf(
  batch: Batch,
  house: Kitchen,
): Promise<Readonly<Record<string, readonly StandInOffer[]>>> {
  const v = await versionOfBatch(batch);
  if (!v || batch.sheet.some((l) => l.lot)) return {};
  const formula = batch.swapped ?? v.formula;
  const { lines } = workedOn({ formula, house, end: endIn(v.formula, batch) });
  return Object.fromEntries(
    lines.map((l) => [
      l.key,
      swapsOn(l).map(
        (s): StandInOffer => ({
          to: s.standIn.to,
          with: s.standIn.with?.id ?? null,
          name: s.name,
          amount: s.amount,
          says: s.standIn.says,
          caution: s.standIn.caution ?? '',
        }),
      ),
    ]),
  );
}

/** Lines that are weighed and would be another amount: a stand-in neither comes nor goes around them. */
const weighedOther = (
  was: readonly SheetLine[],
  is: readonly SheetLine[],
  ticked: readonly string[],
): readonly string[] =>
  was
    .filter((l) => ticked.includes(l.key))
    .filter((l) => {
      const now = is.find((x) => x.key === l.key);
      return !now || bareName(now) !== bareName(l) || Math.abs((now.grams ?? 0) - (l.grams ?? 0)) > CRUMB_G;
    })
    .map(bareName);
const weighed = (names: readonly string[]): string =>
  `${names.join(', ')} ${names.length === 1 ? 'is' : 'are'} weighed already and would change. Take ${names.length === 1 ? 'it' : 'them'} off the list first, or swap on the Bench for the next batch.`;

interface Open {
  readonly batch: Batch;
  readonly formula: Formula;
  readonly house: Kitchen;
}

/** A batch under way with the formula it is made from; or why nothing of it can change. */
async function openBatch(batchId: string): Promise<Result<Open, string>> {
  const [batch, house] = await Promise.all([batchById(batchId), loadHouse()]);
  const v = batch ? await versionOfBatch(batch) : null;
  if (!batch || !v || batch.finishedAt) return { ok: false, error: 'That batch is finished, or not in this kitchen.' };
  if (batch.unreadable?.length)
    return { ok: false, error: 'Some of this batch can’t be read: its sheet stays as it is.' };
  // a second swap goes on from the first
  return { ok: true, value: { batch, formula: batch.swapped ?? v.formula, house } };
}

/** A batch planned anew, as it was asked for; eggs that were kept whole stay so where they still can. */
function plannedAnew({ batch, house }: Open, formula: Formula, driver: Driver): Result<Planned, string> {
  const asked = { formula, house, end: endIn(formula, batch), driver, split: batch.split };
  const whole = batch.eggs ? readyFor({ ...asked, eggs: batch.eggs }) : null;
  const ready = whole?.ok ? whole : readyFor({ ...asked, eggs: null });
  if (!ready.ok) return { ok: false, error: ready.error.message };
  const planned = plannedSheet(ready.value, {
    driver,
    exactness: batch.exactness,
    house,
    kind: batch.kind,
    portionMl: batch.piecesPlanned === null ? null : batch.portionMl,
    split: batch.split,
    stepG: scalesOf(house.gear)[0]?.stepG ?? 1,
  });
  return planned.ok ? planned : { ok: false, error: planned.error.message };
}

const sidesOf = (sheet: readonly SheetLine[], than: readonly SheetLine[]): readonly SheetLine[] =>
  sheet.filter((l) => l.side !== undefined && !than.some((x) => x.key === l.key));

/** A stand-in worked out: the sheet as it would be. */
function stoodIn(o: Open, lineKey: string, to: string, withId: string | null) {
  const { batch, formula, house } = o;
  const end = endIn(formula, batch);
  // what stands on several lines is missing on all of them
  let swapped = formula;
  let first: { readonly name: string; readonly line: FormulaLine } | null = null;
  for (const key of lineKey.split(ONCE)) {
    const bench = { formula: swapped, house, end };
    const line = workedOn(bench).lines.find((l) => l.key === key);
    const swap = swapsOn(line).find((s) => s.standIn.to === to && (s.standIn.with?.id ?? null) === withId);
    if (!line || !swap) return refuse('Nothing like that stands in for it.');
    swapped = swapRebalanced(bench, line, swap).formula;
    first ??= { name: swap.name, line };
  }
  if (!first) return refuse('Nothing like that stands in for it.');
  const { name, line } = first;
  const planned = plannedAnew(o, swapped, batch.driver);
  if (!planned.ok) return refuse(planned.error);
  const sheet = marked([...planned.value.sheet, ...sidesOf(batch.sheet, planned.value.sheet)], batch.sheet, lineKey);
  const standIn: StandIn = {
    lineKey,
    to,
    with: withId,
    name,
    standsFor: line.ingredient ? kitchenName(line.ingredient) : line.text,
  };
  return { ok: true as const, formula: swapped, planned: planned.value, sheet, standIn };
}

/** What a stand-in would change, before it is taken. */
export async function previewSwap(
  batchId: string,
  lineKey: string,
  to: string,
  withId: string | null,
): Promise<ActionResult<{ readonly preview: StandInPreview }>> {
  const open = await openBatch(batchId);
  if (!open.ok) return refuse(open.error);
  const r = stoodIn(open.value, lineKey, to, withId);
  if (!r.ok) return r;
  const { batch, house } = open.value;
  const [from, now] = [batch.piecesPlanned, r.planned.pieces?.all ?? null];
  return {
    ok: true,
    preview: {
      ...changesBetween(batch.sheet, r.sheet, (id) => findIngredient(id, house.conventions.own)),
      pieces: from !== null && now !== null && from !== now ? { from, to: now } : null,
    },
  };
}

interface Rewritten {
  readonly sheet: readonly SheetLine[];
  readonly massG: number;
  readonly swapped: Formula | null;
  readonly unswapped: { readonly sheet: readonly SheetLine[]; readonly massG: number } | null;
  readonly standIns: readonly StandIn[];
  readonly pieces: number | null;
  readonly driver: Driver;
}

/**
 * Writes a changed sheet, and takes or puts back the difference: what another hand has changed since it was read is not
 * written over.
 */
async function rewrite(o: Open, to: Rewritten, onlyUnweighed: boolean, press: AnsweredPress): Promise<ActionResult> {
  const stock = await stockNoted();
  return transaction((client) =>
    onceFor(client, press.requestId, press.action, () => rewriteIn(client, o, to, onlyUnweighed, stock)),
  );
}

async function rewriteIn(
  client: PoolClient,
  { batch, house }: Open,
  to: Rewritten,
  onlyUnweighed: boolean,
  stock: Awaited<ReturnType<typeof stockNoted>>,
): Promise<ActionResult> {
  const open = await rowsFrom(
    z.object({ state: z.number() }),
    'select sheet_state as state from batches where id = $1 and finished_at is null for update',
    [batch.id],
    client,
  );
  if (!open[0]) return refuse('That batch is finished, or not in this kitchen.');
  if (open[0].state !== batch.sheetState)
    return refuse('The sheet has just been changed by another hand: look at it, and ask again.');
  const ticked = await rowsFrom(
    z.object({ key: z.string() }),
    'select line_key as key from batch_ticks where batch_id = $1',
    [batch.id],
    client,
  );
  const changed = onlyUnweighed
    ? weighedOther(
        batch.sheet,
        to.sheet,
        ticked.map((t) => t.key),
      )
    : [];
  if (changed.length > 0) return refuse(weighed(changed));
  if (ticked.some((t) => !batch.ticked.includes(t.key)))
    return refuse('Something was weighed meanwhile: look at it, and ask again.');
  await client.query(
    `update batches set sheet = $2, mass_g = $3, swapped = $4, unswapped = $5, pieces_planned = $6, driver = $7, sheet_state = sheet_state + 1, sheet_at = now(), stand_ins = $8,
            known = $9::jsonb || known
      where id = $1`,
    [
      batch.id,
      JSON.stringify(to.sheet),
      to.massG,
      to.swapped && JSON.stringify(to.swapped),
      to.unswapped && JSON.stringify(to.unswapped),
      to.pieces,
      JSON.stringify(to.driver),
      JSON.stringify(to.standIns),
      // what is on it since the start is known as of now
      JSON.stringify(knownOnSheet(to.sheet, (id) => findIngredient(id, house.conventions.own))),
    ],
  );
  if (batch.deductions.length > 0) {
    await returnToShelf(client, { batchId: batch.id });
    await takeFromShelf(client, { batchId: batch.id }, wantsOf(to.sheet, house, stock), true);
  }
  return { ok: true };
}

/**
 * Puts a stand-in on a batch's sheet, the other lines making up for it, and takes it from the shelf in place of what
 * was taken. Only while nothing that it changes is weighed.
 */
export async function swapInBatch(
  batchId: string,
  lineKey: string,
  to: string,
  withId: string | null,
  requestId: string | null = null,
): Promise<ActionResult> {
  const press: AnsweredPress = { action: 'swap-in-batch', requestId };
  const before = await answeredBefore(press);
  if (before) return before;
  const open = await openBatch(batchId);
  if (!open.ok) return refuse(open.error);
  const r = stoodIn(open.value, lineKey, to, withId);
  if (!r.ok) return r;
  const { batch } = open.value;
  return rewrite(
    open.value,
    {
      sheet: r.sheet,
      massG: r.planned.massG,
      swapped: r.formula,
      unswapped: batch.unswapped ?? { sheet: batch.sheet, massG: batch.massG },
      standIns: [...(batch.standIns ?? []), r.standIn],
      pieces: batch.piecesPlanned === null ? null : (r.planned.pieces?.all ?? batch.piecesPlanned),
      driver: batch.driver,
    },
    true,
    press,
  );
}

/**
 * Something stands in for the missing part of a line: what there is goes in, and the rest of it as another thing, on a
 * line of its own; also when other lines are weighed. The line itself is then planned at what there is.
 */
export async function standInPart(
  batchId: string,
  lineKey: string,
  hasG: number,
  to: string,
  withId: string | null,
  requestId: string | null = null,
): Promise<ActionResult> {
  const press: AnsweredPress = { action: 'stand-in-part', requestId };
  const before = await answeredBefore(press);
  if (before) return before;
  const open = await openBatch(batchId);
  if (!open.ok) return refuse(open.error);
  const { batch, formula, house } = open.value;
  const line = batch.sheet.find((l) => l.key === lineKey);
  const own = workedOn({ formula, house, end: endIn(formula, batch) }).lines.find((l) =>
    linesBehind(lineKey).includes(l.key),
  );
  const swap = swapsOn(own).find((s) => s.standIn.to === to && (s.standIn.with?.id ?? null) === withId);
  if (!line || line.grams === null || !own || !swap || lineKey.includes(EGG_PART))
    return refuse('Nothing like that stands in for it.');
  const missing = line.grams - hasG;
  if (!(missing > 0)) return refuse('Nothing of it is missing.');
  const poured = pouredFor(own, swap.standIn, missing);
  const name = bareName(line);
  const parts = poured.map((p, n): SheetLine => {
    const { grams, measure } = asTaken(p.ingredient, p.grams, { ...house, exactness: batch.exactness });
    const { spoons: _, was: __, mostG: ___, ...like } = line;
    return {
      ...like,
      key: `${lineKey}r${n + 1}`,
      text: kitchenName(p.ingredient),
      name: kitchenName(p.ingredient),
      grams,
      measure,
      standsFor: name,
      parts: [{ id: p.ingredient.id, grams }],
    };
  });
  const share = hasG / line.grams;
  const left: SheetLine = {
    ...line,
    grams: hasG,
    measure: asWeighed(hasG, true).measure,
    was: line.was ?? line.grams,
    parts: (line.parts ?? []).map((p) => ({ ...p, grams: p.grams * share })),
  };
  const sheet = batch.sheet.flatMap((l) => (l.key === lineKey ? [left, ...parts] : [l]));
  return rewrite(
    open.value,
    {
      sheet,
      massG: batch.massG - missing + parts.reduce((a, l) => a + (l.grams ?? 0), 0),
      swapped: batch.swapped,
      unswapped: batch.unswapped ?? null,
      standIns: batch.standIns ?? [],
      pieces: batch.piecesPlanned,
      driver: batch.driver,
    },
    false,
    press,
  );
}

/**
 * Takes a stand-in out again, or all of them: the sheet is as it was planned, with the others put in anew. Only while
 * nothing that it changes is weighed.
 * @param nth from 0, as they were put in; null: all
 */
export async function undoSwaps(
  batchId: string,
  nth: number | null,
  requestId: string | null = null,
): Promise<ActionResult> {
  const press: AnsweredPress = { action: 'undo-swaps', requestId };
  const before = await answeredBefore(press);
  if (before) return before;
  const open = await openBatch(batchId);
  if (!open.ok) return refuse(open.error);
  const { batch, house } = open.value;
  const { unswapped } = batch;
  const list = batch.standIns ?? [];
  const v = unswapped ? await versionOfBatch(batch) : null;
  if (!unswapped || !v || (nth !== null && !list[nth])) return refuse('Nothing like that stands in on this sheet.');
  const stay = nth === null ? [] : list.filter((_, n) => n !== nth);
  let now: Open = { batch: { ...batch, ...unswapped, swapped: null }, formula: v.formula, house };
  let pieces = batch.piecesPlanned;
  for (const s of stay) {
    const r = stoodIn(now, s.lineKey, s.to, s.with);
    if (!r.ok) return refuse(`${s.name} stands in for what came with it: take that out first.`);
    now = { ...now, batch: { ...now.batch, sheet: r.sheet, massG: r.planned.massG }, formula: r.formula };
    if (pieces !== null) pieces = r.planned.pieces?.all ?? pieces;
  }
  const { sheet, massG } = now.batch;
  const any = stay.length > 0;
  return rewrite(
    open.value,
    {
      sheet,
      massG,
      swapped: any ? now.formula : null,
      unswapped: any ? unswapped : null,
      standIns: stay,
      pieces,
      driver: batch.driver,
    },
    true,
    press,
  );
}

/** The same driver for so many pieces in all; of two ends as many of each as before, to the whole piece. */
function driverFor(batch: Batch, pieces: number): Driver {
  const { driver: was } = batch;
  const all = batch.split.by === 'kits' ? Math.ceil(pieces / mixesIn(batch.split)) : pieces;
  if (was.by === 'both') {
    const a = Math.min(
      Math.max(1, all - 1),
      Math.max(1, Math.round((all * was.a.pieces) / (was.a.pieces + was.b.pieces))),
    );
    return { ...was, a: { ...was.a, pieces: a }, b: { ...was.b, pieces: Math.max(1, all - a) } };
  }
  return {
    by: 'pieces',
    pieces: all,
    portionMl: batch.portionMl ?? 60,
    ...(batch.driver.testPiece && { testPiece: true }),
  };
}

/**
 * More covers, or fewer: plans what is not weighed, takes or puts back the difference, and says what can no longer
 * change.
 */
export async function changeCovers(
  batchId: string,
  pieces: number,
): Promise<ActionResult<{ readonly stays: readonly string[] }>> {
  const open = await openBatch(batchId);
  if (!open.ok) return refuse(open.error);
  const { batch, formula, house } = open.value;
  if (batch.piecesPlanned === null) return refuse('No pieces were counted for this batch: plan another beside it.');
  if (batch.sheet.some((l) => l.lot))
    return refuse('It is made from bags of premix: take another bag, or fewer, from the premix.');
  const driver = driverFor(batch, pieces);
  const planned = plannedAnew(open.value, formula, driver);
  if (!planned.ok) return refuse(planned.error);
  const taps = await tapsOf(batchId);
  const joined = [
    ...entriesOf(batch.entries, 'mixed').map((e) => e.act.mix),
    ...taps.filter((t) => t.act === 'join').map((t) => t.piece),
  ];
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const marks = new Map(batch.sheet.map((l) => [l.key, l.standsFor] as const));
  const target = planned.value.sheet.map((l) =>
    marks.get(l.key) ? { ...l, standsFor: marks.get(l.key) as string } : l,
  );
  const { sheet, stays } = withCovers({ ...batch, joined }, target, find);
  const massG = sheet
    .filter((l) => l.side === undefined && l.vessel !== 'pan' && l.vessel !== 'topping')
    .reduce((a, l) => a + (l.grams ?? 0), 0);
  // what a stand-in is undone to is of the new size as well
  const version = batch.unswapped ? await versionOfBatch(batch) : null;
  const bare = version ? plannedAnew(open.value, version.formula, driver) : null;
  const unswapped = bare?.ok
    ? { sheet: [...bare.value.sheet, ...sidesOf(batch.sheet, bare.value.sheet)], massG: bare.value.massG }
    : null;
  const done = await rewrite(
    open.value,
    {
      sheet,
      massG,
      swapped: batch.swapped,
      unswapped,
      standIns: batch.standIns ?? [],
      pieces: planned.value.pieces?.all ?? pieces,
      driver,
    },
    false,
    // so many in all: asked twice it is the same
    { action: 'change-covers', requestId: null },
  );
  return done.ok ? { ok: true, stays } : done;
}

/**
 * Puts back what a batch took, off the shelf and out of lots: it was not made after all. Once, however often it is
 * asked; the lots' books keep both.
 * @returns false when there is no such batch under way
 */
export const putBack = (batchId: string): Promise<boolean> =>
  transaction(async (client) => {
    const batch = await client.query('select 1 from batches where id = $1 and finished_at is null for update', [
      batchId,
    ]);
    if (batch.rowCount === 0) return false;
    await returnToShelf(client, { batchId });
    await returnBags(client, batchId);
    await giveKeptBack(client, batchId);
    return true;
  });

/**
 * Puts a batch away that is not made to the end; once, however often it is asked.
 * @param back what it took goes back into stock
 * @returns false where it is finished otherwise, or not in this kitchen
 */
export const putAway = (batchId: string, back: boolean): Promise<boolean> =>
  transaction(async (client) => {
    const r = await client.query(
      'update batches set finished_at = now(), put_away = true where id = $1 and finished_at is null',
      [batchId],
    );
    if (r.rowCount === 0) {
      const same =
        'select 1 from batches where id = $1 and put_away and verdict is null and (gave_back is not null) = $2';
      return (await client.query(same, [batchId, back])).rowCount === 1;
    }
    if (back) {
      await client.query(
        `update batches set gave_back = jsonb_build_object(
           'shelf', (select coalesce(jsonb_object_agg(ingredient_id, wanted_g), '{}') from stock_takings where batch_id = $1),
           'bags', (select coalesce(jsonb_object_agg(lot_id, bags), '{}') from (
             select lot_id, sum(bags) as bags from lot_uses u
              where batch_id = $1 and undoes is null and not exists (select 1 from lot_uses x where x.undoes = u.id) group by lot_id) standing))
         where id = $1`,
        [batchId],
      );
      await returnToShelf(client, { batchId });
      await returnBags(client, batchId);
      const kept = await giveKeptBack(client, batchId);
      await client.query(
        "update batches set gave_back = gave_back || jsonb_build_object('kept', $2::jsonb) where id = $1",
        [batchId, JSON.stringify(kept)],
      );
    }
    return true;
  });

/**
 * Ends a batch that was made, without an outcome; once, however often it is asked.
 * @returns false where it is finished otherwise, or not in this kitchen
 */
export const endBatch = async (batchId: string): Promise<boolean> =>
  (
    await query(
      'update batches set finished_at = coalesce(finished_at, now()) where id = $1 and not put_away and verdict is null returning id',
      [batchId],
    )
  ).length > 0;

/**
 * Takes up a batch again that was given up, or ended without an outcome. What it gave back, and nothing else, is taken
 * again, as far as it is there; bags that are gone meanwhile forbid it.
 */
export async function takeUp(batchId: string): Promise<ActionResult> {
  try {
    return await transaction(async (client): Promise<ActionResult> => {
      const r = await rowsFrom(
        z.object({
          gave: z
            .object({
              shelf: z.record(z.string(), z.number()),
              bags: z.record(z.string(), z.number()),
              kept: z.array(z.string()).optional(),
            })
            .nullable(),
        }),
        'update batches set finished_at = null, put_away = false where id = $1 and finished_at is not null and verdict is null returning gave_back as gave',
        [batchId],
        client,
      );
      if (r.length === 0) {
        const open = await client.query('select 1 from batches where id = $1 and finished_at is null', [batchId]);
        return open.rowCount ? { ok: true } : refuse('Its outcome is written, or it is not in this kitchen.');
      }
      const gave = r[0]?.gave;
      if (!gave) return { ok: true };
      await client.query('update batches set gave_back = null where id = $1', [batchId]);
      await takeFromShelf(client, { batchId }, new Map(Object.entries(gave.shelf)), true);
      for (const [lot, bags] of Object.entries(gave.bags))
        await takeBags(client, lot, { bags, kind: 'batch', batchId });
      const gone = await takeKeptAgain(client, gave.kept ?? []);
      if (gone) throw new Undone<MadeLot>({ ok: false, message: gone } as MadeLot);
      return { ok: true };
    });
  } catch (e) {
    if (e instanceof Undone) return refuse((e.value as MadeLot & { ok: false }).message);
    throw e;
  }
}

/**
 * The same batch again from its plan, worked anew and without its stand-ins; with the sauces it had; once, however
 * often it is pressed.
 */
export async function makeAgain(batchId: string, requestId: string | null): Promise<Started> {
  const no = (message: string): Started => ({ ok: false, path: 'batchId', message });
  const [batch, house] = await Promise.all([batchById(batchId), loadHouse()]);
  const v = batch ? await versionOfBatch(batch) : null;
  if (!batch || !v || batch.unreadable?.length) return no('That batch is not in this kitchen, or can’t be read whole.');
  if (batch.sheet.some((l) => l.lot)) return no('It was made from bags of premix: make it again from the premix.');
  const planned = plannedAnew({ batch, formula: v.formula, house }, v.formula, batch.driver);
  if (!planned.ok) return no(planned.error);
  const { sheet, massG, pieces } = planned.value;
  const again: NewBatch = {
    versionId: batch.versionId,
    driver: batch.driver,
    exactness: batch.exactness,
    portionMl: batch.portionMl ?? 60,
    portionSaid: batch.portionSaid ?? null,
    split: batch.split,
    eggs: batch.eggs ?? null,
    sheet: [...sheet, ...sidesOf(batch.sheet, sheet)],
    massG,
    pieces: batch.piecesPlanned === null ? null : (pieces?.all ?? batch.piecesPlanned),
    ending: batch.ending ?? null,
    endId: batch.endId ?? null,
    kind: batch.kind === v.formula.kind ? null : batch.kind,
    school: batch.school === v.formula.school ? null : batch.school,
    making: makingOf(v.formula, house),
    trial: batch.tried ? { id: null, bowl: null, formula: batch.tried } : undefined,
    requestId,
  };
  return writeBatches([{ batch: again, take: batch.deductions.length > 0 ? 'anyway' : 'no' }], house);
}
