/** One headcount out of bags and of fresh batter: the batches are begun together, or none of them is. */
import { randomUUID } from 'node:crypto';
import { prepareBags } from './premix-lots';
import { prepareBatch, type Start, type Started, type ToWrite, writeBatches } from './start-batch';

export interface Together extends Start {
  /** Bags of lots that make a part of it, poured in the plan's portion. */
  readonly bags?: readonly { readonly lotId: string; readonly bags: number }[];
}

/** @returns the fresh batch; or why nothing is begun */
export async function startTogether({ bags = [], ...s }: Together): Promise<Started> {
  const fresh = await prepareBatch(s);
  if (!fresh.ok) return fresh.error;
  if (bags.length === 0) return writeBatches([fresh.value.write], fresh.value.house);
  const headcount = randomUUID();
  const all: ToWrite[] = [fresh.value.write];
  for (const b of bags) {
    const made = await prepareBags({ ...b, product: null, take: s.take ?? 'no', requestId: null }, s.portionMl);
    if (!made.ok) return made.error;
    all.push(made.value.write);
  }
  return writeBatches(
    all.map((w) => ({ ...w, batch: { ...w.batch, headcount, serving: s.serving ?? null } })),
    fresh.value.house,
  );
}
