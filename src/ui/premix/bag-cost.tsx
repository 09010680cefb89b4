'use client';
import type { Shelf } from '@/core/pantry/stock';
import type { Bag } from '@/core/premix/bag';
import { forSize, type Lot, MOST_SIZES, type PremixSettings } from '@/core/premix/premix';
import { bagCost } from '@/core/premix/price';
import { grams, money, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { COST_FIELDS, type CostField, EMPTY_SIZE, SIZE_FIELDS, type SizeField, type SizeTyped } from './premix.state';

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
  last,
  sizes,
  onSizes,
  onType,
}: {
  readonly bag: Pick<Bag, 'items'>;
  readonly settings: PremixSettings;
  readonly typed: Readonly<Record<CostField, string>>;
  readonly errors: Readonly<Record<string, string>>;
  readonly shelf: Shelf;
  readonly pieces: number | null;
  readonly units: Units;
  /** The lot that was made last, with what a bag of it cost; null: none has a cost. */
  readonly last: Pick<Lot, 'number' | 'cost' | 'bagG'> | null;
  readonly sizes: readonly SizeTyped[];
  readonly onSizes: (sizes: readonly SizeTyped[]) => void;
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
          {last && typeof last.cost === 'number' && c.gaps.length === 0
            ? ` A bag of ${grams(last.bagG, units)} of lot ${last.number} cost ${money(last.cost, units)}, as prices were that day; today ${money(bagCost(bag, forSize(settings, last.bagG), shelf, null).total, units)}.`
            : ''}
          {c.gaps.length > 0
            ? ` Without a price in the pantry, and not in it: ${c.gaps.join(', ').toLowerCase()}.`
            : ''}
        </p>
      ) : null}
      {sizes.map((x, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: sizes stand in the order they were written
        <fieldset key={n} className="grid gap-2 rounded-plate bg-white p-3">
          <legend className="sr-only">Another size, {n + 1}</legend>
          <div className="grid grid-cols-2 gap-3">
            {SIZE_FIELDS.map((f) => (
              <Field
                key={f}
                label={SIZE_LABELS[f][0]}
                unit={SIZE_LABELS[f][1](units)}
                inputMode="decimal"
                value={x[f]}
                error={errors[`settings.sizes.${n}.${f}`]}
                onChange={(e) => onSizes(sizes.map((y, k) => (k === n ? { ...y, [f]: e.target.value } : y)))}
              />
            ))}
          </div>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <SizeCost bag={bag} settings={settings} shelf={shelf} units={units} bagG={settings.sizes[n]?.bagG ?? 0} />
            <Button look="bare" onClick={() => onSizes(sizes.filter((_, k) => k !== n))}>
              Leave this size out
            </Button>
          </div>
        </fieldset>
      ))}
      {sizes.length + 1 < MOST_SIZES ? (
        <Button className="justify-self-start" onClick={() => onSizes([...sizes, EMPTY_SIZE])}>
          Another size of bag
        </Button>
      ) : null}
    </section>
  );
}

const SIZE_LABELS: Readonly<Record<SizeField, readonly [label: string, unit: (u: Units) => string]>> = {
  bagG: ['This bag holds', () => 'g'],
  packaging: LABELS.packaging,
  minutesABag: LABELS.minutesABag,
  price: LABELS.price,
};

/** What a bag of another size costs, and what stays of its price. */
function SizeCost({
  bag,
  settings,
  shelf,
  units,
  bagG,
}: {
  readonly bag: Pick<Bag, 'items'>;
  readonly settings: PremixSettings;
  readonly shelf: Shelf;
  readonly units: Units;
  readonly bagG: number;
}) {
  const c = bagG > 0 ? bagCost(bag, forSize(settings, bagG), shelf, null) : null;
  if (!c || !Number.isFinite(c.total)) return <span />;
  return (
    <p>
      Costs <strong>{money(c.total, units)}</strong>
      {c.marginPct === null
        ? ''
        : `; of the price ${money((c.price ?? 0) - c.total, units)} stays, ${c.marginPct.toFixed(0)} %`}
      .
    </p>
  );
}
