import Fraction from 'fraction.js';
import { type OnHand, USED_UP, type UsesUp } from '@/core/batch/on-hand';
import type { TakenTogether } from '@/core/batch/together';
import { type Formula, kindIdOf } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { kitchenName } from '@/core/pantry/ingredient';
import { writeNumber } from '@/core/quantity/number';
import { counted, grams, millilitres, type Units } from '@/core/quantity/say';
import { KindDrawing } from '../drawings/kind';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { unbroken } from '../kit/unbroken';

export type FoundUses = UsesUp<{ readonly formulaId: string; readonly number: number; readonly formula: Formula }>;
/** One that may be bent to use up more together, beside itself scaled alone. */
type FoundTogether = FoundUses & Pick<TakenTogether<unknown>, 'bent' | 'shifts'> & { readonly alone: FoundUses };

const MOST_NEEDS = 6;
const MOST_SHIFTS = 4;

/** Formulas that use up what is on hand: how far each goes, what it gives, and what else it takes. */
export function UsesUpView({
  found,
  there,
  units,
  isEgg,
}: {
  readonly found: readonly FoundTogether[];
  /** What there is, as an address has it. */
  readonly there: string;
  readonly units: Units;
  readonly isEgg: (id: string) => boolean;
}) {
  const much = (t: OnHand, g: number): string => {
    const piece = t.ingredient.piece;
    if (!piece || !isEgg(t.ingredient.id)) return grams(g, units);
    return writeNumber(new Fraction(Math.round((4 * g) / piece.grams), 4));
  };
  const uses = (t: OnHand, g: number): string => {
    const name = kitchenName(t.ingredient).toLowerCase();
    const what = isEgg(t.ingredient.id) ? 'eggs' : `of ${name}`;
    return g >= USED_UP * t.grams
      ? `all ${much(t, t.grams)} ${what}`
      : `${much(t, g)} of ${much(t, t.grams)} ${what.replace(/^of /, '')}`;
  };
  const leftOf = (u: FoundUses): readonly string[] =>
    u.uses.flatMap(({ thing, grams: g }) =>
      g >= USED_UP * thing.grams
        ? []
        : [
            `${much(thing, thing.grams - g)} ${isEgg(thing.ingredient.id) ? 'eggs' : `of ${kitchenName(thing.ingredient).toLowerCase()}`}`,
          ],
    );
  const shifted = ({ name, byG }: TakenTogether<unknown>['shifts'][number]): string =>
    unbroken(`${grams(Math.abs(byG), units)} ${byG > 0 ? 'more' : 'less'} ${name}`);
  return (
    <section aria-label="What uses it up">
      <h2 className="mb-2 text-xl">What uses it up</h2>
      <ol className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,18rem),1fr))] gap-3">
        {found.map((u) => {
          const f = u.of.formula;
          const end = f.ends?.find((e) => e.id === u.end);
          const kind = kindById(kindIdOf(f, u.end));
          const plan = `/formulas/${u.of.formulaId}/plan?all=${encodeURIComponent(u.alone.drives.ingredient.id)}&grams=${Math.round(u.alone.drives.grams * 10) / 10}${end ? `&end=${end.id}` : ''}`;
          return (
            <li
              key={`${u.of.formulaId} ${u.end ?? ''}`}
              className="hold grid content-start gap-1.5 !rounded-plate px-4 py-3"
            >
              <p className="flex items-center gap-1.5 text-sm text-soft">
                <KindDrawing kind={kind.id} className="h-5 w-6 shrink-0 text-rim" />
                {kind.name}
                {kind.schools.length > 1 ? `, ${schoolOf(kind, end?.school ?? f.school).name}` : ''}
              </p>
              <h3 className="text-[21px] leading-[1.05] [overflow-wrap:anywhere]">
                {f.name}
                {end ? `, ${end.name}` : ''}
              </h3>
              <p>Uses {u.uses.map((x) => uses(x.thing, x.grams)).join(', ')}.</p>
              {leftOf(u).length > 0 ? <p className="text-soft">Left over: {leftOf(u).join(', ')}.</p> : null}
              {u.bent ? (
                <p>
                  The recipe changes a little for it: {u.shifts.slice(0, MOST_SHIFTS).map(shifted).join(', ')}. Every
                  ratio stays in its zone, or where it is.
                </p>
              ) : null}
              <p className="font-semibold">
                Gives{' '}
                {u.pieces !== null && u.portionMl
                  ? `${counted(u.pieces, kind.pieces)} of ${millilitres(u.portionMl)}`
                  : `${grams(u.massG, units)} of batter`}
                .
              </p>
              <p className="text-soft">
                {u.needs.length === 0
                  ? u.unread.length === 0 && 'Needs nothing else.'
                  : `Needs besides: ${u.needs
                      .slice(0, MOST_NEEDS)
                      .map((n) => `${n.name} ${grams(n.grams, units)}`)
                      .join(', ')}${u.needs.length > MOST_NEEDS ? `, and ${u.needs.length - MOST_NEEDS} more` : ''}.`}
                {u.unread.length > 0
                  ? ` Not read yet, and not counted: ${u.unread.map((t) => `“${t}”`).join(', ')}.`
                  : null}
              </p>
              <div className="mt-1 flex flex-wrap gap-2">
                {u.bent ? (
                  <Link
                    href={`/formulas/${u.of.formulaId}?there=${encodeURIComponent(there)}`}
                    className={lookOf('plain')}
                  >
                    Change it on the Bench
                  </Link>
                ) : null}
                <Link href={plan} className={lookOf(u.bent ? 'bare' : 'plain')}>
                  {u.bent ? 'Plan it unchanged' : 'Plan it'}
                </Link>
                {u.bent ? null : (
                  <Link href={`/formulas/${u.of.formulaId}`} className={lookOf('bare')}>
                    To the Bench
                  </Link>
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
