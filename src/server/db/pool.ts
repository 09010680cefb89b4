/**
 * The way to PostgreSQL: one pool, transactions that are visible where they begin, and the difference between "the
 * database is away" and a mistake of ours.
 */
import { Pool, type PoolClient, type QueryResultRow } from 'pg';

declare global {
  // the development server loads modules again; the pool stays
  var evenCrumbPool: Pool | undefined;
}

function pool(): Pool {
  if (!globalThis.evenCrumbPool) {
    const made = new Pool({
      connectionString: process.env.DATABASE_URL,
      max: 10,
      connectionTimeoutMillis: 8000,
      idleTimeoutMillis: 30_000,
      statement_timeout: 15_000,
    });
    // an idle connection the server closed: the next query opens a new one
    made.on('error', (e) => console.error(`database connection lost: ${e.message}`));
    globalThis.evenCrumbPool = made;
  }
  return globalThis.evenCrumbPool;
}

/** The database cannot be reached just now. */
export class DatabaseAway extends Error {
  override readonly name = 'DatabaseAway';
}

const AWAY = /^(?:ECONNREFUSED|ECONNRESET|ENOENT|EPIPE|ETIMEDOUT|57P0[123]|08\d{3}|53300)$/;

function isAway(e: unknown): boolean {
  // by shape, not by class: errors of the network come from another realm under some test runners
  const { code, message } = (typeof e === 'object' && e !== null ? e : {}) as { code?: unknown; message?: unknown };
  if (typeof code === 'string' && AWAY.test(code)) return true;
  return (
    typeof message === 'string' &&
    /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|not currently accepting connections/i.test(message)
  );
}

async function orAway<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (e) {
    if (isAway(e)) throw new DatabaseAway('The database is away.', { cause: e });
    throw e;
  }
}

/** One query. */
export const query = <R extends QueryResultRow>(sql: string, values: readonly unknown[] = []): Promise<R[]> =>
  orAway(async () => (await pool().query<R>(sql, [...values])).rows);

/** Several queries that stand or fall together. */
export const transaction = <T>(work: (client: PoolClient) => Promise<T>): Promise<T> =>
  orAway(async () => {
    const client = await pool().connect();
    let broken: Error | undefined;
    try {
      await client.query('begin');
      const result = await work(client);
      await client.query('commit');
      return result;
    } catch (e) {
      await client.query('rollback').catch((again: Error) => {
        broken = again;
      });
      throw e;
    } finally {
      client.release(broken);
    }
  });

export type Reached<T> = { readonly up: true; readonly value: T } | { readonly up: false };

/** For pages: the value, or that the database is away; any other error is a bug and thrown on. */
export async function reach<T>(work: () => Promise<T>): Promise<Reached<T>> {
  try {
    return { up: true, value: await work() };
  } catch (e) {
    if (e instanceof DatabaseAway) return { up: false };
    throw e;
  }
}

export const closePool = async (): Promise<void> => {
  await globalThis.evenCrumbPool?.end();
  globalThis.evenCrumbPool = undefined;
};
