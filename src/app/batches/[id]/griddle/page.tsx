import { wantOthers } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { titled } from '@/app/titled';
import { batterLife, lifeOf } from '@/core/batch/mixes';
import { fadeOf } from '@/core/batter/standing';
import { batchCautions } from '@/core/day/cautions';
import { findIngredient, ingredient } from '@/core/pantry/pantry';
import { inTheBowl, meansInBowl } from '@/core/prep/correct';
import { foamed } from '@/core/script/read';
import { dialReadings, tapsOf } from '@/server/queries/griddle';
import { batchesAt, boardFactsOf, dayOf, mapsInUse, touchedBefore } from '@/server/usecases/day';
import { Board } from '@/ui/griddle/board';
import { TouchedNotice } from '@/ui/griddle/notices';
import { Cautions } from '@/ui/kit/cautions';
import { Link } from '@/ui/kit/link';
import { eventLogFrom } from '@/ui/live/event-log-from';

export const generateMetadata = titled('batch', 'Griddle');

export default async function GriddlePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'griddle', async (b, house) => {
    const [taps, day, dials, places] = await Promise.all([tapsOf(b.id), dayOf(b, house), dialReadings(), mapsInUse()]);
    const { analysis, standing, script, pourings } = day.bowl;
    const facts = boardFactsOf(b, day, house, places);
    const find = (id: string) => findIngredient(id, house.conventions.own);
    const lines = inTheBowl(b, 1, find);
    const whites = foamed(script);
    const surfaces = pourings.flatMap((p) => p.surfaces);
    const touched = await touchedBefore(
      b,
      house,
      surfaces.map((s) => s.id),
    );
    const lit = house.gear.filter((g) => surfaces.some((s) => s.id === g.id));
    const beside = await Promise.all(lit.map(batchesAt));
    const shared = b.finishedAt ? [] : lit.filter((_, n) => beside[n]?.some((x) => x.id !== b.id));
    return (
      <>
        <TouchedNotice
          touched={touched.map((t) => ({
            ...t,
            id: `${t.surface} ${t.batchId}`,
            where: surfaces.find((s) => s.id === t.surface)?.name ?? '',
            of: null,
          }))}
        />
        {shared.length > 0 ? (
          <p className="mb-3 flex flex-wrap items-center gap-x-4 text-[15px]">
            Other batches are made here too. All on one screen:
            {shared.map((g) => (
              <Link
                key={g.id}
                href={`/griddles/${encodeURIComponent(g.id)}`}
                className="inline-flex min-h-11 items-center font-semibold text-rim underline"
              >
                {g.name}
              </Link>
            ))}
          </p>
        ) : null}
        <Board
          {...facts}
          means={meansInBowl(
            lines,
            find('milk-whole') ?? ingredient('milk-whole'),
            find('flour-all-purpose') ?? ingredient('flour-all-purpose'),
          )}
          things={Object.fromEntries(
            b.sheet.flatMap((l) => (l.parts ?? []).flatMap((p) => [find(p.id) ?? []].flat().map((i) => [i.id, i]))),
          )}
          measured={{ exactness: b.exactness, conventions: house.conventions, drawer: house.drawer }}
          ways={day.ways}
          life={lifeOf(analysis, whites)}
          batterLife={batterLife(analysis)}
          whites={whites}
          fade={analysis.thickness ? fadeOf(lines, { paS: analysis.thickness.paS, batterC: standing.batterC }) : []}
          dials={dials}
          checks={day.ways.check === 'second'}
          first={eventLogFrom(b, taps)}
          want={wantOthers}
        />
        <Cautions list={batchCautions(b, 'griddle', day.ways, house, find)} />
      </>
    );
  });
}
