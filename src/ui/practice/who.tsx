'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Refused } from '../kit/answer';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { Choice } from '../kit/choice';
import { useSigned } from '../kit/signed';

export interface Learner {
  readonly id: string;
  readonly name: string;
}
/** An act of practice, as the server answers it. */
export type Send = (input: unknown) => Promise<{ readonly ok: true } | Refused>;
const WHO = 'practises';

/** Who practises at this screen: whoever has signed on it, or was chosen last; null: nobody is named. */
export function useLearner(people: readonly Learner[]): readonly [Learner | null, (id: string) => void] {
  const signed = useSigned();
  const [id, setId] = useState<string | null>(null);
  useEffect(() => {
    const had = copyOf(WHO);
    if (typeof had === 'string') setId(had);
  }, []);
  const choose = (to: string): void => {
    setId(to);
    keepCopy(WHO, to);
  };
  return [signed?.person ?? people.find((p) => p.id === id) ?? null, choose];
}

/** Asks who practises, where there is more than one to ask. */
export function WhoPractises({
  people,
  asked,
}: {
  readonly people: readonly Learner[];
  /** Whose progress the page shows now. */
  readonly asked: string | null;
}) {
  const router = useRouter();
  const signed = useSigned();
  const [who, choose] = useLearner(people);
  // what was chosen last is shown, where the address names nobody
  useEffect(() => {
    if (asked === null && who && !signed) router.replace(`/practice?who=${who.id}`);
  }, [asked, who, signed, router]);
  if (signed || people.length === 0) return null;
  return (
    <Choice
      label="Who practises"
      value={who?.id ?? ''}
      placeholder="nobody by name"
      onChange={(id) => {
        choose(id);
        router.replace(`/practice?who=${id}`);
      }}
      options={people.map((p) => ({ value: p.id, label: p.name }))}
    />
  );
}
