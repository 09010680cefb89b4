'use client';
import type { ReactNode } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { factorSaid, lessonName, lessonUse, offSaid, saysOtherwise, type TaughtLesson } from '@/core/learn/lessons';
import { LEAST_BATCHES } from '@/core/learn/rule';
import { capital, counted } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';
import { LessonDots } from './lesson-dots';

interface Told {
  readonly batchId: string;
  readonly batch: string;
  readonly morningId?: string;
  readonly ratio: number;
  readonly says: string;
  readonly aside: TaughtLesson['told'][number]['aside'];
  readonly when: string;
}
type Shown = Omit<TaughtLesson, 'told'> & { readonly told: readonly Told[] };
type Send = (input: unknown) => Promise<ActionResult>;

/** How many batches, or dishes of mornings, say it. */
function batchesSaid(n: number, id: TaughtLesson['id']): string {
  const [one, several] = id === 'appetite' ? ['dish of a morning', 'dishes of mornings'] : ['batch', 'batches'];
  return n === 1 ? `one ${one}` : `${n === 0 ? 'no' : n} ${several}`;
}

/** Why a number has no switch, or what it would have done for the past. */
function standing(l: Shown): string {
  const counts = l.told.filter((t) => t.aside === null).length;
  if (!l.now) {
    const more = LEAST_BATCHES - counts;
    return `${capital(batchesSaid(counts, l.id))} so far: ${more} more and it can be told.`;
  }
  const off =
    l.offBefore === null || l.offWith === null
      ? ''
      : `Foretold without it a batch was off by ${offSaid(l.id, l.offBefore)}; with what the others say, by ${offSaid(l.id, l.offWith)}.`;
  return l.offered || l.used ? off : `${off} That is not clearly better: nothing is offered.`;
}

function LessonPart({ l, use, setAside }: { readonly l: Shown; readonly use: Send; readonly setAside: Send }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const name = lessonName(l.id);
  const ask = async (doing: string, send: Parameters<typeof asking.ask>[0]): Promise<void> => {
    const a = await asking.ask(send);
    if (!a?.ok) return;
    toast(doing);
    refresh();
  };
  const turn = (on: boolean): Promise<void> =>
    ask(on ? `${name}: used from now on` : `${name}: used no more`, () =>
      act('use-lesson', `${name}: ${on ? 'use it' : 'use it no more'}`, use, {
        lesson: l.id,
        use: on,
        from: l.now?.from ?? 0,
      }),
    );
  const put = (t: Told, aside: boolean): Promise<void> =>
    ask(aside ? 'Set aside' : 'Counts again', () =>
      act('lesson-aside', `${name}: ${t.batch}`, setAside, { lesson: l.id, batchId: t.batchId, aside }),
    );
  const isNew = l.now !== null && l.used !== null && saysOtherwise({ ...l, told: [] });
  return (
    <section aria-label={name} className="grid content-start gap-2 rounded-plate bg-white p-5">
      <h2 className="text-xl">{name}</h2>
      <p className="text-2xl font-semibold">
        {l.used ? (
          <>
            {factorSaid(l.id, l.used.factor)}{' '}
            <span className="text-base font-normal text-soft">in use, from {batchesSaid(l.used.from, l.id)}</span>
          </>
        ) : l.now ? (
          <>
            {factorSaid(l.id, l.now.factor)}{' '}
            <span className="text-base font-normal text-soft">here, from {batchesSaid(l.now.from, l.id)}</span>
          </>
        ) : (
          <span className="text-base font-normal text-soft">Not known yet</span>
        )}
      </p>
      <LessonDots
        name={name}
        told={l.told.map((t) => ({ ratio: t.ratio, counts: t.aside === null }))}
        factor={(l.used ?? l.now)?.factor ?? null}
      />
      <p className="text-[15px]">{standing(l)}</p>
      {isNew && l.now ? (
        <p className="flex flex-wrap items-center gap-x-3 text-[15px]">
          <span>
            {capital(batchesSaid(l.now.from, l.id))} now say {factorSaid(l.id, l.now.factor)}.
          </span>
          {l.offered ? (
            <Button disabled={asking.busy} onClick={() => void turn(true)}>
              Use that
            </Button>
          ) : null}
        </p>
      ) : null}
      {l.offered || l.used ? (
        <div>
          <Switch label={`use it ${lessonUse(l.id)}`} on={l.used !== null} onSwitch={(on) => void turn(on)} />
        </div>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <details>
        <summary className="w-fit cursor-pointer rounded font-semibold text-rim">What each batch said</summary>
        <ul className="mt-1 grid">
          {l.told.map((t) => (
            <li key={t.batchId} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1 text-[15px]">
              <span className={`min-w-0 flex-1 ${t.aside ? 'text-soft' : ''}`}>
                <Link
                  href={t.morningId ? `/mornings/${t.morningId}/close` : `/batches/${t.batchId}/outcome`}
                  className="font-semibold text-rim underline"
                >
                  {t.batch}
                </Link>
                , {t.when}: {t.says}
                {t.aside === 'too far off' ? '. Too far from the others: it does not count.' : ''}
                {t.aside === 'by hand' ? '. Set aside by hand.' : ''}
              </span>
              {t.aside === 'too far off' || t.morningId ? null : (
                <Button
                  look="bare"
                  disabled={asking.busy}
                  aria-label={`${t.aside ? 'Count again' : 'Set aside'}: ${t.batch}, ${t.when}`}
                  onClick={() => void put(t, t.aside === null)}
                >
                  {t.aside ? 'Count it again' : 'Set it aside'}
                </Button>
              )}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

/** Every number that the records can teach, with its switch. */
export function LearnedView({
  lessons,
  foretold,
  batches,
  use,
  setAside,
  children,
}: {
  readonly lessons: readonly Shown[];
  readonly foretold: {
    readonly numbers: number;
    readonly within: number;
    readonly missed: readonly {
      readonly key: string;
      readonly batchId: string;
      readonly batch: string;
      readonly when: string;
      readonly says: string;
    }[];
  };
  readonly batches: number;
  readonly use: Send;
  readonly setAside: Send;
  /** Surfaces, drawn by taps. */
  readonly children: ReactNode;
}) {
  return (
    <div className="grid gap-4">
      <p className="max-w-3xl">
        {lessons.length === 0
          ? 'Nothing yet. Count the pieces, time a side, measure height and width in an outcome: three batches that say the same can be learned from.'
          : `From the ${batches === 1 ? 'one batch' : `newest ${batches} batches`} with an outcome. Nothing is used before you switch it on.`}{' '}
        {foretold.numbers > 0
          ? `Foretold and then measured: ${foretold.within} of ${counted(foretold.numbers, 'numbers')} lay where a plan said; eight of ten should.`
          : ''}
      </p>
      {foretold.missed.length > 0 ? (
        <details className="max-w-3xl">
          <summary className="w-fit cursor-pointer rounded font-semibold text-rim">
            What was foretold wrong lately
          </summary>
          <ul className="mt-1 grid gap-1 text-[15px]">
            {foretold.missed.map((m) => (
              <li key={m.key}>
                <Link href={`/batches/${m.batchId}/outcome`} className="font-semibold text-rim underline">
                  {m.batch}
                </Link>
                , {m.when}: {m.says}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      <div className="grid gap-4 lg:grid-cols-2">
        {lessons.map((l) => (
          <LessonPart key={l.id} l={l} use={use} setAside={setAside} />
        ))}
        {children}
      </div>
      <p className="max-w-3xl text-[15px] text-soft">
        Estimates of ours, corrected by your batches: a start, never a promise. How brown it is, how long whites hold
        and how fast a powder fades are not learned yet.
      </p>
    </div>
  );
}
