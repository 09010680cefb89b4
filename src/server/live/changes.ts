/**
 * What changes in the records, told to every screen: one connection listens, outside the pool, and all streams of this
 * server share it. Where it was cut, what was missed is not known: everything may have changed.
 */
import { Client } from 'pg';
import { ANYTHING, type Heard } from '@/contract/changes';
import { logLine } from '../log';

type Hear = (c: Heard) => void;
interface Listening {
  readonly hears: Set<Hear>;
  client: Client | null;
  /** What was heard lately, the last behind; and since when all of it, ms since 1970. */
  recent: readonly Heard[];
  from: number;
}
/** So much of what was heard is remembered, for who comes back after a gap. */
const MOST_RECENT = 500;

declare global {
  // routes are bundled apart; the connection is one
  var evenCrumbListening: Listening | undefined;
}

const AGAIN_MS = 1000;
const CONNECT_MS = 4000;

const listening = (): Listening =>
  (globalThis.evenCrumbListening ??= { hears: new Set(), client: null, recent: [], from: Number.POSITIVE_INFINITY });

function tell(thing: string): void {
  const change = { thing, at: Date.now() };
  const all = listening();
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
      all.from = Number.POSITIVE_INFINITY;
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
    all.recent = [];
    all.from = Date.now();
    tell(ANYTHING);
  } catch {
    // away: it is tried again, and the pages say so
    again();
  }
}

/**
 * Hears of every change, and of those that were after a moment, ms since 1970.
 * @returns to be called when nobody listens any more; the last closes the connection
 */
export function onChange(hear: Hear, after: number): () => void {
  const all = listening();
  // a connection that is yet to be made tells that anything may have changed
  const missed = all.from <= after ? all.recent.filter((c) => c.at > after) : [{ thing: ANYTHING, at: Date.now() }];
  if (all.client) for (const c of missed) hear(c);
  all.hears.add(hear);
  void connect();
  return () => {
    all.hears.delete(hear);
    const { client } = all;
    if (all.hears.size > 0 || !client) return;
    all.client = null;
    all.from = Number.POSITIVE_INFINITY;
    client.end().catch(() => {
      // it is gone already
    });
  };
}
