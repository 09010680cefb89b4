/** Acts that waited in a browser, and what is told at the counter: each goes in as if its page sent it. */

import { type ActionResult, refuse } from '@/contract/action-result';
import { type ActName, sentActSchema } from '@/contract/acts';
import { invalid } from '@/contract/fields';
import { json, limitedBytes, problem } from '@/server/api/problem';
import { doneAgo } from '@/server/db/done-at';
import * as kitchen from '../actions';
import * as kept from '../kept/actions';
import * as pantry from '../pantry/actions';
import * as premix from '../premix/actions';
import * as sides from '../sides/actions';

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
  'make-lot': premix.makeMixLot,
  'bags-gone': premix.bagsGone,
  'correct-lot': premix.correctTheLot,
  'void-lot': premix.voidTheLot,
  'keep-side': sides.keepBeside,
  'keep-lot': kept.keepHere,
  'kept-gone': kept.keptGone,
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
  const { name, input, agoMs } = act.data;
  if (name === 'keep-photo') return problem(400, 'A photograph is posted to /photos.');
  return json({ ...(await doneAgo(agoMs, () => WORK[name](input))) });
}
