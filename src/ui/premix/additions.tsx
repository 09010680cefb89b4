'use client';
import { useState } from 'react';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import { US_CUP_ML } from '@/core/pantry/fill';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Additions } from '@/core/premix/products';
import { eggWords, mixForPieces } from '@/core/premix/use';
import { grams, gramsExact, type Units } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Field } from '../kit/field';
import { TableHead } from '../kit/table-head';
import { StillRails } from '../shared/still-rails';

/** What a mix asks for to become one thing: for a bag, for 100 g, for a cup; and where its ratios then stand. */
export function AdditionsView({
  additions: a,
  bagG,
  densityGPerMl,
  own = false,
  units,
}: {
  readonly additions: Additions;
  readonly bagG: number | null;
  readonly densityGPerMl: number | null;
  /** What the formula itself asks for: nothing was worked out. */
  readonly own?: boolean;
  readonly units: Units;
}) {
  const kind = kindById(a.product.kind);
  const school = schoolOf(kind, a.product.school);
  const allowed = a.against.length === 0;
  const cupG = densityGPerMl === null ? null : densityGPerMl * US_CUP_ML;
  const pieces = kind.pieces;
  const [count, setCount] = useState('');
  const n = typedNumber(count, '');
  const volume = a.analysis.volume;
  const portionMl = school.portionMl === null ? null : usualPortionMl(school);
  const mixG =
    n >= 1 && n <= 100_000 && volume && portionMl ? mixForPieces(n, a.parts, volume.densityGPerMl, portionMl) : null;
  return (
    <section aria-label={`As ${pieces}`} className="min-w-0 rounded-plate bg-white p-4">
      <h3 className="text-lg">
        {pieces.replace(/^./, (c) => c.toUpperCase())}
        {kind.schools.length > 1 ? (
          <span className="font-sans text-base font-normal text-soft"> {school.name}</span>
        ) : null}
      </h3>
      {a.parts.length === 0 ? <p>Nothing has to be added.</p> : null}
      {a.parts.length > 0 ? (
        <div className="overflow-x-auto">
          <table data-cards className="mt-1 w-full text-left">
            <caption className="sr-only">What is added</caption>
            <TableHead
              columns={[
                'Add',
                bagG === null ? null : { right: `to ${grams(bagG, units)}` },
                bagG === null ? null : { right: 'to half of it' },
                { right: 'to 100 g' },
                cupG === null ? null : { right: `to a cup (${grams(cupG, units)})` },
              ]}
            />
            <tbody>
              {a.parts.map((p) => (
                <tr key={p.ingredient.id} className="border-b border-line">
                  <th scope="row" className="py-1 pr-3 font-normal">
                    {kitchenName(p.ingredient)}
                  </th>
                  {bagG === null ? null : (
                    <td
                      data-label={`to ${grams(bagG, units)}`}
                      className="pr-3 text-right font-semibold whitespace-nowrap"
                    >
                      {grams((p.grams * bagG) / 100, units)}
                      {eggWords(p.ingredient, (p.grams * bagG) / 100)}
                    </td>
                  )}
                  {bagG === null ? null : (
                    <td data-label="to half of it" className="pr-3 text-right whitespace-nowrap">
                      {grams((p.grams * bagG) / 200, units)}
                    </td>
                  )}
                  <td data-label="to 100 g" className="pr-3 text-right whitespace-nowrap">
                    {p.grams < 10 ? gramsExact(p.grams) : grams(p.grams, units)}
                  </td>
                  {cupG === null ? null : (
                    <td data-label="to a cup" className="text-right whitespace-nowrap">
                      {grams((p.grams * cupG) / 100, units)}
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      {portionMl !== null && a.parts.length > 0 ? (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <Field
            label={`For so many ${pieces} of ${portionMl} ml`}
            inputMode="numeric"
            className="w-56"
            value={count}
            onChange={(e) => setCount(e.target.value)}
            error={count.trim() !== '' && mixG === null ? 'A number of pieces.' : undefined}
          />
          {mixG === null ? null : (
            <p role="status" className="pb-2.5">
              <strong>{grams(mixG, units)}</strong> of mix, with{' '}
              {a.parts
                .map(
                  (p) =>
                    `${grams((p.grams * mixG) / 100, units)} ${kitchenName(p.ingredient).toLowerCase()}${eggWords(p.ingredient, (p.grams * mixG) / 100)}`,
                )
                .join(', ')}
              .
            </p>
          )}
        </div>
      ) : null}
      <StillRails rails={a.analysis.rails} />
      {allowed ? null : (
        <p className="mt-1 text-[15px]">
          <strong>{own ? 'The card itself is out of its zone:' : 'The balance does not allow it:'}</strong>{' '}
          {a.against.join('; ')}.{' '}
          {own ? 'Balance it on the Bench, then make the premix of that version.' : 'Nothing that is added mends that.'}
        </p>
      )}
      {a.pours ? (
        <p className="mt-1 text-[15px] text-soft">{a.pours} An estimate: mix one bag before a lot goes out.</p>
      ) : null}
      {a.unsaid.length > 0 ? (
        <p className="mt-1 text-[15px] text-soft">{a.unsaid.join('; ')}: try one before you trust it.</p>
      ) : null}
    </section>
  );
}
