'use client';
import { useState } from 'react';
import type { PortionSaid } from '@/core/batch/said';
import { nearestOffers, type PortionOffer } from '@/core/batter/portions';
import { placesOn } from '@/core/batter/surface';
import type { AccountLine } from '@/core/facts/account';
import type { KindId } from '@/core/formula/kinds';
import type { Gear } from '@/core/pantry/gear';
import { portionFor } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { asTyped, massNumber, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Choice, ManyTaps } from '../kit/choice';
import { Field } from '../kit/field';
import { Switch } from '../kit/switch';
import { ASKS, type By, COUNTS, type PlanTyped, runsOutFirst, thingsIn, WEIGHED } from './plan.state';
import { PortionMore } from './portion-more';

const DRIVERS: readonly { readonly value: By; readonly label: string }[] = [
  { value: 'pieces', label: 'so many pieces' },
  { value: 'guests', label: 'for so many people' },
  { value: 'flour', label: 'so much flour' },
  { value: 'mass', label: 'so much batter' },
  { value: 'vessel', label: 'a bowl full' },
  { value: 'pans', label: 'so many pans, irons or fillings' },
  { value: 'eggs', label: 'so many eggs' },
  { value: 'ingredient', label: 'all there is of one thing' },
  { value: 'factor', label: 'so many times the recipe' },
];

/** So many portions stand open; the others are behind a press. */
const MOST_OPEN = 4;

/** A portion to the millilitre. */
const ml = (x: number): number => Math.max(1, Math.round(x));

interface Props {
  readonly typed: PlanTyped;
  readonly set: (part: Partial<PlanTyped>) => void;
  readonly errors: Readonly<Record<string, string>>;
  readonly units: Units;
  readonly pan: boolean;
  readonly kind: KindId;
  readonly gear: readonly Gear[];
  readonly shelf: Shelf;
  readonly offers: readonly PortionOffer[];
  readonly lines: readonly AccountLine[];
  /** g/ml of the batter; null while there is none. */
  readonly density: number | null;
  readonly portion: PortionSaid | null;
  /** What another driver would ask for the batch as it stands. */
  readonly amountFor: (by: By, t: PlanTyped) => string;
}

/** How much is made, and the portion it is poured in. */
export function PlanDriver({
  typed: t,
  set,
  errors,
  units,
  pan,
  kind,
  gear,
  shelf,
  offers,
  lines,
  density,
  portion,
  amountFor,
}: Props) {
  const ask = ASKS[t.by];
  // what is offered stays where it is while another portion is chosen
  const [openedMl] = useState(portion?.ml ?? 60);
  const [near, others] = nearestOffers(offers, openedMl, MOST_OPEN);
  const offer = (o: PortionOffer) => (
    <Button
      key={o.name}
      aria-pressed={portion !== null && ml(portion.ml) === ml(o.ml)}
      onClick={() => set({ portion: o.said ?? String(ml(o.ml)) })}
    >
      {o.name} <span className="font-normal">{ml(o.ml)} ml</span>
    </Button>
  );
  const fitting = gear.filter((g) => portionFor(g, kind) !== null);
  const things = thingsIn(lines);
  const large = 'text-xl font-semibold !min-h-14';
  const small = (key: 'each' | 'seconds' | 'head' | 'piecesEach', label: string, unit: string, path: string) => (
    <Field
      label={label}
      unit={unit}
      inputMode="decimal"
      value={t[key]}
      onChange={(e) => set({ [key]: e.target.value })}
      error={errors[path]}
      className="flex-1"
    />
  );
  const pickGear = (id: string): void => {
    const g = fitting.find((x) => x.id === id);
    set({
      gear: id,
      ...(g && { piecesEach: String(placesOn(g, kind)), portion: String(ml(portionFor(g, kind) ?? 60)) }),
    });
  };
  const noted = things.filter((i) => (shelf[i.id]?.onHandG ?? 0) > 0);
  const usedUp = (several: readonly string[]): void => {
    const first = runsOutFirst(several, { lines, shelf });
    set({
      several,
      ...(first && {
        ingredientId: first.ingredientId,
        amount: asTyped(massNumber(first.grams, units)),
      }),
    });
  };
  return (
    <>
      <Choice
        label="Make"
        value={t.by}
        options={DRIVERS}
        onChange={(by) => {
          const first = fitting[0];
          const to: PlanTyped = {
            ...t,
            by,
            ...(by === 'ingredient' && t.ingredientId === '' && things[0] && { ingredientId: things[0].id }),
            ...(by === 'pans' &&
              t.gear === '' &&
              first && {
                gear: first.id,
                piecesEach: String(placesOn(first, kind)),
                portion: String(ml(portionFor(first, kind) ?? 60)),
              }),
          };
          set({ ...to, amount: amountFor(by, to) });
        }}
      />
      {t.by === 'ingredient' ? (
        <Choice
          label="Of"
          value={t.ingredientId}
          onChange={(ingredientId) =>
            set({ ingredientId, several: [], amount: amountFor('ingredient', { ...t, ingredientId }) })
          }
          options={things.map((i) => ({ value: i.id, label: kitchenName(i) }))}
        />
      ) : null}
      {t.by === 'ingredient' && noted.length > 1 ? (
        <fieldset className="grid gap-1">
          <legend className="mb-1 text-sm font-semibold text-soft">Or all there is in stock of several</legend>
          <ManyTaps
            label="Used up together"
            values={t.several}
            options={noted.map((i) => ({ value: i.id, label: kitchenName(i) }))}
            onChange={usedUp}
          />
          {t.several.length > 1 ? (
            <p className="text-[15px]" role="status">
              {kitchenName(things.find((i) => i.id === t.ingredientId) ?? noted[0] ?? { name: '' })} runs out first.
            </p>
          ) : null}
        </fieldset>
      ) : null}
      {t.by === 'pans' && fitting.length > 0 ? (
        <Choice
          label="In"
          value={t.gear}
          onChange={pickGear}
          options={fitting.map((g) => ({ value: g.id, label: g.name }))}
        />
      ) : null}
      <div className="flex gap-3">
        <Field
          label={ask.label}
          unit={WEIGHED.includes(t.by) ? units.weight : ask.unit}
          inputMode={t.by === 'ingredient' || t.by === 'flour' ? 'text' : 'decimal'}
          hint={t.by === 'ingredient' ? 'Also “2 cups”, “3 of them by name”, “all of it”.' : undefined}
          value={t.amount}
          onChange={(e) => set({ amount: e.target.value, several: [] })}
          error={errors[ask.path]}
          inputClass={large}
          className="flex-1"
        />
        {pan && !COUNTS.includes(t.by) ? null : (
          <Field
            label="Portion"
            unit={portion?.comes ? '' : 'ml'}
            hint={portion?.comes ? `= ${portion.comes}` : 'or 1/3 cup, #12, 10 cm'}
            value={t.portion}
            onChange={(e) => set({ portion: e.target.value })}
            error={errors.portionMl ?? errors['driver.portionMl']}
            inputClass={large}
            className="flex-1"
          />
        )}
      </div>
      {t.by === 'guests' ? (
        <div className="flex gap-3">
          {small('each', 'Pieces each', '', 'driver.each')}
          {small('seconds', 'And for seconds', '%', 'driver.secondsPct')}
        </div>
      ) : null}
      {pan ? null : (
        <Switch
          label="a test piece first, not counted"
          on={t.testPiece ?? t.by === 'guests'}
          onSwitch={(testPiece) => set({ testPiece })}
        />
      )}
      {t.by === 'vessel' ? small('head', 'Left free for whisking', '%', 'driver.headPct') : null}
      {t.by === 'pans' ? small('piecesEach', 'Pieces in one filling', '', 'driver.piecesEach') : null}
      {offers.length > 0 && !(pan && !COUNTS.includes(t.by)) ? (
        <fieldset className="flex flex-wrap gap-2">
          <legend className="mb-1 text-sm font-semibold text-soft">Portions this kitchen can pour</legend>
          {near.map(offer)}
          {others.length > 0 ? (
            <details className="w-full">
              <summary className="min-h-11 w-fit cursor-pointer content-center rounded font-semibold text-rim">
                {others.length} more
              </summary>
              <div className="flex flex-wrap gap-2">{others.map(offer)}</div>
            </details>
          ) : null}
        </fieldset>
      ) : null}
      {pan && !COUNTS.includes(t.by) ? null : (
        <PortionMore density={density} onMl={(x) => set({ portion: String(ml(x)) })} />
      )}
    </>
  );
}
