'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import type { KeptLot } from '@/core/batch/kept';
import type { Side } from '@/core/batch/sides';
import { ONE } from '@/core/batch/split';
import type { EndId, Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Shelf } from '@/core/pantry/stock';
import type { Bagged } from '@/core/premix/use';
import type { SideTimes } from '@/core/script/on-heat';
import { act } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { useCopy } from '../kit/drafts';
import { useRefresh } from '../kit/refresh';
import { useTime } from '../kit/time';
import { toast } from '../kit/toast';
import type { PlanTyped } from './plan.state';
import { AsksHow, AsksHowMuch } from './plan-asks';
import { PlanSheet, PlanStart } from './plan-makes';
import { type PlanOpenedWith, type PlanStands, planOpens } from './plan-opens';
import { usePlan } from './use-plan';

const UNREAD_SERVING = 'When it is served can’t be read: mend it there, or switch the set time off.';
const NO_BAGS: readonly Bagged[] = [];
const NO_LOTS: readonly KeptLot[] = [];
/** A plan that was left lying is brought back for this long, ms: tomorrow's is another. */
const LEFT_LYING_MS = 12 * 3_600_000;

type MakeAnswer = ActionResult<{ readonly batchId: string }>;

interface Props {
  readonly formulaId: string;
  readonly versionId: string;
  readonly number: number;
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly sides: readonly Side[];
  /** Seconds of each side on the heat, as earlier batches were timed. */
  readonly timed: SideTimes | null;
  /** The end of a forked formula that is asked for; null in one that is not. */
  readonly end: EndId | null;
  readonly pieces: string | null;
  /** The number is of people, and not of pieces. */
  readonly people?: boolean;
  /** All there is of one thing drives it; null: something else does. */
  readonly all?: { readonly ingredientId: string; readonly grams: number } | null;
  /** As a sentence began it. */
  readonly begun?: Pick<PlanOpenedWith, 'each' | 'serveAt' | 'on'>;
  /** Bags of this formula's premix that are left. */
  readonly bagged?: readonly Bagged[];
  /** What is kept of earlier makings. */
  readonly kept?: readonly KeptLot[];
  /** The plan that was kept for later, as it stood; null: a new one. */
  readonly plan?: {
    readonly id: string;
    readonly revision: number;
    readonly typed: PlanStands | null;
  } | null;
  /** The morning that it is made for; null: it is made by itself. */
  readonly morningId: string | null;
  readonly make: (input: unknown) => Promise<MakeAnswer>;
  readonly keep: (input: unknown) => Promise<ActionResult<{ readonly id: string; readonly revision: number }>>;
}

/** Plan: what drives the batch, how it is mixed, what goes with it, and the sheet to mix from. */
export function Plan({
  formulaId,
  versionId,
  number,
  formula,
  house,
  shelf,
  sides,
  timed,
  end,
  pieces,
  people = false,
  all = null,
  bagged = NO_BAGS,
  kept = NO_LOTS,
  begun,
  plan = null,
  morningId,
  make,
  keep,
}: Props) {
  const router = useRouter();
  const refresh = useRefresh();
  const time = useTime();
  const [saved, setSaved] = useState(plan && { id: plan.id, revision: plan.revision });
  // what was left belongs to what was asked for: another version, number or end opens as it is asked
  const copy = useCopy<PlanStands>(
    `plan:${[versionId, saved?.id, saved?.revision, end, pieces, people, all?.ingredientId, all?.grams, begun?.each, begun?.serveAt].join(':')}`,
    () => plan?.typed ?? planOpens(formula, house, { end, pieces, people, all, ...begun }),
    LEFT_LYING_MS,
  );
  const { value: s } = copy;
  const [servingWrong, setServingWrong] = useState(false);
  const asking = useAsking(copy.name);
  const change = (part: Partial<PlanStands>): void => {
    asking.touched();
    copy.set(part);
  };
  const drive = (part: Partial<PlanTyped>): void => change({ eggs: null, typed: { ...s.typed, ...part } });
  const p = usePlan({ formula, house, shelf, sides, timed, bagged, keptLots: kept, stands: s });
  const bench = `/formulas/${formulaId}?version=${number}`;

  /** What is asked to start it; null where something has to be said first, which is then asked at its place. */
  const askedNow = () => {
    const split = p.split?.split ?? (p.bagsAlone ? ONE : null);
    const driver = p.driver ?? p.bagsAlone;
    if (!driver || !split) return null;
    if (p.asksPan && p.panfulMl === null) {
      asking.found({ 'pan.cm': 'It fills its pan: say how wide that is.' });
      return null;
    }
    if (servingWrong) {
      asking.found({ serving: UNREAD_SERVING });
      document.querySelector<HTMLElement>('[aria-label="When it is served"] [aria-invalid]')?.focus();
      return null;
    }
    return {
      versionId,
      driver,
      bagsAlone: p.driver === null,
      exactness: s.exactness,
      portionMl: p.portionMl,
      end: s.end,
      split,
      eggs: s.eggs,
      sides: p.besideRead.sides,
      serving: s.serving,
      lit: s.lit,
      litSecond: s.litSecond,
      portionSaid: p.portionSaid ?? undefined,
      bags: p.bags?.taken.map((t) => ({ lotId: t.bagged.lot.id, bags: t.bags })) ?? [],
      kept: p.kept?.taken.map((t) => ({ lotId: t.lot.id, pieces: t.pieces })) ?? [],
      take: s.take ? (p.short.length > 0 ? 'anyway' : 'enough') : 'no',
    };
  };
  const start = async (): Promise<void> => {
    const what = askedNow();
    if (!what) return;
    const a = await asking.ask(
      (requestId) =>
        act('start-batch', `${formula.name}, started`, make, {
          ...what,
          planId: saved?.id ?? null,
          morningId,
          requestId,
        }),
      true,
    );
    if (a?.ok) {
      copy.drop();
      router.push(`/batches/${a.batchId}/prep`);
    }
    // the shelf may have been emptied by another since this page was drawn
    else if (a?.fields.take) refresh();
  };

  /** Kept for later: nothing is begun, and nothing leaves the shelf. */
  const keepIt = async (): Promise<void> => {
    const asked = askedNow();
    if (!asked) return;
    const [id, revision] = [saved?.id ?? null, saved?.revision ?? null];
    const a = await asking.ask(
      (requestId) =>
        act('keep-plan', `the plan of ${formula.name}`, keep, { id, revision, asked, typed: s, requestId }),
      false,
    );
    if (!a?.ok) return;
    copy.drop();
    setSaved({ id: a.id, revision: a.revision });
    // a reload opens it as it was kept
    window.history.replaceState(null, '', `/formulas/${formulaId}/plan?plan=${a.id}`);
    const day = s.serving ? ` for ${time.andDay(s.serving.at, Date.now())}` : '';
    toast(`Kept${day}: it waits on Today, and nothing is taken from stock yet.`);
  };

  const errors = { ...asking.errors, ...p.errors, ...p.besideRead.errors };
  const refused = asking.errors;
  const asks = { formula, house, shelf, sides, bagged, kept, s, change, drive, p, errors, refused };
  return (
    <div className="grid gap-6 lg:grid-cols-[23rem_1fr] print:block">
      <section aria-label="How much is made" className="flex flex-col gap-4 print:hidden">
        {copy.startOver ? (
          <p className="flex flex-wrap items-center gap-x-3" role="status">
            Opened as you left it.
            <Button look="bare" onClick={copy.startOver}>
              Start over
            </Button>
          </p>
        ) : null}
        <AsksHowMuch {...asks} />
        <AsksHow {...asks} onServingWrong={setServingWrong} />
        <Button look="bare" className="self-start" onClick={() => router.push(bench)}>
          Back to the bench
        </Button>
      </section>
      <div className="grid content-start gap-4">
        <PlanStart
          {...{ formula, house, s, change, p, asking, start }}
          back={bench}
          saved={saved !== null}
          keep={keepIt}
        />
        <PlanSheet
          {...{ formulaId, formula, house, shelf, number, s, p }}
          notice={`/formulas/${formulaId}/notice?version=${number}${saved ? `&plan=${saved.id}` : ''}`}
        />
      </div>
    </div>
  );
}
