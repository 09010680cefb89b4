'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { answerOf } from '../kit/answer';
import { Button } from '../kit/button';

import { Dialog } from '../kit/dialog';
import { Notice } from '../kit/notice';
import { toast, toastUndo } from '../kit/toast';

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
  readonly back: (input: unknown) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;
  readonly remove: (
    input: unknown,
  ) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const go = async (): Promise<void> => {
    const a = await answerOf(() => remove({ id }), 'Nothing was changed.');
    if (!a.ok) {
      setRefusal(a.message);
      return;
    }
    toastUndo(`${name} is deleted`, async () => {
      const kept = await back({ id: null, name, packet, seen: null });
      toast(kept.ok ? `${name} is back; count what there is of it` : kept.message);
      if (kept.ok) router.push(`/pantry/${id}`);
    });
    router.push('/pantry');
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Delete this ingredient</Button>
      <Dialog open={open} onOpen={setOpen} title={`Delete ${name}?`}>
        <p className="mb-3">
          {usedIn.length > 0
            ? `${usedIn.slice(0, 5).join(', ')}${usedIn.length > 5 ? ` and ${usedIn.length - 5} more` : ''} ${usedIn.length === 1 ? 'uses' : 'use'} it: those lines will ask what is meant. Nothing on them is lost.`
            : 'No formula uses it. Its stock and measures go with it.'}
        </p>
        {refusal ? (
          <div className="mb-3">
            <Notice weight="stop" role="alert">
              {refusal}
            </Notice>
          </div>
        ) : null}
        <div className="flex gap-2">
          <Button look="stop" onClick={() => void go()}>
            Delete
          </Button>
          <Button onClick={() => setOpen(false)}>Leave it</Button>
        </div>
      </Dialog>
    </>
  );
}
