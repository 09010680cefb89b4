'use client';
import { useRouter } from 'next/navigation';
import { Choice } from '../kit/choice';

/** Which formula a premix is the dry side of. */
export function ChooseFormula({
  id,
  formulas,
}: {
  readonly id: string | null;
  readonly formulas: readonly { readonly id: string; readonly name: string }[];
}) {
  const router = useRouter();
  if (formulas.length === 0) return <p>There is no formula yet: a premix is made of a formula.</p>;
  return (
    <div className="max-w-md">
      <Choice
        label="The dry side of"
        value={id ?? ''}
        placeholder="Choose a formula"
        onChange={(f) => router.push(`/premix/new?formula=${f}`)}
        options={formulas.map((f) => ({ value: f.id, label: f.name }))}
      />
    </div>
  );
}
