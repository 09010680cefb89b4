import type { Metadata } from 'next';
import { tapPieces, untapPiece, wantOthers } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { analyse } from '@/core/analyse';
import { lifeOf } from '@/core/batch/mixes';
import { spreadOf } from '@/core/batter/spread';
import { fadeOf } from '@/core/batter/standing';
import { kindById } from '@/core/formula/kinds';
import { standingOf } from '@/core/formula/ways';
import { surfacesFor } from '@/core/griddle/board';
import { timesFor } from '@/core/griddle/times';
import { findIngredient } from '@/core/pantry/pantry';
import { bowlLines, wentIn } from '@/core/prep/weigh';
import { earlierSides, tapsOf } from '@/server/griddle';
import { Board } from '@/ui/griddle/board';

export const metadata: Metadata = { title: 'Griddle' };

/** Across a piece where the batter says nothing, cm. */
const USUAL_ACROSS_CM = 10;

export default async function GriddlePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'griddle', async (b, house) => {
    const [taps, earlier] = await Promise.all([tapsOf(b.id), earlierSides(b)]);
    const kind = kindById(b.kind);
    const lines = wentIn(bowlLines(b.sheet, 1), b.weights, (id) => findIngredient(id, house.conventions.own));
    const a = analyse(lines, b.kind, b.school, { standing: standingOf(house.ways, kind) });
    const { thickness, standing } = a;
    const across = thickness && b.portionMl ? spreadOf(kind, thickness.paS, b.portionMl)?.diameterCm : undefined;
    const fade = thickness ? fadeOf(lines, { paS: thickness.paS, batterC: standing.batterC }) : [];
    return (
      <Board
        batch={b}
        surfaces={surfacesFor(house.gear, b.kind, across ?? USUAL_ACROSS_CM)}
        known={timesFor(b.kind, earlier)}
        life={lifeOf(a)}
        fade={fade}
        first={taps}
        send={tapPieces}
        drop={untapPiece}
        want={wantOthers}
      />
    );
  });
}
