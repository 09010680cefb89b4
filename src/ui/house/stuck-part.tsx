'use client';
import { useState } from 'react';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { toast } from '../kit/toast';
import type { NoteCare } from './care-view';

/** Something stuck: offered to the diary of what it stuck to. */
export function StuckPart({
  batchId,
  gear,
  noted,
  note,
}: {
  readonly batchId: string;
  readonly gear: readonly { readonly id: string; readonly name: string }[];
  readonly noted: readonly string[];
  readonly note: NoteCare;
}) {
  const asking = useAsking();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set(noted));
  if (gear.length === 0) return null;
  const write = async (id: string, name: string): Promise<void> => {
    const a = await asking.ask((requestId) =>
      act('note-care', `${name}: something stuck`, note, { gearId: id, what: 'stuck', batchId, requestId }),
    );
    if (!a?.ok) return;
    setDone((d) => new Set([...d, id]));
    toast(`In the diary of ${name}`);
  };
  return (
    <section aria-label="What it stuck to" className="grid justify-items-start gap-2 rounded-plate bg-white p-4">
      <h3 className="text-lg">What did it stick to?</h3>
      <p className="flex flex-wrap gap-2">
        {gear.map((g) =>
          done.has(g.id) ? (
            <span key={g.id} className="inline-flex min-h-11 items-center">
              ✓ {g.name}: noted
            </span>
          ) : (
            <Button key={g.id} className="min-h-11" disabled={asking.busy} onClick={() => void write(g.id, g.name)}>
              {g.name}
            </Button>
          ),
        )}
      </p>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <Link href="/house#care" className="text-[15px] font-semibold text-rim underline">
        Its care, under House
      </Link>
    </section>
  );
}
