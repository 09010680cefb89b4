'use client';
import { useState } from 'react';
import type { BatchSack } from '@/core/premix/recall';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { useCopied } from '../kit/drafts';
import { Field } from '../kit/field';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

/** Codes on the packets a batch is mixed from, so that a recalled packet leads to it; nobody has to note any. */
export function PacketCodes({
  batchId,
  things,
  noted,
  note,
}: {
  readonly batchId: string;
  readonly things: readonly { readonly id: string; readonly name: string }[];
  readonly noted: readonly BatchSack[];
  readonly note: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [open, setOpen] = useState(false);
  const [draft, setDraft, drop] = useCopied<{ readonly typed: Readonly<Record<string, string>> }>(
    `packets:${batchId}`,
    () => ({ typed: {} }),
  );
  const was = (id: string): string => noted.find((n) => n.id === id)?.lot ?? '';
  const changed = things.filter((t) => (draft.typed[t.id] ?? was(t.id)).trim() !== was(t.id));
  const send = async (): Promise<void> => {
    const sacks = changed.map((t) => ({ ...t, lot: (draft.typed[t.id] ?? '').trim() }));
    const a = await asking.ask((requestId) =>
      act('note-sacks', 'codes of packets', note, { batchId, sacks, requestId }),
    );
    if (!a?.ok) return;
    drop();
    toast('Noted');
    refresh();
  };
  return (
    <details
      className="mx-auto mt-5 max-w-5xl rounded-plate bg-white p-4 print:hidden"
      open={open}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">
        Codes on the packets{noted.length > 0 ? ` (${noted.length} noted)` : ''}
      </summary>
      <p className="text-soft">
        Where a packet is called back, its code then leads to this batch. Two packets: a comma between.
      </p>
      <div className="mt-2 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {things.map((t) => (
          <Field
            key={t.id}
            label={t.name}
            maxLength={200}
            value={draft.typed[t.id] ?? was(t.id)}
            onChange={(e) => {
              asking.touched();
              setDraft({ typed: { ...draft.typed, [t.id]: e.target.value } });
            }}
          />
        ))}
      </div>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <Button size="work" className="mt-3" disabled={asking.busy || changed.length === 0} onClick={() => void send()}>
        Note the codes
      </Button>
    </details>
  );
}
