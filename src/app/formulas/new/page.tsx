import type { Metadata } from 'next';
import { saveFormula } from '@/app/actions';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { loadHouse } from '@/server/house';
import { reach } from '@/server/pool';
import { Bench } from '@/ui/bench/bench';
import { AwayPage, Frame } from '@/ui/frame';

export const metadata: Metadata = { title: 'New formula' };

export default async function NewFormula() {
  const house = await reach(loadHouse);
  if (!house.up) return <AwayPage here="bench" />;
  return (
    <Frame here="bench">
      <h1 className="sr-only">New formula</h1>
      <Bench formulaId={null} formula={EMPTY_FORMULA} number={null} newest={null} house={house.value} save={saveFormula} />
    </Frame>
  );
}
