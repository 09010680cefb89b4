'use server';
/** What the premix pages ask the server to do. */
import type { z } from 'zod';
import { AWAY, type Done, everyPageAnew, invalid, refuse } from '@/app/answers';
import { discardSchema, dropPremixSchema, fromBagsSchema, lotSchema, premixSchema } from '@/contract/premix';
import { reach } from '@/server/db/pool';
import { versionById } from '@/server/queries/formulas';
import { discardBags, dropPremix, keepPremix } from '@/server/queries/premixes';
import { makeLot, startFromBags } from '@/server/usecases/premix-lots';

const GONE = 'That is not in this kitchen any more.';

/** Checks, does, and draws every page anew where it was done. */
async function acted<S extends z.ZodType, T extends object>(schema: S, input: unknown, work: (data: z.output<S>) => Promise<Done<T>>): Promise<Done<T>> {
  const checked = schema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => work(checked.data));
  if (!r.up) return AWAY;
  if (r.value.ok) everyPageAnew();
  return r.value;
}

type Said = { readonly ok: true; readonly id: string } | { readonly ok: false; readonly path: string; readonly message: string };
const answered = (a: Said): Done<{ readonly id: string }> => (a.ok ? { ok: true, id: a.id } : refuse(a.message, { [a.path]: a.message }));

export const keepMix = async (input: unknown): Promise<Done<{ readonly id: string }>> =>
  acted(premixSchema, input, async (p) => {
    if (!(await versionById(p.versionId))) return refuse(GONE);
    const kept = await keepPremix(p);
    if (kept === 'name') return refuse('There is one of that name already.', { name: 'There is one of that name already.' });
    if (kept === 'lots') return refuse('Lots were made of this bag: what is in it stays. Make another premix for other powders.');
    return kept ? { ok: true, id: kept } : refuse(GONE);
  });

export const dropMix = async (input: unknown): Promise<Done<object>> =>
  acted(dropPremixSchema, input, async ({ id }) => ((await dropPremix(id)) ? { ok: true } : refuse('Lots were made of it: it stays, for their books.')));

export const makeMixLot = async (input: unknown): Promise<Done<{ readonly id: string }>> => acted(lotSchema, input, async (l) => answered(await makeLot(l)));

export const useBags = async (input: unknown): Promise<Done<{ readonly id: string }>> =>
  acted(fromBagsSchema, input, async (f) => answered(await startFromBags(f)));

export const loseBags = async (input: unknown): Promise<Done<{ readonly id: string }>> =>
  acted(discardSchema, input, async (d) => answered(await discardBags(d.lotId, d.bags, d.why)));
