import { inPacks, opensWords, toBuy, type WaveOut } from '@/core/batch/packs';
import type { TakeOut, TakeOutList } from '@/core/batch/take-out';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { writeEighths } from '@/core/quantity/number';
import { grams, type Units } from '@/core/quantity/say';
import { TableHead } from '../kit/table-head';
import { unbroken } from '../kit/unbroken';

/** Eggs and fruit are taken out by the piece. */
function pieces(i: Ingredient, g: number): string {
  if (!i.piece || (i.category !== 'egg' && i.category !== 'fruit-veg') || g <= 0) return '';
  const n = g / i.piece.grams;
  return ` (${n >= 3 ? Math.ceil(n - 0.05) : writeEighths(n)} ${i.piece.name}${n > 1.06 ? 's' : ''})`;
}

const needed = (r: TakeOut, u: Units): string =>
  r.grams > 0
    ? unbroken(`${grams(r.grams, u)}${pieces(r.ingredient, r.grams)}${r.andMore ? ' and more' : ''}`)
    : 'as needed';

function shelfWords(r: TakeOut, u: Units): string {
  if (r.onHandG === null && r.ingredient.id === 'water') return 'from the tap';
  if (r.onHandG === null) return 'stock not noted';
  if (r.shortG === null || r.shortG <= 0) return unbroken(`${grams(r.onHandG, u)} on hand`);
  return unbroken(`${grams(r.onHandG, u)} on hand, ${grams(r.shortG, u)} short`);
}

/** Whole packs off the shelf, where it takes one or more. */
const fetched = (r: TakeOut, u: Units): string | null => inPacks(r.ingredient, r.grams, r.packG, u);

/** Packs to buy, and what stays over of them; grams where no pack is known. */
function Buys({ row: r, units }: { readonly row: TakeOut; readonly units: Units }) {
  const buy = toBuy(r.ingredient, r.shortG, r.packG);
  if (!buy) return (r.shortG ?? 0) > 0 ? grams(r.shortG ?? 0, units) : null;
  return (
    <>
      {buy.text}
      {buy.overG > 0.5 ? <span className="block font-normal text-soft">{grams(buy.overG, units)} over</span> : null}
    </>
  );
}

/** The same by wave of mixes: what is fetched for each, what is opened, what stays over for the next. */
export function WavesView({ waves, units }: { readonly waves: readonly WaveOut[]; readonly units: Units }) {
  if (waves.length === 0) return null;
  return (
    <section aria-label="By wave" className="mt-4 grid gap-3">
      <h3 className="text-lg">By wave</h3>
      <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
        {waves.map((w) => (
          <div key={w.name}>
            <h4 className="border-b-2 border-rim text-[15px] font-semibold">{w.name}</h4>
            <ul>
              {w.rows.map((f) => (
                <li
                  key={f.ingredient.id}
                  className="flex items-baseline justify-between gap-3 border-b border-line py-1"
                >
                  <span>
                    {kitchenName(f.ingredient)}
                    {f.opens ? <span className="block text-sm text-soft">{opensWords(f, units)}</span> : null}
                  </span>
                  <strong className="whitespace-nowrap">
                    {grams(f.grams, units)}
                    {pieces(f.ingredient, f.grams)}
                  </strong>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

/** Every ingredient once, summed over all its uses: what to take out, what is short, how many packs that is. */
export function TakeOutView({ list, units }: { readonly list: TakeOutList; readonly units: Units }) {
  return (
    <div>
      <table data-cards className="w-full text-left">
        <caption className="sr-only">What it takes, what is in stock and what to buy</caption>
        <TableHead columns={[{ hidden: 'Done' }, 'Ingredient', { right: 'Takes' }, 'In stock', { right: 'Buy' }]} />
        <tbody>
          {list.rows.map((r) => (
            <tr key={r.ingredient.id} className="border-b border-line align-top">
              <td className="py-1.5">
                <span aria-hidden className="mt-1 block size-4 rounded-[3px] border-2 border-rim" />
              </td>
              <th scope="row" className="font-normal py-1.5 pr-3">
                <strong>{kitchenName(r.ingredient)}</strong>
                {r.uses.length > 1 || r.uses[0]?.what !== 'batter' ? (
                  <span className="block text-sm text-soft">
                    {r.uses
                      .map((u) => `${u.what} ${u.grams === null ? 'as needed' : grams(u.grams, units)}`)
                      .join('; ')}
                  </span>
                ) : null}
              </th>
              <td data-label="Takes" className="py-1.5 pr-3 text-right font-semibold">
                {needed(r, units)}
                {fetched(r, units) ? <span className="block font-normal text-soft">{fetched(r, units)}</span> : null}
              </td>
              <td
                data-label="In stock"
                className={`py-1.5 pr-3 ${(r.shortG ?? 0) > 0 ? 'font-semibold' : 'text-soft'}`}
              >
                {shelfWords(r, units)}
              </td>
              <td data-label="Buy" className="py-1.5 text-right font-semibold whitespace-nowrap">
                <Buys row={r} units={units} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {list.unknown.length > 0 ? (
        <p className="mt-2">As on the card, not in the pantry: {list.unknown.map((t) => `“${t}”`).join(', ')}.</p>
      ) : null}
    </div>
  );
}
