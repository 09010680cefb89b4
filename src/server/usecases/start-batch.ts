/**
 * Starting a batch: its sheet is worked out here from the version as saved, kept as it is, and what it wants is taken
 * from stock.
 */

import { randomUUID } from 'node:crypto';
import type { PoolClient } from 'pg';
import type { Driver, EndAsked } from '@/core/batch/driver';
import type { Exactness } from '@/core/batch/exactness';
import { knownOnSheet } from '@/core/batch/known';
import { planOf } from '@/core/batch/plan-of';
import { saidOf } from '@/core/batch/said';
import { makingOf } from '@/core/batch/script-of-formula';
import type { Serving } from '@/core/batch/serving';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import type { SheetLine } from '@/core/batch/sheet-line';
import type { Side } from '@/core/batch/sides';
import { ONE, type Split } from '@/core/batch/split';
import { type Take, takeOut } from '@/core/batch/take-out';
import { AS_USUAL, type Lit } from '@/core/batter/surface';
import { dayOfPlan } from '@/core/day/day';
import { type EndId, endOf } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { countedLines, notUnderstood } from '@/core/formula/lines';
import { foretoldOf } from '@/core/learn/foretold';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { grams } from '@/core/quantity/say';
import type { Result } from '@/core/result';
import { transaction } from '../db/pool';
import { Undone } from '../db/undone';
import { insertBatch, type NewBatch, timedHere } from '../queries/batches';
import { noteEntry } from '../queries/event-log';
import { loadHouse } from '../queries/house';
import { stockNoted } from '../queries/pantry';
import { sideById } from '../queries/sides';
import { type Short, takeFromShelf } from '../queries/stock';
import { versionById } from '../queries/versions';

export type Started =
  | { readonly ok: true; readonly id: string }
  | {
      readonly ok: false;
      readonly message: string;
      readonly path: string /** What there is too little of. */;
      readonly short?: readonly Short[];
    };

export interface Start {
  readonly versionId: string;
  readonly driver: Driver;
  readonly exactness: Exactness;
  readonly portionMl: number;
  /** The same in the words it was said in. */
  readonly portionSaid?: string | undefined;
  readonly end?: EndId | null;
  readonly split?: Split;
  /** Whole eggs in each mix, the rest balanced around them. */
  readonly eggs?: number | null;
  readonly sides?: readonly { readonly sideId: string; readonly people: number }[];
  /** Whether it takes from the shelf: not at all, only if there is enough, or what there is. */
  readonly take?: Take;
  /** What is lit, where that is not as usual. */
  readonly lit?: Lit;
  /** The same of the second of two ends, where that is of another kind. */
  readonly litSecond?: Lit;
  /** When it is served, where that is known. */
  readonly serving?: Serving | null;
  /** A bowl of a trial: its letter, and the version's formula as it has it. */
  readonly trial?: NewBatch['trial'];
  /** The same press of the button twice starts one batch. */
  readonly requestId?: string | null;
  readonly startedAt?: Date | null;
}

/** What a sheet wants of the shelf, g by ingredient. */
export const wantsOf = (sheet: readonly SheetLine[], house: Kitchen, stock: Shelf): ReadonlyMap<string, number> =>
  new Map(
    takeOut(
      usesOf(
        linesOfSheet(offTheShelf(sheet), (id) => findIngredient(id, house.conventions.own)),
        stock,
      ),
      stock,
    ).rows.map((r) => [r.ingredient.id, r.grams]),
  );

/** "buttermilk: 300 g short". */
export const shortWords = (short: readonly Short[], house: Kitchen): string =>
  short
    .map((s) => {
      const i = findIngredient(s.ingredientId, house.conventions.own);
      return `${i ? kitchenName(i) : s.ingredientId}: ${grams(s.wantedG - s.onHandG, house.units)} short of ${grams(s.wantedG, house.units)}`;
    })
    .join('; ');

/** A batch that is ready to be written. */
export interface ToWrite {
  readonly batch: NewBatch;
  readonly take: Take;
  readonly also?: (client: PoolClient, batchId: string) => Promise<void>;
}

/** Writes batches and takes what they want, or nothing of it. @returns the first of them */
export async function writeBatches([first, ...more]: readonly ToWrite[], house: Kitchen): Promise<Started> {
  if (!first) throw new Error('no batch to write');
  const stock = await stockNoted();
  const find = (id: string) => findIngredient(id, house.conventions.own);
  try {
    return await transaction(async (client): Promise<Started> => {
      const write = async ({
        batch,
        take,
        also,
      }: ToWrite): Promise<{ readonly id: string; readonly again: boolean }> => {
        const made = await insertBatch(client, { ...batch, known: knownOnSheet(batch.sheet, find) });
        if (made.again) return made;
        await also?.(client, made.id);
        const short =
          take === 'no'
            ? []
            : await takeFromShelf(client, { batchId: made.id }, wantsOf(batch.sheet, house, stock), take === 'anyway');
        if (short.length > 0 && take === 'enough')
          throw new Undone<Started>({
            ok: false,
            path: 'take',
            message: `There is too little in stock. ${shortWords(short, house)}.`,
            short,
          });
        return made;
      };
      const { id, again } = await write(first);
      for (const m of again ? [] : more) await write(m);
      return { ok: true, id };
    });
  } catch (e) {
    if (e instanceof Undone) return e.value as Started;
    throw e;
  }
}

type Refusal = Extract<Started, { readonly ok: false }>;
export type Prepared = Result<{ readonly write: ToWrite; readonly house: Kitchen }, Refusal>;
export const cannot = (path: string, message: string): { readonly ok: false; readonly error: Refusal } => ({
  ok: false,
  error: { ok: false, path, message },
});

/**
 * A batch of a version, ready to be written. The sheet is worked out here, from the version as saved, and kept as it
 * is.
 * @returns errors of the scaling, or that there is no such version
 */
export async function prepareBatch(s: Start): Promise<Prepared> {
  const { versionId, exactness, portionMl, trial, split = ONE } = s;
  const end = s.end ?? null;
  const asSaved = await versionById(versionId);
  const v = asSaved && trial ? { ...asSaved, formula: trial.formula } : asSaved;
  if (!v) return cannot('versionId', 'That version is not in this kitchen.');
  const house = await loadHouse();
  const [unread] = notUnderstood(countedLines(v.formula, house, end));
  if (unread)
    return cannot(
      'versionId',
      `“${unread.text.slice(0, 60)}” is not understood: say on the Bench what is meant, or leave it out there.`,
    );
  const sides: { readonly side: Side; readonly people: number }[] = [];
  for (const [n, x] of (s.sides ?? []).entries()) {
    const side = await sideById(x.sideId);
    if (!side) return cannot(`sides.${n}`, 'One of the sauces and butters is not in this kitchen any more.');
    sides.push({ side, people: x.people });
  }
  const made = planOf({
    formula: v.formula,
    house,
    end,
    driver: s.driver,
    split,
    eggs: s.eggs ?? null,
    exactness,
    portionMl,
    sides,
  });
  if (!made.ok) return cannot(made.error.path, made.error.message);
  const { driver, formula: at, planned, ready, sheet, fillsPan } = made.value;
  const { volume, thickness } = ready.before;
  const said = { density: volume?.densityGPerMl ?? null, paS: thickness?.paS ?? null, conventions: house.conventions };
  // words that mean another portion than the number are not kept
  const heard = (e: EndAsked): EndAsked => ({ ...e, said: saidOf(e.said, e.portionMl, said) ?? undefined });
  const day = dayOfPlan(
    made.value,
    {
      house,
      split,
      portionMl,
      lit: s.lit ?? AS_USUAL,
      litSecond: s.litSecond ?? AS_USUAL,
      methods: new Map(sides.map(({ side }) => [side.name, side.method])),
      kept: [],
    },
    (id) => findIngredient(id, house.conventions.own),
  );
  const batch: NewBatch = {
    ...s,
    driver: driver.by === 'both' ? { ...driver, a: heard(driver.a), b: heard(driver.b) } : driver,
    split,
    portionSaid: fillsPan ? null : saidOf(s.portionSaid, portionMl, said),
    // null: as the version has it
    kind: at.kind === v.formula.kind ? null : at.kind,
    school: at.school === v.formula.school ? null : at.school,
    sheet,
    massG: planned.massG,
    pieces: planned.pieces?.all ?? null,
    ending:
      driver.by === 'both'
        ? `${driver.a.name} and ${driver.b.name}`
        : [endOf(v.formula, end)?.name, trial?.bowl && `bowl ${trial.bowl}`].filter(Boolean).join(', ') || null,
    endId: driver.by === 'both' ? null : (endOf(v.formula, end)?.id ?? null),
    making: makingOf(v.formula, house),
    foretold: foretoldOf(made.value, day, split, s.serving ?? null, await timedHere(v.formulaId)),
  };
  const also = async (client: PoolClient, batchId: string): Promise<void> => {
    const lit = (l: Lit | undefined, more: { readonly end?: 'b' }) =>
      l && (l.on !== null || l.most !== null)
        ? noteEntry(client, batchId, { id: randomUUID(), at: Date.now(), act: { what: 'lit', ...more, ...l } })
        : null;
    await lit(s.lit, {});
    await lit(s.litSecond, { end: 'b' });
  };
  return { ok: true, value: { write: { batch, take: s.take ?? 'no', also }, house } };
}

/** Starts a batch. @returns its id; or what is wrong with it, or that the shelf has too little */
export async function startBatch(s: Start): Promise<Started> {
  const made = await prepareBatch(s);
  return made.ok ? writeBatches([made.value.write], made.value.house) : made.error;
}
