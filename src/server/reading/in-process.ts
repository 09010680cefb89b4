/** The reader's jobs on this very thread, for unit tests: a test's files are not bundled. */
import { doJob } from './jobs';
import type { startThread } from './thread';

const inProcess: typeof startThread = (_mb, heard) => ({
  send: (job) => setImmediate(() => heard(doJob(structuredClone(job)))),
  end: () => undefined,
});

export { inProcess as startThread };
