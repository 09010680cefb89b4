import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { keepStock, keepThing, removeThing } from '@/app/pantry/actions';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { formulasWith, ownThings, shelf } from '@/server/queries/pantry';
import { AwayPage, Frame } from '@/ui/frame';
import { Facts } from '@/ui/pantry/facts';
import { PacketForm } from '@/ui/pantry/packet-form';
import { PantryParts } from '@/ui/pantry/parts';
import { RemoveThing } from '@/ui/pantry/remove-thing';
import { StockForm } from '@/ui/pantry/stock-form';

export const metadata: Metadata = { title: 'Ingredient' };

export default async function IngredientPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  const r = await reach(async () => {
    const [house, stock, things] = await Promise.all([loadHouse(), shelf(), ownThings()]);
    const thing = things.find((t) => t.id === id) ?? null;
    return { house, stock, thing, usedIn: thing ? await formulasWith(id, [thing.name, ...thing.aliases]) : [] };
  });
  if (!r.up) return <AwayPage here="pantry" />;
  const { house, stock, thing, usedIn } = r.value;
  const ingredient = findIngredient(id, house.conventions.own);
  if (!ingredient) notFound();
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px] [overflow-wrap:anywhere]">{kitchenName(ingredient)}</h1>
      <PantryParts here={null} />
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[1fr_22rem]">
        <Facts ingredient={ingredient} house={house.conventions} units={house.units} />
        <StockForm key={id} ingredientId={id} stock={stock[id] ?? null} units={house.units} keep={keepStock} />
      </div>
      {thing ? (
        <section aria-label="As it was entered" className="mt-8 border-t border-line pt-5">
          <div className="mb-3 flex flex-wrap items-start justify-between gap-3">
            <h2 className="text-xl">As it was entered</h2>
            <RemoveThing id={id} name={thing.name} usedIn={usedIn} remove={removeThing} />
          </div>
          <PacketForm key={JSON.stringify(thing.packet)} was={thing} house={house.conventions} keep={keepThing} />
        </section>
      ) : null}
    </Frame>
  );
}
