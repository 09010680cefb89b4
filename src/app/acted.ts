/**
 * Every action in one frame: what comes in is cleaned and checked, what goes wrong is told apart, logged and answered
 * as a value.
 */
import { revalidatePath } from 'next/cache';
import type { z } from 'zod';
import { type ActionResult, type Refusal, refuse } from '@/contract/action-result';
import { clean } from '@/contract/clean';
import { invalid } from '@/contract/fields';
import { RecordsTrouble } from '@/server/db/trouble';
import { failureId, logLine } from '@/server/log';

/**
 * @param name as it stands in the log
 * @param after `revalidate`: where it was done every page is drawn anew, those kept for going back too
 */
export async function acted<S extends z.ZodType, T extends object>(
  name: string,
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
    const checked = schema.safeParse(clean(input));
    if (!checked.success) return answered(invalid(checked.error));
    const result = await work(checked.data);
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
