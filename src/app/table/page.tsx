import type { Metadata } from 'next';
import { waysOf } from '@/core/batch/batch';
import { noticeOf, SHARED } from '@/core/batch/notice';
import { kindById } from '@/core/formula/kinds';
import { clockOf } from '@/core/morning/morning';
import { allergenBoard, besidesOf } from '@/core/morning/papers';
import { findIngredient } from '@/core/pantry/pantry';
import { sayLongDay, sayMoment } from '@/core/quantity/day';
import { reach } from '@/server/db/pool';
import { underWay } from '@/server/queries/batches';
import { loadHouse } from '@/server/queries/house';
import { morningById, morningsAhead } from '@/server/queries/mornings';
import { sides } from '@/server/queries/sides';
import { NoticeCard } from '@/ui/batch/notice';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Notice } from '@/ui/kit/notice';
import { AllergenBoardView } from '@/ui/morning/allergen-board';
import { dishesMade } from '../mornings/load';

export const metadata: Metadata = { title: 'The table' };

/** Mornings and batches shown at most. */
const MOST = 6;

/** For whoever eats: what is served when, and what is in it. Nobody signs for it, and nothing is done on it. */
export default async function TablePage() {
  const r = await reach(async () => {
    const [house, ahead, batches, sauces] = await Promise.all([loadHouse(), morningsAhead(), underWay(), sides()]);
    const mornings = await Promise.all(
      ahead.slice(0, MOST).map(async ({ id }) => {
        const m = await morningById(id);
        return m?.plan ? { id, day: m.day, plan: m.plan, made: await dishesMade(m.plan) } : null;
      }),
    );
    return { house, batches, sauces, mornings: mornings.flatMap((m) => m ?? []) };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const { house, batches, sauces, mornings } = r.value;
  const now = Date.now();
  return (
    <Frame here="today">
      <h1 className="mb-3 text-[26px]">What is served, and what is in it</h1>
      <div className="grid gap-4">
        {mornings.map(({ id, day, plan, made }) => {
          const named = plan.sides.filter((s) => !besidesOf(plan, sauces).some((b) => b.side.id === s.sideId));
          return (
            <section key={id} aria-label={plan.name || 'A morning'} className="min-w-0 rounded-plate bg-white p-4">
              <h2 className="text-2xl [overflow-wrap:anywhere]">{plan.name || 'A morning'}</h2>
              <p className="mb-2 text-soft">
                {sayLongDay(Date.parse(`${day}T12:00:00Z`), { ...house.units, zone: 'UTC' })}:{' '}
                {plan.waves.map((w) => `${w.covers} at ${clockOf(w.at, house.units.clock)}`).join(', ')}
              </p>
              {made.length > 0 ? (
                <AllergenBoardView board={allergenBoard(made, house, besidesOf(plan, sauces))} />
              ) : (
                <Notice weight="stop">
                  What is in its dishes can’t be told now: a formula of it is not there any more. Ask the cook.
                </Notice>
              )}
              <p className="mt-2 text-sm text-soft">
                From a table of ingredients, pan fat and toppings among them; packets differ, and change. {SHARED}{' '}
                {named.length > 0 ? `Not on this sheet: ${named.map((s) => s.name).join(', ')}. ` : ''}The law on what
                guests are told is your local food code’s; ask it, and ask the cook.
              </p>
            </section>
          );
        })}
        <div className="grid items-start gap-4 empty:hidden lg:grid-cols-2">
          {batches.slice(0, MOST).map((b) => (
            <NoticeCard
              key={b.id}
              kind={kindById(b.kind).name}
              title={b.name}
              notice={noticeOf(b, waysOf(b, house), (id) => findIngredient(id, house.conventions.own))}
              foot={`As it is made now; its sheet stood so ${sayMoment((b.sheetAt ?? b.startedAt).getTime(), now, house.units)}.`}
            />
          ))}
        </div>
        {mornings.length + batches.length === 0 ? (
          <p className="text-lg">Nothing is under way, and no morning is planned. Ask the cook.</p>
        ) : null}
      </div>
    </Frame>
  );
}
