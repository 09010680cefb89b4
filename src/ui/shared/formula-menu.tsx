'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { MoreMenu } from '../kit/menu';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';
import { toastUndoAct } from '../kit/undo';

// fetched when it is asked for
const ExportDialog = dynamic(() => import('./export-dialog').then((m) => m.ExportDialog), { ssr: false });

/** What the server does with a whole formula. */
export interface FormulaActs {
  readonly copy: (
    input: unknown,
  ) => Promise<{ readonly ok: true; readonly saved: { readonly formulaId: string } } | Refused>;
  readonly put: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

interface Props {
  readonly acts: FormulaActs;
  readonly id: string;
  readonly name: string;
  /** The version that is copied; null: the newest. */
  readonly number: number | null;
  readonly archived: boolean;
  /** After it is put away or deleted: here it stays no longer. */
  readonly leave?: boolean;
}

/**
 * What is done with a whole formula: copied, put away and brought back, deleted. What goes is asked before, and undone
 * after.
 */
export function FormulaMenu({ acts, id, name, number, archived, leave = false }: Props) {
  const router = useRouter();
  const refresh = useRefresh();
  const asking = useAsking();
  const [deleting, setDeleting] = useState(false);
  // null: nobody has asked for it yet, and it is not fetched
  const [exporting, setExporting] = useState<boolean | null>(null);
  const put = async (
    to: { readonly archived?: boolean; readonly deleted?: boolean },
    said: string,
    back: { readonly archived?: boolean; readonly deleted?: boolean },
  ) => {
    const a = await asking.ask(() => act('put-formula', `${name}: put away`, acts.put, { formulaId: id, ...to }));
    if (!a?.ok) return;
    setDeleting(false);
    toastUndoAct(
      said,
      () => act('put-formula', `${name}: brought back`, acts.put, { formulaId: id, ...back }),
      refresh,
    );
    if (leave) router.push('/');
    else refresh();
  };
  const copy = async (): Promise<void> => {
    const a = await asking.ask(
      (requestId) => act('copy-formula', `a copy of ${name}`, acts.copy, { formulaId: id, number, requestId }),
      true,
    );
    if (!a?.ok) {
      if (a) toast(a.message);
      return;
    }
    toast('A copy; its history begins with what it was made from');
    router.push(`/formulas/${a.saved.formulaId}`);
  };
  return (
    <>
      <MoreMenu
        label={`More of ${name}`}
        className="relative z-10 !min-h-10 !px-2"
        entries={() => [
          { name: 'Copy', act: () => void copy() },
          { name: 'Try two ways', act: () => router.push(`/formulas/${id}/trial`) },
          { name: 'Target', act: () => router.push(`/formulas/${id}/target`) },
          { name: 'Export …', act: () => setExporting(true) },
          archived
            ? { name: 'Bring back', act: () => void put({ archived: false }, `${name} is back`, { archived: true }) }
            : { name: 'Archive', act: () => void put({ archived: true }, `${name} is archived`, { archived: false }) },
          { name: 'Delete …', act: () => setDeleting(true) },
        ]}
      />
      {exporting === null ? null : (
        <ExportDialog id={id} name={name} number={number} open={exporting} onOpen={setExporting} />
      )}
      <Dialog open={deleting} onOpen={setDeleting} title={`Delete ${name}?`}>
        <p className="mb-3">
          All its versions go. What was made of it stays in the log. To have it out of the way, archive it.
        </p>
        <div className="mb-3 empty:hidden">
          <RefusalNotice text={asking.refusal} />
        </div>
        <div className="flex gap-2">
          <Button
            look="stop"
            disabled={asking.busy}
            onClick={() => void put({ deleted: true }, `${name} is deleted`, { deleted: false })}
          >
            Delete it
          </Button>
          <Button onClick={() => setDeleting(false)}>Keep it</Button>
        </div>
      </Dialog>
    </>
  );
}
