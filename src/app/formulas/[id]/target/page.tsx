import { notFound } from 'next/navigation';
import { saveTargetHere } from '@/app/actions';
import { photoAwayHere, photoBackHere, photoShowsHere } from '@/app/photos/actions';
import { titled } from '@/app/titled';
import { VERDICT_WORDS } from '@/core/batch/batch';
import { scoreOf, wantsAnything } from '@/core/judge/target';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { makingsOf } from '@/server/queries/came-back';
import { loadHouse } from '@/server/queries/house';
import { photosOf } from '@/server/queries/photos';
import { targetOf } from '@/server/queries/targets';
import { version } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { when } from '@/ui/kit/when';
import { Photographs } from '@/ui/shared/photographs';
import { TargetScore } from '@/ui/shared/target-score';
import { TargetForm } from '@/ui/versions/target-form';

export const generateMetadata = titled('formula', 'Target');

/** The pancake that is wanted of a formula, and how near its last making came. */
export default async function TargetPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () =>
    Promise.all([version(id, null), loadHouse(), targetOf(id), photosOf({ formula: id }), makingsOf(id)]),
  );
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [v, house, { target, revision }, photos, makings] = r.value;
  if (!v) notFound();
  const last = makings.find((m) => scoreOf(target, m).judged > 0);
  return (
    <Frame here="bench">
      <h1 className="mb-1 text-[26px] [overflow-wrap:anywhere]">
        <Link href={`/formulas/${id}`} className="underline decoration-line">
          {v.formula.name}
        </Link>
        : target
      </h1>
      <p className="mb-4 max-w-3xl text-soft">
        What you want it to be. Tap only what matters: each outcome is held against that, and the{' '}
        <Link className="font-semibold text-rim underline" href={`/formulas/${id}/history`}>
          history
        </Link>{' '}
        shows whether it comes nearer.
      </p>
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <TargetForm formulaId={id} target={target} revision={revision} save={saveTargetHere} />
        <div className="grid gap-4">
          {last && wantsAnything(target) ? (
            <TargetScore
              score={scoreOf(target, last)}
              title={`The making of ${when(last.at, house.units)}, version ${last.version}${last.verdict ? `, ${VERDICT_WORDS[last.verdict].toLowerCase()}` : ''}`}
            />
          ) : null}
          <Photographs
            title="Photographs of it"
            of={{ formula: id }}
            photos={photos}
            acts={{ away: photoAwayHere, back: photoBackHere, shows: photoShowsHere }}
          />
        </div>
      </div>
    </Frame>
  );
}
