import { CONVENTION_NAMES, FILL_METHODS, type KitchenConventions } from '@/core/pantry/conventions';
import { US_CUP_ML } from '@/core/pantry/fill';
import {
  allergenName,
  CATEGORY_NAMES,
  type Composition,
  type Ingredient,
  kitchenName,
  type Unknown,
} from '@/core/pantry/ingredient';
import { fillRow, findIngredient } from '@/core/pantry/pantry';
import { grams, meq, type Units } from '@/core/quantity/say';

const PARTS: readonly (readonly [keyof Composition, string])[] = [
  ['waterG', 'Water'],
  ['fatG', 'Fat'],
  ['proteinG', 'Protein'],
  ['sugarsG', 'Sugars'],
  ['starchG', 'Starch'],
  ['fibreG', 'Fibre'],
  ['alcoholG', 'Alcohol'],
  ['naclG', 'Salt (NaCl)'],
];

const of100 = (x: number): string => `${Number(x.toFixed(x < 1 ? 2 : 1))} g`;

/** What 100 g of an ingredient are, what a cup of it weighs and what it does to soda. */
export function Facts({
  ingredient: i,
  house,
  units,
}: {
  readonly ingredient: Ingredient;
  readonly house: KitchenConventions;
  readonly units: Units;
}) {
  const unknown = (what: Unknown): boolean => i.unknown?.includes(what) === true;
  const rows = PARTS.filter(([k]) => unknown(k) || i.per100g[k] > 0);
  const row = fillRow(i);
  const like = i.like ? findIngredient(i.like, house.own) : undefined;
  return (
    <section aria-label="What it is" className="grid gap-4">
      <p className="text-soft">
        {CATEGORY_NAMES[i.category]}
        {i.aliases.length > 0 ? `; also ${i.aliases.slice(0, 5).join(', ')}` : ''}
        {like ? `; taken to behave like ${kitchenName(like).toLowerCase()} (estimate)` : ''}
      </p>
      {i.blend ? (
        <p>
          A blend:{' '}
          {i.blend.map((m) => `${(100 * m.share).toFixed(0)} % ${kitchenName(m.ingredient).toLowerCase()}`).join(', ')}.
          A line of it is read as these.
        </p>
      ) : null}
      <div className="grid gap-x-10 gap-y-4 sm:grid-cols-2">
        <div>
          <h2 className="mb-1 text-lg">In 100 g</h2>
          <dl className="grid grid-cols-[1fr_auto]">
            {rows.map(([k, name]) => (
              <div key={k} className="contents">
                <dt className="border-b border-line py-1 text-soft">{name}</dt>
                <dd className="border-b border-line py-1 pl-4 text-right font-semibold">
                  {unknown(k) ? 'not known' : of100(i.per100g[k])}
                </dd>
              </div>
            ))}
            <dt className="border-b border-line py-1 text-soft">Sodium</dt>
            <dd className="border-b border-line py-1 pl-4 text-right font-semibold">
              {unknown('sodiumMg') ? 'not known' : `${Math.round(i.per100g.sodiumMg)} mg`}
            </dd>
            <dt className="py-1 text-soft">Energy</dt>
            <dd className="py-1 pl-4 text-right font-semibold">
              {unknown('kcal') ? 'not known' : `${Math.round(i.per100g.kcal)} kcal`}
            </dd>
          </dl>
        </div>
        <div className="grid content-start gap-4">
          <div>
            <h2 className="mb-1 text-lg">A US cup of it, {US_CUP_ML.toFixed(0)} ml</h2>
            {row ? (
              <dl className="grid grid-cols-[1fr_auto]">
                {FILL_METHODS.map((m) =>
                  row[m] === undefined ? null : (
                    <div key={m} className="contents">
                      <dt className="border-b border-line py-1 text-soft">{CONVENTION_NAMES.flourFill[m]}</dt>
                      <dd className="border-b border-line py-1 pl-4 text-right font-semibold">
                        {grams(row[m] ?? 0, units)}
                      </dd>
                    </div>
                  ),
                )}
              </dl>
            ) : i.gPerUsCup ? (
              <p>
                <strong>{grams(i.gPerUsCup, units)}</strong>
                {i.gPerTsp ? <span className="text-soft">, a level teaspoon {grams(i.gPerTsp, units)}</span> : null}
              </p>
            ) : (
              <p className="text-soft">
                {i.gPerTsp
                  ? `A level teaspoon is ${grams(i.gPerTsp, units)}.`
                  : 'Not known: weigh a cup of it under My measures.'}
              </p>
            )}
            {i.piece ? <p className="text-soft">{`One ${i.piece.name}: ${grams(i.piece.grams, units)}.`}</p> : null}
          </div>
          <div>
            <h2 className="mb-1 text-lg">Acid and soda</h2>
            <p className="text-soft">
              {unknown('acid') || unknown('soda')
                ? 'Not known: the rise of a formula with it can’t be worked whole.'
                : i.sodaPct > 0
                  ? `${Number(i.sodaPct.toFixed(1))} % soda${i.ownAcidMeqPer100g > 0 ? ', with acid of its own for it' : ''}.`
                  : i.acidMeqPer100g === 0
                    ? 'Neither acid nor alkali to speak of.'
                    : `${meq(i.acidMeqPer100g)} of ${i.acidMeqPer100g > 0 ? 'acid' : 'alkali'} in 100 g.`}
            </p>
          </div>
          <div>
            <h2 className="mb-1 text-lg">Allergens</h2>
            <p className="text-soft">
              {i.allergensUnstated
                ? 'Nobody has stated them yet: read the packet.'
                : i.allergens.length > 0
                  ? `It holds ${i.allergens.map(allergenName).join(', ')}. Packets differ: read yours.`
                  : 'None of those we list. Packets differ: read yours.'}
            </p>
          </div>
        </div>
      </div>
      {i.note ? <p className="max-w-prose text-sm text-soft">{i.note.replace(/^./, (c) => c.toUpperCase())}.</p> : null}
    </section>
  );
}
