import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { keepTryHere } from '@/app/actions';
import { gearFor } from '@/core/batter/surface';
import { kindIdOf } from '@/core/formula/formula';
import { freePlay } from '@/core/practice/free';
import { lessonById, lessonOf } from '@/core/practice/lessons';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { kitchenPeople } from '@/server/queries/people';
import { version } from '@/server/queries/versions';
import { mapsInUse } from '@/server/usecases/day';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { Trainer } from '@/ui/practice/trainer';

interface Props {
  readonly params: Promise<{ lesson: string }>;
  /** Free play: a formula, and a surface. */
  readonly searchParams: Promise<{ formula?: string | string[]; on?: string | string[] }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: lessonById((await params).lesson)?.title ?? 'Free play' };
}

const word = (v: string | string[] | undefined): string | null => (typeof v === 'string' ? v : null);

export default async function LessonPage({ params, searchParams }: Props) {
  const { lesson: id } = await params;
  const asked = await searchParams;
  const lesson = lessonById(id);
  if (!lesson && id !== 'free') notFound();
  const formulaId = word(asked.formula);
  if (!lesson && (!formulaId || !isUuid(formulaId))) notFound();
  const r = await reach(async () => {
    const [house, people] = await Promise.all([loadHouse(), kitchenPeople()]);
    const v = formulaId && isUuid(formulaId) ? await version(formulaId, null) : null;
    const of = lesson
      ? lessonOf(lesson, house.gear)
      : v && freePlay(v.formula, house, word(asked.on), await mapsInUse());
    const others =
      v && !lesson ? gearFor(house.gear, kindIdOf(v.formula, null)).filter((g) => g.id !== of?.surface.id) : [];
    return {
      of,
      others: others.map(({ id, name }) => ({ id, name })),
      name: v?.formula.name ?? '',
      people: people.map((p) => ({ id: p.id, name: p.name })),
    };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="practice" />;
  const { of, others, name, people } = r.value;
  return (
    <Frame here="practice" atWork>
      <p>
        <Link href="/practice" className="inline-flex min-h-10 items-center font-semibold text-rim underline">
          Practice
        </Link>
      </p>
      <h1 className="mb-3 text-[26px] [overflow-wrap:anywhere]">{lesson?.title ?? `Free play: ${name}`}</h1>
      {others.length > 0 ? (
        <p className="mb-3 flex flex-wrap items-center gap-x-4">
          On another surface:
          {others.map((g) => (
            <Link
              key={g.id}
              href={`/practice/free?formula=${formulaId ?? ''}&on=${encodeURIComponent(g.id)}`}
              className="inline-flex min-h-11 items-center font-semibold text-rim underline"
            >
              {g.name}
            </Link>
          ))}
        </p>
      ) : null}
      {of ? (
        <Trainer
          key={`${id} ${of.surface.id}`}
          lessonId={lesson?.id ?? null}
          of={of}
          people={people}
          keep={keepTryHere}
        />
      ) : (
        <Notice weight="look">
          This one can’t be practised here: it is no flat cake or crepe, lies over 8 mm, or its pour is not known.
        </Notice>
      )}
    </Frame>
  );
}
