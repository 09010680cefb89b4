'use client';
/**
 * A plan as the page shows it: what is typed is read, the plan is worked from that, and what follows from it is told.
 */
import { useDeferredValue, useMemo } from 'react';
import { acrossOf } from '@/core/batch/mixes';
import { planOf, type WholePlan } from '@/core/batch/plan-of';
import { scriptOfBatch } from '@/core/batch/script-of';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import type { Side } from '@/core/batch/sides';
import { mixesIn } from '@/core/batch/split';
import { takeOut } from '@/core/batch/take-out';
import { eggLine, withWholeEggs } from '@/core/batch/whole-eggs';
import { surfacesFor } from '@/core/batter/surface';
import { dayOfPlan } from '@/core/day/day';
import { kindIdOf } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { foretoldOf } from '@/core/learn/foretold';
import { EGG_G } from '@/core/pantry/egg-parts';
import { scalesOf } from '@/core/pantry/gear';
import type { Ingredient } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { bagSheet } from '@/core/premix/use';
import { amountAsked, type By, type PlanTyped } from './plan.state';
import { type PlanRead, type PlanTypedIn, readPlan } from './plan-read';

interface PlanShown extends PlanTypedIn {
  readonly sides: readonly Side[];
}
export type PlanWorked = ReturnType<typeof usePlan>;

type Find = (id: string) => Ingredient | undefined;

/** Fewer are weighed, and this near a whole number they are whole. */
const LEAST_EGGS = 0.5;
const WHOLE_WITHIN = 0.02;

/** What whole eggs would make of one mix; null where there is nothing to choose. */
function eggChoiceOf(r: PlanRead, { formula, house, stands: s }: PlanShown) {
  const { means, lines } = r;
  if (!means || s.both !== null) return null;
  const perMix = r.split?.split?.by === 'bowls' ? mixesIn(r.split.split) : 1;
  const exact = means.eggs / perMix;
  const whole = Math.max(1, Math.round(exact));
  const line = eggLine(lines);
  if (!line || exact <= LEAST_EGGS || Math.abs(exact - whole) <= WHOLE_WITHIN) return null;
  return {
    exact,
    whole,
    gramsEach: line.parts[0]?.ingredient.piece?.grams ?? EGG_G,
    canBeWhole: withWholeEggs({ formula, house, end: s.end }, means.factor / perMix, whole) !== null,
  };
}

/** The second end at the heat, where it is of another kind. */
function secondOf(r: PlanRead, { house, stands: s }: PlanShown) {
  const other = r.driver?.by === 'both' && r.driver.b.kind !== r.kind.id ? r.driver.b : null;
  if (!other?.kind) return null;
  const across = acrossOf(other.kind, r.card, other.portionMl);
  return { name: other.name, kind: other.kind, surfaces: surfacesFor(house.gear, other.kind, across, s.litSecond) };
}

/** What the plan takes, holds and how it is made; empty while there is no plan. */
function followsFrom(plan: WholePlan | null, r: PlanRead, q: PlanShown, find: Find) {
  const { house, shelf, stands: s } = q;
  const sheet = plan?.sheet ?? [];
  // what is added to the bags is taken out with the rest; what is in them came off the shelf when the lot was made
  const bagSheets = (r.bags?.taken ?? []).flatMap((t) => bagSheet(t.bagged.lot, t.bags, t.bagged.parts));
  const takes = linesOfSheet(offTheShelf([...sheet, ...bagSheets]), find);
  const split = r.split?.split;
  const stands = {
    house,
    portionMl: r.portionMl,
    lit: s.lit,
    litSecond: s.litSecond,
    methods: new Map(q.sides.map((x) => [x.name, x.method])),
    kept: (r.kept?.taken ?? []).map((t) => ({ ...t.lot, pieces: t.pieces })),
  };
  const day = plan && split && sheet.length > 0 ? dayOfPlan(plan, { ...stands, split }, find) : null;
  return {
    sheet,
    account: linesOfSheet([...sheet, ...bagSheets], find),
    takes,
    short: takeOut(usesOf(takes, shelf), shelf).rows.filter((x) => (x.shortG ?? 0) > 0),
    script: plan
      ? scriptOfBatch(
          {
            sheet,
            kind: plan.kind.id,
            school: plan.school.id,
            portionMl: r.portionMl,
            driver: plan.driver,
            making: plan.making,
          },
          plan.ways,
          find,
          house.units,
        )
      : { acts: [] },
    steps: day?.steps ?? null,
    foretold: plan && split && day ? foretoldOf(plan, day, split, s.serving, q.timed) : null,
  };
}

export function usePlan(q: PlanShown) {
  const { formula, house, stands: s } = q;
  const r = readPlan(q);
  const { driver, portionMl, panfulMl, fillsPan } = r;
  const split = r.split?.split ?? null;
  const people = r.besideRead.sides ?? [];
  const sides = people.flatMap((b) => {
    const side = q.sides.find((x) => x.id === b.sideId);
    return side ? [{ side, people: b.people }] : [];
  });
  // cups and spoons answer at once line by line, and better as soon as the hand that types lets it
  const asked = JSON.stringify([driver, split, s.exactness, s.eggs, s.end, portionMl, panfulMl, people]);
  const rough = useDeferredValue(asked) !== asked;
  // worked again only for another question: what else is on the page changes nothing of it
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is all of these, as text
  const made = useMemo(
    () =>
      driver && split
        ? planOf({
            formula,
            house,
            end: s.end,
            driver,
            split,
            eggs: s.eggs,
            exactness: s.exactness,
            portionMl: fillsPan ? panfulMl : portionMl,
            sides,
            rough,
          })
        : null,
    [asked, rough, formula, house],
  );
  const plan = made?.ok ? made.value : null;
  const find: Find = (id) => findIngredient(id, house.conventions.own);
  return {
    ...r,
    ...followsFrom(plan, r, q, find),
    pan: fillsPan,
    units: house.units,
    /** Both ends can be made from one base: neither fills its pan. */
    canBoth:
      formula.ends?.every((e) => schoolOf(kindById(kindIdOf(formula, e.id)), e.school).portionMl !== null) ?? false,
    portionSaid: r.portion?.comes ? s.typed.portion.trim() : null,
    pieces: plan?.planned.pieces?.all ?? null,
    amountFor: (by: By, t: PlanTyped): string => amountAsked(by, t, r.means, r.typedWith),
    surfaces: surfacesFor(
      house.gear,
      r.kind.id,
      acrossOf(r.kind.id, r.card, driver?.by === 'both' ? driver.a.portionMl : portionMl),
      s.lit,
    ),
    second: secondOf(r, q),
    ready: plan?.ready ?? null,
    planned: plan?.planned ?? null,
    refused: r.refused ?? (made && !made.ok ? made.error : null),
    stepG: scalesOf(house.gear)[0]?.stepG ?? 1,
    density: r.card.volume?.densityGPerMl ?? null,
    eggChoice: eggChoiceOf(r, q),
  };
}
