import type { Kitchen } from '@/core/formula/kitchen-settings';
import { againstTable, LOOSE_PCT, measureName, spreadOfWeighings } from '@/core/pantry/calibrate';
import { CONVENTION_NAMES } from '@/core/pantry/conventions';
import { kitchenName } from '@/core/pantry/ingredient';
import type { OwnMeasure } from '@/core/pantry/own';
import { findIngredient } from '@/core/pantry/pantry';
import { grams, millilitres } from '@/core/quantity/say';

export const WaitingWeighing = ({ left }: { readonly left: number }) => (
  <p className="rounded-plate bg-white p-4 text-soft">
    {left > 0 ? `${left === 3 ? 'Three' : left === 2 ? 'Two' : 'One'} more to weigh. ` : ''}Then it stands here: the
    mean, how far your fills are apart, how far from the table, and what that changes.
  </p>
);

/** Mean, spread and the table. */
export function WeighedResult({ measure: m, house }: { readonly measure: OwnMeasure; readonly house: Kitchen }) {
  const { mean, rangePct } = spreadOfWeighings(m.weighings);
  const ingredient = m.ingredientId === null ? null : (findIngredient(m.ingredientId, house.conventions.own) ?? null);
  const table = ingredient ? againstTable(m, ingredient, house.conventions) : null;
  const name = measureName(m);
  return (
    <section aria-label="What it holds" className="grid gap-1 rounded-plate bg-white p-4">
      <p>
        <span className="text-soft">Your {name} holds</span>{' '}
        <strong className="text-3xl whitespace-nowrap">
          {m.ingredientId === null ? millilitres(m.each) : grams(mean, house.units)}
        </strong>
        {ingredient ? <span className="text-soft"> of {kitchenName(ingredient).toLowerCase()}</span> : null}
      </p>
      <p className="text-soft">
        The {m.weighings.length} lie within {rangePct.toFixed(rangePct < 9.95 ? 1 : 0)} % of each other
        {rangePct > LOOSE_PCT ? ': that is wide. Fill them alike, and weigh one or two more.' : '.'} Counted as{' '}
        {m.ingredientId === null
          ? `${m.low.toFixed(0)} to ${millilitres(m.high)}`
          : `${grams(m.low, house.units)} to ${grams(m.high, house.units)}`}
        .
      </p>
      {table ? (
        <p>
          The table says {grams(table.tableG, house.units)}: yours is{' '}
          <strong>
            {Math.abs(table.percentOff) < 0.5
              ? 'the same'
              : `${Math.abs(table.percentOff).toFixed(0)} % ${table.percentOff > 0 ? 'heavier' : 'lighter'}`}
          </strong>
          {table.nearest
            ? `, nearest to a cup ${CONVENTION_NAMES.flourFill[table.nearest]}. Other flours are then taken as filled by the same hand (estimate)`
            : ''}
          .
        </p>
      ) : null}
    </section>
  );
}
