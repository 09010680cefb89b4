// How long things may take before they count as hanging, in one place: a quiet machine's times, by how much slower this
// machine is. The factor is measured once, at the start of `npm test`, and handed on in the environment.
import { Worker } from 'node:worker_threads';

/** Tests that run at once in browsers: more than two cores' worth of work keeps both busy. */
export const WORKERS = 3;
/** ms that one round of `WORK` takes alone on a quiet core of the machine that the limits were set on. */
const QUIET_MS = 120;
/** A machine slower than this is told apart from a hang no more. */
const MOST_FACTOR = 6;

/** Runs apart, in a worker of its own: text made and hashed, as a page's server and its script do. */
const WORK = `
  const { createHash } = require('node:crypto');
  const from = performance.now();
  const hash = createHash('sha256');
  for (let n = 0; n < 60; n++) hash.update(JSON.stringify(Array.from({ length: 20000 }, (_, i) => i * n)));
  hash.digest();
  require('node:worker_threads').parentPort.postMessage(performance.now() - from);`;

const onceWorked = () =>
  new Promise((done, fail) => {
    const worker = new Worker(WORK, { eval: true });
    worker.once('message', done);
    worker.once('error', fail);
  });

/** How many times slower than a quiet core this machine is with as much to do as the browser tests give it: 1 to 6. */
export async function slowness() {
  const times = await Promise.all(Array.from({ length: WORKERS }, onceWorked));
  return Math.min(MOST_FACTOR, Math.max(1, Math.max(...times) / QUIET_MS));
}

const factor = Number(process.env.EVEN_CRUMB_TEST_SLOWNESS) || 2;
const ms = (seconds) => Math.round(seconds * 1000 * factor);

export const LIMITS = {
  /** One unit test. */
  unitTestMs: ms(60),
  /** One job of the cook in the browser; one expectation of it; one click or key. */
  browserTestMs: ms(120),
  // a browser lets go of a closed tab's lock after most of a minute now and then: another tab sends only then
  expectMs: ms(30),
  actionMs: ms(30),
  /** A test's own kitchen: its database copied, its server up. */
  kitchenMs: ms(60),
  /** The records of a test's kitchen, until they count as away. */
  answerMs: ms(4),
  /** A server until it answers, a database until it is ready. */
  serverStartMs: 300_000,
  databaseStartMs: 300_000,
};
