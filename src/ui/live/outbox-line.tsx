'use client';
/** In the band of every page: how much is not in the records yet; it opens to the list of it. */
import { CloudUpload, PencilLine } from 'lucide-react';
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
import { dropDraft, type LeftDraft } from './left-drafts';

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

/** A form that was typed and not sent: its page, since when, and what can be done with it. */
function DraftRow({
  draft,
  dropped,
  onDrop,
}: {
  readonly draft: LeftDraft;
  readonly dropped: boolean;
  readonly onDrop: (dropped: boolean) => void;
}) {
  const time = useTime();
  return (
    <li className="grid gap-1 border-b border-line py-2 last:border-b-0">
      <p>
        <strong>{draft.words || 'A form'}</strong>
        <span className="text-soft">, {time.andDay(draft.at, Date.now())}</span>
      </p>
      <p className="text-soft">
        {dropped ? 'Dropped: its page opens as it is in the records.' : 'Typed, and not sent.'}
      </p>
      <div className="flex flex-wrap gap-2">
        {dropped ? null : (
          <Link href={draft.href} className="inline-flex min-h-11 items-center px-2 font-semibold text-rim underline">
            Go on with it
          </Link>
        )}
        <Button look="bare" onClick={() => onDrop(!dropped)}>
          {dropped ? 'Put it back' : 'Drop it'}
        </Button>
      </div>
    </li>
  );
}

/** What of a list stays in sight after it was dropped, so that it can be put back for as long as the list is open. */
function useDropped<T>(list: readonly T[], same: (a: T, b: T) => boolean) {
  const [dropped, setDropped] = useState<readonly T[]>([]);
  const is = (x: T): boolean => dropped.some((d) => same(d, x));
  return {
    is,
    rows: [...list.filter((x) => !is(x)), ...dropped],
    mark: (x: T, to: boolean) => setDropped((all) => [...all.filter((d) => !same(d, x)), ...(to ? [x] : [])]),
    forget: () => setDropped([]),
  };
}

const counted = (n: number, one: string, several: string): string => `${n} ${n === 1 ? one : several}`;

export function OutboxLine({
  acts,
  drafts,
  onDone,
}: {
  readonly acts: readonly outbox.Queued[];
  readonly drafts: readonly LeftDraft[];
  readonly onDone: () => Promise<void>;
}) {
  const [open, setOpen] = useState(false);
  const act = useDropped(acts, (a, b) => a.seq === b.seq);
  const draft = useDropped(drafts, (a, b) => a.name === b.name && a.tab === b.tab);
  const show = (to: boolean): void => {
    setOpen(to);
    act.forget();
    draft.forget();
  };
  const turnAct = async (a: outbox.Queued, to: boolean): Promise<void> => {
    await (to ? drop(a) : outbox.markRefused(a, a.refused));
    act.mark(a, to);
    await onDone();
  };
  const turnDraft = async (d: LeftDraft, to: boolean): Promise<void> => {
    await dropDraft(d, to);
    draft.mark(d, to);
    await onDone();
  };
  const rows = [...act.rows].sort((a, b) => a.at - b.at || a.seq - b.seq);
  const typed = [...draft.rows].sort((a, b) => a.at - b.at);
  const waits = acts.length > 0;
  const says = waits
    ? `${counted(acts.length, 'thing', 'things')} not in the records yet`
    : `${counted(drafts.length, 'form', 'forms')} typed, not sent`;
  const look = waits ? `text-white ${acts.some((a) => a.refused !== null) ? 'bg-berry' : 'bg-rim'}` : 'text-rim';
  return (
    <>
      {waits || drafts.length > 0 ? (
        <Press
          className={`flex min-h-11 items-center gap-2 rounded-hold px-3 font-semibold ${look}`}
          aria-label={says}
          onClick={() => show(true)}
        >
          {waits ? <CloudUpload size={18} aria-hidden /> : <PencilLine size={18} aria-hidden />}
          <span className="lg:hidden">{waits ? acts.length : drafts.length}</span>
          <span className="max-lg:hidden">{says}</span>
        </Press>
      ) : null}
      <DialogPlate open={open} onOpen={show} title="Not in the records yet" wide={false}>
        {rows.length + typed.length === 0 ? <p>All of it is in the records now.</p> : null}
        <ul>
          {rows.map((a) => (
            <ActRow key={a.seq} act={a} dropped={act.is(a)} onDone={onDone} onDrop={(to) => void turnAct(a, to)} />
          ))}
          {typed.map((d) => (
            <DraftRow
              key={`${d.name}@${d.tab}`}
              draft={d}
              dropped={draft.is(d)}
              onDrop={(to) => void turnDraft(d, to)}
            />
          ))}
        </ul>
      </DialogPlate>
    </>
  );
}
