import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { forgetTriesHere } from '@/app/actions';
import { senderOf } from '@/app/way-in';
import { DRILL_WORDS, DRILLS } from '@/core/practice/drills';
import { freePlay } from '@/core/practice/free';
import { LESSONS } from '@/core/practice/lessons';
import { practiceProgress } from '@/core/practice/progress';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { kitchenPeople } from '@/server/queries/people';
import { triesOf, triesOfClass } from '@/server/queries/practice';
import { newestVersions } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { ClassView, ProgressView } from '@/ui/practice/progress-view';
import { WhoPractises } from '@/ui/practice/who';

export const metadata: Metadata = { title: 'Practice' };

/** Formulas that are looked through for free play: the model has something to say of flat ones alone. */
const LOOKED_THROUGH = 40;
const OFFERED = 8;

interface Props {
  readonly searchParams: Promise<{ who?: string | string[] }>;
}

/** Lessons at the practice griddle, drills of a minute, free play, and how it goes. */
export default async function PracticePage({ searchParams }: Props) {
  const asked = (await searchParams).who;
  const sender = senderOf(await headers());
  const r = await reach(async () => {
    const [house, people, versions] = await Promise.all([loadHouse(), kitchenPeople(), newestVersions()]);
    const named = typeof asked === 'string' && isUuid(asked) ? asked : null;
    // on a device that somebody has signed on it is theirs alone
    const who = sender.person ?? (people.some((p) => p.id === named) ? named : null);
    const formulas = versions
      .slice(0, LOOKED_THROUGH)
      .filter((v) => freePlay(v.formula, house, null, {}) !== null)
      .slice(0, OFFERED);
    return { people, who, formulas, tries: await triesOf(who), all: sender.may === 'lead' ? await triesOfClass() : [] };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="practice" />;
  const { people, who, formulas, tries, all } = r.value;
  const progress = practiceProgress(tries);
  const name = people.find((p) => p.id === who)?.name ?? '';
  const taught = people
    .filter((p) => all.some((t) => t.personId === p.id))
    .map((p) => ({ id: p.id, name: p.name, progress: practiceProgress(all.filter((t) => t.personId === p.id)) }));
  const card = 'grid content-start gap-1 rounded-plate border-2 border-edge bg-white p-4 hover:bg-wash';
  return (
    <Frame here="practice">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-[26px]">Practice</h1>
          <p className="max-w-2xl text-soft">
            A griddle to learn on: nothing burns, and no batter goes. Its signs are estimates; a real griddle has its
            own times.
          </p>
        </div>
        <WhoPractises people={people.map((p) => ({ id: p.id, name: p.name }))} asked={who} />
      </div>
      {progress.next ? (
        <p className="mb-4 text-lg">
          Next:{' '}
          <Link href={progress.next.to} className="font-semibold text-rim underline">
            {progress.next.what}
          </Link>
        </p>
      ) : null}
      <h2 className="mb-2 text-xl">Lessons</h2>
      <ol className="mb-6 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {LESSONS.map((l, n) => {
          const own = progress.lessons[n];
          return (
            <li key={l.id} className="grid">
              <Link href={`/practice/${l.id}`} className={card}>
                <strong className="text-lg text-rim">
                  {n + 1}. {l.title}
                </strong>
                <span className="text-[15px]">{l.aim}</span>
                <span className="text-sm text-soft">
                  {own?.best === null || !own
                    ? 'not tried yet'
                    : `${own.passed ? 'passed' : 'not passed yet'}; best ${Math.round(100 * own.best)} of 100 in ${own.tries} ${own.tries === 1 ? 'try' : 'tries'}`}
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
      <h2 className="mb-2 text-xl">Drills, a minute each</h2>
      <ul className="mb-6 grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        {DRILLS.map((id, n) => {
          const own = progress.drills[n];
          return (
            <li key={id} className="grid">
              <Link href={`/practice/drill/${id}`} className={card}>
                <strong className="text-rim">{DRILL_WORDS[id].title}</strong>
                <span className="text-sm text-soft">
                  {own?.right === null || !own ? DRILL_WORDS[id].says : `${Math.round(100 * own.right)} % right lately`}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
      {formulas.length > 0 ? (
        <>
          <h2 className="mb-2 text-xl">Free play, with your own</h2>
          <ul className="mb-6 flex flex-wrap gap-x-6 gap-y-1">
            {formulas.map((v) => (
              <li key={v.formulaId}>
                <Link
                  href={`/practice/free?formula=${v.formulaId}`}
                  className="inline-flex min-h-11 items-center font-semibold text-rim underline"
                >
                  {v.formula.name}
                </Link>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <div className="grid gap-6">
        <ProgressView name={name} personId={who} progress={progress} forget={forgetTriesHere} />
        {taught.length > 0 ? <ClassView rows={taught} /> : null}
      </div>
    </Frame>
  );
}
