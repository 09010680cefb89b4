/** Acts that waited in a browser, and what is told at the counter: each goes in as if its page sent it. */

import { z } from 'zod';
import { sentBy } from '@/app/acted';
import * as photos from '@/app/photos/actions';
import { senderOf, senderOfAct } from '@/app/way-in';
import { type ActionResult, refuse } from '@/contract/action-result';
import { ACTS_SHAPE, type ActName, SENT_ACTS, upgraded } from '@/contract/acts';
import { sentAsSchema } from '@/contract/device';
import { tellSchema } from '@/contract/event-log';
import { invalid } from '@/contract/fields';
import { json, limitedBytes, problem, troubled } from '@/server/api/problem';
import { doneAgo } from '@/server/db/done';
import { reach } from '@/server/db/pool';
import * as kept from './kept';
import * as kitchen from './kitchen';
import * as pantry from './pantry';
import * as premix from './premix';
import * as sides from './sides';

/** An act that waited; how long ago it was done is by the stopwatch of the page where that is still the same. */
const sentActSchema = sentAsSchema.extend({
  name: z.enum(Object.keys(SENT_ACTS) as [ActName, ...ActName[]]),
  input: z.unknown(),
  shape: z.number().int().min(1).default(1),
});

type Work = (input: unknown) => Promise<ActionResult>;

const WORK: Readonly<Record<Exclude<ActName, 'keep-photo'>, Work>> = {
  'tell-events': kitchen.tellBook,
  'save-formula': kitchen.saveFormula,
  'keep-cards': kitchen.keepCards,
  'start-batch': kitchen.makeBatch,
  'keep-plan': kitchen.keepPlanHere,
  'serve-at': kitchen.serveAt,
  'save-outcome': kitchen.saveOutcome,
  'save-target': kitchen.saveTargetHere,
  'answer-change': kitchen.answerNextTime,
  'want-pieces': kitchen.wantOthers,
  'note-care': kitchen.noteCareHere,
  'set-house': kitchen.setHouse,
  'keep-ingredient': pantry.keepThing,
  'keep-stock': pantry.keepStock,
  'count-stock': pantry.countOnHand,
  'import-pantry': async (input) => {
    const a = await pantry.importPantry(input);
    return a.ok ? a : refuse(a.message, {}, a.kind);
  },
  'keep-measure': pantry.keepWeighed,
  'answer-measure': pantry.keepAnswered,
  'keep-premix': premix.keepMix,
  'weigh-lot': premix.weighTheLot,
  'give-up-lot': premix.giveUpTheLot,
  'make-lot': premix.makeMixLot,
  'bags-gone': premix.bagsGone,
  'bags-back': premix.bagsBack,
  'count-bags': premix.countTheBags,
  'correct-lot': premix.correctTheLot,
  'say-traces': premix.sayTraces,
  'order-lot': premix.orderTheLot,
  'test-lot': premix.testTheLot,
  'strike-test': premix.strikeTheTest,
  'note-sacks': premix.noteSacks,
  'void-lot': premix.voidTheLot,
  'keep-side': sides.keepBeside,
  'keep-lot': kept.keepHere,
  'kept-gone': kept.keptGone,
  'put-formula': kitchen.putAwayFormula,
  'end-batch': kitchen.endBatchHere,
  'put-away': kitchen.putAwayBatch,
  'change-covers': kitchen.coversHere,
  'drop-plan': kitchen.dropPlanHere,
  'care-back': kitchen.careBackHere,
  'use-lesson': kitchen.useLessonHere,
  'use-places': kitchen.usePlacesHere,
  'lesson-aside': kitchen.lessonAsideHere,
  'photo-away': photos.photoAwayHere,
  'photo-shows': photos.photoShowsHere,
  'switch-measure': pantry.switchMeasure,
  'keep-person': kitchen.keepPersonHere,
  'keep-try': kitchen.keepTryHere,
  'forget-tries': kitchen.forgetTriesHere,
  'erase-person': kitchen.erasePersonHere,
  'keep-morning': kitchen.keepMorningHere,
  'place-morning': kitchen.placeMorningHere,
  'mark-step': kitchen.markStepHere,
  'swap-people': kitchen.swapPeopleHere,
  'close-morning': kitchen.closeMorningHere,
  'drop-morning': kitchen.dropMorningHere,
  'keep-trial': kitchen.keepTrialHere,
  'begin-trial': kitchen.beginTrialHere,
  'tell-taste': kitchen.tasteHere,
  'open-trial': kitchen.openTrialHere,
  'drop-trial': kitchen.dropTrialHere,
  'copy-formula': kitchen.copyOfFormula,
  'make-again': kitchen.batchAgain,
  'use-bags': premix.useBags,
  'swap-in-batch': kitchen.swapHere,
  'stand-in-part': kitchen.standInForPart,
  'undo-swaps': kitchen.undoSwapsHere,
  rebalance: kitchen.workRestAnew,
  'put-back': kitchen.untakeBatch,
  'take-up': kitchen.takeUpBatch,
  'take-cards-back': kitchen.takeCardsBack,
  'photo-back': photos.photoBackHere,
  'kept-back': kept.keptBack,
  'undo-gone': premix.undoGone,
  'drop-premix': premix.dropMix,
  'drop-side': sides.dropBeside,
  'uncount-stock': pantry.uncountOnHand,
  'remove-ingredient': pantry.removeThing,
  'drop-measure': pantry.dropMeasure,
  'measure-back': pantry.measureBack,
};

/** As much as a page sends at once, bytes. */
const MOST_BYTES = 4_000_000;

export async function POST(request: Request): Promise<Response> {
  const bytes = await limitedBytes(request, MOST_BYTES);
  if (bytes === null) return problem(413, `An act has at most ${MOST_BYTES / 1e6} MB: send it in parts.`);
  let sent: unknown;
  try {
    sent = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return problem(400, 'What was sent is not well formed.');
  }
  const act = sentActSchema.safeParse(sent);
  if (!act.success) return json({ ...invalid(act.error) });
  const { name, input, agoMs, shape, session, device } = act.data;
  // the server was set back to an older version: the act waits until it is brought up again
  if (shape > ACTS_SHAPE)
    return json({ ...refuse('This was done with a newer Even Crumb than the server runs.', {}, 'away') });
  if (name === 'keep-photo') return problem(400, 'A photograph is posted to /photos.');
  const told = name === 'tell-events' ? tellSchema.safeParse(input) : null;
  const ago = told?.success ? told.data.items.map((i) => i.agoMs ?? 0) : [agoMs];
  const r = await reach(() => senderOfAct(senderOf(request.headers), session, device, ago));
  if (!r.up) return troubled(r.kind);
  if (!r.value.ok) return json({ ...r.value });
  const { who } = r.value;
  return json({ ...(await sentBy(who, () => doneAgo(agoMs, () => WORK[name](upgraded(name, input, shape))))) });
}
