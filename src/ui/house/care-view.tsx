'use client';
import type { ActionResult } from '@/contract/action-result';
import { CARE_ACTS, CARE_WORDS, type Care } from '@/core/pantry/care';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { toast, toastUndo } from '../kit/toast';
import { Fold } from './fold';

interface Thing {
  readonly id: string;
  readonly name: string;
  /** What to do about it; null: nothing. */
  readonly says: string | null;
}
interface Note {
  readonly id: string;
  readonly gearId: string;
  readonly what: Care;
  readonly batchId: string | null;
  readonly undone: boolean;
  readonly when: string;
}
export type NoteCare = (input: unknown) => Promise<ActionResult<{ readonly id: string }>>;
type Back = (input: unknown) => Promise<ActionResult>;

const SHOWN = 6;

/** The diaries of what is baked on: what was done to each, what stuck, and what it asks for. */
export function CareView({
  gear,
  notes,
  note,
  back,
}: {
  readonly gear: readonly Thing[];
  readonly notes: readonly Note[];
  readonly note: NoteCare;
  readonly back: Back;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  // a note is taken back while the page still draws what was written
  const backing = useAsking();
  const takeBack = async (id: string): Promise<void> => {
    const a = await backing.ask(() => act('care-back', 'a note of care taken back', back, { id }));
    if (!a?.ok) return;
    toast('Taken back');
    refresh();
  };
  const write = async (g: Thing, what: Care): Promise<void> => {
    const a = await asking.ask(
      (requestId) => act('note-care', `${g.name}: ${CARE_WORDS[what]}`, note, { gearId: g.id, what, requestId }),
      true,
    );
    if (!a?.ok) return;
    toastUndo(`${g.name}: ${CARE_WORDS[what]}`, () => takeBack(a.id));
    refresh();
  };
  return (
    <Fold
      id="care"
      label="Care"
      title="Care of pans and irons"
      says={gear.flatMap((g) => (g.says ? [`${g.name}: ${g.says}`] : [])).join(' · ') || 'nothing to do'}
    >
      <RefusalNotice text={asking.refusal ?? backing.refusal} waits={asking.waits || backing.waits} />
      <ul className="grid gap-3 lg:grid-cols-2">
        {gear.map((g) => {
          const own = notes.filter((n) => n.gearId === g.id);
          return (
            <li key={g.id} className="grid content-start gap-2 rounded-plate bg-white p-4">
              <h3 className="text-xl [overflow-wrap:anywhere]">{g.name}</h3>
              {g.says ? <p className="font-semibold">{g.says}</p> : null}
              <p className="flex flex-wrap gap-2">
                {CARE_ACTS.map((c) => (
                  <Button
                    key={c}
                    disabled={asking.busy}
                    aria-label={`${g.name} is ${CARE_WORDS[c]}`}
                    onClick={() => void write(g, c)}
                  >
                    {CARE_WORDS[c].replace(/^./, (x) => x.toUpperCase())}
                  </Button>
                ))}
              </p>
              {own.length > 0 ? (
                <ol aria-label={`Diary of ${g.name}`} className="text-[15px]">
                  {own.slice(0, SHOWN).map((n) => (
                    <li key={n.id} className="flex flex-wrap items-baseline gap-x-2">
                      <span className={n.undone ? 'text-soft line-through' : ''}>
                        {n.when}: {CARE_WORDS[n.what]}
                      </span>
                      {n.batchId ? (
                        <Link
                          href={`/batches/${n.batchId}/outcome`}
                          className="inline-block min-h-6 text-rim underline"
                        >
                          in this batch
                        </Link>
                      ) : null}
                      {n.undone ? (
                        <span className="text-soft">taken back</span>
                      ) : (
                        <Button
                          look="bare"
                          className="!min-h-8"
                          disabled={backing.busy}
                          aria-label={`Take back: ${g.name} ${CARE_WORDS[n.what]}, ${n.when}`}
                          onClick={() => void takeBack(n.id)}
                        >
                          Take it back
                        </Button>
                      )}
                    </li>
                  ))}
                </ol>
              ) : (
                <p className="text-[15px] text-soft">Nothing is noted of it yet.</p>
              )}
              {own.length > SHOWN ? <p className="text-[15px] text-soft">And {own.length - SHOWN} older.</p> : null}
            </li>
          );
        })}
      </ul>
    </Fold>
  );
}
