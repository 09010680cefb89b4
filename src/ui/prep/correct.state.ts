/** Too thick or too thin, as it stands on the screen: what is seen or measured, and what goes in for it; pure. */
import type { Batch } from '@/core/batch/batch';
import { amountSaid } from '@/core/batch/said';
import { asTaken, type MeasuredWith } from '@/core/batch/taken';
import { kindById, railsMoved, schoolOf, type Thickness } from '@/core/formula/kinds';
import type { Standing } from '@/core/formula/ways';
import { type AnalysableLine, numbersOf } from '@/core/numbers';
import type { Ingredient } from '@/core/pantry/ingredient';
import { ingredient } from '@/core/pantry/pantry';
import {
  correction,
  leadsOut,
  leaveningWith,
  massOf,
  meansInBowl,
  paSOf,
  type SeenBowl,
  wantedPourOf,
} from '@/core/prep/correct';
import { typedNumber } from '@/core/quantity/typed';

/** A bowl's leftovers below this are not corrected, g. */
export const LEAST_BOWL_G = 20;

/** What the cook has said of the bowl. */
export interface BowlTyped {
  readonly way: 'look' | 'pour';
  /** By a look; null: nothing is tapped. */
  readonly pour: Thickness | null;
  /** By a test pour: how much, mL, and how far each lies, cm; as typed. */
  readonly ml: string;
  readonly across: readonly string[];
  /** g in the bowl; empty: all of it. */
  readonly bowl: string;
  /** What was put in instead of what is proposed; as typed. */
  readonly own: string;
}

export const NOTHING_POURED = ['', '', ''] as const;

/** What a bowl's correction is worked from. */
export interface BowlFacts {
  readonly batch: Pick<Batch, 'kind' | 'school'>;
  /** What is in the bowl, with what was stirred in. */
  readonly lines: readonly AnalysableLine[];
  readonly standing: Standing;
  /** The scale's step, g. */
  readonly stepG: number;
  readonly measured: MeasuredWith;
  /** g of it that are poured already. */
  readonly pouredG: number;
  readonly find: (id: string) => Ingredient | undefined;
}

/** What is seen, as the model takes it; null: nothing yet. */
function seenOf(t: BowlTyped): SeenBowl | null {
  if (t.way === 'look') return t.pour && { by: 'look', pour: t.pour };
  const cm = t.across.map((x) => typedNumber(x, 'cm')).filter((x) => x > 1 && x < 60);
  const ml = typedNumber(t.ml, 'ml');
  return ml > 0 && cm.length > 0 ? { by: 'pour', ml, cm } : null;
}

export interface BowlCorrection {
  readonly c: NonNullable<ReturnType<typeof correction>>;
  /** The first step and all of it, as the batch is measured: what is said is what is noted. */
  readonly first: ReturnType<typeof asTaken>;
  readonly whole: ReturnType<typeof asTaken>;
  /** What the cook put in instead; null: nothing is typed. */
  readonly said: ReturnType<typeof amountSaid> | null;
  /** Rails that it moves, in words. */
  readonly changes: readonly string[];
  /** Rails that it leads out of the usual. */
  readonly out: ReturnType<typeof leadsOut>;
  /** Leavening that keeps the lift where flour goes in. */
  readonly lever: ReturnType<typeof leaveningWith>;
}

export interface BowlAtHand {
  /** g in the bowl: what is left of it, and as said. */
  readonly inBowl: number;
  readonly bowlG: number;
  readonly wrong: boolean;
  readonly seen: SeenBowl | null;
  /** Its thickness as seen, Pa s; null: nothing is seen yet. */
  readonly paS: number | null;
  readonly want: ReturnType<typeof wantedPourOf> | null;
  /** What goes in; null: it is near enough, or nothing is seen. */
  readonly now: BowlCorrection | null;
}

export function bowlAtHand(t: BowlTyped, facts: BowlFacts): BowlAtHand {
  const { batch, lines, standing, stepG, pouredG, find } = facts;
  const inBowl = Math.max(0, Math.round(massOf(lines) - pouredG));
  const bowlG = t.bowl.trim() === '' ? inBowl : typedNumber(t.bowl);
  const wrong = Number.isNaN(bowlG) || bowlG < LEAST_BOWL_G;
  const seen = seenOf(t);
  const paS = seen ? paSOf(seen) : null;
  const want = paS === null ? null : wantedPourOf(schoolOf(kindById(batch.kind), batch.school), paS);
  const stored = (id: string): Ingredient => find(id) ?? ingredient(id);
  const means = meansInBowl(lines, stored('milk-whole'), stored('flour-all-purpose'));
  const c =
    paS !== null && want !== null && !wrong
      ? correction(lines, { bowlG, seen: paS, want, standing, ...means, stepG })
      : null;
  return { inBowl, bowlG, wrong, seen, paS, want, now: c && correctedOf(c, t.own, bowlG, facts) };
}

function correctedOf(
  c: BowlCorrection['c'],
  own: string,
  bowlG: number,
  { batch, lines, standing, measured }: BowlFacts,
): BowlCorrection {
  const numbers = (of: readonly AnalysableLine[]) => numbersOf(of, batch.kind, batch.school, { standing });
  const was = numbers(lines);
  const then = numbers([
    ...lines,
    { use: 'batter', parts: [{ ingredient: c.ingredient, grams: (c.grams * massOf(lines)) / bowlG }] },
  ]);
  return {
    c,
    first: asTaken(c.ingredient, c.steps[0] ?? c.grams, measured),
    whole: asTaken(c.ingredient, c.grams, measured),
    said:
      own.trim() === ''
        ? null
        : amountSaid(own.replace(/\bspoon(?:ful)?s?\b/i, 'tbsp'), c.ingredient, {
            onHandG: null,
            conventions: measured.conventions,
          }),
    changes: railsMoved(was, then),
    out: leadsOut(was, then),
    lever: leaveningWith(lines, c.ingredient, c.grams, bowlG),
  };
}

/** What was seen, in words, as it is noted with what went in. */
export const seenWords = (seen: SeenBowl, pourWords: Readonly<Record<Thickness, string>>): string =>
  seen.by === 'look'
    ? pourWords[seen.pour]
    : `${seen.ml} ml lay ${(seen.cm.reduce((a, x) => a + x, 0) / seen.cm.length).toFixed(1)} cm across`;
