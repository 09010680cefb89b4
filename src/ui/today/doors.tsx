'use client';
import { ClipboardPaste, Eye, PencilLine } from 'lucide-react';
import { useState } from 'react';
import type { Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { Link } from '../kit/link';
import { Press } from '../kit/press';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

interface Props {
  readonly empty: boolean;
  readonly demo: boolean;
  /** A formula of the demo to look at first; null: there is none. */
  readonly first: { readonly id: string; readonly name: string } | null;
  readonly look: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
  readonly clear: (input: unknown) => Promise<{ readonly ok: true; readonly file: string } | Refused>;
}

const DOOR = 'hold flex min-h-14 w-full flex-col items-start gap-1 !rounded-plate p-4 text-left hover:bg-wash';

/** The three ways in: a card, nothing, or a look around the demo. */
export function Doors({ empty, demo, first, look, clear }: Props) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [clearing, setClearing] = useState(false);
  const around = async (): Promise<void> => {
    const a = await asking.ask(() => look({}));
    if (a?.ok) refresh();
  };
  const begin = async (): Promise<void> => {
    const a = await asking.ask(() => clear({}));
    if (!a?.ok) return;
    setClearing(false);
    toast(`The kitchen is empty; what was in it is kept in ${a.file}`);
    refresh();
  };
  const third = (
    <>
      <span className="flex items-center gap-2 font-sign text-xl font-extrabold text-rim">
        <Eye size={22} aria-hidden />
        Look around the demo
      </span>
      {empty ? (
        <span className="text-[15px] text-soft">
          A boathouse’s formulas, stock and log, to try everything on; cleared away when you begin your own.
        </span>
      ) : null}
    </>
  );
  return (
    <section aria-label="Begin" className="mb-6">
      {empty ? (
        <>
          <h2 className="text-3xl">No formula yet</h2>
          <p className="mt-1 mb-3">Three ways to begin:</p>
        </>
      ) : null}
      <div className="grid gap-3 sm:grid-cols-3">
        <Link href="/formulas/new" className={`${DOOR} ${empty ? '!bg-butter' : ''}`}>
          <span className="flex items-center gap-2 font-sign text-xl font-extrabold text-rim">
            <ClipboardPaste size={22} aria-hidden />
            Paste or drop a card
          </span>
          {empty ? (
            <span className="text-[15px]">
              In cups or in grams, as it is: it is weighed, balanced and ready to scale.
            </span>
          ) : null}
        </Link>
        <Link href="/formulas/new?from=nothing" className={DOOR}>
          <span className="flex items-center gap-2 font-sign text-xl font-extrabold text-rim">
            <PencilLine size={22} aria-hidden />
            Begin from nothing
          </span>
          {empty ? (
            <span className="text-[15px] text-soft">Kind, style and flour give a balanced formula to change.</span>
          ) : null}
        </Link>
        {empty ? (
          <Press className={DOOR} disabled={asking.busy} onClick={() => void around()}>
            {third}
          </Press>
        ) : first ? (
          <Link href={`/formulas/${first.id}`} className={DOOR}>
            {third}
          </Link>
        ) : null}
      </div>
      <RefusalNotice text={clearing ? null : asking.refusal} />
      {demo && !empty ? (
        <p className="mt-2 text-[15px] text-soft">
          This is the demo kitchen.{' '}
          <Button look="bare" onClick={() => setClearing(true)}>
            Clear it and begin my own …
          </Button>
        </p>
      ) : null}
      <Dialog open={clearing} onOpen={setClearing} title="Clear the demo kitchen?">
        <p className="mb-3">
          All formulas, batches, stock and mixes in it go, yours too. A backup is kept first, under House, Records. How
          the house is set stays.
        </p>
        <div className="mb-3 empty:hidden">
          <RefusalNotice text={asking.refusal} />
        </div>
        <div className="flex gap-2">
          <Button look="stop" disabled={asking.busy} onClick={() => void begin()}>
            Clear it
          </Button>
          <Button onClick={() => setClearing(false)}>Keep it</Button>
        </div>
      </Dialog>
    </section>
  );
}
