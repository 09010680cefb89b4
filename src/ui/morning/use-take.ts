'use client';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { MorningChange } from '@/core/morning/changes';
import { type MorningPlan, plannedWith } from '@/core/morning/plan';
import { act } from '../kit/answer';
import { type Asking, useAsking } from '../kit/asking';
import { useRefresh } from '../kit/refresh';
import { toastUndoAct } from '../kit/undo';

export interface KeepsMorning {
  readonly id: string;
  readonly revision: number;
  readonly plan: MorningPlan;
  readonly keep: (input: unknown) => Promise<ActionResult<Kept>>;
}

interface Taking {
  readonly asking: Asking;
  /**
   * @param label what is changed, in words
   * @param changes one after the other
   * @returns whether it is kept
   */
  readonly take: (label: string, changes: readonly MorningChange[]) => Promise<boolean>;
}

export function useTake({ id, revision, plan, keep }: KeepsMorning): Taking {
  const refresh = useRefresh();
  const asking = useAsking();
  const send = (to: MorningPlan, seen: { readonly revision: number; readonly base: MorningPlan }) =>
    act('keep-morning', plan.name || `the morning of ${plan.day}`, keep, { id, plan: to, seen });
  return {
    asking,
    take: async (label, changes) => {
      const to = changes.reduce(plannedWith, plan);
      const a = await asking.ask(() => send(to, { revision, base: plan }));
      if (!a?.ok) return false;
      refresh();
      toastUndoAct(label, () => send(plan, { revision: a.revision, base: to }), refresh);
      return true;
    },
  };
}
