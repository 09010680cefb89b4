'use client';
import { Check } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import type { Bench, Proposal } from '@/core/balance/bench';
import { BASIS_WORDS, type Finding, meantKey } from '@/core/findings/finding';
import { Button } from '../kit/button';
import { later, useLater, whenHere } from '../kit/later';
import { Notice } from '../kit/notice';

interface Props {
  readonly f: Finding;
  readonly bench: Bench;
  readonly onPropose: (proposals: readonly Proposal[]) => void;
  readonly onDismissed: (dismissed: readonly string[]) => void;
}

/** What works the fixes, and with them the solver: wanted once a finding stands that the server has not mended. */
const fixing = later(() => import('@/core/balance/fixes'));

/**
 * One finding with what mends it.
 * @param titles what is offered, where that was worked already: the fixes themselves are worked when one is asked for
 */
export function FindingView({ titles = null, ...props }: Props & { readonly titles?: readonly string[] | null }) {
  const { f, bench, onPropose } = props;
  const here = useLater(fixing, titles === null);
  // numbers first: fixes are worked out when the hand pauses
  const at = useDeferredValue(bench);
  const fixes = useMemo(() => (titles ? null : (here?.fixesFor(at, f) ?? null)), [here, titles, at, f]);
  return (
    <Told
      {...props}
      titles={titles ?? fixes?.map((p) => p.title) ?? []}
      onFix={(from) => {
        whenHere(fixing, ({ fixesFor }) => onPropose(turned(fixes ?? fixesFor(bench, f), from)));
      }}
    />
  );
}

/** A list from one of its own on, and round to it again. */
const turned = <T,>(list: readonly T[], from: number): readonly T[] => [...list.slice(from), ...list.slice(0, from)];

/** What it says, what it rests on, the titles of its fixes, and the answer that ends it. */
function Told({
  f,
  bench,
  titles: [first, ...others],
  onFix,
  onDismissed,
}: Pick<Props, 'f' | 'bench' | 'onDismissed'> & {
  readonly titles: readonly string[];
  readonly onFix: (from: number) => void;
}) {
  return (
    <Notice weight={f.severity}>
      <p className="leading-snug">
        {f.message} <span className="text-sm whitespace-nowrap text-soft">({BASIS_WORDS[f.basis]})</span>
      </p>
      <div className="mt-1.5 flex flex-wrap gap-2">
        {first ? (
          <Button look={f.severity === 'note' ? 'plain' : 'now'} className="!min-h-9" onClick={() => onFix(0)}>
            {first}
          </Button>
        ) : null}
        {others.length > 0 ? (
          <Button className="!min-h-9" onClick={() => onFix(1)}>
            {others.length === 1 ? others[0] : `${others.length} other ways`}
          </Button>
        ) : null}
        <Button
          look="bare"
          className={`!min-h-9 ${first ? '' : '-ml-3'}`}
          onClick={() => onDismissed([...bench.formula.dismissed, meantKey(f)])}
        >
          Leave it as it is
        </Button>
      </div>
    </Notice>
  );
}

/** The findings the cook has answered, quietly, with a way to take the answer back. */
export function AnsweredFindings({
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
          <Button
            look="bare"
            className="!min-h-9 !text-sm"
            onClick={() => onDismissed(bench.formula.dismissed.filter((m) => m !== meantKey(f)))}
          >
            Ask again
          </Button>
        </li>
      ))}
    </ul>
  );
}
