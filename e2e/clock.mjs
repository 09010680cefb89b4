// Loaded into a test's server before anything else: its clock is turned as the test turns the browser's.
import { readFileSync } from 'node:fs';

const file = process.env.EVEN_CRUMB_TEST_CLOCK;
const Real = globalThis.Date;
const wall = Real.now;
let offset = 0;
let looked = 0;

function now() {
  const real = wall();
  if (real - looked > 10) {
    looked = real;
    try {
      offset = Number(readFileSync(file, 'utf8')) || 0;
    } catch {
      offset = 0;
    }
  }
  return real + offset;
}

// as it is, but for the moment it is: others copy its properties one by one
if (file)
  globalThis.Date = new Proxy(Real, {
    construct: (target, of) => Reflect.construct(target, of.length === 0 ? [now()] : of),
    apply: (target) => new target(now()).toString(),
    get: (target, name) => (name === 'now' ? now : Reflect.get(target, name)),
  });
