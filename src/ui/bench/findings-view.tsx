'use client';
import { Check } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { meantKey } from '@/core/analyse';
import type { Bench, Proposal } from '@/core/balance/bench';
import { fixesFor } from '@/core/balance/fixes';
import { BASIS_WORDS, type Finding } from '@/core/findings/finding';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';

interface Props {
  readonly bench: Bench;
  readonly onPropose: (proposals: readonly Proposal[]) => void;
  readonly onDismissed: (dismissed: readonly string[]) => void;
}

/** One finding: what it says, what it rests on, its fixes, and the answer that ends it. */
export function FindingView({ f, bench, onPropose, onDismissed }: Props & { readonly f: Finding }) {
  // numbers first: fixes are worked out when the hand pauses
  const at = useDeferredValue(bench);
  const fixes = useMemo(() => fixesFor(at, f), [at, f]);
  const [first, ...others] = fixes;
  return (
    <Notice weight={f.severity}>
      <p className="leading-snug">
        {f.message} <span className="text-sm whitespace-nowrap text-soft">({BASIS_WORDS[f.basis]})</span>
      </p>
      <div className="mt-1.5 flex flex-wrap gap-2">
        {first ? (
          <Button look={f.severity === 'note' ? 'plain' : 'now'} className="!min-h-9" onClick={() => onPropose(fixes)}>
            {first.title}
          </Button>
        ) : null}
        {others.length > 0 ? (
          <Button className="!min-h-9" onClick={() => onPropose([...others, ...fixes.slice(0, 1)])}>
            {others.length === 1 ? others[0]?.title : `${others.length} other ways`}
          </Button>
        ) : null}
        <Button look="bare" className={`!min-h-9 ${fixes.length === 0 ? '-ml-3' : ''}`} onClick={() => onDismissed([...bench.formula.dismissed, meantKey(f)])}>
          Leave it as it is
        </Button>
      </div>
    </Notice>
  );
}

/** The findings the cook has answered, quietly, with a way to take the answer back. */
export function Answered({
  dismissed,
  bench,
  onDismissed,
}: {
  readonly dismissed: readonly Finding[];
  readonly bench: Bench;
  readonly onDismissed: Props['onDismissed'];
}) {
  return (
    <ul className="grid gap-1">
      {dismissed.map((f) => (
        <li key={`${f.code} ${f.message}`} className="flex items-start gap-2 text-[15px] text-soft">
          <Check size={16} aria-hidden className="mt-1 shrink-0" />
          <span className="flex-1">{f.message}</span>
          <Button look="bare" className="!min-h-9 !text-sm" onClick={() => onDismissed(bench.formula.dismissed.filter((m) => m !== meantKey(f)))}>
            Ask again
          </Button>
        </li>
      ))}
    </ul>
  );
}
