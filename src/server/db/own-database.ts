/** Databases of their own for files of tests, which run beside each other. */
import { migrate } from './migrate';
import { closePool, query } from './pool';

const home = process.env.DATABASE_URL ?? '';

/** Where a database of that name is. */
export function databaseAt(name: string): string {
  const url = new URL(home);
  url.pathname = `/${name}`;
  return url.href;
}

/**
 * Makes an empty database and goes on in it.
 * @param name that no other file of tests has
 * @param upTo the newest migration that it knows; left out, all of them
 * @throws where the tests were begun without a server
 */
export async function ownDatabase(name: string, upTo?: string): Promise<void> {
  if (!home) throw new Error('these tests need a database: run them with npm test or npm run test:unit');
  await closePool();
  process.env.DATABASE_URL = home;
  await query(`create database ${name}`);
  await closePool();
  process.env.DATABASE_URL = databaseAt(name);
  await migrate(upTo);
}
