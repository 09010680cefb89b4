/**
 * Every action in one frame: who sends it may, what comes in is cleaned and checked, what goes wrong is told apart,
 * logged and answered as a value.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import { revalidatePath } from 'next/cache';
import { headers } from 'next/headers';
import type { z } from 'zod';
import { type ActionResult, type Refusal, refuse } from '@/contract/action-result';
import { clean } from '@/contract/clean';
import { invalid } from '@/contract/fields';
import type { AnyAct } from '@/contract/roles';
import { RecordsTrouble } from '@/server/db/trouble';
import { failureId, logLine } from '@/server/log';
import { doneAs, type Sender, senderOf } from './way-in';

/** Whose what follows is, where it is not theirs who have signed now: an act that waited in a browser. */
const sender = new AsyncLocalStorage<Sender>();
export const sentBy = <T>(who: Sender, work: () => Promise<T>): Promise<T> => sender.run(who, work);

/**
 * @param name as it stands in the log, and in the table of who may
 * @param after `revalidate`: where it was done every page is drawn anew, those kept for going back too
 */
export async function acted<S extends z.ZodType, T extends object>(
  name: AnyAct,
  schema: S,
  input: unknown,
  work: (data: z.output<S>) => Promise<ActionResult<T>>,
  after: 'revalidate' | 'nothing' = 'revalidate',
): Promise<ActionResult<T>> {
  const began = performance.now();
  const answered = <A extends Refusal>(a: A, facts: object = {}): A => {
    const where = Object.keys(a.fields).slice(0, 5);
    logLine('action', {
      action: name,
      answer: a.kind,
      ms: Math.round(performance.now() - began),
      ...(where.length > 0 && { where }),
      ...facts,
    });
    return a;
  };
  try {
    const who = sender.getStore() ?? senderOf(await headers());
    // whether they may comes first: what is refused to a role is not read
    const result = await doneAs(who, name, async () => {
      const checked = schema.safeParse(clean(input));
      return checked.success ? work(checked.data) : invalid(checked.error);
    });
    if (!result.ok) return answered(result);
    if (after === 'revalidate') revalidatePath('/', 'layout');
    return result;
  } catch (e) {
    if (e instanceof RecordsTrouble) return answered(refuse(e.message, {}, e.kind), { said: e.said });
    const id = failureId();
    return answered(
      refuse(
        `Something is wrong with Even Crumb here: it is in its log as ${id}. What you typed is still here; the same again would go wrong again.`,
        {},
        'fault',
      ),
      { failure: id, stack: e instanceof Error ? e.stack : String(e) },
    );
  }
}
