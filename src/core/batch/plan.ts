/**
 * A plan: what drives the batch, whether it is mixed in one bowl, in several equal ones or as kits for benches, and the
 * sheet that follows. The page shows it while it is typed, the server works the same again when the batch starts.
 */
import type { Analysis } from '../analyse';
import type { FormulaLine } from '../formula/formula';
import type { KindId } from '../formula/kinds';
import type { LargeBowl } from '../formula/ways';
import type { SheetLine } from './batch';
import { type Driver, portionOf, type Result, timesOf } from './driver';
import { inLargeBowl } from './large-bowl';
import { type Exactness, type Scaled, scale, type Taken } from './scale';
import { sheetOf } from './sheet';

export type Split =
  | { readonly by: 'one' }
  /** The batch in equal mixes; `atOnce` of them joined together. */
  | {
      readonly by: 'bowls';
      readonly mixes: number;
      readonly atOnce: number;
      readonly bowl: string | null;
      readonly lifeMin: number | null;
      readonly apartMin: number | null;
    }
  /** The batch once for each bench, and again for each class. */
  | { readonly by: 'kits'; readonly benches: number; readonly classes: number };

export const ONE: Split = { by: 'one' };

export const mixesIn = (s: Split): number => (s.by === 'bowls' ? s.mixes : s.by === 'kits' ? s.benches * s.classes : 1);

/** What one of several is called: "mix 2", "bench 3, class 1". @param n from 1 */
export function mixName(s: Split, n: number): string {
  if (s.by !== 'kits') return `mix ${n}`;
  const bench = `bench ${((n - 1) % s.benches) + 1}`;
  return s.classes > 1 ? `${bench}, class ${Math.floor((n - 1) / s.benches) + 1}` : bench;
}

export interface Ready {
  readonly lines: readonly FormulaLine[];
  readonly before: Analysis;
  /** Times the formula for one mix, and for all of them. */
  readonly each: number;
  readonly all: number;
}

/** From driver and split to factors. Errors as the driver has them. @param school what becomes of leavening in a very large bowl */
export function readyToScale(lines: readonly FormulaLine[], driver: Driver, kind: KindId, split: Split, school: LargeBowl): Result<Ready> {
  const begun = timesOf(lines, driver, kind);
  if (!begun.ok) return begun;
  const { factor, before } = begun.value;
  const n = mixesIn(split);
  const each = split.by === 'kits' ? factor : factor / n;
  return { ok: true, value: { lines: inLargeBowl(lines, each * before.tally.massG, school), before, each, all: each * n } };
}

export interface Planned {
  /** One mix. */
  readonly one: Scaled<FormulaLine>;
  /** All of them, g of batter. */
  readonly massG: number;
  readonly volumeMl: number;
  /** The lines of one mix, with what serves them all; as it is shown. */
  readonly mixSheet: readonly SheetLine[];
  /** The lines of every mix, to be ticked and taken from the shelf. */
  readonly sheet: readonly SheetLine[];
}

/**
 * The sheet of a plan.
 * @param how exactness, or each line of one mix as the kitchen takes it
 * @param stepG of the finest scale, g
 */
export function plannedSheet(
  r: Ready,
  driver: Driver,
  how: Exclude<Exactness, 'kitchen'> | readonly (Taken | null)[],
  kind: KindId,
  portionMl: number | null,
  split: Split,
  stepG: number,
): Result<Planned> {
  const n = mixesIn(split);
  const portion = portionOf(driver) ?? portionMl;
  const one = scale(r.lines, { by: 'factor', factor: r.each }, how, kind, portion);
  if (!one.ok) return one;
  const bare = sheetOf(one.value, stepG);
  const volumeMl = one.value.volumeMl * n;
  const massG = one.value.massG * n;
  if (n === 1) return { ok: true, value: { one: one.value, massG, volumeMl, mixSheet: bare, sheet: bare } };
  const whole = scale(r.lines, { by: 'factor', factor: r.all }, typeof how === 'string' ? how : 'gram', kind, portion);
  if (!whole.ok) return whole;
  const shared = sheetOf(whole.value, stepG).filter((l) => l.vessel === 'pan' || l.vessel === 'topping');
  const mixed = bare.filter((l) => l.vessel !== 'pan' && l.vessel !== 'topping');
  const sheet = [
    ...Array.from({ length: n }, (_, m) => mixed.map((l) => ({ ...l, key: m === 0 ? l.key : `${l.key}m${m + 1}`, mix: m + 1 }))).flat(),
    ...shared,
  ];
  return { ok: true, value: { one: one.value, massG, volumeMl, mixSheet: [...mixed, ...shared], sheet } };
}

/** One mix of a sheet that holds several, with what serves them all. */
export const oneMix = (sheet: readonly SheetLine[], mix = 1): readonly SheetLine[] => sheet.filter((l) => l.mix === undefined || l.mix === mix);
