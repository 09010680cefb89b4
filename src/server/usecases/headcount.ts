/** One headcount out of bags and of fresh batter: the batches are begun together, or none of them is. */
import { randomUUID } from 'node:crypto';
import { Undone } from '../db/undone';
import { loadHouse } from '../queries/house';
import { takeKeptIn } from '../queries/kept';
import { prepareBags } from './premix-lots';
import { prepareBatch, type Start, type Started, type ToWrite, writeBatches } from './start-batch';

export interface Together extends Start {
  /** Bags of lots that make a part of it, poured in the plan's portion. */
  readonly bags?: readonly { readonly lotId: string; readonly bags: number }[];
  /** Kept pieces that make a part of it. */
  readonly kept?: readonly { readonly lotId: string; readonly pieces: number }[];
  /** They make all of it: nothing is mixed fresh. */
  readonly bagsAlone?: boolean;
}

/** @returns the fresh batch, or the first of the bags where they make all of it; or why nothing is begun */
export async function startTogether({ bags = [], bagsAlone = false, kept = [], ...s }: Together): Promise<Started> {
  const all: ToWrite[] = [];
  if (!bagsAlone || bags.length === 0) {
    const fresh = await prepareBatch(s);
    if (!fresh.ok) return fresh.error;
    all.push(fresh.value.write);
  }
  for (const b of bags) {
    // one press of the button is told by its first batch
    const made = await prepareBags(
      { ...b, product: null, take: s.take ?? 'no', requestId: all.length === 0 ? (s.requestId ?? null) : null },
      s.portionMl,
    );
    if (!made.ok) return made.error;
    all.push(made.value.write);
  }
  // what is kept goes with the first
  const [first] = all;
  if (first && kept.length > 0)
    all[0] = {
      ...first,
      also: async (client, id) => {
        await first.also?.(client, id);
        const no = await takeKeptIn(client, id, kept);
        if (no) throw new Undone<Started>({ ok: false, path: `kept.${no.lotId}`, message: no.says });
      },
    };
  const headcount = all.length > 1 ? randomUUID() : null;
  return writeBatches(
    all.map((w) => ({ ...w, batch: { ...w.batch, headcount, serving: s.serving ?? null } })),
    await loadHouse(),
  );
}
