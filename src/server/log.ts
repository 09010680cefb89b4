/** The server's log: one JSON line an event, on standard error. It never holds what a cook typed. */
export function logLine(event: string, facts: Readonly<Record<string, unknown>> = {}): void {
  process.stderr.write(`${JSON.stringify({ at: new Date().toISOString(), event, ...facts })}\n`);
}

let last = 0;
/** An id by which a failure is found in the log: short enough to be read out. */
export const failureId = (): string => `${Date.now().toString(36)}-${(++last).toString(36)}`;
