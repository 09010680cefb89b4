'use server';
/** What is done with photographs once they are there. */
import { acted } from '@/app/acted';
import type { ActionResult } from '@/contract/action-result';
import { photoIdSchema, photoShowsSchema } from '@/contract/photo';
import { photoAway, photoBack, photoShows } from '@/server/queries/photos';

export const photoAwayHere = async (input: unknown): Promise<ActionResult> =>
  acted('photo-away', photoIdSchema, input, ({ id }) => photoAway(id));
export const photoBackHere = async (input: unknown): Promise<ActionResult> =>
  acted('photo-back', photoIdSchema, input, ({ id }) => photoBack(id));
export const photoShowsHere = async (input: unknown): Promise<ActionResult> =>
  acted('photo-shows', photoShowsSchema, input, ({ id, shows }) => photoShows(id, shows));
