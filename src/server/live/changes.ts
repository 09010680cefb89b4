/**
 * What changes in the records, told to every screen: one connection listens, outside the pool, and all streams of this
 * server share it. Where it was cut, what was missed is not known: everything may have changed.
 */

import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { ANYTHING, type Heard, type HeardAt, isLater, NOWHERE } from '@/contract/changes';
import { logLine } from '../log';

type Hear = (c: Heard) => void;
interface Listening {
  readonly hears: Set<Hear>;
  client: Client | null;
  /** The place of what was heard last; and what was heard lately, the last behind, with the place after which. */
  last: HeardAt;
  recent: readonly Heard[];
  from: HeardAt;
  /** Ends the listening when nobody has come back. */
  ending: ReturnType<typeof setTimeout> | undefined;
}
/** So much of what was heard is remembered, for who comes back after a gap. */
const MOST_RECENT = 500;

declare global {
  // routes are bundled apart; the connection is one
  var evenCrumbListening: Listening | undefined;
}

const AGAIN_MS = 1000;
const CONNECT_MS = 4000;
/** The listening goes on so long without a screen: a page that is opened next need not be drawn twice, ms. */
const LINGER_MS = 60_000;

const listening = (): Listening =>
  (globalThis.evenCrumbListening ??= {
    hears: new Set(),
    client: null,
    last: NOWHERE,
    recent: [],
    from: NOWHERE,
    ending: undefined,
  });

/** The place of what was heard last: what is read from the records now has it. */
export const heardLast = (): HeardAt => listening().last;

/** A new listening begins, or none goes on: what is heard from now on is counted anew. */
function count(of: string): void {
  const all = listening();
  all.last = { of, n: 0 };
  all.from = all.last;
  all.recent = [];
}

function tell(thing: string): void {
  const all = listening();
  all.last = { of: all.last.of, n: all.last.n + 1 };
  const change = { thing, at: all.last };
  const gone = all.recent.length >= MOST_RECENT ? all.recent[0] : undefined;
  if (gone) all.from = gone.at;
  all.recent = [...all.recent.slice(gone ? 1 : 0), change];
  for (const hear of all.hears) hear(change);
}

async function connect(): Promise<void> {
  const all = listening();
  if (all.client || all.hears.size === 0) return;
  const client = new Client({
    connectionString: process.env.DATABASE_URL,
    connectionTimeoutMillis: CONNECT_MS,
    keepAlive: true,
  });
  all.client = client;
  let over = false;
  const again = (): void => {
    if (over) return;
    over = true;
    if (all.client === client) {
      all.client = null;
      count('');
    }
    client.end().catch(() => {
      // it is gone already
    });
    setTimeout(() => void connect(), AGAIN_MS).unref();
  };
  client.on('error', (e) => {
    logLine('connection-lost', { said: e.message });
    again();
  });
  client.on('end', again);
  client.on('notification', (n) => tell(n.payload ?? ANYTHING));
  try {
    await client.connect();
    await client.query('listen even_crumb');
    count(randomUUID());
    tell(ANYTHING);
  } catch {
    // away: it is tried again, and the pages say so
    again();
  }
}

/**
 * Hears of every change, and of those that were heard after a place.
 * @returns to be called by who listens no more; the connection is closed a while after the last
 */
export function onChange(hear: Hear, after: HeardAt): () => void {
  const all = listening();
  const known = after.of === all.from.of && after.n >= all.from.n;
  const missed = known ? all.recent.filter((c) => isLater(c.at, after)) : [{ thing: ANYTHING, at: all.last }];
  // a connection that is yet to be made tells by itself that anything may have changed
  if (all.last.of) for (const c of missed) hear(c);
  all.hears.add(hear);
  clearTimeout(all.ending);
  void connect();
  return () => {
    all.hears.delete(hear);
    if (all.hears.size > 0) return;
    clearTimeout(all.ending);
    all.ending = setTimeout(stop, LINGER_MS).unref();
  };
}

/** Nobody listens any more: what was heard until now says nothing of what comes later. */
function stop(): void {
  const all = listening();
  const { client } = all;
  if (!client) return;
  all.client = null;
  count('');
  client.end().catch(() => {
    // it is gone already
  });
}
