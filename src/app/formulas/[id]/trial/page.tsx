import { notFound } from 'next/navigation';
import { keepTrialHere } from '@/app/actions';
import { titled } from '@/app/titled';
import { scriptOfFormula } from '@/core/batch/script-of-formula';
import { kindIdOf, kitchenOf, schoolIdOf } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import { formulasDiffer } from '@/core/judge/differs';
import { nextTrials } from '@/core/judge/next-trial';
import { asTried } from '@/core/judge/trial';
import { actName } from '@/core/script/act';
import { canHeat, canTime } from '@/core/script/making';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { trialsOf } from '@/server/queries/trials';
import { version, versionsOf } from '@/server/queries/versions';
import { hadSoFar } from '@/server/usecases/trials';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { when } from '@/ui/kit/when';
import { TrialForm } from '@/ui/trials/trial-form';
import { Trials } from '@/ui/trials/trials-list';

export const generateMetadata = titled('formula', 'Try two ways');

interface Props {
  readonly params: Promise<{ id: string }>;
  /** A change that stands in the form at once: a line, and what it is to be. */
  readonly searchParams: Promise<{ line?: string | string[]; text?: string | string[] }>;
}

/** Earlier versions that are offered as a way. */
const VERSIONS_OFFERED = 12;
/** Proposals shown. */
const PROPOSED = 2;

/** Plans a trial of a formula: ways that differ in one thing, made side by side and tasted blind. */
export default async function TryPage({ params, searchParams }: Props) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const { line, text } = await searchParams;
  const r = await reach(async () => {
    const [v, house, trials, { rows }] = await Promise.all([
      version(id, null),
      loadHouse(),
      trialsOf(id),
      versionsOf(id),
    ]);
    const older = rows.filter((x) => x.number !== v?.number).slice(0, VERSIONS_OFFERED);
    const [had, was] = await Promise.all([
      hadSoFar(id, trials, house),
      Promise.all(older.map((x) => version(id, x.number))),
    ]);
    return { v, house, trials, had, was };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const { v, house, trials, had, was } = r.value;
  if (!v) notFound();
  const { formula } = v;
  const end = formula.ends?.[0].id ?? null;
  const made = scriptOfFormula(formula, house, end);
  const next = nextTrials(formula, had, house)
    .slice(0, PROPOSED)
    .flatMap(({ change, why }) => {
      const then = asTried(formula, change, new Map());
      return then && change.do === 'line'
        ? [{ key: change.key, text: change.text, why, moved: formulasDiffer(formula, then, house) }]
        : [];
    });
  const school = schoolOf(kindById(kindIdOf(formula, end)), schoolIdOf(formula, end));
  const begin = typeof line === 'string' && typeof text === 'string' ? { key: line, text } : null;
  return (
    <Frame here="bench">
      <h1 className="mb-1 text-[26px] [overflow-wrap:anywhere]">
        <Link href={`/formulas/${id}`} className="underline decoration-line">
          {formula.name}
        </Link>
        : try two ways
      </h1>
      <p className="mb-4 max-w-3xl text-soft">
        One thing is otherwise. Each way is made in a bowl with a letter, people taste without knowing which is which,
        and then the letters open.
      </p>
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <TrialForm
          key={begin ? `${begin.key} ${begin.text}` : 'new'}
          formulaId={id}
          versionId={v.versionId}
          name={formula.name}
          portionMl={formula.portionMl ?? usualPortionMl(school)}
          begin={begin}
          keep={keepTrialHere}
          offered={{
            lines: formula.entries
              .filter((e) => !e.off && e.text.trim() !== '')
              .map(({ key, text: t }) => ({ key, text: t })),
            acts: made.ok
              ? made.value.acts.flatMap((a) =>
                  canTime(a) || canHeat(a)
                    ? [{ id: a.id, name: actName(a), minutes: canTime(a), heat: canHeat(a) }]
                    : [],
                )
              : [],
            versions: was.flatMap((x) =>
              x
                ? [{ number: x.number, note: x.changeNote, moved: formulasDiffer(formula, x.formula, house, end) }]
                : [],
            ),
            ways: kitchenOf(formula, house).ways,
          }}
        />
        <Trials
          formulaId={id}
          next={next}
          trials={trials.map((t) => ({
            id: t.id,
            when: when(t.createdAt, house.units),
            version: t.versionNumber,
            tasters: t.tasters,
            opened: t.openedAt !== null,
          }))}
        />
      </div>
    </Frame>
  );
}
