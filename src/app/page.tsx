import { headers } from 'next/headers';
import { clearDemoHere, copyOfFormula, dropPlanHere, lookAroundHere, putAwayFormula } from '@/app/actions';
import { senderOf } from '@/app/way-in';
import { cleanText } from '@/contract/clean';
import { atLeast } from '@/contract/roles';
import { VERDICTS } from '@/core/batch/batch';
import { KIND_IDS } from '@/core/formula/kinds';
import { ALLERGENS } from '@/core/pantry/ingredient';
import { reach } from '@/server/db/pool';
import { underWay } from '@/server/queries/batches';
import { formulaShelf, shelfMains } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { keptNow } from '@/server/queries/kept';
import { morningsAhead } from '@/server/queries/mornings';
import { cursorIn } from '@/server/queries/paging';
import { plansWaiting } from '@/server/queries/plans';
import { stepsLeft } from '@/server/usecases/day';
import { kitchenState } from '@/server/usecases/look-around';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { BeginLine } from '@/ui/today/begin-line';
import { Doors } from '@/ui/today/doors';
import { MorningDoor, Mornings } from '@/ui/today/mornings';
import { PlansKept } from '@/ui/today/plans-kept';
import { ShelfView } from '@/ui/today/shelf';
import type { ShelfAsked } from '@/ui/today/shelf.state';
import { UnderWay } from '@/ui/today/under-way';
import { UseFirst } from '@/ui/today/use-first';

type Params = Readonly<Record<string, string | string[] | undefined>>;

const word = (v: unknown): string => (typeof v === 'string' ? cleanText(v).slice(0, 100) : '');
const oneOf = <T extends string>(list: readonly T[], v: unknown): T | '' => list.find((x) => x === v) ?? '';

const askedIn = (p: Params): ShelfAsked => ({
  find: word(p.find),
  kind: oneOf(KIND_IDS, p.kind),
  flour: word(p.flour),
  liquid: word(p.liquid),
  without: oneOf(ALLERGENS, p.without),
  verdict: oneOf(['none', ...VERDICTS], p.verdict),
  use: p.use === 'up',
  away: p.away === 'yes',
});

export default async function Today({ searchParams }: { readonly searchParams: Promise<Params> }) {
  const params = await searchParams;
  const asked = askedIn(params);
  const after = cursorIn(params.after);
  const r = await reach(async () => {
    const shelf = formulaShelf({
      text: asked.find,
      kind: asked.kind || null,
      flour: asked.flour || null,
      liquid: asked.liquid || null,
      without: asked.without || null,
      verdict: asked.verdict || null,
      useUp: asked.use,
      archived: asked.away,
      after,
    });
    return Promise.all([
      underWay(),
      shelf,
      // of facts as the shelf leaves them
      shelf.then(shelfMains),
      loadHouse(),
      kitchenState(),
      keptNow(),
      plansWaiting(),
      morningsAhead(),
    ]);
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [batches, page, mains, house, state, kept, plans, mornings] = r.value;
  const now = Date.now();
  const left = await reach(async () =>
    Object.fromEntries(await Promise.all(batches.map(async (b) => [b.id, await stepsLeft(b, house, now)] as const))),
  );
  const filtered = after !== null || Object.values(asked).some((v) => v !== '' && v !== false);
  const { may } = senderOf(await headers());
  const underHand = <UnderWay batches={batches} units={house.units} steps={left.up ? left.value : {}} />;
  // who helps has what is at hand, and nothing of what is begun
  if (!atLeast(may, 'cook'))
    return (
      <Frame here="today">
        <h1 className="sr-only">Today</h1>
        {underHand}
        {mornings.length > 0 ? <Mornings mornings={mornings} units={house.units} /> : null}
        {batches.length + mornings.length === 0 ? (
          <p className="text-lg">Nothing is under way, and no morning is planned.</p>
        ) : null}
      </Frame>
    );
  return (
    <Frame here="today">
      <h1 className="sr-only">Today</h1>
      {underHand}
      {state.empty || filtered ? null : <BeginLine say="" />}
      {mornings.length > 0 && !filtered ? <Mornings mornings={mornings} units={house.units} /> : null}
      {plans.length > 0 && !filtered ? <PlansKept plans={plans} units={house.units} drop={dropPlanHere} /> : null}
      {kept.length > 0 && !filtered ? (
        <UseFirst kept={kept.slice(0, 3)} more={kept.length > 3} units={house.units} today={house.today} />
      ) : null}
      {(state.empty || state.demo) && !filtered ? (
        <Doors empty={state.empty} demo={state.demo} first={state.first} look={lookAroundHere} clear={clearDemoHere} />
      ) : null}
      {state.empty ? null : page.rows.length === 0 && !filtered ? (
        <section className="mt-6 max-w-xl">
          <h2 className="text-2xl">No formula yet</h2>
          <p className="mt-2">
            Paste a recipe card, in cups or in grams, and it becomes your first formula: weighed, balanced and ready to
            scale.
          </p>
          <Link href="/formulas/new" className={`${lookOf('now', 'work')} mt-4`}>
            Paste a card
          </Link>
        </section>
      ) : (
        <ShelfView
          asked={asked}
          rows={page.rows.map(({ savedAt: _, ...row }) => row)}
          next={page.next}
          stale={page.stale}
          later={after !== null}
          mains={mains}
          acts={{ copy: copyOfFormula, put: putAwayFormula }}
        />
      )}
      {state.empty || filtered ? null : <MorningDoor />}
    </Frame>
  );
}
