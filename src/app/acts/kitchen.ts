/**
 * What the pages ask the server to do. Everything that comes in is checked; errors go back as values, with their place.
 */

import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import {
  againSchema,
  changeSchema,
  coversSchema,
  dropPlanSchema,
  keepPlanSchema,
  outcomeSchema,
  partSchema,
  putAwaySchema,
  putBackSchema,
  rebalanceSchema,
  servingSchema,
  startBatchSchema,
  swapSchema,
  takeUpSchema,
  targetSchema,
  unswapSchema,
  wantSchema,
} from '@/contract/batch';
import { itemSchema, tellSchema } from '@/contract/event-log';
import { fieldErrors, seen } from '@/contract/fields';
import {
  cardsSchema,
  copySchema,
  type KnownCard,
  keepCardsSchema,
  putFormulaSchema,
  saveSchema,
  takeCardsBackSchema,
} from '@/contract/formula';
import {
  careBackSchema,
  careSchema,
  houseSaveSchema,
  lessonAsideSchema,
  useLessonSchema,
  usePlacesSchema,
} from '@/contract/house';
import {
  closeMorningSchema,
  dropMorningSchema,
  keepMorningSchema,
  markSchema,
  placeMorningSchema,
  previewMorningSchema,
  swapPeopleSchema,
} from '@/contract/morning';
import { erasePersonSchema, personSchema } from '@/contract/people';
import { forgetTriesSchema, trySchema } from '@/contract/practice';
import { nothingSchema } from '@/contract/records';
import { beginTrialSchema, keepTrialSchema, oneTrialSchema, tasteSchema } from '@/contract/trial';
import type { StandInPreview } from '@/core/batch/changes';
import type { Serving } from '@/core/batch/serving';
import { happenedAt, type Item, toldAt, toldOf } from '@/core/day/event-log';
import type { Saved } from '@/core/formula/version';
import type { ChangeState } from '@/core/judge/came-back';
import type { Target } from '@/core/judge/target';
import type { MorningPreview } from '@/core/morning/preview';
import { setServing, type WholeOutcome, writeOutcome } from '@/server/queries/batches';
import { answerChange } from '@/server/queries/came-back';
import { noteCare, takeCareBack } from '@/server/queries/care';
import { type ItemAnswer, keepItems } from '@/server/queries/event-log';
import { copyFormula, putFormula } from '@/server/queries/formulas';
import { wantPieces } from '@/server/queries/griddle';
import { changeHouse } from '@/server/queries/house';
import { closeMorning, dropMorning, joinMorning, keepMorning, markStep, morningById } from '@/server/queries/mornings';
import { erasePerson, keepPerson } from '@/server/queries/people';
import { dropPlan, keepPlan, planStarted } from '@/server/queries/plans';
import { forgetTries, keepTry } from '@/server/queries/practice';
import { GONE, type OpenedRow } from '@/server/queries/revised';
import { saveTarget } from '@/server/queries/targets';
import { dropTrial, openTrial, tellTaste } from '@/server/queries/trials';
import {
  changeCovers,
  endBatch,
  makeAgain,
  previewSwap,
  putAway,
  putBack,
  standInPart,
  swapInBatch,
  takeUp,
  undoSwaps,
} from '@/server/usecases/change-batch';
import { startTogether } from '@/server/usecases/headcount';
import { keepFormula, keepMany, knownCards, takeBack } from '@/server/usecases/keep-formula';
import { setAside, switchLesson, switchPlaces } from '@/server/usecases/learned';
import { clearDemo, lookAround } from '@/server/usecases/look-around';
import { rebalanceMix } from '@/server/usecases/rebalance';
import { beginTrial, planTrial } from '@/server/usecases/trials';
import { acted } from '../acted';
import { placeMorning, previewMorning, swapPeople } from '../mornings/load';

export const saveFormula = async (input: unknown): Promise<ActionResult<{ readonly saved: Saved }>> =>
  acted('save-formula', saveSchema, input, keepFormula, 'nothing');

/** What of cards that are about to be kept is in this kitchen already. */
export const lookAtCards = async (input: unknown): Promise<ActionResult<{ readonly known: readonly KnownCard[] }>> =>
  acted('look-at-cards', cardsSchema, input, async ({ cards }) => ({ ok: true, known: await knownCards(cards) }));

/** Many cards at once, each as a formula of its own. */
export const keepCards = async (input: unknown): Promise<ActionResult<{ readonly kept: readonly string[] }>> =>
  acted('keep-cards', keepCardsSchema, input, keepMany);

/** Takes cards back that were kept together. */
export const takeCardsBack = async (input: unknown): Promise<ActionResult> =>
  acted('take-cards-back', takeCardsBackSchema, input, takeBack);

/** Loads the demo into an empty kitchen. */
export const lookAroundHere = async (): Promise<ActionResult> => acted('look-around', nothingSchema, {}, lookAround);

/** Clears a demo kitchen away, for one of the cook's own. */
export const clearDemoHere = async (): Promise<ActionResult<{ readonly file: string }>> =>
  acted('clear-demo', nothingSchema, {}, clearDemo);

/** A copy of a version as a formula of its own; its history begins with what it is a copy of. */
export const copyOfFormula = async (input: unknown): Promise<ActionResult<{ readonly saved: Saved }>> =>
  acted('copy-formula', copySchema, input, async (c) => copyFormula(c.formulaId, c.number, c.requestId));

/** Puts a formula away, deletes it, or brings it back. */
export const putAwayFormula = async (input: unknown): Promise<ActionResult> =>
  acted('put-formula', putFormulaSchema, input, async ({ formulaId, ...to }) =>
    (await putFormula(formulaId, to)) ? { ok: true } : refuse(GONE),
  );

export const makeBatch = async (input: unknown): Promise<ActionResult<{ readonly batchId: string }>> =>
  acted('start-batch', startBatchSchema, input, async (b) => {
    const started = await startTogether(b);
    if (started.ok && b.planId) await planStarted(b.planId, started.id);
    if (started.ok && b.morningId) await joinMorning(started.id, b.morningId);
    return started.ok
      ? { ok: true, batchId: started.id }
      : refuse(started.message, { [started.path]: started.message });
  });

/** Keeps a plan for later: nothing is begun, nothing leaves the shelf. */
export const keepPlanHere = async (
  input: unknown,
): Promise<ActionResult<{ readonly id: string; readonly revision: number }>> =>
  acted('keep-plan', keepPlanSchema, input, keepPlan);

export const dropPlanHere = async (input: unknown): Promise<ActionResult> =>
  acted('drop-plan', dropPlanSchema, input, async ({ id }) =>
    (await dropPlan(id)) ? { ok: true } : refuse('That plan is a batch by now.'),
  );

export const untakeBatch = async (input: unknown): Promise<ActionResult> =>
  acted('put-back', putBackSchema, input, async ({ batchId }) =>
    (await putBack(batchId))
      ? { ok: true }
      : refuse('That batch is finished, or not in this kitchen: what it took stays taken.'),
  );

/**
 * What a screen tells of a batch. Each item is answered by itself; how long ago it was told makes the time it happened,
 * by the kitchen's clock and not the screen's.
 */
export const tellBook = async (input: unknown): Promise<ActionResult<{ readonly answers: readonly ItemAnswer[] }>> =>
  acted(
    'tell-events',
    tellSchema,
    input,
    async ({ batchId, items }) => {
      const now = Date.now();
      const checked = items.map(({ item, agoMs }) => {
        const r = itemSchema.safeParse(item);
        if (!r.success)
          return { id: item.id, item: null, why: Object.values(fieldErrors(r.error))[0] ?? 'It is not well formed.' };
        const told = r.data as Item;
        const at = toldAt(told);
        return { id: item.id, item: at === null ? told : toldOf(told, happenedAt(at, agoMs, now)), why: '' };
      });
      const kept = await keepItems(
        batchId,
        checked.flatMap((c) => (c.item ? [c.item] : [])),
      );
      const answers = checked.map(
        (c): ItemAnswer => (c.item ? kept.find((k) => k.id === c.id) : null) ?? { id: c.id, ok: false, message: c.why },
      );
      return { ok: true, answers };
    },
    'nothing',
  );

export const serveAt = async (input: unknown): Promise<ActionResult<Kept>> =>
  acted('serve-at', servingSchema.extend({ seen }), input, ({ batchId, serving, seen }) =>
    setServing(batchId, serving, seen as OpenedRow<Serving | null> | null),
  );

export const swapHere = async (input: unknown): Promise<ActionResult> =>
  acted('swap-in-batch', swapSchema, input, (s) => swapInBatch(s.batchId, s.lineKey, s.to, s.with, s.requestId));

export const previewSwapHere = async (input: unknown): Promise<ActionResult<{ readonly preview: StandInPreview }>> =>
  acted('preview-swap', swapSchema, input, (s) => previewSwap(s.batchId, s.lineKey, s.to, s.with));

export const standInForPart = async (input: unknown): Promise<ActionResult> =>
  acted('stand-in-part', partSchema, input, (s) =>
    standInPart(s.batchId, s.lineKey, s.hasG, s.to, s.with, s.requestId),
  );

export const undoSwapsHere = async (input: unknown): Promise<ActionResult> =>
  acted('undo-swaps', unswapSchema, input, ({ batchId, nth, requestId }) => undoSwaps(batchId, nth, requestId));

export const coversHere = async (input: unknown): Promise<ActionResult<{ readonly stays: readonly string[] }>> =>
  acted('change-covers', coversSchema, input, ({ batchId, pieces }) => changeCovers(batchId, pieces));

/** Ends a batch that was made, without an outcome. */
export const endBatchHere = async (input: unknown): Promise<ActionResult> =>
  acted('end-batch', putBackSchema, input, async ({ batchId }) =>
    (await endBatch(batchId)) ? { ok: true } : refuse('That batch is finished already, or not in this kitchen.'),
  );

/** Takes up again what was given up or ended. */
export const takeUpBatch = async (input: unknown): Promise<ActionResult> =>
  acted('take-up', takeUpSchema, input, async ({ batchId }) => takeUp(batchId));

export const putAwayBatch = async (input: unknown): Promise<ActionResult> =>
  acted('put-away', putAwaySchema, input, async ({ batchId, back }) =>
    (await putAway(batchId, back)) ? { ok: true } : refuse('That batch is finished already, or not in this kitchen.'),
  );

export const batchAgain = async (input: unknown): Promise<ActionResult<{ readonly batchId: string }>> =>
  acted('make-again', againSchema, input, async ({ batchId, requestId }) => {
    const r = await makeAgain(batchId, requestId ?? null);
    return r.ok ? { ok: true, batchId: r.id } : refuse(r.message);
  });

export const workRestAnew = async (input: unknown): Promise<ActionResult> =>
  acted('rebalance', rebalanceSchema, input, async ({ batchId, mix, how }) =>
    (await rebalanceMix(batchId, mix, how))
      ? { ok: true }
      : refuse('That batch is finished, or its sheet can’t be read whole: it stays as it is.'),
  );

export const wantOthers = async (input: unknown): Promise<ActionResult> =>
  acted(
    'want-pieces',
    wantSchema,
    input,
    ({ batchId, by, requestId }) => wantPieces(batchId, by, requestId),
    'nothing',
  );

/** A change for next time is tried, put off, or done; or none of it again. */
export const answerNextTime = async (input: unknown): Promise<ActionResult<{ readonly was: ChangeState | null }>> =>
  acted('answer-change', changeSchema, input, async ({ batchId, state }) => answerChange(batchId, state));

export const saveOutcome = async (input: unknown): Promise<ActionResult<Kept>> =>
  acted(
    'save-outcome',
    outcomeSchema.extend({ seen }),
    input,
    ({ batchId, seen, ...outcome }) => writeOutcome(batchId, outcome, seen as OpenedRow<WholeOutcome> | null),
    'nothing',
  );

/** What is wanted of a formula. */
export const saveTargetHere = async (input: unknown): Promise<ActionResult<Kept>> =>
  acted('save-target', targetSchema.extend({ seen }), input, ({ seen, ...target }) =>
    saveTarget(target, seen as OpenedRow<Target> | null),
  );

/** An entry in a pan's diary, and its taking back. */
export const noteCareHere = async (input: unknown): Promise<ActionResult<{ readonly id: string }>> =>
  acted('note-care', careSchema, input, noteCare);
export const careBackHere = async (input: unknown): Promise<ActionResult> =>
  acted('care-back', careBackSchema, input, async ({ id }) => takeCareBack(id));

export const keepMorningHere = async (input: unknown): Promise<ActionResult<Kept>> =>
  acted('keep-morning', keepMorningSchema, input, async (m) => {
    const kept = await keepMorning(m);
    // under way, the rest is placed anew around what is done
    if (!kept.ok || !(await morningById(m.id))?.begunAt) return kept;
    const placed = await placeMorning(m.id);
    return placed.ok ? kept : placed;
  });
export const placeMorningHere = async (input: unknown): Promise<ActionResult> =>
  acted('place-morning', placeMorningSchema, input, ({ id }) => placeMorning(id));
/** What a change would change of a morning. */
export const previewMorningHere = async (input: unknown): Promise<ActionResult<{ readonly preview: MorningPreview }>> =>
  acted('preview-morning', previewMorningSchema, input, ({ id, change }) => previewMorning(id, change), 'nothing');
export const closeMorningHere = async (input: unknown): Promise<ActionResult> =>
  acted('close-morning', closeMorningSchema, input, closeMorning);
export const swapPeopleHere = async (input: unknown): Promise<ActionResult> =>
  acted('swap-people', swapPeopleSchema, input, swapPeople);
export const markStepHere = async (input: unknown): Promise<ActionResult> =>
  acted('mark-step', markSchema, input, markStep, 'nothing');
export const dropMorningHere = async (input: unknown): Promise<ActionResult> =>
  acted('drop-morning', dropMorningSchema, input, ({ id }) => dropMorning(id));

/** What was learned: used or not, and what is not to be learned from. */
export const useLessonHere = async (input: unknown): Promise<ActionResult> =>
  acted('use-lesson', useLessonSchema, input, ({ lesson, use, from }) => switchLesson(lesson, use, from));
export const usePlacesHere = async (input: unknown): Promise<ActionResult> =>
  acted('use-places', usePlacesSchema, input, ({ gearId, use, from }) => switchPlaces(gearId, use, from));
export const lessonAsideHere = async (input: unknown): Promise<ActionResult> =>
  acted('lesson-aside', lessonAsideSchema, input, ({ lesson, batchId, aside }) => setAside(lesson, batchId, aside));

/** A trial: planned, begun, tasted, opened, or dropped. */
export const keepTrialHere = async (input: unknown): Promise<ActionResult> =>
  acted('keep-trial', keepTrialSchema, input, planTrial);
export const beginTrialHere = async (input: unknown): Promise<ActionResult> =>
  acted('begin-trial', beginTrialSchema, input, ({ id, take }) => beginTrial(id, take));
export const tasteHere = async (input: unknown): Promise<ActionResult> =>
  acted('tell-taste', tasteSchema, input, tellTaste);
export const openTrialHere = async (input: unknown): Promise<ActionResult> =>
  acted('open-trial', oneTrialSchema, input, ({ id }) => openTrial(id));
export const dropTrialHere = async (input: unknown): Promise<ActionResult> =>
  acted('drop-trial', oneTrialSchema, input, ({ id }) => dropTrial(id));

export const keepPersonHere = async (input: unknown): Promise<ActionResult> =>
  acted('keep-person', personSchema, input, keepPerson);
export const erasePersonHere = async (input: unknown): Promise<ActionResult> =>
  acted('erase-person', erasePersonSchema, input, ({ id }) => erasePerson(id));

export const keepTryHere = async (input: unknown): Promise<ActionResult> =>
  acted('keep-try', trySchema, input, async (t) => {
    await keepTry(t);
    return { ok: true };
  });
export const forgetTriesHere = async (input: unknown): Promise<ActionResult> =>
  acted('forget-tries', forgetTriesSchema, input, async ({ personId }) =>
    (await forgetTries(personId)) ? { ok: true } : refuse('That is another’s: they erase it themselves.'),
  );

export const setHouse = async (input: unknown): Promise<ActionResult<Kept>> =>
  acted('set-house', houseSaveSchema, input, ({ change, base, decided }) =>
    changeHouse(change, base ?? undefined, decided),
  );
