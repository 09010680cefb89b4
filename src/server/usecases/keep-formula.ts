/** Formulas into the records: one from the Bench, or many cards at once. */

import type { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { cardsSchema, KnownCard, keepCardsSchema, saveSchema, takeCardsBackSchema } from '@/contract/formula';
import { linesKey } from '@/core/exchange/lines-key';
import { type Formula, kindIdOf } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Saved } from '@/core/formula/version';
import { findIngredient } from '@/core/pantry/pantry';
import { putFormula, saveVersion } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { newestVersions } from '../queries/versions';

/** A formula as it may be kept: each line's ingredient has to be in the pantry, and no two lines may have one key. */
async function fitting(formula: Formula): Promise<ActionResult<{ readonly formula: Formula }>> {
  const kind = kindById(formula.kind);
  const school = schoolOf(kind, formula.school).id;
  const ends: Formula['ends'] = formula.ends && [
    { ...formula.ends[0], school: schoolOf(kindById(kindIdOf(formula, 'a')), formula.ends[0].school).id },
    { ...formula.ends[1], school: schoolOf(kindById(kindIdOf(formula, 'b')), formula.ends[1].school).id },
  ];
  const { own } = (await loadHouse()).conventions;
  // what was taken out of the pantry since is asked about again on its line
  const gone = (id: string | undefined): boolean => id?.startsWith('own-') === true && !findIngredient(id, own);
  const entries = formula.entries.map((e) => (gone(e.ingredientId) ? { ...e, ingredientId: undefined } : e));
  const stranger = entries.findIndex((e) => e.ingredientId !== undefined && !findIngredient(e.ingredientId, own));
  if (stranger >= 0)
    return refuse('A line names an ingredient that is not in the pantry.', {
      [`formula.entries.${stranger}`]: 'Not in the pantry.',
    });
  const keys = new Set(formula.entries.map((e) => e.key));
  if (keys.size !== formula.entries.length) return refuse('Two lines have the same key.');
  return { ok: true, formula: { ...formula, entries, school, ends } };
}

/** A version as the Bench sends it. */
export async function keepFormula({
  formula,
  ...rest
}: z.output<typeof saveSchema>): Promise<ActionResult<{ readonly saved: Saved }>> {
  const fits = await fitting(formula);
  return fits.ok ? saveVersion({ ...rest, formula: fits.formula }) : fits;
}

const plainName = (s: string): string => s.trim().toLowerCase().replace(/\s+/g, ' ');

/** For each card whether a formula has its lines, or its name, in the order they are asked. */
export async function knownCards(cards: z.output<typeof cardsSchema>['cards']): Promise<readonly KnownCard[]> {
  const kept = (await newestVersions()).map((v) => ({
    id: v.formulaId,
    name: v.formula.name,
    key: linesKey(v.formula.entries.map((e) => e.text)),
  }));
  const of = (v: (typeof kept)[number] | undefined) => (v ? { id: v.id, name: v.name } : null);
  return cards.map((c) => {
    const key = linesKey(c.lines);
    const same = kept.find((k) => k.key === key);
    return {
      same: of(same),
      named: same ? null : of(kept.find((k) => plainName(k.name) === plainName(c.name) && c.name !== '')),
    };
  });
}

/**
 * Each card as a formula of its own: all of them are looked at before any is kept. What is sent once more is not kept
 * twice.
 */
export async function keepMany({
  cards,
}: z.output<typeof keepCardsSchema>): Promise<ActionResult<{ readonly kept: readonly string[] }>> {
  for (const [n, c] of cards.entries()) {
    const fits = await fitting(c.formula);
    if (!fits.ok) return refuse(`${c.formula.name}: ${fits.message}`, { [`cards.${n}`]: fits.message });
  }
  const kept: string[] = [];
  for (const [n, c] of cards.entries()) {
    const answer = await keepFormula({
      formulaId: null,
      basedOn: null,
      knownNewest: null,
      formula: c.formula,
      requestId: c.requestId,
      changeNote: c.from,
    });
    if (!answer.ok) return refuse(`${c.formula.name}: ${answer.message}`, { [`cards.${n}`]: answer.message });
    kept.push(answer.saved.formulaId);
  }
  return { ok: true, kept };
}

/** Formulas that were just kept go again, all of them. */
export async function takeBack({ formulaIds }: z.output<typeof takeCardsBackSchema>): Promise<ActionResult> {
  for (const id of formulaIds) await putFormula(id, { deleted: true });
  return { ok: true };
}
