import type { Metadata } from 'next';
import { dropMeasure, keepWeighed, switchMeasure } from '@/app/pantry/actions';
import { uuidIn } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { cupFormula, shelf, version } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame';
import { Calibrate } from '@/ui/pantry/calibrate';
import { Measures } from '@/ui/pantry/measures';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'My measures' };

export default async function MeasuresPage({ searchParams }: { readonly searchParams: Promise<{ formula?: string | string[] }> }) {
  const asked = uuidIn((await searchParams).formula);
  const r = await reach(async () => {
    const [house, rows] = await Promise.all([loadHouse(), shelf()]);
    const id = rows.find((f) => f.id === asked)?.id ?? (await cupFormula()) ?? rows[0]?.id ?? null;
    return { house, rows, known: id === null ? null : await version(id, null) };
  });
  if (!r.up) return <AwayPage here="pantry" />;
  const { house, rows, known } = r.value;
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
          <Measures house={house} switchMeasure={switchMeasure} dropMeasure={dropMeasure} />
        </section>
      </div>
    </Frame>
  );
}
