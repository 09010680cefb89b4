'use client';
import { useState } from 'react';
import { type Asking, RefusalNotice } from './asking';
import { Button } from './button';
import { Dialog } from './dialog';

/** A thing that goes is asked before. What follows, and the way back, is its owner's. */
export function DeleteButton({
  name,
  label = 'Delete',
  confirm = `${label} it`,
  says,
  of,
  bare = false,
  onDelete,
}: {
  readonly name: string;
  readonly label?: string;
  /** The button that does it. */
  readonly confirm?: string;
  /** What goes with it, and what stays. */
  readonly says: string;
  /** The asking that it is deleted by: what was refused, or that it waits, stands with it. */
  readonly of: Pick<Asking, 'busy' | 'refusal' | 'waits'>;
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
        <Button look="stop" size="work" disabled={of.busy} onClick={() => setOpen(true)}>
          {label} …
        </Button>
      )}
      <Dialog open={open} onOpen={setOpen} title={`${label} ${name}?`}>
        <p className="mb-3">{says}</p>
        <div className="mb-3 empty:hidden">
          <RefusalNotice text={open ? of.refusal : null} waits={open && of.waits} />
        </div>
        <div className="flex gap-2">
          <Button
            look="stop"
            disabled={of.busy}
            onClick={() =>
              void onDelete().then((gone) => {
                if (gone) setOpen(false);
              })
            }
          >
            {confirm}
          </Button>
          <Button onClick={() => setOpen(false)}>Keep it</Button>
        </div>
      </Dialog>
    </>
  );
}
