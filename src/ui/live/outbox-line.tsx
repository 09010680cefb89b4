'use client';
/** In the band of every page: how much is not in the records yet; it opens to the list of it. */
import { CloudUpload } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../kit/button';
import { DialogPlate } from '../kit/dialog-plate';
import { Link } from '../kit/link';
import * as outbox from '../kit/outbox';
import { Press } from '../kit/press';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import { actWords } from './act-words';

/** Of an act: what it is, since when, what became of it, and what can be done with it. */
function ActRow({ act, onDone }: { readonly act: outbox.Queued; readonly onDone: () => Promise<void> }) {
  const time = useTime();
  const copy = (): void =>
    void navigator.clipboard
      .writeText(`${actWords(act)}\n${JSON.stringify(act.input, null, 2)}`)
      .then(() => toast('Copied'));
  return (
    <li className="grid gap-1 border-b border-line py-2 last:border-b-0">
      <p>
        <strong>{actWords(act)}</strong>
        <span className="text-soft">, {time.andDay(act.at, Date.now())}</span>
      </p>
      <p className={act.refused ? 'font-semibold text-berry' : 'text-soft'}>
        {act.refused ?? 'Waits for the records, and goes in by itself.'}
      </p>
      <div className="flex flex-wrap gap-2">
        {act.href ? (
          <Link href={act.href} className="inline-flex min-h-11 items-center px-2 font-semibold text-rim underline">
            Open its page
          </Link>
        ) : null}
        {act.refused ? (
          <Button onClick={() => void outbox.markRefused(act, null).then(onDone)}>Send it again</Button>
        ) : null}
        <Button onClick={copy}>Copy it as text</Button>
        <Button look="bare" onClick={() => void outbox.letGo([act.seq]).then(onDone)}>
          Drop it
        </Button>
      </div>
    </li>
  );
}

export function OutboxLine({
  acts,
  onDone,
}: {
  readonly acts: readonly outbox.Queued[];
  readonly onDone: () => Promise<void>;
}) {
  const [open, setOpen] = useState(false);
  const counted = acts.length === 1 ? '1 thing' : `${acts.length} things`;
  const refused = acts.some((a) => a.refused !== null);
  return (
    <>
      {acts.length > 0 ? (
        <Press
          className={`flex min-h-11 items-center gap-2 rounded-hold px-3 font-semibold text-white ${refused ? 'bg-berry' : 'bg-rim'}`}
          aria-label={`${counted} not in the records yet`}
          onClick={() => setOpen(true)}
        >
          <CloudUpload size={18} aria-hidden />
          <span className="lg:hidden">{acts.length}</span>
          <span className="max-lg:hidden">{counted} not in the records yet</span>
        </Press>
      ) : null}
      <DialogPlate open={open} onOpen={setOpen} title="Not in the records yet" wide={false}>
        {acts.length === 0 ? (
          <p>All of it is in the records now.</p>
        ) : (
          <ul>
            {acts.map((a) => (
              <ActRow key={a.seq} act={a} onDone={onDone} />
            ))}
          </ul>
        )}
      </DialogPlate>
    </>
  );
}
