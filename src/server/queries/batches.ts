/** Queries on batches: starting one, ticking its sheet, writing what came out, and the log. */

import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { driverSchema, outcomeSchema, serving, splitSchema } from '@/contract/batch';
import { settingsSchema } from '@/contract/formula';
import {
  foretoldSchema,
  knownSchema,
  makingSchema,
  sheetLineSchema,
  standInSchema,
  swappedSchema,
  unswappedSchema,
} from '@/contract/stored';
import {
  type Batch,
  type BatchMaking,
  type LogRow,
  type Outcome,
  type StandIn,
  VERDICTS,
  type Verdict,
} from '@/core/batch/batch';
import type { Tested } from '@/core/batch/came-out';
import type { Driver } from '@/core/batch/driver';
import { EXACTNESSES, type Exactness } from '@/core/batch/exactness';
import type { Foretold } from '@/core/batch/foretold';
import type { Known } from '@/core/batch/known';
import type { Serving } from '@/core/batch/serving';
import type { SheetLine } from '@/core/batch/sheet-line';
import { ONE, type Split } from '@/core/batch/split';
import { type ActEdit, waysIn } from '@/core/formula/act-edits';
import { END_IDS, type EndId, type Formula } from '@/core/formula/formula';
import { KIND_IDS, type KindId } from '@/core/formula/kinds';
import { settingsSince } from '@/core/formula/version';
import { SHAPES } from '@/core/records/editable';
import type { Unreadable } from '@/core/records/unreadable';
import type { SideTimes } from '@/core/script/on-heat';
import { doneAt } from '../db/done';
import { type JsonColumn, readStored } from '../db/json';
import { transaction } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { ENTRIES, readEntries } from './event-entries';
import { type Cursor, cursorOf, type Page, pageOf } from './paging';
import { GONE, keepRaw, type OpenedRow, saveRevised } from './revised';
import { deductionRow } from './stock';

const SELECT_BATCH = `
  select b.id, b.formula_id as "formulaId", v.id as "versionId", v.number as "versionNumber", b.name, b.ending, b.end_id as "endId", b.morning_id as "morningId", coalesce(b.kind, v.kind) as kind, coalesce(b.school, v.school) as school, b.driver, b.exactness, b.split, b.sheet,
         b.mass_g as "massG", b.pieces_planned as "piecesPlanned", b.portion_ml as "portionMl", b.started_at as "startedAt", b.finished_at as "finishedAt",
         v.settings as ways, b.swapped, b.trial_id as "trialId", b.tried, b.timeline, b.scales, b.waste, b.height_mm as "heightMm", b.across_mm as "acrossMm", b.change, b.outcome_revision as "outcomeRevision", b.timeline_revision as "timelineRevision",
         b.eggs, b.unswapped, b.stand_ins as "standIns", b.portion_said as "portionSaid", b.headcount, b.sheet_state as "sheetState", b.sheet_at as "sheetAt", b.put_away as "putAway", b.known, b.making, b.foretold, b.tested,
         (select (extract(epoch from max(t.at)) * 1000)::float8 from batch_taps t where t.batch_id = b.id and t.act = 'pull') as "lastOffAt", ${ENTRIES} as entries,
         b.pieces, b.first_side_s as "firstSideS", b.second_side_s as "secondSideS", b.verdict, b.marks, b.note,
         coalesce((select json_agg(json_build_object('id', k.ingredient_id, 'wantedG', k.wanted_g, 'takenG', k.taken_g) order by k.ingredient_id)
                     from stock_takings k where k.batch_id = b.id), '[]') as deductions,
         coalesce((select json_object_agg(w.line_key, w.grams) from batch_weights w where w.batch_id = b.id), '{}') as weights,
         array(select line_key from batch_ticks t where t.batch_id = b.id order by line_key) as ticked
    from batches b join formula_versions v on v.id = b.version_id`;

const batchRow = z.object({
  id: z.string(),
  formulaId: z.string(),
  versionId: z.string(),
  versionNumber: z.number(),
  name: z.string(),
  ending: z.string().nullable(),
  endId: z.enum(END_IDS).nullable(),
  morningId: z.string().nullable(),
  trialId: z.string().nullable(),
  kind: z.enum(KIND_IDS),
  school: z.string(),
  exactness: z.enum(EXACTNESSES),
  massG: z.number(),
  piecesPlanned: z.number().nullable(),
  portionMl: z.number().nullable(),
  portionSaid: z.string().nullable(),
  startedAt: z.date(),
  finishedAt: z.date().nullable(),
  lastOffAt: z.number().nullable(),
  pieces: z.number().nullable(),
  waste: z.number().nullable(),
  firstSideS: z.number().nullable(),
  secondSideS: z.number().nullable(),
  heightMm: z.number().nullable(),
  acrossMm: z.number().nullable(),
  verdict: z.enum(VERDICTS).nullable(),
  marks: z.array(z.string()),
  note: z.string(),
  change: z.string(),
  outcomeRevision: z.number(),
  timelineRevision: z.number(),
  eggs: z.number().nullable(),
  headcount: z.string().nullable(),
  sheetState: z.number(),
  sheetAt: z.date().nullable(),
  putAway: z.boolean(),
  deductions: z.array(deductionRow),
  weights: z.record(z.string(), z.number()),
  ticked: z.array(z.string()),
  // read field by field: what can't be is told, and the rest stays
  driver: z.unknown(),
  split: z.unknown(),
  sheet: z.unknown(),
  ways: z.unknown(),
  swapped: z.unknown(),
  tried: z.unknown(),
  unswapped: z.unknown(),
  standIns: z.unknown(),
  timeline: z.unknown(),
  scales: z.unknown(),
  known: z.unknown(),
  making: z.unknown(),
  foretold: z.unknown(),
  tested: z.unknown(),
  entries: z.unknown(),
});
/** A batch as the log lists it; `micros`: when it was begun, for the page's cursor. */
const logRow = batchRow
  .pick({
    id: true,
    formulaId: true,
    name: true,
    versionNumber: true,
    startedAt: true,
    finishedAt: true,
    pieces: true,
    piecesPlanned: true,
    timeline: true,
    lastOffAt: true,
    firstSideS: true,
    secondSideS: true,
    verdict: true,
    marks: true,
    note: true,
    waste: true,
    change: true,
    putAway: true,
    exactness: true,
  })
  .extend({ micros: z.string() });
const outcomeRow = batchRow
  .pick({
    pieces: true,
    firstSideS: true,
    secondSideS: true,
    verdict: true,
    marks: true,
    note: true,
    scales: true,
    tested: true,
    waste: true,
    heightMm: true,
    acrossMm: true,
    change: true,
  })
  .extend({ revision: z.number() });

const DRIVER: JsonColumn<Driver> = {
  at: 'batches.driver',
  called: 'how much is made',
  schema: driverSchema,
  fresh: { by: 'factor', factor: 1 },
};
const SPLIT: JsonColumn<Split> = { at: 'batches.split', called: 'its bowls', schema: splitSchema, fresh: ONE };
export const SHEET: JsonColumn<readonly SheetLine[]> = {
  at: 'batches.sheet',
  called: 'the sheet',
  schema: z.array(sheetLineSchema),
  fresh: [],
};
/** Of a batch from before `making` was kept: the ways of its version. */
const EDITS: JsonColumn<readonly ActEdit[]> = {
  at: 'formula_versions.settings',
  called: 'the ways',
  schema: settingsSchema.shape.edits,
  fresh: [],
  upgrade: (kept) => (settingsSince(kept) as { readonly edits?: unknown } | null)?.edits ?? [],
};
const SWAPPED: JsonColumn<Batch['swapped']> = {
  at: 'batches.swapped',
  called: 'what was swapped',
  schema: swappedSchema,
  fresh: null,
};
const TRIED_AS: JsonColumn<Formula | null> = {
  at: 'batches.tried',
  called: 'the formula of its bowl',
  schema: swappedSchema,
  fresh: null,
};
const UNSWAPPED: JsonColumn<NonNullable<Batch['unswapped']> | null> = {
  at: 'batches.unswapped',
  called: 'the sheet before swaps',
  schema: unswappedSchema,
  fresh: null,
};
const STAND_INS: JsonColumn<readonly StandIn[]> = {
  at: 'batches.stand_ins',
  called: 'what stands in',
  schema: z.array(standInSchema),
  fresh: [],
};
const TIMELINE: JsonColumn<Batch['timeline']> = {
  at: 'batches.timeline',
  called: 'the time line',
  schema: serving,
  fresh: null,
};
const KNOWN: JsonColumn<Known | null> = {
  at: 'batches.known',
  called: 'what was known of its allergens',
  schema: knownSchema,
  fresh: null,
};
const MAKING: JsonColumn<BatchMaking | null> = {
  at: 'batches.making',
  called: 'how it is made',
  schema: makingSchema,
  fresh: null,
};
const FORETOLD_AS: JsonColumn<Foretold | null> = {
  at: 'batches.foretold',
  called: 'what was foretold',
  schema: foretoldSchema,
  fresh: null,
};
const TESTED: JsonColumn<Tested> = {
  at: 'batches.tested',
  called: 'what tests showed',
  schema: outcomeSchema.shape.tested,
  fresh: {},
};
export const SCALED: JsonColumn<Batch['scales']> = {
  at: 'batches.scales',
  called: 'the scales',
  schema: outcomeSchema.shape.scales,
  fresh: {},
};

function toBatch(r: z.output<typeof batchRow>): Batch {
  const unreadable: Unreadable[] = [];
  const read = <T>(column: JsonColumn<T>, raw: unknown): T => {
    const s = readStored({ ...column, called: `${r.name}: ${column.called}` }, raw, r.id);
    unreadable.push(...s.unreadable);
    return s.value;
  };
  const entries = readEntries(r.name, r.entries);
  const batch = {
    ...r,
    driver: read(DRIVER, r.driver),
    split: read(SPLIT, r.split),
    sheet: read(SHEET, r.sheet),
    ways: waysIn(read(EDITS, r.ways)),
    swapped: read(SWAPPED, r.swapped),
    tried: r.tried === null ? null : read(TRIED_AS, r.tried),
    unswapped: read(UNSWAPPED, r.unswapped),
    standIns: read(STAND_INS, r.standIns),
    timeline: read(TIMELINE, r.timeline),
    scales: read(SCALED, r.scales),
    tested: read(TESTED, r.tested),
    known: read(KNOWN, r.known),
    making: read(MAKING, r.making),
    foretold: read(FORETOLD_AS, r.foretold),
    entries: entries.value,
  };
  return { ...batch, unreadable: [...unreadable, ...entries.unreadable] };
}

const batchesFrom = async (sql: string, values: readonly unknown[] = []): Promise<Batch[]> =>
  (await rowsFrom(batchRow, sql, values)).map(toBatch);

/** Batches that are looked at for how long a piece takes: the newest. */
const TIMED_OVER = 100;

/** Seconds of each side of a formula's pieces, as its batches were timed; null where none was. */
export async function timedHere(formulaId: string): Promise<SideTimes | null> {
  const rows = await rowsFrom(
    z.object({ first: z.number().nullable(), second: z.number().nullable() }),
    `select avg(b.first_side_s)::float8 as first, avg(b.second_side_s)::float8 as second
       from (select * from batches where formula_id = $1 order by started_at desc limit ${TIMED_OVER}) b
      where b.kind is null and b.first_side_s is not null and b.second_side_s is not null`,
    [formulaId],
  );
  const row = rows[0];
  return row && row.first !== null ? { first: row.first, second: row.second } : null;
}

/** Batches under way that are shown at once. */
const MOST_UNDER_WAY = 40;

/** Batches under way, by when they are served or were begun. */
export const underWay = (): Promise<Batch[]> =>
  batchesFrom(
    `${SELECT_BATCH} where b.finished_at is null
      order by case when jsonb_typeof(b.timeline->'at') = 'number' then (b.timeline->>'at')::float8 else extract(epoch from b.started_at) * 1000 end limit ${MOST_UNDER_WAY}`,
  );

/** Finished batches that the kitchen learns from: the newest. */
const LEARNED_FROM = 60;
export const judgedBatches = (): Promise<Batch[]> =>
  batchesFrom(
    `${SELECT_BATCH} where b.finished_at is not null and b.verdict is not null and not b.put_away order by b.started_at desc, b.id limit ${LEARNED_FROM}`,
  );

export async function batchById(id: string): Promise<Batch | null> {
  return (await batchesFrom(`${SELECT_BATCH} where b.id = $1`, [id]))[0] ?? null;
}

/** The other batches of one headcount. */
export const besideOf = async (b: Pick<Batch, 'id' | 'headcount'>) =>
  b.headcount
    ? rowsFrom(
        batchRow.pick({ id: true, name: true, pieces: true }),
        'select id, name, pieces_planned as pieces from batches where headcount = $1 and id <> $2 order by started_at, id',
        [b.headcount, b.id],
      )
    : [];

interface LogFilter {
  /** Words of its name, note, marks or change. */
  readonly text: string;
  readonly verdict: Verdict | null;
  /** Of each formula only the best so far. */
  readonly best?: boolean;
  readonly formulaId?: string | null;
  readonly after?: Cursor | null;
}

const LOGGED_AT_ONCE = 50;

/** Finished and running batches, newest first, a page at a time; each without its sheet. */
export async function log(f: LogFilter, most = LOGGED_AT_ONCE): Promise<Page<LogRow>> {
  const words = f.text.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
  const values: unknown[] = [most + 1];
  const v = (x: unknown): string => `$${values.push(x)}`;
  const where = [
    ...words.map((w) => {
      const like = v(`%${w.replace(/[\\%_]/g, '\\$&')}%`);
      // a lot is found by its number, and by its packets'
      return `(b.search like ${like} or exists (select 1 from lot_uses u join lots l on l.id = u.lot_id where u.batch_id = b.id and (l.number like ${like} or lower(l.contents::text) like ${like})))`;
    }),
    ...(f.verdict ? [`b.verdict = ${v(f.verdict)}`] : []),
    ...(f.formulaId ? [`b.formula_id = ${v(f.formulaId)}::uuid`] : []),
    // asked batch by batch, in the order of the page: joined, all formulas would be read for fifty rows
    ...(f.best ? ['(select g.best_batch_id from formulas g where g.id = b.formula_id) = b.id'] : []),
    ...(f.after ? [`(b.started_at, b.id) < (to_timestamp(${v(f.after.at)} / 1000000.0), ${v(f.after.id)}::uuid)`] : []),
  ];
  const rows = await rowsFrom(
    logRow,
    `select b.id, b.formula_id as "formulaId", b.name, v.number as "versionNumber", b.started_at as "startedAt", b.finished_at as "finishedAt",
            b.pieces, b.pieces_planned as "piecesPlanned", b.timeline, b.first_side_s as "firstSideS", b.second_side_s as "secondSideS",
            b.verdict, b.marks, b.note, b.waste, b.change, b.put_away as "putAway", b.exactness, (extract(epoch from b.started_at) * 1000000)::bigint::text as micros,
            (select (extract(epoch from max(t.at)) * 1000)::float8 from batch_taps t where t.batch_id = b.id and t.act = 'pull') as "lastOffAt"
       from (select * from batches b ${where.length > 0 ? `where ${where.join(' and ')}` : ''} order by b.started_at desc, b.id desc limit $1) b
       join formula_versions v on v.id = b.version_id order by b.started_at desc, b.id desc`,
    values,
  );
  const page = pageOf(rows, most, (r) => cursorOf(r.micros, r.id));
  return { ...page, rows: page.rows.map((r) => ({ ...r, timeline: readStored(TIMELINE, r.timeline, r.id).value })) };
}

/** Makings of a version that are looked at together. */
const MAKINGS_TOGETHER = 4;
/** The last makings of a version, the newest first; bowls of trials and batches out of bags are none. */
export const lastOfVersion = async (versionId: string): Promise<readonly Batch[]> =>
  (
    await batchesFrom(
      `${SELECT_BATCH} where b.version_id = $1 and b.finished_at is not null and not b.put_away and b.trial_id is null and b.swapped is null order by b.finished_at desc, b.id limit ${MAKINGS_TOGETHER}`,
      [versionId],
    )
  ).filter((b) => !b.unreadable?.length && !b.sheet.some((l) => l.lot));

export interface NewBatch {
  readonly versionId: string;
  readonly driver: Driver;
  readonly exactness: Exactness;
  readonly portionMl: number;
  readonly serving?: Serving | null;
  readonly requestId?: string | null;
  readonly startedAt?: Date | null;
  readonly split: Split;
  readonly sheet: readonly SheetLine[];
  readonly massG: number;
  readonly pieces: number | null;
  readonly ending: string | null;
  /** Of a forked formula: which end, by its id. */
  readonly endId?: EndId | null;
  /** Whole eggs in each mix. */
  readonly eggs?: number | null;
  /** What it is made as, where that is not what the formula is. */
  readonly kind?: KindId | null;
  readonly school?: string | null;
  readonly portionSaid?: string | null;
  readonly headcount?: string | null;
  /** Allergens of its ingredients as they are known now. */
  readonly known?: Known;
  readonly making: BatchMaking | null;
  readonly foretold?: Foretold | null;
  /** A bowl of a trial: its letter, and the formula as it has it; made again, of no trial any more. */
  readonly trial?: { readonly id: string | null; readonly bowl: string | null; readonly formula: Formula } | undefined;
}

/** The last making of the formula, where its change for next time is being tried. */
const TRIED = `(select l.id from (select b.id, b.change_state from batches b where b.formula_id = (select formula_id from formula_versions where id = $1)
    and b.finished_at is not null and b.verdict is not null and b.trial_id is null order by b.finished_at desc limit 1) l where l.change_state = 'tried')`;

/** Writes a batch. @returns its id; `again` where this press of the button has started it before */
export async function insertBatch(
  client: PoolClient,
  b: NewBatch,
): Promise<{ readonly id: string; readonly again: boolean }> {
  const made = await rowsFrom(
    idRow,
    `insert into batches (version_id, driver, exactness, sheet, mass_g, pieces_planned, portion_ml, started_at, ending, split, request_id, kind, timeline, end_id, eggs, school, portion_said, headcount, known, making, trial_id, bowl, tried, foretold, tries)
     values ($1, $2, $3, $4, $5, $6, $7, coalesce($8, now()), $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, $23, $24, ${TRIED}) on conflict (request_id) do nothing returning id`,
    [
      b.versionId,
      JSON.stringify(b.driver),
      b.exactness,
      JSON.stringify(b.sheet),
      b.massG,
      b.pieces,
      b.portionMl,
      b.startedAt ?? doneAt(),
      b.ending,
      JSON.stringify(b.split),
      b.requestId ?? null,
      b.kind ?? null,
      b.serving ? JSON.stringify(b.serving) : null,
      b.endId ?? null,
      b.eggs ?? null,
      b.school ?? null,
      b.portionSaid ?? null,
      b.headcount ?? null,
      b.known ? JSON.stringify(b.known) : null,
      b.making ? JSON.stringify(b.making) : null,
      b.trial?.id ?? null,
      b.trial?.bowl ?? null,
      b.trial ? JSON.stringify(b.trial.formula) : null,
      b.foretold ? JSON.stringify(b.foretold) : null,
    ],
    client,
  );
  const id = made[0]?.id;
  if (id) return { id, again: false };
  const had = await rowsFrom(idRow, 'select id from batches where request_id = $1', [b.requestId], client);
  if (!had[0]) throw new Error('insert returned no row');
  return { id: had[0].id, again: true };
}

/** When a batch is served, and what of its time line was decided by hand. */
export const setServing = (
  batchId: string,
  to: Serving | null,
  opened: OpenedRow<Serving | null> | null = null,
): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    const row = (
      await rowsFrom(
        z.object({ timeline: z.unknown(), revision: z.number() }),
        'select timeline, timeline_revision as revision from batches where id = $1 and finished_at is null for update',
        [batchId],
        client,
      )
    )[0];
    if (!row) return refuse('That batch is finished, or not in this kitchen any more: its time line stays.');
    const now = readStored(TIMELINE, row.timeline, batchId);
    if (now.unreadable.length > 0) await keepRaw(client, `batches.timeline ${batchId}`, row.timeline);
    return saveRevised(SHAPES.serving, { revision: row.revision, value: now.value }, to, opened, (v, revision) =>
      client.query('update batches set timeline = $2, timeline_revision = $3 where id = $1', [
        batchId,
        v === null ? null : JSON.stringify(v),
        revision,
      ]),
    );
  });

/** What came out, whole: what is not said of it is nothing. */
export type WholeOutcome = Omit<Required<Outcome>, 'verdict'> & { readonly verdict: Verdict | null };
const wholeOutcome = (o: Outcome | WholeOutcome): WholeOutcome => ({
  pieces: o.pieces,
  firstSideS: o.firstSideS,
  secondSideS: o.secondSideS,
  verdict: o.verdict,
  marks: o.marks,
  note: o.note,
  scales: o.scales ?? {},
  waste: o.waste ?? null,
  heightMm: o.heightMm ?? null,
  acrossMm: o.acrossMm ?? null,
  change: o.change ?? '',
  tested: o.tested ?? {},
});

/** Writes what came out; the time of the first stays. What another screen has written meanwhile is kept with it. */
export const writeOutcome = (
  batchId: string,
  o: Outcome,
  opened: OpenedRow<WholeOutcome> | null = null,
  finishedAt: Date | null = null,
): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    const row = (
      await rowsFrom(
        outcomeRow,
        `select pieces, first_side_s as "firstSideS", second_side_s as "secondSideS", verdict, marks, note, scales, waste, height_mm as "heightMm", across_mm as "acrossMm", change, tested, outcome_revision as revision
           from batches where id = $1 for update`,
        [batchId],
        client,
      )
    )[0];
    if (!row) return refuse(GONE);
    const scales = readStored(SCALED, row.scales, batchId);
    if (scales.unreadable.length > 0) await keepRaw(client, `batches.scales ${batchId}`, row.scales);
    const tested = readStored(TESTED, row.tested, batchId);
    if (tested.unreadable.length > 0) await keepRaw(client, `batches.tested ${batchId}`, row.tested);
    const now = {
      revision: row.revision,
      value: wholeOutcome({ ...row, scales: scales.value, tested: tested.value }),
    };
    return saveRevised<WholeOutcome>(SHAPES.outcome, now, wholeOutcome(o), opened, (v, revision) =>
      client.query(
        `update batches set pieces = $2, first_side_s = $3, second_side_s = $4, verdict = $5, marks = $6, note = $7, finished_at = coalesce(finished_at, $8, now()),
                scales = $9, waste = $10, change = $11, outcome_revision = $12, height_mm = $13, across_mm = $14, tested = $15,
                -- another change is a new one
                change_state = case when btrim(change) = btrim($11) then change_state end
          where id = $1`,
        [
          batchId,
          v.pieces,
          v.firstSideS,
          v.secondSideS,
          v.verdict,
          v.marks,
          v.note,
          finishedAt ?? doneAt(),
          JSON.stringify(v.scales),
          v.waste,
          v.change,
          revision,
          v.heightMm,
          v.acrossMm,
          JSON.stringify(v.tested),
        ],
      ),
    );
  });

const READ_AT_ONCE = 500;

/** What of all batches can't be read, a few hundred at a time. */
export async function batchesUnread(): Promise<readonly Unreadable[]> {
  const out: Unreadable[] = [];
  for (let after = '00000000-0000-0000-0000-000000000000'; ; ) {
    const page = await batchesFrom(`${SELECT_BATCH} where b.id > $1 order by b.id limit ${READ_AT_ONCE}`, [after]);
    out.push(...page.flatMap((b) => b.unreadable ?? []));
    const last = page.at(-1);
    if (!last || page.length < READ_AT_ONCE) return out;
    after = last.id;
  }
}
