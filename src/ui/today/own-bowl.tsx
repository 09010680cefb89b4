'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import type { WithoutBowl } from '@/core/balance/without';
import type { Saved } from '@/core/formula/version';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Form } from '../kit/form';
import { NOT_KEPT } from './begin.state';

export interface OwnBowlProps {
  readonly bowl: WithoutBowl;
  /** What it comes from, as its history says. */
  readonly from: string;
  /** What is found of it that was not of the first. */
  readonly found: readonly string[];
  readonly save: (input: unknown) => Promise<ActionResult<{ readonly saved: Saved }>>;
  /** Where to go with it: an address with `NOT_KEPT` for its id. */
  readonly to: string;
}

/** A bowl of the same for who does without something: what changes, and one press that keeps it as a formula. */
export function OwnBowl({ bowl, from, found, save, to }: OwnBowlProps) {
  const router = useRouter();
  const asking = useAsking();
  const keep = async (): Promise<void> => {
    const a = await asking.ask(
      (requestId) =>
        act('save-formula', bowl.formula.name, save, {
          formulaId: null,
          basedOn: null,
          knownNewest: null,
          formula: bowl.formula,
          changeNote: from,
          requestId,
        }),
      true,
    );
    if (a?.ok) router.push(to.replace(NOT_KEPT, a.saved.formulaId));
  };
  return (
    <section aria-label={bowl.formula.name} className="grid justify-items-start gap-2 rounded-plate bg-white p-4">
      <h3 className="text-lg [overflow-wrap:anywhere]">{bowl.formula.name}</h3>
      <ul className="list-disc pl-5">
        {bowl.swaps.map((s) => (
          <li key={s}>{s}</li>
        ))}
        {bowl.leftOut.map((s) => (
          <li key={s}>no {s}</li>
        ))}
      </ul>
      <p className="text-soft">
        {bowl.swaps.length > 0 ? 'The other amounts change too. ' : ''}
        {[...found, ...bowl.cautions].join(' ')}
      </p>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <Form act={keep}>
        <Button type="submit" look="now" size="work" disabled={asking.busy}>
          Make this bowl
        </Button>
      </Form>
    </section>
  );
}
