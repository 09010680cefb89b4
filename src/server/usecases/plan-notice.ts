/** What has to be told of a plan that is kept for later: from the sheet that it would be started with, on its day. */
import { waysOf } from '@/core/batch/batch';
import { type NoticeOf, noticeOf } from '@/core/batch/notice';
import { kitchenOf } from '@/core/formula/formula';
import type { KindId } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { findIngredient } from '@/core/pantry/pantry';
import type { KeptPlan } from '../queries/plans';
import { versionById } from '../queries/versions';
import { prepareBatch } from './start-batch';

export interface PlanNotice {
  readonly id: string;
  readonly name: string;
  readonly versionNumber: number;
  readonly kind: KindId;
  readonly serveAt: Date | null;
  readonly notice: NoticeOf;
  /** Bags of premix make a part of it. */
  readonly bags: boolean;
}

/** @returns null where the plan can't be read or made any more: the formula's own notice stands then */
export async function noticeOfPlan(plan: KeptPlan, house: Kitchen): Promise<PlanNotice | null> {
  if (!plan.asked) return null;
  const [made, v] = [await prepareBatch(plan.asked), await versionById(plan.versionId)];
  if (!made.ok || !v) return null;
  const { batch } = made.value.write;
  const of = { ...batch, kind: batch.kind ?? v.formula.kind, entries: [] };
  const ways = waysOf({ ...of, ways: kitchenOf(v.formula, house).ways }, house);
  return {
    id: plan.id,
    name: `${plan.name}${batch.ending ? `, ${batch.ending}` : ''}`,
    versionNumber: plan.versionNumber,
    kind: of.kind,
    serveAt: plan.serveAt,
    notice: noticeOf(of, ways, (id) => findIngredient(id, house.conventions.own)),
    bags: plan.asked.bags.length > 0,
  };
}
