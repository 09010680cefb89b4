/** A trial as it stands: what is in each bowl for who mixes, who has tasted, and, opened, what came of it. */
import { VERDICT_WORDS, type Verdict } from '@/core/batch/batch';
import { markName, type Scales, scalesInWords } from '@/core/batch/came-out';
import type { Photograph } from '@/core/judge/photographs';
import { type BowlLetter, type Tasted, tastedInWords, tastersFor } from '@/core/judge/taste';
import { type BowlRow, type TriedWay, tooMuchMoved, wayInWords } from '@/core/judge/trial';
import { counted, grams, type Units } from '@/core/quantity/say';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';
import { TableHead } from '../kit/table-head';
import { unbroken } from '../kit/unbroken';
import { PhotoFigure } from '../shared/photo-figure';

const dash = (g: number | null, u: Units): string => (g === null ? '–' : grams(g, u));

/** What each bowl holds; what all share can be weighed at once. Only who mixes looks here. */
export function InTheBowls({
  ways,
  rows,
  pieces,
  open,
  opened,
  units,
}: {
  readonly ways: readonly TriedWay[];
  readonly rows: readonly BowlRow[];
  readonly pieces: number;
  readonly open: boolean;
  /** The letters are. */
  readonly opened: boolean;
  readonly units: Units;
}) {
  return (
    <details open={open || undefined} className="rounded-plate bg-white p-4">
      <summary className="cursor-pointer text-xl font-bold">
        In the bowls{' '}
        {opened ? null : (
          <span className="text-base font-normal text-soft">for who mixes; who tastes does not look</span>
        )}
      </summary>
      <ul className="mt-3 grid gap-1">
        {ways.map((w) => (
          <li key={w.bowl} className="text-lg [overflow-wrap:anywhere]">
            <strong>Bowl {w.bowl}:</strong> {unbroken(wayInWords(w))}
            {tooMuchMoved(w) ? (
              <div className="mt-1 text-base">
                <Notice weight="look">{tooMuchMoved(w)}</Notice>
              </div>
            ) : null}
          </li>
        ))}
      </ul>
      {rows.length > 0 ? (
        <div className="mt-3 overflow-x-auto">
          <table className="w-full">
            <TableHead
              columns={['Line', ...ways.map((w) => ({ right: `Bowl ${w.bowl}` })), { right: 'weighed together' }]}
            />
            <tbody>
              {rows.map((r) => (
                <tr key={r.key} className={`border-b border-line ${r.togetherG === null ? 'font-semibold' : ''}`}>
                  <th scope="row" className="py-1 pr-3 text-left font-[inherit] [overflow-wrap:anywhere]">
                    {r.name}
                  </th>
                  {ways.map((w, n) => (
                    <td key={w.bowl} className="py-1 pr-3 text-right whitespace-nowrap tabular-nums">
                      {dash(r.each[n] ?? null, units)}
                    </td>
                  ))}
                  <td className="py-1 text-right whitespace-nowrap tabular-nums">
                    {r.togetherG === null ? 'each by itself' : grams(r.togetherG, units)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      {opened ? null : (
        <p className="mt-2 text-soft">
          About {counted(pieces, 'pieces')} of each. Put the letter on each bowl, and serve the pieces by their letters.
        </p>
      )}
    </details>
  );
}

/** A batch of one bowl. */
interface BowlMade {
  readonly batchId: string;
  readonly bowl: BowlLetter;
  readonly pieces: number | null;
  readonly verdict: Verdict | null;
  readonly marks: readonly string[];
  readonly scales: Scales;
  readonly note: string;
  readonly finishedAt: Date | null;
  readonly putAway: boolean;
  readonly photo: Photograph | null;
}

const A = 'inline-block min-h-6 font-semibold text-rim underline';

/** The batches of the bowls, and where each is worked at. */
export function BowlsMade({ bowls }: { readonly bowls: readonly BowlMade[] }) {
  return (
    <ul aria-label="The bowls" className="divide-y divide-line border-y border-line">
      {bowls.map((b) => (
        <li key={b.batchId} className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-2">
          <strong className="text-lg">Bowl {b.bowl}</strong>
          {b.putAway ? (
            <span>given up</span>
          ) : b.finishedAt ? (
            <span>{b.verdict ? VERDICT_WORDS[b.verdict] : 'made'}</span>
          ) : (
            <>
              <Link className={A} href={`/batches/${b.batchId}/prep`}>
                Weigh it in
              </Link>
              <Link className={A} href={`/batches/${b.batchId}/griddle`}>
                Griddle
              </Link>
            </>
          )}
          <Link className={A} href={`/batches/${b.batchId}/outcome`}>
            Outcome, photographs
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** The letters open: what each bowl was, how many chose it, and how often chance does the same. */
export function TrialResult({
  ways,
  tasted,
  bowls,
  takes,
}: {
  readonly ways: readonly TriedWay[];
  readonly tasted: Tasted;
  readonly bowls: readonly BowlMade[];
  /** What makes a way the formula's new version; null: it is as written. */
  readonly takes: (w: TriedWay) => React.ReactNode;
}) {
  const more = tasted.verdict === 'clear' ? null : tastersFor(tasted);
  const first = (bowl: BowlLetter): number => tasted.picks.find((p) => p.bowl === bowl)?.first ?? 0;
  const ranked = [...ways].sort((a, b) => first(b.bowl) - first(a.bowl) || a.bowl.localeCompare(b.bowl));
  return (
    <section aria-label="What came of it" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-2xl">What came of it</h2>
      <p className="text-xl leading-snug">{unbroken(tastedInWords(tasted))}</p>
      {more === null ? null : (
        <p className="text-soft">With {more} tasters who have a preference the same share would be a clear winner.</p>
      )}
      <ul className="divide-y divide-line border-t border-line">
        {ranked.map((w) => {
          const made = bowls.find((b) => b.bowl === w.bowl);
          const said = made ? [...scalesInWords(made.scales), ...made.marks.map((m) => markName(m))] : [];
          return (
            <li key={w.bowl} className={`py-3 ${made?.photo ? 'grid grid-cols-[1fr_6rem] gap-x-3' : ''}`}>
              <div className="grid content-start gap-1">
                <p className="text-lg [overflow-wrap:anywhere]">
                  <strong>Bowl {w.bowl}</strong> was {unbroken(wayInWords(w))}:{' '}
                  <strong>{first(w.bowl) === 0 ? 'nobody chose it' : `${first(w.bowl)} chose it`}</strong>
                </p>
                {made && (made.verdict || said.length > 0) ? (
                  <p className="text-[15px]">
                    {[made.verdict ? VERDICT_WORDS[made.verdict] : '', ...said].filter(Boolean).join(', ')}
                  </p>
                ) : null}
                {tooMuchMoved(w) ? <Notice weight="look">{tooMuchMoved(w)}</Notice> : null}
                {takes(w)}
              </div>
              {made?.photo ? <PhotoFigure photo={made.photo} name={`Bowl ${w.bowl}`} /> : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
