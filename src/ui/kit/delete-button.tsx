'use client';
import { useState } from 'react';
import { RefusalNotice } from './asking';
import { Button } from './button';
import { Dialog } from './dialog';

/** A thing that goes is asked before. What follows, and the way back, is its owner's. */
export function DeleteButton({
  name,
  label = 'Delete',
  says,
  busy,
  refusal,
  bare = false,
  onDelete,
}: {
  readonly name: string;
  readonly label?: string;
  /** What goes with it, and what stays. */
  readonly says: string;
  readonly busy: boolean;
  readonly refusal: string | null;
  readonly bare?: boolean;
  /** @returns whether it is gone */
  readonly onDelete: () => Promise<boolean>;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      {bare ? (
        <Button look="bare" aria-label={`${label} ${name}`} onClick={() => setOpen(true)}>
          {label}
        </Button>
      ) : (
        <Button look="stop" size="work" disabled={busy} onClick={() => setOpen(true)}>
          {label} …
        </Button>
      )}
      <Dialog open={open} onOpen={setOpen} title={`${label} ${name}?`}>
        <p className="mb-3">{says}</p>
        <div className="mb-3 empty:hidden">
          <RefusalNotice text={open ? refusal : null} />
        </div>
        <div className="flex gap-2">
          <Button
            look="stop"
            disabled={busy}
            onClick={() =>
              void onDelete().then((gone) => {
                if (gone) setOpen(false);
              })
            }
          >
            {label} it
          </Button>
          <Button onClick={() => setOpen(false)}>Keep it</Button>
        </div>
      </Dialog>
    </>
  );
}
