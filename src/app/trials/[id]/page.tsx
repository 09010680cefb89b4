import { notFound } from 'next/navigation';
import { beginTrialHere, dropTrialHere, openTrialHere, saveFormula } from '@/app/actions';
import { titled } from '@/app/titled';
import { faceOf } from '@/core/judge/photographs';
import { lastWords, tastedOf } from '@/core/judge/taste';
import { bowlsBeside, reasonOf } from '@/core/judge/trial';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { photosOfBatches } from '@/server/queries/photos';
import { ballotsOf, bowlsOf } from '@/server/queries/trials';
import { bowlsToWrite, trialWithWays } from '@/server/usecases/trials';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { BeginTrial, DropTrial, MakeVersion, OpenTrial } from '@/ui/trials/trial-acts';
import { BowlsMade, InTheBowls, TrialResult } from '@/ui/trials/trial-view';

export const generateMetadata = titled('trial', 'Trial');

/** A trial: its bowls for who mixes, who has tasted, and what came of it once the letters are open. */
export default async function TrialPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const house = await loadHouse();
    const open = await trialWithWays(id, house);
    if (!open) return null;
    const made = await bowlsOf(id);
    const [ballots, photos, sheets] = await Promise.all([
      ballotsOf(id),
      photosOfBatches(made.map((b) => b.batchId)),
      bowlsToWrite(open, house, 'no'),
    ]);
    return { house, open, made, ballots, photos, sheets };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  if (!r.value) notFound();
  const { house, open, made, ballots, photos, sheets } = r.value;
  const { trial, of, ways } = open;
  const { plan, openedAt } = trial;
  const tasters = lastWords(ballots).map((b) => b.taster);
  const tasted = tastedOf(
    ways.map((w) => w.bowl),
    ballots,
  );
  const begun = made.length > 0;
  const bowls = made.map((b) => ({ ...b, photo: faceOf(photos.get(b.batchId) ?? []) }));
  const name = `the trial of ${trial.name}`;
  return (
    <Frame here="bench">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="min-w-0 text-[26px] [overflow-wrap:anywhere]">
          Trial of{' '}
          <Link href={`/formulas/${trial.formulaId}`} className="underline decoration-line">
            {trial.name}
          </Link>
        </h1>
        <p className="text-lg text-soft">version {trial.versionNumber}</p>
      </div>
      <div className={`grid items-start gap-x-8 gap-y-4 ${begun ? 'lg:grid-cols-2' : 'max-w-3xl'}`}>
        <div className="grid gap-4">
          {!plan || ways.length !== plan.ways.length ? (
            <Notice weight="stop">
              A line or a version that this trial changes is gone: its bowls can’t be worked.
            </Notice>
          ) : null}
          {openedAt ? (
            <TrialResult
              ways={ways}
              tasted={tasted}
              bowls={bowls}
              takes={(w) =>
                w.moved.length === 0 ? null : (
                  <MakeVersion
                    formulaId={trial.formulaId}
                    basedOn={of.number}
                    newest={of.newest}
                    formula={w.formula}
                    reason={reasonOf(w, tasted)}
                    says={`Make bowl ${w.bowl} the new version`}
                    save={saveFormula}
                  />
                )
              }
            />
          ) : begun ? (
            <section aria-label="Tasting" className="grid gap-3 rounded-plate bg-white p-4">
              <h2 className="text-2xl">Tasting</h2>
              <p className="text-lg">
                {tasters.length === 0
                  ? 'Nobody has tasted yet.'
                  : `${tasters.join(', ')} ${tasters.length === 1 ? 'has' : 'have'} tasted.`}{' '}
                {plan?.maker ? `${plan.maker} mixed, and does not taste.` : ''}
              </p>
              <div className="flex flex-wrap gap-3">
                <Link href={`/trials/${id}/taste`} className={lookOf('now', 'work')}>
                  Taste
                </Link>
                {tasters.length > 0 ? <OpenTrial id={id} name={name} now={false} open={openTrialHere} /> : null}
              </div>
              <p className="text-soft">
                The tasters’ screen shows letters alone; it opens on any screen of the kitchen. Once the letters are
                open nobody tastes on.
              </p>
            </section>
          ) : sheets.ok ? (
            <BeginTrial id={id} name={name} begin={beginTrialHere} />
          ) : (
            <Notice weight="stop">{sheets.error}</Notice>
          )}
          {begun ? <BowlsMade bowls={bowls} /> : null}
          {openedAt ? (
            <p>
              <Link href={`/formulas/${trial.formulaId}/trial`} className="font-semibold text-rim underline">
                What is worth trying next
              </Link>
            </p>
          ) : null}
        </div>
        {plan ? (
          <InTheBowls
            ways={ways}
            rows={sheets.ok ? bowlsBeside(sheets.value.map((w) => w.batch.sheet)) : []}
            pieces={plan.pieces}
            open={!begun || openedAt !== null}
            opened={openedAt !== null}
            units={house.units}
          />
        ) : null}
      </div>
      <div className="mt-6">
        <DropTrial
          opened={openedAt !== null}
          id={id}
          name={name}
          drop={dropTrialHere}
          to={`/formulas/${trial.formulaId}/trial`}
        />
      </div>
    </Frame>
  );
}
