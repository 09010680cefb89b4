'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import { act } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { DeleteButton } from '../kit/delete-button';
import { toast } from '../kit/toast';
import { toastUndoAct } from '../kit/undo';

/** Takes an ingredient of the kitchen's own out, after saying who uses it. */
export function RemoveThing({
  id,
  name,
  usedIn,
  packet,
  back,
  remove,
}: {
  readonly id: string;
  readonly name: string;
  readonly usedIn: readonly string[];
  /** What stands on its packet, and how it is kept again. */
  readonly packet: unknown;
  readonly back: (input: unknown) => Promise<ActionResult>;
  readonly remove: (input: unknown) => Promise<ActionResult>;
}) {
  const router = useRouter();
  const asking = useAsking();
  const go = async (): Promise<boolean> => {
    const a = await asking.ask(() => act('remove-ingredient', `${name} deleted`, remove, { id }));
    if (!a?.ok) return false;
    toastUndoAct(
      `${name} is deleted`,
      () => act('keep-ingredient', name, back, { id: null, name, packet, seen: null }),
      () => {
        toast(`${name} is back; count what there is of it`);
        router.push(`/pantry/${id}`);
      },
    );
    router.push('/pantry');
    return true;
  };
  return (
    <DeleteButton
      name={name}
      says={
        usedIn.length > 0
          ? `${usedIn.slice(0, 5).join(', ')}${usedIn.length > 5 ? ` and ${usedIn.length - 5} more` : ''} ${usedIn.length === 1 ? 'uses' : 'use'} it: those lines will ask what is meant. Nothing on them is lost.`
          : 'No formula uses it. Its stock and measures go with it.'
      }
      of={asking}
      onDelete={go}
    />
  );
}
