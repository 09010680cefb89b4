'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';

/** Begins a morning: its schedule stands from now on, and what is done is marked on its board. */
export function BeginMorning({
  id,
  name,
  place,
}: {
  readonly id: string;
  readonly name: string;
  readonly place: (input: unknown) => Promise<ActionResult>;
}) {
  const router = useRouter();
  const asking = useAsking();
  const begin = async (): Promise<void> => {
    const a = await asking.ask(() => act('place-morning', `${name}, begun`, place, { id }), true);
    if (a?.ok) router.push(`/mornings/${id}/board`);
  };
  return (
    <>
      <Button disabled={asking.busy} onClick={() => void begin()}>
        Begin the morning
      </Button>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </>
  );
}
