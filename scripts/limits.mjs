// How long things may take before they count as hanging, in one place and generous: a machine that is slow or busy
// fails nothing.
export const LIMITS = {
  /** One unit test. */
  unitTestMs: 300_000,
  /** One job of the cook in the browser; one expectation of it; one click or key. */
  browserTestMs: 900_000,
  expectMs: 90_000,
  actionMs: 120_000,
  /** A test's own kitchen: its database copied, its server up. */
  kitchenMs: 300_000,
  /** A server until it answers, a database until it is ready. */
  serverStartMs: 300_000,
  databaseStartMs: 300_000,
};
