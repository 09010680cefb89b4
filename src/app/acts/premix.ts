/** What the premix pages ask the server to do. */
import { acted } from '@/app/acted';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { requestId, seen } from '@/contract/fields';
import {
  bagsBackSchema,
  bagsGoneSchema,
  batchSacksSchema,
  correctLotSchema,
  countBagsSchema,
  dropPremixSchema,
  fromBagsSchema,
  giveUpLotSchema,
  lotOrderSchema,
  lotSchema,
  lotTestSchema,
  premixSchema,
  strikeTestSchema,
  tracesSchema,
  undoUseSchema,
  voidLotSchema,
  weighLotSchema,
} from '@/contract/premix';
import { correctLot, countBags, giveBack, letBagsGo, undoUse, voidLot } from '@/server/queries/lot-books';
import { keepTest, strikeTest } from '@/server/queries/lot-tests';
import { dropPremix, keepPremix, keepTraces, type PremixFields } from '@/server/queries/premixes';
import { GONE, type OpenedRow } from '@/server/queries/revised';
import { versionById } from '@/server/queries/versions';
import { giveUpLot, noteBatchSacks, orderLot, weighLot } from '@/server/usecases/lot-works';
import { freezeOld, makeLot, startFromBags } from '@/server/usecases/premix-lots';

type Said =
  | { readonly ok: true; readonly id: string }
  | { readonly ok: false; readonly path: string; readonly message: string };
type WithId = ActionResult<{ readonly id: string }>;
const answered = (a: Said): WithId => (a.ok ? { ok: true, id: a.id } : refuse(a.message, { [a.path]: a.message }));

export const keepMix = async (input: unknown): Promise<ActionResult<Kept & { readonly id: string }>> =>
  acted('keep-premix', premixSchema.extend({ seen, requestId }), input, async ({ seen, requestId, ...p }) => {
    if (!(await versionById(p.versionId))) return refuse(GONE);
    if (p.id) await freezeOld(p.id);
    return keepPremix(p, seen as OpenedRow<PremixFields> | null, requestId);
  });

export const dropMix = async (input: unknown): Promise<ActionResult> =>
  acted('drop-premix', dropPremixSchema, input, async ({ id }) =>
    (await dropPremix(id)) ? { ok: true } : refuse('Lots were made of it: it stays, for their books.'),
  );

export const makeMixLot = async (input: unknown): Promise<WithId> =>
  acted('make-lot', lotSchema, input, async (l) => answered(await makeLot(l)));

export const weighTheLot = async (input: unknown): Promise<ActionResult> =>
  acted('weigh-lot', weighLotSchema, input, weighLot);

export const giveUpTheLot = async (input: unknown): Promise<ActionResult> =>
  acted('give-up-lot', giveUpLotSchema, input, ({ workId, why, requestId }) => giveUpLot(workId, why, requestId));

export const useBags = async (input: unknown): Promise<WithId> =>
  acted('use-bags', fromBagsSchema, input, async (f) => answered(await startFromBags(f)));

export const bagsGone = async (input: unknown): Promise<WithId> =>
  acted('bags-gone', bagsGoneSchema, input, async ({ lotId, requestId, ...l }) =>
    answered(await letBagsGo(lotId, l, requestId)),
  );

export const bagsBack = async (input: unknown): Promise<WithId> =>
  acted('bags-back', bagsBackSchema, input, async ({ requestId, ...b }) => answered(await giveBack(b, requestId)));

export const countTheBags = async (input: unknown): Promise<WithId> =>
  acted('count-bags', countBagsSchema, input, async ({ lotId, counted, who, why, requestId }) =>
    answered(await countBags(lotId, counted, who, why, requestId)),
  );

export const undoGone = async (input: unknown): Promise<WithId> =>
  acted('undo-gone', undoUseSchema, input, async ({ useId, who, why, requestId }) =>
    answered(await undoUse(useId, who, why, requestId)),
  );

export const correctTheLot = async (input: unknown): Promise<WithId> =>
  acted('correct-lot', correctLotSchema, input, async ({ lotId, who, why, requestId, ...to }) =>
    answered(await correctLot(lotId, to, who, why, requestId)),
  );

export const sayTraces = async (input: unknown): Promise<ActionResult> =>
  acted('say-traces', tracesSchema, input, async ({ lotId, traces, who }) =>
    (await keepTraces(lotId, traces, who)) ? { ok: true } : refuse(GONE),
  );

export const orderTheLot = async (input: unknown): Promise<ActionResult> =>
  acted('order-lot', lotOrderSchema, input, orderLot);

export const testTheLot = async (input: unknown): Promise<ActionResult> =>
  acted('test-lot', lotTestSchema, input, async (t) =>
    (await keepTest(t)) ? { ok: true } : refuse('That lot is cancelled, or not in this kitchen.'),
  );

export const strikeTheTest = async (input: unknown): Promise<ActionResult> =>
  acted('strike-test', strikeTestSchema, input, async ({ testId }) =>
    (await strikeTest(testId)) ? { ok: true } : refuse(GONE),
  );

export const noteSacks = async (input: unknown): Promise<ActionResult> =>
  acted('note-sacks', batchSacksSchema, input, noteBatchSacks);

export const voidTheLot = async (input: unknown): Promise<WithId> =>
  acted('void-lot', voidLotSchema, input, async ({ lotId, who, why, back, requestId }) =>
    answered(await voidLot(lotId, who, why, back, requestId)),
  );
