/**
 * Who signs on the devices of the kitchen's network: people with a PIN, who is signed in, tokens of programs, and what
 * was done through the door. A PIN is no password: what keeps it is that wrong ones shut the person out for ever longer.
 */
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { SCOPES, tokenSchema } from '@/contract/device';
import { ROLES } from '@/core/morning/morning';
import { PERSON_MARKS } from '@/core/morning/people';
import { type DoneBy, doneAt } from '../db/done';
import { query, transaction } from '../db/pool';
import { rowsFrom, signedBy } from '../db/rows';

/** So many wrong PINs in a row are let pass; each further one shuts the person out twice as long, s. */
const FREE_TRIES = 4;
const [FIRST_LOCK_S, LONGEST_LOCK_S] = [60, 3600];

const sha = (text: string): Buffer => createHash('sha256').update(text).digest();
const freshToken = (): string => randomBytes(32).toString('base64url');

const signerRow = z.object({
  id: z.string(),
  name: z.string(),
  role: z.enum(ROLES).exclude(['child']),
  mark: z.enum(PERSON_MARKS).catch('whisk'),
  hasPin: z.boolean(),
});
export type Signer = z.output<typeof signerRow>;

/** Grown-ups of the kitchen, and whether each has a PIN. */
export const signers = (): Promise<Signer[]> =>
  rowsFrom(
    signerRow,
    `select p.id, p.name, p.role, p.mark, g.person_id is not null as "hasPin" from people p left join gate.pins g on g.person_id = p.id
      where p.erased_at is null and p.role <> 'child' order by lower(p.name), p.id`,
  );

/** Gives a person a PIN, in place of the one they had: who is signed in as them signs again. */
export async function setPin(person: string, pin: string): Promise<ActionResult> {
  const pinHash = await hash(pin);
  return transaction(async (client) => {
    const found = await client.query(
      "select 1 from people where id = $1 and erased_at is null and role <> 'child' for share",
      [person],
    );
    if (found.rowCount === 0) return refuse('A PIN is for a grown-up of this kitchen: look again.');
    await client.query(
      `insert into gate.pins (person_id, pin_hash) values ($1, $2)
       on conflict (person_id) do update set pin_hash = excluded.pin_hash, wrong = 0, locked_until = null, set_at = now()`,
      [person, pinHash],
    );
    await client.query('update gate.sessions set ended_at = now() where person_id = $1 and ended_at is null', [person]);
    return { ok: true };
  });
}

/** Takes a person's PIN away: they sign no more. */
export const dropPin = (person: string): Promise<ActionResult> =>
  transaction(async (client) => {
    await client.query('delete from gate.pins where person_id = $1', [person]);
    await client.query('update gate.sessions set ended_at = now() where person_id = $1 and ended_at is null', [person]);
    return { ok: true };
  });

const inMinutes = (s: number): string => (s < 90 ? `${Math.ceil(s)} seconds` : `${Math.ceil(s / 60)} minutes`);

/**
 * Signs a person on a device; who was signed on it before is not any more. Of tries at once one is looked at at a time.
 * @returns the token that the device shows from now on: told once, and new each time
 */
export const signIn = (
  device: string,
  person: string,
  pin: string,
): Promise<ActionResult<{ readonly token: string; readonly session: string }>> =>
  transaction(async (client): Promise<ActionResult<{ readonly token: string; readonly session: string }>> => {
    const { rows } = await client.query<{ pin_hash: string; wrong: number; left: number | null }>(
      `select g.pin_hash, g.wrong, extract(epoch from g.locked_until - now())::float8 as left from gate.pins g
         join people p on p.id = g.person_id and p.erased_at is null and p.role <> 'child' where g.person_id = $1 for update of g`,
      [person],
    );
    const [known] = rows;
    if (!known) return refuse('That person has no PIN: it is set on the server’s own screen.');
    if (known.left !== null && known.left > 0)
      return refuse(
        `Too many wrong PINs. Again in ${inMinutes(known.left)}; or set a new one on the server’s own screen.`,
      );
    if (!(await verify(known.pin_hash, pin))) {
      const wrong = known.wrong + 1;
      const lockS = wrong > FREE_TRIES ? Math.min(LONGEST_LOCK_S, FIRST_LOCK_S * 2 ** (wrong - FREE_TRIES - 1)) : 0;
      await client.query(
        "update gate.pins set wrong = $2, locked_until = case when $3 > 0 then now() + $3 * interval '1 second' end where person_id = $1",
        [person, wrong, lockS],
      );
      return refuse('That is not the PIN.', {
        pin: lockS > 0 ? `Not the PIN. Again in ${inMinutes(lockS)}.` : 'Not the PIN.',
      });
    }
    await client.query('update gate.pins set wrong = 0, locked_until = null where person_id = $1', [person]);
    await client.query('update gate.sessions set ended_at = now() where device_id = $1 and ended_at is null', [device]);
    const [token, session] = [freshToken(), randomUUID()];
    await client.query('insert into gate.sessions (id, device_id, person_id, token_hash) values ($1, $2, $3, $4)', [
      session,
      device,
      person,
      sha(token),
    ]);
    return { ok: true, token, session };
  });

/** Nobody is signed on the device from now on. */
export const signOff = (device: string): Promise<unknown> =>
  query('update gate.sessions set ended_at = now() where device_id = $1 and ended_at is null', [device]);

/** The screen of the device was left alone: who has signed on it signs again before anything is done. */
export const lockScreen = (device: string): Promise<unknown> =>
  query('update gate.sessions set locked_at = now() where device_id = $1 and ended_at is null and locked_at is null', [
    device,
  ]);

const sessionRow = z.object({
  device: z.string(),
  person: z.string(),
  began: z.number(),
  ends: z.number(),
  role: z.enum(ROLES).nullable(),
});
/** A session, open or over, with what its person may now and when it ends or did, ms since 1970; null: none of that id. */
export const sessionOf = async (id: string): Promise<z.output<typeof sessionRow> | null> =>
  (
    await rowsFrom(
      sessionRow,
      `select s.device_id as device, s.person_id as person, (extract(epoch from s.began_at) * 1000)::float8 as began,
              (extract(epoch from least(gate.session_ends(s), s.locked_at)) * 1000)::float8 as ends, p.role
         from gate.sessions s left join people p on p.id = s.person_id and p.erased_at is null where s.id = $1`,
      [id],
    )
  )[0] ?? null;

/** Notes what was done through the door, or about who may come in. @param answer `done`, or why not */
export const noteDone = (what: string, answer: string, who: DoneBy): Promise<unknown> =>
  query(
    'insert into gate.audit (done_at, device_id, person_id, what, answer) values (coalesce($1, now()), $2, $3, $4, $5)',
    [doneAt(), who.device, who.person, what, answer],
  );

const auditRow = z.object({
  at: z.date(),
  doneAt: z.date(),
  what: z.string(),
  answer: z.string(),
  person: z.string().nullable(),
  device: z.string().nullable(),
});
/** What was done through the door, the last first. @param most rows */
export const auditLog = (most: number): Promise<z.output<typeof auditRow>[]> =>
  rowsFrom(
    auditRow,
    `select a.at, a.done_at as "doneAt", a.what, a.answer, p.name as person, d.name || case when d.place = '' then '' else ', ' || d.place end as device
       from gate.audit a left join people p on p.id = a.person_id left join gate.devices d on d.id = a.device_id order by a.id desc limit $1`,
    [most],
  );

const tokenRow = z.object({
  id: z.string(),
  name: z.string(),
  scope: z.enum(['read', 'write'] satisfies (typeof SCOPES)[number][]),
  expiresAt: z.date(),
  seenAt: z.date().nullable(),
});
/** Tokens of programs that are good, or were until their day was over. */
export const tokens = (): Promise<z.output<typeof tokenRow>[]> =>
  rowsFrom(
    tokenRow,
    'select id, name, scope, expires_at as "expiresAt", seen_at as "seenAt" from gate.tokens where revoked_at is null order by made_at desc',
  );

/** A token for a program. @returns it, told once and kept nowhere */
export async function makeToken({
  name,
  scope,
  days,
}: z.output<typeof tokenSchema>): Promise<ActionResult<{ readonly token: string }>> {
  const token = freshToken();
  await query(
    "insert into gate.tokens (id, name, token_hash, scope, expires_at) values ($1, $2, $3, $4, now() + $5 * interval '1 day')",
    [randomUUID(), name, sha(token), scope, days],
  );
  return { ok: true, token };
}

/** A token is good no more; once, however often it is told. */
export async function dropToken(id: string): Promise<ActionResult> {
  await query('update gate.tokens set revoked_at = coalesce(revoked_at, now()) where id = $1', [id]);
  return { ok: true };
}

const handsRow = z.object({
  weighed: z.array(z.string()),
  tapped: z.array(z.string()),
  judged: z.string().nullable(),
});
/** Who has signed for what was weighed, tapped and judged of a batch, each once. */
export const handsOf = async (batchId: string): Promise<z.output<typeof handsRow> | null> =>
  (
    await rowsFrom(
      handsRow,
      `select array(select distinct s from (select ${signedBy('t')} as s from batch_ticks t where t.batch_id = b.id
                                            union select ${signedBy('w')} from batch_weights w where w.batch_id = b.id) x where s is not null order by s) as weighed,
              array(select distinct s from (select ${signedBy('t')} as s from batch_taps t where t.batch_id = b.id) x where s is not null order by s) as tapped,
              ${signedBy('b')} as judged
         from batches b where b.id = $1`,
      [batchId],
    )
  )[0] ?? null;

/** The screens say so long before that the door's certificate ends, ms: its own is renewed before, by itself. */
const SAID_BEFORE_MS = 14 * 86_400_000;
/** When the certificate of the door ends, where that is near or past; null: it is not. */
export async function certificateEnds(now = Date.now()): Promise<Date | null> {
  const [row] = await rowsFrom(z.object({ at: z.date() }), 'select ends_at as at from gate.door');
  return row && row.at.getTime() - now < SAID_BEFORE_MS ? row.at : null;
}
