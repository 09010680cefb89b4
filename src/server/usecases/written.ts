/** A version of a formula as a file of one of the open formats, or made ready for its card on paper. */

import { plannedSheet, type Ready, readyFor } from '@/core/batch/plan';
import { scriptOfBatch } from '@/core/batch/script-of';
import { makingOf } from '@/core/batch/script-of-formula';
import { ONE } from '@/core/batch/split';
import { methodOf } from '@/core/card/method';
import { asCsv, asJsonLd, asMarkdown, asText, timesFormula, type Written } from '@/core/exchange/write';
import { atEnd, END_IDS, type EndId, type Formula, kindIdOf, schoolIdOf } from '@/core/formula/formula';
import { type KindId, kindById, type School, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Version } from '@/core/formula/version';
import { scalesOf } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import type { Result } from '@/core/result';
import { methodIn, type Script, type WorkStep } from '@/core/script/act';

export const TEXT_FORMATS = ['text', 'markdown', 'jsonld', 'csv'] as const;
type TextFormat = (typeof TEXT_FORMATS)[number];
const FORMAT_TYPES: Readonly<Record<TextFormat, { readonly type: string; readonly ending: string }>> = {
  text: { type: 'text/plain; charset=utf-8', ending: 'txt' },
  markdown: { type: 'text/markdown; charset=utf-8', ending: 'md' },
  jsonld: { type: 'application/ld+json; charset=utf-8', ending: 'jsonld' },
  csv: { type: 'text/csv; charset=utf-8', ending: 'csv' },
};

const WRITERS: Readonly<Record<TextFormat, (w: Written) => string>> = {
  text: asText,
  markdown: asMarkdown,
  jsonld: asJsonLd,
  csv: asCsv,
};

const FACTOR_ONE = { by: 'factor', factor: 1 } as const;

/** Sentences of a card's own method, a step each. */
const sentences = (text: string): readonly WorkStep[] =>
  text
    .split(/\n+|(?<=[.!?])\s+(?=[A-Z])/)
    .map((s) => s.replace(/^\s*(?:\d+[.)]|[-•*])\s*/, '').trim())
    .filter(Boolean)
    .map((s) => ({ do: s, why: '' }));

interface FormulaToWrite {
  readonly formula: Formula;
  readonly end: EndId | null;
  readonly kind: KindId;
  readonly school: School;
  readonly portionMl: number | null;
  readonly ready: Ready;
  /** Its sheet in grams, and in cups and spoons. */
  readonly sheetIn: (exactness: 'gram' | 'kitchen') => ReturnType<typeof plannedSheet>;
  /** How this house makes it. */
  readonly script: Script;
  /** By the card's own method; else as this house works. */
  readonly steps: readonly WorkStep[];
}

/** @param end as asked; the first of two where none is @param times so many times as large */
export function toWrite(
  v: Pick<Version, 'formula'>,
  house: Kitchen,
  asked: { readonly end: string | null; readonly times: number },
): Result<FormulaToWrite, string> {
  const formula = timesFormula(v.formula, house, asked.times);
  const end = formula.ends ? (END_IDS.find((e) => e === asked.end) ?? 'a') : null;
  const ready = readyFor({ formula, house, end, driver: FACTOR_ONE, split: ONE, eggs: null });
  if (!ready.ok) return { ok: false, error: ready.error.message };
  const kind = kindIdOf(formula, end);
  const school = schoolOf(kindById(kind), schoolIdOf(formula, end));
  const portionMl = school.portionMl === null ? null : (atEnd(formula, end).portionMl ?? usualPortionMl(school));
  const sheetIn = (exactness: 'gram' | 'kitchen') =>
    plannedSheet(ready.value, {
      driver: FACTOR_ONE,
      exactness,
      house,
      kind,
      portionMl,
      split: ONE,
      stepG: scalesOf(house.gear)[0]?.stepG ?? 1,
    });
  const own = methodOf(formula.cardNotes);
  const grams = sheetIn('gram');
  const making = makingOf(formula, house);
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const script = scriptOfBatch(
    { sheet: grams.ok ? grams.value.sheet : [], kind, school: school.id, portionMl, making },
    making.ways,
    find,
    house.units,
  );
  const steps = own ? sentences(own) : grams.ok ? methodIn(script) : [];
  return { ok: true, value: { formula, end, kind, school, portionMl, ready: ready.value, sheetIn, script, steps } };
}

/** A version as a file of words. Lines that can't be worked yet are written as they stand. */
export function writtenAs(
  v: Version,
  house: Kitchen,
  format: TextFormat,
  asked: { readonly end: string | null; readonly times: number },
): { readonly body: string; readonly type: string; readonly name: string; readonly ending: string } {
  const made = toWrite(v, house, asked);
  const formula = made.ok ? made.value.formula : timesFormula(v.formula, house, asked.times);
  const end = made.ok ? made.value.end : formula.ends ? 'a' : null;
  const steps = made.ok ? made.value.steps.map((s) => `${s.do}${s.why ? ` ${s.why}` : ''}`) : [];
  const { type, ending } = FORMAT_TYPES[format];
  return { body: WRITERS[format]({ formula, house, end, version: v.number, steps }), type, name: formula.name, ending };
}
