'use client';
import { Check, X } from 'lucide-react';
import type { Proposal } from '@/core/balance/bench';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';

/**
 * What is proposed, why, and what it falls short of; taken or refused here. Other ways to the same end are a tap away.
 */
export function ProposalBar({
  proposals,
  at,
  onAt,
  onTake,
  onRefuse,
}: {
  readonly proposals: readonly Proposal[];
  readonly at: number;
  readonly onAt: (i: number) => void;
  readonly onTake: () => void;
  readonly onRefuse: () => void;
}) {
  const p = proposals[at];
  if (!p) return null;
  return (
    <section
      aria-label="Proposal"
      className="sticky top-1 z-20 mb-3 self-start rounded-hold border-2 border-rim bg-butter px-3 py-2.5"
    >
      <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
        <div className="min-w-0 flex-1 basis-64" aria-live="polite">
          <p className="font-sign text-lg leading-tight font-extrabold">{p.title}</p>
          <p className="text-[15px] leading-snug">{p.why}</p>
          {p.short ? <p className="mt-1 text-[15px] leading-snug font-semibold">{p.short}</p> : null}
        </div>
        <div className="flex gap-2">
          <Button onClick={onTake}>
            <Check size={18} aria-hidden />
            Take it
          </Button>
          <Button onClick={onRefuse}>
            <X size={18} aria-hidden />
            Refuse
          </Button>
        </div>
      </div>
      {proposals.length > 1 ? (
        <div className="mt-2">
          <Taps
            label="How it can be done"
            value={String(at)}
            onChange={(v) => v !== '' && onAt(Number(v))}
            options={proposals.map((x, i) => ({ value: String(i), label: x.title }))}
          />
        </div>
      ) : null}
    </section>
  );
}
