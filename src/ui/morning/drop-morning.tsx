'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import { act } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { DeleteButton } from '../kit/delete-button';
import { toast } from '../kit/toast';

/** Gives up a morning; batches that were begun for it stay, each by itself. */
export function DropMorning({
  id,
  name,
  drop,
}: {
  readonly id: string;
  readonly name: string;
  readonly drop: (input: unknown) => Promise<ActionResult>;
}) {
  const router = useRouter();
  const asking = useAsking();
  return (
    <DeleteButton
      bare
      name={name}
      label="Give up"
      confirm="Give it up"
      says="Its plan goes. Batches that were begun for it stay, each by itself."
      of={asking}
      onDelete={async () => {
        const a = await asking.ask(() => act('drop-morning', `${name}, given up`, drop, { id }));
        if (!a?.ok) return false;
        toast(`${name}: given up`);
        router.push('/');
        return true;
      }}
    />
  );
}
