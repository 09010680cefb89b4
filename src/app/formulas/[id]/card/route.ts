import { createElement } from 'react';
import { noticeOfLines } from '@/core/batch/notice';
import { plannedSheet, readyFor } from '@/core/batch/plan';
import { sheetGroups } from '@/core/batch/sheet';
import { ONE } from '@/core/batch/split';
import { methodOf, yieldClaim } from '@/core/card/method';
import { type WorkStep, workSteps } from '@/core/day/method';
import { atEnd, END_IDS, type EndId, kindIdOf, kitchenOf, schoolIdOf } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import { scalesOf } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import { millilitres } from '@/core/quantity/say';
import { isUuid, versionNumber } from '@/server/api/params';
import { problem } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { FormulaCard } from '@/server/print/card';
import { asPdf } from '@/server/print/paper';
import { version } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';

const FACTOR_ONE = { by: 'factor', factor: 1 } as const;

/** Sentences of a card's own method, a step each. */
const sentences = (text: string): readonly WorkStep[] =>
  text
    .split(/\n+|(?<=[.!?])\s+(?=[A-Z])/)
    .map((s) => s.replace(/^\s*(?:\d+[.)]|[-•*])\s*/, '').trim())
    .filter(Boolean)
    .map((s) => ({ do: s, why: '' }));

/** A formula as a card to keep: `?as=index` for two index cards, else one page. */
export async function GET(request: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const asked = new URL(request.url).searchParams;
  const number = versionNumber(asked.get('version') ?? undefined);
  if (!isUuid(id) || (asked.has('version') && number === null)) return problem(404, 'There is no such formula.');
  const r = await reach(() => Promise.all([version(id, number), loadHouse()]));
  if (!r.up) return problem(503, 'The records are out of reach just now.');
  const [v, house] = r.value;
  if (!v) return problem(404, 'There is no such formula.');
  const { formula } = v;
  const end = formula.ends ? (END_IDS.find((e) => e === asked.get('end')) ?? ('a' as EndId)) : null;
  const ready = readyFor({ formula, house, end, driver: FACTOR_ONE, split: ONE, eggs: null });
  if (!ready.ok) return problem(422, ready.error.message);
  const kind = kindIdOf(formula, end);
  const school = schoolOf(kindById(kind), schoolIdOf(formula, end));
  const portionMl = school.portionMl === null ? null : (atEnd(formula, end).portionMl ?? usualPortionMl(school));
  const sheetIn = (exactness: 'gram' | 'kitchen') =>
    plannedSheet(ready.value, { driver: FACTOR_ONE, exactness, house, kind, portionMl, split: ONE, stepG: scalesOf(house.gear)[0]?.stepG ?? 1 });
  const [grams, cups] = [sheetIn('gram'), sheetIn('kitchen')];
  if (!grams.ok || !cups.ok) return problem(422, 'This formula can’t be worked yet: look at it on the Bench.');
  const spooned = new Map(cups.value.sheet.map((l) => [l.key, l.measure]));
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const { ways } = kitchenOf(formula, house);
  const own = methodOf(formula.cardNotes);
  const made = grams.value.pieces;
  const claim = yieldClaim(formula.cardNotes);
  const name = `${formula.name}${end ? `, ${formula.ends?.find((e) => e.id === end)?.name ?? ''}` : ''}`;
  return asPdf(
    createElement(FormulaCard, {
      name,
      about: `${kindById(kind).name.toLowerCase()}, version ${v.number}`,
      yields:
        made && portionMl
          ? `Makes ${made.all} of ${millilitres(portionMl)}`
          : claim
            ? `The card says ${claim.pieces}`
            : `${millilitres(grams.value.volumeMl)} of batter`,
      groups: sheetGroups(grams.value.sheet).map((g) => ({
        name: g.name,
        lines: g.lines.map((l) => ({
          key: l.key,
          cups: l.measure === null ? 'as needed' : (spooned.get(l.key) ?? ''),
          grams: l.measure ?? '',
          name: `${l.measure === null ? l.text : l.name}${l.preparation ? `, ${l.preparation}` : ''}`,
        })),
      })),
      method: own ? sentences(own) : workSteps({ sheet: grams.value.sheet, kind, school: school.id, ways, units: house.units, find }),
      notice: noticeOfLines(ready.value.lines),
      index: asked.get('as') === 'index',
    }),
    `${name} card`,
  );
}
