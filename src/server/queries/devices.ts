/**
 * Devices of the kitchen's network: paired by a code that the server's own screen shows for a few minutes, known by a
 * token that only the device has, and let out again at any time.
 */
import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { CODE_CHARS, CODE_LETTERS, type pairSchema } from '@/contract/device';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';

/** A code is good for so long, ms. */
const CODE_MS = 5 * 60_000;
/** So many wrong codes close every code that is open. */
const MOST_WRONG = 10;

const hashOf = (text: string): Buffer => createHash('sha256').update(text).digest();

/** A fresh code; those shown before are good no more. */
export async function openPairing(): Promise<{ readonly code: string; readonly expiresAt: number }> {
  const code = Array.from({ length: CODE_CHARS }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');
  const expiresAt = Date.now() + CODE_MS;
  await transaction(async (client) => {
    await client.query('delete from gate.pairings');
    await client.query('insert into gate.pairings (id, code_hash, expires_at) values ($1, $2, $3)', [
      randomUUID(),
      hashOf(code),
      new Date(expiresAt),
    ]);
  });
  return { code, expiresAt };
}

/**
 * A device that knows the code. The code is used up by it.
 * @returns the token it is known by from now on: told once, and kept nowhere
 */
export const pairDevice = ({
  code,
  name,
  place,
}: z.output<typeof pairSchema>): Promise<ActionResult<{ readonly token: string }>> =>
  transaction(async (client): Promise<ActionResult<{ readonly token: string }>> => {
    const no = refuse('That code is not, or no longer, good.', { code: 'Not, or no longer, good: ask for a new one.' });
    // one at a time: of two that send the same code one comes in, and wrong ones are counted one by one
    const { rows } = await client.query<{ id: string; code_hash: Buffer; good: boolean }>(
      'select id, code_hash, closed_at is null and expires_at > now() and wrong < $1 as good from gate.pairings for update',
      [MOST_WRONG],
    );
    const [open] = rows;
    if (!open?.good) return no;
    if (!open.code_hash.equals(hashOf(code))) {
      await client.query('update gate.pairings set wrong = wrong + 1 where id = $1', [open.id]);
      return no;
    }
    await client.query('update gate.pairings set closed_at = now() where id = $1', [open.id]);
    const token = randomBytes(32).toString('base64url');
    await client.query('insert into gate.devices (id, name, place, token_hash) values ($1, $2, $3, $4)', [
      randomUUID(),
      name,
      place,
      hashOf(token),
    ]);
    return { ok: true, token };
  });

const deviceRow = z.object({
  id: z.uuid(),
  name: z.string(),
  place: z.string(),
  pairedAt: z.date(),
  seenAt: z.date().nullable(),
});
export type Device = z.output<typeof deviceRow>;

/** Those that may come in, the last paired first. */
export const devices = (): Promise<Device[]> =>
  rowsFrom(
    deviceRow,
    'select id, name, place, paired_at as "pairedAt", seen_at as "seenAt" from gate.devices where revoked_at is null order by paired_at desc',
  );

/** From now on it may not come in any more; once, however often it is told. */
export async function revokeDevice(id: string): Promise<ActionResult> {
  await query('update gate.devices set revoked_at = coalesce(revoked_at, now()) where id = $1', [id]);
  return { ok: true };
}
