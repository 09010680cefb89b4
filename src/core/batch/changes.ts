/**
 * A batch that changes after it was begun: what a stand-in changes, line by line; and more or fewer pieces, around what
 * is weighed already. Grams.
 */

import { allergensOf } from '../formula/tally';
import type { Ingredient } from '../pantry/ingredient';
import { asWeighed } from '../quantity/say';
import { linesBehind } from './once';
import { fineLine, linesOfSheet } from './sheet';
import type { SheetLine } from './sheet-line';
import { bareName } from './sheet-line';

type Find = (id: string) => Ingredient | undefined;

interface LineChange {
  readonly name: string;
  /** As it is taken; null: it is not on the sheet. */
  readonly from: string | null;
  readonly to: string | null;
}

interface StandInChanges {
  readonly lines: readonly LineChange[];
  /** Allergens by name. */
  readonly comes: readonly string[];
  readonly goes: readonly string[];
}

/** The same, and what becomes of the pieces, before it is taken. */
export interface StandInPreview extends StandInChanges {
  readonly pieces: { readonly from: number; readonly to: number } | null;
}

const own = (sheet: readonly SheetLine[]): readonly SheetLine[] =>
  sheet.filter((l) => (l.mix ?? 1) === 1 && l.side === undefined);

/** What is another on one sheet than on the other, of one mix. */
export function changesBetween(before: readonly SheetLine[], after: readonly SheetLine[], find: Find): StandInChanges {
  const [was, is] = [own(before), own(after)];
  const lines = [
    ...was.flatMap((l): LineChange[] => {
      const now = is.find((x) => x.key === l.key);
      if (!now) return [{ name: bareName(l), from: l.measure, to: null }];
      if (bareName(now) !== bareName(l))
        return [
          { name: bareName(l), from: l.measure, to: null },
          { name: bareName(now), from: null, to: now.measure },
        ];
      return now.measure === l.measure ? [] : [{ name: bareName(l), from: l.measure, to: now.measure }];
    }),
    ...is
      .filter((l) => !was.some((x) => x.key === l.key))
      .map((l): LineChange => ({ name: bareName(l), from: null, to: l.measure })),
  ];
  const held = (sheet: readonly SheetLine[]): readonly string[] =>
    allergensOf(linesOfSheet(sheet, find)).held.map((h) => h.name);
  const [a, b] = [held(before), held(after)];
  return { lines, comes: b.filter((x) => !a.includes(x)), goes: a.filter((x) => !b.includes(x)) };
}

/** A sheet with what stands in marked, by what it stands in for; marks of earlier stand-ins stay. */
export function marked(
  after: readonly SheetLine[],
  before: readonly SheetLine[],
  lineKey: string,
): readonly SheetLine[] {
  const swapped = linesBehind(lineKey);
  const of = (key: string): boolean => linesBehind(key).some((k) => swapped.includes(k));
  const replaced = before.find((l) => of(l.key));
  const had = new Map(before.flatMap((l) => linesBehind(l.key).map((k) => [k, l] as const)));
  return after.map((l) => {
    const was = linesBehind(l.key).flatMap((k) => had.get(k) ?? [])[0];
    const standsFor = of(l.key) || !was ? (was?.standsFor ?? (replaced && bareName(replaced))) : was.standsFor;
    return standsFor ? { ...l, standsFor } : l;
  });
}

export interface Begun {
  readonly sheet: readonly SheetLine[];
  readonly ticked: readonly string[];
  readonly weights: Readonly<Record<string, number>>;
  /** Mixes whose dry and wet have met: nothing of them changes any more. */
  readonly joined: readonly number[];
}

interface Recovered {
  readonly sheet: readonly SheetLine[];
  /** What can no longer change, in words. */
  readonly stays: readonly string[];
}

/** Less more of a thing than this is not weighed after, g. */
export const CRUMB_G = 0.05;

/**
 * The sheet for more pieces or fewer. What is not weighed is as the new plan has it; of what is weighed so much more
 * goes in as is missing, and nothing comes out again: a mix that is begun never gets smaller, and one that is combined
 * stays as it is.
 * @param target the sheet as it would be planned now
 */
export function withCovers(b: Begun, target: readonly SheetLine[], find: Find): Recovered {
  const stays: string[] = [];
  const began = (mix: number): boolean => b.sheet.some((l) => (l.mix ?? 1) === mix && b.ticked.includes(l.key));
  const sum = (sheet: readonly SheetLine[], mix: number): number =>
    sheet.filter((l) => (l.mix ?? 1) === mix && l.side === undefined).reduce((a, l) => a + (l.grams ?? 0), 0);
  const mixes = [...new Set([...b.sheet, ...target].map((l) => l.mix ?? 1))].sort((x, y) => x - y);
  const name = (mix: number): string => (mixes.length > 1 ? `Mix ${mix}` : 'The batch');
  const out = mixes.flatMap((mix): readonly SheetLine[] => {
    const [was, is] = [b.sheet, target].map((s) => s.filter((l) => (l.mix ?? 1) === mix && l.side === undefined)) as [
      SheetLine[],
      SheetLine[],
    ];
    if (b.joined.includes(mix)) {
      stays.push(`${name(mix)} is combined: it stays as it is.`);
      return was;
    }
    if (!began(mix)) return is;
    if (is.length === 0 || sum(target, mix) < sum(b.sheet, mix)) {
      stays.push(
        `${name(mix)} is begun: nothing comes out of it again. It stays as large, and fewer are poured from it.`,
      );
      return was;
    }
    return is.flatMap((l): readonly SheetLine[] => {
      const had = was.find((x) => x.key === l.key);
      if (!had || !b.ticked.includes(l.key)) return [l];
      // what went in after, at an earlier change, went in too
      const after = was.filter((x) => x.key.startsWith(`${l.key}t`) && b.ticked.includes(x.key));
      const went = [had, ...after].reduce((a, x) => a + (b.weights[x.key] ?? x.grams ?? 0), 0);
      const more = (l.grams ?? 0) - went;
      if (more <= CRUMB_G) return [had];
      const { grams, measure } = asWeighed(more, fineLine(l, find));
      const of = l.grams ?? 1;
      return [
        had,
        {
          ...l,
          key: `${l.key}t${was.filter((x) => x.key.startsWith(`${l.key}t`)).length + 1}`,
          name: `${bareName(l)}, more`,
          grams,
          measure,
          parts: (l.parts ?? []).map((p) => ({ ...p, grams: (p.grams * grams) / of })),
        },
      ];
    });
  });
  // what was weighed after an earlier change stays on the sheet
  const topped = b.sheet.filter(
    (l) => /t\d+$/.test(l.key) && b.ticked.includes(l.key) && !out.some((x) => x.key === l.key),
  );
  return { sheet: [...out, ...topped, ...b.sheet.filter((l) => l.side !== undefined)], stays };
}
