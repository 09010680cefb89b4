import type { Metadata } from 'next';
import { keepMorningHere } from '@/app/actions';
import { addressIn, bySentence, type Params } from '@/app/begin/load';
import { morningSaid } from '@/core/begin/offers';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { morningOfLoose } from '@/core/morning/loose';
import type { KitchenPerson } from '@/core/morning/people';
import type { MorningPlan } from '@/core/morning/plan';
import { dayAfter, localDay } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { underWay } from '@/server/queries/batches';
import { loadHouse } from '@/server/queries/house';
import { dishChoices, morningById, morningsOver } from '@/server/queries/mornings';
import { kitchenPeople } from '@/server/queries/people';
import { sides } from '@/server/queries/sides';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { EarlierMornings } from '@/ui/morning/earlier-mornings';
import { MorningForm } from '@/ui/morning/morning-form';

export const metadata: Metadata = { title: 'Plan a morning' };

interface Asked {
  /**
   * `of` the formula that it begins with, `like` an earlier morning that it is a copy of, `say` a sentence, `batches`
   * under way that become one morning.
   */
  readonly searchParams: Promise<Params>;
}

/** A morning in waves or of two dishes, as a sentence and the choices behind it begin it; null: it was begun otherwise. */
function saidIn(params: Params, house: Kitchen, people: readonly KitchenPerson[]): MorningPlan | null {
  const a = addressIn(params);
  const { b, of, other } = bySentence(a, house);
  if (a.say === '' || of === null || (other === null && b.waves.length === 0)) return null;
  const tomorrow = dayAfter(house.today ?? localDay(Date.now(), house.units), 1);
  return morningSaid(b, of, other, house.gear, people, tomorrow, house.learned);
}

export default async function NewMorningPage({ searchParams }: Asked) {
  const params = await searchParams;
  const { day, of, like } = params;
  const r = await reach(async () => {
    const was = typeof like === 'string' && isUuid(like) ? await morningById(like) : null;
    const ids = typeof params.batches === 'string' ? params.batches.split(',') : [];
    const loose = ids.length > 0 ? (await underWay()).filter((b) => ids.includes(b.id) && !b.morningId) : [];
    const dishes = [...(was?.plan?.dishes ?? []), ...loose].map((d) => d.formulaId);
    return Promise.all([loadHouse(), kitchenPeople(), dishChoices(dishes), was, morningsOver(), sides(), loose]);
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [house, people, choices, was, over, sauces, loose] = r.value;
  const said = saidIn(params, house, people) ?? morningOfLoose(loose, house.gear, people, house.units);
  const asked =
    typeof day === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(day)
      ? day
      : dayAfter(house.today ?? localDay(Date.now(), house.units), 1);
  return (
    <Frame here="today">
      <h1 className="mb-1 text-[26px]">Plan a morning</h1>
      <p className="mb-3 max-w-prose text-soft">
        Who comes when, what they get, who cooks and on what. Bowls, times, hands and places are worked out for all of
        it at once.{' '}
        <Link href="/mornings/new/class" className="font-semibold text-rim underline">
          A class at several benches
        </Link>
        .
      </p>
      {!was && !said && over.length > 0 ? <EarlierMornings mornings={over} units={house.units} /> : null}
      {was?.closing?.next ? (
        <div className="mb-4 max-w-2xl">
          <Notice weight="look">
            <strong>Meant for next time:</strong> <span className="whitespace-pre-line">{was.closing.next}</span>
          </Notice>
        </div>
      ) : null}
      {loose.length > 0 ? (
        <div className="mb-4 max-w-2xl">
          <Notice weight="look">
            {loose.map((b) => b.name).join(', ')}: under way already, and of this morning once it is kept. Each piece
            stands as a plate: say how many go on one.
          </Notice>
        </div>
      ) : null}
      <div className="max-w-2xl">
        <MorningForm
          key={was?.id ?? (said && JSON.stringify(said)) ?? 'new'}
          morning={null}
          day={said?.day ?? asked}
          like={was?.plan ?? said}
          from={was?.id ?? (said && JSON.stringify(said))}
          of={typeof of === 'string' && isUuid(of) ? of : ''}
          house={house}
          people={people}
          choices={choices}
          sauces={sauces}
          takes={loose.map((b) => b.id)}
          keep={keepMorningHere}
        />
      </div>
    </Frame>
  );
}
