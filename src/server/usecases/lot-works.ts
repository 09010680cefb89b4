/** A lot weighed in the records: blend by blend, on whichever device, each weighing put right with its reason. */
import type { PoolClient } from 'pg';
import { type ActionResult, refuse } from '@/contract/action-result';
import { kitchenName } from '@/core/pantry/ingredient';
import { isOrder, standingWeighings, weighedG } from '@/core/premix/blended';
import type { Sack } from '@/core/premix/premix';
import type { BatchSack } from '@/core/premix/recall';
import { blendSheet, type Fill, massOfFills } from '@/core/premix/weigh';
import { grams } from '@/core/quantity/say';
import { transaction } from '../db/pool';
import { loadHouse } from '../queries/house';
import { moveContents } from '../queries/lot-books';
import { keepBatchSacks } from '../queries/lot-tests';
import {
  beginWork,
  closeWork,
  type KeptWork,
  keepOrder,
  lockWork,
  noteWeighing,
  openWork,
  workById,
} from '../queries/lot-works';
import { GONE, onceFor } from '../queries/revised';
import { workedPremix } from './premix-lots';

interface Weigh {
  /** Made up by the browser that begins it. */
  readonly workId: string;
  readonly premixId: string;
  /** What the lot is begun for; one that is under way keeps its own. */
  readonly fills: readonly Fill[];
  readonly made: string;
  readonly key: string;
  readonly sacks: readonly Sack[];
  /** The weighing that is put right, by whom and why. */
  readonly replaces: string | null;
  readonly who: string;
  readonly why: string;
  readonly requestId: string | null;
}

const sameSacks = (a: readonly Sack[], b: readonly Sack[]): boolean =>
  a.length === b.length && a.every((s, n) => s.lot === b[n]?.lot && Math.abs(s.grams - (b[n]?.grams ?? 0)) < 0.005);

async function putRight(client: PoolClient, of: KeptWork, to: Weigh): Promise<ActionResult> {
  const was = of.weighings.find((x) => x.id === to.replaces);
  if (!was) return refuse(GONE);
  if (!standingWeighings(of.weighings).includes(was))
    return refuse('That weighing has been put right already: look at it again.');
  const { id, by: _by, at: _at, ...same } = was;
  // what is in the bags already is corrected with it, and stays as it was beside that; or neither is
  const moved = of.closedAt ? await moveContents(client, of.id, was, to.sacks, to) : null;
  if (moved && !moved.ok) return moved;
  await noteWeighing(client, of.id, { ...same, sacks: to.sacks, replaces: id, why: to.why });
  return { ok: true };
}

/** Notes one weighing, the first of a lot too; or puts one right. */
export async function weighLot(w: Weigh): Promise<ActionResult> {
  const house = await loadHouse();
  const kept = await workedPremix(w.premixId, house);
  const worked = kept?.worked;
  if (!worked) return refuse(GONE);
  return transaction((client) =>
    onceFor(client, w.requestId, 'weigh-lot', async (): Promise<ActionResult> => {
      await lockWork(client, w.premixId);
      const work = await workById(w.workId, client);
      if (w.replaces !== null) return work ? putRight(client, work, w) : refuse(GONE);
      if (work?.closedAt) return refuse('This lot is filled, or was given up: on its page a weighing is put right.');
      const other = work ? null : await openWork(w.premixId, client);
      if (other)
        return refuse(
          'A lot of this mix is being weighed already, on another screen: open the mix anew, and go on there.',
        );
      const fills = work?.fills ?? w.fills;
      const { count: blends, list } = blendSheet(worked, massOfFills(fills), house, work?.blends ?? null);
      const asked = list.find((x) => x.key === w.key);
      if (!asked) return refuse('The blend sheet has changed since: open the mix anew.');
      const had = work && standingWeighings(work.weighings).find((x) => x.key === w.key);
      if (had)
        return sameSacks(had.sacks, w.sacks)
          ? { ok: true }
          : refuse(
              `Blend ${had.blend}: ${grams(weighedG(had), house.units)} of ${had.name.toLowerCase()} ${weighedG(had) === 1 ? 'is' : 'are'} weighed in already${had.by ? `, by ${had.by}` : ''}. Put that right, where it is wrong.`,
            );
      if (!work) await beginWork(client, { id: w.workId, premixId: w.premixId, fills, made: w.made, blends });
      await noteWeighing(client, w.workId, {
        key: asked.key,
        blend: asked.blend,
        ingredientId: asked.ingredient.id,
        name: kitchenName(asked.ingredient),
        targetG: asked.targetG,
        toleranceG: asked.toleranceG,
        sacks: w.sacks,
        scale: asked.scale?.name ?? '',
        replaces: null,
        why: '',
      });
      return { ok: true };
    }),
  );
}

/** Says in which order the blends of a lot were emptied into its bags. */
export const orderLot = (o: {
  readonly workId: string;
  readonly emptied: readonly number[];
  readonly who: string;
  readonly why: string;
  readonly requestId: string | null;
}): Promise<ActionResult> =>
  transaction((client) =>
    onceFor(client, o.requestId, 'order-lot', async (): Promise<ActionResult> => {
      const work = await workById(o.workId, client);
      if (!work) return refuse(GONE);
      const each = `Each of the ${work.blends} blends once: like ${[work.blends, ...Array.from({ length: work.blends - 1 }, (_, n) => n + 1)].join(', ')}.`;
      if (!isOrder(o.emptied, work.blends)) return refuse(each, { emptied: each });
      await keepOrder(client, o);
      return { ok: true };
    }),
  );

/** Notes the codes on the packets that a batch was mixed from. */
export const noteBatchSacks = (b: {
  readonly batchId: string;
  readonly sacks: readonly BatchSack[];
  readonly who: string;
  readonly requestId: string | null;
}): Promise<ActionResult> =>
  transaction((client) =>
    onceFor(
      client,
      b.requestId,
      'note-sacks',
      async (): Promise<ActionResult> =>
        (await keepBatchSacks(client, b.batchId, b.sacks, b.who)) ? { ok: true } : refuse(GONE),
    ),
  );

/** Gives a lot up that is being weighed: its weighings stay in the records, and fill no bag. */
export const giveUpLot = (workId: string, why: string, requestId: string | null = null): Promise<ActionResult> =>
  transaction((client) =>
    onceFor(client, requestId, 'give-up-lot', async () =>
      (await closeWork(client, workId, why)) ? { ok: true } : refuse('It is filled or given up already.'),
    ),
  );
