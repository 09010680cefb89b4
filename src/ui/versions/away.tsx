'use client';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import type { FormulaActs } from '../shared/formula-menu';

/** A formula that was archived or deleted, still reached from the log or by its address: it says so, and comes back. */
export function Away({
  id,
  deleted,
  put,
}: {
  readonly id: string;
  readonly deleted: boolean;
  readonly put: FormulaActs['put'];
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const back = async (): Promise<void> => {
    const a = await asking.ask(() =>
      act('put-formula', 'a formula brought back', put, { formulaId: id, archived: false, deleted: false }),
    );
    if (a?.ok) refresh();
  };
  return (
    <div className="mb-3 grid gap-2">
      <Notice weight="look">
        <span className="flex flex-wrap items-center gap-3">
          {deleted
            ? 'This formula was deleted; it stands here for the log.'
            : 'This formula is archived: Today does not list it.'}
          <Button disabled={asking.busy} onClick={() => void back()}>
            Bring it back
          </Button>
        </span>
      </Notice>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </div>
  );
}
