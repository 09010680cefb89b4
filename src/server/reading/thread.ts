/**
 * Begins the reader's thread. Apart from what uses it: a bundler finds the thread's file by this very form of words.
 */
import { Worker } from 'node:worker_threads';
import type { Job, JobDone } from './jobs';

export interface Thread {
  readonly send: (job: Job) => void;
  readonly end: () => void;
}

/** @param mb of memory at most @param heard each answer @param died with what ended it: memory, or a bug */
export function startThread(mb: number, heard: (d: JobDone) => void, died: (why: Error) => void): Thread {
  const worker = new Worker(new URL('./reader.thread.ts', import.meta.url), {
    resourceLimits: { maxOldGenerationSizeMb: mb },
  });
  worker.on('message', heard);
  worker.on('error', died);
  // it holds nobody up who wants to end the server
  worker.unref();
  return { send: (job) => worker.postMessage(job), end: () => void worker.terminate() };
}
