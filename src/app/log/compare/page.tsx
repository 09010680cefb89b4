import type { Metadata } from 'next';
import { type Batch, waysOf } from '@/core/batch/batch';
import { kindById } from '@/core/formula/kinds';
import { standingOf } from '@/core/formula/ways';
import { besideEachOther, type MadeBatch, type SideBySide } from '@/core/judge/compare-batches';
import { type Photograph, SHOWS_WORDS, sideBySide } from '@/core/judge/photographs';
import { processOf } from '@/core/judge/process';
import { findIngredient } from '@/core/pantry/pantry';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { batchById } from '@/server/queries/batches';
import { tapsOf } from '@/server/queries/griddle';
import { loadHouse } from '@/server/queries/house';
import { photosOf } from '@/server/queries/photos';
import { versionOfBatch } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { when } from '@/ui/kit/when';
import { PhotoFigure } from '@/ui/shared/photo-figure';
import { CompareView } from '@/ui/versions/compare-view';

export const metadata: Metadata = { title: 'Two batches' };

/** Two batches side by side: what is different in the formula, in how they were made, and in what came of it. */
export default async function CompareBatchesPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ id?: string | string[] }>;
}) {
  const { id } = await searchParams;
  const ids = [...new Set(typeof id === 'string' ? [id] : (id ?? []))].filter(isUuid);
  const [first, second] = ids;
  const r = await reach(async () => {
    const house = await loadHouse();
    const load = async (x: string | undefined) => {
      const batch = x ? await batchById(x) : null;
      if (!batch) return null;
      const [v, taps, photos] = await Promise.all([
        versionOfBatch(batch),
        tapsOf(batch.id),
        photosOf({ batch: batch.id }),
      ]);
      return v ? { batch, formula: batch.swapped ?? v.formula, taps, photos } : null;
    };
    return { house, a: await load(first), b: await load(second) };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="log" />;
  const { house, a, b } = r.value;
  if (!a || !b || ids.length !== 2)
    return (
      <Frame here="log">
        <h1 className="mb-3 text-[26px]">Two batches side by side</h1>
        <p className="mb-4 text-lg">
          {ids.length > 2 ? `${ids.length} are ticked.` : ''} Tick two batches in the log, no more and no less.
        </p>
        <Link href="/log" className={lookOf('now', 'work')}>
          To the log
        </Link>
      </Frame>
    );
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const made = ({
    batch,
    taps,
  }: {
    readonly batch: Batch;
    readonly taps: Awaited<ReturnType<typeof tapsOf>>;
  }): MadeBatch => ({
    batch,
    process: processOf(batch, taps),
    batterC: standingOf(waysOf(batch, house), kindById(batch.kind)).batterC,
  });
  const { process, outcome } = besideEachOther(made(a), made(b), find, house.units);
  const side = (x: typeof a) => ({
    label: `${x.batch.name}, version ${x.batch.versionNumber}`,
    note: x.batch.swapped ? 'with a stand-in' : '',
    at: when(x.batch.startedAt, house.units),
    formula: x.formula,
    href: `/batches/${x.batch.id}/${x.batch.finishedAt ? 'outcome' : 'prep'}`,
  });
  return (
    <Frame here="log">
      <h1 className="mb-3 text-[26px]">Two batches side by side</h1>
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-2">
        <div className="grid gap-5">
          <Photos a={{ ...side(a), photos: a.photos }} b={{ ...side(b), photos: b.photos }} />
          <Rows title="What came of it" rows={outcome} a={side(a)} b={side(b)} />
          <Rows title="How it was made" rows={process} a={side(a)} b={side(b)} />
        </div>
        <div>
          <h2 className="mb-2 text-xl">The formula</h2>
          <CompareView house={house} a={side(a)} b={side(b)} />
        </div>
      </div>
    </Frame>
  );
}

interface Pictured {
  readonly label: string;
  readonly at: string;
  readonly photos: readonly Photograph[];
}

/** A face beside a face, a cut beside a cut. */
function Photos({ a, b }: { readonly a: Pictured; readonly b: Pictured }) {
  const pairs = sideBySide(a.photos, b.photos);
  if (pairs.length === 0) return null;
  return (
    <section aria-label="Photographs">
      <h2 className="mb-2 text-xl">Photographs</h2>
      <div className="grid grid-cols-2 gap-3">
        {[a, b].map((s) => (
          <p key={s.at + s.label} className="text-sm text-soft [overflow-wrap:anywhere]">
            <strong className="text-ink">{s.label}</strong>
            <span className="block">{s.at}</span>
          </p>
        ))}
        {pairs.flatMap((p) =>
          [
            { side: a, photo: p.a },
            { side: b, photo: p.b },
          ].map(({ side, photo }) => (
            <div key={`${side.at}${side.label}${p.a?.id}${p.b?.id}`}>
              {photo ? (
                <PhotoFigure photo={photo} name={`${SHOWS_WORDS[p.shows]}, ${side.label}, ${side.at}`} large />
              ) : (
                <p className="pt-2 text-soft">No {SHOWS_WORDS[p.shows].toLowerCase()} of this one.</p>
              )}
            </div>
          )),
        )}
      </div>
    </section>
  );
}

function Rows({
  title,
  rows,
  a,
  b,
}: {
  readonly title: string;
  readonly rows: readonly SideBySide[];
  readonly a: { readonly label: string; readonly at: string };
  readonly b: { readonly label: string; readonly at: string };
}) {
  return (
    <section aria-label={title}>
      <h2 className="mb-2 text-xl">{title}</h2>
      <table className="w-full border-collapse text-left">
        <thead className="border-b-2 border-rim text-sm text-soft">
          <tr>
            <th scope="col" className="py-1 pr-3">
              <span className="sr-only">what</span>
            </th>
            {[a, b].map((s) => (
              <th scope="col" key={s.at + s.label} className="w-[38%] py-1 pr-3 font-normal [overflow-wrap:anywhere]">
                <strong className="text-ink">{s.label}</strong>
                <span className="block">{s.at}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => {
            const other = r.a !== r.b;
            return (
              <tr key={r.name} className={`border-b border-line align-top ${other ? '' : 'text-soft'}`}>
                <th className="py-1.5 pr-3 font-semibold">{r.name}</th>
                <td className={`py-1.5 pr-3 [overflow-wrap:anywhere] ${other ? 'font-semibold' : ''}`}>{r.a || '–'}</td>
                <td className={`py-1.5 [overflow-wrap:anywhere] ${other ? 'font-semibold' : ''}`}>{r.b || '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
