import { CloudOff } from 'lucide-react';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { actWords } from './act-words';
import type { OpenEventLog } from './use-event-log';

/**
 * The records are away, and what is done meanwhile is kept: told over the foot of the screen, so that nothing moves that
 * a finger is about to press. Or they refused something, and the rest went on.
 */
export const Trouble = ({ log }: { readonly log: Pick<OpenEventLog, 'trouble' | 'aside' | 'resolve'> }) => (
  <>
    {log.trouble === null ? null : (
      <div
        data-over-foot
        className="pointer-events-none fixed inset-x-0 bottom-0 z-20 mx-auto max-w-5xl p-2 max-md:bottom-14 print:hidden"
      >
        <div className="overflow-hidden rounded-hold border-2 border-rim">
          <Notice weight="look" role="status">
            <CloudOff size={18} aria-hidden className="mr-1 inline" />
            {log.trouble}
          </Notice>
        </div>
      </div>
    )}
    {log.aside.length === 0 ? null : (
      <Notice weight="stop" role="alert">
        <p>
          {log.aside.length === 1 ? 'One thing' : `${log.aside.length} things`} told here could not go into the records;
          everything else has. Enter what is right, then drop it here.
        </p>
        <ul className="mt-2 grid gap-2">
          {log.aside.map((s) => (
            <li key={s.seq} className="flex flex-wrap items-center gap-3">
              <span className="min-w-0 flex-1">
                <strong>{actWords(s)}</strong>: {s.refused}
              </span>
              <Button onClick={() => log.resolve(s, true)}>Send it again</Button>
              <Button onClick={() => log.resolve(s, false)}>Drop it</Button>
            </li>
          ))}
        </ul>
      </Notice>
    )}
  </>
);
