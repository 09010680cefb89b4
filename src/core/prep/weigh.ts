/**
 * The weigh-in: how far an amount may be off, and what becomes of the rest when too much went in. What is weighed
 * stands; what is not yet weighed is worked anew, so that the ratios come back as far as they can. Grams.
 */

import { bringsOf, perGram } from '../balance/brings';
import { type Goal, NO_CHANGE, solve, sumOf } from '../balance/solve';
import { fineLine, linesOfSheet } from '../batch/sheet';
import { plannedG, type SheetLine } from '../batch/sheet-line';
import { type KindId, kindById, RAILS, railOf } from '../formula/kinds';
import { type AnalysableLine, type Numbers, numbersOf } from '../numbers';
import { allFine } from '../pantry/honest';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { asWeighed } from '../quantity/say';
import type { Weights } from './tolerance';

type Find = (id: string) => Ingredient | undefined;

/** A sheet's lines at other grams than they say. @param gramsOf null: as it says */
const at = (
  sheet: readonly SheetLine[],
  find: Find,
  gramsOf: (l: SheetLine) => number | null,
): readonly AnalysableLine[] =>
  linesOfSheet(sheet, find).map((line, n) => {
    const l = sheet[n];
    const grams = l ? gramsOf(l) : null;
    const has = line.parts.reduce((a, p) => a + p.grams, 0);
    return grams === null || !(has > 0)
      ? line
      : { ...line, parts: line.parts.map((p) => ({ ...p, grams: (p.grams * grams) / has })) };
  });

/** A sheet's lines as they really went in; what was not weighed counts as it is written. */
export const wentIn = (sheet: readonly SheetLine[], weights: Weights, find: Find): readonly AnalysableLine[] =>
  at(sheet, find, (l) => weights[l.key] ?? l.grams);

export interface Rebalanced {
  /** New grams of lines that are not weighed, by key; those that stay are not in it. */
  readonly grams: ReadonlyMap<string, number>;
  /** The ratios as planned, as they would be with the rest as it stands, and with the rest worked anew. */
  readonly planned: Numbers;
  readonly left: Numbers;
  readonly anew: Numbers;
}

/** How many times the plan the batch has become: by its flour where that is weighed, else by all that is. */
function sizeOf(sheet: readonly SheetLine[], weights: Weights, find: Find): number {
  const known = sheet.filter((l) => weights[l.key] !== undefined && (plannedG(l) ?? 0) > 0);
  const flour = known.filter((l) =>
    l.parts?.some((p) => {
      const i = find(p.id);
      return i !== undefined && isFlour(i);
    }),
  );
  const by = flour.length > 0 ? flour : known;
  const planned = by.reduce((a, l) => a + (plannedG(l) ?? 0), 0);
  return planned > 0 ? by.reduce((a, l) => a + (weights[l.key] ?? 0), 0) / planned : 1;
}

/**
 * Works the rest of a mix anew around what is weighed: never further from the plan than letting it be.
 * @param sheet the lines of the mix's bowls
 * @param weights what really went in
 * @param find the pantry
 */
export function rebalance(sheet: readonly SheetLine[], weights: Weights, kindId: KindId, find: Find): Rebalanced {
  const kind = kindById(kindId);
  const planned = numbersOf(at(sheet, find, plannedG), kindId);
  const now = wentIn(sheet, weights, find);
  const left = numbersOf(now, kindId);
  const free = now.flatMap((line, n) => {
    const l = sheet[n];
    return l && weights[l.key] === undefined && line.use === 'batter' && line.parts.length > 0 ? [{ l, line, n }] : [];
  });
  const goals = RAILS.flatMap((rail): Goal[] => {
    const r = railOf(planned, rail);
    if (!r || r.unknown.length > 0) return [];
    const zone = r.zone ?? [0, Math.max(1, 2 * r.tested)];
    return [{ rail, value: r.tested, how: 'keep', width: Math.max(1e-6, zone[1] - zone[0]) }];
  });
  const size = sizeOf(sheet, weights, find);
  const movers = free.map(({ l, line }) => {
    const grams = line.parts.reduce((a, p) => a + p.grams, 0);
    // each clings to what it would be in a batch of the size that stands: with nothing else off, all of it grows alike
    return {
      grams: (plannedG(l) ?? grams) * size,
      least: 0,
      most: l.mostG ?? Number.POSITIVE_INFINITY,
      clings: 1,
      brings: perGram(bringsOf(line, kind.panFatCounts), grams),
    };
  });
  const still = now
    .filter((_, n) => !free.some((f) => f.n === n))
    .reduce(
      (a, line) =>
        sumOf(a, [{ grams: 1, least: 1, most: 1, clings: 1, brings: bringsOf(line, kind.panFatCounts) }], [1]),
      NO_CHANGE,
    );
  const answer = solve({ movers, still, goals, massG: null, eggs: null, size: null, stiffness: 1e-3 });
  const grams = new Map(
    free.flatMap(({ l, line }, k): [string, number][] => {
      const g = asWeighed(answer.grams[k] ?? 0, allFine(line.parts)).grams;
      return l.grams !== null && Math.abs(g - l.grams) >= 0.05 ? [[l.key, g]] : [];
    }),
  );
  const anew = numbersOf(
    at(sheet, find, (l) => weights[l.key] ?? grams.get(l.key) ?? l.grams),
    kindId,
  );
  // where the rest can't help, it is let be
  return drift(anew, planned) < drift(left, planned)
    ? { grams, planned, left, anew }
    : { grams: new Map(), planned, left, anew: left };
}

/**
 * All of a mix smaller, to what there is of one thing: every line that is not weighed at the same share of its plan.
 * @returns new grams by key, and the share; the ratios stay where nothing else is weighed yet
 */
export function smaller(
  sheet: readonly SheetLine[],
  weights: Weights,
  shortKey: string,
  find: Find,
): { readonly grams: ReadonlyMap<string, number>; readonly share: number } {
  const short = sheet.find((l) => l.key === shortKey);
  const share = short ? (weights[shortKey] ?? 0) / (plannedG(short) || 1) : 1;
  const grams = sheet.flatMap((l): [string, number][] => {
    const planned = plannedG(l);
    if (planned === null || l.key === shortKey || weights[l.key] !== undefined) return [];
    return [[l.key, asWeighed(planned * share, fineLine(l, find)).grams]];
  });
  return { grams: new Map(grams), share };
}

/** How far ratios are from the plan, in widths of their zones, added up: 0 is as planned. */
export const drift = (a: Numbers, planned: Numbers): number =>
  RAILS.reduce((sum, rail) => {
    const [x, p] = [railOf(a, rail), railOf(planned, rail)];
    if (!x || !p?.zone || p.unknown.length > 0) return sum;
    return sum + ((x.tested - p.tested) / (p.zone[1] - p.zone[0])) ** 2;
  }, 0);

/** A sheet with the rest of a mix at its new grams; what each was planned with stays written. */
export const withAnew = (
  sheet: readonly SheetLine[],
  grams: ReadonlyMap<string, number>,
  find: Find,
): readonly SheetLine[] =>
  sheet.map((l) => {
    const g = grams.get(l.key);
    if (g === undefined || l.grams === null) return l;
    const { spoons: _, ...rest } = l;
    return {
      ...rest,
      grams: g,
      measure: asWeighed(g, fineLine(l, find)).measure,
      was: l.was ?? l.grams,
      parts: (l.parts ?? []).map((p) => ({ ...p, grams: (p.grams * g) / (l.grams as number) })),
    };
  });
