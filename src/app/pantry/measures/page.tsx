import type { Metadata } from 'next';
import { dropMeasure, keepWeighed, measureBack, switchMeasure } from '@/app/pantry/actions';
import { uuidIn } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { cupFormula, fillingOwnWay, formulaShelf } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { version } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Calibrate } from '@/ui/pantry/calibrate';
import { Measures } from '@/ui/pantry/measures';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'My measures' };

/** Formulas to see the difference on: those used lately. */
const FORMULAS_OFFERED = 200;

export default async function MeasuresPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ formula?: string | string[] }>;
}) {
  const asked = uuidIn((await searchParams).formula);
  const r = await reach(async () => {
    const [house, { rows }, filling] = await Promise.all([
      loadHouse(),
      formulaShelf({}, FORMULAS_OFFERED),
      fillingOwnWay(),
    ]);
    const known = (asked === null ? null : await version(asked, null)) ?? null;
    const id = known ? null : ((await cupFormula()) ?? rows[0]?.id ?? null);
    const shown = known ?? (id === null ? null : await version(id, null));
    // one asked for by its address is offered, however long ago it was used
    const more =
      shown && !rows.some((f) => f.id === shown.formulaId) ? [{ id: shown.formulaId, name: shown.formula.name }] : [];
    return { house, rows: [...more, ...rows], known: shown, filling };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  const { house, rows, known, filling } = r.value;
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px]">My measures</h1>
      <PantryParts here="measures" />
      <div className="grid gap-8">
        <div>
          <h2 className="mb-2 text-xl">Weigh a measure</h2>
          <Calibrate
            house={house}
            formulas={rows.map((f) => ({ id: f.id, name: f.name }))}
            formula={known && { id: known.formulaId, formula: known.formula }}
            keepWeighed={keepWeighed}
            switchMeasure={switchMeasure}
          />
        </div>
        <section aria-label="What is weighed">
          <h2 className="mb-2 text-xl">What is weighed</h2>
          <Measures
            house={house}
            filling={filling}
            switchMeasure={switchMeasure}
            dropMeasure={dropMeasure}
            bringBack={measureBack}
          />
        </section>
      </div>
    </Frame>
  );
}
