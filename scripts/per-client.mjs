// Requests of one client within a window: who asks without end waits, and the others do not.
/**
 * @param {{ windowMs: number, most: number }} limits
 * @returns {(client: string, now: number) => boolean} whether it is one too many; `now` in ms
 */
export function perClient({ windowMs, most }) {
  const clients = new Map();
  return (client, now) => {
    const c = clients.get(client);
    if (!c || now - c.since > windowMs) {
      if (clients.size > 1000) clients.clear();
      clients.set(client, { since: now, n: 1 });
      return false;
    }
    c.n += 1;
    return c.n > most;
  };
}
