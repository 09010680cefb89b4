/** A trial with all that is made and said of it, and the beginning of its bowls: all of them, or none. */

import type { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { keepTrialSchema } from '@/contract/trial';
import type { Take } from '@/core/batch/take-out';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Version } from '@/core/formula/version';
import { portionOfWay, type TrialChange, type TriedWay, timesWritten, triedOf, wrongWays } from '@/core/judge/trial';
import type { Result } from '@/core/result';
import { loadHouse } from '../queries/house';
import { GONE } from '../queries/revised';
import { type KeptTrial, keepTrial, trialById } from '../queries/trials';
import { version, versionById, versionsMade } from '../queries/versions';
import { prepareBatch, type ToWrite, writeBatches } from './start-batch';

/** The versions that changes name, by their number. */
async function versionsNamed(
  formulaId: string,
  changes: readonly TrialChange[],
): Promise<ReadonlyMap<number, Formula>> {
  const numbers = [...new Set(changes.flatMap((c) => (c.do === 'version' ? [c.number] : [])))];
  const found = await Promise.all(numbers.map((n) => version(formulaId, n)));
  return new Map(found.flatMap((v) => (v ? [[v.number, v.formula] as const] : [])));
}

interface TrialWithWays {
  readonly trial: KeptTrial;
  readonly of: Version;
  readonly ways: readonly TriedWay[];
}

/** A trial with the formula of each way; null: there is no such trial. */
export async function trialWithWays(id: string, house: Kitchen): Promise<TrialWithWays | null> {
  const trial = await trialById(id);
  const of = trial && (await versionById(trial.versionId));
  if (!trial || !of) return null;
  const ways = trial.plan?.ways ?? [];
  const versions = await versionsNamed(
    trial.formulaId,
    ways.map((w) => w.change),
  );
  // by their letters: an order of planning would tell which is as written
  const tried = triedOf(of.formula, { ways }, versions, house, of.formula.ends?.[0].id ?? null);
  return { trial, of, ways: [...tried].sort((a, b) => a.bowl.localeCompare(b.bowl)) };
}

/** Keeps a trial; what is wrong with one of its ways is told at that way. */
export async function planTrial(t: z.output<typeof keepTrialSchema>): Promise<ActionResult> {
  const [v, house] = await Promise.all([versionById(t.versionId), loadHouse()]);
  if (!v) return refuse(GONE);
  const wrong = Object.entries(wrongWays(v.formula, t.changes, await versionsNamed(v.formulaId, t.changes), house));
  if (wrong.length > 0)
    return refuse(
      'Please mend what is marked.',
      Object.fromEntries(wrong.map(([n, says]) => [`changes.${n}`, says])),
      'invalid',
    );
  return keepTrial(t);
}

/** A bowl of each way, ready to be written. @returns why one of them can't be made */
export async function bowlsToWrite(
  { trial, of, ways }: TrialWithWays,
  house: Kitchen,
  take: Take,
): Promise<Result<readonly ToWrite[], string>> {
  const { plan } = trial;
  if (!plan || ways.length !== plan.ways.length)
    return { ok: false, error: 'A line or a version that this trial changes is gone.' };
  const end = of.formula.ends?.[0].id ?? null;
  // all bowls are the formula as written so many times over, so that what they share is the same in each
  const factor = timesWritten(of.formula, plan, house);
  if (!factor.ok) return factor;
  const all: ToWrite[] = [];
  for (const w of ways) {
    const portionMl = portionOfWay(plan, w);
    const made = await prepareBatch({
      versionId: of.versionId,
      driver: { by: 'factor', factor: factor.value },
      exactness: 'gram',
      portionMl,
      end,
      trial: { id: trial.id, bowl: w.bowl, formula: w.formula },
      take,
      // one press begins all of them, told by the first
      requestId: all.length === 0 ? trial.id : null,
    });
    if (!made.ok) return { ok: false, error: `Bowl ${w.bowl}: ${made.error.message}` };
    all.push(made.value.write);
  }
  return { ok: true, value: all };
}

/** Begins the bowls of a trial, once. */
export async function beginTrial(id: string, take: Take): Promise<ActionResult> {
  const house = await loadHouse();
  const open = await trialWithWays(id, house);
  if (!open) return refuse(GONE);
  const bowls = await bowlsToWrite(open, house, take);
  if (!bowls.ok) return refuse(bowls.error);
  const begun = await writeBatches(bowls.value, house);
  return begun.ok ? { ok: true } : refuse(begun.message);
}

/** Opened trials that are looked back on. */
const MOST_HAD = 20;
/** Formulas of what was made and tried of a formula so far: what they had was tasted. */
export async function hadSoFar(
  formulaId: string,
  trials: readonly KeptTrial[],
  house: Kitchen,
): Promise<readonly Formula[]> {
  const made = await versionsMade(formulaId);
  const opened = await Promise.all(
    trials
      .filter((t) => t.openedAt)
      .slice(0, MOST_HAD)
      .map((t) => trialWithWays(t.id, house)),
  );
  return [...made.map((v) => v.formula), ...opened.flatMap((t) => t?.ways.map((w) => w.formula) ?? [])];
}
