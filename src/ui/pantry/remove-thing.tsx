'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { answerOf } from '../kit/answer';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { Notice } from '../kit/notice';

/** Takes an ingredient of the kitchen's own out, after saying who uses it. */
export function RemoveThing({
  id,
  name,
  usedIn,
  remove,
}: {
  readonly id: string;
  readonly name: string;
  readonly usedIn: readonly string[];
  readonly remove: (input: unknown) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;
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
    toast(`${name} is out of the pantry`);
    router.push('/pantry');
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Take it out of the pantry</Button>
      <Dialog open={open} onOpen={setOpen} title={`Take out ${name}?`}>
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
            Take it out
          </Button>
          <Button onClick={() => setOpen(false)}>Leave it</Button>
        </div>
      </Dialog>
    </>
  );
}
