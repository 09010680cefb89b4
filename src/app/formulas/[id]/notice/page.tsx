import { notFound } from 'next/navigation';
import { titled } from '@/app/titled';
import { noticeOfLines } from '@/core/batch/notice';
import { servedBy } from '@/core/findings/served';
import { kindIdOf, kitchenOf } from '@/core/formula/formula';
import { kindById } from '@/core/formula/kinds';
import { countedLines } from '@/core/formula/lines';
import { findIngredient } from '@/core/pantry/pantry';
import { sayLongDay } from '@/core/quantity/day';
import type { Units } from '@/core/quantity/say';
import { houseFatLines } from '@/core/script/pan-fat';
import { isUuid, versionNumber } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { planById } from '@/server/queries/plans';
import { version } from '@/server/queries/versions';
import { noticeOfPlan, type PlanNotice } from '@/server/usecases/plan-notice';
import { NoticeCard } from '@/ui/batch/notice';
import { PrintButton } from '@/ui/batch/print-button';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';

export const generateMetadata = titled('formula', 'Allergen notice');

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ version?: string | string[]; plan?: string | string[] }>;
}

/** The notice of a plan that is kept for later: of its own sheet, for its day. */
function PlannedNotice({
  formulaId,
  planned: p,
  units,
}: {
  readonly formulaId: string;
  readonly planned: PlanNotice;
  readonly units: Units;
}) {
  const day = p.serveAt ? sayLongDay(p.serveAt.getTime(), units) : null;
  return (
    <Frame here="batch">
      <div className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="mr-auto text-[26px]">Allergen notice of the plan</h1>
        <PrintButton />
        <Link href={`/formulas/${formulaId}/plan?plan=${p.id}`} className={lookOf('plain')}>
          Back to the plan
        </Link>
      </div>
      <NoticeCard
        kind={[kindById(p.kind).name, day ? `for ${day}` : ''].filter(Boolean).join(', ')}
        title={p.name}
        notice={p.notice}
        foot={`${day ? `For ${day}, ` : ''}as it is planned, from version ${p.versionNumber}: what stands in on the day is on the batch’s own notice.${p.bags ? ' Bags of premix that make a part of it have their labels.' : ''}`}
      />
    </Frame>
  );
}

export default async function NoticePage({ params, searchParams }: Props) {
  const { id } = await params;
  const { version: asked, plan: planId } = await searchParams;
  const number = versionNumber(asked);
  if (!isUuid(id) || (asked !== undefined && number === null)) notFound();
  const r = await reach(async () => {
    const house = await loadHouse();
    const plan = typeof planId === 'string' && isUuid(planId) ? await planById(planId) : null;
    return [await version(id, number), house, plan?.formulaId === id ? await noticeOfPlan(plan, house) : null] as const;
  });
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [v, house, planned] = r.value;
  if (!v) notFound();
  if (planned) return <PlannedNotice formulaId={id} planned={planned} units={house.units} />;
  const { formula } = v;
  const ends = formula.ends ?? [null];
  return (
    <Frame here="bench">
      <div className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="mr-auto text-[26px]">Allergen notice of the formula</h1>
        <PrintButton />
        <Link href={`/formulas/${id}`} className={lookOf('plain')}>
          Back to the bench
        </Link>
      </div>
      <div className="grid gap-6">
        {ends.map((end) => {
          const lines = countedLines(formula, house, end?.id ?? null);
          return (
            <NoticeCard
              key={end?.id ?? 'all'}
              kind={kindById(kindIdOf(formula, end?.id ?? null)).name}
              title={`${formula.name}${end ? `, ${end.name}` : ''}`}
              notice={noticeOfLines(
                [
                  ...lines,
                  ...houseFatLines(lines, kitchenOf(formula, house).ways, kindIdOf(formula, end?.id ?? null), (x) =>
                    findIngredient(x, house.conventions.own),
                  ),
                ],
                servedBy(formula.cardNotes, house.conventions),
              )}
              foot={`Version ${v.number} of the formula, as it is written: a batch may be made otherwise, and has a notice of its own.`}
            />
          );
        })}
      </div>
    </Frame>
  );
}
