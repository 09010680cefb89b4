/** How a request came in and who sends it, by the headers that the proxy alone sets. */
import { type ActionResult, refuse } from '@/contract/action-result';
import { DEVICE, LOCKED, PERSON, ROLE, SESSION, WAY_IN } from '@/contract/device';
import { type AnyAct, atLeast, leastFor, MAY, MAY_WORDS, type May } from '@/contract/roles';
import { type DoneBy, doneBy } from '@/server/db/done';
import { noteDone, sessionOf } from '@/server/queries/sign-in';

type Headers = { readonly get: (name: string) => string | null };

/**
 * `own`: by the listener on 127.0.0.1, the server's own screen; `device`: by the kitchen's door, paired; `outside`: by
 * the door, and nobody knows it yet.
 */
export function wayIn(headers: Headers): 'own' | 'device' | 'outside' {
  if (headers.get(WAY_IN) === 'own') return 'own';
  return headers.get(DEVICE) ? 'device' : 'outside';
}

/** What belongs to the server's own screen is refused everywhere else. */
export const ownScreenOnly = (headers: Headers): ActionResult =>
  wayIn(headers) === 'own' ? { ok: true } : refuse('That is done on the server’s own screen alone.');

/** Who sends a request, and what they may. */
export interface Sender extends DoneBy {
  readonly session: string | null;
  readonly may: May;
  /** The screen was left alone: nothing is done before the PIN. */
  readonly locked: boolean;
}

/** The sender of a request: on the server's own screen whoever stands there leads. */
export function senderOf(headers: Headers): Sender {
  if (headers.get(WAY_IN) === 'own') return { device: null, person: null, session: null, may: 'lead', locked: false };
  return {
    device: headers.get(DEVICE) || null,
    person: headers.get(PERSON) || null,
    session: headers.get(SESSION) || null,
    may: MAY.find((m) => m === headers.get(ROLE)) ?? 'guest',
    locked: headers.get(LOCKED) === 'yes',
  };
}

/** Refused where a role may not do an act; on a locked screen it waits. */
function mayDo(who: Pick<Sender, 'may' | 'locked'>, act: AnyAct): ActionResult {
  if (who.locked) return refuse('This screen waits for a PIN: it goes in after that.', {}, 'away');
  return atLeast(who.may, leastFor(act))
    ? { ok: true }
    : refuse(
        who.may === 'guest'
          ? 'Nobody has signed on this device: sign with your name and PIN, and send it again.'
          : `That is for somebody who ${MAY_WORDS[leastFor(act)]}. Who has signed here ${MAY_WORDS[who.may]}.`,
      );
}

/** Does an act as somebody, and notes it where it came through the door. */
export async function doneAs<T extends object>(
  who: Sender,
  act: AnyAct,
  work: () => Promise<ActionResult<T>>,
): Promise<ActionResult<T>> {
  const may = mayDo(who, act);
  const result = may.ok ? await doneBy(who, work) : may;
  if (who.device) await noteDone(act, result.ok ? 'done' : result.kind, who);
  return result;
}

/** So far a device's clock may be off the server's for an act to be of a session, ms. */
const CLOCK_MS = 2 * 60_000;

/**
 * Whose an act is that waited in a browser: theirs who had signed on that device when it was done, whoever has since.
 * What another device did, or one that was let out since, waits for somebody who leads.
 * @param session that was open when it was done; null: nobody had signed
 * @param device it was done on; null: not told
 * @param agoMs how long ago it was done, ms; of what is told at the counter, each item's
 */
export async function senderOfAct(
  now: Sender,
  session: string | null,
  device: string | null,
  agoMs: readonly number[],
): Promise<ActionResult<{ readonly who: Sender }>> {
  if (!now.device) return { ok: true, who: now };
  // it is nobody else's to sign for: who leads takes it upon themselves
  const leads = (why: string): ActionResult<{ readonly who: Sender }> =>
    now.may === 'lead' ? { ok: true, who: now } : refuse(`${why}: somebody who leads sends it in.`);
  if (device !== null && device !== now.device)
    return leads('That was done on this device before it was let out, or on another');
  if (session === now.session) return { ok: true, who: now };
  // nobody had signed: the device is known, and who signs now does not sign for it
  if (session === null) return { ok: true, who: { ...now, person: null, session: null } };
  const then = await sessionOf(session);
  if (!then) return leads('Nobody knows who had signed when that was done');
  if (then.device !== now.device) return leads('That was done on another device');
  const at = Date.now();
  if (agoMs.some((ago) => at - ago < then.began - CLOCK_MS || at - ago > then.ends + CLOCK_MS))
    return leads('That was not done while the person it says had signed');
  return {
    ok: true,
    who: {
      device: now.device,
      person: then.person,
      session,
      may: then.role === null || then.role === 'child' ? 'guest' : then.role,
      locked: false,
    },
  };
}
