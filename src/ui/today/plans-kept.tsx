'use client';
import { ArrowRight } from 'lucide-react';
import type { ActionResult } from '@/contract/action-result';
import { sayMoment } from '@/core/quantity/day';
import type { Units } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { lookOf } from '../kit/button';
import { DeleteButton } from '../kit/delete-button';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';

interface Row {
  readonly id: string;
  readonly formulaId: string;
  readonly name: string;
  readonly serveAt: Date | null;
}

/** Plans that are kept for later, the next to be served in front. */
export function PlansKept({
  plans,
  units,
  drop,
}: {
  readonly plans: readonly Row[];
  readonly units: Units;
  readonly drop: (input: unknown) => Promise<ActionResult>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  return (
    <section aria-labelledby="plans-kept" className="mb-6">
      <h2 id="plans-kept" className="mb-2 text-2xl">
        Planned
      </h2>
      <ul className="grid gap-2 lg:grid-cols-2">
        {plans.map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-plate bg-white px-4 py-3">
            <div className="min-w-48 flex-1">
              <h3 className="truncate text-xl">{p.name}</h3>
              <p className="text-sm text-soft">
                {p.serveAt ? `served ${sayMoment(p.serveAt.getTime(), Date.now(), units)}` : 'no time said yet'}; not
                begun
              </p>
            </div>
            <DeleteButton
              bare
              name={`the plan of ${p.name}`}
              label="Drop"
              says="The plan goes; the formula stays as it is."
              of={asking}
              onDelete={async () => {
                const a = await asking.ask(() =>
                  act('drop-plan', `the plan of ${p.name}, dropped`, drop, { id: p.id }),
                );
                if (a?.ok) refresh();
                return a?.ok === true;
              }}
            />
            <Link href={`/formulas/${p.formulaId}/plan?plan=${p.id}`} className={lookOf('plain', 'work')}>
              Open the plan
              <ArrowRight size={20} aria-hidden className="shrink-0" />
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
