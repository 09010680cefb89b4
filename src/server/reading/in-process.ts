/** The reader's jobs on this very thread, for unit tests: a test's files are not bundled. */
import { doJob } from './jobs';
import type { startThread as start } from './thread';

export const startThread: typeof start = (_mb, heard) => ({
  send: (job) => setImmediate(() => heard(doJob(structuredClone(job)))),
  end: () => undefined,
});
