import { Notice, WaitsNotice } from '../kit/notice';
import { Press } from '../kit/press';
import { useTime } from '../kit/time';
import type { Saving } from './use-saving';

const LINK = 'font-semibold text-rim underline';

/** What the cook should know about the version on the bench: refused, passed by, brought back, not the newest. */
export function BenchNotices({ saving, newest }: { readonly saving: Saving; readonly newest: number | null }) {
  const time = useTime();
  const { refusal, waits, passed, brought, basedOn, formulaId, dirty } = saving;
  return (
    <div className="mt-2 grid gap-2" aria-live="polite">
      {waits ? <WaitsNotice /> : null}
      {refusal ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : null}
      {passed ? (
        <Notice weight="look" role="status">
          Version {passed.theirs} was saved while you worked. Nothing is overwritten: yours is version {passed.mine},
          the other is kept beside it.{' '}
          <a className={LINK} href={`/formulas/${formulaId}?version=${passed.theirs}`} target="_blank" rel="noreferrer">
            Open version {passed.theirs}
          </a>
        </Notice>
      ) : null}
      {brought ? (
        <Notice weight="note" role="status">
          Unsaved work from {time.ofDay(Date.parse(brought))} is back on the bench.{' '}
          <Press className={LINK} onClick={saving.throwAway}>
            Throw it away
          </Press>
        </Notice>
      ) : null}
      {newest !== null && basedOn !== null && basedOn < newest && !passed ? (
        <Notice weight="note" role="status">
          This is version {basedOn} of {newest}. Saving makes a new version from it.{' '}
          {dirty ? null : (
            <Press
              className={LINK}
              disabled={saving.busy}
              onClick={() => void saving.save(`back to version ${basedOn}`)}
            >
              Go back to it, as a new version
            </Press>
          )}
        </Notice>
      ) : null}
    </div>
  );
}
