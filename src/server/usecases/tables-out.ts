/** The kitchen's records as tables for a sheet program: grams, millilitres, seconds, times in UTC. */

import { z } from 'zod';
import { bareName } from '@/core/batch/sheet-line';
import { csvOf } from '@/core/exchange/csv';
import type { Own } from '@/core/pantry/own';
import { findIngredient } from '@/core/pantry/pantry';
import { bagsLeft, entryKind, numbersSaid } from '@/core/premix/premix';
import { longTransaction } from '../db/pool';
import { rowsFrom, signedBy } from '../db/rows';
import { loadHouse } from '../queries/house';
import { booksOf } from '../queries/lot-books';
import { ownMeasures } from '../queries/pantry';
import { lots, premixes } from '../queries/premixes';
import { sides } from '../queries/sides';
import { auditLog } from '../queries/sign-in';

export const LOG_TABLES = ['batches', 'outcomes', 'taps'] as const;
export const HOUSE_TABLES = ['measures', 'sides', 'premixes', 'lots', 'movements'] as const;
export const DOOR_TABLES = ['door'] as const;
export type TableOut = (typeof LOG_TABLES)[number] | (typeof HOUSE_TABLES)[number] | (typeof DOOR_TABLES)[number];

const named = (own: Own | undefined, id: string | null): string =>
  id === null ? '' : (findIngredient(id, own)?.name ?? id);

/** Columns that are written as they are. */
const cell = z.union([z.string(), z.number(), z.boolean(), z.date(), z.array(z.string())]).nullable();
const tapRow = z.record(z.string(), cell);
// scales of any age: a value is written as it is
const outcomeRow = z.object({ scales: z.record(z.string(), z.unknown()).nullable() }).catchall(cell);
const batchRow = z.object({
  id: z.string(),
  name: z.string(),
  number: z.number(),
  kind: z.string(),
  started: z.date(),
  finished: z.date().nullable(),
  exactness: z.string(),
  mass: z.number().nullable(),
  planned: z.number().nullable(),
  pieces: z.number().nullable(),
  portion: z.number().nullable(),
  // of any age: a line of it is asked for its name and grams
  sheet: z.unknown(),
});

async function batchTable(): Promise<string> {
  const rows = await rowsFrom(
    batchRow,
    `select b.id, b.name, v.number, v.kind, b.started_at as started, b.finished_at as finished, b.exactness, b.mass_g as mass, b.pieces_planned as planned,
            b.pieces, b.portion_ml as portion, b.sheet from batches b join formula_versions v on v.id = b.version_id order by b.started_at, b.id`,
  );
  return csvOf(
    [
      'Batch',
      'Name',
      'Version',
      'Kind',
      'Started',
      'Finished',
      'Measured',
      'Batter, g',
      'Pieces planned',
      'Pieces made',
      'Portion, ml',
      'Lines',
    ],
    rows.map((b) => [
      b.id,
      b.name,
      b.number,
      b.kind,
      b.started,
      b.finished,
      b.exactness,
      b.mass,
      b.planned,
      b.pieces,
      b.portion,
      (Array.isArray(b.sheet) ? b.sheet : []).map(
        (l) =>
          `${bareName({ name: l.name ?? '' })} ${l.grams ?? 'as needed'}${typeof l.grams === 'number' ? ' g' : ''}`,
      ),
    ]),
  );
}

async function outcomeTable(): Promise<string> {
  const rows = await rowsFrom(
    outcomeRow,
    `select b.id, b.name, v.number, b.finished_at, b.verdict, b.pieces, b.waste, b.first_side_s, b.second_side_s, b.height_mm, b.across_mm, b.marks, b.scales, b.note, b.change
       from batches b join formula_versions v on v.id = b.version_id where b.finished_at is not null order by b.finished_at, b.id`,
  );
  return csvOf(
    [
      'Batch',
      'Name',
      'Version',
      'Finished',
      'How it was',
      'Pieces',
      'Waste',
      'First side, s',
      'Second side, s',
      'Height, mm',
      'Across, mm',
      'Marks',
      'Scales',
      'Note',
      'Next time',
    ],
    rows.map((r) => [
      ...[
        r.id,
        r.name,
        r.number,
        r.finished_at,
        r.verdict,
        r.pieces,
        r.waste,
        r.first_side_s,
        r.second_side_s,
        r.height_mm,
        r.across_mm,
        r.marks,
      ],
      Object.entries(r.scales ?? {}).map(([k, v]) => `${k} ${v}`),
      r.note,
      r.change,
    ]),
  );
}

const TAPS_AT_ONCE = 5000;

/** Taps are many: read a few thousand at a time. */
async function tapTable(): Promise<string> {
  const rows: z.output<typeof tapRow>[] = [];
  await longTransaction(async (client) => {
    await client.query(
      `declare every_tap cursor for select t.batch_id, b.name, t.piece, t.act, t.surface, t.slot, t.at, ${signedBy('t')} as by from batch_taps t join batches b on b.id = t.batch_id order by t.batch_id, t.seq`,
    );
    for (;;) {
      const page = await rowsFrom(tapRow, `fetch ${TAPS_AT_ONCE} from every_tap`, [], client);
      rows.push(...page);
      if (page.length < TAPS_AT_ONCE) return;
    }
  });
  return csvOf(
    ['Batch', 'Name', 'Piece', 'Tap', 'Surface', 'Place', 'At', 'By'],
    rows.map((r) => [r.batch_id, r.name, r.piece, r.act, r.surface, r.slot, r.at, r.by]),
  );
}

async function measureTable(): Promise<string> {
  const [house, all] = await Promise.all([loadHouse(), ownMeasures()]);
  return csvOf(
    ['Measure', 'Which', 'How full', 'Of', 'Holds', 'Least', 'Most', 'Unit', 'Weighings, g', 'In use'],
    all.map((m) => [
      m.unit,
      m.which,
      m.full,
      named(house.conventions.own, m.ingredientId),
      m.each,
      m.low,
      m.high,
      m.ingredientId ? 'g' : 'ml',
      m.weighings.map(String),
      m.used,
    ]),
  );
}

async function sideTable(): Promise<string> {
  const [house, all] = await Promise.all([loadHouse(), sides()]);
  return csvOf(
    ['Name', 'Parts by', 'Ingredient', 'Parts', 'For one person, g', 'Method'],
    all.flatMap((s) =>
      s.parts.map((p) => [s.name, s.by, named(house.conventions.own, p.ingredientId), p.parts, s.servingG, s.method]),
    ),
  );
}

async function premixTable(): Promise<string> {
  const all = await premixes();
  return csvOf(
    ['Name', 'Setting', 'Value'],
    all.flatMap((p) =>
      Object.entries(p.settings).map(([k, v]) => [
        p.name,
        k,
        typeof v === 'object' ? JSON.stringify(v) : (v as string | number | boolean),
      ]),
    ),
  );
}

async function lotTable(): Promise<string> {
  const all = await lots();
  return csvOf(
    [
      'Lot',
      'Premix',
      'Made',
      'Best before',
      'A bag, g',
      'Bags made',
      'Bags left',
      'What went in',
      'Checked by',
      'Made by',
      'Note',
      'Cancelled',
      'A bag cost',
    ],
    all.map((l) => [
      ...[l.number, l.premixName, l.made, l.bestBefore, l.bagG, l.bags, bagsLeft(l)],
      l.contents.map((i) => `${i.name} ${i.grams} g${i.lot ? ` (${i.lot})` : ''}`),
      ...[l.checked, l.madeBy, l.note, l.voidedAt, l.cost ?? null],
    ]),
  );
}

const DAY_CHARS = 10;
/** Every entry of the lots' books, the first first. */
async function movementTable(): Promise<string> {
  const all = await lots();
  const of = new Map(all.map((l) => [l.id, l]));
  return csvOf(
    ['Lot', 'Premix', 'A bag, g', 'Day', 'What', 'Bags', 'Numbers', 'Who', 'Why', 'Price for all', 'Batch'],
    (await booksOf(all.map((l) => l.id))).map((u) => {
      const l = of.get(u.lotId);
      return [
        ...[l?.number ?? '', l?.premixName ?? '', l?.bagG ?? null, u.usedAt.toISOString().slice(0, DAY_CHARS)],
        ...[entryKind(u), u.bags, numbersSaid(u.numbers), u.who, u.why, u.price, u.batchName],
      ];
    }),
  );
}

/** What is written of the door at most, rows. */
const MOST_OF_THE_DOOR = 100_000;

const doorTable = async (): Promise<string> =>
  csvOf(
    ['Came in', 'Done', 'What', 'Answer', 'Who', 'Device'],
    (await auditLog(MOST_OF_THE_DOOR)).map((a) => [a.at, a.doneAt, a.what, a.answer, a.person, a.device]),
  );

const MAKERS: Readonly<Record<TableOut, () => Promise<string>>> = {
  batches: batchTable,
  outcomes: outcomeTable,
  taps: tapTable,
  measures: measureTable,
  sides: sideTable,
  premixes: premixTable,
  lots: lotTable,
  movements: movementTable,
  door: doorTable,
};

/** @returns the text of a .csv file */
export const tableOut = (what: TableOut): Promise<string> => MAKERS[what]();
