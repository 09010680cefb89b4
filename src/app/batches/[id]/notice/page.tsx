import { batchPage } from '@/app/batches/load';
import { titled } from '@/app/titled';
import { waysOf } from '@/core/batch/batch';
import { noticeOf } from '@/core/batch/notice';
import { kindById } from '@/core/formula/kinds';
import { findIngredient } from '@/core/pantry/pantry';
import { sayLongDay, sayMoment } from '@/core/quantity/day';
import { NoticeCard } from '@/ui/batch/notice';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';

export const generateMetadata = titled('batch', 'Allergen notice');

/** The notice of a batch as it is made: what its sheet has come to, not what the formula says. */
export default async function BatchNoticePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'plan', (b, house) => {
    const notice = noticeOf(b, waysOf(b, house), (id) => findIngredient(id, house.conventions.own));
    const at = (b.sheetAt ?? b.startedAt).getTime();
    return (
      <div className="grid gap-4">
        <div className="flex flex-wrap items-center gap-3 print:hidden">
          <h2 className="mr-auto text-[26px]">Allergen notice of this batch</h2>
          <a href={`/batches/${b.id}/print/notice`} target="_blank" rel="noreferrer" className={lookOf('now', 'work')}>
            Print it<span className="sr-only"> (PDF, opens in a new tab)</span>
          </a>
          <Link href={`/batches/${b.id}/plan`} className={lookOf('plain', 'work')}>
            Back to the plan
          </Link>
        </div>
        <NoticeCard
          kind={[kindById(b.kind).name, b.timeline ? `for ${sayLongDay(b.timeline.at, house.units)}` : '']
            .filter(Boolean)
            .join(', ')}
          title={b.name}
          notice={notice}
          foot={`This batch as its sheet stood ${sayMoment(at, Date.now(), house.units)}, state ${b.sheetState ?? 1}; version ${b.versionNumber}. What is served with it from elsewhere is not in it.`}
        />
      </div>
    );
  });
}
