/** A card as programs read it: its lines, sections, facts told and acts. Pure: it runs on the reader's thread. */
import type { z } from 'zod';
import type { lineOut, readResponse } from '@/contract/api';
import { type CardTooLong, notesOn, placeOf, readCard } from '@/core/card/card';
import type { Line } from '@/core/card/line';
import { factsTold } from '@/core/card/told/told';
import { guessKind } from '@/core/formula/guess-kind';
import type { KitchenConventions } from '@/core/pantry/conventions';
import { findIngredient } from '@/core/pantry/pantry';
import type { Result } from '@/core/result';
import type { ScriptAct } from '@/core/script/act';
import { actsOfCard } from '@/core/script/of-card';

export type ApiLine = z.infer<typeof lineOut>;

export const outLine = (l: Line, lineNumber: number): ApiLine => ({
  lineNumber,
  text: l.text,
  status: l.status,
  ingredient: l.ingredient ? { id: l.ingredient.id, name: l.ingredient.name } : null,
  ingredientId: l.ingredient?.id ?? null,
  amounts: l.amounts.map((a) => ({
    value: a.low.valueOf(),
    valueHigh: a.high?.valueOf() ?? null,
    unit: a.unit ?? 'piece',
  })),
  grams: l.grams,
  gramsLow: l.gramsLow,
  gramsHigh: l.gramsHigh,
  parts: l.parts.map((p) => ({ ingredientId: p.ingredient.id, grams: p.grams })),
  use: l.use,
  vessel: l.vessel,
  findings: l.findings.map((f) => ({ ...f })),
  suggestions: l.suggestions.map((i) => ({ id: i.id, name: i.name })),
});

/** @returns what a card holds; or that it is too long, in words */
export function cardOut(text: string, house: KitchenConventions): Result<z.infer<typeof readResponse>, CardTooLong> {
  const card = readCard(text, house);
  if (!card.ok) return card;
  const { title, lines, ignored, sections } = card.value;
  const notes = notesOn(card.value);
  const facts = factsTold(notes, house);
  const guess = guessKind(title ?? '', lines, notes, facts);
  const roles = new Map(sections.map((s) => [s.id, placeOf(s.role)]));
  return {
    ok: true,
    value: {
      title,
      kind: guess?.kind ?? null,
      school: guess?.school ?? null,
      why: guess?.why ?? null,
      lines: lines.map((l) => ({
        ...outLine(l, l.lineNumber),
        use: l.side !== null || roles.get(l.section) === 'side' ? ('side' as const) : l.use,
        section: l.section,
        words: l.words.map((w) => ({ ...w })),
        alternatives: l.alternatives.map((a) => ({ ingredientId: a.ingredient.id, grams: a.grams })),
        readings: l.readings.map((r) => ({ ...r })),
      })),
      sections: sections.map((s) => ({
        id: s.id,
        heading: s.heading,
        role: s.asked ? ('unknown' as const) : placeOf(s.role),
        ...(s.asked && { guess: placeOf(s.role) }),
      })),
      ignored: ignored.map((i) => ({ ...i })),
      told: facts.map(({ said: _, ...f }) => f),
      acts: actsOut(
        actsOfCard(
          {
            title: title ?? '',
            notes,
            facts,
            lines: lines
              .filter((l) => roles.get(l.section) !== 'side')
              // several lines may stand on one row: each is its own
              .map((l, n) => ({ ...l, key: `${l.lineNumber}.${n}` })),
          },
          house,
          (id) => findIngredient(id, house.own),
        ),
      ),
    },
  };
}

const rowOf = (key: string): number => Number(key.split('.')[0]);

/** Acts as programs read them: lines by their numbers on the card. */
const actsOut = (acts: readonly ScriptAct[]): z.infer<typeof readResponse>['acts'] =>
  acts.map(({ says: _, ...a }) => ({
    ...a,
    tools: [...a.tools],
    on: a.on.map(rowOf),
    takes: a.takes.map(({ of, id, share }) => (of === 'line' ? { line: rowOf(id), share } : { mix: id, share })),
    gives: [...a.gives],
    after: [...a.after],
    heatC: a.heatC === null ? null : [...a.heatC],
  }));
