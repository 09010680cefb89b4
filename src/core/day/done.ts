/**
 * Which steps of a time line are done, and since when: told by a tap, or seen in what was weighed, joined, poured and
 * pulled.
 */

import { entriesOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { hasTestPiece } from '../batch/driver';
import { isTestPiece } from '../batch/pieces';
import type { Serving } from '../batch/serving';
import { joinedAt, piecesFrom } from '../griddle/board';
import { foldedAt } from '../prep/check';
import type { EventLog } from './event-log';
import { type TimeLine, timeLine } from './schedule';
import type { Step } from './step';

const MIN = 60_000;

/**
 * @returns by the step's id, when it was over; what was only ticked counts as over now
 */
export function doneSteps(
  steps: readonly Step[],
  batch: Pick<Batch, 'sheet' | 'driver' | 'piecesPlanned' | 'split'>,
  log: EventLog,
  now: number,
): ReadonlyMap<string, number> {
  const done = new Map<string, number>();
  const over = (id: string, at: number | null | undefined): void => {
    if (at !== null && at !== undefined && steps.some((s) => s.id === id))
      done.set(id, Math.min(done.get(id) ?? at, at));
  };
  const pieces = piecesFrom(log.taps);
  const poured = pieces[0]?.pouredAt ?? null;
  const bowls = batch.sheet.filter((l) => l.side === undefined && l.grams !== null);
  const allIn = (...vessels: readonly string[]): boolean => {
    const lines = bowls.filter((l) => vessels.includes(l.vessel));
    return lines.length > 0 && lines.every((l) => log.ticked.includes(l.key));
  };
  if (allIn('dry')) over('dry', now);
  if (allIn('wet', 'fold-in')) over('wet', now);
  const checks = entriesOf(log.entries, 'checked');
  const mixes = new Set(bowls.flatMap((l) => (l.mix === undefined ? [] : [l.mix])));
  if (checks.length > 0 && new Set(checks.map((c) => c.act.mix)).size >= Math.max(1, mixes.size))
    over('check', checks.at(-1)?.at);
  // a wave is combined when its last bowl is
  const together = batch.split.by === 'bowls' ? batch.split.atOnce : Math.max(1, mixes.size);
  const count = Math.max(1, mixes.size);
  for (let w = 0; w * together < count; w++) {
    const bowlsOf = Array.from({ length: Math.min(together, count - w * together) }, (_, n) => w * together + n + 1);
    over(`join${w + 1}`, lastOf(bowlsOf.map((n) => joinedAt(log.taps, n))));
    over(`whip${w + 1}`, lastOf(bowlsOf.map((n) => foldedAt(log.entries, n))));
  }
  over('heat', poured);
  over('hold', entriesOf(log.entries, 'held')[0]?.at);
  if (hasTestPiece(batch.driver)) over('test', pieces.find((p) => p.piece === 1)?.pulledAt);
  const off = pieces
    .filter((p) => p.pulledAt !== null && !isTestPiece(batch, p.piece))
    .map((p) => p.pulledAt as number);
  off.sort((a, b) => a - b);
  const loads = steps.filter((s) => s.loads);
  loads.forEach((s, n) => {
    // the last goes on until all that are wanted are off
    const due = s.loads?.off ?? 1;
    const wanted = loads[n + 1] ? due : (batch.piecesPlanned ?? due);
    over(s.id, off[Math.min(wanted, batch.piecesPlanned ?? wanted) - 1]);
  });
  for (const e of entriesOf(log.entries, 'step')) over(e.act.step, e.at);
  follow(steps, done, now);
  return done;
}

/** The last of several moments; null where one of them is still to come. */
const lastOf = (at: readonly (number | null)[]): number | null =>
  at.every((x) => x !== null) ? Math.max(...(at as number[])) : null;

/** What follows a step is done, so the step was; and what needs no hands is over when its time is. */
function follow(steps: readonly Step[], done: Map<string, number>, now: number): void {
  for (let again = true; again; ) {
    again = false;
    for (const s of steps) {
      const at = done.has(s.id) ? null : overAt(s, steps, done, now);
      if (at === null) continue;
      done.set(s.id, at);
      again = true;
    }
  }
}

/** When a step was over that nobody has told of; null: it isn't. */
function overAt(s: Step, steps: readonly Step[], done: ReadonlyMap<string, number>, now: number): number | null {
  const later = steps
    .filter((f) => f.after.includes(s.id) && done.has(f.id))
    .map((f) => (done.get(f.id) as number) - f.min * MIN);
  if (later.length > 0) return Math.min(...later);
  const before = s.after.map((a) => done.get(a));
  if (s.handsMin !== 0 || before.length === 0 || !before.every((x) => x !== undefined)) return null;
  const self = Math.max(...(before as number[])) + s.min * MIN;
  return self <= now ? self : null;
}

interface LineNow {
  /** As it was planned, before anything was done. */
  readonly planned: TimeLine;
  /** As it stands: what is done is out of it, and the rest is moved on from now. */
  readonly line: TimeLine;
  /** It has begun: something is done, or its first step is due. */
  readonly running: boolean;
  readonly done: ReadonlyMap<string, number>;
}

/** A batch's time line at a moment. @param isSet somebody has said when plates go @param now ms since 1970 */
export function lineNow(
  steps: readonly Step[],
  batch: Parameters<typeof doneSteps>[1] & Pick<Batch, 'finishedAt'>,
  log: EventLog,
  serving: Serving,
  isSet: boolean,
  now: number,
): LineNow {
  const planned = timeLine(steps, serving, null);
  const done = doneSteps(steps, batch, log, now);
  const running = isSet && batch.finishedAt === null && (done.size > 0 || now >= (planned.placed[0]?.start ?? now));
  return { planned, done, running, line: running ? timeLine(steps, serving, { now, done }) : planned };
}
