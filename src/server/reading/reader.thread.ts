/** The reader's thread: a thin shell around its jobs. */
import { parentPort } from 'node:worker_threads';
import { doJob, type Job } from './jobs';

parentPort?.on('message', (job: Job) => parentPort?.postMessage(doJob(job)));
