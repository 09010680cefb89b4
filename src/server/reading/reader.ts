/**
 * Reading what is sent from outside, on one thread of its own: a file that takes long holds up no page, and one that
 * takes too long, or too much memory, is given up in words. One job after the other, in the order they come.
 */
import { type Unread, unread } from '@/core/exchange/open-recipe';
import type { Job, JobDone, JobName, Jobs } from './jobs';
import { startThread, type Thread } from './thread';

/** A job's time, and the thread's memory: far more than any recipe takes. */
const MOST_MS = 5_000;
/** A morning is no file from outside: it is worked as long as somebody would wait for it, ms. */
const MOST_MS_OF: Partial<Readonly<Record<JobName, number>>> = { place: 15_000, morning: 15_000 };
const MOST_MB = 384;
/** Jobs that may wait; more are refused at once. */
const MOST_WAITING = 50;

const TOO_LONG = `It can't be read within ${MOST_MS / 1000} seconds: that is no recipe of a kitchen. Send the recipe alone.`;
const TOO_LARGE = 'It takes more memory to read than any recipe of a kitchen. Send the recipe alone.';
const TOO_MANY = 'Too much is being read just now. Send it again in a moment.';

type Given = { readonly ok: false; readonly error: Unread };
type Answer<K extends JobName> = ReturnType<Jobs[K]> | Given;

/** @param start begins a thread; another is begun after one that was given up @param mostMs a job's time */
export function readerOn(start: typeof startThread, mostMs = MOST_MS) {
  let thread: Thread | null = null;
  /** Settles the job that is being read; null: none is. A thread that was given up settles nothing any more. */
  let settle: ((d: JobDone | Error) => void) | null = null;
  let waiting = 0;
  let last: Promise<unknown> = Promise.resolve();

  const giveUp = (): void => {
    thread?.end();
    thread = null;
  };
  const begun = (): Thread => {
    const told = (d: JobDone | Error): void => {
      if (thread === mine) settle?.(d);
    };
    const mine = start(MOST_MB, told, told);
    return mine;
  };
  const one = (job: Job): Promise<unknown> =>
    new Promise((resolve, reject) => {
      const late = setTimeout(() => {
        giveUp();
        resolve(unread(TOO_LONG));
      }, MOST_MS_OF[job.name] ?? mostMs);
      settle = (d) => {
        clearTimeout(late);
        settle = null;
        if (!(d instanceof Error)) {
          if ('threw' in d) reject(new Error(`Reading failed: ${d.threw}`));
          else resolve(d.value);
          return;
        }
        giveUp();
        if ((d as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY') resolve(unread(TOO_LARGE));
        else reject(d);
      };
      thread ??= begun();
      thread.send(job);
    });

  /** Reads; refuses what takes too long, too much memory, or comes when too much waits. @throws on a bug of a job */
  return async <K extends JobName>(name: K, ...args: Parameters<Jobs[K]>): Promise<Answer<K>> => {
    if (waiting >= MOST_WAITING) return unread(TOO_MANY);
    waiting++;
    const mine = last.then(() => one({ name, args }));
    last = mine.catch(() => undefined);
    try {
      return (await mine) as Answer<K>;
    } finally {
      waiting--;
    }
  };
}

declare global {
  // routes are bundled apart; the thread is one
  var evenCrumbReader: ReturnType<typeof readerOn> | undefined;
}

export const inReader: ReturnType<typeof readerOn> = (name, ...args) => {
  globalThis.evenCrumbReader ??= readerOn(startThread);
  return globalThis.evenCrumbReader(name, ...args);
};
