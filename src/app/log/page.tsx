import type { Metadata } from 'next';
import { cleanText } from '@/contract/clean';
import { type LogRow, VERDICT_WORDS, VERDICTS, type Verdict } from '@/core/batch/batch';
import { markName } from '@/core/batch/came-out';
import { trendOf } from '@/core/judge/came-back';
import { lateWords } from '@/core/judge/compare-batches';
import { sayWeekday } from '@/core/quantity/day';
import { minutesAndSeconds } from '@/core/quantity/say';
import { uuidIn } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { log } from '@/server/queries/batches';
import { lastMakings } from '@/server/queries/came-back';
import { loadHouse } from '@/server/queries/house';
import { cursorIn } from '@/server/queries/paging';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Button, lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { when } from '@/ui/kit/when';
import { LogFilterView } from '@/ui/log/filter';
import { TrendLine } from '@/ui/versions/makings';
import { TrendChart } from '@/ui/versions/trend-chart';

/** The kitchen's last makings, of which the trend is told. */
const TREND_OF = 30;

export const metadata: Metadata = { title: 'Log' };

const sides = (b: LogRow): string => {
  const t = (s: number | null): string => (s === null ? '–' : minutesAndSeconds(s));
  return b.firstSideS === null && b.secondSideS === null ? '' : `${t(b.firstSideS)} / ${t(b.secondSideS)}`;
};

/** When plates went, against when they were wanted. */
const plates = (b: LogRow): string =>
  b.timeline && b.timeline.anchor === 'last' && b.lastOffAt !== null
    ? lateWords((b.lastOffAt - b.timeline.at) / 60_000)
    : '';

export default async function LogPage({
  searchParams,
}: {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}) {
  const asked = await searchParams;
  const text = typeof asked.find === 'string' ? cleanText(asked.find).slice(0, 100) : '';
  const verdict: Verdict | null = VERDICTS.find((v) => v === asked.verdict) ?? null;
  const best = asked.best === '1';
  const formulaId = uuidIn(asked.formula);
  const after = cursorIn(asked.after);
  const r = await reach(() =>
    Promise.all([log({ text: text.trim(), verdict, best, formulaId, after }), loadHouse(), lastMakings(TREND_OF)]),
  );
  if (!r.up) return <AwayPage here="log" kind={r.kind} />;
  const [page, { units }, makings] = r.value;
  const filtered = text !== '' || verdict !== null || best || formulaId !== null || after !== null;
  const older = new URLSearchParams(
    Object.entries({
      find: text,
      verdict: verdict ?? '',
      best: best ? '1' : '',
      formula: formulaId ?? '',
      after: page.next ?? '',
    }).filter(([, v]) => v !== ''),
  );
  return (
    <Frame here="log">
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <h1 className="mr-auto text-[26px] max-sm:w-full">Log</h1>
        <Link href="/kept" className={`${lookOf('bare')} print:hidden`}>
          Kept
        </Link>
        <div className="flex flex-wrap items-center gap-3 print:hidden">
          <LogFilterView text={text} verdict={verdict ?? ''} best={best} />
        </div>
      </div>
      {!filtered && makings.length > 1 ? (
        <section aria-label="Lately" className="mb-3">
          <TrendLine trend={trendOf(makings)} />
          <details className="mt-1 print:hidden">
            <summary className="inline-block min-h-6 cursor-pointer font-semibold text-rim">As a chart</summary>
            <div className="pt-2">
              <TrendChart
                makings={makings.map((m) => ({
                  ...m,
                  label: sayWeekday(m.at.getTime(), units).replace(/^\S+ /, ''),
                  score: null,
                }))}
              />
            </div>
          </details>
        </section>
      ) : null}
      {page.rows.length === 0 ? (
        <section className="mt-10 max-w-xl">
          <p className="mb-4">
            {filtered
              ? 'No batch fits that.'
              : 'No batch has been made yet. Open a formula, scale it and start a batch; what comes out is written here.'}
          </p>
          <Link href={filtered ? '/log' : '/'} className={lookOf('plain')}>
            {filtered ? 'Show all batches' : 'To the formulas'}
          </Link>
        </section>
      ) : (
        <form action="/log/compare" method="get">
          <div className="overflow-x-auto">
            <table data-cards className="w-full min-[700px]:min-w-[900px] border-collapse text-left">
              <caption className="sr-only">Batches, the newest first</caption>
              <thead className="border-b-2 border-rim text-sm text-soft">
                <tr>
                  <th scope="col" className="w-11 print:hidden">
                    <span className="sr-only">To compare</span>
                  </th>
                  <th scope="col" className="py-2 pr-4">
                    Begun
                  </th>
                  <th scope="col" className="pr-4">
                    Formula
                  </th>
                  <th scope="col" className="pr-4 text-right">
                    Pieces, of planned
                  </th>
                  <th scope="col" className="pr-4">
                    Plates
                  </th>
                  <th scope="col" className="pr-4 text-right">
                    Sides, min:s
                  </th>
                  <th scope="col" className="pr-4">
                    How it was
                  </th>
                  <th scope="col" className="pr-4">
                    Note
                  </th>
                </tr>
              </thead>
              <tbody>
                {page.rows.map((b) => (
                  <tr key={b.id} className="border-b border-line align-top">
                    <td className="print:hidden">
                      <label className="grid size-11 cursor-pointer place-items-center">
                        <input type="checkbox" name="id" value={b.id} className="size-5 accent-rim" />
                        <span className="sr-only">
                          Compare {b.name}, {when(b.startedAt, units)}
                        </span>
                      </label>
                    </td>
                    <td data-label="Begun" className="py-2.5 pr-4 whitespace-nowrap text-soft">
                      {when(b.startedAt, units)}
                    </td>
                    <th scope="row" className="font-normal max-w-[16rem] py-2.5 pr-4">
                      <Link
                        href={`/batches/${b.id}/${b.finishedAt ? 'outcome' : 'prep'}`}
                        className="font-semibold text-rim underline [overflow-wrap:anywhere]"
                      >
                        {b.name}
                      </Link>
                      {b.versionNumber > 1 || b.exactness === 'eye' ? (
                        <Link
                          href={`/formulas/${b.formulaId}?version=${b.versionNumber}`}
                          className="block min-h-6 content-center text-sm text-soft underline"
                        >
                          version {b.versionNumber}
                          {b.exactness === 'eye' ? ', by eye' : ''}
                        </Link>
                      ) : null}
                    </th>
                    <td data-label="Pieces" className="py-2.5 pr-4 text-right whitespace-nowrap">
                      {b.pieces === null ? '' : <strong>{b.pieces}</strong>}
                      {b.piecesPlanned ? <span className="text-soft"> of {b.piecesPlanned}</span> : null}
                    </td>
                    <td data-label="Plates" className="py-2.5 pr-4 whitespace-nowrap">
                      {plates(b)}
                    </td>
                    <td data-label="Sides" className="py-2.5 pr-4 text-right whitespace-nowrap">
                      {sides(b)}
                    </td>
                    <td data-label="How it was" className="py-2.5 pr-4 whitespace-nowrap">
                      {b.putAway ? (
                        <span className="text-soft">given up</span>
                      ) : b.verdict ? (
                        <strong>{VERDICT_WORDS[b.verdict]}</strong>
                      ) : b.finishedAt ? (
                        <span className="text-soft">ended, no outcome</span>
                      ) : (
                        <span className="rounded bg-butter px-2 py-0.5 font-semibold">under way</span>
                      )}
                    </td>
                    <td data-label="Note" className="max-w-[26rem] py-2.5 [overflow-wrap:anywhere]">
                      {b.marks.length > 0 ? (
                        <span className="text-soft">{b.marks.map(markName).join(', ')}. </span>
                      ) : null}
                      {b.note}
                      {b.waste ? <span className="text-soft"> {b.waste} thrown away.</span> : null}
                      {b.change ? (
                        <span className="block">
                          <strong>Next time:</strong> {b.change}
                        </span>
                      ) : null}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {page.next ? (
            <p className="pt-3">
              <Link href={`/log?${older}`} className={lookOf('plain')}>
                Older batches
              </Link>
            </p>
          ) : null}
          <div className="sticky bottom-0 flex flex-wrap items-center gap-3 bg-enamel py-3 max-md:bottom-14 print:hidden">
            <Button type="submit">Compare the two that are ticked</Button>
          </div>
        </form>
      )}
    </Frame>
  );
}
