'use client';
/** In the band of every page: how much is not in the records yet; it opens to the list of it. */
import { CloudUpload } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../kit/button';
import { DialogPlate } from '../kit/dialog-plate';
import { Link } from '../kit/link';
import * as outbox from '../kit/outbox';
import { Press } from '../kit/press';
import { drop } from '../kit/send';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import { actWords } from './act-words';

/** Of an act: what it is, since when, what became of it, and what can be done with it. */
function ActRow({
  act,
  dropped,
  onDone,
  onDrop,
}: {
  readonly act: outbox.Queued;
  readonly dropped: boolean;
  readonly onDone: () => Promise<void>;
  readonly onDrop: (dropped: boolean) => void;
}) {
  const time = useTime();
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(`${actWords(act)}\n${JSON.stringify(act.input, null, 2)}`);
      toast('Copied');
    } catch {
      toast('It could not be copied: this browser does not allow it here');
    }
  };
  return (
    <li className="grid gap-1 border-b border-line py-2 last:border-b-0">
      <p>
        <strong>{actWords(act)}</strong>
        <span className="text-soft">, {time.andDay(act.at, Date.now())}</span>
      </p>
      <p className={act.refused ? 'font-semibold text-berry' : 'text-soft'}>
        {dropped ? 'Dropped: it does not go in.' : (act.refused ?? 'Waits for the records, and goes in by itself.')}
      </p>
      <div className="flex flex-wrap gap-2">
        {act.href ? (
          <Link href={act.href} className="inline-flex min-h-11 items-center px-2 font-semibold text-rim underline">
            Open its page
          </Link>
        ) : null}
        {act.refused && !dropped ? (
          <Button onClick={() => void outbox.markRefused(act, null).then(onDone)}>Send it again</Button>
        ) : null}
        <Button onClick={() => void copy()}>Copy it as text</Button>
        <Button look="bare" onClick={() => onDrop(!dropped)}>
          {dropped ? 'Put it back' : 'Drop it'}
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
  // what was dropped can be put back for as long as the list is open
  const [dropped, setDropped] = useState<readonly outbox.Queued[]>([]);
  const show = (to: boolean): void => {
    setOpen(to);
    setDropped([]);
  };
  const turn = async (a: outbox.Queued, to: boolean): Promise<void> => {
    await (to ? drop(a) : outbox.markRefused(a, a.refused));
    setDropped((all) => [...all.filter((x) => x.seq !== a.seq), ...(to ? [a] : [])]);
    await onDone();
  };
  const isDropped = (a: outbox.Queued): boolean => dropped.some((d) => d.seq === a.seq);
  const rows = [...acts.filter((a) => !isDropped(a)), ...dropped].sort((a, b) => a.at - b.at || a.seq - b.seq);
  const counted = acts.length === 1 ? '1 thing' : `${acts.length} things`;
  const refused = acts.some((a) => a.refused !== null);
  return (
    <>
      {acts.length > 0 ? (
        <Press
          className={`flex min-h-11 items-center gap-2 rounded-hold px-3 font-semibold text-white ${refused ? 'bg-berry' : 'bg-rim'}`}
          aria-label={`${counted} not in the records yet`}
          onClick={() => show(true)}
        >
          <CloudUpload size={18} aria-hidden />
          <span className="lg:hidden">{acts.length}</span>
          <span className="max-lg:hidden">{counted} not in the records yet</span>
        </Press>
      ) : null}
      <DialogPlate open={open} onOpen={show} title="Not in the records yet" wide={false}>
        {rows.length === 0 ? (
          <p>All of it is in the records now.</p>
        ) : (
          <ul>
            {rows.map((a) => (
              <ActRow key={a.seq} act={a} dropped={isDropped(a)} onDone={onDone} onDrop={(to) => void turn(a, to)} />
            ))}
          </ul>
        )}
      </DialogPlate>
    </>
  );
}
