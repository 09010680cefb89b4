import type { Metadata } from 'next';
import { saveFormula } from '@/app/actions';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { Bench } from '@/ui/bench/bench';
import { Frame } from '@/ui/frame';

export const metadata: Metadata = { title: 'New formula' };

export default function NewFormula() {
  return (
    <Frame here="bench">
      <h1 className="sr-only">New formula</h1>
      <Bench formulaId={null} formula={EMPTY_FORMULA} number={null} newest={null} versions={[]} save={saveFormula} />
    </Frame>
  );
}
