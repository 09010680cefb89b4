'use client';
import { useState } from 'react';
import type { PersonMark } from '@/core/morning/people';
import { PersonMarkIcon } from '../drawings/person-mark';
import { SignForm } from '../frame/sign-form';
import { Press } from '../kit/press';
import { forgetCopies } from '../live/kept-copy';

interface Signer {
  readonly id: string;
  readonly name: string;
  readonly mark: PersonMark;
}

/** Who signs here: a name is tapped, its PIN typed. @param to the page that was asked for */
export function SignView({ people, to }: { readonly people: readonly Signer[]; readonly to: string }) {
  const [who, setWho] = useState<Signer | null>(people.length === 1 ? (people[0] ?? null) : null);
  return (
    <div className="grid gap-4 rounded-plate bg-white p-4">
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset lays out no row in every browser */}
      <div role="group" aria-label="Who are you?" className="flex flex-wrap gap-2">
        {people.map((p) => (
          <Press
            key={p.id}
            aria-pressed={who?.id === p.id}
            onClick={() => setWho(p)}
            className={`hold flex min-h-14 items-center gap-2 px-4 text-lg font-semibold ${who?.id === p.id ? 'bg-wash !border-rim' : ''}`}
          >
            <PersonMarkIcon mark={p.mark} />
            {p.name}
          </Press>
        ))}
      </div>
      {who ? (
        <SignForm
          key={who.id}
          person={who}
          then={() => void forgetCopies().finally(() => window.location.assign(to))}
        />
      ) : null}
    </div>
  );
}
