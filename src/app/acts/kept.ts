/** What the pages of kept lots ask the server to do. */
import { acted } from '@/app/acted';
import type { ActionResult } from '@/contract/action-result';
import { keepLotSchema, keptGoneSchema, keptUndoSchema } from '@/contract/kept';
import { keep, letKeptGo, takeKeptBack } from '@/server/queries/kept';

export const keepHere = async (input: unknown): Promise<ActionResult<{ readonly id: string }>> =>
  acted('keep-lot', keepLotSchema, input, keep);

export const keptGone = async (input: unknown): Promise<ActionResult<{ readonly id: string; readonly left: number }>> =>
  acted('kept-gone', keptGoneSchema, input, letKeptGo);

export const keptBack = async (input: unknown): Promise<ActionResult> =>
  acted('kept-back', keptUndoSchema, input, async ({ useId }) => takeKeptBack(useId));
