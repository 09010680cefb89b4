/** A formula's card on paper: one page, or two index cards. */

import { createElement, type ReactElement } from 'react';
import { noticeOfLines } from '@/core/batch/notice';
import { sheetGroups } from '@/core/batch/sheet-groups';
import { yieldClaim } from '@/core/card/method';
import { servedBy } from '@/core/findings/served';
import { kitchenOf } from '@/core/formula/formula';
import { kindById } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Version } from '@/core/formula/version';
import { findIngredient } from '@/core/pantry/pantry';
import { millilitres } from '@/core/quantity/say';
import type { Result } from '@/core/result';
import { houseFatLines } from '@/core/script/pan-fat';
import { toWrite } from '../usecases/written';
import { FormulaCard } from './card';

interface CardAsked {
  readonly end: string | null;
  /** So many times as large. */
  readonly times: number;
  /** Two index cards rather than a page. */
  readonly index: boolean;
}

/** @returns the paper and what its file is called; or why it can't be worked yet */
export function formulaCard(
  v: Version,
  house: Kitchen,
  asked: CardAsked,
): Result<{ readonly paper: ReactElement; readonly name: string }, string> {
  const made = toWrite(v, house, asked);
  if (!made.ok) return { ok: false, error: made.error };
  const { formula, end, kind, portionMl, ready, script, steps, sheetIn } = made.value;
  const [grams, cups] = [sheetIn('gram'), sheetIn('kitchen')];
  if (!grams.ok || !cups.ok) return { ok: false, error: 'This formula can’t be worked yet: look at it on the Bench.' };
  const spooned = new Map(cups.value.sheet.map((l) => [l.key, l.measure]));
  const pieces = grams.value.pieces;
  const claim = yieldClaim(formula.cardNotes);
  const name = `${formula.name}${end ? `, ${formula.ends?.find((e) => e.id === end)?.name ?? ''}` : ''}`;
  const paper = createElement(FormulaCard, {
    name,
    about: `${kindById(kind).name.toLowerCase()}, version ${v.number}`,
    yields:
      pieces && portionMl
        ? `Makes ${pieces.all} of ${millilitres(portionMl)}`
        : claim
          ? `The card says ${claim.pieces}`
          : `${millilitres(grams.value.volumeMl)} of batter`,
    groups: sheetGroups(grams.value.sheet, script).map((g) => ({
      name: g.name,
      lines: g.lines.map((l) => ({
        key: l.key,
        cups: l.measure === null ? 'as needed' : (spooned.get(l.key) ?? ''),
        grams: l.measure ?? '',
        name: `${l.name}${l.preparation ? `, ${l.preparation}` : ''}`,
      })),
    })),
    method: steps,
    notice: noticeOfLines(
      [
        ...ready.lines,
        ...houseFatLines(ready.lines, kitchenOf(formula, house).ways, kind, (id) =>
          findIngredient(id, house.conventions.own),
        ),
      ],
      servedBy(formula.cardNotes, house.conventions),
    ),
    index: asked.index,
  });
  return { ok: true, value: { paper, name: `${name} card` } };
}
