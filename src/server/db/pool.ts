/**
 * The way to PostgreSQL: one pool, and transactions that are visible where they begin. A database that is frozen is
 * found as soon as one that is gone: the client's own clock runs, not only the server's.
 */
import { Client, type ClientBase, Pool, type PoolClient } from 'pg';
import type { TroubleKind } from '@/contract/trouble';
import { logLine } from '../log';
import { doer } from './done';
import { RecordsTrouble, toldApart, troubleIn } from './trouble';

declare global {
  // the development server loads modules again; the pool stays
  var evenCrumbPool: Pool | undefined;
}

/** So long the records may take to answer before they count as away, ms; a slow machine is given more. */
const CLIENT_MS = Number(process.env.EVEN_CRUMB_ANSWER_MS) || 4000;
/** The server stops a statement first, so that it is told apart from a server that does not answer at all. */
const STATEMENT_MS = Math.round(0.875 * CLIENT_MS);

function pool(): Pool {
  if (!globalThis.evenCrumbPool) {
    const made = new Pool({
      connectionString: process.env.DATABASE_URL,
      max: 10,
      connectionTimeoutMillis: CLIENT_MS,
      query_timeout: CLIENT_MS,
      idleTimeoutMillis: 30_000,
      statement_timeout: STATEMENT_MS,
      idle_in_transaction_session_timeout: 30_000,
      keepAlive: true,
    });
    // an idle connection the server closed: the next query opens a new one
    made.on('error', (e) => logLine('connection-lost', { said: e.message }));
    globalThis.evenCrumbPool = made;
  }
  return globalThis.evenCrumbPool;
}

/** One query. Its rows are whatever comes: `rowsFrom` checks them where something in them is read. */
export const query = (sql: string, values: readonly unknown[] = []): Promise<Record<string, unknown>[]> =>
  doer() && !/^\s*select\b/i.test(sql)
    ? transaction(async (client) => (await client.query<Record<string, unknown>>(sql, [...values])).rows)
    : toldApart(async () => (await pool().query<Record<string, unknown>>(sql, [...values])).rows);

/** Who does what follows in a transaction: the triggers of what is signed read it there. */
async function sign(client: ClientBase): Promise<void> {
  const who = doer();
  if (who)
    await client.query("select set_config('even_crumb.person', $1, true), set_config('even_crumb.device', $2, true)", [
      who.person ?? '',
      who.device ?? '',
    ]);
}

/**
 * Two that lock the same rows in another order (40P01, 40001), or that both found a name free and add it (23505): one of
 * them is undone by PostgreSQL and simply goes again; then it sees what the other did, and answers by that.
 */
const UNDONE_BY_OTHERS = new Set(['40P01', '40001', '23505']);
const MOST_TRIES = 3;

/**
 * Several queries that stand or fall together. What is done in it may be done again from the beginning, up to three
 * times.
 */
export const transaction = <T>(work: (client: PoolClient) => Promise<T>): Promise<T> =>
  toldApart(async () => {
    for (let tries = 1; ; tries++) {
      try {
        return await once(work);
      } catch (e) {
        if (tries < MOST_TRIES && UNDONE_BY_OTHERS.has(String((e as { code?: unknown } | null)?.code))) continue;
        throw e;
      }
    }
  });

async function once<T>(work: (client: PoolClient) => Promise<T>): Promise<T> {
  const client = await pool().connect();
  let broken: Error | undefined;
  // a connection that is cut while nothing is being asked says so here, where nobody else listens
  const cut = (e: Error): void => {
    broken = e;
  };
  client.on('error', cut);
  try {
    await client.query('begin');
    await sign(client);
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (e) {
    // a connection that does not answer is closed, not asked once more: the server undoes what was begun
    if (troubleIn(e) === 'away') broken ??= e as Error;
    if (!broken)
      await client.query('rollback').catch((again: Error) => {
        broken = again;
      });
    throw e;
  } finally {
    client.removeListener('error', cut);
    client.release(broken);
  }
}

/** A connection of its own to a database, without time limits. */
export async function connectedTo<T>(url: string | undefined, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url, connectionTimeoutMillis: CLIENT_MS });
  client.on('error', () => {
    // the query that is under way says it
  });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end().catch(() => {
      // it is gone already
    });
  }
}

/** The same to our own, for what may take long: migrations, integrity checks. */
export const unhurried = <T>(work: (client: Client) => Promise<T>): Promise<T> =>
  toldApart(() => connectedTo(process.env.DATABASE_URL, work));

/** Several queries that stand or fall together and may take their time: a whole table taken in. */
export const longTransaction = <T>(work: (client: ClientBase) => Promise<T>): Promise<T> =>
  unhurried(async (client) => {
    await client.query('begin');
    await sign(client);
    try {
      const result = await work(client);
      await client.query('commit');
      return result;
    } catch (e) {
      await client.query('rollback').catch(() => {
        // the first error says why; the server undoes what was begun
      });
      throw e;
    }
  });

/** The address of another database of the same server. */
export function databaseNamed(name: string): string {
  const url = new URL(process.env.DATABASE_URL ?? '');
  url.pathname = `/${name}`;
  return url.href;
}

type Reached<T> = { readonly up: true; readonly value: T } | { readonly up: false; readonly kind: TroubleKind };

/** For pages: the value, or what is wrong with the records; any other error is a bug and thrown on. */
export async function reach<T>(work: () => Promise<T>): Promise<Reached<T>> {
  try {
    return { up: true, value: await work() };
  } catch (e) {
    if (e instanceof RecordsTrouble) return { up: false, kind: e.kind };
    throw e;
  }
}

export const closePool = async (): Promise<void> => {
  await globalThis.evenCrumbPool?.end();
  globalThis.evenCrumbPool = undefined;
};
