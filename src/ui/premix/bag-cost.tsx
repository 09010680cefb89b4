'use client';
import type { Shelf } from '@/core/pantry/stock';
import type { Bag } from '@/core/premix/bag';
import type { PremixSettings } from '@/core/premix/premix';
import { bagCost } from '@/core/premix/price';
import { money, type Units } from '@/core/quantity/say';
import { Field } from '../kit/field';
import { COST_FIELDS, type CostField } from './premix.state';

const LABELS: Readonly<Record<CostField, readonly [label: string, unit: (u: Units) => string]>> = {
  packaging: ['Packaging, a bag', (u) => u.currency],
  minutesABag: ['Hands on, a bag', () => 'min'],
  hour: ['An hour of them', (u) => u.currency],
  lossPct: ['Lost in drum and sieve', () => '%'],
  price: ['Sold at, a bag', (u) => u.currency],
};

/** What a bag costs with all that goes into it, and what stays of its price. */
export function BagCostView({
  bag,
  settings,
  typed,
  errors,
  shelf,
  pieces,
  units,
  onType,
}: {
  readonly bag: Pick<Bag, 'items'>;
  readonly settings: PremixSettings;
  readonly typed: Readonly<Record<CostField, string>>;
  readonly errors: Readonly<Record<string, string>>;
  readonly shelf: Shelf;
  readonly pieces: number | null;
  readonly units: Units;
  readonly onType: (field: CostField, text: string) => void;
}) {
  const c = bagCost(bag, settings, shelf, pieces);
  const parts = [
    `ingredients ${money(c.ingredients, units)}`,
    ...(c.packaging > 0 ? [`packaging ${money(c.packaging, units)}`] : []),
    ...(c.labour > 0 ? [`hands ${money(c.labour, units)}`] : []),
    ...(c.loss > 0 ? [`loss ${money(c.loss, units)}`] : []),
  ];
  return (
    <section aria-label="Cost and price" className="grid gap-2">
      <h2 className="text-xl">Cost and price of a bag</h2>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {COST_FIELDS.map((f) => (
          <Field
            key={f}
            label={LABELS[f][0]}
            unit={LABELS[f][1](units)}
            inputMode="decimal"
            value={typed[f]}
            error={errors[`settings.${f}`]}
            onChange={(e) => onType(f, e.target.value)}
          />
        ))}
      </div>
      {Number.isFinite(c.total) ? (
        <p role="status">
          Costs <strong>{money(c.total, units)}</strong>: {parts.join(', ')}
          {c.eachPiece === null ? '' : `; ${money(c.eachPiece, units)} of it in a piece`}.{' '}
          {c.marginPct === null
            ? ''
            : `Of the price ${money((c.price ?? 0) - c.total, units)} stays, ${c.marginPct.toFixed(0)} %.`}
          {c.gaps.length > 0
            ? ` Without a price in the pantry, and not in it: ${c.gaps.join(', ').toLowerCase()}.`
            : ''}
        </p>
      ) : null}
    </section>
  );
}
