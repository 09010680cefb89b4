import type { Metadata } from 'next';
import { linesOfSheet } from '@/core/batch/sheet';
import { partsOf, sideLines } from '@/core/batch/sides';
import { costOf } from '@/core/facts/account';
import { allergensOf } from '@/core/formula/tally';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { grams, money } from '@/core/quantity/say';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { sides } from '@/server/queries/sides';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';

export const metadata: Metadata = { title: 'Sauces and sides' };

export default async function SidesPage() {
  const r = await reach(() => Promise.all([sides(), loadHouse(), stockNoted()]));
  if (!r.up) return <AwayPage kind={r.kind} here="sides" />;
  const [all, house, stock] = r.value;
  const find = (id: string) => findIngredient(id, house.conventions.own);
  return (
    <Frame here="sides">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[26px]">Sauces and sides</h1>
          <p className="text-soft">
            Sauces, butters, fillings and toppings by parts. A batch takes them along, for the same people.
          </p>
        </div>
        <Link href="/sides/new" className={lookOf('now')}>
          New sauce or butter
        </Link>
      </div>
      {all.length === 0 ? (
        <p className="max-w-xl">
          None yet. Write one by its parts, by weight or by volume: a batch then takes it along for so many people.
        </p>
      ) : (
        <table data-cards className="w-full text-left">
          <caption className="sr-only">Sauces and sides</caption>
          <thead className="border-b-2 border-rim text-sm text-soft">
            <tr>
              <th scope="col" className="py-1 pr-4">
                Name
              </th>
              <th scope="col" className="pr-4">
                Parts
              </th>
              <th scope="col" className="pr-4 text-right">
                For one
              </th>
              <th scope="col" className="pr-4 text-right">
                Costs, for ten
              </th>
              <th scope="col">Holds</th>
            </tr>
          </thead>
          <tbody>
            {all.map((s) => {
              // for ten, so that a pinch is not rounded away
              const account = linesOfSheet(sideLines(s, 10, 1, find, { ...house, exactness: 'exact' }), find);
              const cost = costOf(account, stock);
              const priced = cost.rows.some((x) => x.cost !== null);
              const { parts, gone } = partsOf(s, find);
              return (
                <tr key={s.id} className="border-b border-line align-top">
                  <th scope="row" className="font-normal py-0.5 pr-4">
                    <Link
                      href={`/sides/${s.id}`}
                      className="inline-flex min-h-9 items-center font-semibold text-rim underline [overflow-wrap:anywhere]"
                    >
                      {s.name}
                    </Link>
                  </th>
                  <td data-label="Parts" className="py-2 pr-4">
                    {parts.map((p) => kitchenName(p.ingredient)).join(', ')}
                    {gone.length > 0 ? (
                      <strong className="text-berry"> and {gone.length} no longer in the pantry</strong>
                    ) : null}
                    <span className="block text-sm text-soft">by {s.by}</span>
                  </td>
                  <td data-label="For one" className="py-2 pr-4 text-right whitespace-nowrap">
                    {grams(s.servingG, house.units)}
                  </td>
                  <td data-label="Costs, for ten" className="py-2 pr-4 text-right whitespace-nowrap">
                    {priced ? (
                      `${cost.gaps.length > 0 ? 'at least ' : ''}${money(cost.total, house.units)}`
                    ) : (
                      <span className="text-soft">no price</span>
                    )}
                  </td>
                  <td data-label="Holds" className="py-2">
                    {allergensOf(account)
                      .held.map((h) => h.name)
                      .join(', ') || <span className="text-soft">none we list</span>}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <p className="mt-3 text-sm text-soft">
        Allergens and prices come from the pantry: check the packets. Honey is not for infants under one.
      </p>
    </Frame>
  );
}
