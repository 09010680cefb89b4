'use client';
import { analyseFormula } from '@/core/analyse-formula';
import { heard } from '@/core/findings/finding';
import { cardPortion } from '@/core/formula/card-portion';
import type { Formula } from '@/core/formula/formula';
import { RAIL_NAMES, RAILS, railOf, sayRail } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { grams } from '@/core/quantity/say';
import { TableHead } from '../kit/table-head';

/** What another way of measuring makes of a formula: the grams that move, and the balance before and after. */
export function EffectView({
  formula,
  before,
  after,
}: {
  readonly formula: Formula;
  readonly before: Kitchen;
  readonly after: Kitchen;
}) {
  const seen = (house: Kitchen) => analyseFormula(formula, house, null, cardPortion(formula, house));
  const [was, is] = [seen(before), seen(after)];
  const moved = was.lines.flatMap((l, n) => {
    const now = is.lines[n];
    return l.grams !== now?.grams ? [{ text: l.text, was: l.grams, is: now?.grams ?? null }] : [];
  });
  const say = (g: number | null): string => (g === null ? 'not known' : grams(g, before.units));
  if (moved.length === 0)
    return (
      <p className="text-soft">
        Nothing in “{formula.name}” changes: no line of it is measured this way, or it has a fill of its own under How
        we measure and mix.
      </p>
    );
  const top = (w: typeof was): string => heard(w.analysis, formula).open[0]?.message ?? 'Nothing is out of line.';
  return (
    <div className="grid gap-2">
      <table className="w-full text-left">
        <TableHead light columns={[formula.name, { right: 'as before' }, { right: 'with mine' }]} />
        <tbody>
          {moved.map((m) => (
            <tr key={m.text} className="border-b border-line">
              <td className="py-1 pr-2 [overflow-wrap:anywhere]">{m.text}</td>
              <td className="py-1 text-right whitespace-nowrap">{say(m.was)}</td>
              <td className="py-1 text-right font-semibold whitespace-nowrap">{say(m.is)}</td>
            </tr>
          ))}
          {RAILS.map((rail) => {
            const [a, b] = [railOf(was.analysis, rail), railOf(is.analysis, rail)];
            if (!a || !b || sayRail(rail, a.value) === sayRail(rail, b.value)) return null;
            const stands =
              b.reading && b.reading.standing !== 'in'
                ? ` ${b.reading.standing} the zone`
                : b.reading
                  ? ' in the zone'
                  : '';
            return (
              <tr key={rail} className="border-b border-line">
                <td className="py-1">{RAIL_NAMES[rail]}, of flour</td>
                <td className="py-1 text-right whitespace-nowrap">{sayRail(rail, a.value)}</td>
                <td className="py-1 text-right whitespace-nowrap">
                  <strong>{sayRail(rail, b.value)}</strong>
                  <span className="block text-sm text-soft">{stands}</span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {top(was) === top(is) ? null : (
        <p className="text-[15px]">
          <span className="text-soft">Before: {top(was)}</span> Now: {top(is)}
        </p>
      )}
    </div>
  );
}
