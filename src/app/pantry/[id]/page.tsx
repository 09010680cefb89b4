import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { countOnHand, keepStock, keepThing, removeThing, uncountOnHand } from '@/app/pantry/actions';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { allThings, countsOf, formulasWith, stockNoted } from '@/server/queries/pantry';
import { pricedMixes } from '@/server/usecases/premix-lots';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { when } from '@/ui/kit/when';
import { CountForm } from '@/ui/pantry/count-form';
import { Facts } from '@/ui/pantry/facts';
import { PacketForm } from '@/ui/pantry/packet-form';
import { PantryParts } from '@/ui/pantry/parts';
import { RemoveThing } from '@/ui/pantry/remove-thing';
import { StockForm } from '@/ui/pantry/stock-form';

export async function generateMetadata({ params }: { readonly params: Promise<{ id: string }> }): Promise<Metadata> {
  const { id } = await params;
  const r = await reach(loadHouse);
  const i = r.up ? findIngredient(id, r.value.conventions.own) : undefined;
  return { title: i ? kitchenName(i) : 'Ingredient' };
}

export default async function IngredientPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!/^[a-z0-9-]{1,60}$/.test(id)) notFound();
  const r = await reach(async () => {
    const [house, stock, { things, broken }, counts] = await Promise.all([
      loadHouse(),
      stockNoted(),
      allThings(),
      countsOf(id),
    ]);
    const mixes = await pricedMixes(id, house);
    const thing = things.find((t) => t.id === id) ?? null;
    const bad = broken.find((t) => t.id === id) ?? null;
    return {
      house,
      stock,
      thing,
      bad,
      counts,
      mixes,
      usedIn: thing ? await formulasWith(id, [thing.name, ...thing.aliases]) : [],
    };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  const { house, stock, thing, bad, counts, mixes, usedIn } = r.value;
  const ingredient = findIngredient(id, house.conventions.own);
  if (bad)
    return (
      <Frame here="pantry">
        <h1 className="mb-1 text-[26px] [overflow-wrap:anywhere]">{bad.name}</h1>
        <PantryParts here={null} />
        <p className="mb-4 max-w-3xl text-lg">
          What is noted of it can’t be read, so formulas ask about it. Enter its packet anew and they know it again;
          what stood there is kept aside.
        </p>
        <PacketForm was={null} broken={bad} house={house.conventions} keep={keepThing} />
      </Frame>
    );
  if (!ingredient) notFound();
  const noted = stock[id] ?? null;
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px] [overflow-wrap:anywhere]">{kitchenName(ingredient)}</h1>
      <PantryParts here={null} />
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[1fr_24rem]">
        <Facts ingredient={ingredient} house={house.conventions} units={house.units} />
        <div className="grid gap-4">
          <CountForm
            key={`count ${id}`}
            ingredientId={id}
            onHandG={noted?.onHandG ?? null}
            counts={counts.map((c) => ({
              countedG: c.countedG,
              wasG: c.wasG,
              who: c.who,
              undone: c.undone,
              at: when(c.countedAt, house.units),
            }))}
            units={house.units}
            count={countOnHand}
            uncount={uncountOnHand}
          />
          <StockForm
            key={id}
            ingredientId={id}
            stock={noted}
            units={house.units}
            mixes={mixes}
            shelf={stock}
            keep={keepStock}
          />
        </div>
      </div>
      {thing ? (
        <section aria-label="As it was entered" className="mt-8 border-t border-line pt-5">
          <div className="mb-3 flex flex-wrap items-start justify-between gap-3">
            <h2 className="text-xl">As it was entered</h2>
            <RemoveThing
              id={id}
              name={thing.name}
              usedIn={usedIn}
              remove={removeThing}
              back={keepThing}
              packet={thing.packet}
            />
          </div>
          <PacketForm key={thing.id} was={thing} house={house.conventions} keep={keepThing} />
        </section>
      ) : null}
    </Frame>
  );
}
