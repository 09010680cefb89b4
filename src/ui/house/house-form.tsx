'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Kitchen, Ways } from '@/core/formula/ways';
import type { Conventions } from '@/core/pantry/conventions';
import { CONVENTION_FIELDS, WAY_FIELDS } from '../bench/ways';
import { Choice } from '../kit/choice';
import { Notice } from '../kit/notice';

interface Props {
  readonly house: Kitchen;
  readonly save: (input: Pick<Kitchen, 'conventions' | 'ways'>) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;
}

const WHY: Readonly<Record<string, string>> = {
  cup: 'Sets spoons and pints with it.',
  flourFill: 'A cup of flour is 115 to 160 g by how it is filled.',
  egg: 'What “an egg” weighs without its shell.',
  salt: 'A teaspoon of flakes holds half of what fine salt does.',
  powder: 'How much soda “baking powder” carries, and how soon it works.',
  rest: 'What a rest gains in thickness, and what it loses in lift.',
  warmth: 'How thick it pours, and how fast the leavening runs.',
  whites: 'How much air folded whites bring.',
};

/** Where cooks differ, as this house has it. Each choice is kept as soon as it is made; formulas that say nothing follow. */
export function HouseForm({ house, save }: Props) {
  const [now, setNow] = useState<Pick<Kitchen, 'conventions' | 'ways'>>({ conventions: house.conventions, ways: house.ways });
  const [refusal, setRefusal] = useState<string | null>(null);
  const keep = async (next: typeof now): Promise<void> => {
    setNow(next);
    setRefusal(null);
    try {
      const answer = await save(next);
      if (answer.ok) toast('Kept for the whole house');
      else setRefusal(answer.message);
    } catch {
      setRefusal('Even Crumb does not answer just now. Choose again in a moment: it is not kept yet.');
    }
  };
  const row = (key: string, label: string, names: Readonly<Record<string, string>>, value: string, put: (v: string) => void) => (
    <div key={key} className="flex flex-wrap items-end gap-x-5 gap-y-1">
      <Choice label={label} value={value} onChange={put} options={Object.entries(names).map(([v, l]) => ({ value: v, label: l }))} />
      <p className="pb-2.5 text-[15px] text-soft">{WHY[key]}</p>
    </div>
  );
  return (
    <div className="grid max-w-3xl gap-6">
      <p className="text-soft">
        A formula that says nothing of its own follows these; the Bench lets each have its own. Schools of a kind (even, tall, crisp) are chosen with the
        formula.
      </p>
      {refusal ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : null}
      <section aria-label="Measures" className="grid gap-3">
        <h2 className="text-xl">Measures</h2>
        {Object.entries(CONVENTION_FIELDS).map(([k, f]) =>
          row(k, f.label, f.names, now.conventions[k as keyof Conventions], (v) => void keep({ ...now, conventions: { ...now.conventions, [k]: v } })),
        )}
      </section>
      <section aria-label="Ways of working" className="grid gap-3">
        <h2 className="text-xl">Ways of working</h2>
        {Object.entries(WAY_FIELDS).map(([k, f]) =>
          row(k, f.label, f.names, now.ways[k as keyof Ways], (v) => void keep({ ...now, ways: { ...now.ways, [k]: v } })),
        )}
      </section>
    </div>
  );
}
